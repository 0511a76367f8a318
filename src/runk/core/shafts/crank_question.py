"""The question ``crank`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated, ClassVar

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Choice, Length, OfMachine, OfMetal, OneOf, Pressure
from runk.core.shafts.order import Made
from runk.core.shown import Rank, Show, Table


class Way(StrEnum):
    """How a crankshaft is made."""

    BUILT = "built"
    SOLID = "solid"


WAYS = (
    Choice(
        "built",
        "Build up a crank",
        (
            "built up crank",
            "built-up crank",
            "build up a crank",
            "built up crankshaft",
            "crank built up",
            "crankshaft built up",
            "built up",
            "overhung crank",
            "overhung crankshaft",
            "one web crank",
        ),
    ),
    Choice(
        "solid",
        "Turn a crank from the solid",
        (
            "crank from the solid",
            "crankshaft from the solid",
            "from the solid",
            "solid crank",
            "solid crankshaft",
            "crank between centres",
            "crankshaft between centres",
        ),
    ),
)


WEBS = (
    Choice("2", "two webs", ("two webs",), silent=True),
    Choice("1", "overhung, one web", ("overhung", "one web", "single web", "overhung crank")),
)


@dataclass(frozen=True, slots=True)
class CrankQuestion:
    """A crankshaft with one throw.

    Args:
        way: Built up from bar, or turned from the solid between centres.
        stroke: Of what it drives; or ``throw`` itself.
        main: Diameter of the journals; ``pin`` of the crankpin.
        gap: Between the webs, which is the crankpin's length.
        thick: Of a web.
        long: The whole shaft; of the solid one, how far its centres are apart.
        bore: Of the cylinder, and ``pressure`` in it: what the joints must carry.
        webs: Two, or one of an overhung crank.
        across: Pin put through each joint; a quarter of the smaller one where left out.
    """

    way: Annotated[Way, OneOf("how", choices=WAYS, rules=True)] = Way.BUILT
    stroke: Annotated[
        Fraction | None,
        Length(
            "stroke",
            ("stroke",),
            principal=True,
            usual=(4.0, 80.0),
            low=0.5,
            high=500.0,
            or_else="throw",
            placeholder="24 mm",
        ),
    ] = None
    throw: Annotated[
        Fraction | None, Length("throw", ("throw",), low=0.25, high=250.0, placeholder="not said")
    ] = None
    main: Annotated[
        Fraction | None,
        Length(
            "main journals",
            ("main", "mains", "journal", "journals", "shaft"),
            needed=("*",),
            usual=(2.0, 40.0),
            low=1.0,
            high=200.0,
            asks="How thick are the main journals?",
            placeholder="8 mm",
        ),
    ] = None
    pin: Annotated[
        Fraction | None,
        Length(
            "crankpin",
            ("pin", "crankpin"),
            needed=("*",),
            usual=(2.0, 40.0),
            low=1.0,
            high=200.0,
            asks="How thick is the crankpin?",
            placeholder="7 mm",
        ),
    ] = None
    gap: Annotated[
        Fraction,
        Length(
            "between the webs",
            ("gap", "between webs"),
            low=0.5,
            high=200.0,
            placeholder="10 mm",
            asks="How far apart are the webs?",
        ),
    ] = Fraction(10)
    thick: Annotated[
        Fraction,
        Length("web, thick", ("web", "webs", "thick"), low=0.5, high=100.0, placeholder="5 mm"),
    ] = Fraction(5)
    long: Annotated[
        Fraction,
        Length("shaft, long", ("long", "overall"), low=3.0, high=1000.0, placeholder="80 mm"),
    ] = Fraction(80)
    bore: Annotated[
        Fraction | None,
        Length("cylinder", ("cylinder", "bore"), low=2.0, high=300.0, placeholder="not told"),
    ] = None
    pressure: Annotated[
        float | None,
        Pressure(
            "pressure", ("psi", "bar", "kpa", "mpa"), low=0.001, high=20.0, placeholder="not told"
        ),
    ] = None
    webs: Annotated[str, OneOf("webs", choices=WEBS, only=("built",))] = "2"
    across: Annotated[
        Fraction | None,
        Length(
            "pin across the joint",
            ("cross pin", "across"),
            only=("built",),
            low=0.3,
            high=30.0,
            placeholder="a quarter of it",
        ),
    ] = None
    metal: Annotated[str, OfMetal("metal", placeholder="mild steel")] = "mild-steel"
    machine: Annotated[str, OfMachine("lathe", only=("solid",), placeholder="the lathe")] = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class BuiltAnswer:
    """A crank of bars, webs and pins: the fit of each joint and what it carries."""

    tag: ClassVar[str] = "built"
    throw_mm: Annotated[Figure, Show("Bores apart, at one setting", Rank.BIG)]
    main_low_mm: Annotated[Figure, Show("Bored for the shaft, at least", Rank.BIG)]
    main_high_mm: Annotated[Figure, Show("Bored for it, at most", Rank.BIG)]
    pin_low_mm: Annotated[Figure, Show("Bored for the crankpin, at least")]
    pin_high_mm: Annotated[Figure, Show("Bored for it, at most")]
    says: Annotated[str, Show("Does it hold", Rank.SAYS)]
    other: Annotated[str, Show("The other school", Rank.SAYS)]
    steps: Annotated[tuple[Made, ...], Table("In this order", rank=Rank.BIG)]
    holds_nm: Annotated[Figure, Show("The weaker bond lets go at")]
    crossed_nm: Annotated[Figure, Show("Its cross pin shears at")]
    may_nm: Annotated[Figure, Show("May be asked of the bond")]
    asked_nm: Annotated[Figure | None, Show("The cylinder asks")]
    across_mm: Annotated[Figure, Show("Pin across each joint")]
    stroke_mm: Annotated[Figure, Show("Stroke")]
    main_mm: Annotated[Figure, Show("Shaft", Rank.FOLDED)]
    pin_mm: Annotated[Figure, Show("Crankpin", Rank.FOLDED)]
    gap_mm: Annotated[Figure, Show("Between the webs", Rank.FOLDED)]
    thick_mm: Annotated[Figure, Show("Web, thick", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class SolidAnswer:
    """A crank out of one bar, between two pairs of centres."""

    tag: ClassVar[str] = "solid"
    throw_mm: Annotated[Figure, Show("Centres apart, on both ends", Rank.BIG)]
    bar_mm: Annotated[Figure, Show("Smallest bar", Rank.BIG)]
    rough_mm: Annotated[Figure, Show("Journals roughed to", Rank.BIG)]
    says: Annotated[str, Show("How stiff it is", Rank.SAYS)]
    other: Annotated[str, Show("The other school", Rank.SAYS)]
    steps: Annotated[tuple[Made, ...], Table("In this order", rank=Rank.BIG)]
    both_mm: Annotated[Figure, Show("Smallest bar, both off its middle")]
    swing_mm: Annotated[Figure, Show("On the throw's centres it swings")]
    spring_mm: Annotated[Figure, Show("Last cut leaves the journals' middle large by")]
    packing_mm: Annotated[Figure, Show("Packing between the webs")]
    stroke_mm: Annotated[Figure, Show("Stroke")]
    main_mm: Annotated[Figure, Show("Journals", Rank.FOLDED)]
    pin_mm: Annotated[Figure, Show("Crankpin", Rank.FOLDED)]
    gap_mm: Annotated[Figure, Show("Between the webs", Rank.FOLDED)]
    thick_mm: Annotated[Figure, Show("Web, thick", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
