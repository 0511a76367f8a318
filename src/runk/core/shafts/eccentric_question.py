"""The question ``eccentric`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Length
from runk.core.shown import Rank, Show


@dataclass(frozen=True, slots=True)
class EccentricQuestion:
    """An eccentric that works a valve or a pump.

    Args:
        travel: Of what it works, twice its throw; or ``throw`` itself.
        shaft: It sits on.
        sheave: Its diameter; left out, the smallest that leaves a wall.
        wide: Of sheave and strap.
        jaw: Flat of a jaw's tip, for packing in three of them.
        play: Lost motion in pins and joints, added up.
    """

    travel: Annotated[
        Fraction | None,
        Length(
            "travel",
            ("travel", "stroke"),
            principal=True,
            usual=(1.0, 40.0),
            low=0.1,
            high=300.0,
            or_else="throw",
            placeholder="5 mm",
        ),
    ] = None
    throw: Annotated[
        Fraction | None,
        Length("throw", ("throw", "offset"), low=0.05, high=150.0, placeholder="not said"),
    ] = None
    shaft: Annotated[
        Fraction | None,
        Length(
            "shaft",
            ("shaft", "bore", "axle"),
            needed=("*",),
            usual=(2.0, 40.0),
            low=0.5,
            high=200.0,
            asks="How thick is the shaft?",
            placeholder="8 mm",
        ),
    ] = None
    sheave: Annotated[
        Fraction | None,
        Length(
            "sheave",
            ("sheave", "dia", "diameter"),
            usual=(5.0, 100.0),
            low=1.0,
            high=400.0,
            placeholder="the smallest",
        ),
    ] = None
    wide: Annotated[
        Fraction, Length("wide", ("wide", "width"), low=0.5, high=100.0, placeholder="6 mm")
    ] = Fraction(6)
    jaw: Annotated[
        Fraction,
        Length("flat of a jaw's tip", ("jaw", "jaws"), low=0.01, high=50.0, placeholder="3 mm"),
    ] = Fraction(3)
    play: Annotated[
        Fraction | None,
        Length(
            "lost motion",
            ("play", "lost motion", "lost"),
            low=0.001,
            high=20.0,
            placeholder="not told",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class EccentricAnswer:
    """Sheave and strap, and how the one is bored off its middle."""

    throw_mm: Annotated[Figure, Show("Throw", Rank.BIG)]
    swing_mm: Annotated[Figure, Show("The indicator swings in all", Rank.BIG)]
    sheave_mm: Annotated[Figure, Show("Sheave", Rank.BIG)]
    packing_mm: Annotated[Figure | None, Show("Packing under one of three jaws", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    setting: Annotated[str, Show("Setting it", Rank.SAYS)]
    strap_low_mm: Annotated[Figure, Show("Strap bored, at least")]
    strap_high_mm: Annotated[Figure, Show("Strap bored, at most")]
    thin_mm: Annotated[Figure, Show("Metal where the sheave is thinnest")]
    bar_mm: Annotated[Figure, Show("Smallest bar, ridge and all")]
    ridge_wide_mm: Annotated[Figure, Show("Ridge on the sheave, wide")]
    ridge_high_mm: Annotated[Figure, Show("Ridge, high")]
    groove_wide_mm: Annotated[Figure, Show("Groove in the strap, wide")]
    groove_deep_mm: Annotated[Figure, Show("Groove, deep")]
    oil_mm: Annotated[Figure, Show("Oil way down to it")]
    lost_deg: Annotated[Figure | None, Show("Lost motion, at the crank")]
    shaft_mm: Annotated[Figure, Show("Shaft", Rank.FOLDED)]
    wide_mm: Annotated[Figure, Show("Wide", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
