"""What ``hole`` answers: every tool in its turn, and the numbers to stop at."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.figures import Caution, Figure, Link


@dataclass(frozen=True, slots=True)
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

    kind: str
    name: str
    mm: Figure
    position: str
    rpm: Figure | None
    feed_mm_per_rev: Figure | None
    depth_mm: Figure | None
    stop: str
    says: str


@dataclass(frozen=True, slots=True)
class HoleAnswer:
    """A hole from the centre mark to its size.

    ``drills`` are twist drills that are owned, smallest first. ``left_mm`` is what the last of
    them leaves for the reamer, bar or bore; ``ream_allowance_mm`` what it should leave.
    ``off_mm`` is how far a drilled hole is from the size wanted. ``point_mm`` is the last
    drill's point; ``bottom_mm`` where its tip ends; ``pass_mm`` how far a reamer must go past
    the far face.
    """

    first: tuple[HoleStep, ...]
    drills: tuple[HoleStep, ...]
    then: tuple[HoleStep, ...]
    size_mm: Figure
    ream_allowance_mm: Figure | None
    left_mm: Figure | None
    off_mm: Figure | None
    point_mm: Figure
    bottom_mm: Figure | None
    pass_mm: Figure | None
    deep_mm: Figure | None
    thick_mm: Figure | None
    counterbore_mm: Figure | None
    seat_mm: Figure | None
    slope_deg: Figure | None
    stop_says: str
    coolant: str
    machine: str
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
