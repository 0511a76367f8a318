"""Which form cutter is for so many teeth, by both ways of numbering, and whether it is owned."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cache

from runk.core.layout.gear_question import CutterOwned
from runk.core.sources import read_table
from runk.core.tools import ShopTool
from runk.core.tools.details import GearCutter, gear_cutter_of

_SAME = 0.004
"""Modules nearer than this share of each other are one."""


@dataclass(frozen=True, slots=True)
class Range:
    """Teeth one cutter of a set is for.

    Args:
        dp_number: As sets by diametral pitch are numbered, from a rack upwards.
        module_number: As sets by module usually are, from twelve teeth upwards.
        low: Fewest teeth.
        high: Most; 0 for a rack.
    """

    dp_number: int
    module_number: int
    low: int
    high: int

    def words(self) -> str:
        """The teeth it is for."""
        return f"{self.low} to {self.high} teeth" if self.high else f"{self.low} teeth to a rack"


@cache
def ranges() -> tuple[Range, ...]:
    """The eight cutters of a set."""
    names = ("dp_number", "module_number", "low", "high")
    return tuple(Range(*(int(row[n]) for n in names)) for row in read_table("gear_cutters"))


def range_for(teeth: int) -> Range | None:
    """The cutter of a set for a wheel; of 0 teeth for a rack; None under twelve.

    >>> range_for(18).module_number, range_for(18).dp_number, range_for(0).dp_number
    (3, 6, 1)
    """
    if not teeth:
        return next(r for r in ranges() if not r.high)
    return next((r for r in ranges() if r.low <= teeth and (not r.high or teeth <= r.high)), None)


def cutter_said(teeth: int, by_pitch: bool, owned: ShopTool | None) -> str:
    """The cutter in words: its number, what it is for, whether it is in the trays."""
    found = range_for(teeth)
    if found is None:
        return "none is made"
    number = found.dp_number if by_pitch else found.module_number
    return f"No {number}" if owned is not None else f"No {number}, not owned"


def fits(cutter: GearCutter, module: Fraction, teeth: int, pressure_deg: float) -> bool:
    """Whether a cutter is for that module, angle and number of teeth (0: a rack)."""
    same = abs(cutter.module_mm / module - 1) < _SAME
    cuts = not cutter.high if not teeth else cutter.cuts(teeth)
    return same and cuts and abs(cutter.angle_deg - pressure_deg) < 0.3


def owned_for(
    tools: Sequence[ShopTool], module: Fraction, teeth: int, pressure_deg: float
) -> ShopTool | None:
    """The cutter in the trays that does it."""
    return next(
        (t for t in tools if fits(gear_cutter_of(t.detail), module, teeth, pressure_deg)), None
    )


def listed(tools: Sequence[ShopTool], module: Fraction) -> tuple[CutterOwned, ...]:
    """Cutters of that module in the trays, whatever teeth they are for."""
    return tuple(
        CutterOwned(name=t.name, says=t.detail)
        for t in tools
        if abs(gear_cutter_of(t.detail).module_mm / module - 1) < _SAME
    )
