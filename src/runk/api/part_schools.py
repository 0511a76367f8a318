"""Routes of two schools: what each way of a part costs, and the one that is taken."""

from __future__ import annotations

from contextlib import suppress
from dataclasses import replace
from typing import Any

from fastapi import APIRouter, Request
from sqlalchemy.orm import Session

from runk.api.calculators import Here
from runk.api.ids import RowId, Unit
from runk.api.part_shapes import SchoolIn, SchoolOut, WayOut
from runk.api.part_wire import part_in, route_in
from runk.api.problems import PROBLEMS
from runk.api.worked import searched
from runk.core.refusals import Refused
from runk.core.route.built_up import Piece, built_up
from runk.core.route.propose import propose
from runk.core.route.route import Job
from runk.core.route.schools import School, costed, schools_of
from runk.core.units import PageUnit
from runk.formats.part_json import proposal_kept
from runk.store import parts as kept
from runk.store.database import Store
from runk.store.engines import add_part
from runk.store.goes_with import add_fit
from runk.store.kept import Stale
from runk.store.parts import KeptPart


def router(store: Store, here: Here) -> APIRouter:
    """Routes of two schools.

    Args:
        store: Where parts are kept.
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api/parts", responses=PROBLEMS)

    def costed_both(part_id: RowId, unit: PageUnit) -> list[SchoolOut]:
        with store.reading() as session:
            row = kept.part_kept(session, part_id)
        job = part_in(row, here())
        return [_told(job, school, unit) for school in schools_of(job.part)]

    @routes.get("/{part_id}/schools")
    async def both(request: Request, part_id: RowId, unit: Unit = PageUnit.MM) -> list[SchoolOut]:
        request.state.page = unit
        return await searched(costed_both, part_id, unit)

    def taken(part_id: RowId, body: SchoolIn) -> None:
        workshop = here()
        with store.reading() as session:
            row = kept.part_kept(session, part_id)
        part = part_in(row, workshop).part
        school = next((one for one in schools_of(part) if one.key == body.school), None)
        if school is None:
            raise Refused(f"{row.name} is not made in two ways so.", field="school")
        if body.way not in {way.key for way in school.ways}:
            ways = " or ".join(way.key for way in school.ways)
            raise Refused(f"There is no way `{body.way}`.", field="way", suggest=ways)
        drawn = {**(row.drawn or {}), "schools": {**part.schools, body.school: body.way}}
        if body.way == "built":
            _built(row, body.version, drawn, built_up(part))
            return
        # Looked for before anything is written: nobody waits at the door for a search.
        found = propose(part_in(replace(row, drawn=drawn), workshop), dict(route_in(row).overruled))
        with store.writing() as session:
            after = kept.save_drawn(session, part_id, body.version, row.metal, drawn)
            kept.save_route(session, part_id, after.version, proposal_kept(found))

    def _built(
        row: KeptPart, version: int, drawn: dict[str, Any], pieces: tuple[Piece, ...]
    ) -> None:
        """The pieces of a part beside it, then a route for each that has none."""
        with store.writing() as session:
            after = kept.save_drawn(session, row.id, version, row.metal, drawn)
            ids = _add(session, after, pieces)
            kept.save_route(session, row.id, after.version, None)
            new = [one for part in ids if (one := kept.part_kept(session, part)).route is None]
        # Routed when it is known what each is tried on.
        workshop = here()
        for one in new:
            # It is kept: that a piece has no route yet, or was changed by now, takes nothing back.
            with suppress(Refused, Stale):
                found = propose(part_in(one, workshop))
                with store.writing() as session:
                    kept.save_route(session, one.id, one.version, proposal_kept(found))

    @routes.post("/{part_id}/school", status_code=204)
    async def take(part_id: RowId, body: SchoolIn) -> None:
        await searched(taken, part_id, body)

    return routes


def _add(session: Session, row: KeptPart, pieces: tuple[Piece, ...]) -> list[int]:
    """Add the pieces a part is built of, and what goes into what."""
    if row.engine_id is None:
        raise Refused(
            "This part belongs to no engine: its pieces would have nowhere to go.", field="engine"
        )
    there = {one.name: one.id for one in kept.parts_kept(session, row.engine_id)}
    ids: dict[str, int] = {}
    for one in pieces:
        name = one.part.name
        ids[name] = there.get(name) or _new(session, row, one)
    for one in pieces:
        for whole, hole, feature, duty in one.goes_in:
            add_fit(session, (ids[whole], hole), (ids[one.part.name], feature), duty)
    return list(ids.values())


def _new(session: Session, row: KeptPart, piece: Piece) -> int:
    part = piece.part
    made = add_part(session, row.engine_id or 0, part.name, part.metal)
    told = {
        "blank": piece.blank,
        "features": list(piece.features),
        "alike": part.alike,
        "notes": [f"Of {row.name}, built up."],
        "tries": {},
        "harden": False,
        "unit": "mm",
    }
    kept.save_drawn(session, made.id, 1, part.metal, told)
    return made.id


def _told(job: Job, school: School, page: PageUnit) -> SchoolOut:
    chosen = job.part.schools.get(school.key, school.ways[0].key)
    ways = []
    for way in school.ways:
        told = WayOut(
            key=way.key,
            name=way.name,
            costs=way.costs,
            chosen=way.key == chosen,
            set_ups=0,
            minutes=0.0,
            parts=0,
            proved=False,
            problem="",
        )
        try:
            found = costed(job, school, way)
        except Refused as refused:
            told.problem = refused.said(page)
        else:
            told.set_ups, told.minutes = found.set_ups, found.minutes
            told.parts, told.proved = found.parts, found.proved
        ways.append(told)
    return SchoolOut(key=school.key, name=school.name, ways=ways)
