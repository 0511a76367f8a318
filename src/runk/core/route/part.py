"""A part: its features along an axis or on the sides of a block, and what it is made from."""

from __future__ import annotations

import re
from dataclasses import dataclass, field
from fractions import Fraction
from functools import cached_property

from runk.core.route.feature import BlankQuestion
from runk.core.route.feature_question import HOLES, INSIDE, ROUND, FeatureQuestion
from runk.core.route.names import named, place
from runk.core.route.verbs import is_fine, limits_mm
from runk.core.units import PageUnit

EPS = 1e-6
BAR_MM = 12.0
"""A piece this much longer than its part is held as bar and parted off: common practice."""
FLAT_SIDES = ("top", "bottom", "front", "back")
_TURNED = (
    *ROUND,
    *INSIDE,
    "taper",
    "thread",
    "groove",
    "chamfer",
    "face",
    "keyway",
    "bore-keyway",
    "flats",
)


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
    def circle(self) -> float | None:
        """The circle about the part's axis its holes lie on; None where they lie otherwise."""
        if self.kind in HOLES and self.throw:
            return 2 * self.throw
        return None if self.asked.circle is None else float(self.asked.circle)

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
        unit: What its drawing is in: names nobody gave are said so.
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
    unit: PageUnit = PageUnit.MM

    @cached_property
    def turned(self) -> bool:
        """Whether it is made about an axis; else it is a block with sides."""
        return any(f.kind in _TURNED for f in self.features)

    @cached_property
    def long(self) -> float:
        """Length along the axis of the finished part."""
        return max((f.span[1] for f in self.features if not _in_end(f)), default=0.0)

    @cached_property
    def begin(self) -> float:
        """Where its right end is along the axis."""
        return min((f.span[0] for f in self.features if f.kind in _TURNED), default=0.0)

    @cached_property
    def by_key(self) -> dict[str, Feature]:
        """Its features by name."""
        return {f.key: f for f in self.features}

    @cached_property
    def plain(self) -> tuple[Feature, ...]:
        """Lengths of a round bar nothing is turned on: as good to hold by as any other."""
        blank = self.blank
        if blank.kind != "bar" or blank.dia is None or (blank.section or "round") != "round":
            return ()
        found: list[Feature] = []
        at = Fraction(self.begin).limit_denominator(10**6)
        turned = sorted(f.span for f in self.features if is_round(f))
        ends = [*turned, (self.long, self.long)]
        for first, last in ends:
            if first > at + EPS:
                to = Fraction(first).limit_denominator(10**6)
                asked = FeatureQuestion("outside", size=blank.dia, start=at, end=to)
                found.append(Feature(f"the plain bar from {float(at):g} to {first:g}", asked))
            at = max(at, Fraction(last).limit_denominator(10**6))
        return tuple(found) if self.turned else ()

    @cached_property
    def _said(self) -> tuple[re.Pattern[str], dict[str, str]] | None:
        found: dict[str, str] = {}
        shown: list[str] = []
        for one in self.features if self.unit is not PageUnit.MM else ():
            shown.append(named(one.asked, shown, self.unit))
            found[one.key] = shown[-1]
            if one.throw:
                found[f"{one.throw:g} off"] = f"{place(one.asked.throw, self.unit)} off"
        for one in self.plain if found else ():
            found[one.key] = (
                f"the plain bar from {place(one.asked.start, self.unit)} to "
                f"{place(one.asked.end, self.unit)}"
            )
        found = {key: name for key, name in found.items() if key != name}
        keys = "|".join(map(re.escape, sorted(found, key=len, reverse=True)))
        return (re.compile(rf"(?<![\w./])(?:{keys})(?![\w.])"), found) if found else None

    def said(self, text: str) -> str:
        """A text with the names of its features as its drawing's unit has them.

        >>> from runk.core.route.reading import part_of
        >>> pin = part_of("pin", "brass", "bar 1/2", ["outside 3/8, from 0 to 1"], PageUnit.INCH)
        >>> pin.features[0].key, pin.said("jaws on outside 9.525, left end out")
        ('outside 9.525', 'jaws on outside 3/8, left end out')
        """
        if self._said is None:
            return text
        pattern, names = self._said
        return pattern.sub(lambda found: names[found[0]], text)

    def surface(self, key: str) -> Feature | None:
        """A feature by its name, or a length of its plain bar."""
        return self.by_key.get(key) or next((f for f in self.plain if f.key == key), None)

    @cached_property
    def bar(self) -> bool:
        """Whether it is cut off a bar that goes on behind it."""
        if self.blank.kind != "bar" or not self.turned:
            return False
        if self.blank.long is not None and any(f.kind == "crankpin" for f in self.features):
            # The dog of a crankshaft sits on what is left over, to the last cut but one.
            return False
        return self.blank.long is None or float(self.blank.long) > self.long - self.begin + BAR_MM

    @cached_property
    def stock_long(self) -> float | None:
        """How long its blank is along the axis; None where nobody said."""
        blank, long = self.blank, self.long - self.begin
        if blank.kind == "plate" and blank.long and blank.wide and blank.high:
            # A plate is bored through the thinnest way that takes the hole.
            ways = sorted(float(one) for one in (blank.long, blank.wide, blank.high))
            return next((one for one in ways if one >= long - EPS), ways[-1])
        return None if blank.long is None else float(blank.long)

    @property
    def cast(self) -> bool:
        """Whether it is made from a casting."""
        return self.blank.kind == "casting"

    @cached_property
    def across(self) -> float:
        """The largest diameter there is on it, or on its blank."""
        outside = max((f.size + 2 * f.throw for f in self.features if f.round_outside), default=0.0)
        return max(outside, float(self.blank.dia or 0))

    def face_at(self, end: str) -> Feature | None:
        """The face drawn at one of its ends; None where there is none."""
        x = self.begin if end == "right" else self.long
        return next(
            (f for f in self.features if f.kind == "face" and abs(f.span[0] - x) < EPS), None
        )

    def outside_at(self, x: float) -> float:
        """Its outside at a place along the axis; the blank's where nothing is turned."""
        found = [
            f.size + 2 * f.throw
            for f in self.features
            if is_round(f) and f.span[0] - EPS <= x <= f.span[1] + EPS
        ]
        return max(found, default=float(self.blank.dia or 0))

    def lies(self, feature: Feature) -> tuple[float, float]:
        """Where it lies along the axis; a hole from its mouth to its depth, or right through."""
        if feature.kind not in HOLES:
            return feature.span
        deep = feature.asked.deep
        if deep is None:
            return self.begin, self.long
        if feature.side == "left":
            return self.long - float(deep), self.long
        return feature.span[0], feature.span[0] + float(deep)

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


def _in_end(feature: Feature) -> bool:
    """Whether its places are counted over the face of an end, not along the axis."""
    return feature.kind == "slot" and feature.side in ("right", "left")


def on_axis(feature: Feature) -> bool:
    """Whether a hole lies on the part's own axis."""
    return feature.side in ("", "right", "left") and not feature.throw


def is_round(feature: Feature) -> bool:
    """Whether it is turned outside."""
    return feature.kind in (*ROUND, "taper", "thread")
