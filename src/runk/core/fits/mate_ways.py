"""Gone too far, or right by the numbers and still not going in: what to do."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.fits.compounds import compounds
from runk.core.fits.mate_question import Make
from runk.core.fits.question import MOVES
from runk.core.plan.rescue import LEAST_WALL_MM
from runk.core.said import mm_said, thou_said
from runk.core.shown import Show

GAUGED = frozenset({"mandrel", "core", "fitted", "dowel"})
"""What goes through another man's hole and out of it again: only it is made anew."""
NO_COMPOUND = MOVES | GAUGED | {"register"}
"""What has to move, or come apart: no compound makes good for it."""


@dataclass(frozen=True, slots=True, kw_only=True)
class WayOut:
    """A way out, with its sizes."""

    way: Annotated[str, Show("Way out")]
    says: Annotated[str, Show("What to do")]


def ways_out(
    make: Make, size_mm: float, there_mm: float, over_mm: float, duty: str | None
) -> tuple[WayOut, ...]:
    """Ways out of a mate that has gone past its limit, the least work first.

    Args:
        make: Which was being made.
        size_mm: What it measures now.
        there_mm: Size of the part that was there, where it governs.
        over_mm: By how much it is past its limit.
        duty: What they do to each other.
    """
    wall = max(LEAST_WALL_MM, there_mm / 10)
    found = []
    gap, one = abs(there_mm - size_mm), compounds()["retaining"]
    if duty not in NO_COMPOUND and one.gap_low_mm <= gap <= one.gap_high_mm:
        found.append(
            WayOut(
                way="retaining compound",
                says=f"Where it never has to come apart: it fills the {thou_said(gap)} between.",
            )
        )
    if duty in GAUGED and make is Make.SHAFT:
        return (
            *found,
            WayOut(
                way="a new one",
                says="It is bar and quickly made, and the hole is right: that is left as it is.",
            ),
            WayOut(
                way="sleeve it",
                says=f"Turn it to {mm_said(size_mm - 2 * wall, 2)}, bond or press a sleeve on, and "
                f"turn that to its limits: {mm_said(wall, 1)} of wall.",
            ),
        )
    if make is Make.SHAFT:
        found += [
            WayOut(
                way="sleeve the hole",
                says=f"Bore it to {mm_said(there_mm + 2 * wall, 2)}, bond a sleeve in, and bore "
                f"that {thou_said(over_mm)} under what it was: this shaft then fits.",
            ),
            WayOut(
                way="sleeve the shaft",
                says=f"Turn it to {mm_said(size_mm - 2 * wall, 2)}, bond or press a sleeve on, and "
                f"turn that to its limits: {mm_said(wall, 1)} of wall.",
            ),
            WayOut(
                way="a new shaft",
                says="Where it is bar and quickly made. Keep this one as a lap or a mandrel.",
            ),
        ]
    else:
        found += [
            WayOut(
                way="a new shaft",
                says=f"Make it {thou_said(over_mm)} larger than the one there: the fit stays as it "
                "was.",
            ),
            WayOut(
                way="sleeve the hole",
                says=f"Bore it to {mm_said(size_mm + 2 * wall, 2)} and bond a sleeve in, bored to "
                f"its limits in place: {mm_said(wall, 1)} of wall.",
            ),
        ]
    return tuple(found)


@dataclass(frozen=True, slots=True, kw_only=True)
class Hitch:
    """Something that stops a part that measures right."""

    what: Annotated[str, Show("In this order")]
    says: Annotated[str, Show("Look, and ease")]


HITCHES = (
    Hitch(
        what="a burr",
        says="At the edge of the hole and the end of the shaft: draw a fine stone over both.",
    ),
    Hitch(
        what="a cone",
        says="Ink the shaft, turn it in: bright at one end only is a cone. Ease that end.",
    ),
    Hitch(
        what="a corner",
        says="The shaft's corner, the hole's floor: chamfer the one, undercut the other.",
    ),
    Hitch(
        what="dirt",
        says="Swarf, lapping paste, old compound: wipe both dry, then oil and try again.",
    ),
)
"""Measures right and will not go: practice. It is eased, never forced."""
