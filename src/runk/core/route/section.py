"""A turned part as it stands: its half-section to scale after any of its operations."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise

from runk.core.machines.machine import Holding as Way
from runk.core.route.chamfered import chamfered
from runk.core.route.feature_question import HOLES, INSIDE
from runk.core.route.hold import Hold
from runk.core.route.operations import PART_OFF, spare
from runk.core.route.part import EPS, Feature, is_round, on_axis
from runk.core.route.route import Job
from runk.core.route.slice import Slice

LEFT_MM = 0.5
"""What a roughing cut leaves on diameter, drawn."""
BAR_MM, SKIN_MM, END_MM = 18.0, 1.0, 1.0
"""Of the bar behind a part, of skin on a sawn end, of a casting whose surplus is not told."""


@dataclass(frozen=True, slots=True)
class Mark:
    """A hole, slot or flat across it, or beside the axis.

    Args:
        start: Along the axis; ``end`` where it stops.
        low: Its nearer edge from the axis; ``high`` its farther one.
        feature: Name of it.
        now: Whether it was cut in the set-up that is shown.
    """

    start: float
    end: float
    low: float
    high: float
    feature: str
    now: bool


@dataclass(frozen=True, slots=True)
class Grip:
    """What holds it, drawn.

    Args:
        start: Along the axis; ``end`` where it stops.
        radius: On what it closes.
        way: ``jaws``, ``centre``, ``mandrel`` or ``clamp``.
    """

    start: float
    end: float
    radius: float
    way: str


@dataclass(frozen=True, slots=True)
class Section:
    """A part as it stands.

    Args:
        slices: From its right end to its left.
        marks: Holes and slots.
        grips: What holds it.
        bar: Whether its bar goes on behind it.
    """

    slices: tuple[Slice, ...]
    marks: tuple[Mark, ...]
    grips: tuple[Grip, ...]
    bar: bool


def section(job: Job, done: frozenset[str], hold: Hold | None, now: frozenset[str]) -> Section:
    """A part after some of its operations, held one way.

    Args:
        job: The part.
        done: Operations done.
        hold: How it is held; None where it lies on the bench.
        now: Those done in the set-up shown.

    >>> from runk.core.route.reading import part_of
    >>> from runk.demo.back_shed import WORKSHOP
    >>> job = Job(part_of("pin", "brass", "bar 12", ["outside 10, from 0 to 8"]), WORKSHOP)
    >>> view = section(job, frozenset({"outside 10: turn"}), None, frozenset())
    >>> [(one.start, one.end, one.top) for one in view.slices]
    [(-1.0, 0.0, 6.0), (0.0, 8.0, 5.0), (8.0, 26.0, 6.0)]
    """
    part = job.part
    first, last = _ends(job, done)
    edges = {first, last}
    for feature in part.features:
        if is_round(feature) or feature.kind in ("groove", "thread") or _hollow(feature):
            edges |= {x for x in job.part.lies(feature) if first < x < last}
    slices = tuple(_slice(job, done, now, a, b) for a, b in pairwise(sorted(edges)) if b - a > EPS)
    for feature in part.features:
        if feature.kind == "chamfer" and verbs_done(feature, done):
            made = fresh(feature, done, now)
            slices = chamfered(slices, feature.span[0], feature.size, feature.key, made)
    return Section(
        slices,
        tuple(_marks(job, done, now)),
        tuple(_grips(job, hold, first, last)),
        part.bar and PART_OFF not in done,
    )


def _ends(job: Job, done: frozenset[str]) -> tuple[float, float]:
    part = job.part
    cast = part.cast
    skin = float(part.blank.surplus or END_MM) if cast else SKIN_MM
    faced = {
        next(iter(one.access.ends))
        for one in job.of("face")
        if one.access.way == "end" and len(one.access.ends) == 1 and one.key in done
    }
    first = part.begin - (0.0 if "right" in faced else skin)
    if part.bar:
        return first, part.long + (0.0 if PART_OFF in done else BAR_MM)
    if "left" in faced:
        return first, part.long
    if spare(part) and part.stock_long is not None:
        return first, max(part.begin + part.stock_long - SKIN_MM, part.long)
    return first, part.long + skin


def _hollow(feature: Feature) -> bool:
    return feature.kind in INSIDE or (feature.kind in HOLES and on_axis(feature))


def verbs_done(feature: Feature, done: frozenset[str]) -> frozenset[str]:
    """Which of a feature's operations are done, by their verbs."""
    return _verbs(feature.key, done)


@lru_cache(maxsize=8192)
def _verbs(feature: str, done: frozenset[str]) -> frozenset[str]:
    head = f"{feature}: "
    return frozenset(key[len(head) :] for key in done if key.startswith(head))


def fresh(feature: Feature, done: frozenset[str], now: frozenset[str]) -> bool:
    """Whether something of a feature was done in the set-up that is shown."""
    return bool(_verbs(feature.key, done) & _verbs(feature.key, now))


def _slice(job: Job, done: frozenset[str], now: frozenset[str], start: float, end: float) -> Slice:
    part, middle = job.part, (start + end) / 2
    stock = (float(part.blank.dia) if part.blank.dia is not None else part.across) / 2 or 5.0
    top = bottom = right = stock
    name, made = "", False
    over = [
        f for f in part.features if (is_round(f) or f.kind == "groove") and _covers(f.span, middle)
    ]
    if part.cast and over:
        skin = float(part.blank.surplus or END_MM)
        top = bottom = right = max(f.size + 2 * f.throw for f in over) / 2 + skin
    for feature in over:
        verbs = verbs_done(feature, done)
        rough = verbs == {"rough"}
        if not verbs or (feature.kind == "groove" and "groove" not in verbs):
            continue
        r = feature.size / 2 + (LEFT_MM / 2 if rough else 0.0)
        if r + feature.throw > top + EPS:
            continue
        top, bottom, right = r + feature.throw, r - feature.throw, r + feature.throw
        if feature.kind == "taper":
            top, right = _tapered(feature, start, end)
            bottom = top
        name, made = feature.key, fresh(feature, done, now)
    thread = _screwed(job, done, middle)
    made = made or any(fresh(f, done, now) for f in _threads(job, done, middle))
    inner, within, bored = _inner(job, done, now, middle)
    return Slice(start, end, top, bottom, inner, right, within or name, made or bored, thread)


def _threads(job: Job, done: frozenset[str], middle: float) -> list[Feature]:
    return [
        feature
        for feature in job.part.features
        if feature.kind == "thread"
        and feature.asked.screw is not None
        and verbs_done(feature, done)
        and _covers(feature.span, middle)
    ]


def _screwed(job: Job, done: frozenset[str], middle: float) -> float:
    """Radius at the root of an outside thread where one is cut; 0 where none is."""
    roots = (f.asked.screw.minor_mm / 2 for f in _threads(job, done, middle) if f.asked.screw)
    return max(roots, default=0.0)


def _tapered(feature: Feature, start: float, end: float) -> tuple[float, float]:
    """Radii at the left and the right of a stretch of a taper, told large end first."""
    first, last = float(feature.asked.start or 0), float(feature.asked.end or 0)
    large, small = feature.size / 2, float(feature.asked.small or 0) / 2

    def at(x: float) -> float:
        return large + (small - large) * (x - first) / (last - first)

    return at(end), at(start)


def _inner(
    job: Job, done: frozenset[str], now: frozenset[str], middle: float
) -> tuple[float, str, bool]:
    cored = job.part.blank.cored
    deepest, name, made = 0.0, "", False
    for feature in job.part.features:
        if not _hollow(feature) or not _covers(job.part.lies(feature), middle):
            continue
        verbs = verbs_done(feature, done)
        if verbs & {"finish", "ream", "tap"} or (feature.kind == "drilled" and "drill" in verbs):
            r = feature.size / 2
        elif "rough" in verbs:
            r = (feature.size - LEFT_MM) / 2
        elif "drill" in verbs:
            r = feature.size * 0.4
        else:
            continue
        if r > deepest:
            deepest, name, made = r, feature.key, fresh(feature, done, now)
    if cored is not None and any(f.kind == "bore" for f in job.part.features):
        deepest = max(deepest, float(cored) / 2)
    return deepest, name, made


def _covers(span: tuple[float, float], x: float) -> bool:
    return span[0] - EPS < x < span[1] + EPS


def _marks(job: Job, done: frozenset[str], now: frozenset[str]) -> Iterator[Mark]:
    part = job.part
    for feature in part.features:
        verbs = verbs_done(feature, done)
        if not verbs & {"drill", "mill", "slot", "ream", "tap"}:
            continue
        made = fresh(feature, done, now)
        asked = feature.asked
        if feature.kind in (*HOLES, "holes") and feature.circle is not None:
            middle = feature.circle / 2
            start, end = _bored(job, feature, middle)
            yield Mark(
                start, end, middle - feature.size / 2, middle + feature.size / 2, feature.key, made
            )
        elif feature.kind in ("keyway", "slot"):
            outside = part.outside_at(sum(feature.span) / 2) / 2
            deep = float(asked.deep or asked.wide or 0)
            yield Mark(*feature.span, max(outside - deep, 0.0), outside, feature.key, made)
        elif feature.kind == "bore-keyway":
            inner = _inner(job, done, now, sum(feature.span) / 2)[0]
            yield Mark(*feature.span, inner, inner + float(asked.deep or 0), feature.key, made)
        elif feature.kind == "flats":
            outside = part.outside_at(sum(feature.span) / 2) / 2
            yield Mark(*feature.span, feature.size / 2, outside, feature.key, made)
        elif _across(job, feature):
            x, outside = feature.span[0], part.outside_at(feature.span[0]) / 2
            low = -outside if asked.deep is None else outside - float(asked.deep)
            yield Mark(x - feature.size / 2, x + feature.size / 2, low, outside, feature.key, made)


def _bored(job: Job, feature: Feature, out: float) -> tuple[float, float]:
    """How far a hole beside the axis goes: to its depth, or until it comes out of the metal."""
    part = job.part
    edges = sorted({part.begin, part.long, *(x for f in part.features for x in f.span)})
    stretches = [(a, b) for a, b in pairwise(edges) if part.begin <= a and b <= part.long]
    left = feature.side == "left"
    at = first = part.long if left else part.begin
    for a, b in reversed(stretches) if left else stretches:
        if part.outside_at((a + b) / 2) / 2 < out:
            break
        at = a if left else b
    if feature.asked.deep is not None:
        deep = float(feature.asked.deep)
        at = max(at, first - deep) if left else min(at, first + deep)
    return min(first, at), max(first, at)


def _across(job: Job, feature: Feature) -> bool:
    accesses: set[str] = {one.access.way for one in job.operations if one.feature == feature.key}
    return feature.kind in (*HOLES, "passage") and bool(accesses & {"across", "side"})


def _grips(job: Job, hold: Hold | None, first: float, last: float) -> Iterator[Grip]:
    part = job.part
    if hold is None or (hold.cuts_off and last <= part.long + EPS):
        # Parted off it is in nobody's jaws.
        return
    if hold.way is Way.CENTRES:
        yield Grip(first - 6.0, first, 0.0, "centre")
        yield Grip(last, last + 6.0, 0.0, "centre")
    elif hold.way is Way.MANDREL:
        bore = part.by_key[hold.on].size / 2
        yield Grip(first - 8.0, last + 8.0, bore, "mandrel")
    elif hold.grips is not None:
        start, end = hold.grips
        if hold.cuts_off or "spare end" in hold.key:
            start, end = max(last - 8.0, part.long + 1.0), last
        radius = part.by_key[hold.on].size / 2 if hold.on in part.by_key else part.across / 2
        yield Grip(start, end, radius, "jaws")
    elif hold.way in (Way.FACEPLATE, Way.CLAMPS):
        if "left" in hold.out:
            yield Grip(first - 4.0, first, part.across / 2, "clamp")
        else:
            yield Grip(last, last + 4.0, part.across / 2, "clamp")
