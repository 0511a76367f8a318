"""Readings of a part: several places, each measured one way or several."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Any, ClassVar

from runk.core.fits.measured import Station
from runk.core.kinds.base import Taken, Told, as_typed
from runk.core.kinds.length import Lengths
from runk.core.lengths import Reading
from runk.core.lengths.several import MOST, read_lengths, together, unit_reaches_back
from runk.core.lengths.show import for_page
from runk.core.refusals import Refused

_NAMED = re.compile(r"([A-Za-z][A-Za-z ]{0,23}?)\s*[:=]?\s+(?=[\d.#])")
_NEXT = re.compile(r"(?<=\d) (?=\d+\.\d)")
_NO_NAME = frozenset({"no", "letter", "number", "m", "and"})


@dataclass(frozen=True)
class Stations(Lengths):
    """Readings: places parted by semicolons or lines, the ways across by commas.

    Without a semicolon each reading is of a place of its own. A word before a number names the
    place. A unit behind the last alone is the unit of all.

    Args:
        most: How many readings it takes.

    >>> from runk.core.units import PageUnit
    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> read = Stations("readings").read("top 22.01, 22.02; middle 22.00", here).value
    >>> [(one.name, [float(mm) for mm in one.sizes]) for one in read]
    [('top', [22.01, 22.02]), ('middle', [22.0])]
    >>> [one.name for one in Stations("readings").read("22.01, 22.02", here).value]
    ['1', '2']
    """

    most: int = MOST

    name: ClassVar[str] = "readings"
    widget: ClassVar[str] = "list"
    reach: ClassVar[int] = 400

    def read(self, raw: Any, told: Told) -> Taken:
        text = as_typed(raw).strip()
        # Two decimals with nothing between are two readings.
        text = unit_reaches_back(text if "/" in text else _NEXT.sub("; ", text))
        parts = [p.strip() for p in re.split(r"[;\n]", text) if p.strip(" ,")]
        found: list[Station] = []
        readings: list[Reading] = []
        for part in parts:
            name, sizes = _named(part)
            several = read_lengths(sizes, told.page, self.most)
            for one in several:
                self.over_nought(one.mm, told)
            readings += several
            if len(parts) == 1 and not name:
                found += [Station(str(n), (one.mm,)) for n, one in enumerate(several, 1)]
            else:
                called = name or str(len(found) + 1)
                found.append(Station(called, tuple(one.mm for one in several)))
        if not readings:
            raise Refused("Type one reading or more.", suggest="22.01; 22.02; 22.00")
        if len(readings) > self.most:
            raise Refused(f"{len(readings)} readings are too many at once: {self.most} at most.")
        return Taken(tuple(found), together(tuple(readings)))

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        def one(station: Station) -> str:
            sizes = ", ".join(for_page(mm, told.page) for mm in station.sizes)
            return sizes if station.name.isdigit() else f"{station.name} {sizes}"

        return "; ".join(map(one, value))


def _named(part: str) -> tuple[str, str]:
    found = _NAMED.match(part)
    if found is None or found[1].lower() in _NO_NAME:
        return "", part
    return found[1].strip().lower(), part[found.end() :]
