"""Choosing among the drills there are: the last one, the pilot, the steps between."""

from __future__ import annotations

from bisect import bisect_left, bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache
from math import inf

from runk.core.cutting.drilled import LIP_SIN, drill_mm_per_rev
from runk.core.cutting.laws import drill_nm, shaft_nm, specific_n_per_mm2, spindle_rpm
from runk.core.cutting.question import Tool
from runk.core.cutting.spindle import BELT_SHARE, EDGE
from runk.core.cutting.tables import chip_groups, factors
from runk.core.holes.laws import opening_nm
from runk.core.machines.choose import choose
from runk.core.machines.machine import Holding, Machine
from runk.core.metals.metal import Metal
from runk.core.sources import read_table
from runk.core.tools import ShopTool

PILOT_FROM_MM = 6.0
"""Drills larger than this are given a pilot: common practice."""
WEB_SHARE = 0.18
_PILOT_LOW, _PILOT_HIGH = 0.12, 0.45
HAND_SHARE = 0.5
_TORQUE_SHARE = 0.8
_EASED = 0.4
"""Opening a hole, the hand eases the feed to about this share before it goes back a step."""
_EXACT_MM = 0.006
_MOST_STEPS = 8
_STEP_MOST = 0.8
"""Nearer than this to the drill it leads, a step is hardly one: common practice."""


@dataclass(frozen=True, slots=True)
class Allowance:
    """What to leave for a reamer: the least, the usual, the most, on the diameter."""

    low_mm: float
    usual_mm: float
    high_mm: float


@cache
def _allowances() -> tuple[tuple[float, float, float], ...]:
    return tuple(
        (float(r["up_to_mm"]), float(r["low_mm"]), float(r["high_mm"]))
        for r in read_table("ream_allowances")
    )


def ream_allowance(size_mm: float, *, by_hand: bool) -> Allowance:
    """What to leave for a reamer of that size.

    Args:
        size_mm: Finished diameter; over 50 mm the largest row stands.
        by_hand: A hand reamer takes about half.

    Source: common practice.

    >>> ream_allowance(4.0, by_hand=False)
    Allowance(low_mm=0.1, usual_mm=0.125, high_mm=0.15)
    """
    rows = _allowances()
    _, low, high = next((r for r in rows if size_mm <= r[0] + 1e-9), rows[-1])
    share = HAND_SHARE if by_hand else 1.0
    return Allowance(low * share, (low + high) / 2 * share, high * share)


def _size(tool: ShopTool) -> float:
    return tool.mm


def nearest(tools: Sequence[ShopTool], size_mm: float) -> ShopTool | None:
    """The nearest of tools in order of size, or None where there is none."""
    at = bisect_left(tools, size_mm, key=_size)
    around = tools[max(at - 1, 0) : at + 1]
    return min(around, key=lambda t: abs(t.mm - size_mm), default=None)


def below(tools: Sequence[ShopTool], size_mm: float) -> ShopTool | None:
    """The largest that is not over a size."""
    at = bisect_right(tools, size_mm + 1e-9, key=_size)
    return tools[at - 1] if at else None


def above(tools: Sequence[ShopTool], size_mm: float) -> ShopTool | None:
    """The smallest that is over a size."""
    at = bisect_right(tools, size_mm + 1e-9, key=_size)
    return tools[at] if at < len(tools) else None


def exact(tools: Sequence[ShopTool], size_mm: float) -> ShopTool | None:
    """The one that is that size as near as tools are made."""
    found = nearest(tools, size_mm)
    return found if found and abs(found.mm - size_mm) <= _EXACT_MM else None


def for_allowance(drills: Sequence[ShopTool], size_mm: float, leave: Allowance) -> ShopTool | None:
    """The drill that leaves what a reamer wants; the next smaller where none does.

    Never one that leaves less than the least, which would make the reamer rub.
    """
    first = bisect_left(drills, size_mm - leave.high_mm - 1e-9, key=_size)
    last = bisect_right(drills, size_mm - leave.low_mm + 1e-9, key=_size)
    inside = drills[first:last]
    if inside:
        return min(inside, key=lambda d: abs(size_mm - d.mm - leave.usual_mm))
    return below(drills, size_mm - leave.low_mm)


@dataclass(frozen=True, slots=True)
class Strength:
    """What a machine can turn a drill with, in a metal."""

    machine: Machine
    metal: Metal
    tool: Tool
    held: Holding

    def torque_nm(self, drill_mm: float, from_mm: float) -> float:
        """Torque a drill wants that opens a hole there is, at an eased feed."""
        feed = _EASED * drill_mm_per_rev(drill_mm, chip_groups()[self.metal.chip].drill)
        specific = specific_n_per_mm2(
            self.metal["kc11_n_per_mm2"], self.metal["mc"], feed / 2 * LIP_SIN, EDGE[self.tool]
        )
        return opening_nm(drill_nm(specific, feed, drill_mm), from_mm, drill_mm)

    def available_nm(self, drill_mm: float) -> float:
        """Torque at the spindle on the belt that drill is run at."""
        row = "carbide_m_min" if self.tool is Tool.CARBIDE else "hss_m_min"
        wanted = spindle_rpm(self.metal[row] * factors()["drill"].value, drill_mm)
        setting = choose(self.machine, wanted, self.held)
        share = setting.rpm / setting.top_rpm
        return shaft_nm(self.machine.power_w * BELT_SHARE * share, setting.rpm)

    def drives(self, drill_mm: float, from_mm: float) -> bool:
        """Whether the belt carries it with something in hand."""
        wanted = self.torque_nm(drill_mm, from_mm)
        return wanted <= _TORQUE_SHARE * self.available_nm(drill_mm)


def before(
    drills: Sequence[ShopTool],
    last: ShopTool,
    strength: Strength,
    deep_mm: float = 0.0,
    there_mm: float = 0.0,
) -> tuple[ShopTool, ...]:
    """Pilot and steps that come before a drill, each larger than the one before it.

    A pilot about the web of the drill it leads, as deep as it reaches; a step wherever the belt
    could not drive the next drill in one go, the one that reaches deepest where none reaches all
    the way.
    """
    size = last.mm
    below_it = drills[: bisect_left(drills, size, key=_size)]
    # A hole that is there leads as a pilot would, and better.
    below_it = below_it[bisect_right(below_it, there_mm, key=_size) :]
    if size <= PILOT_FROM_MM or not below_it:
        return ()
    smaller = list(below_it)
    steps: list[ShopTool] = []
    # From the top down: the smallest hole each drill can be driven from, and so on below it.
    current = size
    while len(steps) < _MOST_STEPS and not strength.drives(
        current, max(there_mm, WEB_SHARE * current)
    ):
        fits = _smallest_that_leads(strength, current, smaller)
        top = bisect_left(smaller, current - 1e-9, key=_size)
        if fits >= top:
            # Even from the next smaller drill it is too much: half way is what can be done.
            fits = bisect_left(smaller, current * 0.75, key=_size)
            if fits >= top or steps:
                break
        step = _deepest(smaller[fits:top], _STEP_MOST * current, deep_mm)
        steps.insert(0, step)
        current = step.mm
    if current > PILOT_FROM_MM and not there_mm:
        pilot = _pilot(below_it, current)
        if pilot is not None:
            steps.insert(0, pilot)
    return tuple(steps)


def _deepest(fitting: Sequence[ShopTool], most_mm: float, deep_mm: float) -> ShopTool:
    """The smallest that clears its chips all the way down; else the one that goes deepest."""
    fair = [t for t in fitting if t.mm <= most_mm] or fitting[:1]
    return next((t for t in fair if _clear(t) >= deep_mm), max(fair, key=_clear))


def _clear(tool: ShopTool) -> float:
    return inf if tool.reach_mm is None else tool.reach_mm - tool.mm


def _smallest_that_leads(strength: Strength, drill_mm: float, tools: Sequence[ShopTool]) -> int:
    """Index of the smallest hole this drill can be driven from; past the end where none is."""
    return bisect_left(tools, 1, key=lambda t: strength.drives(drill_mm, t.mm))


def _pilot(smaller: Sequence[ShopTool], leads_mm: float) -> ShopTool | None:
    first = bisect_left(smaller, _PILOT_LOW * leads_mm, key=_size)
    last = bisect_right(smaller, _PILOT_HIGH * leads_mm, key=_size)
    return nearest(smaller[first:last], max(WEB_SHARE * leads_mm, 1.5))
