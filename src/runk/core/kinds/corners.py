"""The corners of a profile, each with a radius or an arc to the next."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.kinds.length import Length
from runk.core.kinds.spots import OfSpots
from runk.core.lengths import Reading
from runk.core.lengths.show import for_page
from runk.core.refusals import Refused
from runk.core.units import PageUnit

MOST_CORNERS = 600
_ROUND = re.compile(r"\s+r\s?([\d.].*)$", re.IGNORECASE)
_BULGE = re.compile(r"\s+(?:arc|b)\s?(-?\d+(?:\.\d+)?|-?\.\d+)$", re.IGNORECASE)
_BARE_ARE = re.compile(r"\s*\((mm|in)\)$", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class Corner:
    """A corner of a profile.

    Args:
        x: Along, mm.
        y: Up, mm.
        radius: It is rounded to; 0 where it is sharp.
        bulge: Of an arc from it to the next: the tangent of a quarter of its angle, to the left
            over nought; 0 of a line.
    """

    x: Fraction
    y: Fraction
    radius: Fraction = Fraction(0)
    bulge: float = 0.0


@dataclass(frozen=True)
class OfCorners(Kind):
    """A closed profile, corner by corner.

    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> read = OfCorners("corners").read("0, 0; 40, 0 r5; 40, 20 arc 1", here).value
    >>> [(float(c.x), float(c.radius), c.bulge) for c in read]
    [(0.0, 0.0, 0.0), (40.0, 5.0, 0.0), (40.0, 0.0, 1.0)]
    """

    name: ClassVar[str] = "corners"
    widget: ClassVar[str] = "list"
    numbered: ClassVar[bool] = False
    in_page_unit: ClassVar[bool] = True
    reach: ClassVar[int] = 1900

    def read(self, raw: Any, told: Told) -> Taken:
        typed = as_typed(raw).replace("−", "-").replace("–", "-").strip()
        if unit := _BARE_ARE.search(typed):
            told = replace(told, page=PageUnit.MM if unit[1].lower() == "mm" else PageUnit.INCH)
            typed = typed[: unit.start()]
        parts = [p.strip(" ,()") for p in re.split(r"[;\n]|\)\s*,?\s*\(", typed) if p.strip(" ,()")]
        if len(parts) > MOST_CORNERS:
            raise Refused(f"{len(parts)} corners are too many: {MOST_CORNERS} at most.")
        if len(parts) < 2:
            raise Refused(
                "A profile has corners, one after the other, and closes on the first.",
                suggest="0, 0; 40, 0; 40, 20; 0, 20",
            )
        return Taken(tuple(self._corner(part, told) for part in parts))

    def _corner(self, part: str, told: Told) -> Corner:
        radius, bulge = Fraction(0), 0.0
        if found := _BULGE.search(part):
            bulge, part = float(found[1]), part[: found.start()]
            if abs(bulge) > 20:
                raise Refused(f"An arc of {bulge:g} is a whole round: put a corner in it.")
        if found := _ROUND.search(part):
            radius = Length("radius", low=0.01, high=1000.0).read(found[1], told).value
            part = part[: found.start()]
        spot = OfSpots(self.label, most=1, placeholder="40, 20 r5").read(part, told).value[0]
        return Corner(spot.x, spot.y, radius, bulge)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        def one(corner: Corner) -> str:
            at = f"{for_page(corner.x, told.page)}, {for_page(corner.y, told.page)}"
            round_ = f" r{for_page(corner.radius, told.page)}" if corner.radius else ""
            return at + round_ + (f" arc {corner.bulge:g}" if corner.bulge else "")

        return "; ".join(map(one, value))
