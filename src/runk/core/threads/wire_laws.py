"""Three wires in a thread: which are best, what is read over them, what that says of the thread."""

from __future__ import annotations

from math import cos, radians, sin, tan

from runk.core.figures import Holds, law
from runk.core.sources import Held, Source

HANDBOOK = Source("handbook", Held.RECALLED)


@law("Best wire", "{pitch_mm} ÷ (2 × cos({angle_deg}° ÷ 2))")
def best_wire_mm(pitch_mm: float, angle_deg: float) -> float:
    """Wire that touches both flanks on the effective diameter.

    Args:
        pitch_mm: Of the thread.
        angle_deg: Between its flanks, 30 to 90.

    >>> round(best_wire_mm(25.4 / 13, 60.0) / 25.4, 4)
    0.0444
    """
    return pitch_mm / (2.0 * cos(radians(angle_deg) / 2.0))


@law(
    "Over the wires",
    "{effective_mm} + {wire_mm} × (1 + 1 ÷ sin({angle_deg}° ÷ 2))"
    " - {pitch_mm} ÷ (2 × tan({angle_deg}° ÷ 2))",
    HANDBOOK,
    holds=Holds(
        "the wire touches the flanks: half to one pitch and a tenth",
        lambda wire_mm, pitch_mm: 0.45 * pitch_mm <= wire_mm <= 1.1 * pitch_mm,
    ),
)
def over_wires_limit_mm(
    effective_mm: float, wire_mm: float, angle_deg: float, pitch_mm: float
) -> float:
    """What a micrometer reads over three wires; the helix is left out, as it is in handbooks.

    >>> e = 25.4 * (0.5 - 0.649519 / 13)
    >>> round(over_wires_limit_mm(e, best_wire_mm(25.4 / 13, 60.0), 60.0, 25.4 / 13) / 25.4, 4)
    0.5167
    """
    half = radians(angle_deg) / 2.0
    return effective_mm + wire_mm * (1.0 + 1.0 / sin(half)) - pitch_mm / (2.0 * tan(half))


@law(
    "Effective diameter",
    "{over_mm} - {wire_mm} × (1 + 1 ÷ sin({angle_deg}° ÷ 2))"
    " + {pitch_mm} ÷ (2 × tan({angle_deg}° ÷ 2))",
    HANDBOOK,
    holds=Holds(
        "the wire touches the flanks: half to one pitch and a tenth",
        lambda wire_mm, pitch_mm: 0.45 * pitch_mm <= wire_mm <= 1.1 * pitch_mm,
    ),
)
def effective_limit_mm(over_mm: float, wire_mm: float, angle_deg: float, pitch_mm: float) -> float:
    """Effective diameter of a thread that reads so much over its wires.

    >>> round(effective_limit_mm(0.5167 * 25.4, 0.0444 * 25.4, 60.0, 25.4 / 13) / 25.4, 3)
    0.45
    """
    half = radians(angle_deg) / 2.0
    return over_mm - wire_mm * (1.0 + 1.0 / sin(half)) + pitch_mm / (2.0 * tan(half))


@law("Left on the diameter", "{effective_mm} - ({low_mm} + {high_mm}) ÷ 2")
def left_limit_mm(effective_mm: float, low_mm: float, high_mm: float) -> float:
    """What is still to come off until a thread lies in the middle of its limits.

    >>> left_limit_mm(9.5, 8.75, 9.25)
    0.5
    """
    return effective_mm - (low_mm + high_mm) / 2.0


@law("Thinnest that stands above the crests", "({depth_mm} + {below_mm}) × 2 ÷ (1 + 1 ÷ {sine})")
def thinnest_wire_mm(depth_mm: float, below_mm: float, sine: float) -> float:
    """Wire whose top is level with the crests: any thinner is never touched by the micrometer.

    Args:
        depth_mm: From the effective line up to the crest, on the radius.
        below_mm: From there down to the sharp root of the flanks.
        sine: Of half the angle.

    >>> round(thinnest_wire_mm(0.25, 0.75, 0.5), 4)
    0.6667
    """
    return (depth_mm + below_mm) * 2.0 / (1.0 + 1.0 / sine)


@law("Thickest that touches the flanks", "2 × {flank_mm} × tan({angle_deg}° ÷ 2)")
def thickest_wire_mm(flank_mm: float, angle_deg: float) -> float:
    """Wire that touches the flanks where they end at the crest.

    Args:
        flank_mm: From the sharp root up the middle line to the crest's edge, along the flank.
        angle_deg: Between the flanks.

    >>> round(thickest_wire_mm(1.0, 60.0), 4)
    1.1547
    """
    return 2.0 * flank_mm * tan(radians(angle_deg) / 2.0)
