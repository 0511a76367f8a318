"""Laws of the cut by independent methods and by worked examples."""

from __future__ import annotations

from math import acos, pi, sqrt

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad, solve_bvp

from runk.core.cutting import bend, laws
from runk.core.cutting.drilled import LIP_SIN
from runk.core.cutting.height import cut_diameter_mm
from runk.core.cutting.milled import mean_chip_mm
from runk.core.cutting.threaded import stop_s, stoppable_rpm
from runk.core.cutting.turned import finish_mm_per_rev
from runk.core.lengths import read_length
from runk.core.machines.pulleys import pulley_rpm
from tests.reference.packages import rows

# Worked examples as machinists' handbooks print them (Machinery's Handbook, cutting speed
# formula N = 12 V / (pi D)): recalled. V in ft/min, D in inches, N in rev/min.
HANDBOOK_SPEEDS = [(90, 2.0, 172), (100, 1.0, 382), (60, 0.5, 458), (300, 0.75, 1528)]


@pytest.mark.parametrize(("feet", "inches", "rpm"), HANDBOOK_SPEEDS)
def test_speed_of_the_handbooks(feet: float, inches: float, rpm: float) -> None:
    assert laws.spindle_rpm(feet * 0.3048, inches * 25.4) == pytest.approx(rpm, rel=0.003)


@given(st.floats(1, 500), st.floats(0.1, 500))
def test_speed_and_surface_speed_undo_each_other(surface: float, diameter: float) -> None:
    rpm = laws.spindle_rpm(surface, diameter)
    assert laws.surface_m_min(rpm, diameter) == pytest.approx(surface)


@pytest.mark.parametrize(("feed", "radius"), [(0.1, 0.4), (0.05, 0.2), (0.2, 0.8), (0.08, 1.2)])
def test_roughness_by_direct_geometry(feed: float, radius: float) -> None:
    """The profile a round tip leaves, sampled: mean distance from its mean line."""
    across = np.linspace(-feed / 2, feed / 2, 20001)
    height = radius - np.sqrt(radius**2 - across**2)
    measured = float(np.mean(np.abs(height - height.mean()))) * 1000
    assert laws.roughness_um(feed, radius) == pytest.approx(measured, rel=0.04)


def _curve(force: float, length: float, stiffness: float, ends: str) -> float:
    """Largest deflection of a beam, the equation of bending integrated numerically."""
    if ends == "free":
        slope, _ = quad(lambda x: force * (length - x) * (length - x), 0, length)
        return slope / stiffness

    def along(x: np.ndarray, y: np.ndarray) -> np.ndarray:
        return np.vstack([y[1], y[2], y[3], np.zeros_like(x)])

    half = length / 2

    # Two halves side by side, with the load as a jump of the third derivative between them.
    def both(x: np.ndarray, y: np.ndarray) -> np.ndarray:
        return np.vstack([along(x, y[:4]), along(x, y[4:])])

    def edges(a: np.ndarray, b: np.ndarray) -> np.ndarray:
        start = [a[0], a[1] if ends == "fixed" else a[2]]
        joint = [b[0] - a[4], b[1] - a[5], b[2] - a[6], a[7] - b[3] - force / stiffness]
        return np.array([*start, *joint, b[4], b[6]])

    x = np.linspace(0, half, 50)
    solved = solve_bvp(both, edges, x, np.zeros((8, 50)), tol=1e-8)
    assert solved.success
    return float(abs(solved.y[0, -1]))


@pytest.mark.parametrize(
    ("law", "ends"),
    [
        (bend.cantilever_mm, "free"),
        (bend.between_centres_mm, "held"),
        (bend.chuck_and_centre_mm, "fixed"),
    ],
)
@pytest.mark.parametrize(
    ("force", "length", "thick", "gpa"), [(30, 60, 8, 205), (120, 250, 12, 97)]
)
def test_spring_by_numerical_integration(
    law: object, ends: str, force: float, length: float, thick: float, gpa: float
) -> None:
    section = bend.second_moment_mm4(thick)
    measured = _curve(force, length, gpa * 1000 * section, ends)
    assert callable(law)
    assert law(force, length, gpa, section) == pytest.approx(measured, rel=1e-4)


def test_second_moment_by_integration() -> None:
    """y² over a circle's area."""
    radius = 4.0
    area, _ = quad(lambda y: y * y * 2 * sqrt(radius**2 - y**2), -radius, radius)
    assert bend.second_moment_mm4(2 * radius) == pytest.approx(area)


def test_kienzle_by_hand() -> None:
    """Worked by hand: kc1.1 1700, mc 0.25, f 0.16 mm at 90°, 2 mm deep, 100 m/min.

    0.16 ^ -0.25 = 1 / sqrt(sqrt(0.16)) = 1 / sqrt(0.4) = 1.58114; kc = 2687.9 N/mm²;
    chip 0.32 mm²; force 860.1 N; power 860.1 × 100 / 60 = 1433.6 W.
    """
    kc = laws.specific_n_per_mm2(1700.0, 0.25, 0.16, 1.0)
    assert kc == pytest.approx(2687.9, abs=0.1)
    force = laws.cutting_n(kc, 0.32)
    assert force == pytest.approx(860.1, abs=0.1)
    assert laws.cut_w(force, 100.0) == pytest.approx(1433.6, abs=0.1)


def test_drill_torque_by_adding_up_the_lips() -> None:
    """Each ring of each lip: kc × half the feed × its width × its radius, both lips."""
    kc, feed, diameter = 2500.0, 0.12, 8.0
    one_lip, _ = quad(lambda r: kc * feed / 2 * r, 0, diameter / 2)
    assert laws.drill_nm(kc, feed, diameter) == pytest.approx(2 * one_lip / 1000)


def test_lip_of_a_118_degree_drill() -> None:
    """The chip is measured square to the lip, which leans at 59°."""
    assert pytest.approx(0.857, abs=0.001) == LIP_SIN


@given(st.floats(0.01, 0.2), st.floats(0.05, 1.0))
def test_mean_milling_chip_by_integration(tooth: float, share: float) -> None:
    """Feed times the sine of the angle, averaged over the arc in the metal."""
    diameter = 10.0
    arc = acos(1 - 2 * share)
    total, _ = quad(lambda angle: tooth * np.sin(angle), 0, arc)
    assert mean_chip_mm(tooth, share * diameter, diameter) == pytest.approx(total / arc)


def test_milling_power_is_specific_energy_times_volume() -> None:
    """3000 N/mm² is 3 J/mm³; 10 mm³ a second of it is 30 W."""
    assert laws.milling_w(3000.0, 2.0, 5.0, 60.0) == pytest.approx(30.0)


@given(st.floats(1, 5000), st.floats(20, 3000))
def test_torque_and_power_undo_each_other(power: float, rpm: float) -> None:
    assert laws.shaft_w(laws.shaft_nm(power, rpm), rpm) == pytest.approx(power)


def test_drill_point_by_geometry() -> None:
    """(D/2) / tan(59°) is 0.300 D."""
    assert laws.point_mm(10.0, 118.0) == pytest.approx(5 / np.tan(np.radians(59)))


def test_belt_runs_at_one_speed_on_both_pulleys() -> None:
    driver, driven = 60.0, 80.0
    rpm = pulley_rpm(1000.0, driver, driven, 1.0)
    assert pi * driver * 1000 == pytest.approx(pi * driven * rpm)


def test_time_is_length_over_feed() -> None:
    assert laws.cut_s(43.0, 43.0) == pytest.approx(60.0)


@given(st.floats(1.0, 10.0), st.floats(0.0, 0.9), st.floats(0.3, 3.0), st.floats(20.0, 600.0))
def test_time_to_stop_by_kinematics(relief: float, share: float, pitch: float, rpm: float) -> None:
    """A carriage at pitch times turns a second, followed until it has crossed the gap."""
    tool = relief * share
    speed = pitch * rpm / 60
    assert stop_s(relief, tool, pitch, rpm) * speed == pytest.approx(relief - tool)
    assert stoppable_rpm(relief, tool, pitch, stop_s(relief, tool, pitch, rpm)) == pytest.approx(
        rpm
    )


@pytest.mark.parametrize(
    ("diameter", "off", "depth"), [(10, 0.5, 2.0), (6, 1.0, 0.5), (30, 2.0, 5.0)]
)
def test_tool_off_centre_by_turning_the_work(diameter: float, off: float, depth: float) -> None:
    """The tip's nearest distance to the axis, found by searching along its path of travel."""
    path = np.linspace(-diameter, 0, 400001)
    reach = np.hypot(path, off)
    touches = path[np.argmin(np.abs(reach - diameter / 2))]
    stopped = touches + depth
    assert cut_diameter_mm(diameter, off, depth, 1.0) == pytest.approx(
        2 * np.hypot(stopped, off), abs=1e-3
    )
    opened = touches - depth
    assert cut_diameter_mm(diameter, off, depth, -1.0) == pytest.approx(
        2 * np.hypot(opened, off), abs=1e-3
    )


@given(st.floats(0.1, 2.0), st.floats(0.1, 12.0))
def test_roughness_both_ways(radius: float, wanted: float) -> None:
    assert laws.roughness_um(finish_mm_per_rev(radius, wanted), radius) == pytest.approx(wanted)


@pytest.mark.parametrize(
    ("size", "pitch"),
    [
        ("M2", 0.4),
        ("M3", 0.5),
        ("M4", 0.7),
        ("M5", 0.8),
        ("M6", 1),
        ("M8", 1.25),
        ("M10", 1.5),
        ("M12", 1.75),
        ("M16", 2),
    ],
)
def test_coarse_pitches_against_a_packages_tap_drills(size: str, pitch: float) -> None:
    """ISO 261 coarse: the soft-metal tap drill of bd-warehouse is about diameter less pitch."""
    published = {row["Size"]: row for row in rows("bd-warehouse", "tap_hole_sizes.csv")}
    name = next(
        key for key in published if key.split("-")[0] == size and key.endswith(f"-{pitch:g}")
    )
    assert float(published[name]["Soft"]) == pytest.approx(
        float(size[1:]) - pitch, abs=0.16 * pitch + 0.05
    )
    reading = read_length(size)
    assert reading.pitch_mm is not None
    assert float(reading.pitch_mm) == pitch
