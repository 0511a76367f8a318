"""Packed glands: the box, the follower and the cord."""

from __future__ import annotations

from math import pi

from runk.core.figures import Num, law
from runk.core.sources import PRACTICE

SMALL, LARGE = (3.175, 1.5875), (6.35, 2.38125)
"""Rod and space round it: 1/16 to 3/32 in round a 1/8 to 1/4 in rod, common practice."""
_LEAST_MM, _MOST_MM = 1.0, 6.0


@law("Space for the packing", "1.588 + ({rod_mm} - 3.175) × 0.25, between 1 and 6 mm", PRACTICE)
def space_mm(rod_mm: float) -> float:
    """Room for cord round a rod, on the radius.

    >>> space_mm(3.175), space_mm(6.35)
    (1.5875, 2.38125)
    """
    (rod, space), (_, more) = SMALL, LARGE
    grows = (more - space) / (LARGE[0] - rod)
    return min(max(space + (rod_mm - rod) * grows, _LEAST_MM), _MOST_MM)


@law("Box bored to", "{rod_mm} + 2 × {space_mm}")
def box_mm(rod_mm: Num, space_mm: Num) -> Num:
    """Bore of a stuffing box.

    >>> box_mm(4.0, 1.75)
    7.5
    """
    return rod_mm + 2.0 * space_mm


@law("Box deep", "({turns} + 1) × {space_mm}", PRACTICE)
def box_deep_mm(turns: Num, space_mm: Num) -> Num:
    """Room for so many turns of cord, and for the follower to enter by one.

    >>> box_deep_mm(3.0, 2.0)
    8.0
    """
    return (turns + 1.0) * space_mm


@law("A turn of cord", "π × ({rod_mm} + {space_mm})")
def turn_mm(rod_mm: Num, space_mm: Num) -> Num:
    """Length of one turn, along its middle.

    >>> round(turn_mm(4.0, 2.0), 2)
    18.85
    """
    return pi * (rod_mm + space_mm)
