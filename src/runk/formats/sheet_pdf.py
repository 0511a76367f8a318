"""A wall sheet as PDF: landscape, its marks large enough to be read from two metres."""

from __future__ import annotations

import io
import math
from dataclasses import dataclass

from reportlab.lib.pagesizes import A4, LETTER, landscape
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from runk.core.cutting.sheet import SheetAnswer, SheetCell, SheetRow
from runk.formats.fonts import FIGURES, STRONG, WORDS, fitting, ready, width
from runk.formats.paper import Paper

MARGIN = 9 * mm
_NAME = 56 * mm
_TITLE, _HEAD, _FOOT = 13 * mm, 12 * mm, 24 * mm
_MOST_ROWS = 12
SMALLEST_MARK = 24.0
"""Points. A digit of it stands 6.3 mm: at two metres twice what good sight just tells apart."""
_LARGEST_MARK = 34.0
_AIR = 6.0
"""Points left empty in a column, so that two marks beside each other stay two."""
_SMALLEST_NAME = 15.0
_LARGEST_NAME = 21.0
_INK, _SOFT, _BAND = (0.09, 0.13, 0.19), (0.3, 0.35, 0.4), (0.925, 0.935, 0.915)


@dataclass(frozen=True, slots=True)
class Layout:
    """How a sheet falls on pages: rows and columns of each, and the size of its marks."""

    size: tuple[float, float]
    rows: int
    columns: int
    row_high: float
    column_wide: float
    mark: float


def lay_out(answer: SheetAnswer, paper: Paper) -> Layout:
    """Share rows and columns evenly over as few pages as leave the marks large.

    Args:
        answer: The sheet.
        paper: A4 or letter, both on their side.
    """
    ready()
    wide, high = landscape(A4 if paper is Paper.A4 else LETTER)
    marks = {cell.mark for row in answer.rows for cell in row.cells}
    em = max((width(text, FIGURES, 1.0) for text in marks), default=0.0) or 1.0
    room = wide - 2 * MARGIN - _NAME
    fits = max(1, int(room // (em * (SMALLEST_MARK + 1) + _AIR)))
    columns = _shared(len(answer.columns), fits)
    rows = _shared(len(answer.rows), _MOST_ROWS)
    row_high = (high - 2 * MARGIN - _TITLE - _HEAD - _FOOT) / max(rows, 6)
    column_wide = min(room / columns, 40 * mm)
    mark = min((column_wide - _AIR) / em, row_high * 0.8, _LARGEST_MARK)
    return Layout((wide, high), rows, columns, row_high, column_wide, mark)


def _shared(count: int, most: int) -> int:
    return math.ceil(count / math.ceil(count / most))


def _said(cell: SheetCell) -> str:
    return {"no": "–", "fast": f"({cell.mark})"}.get(cell.state, cell.mark)


def sheet_pdf(answer: SheetAnswer, paper: Paper = Paper.A4) -> bytes:
    """The sheet as a PDF file.

    Args:
        answer: From ``sheet``.
        paper: A4 or letter.
    """
    layout = lay_out(answer, paper)
    out = io.BytesIO()
    canvas = Canvas(out, pagesize=layout.size)
    canvas.setTitle(f"Wall sheet, {answer.title}")
    canvas.setCreator("Runk")
    blocks = [
        (row, column)
        for row in range(0, len(answer.rows), layout.rows)
        for column in range(0, len(answer.columns), layout.columns)
    ]
    for number, (row, column) in enumerate(blocks, 1):
        page = f"{number} of {len(blocks)}" if len(blocks) > 1 else ""
        _page(canvas, answer, layout, row, column, page)
        canvas.showPage()
    canvas.save()
    return out.getvalue()


def _page(
    canvas: Canvas,
    answer: SheetAnswer,
    layout: Layout,
    first_row: int,
    first_column: int,
    page: str,
) -> None:
    wide, high = layout.size
    top = high - MARGIN
    canvas.setFillColorRGB(*_INK)
    title = answer.title
    canvas.setFont(STRONG, fitting(title, STRONG, wide - 2 * MARGIN - 60, 26))
    canvas.drawString(MARGIN, top - 22, title)
    canvas.setFillColorRGB(*_SOFT)
    canvas.setFont(WORDS, 12)
    canvas.drawRightString(wide - MARGIN, top - 22, page)
    columns = answer.columns[first_column : first_column + layout.columns]
    edge = MARGIN + _NAME
    head = top - _TITLE - _HEAD
    canvas.setFont(WORDS, 12)
    labels = [c.label for c in columns]
    inches = all('"' in label for label in labels)
    if inches:
        labels = [label.removesuffix('"') for label in labels]
    unit = "inch" if inches else "diameter" if any('"' in label for label in labels) else "mm"
    canvas.drawString(MARGIN, head + 8, f"{unit} across")
    canvas.setFillColorRGB(*_INK)
    size = min(fitting(label, FIGURES, layout.column_wide - 5, 20) for label in labels)
    canvas.setFont(FIGURES, size)
    for at, label in enumerate(labels):
        middle = edge + (at + 0.5) * layout.column_wide
        canvas.drawCentredString(middle, head + 8, label)
    canvas.setLineWidth(1.6)
    end = edge + len(columns) * layout.column_wide
    canvas.line(MARGIN, head, end, head)
    for at, row in enumerate(answer.rows[first_row : first_row + layout.rows]):
        bottom = head - (at + 1) * layout.row_high
        cells = row.cells[first_column : first_column + layout.columns]
        _row(canvas, layout, row, cells, bottom, end, banded=bool(at % 2))
    _foot(canvas, answer, wide)


def _row(
    canvas: Canvas,
    layout: Layout,
    row: SheetRow,
    cells: tuple[SheetCell, ...],
    bottom: float,
    end: float,
    *,
    banded: bool,
) -> None:
    if banded:
        canvas.setFillColorRGB(*_BAND)
        canvas.rect(MARGIN, bottom, end - MARGIN, layout.row_high, stroke=0, fill=1)
    canvas.setFillColorRGB(*_INK)
    canvas.setStrokeColorRGB(*_INK)
    room = _NAME - 10
    lines = _lines(row.name, room)
    size = min(fitting(line, STRONG, room, _LARGEST_NAME) for line in lines)
    size = min(size, layout.row_high * 0.85 / len(lines))
    canvas.setFont(STRONG, size)
    middle = bottom + layout.row_high / 2
    for at, line in enumerate(lines):
        canvas.drawString(MARGIN + 3, middle + (len(lines) / 2 - 1 - at) * size + size * 0.18, line)
    base = middle - layout.mark * 0.36
    for at, cell in enumerate(cells):
        x = MARGIN + _NAME + (at + 0.5) * layout.column_wide
        said = _said(cell)
        # Only a bracketed mark may be smaller: it is not to be used as it stands.
        size = fitting(said, FIGURES, layout.column_wide - 3, layout.mark)
        canvas.setFont(FIGURES, size)
        canvas.drawCentredString(x, base, said)
        if cell.state == "slow":
            half = width(said, FIGURES, size) / 2
            canvas.setLineWidth(1.2)
            canvas.line(x - half, base - 3, x + half, base - 3)


def _lines(name: str, room: float) -> list[str]:
    """A name in one line, or in two where one would come out small."""
    words = name.split()
    if width(name, STRONG, _SMALLEST_NAME + 3) <= room or len(words) == 1:
        return [name]
    breaks = [(" ".join(words[:n]), " ".join(words[n:])) for n in range(1, len(words))]
    first, second = min(breaks, key=lambda pair: max(map(len, pair)))
    return [first, second]


def _foot(canvas: Canvas, answer: SheetAnswer, wide: float) -> None:
    canvas.setFillColorRGB(*_INK)
    said = "    ".join(f"{m.mark} = {m.position}, {m.rpm:.0f}" for m in answer.marks)
    if said:
        said += "  rev/min"
    notes = [*answer.notes, *(f"{c.word} {c.about}: {c.says}" for c in answer.cautions)]
    room, y = wide - 2 * MARGIN, MARGIN + _FOOT - 20
    for text, font, largest in ((said, STRONG, 13.0), *((n, WORDS, 10.5) for n in notes)):
        if text:
            canvas.setFont(font, fitting(text, font, room, largest))
            canvas.drawString(MARGIN, y, text)
            y -= largest + 1.5
