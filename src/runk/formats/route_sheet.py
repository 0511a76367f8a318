"""A part's route as a sheet for the bench: Markdown, or PDF on A4 or letter."""

from __future__ import annotations

import io
import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Any

from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from runk.formats.fonts import FIGURES, STRONG, WORDS, fitting, ready
from runk.formats.paper import Paper

_MARGIN, _LINE = 15 * mm, 6.6 * mm
_BOX = 3.6 * mm
_INK, _SOFT = (0.09, 0.13, 0.19), (0.35, 0.4, 0.45)


@dataclass(frozen=True, slots=True)
class SheetLine:
    """A line of the sheet.

    Args:
        kind: ``title``, ``set-up``, ``line``, ``step``, ``note`` or ``stop``.
        words: What it says; ``belt`` what to set for it.
        done: Whether it is ticked.
    """

    kind: str
    words: str
    belt: str = ""
    done: bool = False


def sheet_lines(part: Mapping[str, Any]) -> Iterator[SheetLine]:
    """The lines of a part's sheet, from the part as it goes over the wire.

    Args:
        part: As :func:`runk.api.part_wire.part_out` gives it.
    """
    yield SheetLine("title", str(part["name"]))
    yield SheetLine("note", f"{part['engine']} · {part['metal']} · {part['blank']}")
    for one in part["broken"]:
        yield SheetLine("stop", f"{one['severity']}: {one['says']} {one['mend']}".strip())
    for n, up in enumerate(part["route"], 1):
        packing = f", {up['packing']}" if up["packing"] else ""
        yield SheetLine("set-up", f"{n}. {up['hold_says']}{packing}")
        for line in up["lines"]:
            belt = f"{line['belt']}, {line['rpm']:.0f}" if line["belt"] else ""
            kind = "step" if line["step"] else "line"
            yield SheetLine(kind, str(line["says"]), belt, bool(line["done"]))
    for note in part["notes"]:
        yield SheetLine("note", str(note))


def route_markdown(part: Mapping[str, Any]) -> str:
    """The sheet as Markdown with boxes to tick."""
    out = []
    for line in sheet_lines(part):
        box = "x" if line.done else " "
        words = _escaped(line.words)
        belt = f" ({_escaped(line.belt)})" if line.belt else ""
        out.append(
            {
                "title": f"# {words}\n",
                "note": f"{words}\n",
                "stop": f"> **{words}**\n",
                "set-up": f"\n## {words}\n",
                "line": f"- [{box}] {words}{belt}",
                "step": f"- [{box}] *{words}*",
            }[line.kind]
        )
    return "\n".join(out) + "\n"


def _escaped(words: str) -> str:
    plain = "".join(f"\\{c}" if c in "\\`*_[]<>|#" else c for c in words)
    # An address in somebody's note is words, and no link of the sheet's.
    return re.sub(r"(?i)(https?|ftp)://|(www)\.|(mailto):", _unlinked, plain)


def _unlinked(found: re.Match[str]) -> str:
    return found[0].replace(":", "\\:").replace(".", "\\.")


def route_pdf(part: Mapping[str, Any], paper: Paper = Paper.A4) -> bytes:
    """The sheet as a PDF file.

    Args:
        part: As it goes over the wire.
        paper: A4 or letter, upright.
    """
    ready()
    wide, high = A4 if paper is Paper.A4 else LETTER
    out = io.BytesIO()
    canvas = Canvas(out, pagesize=(wide, high))
    canvas.setTitle(f"Route, {part['name']}")
    canvas.setCreator("Runk")
    y = high - _MARGIN
    for line in sheet_lines(part):
        if y < _MARGIN + 2 * _LINE:
            canvas.showPage()
            y = high - _MARGIN
        y = _drawn(canvas, line, y, wide - 2 * _MARGIN)
    canvas.showPage()
    canvas.save()
    return out.getvalue()


def _drawn(canvas: Canvas, line: SheetLine, y: float, room: float) -> float:
    canvas.setFillColorRGB(*_INK)
    if line.kind == "title":
        canvas.setFont(STRONG, fitting(line.words, STRONG, room, 24))
        canvas.drawString(_MARGIN, y - 20, line.words)
        return y - 30
    if line.kind == "set-up":
        canvas.setFont(STRONG, fitting(line.words, STRONG, room, 14))
        canvas.drawString(_MARGIN, y - 18, line.words)
        return y - 26
    if line.kind in ("note", "stop"):
        font = STRONG if line.kind == "stop" else WORDS
        if line.kind == "note":
            canvas.setFillColorRGB(*_SOFT)
        canvas.setFont(font, fitting(line.words, font, room, 11))
        canvas.drawString(_MARGIN, y - 12, line.words)
        return y - 18
    canvas.rect(_MARGIN, y - _BOX - 2, _BOX, _BOX, fill=1 if line.done else 0)
    if line.kind == "step":
        canvas.setFillColorRGB(*_SOFT)
    canvas.setFont(WORDS, fitting(line.words, WORDS, room * 0.62, 13))
    canvas.drawString(_MARGIN + 2 * _BOX, y - 11, line.words)
    if line.belt:
        canvas.setFillColorRGB(*_INK)
        canvas.setFont(FIGURES, fitting(line.belt, FIGURES, room * 0.32, 12))
        canvas.drawRightString(_MARGIN + room, y - 11, line.belt)
    return y - _LINE
