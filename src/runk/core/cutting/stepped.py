"""The step to set, said in words: why this one, what the next would be, the other schools."""

from __future__ import annotations

from math import log

from runk.core.cutting import laws
from runk.core.cutting.answer import SchoolChoice
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.target import SpeedShop
from runk.core.figures import Figure, Num, Working, law
from runk.core.machines.choose import OVER_ALLOWED, School, choose
from runk.core.machines.machine import Dial, Holding, Machine, Setting
from runk.core.sources import PRACTICE
from runk.core.units import unit_of


@law("Fastest this school allows", "{target_rpm} × {allowed}", PRACTICE)
def ceiling_rpm(target_rpm: Num, allowed: Num) -> Num:
    """How fast the school of choosing a step will go for a target.

    >>> ceiling_rpm(1000.0, 1.15)
    1150.0
    """
    return target_rpm * allowed


@law("Plate speed on these mains", "{plate_rpm} × {mains_hz} Hz ÷ {plate_hz} Hz")
def mains_rpm(plate_rpm: Num, mains_hz: Num, plate_hz: Num) -> Num:
    """An induction motor straight off the mains turns in proportion to the frequency.

    >>> mains_rpm(860.0, 60.0, 50.0)
    1032.0
    """
    return plate_rpm * mains_hz / plate_hz


def set_speed(
    w: Working, question: SpeedQuestion, machine: Machine, setting: Setting, target: Figure
) -> Figure:
    """The speed to set, its working ending with why it is this step."""
    start = len(w.steps)
    if question.school in (School.A_LITTLE_OVER, School.NEVER_OVER):
        allowed = 1 + (OVER_ALLOWED if question.school is School.A_LITTLE_OVER else 0)
        why = f"{setting.rpm:.0f} is the fastest there is up to this, within what holds the work"
        ceiling = w(ceiling_rpm, target_rpm=target.value, allowed=allowed, why=why)
        if ceiling < setting.rpm:
            w.steps.pop()
    if machine.frequency_ratio != 1:
        w(
            mains_rpm,
            plate_rpm=setting.rpm / machine.frequency_ratio,
            mains_hz=machine.mains_hz,
            plate_hz=machine.plate_hz,
        )
    return Figure(setting.rpm, unit_of("set_rpm"), (*target.steps, *w.steps[start:]))


def turns_say(dial: Dial | None, divisions: Figure | None) -> str:
    """Divisions as whole turns and the rest, where they come to more than one turn.

    >>> from runk.demo.back_shed import LATHE
    >>> turns_say(LATHE.dials[0], Figure(394.0, unit_of("dial_divisions")))
    '3 turns and 94'
    """
    if dial is None or divisions is None or divisions.value < dial.per_turn:
        return ""
    turns, rest = divmod(round(divisions.value), dial.per_turn)
    said = f"{turns} turn{'s' if turns > 1 else ''}"
    return f"{said} and {rest}" if rest else said


def dial_says(dial: Dial | None) -> str:
    """How a dial is marked, in words."""
    if dial is None:
        return ""
    unit = "in" if dial.unit == "inch" else "mm"
    says = f"{dial.division:g} {unit} a division, {dial.per_turn} a turn"
    across = dial.slide == "cross-slide" or dial.reads == "diameter"
    return f"{says}, reads {dial.reads}" if across else says


def explain(
    machine: Machine, held: Holding, setting: Setting, target: float, school: School, wanted_by: str
) -> str:
    """What the metal would take, and what stands in the way of the next step up."""
    words = [f"{wanted_by} {target:.0f}."]
    if school is School.SLOWEST:
        return f"{words[0]} The slowest, on purpose: slow beats fast where the work rings."
    above = [s for s in machine.ladder if s.rpm > setting.rpm]
    limit = machine.limit_for(held)
    free = choose(machine, target, held, school, limited=False)
    if limit is not None and free.rpm > setting.rpm:
        words.append(f"The {held} may turn at {limit:g} at most.")
    elif above and setting.rpm < target:
        up = above[0]
        over = up.rpm / target - 1
        if over > 0:
            words.append(f"The next up, {up.position} at {up.rpm:.0f}, is {over:.0%} too fast.")
    return " ".join(words)


_TITLES = {
    School.A_LITTLE_OVER: "a little over at most",
    School.NEVER_OVER: "never over",
    School.NEAREST: "nearest either way",
    School.SLOWEST: "the slowest there is",
}


def schools(
    w: Working,
    question: SpeedQuestion,
    machine: Machine,
    held: Holding,
    target: float,
    chosen: Setting,
) -> tuple[SchoolChoice, ...]:
    """What each school of choosing a step would set for this target."""
    found = []
    for school in School:
        if school is School.SLOWEST and question.school is not school:
            continue
        setting = chosen if school is question.school else choose(machine, target, held, school)
        found.append(
            SchoolChoice(
                school=school,
                title=_TITLES[school],
                position=setting.position,
                rpm=Figure(setting.rpm, unit_of("rpm")),
                off_percent=Figure(laws.off_percent(setting.rpm, target), unit_of("off_percent")),
                chosen=school is question.school,
            )
        )
    return tuple(found)


_NEARER = 0.7
"""Only a machine that closes so much of the gap is worth going over to: common practice."""
_FAR_UNDER, _FAR_OVER = -20.0, 15.0
"""Off by more than this, percent, another machine is looked at: common practice."""


def elsewhere(shop: SpeedShop, set_rpm: float, target: float, school: School) -> str:
    """Another machine of the workshop that comes nearer to the speed, with its position.

    Args:
        shop: The machine, and the others that do this work.
        set_rpm: What is set on it.
        target: What the cut wants.
        school: Slow on purpose, nothing nearer is wanted.
    """
    off = laws.off_percent(set_rpm, target)
    if school is School.SLOWEST or _FAR_UNDER <= off <= _FAR_OVER:
        return ""
    found = []
    for machine in shop.others:
        # No limit is looked at, so that how it would be held there makes no difference.
        setting = choose(machine, target, Holding.VICE, limited=False)
        far = abs(log(setting.rpm / target))
        if far < _NEARER * abs(log(set_rpm / target)):
            found.append((far, machine.name, setting))
    if not found:
        return ""
    _, name, setting = min(found, key=lambda one: one[0])
    where = f" on {setting.position}" if setting.position else ""
    return f"{name} has {setting.rpm:.0f}{where}, nearer to what the cut wants."
