"""Two parts pressed together: thick cylinders after Lamé."""

from __future__ import annotations

from math import pi

from runk.core.figures import Holds, Num, law
from runk.core.sources import PRACTICE

HOLDS_BY, PUSHED_BY = 0.08, 0.2
"""Friction counted on to hold, and to be pushed against: between lightly oiled and dry metals it
lies anywhere between, common practice."""
FLATTENS_MM = 0.005
"""What both surfaces lose in height as they are pressed together, on diameter: 3 to 8 µm as turned,
common practice."""


@law(
    "How a boss gives",
    "({outside_mm}² + {size_mm}²) ÷ ({outside_mm}² - {size_mm}²)",
    holds=Holds(
        "the boss is larger than the joint", lambda outside_mm, size_mm: outside_mm > size_mm
    ),
)
def boss_ratio(outside_mm: Num, size_mm: Num) -> Num:
    """Hoop stress at a boss's bore for each unit of pressure in it.

    Args:
        outside_mm: Of the boss, over ``size_mm``.
        size_mm: Diameter of the joint.

    Source: mechanics, Lamé's thick cylinder with pressure inside.

    >>> round(boss_ratio(22.0, 11.0), 4)
    1.6667
    """
    return (outside_mm**2 + size_mm**2) / (outside_mm**2 - size_mm**2)


@law(
    "How the shaft gives",
    "({size_mm}² + {hollow_mm}²) ÷ ({size_mm}² - {hollow_mm}²)",
    holds=Holds(
        "the hole through the shaft is smaller than the joint",
        lambda size_mm, hollow_mm: hollow_mm < size_mm,
    ),
)
def shaft_ratio(size_mm: Num, hollow_mm: Num) -> Num:
    """Hoop stress at a shaft's surface for each unit of pressure on it; 1 where it is solid.

    >>> shaft_ratio(11.0, 0.0)
    1.0
    """
    return (size_mm**2 + hollow_mm**2) / (size_mm**2 - hollow_mm**2)


@law(
    "Both together give",
    "({boss_ratio} + {boss_poisson}) ÷ (1000 × {boss_gpa})"
    " + ({shaft_ratio} - {shaft_poisson}) ÷ (1000 × {shaft_gpa})",
)
def give_ratio(
    boss_ratio: Num,
    boss_poisson: Num,
    boss_gpa: Num,
    shaft_ratio: Num,
    shaft_poisson: Num,
    shaft_gpa: Num,
) -> Num:
    """Share of the diameter that boss and shaft give way for each N/mm² between them.

    >>> round(give_ratio(1.6667, 0.29, 205.0, 1.0, 0.29, 205.0) * 1e6, 3)
    13.008
    """
    return (boss_ratio + boss_poisson) / (1000.0 * boss_gpa) + (shaft_ratio - shaft_poisson) / (
        1000.0 * shaft_gpa
    )


@law("Left of it, the surfaces flattened", "larger of {tight_mm} - {flattens_mm} and 0", PRACTICE)
def left_tight_mm(tight_mm: float, flattens_mm: float) -> float:
    """Interference that presses once the peaks of both surfaces have given.

    >>> round(left_tight_mm(0.012, 0.005), 3), left_tight_mm(0.002, 0.005)
    (0.007, 0.0)
    """
    return max(tight_mm - flattens_mm, 0.0)


@law(
    "Tight at work",
    "{tight_mm} + {size_mm} × ({shaft_um_per_m_k} - {boss_um_per_m_k})"
    " × ({hot_c} - 20) ÷ 1 000 000",
)
def work_tight_mm(
    tight_mm: Num, size_mm: Num, shaft_um_per_m_k: Num, boss_um_per_m_k: Num, hot_c: Num
) -> Num:
    """Interference where both parts are as hot, the one growing more than the other.

    >>> round(work_tight_mm(0.029, 20.0, 11.5, 23.4, 120.0), 4)
    0.0052
    """
    return tight_mm + size_mm * (shaft_um_per_m_k - boss_um_per_m_k) * (hot_c - 20.0) * 1e-6


@law(
    "Pressure in the joint",
    "{tight_mm} ÷ ({size_mm} × {give_ratio})",
    holds=Holds(
        "it is no tighter than four thousandths of the joint: metal as it is sold yields beyond",
        lambda tight_mm, size_mm: tight_mm <= 0.004 * size_mm,
    ),
)
def pressure_mpa(tight_mm: Num, size_mm: Num, give_ratio: Num) -> Num:
    """Pressure an interference makes, while neither part yields.

    Args:
        tight_mm: Interference on diameter, nought or more.
        size_mm: Diameter of the joint.
        give_ratio: From :func:`give_ratio`.

    >>> round(pressure_mpa(0.02, 11.0, 13.008e-6), 1)
    139.8
    """
    return tight_mm / (size_mm * give_ratio)


@law("Hoop stress in the boss", "{pressure_mpa} × {boss_ratio}")
def hoop_mpa(pressure_mpa: Num, boss_ratio: Num) -> Num:
    """Stretch at the bore of the boss, where it is most.

    >>> hoop_mpa(60.0, 1.5)
    90.0
    """
    return pressure_mpa * boss_ratio


@law("Loaded, with the pressure", "{hoop_mpa} + {pressure_mpa}")
def loaded_mpa(hoop_mpa: Num, pressure_mpa: Num) -> Num:
    """What counts against the yield at the bore: stretch and squeeze together, after Tresca.

    >>> loaded_mpa(90.0, 60.0)
    150.0
    """
    return hoop_mpa + pressure_mpa


@law("Squeezed, at its own bore", "2 × {pressure_mpa} × {size_mm}² ÷ ({size_mm}² - {hollow_mm}²)")
def squeezed_mpa(pressure_mpa: Num, size_mm: Num, hollow_mm: Num) -> Num:
    """Hoop compression at the bore of a hollow shaft.

    >>> round(squeezed_mpa(60.0, 12.0, 6.0), 1)
    160.0
    """
    return 2.0 * pressure_mpa * size_mm**2 / (size_mm**2 - hollow_mm**2)


@law("Push along it", "{friction} × {pressure_mpa} × π × {size_mm} × {length_mm}")
def push_n(friction: Num, pressure_mpa: Num, size_mm: Num, length_mm: Num) -> Num:
    """Push that moves one part along the other.

    >>> round(push_n(0.12, 100.0, 10.0, 10.0))
    3770
    """
    return friction * pressure_mpa * pi * size_mm * length_mm


@law("Torque at the joint", "{force_n} × {size_mm} ÷ 2000")
def grip_nm(force_n: Num, size_mm: Num) -> Num:
    """Torque that a force round a joint's surface comes to.

    >>> grip_nm(1000.0, 10.0)
    5.0
    """
    return force_n * size_mm / 2000.0


@law("Area of the joint", "π × {size_mm} × {length_mm}")
def joint_mm2(size_mm: Num, length_mm: Num) -> Num:
    """Surface on which two round parts meet.

    >>> round(joint_mm2(10.0, 10.0), 1)
    314.2
    """
    return pi * size_mm * length_mm


@law("Holds along it", "{shear_mpa} × {area_mm2}")
def bonded_n(shear_mpa: Num, area_mm2: Num) -> Num:
    """Push that shears a bond.

    >>> bonded_n(15.0, 100.0)
    1500.0
    """
    return shear_mpa * area_mm2


@law(
    "A pin right across shears at",
    "π ÷ 2 × {pin_mm}² × {shear_mpa} × {size_mm} ÷ 2000",
    holds=Holds(
        "the pin is no more than half of the joint", lambda pin_mm, size_mm: pin_mm <= size_mm / 2
    ),
)
def cross_pin_nm(pin_mm: Num, shear_mpa: Num, size_mm: Num) -> Num:
    """Torque that shears a pin put right across a joint: two sections, at the joint's radius.

    >>> round(cross_pin_nm(3.0, 200.0, 11.0), 2)
    15.55
    """
    return pi / 2.0 * pin_mm**2 * shear_mpa * size_mm / 2000.0


@law(
    "A scotch key shears at",
    "{pin_mm} × {length_mm} × {shear_mpa} × {size_mm} ÷ 2000",
    holds=Holds(
        "the key is no more than a third of the joint",
        lambda pin_mm, size_mm: pin_mm <= size_mm / 3,
    ),
)
def scotch_key_nm(pin_mm: Num, length_mm: Num, shear_mpa: Num, size_mm: Num) -> Num:
    """Torque that shears a round key put in endways, half in each part.

    >>> round(scotch_key_nm(3.0, 10.0, 200.0, 11.0), 1)
    33.0
    """
    return pin_mm * length_mm * shear_mpa * size_mm / 2000.0


@law("It bears", "{share} × {strength_mpa}")
def borne_mpa(share: Num, strength_mpa: Num) -> Num:
    """What a part may be loaded to: its yield, of grey iron half its strength.

    >>> borne_mpa(0.5, 250.0)
    125.0
    """
    return share * strength_mpa


@law("Shear strength", "{share} × {yield_mpa}")
def shear_mpa(share: Num, yield_mpa: Num) -> Num:
    """What a pin stands in shear without giving.

    >>> round(shear_mpa(0.6, 300.0), 1)
    180.0
    """
    return share * yield_mpa


@law("May be asked of it", "{holds_nm} ÷ {safety}", PRACTICE)
def allowed_nm(holds_nm: Num, safety: Num) -> Num:
    """What may be asked of a joint that must not move.

    >>> allowed_nm(6.0, 3.0)
    2.0
    """
    return holds_nm / safety
