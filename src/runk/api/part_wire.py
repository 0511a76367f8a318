"""A part on the wire: its sentences, its route with every belt, its drawing after each set-up."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import asdict
from typing import Any

from pydantic import BaseModel, Field

from runk.api.ids import RowId
from runk.core.refusals import Refused
from runk.core.route.belts import belt_of
from runk.core.route.feature import BLANK, FEATURE
from runk.core.route.gripped import grip_asked
from runk.core.route.hours import line_min, mark_of, set_up_min
from runk.core.route.opened import opened
from runk.core.route.reading import part_of
from runk.core.route.route import Job, Route, SetUp, step_of
from runk.core.route.rules import check
from runk.core.route.section import stages
from runk.core.route.wanted import wanted
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import said, spoken_route
from runk.formats.route_report import broken_plain
from runk.store.parts import KeptPart


class DrawnIn(BaseModel):
    """What a part is, as typed."""

    version: int
    metal: str = Field(default="", max_length=60)
    blank: str = Field(max_length=300)
    features: list[str] = Field(max_length=200)
    notes: list[str] = Field(default=[], max_length=100)
    tries: dict[str, str] = Field(default={}, max_length=100)
    alike: int = Field(default=1, ge=1, le=1000)
    harden: bool = False
    sure: bool = False
    unit: PageUnit = PageUnit.MM


class SetUpIn(BaseModel):
    """A set-up as typed or dragged."""

    hold: str = Field(max_length=200)
    packing: str = Field(default="", max_length=60)
    does: list[str] = Field(max_length=400)


class RouteIn(BaseModel):
    """A route as typed or dragged, and the rules it overrules with a reason."""

    version: int
    set_ups: list[SetUpIn] = Field(max_length=100)
    overruled: dict[str, str] = Field(default={}, max_length=100)


class TickIn(BaseModel):
    """A line of a route done, or not after all."""

    mark: str = Field(min_length=1, max_length=300)
    done: bool


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


class SetUpOut(BaseModel):
    """A set-up: how held, on what machine, what is done."""

    hold: str
    machine: str
    packing: str
    lines: list[LineOut]
    minutes: float
    done: bool
    grip: dict[str, str]


class BrokenOut(BaseModel):
    """A place where a route breaks a rule."""

    rule: str
    name: str
    severity: str
    says: str
    operations: list[str]
    set_up: int
    mend: str
    source: str


class ReasonOut(BaseModel):
    """What forced a set-up."""

    rule: str
    says: str


class SliceOut(BaseModel):
    """A length of the part that is the same all along."""

    start: float
    end: float
    top: float
    bottom: float
    inner: float
    right: float
    feature: str
    now: bool


class MarkOut(BaseModel):
    """A hole, slot or flat."""

    start: float
    end: float
    low: float
    high: float
    feature: str
    now: bool


class GripOut(BaseModel):
    """What holds it."""

    start: float
    end: float
    radius: float
    way: str


class StageOut(BaseModel):
    """The part as it stands after a set-up."""

    slices: list[SliceOut]
    marks: list[MarkOut]
    grips: list[GripOut]
    bar: bool


class MeasureIn(BaseModel):
    """What a feature reads, as typed; an empty reading takes it back."""

    feature: str = Field(min_length=1, max_length=60)
    reading: str = Field(max_length=100)
    unit: PageUnit = PageUnit.MM


class FitIn(BaseModel):
    """Two features that go together."""

    hole_part: RowId
    hole_feature: str = Field(min_length=1, max_length=60)
    shaft_part: RowId
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


class PartOut(BaseModel):
    """A part whole."""

    id: int
    name: str
    engine: str
    engine_id: int | None
    metal: str
    version: int
    blank: str
    unit: PageUnit
    features: list[FeatureOut]
    notes: list[str]
    tries: dict[str, str]
    alike: int
    harden: bool
    turned: bool
    problem: str
    field: str
    holds: list[str]
    operations: list[str]
    route: list[SetUpOut]
    overruled: dict[str, str]
    proved: bool
    at_least: int
    reasons: list[ReasonOut]
    broken: list[BrokenOut]
    waved: list[BrokenOut]
    stages: list[StageOut]
    wanted: list[str]
    minutes: float
    measured: dict[str, str]
    fits: list[FitOut]


def part_in(kept: KeptPart, workshop: Workshop) -> Job:
    """The part that is kept, ready to be routed.

    Raises:
        Refused: It has no features yet, or cannot be made as drawn.
    """
    drawn = kept.drawn or {"blank": "", "features": []}
    if not drawn["features"]:
        raise Refused(
            f"{kept.name} has no features yet: what is to be made of it?",
            field="features",
            suggest="bore 22 mm, from 0 to 40",
        )
    part = part_of(
        kept.name, kept.metal, drawn["blank"], drawn["features"],
        PageUnit(drawn.get("unit", "mm")),
        workshop.metals,
        notes=tuple(drawn.get("notes", ())), tries=drawn.get("tries", {}),
        alike=drawn.get("alike", 1), harden=drawn.get("harden", False),
    )  # fmt: skip
    return Job(part, workshop)


def route_in(kept: KeptPart) -> Route:
    """The route that is kept."""
    if kept.route is None:
        return Route(())
    ups = tuple(
        SetUp(one["hold"], tuple(one["does"]), one.get("packing", ""))
        for one in kept.route["set_ups"]
    )
    return Route(ups, kept.route.get("overruled", {}))


def part_out(
    kept: KeptPart, workshop: Workshop, page: PageUnit, fits: Sequence[dict[str, Any]] = ()
) -> dict[str, Any]:
    """A part whole, as plain data; where it cannot be made as drawn, why not."""
    drawn = kept.drawn or {}
    plain: dict[str, Any] = {
        "id": kept.id, "name": kept.name, "engine": kept.engine, "engine_id": kept.engine_id,
        "metal": kept.metal, "version": kept.version, "blank": str(drawn.get("blank", "")),
        "unit": drawn.get("unit", "mm"),
        "features": [
            {"key": "", "typed": line, "says": line, "operations": [], "limits": None}
            for line in drawn.get("features", [])
        ],
        "notes": drawn.get("notes", []), "tries": drawn.get("tries", {}),
        "alike": drawn.get("alike", 1), "harden": drawn.get("harden", False), "turned": True,
        "problem": "", "field": "", "holds": [], "operations": [], "route": [],
        "overruled": {}, "proved": False, "at_least": 0, "reasons": [], "broken": [],
        "waved": [], "stages": [], "wanted": [], "minutes": 0.0,
        "measured": kept.measured, "fits": list(fits),
    }  # fmt: skip
    try:
        job = part_in(kept, workshop)
    except Refused as refused:
        return plain | {"problem": refused.said(page), "field": refused.field or ""}
    route = spoken_route(job, route_in(kept))
    return plain | _of_job(job, drawn, page, bool(kept.done)) | _of_route(job, route, kept, page)


def _of_job(job: Job, drawn: dict[str, Any], page: PageUnit, begun: bool) -> dict[str, Any]:
    part = job.part
    return {
        "blank": said(BLANK, part.blank, page),
        "turned": part.turned,
        "features": [
            {
                "key": feature.key,
                "typed": typed,
                "says": said(FEATURE, feature.asked, page),
                "operations": [one.key for one in job.operations if one.feature == feature.key],
                "limits": list(feature.limits) if feature.limits else None,
            }
            for feature, typed in zip(part.features, drawn["features"], strict=True)
        ],
        "holds": [hold.key for hold in job.holds],
        "operations": [one.key for one in job.operations],
        "wanted": list(dict.fromkeys(one.what for one in wanted(job, begun))),
    }


def _of_route(job: Job, route: Route, kept: KeptPart, page: PageUnit) -> dict[str, Any]:
    if not route.set_ups:
        return {"stages": _stages(job, route) if job.part.turned else []}
    found, done = check(job, route), frozenset(kept.done)
    stored = kept.route or {}
    ups = [_set_up(job, one, n, done) for n, one in enumerate(route.set_ups, 1)]
    return {
        "route": ups,
        "overruled": dict(route.overruled),
        "proved": stored.get("proved", False),
        "at_least": stored.get("at_least", 0),
        "reasons": stored.get("reasons", []),
        "broken": [broken_plain(one, page) for one in found.broken],
        "waved": [broken_plain(one, page) for one in found.overruled],
        "stages": _stages(job, route) if job.part.turned else [],
        "minutes": sum(one["minutes"] for one in ups),
    }


def _stages(job: Job, route: Route) -> list[dict[str, Any]]:
    holds = [job.hold_by_key.get(one.hold) for one in route.set_ups]
    does = [frozenset(one.does) & job.by_key.keys() for one in route.set_ups]
    return [asdict(one) for one in stages(job, holds, [frozenset(d) for d in does])]


def _set_up(job: Job, one: SetUp, n: int, done: frozenset[str]) -> dict[str, Any]:
    hold = job.hold_by_key.get(one.hold)
    lines = [_line(job, n, at, line, done) for at, line in enumerate(one.does)]
    return {
        "hold": one.hold,
        "machine": hold.machine if hold is not None else "",
        "packing": one.packing,
        "lines": lines,
        "minutes": set_up_min(job, one, done, n),
        "done": bool(lines) and all(line["done"] for line in lines),
        "grip": grip_asked(job, one),
    }


def _line(job: Job, n: int, at: int, line: str, done: frozenset[str]) -> dict[str, Any]:
    mark = mark_of(job, n, at, line)
    plain = {
        "line": line, "mark": mark, "step": bool(step_of(line)), "done": mark in done,
        "tool": "", "belt": "", "rpm": 0.0, "why": "", "minutes": line_min(job, line), "speed": {},
        "room": "", "asked": {},
    }  # fmt: skip
    operation = job.by_key.get(line)
    if operation is None:
        return plain
    belt = belt_of(operation, job.workshop)
    room, asked = opened(job.part, operation) or ("", {})
    return plain | {
        "room": room,
        "asked": asked,
        "tool": operation.tool,
        "belt": belt.position,
        "rpm": belt.rpm,
        "why": belt.why,
        "speed": dict(operation.speed),
    }
