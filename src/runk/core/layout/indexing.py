"""Turns and holes: every way a handle and its circles come to a share of a turn, or near it."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction

from runk.core.figures import law
from runk.core.sources import Held, Source

_HANDBOOK = Source("handbook", Held.RECALLED)


@law("Turns of the handle", "{ratio} × {step_deg} ÷ 360", _HANDBOOK)
def handle_turns(ratio: float, step_deg: float) -> float:
    """Turns of the handle for a step of the spindle.

    >>> round(handle_turns(40, 20.0), 4)
    2.2222
    """
    return ratio * step_deg / 360.0


@law("Off by, each step", "({turns} + {holes} ÷ {circle}) × 360 ÷ {ratio} - {step_deg}")
def error_deg(turns: float, holes: float, circle: float, ratio: float, step_deg: float) -> float:
    """What a step made by so many turns and holes is off.

    >>> error_deg(2, 6, 27, 40, 20.0)
    0.0
    """
    found = (turns + holes / circle) * 360.0 / ratio - step_deg
    return 0.0 if abs(found) < 1e-9 else found


@law("The round closes off by", "{count} × {error_deg}")
def closes_deg(count: float, error_deg: float) -> float:
    """What is left between the last mark's next and the first, one step repeated."""
    return count * error_deg


@dataclass(frozen=True, slots=True)
class Indexed:
    """A step of the handle.

    Args:
        turns: Whole ones.
        holes: Spaces on the circle besides.
        circle: Its holes.
    """

    turns: int
    holes: int
    circle: int

    @property
    def share(self) -> Fraction:
        """Turns of the handle, exactly."""
        return self.turns + Fraction(self.holes, self.circle)


def exact(turns: Fraction, circles: Iterable[int]) -> tuple[Indexed, ...]:
    """Every circle on which a number of turns falls on a hole, the largest first.

    >>> exact(Fraction(40, 18), (18, 20, 27))
    (Indexed(turns=2, holes=6, circle=27), Indexed(turns=2, holes=4, circle=18))
    """
    whole, rest = divmod(turns, 1)
    fits = (c for c in sorted(circles, reverse=True) if (rest * c).denominator == 1)
    return tuple(Indexed(int(whole), int(rest * c), c) for c in fits)


def nearest(turns: Fraction, circles: Iterable[int]) -> tuple[Indexed, ...]:
    """On each circle the step nearest to a number of turns, the nearest first.

    >>> nearest(Fraction(40, 127), (15, 19))[0]
    Indexed(turns=0, holes=6, circle=19)
    """
    found = []
    for circle in circles:
        spaces = round(turns * circle)
        found.append(Indexed(spaces // circle, spaces % circle, circle))
    return tuple(sorted(found, key=lambda one: (abs(one.share - turns), -one.circle)))
