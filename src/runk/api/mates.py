"""Routes of mates: a part that is there, its mate, and the readings of both."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from fractions import Fraction
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request, Response
from pydantic import BaseModel, Field, create_model
from sqlalchemy.orm import Session

from runk.api.calculators import Here, written
from runk.api.cut_typed import degrees_typed, slipped
from runk.api.cutbook import CutBook
from runk.api.ids import RowId
from runk.api.problems import PROBLEMS
from runk.api.wire import CautionWire, LinkWire, answered, shape_of
from runk.core.fits.follow import MateEvent, Side, folded, slip
from runk.core.fits.mate import MATE, title
from runk.core.fits.mate_answer import MateAnswer
from runk.core.fits.mate_question import MateQuestion
from runk.core.fits.mate_sizes import MateShop
from runk.core.fits.measured import Station
from runk.core.kinds import Stations, Told
from runk.core.plan.events import EventKind, standing_events
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.store.cuts import cut_of_mate
from runk.store.kept import Stale
from runk.store.mates import (
    MOST_LISTED,
    MOST_READINGS,
    KeptMate,
    add_reading,
    events_of,
    fetch_mate,
    known_reading,
    mate_kept,
    newest_mates,
    set_feature,
    start_mate,
    throw_mate,
)

_ANSWER, _build = shape_of(MateAnswer)
_READS = Stations("reading", low=0.1, high=1000.0, placeholder="22.01, 22.02; 22.00")
_Key = Field(min_length=8, max_length=64, description="made once for this event")


class StartMateIn(BaseModel):
    """A mate to follow."""

    keep_key: str = Field(min_length=8, max_length=64)
    question: dict[str, str | float | int | None]
    unit: PageUnit = PageUnit.MM
    part_id: RowId | None = None
    feature: str = Field(default="", max_length=60)


class MateOfIn(BaseModel):
    """Which feature of which part a mate is of; of none where the part is left out."""

    part_id: RowId | None = None
    feature: str = Field(default="", max_length=60)


class MateReadingIn(BaseModel):
    """A reading as typed: several places parted by semicolons, the ways across by commas."""

    event_key: str = _Key
    side: Side
    reading: str = Field(max_length=400)
    unit: PageUnit = PageUnit.MM
    warm: str | None = Field(default=None, max_length=20)
    sure: bool = False
    after: int | None = None


class MateUndoIn(BaseModel):
    """An event to take back; an undo can be taken back as well."""

    event_key: str = _Key
    undoes: RowId


class MateLine(BaseModel):
    """A mate in the list."""

    id: int
    title: str
    headline: str
    part_id: int | None


class CutOfMate(BaseModel):
    """The followed cut made for it; ``counts`` where its last reading is what stands here."""

    id: int
    title: str
    simulated: bool
    last_event: int
    counts: bool


MateOut = create_model(
    "MateOut",
    id=(int, ...),
    title=(str, ...),
    part_id=(int | None, ...),
    feature=(str, ...),
    make=(str, ...),
    question=(dict[str, Any], ...),
    answer=(_ANSWER, ...),
    cautions=(list[CautionWire], ...),
    links=(list[LinkWire], ...),
    headline=(str, ...),
    cut=(CutOfMate | None, ...),
    last_event=(int, ...),
    undoes=(int | None, ...),
)


@dataclass(frozen=True, slots=True)
class Standing:
    """A mate as it stands."""

    kept: KeptMate
    question: MateQuestion
    shop: MateShop
    last_event: int
    undoable: int | None
    held: frozenset[int]
    count: int
    cut: CutOfMate | None = None


def standing(session: Session, book: CutBook, kept: KeptMate, workshop: Workshop) -> Standing:
    """A mate after all that was read, at it and at the cut made for it.

    Raises:
        Refused: What it was asked with is there no more.
    """
    page = PageUnit(kept.page_unit)
    typed = MATE.todays(kept.question, kept.version)
    begun = read_question(MATE, typed, page, workshop).question
    shop = MATE.needs(begun, workshop)
    timed = events_of(session, kept.id)
    events = [one.event for one in timed]
    stand = standing_events(events)
    undos = {one.id for one in events if one.kind is EventKind.UNDO}
    ids = {one.id for one in stand if one.side is Side.MADE}
    made_at = max((one.at for one in timed if one.event.id in ids), default=None)
    cut, read = _of_cut(session, book, kept.id, made_at)
    if read is not None:
        stand = [*stand, read]
    return Standing(
        kept,
        folded(begun, stand, shop),
        shop,
        events[-1].id if events else 0,
        max((one.id for one in stand if one.id), default=None),
        frozenset({one.id for one in stand} | undos),
        len(events),
        cut,
    )


def _of_cut(
    session: Session, book: CutBook, mate: int, made_at: datetime | None
) -> tuple[CutOfMate | None, MateEvent | None]:
    """The cut made for it, and its last reading where nothing was read here since."""
    found = cut_of_mate(session, mate)
    if found is None:
        return None, None
    number, at = found
    page = book.page(session, number)
    reads = [e for e in standing_events(list(page.events)) if e.kind is EventKind.READING]
    counts = bool(reads) and at is not None and (made_at is None or made_at <= at)
    cut = CutOfMate(
        id=number,
        title=page.cut.title,
        simulated=page.cut.seed is not None,
        last_event=page.last_event,
        counts=counts,
    )
    if not counts:
        return cut, None
    sizes = tuple(Fraction(str(round(mm, 6))) for mm in reads[-1].sizes_mm)
    stations = tuple(Station(str(n), (mm,)) for n, mm in enumerate(sizes, 1))
    return cut, MateEvent(0, EventKind.READING, Side.MADE, stations, reads[-1].warm_deg)


def _out(one: Standing, status: int = 200) -> Response:
    page = PageUnit(one.kept.page_unit)
    answer = MATE.compute(one.question, one.shop)
    return written(
        {
            "id": one.kept.id,
            "title": one.kept.title,
            "part_id": one.kept.part_id,
            "feature": one.kept.feature,
            "make": one.question.make.value,
            "question": one.kept.question,
            **answered(answer, _build, page),
            "headline": worded(MATE.heads(answer, page), page),
            "cut": None if one.cut is None else one.cut.model_dump(),
            "last_event": one.last_event,
            "undoes": one.undoable,
        },
        status,
    )


def mate_line(session: Session, book: CutBook, kept: KeptMate, workshop: Workshop) -> MateLine:
    """A mate in a line, as it stands."""
    page = PageUnit(kept.page_unit)
    try:
        one = standing(session, book, kept, workshop)
        says = worded(MATE.heads(MATE.compute(one.question, one.shop), page), page)
    except Refused as refused:
        # A metal or a lathe it was asked with is gone: it is still there to be opened.
        says = refused.said(page)
    return MateLine(id=kept.id, title=kept.title, headline=says, part_id=kept.part_id)


def router(book: CutBook, here: Here) -> APIRouter:
    """Routes of mates.

    Args:
        book: Every cut being followed: those made for a mate are read there.
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api/mates", responses=PROBLEMS)

    def stands(session: Session, mate: int, workshop: Workshop) -> Standing:
        return standing(session, book, mate_kept(session, mate), workshop)

    @routes.get("")
    def every_mate(limit: Annotated[int, Query(ge=1, le=MOST_LISTED)] = 30) -> list[MateLine]:
        workshop = here()
        with book.reading() as session:
            return [
                mate_line(session, book, kept, workshop) for kept in newest_mates(session, limit)
            ]

    @routes.post("", status_code=201, response_model=MateOut)
    def start(body: StartMateIn, request: Request) -> Response:
        request.state.page = body.unit
        workshop = here()
        typed = {k: v for k, v in body.question.items() if k in MATE.fields and v is not None}
        read = read_question(MATE, typed, body.unit, workshop)
        MATE.ask(read.question, workshop)
        named = worded(title(read.question), body.unit)
        with book.writing() as session:
            kept = start_mate(
                session,
                body.keep_key,
                named,
                typed,
                body.unit,
                MATE.version,
                body.part_id,
                body.feature,
            )
            return _out(stands(session, kept.id, workshop), 201)

    @routes.get("/{mate}", response_model=MateOut)
    def one_mate(mate: RowId) -> Response:
        workshop = here()
        with book.reading() as session:
            return _out(stands(session, mate, workshop))

    @routes.post("/{mate}/readings", response_model=MateOut)
    def reading(mate: RowId, body: MateReadingIn, request: Request) -> Response:
        request.state.page = body.unit
        workshop = here()
        try:
            stations = _READS.read(body.reading, Told(body.unit, workshop)).value
        except Refused as refused:
            raise refused.on("reading") from None
        warm = degrees_typed(body.warm)
        event = MateEvent(0, EventKind.READING, body.side, stations, warm)
        with book.writing() as session:
            one = stands(session, mate, workshop)
            if known_reading(session, body.event_key):
                return _out(one)
            _check(one, body.after)
            if not body.sure and (found := slip(one.question, body.side, stations)):
                return slipped(found, body.unit)
            add_reading(session, mate, body.event_key, event)
            return _out(stands(session, mate, workshop))

    @routes.post("/{mate}/undo", response_model=MateOut)
    def undo(mate: RowId, body: MateUndoIn) -> Response:
        workshop = here()
        with book.writing() as session:
            one = stands(session, mate, workshop)
            if known_reading(session, body.event_key):
                return _out(one)
            _check(one, None)
            if body.undoes not in one.held:
                raise Refused("There is nothing there to undo.", field="undoes")
            event = MateEvent(0, EventKind.UNDO, Side.MADE, undoes=body.undoes)
            add_reading(session, mate, body.event_key, event)
            return _out(stands(session, mate, workshop))

    @routes.put("/{mate}/of", response_model=MateOut)
    def of_feature(mate: RowId, body: MateOfIn) -> Response:
        workshop = here()
        with book.writing() as session:
            set_feature(session, mate, body.part_id, body.feature)
            return _out(stands(session, mate, workshop))

    @routes.delete("/{mate}", status_code=204)
    def throw(mate: RowId) -> None:
        with book.writing() as session:
            throw_mate(session, mate)

    @routes.post("/{mate}/back", response_model=MateOut)
    def back(mate: RowId) -> Response:
        workshop = here()
        with book.writing() as session:
            fetch_mate(session, mate)
            return _out(stands(session, mate, workshop))

    return routes


def _check(one: Standing, after: int | None) -> None:
    """Refuse what comes too late or once too often.

    Raises:
        Stale: Something happened that the sender has not seen.
        Refused: There are enough readings.
    """
    if after is not None and after != one.last_event:
        raise Stale("mate", {"last_event": one.last_event})
    if one.count >= MOST_READINGS:
        raise Refused(f"{MOST_READINGS} readings are enough for one mate: start another.")
