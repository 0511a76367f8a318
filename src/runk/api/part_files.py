"""Routes of engines and parts as files: JSON out and in, a list in, a sheet for the bench."""

from __future__ import annotations

import json
from dataclasses import dataclass
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request, Response
from sqlalchemy.orm import Session

from runk.api.calculators import Here
from runk.api.files import as_file
from runk.api.ids import RowId, Unit
from runk.api.part_wire import part_out
from runk.api.problems import PROBLEMS
from runk.api.worked import filed
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.paper import Paper
from runk.formats.part_json import PartFile, Together, Wanted, engine_of, engine_plain, route_kept
from runk.formats.parts_csv import parts_from_csv
from runk.store.database import Store
from runk.store.engines import EngineWithParts
from runk.store.part_files import Named, bring_in, fits_of, part_row
from runk.store.parts import KeptPart, engine_name, part_kept, parts_kept
from runk.store.wants import State, put_want, wants_of

LARGEST = 4_000_000


@dataclass(frozen=True, slots=True)
class Brought:
    """A file, read.

    Args:
        name: Of the engine.
        rows: Its parts as they are kept.
        fits: Hole, shaft and duty, each side a part's name and a feature's.
        wanted: What is wanted for it.
    """

    name: str
    rows: list[dict[str, Any]]
    fits: list[tuple[Named, Named, str]]
    wanted: tuple[Wanted, ...]


_BODY = {
    "required": True,
    "content": {
        "application/json": {"schema": {"type": "object"}},
        "text/csv": {"schema": {"type": "string"}},
    },
}


def row_of(one: PartFile) -> dict[str, Any]:
    """A part of a file as it is kept."""
    route = None if one.route is None else {**route_kept(one.route), **one.proof}
    return {
        "name": one.part.name,
        "metal": one.part.metal,
        "drawn": one.drawn,
        "route": route,
        "done": list(one.done),
        "measured": one.measured,
    }


def engine_text(session: Session, name: str, rows: list[KeptPart]) -> str:
    """An engine as the text of its file, with what goes with what and what is wanted."""
    fits = [Together(*one) for one in fits_of(session, rows)]
    engine = next((row.engine_id for row in rows if row.engine_id is not None), None)
    wants = [
        Wanted(one.what, one.many, one.state, one.bought)
        for one in (wants_of(session, engine) if engine is not None else ())
    ]
    whole = engine_plain(name, [part_row(row) for row in rows], goes_with=fits, wanted=wants)
    return f"{json.dumps(whole, ensure_ascii=False, indent=1)}\n"


def router(store: Store, here: Here) -> APIRouter:
    """Routes of engines' files.

    Args:
        store: Where they are kept.
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    @routes.get("/engines/{engine_id}/file", response_class=Response)
    def out(engine_id: RowId) -> Response:
        with store.reading() as session:
            name, rows = engine_name(session, engine_id), parts_kept(session, engine_id)
            body = engine_text(session, name, rows)
        return as_file(body.encode(), "application/json", f"engine-{engine_id}.json")

    def put(raw: bytes, kind: str, engine: str, unit: PageUnit) -> EngineWithParts:
        read = read_rows(raw, kind, engine, here(), unit)
        with store.writing() as session:
            return put_engine(session, read)

    @routes.post("/engines/file", status_code=201, openapi_extra={"requestBody": _BODY})
    async def bring(
        request: Request,
        engine: Annotated[str, Query(max_length=120)] = "",
        unit: Unit = PageUnit.MM,
    ) -> EngineWithParts:
        request.state.page = unit
        kind = request.headers.get("content-type", "")
        return await filed(put, await request.body(), kind, engine, unit)

    for kind in ("md", "pdf"):
        _add_sheet(routes, store, here, kind)
    return routes


def read_rows(raw: bytes, kind: str, engine: str, workshop: Workshop, page: PageUnit) -> Brought:
    """The engine of a file and its parts as they are kept.

    Raises:
        Refused: It is too large, no JSON and no list, or something of it cannot be made.
    """
    if len(raw) > LARGEST:
        raise Refused(f"That file is larger than {LARGEST // 1_000_000} MB.", field="file")
    try:
        text = raw.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise Refused("That file is no text in UTF-8.", field="file") from None
    if "csv" in kind:
        document = parts_from_csv(text, engine)
    else:
        try:
            document = json.loads(text)
        except (ValueError, RecursionError):
            raise Refused("That file is no JSON that can be read.", field="file") from None
    found = engine_of(document, workshop.metals, page, named=True)
    name = engine.strip() or found.engine
    if not name:
        raise Refused("What is the engine called?", field="engine", suggest="Trial engine")
    fits = [(one.hole, one.shaft, one.duty) for one in found.goes_with]
    rows = [*map(row_of, found.parts), *found.named]
    return Brought(name, rows, fits, found.wanted)


def put_engine(session: Session, read: Brought) -> EngineWithParts:
    """Keep a file's engine, with all that hangs on it.

    Args:
        session: Of one change: what is refused leaves nothing behind.
        read: The file, read.

    Raises:
        Refused: There is an engine of that name, or two parts of one.
    """
    made = bring_in(session, read.name, read.rows, read.fits)
    for one in read.wanted:
        put_want(session, made.id, one.what, one.many, State(one.state), one.bought)
    return made


def _add_sheet(routes: APIRouter, store: Store, here: Here, kind: str) -> None:
    def sheet(
        request: Request,
        part_id: RowId,
        paper: Annotated[Paper, Query()] = Paper.A4,
        unit: Unit = PageUnit.MM,
    ) -> Response:
        from runk.formats.route_sheet import route_markdown, route_pdf

        request.state.page = unit
        with store.reading() as session:
            kept = part_kept(session, part_id)
        part = part_out(kept, here(), unit)
        if not part["route"]:
            raise Refused(f"{kept.name} has no route yet.", field="route")
        if kind == "md":
            text = route_markdown(part).encode()
            return as_file(text, "text/markdown; charset=utf-8", f"route-{part_id}.md")
        return as_file(route_pdf(part, paper), "application/pdf", f"route-{part_id}-{paper}.pdf")

    routes.add_api_route(
        f"/parts/{{part_id}}/sheet.{kind}",
        sheet,
        methods=["GET"],
        response_class=Response,
        name=f"sheet {kind}",
    )
