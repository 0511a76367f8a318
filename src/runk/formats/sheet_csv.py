"""A wall sheet as CSV: one line a metal, one column a diameter, positions in words."""

from __future__ import annotations

import csv
import io

from runk.core.cutting.sheet import SheetAnswer, SheetCell
from runk.formats.spreadsheet import unrun


def sheet_csv(answer: SheetAnswer) -> str:
    """The sheet as text, RFC 4180, for any spreadsheet.

    Returns:
        A heading line of diameters in millimetres, then each metal with its positions
        (or rev/min on a machine without steps). A cell that is too fast even at the
        slowest says so; one that does not fit is empty.
    """
    names = {m.mark: m.position for m in answer.marks}

    def said(cell: SheetCell) -> str:
        if cell.state == "no":
            return ""
        position = names.get(cell.mark, cell.mark)
        return f"{position} (too fast)" if cell.state == "fast" else position

    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(["metal", "m/min", *(f"{c.mm:.10g} mm" for c in answer.columns)])
    for row in answer.rows:
        speed = f"{row.surface_speed_m_min.value:.10g}"
        writer.writerow([unrun(row.name), speed, *(unrun(said(c)) for c in row.cells)])
    return out.getvalue()
