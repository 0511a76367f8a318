"""A feature of a part as it is said: a size with limits, a place and a kind."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.kinds import (
    Angle,
    Bounds,
    Choice,
    Count,
    Length,
    Limits,
    OfThread,
    OneOf,
    Place,
    Text,
)
from runk.core.threads.series import Thread

ROUND = ("outside", "journal", "crankpin", "eccentric", "knurl")
"""Turned outside, from one place along the axis to another."""
INSIDE = ("bore", "counterbore")
HOLES = ("drilled", "reamed", "tapped")
SPANS = (*ROUND, *INSIDE, "taper", "thread", "keyway", "bore-keyway", "flats", "slot")
"""Kinds that go from one place to another."""
ENTERED = (*HOLES, "holes", "slot", "plane", "profile", "passage")
"""Kinds that must be told from where they are cut."""
LIMITED = (
    *ROUND,
    *INSIDE,
    "drilled",
    "reamed",
    "holes",
    "face",
    "plane",
    "groove",
    "slot",
    "keyway",
    "bore-keyway",
    "flats",
)

KINDS = (
    Choice("outside", "outside", ("outside", "od", "outside diameter", "spigot", "rim", "boss")),
    Choice("journal", "journal", ("journal", "main journal", "bearing seat", "bearing")),
    Choice("crankpin", "crankpin", ("crankpin", "crank pin")),
    Choice("eccentric", "eccentric", ("eccentric", "sheave")),
    Choice("taper", "taper", ("taper", "cone")),
    Choice("thread", "thread", ("thread", "screwed", "external thread")),
    Choice("groove", "groove", ("groove", "undercut", "ring groove", "recess")),
    Choice("chamfer", "chamfer", ("chamfer", "bevel")),
    Choice("knurl", "knurl", ("knurl", "knurled")),
    Choice("face", "face", ("face", "end face", "shoulder", "register face")),
    Choice("bore", "bore", ("bore", "bored")),
    Choice("counterbore", "counterbore", ("counterbore", "spigot bore")),
    Choice("drilled", "drilled hole", ("drilled", "hole", "drilled hole", "drill")),
    Choice("reamed", "reamed hole", ("reamed", "reamed hole", "ream")),
    Choice("tapped", "tapped hole", ("tapped", "tapped hole", "tap")),
    Choice("holes", "holes", ("circle of holes", "holes")),
    Choice(
        "bore-keyway",
        "keyway in the bore",
        ("keyway in the bore", "bore keyway", "inside keyway", "internal keyway"),
    ),
    Choice("keyway", "keyway", ("keyway", "keyseat")),
    Choice("flats", "flats", ("flats", "flat")),
    Choice("slot", "slot", ("slot", "port", "pocket")),
    Choice("plane", "plane", ("plane", "milled face", "flat face")),
    Choice("profile", "profile", ("profile", "outline")),
    Choice("split", "split in halves", ("split in halves", "in halves", "split", "halves")),
    Choice("passage", "passage", ("passage", "oil hole", "steam passage")),
)
SIDES = (
    Choice("right", "from the right end", ("right end", "from the right", "right")),
    Choice("left", "from the left end", ("left end", "from the left", "left")),
    Choice("across", "across it", ("across", "cross", "radial", "sideways")),
    Choice("top", "from the top", ("from the top", "top")),
    Choice("bottom", "from below", ("from the bottom", "bottom", "underside", "below")),
    Choice("front", "from the front", ("from the front", "front")),
    Choice("back", "from the back", ("from the back", "back", "rear")),
)


@dataclass(frozen=True, slots=True)
class FeatureQuestion:
    """One feature of a part. Places are measured along the axis from its right end.

    Args:
        kind: What it is.
        called: Its own name on the drawing.
        size: Diameter, width over flats, or how far a plane is from its datum.
        screw: Of a thread or tapped hole.
        limits: Of the size.
        start: Where it begins along the axis; ``end`` where it ends.
        small: The small end of a taper.
        throw: How far its own axis stands from the part's; a hole's, on an end.
        count: How many; ``circle`` on what circle.
        wide: Of a groove, keyway or slot, or of the saw that parts two halves; ``deep`` how deep
            it goes.
        side: From where it is cut.
        angle: Of a passage, at most 90; of a pattern, where its first hole stands from three
            o'clock, running round to the left.
        apart: From hole to hole of a row; ``rise`` from row to row.
        up: On a face, how far up; ``start`` is how far along.
    """

    kind: Annotated[
        str, OneOf("feature", choices=KINDS, rules=True, asks="What feature is it?")
    ] = "outside"
    called: Annotated[str, Text("name", ("called",), placeholder="from its kind")] = ""
    size: Annotated[
        Fraction | None,
        Length(
            "size",
            ("dia", "diameter"),
            only=(
                *ROUND,
                *INSIDE,
                "taper",
                "groove",
                "chamfer",
                "drilled",
                "reamed",
                "holes",
                "flats",
                "plane",
                "passage",
            ),
            needed=(
                *ROUND,
                *INSIDE,
                "taper",
                "groove",
                "chamfer",
                "drilled",
                "reamed",
                "flats",
                "passage",
            ),
            principal=True,
            or_else="screw",
            low=0.05,
            high=2000.0,
            asks="What size is it?",
            placeholder="22 mm",
        ),
    ] = None
    screw: Annotated[
        Thread | None,
        OfThread(
            "thread",
            only=("thread", "tapped", "holes"),
            needed=("thread", "tapped"),
            asks="Which thread?",
            placeholder="M4",
        ),
    ] = None
    limits: Annotated[
        Bounds | None, Limits("limits", ("limits",), only=LIMITED, placeholder="none told")
    ] = None
    start: Annotated[
        Fraction | None,
        Place(
            "from",
            ("from", "at"),
            only=(*SPANS, "face", "groove", "chamfer", *HOLES, "holes", "passage"),
            needed=(*SPANS, "face", "groove", "chamfer"),
            low=-2000.0,
            high=2000.0,
            asks="Where along the axis does it begin?",
            placeholder="0",
        ),
    ] = None
    end: Annotated[
        Fraction | None,
        Place(
            "to",
            ("to",),
            only=SPANS,
            needed=SPANS,
            low=-2000.0,
            high=2000.0,
            asks="Where along the axis does it end?",
            placeholder="40",
        ),
    ] = None
    small: Annotated[
        Fraction | None,
        Length(
            "small end",
            ("small end", "down to"),
            only=("taper",),
            needed=("taper",),
            low=0.0,
            high=2000.0,
            asks="How large is its small end?",
            placeholder="12 mm",
        ),
    ] = None
    throw: Annotated[
        Fraction | None,
        Length(
            "throw",
            ("throw", "off centre", "eccentricity"),
            only=("crankpin", "eccentric", *HOLES),
            needed=("crankpin", "eccentric"),
            low=0.02,
            high=500.0,
            asks="How far off the axis?",
            placeholder="on the axis",
        ),
    ] = None
    count: Annotated[
        int | None,
        Count(
            "how many",
            ("holes", "off"),
            only=("holes", "flats"),
            needed=("holes",),
            low=1,
            high=200,
            asks="How many?",
            placeholder="6",
        ),
    ] = None
    circle: Annotated[
        Fraction | None,
        Length(
            "on a circle of",
            ("pcd", "circle"),
            only=("holes",),
            low=0.5,
            high=2000.0,
            placeholder="as the pattern says",
        ),
    ] = None
    wide: Annotated[
        Fraction | None,
        Length(
            "wide",
            ("wide",),
            only=("groove", "keyway", "bore-keyway", "slot", "split"),
            needed=("groove", "keyway", "bore-keyway", "slot"),
            low=0.05,
            high=500.0,
            asks="How wide is it?",
            placeholder="3 mm",
        ),
    ] = None
    deep: Annotated[
        Fraction | None,
        Length(
            "deep",
            ("deep", "depth"),
            only=("keyway", "bore-keyway", "slot", "holes", *HOLES),
            needed=("keyway", "bore-keyway"),
            low=0.05,
            high=1000.0,
            asks="How deep is it?",
            placeholder="right through",
        ),
    ] = None
    apart: Annotated[
        Fraction | None,
        Length(
            "apart",
            ("apart", "pitch"),
            only=("holes",),
            low=0.1,
            high=2000.0,
            placeholder="in a row",
        ),
    ] = None
    rise: Annotated[
        Fraction | None,
        Length(
            "and up", ("rise",), only=("holes",), low=0.1, high=2000.0, placeholder="one row only"
        ),
    ] = None
    up: Annotated[
        Fraction | None,
        Place(
            "by",
            ("by", "up"),
            only=(*HOLES, "holes", "slot"),
            low=-2000.0,
            high=2000.0,
            placeholder="12",
        ),
    ] = None
    side: Annotated[
        str | None,
        OneOf(
            "side",
            choices=SIDES,
            only=ENTERED,
            needed=("plane", "profile"),
            asks="From which side is it cut?",
            placeholder="from the right end",
        ),
    ] = None
    angle: Annotated[
        float | None,
        Angle(
            "angle",
            ("angle", "degrees"),
            only=("passage", "holes"),
            low=0.0,
            high=360.0,
            placeholder="square on",
        ),
    ] = None


_CALLED = "[, called {called}]"
_LIM = "[ {limits}]"
_SPAN = ", from {start} to {end}"
_BORED = "[, throw {throw}][, {deep} deep][, {side}]"
_AT = "[, at {start}][ by {up}]"
SENTENCES = {
    **dict.fromkeys((*ROUND, *INSIDE), f"{{kind}} {{size}}{_LIM}{_SPAN}{_CALLED}"),
    "crankpin": f"{{kind}} {{size}}{_LIM}, throw {{throw}}{_SPAN}{_CALLED}",
    "eccentric": f"{{kind}} {{size}}{_LIM}, throw {{throw}}{_SPAN}{_CALLED}",
    "taper": f"{{kind}} {{size}} down to {{small}}{_SPAN}{_CALLED}",
    "thread": f"{{kind}} {{screw}}{_SPAN}{_CALLED}",
    "groove": f"{{kind}} {{size}}{_LIM}, {{wide}} wide, at {{start}}{_CALLED}",
    "chamfer": f"{{kind}} {{size}} at {{start}}{_CALLED}",
    "face": f"{{kind}} at {{start}}{_LIM}{_CALLED}",
    "drilled": f"{{kind}} {{size}}{_LIM}{_BORED}{_AT}{_CALLED}",
    "reamed": f"{{kind}} {{size}}{_LIM}{_BORED}{_AT}{_CALLED}",
    "tapped": f"{{kind}} {{screw}}{_BORED}{_AT}{_CALLED}",
    "holes": f"{{count}} {{kind}}[ {{size}}]{_LIM}[ {{screw}}][ on {{circle}} circle]"
    "[, spaced {apart}][ by {rise}]"
    f"[, {{deep}} deep][, {{side}}]{_AT}[, turned {{angle}} degrees]{_CALLED}",
    **dict.fromkeys(
        ("keyway", "bore-keyway"), f"{{kind}} {{wide}} wide{_LIM}, {{deep}} deep{_SPAN}{_CALLED}"
    ),
    "flats": f"[{{count}} ]{{kind}} {{size}} across{_LIM}{_SPAN}{_CALLED}",
    "slot": f"{{kind}} {{wide}} wide{_LIM}[, {{deep}} deep]{_SPAN}[, {{side}}]"
    f"[, {{up}} up]{_CALLED}",
    "plane": f"{{kind}}[ {{size}}]{_LIM}, {{side}}{_CALLED}",
    "split": f"{{kind}}[, {{wide}} wide]{_CALLED}",
    "profile": f"{{kind}}, {{side}}{_CALLED}",
    "passage": f"{{kind}} {{size}}[, {{angle}} degrees][, {{side}}][, at {{start}}]{_CALLED}",
}
