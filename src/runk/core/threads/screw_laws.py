"""Cutting a thread with a single point: how deep, which way in, in which passes."""

from __future__ import annotations

from math import cos, radians, sin, sqrt, tan

from runk.core.figures import law
from runk.core.sources import PRACTICE, Held, Source

HANDBOOK = Source("handbook", Held.RECALLED)


@law("Sharp from crest to root", "{pitch_mm} ÷ (2 × tan({angle_deg}° ÷ 2)) - {truncation_mm}")
def sharp_mm(pitch_mm: float, angle_deg: float, truncation_mm: float) -> float:
    """Depth a perfectly sharp tool would go to, from the finished crest.

    Args:
        pitch_mm: Of the thread.
        angle_deg: Between its flanks.
        truncation_mm: What is missing of the sharp crest.

    >>> round(sharp_mm(1.0, 60.0, 0.866025 / 8), 4)
    0.7578
    """
    return pitch_mm / (2.0 * tan(radians(angle_deg) / 2.0)) - truncation_mm


@law("A flat on the tip takes off", "{flat_mm} ÷ (2 × tan({angle_deg}° ÷ 2))")
def flat_mm(flat_mm: float, angle_deg: float) -> float:
    """How much less deep a tool with a flat goes for the same flanks.

    >>> round(flat_mm(0.125, 60.0), 5)
    0.10825
    """
    return flat_mm / (2.0 * tan(radians(angle_deg) / 2.0))


@law("A round tip takes off", "{radius_mm} × (1 ÷ sin({angle_deg}° ÷ 2) - 1)")
def round_mm(radius_mm: float, angle_deg: float) -> float:
    """How much less deep a tool with a round tip goes for the same flanks.

    >>> round(round_mm(0.144338, 60.0), 4)
    0.1443
    """
    return radius_mm * (1.0 / sin(radians(angle_deg) / 2.0) - 1.0)


@law("Depth of the thread", "{sharp_mm} - {off_mm}")
def depth_mm(sharp_mm: float, off_mm: float) -> float:
    """How deep the tool goes, on the radius.

    >>> depth_mm(0.75, 0.125)
    0.625
    """
    return sharp_mm - off_mm


@law("Top slide set over by", "{angle_deg} ÷ 2 - {less_deg}", PRACTICE)
def set_over_deg(angle_deg: float, less_deg: float) -> float:
    """From the cross-slide's direction: a little under half the angle, so that both flanks are cut.

    >>> set_over_deg(60.0, 0.5)
    29.5
    """
    return angle_deg / 2.0 - less_deg


@law("Along the top slide", "{depth_mm} ÷ cos({angle_deg}°)")
def slide_mm(depth_mm: float, angle_deg: float) -> float:
    """Travel of a top slide set over from the cross-slide's direction.

    >>> round(slide_mm(1.0, 29.5), 4)
    1.149
    """
    return depth_mm / cos(radians(angle_deg))


@law("In to, after that pass", "{travel_mm} × √({pass_number} ÷ {passes})", HANDBOOK)
def stands_mm(travel_mm: float, pass_number: float, passes: float) -> float:
    """How far in a pass of equal chip area ends.

    >>> stands_mm(1.0, 1.0, 4.0)
    0.5
    """
    return travel_mm * sqrt(pass_number / passes)


@law("Relief groove", "{times} × {pitch_mm}", PRACTICE)
def relief_mm(times: float, pitch_mm: float) -> float:
    """Width of a groove that a hand stops in.

    >>> relief_mm(2.5, 1.0)
    2.5
    """
    return times * pitch_mm


@law("One pass", "60 × {long_mm} ÷ ({lead_mm} × {speed_rpm})")
def pass_s(long_mm: float, lead_mm: float, speed_rpm: float) -> float:
    """Seconds a pass along a thread takes.

    >>> pass_s(20.0, 1.5, 80.0)
    10.0
    """
    return 60.0 * long_mm / (lead_mm * speed_rpm)
