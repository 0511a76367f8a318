"""Files of the setting-out room: drawings, templates, tables and code, out and in."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from fractions import Fraction
from typing import Any

from fastapi import APIRouter, Request, Response

from runk.api.files import as_file, known_only, page_in, paper_in
from runk.api.problems import PROBLEMS
from runk.api.worked import filed
from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.kinds import Corner, Spot
from runk.core.kinds.base import LONGEST_TYPED
from runk.core.layout.laps import laps
from runk.core.layout.machining import Machining, machining
from runk.core.layout.path_question import PathQuestion
from runk.core.layout.rounds import rounds_of
from runk.core.layout.set_out import SetOut, set_out
from runk.core.lengths import read_length
from runk.core.lengths.show import trimmed
from runk.core.questions import read_question, sentence
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.rs274_trace import Compared, Traced

DRAWN = ("circle", "path")
_APART = ("unit", "paper", "metal", "drill_deep", "safe", "machine")


@dataclass(frozen=True)
class DryRun:
    """What code would do, and whether that is what was asked."""

    code: str
    moves: list[Traced]
    compared: Compared


@dataclass(frozen=True)
class ReadIn:
    """Places or corners out of a file, as they would be typed."""

    spots: str
    corners: str
    hole: str
    says: str


@dataclass(frozen=True, slots=True)
class _Asked:
    question: Any
    face: SetOut
    given: dict[str, str]
    page: PageUnit


def router(here: Callable[[], Workshop], catalogue: Catalogue) -> APIRouter:
    """Routes of files; a question's fields stand in the address.

    Args:
        here: Gives today's workshop.
        catalogue: For the calculators that are drawn.
    """
    routes = APIRouter(prefix="/api/setout", responses=PROBLEMS)

    def asked(name: str, request: Request) -> _Asked:
        if name not in DRAWN:
            raise Refused(f"{name[:40]} draws nothing that could be kept.", field="calculator")
        return _asked(catalogue[name], dict(request.query_params), here())

    def drawing(name: str, request: Request) -> Response:
        from runk.formats.set_out_dxf import set_out_dxf

        text = set_out_dxf(asked(name, request).face)
        return as_file(text.encode("utf-8"), "image/vnd.dxf", f"{name}.dxf")

    def places(name: str, request: Request) -> Response:
        from runk.formats.set_out_csv import places_csv

        face = asked(name, request).face
        if not face.holes:
            raise Refused("A profile has no holes: save the DXF.", field="calculator")
        return as_file(places_csv(face).encode("utf-8-sig"), "text/csv; charset=utf-8", "holes.csv")

    def template(name: str, request: Request) -> Response:
        from runk.formats.template import template_pdf

        paper = paper_in(request.query_params)
        body = template_pdf(asked(name, request).face, paper)
        return as_file(body, "application/pdf", f"template-{paper}.pdf")

    def picture(name: str, request: Request) -> Response:
        from runk.formats.template import template_svg

        text = template_svg(asked(name, request).face, paper_in(request.query_params))
        return as_file(text.encode("utf-8"), "image/svg+xml", "template.svg")

    def machine(name: str, request: Request) -> Response:
        run = _dry_run(asked(name, request), here())
        return as_file(run.code.encode("ascii"), "text/plain; charset=us-ascii", f"{name}.ngc")

    def walked(name: str, request: Request) -> DryRun:
        return _dry_run(asked(name, request), here())

    @routes.get("/{name}/dxf", response_class=Response)
    async def dxf(name: str, request: Request) -> Response:
        return await filed(drawing, name, request)

    @routes.get("/{name}/csv", response_class=Response)
    async def table(name: str, request: Request) -> Response:
        return await filed(places, name, request)

    @routes.get("/{name}/pdf", response_class=Response)
    async def pdf(name: str, request: Request) -> Response:
        return await filed(template, name, request)

    @routes.get("/{name}/svg", response_class=Response)
    async def svg(name: str, request: Request) -> Response:
        return await filed(picture, name, request)

    @routes.get("/{name}/code", response_class=Response)
    async def code(name: str, request: Request) -> Response:
        return await filed(machine, name, request)

    @routes.get("/{name}/dry-run")
    async def dry_run(name: str, request: Request) -> DryRun:
        return await filed(walked, name, request)

    @routes.post("/read", openapi_extra=_FILE)
    async def read(request: Request) -> ReadIn:
        request.state.page = page = page_in(request.query_params)
        return await filed(_read, await request.body(), page)

    return routes


_FILE = {"requestBody": {"content": {"application/octet-stream": {"schema": {"type": "string"}}}}}


def _asked(calculator: AnyCalculator, given: dict[str, str], workshop: Workshop) -> _Asked:
    known_only(given, {*calculator.fields, *_APART}, calculator.title)
    page = page_in(given)
    typed: dict[str, Any] = {k: v for k, v in given.items() if k in calculator.fields}
    read = read_question(calculator, typed, page, workshop)
    answer = calculator.ask(read.question, workshop)
    stops = [c for c in answer.cautions if c.word == "Stop"]
    if stops:
        # What must not be drilled is not drawn for it either.
        raise Refused(f"Not as it stands: {stops[0].says}", field=None)
    title = worded(sentence(calculator, read, page, workshop), page)
    return _Asked(read.question, set_out(read.question, answer, title), given, page)


def _dry_run(asked: _Asked, workshop: Workshop) -> DryRun:
    from runk.formats.rs274 import pattern_code, profile_code
    from runk.formats.rs274_trace import compare, trace

    told = _told(asked, workshop)
    if isinstance(asked.question, PathQuestion):
        gone = laps(asked.question)
        code = profile_code(asked.face, told, gone)
    else:
        code, gone = pattern_code(asked.face, told), ()
    moves = trace(code)
    return DryRun(code, list(moves), compare(moves, asked.face, told.depths[-1], gone))


def _told(asked: _Asked, workshop: Workshop) -> Machining:
    question, given = asked.question, asked.given
    if isinstance(question, PathQuestion):
        operation, dia, depths = "end-mill", question.cutter, rounds_of(question)
    else:
        operation, dia = "drill", question.hole
        deep = _length(asked, "drill_deep")
        depths = () if deep is None else (float(deep),)
    return machining(
        workshop,
        operation=operation,
        dia=dia,
        metal=given.get("metal", ""),
        machine=given.get("machine", ""),
        depths=depths,
        safe=_length(asked, "safe"),
    )


def _length(asked: _Asked, field: str) -> Fraction | None:
    """A length that stands beside the question in the address; None where it was left out."""
    typed = asked.given.get(field, "").strip()
    if not typed:
        return None
    try:
        return read_length(typed, asked.page).mm
    except Refused as refused:
        raise refused.on(field) from None


def _read(body: bytes, page: PageUnit) -> ReadIn:
    from runk.formats.set_out_csv import places_and_size
    from runk.formats.set_out_dxf import LARGEST, read_dxf

    head = body[:4096].lstrip(b"\xef\xbb\xbf \r\n\t")
    drawing = b"SECTION" in head[:400] or head.startswith((b"AutoCAD Binary DXF", b"999", b"0\n"))
    if len(body) > LARGEST or drawing:
        drawn = read_dxf(body)
        hole = f"{drawn.dia:.4f} mm" if drawn.dia else ""
        return ReadIn(_spots(drawn.spots), _corners(drawn.corners), hole, drawn.says)
    try:
        text = body.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise Refused(
            "That is neither a table of places nor a DXF drawing.", field="file"
        ) from None
    spots, dia = places_and_size(text, page)
    hole = f"{float(dia):.4f} mm" if dia else ""
    return ReadIn(_spots(spots), "", hole, f"{len(spots)} places.")


def _spots(spots: tuple[Spot, ...]) -> str:
    def one(spot: Spot) -> str:
        at = f"{trimmed(spot.x, 4)}, {trimmed(spot.y, 4)}"
        return f"{spot.name} {at}" if spot.name else at

    return _typed([one(spot) for spot in spots])


def _corners(corners: tuple[Corner, ...]) -> str:
    def one(corner: Corner) -> str:
        bent = f" arc {corner.bulge:.9f}".rstrip("0").rstrip(".") if corner.bulge else ""
        return f"{trimmed(corner.x, 4)}, {trimmed(corner.y, 4)}{bent}"

    return _typed([one(corner) for corner in corners])


def _typed(parts: list[str]) -> str:
    """As it would be typed, in millimetres on any page.

    Raises:
        Refused: It is more than a field takes.
    """
    text = f"{'; '.join(parts)} (mm)" if parts else ""
    if len(text) > LONGEST_TYPED:
        raise Refused(
            f"{len(parts)} places are more than one field takes: some "
            f"{len(parts) * LONGEST_TYPED // len(text)} at once.",
            field="file",
        )
    return text
