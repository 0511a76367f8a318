"""Routes of parts: what each is, how it is made, what is done of it, what can be done tonight."""

from __future__ import annotations

from typing import Annotated, Any

from fastapi import APIRouter, Query, Request, Response
from pydantic import BaseModel

from runk.api.calculators import Here, written
from runk.api.ids import RowId
from runk.api.part_wire import DrawnIn, NewIn, PartOut, RouteIn, TickIn, part_in, part_out, route_in
from runk.api.problems import PROBLEMS
from runk.core.refusals import Refused
from runk.core.route.hours import mark_of, set_up_min
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.rules import RULES, check
from runk.core.route.tonight import Ready, tonight
from runk.core.route.wanted import wanted
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import spoken_route
from runk.store import parts as kept
from runk.store.database import Store
from runk.store.parts import KeptPart


class RuleOut(BaseModel):
    """A rule of the order of work."""

    key: str
    name: str
    reason: str
    mend: str
    severity: str
    source: str
    tag: str


class PartLine(BaseModel):
    """A part in its engine: how far it is, what is next, what stands in the way."""

    id: int
    name: str
    metal: str
    features: int
    operations: int
    done: int
    minutes: float
    next: str
    hold: str
    broken: int
    wanted: list[str]
    problem: str
    routed: bool


class EngineOut(BaseModel):
    """An engine whole."""

    id: int
    name: str
    parts: list[PartLine]
    minutes: float
    wanted: list[str]


class TonightRow(BaseModel):
    """A set-up for tonight."""

    part_id: int
    part: str
    engine: str
    set_up: int
    hold: str
    minutes: float
    does: list[str]


class TonightOut(BaseModel):
    """What can be done tonight."""

    minutes: int
    taken: float
    rows: list[TonightRow]
    waiting: list[str]


Unit = Annotated[PageUnit, Query()]


def router(store: Store, here: Here) -> APIRouter:
    """Routes of parts.

    Args:
        store: Where they are kept.
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    @routes.get("/rules")
    def rules() -> list[RuleOut]:
        return [
            RuleOut(
                key=one.key, name=one.name, reason=one.reason, mend=one.mend,
                severity=one.severity.value, source=one.source.title, tag=one.source.tag,
            )
            for one in RULES
        ]  # fmt: skip

    @routes.get("/parts/{part_id}", response_model=PartOut)
    def part(request: Request, part_id: RowId, unit: Unit = PageUnit.MM) -> Response:
        request.state.page = unit
        with store.reading() as session:
            found = kept.part_kept(session, part_id)
        return written(part_out(found, here(), unit))

    @routes.put("/parts/{part_id}/drawn", response_model=PartOut)
    def draw(request: Request, part_id: RowId, body: DrawnIn) -> Response:
        request.state.page = body.unit
        workshop, drawn = here(), body.model_dump(exclude={"version", "metal"}, mode="json")
        drawn["features"] = [" ".join(one.split()) for one in body.features if one.strip()]
        with store.reading() as session:
            name = kept.part_kept(session, part_id).name
        # Read before it is kept: what cannot be made is refused, and what was there stays.
        part = part_of(
            name, body.metal, body.blank, drawn["features"], body.unit, workshop.metals,
            notes=tuple(body.notes), tries=body.tries, alike=body.alike, harden=body.harden,
        )  # fmt: skip
        lost = sorted(set(body.tries) - set(part.by_key))
        if lost:
            raise Refused(f"There is no feature `{lost[0][:60]}` to try.", field="tries")
        with store.writing() as session:
            found = kept.save_drawn(session, part_id, body.version, body.metal, drawn)
        return written(part_out(found, workshop, body.unit))

    @routes.put("/parts/{part_id}/route", response_model=PartOut)
    def route(
        request: Request, part_id: RowId, body: RouteIn, unit: Unit = PageUnit.MM
    ) -> Response:
        request.state.page = unit
        typed = body.model_dump(exclude={"version"})
        with store.writing() as session:
            found = kept.save_route(session, part_id, body.version, typed)
        return written(part_out(found, here(), unit))

    @routes.post("/parts/{part_id}/propose", response_model=PartOut)
    def propose_route(
        request: Request, part_id: RowId, body: NewIn, unit: Unit = PageUnit.MM
    ) -> Response:
        request.state.page = unit
        workshop = here()
        with store.reading() as session:
            before = kept.part_kept(session, part_id)
        overruled = dict(route_in(before).overruled)
        found = propose(part_in(before, workshop), overruled)
        proposed: dict[str, Any] = {
            "set_ups": [
                {"hold": one.hold, "packing": one.packing, "does": list(one.does)}
                for one in found.route.set_ups
            ],
            "overruled": overruled,
            "proved": found.proved,
            "at_least": found.at_least,
            "reasons": [
                {"rule": one.rule, "says": worded(one.says, unit)} for one in found.reasons
            ],
        }
        with store.writing() as session:
            after = kept.save_route(session, part_id, body.version, proposed)
        return written(part_out(after, workshop, unit))

    @routes.post("/parts/{part_id}/tick", response_model=PartOut)
    def tick(request: Request, part_id: RowId, body: TickIn, unit: Unit = PageUnit.MM) -> Response:
        request.state.page = unit
        with store.writing() as session:
            found = kept.tick(session, part_id, body.mark, body.done)
        return written(part_out(found, here(), unit))

    @routes.get("/engines/{engine_id}/work")
    def engine(engine_id: RowId, unit: Unit = PageUnit.MM) -> EngineOut:
        with store.reading() as session:
            rows = kept.parts_kept(session, engine_id)
        if not rows:
            with store.reading() as session:
                name = kept.engine_name(session, engine_id)
            return EngineOut(id=engine_id, name=name, parts=[], minutes=0.0, wanted=[])
        workshop = here()
        lines = [part_line(row, workshop, unit) for row in rows]
        return EngineOut(
            id=engine_id,
            name=rows[0].engine,
            parts=lines,
            minutes=sum(one.minutes for one in lines),
            wanted=list(dict.fromkeys(what for one in lines for what in one.wanted)),
        )

    @routes.get("/tonight")
    def this_evening(
        minutes: Annotated[int, Query(ge=5, le=1440)] = 90, unit: Unit = PageUnit.MM
    ) -> TonightOut:
        with store.reading() as session:
            rows = kept.parts_kept(session)
        return planned(rows, here(), minutes, unit)

    return routes


def part_line(row: KeptPart, workshop: Workshop, page: PageUnit) -> PartLine:
    """A part in a line: how far, what is next, what is missing."""
    line = PartLine(
        id=row.id, name=row.name, metal=row.metal, features=0, operations=0, done=0, minutes=0.0,
        next="", hold="", broken=0, wanted=[], problem="", routed=False,
    )  # fmt: skip
    if row.drawn is None:
        return line
    try:
        job = part_in(row, workshop)
    except Refused as refused:
        line.problem = refused.said(page)
        return line
    route, done = spoken_route(job, route_in(row)), frozenset(row.done)
    line.features, line.operations = len(job.part.features), len(job.operations)
    line.done = sum(one.key in done for one in job.operations)
    line.routed = bool(route.set_ups)
    line.broken = len(check(job, route).broken) if route.set_ups else 0
    line.wanted = list(dict.fromkeys(one.what for one in wanted(job, bool(row.done))))
    for n, one in enumerate(route.set_ups, 1):
        line.minutes += set_up_min(job, one, done, n)
        if not line.next:
            left = [x for at, x in enumerate(one.does) if mark_of(job, n, at, x) not in done]
            line.next, line.hold = (left[0], one.hold) if left else ("", "")
    return line


def planned(rows: list[KeptPart], workshop: Workshop, minutes: int, page: PageUnit) -> TonightOut:
    """The set-ups that fit an evening, with what waits for something."""
    ready: list[list[Ready]] = []
    told: dict[tuple[int, int], TonightRow] = {}
    waiting: list[str] = []
    for row in rows:
        if row.route is None or row.drawn is None:
            continue
        try:
            job = part_in(row, workshop)
        except Refused as refused:
            waiting.append(f"{row.name}: {refused.said(page)}")
            continue
        route, done = spoken_route(job, route_in(row)), frozenset(row.done)
        missing = {one.blocks: one.what for one in wanted(job, bool(row.done))}
        own: list[Ready] = []
        for n, one in enumerate(route.set_ups, 1):
            left = [x for at, x in enumerate(one.does) if mark_of(job, n, at, x) not in done]
            if not left:
                continue
            lacks = next((missing[x] for x in ("", *left) if x in missing), "")
            if lacks:
                waiting.append(f"{row.name}, set-up {n}: {lacks} is wanted.")
                break
            takes = set_up_min(job, one, done, n)
            brings = sum(x in job.by_key for x in left) or 1
            own.append(Ready(row.id, n, takes, brings))
            told[row.id, n] = TonightRow(
                part_id=row.id, part=row.name, engine=row.engine, set_up=n, hold=one.hold,
                minutes=takes, does=left,
            )  # fmt: skip
        if own:
            ready.append(own)
    chosen = [told[one.part, one.set_up] for one in tonight(ready, minutes)]
    return TonightOut(
        minutes=minutes, taken=sum(one.minutes for one in chosen), rows=chosen, waiting=waiting
    )
