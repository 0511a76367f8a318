"""From where an operation reaches a feature: along the outside, through an end, from a side."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.route.feature_question import HOLES, INSIDE
from runk.core.route.part import EPS, FLAT_SIDES, Feature, Part, is_round, on_axis

BOTH = frozenset({"right", "left"})


@dataclass(frozen=True, slots=True)
class Access:
    """From where an operation is done.

    Args:
        way: ``outside`` along a length, ``end`` on an end, ``inside`` through an end, ``die``
            along a length from an end, ``across`` square to the axis, ``side`` of a block,
            ``none`` where it lies loose.
        span: The length of the axis it needs free.
        ends: The ends or sides that will do.
        throw: How far off the axis it turns.
    """

    way: str
    span: tuple[float, float] = (0.0, 0.0)
    ends: frozenset[str] = BOTH
    throw: float = 0.0


def access_of(part: Part, feature: Feature) -> Access:
    """From where what is done to a feature is done."""
    kind, span = feature.kind, feature.span
    if kind == "split":
        return Access("none")
    if feature.side in FLAT_SIDES or not part.turned:
        return Access("side", ends=frozenset({feature.side or "top"}))
    if kind in HOLES and on_axis(feature):
        return Access("inside", ends=mouth(part, feature))
    milled = kind in ("passage", "slot") and feature.side in BOTH
    if kind == "holes" or (kind in HOLES and feature.throw) or milled:
        return Access("end", ends=frozenset({feature.side or "right"}))
    if kind in INSIDE:
        return Access("inside", ends=part.open_ends(feature) or BOTH)
    if kind == "bore-keyway":
        bores = [f for f in part.features if f.kind in INSIDE and f.overlaps(feature)]
        return Access("inside", ends=part.open_ends(bores[0]) if bores else BOTH)
    if kind in ("keyway", "flats", "slot", "passage", *HOLES):
        half = feature.size / 2 if kind in (*HOLES, "passage") else 0.0
        return Access("across", (span[0] - half, span[1] + half))
    if kind == "face":
        return _face(part, feature)
    return Access("outside", span, throw=feature.throw)


def die_of(part: Part, feature: Feature) -> Access:
    """From which end a die is run on: nothing thicker than the thread's core stands before it."""
    core = feature.asked.screw.minor_mm if feature.asked.screw is not None else feature.size
    ends = set()
    for end in ("right", "left"):
        before = [
            f
            for f in part.features
            if is_round(f)
            and f is not feature
            and f.size > core
            and (
                f.span[1] <= feature.span[0] + EPS
                if end == "right"
                else f.span[0] >= feature.span[1] - EPS
            )
        ]
        if not before:
            ends.add(end)
    # Between two shoulders no die passes: it is screw-cut, from anywhere.
    return Access("die" if ends else "outside", feature.span, frozenset(ends or BOTH))


def mouth(part: Part, feature: Feature) -> frozenset[str]:
    """Ends from which a hole on the axis is drilled: both where it goes right through."""
    if feature.side in BOTH:
        return frozenset({feature.side}) if feature.asked.deep is not None else BOTH
    if feature.asked.deep is not None:
        middle = (part.begin + part.long) / 2
        return frozenset({"left" if feature.span[0] > middle else "right"})
    return BOTH


def _face(part: Part, feature: Feature) -> Access:
    x = feature.span[0]
    if abs(x - part.begin) < EPS:
        return Access("end", (x, x), frozenset({"right"}))
    if abs(x - part.long) < EPS:
        return Access("end", (x, x), frozenset({"left"}))
    # A shoulder: it faces the end towards which the part is thinner.
    thinner_right = part.outside_at(x - 0.01) <= part.outside_at(x + 0.01)
    return Access("outside", (x, x), frozenset({"right" if thinner_right else "left"}))
