"""A train of change wheels: which way round it goes, and what it is worth."""

from __future__ import annotations

from dataclasses import dataclass

CLEAR = 15
"""Teeth two wheels must have more between them than the one that passes their shaft: practice."""
STEEP = 4.0
"""A mesh steeper than this chatters: practice."""


@dataclass(frozen=True, slots=True)
class Train:
    """A train of wheels.

    Args:
        drivers: Spindle's, then the stud's that drives on; one where it is simple.
        driven: The stud's, then the leadscrew's.
        error: Of the ratio, as a share; over nought is too coarse.
        clears: Whether its wheels clear each other's shafts.
        steep: The steepest of its meshes, as a ratio over one.
    """

    drivers: tuple[int, ...]
    driven: tuple[int, ...]
    error: float
    clears: bool
    steep: float


Way = tuple[tuple[int, int, int, int], bool, float]
"""Spindle's, stud's driven, stud's driver, leadscrew's; whether it clears; its steepest mesh."""


def arranged(a: int, c: int, b: int, d: int) -> tuple[Way, ...]:
    """Every way round of a compound train, the best first: it clears, its steepest mesh is least.

    A banjo may take one way and not another.

    Args:
        a: A driver; ``c`` the other.
        b: A driven wheel; ``d`` the other.

    >>> arranged(20, 40, 50, 60)[0]
    ((20, 50, 40, 60), True, 2.5)
    """
    ways = []
    for one, other in ((a, c), (c, a)):
        for to, last in ((b, d), (d, b)):
            # The stud's driver passes the spindle, its driven wheel the leadscrew.
            clears = one + to >= other + CLEAR and other + last >= to + CLEAR
            steep = max(one / to, to / one, other / last, last / other)
            ways.append((not clears, steep, (one, to, other, last)))
    return tuple((way, not foul, steep) for foul, steep, way in sorted(ways))


def worth(train: Train) -> tuple[bool, int, bool, int, float]:
    """What a train is sorted by: it clears; it is near; no mesh is steep; it is simple; it is even.

    >>> worth(Train((20,), (40,), 0.0, True, 2.0))
    (False, 0, False, 1, 2.0)
    """
    return (
        not train.clears,
        round(abs(train.error) * 1e7),
        train.steep > STEEP,
        len(train.drivers),
        train.steep,
    )
