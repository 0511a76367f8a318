"""A list of parts as it lies at hand: pasted from a drawing, a letter or a spreadsheet."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.route.drawn.blank import blank_of_line
from runk.core.route.reading import metal_key
from runk.core.units import PageUnit

MOST_LINES = 200
_HEADS = {
    "name": "name",
    "part": "name",
    "description": "name",
    "metal": "metal",
    "material": "metal",
    "blank": "blank",
    "stock": "blank",
    "from": "blank",
    "made from": "blank",
    "qty": "count",
    "quantity": "count",
    "off": "count",
    "how many": "count",
    "no. off": "count",
    "number off": "count",
    "no": "item",
    "no.": "item",
    "item": "item",
}
"""What columns are called, and what stands in them."""
_NUMBERED = re.compile(r"^\s*(?:\d{1,3}[.)]|[-*•])\s+")
_COUNT = re.compile(
    r"\b(?P<off>\d{1,3})\s*(?:off|no\.?)(?!\w)|^(?P<x>\d{1,3})\s*[x×]\s+|\s[x×]\s?(?P<after>\d{1,3})$",
    re.IGNORECASE,
)
_PARTED = re.compile(r"\s*(?:\t|;|,(?!\d))\s*|\s+[-–—]\s+")
_FORM = re.compile(
    r"\b(?:bar|rod|casting|plate|sheet|block|disc|tube|hexagon|hex|square|flat|dia|diameter)\b",
    re.IGNORECASE,
)


@dataclass(frozen=True, slots=True)
class Listed:
    """A part of a list.

    Args:
        name: As it is written there.
        metal: As it is called there; empty where none is.
        blank: What it is made from; empty where nobody said.
        alike: How many are made.
    """

    name: str
    metal: str = ""
    blank: str = ""
    alike: int = 1


def parts_listed(text: str, page: PageUnit, metals: Mapping[str, Metal]) -> tuple[Listed, ...]:
    """The parts of a list, a line each; columns in any order where they have headings.

    Args:
        text: As typed or pasted.
        page: What a bare number means.
        metals: Those there are.

    Raises:
        Refused: There is nothing in it, or too much.

    >>> from runk.core.metals.metal import shipped_metals
    >>> told = "1. Cylinder, 18 mm bore, cast iron\\n6 off Stud - mild steel - bar 4\\nRod"
    >>> for one in parts_listed(told, PageUnit.MM, shipped_metals()):
    ...     print(one.name, "|", one.metal, "|", one.blank, "|", one.alike)
    Cylinder, 18 mm bore | cast iron |  | 1
    Stud | mild steel | bar 4 | 6
    Rod |  |  | 1
    >>> told = "Qty\\tMaterial\\tPart\\n2\\tbrass\\tGland"
    >>> parts_listed(told, PageUnit.MM, shipped_metals())[0].alike
    2
    """
    lines = [line for line in text.replace("\r", "\n").split("\n") if line.strip()]
    if not lines:
        raise Refused("Type the parts, a line each.", field="text", suggest="Piston, cast iron")
    if len(lines) > MOST_LINES:
        raise Refused(f"More than {MOST_LINES} parts in one list.", field="text")
    heads = _heads(lines[0])
    if heads is not None:
        rows = csv.reader(io.StringIO("\n".join(lines[1:])), delimiter=_between(lines[0]))
        return tuple(_row(dict(zip(heads, row, strict=False)), page, metals) for row in rows)
    numbered = _items(lines)
    return tuple(_line(line, page, metals, numbered) for line in lines)


def _between(head: str) -> str:
    return next((sign for sign in "\t;," if sign in head), ",")


def _heads(line: str) -> list[str] | None:
    """What the columns hold, where the first line says so."""
    heads = [_HEADS.get(one.strip(' "').lower(), "") for one in line.split(_between(line))]
    # A part may be called Part; a heading has another beside it.
    return heads if "name" in heads and len([one for one in heads if one]) > 1 else None


def _items(lines: Iterable[str]) -> bool:
    """Whether the lines begin with their number in the list: 1, 2, 3, not how many there are."""
    firsts = [_PARTED.split(line.strip())[0] for line in lines]
    return len(firsts) > 1 and firsts == [str(n) for n in range(1, len(firsts) + 1)]


def _row(row: Mapping[str, str], page: PageUnit, metals: Mapping[str, Metal]) -> Listed:
    name = row.get("name", "").strip()
    if not name:
        raise Refused("A line of the list has no name in it.", field="text")
    metal, blank = row.get("metal", "").strip(), row.get("blank", "").strip()
    count = re.sub(r"\D", "", row.get("count", "")) or "1"
    if metal and _metal(metal, metals) is None:
        # Not lost: it stands where it can be read and put right.
        name, metal = f"{name}, {metal}", ""
    if blank and not _blank(blank, page, metals):
        name, blank = f"{name}, {blank}", ""
    return Listed(name, metal, blank, min(max(int(count), 1), 1000))


def _line(line: str, page: PageUnit, metals: Mapping[str, Metal], numbered: bool) -> Listed:
    line = _NUMBERED.sub("", line).strip()
    alike = 1
    if (found := _COUNT.search(line)) is not None:
        alike = int(next(n for n in found.groups() if n is not None))
        line = f"{line[: found.start()]} {line[found.end() :]}".strip(" ,;-–—\t")
    pieces = [one for one in _PARTED.split(line) if one]
    if numbered:
        pieces = pieces[1:]
    elif len(pieces) > 1 and pieces[0].isdigit():
        alike, pieces = int(pieces[0]), pieces[1:]
    if not pieces:
        raise Refused("A line of the list has no name in it.", field="text")
    name, metal, blank = pieces[0], "", ""
    for piece in pieces[1:]:
        if not metal and _metal(piece, metals) is not None:
            metal = piece
        elif not blank and _FORM.search(piece) and _blank(piece, page, metals):
            blank = piece
        elif piece.isdigit() and alike == 1:
            alike = int(piece)
        else:
            name = f"{name}, {piece}"
    return Listed(name, metal, blank, min(max(alike, 1), 1000))


def _metal(text: str, metals: Mapping[str, Metal]) -> str | None:
    try:
        return metal_key(text, metals) or None
    except Refused:
        return None


def _blank(text: str, page: PageUnit, metals: Mapping[str, Metal]) -> bool:
    try:
        blank_of_line(text, page, metals)
    except Refused:
        return False
    return True
