"""A chain of lengths: what is left at its end, at worst and as it usually comes."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from math import sqrt

from runk.core.figures import Figure, Num, Working, law
from runk.core.lengths.members import Member


@law("What is left", "{room_mm} - {held_mm}")
def left_limit_mm(room_mm: Num, held_mm: Num) -> Num:
    """Room less what stands in it.

    >>> left_limit_mm(25.0, 24.75)
    0.25
    """
    return room_mm - held_mm


@law("Halfway", "({low_mm} + {high_mm}) ÷ 2")
def halfway_limit_mm(low_mm: Num, high_mm: Num) -> Num:
    """Between the two ends.

    >>> halfway_limit_mm(1.0, 2.0)
    1.5
    """
    return (low_mm + high_mm) / 2.0


@law("As it usually comes, either way", "√{squares_mm2}")
def usual_limit_mm(squares_mm2: float) -> float:
    """Root of the sum of the squares of half of each length's limits.

    Where each length is as likely over as under and none depends on another, three standard
    deviations to a limit, 997 of 1000 chains lie within this of the middle.

    >>> usual_limit_mm(0.25)
    0.5
    """
    return sqrt(squares_mm2)


@law("As it usually comes, at least", "{middle_mm} - {half_mm}")
def usual_low_limit_mm(middle_mm: Num, half_mm: Num) -> Num:
    """The small end of what 997 of 1000 chains come to.

    >>> usual_low_limit_mm(0.5, 0.25)
    0.25
    """
    return middle_mm - half_mm


@law("As it usually comes, at most", "{middle_mm} + {half_mm}")
def usual_high_limit_mm(middle_mm: Num, half_mm: Num) -> Num:
    """The large end of it.

    >>> usual_high_limit_mm(0.5, 0.25)
    0.75
    """
    return middle_mm + half_mm


@law("Thickness that closes it", "{left_mm} - {wanted_mm}")
def shim_limit_mm(left_mm: Num, wanted_mm: Num) -> Num:
    """What has to be put in so that the float wanted stays.

    >>> shim_limit_mm(0.5, 0.125)
    0.375
    """
    return left_mm - wanted_mm


def squares_mm2(members: Iterable[Member]) -> float:
    """Sum of the squares of half of each length's limits, every piece by itself.

    >>> from fractions import Fraction
    >>> squares_mm2([Member("1", Fraction(8), Fraction(7), Fraction(9), 2)])
    2.0
    """
    return sum(m.count * float((m.high - m.low) / 2) ** 2 for m in members)


def uncertain(members: Iterable[Member]) -> int:
    """How many pieces are known only within limits."""
    return sum(m.count for m in members if not m.sure)


def usual_ends(
    w: Working, members: Iterable[Member], middle: Figure
) -> tuple[Figure | None, Figure | None]:
    """Between what a chain usually comes; nothing where one piece at most is uncertain.

    Args:
        members: Every length of it.
        middle: What is left halfway.
    """
    every = tuple(members)
    if uncertain(every) < 2:
        return None, None
    since = len(w.steps)
    half = w(usual_limit_mm, squares_mm2=squares_mm2(every))
    low = w.of(
        usual_low_limit_mm, "usual_low_mm", since=since, middle_mm=middle.value, half_mm=half
    )
    high = w.of(usual_high_limit_mm, "usual_high_mm", middle_mm=middle.value, half_mm=half)
    return replace(low, places=3), replace(high, places=3)
