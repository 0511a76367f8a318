"""The question ``endfloat`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Chain, Length, Lengths
from runk.core.lengths.members import Member
from runk.core.shown import Rank, Show, Table

USUAL = (Fraction(2) * Fraction("0.0254"), Fraction(6) * Fraction("0.0254"))
"""Two to six thou: a small shaft runs free and does not knock, common practice."""


@dataclass(frozen=True, slots=True)
class EndFloatQuestion:
    """Two shoulders, and what stands between them.

    Args:
        room: Between the shoulders, with its limits.
        stack: What stands there: bearings, washers, bosses; with limits, or as measured.
        least: Float wanted at the least; ``most`` at the most.
        shims: Washers or shims to hand, each as often as wanted.
    """

    room: Annotated[
        tuple[Member, ...],
        Chain(
            "room between the shoulders",
            ("between", "room", "shoulders"),
            asks="How far apart are the shoulders?",
            most=6,
            low=0.01,
            high=2000.0,
            placeholder="25 +0.05 -0",
        ),
    ]
    stack: Annotated[
        tuple[Member, ...],
        Chain(
            "what stands between them",
            ("less", "holds", "stands"),
            asks="What stands between them?",
            apart=True,
            low=0.001,
            high=2000.0,
            placeholder="2 x bearing 8; boss 8.8 +0 -0.05",
        ),
    ]
    least: Annotated[
        Fraction,
        Length("float at the least", ("at least",), low=0.001, high=20.0, placeholder="2 thou"),
    ] = USUAL[0]
    most: Annotated[
        Fraction,
        Length("float at the most", ("at most",), low=0.001, high=20.0, placeholder="6 thou"),
    ] = USUAL[1]
    shims: Annotated[
        tuple[Fraction, ...],
        Lengths("shims to hand", ("shims",), low=0.01, high=20.0, placeholder="none told"),
    ] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Spread:
    """One length of the chain, and how much of the uncertainty is its own."""

    name: Annotated[str, Show("Length")]
    side: Annotated[str, Show("What it does")]
    low_mm: Annotated[Figure, Show("At least")]
    high_mm: Annotated[Figure, Show("At most")]
    along_mm: Annotated[Figure, Show("All of it, halfway")]
    share_percent: Annotated[Figure, Show("Of the spread")]


@dataclass(frozen=True, slots=True, kw_only=True)
class EndFloatAnswer:
    """The float at worst and as it usually comes, and what closes it."""

    shim_mm: Annotated[Figure | None, Show("Put in", Rank.BIG)]
    float_low_mm: Annotated[Figure, Show("Float, at least", Rank.BIG)]
    float_high_mm: Annotated[Figure, Show("Float, at most", Rank.BIG)]
    says: Annotated[str, Show("What to do", Rank.SAYS)]
    exact_mm: Annotated[Figure | None, Show("To be put in, exactly")]
    float_mm: Annotated[Figure, Show("Halfway")]
    usual_low_mm: Annotated[Figure | None, Show("As it usually comes, from")]
    usual_high_mm: Annotated[Figure | None, Show("As it usually comes, to")]
    room_mm: Annotated[Figure, Show("Between the shoulders")]
    held_mm: Annotated[Figure, Show("Of which filled")]
    wanted_low_mm: Annotated[Figure, Show("Wanted, at least", Rank.FOLDED)]
    wanted_high_mm: Annotated[Figure, Show("Wanted, at most", Rank.FOLDED)]
    lengths: Annotated[tuple[Spread, ...], Table("Where the spread comes from")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
