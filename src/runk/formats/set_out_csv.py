"""Places as a table for a read-out or a spreadsheet, and back."""

from __future__ import annotations

import csv
import io
import re
from fractions import Fraction

from runk.core.kinds import Spot
from runk.core.kinds.base import Told
from runk.core.kinds.length import Place
from runk.core.layout.circle_question import MOST_HOLES
from runk.core.layout.set_out import SetOut
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.spreadsheet import asrun, unrun

_HEADS = {
    "name": "name",
    "hole": "name",
    "point": "name",
    "x": "x",
    "y": "y",
    "dia": "dia",
    "diameter": "dia",
}
_SAID_UNITS = {
    **dict.fromkeys(("mm", "millimetre", "millimetres", "millimeter"), PageUnit.MM),
    **dict.fromkeys(("in", "inch", "inches", "ins"), PageUnit.INCH),
}
_A_NUMBER = re.compile(r"[-+]?[0-9]{0,9}[.,]?[0-9]{1,9}")
_LONGEST = 100


def places_csv(face: SetOut) -> str:
    """Every hole, in the order it is gone to.

    >>> from runk.core.layout.set_out import Hole
    >>> print(places_csv(SetOut("two", (Hole("1", 15.5, 0.0, 4.0),))).splitlines()[1])
    1,15.5000,0.0000,4
    """
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(["name", "x_mm", "y_mm", "dia_mm"])
    for hole in face.holes:
        dia = f"{hole.dia:g}" if hole.dia else ""
        writer.writerow([unrun(hole.name), f"{hole.x + 0.0:.4f}", f"{hole.y + 0.0:.4f}", dia])
    return out.getvalue()


def read_places_csv(text: str, page: PageUnit = PageUnit.MM) -> tuple[Spot, ...]:
    """Places from a table.

    Args:
        text: With or without a heading; parted by commas, semicolons or tabs.
        page: What a bare number means, where the heading does not say.

    Raises:
        Refused: Naming the first line that cannot be read.

    >>> [float(one.x) for one in read_places_csv("x (in),y (in)\\n1,2")]
    [25.4]
    >>> [float(one.y) for one in read_places_csv("12,5;7,3")]
    [7.3]
    """
    return places_and_size(text, page)[0]


def places_and_size(text: str, page: PageUnit) -> tuple[tuple[Spot, ...], Fraction | None]:
    """Places from a table, and the size of its holes where all are told and of one."""
    lines = [line for line in text.removeprefix("\ufeff").splitlines() if line.strip()]
    if not lines:
        raise Refused("The file is empty.", field="file")
    mark = _parted(lines[0])
    heads = [cell.strip().strip('"').lower() for cell in lines[0].split(mark)]
    named = [_HEADS.get(_bare_head(head), "") for head in heads]
    if "x" in named and "y" in named:
        page = _unit(heads, named) or page
        rows, first = lines[1:], 2
    else:
        named, rows, first = _bare(heads, lines, mark), lines, 1
    if len(rows) > MOST_HOLES:
        raise Refused(f"{len(rows)} places are too many: {MOST_HOLES} at most.", field="file")
    told = Told(page, Workshop((), {}))
    place = Place("place", low=-2000.0, high=2000.0)
    found, sizes = [], set[Fraction | None]()
    for number, cells in enumerate(csv.reader(rows, delimiter=mark), first):
        row = dict(zip(named, (asrun(cell.strip()) for cell in cells), strict=False))
        try:
            if any(len(row.get(axis, "")) > _LONGEST for axis in ("x", "y", "dia", "name")):
                raise Refused("A cell of it is far too long.")
            x, y = (place.read(row[axis], told).value for axis in ("x", "y"))
            dia = row.get("dia", "")
            sizes.add(Fraction(place.read(dia, told).value) if dia else None)
        except KeyError:
            raise Refused(f"Line {number} has no place in it.", field="file") from None
        except Refused as refused:
            raise Refused(f"Line {number} cannot be read: {refused.says}", field="file") from None
        name = re.sub(r"[^A-Za-z0-9]", "", row.get("name", ""))[:12]
        found.append(Spot(Fraction(x), Fraction(y), name if name[:1].isalpha() else ""))
    return tuple(found), sizes.pop() if len(sizes) == 1 else None


def _parted(line: str) -> str:
    """What parts the cells of a line: where a semicolon or a tab does, a comma is a decimal's."""
    return next((mark for mark in ";\t" if mark in line), ",")


def _bare_head(head: str) -> str:
    return re.sub(r"[ _(\[].*", "", head)


def _unit(heads: list[str], named: list[str]) -> PageUnit | None:
    """The unit a heading says its places are in.

    Raises:
        Refused: One it cannot be in, or two that differ.
    """
    said = {
        found[0]
        for head, name in zip(heads, named, strict=True)
        if name in ("x", "y") and (found := re.findall(r"[a-z]+", head)[1:])
    }
    units = {_SAID_UNITS.get(word) for word in said}
    if not units:
        return None
    if len(units) > 1 or None in units:
        raise Refused(
            f"The heading says its places are in {' and '.join(sorted(said))}: mm or inch, and "
            "both alike.",
            field="file",
            suggest="name,x_mm,y_mm",
        )
    return units.pop()


def _bare(cells: list[str], lines: list[str], mark: str) -> list[str]:
    """Columns of a table without a heading: x and y, or a name before them.

    Raises:
        Refused: There are more, and which are the places cannot be known.
    """
    if len(cells) == 2:
        return ["x", "y"]
    if len(cells) >= 3:
        first = [line.split(mark)[0].strip() for line in lines]
        counted = first == [str(n) for n in range(1, len(first) + 1)]
        if counted or not _A_NUMBER.fullmatch(first[0]):
            return ["name", "x", "y"]
        raise Refused(
            f"{len(cells)} columns of numbers without a heading: which of them are x and y?",
            field="file",
            suggest="x_mm,y_mm,depth",
        )
    raise Refused(
        "A table of places has at least two columns: x and y.",
        field="file",
        suggest="name,x_mm,y_mm",
    )
