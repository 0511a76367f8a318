"""Routes of engines and parts as files: JSON out and in, a list in, a sheet for the bench."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query, Request, Response

from runk.api.calculators import Here
from runk.api.cutbook import CutBook
from runk.api.engine_file import engine_text, put_engine, read_rows
from runk.api.files import as_file
from runk.api.ids import RowId, Unit
from runk.api.part_wire import part_out
from runk.api.problems import PROBLEMS
from runk.api.worked import filed
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.formats.paper import Paper
from runk.store.database import Store
from runk.store.engines import EngineWithParts
from runk.store.parts import engine_name, part_kept, parts_kept

_BODY = {
    "required": True,
    "content": {
        "application/json": {"schema": {"type": "object"}},
        "text/csv": {"schema": {"type": "string"}},
    },
}


def router(store: Store, book: CutBook, here: Here) -> APIRouter:
    """Routes of engines' files.

    Args:
        store: Where they are kept.
        book: Every cut being followed.
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    @routes.get("/engines/{engine_id}/file", response_class=Response)
    def out(engine_id: RowId) -> Response:
        with store.reading() as session:
            name, rows = engine_name(session, engine_id), parts_kept(session, engine_id)
            body = engine_text(session, name, rows, here())
        return as_file(body.encode(), "application/json", f"engine-{engine_id}.json")

    def put(raw: bytes, kind: str, engine: str, unit: PageUnit) -> EngineWithParts:
        workshop = here()
        read = read_rows(raw, kind, engine, workshop, unit)
        with store.writing() as session:
            return put_engine(session, read, book, workshop)

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
