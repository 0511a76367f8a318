"""A part seen on the face it is drilled or milled in, to scale, after any of its operations."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from math import cos, pi

from runk.core.route.feature_question import HOLES
from runk.core.route.part import EPS, FLAT_SIDES, Feature
from runk.core.route.placed import face_mm, points
from runk.core.route.route import Job
from runk.core.route.section import Section, fresh, verbs_done


@dataclass(frozen=True, slots=True)
class Ring:
    """A circle seen on a face.

    Args:
        x: Along, from the axis or the corner; ``y`` up.
        radius: Of it.
        feature: Name of it; empty for the outline of the blank.
        now: Whether it was cut in the set-up that is shown.
        screwed: Radius of its thread outside it; 0 where it has none.
    """

    x: float
    y: float
    radius: float
    feature: str
    now: bool
    screwed: float = 0.0


@dataclass(frozen=True, slots=True)
class Corners:
    """A straight-sided outline seen on a face.

    Args:
        at: Its corners in order, along and up.
        feature: Name of it.
        now: Whether it was cut in the set-up that is shown.
    """

    at: tuple[tuple[float, float], ...]
    feature: str
    now: bool


@dataclass(frozen=True, slots=True)
class Face:
    """A part seen on one side.

    Args:
        side: Which.
        wide: How far along it goes; ``high`` how far up; both from its corner.
        turned: Whether it is seen on an end, its axis in the middle.
        rings: Circles, the largest first.
        corners: Flats, slots, keyways.
        unplaced: Features of this side nobody has said the place of, outlines aside.
    """

    side: str
    wide: float
    high: float
    turned: bool
    rings: tuple[Ring, ...]
    corners: tuple[Corners, ...]
    unplaced: tuple[str, ...]


def faces(job: Job, done: frozenset[str], now: frozenset[str], view: Section) -> tuple[Face, ...]:
    """A part on every face something is drilled or milled in.

    Args:
        job: The part.
        done: Operations done.
        now: Those done in the set-up shown.
        view: Its half-section as it stands.

    >>> from runk.core.route.reading import part_of
    >>> from runk.core.route.section import section
    >>> from runk.demo.back_shed import WORKSHOP
    >>> lines = ["drilled 6, from the top, at 10 by 5"]
    >>> job = Job(part_of("strap", "brass", "plate 20 by 10 by 4", lines), WORKSHOP)
    >>> every = frozenset(job.by_key)
    >>> found = faces(job, every, every, section(job, every, None, every))[0]
    >>> found.wide, [(one.x, one.y, one.radius) for one in found.rings]
    (20.0, [(10.0, 5.0, 3.0)])
    """
    part = job.part
    if not part.turned:
        # A side that is only made flat has nothing to show.
        sides = dict.fromkeys(f.side or "top" for f in part.features if f.kind != "plane")
        found = (_block(job, side, done, now) for side in sides)
        return tuple(one for one in found if one is not None)
    ends = [end for end in ("right", "left") if any(_on_end(f, end) for f in part.features)]
    return tuple(_end(job, end, done, now, view) for end in ends)


def _on_end(feature: Feature, end: str) -> bool:
    if _beside(feature):
        return (feature.side or "right") == end
    # What runs along the part is seen as well from its right end.
    return end == "right" and feature.kind in ("flats", "keyway", "bore-keyway")


def _beside(feature: Feature) -> bool:
    """Whether it is a hole, or several, beside the axis in an end."""
    holes = feature.kind == "holes" or (feature.kind in HOLES and feature.throw > 0)
    return holes and feature.side not in FLAT_SIDES


def _end(job: Job, end: str, done: frozenset[str], now: frozenset[str], view: Section) -> Face:
    slices = view.slices if end == "right" else view.slices[::-1]
    rings: list[Ring] = []
    outer, inner = 0.0, 1e9
    for one in slices:
        if max(one.top, one.right) > outer + EPS:
            outer = max(one.top, one.right)
            rings.append(Ring(0.0, 0.0, outer, one.feature, one.now))
        if one.inner < inner - EPS:
            inner = one.inner
            if inner > 0:
                rings.append(Ring(0.0, 0.0, inner, one.feature, one.now))
    corners: list[Corners] = []
    for feature in job.part.features:
        if not _on_end(feature, end) or not verbs_done(feature, done) & {"drill", "mill", "slot"}:
            continue
        if _beside(feature):
            rings += _holes(job, feature, done, now)
        else:
            corners.append(_along(job, feature, done, now, outer))
    rings.sort(key=lambda ring: -ring.radius)
    return Face(end, 2 * outer, 2 * outer, True, tuple(rings), tuple(corners), ())


def _along(
    job: Job, feature: Feature, done: frozenset[str], now: frozenset[str], outer: float
) -> Corners:
    """Flats or a keyway, seen along the axis."""
    made, half = fresh(feature, done, now), feature.size / 2
    if feature.kind == "flats":
        many = feature.asked.count or 2
        if many > 2:
            far = half / cos(pi / many)
            turned = [2 * pi * n / many + pi / many for n in range(many)]
            return Corners(
                tuple((far * cos(a), far * cos(a - pi / 2)) for a in turned), feature.key, made
            )
        out = max(outer * outer - half * half, 0.0) ** 0.5
        return Corners(((-out, half), (out, half), (out, -half), (-out, -half)), feature.key, made)
    deep = float(feature.asked.deep or 0)
    if feature.kind == "keyway":
        top = job.part.outside_at(sum(feature.span) / 2) / 2
        low = top - deep
    else:
        bores = [f.size for f in job.part.features if f.kind in ("bore", "reamed", "counterbore")]
        low = max(bores, default=0.0) / 2
        top, low = low + deep, low - deep / 4
    return Corners(((-half, low), (half, low), (half, top), (-half, top)), feature.key, made)


def _holes(job: Job, feature: Feature, done: frozenset[str], now: frozenset[str]) -> Iterator[Ring]:
    asked, radius, screwed = feature.asked, feature.size / 2, 0.0
    if asked.screw is not None:
        radius = asked.screw.minor_mm / 2
        screwed = feature.size / 2 if "tap" in verbs_done(feature, done) else 0.0
    for x, y in points(job.part, feature):
        yield Ring(x, y, radius, feature.key, fresh(feature, done, now), screwed)


def _block(job: Job, side: str, done: frozenset[str], now: frozenset[str]) -> Face | None:
    size = face_mm(job.part, side)
    if size is None:
        return None
    rings: list[Ring] = []
    corners: list[Corners] = []
    unplaced: list[str] = []
    for feature in job.part.features:
        # An outline's shape is on the drawing alone.
        if (feature.side or "top") != side or feature.kind in ("plane", "profile", "split"):
            continue
        slot = feature.kind == "slot" and feature.asked.up is not None
        holes = feature.kind in (*HOLES, "holes")
        if not slot and not (holes and points(job.part, feature)):
            unplaced.append(feature.key)
        elif verbs_done(feature, done) & {"drill", "mill"}:
            if holes:
                rings += _holes(job, feature, done, now)
            else:
                middle, half = float(feature.asked.up or 0), float(feature.asked.wide or 0) / 2
                (a, b), low, high = feature.span, middle - half, middle + half
                at = ((a, low), (b, low), (b, high), (a, high))
                corners.append(Corners(at, feature.key, fresh(feature, done, now)))
    return Face(side, *size, False, tuple(rings), tuple(corners), tuple(unplaced))
