"""A part in its engine, in a line: how far it is, what is next, what stands in the way."""

from __future__ import annotations

from pydantic import BaseModel

from runk.api.part_wire import part_in, route_in
from runk.core.refusals import Refused
from runk.core.route.hours import mark_of, set_up_min
from runk.core.route.rules import check
from runk.core.route.spoken import spoken
from runk.core.route.wanted import wanted
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import spoken_route
from runk.store.parts import KeptPart


class PartLine(BaseModel):
    """A part in its engine: how far it is, what is next, what stands in the way."""

    id: int
    name: str
    metal: str
    features: int
    operations: int
    done: int
    minutes: float
    spent: float
    next: str
    hold: str
    broken: int
    wanted: list[str]
    problem: str
    routed: bool


def part_line(row: KeptPart, workshop: Workshop, page: PageUnit) -> PartLine:
    """A part in a line: how far, what is next, what is missing."""
    line = PartLine(
        id=row.id,
        name=row.name,
        metal=row.metal,
        features=0,
        operations=0,
        done=0,
        minutes=0.0,
        spent=0.0,
        next="",
        hold="",
        broken=0,
        wanted=[],
        problem="",
        routed=False,
    )
    if row.drawn is None:
        return line
    try:
        job = part_in(row, workshop)
    except Refused as refused:
        line.problem = refused.said(page)
        return line
    route, done = spoken_route(job, route_in(row)), frozenset(row.done)
    line.features, line.operations = len(job.part.features), len(job.operations)
    line.done = sum(one.key in done for one in job.operations)
    line.routed = bool(route.set_ups)
    line.broken = len(check(job, route).broken) if route.set_ups else 0
    line.wanted = list(dict.fromkeys(one.what for one in wanted(job, bool(row.done))))
    for n, one in enumerate(route.set_ups, 1):
        left_min = set_up_min(job, one, done, n)
        line.minutes += left_min
        line.spent += set_up_min(job, one) - left_min
        if not line.next:
            left = [x for at, x in enumerate(one.does) if mark_of(job, n, at, x) not in done]
            if left:
                line.next = job.part.said(spoken(left[0]))
                line.hold = job.part.said(one.hold)
    return line
