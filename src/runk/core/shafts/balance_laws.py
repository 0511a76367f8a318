"""Moments about a shaft, and the sector of a ring that balances them."""

from __future__ import annotations

from math import asin, degrees, pi

from runk.core.figures import Holds, Num, law
from runk.core.sources import PRACTICE


@law("Moment of a round pin", "π ÷ 4 × {diameter_mm}² × {long_mm} × {g_per_cm3} ÷ 1000 × {arm_mm}")
def pin_g_mm(diameter_mm: Num, long_mm: Num, g_per_cm3: Num, arm_mm: Num) -> Num:
    """Weight of a crankpin times its distance from the shaft.

    >>> round(pin_g_mm(6.0, 10.0, 7.85, 12.0), 2)
    26.63
    """
    return pi / 4.0 * diameter_mm**2 * long_mm * g_per_cm3 / 1000.0 * arm_mm


@law(
    "Moment of the webs",
    "{webs} × {web_mm} × {thick_mm} × ({throw_mm} + 2 × {beyond_mm})"
    " × {g_per_cm3} ÷ 1000 × {throw_mm} ÷ 2",
)
def webs_g_mm(
    webs: Num, web_mm: Num, thick_mm: Num, throw_mm: Num, beyond_mm: Num, g_per_cm3: Num
) -> Num:
    """Of webs as far beyond the pin's middle as beyond the shaft's: their own lies halfway.

    >>> round(webs_g_mm(2.0, 12.0, 5.0, 12.0, 6.0, 7.85), 2)
    135.65
    """
    length = throw_mm + 2.0 * beyond_mm
    return webs * web_mm * thick_mm * length * g_per_cm3 / 1000.0 * throw_mm / 2.0


@law(
    "Moment of what the rod carries",
    "({big_end_g} + {share_percent} ÷ 100 × {to_and_fro_g}) × {throw_mm}",
    PRACTICE,
)
def rod_g_mm(big_end_g: Num, share_percent: Num, to_and_fro_g: Num, throw_mm: Num) -> Num:
    """What turns with the pin whole, of what goes to and fro a share.

    >>> rod_g_mm(4.0, 50.0, 12.0, 10.0)
    100.0
    """
    return (big_end_g + share_percent / 100.0 * to_and_fro_g) * throw_mm


@law("All together", "{webs_g_mm} + {pin_g_mm} + {rod_g_mm}")
def moment_g_mm(webs_g_mm: Num, pin_g_mm: Num, rod_g_mm: Num) -> Num:
    """Everything on the pin's side.

    >>> moment_g_mm(1.0, 2.0, 3.0)
    6.0
    """
    return webs_g_mm + pin_g_mm + rod_g_mm


@law(
    "A weight half a turn round, how thick",
    "{each_g_mm} ÷ (2 ÷ 3 × {g_per_cm3} ÷ 1000 × ({reach_mm}³ - {inner_mm}³))",
)
def thinnest_mm(each_g_mm: Num, g_per_cm3: Num, reach_mm: Num, inner_mm: Num) -> Num:
    """Thickness of half a ring whose moment about its middle is so much.

    >>> round(thinnest_mm(100.0, 7.85, 22.0, 6.0), 3)
    1.832
    """
    return each_g_mm / (2.0 / 3.0 * g_per_cm3 / 1000.0 * (reach_mm**3 - inner_mm**3))


@law(
    "Each weight reaches round",
    "2 × arcsin({thinnest_mm} ÷ {thick_mm})",
    holds=Holds(
        "half a turn of that thickness is enough",
        lambda thinnest_mm, thick_mm: thinnest_mm <= thick_mm,
    ),
)
def angle_deg(thinnest_mm: float, thick_mm: float) -> float:
    """Angle of a sector of a ring with the moment of a thinner half ring.

    >>> round(angle_deg(1.0, 2.0), 3)
    60.0
    """
    return degrees(2.0 * asin(thinnest_mm / thick_mm))


@law(
    "Weighs",
    "π × ({reach_mm}² - {inner_mm}²) × {angle_deg} ÷ 360 × {thick_mm} × {g_per_cm3} ÷ 1000",
)
def weight_g(reach_mm: Num, inner_mm: Num, angle_deg: Num, thick_mm: Num, g_per_cm3: Num) -> Num:
    """Weight of a sector of a ring.

    >>> round(weight_g(22.0, 6.0, 60.0, 5.0, 7.85), 2)
    9.21
    """
    ring = pi * (reach_mm**2 - inner_mm**2)
    return ring * angle_deg / 360.0 * thick_mm * g_per_cm3 / 1000.0


@law("Middle of its weight", "{each_g_mm} ÷ {weight_g}")
def arm_mm(each_g_mm: Num, weight_g: Num) -> Num:
    """How far from the shaft's middle a weight hangs.

    >>> arm_mm(100.0, 10.0)
    10.0
    """
    return each_g_mm / weight_g
