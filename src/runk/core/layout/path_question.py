"""The question ``path`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Angle, Choice, Corner, Length, OfCorners, OneOf, Place
from runk.core.shown import Rank, Show, Table

INSIDE = ("slot", "arc-slot")
PROFILES = (
    Choice("link", "a link", ("link", "a link", "connecting link", "two eyes")),
    Choice("flange", "an oval flange", ("oval flange", "diamond flange", "flange profile")),
    Choice("plate", "a plate", ("plate profile", "rectangle profile", "rounded plate", "pocket")),
    Choice("flats", "a disc with two flats", ("disc with flats", "flats on a disc")),
    Choice("slot", "a slot", ("slot profile", "a straight slot", "oblong")),
    Choice("arc-slot", "a slot round an arc", ("slot round an arc", "arc slot", "curved slot")),
    Choice("corners", "as told", ("profile", "contour", "outline", "corners at")),
)
SIDES = (
    Choice("outside", "outside it", ("outside",)),
    Choice("inside", "inside it", ("inside", "pocket")),
)
ABOUT = (
    Choice("table", "by the table", ("by the table",), silent=True),
    Choice(
        "rotary",
        "about a rotary table",
        ("about a rotary table", "on the rotary table", "rotary table"),
    ),
)


@dataclass(frozen=True, slots=True)
class PathQuestion:
    """A profile, and the cutter that goes round it.

    Args:
        profile: Its kind.
        long: Between the eyes, the holes or the ends of a slot; along a plate.
        wide: Of a slot; up a plate.
        dia: Of the first eye, of a flange's boss, of a disc; of the circle a slot follows.
        end: Of the other eye, of a flange's ends.
        across: Over two flats.
        corner: A plate's corners rounded to.
        start: Where an arc's slot begins; ``turn`` how far it goes.
        corners: As told, corner by corner.
        cutter: Its diameter.
        side: Which side of the profile is cut away.
        deep: In all; ``each`` time round.
        leave: For the last round, on the side.
        x: Middle of the profile from nought, along; ``y`` up.
        about: Told by the table's slides, or about a rotary table at nought.
    """

    profile: Annotated[str, OneOf("profile", choices=PROFILES, rules=True)] = "link"
    long: Annotated[
        Fraction | None,
        Length(
            "long",
            ("long", "between", "centres", "apart"),
            only=("link", "flange", "plate", "slot"),
            needed=("link", "flange", "plate", "slot"),
            low=0.1,
            high=2000.0,
            asks="How long is it?",
            placeholder="40 mm",
        ),
    ] = None
    wide: Annotated[
        Fraction | None,
        Length(
            "wide",
            ("wide", "by"),
            only=("plate", "slot", "arc-slot"),
            needed=("plate", "slot", "arc-slot"),
            low=0.1,
            high=2000.0,
            asks="How wide is it?",
            placeholder="20 mm",
        ),
    ] = None
    dia: Annotated[
        Fraction | None,
        Length(
            "diameter",
            ("dia", "diameter", "eye", "boss", "disc", "circle"),
            only=("link", "flange", "flats", "arc-slot"),
            needed=("link", "flange", "flats", "arc-slot"),
            low=0.2,
            high=2000.0,
            asks="Of what diameter?",
            placeholder="16 mm",
        ),
    ] = None
    end: Annotated[
        Fraction | None,
        Length(
            "the other end",
            ("other eye", "ends", "other end", "end"),
            only=("link", "flange"),
            needed=("flange",),
            low=0.2,
            high=2000.0,
            asks="How large are its ends?",
            placeholder="10 mm",
        ),
    ] = None
    across: Annotated[
        Fraction | None,
        Length(
            "over the flats",
            ("flats", "across", "apart", "over the flats"),
            only=("flats",),
            needed=("flats",),
            low=0.1,
            high=2000.0,
            asks="How far over the two flats?",
            placeholder="20 mm",
        ),
    ] = None
    corner: Annotated[
        Fraction | None,
        Length(
            "corners",
            ("corner", "corners", "radius", "rounded"),
            only=("plate",),
            low=0.05,
            high=500.0,
            placeholder="sharp",
        ),
    ] = None
    start: Annotated[
        float | None,
        Angle(
            "from",
            ("from", "start"),
            only=("arc-slot",),
            signed=True,
            low=-360.0,
            high=360.0,
            placeholder="0°",
            asks="From what angle does it start?",
        ),
    ] = None
    turn: Annotated[
        float | None,
        Angle(
            "through",
            ("through", "degrees", "over"),
            only=("arc-slot",),
            needed=("arc-slot",),
            low=0.1,
            high=350.0,
            asks="Through how many degrees?",
            placeholder="60°",
        ),
    ] = None
    corners: Annotated[
        tuple[Corner, ...],
        OfCorners(
            "corners",
            only=("corners",),
            needed=("corners",),
            asks="Where are its corners?",
            placeholder="0, 0; 40, 0 r5; 40, 20; 0, 20",
        ),
    ] = ()
    cutter: Annotated[
        Fraction,
        Length(
            "cutter",
            ("cutter", "mill", "end mill", "slot drill"),
            low=0.1,
            high=200.0,
            asks="Which cutter?",
            placeholder="6 mm",
        ),
    ] = Fraction(6)
    side: Annotated[str | None, OneOf("side", choices=SIDES, placeholder="outside it")] = None
    deep: Annotated[
        Fraction | None,
        Length("deep", ("deep", "depth", "thick"), low=0.01, high=500.0, placeholder="not told"),
    ] = None
    each: Annotated[
        Fraction | None,
        Length(
            "each time round",
            ("each", "a pass", "pass"),
            low=0.01,
            high=50.0,
            placeholder="all at once",
        ),
    ] = None
    leave: Annotated[
        Fraction | None,
        Length(
            "left for the last round",
            ("leave", "finish", "allowance"),
            low=0.005,
            high=5.0,
            placeholder="nothing",
        ),
    ] = None
    x: Annotated[
        Fraction | None,
        Place("middle along", ("x", "middle x"), low=-2000.0, high=2000.0, placeholder="0"),
    ] = None
    y: Annotated[
        Fraction | None,
        Place("middle up", ("y", "middle y"), low=-2000.0, high=2000.0, placeholder="0"),
    ] = None
    about: Annotated[str, OneOf("told", choices=ABOUT)] = "table"


@dataclass(frozen=True, slots=True, kw_only=True)
class Move:
    """One piece of the way round."""

    move: Annotated[int, Show("Move")]
    goes: Annotated[str, Show("Goes")]
    x_mm: Annotated[Figure, Show("to x")]
    y_mm: Annotated[Figure, Show("to y")]
    radius_mm: Annotated[Figure | None, Show("Arc of")]
    centre_x_mm: Annotated[Figure | None, Show("about x")]
    centre_y_mm: Annotated[Figure | None, Show("about y")]
    out_mm: Annotated[Figure | None, Show("From the table's middle")]
    at_deg: Annotated[Figure | None, Show("Table at")]


@dataclass(frozen=True, slots=True, kw_only=True)
class ArcTurned:
    """An arc of the way round, its centre brought over the table's own."""

    move: Annotated[int, Show("Move")]
    shift_x_mm: Annotated[Figure, Show("Shift the work x")]
    shift_y_mm: Annotated[Figure, Show("y")]
    out_mm: Annotated[Figure, Show("Cutter out from the middle")]
    from_deg: Annotated[Figure, Show("Turn from")]
    to_deg: Annotated[Figure, Show("to")]


@dataclass(frozen=True, slots=True, kw_only=True)
class Cleared:
    """One round that clears the inside."""

    round: Annotated[int, Show("Round")]
    x_mm: Annotated[Figure, Show("begins at x")]
    y_mm: Annotated[Figure, Show("y")]
    inside_mm: Annotated[Figure, Show("Inside the profile by")]
    length_mm: Annotated[Figure, Show("Once round")]


@dataclass(frozen=True, slots=True, kw_only=True)
class CornerKept:
    """A corner the cutter leaves rounded."""

    x_mm: Annotated[Figure, Show("Corner at x")]
    y_mm: Annotated[Figure, Show("y")]
    left_mm: Annotated[Figure, Show("Stays from it")]


@dataclass(frozen=True, slots=True)
class PathDrawn:
    """Profile and path for a drawing: corners, and how each side bends to the next.

    Args:
        x: Of the profile; ``y`` and ``bulge`` with it, the tangent of a quarter of a side's turn.
        path_x: Of the cutter's middle; ``path_y`` and ``path_bulge`` with it.
    """

    x: list[float]
    y: list[float]
    bulge: list[float]
    path_x: list[float]
    path_y: list[float]
    path_bulge: list[float]


@dataclass(frozen=True, slots=True, kw_only=True)
class PathAnswer:
    """Where the cutter's centre goes."""

    start_x_mm: Annotated[Figure, Show("Begin at x", Rank.BIG)]
    start_y_mm: Annotated[Figure, Show("y", Rank.BIG)]
    offset_mm: Annotated[Figure, Show("Beside the profile by", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    moves: Annotated[tuple[Move, ...], Table("The way round, against the feed", rank=Rank.BIG)]
    arcs: Annotated[
        tuple[ArcTurned, ...], Table("Each arc with the vice shifted, its centre over the table's")
    ]
    rounds: Annotated[int, Show("Times round")]
    depths: Annotated[str, Show("Each to a depth of")]
    length_mm: Annotated[Figure, Show("Once round")]
    clearing: Annotated[
        tuple[Cleared, ...], Table("The inside is cleared first, from the middle outwards")
    ]
    kept: Annotated[tuple[CornerKept, ...], Table("Corners it cannot get into")]
    side: Annotated[str, Show("Cut away", Rank.FOLDED)]
    cutter_mm: Annotated[Figure, Show("Cutter", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
