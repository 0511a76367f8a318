"""What a plan says: every pass to come, the next thing to wind on, what is left."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.figures import Caution, Figure, Link
from runk.core.plan.rescue import WayOut


@dataclass(frozen=True, slots=True)
class PlannedPass:
    """A pass to come.

    Args:
        kind: ``rough``, ``measure`` (as deep as the last one, then measured), ``last``,
            ``spring`` (nothing wound on), ``plunge`` or ``finish`` for a groove.
        to_mm: The size it should leave; of a groove, where the tool stands.
        take_mm: What it takes off the size.
        dial: What to wind on, in words, in the dial's own unit and sense.
        divisions: The same as a number; None on a read-out.
        stands_at: Where the dial then stands.
        measure: Whether to measure after it.
        end: Which end of a length, 1 or 2.
    """

    kind: str
    to_mm: Figure
    take_mm: Figure
    dial: str
    divisions: Figure | None
    stands_at: str
    measure: bool
    end: int


@dataclass(frozen=True, slots=True)
class PlanAnswer:
    """A cut from where it is now to size.

    ``state`` is ``cut``, ``inside`` or ``over`` (past its limits). ``next_says`` is the one
    thing to do next; ``spring_mm`` what the rough cut springs away, on the size.
    """

    state: str
    passes: tuple[PlannedPass, ...]
    left_mm: Figure
    now_mm: Figure
    aim_mm: Figure
    low_mm: Figure
    high_mm: Figure
    next_says: str
    next_detail: str
    start_says: str
    dial_says: str
    rough_set: str
    finish_set: str
    rough_feed_mm_per_rev: Figure | None
    finish_feed_mm_per_rev: Figure | None
    spring_mm: Figure | None
    spring_ratio: Figure
    over_mm: Figure | None
    ways_out: tuple[WayOut, ...]
    parts: int
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
