"""A part measured in several places and ways: its size, its taper, and what looks like a slip."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from statistics import median

from runk.core.figures import Num, law
from runk.core.plan.slips import meant_sizes

_ODD_MM = 0.15
"""Work that is bored or turned is not out by more between two places: more looks like a slip."""
_ODD_TIMES = 4.0
_NEAR_MM = 0.04


@dataclass(frozen=True, slots=True)
class Station:
    """One place of a part, measured one way or several.

    Args:
        name: As it was called, or its number.
        sizes: Each way across, in millimetres.
    """

    name: str
    sizes: tuple[Fraction, ...]


@dataclass(frozen=True, slots=True)
class Odd:
    """A reading that does not go with the others."""

    station: str
    size_mm: float
    meant_mm: float | None
    says: str


@dataclass(frozen=True, slots=True)
class Measured:
    """What readings come to.

    Args:
        stations: Each with the sizes that count.
        odd: Readings left out, and why.
    """

    stations: tuple[tuple[str, tuple[float, ...]], ...]
    odd: tuple[Odd, ...] = ()

    @property
    def smallest(self) -> tuple[str, float]:
        """The smallest size, and where."""
        return min(self._every(), key=lambda one: one[1])

    @property
    def largest(self) -> tuple[str, float]:
        """The largest size, and where."""
        return max(self._every(), key=lambda one: one[1])

    def _every(self) -> list[tuple[str, float]]:
        return [(name, size) for name, sizes in self.stations for size in sizes]

    @property
    def means(self) -> list[float]:
        """Mean size of each place."""
        return [sum(sizes) / len(sizes) for _, sizes in self.stations]


def measured(stations: tuple[Station, ...], every: bool) -> Measured:
    """Readings as they count.

    Args:
        stations: As read.
        every: Whether somebody said that every one is right, however odd.

    >>> five = (Station("1", tuple(map(Fraction, ("22.01", "22.02")))),
    ...         Station("2", tuple(map(Fraction, ("22.00", "0.8665", "22.01")))))
    >>> [(o.size_mm, o.says) for o in measured(five, False).odd]
    [(0.8665, 'It looks like inches taken for millimetres.')]
    """
    sizes = [float(size) for one in stations for size in one.sizes]
    if every or len(sizes) < 3:
        return Measured(tuple((s.name, tuple(map(float, s.sizes))) for s in stations))
    middle = median(sizes)
    kept, odd = [], []
    for one in stations:
        stay = []
        for size in map(float, one.sizes):
            others = [s for s in sizes if s != size] or [size]
            if abs(size - middle) > _odd_mm(others, middle):
                odd.append(_why(one.name, size, middle))
            else:
                stay.append(size)
        if stay:
            kept.append((one.name, tuple(stay)))
    return Measured(tuple(kept), tuple(odd))


def _odd_mm(others: list[float], middle: float) -> float:
    """How far from the middle a reading may lie: the spread of the nearer half, some times over."""
    near = sorted(abs(size - middle) for size in others)[: max(len(others) // 2, 1)]
    return max(_ODD_MM, _ODD_TIMES * near[-1])


def _why(station: str, size: float, middle: float) -> Odd:
    for meant, says in meant_sizes(size):
        if abs(meant - middle) <= _NEAR_MM:
            return Odd(station, size, meant, says)
    return Odd(station, size, None, "It is far from the others: read it once more.")


@law("From place to place", "{largest_mm} - {smallest_mm}")
def taper_limit_mm(largest_mm: Num, smallest_mm: Num) -> Num:
    """How much larger a part is at one place than at another, each the mean of its ways.

    >>> taper_limit_mm(22.5, 22.25)
    0.25
    """
    return largest_mm - smallest_mm


@law("From way to way", "{largest_mm} - {smallest_mm}")
def oval_limit_mm(largest_mm: Num, smallest_mm: Num) -> Num:
    """How much larger a part is one way across than the other, at its worst place.

    >>> oval_limit_mm(22.5, 22.25)
    0.25
    """
    return largest_mm - smallest_mm
