"""What goes over the wire of a part: what is sent, and what comes back."""

from __future__ import annotations

from typing import Annotated

from pydantic import BaseModel, Field, StrictBool

from runk.api.ids import RowId
from runk.api.part_kept import WorkedOut
from runk.core.route.asked_first import Asked
from runk.core.route.played import Stage
from runk.core.route.propose import Reason
from runk.core.units import PageUnit


class DrawnIn(BaseModel):
    """What a part is, as typed."""

    version: int
    metal: str = Field(default="", max_length=60)
    blank: str = Field(max_length=300)
    features: list[str] = Field(max_length=200)
    notes: list[Annotated[str, Field(max_length=300)]] = Field(default=[], max_length=100)
    tries: dict[str, Annotated[str, Field(max_length=200)]] = Field(default={}, max_length=100)
    alike: int = Field(default=1, ge=1, le=1000)
    harden: StrictBool = False
    schools: dict[str, Annotated[str, Field(max_length=20)]] = Field(default={}, max_length=10)
    sure: bool = False
    unit: PageUnit = PageUnit.MM


class LookIn(BaseModel):
    """A part as it is being typed."""

    name: str = Field(default="part", max_length=120)
    metal: str = Field(default="", max_length=60)
    blank: str = Field(max_length=300)
    features: list[str] = Field(max_length=200)
    unit: PageUnit = PageUnit.MM
    at: str | None = Field(default=None, max_length=500)


class LookLine(BaseModel):
    """A feature as it is being typed: its name and what it is cut by, or what is wrong with it."""

    key: str
    says: str
    also: list[str]
    operations: str
    problem: str
    suggest: str


class OfferOut(BaseModel):
    """What may come next in the line the cursor is in."""

    shows: str
    line: str
    says: str
    kind: str


class LookOut(BaseModel):
    """A part as it is being typed: line by line, and drawn where it can be made."""

    blank: str
    metal: str
    lines: list[LookLine]
    problem: str
    field: str
    suggest: str
    drawn: Stage | None
    offers: list[OfferOut]


class KindOut(BaseModel):
    """A kind of feature: its word, a line of it, and what it looks like."""

    key: str
    word: str
    example: str
    drawn: Stage


class SizeOut(BaseModel):
    """A size a family of parts asks for."""

    key: str
    label: str
    example: str
    spare: bool


class FamilyOut(BaseModel):
    """A family of parts."""

    key: str
    name: str
    says: str
    sizes: list[SizeOut]


class FamilyIn(BaseModel):
    """The sizes of a part of a family, as typed."""

    family: str = Field(max_length=40)
    sizes: dict[str, Annotated[str, Field(max_length=60)]] = Field(default={}, max_length=40)
    unit: PageUnit = PageUnit.MM


class BegunOut(BaseModel):
    """A part as its family begins it: nothing of it is kept."""

    blank: str
    lines: list[str]


class ToldIn(BaseModel):
    """A whole part in one go: lines, or a sentence."""

    text: str = Field(max_length=2000)
    unit: PageUnit = PageUnit.MM


class ToldLine(BaseModel):
    """A feature of a part told in one go: its words, how they are read or why they are not."""

    line: str
    says: str
    problem: str
    suggest: str


class ToldOut(BaseModel):
    """A whole part as it was told; nothing of it is kept."""

    name: str
    alike: int
    metal: str
    blank: str
    says: str
    problem: str
    suggest: str
    lines: list[ToldLine]


class SetUpIn(BaseModel):
    """A set-up as typed or dragged."""

    hold: str = Field(max_length=200)
    packing: str = Field(default="", max_length=60)
    does: list[str] = Field(max_length=400)


class RouteIn(BaseModel):
    """A route as typed or dragged, and the rules it overrules with a reason."""

    version: int
    set_ups: list[SetUpIn] = Field(max_length=100)
    overruled: dict[str, Annotated[str, Field(max_length=500)]] = Field(default={}, max_length=100)


class TickIn(BaseModel):
    """A line of a route done, or not after all."""

    version: int
    mark: str = Field(min_length=1, max_length=300)
    done: bool


class SchoolIn(BaseModel):
    """Which of two ways a part is made by."""

    version: int
    school: str = Field(max_length=20)
    way: str = Field(max_length=20)


class WayOut(BaseModel):
    """One of two ways, and what it takes on these machines."""

    key: str
    name: str
    costs: str
    chosen: bool
    set_ups: int
    minutes: float
    parts: int
    proved: bool
    problem: str


class SchoolOut(BaseModel):
    """A question good workers answer in two ways; the first is the default."""

    key: str
    name: str
    ways: list[WayOut]


class NewIn(BaseModel):
    """Which version a route is proposed on."""

    version: int


class FeatureOut(BaseModel):
    """A feature: its sentence, its name, what it is cut by."""

    key: str
    typed: str
    says: str
    operations: list[str]
    limits: list[float] | None


class LineOut(BaseModel):
    """One line of a route: an operation with its belt, or a step."""

    line: str
    says: str
    measures: str
    feature: str
    mark: str
    step: bool
    done: bool
    tool: str
    belt: str
    rpm: float
    why: str
    minutes: float
    speed: dict[str, str]
    room: str
    asked: dict[str, str]
    to: str


class SetUpOut(BaseModel):
    """A set-up: how held, on what machine, what is done."""

    hold: str
    hold_says: str
    machine: str
    packing: str
    lines: list[LineOut]
    minutes: float
    done: bool
    asked: list[Asked]


class BrokenOut(BaseModel):
    """A place where a route breaks a rule."""

    rule: str
    name: str
    severity: str
    firm: bool
    says: str
    operations: list[str]
    set_up: int
    mend: str
    source: str


class MeasureIn(BaseModel):
    """What a feature reads, as typed; an empty reading takes it back."""

    version: int
    feature: str = Field(min_length=1, max_length=60)
    reading: str = Field(max_length=100)
    unit: PageUnit = PageUnit.MM


class FitIn(BaseModel):
    """Two features that go together, and which versions of the two parts were looked at."""

    hole_part: RowId
    hole_version: int
    hole_feature: str = Field(min_length=1, max_length=60)
    shaft_part: RowId
    shaft_version: int
    shaft_feature: str = Field(min_length=1, max_length=60)
    duty: str = Field(min_length=1, max_length=40)


class FitOut(BaseModel):
    """What a feature of this part goes with, and what that makes of it."""

    id: int
    feature: str
    part_id: int
    part: str
    other: str
    duty: str
    reading: str
    target: str
    says: str
    stands: str
    question: dict[str, str]
    low_mm: float | None
    high_mm: float | None
    read: bool


class PartOut(BaseModel):
    """A part whole."""

    id: int
    name: str
    engine: str
    engine_id: int | None
    metal: str
    version: int
    blank: str
    blank_typed: str
    unit: PageUnit
    features: list[FeatureOut]
    notes: list[str]
    tries: dict[str, str]
    alike: int
    harden: bool
    schools: dict[str, str]
    asks_schools: list[str]
    turned: bool
    problem: str
    field: str
    holds: list[str]
    operations: list[str]
    spoken: dict[str, str]
    route: list[SetUpOut]
    overruled: dict[str, str]
    proved: bool
    at_least: int
    reasons: list[Reason]
    broken: list[BrokenOut]
    waved: list[BrokenOut]
    stages: list[Stage]
    wanted: list[str]
    minutes: float
    measured: dict[str, str]
    fits: list[FitOut]
    asleep: list[str]
    kept: list[WorkedOut]
