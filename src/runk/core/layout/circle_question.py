"""The question ``circle`` asks: a pattern of holes, and what lies about it."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.kinds import (
    Angle,
    Bearing,
    Choice,
    Count,
    Length,
    OfBearings,
    OfSpots,
    OneOf,
    Place,
    Spot,
)

MOST_HOLES = 1000
_SPOKEN = (
    "two",
    "three",
    "four",
    "five",
    "six",
    "seven",
    "eight",
    "nine",
    "ten",
    "eleven",
    "twelve",
)
ROUND = ("circle", "arc", "diamond")
"""Patterns that have a middle; the others begin at their first hole."""
PATTERNS = (
    Choice(
        "circle",
        "round a circle",
        ("bolt circle", "hole circle", "stud circle", "circle"),
        yields_to=("arc", "row", "grid", "diamond", "points"),
    ),
    Choice("arc", "on an arc", ("arc", "part of a circle", "round an arc")),
    Choice("row", "in a row", ("row", "line of", "line of holes", "in a line", "row of holes")),
    Choice("grid", "in a grid", ("grid", "grid of holes", "rows and columns")),
    Choice("diamond", "in a diamond", ("diamond", "diamond flange")),
    Choice("points", "as told", ("points", "points at", "holes at")),
)
SEEN = (
    Choice("face", "from this face", ("from this face",), silent=True),
    Choice(
        "other",
        "from the other side",
        ("from the other side", "mirrored", "mirror image", "for its mate", "seen from behind"),
    ),
)

COUNTED = (
    Choice("anticlockwise", "counted anticlockwise", ("counted anticlockwise", "anticlockwise")),
    Choice("clockwise", "counted clockwise", ("counted clockwise", "clockwise")),
)


@dataclass(frozen=True, slots=True)
class CircleQuestion:
    """Holes in a pattern.

    Args:
        pattern: Its kind.
        count: Holes; of a grid in a row of it.
        rows: Of a grid.
        circle: Diameter their middles lie on; halfway between bore and rim where left out.
        turn: How much of a turn an arc takes, from its first hole to its last.
        pitch: From hole to hole in a row; ``up`` from row to row.
        long: Of a diamond, from hole to hole one way; ``short`` the other way.
        spots: Where they lie, as told.
        start: Direction of the first, from the right, anticlockwise; how far a row is turned.
        hole: Diameter of each.
        x: From the left edge to the middle, of a row to its first hole; ``y`` from the near edge.
            Left out, the middle is nought.
        bore: In the middle of it.
        rim: Outside of a round face.
        wide: Of a square face from its left edge; ``high`` from its near one.
        ports: What must not be drilled into.
        seen: From this face, or as it comes out on its mate.
        counted: Which way they follow one another on this face; anticlockwise where not said.
    """

    pattern: Annotated[str, OneOf("pattern", choices=PATTERNS, rules=True)] = "circle"
    count: Annotated[
        int,
        Count(
            "holes",
            ("holes", "hole", "studs", "bolts", "screws", "divisions", "equispaced", "in a row"),
            only=("circle", "arc", "row", "grid"),
            needed=("circle", "arc", "row", "grid"),
            low=1,
            high=99999,
            asks="How many holes?",
            placeholder="6",
            spoken=tuple(
                (f"{word} {what}", str(n))
                for n, word in enumerate(_SPOKEN, 2)
                for what in ("holes", "studs", "bolts")
            ),
        ),
    ] = 0
    rows: Annotated[
        int, Count("rows", ("rows",), only=("grid",), needed=("grid",), low=1, high=500)
    ] = 1
    circle: Annotated[
        Fraction | None,
        Length(
            "circle",
            ("pcd", "pitch circle", "circle", "bcd", "p.c.d."),
            principal=True,
            only=("circle", "arc"),
            usual=(5.0, 300.0),
            low=0.5,
            high=2000.0,
            asks="On what circle do they lie?",
            placeholder="halfway, bore to rim",
        ),
    ] = None
    turn: Annotated[
        float | None,
        Angle(
            "over",
            ("over",),
            only=("arc",),
            needed=("arc",),
            low=0.1,
            high=359.9,
            asks="Over how many degrees?",
        ),
    ] = None
    pitch: Annotated[
        Fraction | None,
        Length(
            "from hole to hole",
            ("apart", "pitch", "spacing", "spaced", "centres"),
            only=("row", "grid"),
            needed=("row", "grid"),
            low=0.1,
            high=1000.0,
            asks="How far from hole to hole?",
            placeholder="12 mm",
        ),
    ] = None
    up: Annotated[
        Fraction | None,
        Length(
            "from row to row",
            ("row pitch", "from row to row"),
            only=("grid",),
            low=0.1,
            high=1000.0,
            placeholder="as hole to hole",
            asks="How far from row to row?",
        ),
    ] = None
    long: Annotated[
        Fraction | None,
        Length(
            "one way",
            ("long", "one way"),
            only=("diamond",),
            needed=("diamond",),
            low=0.5,
            high=1000.0,
            asks="How far apart are the two that lie along?",
            placeholder="40 mm",
        ),
    ] = None
    short: Annotated[
        Fraction | None,
        Length(
            "the other way",
            ("short", "other way", "wide"),
            only=("diamond",),
            low=0.5,
            high=1000.0,
            placeholder="two holes only",
        ),
    ] = None
    spots: Annotated[
        tuple[Spot, ...],
        OfSpots(
            "places",
            only=("points",),
            needed=("points",),
            asks="Where does each hole lie?",
            placeholder="10, 5; 20, 5",
        ),
    ] = ()
    start: Annotated[
        float | None,
        Angle(
            "start",
            ("start", "starting", "start at", "starting at", "first at", "turned", "begin at"),
            signed=True,
            low=-360.0,
            high=360.0,
            placeholder="0°, to the right",
        ),
    ] = None
    hole: Annotated[
        Fraction | None,
        Length(
            "each hole",
            ("hole dia", "each", "holes of", "drilled", "hole size"),
            principal=True,
            usual=(0.5, 25.0),
            low=0.1,
            high=500.0,
            placeholder="not told",
        ),
    ] = None
    x: Annotated[
        Fraction | None,
        Place(
            "middle from the left edge",
            (
                "from the edges",
                "from the edge",
                "from edge",
                "from the left",
                "from left",
                "left edge",
                "x",
            ),
            low=-2000.0,
            high=2000.0,
            placeholder="nought is the middle",
        ),
    ] = None
    y: Annotated[
        Fraction | None,
        Place(
            "from the near edge",
            ("near edge", "from the front", "up", "y"),
            low=-2000.0,
            high=2000.0,
            placeholder="nought is the middle",
            asks="How far from the near edge?",
        ),
    ] = None
    bore: Annotated[
        Fraction | None, Length("bore", ("bore",), low=0.1, high=1000.0, placeholder="none")
    ] = None
    rim: Annotated[
        Fraction | None,
        Length(
            "rim",
            ("rim", "flange", "outside", "od", "cover", "disc"),
            low=0.5,
            high=2000.0,
            placeholder="not told",
        ),
    ] = None
    wide: Annotated[
        Fraction | None,
        Length("face, along", ("face",), low=0.5, high=2000.0, placeholder="not told"),
    ] = None
    high: Annotated[
        Fraction | None, Length("face, up", ("high",), low=0.5, high=2000.0, placeholder="not told")
    ] = None
    ports: Annotated[
        tuple[Bearing, ...], OfBearings("kept clear", only=ROUND, placeholder="nothing")
    ] = ()
    seen: Annotated[str, OneOf("seen", choices=SEEN)] = "face"
    counted: Annotated[
        str | None, OneOf("counted", choices=COUNTED, only=ROUND, placeholder="anticlockwise")
    ] = None
