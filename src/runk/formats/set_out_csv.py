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
    "x_mm": "x",
    "y": "y",
    "y_mm": "y",
}
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
        page: What a bare number means, where the heading does not say millimetres.

    Raises:
        Refused: Naming the first line that cannot be read.
    """
    lines = [line for line in text.removeprefix("\ufeff").splitlines() if line.strip()]
    if not lines:
        raise Refused("The file is empty.", field="file")
    mark = max(",;\t", key=lines[0].count)
    heads = [cell.strip().strip('"').lower() for cell in lines[0].split(mark)]
    named = [_HEADS.get(re.sub(r"[ (].*", "", head), "") for head in heads]
    if "x" in named and "y" in named:
        if any(head.endswith("_mm") for head in heads):
            page = PageUnit.MM
        rows, first = lines[1:], 2
    else:
        named, rows, first = _bare(heads), lines, 1
    if len(rows) > MOST_HOLES:
        raise Refused(f"{len(rows)} places are too many: {MOST_HOLES} at most.", field="file")
    told = Told(page, Workshop((), {}))
    place = Place("place", low=-2000.0, high=2000.0)
    found = []
    for number, cells in enumerate(csv.reader(rows, delimiter=mark), first):
        row = dict(zip(named, (asrun(cell.strip()) for cell in cells), strict=False))
        try:
            if any(len(row.get(axis, "")) > _LONGEST for axis in ("x", "y", "name")):
                raise Refused("A cell of it is far too long.")
            x, y = (place.read(row[axis], told).value for axis in ("x", "y"))
        except KeyError:
            raise Refused(f"Line {number} has no place in it.", field="file") from None
        except Refused as refused:
            raise Refused(f"Line {number} cannot be read: {refused.says}", field="file") from None
        name = re.sub(r"[^A-Za-z0-9]", "", row.get("name", ""))[:12]
        found.append(Spot(Fraction(x), Fraction(y), name if name[:1].isalpha() else ""))
    return tuple(found)


def _bare(cells: list[str]) -> list[str]:
    """Columns of a table without a heading: x and y, or a name before them."""
    if len(cells) == 2:
        return ["x", "y"]
    if len(cells) >= 3:
        return ["name", "x", "y"]
    raise Refused(
        "A table of places has at least two columns: x and y.",
        field="file",
        suggest="name,x_mm,y_mm",
    )
