"""What a train of change wheels cuts, and how far that is off."""

from __future__ import annotations

from runk.core.figures import Num, law


@law("Leadscrew to spindle", "{pitch_mm} ÷ {screw_mm}")
def turns_ratio(pitch_mm: Num, screw_mm: Num) -> Num:
    """Turns of the leadscrew for one of the spindle.

    >>> turns_ratio(1.5, 3.0)
    0.5
    """
    return pitch_mm / screw_mm


@law("The train cuts", "{screw_mm} × {drivers_ratio} × {gear_ratio}")
def cuts_mm(screw_mm: Num, drivers_ratio: Num, gear_ratio: Num) -> Num:
    """Pitch that a train cuts.

    Args:
        screw_mm: Pitch of the leadscrew.
        drivers_ratio: Drivers over driven, multiplied together.
        gear_ratio: Of the gearbox; 1 where there is none.

    >>> cuts_mm(3.0, 0.5, 1.0)
    1.5
    """
    return screw_mm * drivers_ratio * gear_ratio


@law("Off by", "({cuts_mm} ÷ {pitch_mm} - 1) × 1 000 000")
def error_ppm(cuts_mm: Num, pitch_mm: Num) -> Num:
    """How far a pitch is out, in a million.

    >>> round(error_ppm(1.001, 1.0), 6)
    1000.0
    """
    return (cuts_mm / pitch_mm - 1.0) * 1e6


@law("Over the length", "{error_ppm} ÷ 1000 × {long_mm}")
def off_um(error_ppm: Num, long_mm: Num) -> Num:
    """What an error comes to over a length.

    >>> off_um(100.0, 10.0)
    1.0
    """
    return error_ppm / 1000.0 * long_mm
