"""The question ``place`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated, ClassVar

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Angle, Choice, Length, OfSpots, OneOf, Place, Spot
from runk.core.shown import Rank, Show

WAYS = (
    Choice(
        "polar",
        "From angle and distance",
        (
            "polar",
            "from polar",
            "angle and distance",
            "polar to cartesian",
            "polar to square",
            "polar to rectangular",
            "x y of",
            "x and y of",
        ),
    ),
    Choice(
        "square",
        "Angle and distance of a place",
        (
            "to polar",
            "cartesian",
            "cartesian to polar",
            "angle and distance of",
            "place in polar",
            "where is x",
        ),
        yields_to=(),
    ),
    Choice("apart", "From one place to another", ("distance from", "distance between", "how far")),
    Choice(
        "chord",
        "Chord and angle",
        ("chord", "chord for", "angle for a chord", "chord of", "sagitta"),
    ),
    Choice(
        "middle",
        "Middle of two edges",
        (
            "middle of",
            "centre of",
            "center of",
            "middle of two edges",
            "centre between",
            "halve",
            "middle",
        ),
    ),
    Choice(
        "edge",
        "Nought from an edge",
        ("nought from an edge", "zero from an edge", "pick up an edge"),
    ),
    Choice(
        "bore",
        "Centre of a bore by indicator",
        ("centre of a bore", "bore by indicator", "clock a bore", "indicate a bore", "clock in"),
    ),
)
SIDES = (
    Choice("left", "the left edge", ("left edge", "left side")),
    Choice("right", "the right edge", ("right edge", "right side")),
    Choice("near", "the near edge", ("near edge", "front edge")),
    Choice("far", "the far edge", ("far edge", "back edge")),
)


@dataclass(frozen=True, slots=True)
class PlaceQuestion:
    """Where something lies on the table.

    Args:
        way: What is asked.
        radius: Distance from the centre.
        angle: From the right, anticlockwise; of a chord the angle it takes.
        x: Along; ``y`` up.
        from_x: The centre itself, where it is not nought; ``from_y`` with it.
        two: Two places.
        circle: Diameter a chord lies in; ``chord`` its length.
        wide: Between the two edges; or what the read-out showed at each.
        one: The read-out at the first touch; ``other`` at the second.
        finder: Diameter of the finder or pin; ``feeler`` between it and the work.
        side: Which edge is touched.
        left: Indicator against the bore's left; ``right``, ``near`` and ``far`` likewise.
    """

    way: Annotated[str, OneOf("way", choices=WAYS, rules=True)] = "polar"
    radius: Annotated[
        Fraction | None,
        Length(
            "distance",
            ("radius", "distance", "out"),
            only=("polar",),
            needed=("polar",),
            principal=True,
            low=0.001,
            high=5000.0,
            asks="How far from the centre?",
            placeholder="40 mm",
        ),
    ] = None
    angle: Annotated[
        float | None,
        Angle(
            "angle",
            ("degrees", "degree", "deg", "°", "angle"),
            only=("polar", "chord"),
            needed=("polar",),
            signed=True,
            low=-360.0,
            high=360.0,
            asks="At what angle?",
            placeholder="12°",
        ),
    ] = None
    x: Annotated[
        Fraction | None,
        Place(
            "along",
            ("x", "along"),
            only=("square",),
            needed=("square",),
            principal=True,
            low=-5000.0,
            high=5000.0,
            asks="How far along does it lie?",
            placeholder="30 mm",
        ),
    ] = None
    y: Annotated[
        Fraction | None,
        Place(
            "up",
            ("y", "up"),
            only=("square",),
            needed=("square",),
            principal=True,
            low=-5000.0,
            high=5000.0,
            asks="How far up?",
            placeholder="40 mm",
        ),
    ] = None
    from_x: Annotated[
        Fraction | None,
        Place(
            "centre along",
            ("centre x", "centre along"),
            only=("polar", "square"),
            low=-5000.0,
            high=5000.0,
            placeholder="0",
        ),
    ] = None
    from_y: Annotated[
        Fraction | None,
        Place(
            "centre up",
            ("centre y", "centre up"),
            only=("polar", "square"),
            low=-5000.0,
            high=5000.0,
            placeholder="0",
        ),
    ] = None
    two: Annotated[
        tuple[Spot, ...],
        OfSpots(
            "places",
            most=2,
            only=("apart",),
            needed=("apart",),
            asks="Which two places?",
            placeholder="10, 5; 40, 45",
        ),
    ] = ()
    circle: Annotated[
        Fraction | None,
        Length(
            "circle",
            ("circle", "pcd", "diameter", "dia", "bore"),
            only=("chord",),
            needed=("chord",),
            low=0.1,
            high=5000.0,
            asks="On what circle?",
            placeholder="31 mm",
        ),
    ] = None
    chord: Annotated[
        Fraction | None,
        Length(
            "chord",
            ("chord", "across", "chord of"),
            only=("chord",),
            low=0.001,
            high=5000.0,
            placeholder="from the angle",
        ),
    ] = None
    wide: Annotated[
        Fraction | None,
        Length(
            "between the edges",
            ("block", "wide", "between", "bar", "piece", "plate"),
            only=("middle",),
            principal=True,
            usual=(2.0, 400.0),
            low=0.1,
            high=2000.0,
            or_else="one",
            placeholder="50 mm",
            asks="How far is it between the edges?",
        ),
    ] = None
    one: Annotated[
        Fraction | None,
        Place(
            "read-out at the first",
            ("reads", "first reads", "touched at"),
            only=("middle",),
            low=-5000.0,
            high=5000.0,
            placeholder="nought there",
        ),
    ] = None
    other: Annotated[
        Fraction | None,
        Place(
            "at the second",
            ("then", "second reads", "and at"),
            only=("middle",),
            low=-5000.0,
            high=5000.0,
            placeholder="not touched",
            asks="What does the finder read at the second?",
        ),
    ] = None
    finder: Annotated[
        Fraction | None,
        Length(
            "finder or pin",
            ("finder", "edge finder", "pin", "probe"),
            only=("middle", "edge"),
            needed=("edge",),
            low=0.1,
            high=100.0,
            asks="How thick is the finder or pin?",
            placeholder="10 mm",
        ),
    ] = None
    feeler: Annotated[
        Fraction | None,
        Length(
            "feeler or paper",
            ("feeler", "paper"),
            only=("middle", "edge"),
            low=0.005,
            high=10.0,
            placeholder="none",
        ),
    ] = None
    side: Annotated[str, OneOf("edge", choices=SIDES, only=("edge",))] = "left"
    left: Annotated[
        Fraction | None,
        Place(
            "left",
            ("left",),
            only=("bore",),
            needed=("bore",),
            low=-20.0,
            high=20.0,
            asks="What does the indicator show at its left?",
            placeholder="0.12 mm",
        ),
    ] = None
    right: Annotated[
        Fraction | None,
        Place(
            "right",
            ("right",),
            only=("bore",),
            needed=("bore",),
            low=-20.0,
            high=20.0,
            asks="What does it show at its right?",
            placeholder="-0.04 mm",
        ),
    ] = None
    near: Annotated[
        Fraction | None,
        Place(
            "near", ("near", "front"), only=("bore",), low=-20.0, high=20.0, placeholder="not read"
        ),
    ] = None
    far: Annotated[
        Fraction | None,
        Place("far", ("far", "back"), only=("bore",), low=-20.0, high=20.0, placeholder="not read"),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class AtAnswer:
    """A place: along and up, and as distance and angle."""

    tag: ClassVar[str] = "at"
    x_mm: Annotated[Figure, Show("x, to the right", Rank.BIG)]
    y_mm: Annotated[Figure, Show("y, away from you", Rank.BIG)]
    radius_mm: Annotated[Figure, Show("Distance", Rank.BIG)]
    angle_deg: Annotated[Figure, Show("Angle, from the right, anticlockwise", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    centre_x_mm: Annotated[Figure, Show("Centre, along", Rank.FOLDED)]
    centre_y_mm: Annotated[Figure, Show("Centre, up", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class ChordAnswer:
    """A chord, its angle, how deep the arc stands over it."""

    tag: ClassVar[str] = "chord"
    chord_mm: Annotated[Figure, Show("Chord", Rank.BIG)]
    angle_deg: Annotated[Figure, Show("Angle", Rank.BIG)]
    rise_mm: Annotated[Figure, Show("The arc stands over it by")]
    arc_mm: Annotated[Figure, Show("Along the arc")]
    circle_mm: Annotated[Figure, Show("Circle", Rank.FOLDED)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class TouchAnswer:
    """What the read-out shows over the place, and what it is set to at the touch."""

    tag: ClassVar[str] = "touch"
    stop_mm: Annotated[Figure, Show("Nought at the touch: over it", Rank.BIG)]
    set_mm: Annotated[Figure, Show("Or set at the touch, then to 0", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    wide_mm: Annotated[Figure | None, Show("Between the edges")]
    offset_mm: Annotated[Figure | None, Show("Half the finder, with its feeler")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class BoreAnswer:
    """How far the table moves so that the spindle stands over a bore."""

    tag: ClassVar[str] = "bore"
    x_mm: Annotated[Figure, Show("Table, to the right by", Rank.BIG)]
    y_mm: Annotated[Figure | None, Show("away from you by", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


PlaceAnswer = AtAnswer | ChordAnswer | TouchAnswer | BoreAnswer
