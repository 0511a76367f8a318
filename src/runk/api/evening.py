"""What can be done of an evening: the set-ups of each part that could, and those that fit."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from pydantic import BaseModel

from runk.api.part_wire import part_in, route_in
from runk.core.refusals import Refused
from runk.core.route.hours import mark_of, set_up_min
from runk.core.route.spoken import spoken
from runk.core.route.tonight import Ready, tonight
from runk.core.route.wanted import wanted
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import spoken_route
from runk.store.goes_with import KeptFit
from runk.store.parts import KeptPart
from runk.store.wants import State


class TonightRow(BaseModel):
    """A set-up for tonight."""

    part_id: int
    part: str
    engine: str
    set_up: int
    hold: str
    minutes: float
    does: list[str]


class TonightOut(BaseModel):
    """What can be done tonight."""

    minutes: int
    taken: float
    rows: list[TonightRow]
    waiting: list[str]


@dataclass(frozen=True, slots=True)
class Up:
    """A set-up of which something is left.

    Args:
        row: As it is told.
        brings: How many operations it brings the part on.
        left: What is left of it.
        finishes: Features that are brought to size in it.
    """

    row: TonightRow
    brings: int
    left: tuple[str, ...]
    finishes: frozenset[str]


@dataclass(frozen=True, slots=True)
class Evening:
    """What there is to do of a part, free of what the others and the shops make of it.

    Args:
        part: Its id; ``engine`` its engine's; ``name`` its own.
        ups: Set-ups of which something is left, in their order.
        wants: What is wanted for it: what waits for that, and what it is.
        measured: Features that were measured.
        problem: Why nothing can be done of it.
    """

    part: int
    engine: int | None
    name: str
    ups: tuple[Up, ...] = ()
    wants: tuple[tuple[str, str], ...] = ()
    measured: frozenset[str] = frozenset()
    problem: Refused | None = None


def evening_of(row: KeptPart, workshop: Workshop) -> Evening:
    """What there is to do of a part.

    Args:
        row: The part.
        workshop: Today's.
    """
    measured = frozenset(row.measured)
    if row.route is None or row.drawn is None:
        return Evening(row.id, row.engine_id, row.name, measured=measured)
    try:
        job = part_in(row, workshop)
    except Refused as refused:
        return Evening(row.id, row.engine_id, row.name, measured=measured, problem=refused)
    route, done = spoken_route(job, route_in(row)), frozenset(row.done)
    ups = []
    for n, one in enumerate(route.set_ups, 1):
        left = tuple(x for at, x in enumerate(one.does) if mark_of(job, n, at, x) not in done)
        if not left:
            continue
        here = [job.by_key[key] for key in left if key in job.by_key]
        told = TonightRow(
            part_id=row.id,
            part=row.name,
            engine=row.engine,
            set_up=n,
            hold=job.part.said(one.hold),
            minutes=set_up_min(job, one, done, n),
            does=[job.part.said(spoken(x)) for x in left],
        )
        finishes = frozenset(x.feature for x in here if x.verb == "finish")
        ups.append(Up(told, len(here) or 1, left, finishes))
    wants = tuple((one.blocks, one.what) for one in wanted(job, bool(row.done)))
    return Evening(row.id, row.engine_id, row.name, tuple(ups), wants, measured)


def planned(
    evenings: Sequence[Evening],
    minutes: int,
    page: PageUnit,
    stands: Mapping[tuple[int, str], str] | None = None,
    fits: Sequence[KeptFit] = (),
) -> TonightOut:
    """The set-ups that fit an evening, with what waits for something.

    Args:
        evenings: What there is to do of every part.
        minutes: There are.
        page: How sizes are said.
        stands: How what is wanted of an engine stands: what is here waits no more.
        fits: What goes with what: a shaft waits until its hole was measured.
    """
    by_id = {one.part: one for one in evenings}
    into: dict[int, list[KeptFit]] = {}
    for fit in fits:
        into.setdefault(fit.shaft[0], []).append(fit)
    ready: list[list[Ready]] = []
    told: dict[tuple[int, int], TonightRow] = {}
    waiting: list[str] = []
    for one in evenings:
        if one.problem is not None:
            waiting.append(f"{one.name}: {one.problem.said(page)}")
        own: list[Ready] = []
        missing = _missing(one, stands or {}) if one.ups else {}
        for up in one.ups:
            row = up.row
            if waits := _waits(one, up, missing, into.get(one.part, ()), by_id):
                waiting.append(f"{one.name}, set-up {row.set_up}: {waits}.")
                break
            own.append(Ready(one.part, row.set_up, row.minutes, up.brings))
            told[one.part, row.set_up] = row
        if own:
            ready.append(own)
    chosen = [told[one.part, one.set_up] for one in tonight(ready, minutes)]
    return TonightOut(
        minutes=minutes, taken=sum(one.minutes for one in chosen), rows=chosen, waiting=waiting
    )


def _missing(one: Evening, stands: Mapping[tuple[int, str], str]) -> dict[str, str]:
    """What of a part waits for something that is not here yet, and how that stands."""
    how = ((blocks, what, stands.get((one.engine or 0, what))) for blocks, what in one.wants)
    return {
        blocks: f"{what} is {'ordered' if state == State.ORDERED else 'wanted'}"
        for blocks, what, state in how
        if state != State.HERE
    }


def _waits(
    one: Evening,
    up: Up,
    missing: Mapping[str, str],
    fits: Sequence[KeptFit],
    by_id: Mapping[int, Evening],
) -> str:
    """What a set-up waits for; empty where it waits for nothing."""
    lacks = next((missing[x] for x in ("", *up.left) if x in missing), "") if missing else ""
    if lacks:
        return lacks
    # What was measured first gives the other its size: the shaft itself, where that is there.
    for fit in fits:
        (part, feature), (_, own) = fit.hole, fit.shaft
        other = by_id.get(part)
        if other is None or own not in up.finishes:
            continue
        if feature not in other.measured and own not in one.measured:
            return f"{feature} of {other.name} is to be measured first"
    return ""
