"""Fits by class and by what parts do: translated, bounded, handed on."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.fits.classes import bounds_of, nearest_class, nearest_iso
from runk.core.fits.fit_answer import FitAnswer
from runk.core.fits.iso import LETTERS, ToleranceClass, limits_um
from runk.core.fits.question import WORKSHOP, duties
from runk.core.fits.sweep import limits_across_um
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP as SHED
from tests.cases import cases

FIT = CATALOGUE["fit"]
SIZES = st.integers(1, 25000).map(lambda n: n / 100)


def ask(**typed: str) -> FitAnswer:
    answer = FIT.ask(read_question(FIT, typed, PageUnit.MM, SHED).question, SHED)
    assert isinstance(answer, FitAnswer)
    return answer


@cases(60)
@given(SIZES, st.sampled_from(sorted(duties())))
def test_any_hole_and_any_shaft_within_their_limits_keep_to_the_duty(size: float, key: str) -> None:
    answer = ask(size=f"{max(size, 0.5)}", duty=key)
    least, most = bounds_of(duties()[key], max(size, 0.5))
    tightest = answer.hole_low_mm.value - answer.shaft_high_mm.value
    loosest = answer.hole_high_mm.value - answer.shaft_low_mm.value
    assert tightest == pytest.approx(least, abs=1e-6)
    assert loosest == pytest.approx(most, abs=1e-6)
    assert answer.hole_high_mm.value > answer.hole_low_mm.value
    assert answer.shaft_high_mm.value > answer.shaft_low_mm.value


@cases(25)
@given(SIZES.filter(lambda mm: mm >= 1), st.sampled_from(WORKSHOP))
def test_a_fit_translated_twice_is_the_fit_translated_once(size: float, key: str) -> None:
    low, high = bounds_of(duties()[key], size)
    once = nearest_iso(size, low, high)
    hole, shaft = (limits_um(one, size) for one in once)
    there = ((hole[0] - shaft[1]) / 1000, (hole[1] - shaft[0]) / 1000)
    again = nearest_class(size, *there)
    back = nearest_iso(size, *there)
    assert back == once
    assert nearest_class(size, *bounds_of(again, size)).key == again.key


@pytest.mark.parametrize(
    ("duty", "size", "thou"),
    [
        # Common practice, on diameter, by hand for sizes in inches.
        ("ringed", "1 in", (1.0, 2.0)),
        ("ringless", "1 in", (0.2, 0.5)),
        ("crown", "2 in", (6.0, 10.0)),
        ("rod", "1/8 in", (0.5, 1.0)),
        ("journal", "1 in", (1.2, 1.8)),
        ("flywheel", "3/8 in", (-0.1, 0.0)),
        ("web", "7/16 in", (1.0, 2.0)),
        ("press", "1 in", (-1.15, -0.95)),
        ("shrink", "1 in", (-1.65, -1.35)),
        ("running", "1 in", (1.25, 1.75)),
    ],
)
def test_what_parts_do_asks_so_many_thou(duty: str, size: str, thou: tuple[float, float]) -> None:
    answer = ask(size=size, duty=duty)
    low, high = answer.clearance_low_mm.value / 0.0254, answer.clearance_high_mm.value / 0.0254
    assert (low, high) == pytest.approx(thou, abs=0.01)


@pytest.mark.parametrize(
    ("typed", "field", "says"),
    [
        ({"size": "0.05", "duty": "running"}, "size", "0.1 mm"),
        ({"size": "0", "duty": "running"}, "size", "more than"),
        ({"size": "251", "hole": "H7"}, "size", "250 mm"),
        ({"size": "22", "hole": "I7"}, "hole", "no class I"),
        ({"size": "22", "shaft": "z99"}, "shaft", "no class z"),
        ({"size": "22", "hole": "H"}, "hole", "no tolerance class"),
        ({"size": "22", "hole": "H14"}, "hole", "Grade 14"),
        ({"size": "22", "shaft": "j6"}, "shaft", "left out"),
        ({"size": "22", "hole": "CD7"}, "hole", "left out"),
        ({"size": "20", "shaft": "t6"}, "shaft", "up to 24 mm"),
        ({"size": "20", "hole": "K9"}, "hole", "no K9"),
        ({"size": "22"}, "duty", "Which fit"),
        ({"size": "22", "hole": "H7", "duty": "press"}, "duty", "contradict"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(
    typed: dict[str, str], field: str, says: str
) -> None:
    with pytest.raises(Refused) as refused:
        ask(**typed)
    assert refused.value.field == field
    assert says in refused.value.said(PageUnit.MM)


def test_one_class_alone_goes_with_the_usual_mate() -> None:
    assert ask(size="22", hole="h8").name == "H8/h6"
    assert ask(size="22", shaft="K6").name == "H7/k6"


@pytest.mark.parametrize("typed", [{"hole": "H7", "shaft": "g6"}, {"duty": "ringed"}])
def test_the_limits_arrive_in_the_plan_as_what_they_are(typed: dict[str, str]) -> None:
    answer = ask(size="22", **typed)
    for link, limits in zip(
        [link for link in answer.links if link.calculator == "plan"],
        ((answer.shaft_low_mm, answer.shaft_high_mm), (answer.hole_low_mm, answer.hole_high_mm)),
        strict=True,
    ):
        plan = CATALOGUE["plan"]
        more: dict[str, Any] = {"now": "23" if dict(link.question)["job"] == "outside" else "20"}
        question = read_question(
            plan, dict(link.question) | more | {"metal": "brass"}, PageUnit.INCH, SHED
        ).question
        assert float(question.smallest) == pytest.approx(limits[0].value, abs=1e-4)
        assert float(question.largest) == pytest.approx(limits[1].value, abs=1e-4)


def test_a_class_on_a_plan_is_worked_out_for_the_side_it_names() -> None:
    plan = CATALOGUE["plan"]
    for job, now, limits, low, high in (
        ("bore", "20", "H7", 22.0, 22.021),
        ("outside", "24", "g6", 21.980, 21.993),
    ):
        typed = {"job": job, "metal": "brass", "now": now, "wanted": "22", "limits": limits}
        question = read_question(plan, typed, PageUnit.MM, SHED).question
        assert (float(question.smallest), float(question.largest)) == pytest.approx((low, high))


@cases(60)
@given(
    SIZES.filter(lambda mm: 1 <= mm < 249),
    st.sampled_from(sorted(duties())),
    st.sampled_from(["hole", "shaft"]),
    st.integers(-20, 20),
)
def test_made_to_the_first_as_it_measures_the_other_keeps_to_the_duty(
    size: float, key: str, basis: str, off_um: int
) -> None:
    made = size + off_um / 1000
    answer = ask(size=f"{size}", duty=key, basis=basis, made=f"{made:.3f}")
    least, most = bounds_of(duties()[key], size)
    fixed = (answer.hole_low_mm, answer.hole_high_mm)
    if basis == "shaft":
        fixed = (answer.shaft_low_mm, answer.shaft_high_mm)
    assert {round(one.value, 6) for one in fixed} == {round(made, 3)}
    assert answer.clearance_low_mm.value == pytest.approx(least, abs=1e-6)
    assert answer.clearance_high_mm.value == pytest.approx(most, abs=1e-6)


@pytest.mark.parametrize(
    ("pair", "turned"), [("H7 g6", "G7/h6"), ("H8 f7", "F8/h7"), ("H7 p6", "P7/h6")]
)
def test_on_a_bar_as_it_comes_the_fit_is_turned_round_and_stays_the_same(
    pair: str, turned: str
) -> None:
    """ISO 286: delta puts tight holes right so that the fit is the same, from memory."""
    hole, shaft = pair.split()
    one, other = (
        ask(size="22", hole=hole, shaft=shaft),
        ask(size="22", hole=hole, shaft=shaft, basis="shaft"),
    )
    assert (other.name, other.shaft_high_mm.value) == (turned, 22.0)
    assert other.clearance_low_mm.value == pytest.approx(one.clearance_low_mm.value, abs=1e-6)
    assert other.clearance_high_mm.value == pytest.approx(one.clearance_high_mm.value, abs=1e-6)
    assert turned in [way.name for way in one.others]


def test_schools_that_differ_are_told_with_what_they_cost() -> None:
    loose = ask(size="3", duty="groove").schools[0]
    assert loose.clearance_low_mm.value / 0.0254 == pytest.approx(4.5)
    assert "wears" in loose.says


def test_an_aluminium_piston_is_given_its_own_duty_and_its_metals_go_along() -> None:
    answer = ask(size="22", duty="ringed", shaft_metal="aluminium-6082", hole_metal="grey-iron")
    assert answer.name == "an aluminium piston in iron"
    by = {link.calculator: dict(link.question) for link in answer.links}
    assert by["plan"]["metal"] == "grey-iron"
    assert by["warm"]["shaft_metal"] == "aluminium-6082"
    assert by["pair"] == {"metal": "aluminium-6082", "other": "grey-iron"}


def test_an_owned_reamer_is_named_for_what_it_fixes() -> None:
    size = next(t for t in SHED.reamers)
    assert size.name in ask(size=f"{float(size.size_mm)}", hole="H7", shaft="g6").first
    assert "bored" in ask(size="21.3", duty="running").first


def test_a_tight_fit_is_handed_to_the_press_as_its_interference() -> None:
    answer = ask(size="22", hole="H7", shaft="p6")
    press = next(link for link in answer.links if link.calculator == "press")
    question = read_question(CATALOGUE["press"], dict(press.question), PageUnit.INCH, SHED).question
    assert float(question.tight) == pytest.approx(0.035, abs=1e-4)
    assert float(question.least) == pytest.approx(0.001, abs=1e-4)


def test_what_measures_as_another_part_is_refused() -> None:
    with pytest.raises(Refused) as refused:
        ask(size="22", duty="running", made="25")
    assert refused.value.field == "made"


@cases(40)
@given(
    st.lists(SIZES, min_size=1, max_size=20),
    st.sampled_from(LETTERS),
    st.integers(5, 11),
    st.booleans(),
)
def test_limits_over_an_array_are_the_limits_one_by_one(
    sizes: list[float], letter: str, grade: int, hole: bool
) -> None:
    one = ToleranceClass(letter, grade, hole)
    low, high = limits_across_um(one, np.array(sizes))
    for at, size in enumerate(sizes):
        try:
            expected = limits_um(one, size)
        except Refused:
            assert np.isnan(low[at])
            continue
        assert (low[at], high[at]) == pytest.approx(expected)


@pytest.mark.parametrize("typed", [{"hole": "H7", "shaft": "g6"}, {"duty": "running"}])
def test_the_sweep_across_sizes_passes_through_the_answer(typed: dict[str, str]) -> None:
    question = read_question(FIT, {"size": "22"} | typed, PageUnit.MM, SHED).question
    shape = FIT.sweeps()["across"].compute(question, FIT.needs(question, SHED))
    answer = ask(size="22", **typed)
    at = min(range(len(shape.size_mm)), key=lambda n: abs(shape.size_mm[n] - 22))
    assert shape.low_mm[at] == pytest.approx(answer.clearance_low_mm.value, rel=0.02)
    assert shape.high_mm[at] == pytest.approx(answer.clearance_high_mm.value, rel=0.02)
