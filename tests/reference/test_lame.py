"""Pressed joints against the equation of equilibrium, integrated; and what heat does."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from runk.core.fits import heat, pressed
from runk.core.metals.metal import shipped_metals
from runk.core.plan.laws import cold_mm
from tests.cases import cases


def ring(
    inner: float, outer: float, pressure: float, e: float, nu: float, at: str
) -> tuple[float, float]:
    """Move and hoop stress at the loaded face of a ring, by integrating equilibrium outwards.

    Plane stress: the radial stress s and the move u obey s' = (t - s) / r, u' = (s - nu t) / E,
    with the hoop stress t = E u / r + nu s. Shooting for u at the inner face so that the outer
    face carries what it should; the problem is linear, so two shots are enough.
    """

    def slope(r: float, y: np.ndarray) -> list[float]:
        s, u = y
        t = e * u / r + nu * s
        return [(t - s) / r, (s - nu * t) / e]

    inside, outside = (-pressure, 0.0) if at == "bore" else (0.0, -pressure)

    def shot(u0: float) -> tuple[float, float, float]:
        found = solve_ivp(slope, (inner, outer), [inside, u0], rtol=1e-10, atol=1e-13)
        s, u = found.y[:, -1]
        return float(s), float(u), u0

    one, two = shot(0.0), shot(1e-3)
    share = (outside - one[0]) / (two[0] - one[0])
    u_outer = one[1] + share * (two[1] - one[1])
    u_inner = share * 1e-3
    u, r, s = (u_inner, inner, inside) if at == "bore" else (u_outer, outer, outside)
    return u, e * u / r + nu * s


@cases(25)
@given(
    st.floats(4, 40),
    st.floats(1.1, 5),
    st.floats(0.05, 0.8),
    st.floats(60, 210),
    st.floats(60, 210),
    st.floats(0.25, 0.35),
    st.floats(0.25, 0.35),
    st.floats(1, 200),
)
def test_an_interference_makes_the_pressure_that_closes_it(
    size: float,
    times: float,
    hollow: float,
    boss_gpa: float,
    shaft_gpa: float,
    boss_nu: float,
    shaft_nu: float,
    pressure: float,
) -> None:
    """Load both rings with a pressure: how far they part is the interference that makes it."""
    r = size / 2
    opens, hoop = ring(r, r * times, pressure, boss_gpa * 1000, boss_nu, "bore")
    closes, squeeze = ring(r * hollow, r, pressure, shaft_gpa * 1000, shaft_nu, "skin")
    boss = pressed.boss_ratio(size * times, size)
    shaft = pressed.shaft_ratio(size, size * hollow)
    give = pressed.give_ratio(boss, boss_nu, boss_gpa, shaft, shaft_nu, shaft_gpa)
    tight = 2 * (opens - closes)
    assert pressed.pressure_mpa(tight, size, give) == pytest.approx(pressure, rel=1e-5)
    assert pressed.hoop_mpa(pressure, boss) == pytest.approx(hoop, rel=1e-5)
    assert -pressure * shaft == pytest.approx(squeeze, rel=1e-5)


@pytest.mark.parametrize(("size", "outside", "tight"), [(50.0, 100.0, 0.05), (12.0, 30.0, 0.012)])
def test_like_metals_on_a_solid_shaft_come_to_the_short_form(
    size: float, outside: float, tight: float
) -> None:
    """p = E tight (1 - (d/D)²) / (2 d): the force-fit example handbooks work, from memory.

    For 50 in 100 mm, 0.05 mm tight in steel of 207 GPa, that is 77.6 N/mm² and 129 in the hoop.
    """
    boss = pressed.boss_ratio(outside, size)
    give = pressed.give_ratio(boss, 0.292, 207.0, 1.0, 0.292, 207.0)
    found = pressed.pressure_mpa(tight, size, give)
    assert found == pytest.approx(207000 * tight * (1 - (size / outside) ** 2) / (2 * size))
    if size == 50.0:
        assert (found, pressed.hoop_mpa(found, boss)) == pytest.approx((77.6, 129.4), abs=0.1)


@pytest.mark.parametrize(
    ("metal", "um_per_m_k"),
    [
        # Linear expansion near room temperature: tables of the Handbook of Chemistry and Physics
        # and of ASM, from memory; alloys within a tenth.
        ("mild-steel", 11.7),
        ("stainless-304", 17.2),
        ("grey-iron", 10.8),
        ("brass", 20.5),
        ("copper", 16.7),
        ("aluminium-6082", 23.6),
        ("phosphor-bronze", 17.8),
    ],
)
def test_metals_grow_as_tables_say(metal: str, um_per_m_k: float) -> None:
    ours = shipped_metals()[metal]["expansion_um_per_m_k"]
    assert ours == pytest.approx(um_per_m_k, rel=0.1)


def test_a_thou_on_four_inches_of_brass_for_twelve_degrees() -> None:
    """Common practice's own figure, and the same law backwards."""
    warm = heat.hot_limit_mm(101.6, 20.9, 32.0)
    assert (warm - 101.6) / 0.0254 == pytest.approx(1.0, abs=0.01)
    assert cold_mm(warm, 20.9, 32.0) == pytest.approx(101.6, abs=1e-9)


@given(st.floats(2, 200), st.floats(0.0, 0.2), st.floats(0.0, 0.1), st.floats(10, 24))
def test_heated_so_the_boss_has_opened_by_what_was_wanted(
    size: float, tight: float, free: float, expands: float
) -> None:
    """The bore at the heat it was told is the shaft and the room to spare, to a thousandth of it."""
    hot = heat.heat_c(20.0, tight, free, size, expands)
    opened = heat.hot_limit_mm(size, expands, hot) - size
    assert opened == pytest.approx(tight + free, abs=1e-9)
    cold = heat.cool_c(20.0, tight, free, size, expands)
    assert size - heat.hot_limit_mm(size, expands, cold) == pytest.approx(tight + free, abs=1e-9)


def test_a_shaft_made_for_a_clearance_hot_has_it() -> None:
    made = heat.shaft_for_limit_mm(22.024, 0.03, 23.4, 150.0)
    assert 22.024 - heat.hot_limit_mm(made, 23.4, 150.0) == pytest.approx(0.03)
