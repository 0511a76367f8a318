"""The units a Figure may have, told by the end of its key."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from functools import cache


class PageUnit(StrEnum):
    """What a bare number means on this page, and what lengths are shown in."""

    MM = "mm"
    INCH = "inch"


@dataclass(frozen=True, slots=True)
class Unit:
    """A unit as computed and as shown.

    Args:
        suffix: The end of every key that carries this unit.
        shown: How it is written beside the number.
        places: Decimals when shown.
        inch_scale: Multiply by this for an inch page (None: shown the same).
        inch_shown: How it is written on an inch page.
        inch_places: Decimals on an inch page.
    """

    suffix: str
    shown: str
    places: int = 0
    inch_scale: float | None = None
    inch_shown: str = ""
    inch_places: int = 0


_FINEST = 6
_UNITS = (
    Unit("m_min", "m/min", 1, 1000 / 304.8, "ft/min", 0),
    Unit("mm_per_rev", "mm/rev", 3, 1 / 25.4, "in/rev", 4),
    Unit("mm_per_min", "mm/min", 0, 1 / 25.4, "in/min", 1),
    Unit("mm_per_tooth", "mm a tooth", 3, 1 / 25.4, "in a tooth", 4),
    Unit("n_per_mm2", "N/mm²", 0),
    Unit("mpa", "N/mm²", 1),
    Unit("c", "°C", 0),
    Unit("mm2", "mm²", 3),
    Unit("mm4", "mm⁴", 0),
    Unit("mm", "mm", 2, 1 / 25.4, "in", 3),
    # Limits and what lies between them are told apart by the micrometre.
    Unit("limit_mm", "mm", 3, 1 / 25.4, "in", 4),
    Unit("rpm", "rev/min", 0),
    Unit("w", "W", 0),
    Unit("n", "N", 0),
    Unit("nm", "N·m", 2),
    Unit("s", "s", 0),
    Unit("min", "min", 0),
    Unit("um", "µm", 1),
    Unit("percent", "%", 0),
    Unit("ppm", "in a million", 0),
    Unit("ratio", "times", 2),
    Unit("gpa", "GPa", 0),
    Unit("divisions", "divisions", 0),
    Unit("thou", "thou", 1),
    Unit("inch", "in", 4),
    Unit("per_inch", "threads an inch", 2),
    Unit("g_per_cm3", "g/cm³", 2),
    Unit("cm3", "cm³", 2),
    Unit("deg", "°", 2),
    Unit("g", "g", 1),
    Unit("g_mm", "g·mm", 0),
    Unit("turns", "turns", 0),
)


@cache
def unit_of(key: str) -> Unit:
    """The unit a key ends with.

    Args:
        key: A name such as ``feed_mm_per_rev``.

    Returns:
        The longest matching unit.

    Raises:
        KeyError: If the key ends with no known unit, or with a rate nobody has declared.

    >>> unit_of("surface_speed_m_min").shown
    'm/min'
    >>> unit_of("mm").shown
    'mm'
    """
    fits = [u for u in _UNITS if key == u.suffix or key.endswith("_" + u.suffix)]
    best = max(fits, key=lambda u: len(u.suffix), default=None)
    # A rate is a unit of its own: newtons a millimetre are no millimetres.
    if best is None or f"_{key.removesuffix(best.suffix)}".endswith("_per_"):
        raise KeyError(f"{key} does not end with a unit")
    return best


def scale_on(unit: Unit, page: PageUnit, places: int | None) -> tuple[float, int]:
    """What a number is multiplied by for a page, and with how many decimals it is shown.

    >>> scale_on(unit_of("depth_mm"), PageUnit.MM, 3)
    (1.0, 3)
    """
    if page is PageUnit.INCH and unit.inch_scale is not None:
        return unit.inch_scale, unit.inch_places if places is None else places + 1
    return 1.0, unit.places if places is None else places


def show(value: float, unit: Unit, page: PageUnit = PageUnit.MM, places: int | None = None) -> str:
    """A number as people read it: rounded, no space under 10000, no unit.

    Args:
        value: In the unit's own measure.
        unit: From :func:`unit_of`.
        page: The page's unit; lengths and feeds turn to inches on an inch page.
        places: Decimals on a millimetre page, where not the unit's own.

    >>> show(0.4064, unit_of("depth_mm"))
    '0.41'
    >>> show(0.4064, unit_of("depth_mm"), PageUnit.INCH)
    '0.016'
    """
    scale, decimals = scale_on(unit, page, places)
    value *= scale
    text = f"{value:.{decimals}f}"
    if text.strip("-0."):
        return text
    # A value that would round away to nothing still has to say what it is.
    while value and decimals < _FINEST:
        decimals += 1
        text = f"{value:.{decimals}f}"
        if text.strip("-0."):
            return text
    return f"{0:.{decimals if value else places or unit.places}f}"


def unit_shown(unit: Unit, page: PageUnit) -> str:
    """The unit's word on this page."""
    return unit.inch_shown if page is PageUnit.INCH and unit.inch_scale else unit.shown
