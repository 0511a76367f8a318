"""What ``hole`` answers: every tool in its turn, and the numbers to stop at."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.shown import Rank, Show, Table


@dataclass(frozen=True, slots=True, kw_only=True)
class HoleStep:
    """One tool put in, and taken out again.

    Args:
        kind: ``flat``, ``spot``, ``pilot``, ``step``, ``last``, ``ream``, ``bore``, ``d-bit``,
            ``bar``, ``hone`` or ``counterbore``.
        name: The tool as it is marked: ``#30``, ``letter F``, ``4.1 mm``.
        mm: Its diameter, or the size it makes.
        depth_mm: How far its tip goes from the surface; None where no depth was said.
        stop: The same on that machine's dial, in words.
        says: What to do, where the number alone does not say it.
    """

    kind: Annotated[str, Show("Step")]
    name: Annotated[str, Show("Tool")]
    mm: Annotated[Figure, Show("Size")]
    position: Annotated[str, Show("Position")]
    rpm: Annotated[Figure | None, Show("Speed")]
    feed_mm_per_rev: Annotated[Figure | None, Show("Feed")]
    depth_mm: Annotated[Figure | None, Show("Tip goes to")]
    stop: Annotated[str, Show("Stop at")]
    says: Annotated[str, Show("How")]


@dataclass(frozen=True, slots=True, kw_only=True)
class HoleAnswer:
    """A hole from the centre mark to its size.

    ``drills`` are twist drills that are owned, smallest first; ``drill_mm`` is the last of
    them. ``left_mm`` is what it leaves for the reamer, bar or bore; ``ream_allowance_mm`` what
    it should leave.
    ``off_mm`` is how far a drilled hole is from the size wanted. ``point_mm`` is the last
    drill's point; ``bottom_mm`` where its tip ends; ``pass_mm`` how far a reamer must go past
    the far face.
    """

    first: Annotated[tuple[HoleStep, ...], Table("To begin", drawn=True)]
    drills: Annotated[tuple[HoleStep, ...], Table("Drills in their turn", drawn=True)]
    then: Annotated[tuple[HoleStep, ...], Table("To finish", drawn=True)]
    drill_mm: Annotated[Figure, Show("Last drill")]
    size_mm: Annotated[Figure, Show("Finished size", Rank.FOLDED)]
    ream_allowance_mm: Annotated[Figure | None, Show("It should leave about")]
    left_mm: Annotated[Figure | None, Show("The last drill leaves")]
    off_mm: Annotated[Figure | None, Show("Off the size wanted")]
    cleans_mm: Annotated[Figure | None, Show("The old hole is gone at")]
    point_mm: Annotated[Figure, Show("Point of the last drill")]
    bottom_mm: Annotated[Figure | None, Show("The tip ends at")]
    pass_mm: Annotated[Figure | None, Show("The reamer goes past by")]
    deep_mm: Annotated[Figure | None, Show("Depth wanted", Rank.FOLDED)]
    thick_mm: Annotated[Figure | None, Show("Thickness of the part", Rank.FOLDED)]
    counterbore_mm: Annotated[Figure | None, Show("Counterbore", Rank.FOLDED)]
    under_seat_mm: Annotated[Figure | None, Show("Left under the head")]
    seat_mm: Annotated[Figure | None, Show("Depth of the counterbore", Rank.FOLDED)]
    slope_deg: Annotated[Figure | None, Show("Slope it starts on", Rank.FOLDED)]
    stop_says: Annotated[str, Show("Stops", Rank.SAYS, drawn=True)]
    coolant: Annotated[str, Show("On the cut", drawn=True)]
    machine: Annotated[str, Show("Machine", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
