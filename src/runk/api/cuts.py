"""Routes of cuts being brought to size."""

from __future__ import annotations

import re
import secrets
from collections.abc import Callable
from fractions import Fraction
from typing import Annotated, Any

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, Field, create_model

from runk.api.calculators import Here, written
from runk.api.cutbook import CutBook, Page, SlipFound
from runk.api.ids import RowId
from runk.api.problems import PROBLEMS, problem
from runk.api.wire import CautionWire, LinkWire, answered, shape_of
from runk.core.calculator import Catalogue
from runk.core.lengths.several import read_lengths
from runk.core.plan.answer import PlanAnswer
from runk.core.plan.events import TRIED, Event, EventKind, standing_events
from runk.core.plan.follow import Outcome
from runk.core.plan.passes import next_pass
from runk.core.plan.say import shown_size
from runk.core.plan.slips import Slip
from runk.core.plan.spec import Job
from runk.core.plan.thread_passes import goes, tells
from runk.core.plan.view import view
from runk.core.questions import read_question, sentence
from runk.core.refusals import Refused
from runk.core.said import mm_said, worded
from runk.core.units import PageUnit
from runk.gauges import Gauge, read_within
from runk.gauges.played import PlayedMicrometer, played
from runk.store.cuts import MOST_LISTED, fetch_back, newest, start_cut, throw_away

SHOWN = 12
GAUGE_S = 3.0
_PLAN_MODEL, _build = shape_of(PlanAnswer)
GaugeOf = Callable[[Page, bool], Gauge]
_DIVISIONS = re.compile(r"(\d{1,5}(?:[.,]\d{1,4})?)?\s*(?:(\d{1,2})/(\d{1,2}))?")
_Key = Field(min_length=8, max_length=64, description="made once for this event")


class StartIn(BaseModel):
    """A cut to start following: the question of a calculator whose answer can be."""

    keep_key: str = Field(min_length=8, max_length=64)
    calculator: str = Field(default="plan", max_length=40)
    question: dict[str, str | float | int | None]
    unit: PageUnit = PageUnit.MM
    part_id: RowId | None = None
    mate_id: RowId | None = None
    simulated: bool = False


class ReadingIn(BaseModel):
    """A reading as typed: one size, or several places of the same surface.

    ``wound`` is what was really wound on, in divisions; left out, it was wound on as told;
    0 where nothing was cut since. ``sure`` says that it was looked at twice.
    """

    event_key: str = _Key
    reading: str = Field(max_length=400)
    unit: PageUnit = PageUnit.MM
    wound: str | None = Field(default=None, max_length=20)
    warm: str | None = Field(default=None, max_length=20)
    sure: bool = False
    after: int | None = None


class DoneIn(BaseModel):
    """A pass made and not measured."""

    event_key: str = _Key
    wound: str | None = Field(default=None, max_length=20)
    after: int | None = None


class UndoIn(BaseModel):
    """An event to take back; an undo can be taken back as well."""

    event_key: str = _Key
    undoes: RowId


class GaugeIn(BaseModel):
    """Take a reading from the gauge; ``again`` measures without another pass."""

    event_key: str = _Key
    again: bool = False
    after: int | None = None


class TriedIn(BaseModel):
    """How a thread went on with its mate, the pass told before it made."""

    event_key: str = _Key
    went: str = Field(max_length=20)
    after: int | None = None


class WentOut(BaseModel):
    """One way its mate can go on."""

    went: str
    says: str


class OutcomeOut(BaseModel):
    """A reading beside what was wound on for it, as shown."""

    event: int
    kind: str
    size_mm: float
    size: str
    wound: float
    wound_mm: float
    took_mm: float
    off_mm: float
    passes: int
    tried: str


class CutLine(BaseModel):
    """A cut in the list."""

    id: int
    title: str
    state: str
    next_says: str
    left: str
    part_id: int | None


CutOut = create_model(
    "CutOut",
    id=(int, ...),
    title=(str, ...),
    part_id=(int | None, ...),
    mate_id=(int | None, ...),
    simulated=(bool, ...),
    start_mm=(float, ...),
    answer=(_PLAN_MODEL, ...),
    cautions=(list[CautionWire], ...),
    links=(list[LinkWire], ...),
    readings=(list[OutcomeOut], ...),
    tries=(list[WentOut], ...),
    reads=(bool, ...),
    count=(int, ...),
    unmeasured=(int, ...),
    last_event=(int, ...),
    undoes=(int | None, ...),
)


def divisions_typed(text: str | None) -> float | None:
    """Divisions as somebody types them: ``16``, ``16.5``, ``16 1/2``; None where not said.

    Raises:
        Refused: It is no number of divisions.

    >>> divisions_typed("16 1/2"), divisions_typed(""), divisions_typed("0")
    (16.5, None, 0.0)
    """
    if text is None or not text.strip():
        return None
    match = _DIVISIONS.fullmatch(text.strip())
    if match is None or not (match[1] or match[2]) or (match[3] and int(match[3]) == 0):
        raise Refused(f"`{text[:20]}` is no number of divisions.", field="wound", suggest="16 1/2")
    whole = Fraction((match[1] or "0").replace(",", "."))
    part = Fraction(int(match[2]), int(match[3])) if match[2] else Fraction(0)
    return float(whole + part)


def degrees_typed(text: str | None) -> float | None:
    """How warm a part was as somebody types it; None where not said.

    Raises:
        Refused: No temperature of a work-piece.

    >>> degrees_typed("35 C")
    35.0
    """
    if text is None or not text.strip():
        return None
    match = re.fullmatch(r"(\d{1,3}(?:[.,]\d)?)\s*(?:°?\s*C)?", text.strip(), re.IGNORECASE)
    degrees = float(match[1].replace(",", ".")) if match else -1.0
    if not 0 <= degrees <= 300:
        raise Refused(
            f"`{text[:20]}` is no temperature of a work-piece in °C.", field="warm", suggest="35"
        )
    return degrees


def simulated_gauge(page: Page, again: bool) -> Gauge:
    """The micrometer of a cut that is made on the simulated lathe.

    Raises:
        Refused: The cut is a real one, and no gauge is connected.
    """
    if page.cut.seed is None:
        raise Refused("No gauge is connected: type the reading.", field="reading")
    events = tuple(standing_events(list(page.events)))
    return PlayedMicrometer(page.cut.spec, page.cut.seed, events, not again)


def tried_or_made(page: Page, again: bool) -> Event | None:
    """What a press of the simulated gauge does where no micrometer can read a thread, yet or ever.

    Returns:
        Its pass made, while it is too shallow for anything to tell of it; how a nut's screw goes;
        None where it is read like any other size.
    """
    spec, where = page.cut.spec, page.where
    if page.cut.seed is None or not spec.threaded:
        return None
    told = None if again else next_pass(spec, where.at)
    may_read = spec.job is Job.THREAD and where.made == 0
    if told is not None and not (may_read and tells(spec, told.leaves_mm)):
        return Event(0, EventKind.DONE)
    if spec.job is not Job.NUT:
        return None
    lathe, _ = played(spec, page.cut.seed, standing_events(list(page.events)))
    return Event(0, goes(spec, lathe.left_mm), wound=0.0)


def _outcome(page: Page, one: Outcome) -> dict[str, Any]:
    return {
        "event": one.event,
        "kind": one.kind or "measured again",
        "size_mm": one.size_mm,
        "size": worded(shown_size(page.cut.spec, one.size_mm), PageUnit(page.cut.page_unit)),
        "wound": one.wound,
        "wound_mm": one.wound_mm,
        "took_mm": one.took_mm,
        "off_mm": one.size_mm - one.expected_mm,
        "passes": one.passes,
        "tried": one.tried,
    }


_WENT = [{"went": kind.value, "says": says} for kind, says in TRIED.items()]


def _out(page: Page, status: int = 200) -> Response:
    cut = page.cut
    answer = view(cut.spec, cut.said, page.where)
    outcomes = page.where.outcomes
    return written(
        {
            "id": cut.id,
            "title": cut.title,
            "part_id": cut.part_id,
            "mate_id": cut.mate_id,
            "simulated": cut.seed is not None,
            "start_mm": cut.spec.now_mm,
            **answered(answer, _build, PageUnit(cut.page_unit)),
            "readings": [_outcome(page, one) for one in outcomes[-SHOWN:]],
            "tries": _WENT if cut.spec.threaded else [],
            "reads": cut.spec.job is not Job.NUT,
            "count": len(outcomes),
            "unmeasured": page.where.made,
            "last_event": page.last_event,
            "undoes": page.undoable,
        },
        status,
    )


def _line(page: Page) -> CutLine:
    cut = page.cut
    answer = view(cut.spec, cut.said, page.where)
    return CutLine(
        id=cut.id,
        title=cut.title,
        state=answer.state,
        next_says=worded(answer.next_says, PageUnit(cut.page_unit)),
        left=answer.left_mm.words(PageUnit(cut.page_unit)),
        part_id=cut.part_id,
    )


def _sizes(body: ReadingIn) -> tuple[float, ...]:
    try:
        return tuple(float(one.mm) for one in read_lengths(body.reading, body.unit))
    except Refused as refused:
        raise refused.on("reading") from None


def slipped(found: Slip, page: PageUnit) -> Response:
    """The question back: was it meant so?"""
    meant = found.meant_mm
    return problem(
        422,
        "Looks like a slip",
        worded(found.says, page),
        "reading",
        None if meant is None else worded(mm_said(meant, 3), page),
        {"slip": True},
    )


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
            return [_line(book.page(session, cut)) for cut in newest(session, limit)]

    @routes.post("", status_code=201, response_model=CutOut)
    def start(body: StartIn) -> Response:
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
                mate_id=body.mate_id,
            )
            page = book.page(session, kept.id)
        return _out(page, 201)

    @routes.get("/{cut}", response_model=CutOut)
    async def one_cut(cut: RowId) -> Response:
        with book.reading() as session:
            return _out(book.page(session, cut))

    @routes.post("/{cut}/readings", response_model=CutOut)
    def reading(cut: RowId, body: ReadingIn) -> Response:
        event = Event(
            0,
            EventKind.READING,
            _sizes(body),
            divisions_typed(body.wound),
            degrees_typed(body.warm),
        )
        try:
            return _out(book.add(cut, body.event_key, event, body.after, sure=body.sure))
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
            return _out(book.add(cut, body.event_key, moved, body.after))
        shown = read_within(gauge_of(page, again), GAUGE_S)
        wound = 0.0 if again else None
        event = Event(0, EventKind.READING, (shown.value,), wound)
        try:
            return _out(book.add(cut, body.event_key, event, body.after, sure=False))
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
        return _out(book.add(cut, body.event_key, Event(0, went), body.after))

    @routes.post("/{cut}/done", response_model=CutOut)
    def done(cut: RowId, body: DoneIn) -> Response:
        event = Event(0, EventKind.DONE, (), divisions_typed(body.wound))
        return _out(book.add(cut, body.event_key, event, body.after))

    @routes.post("/{cut}/undo", response_model=CutOut)
    def undo(cut: RowId, body: UndoIn) -> Response:
        event = Event(0, EventKind.UNDO, undoes=body.undoes)
        return _out(book.add(cut, body.event_key, event, None))

    @routes.delete("/{cut}", status_code=204)
    def throw(cut: RowId) -> None:
        with book.writing() as session:
            throw_away(session, cut)

    @routes.post("/{cut}/back", response_model=CutOut)
    def back(cut: RowId) -> Response:
        with book.writing() as session:
            fetch_back(session, cut)
            return _out(book.page(session, cut))

    return routes
