"""The questions ``pairs`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated, ClassVar

from runk.core.figures import Caution, Figure, Link
from runk.core.fits.measured import Station
from runk.core.fits.question import DUTIES
from runk.core.kinds import Chain, Choice, Count, Length, OneOf, Stations
from runk.core.lengths.members import Member
from runk.core.shown import Rank, Show, Table

MOST = 200


class Known(StrEnum):
    """Whether the parts are there, or still to be made."""

    MEASURED = "measured"
    MADE = "made"


KNOWN = (
    Choice("measured", "Pair what is measured", ("pair what is measured", "measured parts")),
    Choice(
        "made",
        "How many will fit when made",
        ("how many will fit", "how many fit when made", "how many fit", "made to limits"),
    ),
)
_BOTH = ("measured",)
_MADE = ("made",)


@dataclass(frozen=True, slots=True)
class PairsQuestion:
    """Several holes and several shafts that are to go together.

    Args:
        known: Whether they are measured, or still to be made to limits.
        holes: Bores, bushes, bearings as measured; ``shafts`` pistons, journals, registers.
        duty: What they do to each other: how free a pair must be.
        least: Clearance a pair must have, where that is said; ``most`` may have.
        hole: A hole with its limits, ``shaft`` a shaft with its own, where none is made yet.
        count: How many of each.
    """

    known: Annotated[Known, OneOf("what is known", choices=KNOWN, rules=True)] = Known.MEASURED
    holes: Annotated[
        tuple[Station, ...],
        Stations(
            "holes",
            ("bores", "holes", "bearings", "covers"),
            asks="What do the bores or holes measure?",
            only=_BOTH,
            needed=_BOTH,
            low=0.1,
            high=1000.0,
            most=MOST,
            placeholder="22.00; 22.01; 22.03",
        ),
    ] = ()
    shafts: Annotated[
        tuple[Station, ...],
        Stations(
            "shafts",
            ("pistons", "shafts", "journals", "registers"),
            asks="What do the pistons or shafts measure?",
            only=_BOTH,
            needed=_BOTH,
            low=0.1,
            high=1000.0,
            most=MOST,
            placeholder="21.97; 21.98; 21.99",
        ),
    ] = ()
    hole: Annotated[
        tuple[Member, ...],
        Chain(
            "a hole and its limits",
            ("bore", "hole"),
            asks="To which limits is a hole made?",
            only=_MADE,
            needed=_MADE,
            most=1,
            low=0.1,
            high=1000.0,
            placeholder="22 +0.02 -0",
        ),
    ] = ()
    shaft: Annotated[
        tuple[Member, ...],
        Chain(
            "a shaft and its limits",
            ("piston", "shaft"),
            asks="To which limits is a shaft made?",
            only=_MADE,
            needed=_MADE,
            most=1,
            low=0.1,
            high=1000.0,
            placeholder="21.97 +0 -0.02",
        ),
    ] = ()
    count: Annotated[
        int, Count("how many of each", ("of each",), only=_MADE, low=1, high=MOST, placeholder="4")
    ] = 4
    duty: Annotated[str, OneOf("what they do", asks="What do they do?", choices=DUTIES)] = "ringed"
    least: Annotated[
        Fraction | None,
        Length("least clearance", ("free", "clearance"), high=5.0, placeholder="by what they do"),
    ] = None
    most: Annotated[
        Fraction | None,
        Length("most clearance", ("at most",), high=5.0, placeholder="by what they do"),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Paired:
    """A hole and the shaft that goes in it."""

    hole: Annotated[str, Show("Hole")]
    hole_mm: Annotated[Figure, Show("Measures")]
    shaft: Annotated[str, Show("Shaft")]
    shaft_mm: Annotated[Figure, Show("Measures")]
    clearance_mm: Annotated[Figure, Show("Clearance")]


@dataclass(frozen=True, slots=True, kw_only=True)
class Missed:
    """A part that goes with none of the others, and what would mend it."""

    part: Annotated[str, Show("Left over")]
    size_mm: Annotated[Figure, Show("Measures")]
    off_mm: Annotated[Figure | None, Show("Off by")]
    says: Annotated[str, Show("What to do")]


@dataclass(frozen=True, slots=True, kw_only=True)
class PairsAnswer:
    """Which goes with which."""

    tag: ClassVar[str] = "measured"
    fit: Annotated[int, Show("Pairs that fit", Rank.BIG)]
    tightest_mm: Annotated[Figure | None, Show("The tightest of them", Rank.BIG)]
    loosest_mm: Annotated[Figure | None, Show("The loosest", Rank.BIG)]
    says: Annotated[str, Show("How they go", Rank.SAYS)]
    least_mm: Annotated[Figure, Show("Clearance, at least")]
    most_mm: Annotated[Figure, Show("Clearance, at most")]
    pairs: Annotated[tuple[Paired, ...], Table("Which goes with which", rank=Rank.BIG)]
    missed: Annotated[tuple[Missed, ...], Table("Left over")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class MadeAnswer:
    """How many go together when so many of each are made."""

    tag: ClassVar[str] = "made"
    chosen_percent: Annotated[Figure, Show("Fit when each is given its best", Rank.BIG)]
    as_they_come_percent: Annotated[Figure, Show("Fit as they come to hand", Rank.BIG)]
    all_percent: Annotated[Figure, Show("How often every one of them fits", Rank.BIG)]
    says: Annotated[str, Show("What it means", Rank.SAYS)]
    least_mm: Annotated[Figure, Show("Clearance, at least")]
    most_mm: Annotated[Figure, Show("Clearance, at most")]
    low_mm: Annotated[Figure, Show("Clearance that may come, least")]
    high_mm: Annotated[Figure, Show("Clearance that may come, most")]
    count: Annotated[int, Show("Of each", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
