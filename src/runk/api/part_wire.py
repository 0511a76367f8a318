"""A part on the wire: its sentences, its route with every belt, its drawing after each set-up."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import Any

from runk.core.refusals import Refused
from runk.core.route.asked_first import asked_first
from runk.core.route.belts import belt_of
from runk.core.route.feature import BLANK, FEATURE
from runk.core.route.hours import line_min, mark_of, set_up_min
from runk.core.route.opened import opened, opened_step
from runk.core.route.played import stages
from runk.core.route.reading import part_of
from runk.core.route.route import Job, Route, SetUp, step_of
from runk.core.route.rule import Broken
from runk.core.route.rules import check
from runk.core.route.schools import schools_of
from runk.core.route.spoken import spoken
from runk.core.route.wanted import wanted
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import said, spoken_route
from runk.formats.route_report import broken_plain
from runk.store.parts import KeptPart


def part_in(kept: KeptPart, workshop: Workshop) -> Job:
    """The part that is kept, ready to be routed.

    Raises:
        Refused: It has no features yet, or cannot be made as drawn.
    """
    known = _JOBS.get(kept.id)
    if known is not None:
        row, of, job = known
        same = (row.name, row.metal, row.drawn) == (kept.name, kept.metal, kept.drawn)
        if of is workshop and same:
            return job
    drawn = kept.drawn or {"blank": "", "features": []}
    if not drawn["features"]:
        raise Refused(
            f"{kept.name} has no features yet: what is to be made of it?",
            field="features",
            suggest="bore 22 mm, from 0 to 40",
        )
    part = part_of(
        kept.name,
        kept.metal,
        drawn["blank"],
        drawn["features"],
        PageUnit(drawn.get("unit", "mm")),
        workshop.metals,
        notes=tuple(drawn.get("notes", ())),
        tries=drawn.get("tries", {}),
        alike=drawn.get("alike", 1),
        harden=drawn.get("harden", False),
        schools=drawn.get("schools", {}),
    )
    if len(_JOBS) >= _MOST_JOBS:
        _JOBS.clear()
    job = Job(part, workshop)
    _JOBS[kept.id] = (kept, workshop, job)
    return job


_JOBS: dict[int, tuple[KeptPart, Workshop, Job]] = {}
"""Parts as they were read last: asked for again, unchanged, they are not read again."""
_MOST_JOBS = 500


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
    kept: KeptPart,
    workshop: Workshop,
    page: PageUnit,
    fits: Sequence[dict[str, Any]] = (),
    worked: Sequence[dict[str, Any]] = (),
    gone: Sequence[str] = (),
) -> dict[str, Any]:
    """A part whole, as plain data; where it cannot be made as drawn, why not."""
    drawn = kept.drawn or {}
    plain: dict[str, Any] = {
        "id": kept.id,
        "name": kept.name,
        "engine": kept.engine,
        "engine_id": kept.engine_id,
        "metal": kept.metal,
        "version": kept.version,
        "blank": str(drawn.get("blank", "")),
        "blank_typed": str(drawn.get("blank", "")),
        "unit": drawn.get("unit", "mm"),
        "features": [
            {"key": "", "typed": line, "says": line, "operations": [], "limits": None}
            for line in drawn.get("features", [])
        ],
        "notes": drawn.get("notes", []),
        "tries": drawn.get("tries", {}),
        "alike": drawn.get("alike", 1),
        "harden": drawn.get("harden", False),
        "schools": drawn.get("schools", {}),
        "asks_schools": [],
        "turned": True,
        "problem": "",
        "field": "",
        "holds": [],
        "operations": [],
        "spoken": {},
        "route": [],
        "overruled": {},
        "proved": False,
        "at_least": 0,
        "reasons": [],
        "broken": [],
        "waved": [],
        "stages": [],
        "wanted": [],
        "minutes": 0.0,
        "measured": kept.measured,
        "asleep": list(gone),
        "fits": list(fits),
        "kept": list(worked),
    }
    try:
        job = part_in(kept, workshop)
    except Refused as refused:
        return plain | {"problem": refused.said(page), "field": refused.field or ""}
    route = spoken_route(job, route_in(kept))
    whole = plain | _of_job(job, drawn, page, bool(kept.done)) | _of_route(job, route, kept, page)
    _to_mates(whole["route"], fits)
    return whole


def _to_mates(route: Sequence[dict[str, Any]], fits: Sequence[dict[str, Any]]) -> None:
    """A cut to size is to its mate's limits, where that was measured, not to the drawn ones."""
    read = {one["feature"]: one for one in fits if one["read"] and one["high_mm"] is not None}
    for line in (line for up in route for line in up["lines"]):
        mate = read.get(line["feature"])
        if line["room"] == "plan" and mate is not None and "now" not in line["asked"]:
            low, high = mate["low_mm"], mate["high_mm"]
            asked = {k: v for k, v in line["asked"].items() if k != "limits"}
            line["asked"] = asked | {
                "wanted": f"{(low + high) / 2:.4f} mm",
                "smallest": f"{low:.4f} mm",
                "largest": f"{high:.4f} mm",
            }
            line["to"] = mate["part"]


def _of_job(job: Job, drawn: dict[str, Any], page: PageUnit, begun: bool) -> dict[str, Any]:
    part = job.part
    return {
        "blank": said(BLANK, part.blank, page),
        "turned": part.turned,
        "asks_schools": [one.key for one in schools_of(part)],
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
        "spoken": {one.key: part.said(spoken(one.key)) for one in job.operations}
        | {name: part.said(name) for name in (*job.hold_by_key, *part.by_key)},
        "wanted": list(dict.fromkeys(one.what for one in wanted(job, begun))),
    }


def _of_route(job: Job, route: Route, kept: KeptPart, page: PageUnit) -> dict[str, Any]:
    if not route.set_ups:
        return {"stages": list(stages(job, route))}
    found, done = check(job, route), frozenset(kept.done)
    stored = kept.route or {}
    ups = [_set_up(job, route, n, done, page) for n in range(1, len(route.set_ups) + 1)]
    return {
        "route": ups,
        "overruled": dict(route.overruled),
        "proved": stored.get("proved", False),
        "at_least": stored.get("at_least", 0),
        "reasons": [
            {"rule": one["rule"], "says": job.part.said(worded(one["says"], page))}
            for one in stored.get("reasons", [])
        ],
        "broken": [_broken(job, one, page) for one in found.broken],
        "waved": [_broken(job, one, page) for one in found.overruled],
        "stages": list(stages(job, route)),
        "minutes": sum(one["minutes"] for one in ups),
    }


def _broken(job: Job, one: Broken, page: PageUnit) -> dict[str, Any]:
    plain = broken_plain(one, page)
    return plain | {name: job.part.said(plain[name]) for name in ("says", "mend")}


def _set_up(job: Job, route: Route, n: int, done: frozenset[str], page: PageUnit) -> dict[str, Any]:
    one = route.set_ups[n - 1]
    hold = job.hold_by_key.get(one.hold)
    lines = [_line(job, n, at, line, done) for at, line in enumerate(one.does)]
    return {
        "hold": one.hold,
        "hold_says": job.part.said(one.hold),
        "machine": hold.machine if hold is not None else "",
        "packing": one.packing,
        "lines": lines,
        "minutes": set_up_min(job, one, done, n),
        "done": bool(lines) and all(line["done"] for line in lines),
        "asked": [
            replace(a, says=job.part.said(worded(a.says, page))) for a in asked_first(job, route, n)
        ],
    }


def _measures(job: Job, line: str) -> str:
    """The feature a line reads; empty where it reads none."""
    name = line.removeprefix("measure ")
    return name if name != line and name in job.part.by_key else ""


def _line(job: Job, n: int, at: int, line: str, done: frozenset[str]) -> dict[str, Any]:
    mark = mark_of(job, n, at, line)
    operation = job.by_key.get(line)
    plain = {
        "line": line,
        "says": job.part.said(spoken(line)),
        "measures": _measures(job, line),
        "mark": mark,
        "feature": operation.feature if operation is not None else "",
        "step": bool(step_of(line)),
        "done": mark in done,
        "tool": "",
        "belt": "",
        "rpm": 0.0,
        "why": "",
        "minutes": line_min(job, line),
        "speed": {},
        "room": "",
        "asked": {},
        "to": "",
    }
    if operation is None:
        room, asked = opened_step(job.part, line) or ("", {})
        return plain | {"room": room, "asked": asked}
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
