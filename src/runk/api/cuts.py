"""Routes of cuts being brought to size."""

from __future__ import annotations

import secrets
from collections.abc import Callable
from typing import Annotated

from fastapi import APIRouter, Query, Request, Response

from runk.api.calculators import Here
from runk.api.cut_bodies import (
    CutLine,
    CutOut,
    DoneIn,
    GaugeIn,
    ReadingIn,
    StartIn,
    TriedIn,
    UndoIn,
    cut_line,
    cut_out,
)
from runk.api.cut_gauge import simulated_gauge, tried_or_made
from runk.api.cut_typed import degrees_typed, divisions_typed, sizes_typed, slipped
from runk.api.cutbook import CutBook, Page, SlipFound
from runk.api.ids import RowId
from runk.api.problems import PROBLEMS
from runk.core.calculator import Catalogue
from runk.core.plan.events import TRIED, Event, EventKind
from runk.core.plan.thread_passes import tells
from runk.core.questions import read_question, sentence
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.gauges import Gauge, read_within
from runk.store.cuts import MOST_LISTED, fetch_back, newest, start_cut, throw_away

GAUGE_S = 3.0
GaugeOf = Callable[[Page, bool], Gauge]


def router(
    book: CutBook, here: Here, catalogue: Catalogue, gauge_of: GaugeOf = simulated_gauge
) -> APIRouter:
    """Routes of cuts.

    Args:
        book: Every cut being followed.
        catalogue: The calculators; some answer with a cut.
        here: Gives today's workshop.
        gauge_of: The gauge that measures a cut.
    """
    routes = APIRouter(prefix="/api/cuts", responses=PROBLEMS)

    @routes.get("")
    def every_cut(limit: Annotated[int, Query(ge=1, le=MOST_LISTED)] = 30) -> list[CutLine]:
        with book.reading() as session:
            return [cut_line(book.page(session, cut)) for cut in newest(session, limit)]

    @routes.post("", status_code=201, response_model=CutOut)
    def start(body: StartIn, request: Request) -> Response:
        request.state.page = body.unit
        workshop = here()
        calculator = catalogue.get(body.calculator)
        if calculator is None or calculator.follow is None:
            followed = " or ".join(c.name for c in catalogue.values() if c.follow is not None)
            raise Refused(
                f"`{body.calculator}` answers with no cut that can be followed.",
                field="calculator",
                suggest=followed,
            )
        typed = {k: v for k, v in body.question.items() if k in calculator.fields and v is not None}
        read = read_question(calculator, typed, body.unit, workshop)
        question = read.question
        cut = calculator.follow(question, calculator.needs(question, workshop))
        seed = secrets.randbelow(2**31) if body.simulated else None
        title = sentence(calculator, read, body.unit, workshop)
        with book.writing() as session:
            kept = start_cut(
                session,
                body.keep_key,
                title,
                typed,
                body.unit,
                calculator.version,
                cut.spec,
                cut.said,
                seed=seed,
                part_id=body.part_id,
                feature=body.feature,
                mate_id=body.mate_id,
            )
            page = book.page(session, kept.id)
        return cut_out(page, 201)

    @routes.get("/{cut}", response_model=CutOut)
    def one_cut(cut: RowId) -> Response:
        with book.reading() as session:
            return cut_out(book.page(session, cut))

    @routes.post("/{cut}/readings", response_model=CutOut)
    def reading(cut: RowId, body: ReadingIn, request: Request) -> Response:
        request.state.page = body.unit
        event = Event(
            0,
            EventKind.READING,
            sizes_typed(body.reading, body.unit),
            divisions_typed(body.wound),
            degrees_typed(body.warm),
        )
        try:
            return cut_out(book.add(cut, body.event_key, event, body.after, sure=body.sure))
        except SlipFound as found:
            return slipped(found.slip, body.unit)

    @routes.post("/{cut}/gauge", response_model=CutOut)
    def from_gauge(cut: RowId, body: GaugeIn) -> Response:
        with book.reading() as session:
            page = book.page(session, cut)
        # Passes made and not measured yet are what it reads now.
        spec, left = page.cut.spec, page.where.at.left_mm
        again = body.again or (page.where.made > 0 and tells(spec, left))
        if (moved := tried_or_made(page, again)) is not None:
            return cut_out(book.add(cut, body.event_key, moved, body.after))
        shown = read_within(gauge_of(page, again), GAUGE_S)
        wound = 0.0 if again else None
        event = Event(0, EventKind.READING, (shown.value,), wound)
        try:
            return cut_out(book.add(cut, body.event_key, event, body.after, sure=False))
        except SlipFound as found:
            return slipped(found.slip, PageUnit(page.cut.page_unit))

    @routes.post("/{cut}/tried", response_model=CutOut)
    def tried(cut: RowId, body: TriedIn) -> Response:
        went = next((kind for kind in TRIED if kind.value == body.went), None)
        if went is None:
            raise Refused(
                f"`{body.went}` is no way for a thread to go on.",
                field="went",
                suggest=" or ".join(kind.value for kind in TRIED),
            )
        return cut_out(book.add(cut, body.event_key, Event(0, went), body.after))

    @routes.post("/{cut}/done", response_model=CutOut)
    def done(cut: RowId, body: DoneIn) -> Response:
        event = Event(0, EventKind.DONE, (), divisions_typed(body.wound))
        return cut_out(book.add(cut, body.event_key, event, body.after))

    @routes.post("/{cut}/undo", response_model=CutOut)
    def undo(cut: RowId, body: UndoIn) -> Response:
        event = Event(0, EventKind.UNDO, undoes=body.undoes)
        return cut_out(book.add(cut, body.event_key, event, None))

    @routes.delete("/{cut}", status_code=204)
    def throw(cut: RowId) -> None:
        with book.writing() as session:
            throw_away(session, cut)

    @routes.post("/{cut}/back", response_model=CutOut)
    def back(cut: RowId) -> Response:
        with book.writing() as session:
            fetch_back(session, cut)
            return cut_out(book.page(session, cut))

    return routes
