"""Routes of engines at work: how far each part is, what is missing, what can be done tonight."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel

from runk.api.calculators import Here
from runk.api.ids import RowId, Unit
from runk.api.part_wire import part_in, route_in
from runk.api.problems import PROBLEMS
from runk.core.refusals import Refused
from runk.core.route.hours import mark_of, set_up_min
from runk.core.route.route import Job
from runk.core.route.rules import RULES, check
from runk.core.route.spoken import spoken
from runk.core.route.tonight import Ready, tonight
from runk.core.route.wanted import wanted
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import spoken_route
from runk.store import parts as kept
from runk.store.database import Store
from runk.store.goes_with import KeptFit, fits_kept
from runk.store.parts import KeptPart, PartKey
from runk.store.wants import State, wants_of


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
    spent: float
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
    spent: float


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


def router(store: Store, here: Here) -> APIRouter:
    """Routes of engines at work.

    Args:
        store: Where they are kept.
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    @routes.get("/rules")
    def rules() -> list[RuleOut]:
        return [
            RuleOut(
                key=one.key,
                name=one.name,
                reason=one.reason,
                mend=one.mend,
                severity=one.severity.value,
                source=one.source.title,
                tag=one.source.tag,
            )
            for one in RULES
        ]

    # Written as it is: nothing of it is checked again on its way out.
    @routes.get("/engines/{engine_id}/work", response_model=EngineOut)
    def engine(engine_id: RowId, unit: Unit = PageUnit.MM) -> Response:
        workshop = here()
        with store.reading() as session:
            name = kept.engine_name(session, engine_id)
            keys = kept.part_keys(session, engine_id)
            lines = [
                known_line(key, workshop, unit)
                or part_line(kept.part_kept(session, key.id), workshop, unit, key)
                for key in keys
            ]
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
            rows = kept.parts_kept(session)
            engines = {row.engine_id for row in rows if row.engine_id is not None}
            stands: dict[tuple[int | None, str], str] = {
                (engine, one.what): one.state
                for engine in engines
                for one in wants_of(session, engine)
            }
            fits = fits_kept(session)
        return planned(rows, here(), minutes, unit, stands, fits)

    return routes


_KNOWN: dict[tuple[PartKey, PageUnit], tuple[Workshop, PartLine]] = {}
_MOST_KNOWN = 500


def known_line(key: PartKey, workshop: Workshop, page: PageUnit) -> PartLine | None:
    """The line of a part that is as it was; None where it is to be worked out.

    The same part in the same workshop says the same: it is worked out once.
    """
    # A snapshot of the workshop is of one store: of two stores no two are the same.
    known = _KNOWN.get((key, page))
    return known[1] if known is not None and known[0] is workshop else None


def part_line(
    row: KeptPart, workshop: Workshop, page: PageUnit, key: PartKey | None = None
) -> PartLine:
    """A part in a line: how far, what is next, what is missing."""
    line = _part_line(row, workshop, page)
    if key is not None:
        if len(_KNOWN) >= _MOST_KNOWN:
            _KNOWN.clear()
        _KNOWN[key, page] = (workshop, line)
    return line


def _part_line(row: KeptPart, workshop: Workshop, page: PageUnit) -> PartLine:
    line = PartLine(
        id=row.id,
        name=row.name,
        metal=row.metal,
        features=0,
        operations=0,
        done=0,
        minutes=0.0,
        spent=0.0,
        next="",
        hold="",
        broken=0,
        wanted=[],
        problem="",
        routed=False,
    )
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
        left_min = set_up_min(job, one, done, n)
        line.minutes += left_min
        line.spent += set_up_min(job, one) - left_min
        if not line.next:
            left = [x for at, x in enumerate(one.does) if mark_of(job, n, at, x) not in done]
            if left:
                line.next = job.part.said(spoken(left[0]))
                line.hold = job.part.said(one.hold)
    return line


def unmeasured(
    row: KeptPart,
    job: Job,
    left: Sequence[str],
    fits: Sequence[KeptFit],
    by_id: Mapping[int, KeptPart],
) -> str:
    """The hole a shaft is brought to size for here, where nobody has measured it yet; else empty.

    What was measured first gives the other its size: the shaft itself, where that is there.
    """
    here = [job.by_key[key] for key in left if key in job.by_key]
    finished = {one.feature for one in here if one.verb == "finish"}
    for one in fits:
        part, feature = one.hole
        other = by_id.get(part)
        if one.shaft[0] != row.id or one.shaft[1] not in finished or other is None:
            continue
        if feature not in other.measured and one.shaft[1] not in row.measured:
            return f"{feature} of {other.name}"
    return ""


def planned(
    rows: list[KeptPart],
    workshop: Workshop,
    minutes: int,
    page: PageUnit,
    stands: Mapping[tuple[int | None, str], str] | None = None,
    fits: Sequence[KeptFit] = (),
) -> TonightOut:
    """The set-ups that fit an evening, with what waits for something.

    Args:
        rows: Every part.
        workshop: Today's.
        minutes: There are.
        page: How sizes are said.
        stands: How what is wanted of an engine stands: what is here waits no more.
        fits: What goes with what: a shaft waits until its hole was measured.
    """
    stands = stands or {}
    ready: list[list[Ready]] = []
    by_id = {row.id: row for row in rows}
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
        missing = {
            one.blocks: one.what
            for one in wanted(job, bool(row.done))
            if stands.get((row.engine_id, one.what)) != State.HERE
        }
        own: list[Ready] = []
        for n, one in enumerate(route.set_ups, 1):
            left = [x for at, x in enumerate(one.does) if mark_of(job, n, at, x) not in done]
            if not left:
                continue
            lacks = next((missing[x] for x in ("", *left) if x in missing), "")
            if lacks:
                ordered = stands.get((row.engine_id, lacks)) == State.ORDERED
                how = "ordered" if ordered else "wanted"
                waiting.append(f"{row.name}, set-up {n}: {lacks} is {how}.")
                break
            if first := unmeasured(row, job, left, fits, by_id):
                waiting.append(f"{row.name}, set-up {n}: {first} is to be measured first.")
                break
            takes = set_up_min(job, one, done, n)
            brings = sum(x in job.by_key for x in left) or 1
            own.append(Ready(row.id, n, takes, brings))
            told[row.id, n] = TonightRow(
                part_id=row.id,
                part=row.name,
                engine=row.engine,
                set_up=n,
                hold=job.part.said(one.hold),
                minutes=takes,
                does=[job.part.said(spoken(x)) for x in left],
            )
        if own:
            ready.append(own)
    chosen = [told[one.part, one.set_up] for one in tonight(ready, minutes)]
    return TonightOut(
        minutes=minutes, taken=sum(one.minutes for one in chosen), rows=chosen, waiting=waiting
    )
