"""Grooves for O-rings: how deep and how wide, by the section of the ring."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from itertools import pairwise
from math import pi

from runk.core.figures import Holds, Num, law
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import Held, Source, read_table

_LOOSE = 1.25
"""A section so many times outside the table is none it speaks of."""
_PLACES = (
    "moving_low_mm",
    "moving_high_mm",
    "still_low_mm",
    "still_high_mm",
    "wide_low_mm",
    "wide_high_mm",
    "clear_mm",
    "corner_mm",
)


@dataclass(frozen=True, slots=True)
class Gland:
    """A groove by the table.

    Args:
        section_mm: Thickness of the ring.
        moving: Shallowest and deepest where one part slides; ``still`` where neither does.
        wide: Narrowest and widest.
        clear_mm: Between the two parts, on diameter, at most.
        corner_mm: Radius in its corners.
        source: Who says so.
    """

    section_mm: float
    moving: tuple[float, float]
    still: tuple[float, float]
    wide: tuple[float, float]
    clear_mm: float
    corner_mm: float
    source: Source


@cache
def _rows() -> tuple[Gland, ...]:
    found = []
    for row in read_table("oring_glands"):
        n = {name: float(row[name]) for name in ("section_mm", *_PLACES)}
        found.append(
            Gland(
                n["section_mm"],
                (n["moving_low_mm"], n["moving_high_mm"]),
                (n["still_low_mm"], n["still_high_mm"]),
                (n["wide_low_mm"], n["wide_high_mm"]),
                n["clear_mm"],
                n["corner_mm"],
                Source(row["authority"], Held(row["held"])),
            )
        )
    return tuple(found)


def sections() -> tuple[float, ...]:
    """Every section of the table, in millimetres."""
    return tuple(row.section_mm for row in _rows())


def gland_for(section_mm: float) -> Gland:
    """The groove of a section; between two of the table, in a line.

    Raises:
        Refused: A section far outside the table.

    >>> gland_for(1.78).moving
    (1.4, 1.45)
    >>> round(gland_for(2.0).moving[0], 2)
    1.62
    """
    rows = _rows()
    first, last = rows[0], rows[-1]
    if not first.section_mm / _LOOSE <= section_mm <= last.section_mm * _LOOSE:
        raise Refused(
            f"O-rings are made from {mm_said(first.section_mm)} to {mm_said(last.section_mm)} "
            "thick; grooves of others are the maker's own.",
            field="section",
            suggest="1.78 mm",
        )
    pair = next(
        (p for p in pairwise(rows) if p[0].section_mm <= section_mm <= p[1].section_mm),
        (rows[0], rows[1]) if section_mm < first.section_mm else (rows[-2], rows[-1]),
    )
    low, high = pair
    share = (section_mm - low.section_mm) / (high.section_mm - low.section_mm)

    def between(a: float, b: float) -> float:
        return a + (b - a) * share

    def both(a: tuple[float, float], b: tuple[float, float]) -> tuple[float, float]:
        return between(a[0], b[0]), between(a[1], b[1])

    return Gland(
        section_mm,
        both(low.moving, high.moving),
        both(low.still, high.still),
        both(low.wide, high.wide),
        between(low.clear_mm, high.clear_mm),
        between(low.corner_mm, high.corner_mm),
        low.source,
    )


@law("Floor of the groove in a piston", "{bore_mm} - 2 × {deep_mm}")
def floor_piston_mm(bore_mm: Num, deep_mm: Num) -> Num:
    """Diameter a groove is turned to, its depth counted from the wall of the bore.

    >>> floor_piston_mm(22.0, 1.5)
    19.0
    """
    return bore_mm - 2.0 * deep_mm


@law("Floor of the groove round a rod", "{rod_mm} + 2 × {deep_mm}")
def floor_rod_mm(rod_mm: Num, deep_mm: Num) -> Num:
    """Diameter a groove is bored to, its depth counted from the rod.

    >>> floor_rod_mm(4.0, 1.5)
    7.0
    """
    return rod_mm + 2.0 * deep_mm


@law(
    "Squeezed by",
    "(1 - {deep_mm} ÷ {section_mm}) × 100",
    holds=Holds(
        "the groove is shallower than the ring is thick",
        lambda deep_mm, section_mm: deep_mm < section_mm,
    ),
)
def squeeze_percent(deep_mm: Num, section_mm: Num) -> Num:
    """How much thinner a ring is in its groove.

    >>> squeeze_percent(1.5, 2.0)
    25.0
    """
    return (1.0 - deep_mm / section_mm) * 100.0


@law("Fills the groove to", "π ÷ 4 × {section_mm}² ÷ ({deep_mm} × {wide_mm}) × 100")
def fill_percent(section_mm: Num, deep_mm: Num, wide_mm: Num) -> Num:
    """Rubber gives but does not shrink: a groove that is full bursts the ring.

    >>> round(fill_percent(1.78, 1.4, 2.4), 1)
    74.1
    """
    return pi / 4.0 * section_mm**2 / (deep_mm * wide_mm) * 100.0


@law("Ring to ask for, inside", "{floor_mm} ÷ {stretch}")
def ring_id_mm(floor_mm: Num, stretch: Num) -> Num:
    """Inside of a ring that is stretched a little onto its floor.

    >>> ring_id_mm(20.0, 1.25)
    16.0
    """
    return floor_mm / stretch
