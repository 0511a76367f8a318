"""Teeth as they are cut: one tooth's outline, involute flanks from base circle to tip."""

from __future__ import annotations

from dataclasses import dataclass
from math import acos, cos, hypot, pi, radians, sin, sqrt

from runk.core.layout.gear_laws import involute

_FLANK, _TIP = 14, 4


@dataclass(frozen=True, slots=True)
class Teeth:
    """Outlines for a drawing, each of one tooth standing on the upward axis.

    Args:
        x: Of the wheel's tooth, root to root, in millimetres; ``y`` with it.
        mate_x: Of the other wheel's tooth; empty where there is none; ``mate_y`` with it.
    """

    x: list[float]
    y: list[float]
    mate_x: list[float]
    mate_y: list[float]


def half_angle(radius: float, teeth: int, module: float, pressure_deg: float) -> float:
    """Half a tooth's angle at a radius, in radians: its flank is an involute of the base circle.

    >>> round(half_angle(10.0, 20, 1.0, 20.0) * 40 / 3.141592653589793, 6)
    1.0
    """
    a = radians(pressure_deg)
    base = module * teeth * cos(a) / 2
    at = acos(min(base / radius, 1.0))
    return pi / (2 * teeth) + involute(a) - involute(at)


def tooth(
    teeth: int, module: float, pressure_deg: float, root_mm: float
) -> tuple[list[float], list[float]]:
    """One tooth's outline, from the middle of a gap over its tip to the middle of the next.

    Args:
        teeth: Of the wheel.
        module: mm.
        pressure_deg: Pressure angle.
        root_mm: Diameter at the bottom of the gaps.

    Returns:
        Points, x and y; the tip lies upwards. Inside the base circle flanks run straight in, as a
        form cutter's do.
    """
    pitch = module * teeth / 2
    base = pitch * cos(radians(pressure_deg))
    tip, root = pitch + module, root_mm / 2
    start = max(base, root)
    flank = []
    for n in range(_FLANK + 1):
        # Points crowd where the flank curves most, near the base.
        radius = start + (tip - start) * (n / _FLANK) ** 2
        flank.append((max(half_angle(radius, teeth, module, pressure_deg), 0.0), radius))
    inner = flank[0][0]
    gap = pi / teeth
    side = [(gap, root), (min(inner, gap), root), *flank]
    top = [(flank[-1][0] * (1 - 2 * n / _TIP), tip) for n in range(1, _TIP)]
    whole = [*side, *top, *((-angle, radius) for angle, radius in reversed(side))]
    return [r * sin(a) for a, r in whole], [r * cos(a) for a, r in whole]


def tip_interferes(
    teeth: int, mate: int, module: float, pressure_deg: float, centres_mm: float
) -> bool:
    """Whether the mate's tip reaches past where this wheel's flanks begin.

    >>> tip_interferes(10, 60, 1.0, 20.0, 35.0), tip_interferes(20, 60, 1.0, 20.0, 40.0)
    (True, False)
    """
    base = module * teeth * cos(radians(pressure_deg)) / 2
    mate_base = module * mate * cos(radians(pressure_deg)) / 2
    along = sqrt(max(centres_mm**2 - (base + mate_base) ** 2, 0.0))
    return module * (mate / 2 + 1) > hypot(mate_base, along) + 1e-9
