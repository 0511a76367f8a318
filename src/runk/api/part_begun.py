"""How a part may be begun: kinds of feature to look at, families to begin from."""

from __future__ import annotations

from dataclasses import asdict
from functools import cache

from fastapi import APIRouter, Request, Response
from pydantic_core import to_json

from runk.api.part_shapes import BegunOut, FamilyIn, FamilyOut, KindOut, SizeOut
from runk.api.problems import PROBLEMS
from runk.core.refusals import Refused
from runk.core.route.drawn.examples import EXAMPLES
from runk.core.route.drawn.sketched import sketch
from runk.core.route.families.every import FAMILIES
from runk.core.route.families.family import begun
from runk.core.route.feature_question import KINDS
from runk.core.units import PageUnit


def router() -> APIRouter:
    """Routes that know nothing of what is kept."""
    routes = APIRouter(prefix="/api/parts", responses=PROBLEMS)

    @routes.get("/kinds", response_model=list[KindOut])
    def kinds(unit: PageUnit = PageUnit.MM) -> Response:
        return Response(_kinds(unit), media_type="application/json")

    @routes.get("/families")
    def families(unit: PageUnit = PageUnit.MM) -> list[FamilyOut]:
        return [
            FamilyOut(
                key=one.key,
                name=one.name,
                says=one.says,
                sizes=[
                    SizeOut(key=z.key, label=z.label, example=z.example(unit), spare=z.spare)
                    for z in one.sizes
                ],
            )
            for one in FAMILIES.values()
        ]

    @routes.post("/family")
    def family(request: Request, body: FamilyIn) -> BegunOut:
        request.state.page = body.unit
        if body.family not in FAMILIES:
            raise Refused("There is no such family of parts here.", field="family")
        made = begun(FAMILIES[body.family], body.sizes, body.unit)
        return BegunOut(blank=made.blank, lines=list(made.lines))

    return routes


@cache
def _kinds(unit: PageUnit) -> bytes:
    return to_json(
        [
            {
                "key": kind.key,
                "word": kind.label,
                "example": EXAMPLES[kind.key][unit],
                "drawn": asdict(sketch(kind.key)),
            }
            for kind in KINDS
        ]
    )
