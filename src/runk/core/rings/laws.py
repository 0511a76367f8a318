"""A split ring as a thin curved beam under constant pressure."""

from __future__ import annotations

from math import pi

from runk.core.figures import Holds, Num, law
from runk.core.sources import PRACTICE

_THIN = Holds(
    "the ring is thinner than a tenth of its bore",
    lambda bore_mm, radial_mm: radial_mm <= bore_mm / 10,
)


@law("Pulled in by", "{free_gap_mm} - {closed_gap_mm}")
def pulled_mm(free_gap_mm: Num, closed_gap_mm: Num) -> Num:
    """How far the ends come together as a ring goes into its bore.

    >>> pulled_mm(3.0, 0.5)
    2.5
    """
    return free_gap_mm - closed_gap_mm


@law(
    "It presses on the wall with",
    "{pulled_mm} × {e_gpa} × 1000 ÷ (7.07 × {bore_mm} × ({bore_mm} ÷ {radial_mm} - 1)³)",
    holds=_THIN,
)
def wall_pressure_mpa(pulled_mm: Num, e_gpa: Num, bore_mm: Num, radial_mm: Num) -> Num:
    """Even pressure of a ring against its bore.

    Args:
        pulled_mm: Free gap less closed gap.
        e_gpa: Young's modulus.
        bore_mm: Of the cylinder.
        radial_mm: Thickness of the ring, well under a quarter of the bore.

    Source: mechanics, a thin curved beam under constant pressure.

    >>> round(wall_pressure_mpa(3.0, 108.0, 22.0, 0.85), 3)
    0.135
    """
    return pulled_mm * e_gpa * 1000.0 / (7.07 * bore_mm * (bore_mm / radial_mm - 1.0) ** 3)


@law(
    "Bent, closed in the bore",
    "0.424 × {e_gpa} × 1000 × {pulled_mm} × {radial_mm} ÷ ({bore_mm} - {radial_mm})²",
    holds=_THIN,
)
def stress_closed_mpa(e_gpa: Num, pulled_mm: Num, radial_mm: Num, bore_mm: Num) -> Num:
    """Bending opposite the gap of a ring in its bore.

    >>> round(stress_closed_mpa(108.0, 3.0, 0.85, 22.0))
    261
    """
    return 424.0 * e_gpa * pulled_mm * radial_mm / (bore_mm - radial_mm) ** 2


@law(
    "Bent, going over the piston",
    "0.424 × {e_gpa} × 1000 × (8 × {radial_mm} - {pulled_mm}) × {radial_mm}"
    " ÷ ({bore_mm} - {radial_mm})²",
    holds=Holds(
        "the gap is less than eight times the ring's thickness",
        lambda pulled_mm, radial_mm: pulled_mm < 8 * radial_mm,
    ),
)
def stress_opening_mpa(e_gpa: Num, pulled_mm: Num, radial_mm: Num, bore_mm: Num) -> Num:
    """Bending of a ring that is pulled open until it passes over its piston.

    >>> round(stress_opening_mpa(108.0, 3.0, 0.85, 22.0))
    331
    """
    opened = 8.0 * radial_mm - pulled_mm
    return 424.0 * e_gpa * opened * radial_mm / (bore_mm - radial_mm) ** 2


@law("Gap that stays", "{per_inch_thou} thou × {bore_mm} ÷ 25.4", PRACTICE)
def closed_gap_mm(per_inch_thou: Num, bore_mm: Num) -> Num:
    """Gap left in the bore so that the ends never meet.

    >>> round(closed_gap_mm(3.0, 25.4), 4)
    0.0762
    """
    return per_inch_thou * 0.0254 * bore_mm / 25.4


@law(
    "Its ends grow together by",
    "π × {bore_mm} × ({ring_um_per_m_k} × ({ring_c} - 20)"
    " - {bore_um_per_m_k} × ({bore_c} - 20)) ÷ 1 000 000",
)
def grows_mm(
    bore_mm: Num, ring_um_per_m_k: Num, ring_c: Num, bore_um_per_m_k: Num, bore_c: Num
) -> Num:
    """How much of its gap a ring takes up by growing more than its bore.

    >>> round(grows_mm(22.0, 10.8, 200.0, 10.8, 120.0), 4)
    0.0597
    """
    ring, bore = ring_um_per_m_k * (ring_c - 20.0), bore_um_per_m_k * (bore_c - 20.0)
    return pi * bore_mm * (ring - bore) * 1e-6


@law("Gap closed, cold, room to grow", "{stays_mm} + {grows_mm}")
def gap_cold_mm(stays_mm: Num, grows_mm: Num) -> Num:
    """Gap cold of which so much stays hot.

    >>> gap_cold_mm(0.25, 0.5)
    0.75
    """
    return stays_mm + grows_mm


@law("Gap closed, hot", "{cold_mm} - {grows_mm}")
def gap_hot_mm(cold_mm: Num, grows_mm: Num) -> Num:
    """Gap that stays at work.

    >>> gap_hot_mm(0.5, 0.25)
    0.25
    """
    return cold_mm - grows_mm


@law("Blank, round with its gap cut out", "{bore_mm} + {free_gap_mm} ÷ π + {more_mm}")
def blank_mm(bore_mm: Num, free_gap_mm: Num, more_mm: Num) -> Num:
    """Diameter of a blank that closes to a size once its gap is cut out.

    Args:
        bore_mm: Diameter wanted closed.
        free_gap_mm: Cut out.
        more_mm: Left on for finishing; less than nought inside.

    >>> round(blank_mm(22.0, 3.1416, 0.5), 3)
    23.5
    """
    return bore_mm + free_gap_mm / pi + more_mm


@law("Inside", "{outside_mm} - 2 × {radial_mm}")
def inside_mm(outside_mm: Num, radial_mm: Num) -> Num:
    """Bore of a ring.

    >>> inside_mm(22.0, 0.75)
    20.5
    """
    return outside_mm - 2.0 * radial_mm


@law("A share of the bore", "{bore_mm} × {share}", PRACTICE)
def share_of_bore_mm(bore_mm: Num, share: Num) -> Num:
    """A usual size of a ring, which goes with its bore.

    >>> share_of_bore_mm(26.0, 0.5)
    13.0
    """
    return bore_mm * share


@law("Groove, wide", "{width_mm} + {side_mm}", PRACTICE)
def groove_width_mm(width_mm: Num, side_mm: Num) -> Num:
    """Width of a groove that leaves a ring so much side clearance in all.

    >>> groove_width_mm(2.0, 0.25)
    2.25
    """
    return width_mm + side_mm


@law("Groove, deep", "{radial_mm} + {more_mm}", PRACTICE)
def groove_depth_mm(radial_mm: Num, more_mm: Num) -> Num:
    """Depth of a groove below the bore: the ring never touches its floor.

    >>> groove_depth_mm(0.75, 0.25)
    1.0
    """
    return radial_mm + more_mm


@law("Strips under it", "2π × {radial_mm}")
def strip_mm(radial_mm: Num) -> Num:
    """How far strips under a ring open its gap beyond closed, as it slides over its piston.

    >>> round(strip_mm(0.85), 2)
    5.34
    """
    return 2.0 * pi * radial_mm


@law("Tube or bar for them", "{count} × ({width_mm} + {lap_mm} + {blade_mm}) + {hold_mm}")
def stock_mm(count: Num, width_mm: Num, lap_mm: Num, blade_mm: Num, hold_mm: Num) -> Num:
    """Length that so many rings are parted from, and what it is held by.

    >>> stock_mm(3.0, 2.0, 0.1, 1.5, 15.0)
    25.8
    """
    return count * (width_mm + lap_mm + blade_mm) + hold_mm
