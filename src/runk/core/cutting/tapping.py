"""Formulas of a tap: the groove it cuts, its chip, its torque, and what breaks it."""

from __future__ import annotations

from math import pi, radians, tan

from runk.core.figures import Num, law
from runk.core.sources import Held, Source

HANDBOOK = Source("handbook", Held.RECALLED)
TAP_LAW = Source("tapping", Held.RECALLED)
FRICTION_LOW, FRICTION_USUAL, FRICTION_HIGH = 1.3, 1.6, 2.0
"""Rubbing and packed chips, times the cutting alone: common practice."""
SMALL_TAP_MM = 4.0
"""Up to so large, a tap has three flutes, over it four: common practice."""


def flutes_of(major_mm: float) -> float:
    """How many flutes a hand tap of that size has.

    >>> flutes_of(4.0), flutes_of(6.0)
    (3.0, 4.0)
    """
    return 3.0 if major_mm <= SMALL_TAP_MM else 4.0


@law("Groove the tap cuts", "{crest_mm} × {deep_mm} + tan({angle_deg}° ÷ 2) × {deep_mm}²")
def groove_mm2(crest_mm: float, deep_mm: float, angle_deg: float) -> float:
    """Section of the groove left to cut, from the drill to the major diameter.

    Source: mechanics, a trapezium: its narrow side at the major diameter.

    >>> round(groove_mm2(0.125, 0.487, 60.0), 3)
    0.198
    """
    return crest_mm * deep_mm + tan(radians(angle_deg) / 2) * deep_mm**2


@law("Chip of one tooth", "{deep_mm} ÷ ({lead_threads} × {flutes})")
def tooth_chip_mm(deep_mm: Num, lead_threads: Num, flutes: Num) -> Num:
    """How thick a chip each tooth of the lead takes.

    >>> tooth_chip_mm(0.32, 8.0, 4.0)
    0.01
    """
    return deep_mm / (lead_threads * flutes)


@law(
    "Torque of the tap",
    "{area_mm2} × {specific_n_per_mm2} × {major_mm} ÷ 2000 × {friction}",
    TAP_LAW,
)
def tap_nm(area_mm2: Num, specific_n_per_mm2: Num, major_mm: Num, friction: Num) -> Num:
    """Torque a tap wants.

    Args:
        area_mm2: Of the groove; a quarter of p² makes the handbook's p² D kc / 8000.
        friction: Times the cutting alone, 1.3 to 2.

    >>> round(tap_nm(0.25 * 0.49, 2000.0, 4.0, 1.0), 3)
    0.49
    """
    return area_mm2 * specific_n_per_mm2 * major_mm / 2000.0 * friction


@law(
    "Torque it breaks at",
    "π × ({core_share} × {major_mm})³ ÷ 16 × {shear_n_per_mm2} ÷ 1000",
    HANDBOOK,
)
def break_nm(major_mm: Num, core_share: Num, shear_n_per_mm2: Num) -> Num:
    """Torque that twists a fluted tap off.

    Args:
        core_share: Its core as a share of its diameter, about a half.
        shear_n_per_mm2: Shear strength of hard high-speed steel.

    Source: torsion of a round bar; the strength from memory.

    >>> round(break_nm(4.0, 0.5, 1100.0), 2)
    1.73
    """
    return pi * (core_share * major_mm) ** 3 / 16.0 * shear_n_per_mm2 / 1000.0
