"""Change wheels against brute force in exact fractions, and against trains handbooks print.

Sources: on an 8 tpi leadscrew 127 in a train gives metric pitches exactly, 63 within 126 in a
million (lathe handbooks, recalled); 2 BA is 0.81 mm (BS 93). The brute force never sees NumPy.
"""

from __future__ import annotations

import itertools
from collections import Counter
from fractions import Fraction
from math import pi
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask import ask as typed_line
from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.wheels.half_nuts import MOST_TURNS, dial_says, half_nuts_say, turns_to_meet
from runk.core.wheels.train import CLEAR, Train
from runk.core.wheels.trains import bought, compound, trains
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

OWNED = (20, 20, 25, 30, 35, 38, 40, 45, 50, 55, 60, 63, 65, 70, 75)


def ask(**typed: str) -> Any:
    one = CATALOGUE["wheels"]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def _brute(wheels: tuple[int, ...], ratio: Fraction) -> Fraction:
    """The least error of any compound train, four wheels taken and put every way round."""
    best = None
    for a, c, b, d in itertools.permutations(wheels, 4):
        if {a, c} & {b, d}:
            continue
        error = abs(Fraction(a * c, b * d) / ratio - 1)
        best = error if best is None or error < best else best
    assert best is not None
    return best


@cases(40)
@given(
    st.lists(st.integers(18, 80), min_size=6, max_size=8)
    .map(tuple)
    .filter(lambda w: len(set(w)) > 4),
    st.integers(20, 400),
)
def test_the_nearest_compound_train_is_what_brute_force_finds(
    wheels: tuple[int, ...], hundredths: int
) -> None:
    ratio = Fraction(hundredths, 200)
    rows, errors = compound(wheels, float(ratio))
    assert abs(errors[0]) == pytest.approx(float(_brute(wheels, ratio)), abs=1e-12)
    owned = Counter(wheels)
    for (a, c, b, d), error in zip(rows.tolist(), errors.tolist(), strict=True):
        assert not Counter((a, c, b, d)) - owned
        assert not {a, c} & {b, d}
        assert error == pytest.approx(a * c / (b * d) / float(ratio) - 1, abs=1e-12)
    assert list(abs(errors)) == sorted(abs(errors))


@cases(40)
@given(st.integers(15, 400))
def test_trains_shown_can_be_set_up(hundredths: int) -> None:
    ratio = hundredths / 254
    for train in trains(OWNED, ratio):
        assert not Counter(train.drivers + train.driven) - Counter(OWNED)
        assert train.clears
        if len(train.drivers) == 2:
            (a, c), (b, d) = train.drivers, train.driven
            # The stud's driver passes the spindle's shaft, its driven wheel the leadscrew's.
            assert a + b >= c + CLEAR
            assert c + d >= b + CLEAR


@pytest.mark.parametrize(
    ("pitch", "wheels", "ppm"),
    [
        # Any lathe handbook, on 8 tpi: halves and quarters exact; 63 for metric.
        ("16 tpi", "", 0.0),
        ("26 tpi", "", 0.0),
        ("40 tpi", "", 0.0),
        ("1 mm", "20 30 40 50 60 127", 0.0),
        ("1.25 mm", "20 30 40 50 60 127", 0.0),
        ("1 mm", "20 50 63 80", 125.0),
        ("1.5 mm", "30 50 63 80", 125.0),
        ("0.81 mm", "", 63.0),
        ("2BA", "", 63.0),
    ],
)
def test_trains_that_handbooks_print(pitch: str, wheels: str, ppm: float) -> None:
    got = ask(pitch=pitch, wheels=wheels)
    assert abs(got.error_ppm.value) == pytest.approx(ppm, abs=1.0)
    first = got.trains[0]
    over, under = 1, 1
    for driver, driven in zip(first.drivers, first.driven, strict=True):
        over, under = over * driver, under * driven
    assert got.cuts_mm.value == pytest.approx(25.4 / 8 * over / under)
    # Over ten millimetres an error in a million is a hundredth of a micrometre.
    assert got.off_um.value == pytest.approx(got.error_ppm.value / 100, abs=1e-9)


def test_a_module_is_pi_times_its_pitch() -> None:
    got = ask(pitch="0.5 module")
    assert got.wanted_mm.value == pytest.approx(pi / 2)
    assert abs(got.error_ppm.value) < 600


@pytest.mark.parametrize(
    ("pitch", "screw", "says"),
    [
        ("16 tpi", "8 tpi", "anywhere"),
        ("26 tpi", "8 tpi", "every 4 turns"),
        ("1.5 mm", "2 mm", "every 3 turns"),
        ("1 mm", "8 tpi", "Stay closed"),
        ("2BA", "8 tpi", "Stay closed"),
    ],
)
def test_half_nuts_open_where_both_pitches_meet(pitch: str, screw: str, says: str) -> None:
    """By the least common multiple of both pitches, found by counting turns."""
    got = ask(pitch=pitch, screw=screw)
    assert says in got.half_nuts
    mm = {"8 tpi": Fraction(254, 80), "2 mm": Fraction(2)}[screw]
    wanted = {"16 tpi": Fraction(254, 160), "26 tpi": Fraction(254, 260), "1.5 mm": Fraction(3, 2)}
    if pitch in wanted:
        turns = next(n for n in itertools.count(1) if (n * mm / wanted[pitch]).denominator == 1)
        assert ("anywhere" in got.half_nuts) == (turns == 1)
        assert turns == 1 or f"every {turns} turns" in got.half_nuts


@cases(15)
@given(st.integers(20, 300))
def test_the_wheel_to_buy_is_better_than_all_that_is_owned(hundredths: int) -> None:
    ratio = hundredths / 317.5
    best = trains(OWNED, ratio, 1)[0]
    found = bought(OWNED, ratio, abs(best.error))
    if found is None:
        return
    teeth, train = found
    assert teeth not in OWNED
    assert teeth in train.drivers + train.driven
    assert abs(train.error) < abs(best.error)
    # With it in the set no worse train is found.
    assert abs(trains((*OWNED, teeth), ratio, 1)[0].error) <= abs(train.error) + 2e-7


@cases(20)
@given(st.integers(15, 400), st.sampled_from(OWNED))
def test_what_cannot_be_set_up_leaves_room_for_what_can(hundredths: int, without: int) -> None:
    """However many of the nearest a lathe forbids, the nearest of the rest are found."""
    ratio, most = hundredths / 254, 5

    def may(train: Train) -> bool:
        return without not in train.drivers + train.driven

    rest = tuple(w for w in OWNED if w != without)
    found = [round(abs(one.error), 9) for one in trains(OWNED, ratio, most, may)]
    alone = [round(abs(one.error), 9) for one in trains(rest, ratio, most)]
    assert found[: len(alone)] == alone[: len(found)]
    assert len(found) >= min(1, len(alone))


def test_limits_of_the_banjo_and_a_gearbox_are_kept_to() -> None:
    from dataclasses import replace

    lathe = WORKSHOP.machine("Lathe", ())
    near = replace(lathe, banjo_least_mm=50.0, banjo_most_mm=60.0)
    shop = replace(WORKSHOP, machines=(near,))
    one = CATALOGUE["wheels"]
    got = one.ask(read_question(one, {"pitch": "0.81 mm"}, PageUnit.MM, shop).question, shop)
    for train in got.trains:
        if len(train.drivers) == 2:
            assert 50 <= (train.drivers[1] + train.driven[1]) / 2 <= 60
    geared = replace(WORKSHOP, machines=(replace(lathe, gearbox="1 1/2"),))
    got = one.ask(read_question(one, {"pitch": "40 tpi"}, PageUnit.MM, geared).question, geared)
    assert got.error_ppm.value == 0
    assert {train.gear for train in got.trains} <= {"1", "1/2"}


@pytest.mark.parametrize(
    ("typed", "field"),
    [
        ({}, "pitch"),
        ({"pitch": "0"}, "pitch"),
        ({"pitch": "0 tpi"}, "pitch"),
        ({"pitch": "99 mm"}, "pitch"),
        ({"pitch": "nothing"}, "pitch"),
        ({"pitch": "1 mm", "wheels": "20"}, "wheels"),
        ({"pitch": "1 mm", "wheels": "0 20"}, "wheels"),
        ({"pitch": "1 mm", "wheels": "20 10000"}, "wheels"),
        ({"pitch": "1 mm", "wheels": "twenty 30"}, "wheels"),
        ({"pitch": "1 mm", "wheels": "20 20"}, "wheels"),
        ({"pitch": "20 mm", "wheels": "40 41"}, "wheels"),
        ({"pitch": "1 mm", "screw": "0"}, "screw"),
        ({"pitch": "1 mm", "wheels": " ".join(["20"] * 61)}, "wheels"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(typed: dict[str, str], field: str) -> None:
    with pytest.raises(Refused) as refused:
        ask(**typed)
    assert refused.value.field == field
    assert len(refused.value.said(PageUnit.MM)) < 200


@pytest.mark.parametrize(
    ("line", "unit", "cuts"),
    [
        ("change wheels for 0.81 mm on 8 tpi", "mm", 0.81),
        ("change wheels for 26 tpi", "mm", 25.4 / 26),
        ("change wheels 26", "inch", 25.4 / 26),
        ("change wheels for 2BA", "inch", 0.81),
        ("change wheels for 1.5 mm on a 2 mm leadscrew", "mm", 1.5),
        ("change wheels for M6, wheels 20 30 40 50 60 127", "mm", 1.0),
    ],
)
def test_lines_of_wheels(line: str, unit: str, cuts: float) -> None:
    asked = typed_line(line, WORKSHOP, PageUnit(unit))
    assert asked.calculator.name == "wheels"
    assert asked.answer.wanted_mm.value == pytest.approx(cuts)
    again = typed_line(asked.read_as.split(" (")[0], WORKSHOP, PageUnit(unit))
    assert again.read.question.pitch == asked.read.question.pitch
    assert again.read.question.wheels == asked.read.question.wheels
    assert again.answer.set_up == asked.answer.set_up


@cases(80)
@given(
    st.sampled_from([Fraction(254, 80), Fraction(254, 60), Fraction(3), Fraction(6)]),
    st.one_of(
        st.integers(4, 48).map(lambda tpi: Fraction(254, 10 * tpi)),
        st.sampled_from([Fraction(n, 20) for n in (10, 14, 15, 16, 20, 25, 30, 35, 40)]),
    ),
    st.sampled_from([14, 15, 16, 20, 21, 24]),
)
def test_a_mark_of_the_dial_finds_the_thread_again(
    screw: Fraction, lead: Fraction, teeth: int
) -> None:
    """The carriage is moved by hand from mark to mark: at each it must stand whole threads on."""
    turns, says = turns_to_meet(screw, lead), dial_says(screw, lead, teeth)
    meets = [n for n in range(1, 400) if (n * screw / lead).denominator == 1]
    nuts = half_nuts_say(screw, lead, teeth)
    assert ("Stay closed" in nuts) == ("No number" in says)
    if "No number" in says:
        # Not even once round does the dial bring the thread back, or nobody counts so far.
        whole_turn = (teeth * screw / lead).denominator == 1
        assert not whole_turn or turns > MOST_TURNS
        return
    assert meets[0] == turns
    if says.startswith("Any"):
        assert turns == 1
    else:
        marks = int(says.split()[0])
        apart = Fraction(teeth, marks)
        assert all((n * apart * screw / lead).denominator == 1 for n in range(marks))
        assert (apart / 2 * screw / lead).denominator != 1 or apart / 2 != int(apart / 2)
