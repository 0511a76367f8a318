"""What is sent about a cut, and what is said back of it."""

from __future__ import annotations

from typing import Any

from fastapi import Response
from pydantic import BaseModel, Field, create_model

from runk.api.calculators import written
from runk.api.cutbook import Page
from runk.api.ids import RowId
from runk.api.wire import CautionWire, LinkWire, answered, shape_of
from runk.core.plan.answer import PlanAnswer
from runk.core.plan.events import TRIED
from runk.core.plan.follow import Outcome
from runk.core.plan.say import shown_size
from runk.core.plan.spec import Job
from runk.core.plan.view import view
from runk.core.said import worded
from runk.core.units import PageUnit

SHOWN = 12
_PLAN_MODEL, _build = shape_of(PlanAnswer)
_Key = Field(min_length=8, max_length=64, description="made once for this event")


class StartIn(BaseModel):
    """A cut to start following: the question of a calculator whose answer can be."""

    keep_key: str = Field(min_length=8, max_length=64)
    calculator: str = Field(default="plan", max_length=40)
    question: dict[str, str | float | int | None]
    unit: PageUnit = PageUnit.MM
    part_id: RowId | None = None
    feature: str = Field(default="", max_length=60)
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
    feature=(str, ...),
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


def cut_out(page: Page, status: int = 200) -> Response:
    cut = page.cut
    answer = view(cut.spec, cut.said, page.where)
    outcomes = page.where.outcomes
    return written(
        {
            "id": cut.id,
            "title": cut.title,
            "part_id": cut.part_id,
            "feature": cut.feature,
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


def cut_line(page: Page) -> CutLine:
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
