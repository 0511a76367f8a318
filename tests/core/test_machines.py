"""Machines: what is accepted, what is refused, and whether the belt picture is true."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.kinds import Speeds, Told
from runk.core.machines.choose import School, choose
from runk.core.machines.machine import (
    Dial,
    Holding,
    Limit,
    Machine,
    MachineKind,
    Range,
    SpeedStep,
    check_machine,
)
from runk.core.machines.pulleys import plate_disagrees, pulley_pairs, pulley_rpm
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import LATHE, MILL, WORKSHOP

RANGED = Machine(
    "v", "V", MachineKind.LATHE, 750.0, ranges=(Range("low", 50, 800), Range("high", 200, 2500))
)


@pytest.mark.parametrize("machine", [LATHE, MILL, RANGED])
def test_sound_machines_are_accepted(machine: Machine) -> None:
    check_machine(machine)


BROKEN: list[tuple[Machine, str, str]] = [
    (replace(LATHE, steps=()), "steps", "at least one speed"),
    (replace(LATHE, ranges=(Range("", 50, 60),)), "ranges", "not both"),
    (replace(LATHE, name="  "), "name", "name"),
    (replace(LATHE, travel_mm=-280.0), "travel_mm", "its table goes along must be a number more"),
    (replace(LATHE, across_mm=0.0), "across_mm", "its table goes across must be a number more"),
    (replace(LATHE, name="x" * 41), "name", "40 characters"),
    (replace(LATHE, mains_hz=0.0), "mains_hz", "no mains frequency"),
    (replace(LATHE, plate_hz=500.0), "plate_hz", "no mains frequency"),
    (replace(LATHE, mains_hz=float("nan")), "mains_hz", "no mains frequency"),
    (replace(LATHE, power_w=0.0), "power_w", "more than 0"),
    (replace(LATHE, power_w=float("inf")), "power_w", "more than 0"),
    (replace(LATHE, swing_mm=-1.0), "swing_mm", "more than 0"),
    (replace(LATHE, steps=(SpeedStep("1", "", 0.0),)), "steps.0.rpm", "no spindle speed"),
    (replace(LATHE, steps=(SpeedStep("1", "", -5.0),)), "steps.0.rpm", "no spindle speed"),
    (replace(LATHE, steps=(SpeedStep("1", "", float("nan")),)), "steps.0.rpm", "no spindle"),
    (replace(LATHE, steps=(SpeedStep(" ", "", 5.0),)), "steps.0.position", "position"),
    (
        replace(LATHE, steps=(SpeedStep("1", "", 5.0), SpeedStep("1", "", 9.0))),
        "steps.1.position",
        "twice",
    ),
    (replace(LATHE, steps=(SpeedStep("1", "", 5.0, 60.0),)), "steps.0.driven_mm", "both pulleys"),
    (
        replace(LATHE, steps=(SpeedStep("1", "", 5.0, 60.0, 0.0),)),
        "steps.0.driven_mm",
        "more than 0",
    ),
    (
        replace(LATHE, steps=tuple(SpeedStep(str(n), "", n + 1.0) for n in range(61))),
        "steps",
        "more than 60",
    ),
    (replace(RANGED, ranges=(Range("", 800, 50),)), "ranges.0.high_rpm", "not over its start"),
    (replace(RANGED, ranges=(Range("", 0, 50),)), "ranges.0.low_rpm", "more than 0"),
    (replace(LATHE, limits=(Limit(Holding.COLLET, 0.0),)), "limits.0.max_rpm", "more than 0"),
    (
        replace(LATHE, dials=(Dial("cross-slide", "mm", 0.0, 100),)),
        "dials.0.division",
        "more than 0",
    ),
    (replace(LATHE, dials=(Dial("cross-slide", "mm", 0.1, 0),)), "dials.0.per_turn", "more than 0"),
    (replace(LATHE, dials=(Dial("cross-slide", "ell", 0.1, 10),)), "dials.0.unit", "mm or inch"),
    (
        replace(LATHE, dials=(Dial("x", "mm", 0.1, 10, "radius", -1.0),)),
        "dials.0.backlash",
        "less than nothing",
    ),
]


@pytest.mark.parametrize(("machine", "field", "says"), BROKEN)
def test_what_could_not_be_a_machine_is_refused(machine: Machine, field: str, says: str) -> None:
    with pytest.raises(Refused) as caught:
        check_machine(machine)
    assert caught.value.field == field
    assert says in caught.value.says


def test_order_and_equal_speeds_do_not_matter() -> None:
    shuffled = replace(LATHE, steps=tuple(reversed(LATHE.steps)))
    assert shuffled.ladder == LATHE.ladder
    equal = replace(LATHE, steps=(SpeedStep("a", "", 100.0), SpeedStep("b", "", 100.0)))
    check_machine(equal)
    assert choose(equal, 100, Holding.COLLET).rpm == 100


@pytest.mark.parametrize("machine", [LATHE, MILL])
def test_the_belt_picture_gives_the_speeds_of_the_plate(machine: Machine) -> None:
    assert plate_disagrees(machine, tolerance=0.02) == ()
    pairs = pulley_pairs(machine)
    assert [p.driver_mm for p in pairs] == sorted(p.driver_mm for p in pairs)
    # One belt serves every step: the two diameters add up to the same, within a belt's give.
    sums = [p.driver_mm + p.driven_mm for p in pairs]
    assert max(sums) - min(sums) < 1.0


def test_a_wrong_pulley_is_said() -> None:
    steps = (replace(LATHE.steps[0], driver_mm=60.0), *LATHE.steps[1:])
    doubts = plate_disagrees(replace(LATHE, steps=steps))
    assert len(doubts) == 1
    assert "Position 1 direct" in doubts[0]
    assert plate_disagrees(replace(LATHE, driver_rpm=None)) == ()


@given(st.floats(1, 5000), st.floats(10, 200), st.floats(10, 200), st.floats(1, 10))
def test_pulleys_the_other_way_round_undo_it(rpm: float, a: float, b: float, gear: float) -> None:
    there = pulley_rpm(rpm, a, b, gear)
    assert pulley_rpm(there * gear, b, a, 1.0) == pytest.approx(rpm)


@given(st.floats(1, 20000), st.sampled_from(list(Holding)))
def test_default_school_is_the_highest_within_fifteen_percent(target: float, held: Holding) -> None:
    chosen = choose(LATHE, target, held)
    limit = LATHE.limit_for(held) or float("inf")
    allowed = [s.rpm for s in LATHE.steps if s.rpm <= limit]
    fitting = [rpm for rpm in allowed if rpm <= target * 1.15]
    assert chosen.rpm == (max(fitting) if fitting else min(allowed))


@given(st.floats(1, 20000), st.sampled_from([s for s in School if s is not School.SLOWEST]))
def test_a_range_gives_what_is_asked_within_its_ends(target: float, school: School) -> None:
    chosen = choose(RANGED, target, Holding.COLLET, school)
    assert 50 <= chosen.rpm <= 2500
    if 50 <= target <= 2500:
        assert chosen.rpm <= target
        assert chosen.rpm >= target - 10
    assert chosen.gear == ("low" if target <= 800 else "high")


def test_a_range_keeps_to_the_limit_of_the_chuck() -> None:
    limited = replace(RANGED, limits=(Limit(Holding.FACEPLATE, 400.0),))
    assert choose(limited, 2000, Holding.FACEPLATE).rpm == 400
    with pytest.raises(Refused):
        choose(replace(RANGED, limits=(Limit(Holding.FACEPLATE, 30.0),)), 20, Holding.FACEPLATE)


@given(st.floats(1, 20000), st.sampled_from(list(Holding)), st.sampled_from(list(School)))
def test_lifting_the_limit_never_slows(target: float, held: Holding, school: School) -> None:
    kept = choose(LATHE, target, held, school)
    free = choose(LATHE, target, held, school, limited=False)
    assert free.rpm >= kept.rpm
    limit = LATHE.limit_for(held)
    if limit is None or free.rpm <= limit:
        assert free == kept
    else:
        assert kept.rpm <= limit


def test_dial_moves() -> None:
    assert Dial("cross-slide", "mm", 0.05, 60).travel_mm == 0.05
    assert Dial("cross-slide", "mm", 0.05, 60, "diameter").travel_mm == 0.025
    assert Dial("cross-slide", "inch", 0.001, 100, "diameter").travel_mm == pytest.approx(0.0127)


@pytest.mark.parametrize(("fastest", "taken"), [("60000", True), ("60001", False)])
def test_no_spindle_of_a_workshop_turns_faster_than_sixty_thousand(
    fastest: str, taken: bool
) -> None:
    for typed in (f"290 500 {fastest}", f"100 to {fastest}"):
        if taken:
            assert Speeds("speeds").read(typed, Told(PageUnit.MM, WORKSHOP)).value
        else:
            with pytest.raises(Refused):
                Speeds("speeds").read(typed, Told(PageUnit.MM, WORKSHOP))
