"""What a part cannot be: no features, holes larger than their outside, threads opened away."""

from __future__ import annotations

import itertools
from math import pi, sin

from runk.core.refusals import Refused
from runk.core.route.feature_question import HOLES, INSIDE, ROUND
from runk.core.route.part import EPS, Feature, Part, on_axis
from runk.core.said import mm_said

THREAD_LEFT = 0.6
"""Opened farther than this share of its depth a thread holds nothing: common practice."""
KEY_SHARE = 12
"""A key narrower than this share of its shaft is none: common practice, a quarter is usual."""
MOST_FEATURES = 200


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
        elif hole.kind in (*HOLES, "holes") and hole.circle is not None and part.turned:
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
    circle, left = holes.circle or 0.0, holes.side == "left"
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
    long = part.stock_long
    if part.turned and long is not None and one.span[1] - part.begin > long + EPS:
        raise Refused(
            f"{one.key} ends {mm_said(one.span[1] - part.begin)} along a blank of {mm_said(long)}.",
            field=one.key,
        )


def _inside_metal(part: Part, hole: Feature) -> None:
    first, last = part.lies(hole)
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
