"""Routes of engines and parts."""

from __future__ import annotations

from fastapi import APIRouter
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
        for method, path, deleted in (("DELETE", "", True), ("POST", "/back", False)):
            _add_mark(routes, store, f"/{what}/{{item}}{path}", method, mark, deleted)
    return routes


def _add_mark(
    routes: APIRouter, store: Store, path: str, method: str, mark: kept.Mark, deleted: bool
) -> None:
    def set_deleted(item: RowId) -> None:
        with store.writing() as session:
            mark(session, item, deleted)

    routes.add_api_route(
        path, set_deleted, methods=[method], status_code=204, name=f"{method} {path}"
    )
