"""Formulas of a hole: points, webs, allowances, flats, passages."""

from __future__ import annotations

from math import cos, pi, tan

from runk.core.figures import Num, law
from runk.core.sources import PRACTICE

_DEG = pi / 180.0


@law("Web of the next drill", "{diameter_mm} × {share}", PRACTICE)
def web_mm(diameter_mm: Num, share: Num) -> Num:
    """A pilot clears the web of the drill that follows: 0.15 to 0.2 of its diameter.

    >>> web_mm(10.0, 0.18)
    1.7999999999999998
    """
    return diameter_mm * share


@law("Slow", "{slowest_rpm}, the slowest there is", PRACTICE)
def slow_rpm(slowest_rpm: Num) -> Num:
    """What a tool turns at that cannot clear its chips, or has a long lead to draw in.

    >>> slow_rpm(48.0)
    48.0
    """
    return slowest_rpm


@law("Goes past by", "{lead_mm} + {over_mm}", PRACTICE)
def past_mm(lead_mm: Num, over_mm: Num) -> Num:
    """How far a reamer's end goes past where the hole is to be to size.

    >>> past_mm(1.5, 1.0)
    2.5
    """
    return lead_mm + over_mm


@law("Left to come off", "{wanted_mm} - {drill_mm}")
def leaves_mm(wanted_mm: Num, drill_mm: Num) -> Num:
    """What a drill leaves on the diameter for what comes after it.

    >>> leaves_mm(6.0, 5.9)
    0.09999999999999964
    """
    return wanted_mm - drill_mm


@law("Torque to open it", "{torque_nm} × (1 - ({from_mm} ÷ {diameter_mm})²)")
def opening_nm(torque_nm: Num, from_mm: Num, diameter_mm: Num) -> Num:
    """Torque of a drill that only opens a hole already there.

    Args:
        torque_nm: In solid metal.
        from_mm: The hole there is, 0 for none.
        diameter_mm: Of the drill.

    Source: mechanics, force along the lip times its arm, from hole to corner.

    >>> opening_nm(4.0, 5.0, 10.0)
    3.0
    """
    share: Num = 1.0 - (from_mm / diameter_mm) ** 2
    return torque_nm * share


@law("Cleans up from", "{there_mm} + 2 × {moved_mm}")
def cleans_up_mm(there_mm: Num, moved_mm: Num) -> Num:
    """Smallest bore about a new middle that takes a hole away that lies beside it.

    Args:
        there_mm: Diameter of the hole there.
        moved_mm: How far its middle lies from where it should.

    >>> cleans_up_mm(10.0, 0.5)
    11.0
    """
    return there_mm + 2 * moved_mm


@law("Flat to start on", "{cutter_mm} ÷ 2 × tan({slope_deg}°)")
def flat_depth_mm(cutter_mm: float, slope_deg: float) -> float:
    """How deep an end mill goes on a slope until it has cut a whole flat, from its centre.

    Args:
        cutter_mm: Diameter of the cutter.
        slope_deg: Of the surface, from square to the hole.

    >>> round(flat_depth_mm(6.0, 45.0), 3)
    3.0
    """
    return cutter_mm / 2 * tan(slope_deg * _DEG)


@law("From the flat", "{travel_mm} - {flat_mm}")
def from_flat_mm(travel_mm: Num, flat_mm: Num) -> Num:
    """How far a tip goes once it is touched on the flat milled for it, not on the slope.

    >>> from_flat_mm(16.8, 3.0)
    13.8
    """
    return travel_mm - flat_mm


@law("Its flutes clear", "{flutes_mm} - {diameter_mm}", PRACTICE)
def clears_mm(flutes_mm: Num, diameter_mm: Num) -> Num:
    """How deep a drill goes with a diameter of flute left outside, for its chips to get out.

    >>> clears_mm(24.0, 2.0)
    22.0
    """
    return flutes_mm - diameter_mm


@law("Passage is long", "{across_mm} ÷ cos({angle_deg}°)")
def passage_mm(across_mm: float, angle_deg: float) -> float:
    """Length of a passage drilled at an angle through so much metal.

    Args:
        across_mm: Metal, square to its face.
        angle_deg: From square to the face, under 90.

    >>> round(passage_mm(10.0, 60.0), 3)
    20.0
    """
    return across_mm / cos(angle_deg * _DEG)


@law("It comes out along by", "{across_mm} × tan({angle_deg}°)")
def along_mm(across_mm: float, angle_deg: float) -> float:
    """How far along the far face an angled passage comes out.

    >>> round(along_mm(10.0, 45.0), 3)
    10.0
    """
    return across_mm * tan(angle_deg * _DEG)


@law("Its mouth is long", "{drill_mm} ÷ cos({angle_deg}°)")
def mouth_mm(drill_mm: float, angle_deg: float) -> float:
    """Long way across the mouth of an angled passage.

    >>> round(mouth_mm(3.0, 60.0), 3)
    6.0
    """
    return drill_mm / cos(angle_deg * _DEG)


@law("Wall left", "{room_mm} - {along_mm} - {mouth_mm} ÷ 2")
def wall_mm(room_mm: float, along_mm: float, mouth_mm: float) -> float:
    """Metal left beside the mouth of an angled passage.

    Args:
        room_mm: From where the passage starts to the face it comes near to.

    >>> wall_mm(20.0, 10.0, 6.0)
    7.0
    """
    return room_mm - along_mm - mouth_mm / 2


@law("Depth of the stop", "{start_mm} + {travel_mm}")
def stop_mm(start_mm: Num, travel_mm: Num) -> Num:
    """Where the stop is set, from where the dial stood at the touch.

    >>> stop_mm(3.0, 12.0)
    15.0
    """
    return start_mm + travel_mm


@law("Tip goes", "{deep_mm} + {more_mm}")
def tip_travel_mm(deep_mm: Num, more_mm: Num) -> Num:
    """How far a drill's tip travels: the depth, and its point or what passes through.

    >>> tip_travel_mm(12.0, 1.5)
    13.5
    """
    return deep_mm + more_mm
