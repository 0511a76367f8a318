"""Lengths that stand in a row: each with its name, how many of it, and its limits."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction


@dataclass(frozen=True, slots=True)
class Member:
    """One length of a chain.

    Args:
        name: As it was called, or its number.
        size: As typed, in millimetres.
        low: The smallest one of it may be; ``high`` the largest.
        count: How many alike.
    """

    name: str
    size: Fraction
    low: Fraction
    high: Fraction
    count: int = 1

    @property
    def sure(self) -> bool:
        """Whether it is one size and no range: measured, or bought so."""
        return self.low == self.high

    @property
    def middle(self) -> Fraction:
        """Halfway between its limits."""
        return (self.low + self.high) / 2


def total(members: Iterable[Member]) -> tuple[float, float, float]:
    """Smallest, middle and largest of them all together, millimetres.

    >>> total((Member("1", Fraction(8), Fraction(79, 10), Fraction(8), 2),))
    (15.8, 15.9, 16.0)
    """
    several = tuple(members)
    low = sum((m.low * m.count for m in several), Fraction(0))
    high = sum((m.high * m.count for m in several), Fraction(0))
    return float(low), float((low + high) / 2), float(high)
