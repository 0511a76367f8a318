"""Limits and clearances as laws, and each way of saying a fit in the words of the other."""

from __future__ import annotations

from functools import cache

from runk.core.figures import Num, law
from runk.core.fits.iso import ToleranceClass, edges_mm, limits_um
from runk.core.fits.question import WORKSHOP, Duty, duties
from runk.core.sources import PRACTICE, Held, Source

ISO = Source("iso-286-1", Held.RECALLED)
HOLE_SHARE = 0.5
"""Share of what a duty allows that is left to the hole, the rest to the shaft: practice."""
_Limits = tuple[tuple[ToleranceClass, tuple[float, float]], ...]
_USUAL_HOLES = tuple(ToleranceClass("h", grade, True) for grade in (7, 8, 6, 9))
"""Of two as near, the one a reamer makes."""
_USUAL_SHAFTS = tuple(
    ToleranceClass(letter, grade, False) for letter in "cdefghkmnprsu" for grade in range(5, 10)
)


@law("Limit", "{size_mm} + {deviation_um} ÷ 1000", ISO)
def limit_mm(size_mm: Num, deviation_um: Num) -> Num:
    """A size from its nominal and its deviation.

    >>> round(limit_mm(22.0, 21.0), 3)
    22.021
    """
    return size_mm + deviation_um / 1000.0


@law("Clearance", "{hole_mm} - {shaft_mm}")
def between_limit_mm(hole_mm: Num, shaft_mm: Num) -> Num:
    """What a shaft leaves in its hole on diameter; less than nought where it is larger.

    >>> round(between_limit_mm(22.0, 21.98), 3)
    0.02
    """
    return hole_mm - shaft_mm


@law("By duty", "({per_inch} × {size_mm} ÷ 25.4 + {besides}) thou", PRACTICE)
def duty_limit_mm(per_inch: Num, size_mm: Num, besides: Num) -> Num:
    """Clearance on diameter by a rule of so many thou an inch and so many besides.

    >>> round(duty_limit_mm(1.0, 25.4, 0.5), 4)
    0.0381
    """
    return (per_inch * size_mm / 25.4 + besides) * 0.0254


def bounds_of(duty: Duty, size: float) -> tuple[float, float]:
    """Least and most clearance of a duty at a size, millimetres.

    >>> [round(mm, 4) for mm in bounds_of(duties()["running"], 25.4)]
    [0.0318, 0.0444]
    """
    low, high = (
        duty_limit_mm(per_inch, size, besides) for per_inch, besides in (duty.low, duty.high)
    )
    return low, high


def nearest_class(size: float, low: float, high: float) -> Duty:
    """The class of the workshop whose middle lies nearest to a clearance's.

    >>> nearest_class(22.0, 0.02, 0.06).key
    'running'
    """
    middle = (low + high) / 2
    return min(
        (duties()[key] for key in WORKSHOP),
        key=lambda duty: abs(sum(bounds_of(duty, size)) / 2 - middle),
    )


def between(hole_um: tuple[float, float], shaft_um: tuple[float, float]) -> tuple[float, float]:
    """Least and most clearance of two pairs of deviations, millimetres."""
    return (hole_um[0] - shaft_um[1]) / 1000, (hole_um[1] - shaft_um[0]) / 1000


@cache
def _usual(edge_mm: float) -> tuple[_Limits, _Limits]:
    """Limits of the usual classes in the range up to an edge: the same at every size in it."""
    holes = tuple((one, limits_um(one, edge_mm)) for one in _USUAL_HOLES)
    return holes, tuple((one, limits_um(one, edge_mm)) for one in _USUAL_SHAFTS)


def nearest_iso(size: float, low: float, high: float) -> tuple[ToleranceClass, ToleranceClass]:
    """The fit of the standard, on a hole of H, whose least and most lie nearest to these.

    >>> [str(one) for one in nearest_iso(22.0, 0.007, 0.041)]
    ['H7', 'g6']
    """

    holes, shafts = _usual(next(edge for edge in edges_mm() if size <= edge + 1e-9))

    def far(hole: tuple[float, float], shaft: tuple[float, float]) -> float:
        least, most = between(hole, shaft)
        return abs(least - low) + abs(most - high)

    _, hole, shaft = min(
        (
            (far(inside, outside), hole, shaft)
            for hole, inside in holes
            for shaft, outside in shafts
        ),
        key=lambda found: found[0],
    )
    return hole, shaft
