"""How far the effective diameter of a screw may lie under its basic size, by the usual classes."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from runk.core.figures import Figure, Holds, Working, law
from runk.core.sources import PRACTICE, Held, Source
from runk.core.threads.series import Thread

_ISO = Source("iso-965", Held.RECALLED)
_UNIFIED = Source("asme-b1-1", Held.RECALLED)
_WHITWORTH = Source("bs-84", Held.RECALLED)
_BA = Source("bs-93", Held.RECALLED)
_R40 = (0.25, 0.315, 0.4, 0.5, 0.63, 0.8, 1.0, 1.25, 1.6, 2.0, 2.5, 3.15, 4.0)


class Grade(StrEnum):
    """How closely a screw is made."""

    CLOSE = "close"
    MEDIUM = "medium"
    FREE = "free"


@dataclass(frozen=True, slots=True)
class Room:
    """Limits of an effective diameter.

    Args:
        name: Of the class: ``6g``, ``2A``, ``medium``.
        low: Smallest; ``high`` largest.
        source: Who says so.
    """

    name: str
    low: Figure
    high: Figure
    source: Source


@law(
    "Tolerance of the effective diameter",
    "90 × {pitch_mm}^0.4 × {diameter_mm}^0.1 × {grade}",
    _ISO,
    holds=Holds(
        "it is 1 to 355 mm, of 0.2 to 8 mm pitch",
        lambda pitch_mm, diameter_mm: 0.2 <= pitch_mm <= 8 and 1 <= diameter_mm <= 355,
    ),
)
def iso_tolerance_um(pitch_mm: float, diameter_mm: float, grade: float) -> float:
    """Of a metric screw; the diameter is the geometric mean of its range.

    Args:
        pitch_mm: 0.2 to 8.
        diameter_mm: Geometric mean of the range of diameters, as the standard has it.
        grade: 1 for grade 6, 0.63 for 4, 1.6 for 8.

    >>> round(iso_tolerance_um(1.0, 7.924, 1.0))
    111
    """
    return float(90.0 * pitch_mm**0.4 * diameter_mm**0.1 * grade)


@law("Under the basic size", "15 + 11 × {pitch_mm}", _ISO)
def iso_allowance_um(pitch_mm: float) -> float:
    """Deviation g of a metric screw.

    >>> iso_allowance_um(1.0)
    26.0
    """
    return 15.0 + 11.0 * pitch_mm


@law(
    "Tolerance of the effective diameter",
    "(0.0015 × {major_inch}^(1/3) + 0.0015 × √{engaged_inch} + 0.015 × {pitch_inch}^(2/3))"
    " × {times}",
    _UNIFIED,
)
def unified_tolerance_inch(
    major_inch: float, engaged_inch: float, pitch_inch: float, times: float
) -> float:
    """Of a unified screw.

    Args:
        major_inch: Basic major diameter.
        engaged_inch: Length of engagement: one diameter.
        pitch_inch: Pitch.
        times: 1 for class 2A, 0.75 for 3A, 1.5 for 1A.

    >>> round(unified_tolerance_inch(0.5, 0.5, 1 / 13, 1.0), 4)
    0.005
    """
    return float(
        (
            0.0015 * major_inch ** (1 / 3)
            + 0.0015 * engaged_inch**0.5
            + 0.015 * pitch_inch ** (2 / 3)
        )
        * times
    )


@law(
    "Tolerance of the effective diameter",
    "(0.002 × {major_inch}^(1/3) + 0.003 × √{engaged_inch} + 0.005 × √{pitch_inch}) × {times}",
    _WHITWORTH,
)
def whitworth_tolerance_inch(
    major_inch: float, engaged_inch: float, pitch_inch: float, times: float
) -> float:
    """Of a bolt of Whitworth form.

    Args:
        major_inch: Major diameter.
        engaged_inch: Length of engagement: one diameter.
        pitch_inch: Pitch.
        times: 2/3 for close, 1 for medium, 3/2 for free bolts.

    >>> round(whitworth_tolerance_inch(0.5, 0.5, 1 / 12, 1.0), 4)
    0.0052
    """
    return float(
        (0.002 * major_inch ** (1 / 3) + 0.003 * engaged_inch**0.5 + 0.005 * pitch_inch**0.5)
        * times
    )


@law("Tolerance of the effective diameter", "(0.08 × {pitch_mm} + 0.02) × {times}", _BA)
def ba_tolerance_mm(pitch_mm: float, times: float) -> float:
    """Of a British Association screw.

    Args:
        pitch_mm: Pitch.
        times: 1 for the normal class, 0.6 for close, 1.5 for free.

    >>> round(ba_tolerance_mm(1.0, 1.0), 3)
    0.1
    """
    return (0.08 * pitch_mm + 0.02) * times


@law("Largest", "{effective_mm} - {under_mm}")
def largest_limit_mm(effective_mm: float, under_mm: float) -> float:
    """Largest effective diameter.

    >>> largest_limit_mm(5.0, 0.25)
    4.75
    """
    return effective_mm - under_mm


@law("Smallest", "{largest_mm} - {tolerance_mm}")
def smallest_limit_mm(largest_mm: float, tolerance_mm: float) -> float:
    """Smallest effective diameter.

    >>> smallest_limit_mm(5.0, 0.25)
    4.75
    """
    return largest_mm - tolerance_mm


_RANGES = (0.99, 1.4, 2.8, 5.6, 11.2, 22.4, 45.0, 90.0, 180.0)


def mean_mm(diameter_mm: float) -> float:
    """Geometric mean of the standard's range a diameter lies in.

    >>> round(mean_mm(6.0), 3)
    7.92
    """
    at = next((n for n, edge in enumerate(_RANGES[1:], 1) if diameter_mm <= edge), len(_RANGES) - 1)
    return float((_RANGES[at - 1] * _RANGES[at]) ** 0.5)


def room_for(w: Working, thread: Thread, effective_mm: float, grade: Grade) -> Room:
    """Limits of the effective diameter of a screw.

    Args:
        thread: Which; a special is judged by its form.
        effective_mm: Basic effective diameter.
        grade: How closely it is made.
    """
    since, key = len(w.steps), thread.form.key
    major, pitch = thread.major_mm, thread.pitch_mm
    under = 0.0
    if key == "iso":
        names = {Grade.CLOSE: ("4h", 0.63), Grade.MEDIUM: ("6g", 1.0), Grade.FREE: ("8g", 1.6)}
        name, times = names[grade]
        wide = w(iso_tolerance_um, pitch_mm=pitch, diameter_mm=mean_mm(major), grade=times) / 1000
        under = 0.0 if grade is Grade.CLOSE else w(iso_allowance_um, pitch_mm=pitch) / 1000
        source = _ISO
    elif key == "unified":
        names = {Grade.CLOSE: ("3A", 0.75), Grade.MEDIUM: ("2A", 1.0), Grade.FREE: ("1A", 1.5)}
        name, times = names[grade]
        inches = (major / 25.4, major / 25.4, pitch / 25.4)
        wide = 25.4 * w(
            unified_tolerance_inch,
            major_inch=inches[0],
            engaged_inch=inches[1],
            pitch_inch=inches[2],
            times=times,
        )
        # The allowance is three tenths of class 2A's tolerance, of 3A none.
        under = 0.0 if grade is Grade.CLOSE else 0.3 * 25.4 * unified_tolerance_inch(*inches, 1.0)
        source = _UNIFIED
    elif key == "whitworth":
        shares = {Grade.CLOSE: 2 / 3, Grade.MEDIUM: 1.0, Grade.FREE: 1.5}
        name = str(grade)
        wide = 25.4 * w(
            whitworth_tolerance_inch,
            major_inch=major / 25.4,
            engaged_inch=major / 25.4,
            pitch_inch=pitch / 25.4,
            times=shares[grade],
        )
        source = _WHITWORTH
    else:
        shares = {Grade.CLOSE: 0.6, Grade.MEDIUM: 1.0, Grade.FREE: 1.5}
        name = {Grade.MEDIUM: "normal"}.get(grade, str(grade))
        wide = w(ba_tolerance_mm, pitch_mm=pitch, times=shares[grade], source=PRACTICE)
        under = 0.0 if grade is Grade.CLOSE else 0.025
        source = PRACTICE
    high = w.of(largest_limit_mm, "high_mm", since=since, effective_mm=effective_mm, under_mm=under)
    low = w.of(smallest_limit_mm, "low_mm", since=since, largest_mm=high.value, tolerance_mm=wide)
    return Room(name, low, high, source)
