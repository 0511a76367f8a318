"""A part: its features along an axis or on the sides of a block, and what it is made from."""

from __future__ import annotations

import itertools
from collections.abc import Iterable
from dataclasses import dataclass, field
from functools import cached_property
from math import pi, sin

from runk.core.refusals import Refused
from runk.core.route.feature import BlankQuestion
from runk.core.route.feature_question import HOLES, INSIDE, ROUND, FeatureQuestion
from runk.core.route.verbs import is_fine, limits_mm
from runk.core.said import mm_said

MOST_FEATURES = 200
EPS = 1e-6
BAR_MM = 12.0
"""A piece this much longer than its part is held as bar and parted off: common practice."""
FLAT_SIDES = ("top", "bottom", "front", "back")
THREAD_LEFT = 0.6
"""Opened farther than this share of its depth a thread holds nothing: common practice."""
KEY_SHARE = 12
"""A key narrower than this share of its shaft is none: common practice, a quarter is usual."""
_TURNED = (
    *ROUND, *INSIDE, "taper", "thread", "groove", "chamfer", "face", "keyway", "bore-keyway",
    "flats",
)  # fmt: skip


@dataclass(frozen=True)
class Feature:
    """A feature with its name and its sizes worked out.

    Args:
        key: Its name, unlike every other's of the part.
        asked: As it was said.
    """

    key: str
    asked: FeatureQuestion

    @property
    def kind(self) -> str:
        """What it is."""
        return self.asked.kind

    @cached_property
    def size(self) -> float:
        """Its diameter or width in millimetres; a thread's major diameter."""
        if self.asked.size is not None:
            return float(self.asked.size)
        if self.asked.screw is not None:
            return self.asked.screw.major_mm
        return float(self.asked.wide or 0)

    @cached_property
    def span(self) -> tuple[float, float]:
        """From where to where along the axis, the nearer to the right end first."""
        start = float(self.asked.start or 0)
        end = start if self.asked.end is None else float(self.asked.end)
        if self.kind == "groove":
            end = start + float(self.asked.wide or 0)
        return min(start, end), max(start, end)

    @cached_property
    def limits(self) -> tuple[float, float] | None:
        """Smallest and largest, where limits are told."""
        return limits_mm(self.asked)

    @cached_property
    def fine(self) -> bool:
        """Whether it has a finishing cut of its own."""
        return is_fine(self.asked)

    @property
    def throw(self) -> float:
        """How far its axis stands from the part's."""
        return float(self.asked.throw or 0)

    @property
    def side(self) -> str:
        """From which side it is cut; empty where that follows from its place."""
        return self.asked.side or ""

    @property
    def round_outside(self) -> bool:
        """Whether jaws could close on it."""
        return self.kind in ("outside", "journal", "eccentric", "crankpin")

    def overlaps(self, other: Feature) -> bool:
        """Whether both take up some of the same length of the axis."""
        return self.span[0] < other.span[1] - EPS and other.span[0] < self.span[1] - EPS


@dataclass(frozen=True)
class Part:
    """A part to be made.

    Args:
        name: Of it.
        metal: Key of its metal.
        blank: What it is made from.
        features: In the order they were told.
        notes: On the drawing, corrections with their reason.
        tries: Names of features that are tried against a mate that is there, and the mate's.
        alike: How many of it are made.
        harden: Whether it is hardened when all else is done.
        schools: Which school it is made by, where workers differ.
    """

    name: str
    metal: str
    blank: BlankQuestion
    features: tuple[Feature, ...]
    notes: tuple[str, ...] = ()
    tries: dict[str, str] = field(default_factory=dict)
    alike: int = 1
    harden: bool = False
    schools: dict[str, str] = field(default_factory=dict)

    @cached_property
    def turned(self) -> bool:
        """Whether it is made about an axis; else it is a block with sides."""
        return any(f.kind in _TURNED for f in self.features)

    @cached_property
    def long(self) -> float:
        """Length along the axis of the finished part."""
        return max((f.span[1] for f in self.features), default=0.0)

    @cached_property
    def begin(self) -> float:
        """Where its right end is along the axis."""
        return min((f.span[0] for f in self.features if f.kind in _TURNED), default=0.0)

    @cached_property
    def by_key(self) -> dict[str, Feature]:
        """Its features by name."""
        return {f.key: f for f in self.features}

    @cached_property
    def bar(self) -> bool:
        """Whether it is cut off a bar that goes on behind it."""
        if self.blank.kind != "bar" or not self.turned:
            return False
        return self.blank.long is None or float(self.blank.long) > self.long - self.begin + BAR_MM

    @property
    def cast(self) -> bool:
        """Whether it is made from a casting."""
        return self.blank.kind == "casting"

    @cached_property
    def across(self) -> float:
        """The largest diameter there is on it, or on its blank."""
        outside = max((f.size + 2 * f.throw for f in self.features if f.round_outside), default=0.0)
        return max(outside, float(self.blank.dia or 0))

    def outside_at(self, x: float) -> float:
        """Its outside at a place along the axis; the blank's where nothing is turned."""
        found = [
            f.size + 2 * f.throw
            for f in self.features
            if f.kind in (*ROUND, "taper", "thread") and f.span[0] - EPS <= x <= f.span[1] + EPS
        ]
        return max(found, default=float(self.blank.dia or 0))

    def open_ends(self, inside: Feature) -> frozenset[str]:
        """From which ends a hole on the axis is reached: no narrower one stands before it."""
        ends = set()
        holes = [f for f in self.features if f.kind in INSIDE or (f.kind in HOLES and on_axis(f))]
        for end in ("right", "left"):
            first, last = (
                (self.begin, inside.span[0]) if end == "right" else (inside.span[1], self.long)
            )
            if self._clear(holes, inside, first, last):
                ends.add(end)
        return frozenset(ends)

    def _clear(self, holes: list[Feature], inside: Feature, first: float, last: float) -> bool:
        at = first
        while at < last - EPS:
            wider = [
                f.span[1]
                for f in holes
                if f is not inside and f.size >= inside.size - EPS and f.span[0] <= at + EPS
            ]
            further = max(wider, default=at)
            if further <= at + EPS:
                return False
            at = further
        return True


def on_axis(feature: Feature) -> bool:
    """Whether a hole lies on the part's own axis."""
    return feature.side in ("", "right", "left")


def named(asked: FeatureQuestion, taken: Iterable[str]) -> str:
    """A feature's name: its own, or its kind, size and place, unlike those taken."""
    if asked.called.strip():
        name = " ".join(asked.called.split())[:60]
    elif asked.kind in ("face", "groove", "chamfer"):
        name = f"{asked.kind} {float(asked.start or 0):g}"
    elif asked.screw is not None:
        name = f"{asked.kind} {asked.screw.name}"
    elif asked.kind in ("plane", "profile"):
        name = f"{asked.kind} {asked.side}"
    else:
        size = asked.size if asked.size is not None else asked.wide
        kind = "keyway in the bore" if asked.kind == "bore-keyway" else asked.kind
        name = f"{kind} {float(size or 0):g}"
    used = {one.casefold() for one in taken}
    found, n = name, 1
    while found.casefold() in used:
        n += 1
        found = f"{name} ({n})"
    return found


def checked(part: Part) -> Part:
    """A part that can be made of its blank.

    Raises:
        Refused: It has no features, or one that is not there where it is told.
    """
    if not part.features:
        raise Refused(
            f"{part.name} has no features yet: what is to be made of it?",
            field="features",
            suggest="bore 22 mm, from 0 to 40",
        )
    if len(part.features) > MOST_FEATURES:
        raise Refused(
            f"{len(part.features)} features: {MOST_FEATURES} are the most of one part.",
            field="features",
        )
    for one in part.features:
        _inside_blank(part, one)
    for hole in part.features:
        if hole.kind in INSIDE or (hole.kind in HOLES and on_axis(hole)):
            _inside_metal(part, hole)
            _opened(part, hole)
        elif hole.kind == "holes" and hole.asked.circle is not None and part.turned:
            _inside_face(part, hole)
        elif hole.kind in ("keyway", "bore-keyway"):
            _keyed(part, hole)
        elif hole.kind == "flats":
            _flats_left(part, hole)
    return part


def _opened(part: Part, hole: Feature) -> None:
    """A hole to be tapped is not opened so far that no thread is left."""
    screw = hole.asked.screw
    if screw is None or not on_axis(hole):
        return
    most = screw.minor_mm + THREAD_LEFT * (screw.major_mm - screw.minor_mm)
    for one in part.features:
        through = one.kind in ("drilled", "reamed") and on_axis(one) and one.asked.deep is None
        if through and one.size > most:
            raise Refused(
                f"{one.key} opens {hole.key} so far that no thread is left in it.", field=one.key
            )


def _keyed(part: Part, way: Feature) -> None:
    """A keyway lies on a shaft it suits, or in a bore that is there."""
    bores = [f for f in part.features if f.kind in (*INSIDE, "reamed") and _along(part, f, way)]
    if way.kind == "bore-keyway":
        if not bores:
            raise Refused(f"{way.key}: there is no bore there.", field=way.key)
        if way.size >= max(f.size for f in bores):
            raise Refused(f"{way.key} is wider than its bore.", field=way.key)
        return
    outside = part.outside_at(sum(way.span) / 2)
    if bores and outside > KEY_SHARE * way.size:
        raise Refused(
            f"{way.key} is {mm_said(way.size)} wide on {mm_said(outside)}: is it in the bore?",
            field=way.key,
            suggest=f"keyway in the bore {mm_said(way.size)} wide",
        )
    if outside and way.size >= outside - EPS:
        raise Refused(f"{way.key} is wider than its shaft, {mm_said(outside)}.", field=way.key)


def _along(part: Part, hole: Feature, other: Feature) -> bool:
    return hole.overlaps(other) if hole.kind in INSIDE else hole.asked.deep is None


def _flats_left(part: Part, flats: Feature) -> None:
    """There is metal outside the flats to cut them from."""
    outside = part.outside_at(sum(flats.span) / 2)
    if outside and flats.size > outside + EPS:
        raise Refused(f"{flats.key}: it is only {mm_said(outside)} across there.", field=flats.key)


def _inside_face(part: Part, holes: Feature) -> None:
    """A circle of holes lies on the face it is drilled in, clear of the bore and of each other."""
    circle, left = float(holes.asked.circle or 0), holes.side == "left"
    x = part.long - 0.01 if left else part.begin + 0.01
    outside = part.outside_at(x)
    bore = max(
        (f.size for f in part.features if f.kind in INSIDE and f.span[0] <= x <= f.span[1]),
        default=0.0,
    )
    if outside and circle + holes.size > outside + EPS:
        raise Refused(
            f"{holes.key} leave the face: {mm_said(outside)} across there.", field=holes.key
        )
    if circle - holes.size < bore - EPS:
        raise Refused(f"{holes.key} break into the bore of {mm_said(bore)}.", field=holes.key)
    many = holes.asked.count or 1
    if many > 1 and circle * sin(pi / many) < holes.size - EPS:
        raise Refused(f"{holes.key} overlap each other.", field=holes.key)


def _inside_blank(part: Part, one: Feature) -> None:
    dia = part.blank.dia
    if one.kind in ROUND and dia is not None and one.size + 2 * one.throw > float(dia) + EPS:
        throw = f", {mm_said(one.throw)} off the axis" if one.throw else ""
        raise Refused(
            f"{one.key} does not come out of {mm_said(float(dia))} bar{throw}.",
            field=one.key,
            suggest=mm_said(one.size + 2 * one.throw + 1),
        )
    long = part.blank.long
    if part.turned and long is not None and one.span[1] - part.begin > float(long) + EPS:
        raise Refused(
            f"{one.key} ends {mm_said(one.span[1] - part.begin)} along a blank of "
            f"{mm_said(float(long))}.",
            field=one.key,
        )


def _inside_metal(part: Part, hole: Feature) -> None:
    first, last = hole.span
    if hole.kind in HOLES:
        last = first + float(hole.asked.deep or 0)
    places = {first, last} | {
        x for f in part.features for x in f.span if first - EPS <= x <= last + EPS
    }
    ordered = sorted(places)
    middles = [(a + b) / 2 for a, b in itertools.pairwise(ordered)] or [first]
    for x in middles:
        outside = part.outside_at(x)
        if outside and hole.size >= outside - EPS:
            raise Refused(
                f"{hole.key} is larger than its outside, {mm_said(outside)}.", field=hole.key
            )
