"""Routes of engines at work: how far each part is, what is missing, what can be done tonight."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel

from runk.api.calculators import Here
from runk.api.evening import TonightOut, planned
from runk.api.ids import RowId, Unit
from runk.api.part_line import PartLine
from runk.api.problems import PROBLEMS
from runk.api.shelf import Shelf
from runk.core.route.rules import RULES
from runk.core.route.rules_seen import PROTECTS, rules_seen
from runk.core.units import PageUnit
from runk.store import parts as kept
from runk.store.database import Store


class RuleOut(BaseModel):
    """A rule of the order of work."""

    key: str
    name: str
    reason: str
    mend: str
    severity: str
    source: str
    tag: str
    protects: str
    right: list[list[str]]
    wrong: list[list[str]]


class EngineOut(BaseModel):
    """An engine whole."""

    id: int
    name: str
    parts: list[PartLine]
    minutes: float
    spent: float


def router(store: Store, here: Here) -> APIRouter:
    """Routes of engines at work.

    Args:
        store: Where they are kept.
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    @routes.get("/rules")
    def rules() -> list[RuleOut]:
        seen = rules_seen()
        return [
            RuleOut(
                key=one.key,
                name=one.name,
                reason=one.reason,
                mend=one.mend,
                severity=one.severity.value,
                source=one.source.title,
                tag=one.source.tag,
                protects=seen[one.key].protects,
                right=[list(step) for step in seen[one.key].right],
                wrong=[list(step) for step in seen[one.key].wrong],
            )
            for one in sorted(RULES, key=lambda one: PROTECTS.index(seen[one.key].protects))
        ]

    # Written as it is: nothing of it is checked again on its way out.
    @routes.get("/engines/{engine_id}/work", response_model=EngineOut)
    def engine(engine_id: RowId, unit: Unit = PageUnit.MM) -> Response:
        workshop = here()
        with store.reading() as session:
            name = kept.engine_name(session, engine_id)
            lines = Shelf(session, engine_id).lines(workshop, unit)
        whole = EngineOut(
            id=engine_id,
            name=name,
            parts=lines,
            minutes=sum(one.minutes for one in lines),
            spent=sum(one.spent for one in lines),
        )
        return Response(whole.__pydantic_serializer__.to_json(whole), media_type="application/json")

    @routes.get("/tonight")
    def this_evening(
        minutes: Annotated[int, Query(ge=5, le=1440)] = 90, unit: Unit = PageUnit.MM
    ) -> TonightOut:
        with store.reading() as session:
            shelf = Shelf(session)
            return planned(shelf.evenings(here()), minutes, unit, shelf.stands(), shelf.fits)

    return routes
