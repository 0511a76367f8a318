"""Reading several lengths from one entry."""

from __future__ import annotations

import re

from runk.core.lengths.reader import Reading, read_length
from runk.core.refusals import Refused
from runk.core.units import PageUnit

MOST = 60
_BETWEEN = re.compile(r"\s*;\s*|\s*\n\s*|,\s+|\s+and\s+")


_UNIT_LAST = re.compile(r"\d ?(mm|in|inch|inches|\")\s*$", re.IGNORECASE)
_ANY_UNIT = re.compile(r"\d ?(?:mm|in|inch|inches|thou|\")(?![a-z])", re.IGNORECASE)
_BARE = re.compile(r"(?<![\d.,/#-])(\d+\.?\d*|\.\d+)(?=\s*(?:[;\n]|,\s|\sand\s))")


def unit_reaches_back(typed: str) -> str:
    """A list whose last reading alone has a unit, with that unit on every one.

    >>> unit_reaches_back("22.012, 22.008; 22.01 mm")
    '22.012 mm, 22.008 mm; 22.01 mm'
    >>> unit_reaches_back("22.012, 0.866 in; 22.01 mm")
    '22.012, 0.866 in; 22.01 mm'
    """
    unit = _UNIT_LAST.search(typed)
    if unit is None or len(_ANY_UNIT.findall(typed)) != 1:
        return typed
    return _BARE.sub(lambda bare: f"{bare[1]} {unit[1]}", typed)


def read_lengths(typed: str, page: PageUnit, most: int = MOST) -> tuple[Reading, ...]:
    """Every length of a list, in the order typed.

    Args:
        typed: Parted by semicolons, new lines, ``and``, or commas with a space after them.
            A single comma without a space is a decimal comma; two or more part a list.
        page: What a bare number means.
        most: How many it takes.

    Raises:
        Refused: An entry that cannot be read, saying which; or too many.

    >>> [float(r.mm) for r in read_lengths('6, 12,5 and 1/2"', PageUnit.MM)]
    [6.0, 12.5, 12.7]
    >>> [float(r.mm) for r in read_lengths("3,4,5", PageUnit.MM)]
    [3.0, 4.0, 5.0]
    """
    parts: list[str] = []
    for part in _BETWEEN.split(typed.strip()):
        parts += part.split(",") if part.count(",") > 1 else [part]
    parts = [part for part in parts if part.strip()]
    if not parts:
        raise Refused("Type one size or more.", suggest="6, 8, 10")
    if len(parts) > most:
        raise Refused(f"{len(parts)} sizes are too many at once: {most} at most.")
    return tuple(read_length(part, page) for part in parts)


def together(several: tuple[Reading, ...]) -> Reading:
    """One reading that says them all back; its size is the first one's."""
    return Reading(
        several[0].mm,
        " · ".join(r.echo for r in several if not r.plain),
        all(r.plain for r in several),
        ", ".join(r.spoken for r in several),
    )
