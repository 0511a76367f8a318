"""The speed laws over whole arrays: the fan beside the answer, and wall sheets."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

import numpy as np

from runk.core.cutting import laws
from runk.core.cutting.able import check, holding_of
from runk.core.cutting.caps import of_tool
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.target import SpeedShop, target_speed
from runk.core.figures import Working
from runk.core.machines.choose import OVER_ALLOWED, School, choose
from runk.core.machines.machine import Holding, Machine

if TYPE_CHECKING:
    from runk.core.figures import FloatArray

SLOW_ENOUGH = 0.7
"""Lower edge of the band: slower than this share of the target wastes the evening."""
POINTS = 120


def targets_rpm(surface_m_min: FloatArray, diameters_mm: FloatArray) -> FloatArray:
    """Wanted speeds for every surface speed and every diameter.

    Args:
        surface_m_min: One for each metal.
        diameters_mm: Over 0.

    Returns:
        An array of metals by diameters.
    """
    return laws.spindle_rpm(surface_m_min[:, None], diameters_mm[None, :])


def chosen_steps(
    targets: FloatArray, ladder_rpm: FloatArray, school: School = School.A_LITTLE_OVER
) -> FloatArray:
    """The step of a ladder each target gets by a school's rule.

    Args:
        targets: Wanted speeds, any shape.
        ladder_rpm: Speeds the machine has, slowest first.
        school: How a step is chosen where none fits exactly.

    Returns:
        Speeds in the shape of ``targets``; the slowest where even that is too fast.
    """
    if school is School.SLOWEST:
        return np.full(targets.shape, ladder_rpm[0])
    if school is School.NEAREST:
        # Nearest by ratio: the border between two steps is their geometric mean.
        edges = np.sqrt(ladder_rpm * np.concatenate((ladder_rpm[:1], ladder_rpm[:-1])))
    else:
        over = OVER_ALLOWED if school is School.A_LITTLE_OVER else 0.0
        edges = ladder_rpm / ((1 + over) * (1 + 1e-9))
    # Counting the edges passed beats a search: a machine has few steps, a sheet many cells.
    index = np.zeros(targets.shape, dtype=np.uint8)
    for edge in edges[1:]:
        index += targets >= edge
    return ladder_rpm.take(index)


def sheet_rpm(
    surface_m_min: list[float],
    diameters_mm: list[float],
    machine: Machine,
    held: Holding,
    school: School = School.A_LITTLE_OVER,
    most_rpm: float | None = None,
) -> tuple[list[list[float]], list[list[float]]]:
    """Speeds wanted and speeds set, metals by diameters.

    Args:
        surface_m_min: One for each metal, over 0.
        diameters_mm: Over 0.
        machine: With steps or ranges.
        held: Its limit is kept.
        school: How a step is chosen.
        most_rpm: The fastest the tool itself is turned, never gone over.

    Raises:
        Refused: Every speed of the machine is over the limit of the holding.
    """
    targets = targets_rpm(np.array(surface_m_min), np.array(diameters_mm))
    if not machine.steps:

        def one(target: float) -> float:
            rpm = choose(machine, target, held, school).rpm
            if most_rpm is None or max(rpm, target) <= most_rpm:
                return rpm
            return choose(machine, min(target, most_rpm), held, School.NEVER_OVER).rpm

        return targets.tolist(), [[one(t) for t in row] for row in targets.tolist()]
    limit = machine.limit_for(held)
    ladder = [s.rpm for s in machine.ladder if limit is None or s.rpm <= limit * (1 + 1e-9)]
    if not ladder:
        choose(machine, 1.0, held, school)
    return targets.tolist(), _capped(targets, np.array(ladder), school, most_rpm).tolist()


def _capped(
    targets: FloatArray, ladder_rpm: FloatArray, school: School, most_rpm: float | None
) -> FloatArray:
    """Steps by a school's rule, and where the tool's own limit binds never over that."""
    chosen = chosen_steps(targets, ladder_rpm, school)
    if most_rpm is None:
        return chosen
    under = chosen_steps(np.minimum(targets, most_rpm), ladder_rpm, School.NEVER_OVER)
    return np.where(np.maximum(chosen, targets) > most_rpm, under, chosen)


@dataclass(frozen=True, slots=True)
class FanLine:
    """A line of the fan: one speed of the machine and where to set it."""

    position: str
    rpm: float


@dataclass(frozen=True, slots=True)
class Fan:
    """Where a cut sits among the machine's speeds, over diameter.

    ``low_rpm`` to ``high_rpm`` is the band that suits; ``wants_rpm`` its middle line.
    """

    diameters_mm: list[float]
    wants_rpm: list[float]
    low_rpm: list[float]
    high_rpm: list[float]
    set_rpm: list[float]
    steps: list[FanLine]
    limit_rpm: float | None


def fan(question: SpeedQuestion, shop: SpeedShop) -> Fan:
    """The speed fan of a question: the same laws swept over diameters.

    Args:
        question: Its diameter is the one thing not used.
        shop: The machine and metal.

    Returns:
        Lines over diameters from 1 mm to what the machine takes.

    Raises:
        Refused: Where the calculator would refuse the cut.
    """
    machine = shop.machine
    held = holding_of(question, machine)
    check(question, machine, held)
    wanted, _ = target_speed(Working(), question, shop.metal)
    at = float(question.diameter)
    largest = max(machine.swing_mm or 50.0, at * 1.25)
    diameters = np.geomspace(min(1.0, at / 1.25), largest, POINTS)
    targets = targets_rpm(np.array([wanted]), diameters)[0]
    limit = machine.limit_for(held)
    steps = machine.ladder
    if steps:
        allowed = [s.rpm for s in steps if limit is None or s.rpm <= limit] or [steps[0].rpm]
        most = of_tool(question.operation, machine)
        set_rpm = _capped(targets, np.array(allowed), question.school, most)
    else:
        ratio = machine.frequency_ratio
        low = min(r.low_rpm for r in machine.ranges) * ratio
        high = max(r.high_rpm for r in machine.ranges) * ratio
        set_rpm = np.clip(targets, low, high if limit is None else min(high, limit))
    return Fan(
        diameters.tolist(),
        targets.tolist(),
        (targets * SLOW_ENOUGH).tolist(),
        (targets * (1 + OVER_ALLOWED)).tolist(),
        set_rpm.tolist(),
        [FanLine(s.position, s.rpm) for s in steps],
        limit,
    )
