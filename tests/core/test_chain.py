"""Chains of lengths: how they are read, what is left of them, and what closes it."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask import ask
from runk.core.catalogue import CATALOGUE
from runk.core.figures import instead_of
from runk.core.kinds import Chain, Told
from runk.core.lengths.members import Member, total
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

HERE, INCH = Told(PageUnit.MM, WORKSHOP), Told(PageUnit.INCH, WORKSHOP)
CHAIN = Chain("chain", low=0.001, high=3000.0)


def answer(name: str, **typed: str) -> Any:
    one = CATALOGUE[name]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


@pytest.mark.parametrize(
    ("typed", "read"),
    [
        ("25", [("1", 1, 25, 25)]),
        ("2 x bearing 8; boss 8.8 +0 -0.05", [("bearing", 2, 8, 8), ("boss", 1, 8.75, 8.8)]),
        ("bearings 2 x 8 + 1/4 in collar", [("bearing", 2, 8, 8), ("collar", 1, 6.35, 6.35)]),
        ("12 mm wheel, 8, +0.02 -0", [("wheel", 1, 12, 12), ("2", 1, 8, 8.02)]),
        ("collar 5.95 to 6.00", [("collar", 1, 5.95, 6)]),
        ("12,5; 6", [("1", 1, 12.5, 12.5), ("2", 1, 6, 6)]),
        ("1, 1/2 in", [("1", 1, 25.4, 25.4), ("2", 1, 12.7, 12.7)]),
        ("gap 0.1 +0.01 -0.01 in", [("gap", 1, 2.286, 2.794)]),
        ("boss 1 in +0.01 -0", [("boss", 1, 25.4, 25.654)]),
        ("1, 2 (in)", [("1", 1, 25.4, 25.4), ("2", 1, 50.8, 50.8)]),
        ("no 43 drill; 2 off 3", [("drill", 1, 2.2606, 2.2606), ("2", 2, 3, 3)]),
    ],
)
def test_a_chain_is_read_with_names_counts_and_limits(
    typed: str, read: list[tuple[str, int, float, float]]
) -> None:
    found = CHAIN.read(typed, HERE).value
    assert [(m.name, m.count) for m in found] == [one[:2] for one in read]
    assert [float(m.low) for m in found] == pytest.approx([one[2] for one in read])
    assert [float(m.high) for m in found] == pytest.approx([one[3] for one in read])


def test_limits_take_the_unit_of_their_size_on_an_inch_page() -> None:
    (one,) = CHAIN.read("boss 8 mm +0.05 -0", INCH).value
    assert (float(one.low), float(one.high)) == (8.0, 8.05)
    (bare,) = CHAIN.read("boss 1 +0.01 -0", INCH).value
    assert float(bare.high) == pytest.approx(25.654)


_MEMBERS = st.lists(
    st.builds(
        lambda name, count, size, up, down: (
            f"{count} x {name} {size / 100} +{up / 1000} -{down / 1000}"
        ),
        st.sampled_from(["bearing", "collar", "boss", "wheel", "washer"]),
        st.integers(1, 4),
        st.integers(50, 5000),
        st.integers(0, 200),
        st.integers(0, 200),
    ),
    min_size=1,
    max_size=8,
)


@cases(60)
@given(_MEMBERS, st.sampled_from([HERE, INCH]))
def test_a_chain_said_back_reads_the_same(parts: list[str], told: Told) -> None:
    taken = CHAIN.read("; ".join(parts), told)
    again = CHAIN.read(CHAIN.say(taken.value, taken.reading, told), told).value
    assert [(m.name, m.count) for m in again] == [(m.name, m.count) for m in taken.value]
    for one, other in zip(again, taken.value, strict=True):
        assert float(one.low) == pytest.approx(float(other.low), abs=2e-3)
        assert float(one.high) == pytest.approx(float(other.high), abs=2e-3)


@cases(60)
@given(_MEMBERS, st.integers(1, 40000))
def test_worst_usual_and_halfway_lie_in_their_order(parts: list[str], room: int) -> None:
    got = answer("endfloat", room=f"{room / 100} +0.1 -0", stack="; ".join(parts))
    low, high = got.float_low_mm.value, got.float_high_mm.value
    assert low <= got.float_mm.value <= high
    if got.usual_low_mm is not None:
        assert low - 1e-9 <= got.usual_low_mm.value <= got.usual_high_mm.value <= high + 1e-9
    shares = sum(one.share_percent.value for one in got.lengths)
    assert shares == pytest.approx(100)
    stack = total(CHAIN.read("; ".join(parts), HERE).value)
    assert low == pytest.approx(room / 100 - stack[2])
    assert high == pytest.approx(room / 100 + 0.1 - stack[0])
    # Too tight is a Stop with what to take off; nobody is told to put a shim into nothing.
    assert bool(instead_of(got.cautions)) == (low < -1e-9)
    assert low >= 0 or got.shim_mm is None


def test_shims_to_hand_are_the_fewest_that_come_nearest() -> None:
    got = answer("endfloat", room="25", stack="24.55", shims="0.05, 0.1, 0.25")
    # 0.45 less the middle of 2 to 6 thou is 0.348: 0.25 and 0.1.
    assert got.exact_mm.value == pytest.approx(0.45 - 0.1016)
    assert got.shim_mm.value == pytest.approx(0.35)
    assert "0.25 mm" in worded(got.says, PageUnit.MM)
    none = answer("endfloat", room="25", stack="20", shims="0.05, 0.1")
    assert none.shim_mm.value == pytest.approx(5 - 0.1016)
    assert any(c.about == "the shims" for c in none.cautions)
    assert answer("endfloat", room="25", stack="24.9").shim_mm is None


def test_along_a_shaft_one_thing_is_brought_to_its_line() -> None:
    """By hand: 8, 0.2, 10, 6, 5 and half of 9 put the middle of the pin at 33.7."""
    got = answer(
        "shaft-budget",
        room="60",
        along="bearing 8; gap 0.2; eccentric 10; collar 6; web 5; crankpin 9; web 5; bearing 8",
        on="the crankpin",
        line="34",
    )
    assert got.left_mm.value == pytest.approx(8.8)
    assert got.shift_mm.value == pytest.approx(0.3)
    assert "0.300 mm on the left of the the" not in worded(got.says, PageUnit.MM)
    assert got.sits[-1].to_mm.value == pytest.approx(51.2)
    over = answer("shaft-budget", room="20", along="2 x 8; wheel 6")
    assert worded(instead_of(over.cautions), PageUnit.MM) == "find 2.000 mm more"
    link = got.links[0]
    carried = answer(link.calculator, **dict(link.question))
    assert carried.float_mm.value == pytest.approx(8.8)


@pytest.mark.parametrize(
    ("name", "typed", "field", "says"),
    [
        ("endfloat", {"room": "25"}, "stack", "What stands between"),
        ("endfloat", {"stack": "25"}, "room", "How far apart"),
        ("endfloat", {"room": "25", "stack": "8 +0 -9"}, "stack", "nothing at all"),
        ("endfloat", {"room": "25", "stack": "-3"}, "stack", ""),
        ("endfloat", {"room": "25 24.9", "stack": "3"}, "room", "over the largest"),
        (
            "endfloat",
            {"room": "25", "stack": "3", "least": "1", "most": "0.5"},
            "least",
            "more than",
        ),
        ("endfloat", {"room": "25", "stack": "; ".join(["0.1"] * 41)}, "stack", "too many"),
        ("shaft-budget", {"room": "25", "along": "a 3", "line": "9"}, "on", "to lie on"),
        ("shaft-budget", {"room": "25", "along": "web 3", "on": "web"}, "line", "How far"),
        (
            "shaft-budget",
            {"room": "25", "along": "web 3", "on": "pin", "line": "9"},
            "on",
            "called",
        ),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(
    name: str, typed: dict[str, str], field: str, says: str
) -> None:
    with pytest.raises(Refused) as refused:
        answer(name, **typed)
    assert refused.value.field == field
    assert says in refused.value.said(PageUnit.MM)


@pytest.mark.parametrize("page", list(PageUnit))
@pytest.mark.parametrize(
    ("line", "low"),
    [
        ("end float 25 mm - 24.8 mm", 0.2),
        ("end play 1 in - 0.996", 0.1016),
        ("what is the end float of 24.8 mm in 25 mm?", 0.2),
        ("End float: 25 mm - 12 mm - 12.8 mm", 0.2),
        ("endfloat 25 mm +0.05 -0 less 2 x bearing 8 mm +0 -0.02; boss 8.8 mm", 0.2),
    ],
)
def test_lines_of_end_float(line: str, low: float, page: PageUnit) -> None:
    asked = ask(line, WORKSHOP, page)
    assert asked.calculator.name == "endfloat"
    assert asked.answer.float_low_mm.value == pytest.approx(low)
    # Said back, it is read the same; and its fields, typed in the room, too.
    again = ask(asked.read_as.split(" (")[0], WORKSHOP, page)
    assert again.answer.float_low_mm.value == pytest.approx(low, abs=2e-3)
    typed = read_question(asked.calculator, asked.typed, page, WORKSHOP).question
    assert typed == asked.read.question


def test_pieces_of_one_kind_are_counted_each() -> None:
    """Two bearings with limits are more certain together than one twice as long."""
    half = Fraction(1, 100)
    one = Member("1", Fraction(8), Fraction(8) - half, Fraction(8) + half, 2)
    got = answer("endfloat", room="30", stack="2 x 8 ±0.01")
    assert total([one])[2] == pytest.approx(16.02)
    assert got.usual_high_mm.value - got.float_mm.value == pytest.approx((2 * 0.01**2) ** 0.5)


@pytest.mark.parametrize(
    ("room", "stack", "stop", "says"),
    [
        ("25 ±0.1", "24.8 ±0.2", "measure before it is fixed", "nothing faced off, does for all"),
        ("25", "24.95", "", "It is tight: face 0.052 mm"),
        ("25", "25.02", "face 0.122 mm off", "It does not go in"),
        ("25 +0 -0.1", "24.98", "face 0.132 mm off", "It may bind: face"),
        ("25", "24.9", "", "It is right as it stands"),
    ],
)
def test_what_closes_a_float_is_said_as_it_stands(
    room: str, stack: str, stop: str, says: str
) -> None:
    got = answer("endfloat", room=room, stack=stack)
    assert worded(instead_of(got.cautions) or "", PageUnit.MM) == stop
    assert says in worded(got.says, PageUnit.MM)


@cases(60)
@given(st.integers(0, 400), st.integers(2300, 2600), st.integers(0, 400))
def test_nothing_negative_ever_comes_off(half: int, stack: int, other: int) -> None:
    got = answer("endfloat", room=f"25 ±{half / 1000}", stack=f"{stack / 100} ±{other / 1000}")
    text = worded(got.says, PageUnit.MM) + worded(instead_of(got.cautions) or "", PageUnit.MM)
    assert " -" not in text.replace(" - ", "")
    assert "-0." not in text


def test_what_lies_too_far_right_is_thinned_and_not_packed() -> None:
    typed = {"room": "60", "along": "bearing 8; collar 3; web 5", "on": "web"}
    right = worded(answer("shaft-budget", **typed, line="12").says, PageUnit.MM)
    assert "1.500 mm too far right" in right
    assert "take that off the bearing" in right
    left = worded(answer("shaft-budget", **typed, line="15").says, PageUnit.MM)
    assert left == "A washer of 1.500 mm on the left of the web puts it on its line."
    # What comes off, taken off, puts it there.
    thinner = typed | {"along": "bearing 6.5; collar 3; web 5"}
    assert "lies on its line" in worded(
        answer("shaft-budget", **thinner, line="12").says, PageUnit.MM
    )
    first = answer("shaft-budget", room="60", along="web 5", on="web", line="2").says
    assert "the inside of the left frame" in worded(first, PageUnit.MM)
