"""Volume, density and how well a density is known."""

from __future__ import annotations

from math import pi, sqrt

from runk.core.figures import Num, law


@law("Volume of round bar", "π × {size_mm}² ÷ 4 × {length_mm} ÷ 1000")
def round_cm3(size_mm: Num, length_mm: Num) -> Num:
    """Volume of a cylinder.

    >>> round(round_cm3(20.0, 50.0), 3)
    15.708
    """
    return pi * size_mm**2 / 4 * length_mm / 1000.0


@law("Volume of square bar", "{size_mm}² × {length_mm} ÷ 1000")
def square_cm3(size_mm: Num, length_mm: Num) -> Num:
    """Volume of a square bar.

    >>> square_cm3(10.0, 50.0)
    5.0
    """
    return size_mm**2 * length_mm / 1000.0


@law("Volume of hexagon bar", "√3 ÷ 2 × {size_mm}² × {length_mm} ÷ 1000")
def hexagon_cm3(size_mm: Num, length_mm: Num) -> Num:
    """Volume of a hexagon bar from its size across flats.

    >>> round(hexagon_cm3(10.0, 50.0), 3)
    4.33
    """
    return sqrt(3) / 2 * size_mm**2 * length_mm / 1000.0


@law("Volume of tube", "π × ({size_mm}² - {bore_mm}²) ÷ 4 × {length_mm} ÷ 1000")
def tube_cm3(size_mm: Num, bore_mm: Num, length_mm: Num) -> Num:
    """Volume of a tube's wall.

    >>> round(tube_cm3(20.0, 10.0, 50.0), 3)
    11.781
    """
    return pi * (size_mm**2 - bore_mm**2) / 4 * length_mm / 1000.0


@law("Volume of plate", "{size_mm} × {thick_mm} × {length_mm} ÷ 1000")
def plate_cm3(size_mm: Num, thick_mm: Num, length_mm: Num) -> Num:
    """Volume of a plate.

    >>> plate_cm3(20.0, 3.0, 50.0)
    3.0
    """
    return size_mm * thick_mm * length_mm / 1000.0


@law("Density", "{weight_g} ÷ {volume_cm3}")
def density_g_per_cm3(weight_g: Num, volume_cm3: Num) -> Num:
    """Mass over volume.

    >>> density_g_per_cm3(78.5, 10.0)
    7.85
    """
    return weight_g / volume_cm3


@law(
    "How well it is known",
    "100 × √(({scale_g} ÷ 2 ÷ {weight_g})² + (2 × {caliper_mm} ÷ {size_mm})²)",
)
def error_percent(scale_g: float, weight_g: float, caliper_mm: float, size_mm: float) -> float:
    """Error of the density: half a step of the scale, and the calipers on the smallest size.

    Source: mechanics, independent errors added as squares; a size counts twice.

    >>> round(error_percent(1.0, 100.0, 0.05, 20.0), 2)
    0.71
    """
    return 100.0 * sqrt((scale_g / 2 / weight_g) ** 2 + (2 * caliper_mm / size_mm) ** 2)


@law("Off that metal", "({density} ÷ {table} - 1) × 100")
def off_percent(density: Num, table: Num) -> Num:
    """How far a density is from a metal's own, percent.

    >>> off_percent(7.85, 7.85)
    0.0
    """
    return 100.0 * (density / table - 1.0)
