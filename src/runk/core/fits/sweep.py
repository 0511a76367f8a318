"""Fits over whole arrays of sizes: the standard's tables looked up at once."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import TYPE_CHECKING, cast

import numpy as np

from runk.core.fits.classes import duty_limit_mm
from runk.core.fits.fit_says import FitShop
from runk.core.fits.fit_sides import pair_of
from runk.core.fits.iso import LARGEST_MM, ToleranceClass, edges_mm, limits_um
from runk.core.fits.question import FitQuestion, duties
from runk.core.refusals import Refused

if TYPE_CHECKING:
    from collections.abc import Callable

    from runk.core.figures import FloatArray

POINTS = 160
_SMALLEST_MM = 1.0


@dataclass(frozen=True, slots=True)
class FitAcross:
    """Least and most clearance of one fit over the sizes of a small workshop."""

    size_mm: list[float]
    low_mm: list[float]
    high_mm: list[float]


@cache
def _by_range(one: ToleranceClass) -> tuple[FloatArray, FloatArray, FloatArray]:
    """Upper edge of each range, and a class's deviations in it; not a number where it has none."""
    edges = np.array(edges_mm())
    low, high = np.full(edges.size, np.nan), np.full(edges.size, np.nan)
    for at, edge in enumerate(edges):
        try:
            low[at], high[at] = limits_um(one, float(edge))
        except Refused:
            continue
    return edges, low, high


def limits_across_um(one: ToleranceClass, sizes_mm: FloatArray) -> tuple[FloatArray, FloatArray]:
    """Lower and upper deviation of a class at every size.

    Args:
        one: The class.
        sizes_mm: Over 0 to 250.

    Returns:
        Not a number where the standard has no such class.

    >>> from runk.core.fits.iso import read_class
    >>> low, high = limits_across_um(read_class("H7", hole=True), np.array([10.0, 22.0]))
    >>> high.tolist()
    [15.0, 21.0]
    """
    edges, low, high = _by_range(one)
    at = np.searchsorted(edges, sizes_mm - 1e-9)
    return low[at], high[at]


def clearances_across_mm(
    hole: ToleranceClass, shaft: ToleranceClass, sizes_mm: FloatArray
) -> tuple[FloatArray, FloatArray]:
    """Least and most clearance of a fit at every size, millimetres."""
    hole_low, hole_high = limits_across_um(hole, sizes_mm)
    shaft_low, shaft_high = limits_across_um(shaft, sizes_mm)
    return (hole_low - shaft_high) / 1000.0, (hole_high - shaft_low) / 1000.0


def across(question: FitQuestion, _: FitShop) -> FitAcross:
    """One fit over the sizes round its own, a tenth of it to ten times it, as far as tables go."""
    size = float(question.size)
    sizes = np.geomspace(max(size / 10, _SMALLEST_MM), max(min(size * 10, LARGEST_MM), 2.0), POINTS)
    low: FloatArray
    high: FloatArray
    if question.duty is not None:
        duty, rule = duties()[question.duty], cast("Callable[..., FloatArray]", duty_limit_mm)
        low, high = (rule(per, sizes, besides) for per, besides in (duty.low, duty.high))
    else:
        low, high = clearances_across_mm(*pair_of(question), sizes)
    there = np.isfinite(low) & np.isfinite(high)
    return FitAcross(sizes[there].tolist(), low[there].tolist(), high[there].tolist())
