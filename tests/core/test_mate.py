"""To its mate: limits from what is there, what is left, what went too far, what looks wrong."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.figures import Figure, instead_of
from runk.core.fits.classes import bounds_of
from runk.core.fits.follow import MateEvent, Side, folded, slip
from runk.core.fits.mate import MATE
from runk.core.fits.mate_says import standing
from runk.core.fits.measured import Measured, Station, measured
from runk.core.fits.question import duties
from runk.core.kinds import Stations, Told
from runk.core.plan.events import EventKind, standing_events
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit, unit_of
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

HERE = Told(PageUnit.MM, WORKSHOP)


def ask(**typed: str) -> Any:
    return MATE.ask(read_question(MATE, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


@cases(80)
@given(
    st.integers(4000, 60000),
    st.integers(0, 3),
    st.sampled_from(sorted(duties())),
    st.sampled_from(["shaft", "hole"]),
    st.floats(0, 1),
)
def test_whatever_is_made_within_its_limits_keeps_to_the_duty_everywhere(
    um: int, taper: int, duty: str, make: str, share: float
) -> None:
    there = (um / 1000, (um + taper) / 1000)
    answer = ask(make=make, there=f"{there[0]}; {there[1]}", duty=duty)
    governs = min(there) if make == "shaft" else max(there)
    least, most = bounds_of(duties()[duty], governs)
    assume(max(there) - min(there) < most - least)
    low, high = answer.low_mm.value, answer.high_mm.value
    assert low < answer.aim_mm.value < high
    made = low + share * (high - low)
    for size in there:
        free = size - made if make == "shaft" else made - size
        assert least - 1e-6 <= free <= most + 1e-6


def test_what_is_left_is_said_in_this_lathes_divisions() -> None:
    """0.334 on the diameter is 6 1/2 divisions of a thou on the radius, by hand 6.57."""
    answer = ask(there="22.002; 22.012", duty="ringed", made="22.31")
    assert answer.left_mm.value == pytest.approx(22.31 - answer.aim_mm.value)
    assert answer.divisions.value == pytest.approx(answer.left_mm.value / 2 / 0.0254, abs=0.25)
    after = 22.31 - 2 * answer.divisions.value * 0.0254
    assert after >= answer.low_mm.value


@pytest.mark.parametrize(
    ("made", "stands"), [("22.3", "left"), ("21.97", "fits"), ("21.95", "too far"), ("", "")]
)
def test_it_stands_as_it_measures(made: str, stands: str) -> None:
    answer = ask(there="22.00", duty="ringed", **({"made": made} if made else {}))
    assert answer.stands == stands
    assert bool(instead_of(answer.cautions)) == (stands == "too far")
    assert bool(answer.ways_out) == (stands == "too far")
    assert bool(answer.hitches) == (stands == "fits")
    assert [hitch.what for hitch in answer.hitches] in (
        [],
        ["a burr", "a cone", "a corner", "dirt"],
    )


def test_compound_is_a_way_out_only_of_what_stays_put() -> None:
    loose = ask(there="10.000", duty="flywheel", made="9.95")
    assert loose.ways_out[0].way == "retaining compound"
    piston = ask(there="22.00", duty="ringed", made="21.90")
    assert all("compound" not in way.way for way in piston.ways_out)


def test_taper_ovality_and_what_governs_are_told_by_place() -> None:
    answer = ask(there="top 22.01, 22.03; bottom 22.00, 22.00", duty="running")
    assert answer.taper_mm.value == pytest.approx(0.02)
    assert answer.oval_mm.value == pytest.approx(0.02)
    assert (answer.governs_mm.value, answer.governs_at) == (22.0, "at the bottom")
    assert (
        ask(make="hole", there="top 22.01, 22.03; bottom 22.00", duty="running").governs_at
        == "at the top"
    )


@pytest.mark.parametrize(
    ("odd", "says"),
    [
        ("0.8665", "inches taken for millimetres"),
        ("11.005", "the radius"),
        ("2.201", "decimal point"),
        ("22.51", "one turn of the drum too many, 0.5 mm"),
        ("21.51", "one turn of the drum too few, 0.5 mm"),
        ("17.3", "far from the others"),
    ],
)
def test_one_reading_of_five_that_looks_wrong_is_named_kept_and_left_out(
    odd: str, says: str
) -> None:
    there = f"22.01; 22.02; {odd}; 22.00; 22.01"
    answer = ask(there=there, duty="running")
    assert answer.governs_mm.value == 22.0
    (mind,) = [c for c in answer.cautions if c.about == "a reading"]
    assert says in mind.says
    left_out = [read for read in answer.reads if read.says.startswith("Left out")]
    assert [read.size_mm.value for read in left_out] == [float(odd)]
    counted = ask(there=there, duty="running", counts="every")
    assert counted.governs_mm.value == min(22.0, float(odd))


def test_a_true_taper_is_no_slip() -> None:
    five = tuple(Station(str(n), (Fraction(2200 + n, 100),)) for n in range(5))
    assert not measured(five, every=False).odd


def test_one_register_for_two_bores_says_which_enter() -> None:
    answer = ask(there="33.02", duty="register", others="33.05, 32.99")
    assert [(one.size_mm.value, one.says) for one in answer.goes] == [
        (33.05, "enters, and is looser than wanted"),
        (32.99, "does not enter"),
    ]
    (mind,) = [c for c in answer.cautions if c.about == "the others"]
    assert "make one each" in mind.says


def test_it_goes_cold_and_binds_hot() -> None:
    typed = {
        "there": "22.00",
        "free": "0.03",
        "most": "0.05",
        "made": "21.96",
        "shaft_metal": "aluminium-6082",
    }
    answer = ask(**typed, hole_hot="100 C", shaft_hot="200 C")
    assert answer.clearance_low_mm.value == pytest.approx(0.04)
    # By hand: 22 x 10.8e-6 x 80 less 21.96 x 23.4e-6 x 180.
    assert answer.clearance_hot_mm.value == pytest.approx(0.04 + 0.01901 - 0.09250, abs=1e-4)


@pytest.mark.parametrize(
    ("typed", "field", "says"),
    [
        ({}, "there", "What does the part"),
        ({"there": "0"}, "there", "more than 0"),
        ({"there": "22", "duty": "running", "hole": "H7"}, "duty", "contradict"),
        ({"there": "22", "free": "0.05", "most": "0.02"}, "most", "under the least"),
        ({"there": "22 ; 3 blue"}, "there", "blue"),
        (
            {"there": "22", "duty": "running", "made": "22", "hole_hot": "1400 C"},
            "hole_hot",
            "melts",
        ),
        ({"there": "300", "hole": "H7"}, "size", "250 mm"),
    ],
)
def test_what_cannot_be_is_refused(typed: dict[str, str], field: str, says: str) -> None:
    with pytest.raises(Refused) as refused:
        ask(**typed)
    assert refused.value.field == field
    assert says in refused.value.said(PageUnit.MM)


def test_the_plan_it_hands_on_aims_where_it_does() -> None:
    answer = ask(there="22.002; 22.012", duty="ringed", made="22.31", shaft_metal="grey-iron")
    link = next(link for link in answer.links if link.calculator == "plan")
    plan = CATALOGUE["plan"]
    question = read_question(plan, dict(link.question), PageUnit.INCH, WORKSHOP).question
    planned = plan.ask(question, WORKSHOP)
    assert planned.aim_mm.value == pytest.approx(answer.aim_mm.value, abs=1e-4)
    assert planned.left_mm.value == pytest.approx(answer.left_mm.value, abs=2e-4)


@given(st.lists(st.lists(st.integers(1000, 30000), min_size=1, max_size=3), min_size=2, max_size=6))
def test_readings_said_back_are_the_readings(um: list[list[int]]) -> None:
    typed = "; ".join(", ".join(f"{n / 1000}" for n in ways) for ways in um)
    kind = Stations("readings", low=0.1, high=1000.0)
    read = kind.read(typed, HERE).value
    assert [[float(mm) * 1000 for mm in one.sizes] for one in read] == [
        pytest.approx(w) for w in um
    ]
    again = kind.read(kind.say(read, None, HERE), HERE).value
    assert [one.sizes for one in again] == [one.sizes for one in read]


def event(n: int, side: Side, size: str, **more: Any) -> MateEvent:
    return MateEvent(n, EventKind.READING, side, (Station("1", (Fraction(size),)),), **more)


def test_a_mate_is_the_fold_of_its_readings() -> None:
    begun = read_question(
        MATE, {"there": "22.00", "duty": "running"}, PageUnit.MM, WORKSHOP
    ).question
    shop = MATE.needs(begun, WORKSHOP)
    events = [
        event(1, Side.MADE, "22.4"),
        event(2, Side.THERE, "22.02"),
        event(3, Side.MADE, "22.1"),
        MateEvent(4, EventKind.UNDO, Side.MADE, undoes=3),
    ]
    stood = folded(begun, standing_events(events), shop)
    assert [float(mm) for one in stood.there for mm in one.sizes] == [22.0, 22.02]
    assert [one.name for one in stood.there] == ["1", "2"]
    assert [float(mm) for one in stood.made for mm in one.sizes] == [22.4]
    undone = [*events, MateEvent(5, EventKind.UNDO, Side.MADE, undoes=4)]
    assert float(folded(begun, standing_events(undone), shop).made[0].sizes[0]) == 22.1
    warm = folded(begun, [event(1, Side.MADE, "22.4", warm_deg=60.0)], shop)
    # Mild steel, 40 degrees over: 22.4 x 11.7e-6 x 40 by hand.
    assert float(warm.made[0].sizes[0]) == pytest.approx(22.4 - 0.01048, abs=1e-4)


def test_a_reading_that_grew_or_slipped_is_asked_about() -> None:
    begun = read_question(MATE, {"there": "22.00", "made": "22.2"}, PageUnit.MM, WORKSHOP).question
    grown = slip(begun, Side.MADE, (Station("1", (Fraction("22.3"),)),))
    assert grown is not None
    assert "does not grow back" in worded(grown.says, PageUnit.MM)
    inch = slip(begun, Side.THERE, (Station("1", (Fraction("0.866"),)),))
    assert inch is not None
    assert inch.meant_mm == pytest.approx(22.0, abs=0.01)
    assert slip(begun, Side.MADE, (Station("1", (Fraction("22.1"),)),)) is None


@pytest.mark.parametrize(
    ("sizes", "shaft", "hole"),
    [
        ((15.98, 16.0), "fits", "fits"),
        ((15.98, 16.0001), "left", "too far"),
        ((15.9799, 16.0), "too far", "left"),
        ((15.9799, 16.0001), "too far", "too far"),
    ],
)
def test_a_size_on_its_limit_fits_and_a_hair_past_it_does_not(
    sizes: tuple[float, ...], shaft: str, hole: str
) -> None:
    low, high = (Figure(mm, unit_of("low_mm")) for mm in (15.98, 16.0))
    made = Measured((("1", sizes),))
    assert standing(made, True, low, high) == shaft
    assert standing(made, False, low, high) == hole
