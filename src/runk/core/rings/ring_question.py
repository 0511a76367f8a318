"""The question ``ring`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Count, Length, Number, OfMetal, Temperature
from runk.core.shown import Rank, Show, Table


@dataclass(frozen=True, slots=True)
class RingQuestion:
    """A split ring of rectangular section.

    Args:
        bore: Of the cylinder.
        radial: Thickness; a twenty-sixth of the bore where left out.
        open: Its free gap as a percentage of the bore, in place of ``gap``.
        gap: Free gap; 0.14 of the bore where left out.
        width: Along the piston; a twelfth of the bore where left out.
        hot: What the ring works at, ``bore_hot`` the cylinder.
        blade: Of the parting tool.
    """

    bore: Annotated[
        Fraction,
        Length(
            "bore",
            ("bore", "cylinder", "dia", "diameter", "ø"),
            principal=True,
            usual=(8.0, 120.0),
            low=3.0,
            high=500.0,
            asks="How large is the bore?",
            placeholder="22 mm",
        ),
    ]
    radial: Annotated[
        Fraction | None,
        Length(
            "thickness of the ring",
            ("thick", "radial", "thickness"),
            usual=(0.3, 6.0),
            low=0.05,
            high=100.0,
            placeholder="1/26 of the bore",
        ),
    ] = None
    gap: Annotated[
        Fraction | None,
        Length(
            "free gap",
            ("gap", "free gap"),
            usual=(1.0, 20.0),
            low=0.05,
            high=200.0,
            placeholder="0.14 of the bore",
        ),
    ] = None
    open: Annotated[
        float | None,
        Number(
            "free gap, of the bore",
            ("percent open", "% open", "percent", "%", "open"),
            units=("percent", "%"),
            low=1.0,
            high=40.0,
            placeholder="14 %",
        ),
    ] = None
    width: Annotated[
        Fraction | None,
        Length(
            "width of the ring",
            ("wide", "width"),
            usual=(0.5, 8.0),
            low=0.1,
            high=100.0,
            placeholder="1/12 of the bore",
        ),
    ] = None
    count: Annotated[int, Count("rings", ("of them", "rings"), low=1, high=20, placeholder="2")] = 2
    metal: Annotated[str, OfMetal("metal of the ring", placeholder="grey cast iron")] = "grey-iron"
    hot: Annotated[
        float | None,
        Temperature("the ring at work", ("ring at", "at", "hot"), high=900.0, placeholder="cold"),
    ] = None
    bore_hot: Annotated[
        float | None,
        Temperature(
            "the bore at work", ("cylinder at", "bore at"), high=900.0, placeholder="still cold"
        ),
    ] = None
    blade: Annotated[
        Fraction,
        Length("parting blade", ("blade", "parting"), low=0.3, high=10.0, placeholder="1.6 mm"),
    ] = Fraction("1.6")


@dataclass(frozen=True, slots=True, kw_only=True)
class Making:
    """One school's way of making it."""

    school: Annotated[str, Show("School")]
    outside_mm: Annotated[Figure, Show("Blank, outside")]
    inside_mm: Annotated[Figure, Show("Inside")]
    how: Annotated[str, Show("In this order")]
    costs: Annotated[str, Show("What that costs")]


@dataclass(frozen=True, slots=True, kw_only=True)
class RingAnswer:
    """A ring, its groove and its making."""

    radial_mm: Annotated[Figure, Show("Thick", Rank.BIG)]
    free_gap_mm: Annotated[Figure, Show("Gap, free", Rank.BIG)]
    closed_gap_mm: Annotated[Figure, Show("Gap in the bore, cold", Rank.BIG)]
    groove_width_mm: Annotated[Figure, Show("Groove, wide", Rank.BIG)]
    groove_depth_mm: Annotated[Figure, Show("Groove, deep", Rank.BIG)]
    says: Annotated[str, Show("How many, and where the gaps go", Rank.SAYS)]
    closed_hot_mm: Annotated[Figure | None, Show("Gap in the bore, hot")]
    wall_pressure_mpa: Annotated[Figure, Show("It presses on the wall with")]
    stress_closed_mpa: Annotated[Figure, Show("Bent in the bore to")]
    stress_opening_mpa: Annotated[Figure, Show("Bent going over the piston to")]
    bears_mpa: Annotated[Figure, Show("Its metal bears, bent")]
    width_mm: Annotated[Figure, Show("Wide")]
    groove_most_mm: Annotated[Figure, Show("Groove, at widest")]
    groove_loose_mm: Annotated[Figure, Show("Groove of those who let steam behind it")]
    strip_mm: Annotated[Figure, Show("Strips under it open the gap by")]
    stock_mm: Annotated[Figure, Show("Tube or bar for them all")]
    bore_mm: Annotated[Figure, Show("Bore", Rank.FOLDED)]
    makings: Annotated[tuple[Making, ...], Table("Made by either school")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
