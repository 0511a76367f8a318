"""Routes of engines and parts."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel

from runk.api.ids import RowId
from runk.api.problems import PROBLEMS
from runk.store import engines as kept
from runk.store.database import Store
from runk.store.engines import EngineWithParts, Part


class NameIn(BaseModel):
    """A name, and for a part its metal."""

    name: str
    metal: str = ""


def router(store: Store) -> APIRouter:
    """Routes of engines and parts."""
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    @routes.get("/engines")
    def everything() -> list[EngineWithParts]:
        with store.reading() as session:
            return kept.list_engines(session)

    @routes.post("/engines", status_code=201)
    def add_engine(body: NameIn) -> EngineWithParts:
        with store.writing() as session:
            return kept.add_engine(session, body.name)

    @routes.patch("/engines/{engine_id}")
    def rename_engine(engine_id: RowId, body: NameIn) -> EngineWithParts:
        with store.writing() as session:
            return kept.rename_engine(session, engine_id, body.name)

    @routes.post("/engines/{engine_id}/parts", status_code=201)
    def add_part(engine_id: RowId, body: NameIn) -> Part:
        with store.writing() as session:
            return kept.add_part(session, engine_id, body.name, body.metal)

    @routes.patch("/parts/{part_id}")
    def rename_part(part_id: RowId, body: NameIn) -> Part:
        with store.writing() as session:
            return kept.rename_part(session, part_id, body.name)

    for what, mark in (("engines", kept.set_engine_deleted), ("parts", kept.set_part_deleted)):
        _add_marks(routes, store, f"/{what}/{{item}}", mark)
    return routes


def _add_marks(routes: APIRouter, store: Store, path: str, mark: kept.Mark) -> None:
    """The two routes by which something is thrown away and brought back."""

    def throw(item: RowId) -> None:
        with store.writing() as session:
            mark(session, item, True, "")

    def bring(item: RowId, name: Annotated[str, Query(max_length=120)] = "") -> None:
        with store.writing() as session:
            mark(session, item, False, name)

    for method, end, work in (("DELETE", "", throw), ("POST", "/back", bring)):
        routes.add_api_route(
            path + end, work, methods=[method], status_code=204, name=f"{method} {path}{end}"
        )
