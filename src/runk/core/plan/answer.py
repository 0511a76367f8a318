"""What a plan says: every pass to come, the next thing to wind on, what is left."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.plan.rescue import WayOut
from runk.core.shown import Rank, Show, Table


@dataclass(frozen=True, slots=True, kw_only=True)
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
        reads: Whether it can be: wires touch no flank of a thread that is still shallow.
        end: Which end of a length, 1 or 2.
    """

    kind: Annotated[str, Show("Pass")]
    to_mm: Annotated[Figure, Show("Leaves")]
    take_mm: Annotated[Figure, Show("Takes off")]
    dial: Annotated[str, Show("Wind on")]
    divisions: Annotated[Figure | None, Show("Divisions", Rank.FOLDED)]
    stands_at: Annotated[str, Show("The dial then stands at")]
    measure: Annotated[bool, Show("Measure")]
    reads: bool = True
    end: int


@dataclass(frozen=True, slots=True, kw_only=True)
class PlanAnswer:
    """A cut from where it is now to size.

    ``state`` is ``cut``, ``inside`` or ``over`` (past its limits). ``next_says`` is the one
    thing to do next; ``spring_mm`` what the rough cut springs away, on the size.
    """

    state: str
    passes: Annotated[tuple[PlannedPass, ...], Table("Passes to come", drawn=True)]
    left_mm: Annotated[Figure, Show("Left to take off", drawn=True)]
    now_mm: Annotated[Figure, Show("It measures now", drawn=True)]
    aim_mm: Annotated[Figure, Show("Aim at", drawn=True)]
    low_mm: Annotated[Figure, Show("Smallest allowed", drawn=True)]
    high_mm: Annotated[Figure, Show("Largest allowed", drawn=True)]
    next_says: Annotated[str, Show("Next", Rank.BIG, drawn=True)]
    next_detail: Annotated[str, Show("Then", Rank.SAYS, drawn=True)]
    start_says: Annotated[str, Show("Begin", Rank.SAYS, drawn=True)]
    dial_says: Annotated[str, Show("The dial", Rank.SAYS, drawn=True)]
    rough_set: Annotated[str, Show("Set for roughing", drawn=True)]
    finish_set: Annotated[str, Show("Set for the last cut", drawn=True)]
    rough_feed_mm_per_rev: Annotated[Figure | None, Show("Feed for roughing", drawn=True)]
    finish_feed_mm_per_rev: Annotated[Figure | None, Show("Feed for the last cut", drawn=True)]
    spring_mm: Annotated[Figure | None, Show("The rough cut springs away")]
    spring_ratio: Annotated[Figure, Show("Share of a cut that springs away", Rank.FOLDED)]
    over_mm: Annotated[Figure | None, Show("Past its limit by", drawn=True)]
    ways_out: Annotated[tuple[WayOut, ...], Table("Ways out", drawn=True)]
    parts: int
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
