"""What may be kept of a part: the same whether it is typed in a room or stands in a file."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import Any

from pydantic import BaseModel, ValidationError

from runk.api.part_shapes import DrawnIn, RouteIn
from runk.core.refusals import Refused
from runk.core.route.fitting import is_hole, reading_said
from runk.core.route.hours import mark_of
from runk.core.route.part import Part
from runk.core.route.route import Job, Route, see_bounded
from runk.core.route.rules import BY_KEY
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


def see_route(route: Mapping[str, Any]) -> None:
    """See that a route can be walked, and overrules rules there are.

    Raises:
        Refused: It has too many lines, or overrules what is no rule.
    """
    see_bounded(route["set_ups"])
    for key in route.get("overruled", {}):
        if key not in BY_KEY:
            raise Refused(f"I know no rule `{key[:60]}`.", field="overruled")


def marks_of(job: Job, route: Route) -> set[str]:
    """Everything of a part that can be ticked: its operations, and the steps of its route."""
    steps = {
        mark_of(job, n, at, line)
        for n, up in enumerate(route.set_ups, 1)
        for at, line in enumerate(up.does)
    }
    return steps | set(job.by_key)


def see_marks(marks: Iterable[str], job: Job, route: Route) -> None:
    """See that what is ticked is there to be done.

    Raises:
        Refused: It is neither an operation of the part nor a step of its route.
    """
    lost = sorted(set(marks) - marks_of(job, route))
    if lost:
        raise Refused(f"{job.part.name}: there is no `{lost[0][:60]}` to tick.", field="done")


def see_reading(part: Part, feature: str, reading: str, page: PageUnit, workshop: Workshop) -> str:
    """A reading as it is kept: with its units; empty where it is taken back.

    Raises:
        Refused: The part has no such feature, or it cannot be read.
    """
    if feature not in part.by_key:
        raise Refused(f"There is no feature `{feature[:60]}`.", field="feature")
    return reading_said(reading, page, workshop) if reading else ""


def see_side(part: Part, feature: str, hollow: bool) -> None:
    """See that a feature can be the side of a fit it is said to be.

    Raises:
        Refused: It is not there, or is of the other kind.
    """
    there = part.by_key.get(feature)
    if there is None:
        raise Refused(f"{part.name} has no feature `{feature[:60]}`.", field="feature")
    if is_hole(there) is not hollow:
        what = "nothing goes into it" if hollow else "it goes into nothing"
        raise Refused(f"{feature} of {part.name}: {what}.", field="feature")


def see_as_typed(name: str, drawn: Mapping[str, Any], route: Mapping[str, Any] | None) -> None:
    """See that a part of a file keeps the bounds of one that is typed.

    Raises:
        Refused: Something of it is longer, more or otherwise than the rooms would take.
    """
    bodies: list[tuple[type[BaseModel], Mapping[str, Any]]] = [(DrawnIn, drawn)]
    if route is not None:
        see_route(route)
        bodies.append((RouteIn, route))
    for body, given in bodies:
        try:
            body.model_validate({"version": 1, **given})
        except ValidationError as error:
            first = error.errors()[0]
            where = ".".join(str(x) for x in first["loc"])
            says = f"{name}: {where}: {first['msg'].lower().rstrip('.')}."
            raise Refused(says, field=str(first["loc"][0])) from None
