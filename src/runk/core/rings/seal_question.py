"""The question ``seal`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated, ClassVar

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Choice, Count, Length, OneOf
from runk.core.shown import Rank, Show


class Seal(StrEnum):
    """What seals, and on what."""

    PISTON = "piston"
    ROD = "rod"
    PACKING = "packing"
    LAPPED = "lapped"


SEALS = (
    Choice(
        "piston",
        "An O-ring on a piston",
        (
            "o-ring on a piston",
            "o ring on a piston",
            "o-ring piston",
            "o ring piston",
            "piston o-ring",
            "piston o ring",
            "o-ring groove piston",
            "o-ring",
            "o ring",
            "oring",
        ),
        yields_to=("rod",),
    ),
    Choice(
        "rod",
        "An O-ring round a rod",
        (
            "o-ring round a rod",
            "o ring round a rod",
            "o-ring rod",
            "o ring rod",
            "rod o-ring",
            "rod o ring",
            "o-ring on a rod",
            "o ring on a rod",
            "o-ring groove rod",
        ),
    ),
    Choice(
        "packing",
        "A packed gland",
        ("packed gland", "packing gland", "stuffing box", "gland packing", "packing", "packed"),
    ),
    Choice(
        "lapped",
        "A piston lapped to seal",
        ("lap a ringless piston", "lap a piston", "lapping a piston", "lapped ringless piston"),
    ),
)


class Moves(StrEnum):
    """Whether one of the two slides on the other."""

    YES = "moving"
    NO = "still"


MOVED = (
    Choice("moving", "sliding", ("sliding", "moving", "dynamic"), silent=True),
    Choice("still", "standing still", ("standing still", "static", "still", "fixed")),
)
_RINGS = ("piston", "rod")
_IN_BORE, _ROUND_ROD = ("piston", "lapped"), ("rod", "packing")


@dataclass(frozen=True, slots=True)
class SealQuestion:
    """What seals a piston or a rod.

    Args:
        kind: O-ring on a piston or round a rod, packing, or the piston itself, lapped.
        bore: A piston runs in; ``rod`` of a rod.
        section: Thickness of the O-ring; by the size where left out.
        moves: Whether one slides.
        space: For packing, on the radius; by the rod where left out.
        turns: Of cord.
    """

    kind: Annotated[Seal, OneOf("what seals", choices=SEALS, rules=True)] = Seal.PISTON
    bore: Annotated[
        Fraction | None,
        Length(
            "bore",
            ("bore", "cylinder", "dia", "diameter", "piston"),
            only=_IN_BORE,
            needed=_IN_BORE,
            principal=True,
            usual=(2.0, 100.0),
            low=1.0,
            high=500.0,
            asks="How large is the bore?",
            placeholder="22 mm",
        ),
    ] = None
    rod: Annotated[
        Fraction | None,
        Length(
            "rod",
            ("rod", "spindle", "shaft", "dia", "diameter"),
            only=_ROUND_ROD,
            needed=_ROUND_ROD,
            principal=True,
            usual=(1.5, 60.0),
            low=1.0,
            high=500.0,
            asks="How thick is the rod?",
            placeholder="4 mm",
        ),
    ] = None
    section: Annotated[
        Fraction | None,
        Length(
            "section of the ring",
            ("section", "thick", "cord"),
            only=_RINGS,
            usual=(0.8, 7.0),
            low=0.3,
            high=15.0,
            placeholder="by the size",
        ),
    ] = None
    moves: Annotated[
        Moves, OneOf("moves", choices=MOVED, only=_RINGS, asks="Does it move, or stand still?")
    ] = Moves.YES
    space: Annotated[
        Fraction | None,
        Length(
            "space round the rod",
            ("space",),
            only=("packing",),
            low=0.3,
            high=25.0,
            placeholder="by the rod",
        ),
    ] = None
    turns: Annotated[
        int, Count("turns", ("turns",), only=("packing",), low=2, high=10, placeholder="4")
    ] = 4

    @property
    def size(self) -> float:
        """The bore or the rod, whichever is asked."""
        return float((self.bore if self.kind in _IN_BORE else self.rod) or 0)


@dataclass(frozen=True, slots=True, kw_only=True)
class OringAnswer:
    """A groove for an O-ring."""

    tag: ClassVar[str] = "o-ring"
    floor_low_mm: Annotated[Figure, Show("Floor of the groove, at least", Rank.BIG)]
    floor_high_mm: Annotated[Figure, Show("Floor, at most", Rank.BIG)]
    wide_low_mm: Annotated[Figure, Show("Wide, at least", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    wide_high_mm: Annotated[Figure, Show("Wide, at most")]
    groove_depth_mm: Annotated[Figure, Show("Deep, halfway, from the other part")]
    squeeze_percent: Annotated[Figure, Show("Squeezed by")]
    fill_percent: Annotated[Figure, Show("Fills its groove to")]
    ring_id_mm: Annotated[Figure, Show("Ring to ask for, inside about")]
    section_mm: Annotated[Figure, Show("Its section")]
    clear_mm: Annotated[Figure, Show("Piston or cover free by, at most")]
    corner_mm: Annotated[Figure, Show("Corners, radius at most")]
    size_mm: Annotated[Figure, Show("Bore or rod", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class PackedAnswer:
    """A stuffing box, its follower and its cord."""

    tag: ClassVar[str] = "packing"
    box_mm: Annotated[Figure, Show("Box bored to", Rank.BIG)]
    box_deep_mm: Annotated[Figure, Show("Deep", Rank.BIG)]
    space_mm: Annotated[Figure, Show("Space for the packing", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    follower_low_mm: Annotated[Figure, Show("Follower turned to, at least")]
    follower_high_mm: Annotated[Figure, Show("Follower, at most")]
    follower_bore_low_mm: Annotated[Figure, Show("Its bore, at least")]
    follower_bore_high_mm: Annotated[Figure, Show("Its bore, at most")]
    turn_mm: Annotated[Figure, Show("Each turn of cord, cut to")]
    size_mm: Annotated[Figure, Show("Rod", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class LappedAnswer:
    """A piston that seals by its own fit."""

    tag: ClassVar[str] = "lapped"
    high_mm: Annotated[Figure, Show("Last size, at most", Rank.BIG)]
    low_mm: Annotated[Figure, Show("Last size, at least", Rank.BIG)]
    before_mm: Annotated[Figure, Show("Turned to, before it is lapped", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    long_mm: Annotated[Figure, Show("As long as the bore, or longer")]
    size_mm: Annotated[Figure, Show("Bore", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
