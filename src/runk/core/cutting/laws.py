"""The formulas of a cut. Each takes floats or arrays and stays in one unit system."""

from __future__ import annotations

from math import pi, tan

from runk.core.figures import Holds, Num, law
from runk.core.sources import PRACTICE, Held, Source

KIENZLE = Source("kienzle", Held.RECALLED)


@law("Surface speed wanted", "{base_m_min} × {factor}", PRACTICE)
def wanted_m_min(base_m_min: Num, factor: Num) -> Num:
    """Surface speed for this operation and set-up.

    Args:
        base_m_min: Turning speed of the metal, m/min.
        factor: One condition's share, or several multiplied.

    >>> wanted_m_min(70.0, 0.8)
    56.0
    """
    return base_m_min * factor


@law("Spindle speed", "1000 × {surface_m_min} ÷ (π × {diameter_mm})")
def spindle_rpm(surface_m_min: Num, diameter_mm: Num) -> Num:
    """Spindle speed for a surface speed.

    Args:
        surface_m_min: Surface speed, m/min, over 0.
        diameter_mm: Of the work, bore or tool, whichever the edge runs round, over 0.

    Returns:
        Revolutions a minute.

    Source: mechanics, circumference times turns.

    >>> round(spindle_rpm(56.0, 15.875))
    1123
    """
    return 1000.0 * surface_m_min / (pi * diameter_mm)


@law("Surface speed there", "π × {diameter_mm} × {speed_rpm} ÷ 1000")
def surface_m_min(speed_rpm: Num, diameter_mm: Num) -> Num:
    """Surface speed at a spindle speed, in m/min.

    >>> round(surface_m_min(860.0, 15.875), 1)
    42.9
    """
    return pi * diameter_mm * speed_rpm / 1000.0


@law("Off the target", "({speed_rpm} ÷ {target_rpm} - 1) × 100")
def off_percent(speed_rpm: Num, target_rpm: Num) -> Num:
    """How far a speed is from the one wanted, in percent; over is positive.

    >>> off_percent(90.0, 100.0)
    -10.0
    """
    return 100.0 * (speed_rpm - target_rpm) / target_rpm


@law("Feed a minute", "{speed_rpm} × {feed_mm_per_rev}")
def feed_mm_per_min(speed_rpm: Num, feed_mm_per_rev: Num) -> Num:
    """Feed a minute from feed a turn.

    >>> feed_mm_per_min(860.0, 0.05)
    43.0
    """
    return speed_rpm * feed_mm_per_rev


@law("Feed a turn", "{chip_mm_per_tooth} × {teeth} teeth")
def tooth_mm_per_rev(chip_mm_per_tooth: Num, teeth: Num) -> Num:
    """Feed a turn of a cutter with several teeth.

    >>> tooth_mm_per_rev(0.02, 4.0)
    0.08
    """
    return chip_mm_per_tooth * teeth


@law(
    "Ideal roughness Ra",
    "{feed_mm_per_rev}² ÷ (32 × {tip_radius_mm}) × 1000",
    holds=Holds(
        "the feed is no more than the tip's radius",
        lambda feed_mm_per_rev, tip_radius_mm: feed_mm_per_rev <= tip_radius_mm,
    ),
)
def roughness_um(feed_mm_per_rev: Num, tip_radius_mm: Num) -> Num:
    """Roughness a round-tipped tool leaves, feed small against its radius.

    Args:
        feed_mm_per_rev: Feed a turn, well under the tip radius.
        tip_radius_mm: Radius of the tool's tip.

    Returns:
        The ideal Ra in micrometres; real surfaces are 1 to 3 times rougher.

    Source: mechanics, mean deviation of a row of shallow arcs (their exact mean is
    f²/(31.2 r); handbooks round it to 32).

    >>> round(roughness_um(0.1, 0.5), 3)
    0.625
    """
    return 1000.0 * feed_mm_per_rev**2 / (32.0 * tip_radius_mm)


@law(
    "Specific cutting force",
    "{kc11_n_per_mm2} × {chip_mm} ^ -{mc} × {edge}",
    KIENZLE,
    holds=Holds("the chip is a micrometre to 2 mm thick", lambda chip_mm: 0.001 <= chip_mm <= 2),
)
def specific_n_per_mm2(kc11_n_per_mm2: Num, mc: Num, chip_mm: Num, edge: Num) -> Num:
    """Cutting force for each square millimetre of chip.

    Args:
        kc11_n_per_mm2: Force at a chip 1 mm thick and 1 mm wide.
        mc: Exponent of the metal.
        chip_mm: Chip thickness, over 0.
        edge: 1 for sharp carbide, about 1.3 for high-speed steel at its own speeds.

    Source: Kienzle, kc = kc1.1 h^-mc.

    >>> round(specific_n_per_mm2(2000.0, 0.25, 0.1, 1.0))
    3557
    """
    scaled: Num = chip_mm**-mc
    return kc11_n_per_mm2 * scaled * edge


@law("Cutting force", "{specific_n_per_mm2} × {chip_mm2}", KIENZLE)
def cutting_n(specific_n_per_mm2: Num, chip_mm2: Num) -> Num:
    """Main cutting force on a chip of that section.

    >>> cutting_n(2000.0, 0.05)
    100.0
    """
    return specific_n_per_mm2 * chip_mm2


@law("Power of the cut", "{force_n} × {surface_m_min} ÷ 60")
def cut_w(force_n: Num, surface_m_min: Num) -> Num:
    """Power of a force moving at the surface speed.

    >>> cut_w(60.0, 40.0)
    40.0
    """
    return force_n * surface_m_min / 60.0


@law("Torque of the cut", "{force_n} × {diameter_mm} ÷ 2000")
def cut_nm(force_n: Num, diameter_mm: Num) -> Num:
    """Torque of a force at the end of the radius.

    >>> cut_nm(200.0, 50.0)
    5.0
    """
    return force_n * diameter_mm / 2000.0


@law("Torque of the drill", "{specific_n_per_mm2} × {feed_mm_per_rev} × {diameter_mm}² ÷ 8000")
def drill_nm(specific_n_per_mm2: Num, feed_mm_per_rev: Num, diameter_mm: Num) -> Num:
    """Torque of a two-lipped drill.

    Args:
        specific_n_per_mm2: At the chip thickness of one lip.
        feed_mm_per_rev: Feed a turn.
        diameter_mm: Of the drill.

    Source: mechanics, each lip's force f/2 × D/2 × kc acting at D/4.

    >>> drill_nm(2000.0, 0.1, 10.0)
    2.5
    """
    return specific_n_per_mm2 * feed_mm_per_rev * diameter_mm**2 / 8000.0


@law("Power of the torque", "2π × {torque_nm} × {speed_rpm} ÷ 60")
def shaft_w(torque_nm: Num, speed_rpm: Num) -> Num:
    """Power of a turning shaft.

    >>> round(shaft_w(9.549, 1000.0))
    1000
    """
    return 2.0 * pi * torque_nm * speed_rpm / 60.0


@law("Torque that belt gives", "60 × {power_w} ÷ (2π × {speed_rpm})")
def shaft_nm(power_w: Num, speed_rpm: Num) -> Num:
    """Torque at the spindle from the power that reaches it.

    >>> round(shaft_nm(1000.0, 1000.0), 3)
    9.549
    """
    return 60.0 * power_w / (2.0 * pi * speed_rpm)


@law("Power at the spindle", "{motor_w} × {share}", PRACTICE)
def spindle_w(motor_w: Num, share: Num) -> Num:
    """Motor power less what belts and bearings keep.

    >>> spindle_w(370.0, 0.8)
    296.0
    """
    return motor_w * share


@law("Power left at this speed", "{power_w} × {speed_rpm} ÷ {top_rpm}")
def slowed_w(power_w: Num, speed_rpm: Num, top_rpm: Num) -> Num:
    """Power of a variable-speed drive below the top of its range.

    Source: mechanics, torque taken as constant over the range.

    >>> slowed_w(500.0, 500.0, 2500.0)
    100.0
    """
    return power_w * speed_rpm / top_rpm


@law("Pushing the work aside", "{force_n} × {share}", PRACTICE)
def radial_n(force_n: Num, share: Num) -> Num:
    """The part of the cutting force that bends the work.

    >>> radial_n(100.0, 0.5)
    50.0
    """
    return force_n * share


@law(
    "Power of the milling cut",
    "{specific_n_per_mm2} × {deep_mm} × {wide_mm} × {feed_mm_per_min} ÷ 60000",
)
def milling_w(specific_n_per_mm2: Num, deep_mm: Num, wide_mm: Num, feed_mm_per_min: Num) -> Num:
    """Power to mill metal away at that rate.

    Source: mechanics, specific force times volume a second.

    >>> milling_w(3000.0, 2.0, 5.0, 100.0)
    50.0
    """
    return specific_n_per_mm2 * deep_mm * wide_mm * feed_mm_per_min / 60000.0


@law("Force at the cutter", "60 × {power_w} ÷ {surface_m_min}")
def milling_n(power_w: Num, surface_m_min: Num) -> Num:
    """Mean cutting force at the cutter's edge.

    >>> milling_n(40.0, 40.0)
    60.0
    """
    return 60.0 * power_w / surface_m_min


@law("Time", "60 × {length_mm} ÷ {feed_mm_per_min}")
def cut_s(length_mm: Num, feed_mm_per_min: Num) -> Num:
    """Seconds for one pass.

    >>> round(cut_s(40.0, 43.0), 1)
    55.8
    """
    return 60.0 * length_mm / feed_mm_per_min


@law("Point of the drill", "{diameter_mm} ÷ 2 ÷ tan({angle_deg}° ÷ 2)")
def point_mm(diameter_mm: float, angle_deg: float) -> float:
    """Length of a drill's point.

    Args:
        diameter_mm: Of the drill.
        angle_deg: Of its point: 118 or 135 as bought.

    >>> round(point_mm(10.0, 118.0), 2), round(point_mm(10.0, 135.0), 2)
    (3.0, 2.07)
    """
    return diameter_mm / 2 / tan(angle_deg / 2 * pi / 180.0)
