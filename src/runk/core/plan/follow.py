"""A cut followed: a pure fold of what was settled and what happened since."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field, replace
from math import fsum
from statistics import fmean

from runk.core.plan.events import TRIED, Event, EventKind
from runk.core.plan.laws import cold_mm, learned_ratio
from runk.core.plan.made import PassKind, Standing, after, made_pass
from runk.core.plan.passes import at_start, next_pass
from runk.core.plan.spec import CutSpec
from runk.core.plan.thread_passes import left_tried_mm

_TRUST_FLOOR = 0.05
"""How far the bending sum may be out where it says nothing at all."""
_NOISE_TIMES = 1.4
_LEAST_CHANGE = 0.3
"""A change of cut under this share of the last one teaches nothing."""
_MOST_RATIO = 1.5
_NEARER = 1 / 3
"""A reading is of the pass told only where it fits that so much better than the one before."""


@dataclass(frozen=True, slots=True)
class Outcome:
    """A reading, beside what was wound on and what was expected.

    Args:
        event: Its event's id.
        size_mm: Mean of the places read, cold.
        worst_mm: The place where most metal has gone.
        wound: Divisions wound on for it; 0 where it was only measured again.
        wound_mm: The same as the size would have it.
        took_mm: What really came off.
        expected_mm: The size predicted.
    """

    event: int
    kind: PassKind | None
    size_mm: float
    worst_mm: float
    spread_mm: float
    wound: float
    wound_mm: float
    took_mm: float
    expected_mm: float
    passes: int
    tried: str = ""
    """How its mate went on, where that is what is known and no size was read."""


@dataclass(frozen=True, slots=True)
class Followed:
    """Where a cut is after everything that happened.

    Args:
        at: Where it stands, passes made but not measured as predicted.
        read: Where it stood at the last reading.
        pending: Divisions wound on since that reading.
        made: Passes since that reading.
        outcomes: Every reading that holds, oldest first.
        lag_mm2, change_mm2: Sums that the spring is learned from.
    """

    at: Standing
    read: Standing
    pending: float = 0.0
    made: int = 0
    last_kind: PassKind | None = None
    outcomes: tuple[Outcome, ...] = ()
    lag_mm2: float = 0.0
    change_mm2: float = 0.0
    worst_left_mm: float = field(default=float("inf"))

    @property
    def measured(self) -> bool:
        """Whether nothing was cut since the last reading."""
        return self.made == 0 and bool(self.outcomes)


def begin(spec: CutSpec) -> Followed:
    """Before anything happened."""
    return Followed(at_start(spec), at_start(spec))


def follow(spec: CutSpec, events: Iterable[Event], since: Followed | None = None) -> Followed:
    """Where a cut is after events, undos already taken out.

    Args:
        spec: The cut as settled.
        events: Oldest first.
        since: Where it stood before them; the start where left out.
    """
    where = since or begin(spec)
    for event in events:
        if event.kind is EventKind.DONE:
            where = _done(spec, where, event)
        elif event.kind in TRIED:
            where = _tried(spec, where, event)
        else:
            where = _read(spec, where, event)
    return where


def _done(spec: CutSpec, where: Followed, event: Event) -> Followed:
    made = next_pass(spec, where.at)
    if made is None and event.wound is None:
        return where
    told = made.divisions if made else 0.0
    wound = told if event.wound is None else event.wound
    if made is None or wound != made.divisions:
        kind = made.kind if made else PassKind.LAST
        made = made_pass(spec, where.at, kind, wound)
    return replace(
        where,
        at=after(where.at, made),
        pending=where.pending + wound,
        made=where.made + 1,
        last_kind=made.kind,
    )


def _tried(spec: CutSpec, where: Followed, event: Event) -> Followed:
    """A thread tried with its mate, the pass told before it made: no size, but it says enough."""
    if where.made == 0 and event.wound != 0.0:
        where = _done(spec, where, replace(event, kind=EventKind.DONE))
    left = left_tried_mm(spec, where.at.left_mm, event.kind)
    size, wound_mm = spec.size(left), where.pending * spec.division
    at = replace(where.at, left_mm=left)
    outcome = Outcome(
        event=event.id,
        kind=where.last_kind if where.made else None,
        size_mm=size,
        worst_mm=size,
        spread_mm=0.0,
        wound=where.pending,
        wound_mm=wound_mm,
        took_mm=where.read.left_mm - left,
        expected_mm=spec.size(where.at.left_mm),
        passes=where.made,
        tried=TRIED[event.kind],
    )
    return replace(
        where,
        at=at,
        read=at,
        pending=0.0,
        made=0,
        outcomes=(*where.outcomes, outcome),
        worst_left_mm=left,
    )


def _read(spec: CutSpec, where: Followed, event: Event) -> Followed:
    told = where.made == 0 and event.wound != 0.0
    if told or (event.wound is None and fits_the_next(spec, where, fmean(event.sizes_mm))):
        # The reading says that the pass told was made.
        where = _done(spec, where, replace(event, kind=EventKind.DONE))
    cold = [
        size if event.warm_deg is None else cold_mm(size, spec.expansion_um_per_m_k, event.warm_deg)
        for size in event.sizes_mm
    ]
    size = fsum(cold) / len(cold)
    left = spec.left(size)
    took = where.read.left_mm - left
    expected = where.at
    wound_mm = where.pending * spec.division
    lag_mm2, change_mm2 = where.lag_mm2, where.change_mm2
    share = 1.0 if where.last_kind is PassKind.ROUGH else spec.finish_share
    load = expected.load_mm
    if where.made == 1:
        load = share * took
        # Each load as it would bend the work at the size aimed at.
        now, before = load * expected.softer, where.read.load_mm * where.read.softer
        change = now - before
        if abs(change) > _LEAST_CHANGE * max(abs(now), abs(before)):
            lag_mm2 += change * (wound_mm - took)
            change_mm2 += change * change
    ratio = learned_ratio(spec.spring_ratio, weight_of(spec), lag_mm2, change_mm2)
    ratio = min(max(ratio, 0.0), _MOST_RATIO)
    at = replace(expected, left_mm=left, load_mm=max(load, 0.0), ratio=ratio)
    worst = min(cold, key=spec.left)
    outcome = Outcome(
        event.id,
        where.last_kind if where.made else None,
        size,
        worst,
        max(cold) - min(cold),
        where.pending,
        wound_mm,
        took,
        spec.size(expected.left_mm),
        where.made,
    )
    return Followed(
        at,
        at,
        0.0,
        0,
        where.last_kind,
        (*where.outcomes, outcome),
        lag_mm2,
        change_mm2,
        spec.left(worst),
    )


def fits_the_next(spec: CutSpec, where: Followed, size_mm: float) -> bool:
    """Whether a reading after unmeasured passes is of the pass told now, made as well.

    Somebody who presses done, cuts what is told next and then types means that one.
    """
    told = next_pass(spec, where.at)
    if where.made == 0 or told is None or told.kind is PassKind.FIRST:
        return False
    made, next_one = spec.size(where.at.left_mm), spec.size(told.leaves_mm)
    if abs(made - next_one) < 4 * spec.resolution_mm:
        return False
    return abs(size_mm - next_one) < _NEARER * abs(size_mm - made)


def weight_of(spec: CutSpec) -> float:
    """How far the bending sum is trusted, as so much change of cut squared."""
    noise = _NOISE_TIMES * spec.resolution_mm
    doubt = max(spec.spring_ratio / 2, _TRUST_FLOOR)
    return (noise / doubt) ** 2
