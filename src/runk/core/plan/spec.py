"""A cut as settled: every number the plan needs, free of question and workshop."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from functools import cached_property
from math import cos, radians


class Job(StrEnum):
    """What is brought to size."""

    OUTSIDE = "outside"
    BORE = "bore"
    FACE = "face"
    SLOT = "slot"
    GROOVE = "groove"
    THREAD = "thread"
    NUT = "nut"


GROWING = (Job.BORE, Job.SLOT, Job.GROOVE, Job.NUT)
"""Jobs whose size grows as metal goes."""


@dataclass(frozen=True)
class CutSpec:
    """Everything a cut is planned and followed by.

    Args:
        now_mm: Size at the start; ``aim_mm`` the size wanted, inside its limits.
        low_mm: Smallest allowed; ``high_mm`` largest.
        rough_mm: Most one roughing pass takes; ``finish_mm`` what the last cut should take.
        least_mm: Under this the edge rubs instead of cutting.
        spring_ratio: Spring for each millimetre of cut, from bending; of work that bends, at the
            size aimed at.
        bends: Whether the work itself bends: thicker, it bends less, with the fourth power.
        limits_said: Whether somebody typed the limits, so that it is worth saying what they ask.
        skin_mm: What the first pass takes at the least, to get under a casting's skin.
        most_sprung_mm: A roughing pass may spring so much on the size, and no more; 0 for any.
        finish_share: How much of it a finishing cut springs: its feed is finer.
        division_mm: Tool travel for one division of the dial; 0 where there is none.
        per_turn: Divisions a turn.
        backlash: In divisions.
        feeler_mm: Thickness between tool and work when the dial was set to nought.
        resolution_mm: Of the measuring tool.
        ends: 2 where the surplus of a length is shared between both ends.
        parts: Equal parts cut at each setting.
        from_divisions: Where the slide stands before the first pass that is wound on.
        first_says: What is cut before there is a size to measure; ``first_detail`` with it.
        edge: Of a grooving tool, the one that stands at nought.
        turned_deg: Angle of the slide that feeds a thread's tool in, from the cross-slide.
        wire_mm: Of a screw's thread, the wires its size is read over.
        reads_left_mm: With more than this left, such wires touch no flank yet.
    """

    job: Job
    metal: str
    now_mm: float
    aim_mm: float
    low_mm: float
    high_mm: float
    rough_mm: float
    finish_mm: float
    least_mm: float
    spring_ratio: float
    finish_share: float
    slide: str
    division_mm: float
    per_turn: int
    dial_unit: str
    dial_reads: str
    backlash: float
    read_out: bool
    expansion_um_per_m_k: float
    resolution_mm: float = 0.01
    feeler_mm: float = 0.0
    ends: int = 1
    parts: int = 1
    from_divisions: float = 0.0
    first_says: str = ""
    first_detail: str = ""
    edge: str = ""
    bends: bool = False
    most_sprung_mm: float = 0.0
    skin_mm: float = 0.0
    limits_said: bool = True
    turned_deg: float = 0.0
    wire_mm: float = 0.0
    reads_left_mm: float = 0.0

    @cached_property
    def growing(self) -> bool:
        """Whether the size grows as metal goes: a bore, a slot's depth, a groove's width."""
        return self.job in GROWING

    @cached_property
    def across(self) -> int:
        """How often travel counts in the size: twice on a diameter."""
        return 2 if self.threaded or self.job in (Job.OUTSIDE, Job.BORE) else 1

    @property
    def chip_mm(self) -> float:
        """Of a thread, what the first of its passes of equal chip takes: the most any does."""
        return self.rough_mm

    @cached_property
    def threaded(self) -> bool:
        """Whether it is a thread: a screw's read over wires, a nut's by its effective diameter."""
        return self.job in (Job.THREAD, Job.NUT)

    @cached_property
    def division(self) -> float:
        """What one division makes of the size; a hundredth of a millimetre where there is none."""
        return self.division_mm * self.across * cos(radians(self.turned_deg)) or 0.01

    @cached_property
    def most_left(self) -> float:
        """Most metal that may still be on: at the limit where it could stay."""
        return self.left(self.low_mm if self.growing else self.high_mm)

    @cached_property
    def sure_left(self) -> float:
        """Most metal that may still be on with the gauge's own error taken off: a reading has
        to be inside by that much before it proves anything (the rule of ISO 14253-1)."""
        guard = min(self.resolution_mm / 2, (self.most_left - self.least_left) / 4)
        return self.most_left - guard

    @cached_property
    def least_left(self) -> float:
        """Least metal, at most 0: past it too much has come off."""
        return self.left(self.high_mm if self.growing else self.low_mm)

    def softer(self, left_mm: float) -> float:
        """How much more than at the size aimed at the work bends with so much left on it."""
        return (self.aim_mm / self.size(left_mm)) ** 4 if self.bends else 1.0

    def left(self, size_mm: float) -> float:
        """Metal left to the size aimed at; less than 0 where it is past it."""
        return self.aim_mm - size_mm if self.growing else size_mm - self.aim_mm

    def size(self, left_mm: float) -> float:
        """The size at which so much is left; :meth:`left` turned round."""
        return self.aim_mm - left_mm if self.growing else self.aim_mm + left_mm
