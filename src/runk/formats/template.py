"""A template at true size, to be stuck on the work: as PDF and as SVG, with a bar to check by."""

from __future__ import annotations

import io
from dataclasses import dataclass
from math import atan2, degrees, tau
from xml.sax.saxutils import escape, quoteattr

from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from runk.core.layout.segments import Loop
from runk.core.layout.set_out import SetOut
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.formats.fonts import STRONG, WORDS, ready
from runk.formats.paper import Paper

MARGIN, FOOT = 10.0, 30.0
"""Millimetres that printers leave white; below that the bar and the words stand."""
BAR = 100.0
_CROSS = 3.0
_SIZES = {Paper.A4: A4, Paper.LETTER: LETTER}


@dataclass(frozen=True, slots=True)
class Placed:
    """Where a face lies on the paper: added to its places they are millimetres from its corner."""

    wide: float
    high: float
    x: float
    y: float


def place(face: SetOut, paper: Paper) -> Placed:
    """The face in the middle of a sheet, upright or on its side.

    Raises:
        Refused: It is larger than the paper.
    """
    left, right, low, high = face.reach
    need = right - left, high - low
    size = tuple(points / mm for points in _SIZES[paper])
    for wide, tall in (size, size[::-1]):
        room = wide - 2 * MARGIN, tall - 2 * MARGIN - FOOT
        if need[0] <= room[0] and need[1] <= room[1]:
            return Placed(
                wide,
                tall,
                MARGIN + (room[0] - need[0]) / 2 - left,
                MARGIN + FOOT + (room[1] - need[1]) / 2 - low,
            )
    raise Refused(
        f"It is {mm_said(need[0], 0)} by {mm_said(need[1], 0)}, and {paper.value} takes "
        f"{mm_said(max(size) - 2 * MARGIN, 0)} by {mm_said(min(size) - 2 * MARGIN - FOOT, 0)}: "
        "save the DXF, and print it larger.",
        field="paper",
    )


def template_pdf(face: SetOut, paper: Paper = Paper.A4) -> bytes:
    """The face at true size as a PDF file.

    Raises:
        Refused: It does not go on the paper.
    """
    ready()
    at = place(face, paper)
    out = io.BytesIO()
    canvas = Canvas(out, (at.wide * mm, at.high * mm), invariant=1)
    canvas.setTitle(face.title)
    canvas.setLineWidth(0.25)
    for loop in face.outlines:
        _pdf_loop(canvas, loop, at)
    canvas.setDash(6, 2)
    if face.path:
        _pdf_loop(canvas, face.path, at)
    canvas.setDash()
    for hole in face.holes:
        x, y = (hole.x + at.x) * mm, (hole.y + at.y) * mm
        arm = max(hole.dia / 2 + 1.5, _CROSS) * mm
        canvas.line(x - arm, y, x + arm, y)
        canvas.line(x, y - arm, x, y + arm)
        if hole.dia:
            canvas.circle(x, y, hole.dia / 2 * mm)
        canvas.setFont(WORDS, 8)
        canvas.drawString(x + arm * 0.75, y + arm * 0.75, hole.name)
    _pdf_nought(canvas, at)
    _pdf_foot(canvas, face)
    canvas.showPage()
    canvas.save()
    return out.getvalue()


def _pdf_loop(canvas: Canvas, loop: Loop, at: Placed) -> None:
    for one in loop:
        (ax, ay), (bx, by) = one.start, one.end
        if one.centre is None:
            canvas.line((ax + at.x) * mm, (ay + at.y) * mm, (bx + at.x) * mm, (by + at.y) * mm)
            continue
        cx, cy, r = one.centre[0] + at.x, one.centre[1] + at.y, one.radius
        first = degrees(atan2(ay - one.centre[1], ax - one.centre[0]))
        canvas.arc(
            (cx - r) * mm, (cy - r) * mm, (cx + r) * mm, (cy + r) * mm, first, degrees(one.turn)
        )


def _pdf_nought(canvas: Canvas, at: Placed) -> None:
    x, y = at.x * mm, at.y * mm
    canvas.circle(x, y, 0.8 * mm)
    canvas.line(x - 5 * mm, y, x + 5 * mm, y)
    canvas.line(x, y - 5 * mm, x, y + 5 * mm)


def _pdf_foot(canvas: Canvas, face: SetOut) -> None:
    left, low = MARGIN * mm, (MARGIN + 8) * mm
    canvas.setLineWidth(0.6)
    canvas.line(left, low, left + BAR * mm, low)
    for k in range(11):
        tall = 3 if k % 5 == 0 else 1.5
        canvas.line(left + k * 10 * mm, low, left + k * 10 * mm, low + tall * mm)
    canvas.setFont(STRONG, 10)
    canvas.drawString(left + (BAR + 4) * mm, low, _BAR_SAYS)
    canvas.setFont(WORDS, 10)
    canvas.drawString(left, low + 7 * mm, face.title[:110])


_BAR_SAYS = "100 mm: measure it, then trust the rest."


def template_svg(face: SetOut, paper: Paper = Paper.A4) -> str:
    """The face at true size as an SVG drawing, in millimetres.

    Raises:
        Refused: It does not go on the paper.
    """
    at = place(face, paper)
    wide, high = f"{at.wide:.3f}", f"{at.high:.3f}"
    out = [
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide}mm" height="{high}mm" '
        f'viewBox="0 0 {wide} {high}" fill="none" stroke="#000" stroke-width="0.1">',
        f"<title>{escape(face.title)}</title>",
    ]
    out += [f'<path class="outline" d={quoteattr(_svg_loop(loop, at))}/>' for loop in face.outlines]
    if face.path:
        way = quoteattr(_svg_loop(face.path, at))
        out.append(f'<path class="path" stroke-dasharray="2 0.7" d={way}/>')
    for hole in face.holes:
        x, y = hole.x + at.x, at.high - hole.y - at.y
        arm = max(hole.dia / 2 + 1.5, _CROSS)
        cross = f"M{x - arm:.4f} {y:.4f}H{x + arm:.4f}M{x:.4f} {y - arm:.4f}V{y + arm:.4f}"
        out.append(f'<path d="{cross}"/>')
        if hole.dia:
            out.append(f'<circle class="hole" cx="{x:.4f}" cy="{y:.4f}" r="{hole.dia / 2:.4f}"/>')
        out.append(
            f'<text x="{x + arm * 0.75:.3f}" y="{y - arm * 0.75:.3f}" font-size="3" '
            f'font-family="sans-serif" fill="#000" stroke="none">{escape(hole.name)}</text>'
        )
    low = at.high - MARGIN - 8
    ticks = "".join(f"M{MARGIN + k * 10} {low}v-{3 if k % 5 == 0 else 1.5}" for k in range(11))
    out.append(f'<path class="bar" stroke-width="0.2" d="M{MARGIN} {low}h{BAR:g}{ticks}"/>')
    out.append(
        f'<text x="{MARGIN + BAR + 4}" y="{low}" font-size="4" font-family="sans-serif" '
        f'fill="#000" stroke="none">{_BAR_SAYS}</text></svg>'
    )
    return "\n".join(out)


def _svg_loop(loop: Loop, at: Placed) -> str:
    def shown(point: tuple[float, float]) -> str:
        return f"{point[0] + at.x:.4f} {at.high - point[1] - at.y:.4f}"

    parts = [f"M{shown(loop[0].start)}"]
    for one in loop:
        if one.centre is None:
            parts.append(f"L{shown(one.end)}")
            continue
        large = 1 if abs(one.turn) > tau / 2 else 0
        # On paper up is down: what turns to the left is drawn the other way.
        parts.append(
            f"A{one.radius:.4f} {one.radius:.4f} 0 {large} {0 if one.left else 1} {shown(one.end)}"
        )
    return "".join(parts) + "Z"
