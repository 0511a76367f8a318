"""Places on a face, and directions on it that are kept clear."""

from __future__ import annotations

import re
from dataclasses import dataclass, field, replace
from fractions import Fraction
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.kinds.length import Length, Place
from runk.core.kinds.number import Angle
from runk.core.lengths import Reading
from runk.core.lengths.show import for_page
from runk.core.refusals import Refused
from runk.core.units import PageUnit

MOST = 200
_BARE_ARE = re.compile(r"\s*\((mm|in)\)$", re.IGNORECASE)
_NAMED = re.compile(
    r"^([A-Za-z][A-Za-z0-9]{0,11})\s*[:=]?\s+(?=[-+.\d#])|^([A-Za-z]\d{0,3})\s*:\s*"
)
_AXES = re.compile(r"^[xy]\s*[:=]?\s*", re.IGNORECASE)
_PAIR = re.compile(r"\s*,\s+|\s*,(?=[-+.\d])|\s+(?:by|x|×)\s+", re.IGNORECASE)
_NEXT = re.compile(r"[;\n]|\)\s*,?\s*\(|\s(?:to|and)\s", re.IGNORECASE)
_NO_NAME = frozenset({"x", "y", "no", "letter", "number"})


@dataclass(frozen=True, slots=True)
class Spot:
    """A place on a face, in millimetres from its nought.

    Args:
        x: Along, to the right.
        y: Up, away from the person.
        name: As it was called; empty where it was not.
    """

    x: Fraction
    y: Fraction
    name: str = ""

    @property
    def mm(self) -> tuple[float, float]:
        """Both."""
        return float(self.x), float(self.y)


@dataclass(frozen=True)
class OfSpots(Kind):
    """Places on a face, each along and up, parted by semicolons or lines.

    Args:
        most: How many it takes.

    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> read = OfSpots("places").read("10, 5; inlet -20 mm, 1/2in", here).value
    >>> [(spot.name, spot.mm) for spot in read]
    [('', (10.0, 5.0)), ('inlet', (-20.0, 12.7))]
    """

    most: int = MOST

    name: ClassVar[str] = "spots"
    widget: ClassVar[str] = "list"
    numbered: ClassVar[bool] = False
    in_page_unit: ClassVar[bool] = True
    reach: ClassVar[int] = 1900
    low: float | None = field(default=-2000.0, kw_only=True)
    high: float | None = field(default=2000.0, kw_only=True)

    def read(self, raw: Any, told: Told) -> Taken:
        typed = as_typed(raw).replace("−", "-").replace("–", "-").strip()
        if unit := _BARE_ARE.search(typed):
            told = replace(told, page=PageUnit.MM if unit[1].lower() == "mm" else PageUnit.INCH)
            typed = typed[: unit.start()]
        parts = [p.strip(" ,()") for p in _NEXT.split(typed) if p.strip(" ,()")]
        if not parts:
            raise Refused(self.missing(), suggest=self.placeholder or None)
        if len(parts) > self.most:
            raise Refused(f"{len(parts)} places are too many here: {self.most} at most.")
        return Taken(tuple(self._spot(part, told) for part in parts))

    def _spot(self, part: str, told: Told) -> Spot:
        named = _NAMED.match(part)
        called = (named[1] or named[2]) if named else ""
        if named and called.lower() not in _NO_NAME:
            part = part[named.end() :]
        else:
            called = ""
        sizes = [s for s in _PAIR.split(part) if s]
        if len(sizes) != 2:
            # 10 5, or 10 mm 5 mm: hardly anything between.
            sizes = re.split(r"(?<=[\dm\"n])\s+(?=[-+.\dxy])", part, maxsplit=1)
        if len(sizes) != 2:
            raise Refused(
                f"`{part[:40]}` is no place: how far along, a comma, how far up.",
                suggest=self.placeholder or "10, 5",
            )
        unit_last = re.search(r"\d ?(mm|in|\")$", sizes[1])
        if unit_last and re.fullmatch(r"[^a-z\"/]*\d", sizes[0]):
            # 9, 16 mm: the unit is of both.
            sizes[0] = f"{sizes[0]} {unit_last[1]}"
        place = Place(self.label, low=self.low, high=self.high)
        x, y = (place.read(_AXES.sub("", size.strip()), told).value for size in sizes)
        return Spot(x, y, called)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        def one(spot: Spot) -> str:
            at = f"{for_page(spot.x, told.page)}, {for_page(spot.y, told.page)}"
            return f"{spot.name} {at}" if spot.name else at

        return "; ".join(map(one, value))


@dataclass(frozen=True, slots=True)
class Bearing:
    """A direction from a centre that is kept clear.

    Args:
        name: What lies there.
        deg: From the right, anticlockwise.
        wide: Of what lies there; 0 where only its middle line is known.
    """

    name: str
    deg: float
    wide: Fraction


_WIDE = re.compile(r"^(.*?\d°?)(?:\s*(?:degrees|deg|°))?(?:\s*[x×]\s*|\s+)(.*?\d.*?)(?:\s+wide)?$")


@dataclass(frozen=True)
class OfBearings(Kind):
    """Directions kept clear, each a name, its degrees and how wide it is.

    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> read = OfBearings("kept clear").read("port 45 x 6; passage 190°", here).value
    >>> [(b.name, b.deg, float(b.wide)) for b in read]
    [('port', 45.0, 6.0), ('passage', 190.0, 0.0)]
    """

    most: int = 24

    name: ClassVar[str] = "bearings"
    widget: ClassVar[str] = "list"
    numbered: ClassVar[bool] = False
    in_page_unit: ClassVar[bool] = True
    reach: ClassVar[int] = 400

    def read(self, raw: Any, told: Told) -> Taken:
        parts = [p.strip() for p in re.split(r"[;\n]|,\s| and ", as_typed(raw)) if p.strip(" ,")]
        if not parts or len(parts) > self.most:
            raise Refused(f"One direction to {self.most}, each in degrees.", suggest="port 45 x 6")
        return Taken(tuple(self._bearing(part, told) for part in parts))

    def _bearing(self, part: str, told: Told) -> Bearing:
        named = re.match(r"^([A-Za-z][A-Za-z ]{0,19}?)\s*[:=]?\s*(?:at )?(?=[-+.\d])", part)
        rest = part[named.end() :] if named else part
        wide = Fraction(0)
        if across := _WIDE.match(rest):
            rest = across[1]
            size = Length("width", low=0.05, high=500.0).read(across[2], told)
            wide = size.value
        angle = Angle("direction", signed=True, low=-360.0, high=360.0)
        return Bearing((named[1].strip() if named else "port"), angle.read(rest, told).value, wide)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        def one(bearing: Bearing) -> str:
            wide = f" x {for_page(bearing.wide, told.page)}" if bearing.wide else ""
            return f"{bearing.name} {bearing.deg:g}°{wide}"

        return "; ".join(map(one, value))
