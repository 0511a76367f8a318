"""A point: along, deep; or along, across, deep."""

from __future__ import annotations

import re
from dataclasses import dataclass, field
from fractions import Fraction
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.kinds.length import Place
from runk.core.lengths import Reading
from runk.core.lengths.show import for_page
from runk.core.refusals import Refused
from runk.core.units import PageUnit

_BETWEEN = re.compile(r"\s*;\s*|,\s+|\s+(?:and|by)\s+")
_NAMES = re.compile(r"^(?:[xyz]|along|across|deep|down)\s*[:=]?\s*", re.IGNORECASE)
_BARE_ARE = re.compile(r"\s*\((mm|in)\)$", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class Point:
    """A point, in millimetres.

    Args:
        along: Along the face.
        across: Across it; nought where the work is drawn flat.
        deep: Square to it.
        flat: Whether only along and deep were told.
    """

    along: Fraction
    across: Fraction
    deep: Fraction
    flat: bool

    @property
    def mm(self) -> tuple[float, float, float]:
        """All three."""
        return float(self.along), float(self.across), float(self.deep)


@dataclass(frozen=True)
class OfPoint(Kind):
    """Two or three places: along and deep, or along, across and deep.

    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> OfPoint("start").read("-3.5, 12", here).value.mm
    (-3.5, 0.0, 12.0)
    >>> OfPoint("start").read("1 2 1/2in", here).value.mm
    (25.4, 50.8, 12.7)
    """

    name: ClassVar[str] = "point"
    numbered: ClassVar[bool] = False
    in_page_unit: ClassVar[bool] = True
    step: ClassVar[str] = r"(?:[-+\d.,/;\"() ]|mm|in\b)"
    low: float | None = field(default=-2000.0, kw_only=True)
    high: float | None = field(default=2000.0, kw_only=True)

    def read(self, raw: Any, told: Told) -> Taken:
        typed = " ".join(as_typed(raw).replace("−", "-").replace("–", "-").split())
        page = told.page
        if unit := _BARE_ARE.search(typed):
            page = PageUnit.MM if unit[1].lower() == "mm" else PageUnit.INCH
            typed = typed[: unit.start()]
        parts = [p for p in _BETWEEN.split(typed.strip("()")) if p]
        if len(parts) == 1:
            # 0,12,5 and 0 12 5: three numbers with hardly anything between.
            parts = re.split(r",|\s(?=[-+.\d])", typed.strip("()"))
        if len(parts) not in (2, 3):
            raise Refused(
                f"`{typed[:40]}` is no point: along and deep, or along, across and deep.",
                suggest="0, 12",
            )
        unit_last = re.search(r"\d ?(mm|in|\")$", parts[-1])
        if unit_last and all(re.fullmatch(r"[^a-z\"/]*\d", part) for part in parts[:-1]):
            # 9, 16 mm: the unit is of both.
            parts[:-1] = [f"{part} {unit_last[1]}" for part in parts[:-1]]
        place = Place(self.label, low=self.low, high=self.high)
        here = Told(page, told.workshop, told.chosen)
        sizes = [place.read(_NAMES.sub("", part.strip()), here).value for part in parts]
        flat = len(sizes) == 2
        along, across, deep = (sizes[0], Fraction(0), sizes[1]) if flat else sizes
        return Taken(Point(along, across, deep, flat))

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        told_of = (
            (value.along, value.deep) if value.flat else (value.along, value.across, value.deep)
        )
        return ", ".join(for_page(mm, told.page) for mm in told_of)
