"""Routes of the slate."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from pydantic import BaseModel, Field

from runk.api.calculators import Here, answer_typed, calculator_named
from runk.api.ids import RowId
from runk.api.problems import PROBLEMS
from runk.core.calculator import Catalogue
from runk.core.units import PageUnit
from runk.store.database import Store
from runk.store.models import SlateRow
from runk.store.slate import MOST_LISTED, SlateItem, change, keep, list_slate, move, put_back, wipe


class KeepIn(BaseModel):
    """An answer to keep. The server answers the question itself: no number is carried by hand."""

    keep_key: str = Field(min_length=8, max_length=64, description="made once for this keeping")
    calculator: str
    question: dict[str, str | float | int | None]
    unit: PageUnit = PageUnit.MM
    note: str = ""
    part_id: RowId | None = None
    feature: str = Field(default="", max_length=60)


class ChangeIn(BaseModel):
    """What to change; what is left out stays."""

    note: str | None = None
    ticked: bool | None = None
    part_id: RowId | None = None


class PlaceIn(BaseModel):
    """Where an item goes: just above one, or just below one."""

    before: RowId | None = None
    after: RowId | None = None


def router(store: Store, here: Here, catalogue: Catalogue) -> APIRouter:
    """Routes of the slate."""
    routes = APIRouter(prefix="/api/slate", responses=PROBLEMS)

    def todays(item: SlateItem) -> SlateItem:
        """An item whose question can be asked today, whatever version kept it."""
        calculator = catalogue.get(item.calculator)
        if calculator is None:
            return item
        typed = calculator.todays(item.question, item.calculator_version)
        known = {k: v for k, v in typed.items() if k in calculator.fields}
        return replace(item, question=known)

    @routes.get("")
    def everything(limit: Annotated[int, Query(ge=1, le=MOST_LISTED)] = 50) -> list[SlateItem]:
        with store.reading() as session:
            return [todays(item) for item in list_slate(session, limit)]

    @routes.post("", status_code=201)
    def keep_answer(body: KeepIn, request: Request) -> SlateItem:
        request.state.page = body.unit
        calculator = calculator_named(catalogue, body.calculator)
        typed = {k: v for k, v in body.question.items() if k in calculator.fields and v is not None}
        said = answer_typed(calculator, typed, body.unit, here())
        row = SlateRow(
            keep_key=body.keep_key,
            calculator=calculator.name,
            calculator_version=calculator.version,
            page_unit=body.unit,
            question=typed,
            answer=said,
            title=said["read_as"],
            headline=said["headline"],
            note=body.note,
            part_id=body.part_id,
            feature=body.feature,
        )
        with store.writing() as session:
            return keep(session, row)

    @routes.put("/{item}/place")
    def put_in_place(item: RowId, body: PlaceIn) -> SlateItem:
        with store.writing() as session:
            return move(session, item, before=body.before, after=body.after)

    @routes.patch("/{item}")
    def change_item(item: RowId, body: ChangeIn) -> SlateItem:
        given: dict[str, Any] = body.model_dump(exclude_unset=True)
        given = {k: v for k, v in given.items() if v is not None or k == "part_id"}
        with store.writing() as session:
            return change(session, item, given)

    @routes.delete("/{item}", status_code=204)
    def wipe_item(item: RowId) -> None:
        with store.writing() as session:
            wipe(session, item)

    @routes.post("/{item}/back")
    def bring_back(item: RowId) -> SlateItem:
        with store.writing() as session:
            return put_back(session, item)

    return routes
