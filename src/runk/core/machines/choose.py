"""From the speed the metal wants to a speed the machine has."""

from __future__ import annotations

from dataclasses import replace
from enum import StrEnum

from runk.core.machines.machine import Holding, Machine, Setting
from runk.core.refusals import Refused

OVER_ALLOWED = 0.15
"""How far over the target the default school will go: common practice."""


class School(StrEnum):
    """How a step is chosen where none fits exactly."""

    A_LITTLE_OVER = "a little over"
    NEVER_OVER = "never over"
    NEAREST = "nearest"
    SLOWEST = "slowest"
    """Slow on purpose, as for boring a small iron cylinder on the slowest of the direct belts."""


class Gears(StrEnum):
    """Which of a geared machine's speeds may be chosen among."""

    ANY = "any"
    DIRECT = "direct"
    BACK = "back gear"


def geared(machine: Machine, gears: Gears) -> Machine:
    """The machine with only its direct speeds, or only those of its back gear.

    Raises:
        Refused: It has none of that sort.

    >>> from runk.demo.back_shed import LATHE
    >>> [round(s.rpm) for s in geared(LATHE, Gears.DIRECT).ladder]
    [290, 500, 860, 1480]
    """
    if gears is Gears.ANY:
        return machine

    def fits(gear: str) -> bool:
        return ("back" in gear.lower()) == (gears is Gears.BACK)

    steps = tuple(s for s in machine.steps if fits(s.gear))
    ranges = tuple(r for r in machine.ranges if fits(r.gear))
    if not steps and not ranges:
        has = "back gear" if gears is Gears.BACK else "direct speed"
        raise Refused(f"{machine.name} has no {has}.", field="gears", suggest="any")
    return replace(machine, steps=steps, ranges=ranges)


def choose(
    machine: Machine,
    target_rpm: float,
    holding: Holding,
    school: School = School.A_LITTLE_OVER,
    *,
    limited: bool = True,
) -> Setting:
    """The position to set for a wanted speed, never over the limit of what holds the work.

    Args:
        machine: With steps or ranges.
        target_rpm: What the metal wants, over 0.
        holding: Its limit is never passed.
        school: The default takes the highest step not more than 15 % over the target.
        limited: False to see what would be set without that limit.

    Returns:
        The slowest there is where even that is over the target.

    Raises:
        Refused: Every speed of the machine is over the limit of the holding.

    >>> from runk.demo.back_shed import LATHE
    >>> choose(LATHE, 1123, Holding.THREE_JAW).position
    'belt 3, direct'
    """
    limit = machine.limit_for(holding) if limited else None
    if machine.ranges:
        wanted = 0.0 if school is School.SLOWEST else target_rpm
        return _from_ranges(machine, wanted, limit, holding)
    allowed = [s for s in machine.ladder if limit is None or s.rpm <= limit * (1 + 1e-9)]
    if not allowed:
        raise _too_fast(machine, holding, limit, machine.ladder[0].rpm)
    if school is School.SLOWEST:
        return allowed[0]
    if school is School.NEAREST:
        return min(allowed, key=lambda s: max(s.rpm / target_rpm, target_rpm / s.rpm))
    ceiling = target_rpm * (1 + (OVER_ALLOWED if school is School.A_LITTLE_OVER else 0))
    fitting = [s for s in allowed if s.rpm <= ceiling * (1 + 1e-9)] or allowed[:1]
    fastest = fitting[-1].rpm
    return next(s for s in fitting if s.rpm == fastest)


def _from_ranges(
    machine: Machine, target_rpm: float, limit: float | None, holding: Holding
) -> Setting:
    ratio = machine.frequency_ratio
    bands = sorted(machine.ranges, key=lambda r: r.high_rpm)
    reachable = [b for b in bands if limit is None or b.low_rpm * ratio <= limit]
    if not reachable:
        raise _too_fast(machine, holding, limit, bands[0].low_rpm * ratio)
    wanted = target_rpm if limit is None else min(target_rpm, limit)
    # The lowest range that reaches: a drive gives most torque near the top of its range.
    band = next((b for b in reachable if b.high_rpm * ratio >= wanted), reachable[-1])
    rpm = min(max(wanted, band.low_rpm * ratio), band.high_rpm * ratio)
    if band.low_rpm * ratio < rpm < band.high_rpm * ratio:
        grain = 1 if rpm < 100 else 5 if rpm < 500 else 10
        rpm = max(rpm // grain * grain, band.low_rpm * ratio)
    return Setting(band.gear, "", band.gear, rpm, band.high_rpm * ratio)


def _too_fast(machine: Machine, holding: Holding, limit: float | None, slowest: float) -> Refused:
    return Refused(
        f"The {holding} may turn at {limit:g} rev/min at most, and the slowest speed of "
        f"{machine.name} is {slowest:.0f}. Hold the work another way.",
        field="held",
        suggest="four-jaw",
    )
