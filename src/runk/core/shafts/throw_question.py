"""The question ``throw`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Angle, Choice, Length, OneOf
from runk.core.shown import Rank, Show


class Middles(StrEnum):
    """Whether one diameter stays on the bar's own middle, or both are moved to save metal."""

    BOTH = "both"
    ONE = "one"


MIDDLES = (
    Choice("one", "one on the bar's middle", ("one on centre", "one on the middle"), silent=True),
    Choice("both", "both off it", ("both off", "both off centre", "smallest bar")),
)


@dataclass(frozen=True, slots=True)
class ThrowQuestion:
    """A diameter off the middle of another: a crankpin, an eccentric.

    Args:
        throw: From middle to middle; or ``stroke``, or the whole ``swing`` of an indicator.
        bar: What is held.
        pin: Diameter that is off the middle; ``main`` the one that is on it.
        jaw: Flat width of a jaw's tip; nought is a line.
        apart: Angle to a second crank on the same shaft.
        middles: Whether one of them stays on the bar's middle.
    """

    throw: Annotated[
        Fraction | None,
        Length(
            "throw",
            ("throw", "offset", "eccentricity", "off centre"),
            before=("throw", "offset"),
            principal=True,
            usual=(0.5, 40.0),
            low=0.005,
            high=300.0,
            or_else="stroke",
            placeholder="10 mm",
        ),
    ] = None
    stroke: Annotated[
        Fraction | None,
        Length(
            "stroke", ("stroke",), usual=(2.0, 80.0), low=0.01, high=600.0, placeholder="not said"
        ),
    ] = None
    swing: Annotated[
        Fraction | None,
        Length(
            "whole swing of the indicator",
            ("swing", "total", "tir", "indicator"),
            low=0.01,
            high=600.0,
            placeholder="not said",
        ),
    ] = None
    bar: Annotated[
        Fraction | None,
        Length(
            "bar held",
            ("bar", "stock"),
            usual=(4.0, 100.0),
            low=1.0,
            high=500.0,
            placeholder="not said",
        ),
    ] = None
    pin: Annotated[
        Fraction | None,
        Length(
            "pin or sheave",
            ("pin", "sheave", "crankpin"),
            principal=True,
            usual=(2.0, 100.0),
            low=0.5,
            high=500.0,
            placeholder="not said",
        ),
    ] = None
    main: Annotated[
        Fraction | None,
        Length(
            "main diameter",
            ("main", "journal", "shaft"),
            principal=True,
            usual=(2.0, 60.0),
            low=0.5,
            high=500.0,
            placeholder="not said",
        ),
    ] = None
    middles: Annotated[Middles, OneOf("middles", choices=MIDDLES)] = Middles.ONE
    jaw: Annotated[
        Fraction,
        Length(
            "flat of a jaw's tip",
            ("jaw", "jaws", "jaw tip"),
            low=0.01,
            high=50.0,
            placeholder="3 mm",
        ),
    ] = Fraction(3)
    apart: Annotated[
        float | None,
        Angle(
            "angle to a second crank",
            ("degrees apart", "deg apart", "° apart", "degrees", "deg", "°", "apart"),
            low=1.0,
            high=359.0,
            placeholder="one crank",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class ThrowAnswer:
    """Throw and swing side by side, and how it is held off the middle."""

    throw_mm: Annotated[Figure, Show("Throw, middle to middle", Rank.BIG)]
    swing_mm: Annotated[Figure, Show("The indicator swings in all", Rank.BIG)]
    packing_mm: Annotated[Figure | None, Show("Packing under one of three jaws", Rank.BIG)]
    bar_mm: Annotated[Figure | None, Show("Smallest bar that cleans up", Rank.BIG)]
    says: Annotated[str, Show("Setting it", Rank.SAYS)]
    second: Annotated[str, Show("The second crank", Rank.SAYS)]
    stroke_mm: Annotated[Figure, Show("Stroke")]
    pins_mm: Annotated[Figure | None, Show("Pin to pin, seen on the end")]
    rises_mm: Annotated[Figure | None, Show("The second over the first, that one level")]
    over_pins_mm: Annotated[Figure | None, Show("Over both pins")]
    apart_deg: Annotated[Figure | None, Show("Cranks apart", Rank.FOLDED)]
    held_mm: Annotated[Figure | None, Show("Bar held", Rank.FOLDED)]
    pin_mm: Annotated[Figure | None, Show("Pin or sheave", Rank.FOLDED)]
    main_mm: Annotated[Figure | None, Show("Main diameter", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
