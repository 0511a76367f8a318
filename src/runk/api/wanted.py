"""Routes of what an engine wants: its stock, what is missing, a kit checked, its shafts."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import Annotated

from fastapi import APIRouter, Query, Request
from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from runk.api.calculators import Here
from runk.api.ids import RowId, Unit
from runk.api.part_wire import part_in
from runk.api.problems import PROBLEMS
from runk.core.refusals import Refused
from runk.core.route.bill import bill, kit_checked
from runk.core.route.route import Job
from runk.core.route.wanted import wanted
from runk.core.said import mm_said, worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.store import parts as kept
from runk.store.database import Store
from runk.store.goes_with import fits_kept
from runk.store.wants import State, Want, put_want, strike_want, wants_of


class WantOut(BaseModel):
    """Something wanted, for which parts, and how it stands."""

    what: str
    many: int
    state: State
    bought: bool
    parts: list[str]


class StockOut(BaseModel):
    """Metal parts are cut from."""

    says: str
    pieces: int
    parts: list[str]


class AlongOut(BaseModel):
    """A shaft and what sits along it, against its own length."""

    shaft: str
    part_id: int
    along: list[str]
    says: str
    over: bool
    question: dict[str, str]


class WantedOut(BaseModel):
    """What an engine wants, whole."""

    wants: list[WantOut]
    stock: list[StockOut]
    shafts: list[AlongOut]


class WantIn(BaseModel):
    """Something to put on the list, or how it stands now."""

    what: str = Field(max_length=200)
    many: int = Field(default=1, ge=1, le=10000)
    state: State = State.MISSING


class KitIn(BaseModel):
    """A kit's or a delivery's list, one thing a line."""

    lines: str = Field(max_length=20000)
    unit: PageUnit = PageUnit.MM


class KitRow(BaseModel):
    """One thing the drawing asks, beside what the kit has of it."""

    asks: str
    has: str
    short: str


class KitOut(BaseModel):
    """A kit against the drawing."""

    rows: list[KitRow]
    over: list[str]


def router(store: Store, here: Here) -> APIRouter:
    """Routes of what is wanted.

    Args:
        store: Where engines are kept.
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api/engines", responses=PROBLEMS)

    @routes.get("/{engine_id}/wanted")
    def everything(request: Request, engine_id: RowId, unit: Unit = PageUnit.MM) -> WantedOut:
        request.state.page = unit
        workshop = here()
        with store.reading() as session:
            rows, own = kept.parts_kept(session, engine_id), wants_of(session, engine_id)
            jobs = _jobs(rows, workshop)
            shafts = list(_shafts(session, jobs, unit))
        return WantedOut(
            wants=list(_wants(jobs, own)),
            stock=[
                StockOut(says=worded(one.says, unit), pieces=one.pieces, parts=list(one.parts))
                for one in bill(job.part for _, job in jobs)
            ],
            shafts=shafts,
        )

    @routes.put("/{engine_id}/wanted", status_code=204)
    def put(engine_id: RowId, body: WantIn) -> None:
        workshop = here()
        with store.writing() as session:
            rows = kept.parts_kept(session, engine_id)
            asked = {one.what for _, job in _jobs(rows, workshop) for one in wanted(job)}
            put_want(session, engine_id, body.what, body.many, body.state, body.what not in asked)

    @routes.delete("/{engine_id}/wanted", status_code=204)
    def strike(engine_id: RowId, what: Annotated[str, Query(max_length=200)]) -> None:
        with store.writing() as session:
            strike_want(session, engine_id, what)

    @routes.post("/{engine_id}/kit")
    def kit(request: Request, engine_id: RowId, body: KitIn) -> KitOut:
        request.state.page = body.unit
        workshop = here()
        with store.reading() as session:
            rows, own = kept.parts_kept(session, engine_id), wants_of(session, engine_id)
        bought = {one.what: one.many for one in own if one.bought}
        needs = bill(job.part for _, job in _jobs(rows, workshop))
        found = kit_checked(needs, bought, body.lines.splitlines(), workshop.metals, body.unit)
        told = [
            KitRow(asks=worded(r.asks, body.unit), has=r.has, short=worded(r.short, body.unit))
            for r in found.rows
        ]
        return KitOut(rows=told, over=list(found.over))

    return routes


def _jobs(rows: Sequence[kept.KeptPart], workshop: Workshop) -> list[tuple[kept.KeptPart, Job]]:
    """Every part that can be made as drawn."""
    found = []
    for row in rows:
        try:
            found.append((row, part_in(row, workshop)))
        except Refused:
            continue
    return found


def _wants(jobs: Sequence[tuple[kept.KeptPart, Job]], own: Sequence[Want]) -> Iterator[WantOut]:
    stands = {one.what: one for one in own}
    asked: dict[str, list[str]] = {}
    for row, job in jobs:
        for lack in wanted(job, bool(row.done)):
            if row.name not in asked.setdefault(lack.what, []):
                asked[lack.what].append(row.name)
    for what, names in asked.items():
        state = State(stands[what].state) if what in stands else State.MISSING
        yield WantOut(what=what, many=1, state=state, bought=False, parts=names)
    for one in own:
        if one.bought and one.what not in asked:
            yield WantOut(
                what=one.what, many=one.many, state=State(one.state), bought=True, parts=[]
            )


def _shafts(
    session: Session, jobs: Sequence[tuple[kept.KeptPart, Job]], page: PageUnit
) -> Iterator[AlongOut]:
    """Shafts that carry two things or more, from the right end to the left."""
    by_id = {row.id: (row, job) for row, job in jobs}
    for row, job in jobs:
        sits = []
        for one in fits_kept(session, row.id):
            other = by_id.get(one.hole[0])
            feature = job.part.by_key.get(one.shaft[1])
            if one.shaft[0] != row.id or other is None or feature is None:
                continue
            wide = other[1].part.long - other[1].part.begin
            sits.append((feature.span[0], other[0].name, wide))
        if len(sits) < 2:
            continue
        along = [(name, wide) for _, name, wide in sorted(sits)]
        total, long = sum(wide for _, wide in along), job.part.long - job.part.begin
        yield AlongOut(
            shaft=row.name,
            part_id=row.id,
            along=[f"{name} {_said(wide, page)}" for name, wide in along],
            says=f"{_said(total, page)} of {_said(long, page)}",
            over=total > long + 1e-6,
            question={"along": "; ".join(f"{_plain(name)} {wide:g} mm" for name, wide in along)},
        )


def _said(mm: float, page: PageUnit) -> str:
    return worded(mm_said(mm), page)


def _plain(name: str) -> str:
    """A name as a list of lengths takes it: no sizes and no commas in it."""
    return " ".join(word for word in name.replace(",", " ").split() if word.isalpha()) or "part"
