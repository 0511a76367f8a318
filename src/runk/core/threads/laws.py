"""Formulas of a thread: its depths, what a drill leaves of it, what it holds and what it costs."""

from __future__ import annotations

from math import pi, radians, sin, tan

from runk.core.figures import Holds, Num, law
from runk.core.sources import PRACTICE, Held, Source

HANDBOOK = Source("handbook", Held.RECALLED)
STRESS_AREA = Source("iso-898", Held.RECALLED)


@law("Mouth of a tapped hole", "{major_mm} + {pitch_mm} ÷ 10", PRACTICE)
def mouth_mm(major_mm: Num, pitch_mm: Num) -> Num:
    """A chamfer a shade over the thread: the tap starts in it and throws no burr up.

    >>> round(mouth_mm(4.1, 0.73), 2)
    4.17
    """
    return major_mm + pitch_mm / 10.0


@law("Smaller by the thread", "{major_mm} - {times} × {pitch_mm}")
def smaller_mm(major_mm: Num, times: Num, pitch_mm: Num) -> Num:
    """A diameter that is so many pitches smaller than the major: minor, effective, core.

    >>> round(smaller_mm(4.0, 1.082532, 0.7), 3)
    3.242
    """
    return major_mm - times * pitch_mm


@law("Depth of the thread", "{times} × {pitch_mm}")
def thread_depth_mm(times: Num, pitch_mm: Num) -> Num:
    """A thread's depth, from its form's share of the pitch.

    >>> round(thread_depth_mm(0.6, 0.81), 3)
    0.486
    """
    return times * pitch_mm


@law("Cut off the sharp triangle", "{crest_mm} ÷ (2 × tan({angle_deg}° ÷ 2))")
def truncation_mm(crest_mm: float, angle_deg: float) -> float:
    """How much of the sharp triangle is missing at a crest that wide.

    >>> round(truncation_mm(0.125, 60.0), 5)
    0.10825
    """
    return crest_mm / (2 * tan(radians(angle_deg) / 2))


@law(
    "Engagement",
    "({major_mm} - {drill_mm}) ÷ (2 × {working_mm}) × 100",
    HANDBOOK,
    holds=Holds(
        "the drill is smaller than the thread", lambda major_mm, drill_mm: drill_mm <= major_mm
    ),
)
def engagement_percent(major_mm: Num, drill_mm: Num, working_mm: Num) -> Num:
    """How much of the full thread a tapping drill leaves.

    Args:
        major_mm: Of the thread; ``drill_mm`` the hole.
        working_mm: Depth that counts as 100 %: 0.6495 p for 60°.

    >>> round(engagement_percent(4.0, 3.3, 0.6495 * 0.7))
    77
    """
    return 100.0 * (major_mm - drill_mm) / (2.0 * working_mm)


@law("Drill for that much", "{major_mm} - 2 × {working_mm} × {percent} ÷ 100", HANDBOOK)
def tapping_mm(major_mm: Num, working_mm: Num, percent: Num) -> Num:
    """The hole for an engagement; :func:`engagement_percent` turned round.

    >>> round(tapping_mm(4.0, 0.4547, 77.0), 2)
    3.3
    """
    return major_mm - 2.0 * working_mm * percent / 100.0


@law(
    "Ridge at the drill",
    "π × {drill_mm} × (0.5 + ({effective_mm} - {drill_mm}) × tan({angle_deg}° ÷ 2) ÷ {pitch_mm})",
)
def screw_shear_mm(
    drill_mm: float, effective_mm: float, pitch_mm: float, angle_deg: float
) -> float:
    """Area that shears off the screw for each millimetre engaged, mm² a mm.

    The ridge of the screw is so wide at the wall of the hole.

    Source: mechanics, the ridge's own width at that diameter, times its turns.

    >>> round(screw_shear_mm(3.242, 3.545, 0.7, 60.0), 2)
    7.64
    """
    wide = 0.5 + (effective_mm - drill_mm) * tan(radians(angle_deg) / 2) / pitch_mm
    return pi * drill_mm * wide


@law("Tensile stress area", "0.7854 × ({major_mm} - {times} × {pitch_mm})²", STRESS_AREA)
def stress_area_mm2(major_mm: Num, times: Num, pitch_mm: Num) -> Num:
    """Area a screw breaks over.

    Args:
        times: 0.9382 metric, 0.9743 unified, 0.9605 Whitworth form, 0.9 BA.

    >>> round(stress_area_mm2(4.0, 0.938194, 0.7), 2)
    8.78
    """
    across: Num = major_mm - times * pitch_mm
    return pi / 4.0 * across**2


@law("Depth of the hole", "{thread_mm} + {lead_mm} + {end_mm}")
def blind_mm(thread_mm: Num, lead_mm: Num, end_mm: Num) -> Num:
    """How deep the drill goes: the thread, the lead of the last tap, the point.

    >>> blind_mm(8.0, 1.4, 1.0)
    10.4
    """
    return thread_mm + lead_mm + end_mm


@law("Turns of the tap", "{thread_mm} ÷ {pitch_mm} + {lead_threads}")
def tap_turns(thread_mm: Num, pitch_mm: Num, lead_threads: Num) -> Num:
    """Turns from the first bite until the thread is full to its depth.

    >>> tap_turns(7.0, 0.7, 4.0)
    14.0
    """
    return thread_mm / pitch_mm + lead_threads


@law("Blank for the die", "{major_mm} - {share} × {pitch_mm}", PRACTICE)
def blank_mm(major_mm: Num, share: Num, pitch_mm: Num) -> Num:
    """Bar for a die: a little under size, for the thread swells.

    >>> blank_mm(3.0, 0.1, 0.5)
    2.95
    """
    return major_mm - share * pitch_mm


@law("Clean every", "{times} × {major_mm}", PRACTICE)
def clean_every_mm(times: Num, major_mm: Num) -> Num:
    """How much a die cuts between cleanings.

    >>> round(clean_every_mm(1.3, 4.7), 2)
    6.11
    """
    return times * major_mm


@law(
    "Strips inside at",
    "0.875 × π × {major_mm} × {engaged_mm} × {shear_n_per_mm2}",
    HANDBOOK,
    holds=Holds(
        "no more than twice the diameter of it is counted: the first turns carry most",
        lambda major_mm, engaged_mm: engaged_mm <= 2 * major_mm,
    ),
)
def strips_inside_n(major_mm: Num, engaged_mm: Num, shear_n_per_mm2: Num) -> Num:
    """Force that strips the thread in the metal.

    >>> round(strips_inside_n(4.0, 4.0, 200.0))
    8796
    """
    return 0.875 * pi * major_mm * engaged_mm * shear_n_per_mm2


@law("Strips the stud at", "0.75 × π × {minor_mm} × {engaged_mm} × {shear_n_per_mm2}", HANDBOOK)
def strips_outside_n(minor_mm: Num, engaged_mm: Num, shear_n_per_mm2: Num) -> Num:
    """Force that strips the thread off the stud.

    >>> round(strips_outside_n(3.242, 4.0, 250.0))
    7639
    """
    return 0.75 * pi * minor_mm * engaged_mm * shear_n_per_mm2


@law("Breaks at", "{area_mm2} × {tensile_n_per_mm2}")
def breaks_n(area_mm2: Num, tensile_n_per_mm2: Num) -> Num:
    """Force that breaks a stud.

    >>> breaks_n(8.78, 500.0)
    4390.0
    """
    return area_mm2 * tensile_n_per_mm2


@law("Load of the pressure", "{pressure_n_per_mm2} × π ÷ 4 × {seal_mm}²")
def pressure_n(pressure_n_per_mm2: Num, seal_mm: Num) -> Num:
    """Force a pressure lifts a cover with.

    >>> round(pressure_n(0.55, 40.0))
    691
    """
    return pressure_n_per_mm2 * pi / 4.0 * seal_mm**2


@law("Each stud's share", "{load_n} ÷ {count}")
def share_n(load_n: Num, count: Num) -> Num:
    """Force on each of several studs.

    >>> share_n(600.0, 6.0)
    100.0
    """
    return load_n / count


@law("Pulls each by", "{load_n} ÷ {area_mm2}")
def stress_n_per_mm2(load_n: Num, area_mm2: Num) -> Num:
    """Stress in a stud.

    >>> stress_n_per_mm2(100.0, 8.0)
    12.5
    """
    return load_n / area_mm2


@law("From stud to stud", "{circle_mm} × sin(180° ÷ {count})")
def chord_mm(circle_mm: float, count: float) -> float:
    """Straight distance between neighbours on a bolt circle.

    >>> round(chord_mm(31.0, 6.0), 2)
    15.5
    """
    return circle_mm * sin(pi / count)


@law("Torque", "{factor} × {major_mm} × {force_n} ÷ 1000", HANDBOOK)
def tighten_nm(factor: Num, major_mm: Num, force_n: Num) -> Num:
    """Torque for a pull, by the nut factor.

    Args:
        factor: About 0.2 dry, 0.15 oiled.

    >>> round(tighten_nm(0.15, 4.0, 1000.0), 2)
    0.6
    """
    return factor * major_mm * force_n / 1000.0


@law("Past snug", "{force_n} × {grip_mm} ÷ ({e_gpa} × 1000 × {area_mm2}) ÷ {pitch_mm} × 360")
def past_snug_deg(force_n: Num, grip_mm: Num, e_gpa: Num, area_mm2: Num, pitch_mm: Num) -> Num:
    """Angle a nut turns past snug to stretch its stud so far; the joint taken as solid.

    >>> round(past_snug_deg(1000.0, 10.0, 205.0, 8.78, 0.7), 1)
    2.9
    """
    return force_n * grip_mm / (e_gpa * 1000.0 * area_mm2) / pitch_mm * 360.0


@law("Nut across its flats", "{share} × {major_mm}", PRACTICE)
def nut_flats_mm(share: Num, major_mm: Num) -> Num:
    """A small nut by its thread.

    Args:
        share: Usually 1.75, :data:`ACROSS_FLATS`.

    >>> nut_flats_mm(1.75, 4.0)
    7.0
    """
    return share * major_mm
