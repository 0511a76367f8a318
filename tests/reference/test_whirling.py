"""Whirling and bending against a beam solved as a matrix by SciPy, not by our formula."""

from __future__ import annotations

from math import pi, sqrt

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.linalg import eigh

from runk.core.cutting.reach import whirl_rpm

ELEMENTS = 12


def first_bending_rad_s(e_pa: float, density: float, diameter_m: float, length_m: float) -> float:
    """First mode of a round cantilever from beam elements: stiffness and consistent mass."""
    area, inertia = pi * diameter_m**2 / 4, pi * diameter_m**4 / 64
    h = length_m / ELEMENTS
    k = (
        e_pa
        * inertia
        / h**3
        * np.array(
            [
                [12, 6 * h, -12, 6 * h],
                [6 * h, 4 * h * h, -6 * h, 2 * h * h],
                [-12, -6 * h, 12, -6 * h],
                [6 * h, 2 * h * h, -6 * h, 4 * h * h],
            ]
        )
    )
    m = (
        density
        * area
        * h
        / 420
        * np.array(
            [
                [156, 22 * h, 54, -13 * h],
                [22 * h, 4 * h * h, 13 * h, -3 * h * h],
                [54, 13 * h, 156, -22 * h],
                [-13 * h, -3 * h * h, -22 * h, 4 * h * h],
            ]
        )
    )
    size = 2 * ELEMENTS + 2
    stiff, mass = np.zeros((size, size)), np.zeros((size, size))
    for at in range(ELEMENTS):
        part = slice(2 * at, 2 * at + 4)
        stiff[part, part] += k
        mass[part, part] += m
    # Held at one end: neither moves nor turns there.
    squared = eigh(stiff[2:, 2:], mass[2:, 2:], eigvals_only=True, subset_by_index=[0, 0])
    return sqrt(float(squared[0]))


@given(st.floats(60, 210), st.floats(2.6, 9.0), st.floats(2, 60), st.floats(4, 80))
def test_a_bar_whirls_where_the_beam_says(
    e_gpa: float, density: float, diameter_mm: float, times: float
) -> None:
    length = diameter_mm * times
    solved = first_bending_rad_s(e_gpa * 1e9, density * 1000, diameter_mm / 1000, length / 1000)
    ours = whirl_rpm(e_gpa, density, diameter_mm, length)
    assert ours == pytest.approx(solved * 60 / (2 * pi), rel=2e-3)
