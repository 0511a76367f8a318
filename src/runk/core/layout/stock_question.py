"""The question ``stock`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated, ClassVar

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Chain, Choice, Length, OneOf, Place, Text
from runk.core.lengths.members import Member
from runk.core.shown import Rank, Show, Table

WAYS = (
    Choice(
        "square",
        "The largest square from round",
        ("largest square", "square from", "square out of", "biggest square"),
    ),
    Choice(
        "hexagon",
        "The largest hexagon from round",
        (
            "largest hexagon",
            "hexagon from",
            "hexagon out of",
            "biggest hexagon",
            "largest hex",
            "biggest hex",
            "hex from",
            "hex out of",
        ),
    ),
    Choice(
        "rectangle",
        "A rectangle from round",
        ("rectangle from", "rectangle out of", "largest rectangle", "flat from"),
    ),
    Choice(
        "bar",
        "The bar for a section",
        (
            "bar for a square",
            "bar for a hexagon",
            "bar for a rectangle",
            "bar for square",
            "bar for",
            "bar for hexagon",
        ),
    ),
    Choice(
        "cut",
        "Parts from the shelf",
        ("parts from", "cut parts", "cutting list", "cut from stock", "cut up", "cut list"),
    ),
)
SHAPES = (
    Choice("square", "a square", ("a square", "square")),
    Choice("hexagon", "a hexagon", ("a hexagon", "hexagon", "hex")),
    Choice("rectangle", "a rectangle", ("a rectangle", "rectangle")),
)


@dataclass(frozen=True, slots=True)
class StockQuestion:
    """Stock: a section out of a round, or parts out of bars.

    Args:
        way: What is asked.
        bar: Diameter of the round.
        side: Of a rectangle, the side that is told; of a section its size across flats.
        other: The other side.
        shape: Of the section a bar is wanted for.
        parts: Lengths wanted, with their names and how many of each.
        kerf: What each cut takes: the saw, or the parting tool.
        facing: Allowed on each part for facing both ends.
        centres: At both ends of each part, cut off with its centre holes when it is done.
        grip: At the end of each bar that stays in the chuck.
        bars: Lengths there are; what is on the shelf where left out.
        metal: Which bars of the shelf; ``dia`` how thick they are at least.
    """

    way: Annotated[str, OneOf("way", choices=WAYS, rules=True)] = "square"
    bar: Annotated[
        Fraction | None,
        Length(
            "round bar",
            ("bar", "round", "dia", "diameter", "rod", "ø"),
            only=("square", "hexagon", "rectangle"),
            needed=("square", "hexagon", "rectangle"),
            principal=True,
            usual=(2.0, 150.0),
            low=0.5,
            high=1000.0,
            asks="How thick is the round bar?",
            placeholder="20 mm",
        ),
    ] = None
    side: Annotated[
        Fraction | None,
        Length(
            "one side",
            ("side", "one side", "wide", "across flats", "af", "across"),
            only=("rectangle", "bar"),
            needed=("rectangle", "bar"),
            principal=True,
            low=0.2,
            high=1000.0,
            asks="How wide is it?",
            placeholder="12 mm",
        ),
    ] = None
    other: Annotated[
        Fraction | None,
        Length(
            "the other side",
            ("by", "other side", "thick", "x"),
            only=("rectangle", "bar"),
            low=0.2,
            high=1000.0,
            placeholder="as large as it comes",
        ),
    ] = None
    shape: Annotated[
        str | None,
        OneOf("section", choices=SHAPES, only=("bar",), needed=("bar",), placeholder="a square"),
    ] = None
    parts: Annotated[
        tuple[Member, ...],
        Chain(
            "parts",
            only=("cut",),
            needed=("cut",),
            low=0.5,
            high=6000.0,
            asks="Which parts? Each its length, with how many.",
            placeholder="3 x pin 45; 2 x 60",
        ),
    ] = ()
    kerf: Annotated[
        Fraction,
        Length(
            "each cut takes",
            ("kerf", "saw", "blade", "parting"),
            only=("cut",),
            low=0.1,
            high=20.0,
            placeholder="2 mm",
        ),
    ] = Fraction(2)
    facing: Annotated[
        Fraction,
        Place(
            "facing, each part",
            ("facing", "face off"),
            only=("cut",),
            low=0.0,
            high=20.0,
            placeholder="1 mm",
        ),
    ] = Fraction(1)
    centres: Annotated[
        Fraction | None,
        Length(
            "at each end for a centre",
            ("centres", "for centres"),
            only=("cut",),
            low=0.5,
            high=100.0,
            placeholder="none",
            asks="How much at each end for a centre?",
        ),
    ] = None
    grip: Annotated[
        Fraction | None,
        Length(
            "left to hold",
            ("grip", "hold", "to hold"),
            only=("cut",),
            low=0.5,
            high=300.0,
            placeholder="none",
        ),
    ] = None
    bars: Annotated[
        tuple[Member, ...],
        Chain("bars", only=("cut",), low=1.0, high=12000.0, placeholder="from the shelf"),
    ] = ()
    metal: Annotated[str, Text("bars of the shelf", only=("cut",), placeholder="every bar")] = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class SectionAnswer:
    """A section out of a round."""

    tag: ClassVar[str] = "section"
    largest_mm: Annotated[Figure, Show("Comes out at", Rank.BIG)]
    other_mm: Annotated[Figure | None, Show("by", Rank.BIG)]
    off_mm: Annotated[Figure, Show("Off each side of the round", Rank.BIG)]
    other_off_mm: Annotated[Figure | None, Show("Off each of the other sides", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    bar_mm: Annotated[Figure, Show("Round bar")]
    flats: Annotated[int, Show("Sides", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class BarAnswer:
    """The round a section is cut from."""

    tag: ClassVar[str] = "bar"
    largest_mm: Annotated[Figure, Show("Bar of at least", Rank.BIG)]
    nearest: Annotated[str, Show("On the shelf", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    off_mm: Annotated[Figure, Show("Off each side")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class BarCut:
    """A bar, and what comes off it."""

    bar: Annotated[str, Show("Bar")]
    parts: Annotated[str, Show("Cut")]
    left_mm: Annotated[Figure, Show("Left of it")]


@dataclass(frozen=True, slots=True, kw_only=True)
class ShelfAnswer:
    """Which part from which bar; ``needed_mm`` where no bar was told and none is meant."""

    tag: ClassVar[str] = "cut"
    needed_mm: Annotated[Figure | None, Show("One bar for all, at least", Rank.BIG)]
    bars_used: Annotated[str, Show("Bars begun", Rank.BIG)]
    left_mm: Annotated[Figure, Show("Left of them, in all", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    whole_mm: Annotated[Figure, Show("Bar they take, in all")]
    cuts: Annotated[tuple[BarCut, ...], Table("What comes off which bar", rank=Rank.BIG)]
    wanted_mm: Annotated[Figure, Show("Parts, with what is faced off")]
    lost_mm: Annotated[Figure, Show("Lost in cuts and grips")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


StockAnswer = SectionAnswer | BarAnswer | ShelfAnswer
