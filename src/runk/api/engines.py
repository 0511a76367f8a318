"""Routes of engines and parts."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query, Request
from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from runk.api.calculators import Here
from runk.api.ids import RowId
from runk.api.problems import PROBLEMS
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.engines import ENGINES, put_engine
from runk.formats.parts_list import Listed, parts_listed
from runk.store import engines as kept
from runk.store.database import Store
from runk.store.engines import EngineWithParts, Part
from runk.store.parts import save_drawn


class NameIn(BaseModel):
    """A name, and for a part its metal."""

    name: str
    metal: str = ""


class ListIn(BaseModel):
    """Parts as they stand in a list."""

    text: str = Field(max_length=20000)
    unit: PageUnit = PageUnit.MM


def router(store: Store, here: Here) -> APIRouter:
    """Routes of engines and parts.

    Args:
        store: Where they are kept.
        here: Gives today's workshop.
    """
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

    @routes.post("/engines/{engine_id}/list", status_code=201)
    def add_list(request: Request, engine_id: RowId, body: ListIn) -> list[Part]:
        request.state.page = body.unit
        listed = parts_listed(body.text, body.unit, here().metals)
        with store.writing() as session:
            return [_put(session, engine_id, one, body.unit) for one in listed]

    @routes.get("/examples")
    def examples() -> list[str]:
        return list(ENGINES)

    @routes.post("/examples", status_code=201)
    def add_example(body: NameIn) -> EngineWithParts:
        if body.name not in ENGINES:
            raise Refused("There is no such engine to look at.", field="name")
        with store.writing() as session:
            put_engine(session, body.name, f"{body.name}, to look at")
            return kept.list_engines(session)[-1]

    @routes.patch("/parts/{part_id}")
    def rename_part(part_id: RowId, body: NameIn) -> Part:
        with store.writing() as session:
            return kept.rename_part(session, part_id, body.name)

    for what, mark in (("engines", kept.set_engine_deleted), ("parts", kept.set_part_deleted)):
        _add_marks(routes, store, f"/{what}/{{item}}", mark)
    return routes


def _put(session: Session, engine_id: int, one: Listed, page: PageUnit) -> Part:
    """A part of a list: named, and drawn as far as the list goes."""
    part = kept.add_part(session, engine_id, one.name, one.metal)
    if one.blank or one.alike > 1:
        drawn = {"blank": one.blank, "features": [], "alike": one.alike, "unit": page.value}
        save_drawn(session, part.id, 1, one.metal, drawn)
    return part


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
