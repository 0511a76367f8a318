"""The question ``piston`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Choice, Count, Length, OfMetal, OfThread, OneOf
from runk.core.shafts.order import Made
from runk.core.shown import Rank, Show, Table
from runk.core.threads.series import Thread


class School(StrEnum):
    """Where a piston is finished."""

    ROD = "rod"
    BUSH = "bush"


SCHOOLS = (
    Choice("rod", "finished on its own rod", ("on its own rod", "on its rod"), silent=True),
    Choice(
        "bush",
        "finished apart on a split bush",
        ("split bush", "on a split bush", "finished apart", "apart"),
    ),
)


@dataclass(frozen=True, slots=True)
class PistonQuestion:
    """A piston on its rod.

    Args:
        bore: It runs in.
        rod: Diameter of its rod.
        long: Of the piston; six tenths of the bore where left out.
        thread: That holds it on the rod; left out, the largest metric one that leaves a shoulder.
        rings: In grooves of their own; none for a lapped piston.
        wide: Of a ring; a twelfth of the bore where left out.
        out: How far piston and rod stand out of the collet when it is finished.
        tool: Width of the grooving tool; half the groove where left out.
    """

    bore: Annotated[
        Fraction,
        Length(
            "bore",
            ("bore", "cylinder", "dia", "diameter"),
            principal=True,
            usual=(6.0, 120.0),
            low=3.0,
            high=500.0,
            asks="How large is the bore?",
            placeholder="22 mm",
        ),
    ]
    rod: Annotated[
        Fraction,
        Length(
            "rod",
            ("rod",),
            usual=(1.5, 25.0),
            low=1.0,
            high=100.0,
            asks="How thick is the rod?",
            placeholder="4 mm",
        ),
    ]
    long: Annotated[
        Fraction | None,
        Length("long", ("long",), low=1.0, high=500.0, placeholder="0.6 of the bore"),
    ] = None
    thread: Annotated[
        Thread | None, OfThread("thread on the rod", ("thread",), placeholder="by the rod")
    ] = None
    rings: Annotated[
        int,
        Count(
            "rings",
            ("rings", "ring"),
            high=6,
            placeholder="2",
            spoken=(("no rings", "0"), ("ringless", "0"), ("without rings", "0")),
        ),
    ] = 2
    wide: Annotated[
        Fraction | None,
        Length("width of a ring", ("wide",), low=0.3, high=20.0, placeholder="1/12 of the bore"),
    ] = None
    school: Annotated[School, OneOf("school", choices=SCHOOLS)] = School.ROD
    out: Annotated[
        Fraction | None,
        Length(
            "standing out",
            ("out", "overhang"),
            low=1.0,
            high=500.0,
            placeholder="its length and 2 rods",
        ),
    ] = None
    tool: Annotated[
        Fraction | None,
        Length(
            "grooving tool", ("tool", "blade"), low=0.3, high=10.0, placeholder="half the groove"
        ),
    ] = None
    metal: Annotated[str, OfMetal("metal of the piston", placeholder="grey cast iron")] = (
        "grey-iron"
    )
    rod_metal: Annotated[str, OfMetal("metal of the rod", placeholder="silver steel")] = (
        "silver-steel"
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class PistonAnswer:
    """Its last size, and the order it is made in."""

    high_mm: Annotated[Figure, Show("Last size, at most", Rank.BIG)]
    low_mm: Annotated[Figure, Show("Last size, at least", Rank.BIG)]
    drill_name: Annotated[str, Show("Drill for the rod's thread", Rank.BIG)]
    says: Annotated[str, Show("By this school", Rank.SAYS)]
    other: Annotated[str, Show("By the other", Rank.SAYS)]
    steps: Annotated[tuple[Made, ...], Table("In this order", rank=Rank.BIG)]
    rough_mm: Annotated[Figure, Show("Roughed to")]
    spigot_mm: Annotated[Figure, Show("Spigot to hold it by, at least")]
    recess_mm: Annotated[Figure, Show("Recess for the rod's shoulder")]
    gland_low_mm: Annotated[Figure, Show("Gland and cover bored, at least")]
    gland_high_mm: Annotated[Figure, Show("Gland and cover, at most")]
    groove_width_mm: Annotated[Figure | None, Show("Grooves, wide")]
    groove_depth_mm: Annotated[Figure | None, Show("Grooves, deep")]
    tool_mm: Annotated[Figure | None, Show("Grooving tool, at most")]
    bend_mm: Annotated[Figure, Show("Finishing leaves it large at its end by")]
    bend_groove_mm: Annotated[Figure | None, Show("Grooving bends it aside by")]
    bore_mm: Annotated[Figure, Show("Bore", Rank.FOLDED)]
    rod_mm: Annotated[Figure, Show("Rod", Rank.FOLDED)]
    long_mm: Annotated[Figure, Show("Long", Rank.FOLDED)]
    rings: Annotated[int, Show("Rings", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
