"""Routes of parts: what each is, how it is made, what is done of it."""

from __future__ import annotations

from fastapi import APIRouter, Request, Response

from runk.api.calculators import Here, written
from runk.api.cutbook import CutBook
from runk.api.ids import RowId, Unit
from runk.api.part_bounds import see_marks, see_reading, see_route, see_side
from runk.api.part_fits import fits_out, touched
from runk.api.part_kept import worked_out
from runk.api.part_shapes import DrawnIn, FitIn, MeasureIn, NewIn, PartOut, RouteIn, TickIn
from runk.api.part_wire import part_in, part_out, route_in
from runk.api.problems import PROBLEMS
from runk.api.worked import searched
from runk.core.fits.question import duties
from runk.core.refusals import Refused
from runk.core.route.drawn.together import one_each
from runk.core.route.propose import propose
from runk.core.route.reading import blank_heard, metal_said, part_of
from runk.core.units import PageUnit
from runk.formats.part_json import proposal_kept, spoken_route
from runk.store import parts as kept
from runk.store.database import Store
from runk.store.goes_with import add_fit, asleep, set_fit_deleted
from runk.store.parts import KeptPart


def router(store: Store, book: CutBook, here: Here) -> APIRouter:
    """Routes of parts.

    Args:
        store: Where they are kept.
        book: Every cut being followed.
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    def out(found: KeptPart, page: PageUnit, status: int = 200) -> Response:
        workshop = here()
        with store.reading() as session:
            fits = fits_out(session, found, workshop, page)
            worked = list(worked_out(session, book, found.id, workshop))
            gone = asleep(session, found.id)
        return written(part_out(found, workshop, page, fits, worked, gone), status)

    @routes.get("/parts/{part_id}", response_model=PartOut)
    def part(request: Request, part_id: RowId, unit: Unit = PageUnit.MM) -> Response:
        request.state.page = unit
        with store.reading() as session:
            found = kept.part_kept(session, part_id)
        return out(found, unit)

    @routes.put("/parts/{part_id}/drawn", response_model=PartOut)
    def draw(request: Request, part_id: RowId, body: DrawnIn) -> Response:
        request.state.page = body.unit
        workshop, drawn = here(), body.model_dump(exclude={"version", "metal", "sure"}, mode="json")
        typed = [" ".join(one.split()) for one in body.features if one.strip()]
        heard = blank_heard(body.blank, body.unit)
        metal = metal_said(body.metal, heard, workshop.metals)
        # Each on a line of its own, and where it is from the right end.
        drawn["features"] = one_each(typed, heard.asked, body.unit)
        with store.reading() as session:
            before = kept.part_kept(session, part_id)
        # Read before it is kept: what cannot be made is refused, and what was there stays.
        part = part_of(
            before.name,
            metal,
            body.blank,
            drawn["features"],
            body.unit,
            workshop.metals,
            notes=tuple(body.notes),
            tries=body.tries,
            alike=body.alike,
            harden=body.harden,
            schools=body.schools,
        )
        lost = sorted(set(body.tries) - set(part.by_key))
        if lost:
            raise Refused(f"There is no feature `{lost[0][:60]}` to try.", field="tries")
        with store.writing() as session:
            if not body.sure and (also := list(touched(session, before, part, workshop))):
                raise Refused(f"{'; '.join(also)}.", field="sure", suggest="take it all the same")
            found = kept.save_drawn(session, part_id, body.version, metal, drawn)
        return out(found, body.unit)

    @routes.put("/parts/{part_id}/route", response_model=PartOut)
    def route(
        request: Request, part_id: RowId, body: RouteIn, unit: Unit = PageUnit.MM
    ) -> Response:
        request.state.page = unit
        typed = body.model_dump(exclude={"version"})
        see_route(typed)
        with store.writing() as session:
            found = kept.save_route(session, part_id, body.version, typed)
        return out(found, unit)

    def proposed(part_id: RowId, body: NewIn, unit: PageUnit) -> Response:
        workshop = here()
        with store.reading() as session:
            before = kept.part_kept(session, part_id)
        overruled = dict(route_in(before).overruled)
        found = propose(part_in(before, workshop), overruled)
        with store.writing() as session:
            after = kept.save_route(session, part_id, body.version, proposal_kept(found))
        return out(after, unit)

    @routes.post("/parts/{part_id}/propose", response_model=PartOut)
    async def propose_route(
        request: Request, part_id: RowId, body: NewIn, unit: Unit = PageUnit.MM
    ) -> Response:
        request.state.page = unit
        return await searched(proposed, part_id, body, unit)

    @routes.post("/parts/{part_id}/tick", response_model=PartOut)
    def tick(request: Request, part_id: RowId, body: TickIn, unit: Unit = PageUnit.MM) -> Response:
        request.state.page = unit
        workshop = here()
        with store.writing() as session:
            if body.done:
                row = kept.part_kept(session, part_id)
                job = part_in(row, workshop)
                see_marks([body.mark], job, spoken_route(job, route_in(row)))
            found = kept.tick(session, part_id, body.mark, body.done, body.version)
        return out(found, unit)

    @routes.post("/parts/{part_id}/measure", response_model=PartOut)
    def measure(request: Request, part_id: RowId, body: MeasureIn) -> Response:
        request.state.page = body.unit
        workshop, reading = here(), " ".join(body.reading.split())
        with store.reading() as session:
            before = kept.part_kept(session, part_id)
        part = part_in(before, workshop).part
        reading = see_reading(part, body.feature, reading, body.unit, workshop)
        with store.writing() as session:
            found = kept.measure(session, part_id, body.feature, reading, body.version)
        return out(found, body.unit)

    @routes.post("/fits", response_model=PartOut)
    def goes_with(request: Request, body: FitIn, part: RowId, unit: Unit = PageUnit.MM) -> Response:
        request.state.page = unit
        workshop = here()
        if body.duty not in duties():
            raise Refused(f"I know no duty `{body.duty}`.", field="duty", suggest="running")
        with store.reading() as session:
            for part_id, feature, hollow in (
                (body.hole_part, body.hole_feature, True),
                (body.shaft_part, body.shaft_feature, False),
            ):
                row = kept.part_kept(session, part_id)
                see_side(part_in(row, workshop).part, feature, hollow)
        with store.writing() as session:
            add_fit(
                session,
                (body.hole_part, body.hole_feature),
                (body.shaft_part, body.shaft_feature),
                body.duty,
                (body.hole_version, body.shaft_version),
            )
            found = kept.part_kept(session, part)
        return out(found, unit)

    @routes.delete("/fits/{fit_id}", status_code=204)
    def part_them(fit_id: RowId) -> None:
        with store.writing() as session:
            set_fit_deleted(session, fit_id, True)

    @routes.post("/fits/{fit_id}/back", status_code=204)
    def together_again(fit_id: RowId) -> None:
        with store.writing() as session:
            set_fit_deleted(session, fit_id, False)

    return routes
