"""Reading several lengths from one entry."""

from __future__ import annotations

import re

from runk.core.lengths.reader import Reading, read_length
from runk.core.refusals import Refused
from runk.core.units import PageUnit

MOST = 60
_BETWEEN = re.compile(r"\s*;\s*|\s*\n\s*|,\s+|\s+and\s+")


def read_lengths(typed: str, page: PageUnit) -> tuple[Reading, ...]:
    """Every length of a list, in the order typed.

    Args:
        typed: Parted by semicolons, new lines, ``and``, or commas with a space after them.
            A single comma without a space is a decimal comma; two or more part a list.
        page: What a bare number means.

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
    if len(parts) > MOST:
        raise Refused(f"{len(parts)} sizes are too many at once: {MOST} at most.")
    return tuple(read_length(part, page) for part in parts)


def together(several: tuple[Reading, ...]) -> Reading:
    """One reading that says them all back; its size is the first one's."""
    return Reading(
        several[0].mm,
        " · ".join(r.echo for r in several if not r.plain),
        all(r.plain for r in several),
        ", ".join(r.spoken for r in several),
    )
