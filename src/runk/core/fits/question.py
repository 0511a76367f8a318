"""The question ``fit`` asks."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from functools import cache
from typing import Annotated

from runk.core.fits.iso import LARGEST_MM, ToleranceClass
from runk.core.kinds import Choice, Length, OfFitClass, OfMetal, OneOf, Place
from runk.core.refusals import Refused
from runk.core.sources import Held, Source, read_table
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True)
class Duty:
    """What two parts do to each other, and the clearance on diameter that wants.

    Each bound is so many thou for an inch of diameter and so many besides; less than nought is
    interference.
    """

    key: str
    label: str
    low: tuple[float, float]
    high: tuple[float, float]
    says: str
    source: Source


@cache
def duties() -> dict[str, Duty]:
    """Every duty by key, as the table has them."""
    return {
        row["key"]: Duty(
            row["key"],
            row["label"],
            (float(row["low_thou_per_inch"]), float(row["low_thou"])),
            (float(row["high_thou_per_inch"]), float(row["high_thou"])),
            row["says"],
            Source(row["authority"], Held(row["held"])),
        )
        for row in read_table("fit_duties")
    }


WORKSHOP = ("running", "precision", "slide", "push", "drive", "press", "shrink")
"""The classes of the workshop, by which a fit of the standard is said in other words."""
MOVES = frozenset(
    {"running", "precision", "slide", "ringed", "ringless", "crown", "rod", "journal", "groove"}
)
"""Duties in which the two move against each other."""
BY_HAND = frozenset({"push", "flywheel", "mandrel"})
"""Duties size to size: pushed together by hand, and apart again with a tap."""
ALUMINIUM = "aluminium-6082"
"""What an aluminium piston is of where nobody says more: common practice."""
_TIGHT = ("drive", "press", "shrink")


def _choice(row: dict[str, str]) -> Choice:
    # What parts do says more than how they go together; but a web is pressed where that is said.
    named = [key for key in duties() if key not in WORKSHOP]
    yields = {**dict.fromkeys(WORKSHOP, tuple(n for n in named if n != "web")), "web": _TIGHT}
    yields |= {"running": ("precision", *named), "ringed": ("ringless", "crown", "groove")}
    # A slip fit of a mandrel is a slip fit; one through a core is no mandrel in a finished bore.
    yields["slide"] = tuple(n for n in yields["slide"] if n != "mandrel")
    yields["mandrel"] = ("core", *WORKSHOP)
    return Choice(
        row["key"],
        row["label"],
        tuple(row["words"].split(";")),
        yields_to=yields.get(row["key"], ()),
    )


@dataclass(frozen=True, slots=True)
class School:
    """How workers who differ make the same duty, and what that costs."""

    label: str
    low: tuple[float, float]
    high: tuple[float, float]
    costs: str
    source: Source


def is_light(metal: str, workshop: Workshop) -> bool:
    """Whether a piston of that metal grows more than its iron bore: aluminium, one's own too."""
    return workshop.metals[metal].family == "aluminium"


def piston_of(
    duty: str | None, metal: str | None, workshop: Workshop
) -> tuple[str | None, str | None]:
    """What a piston is for, and of: in every room a light one has a crown's clearance.

    Args:
        duty: As said.
        metal: Of the piston, as said; None where nobody did.
        workshop: For what is light.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> piston_of("ringed", "dural", WORKSHOP)
    ('crown', 'dural')
    >>> piston_of("crown", None, WORKSHOP)
    ('crown', 'aluminium-6082')
    """
    if duty == "ringed" and metal and is_light(metal, workshop):
        return "crown", metal
    if duty == "crown" and metal is None:
        return duty, ALUMINIUM
    return duty, metal


def made_first(size_mm: float, duty: str) -> tuple[tuple[str, str], ...]:
    """What ``fit`` is handed of a shaft that keeps its size: bar as it comes, or made before.

    >>> made_first(4.0, "rod")[2:]
    (('basis', 'shaft'), ('made', '4.0000 mm'))
    """
    size = f"{size_mm:.4f} mm"
    return (("size", size), ("duty", duty), ("basis", "shaft"), ("made", size))


def band_of(
    least: Fraction | None, most: Fraction | None, field: str = "most"
) -> tuple[Fraction, Fraction] | None:
    """Least and most clearance as told; of the least alone twice that is the most.

    Raises:
        Refused: The most is under the least, or the least alone is tight.

    >>> band_of(Fraction(1, 100), None)
    (Fraction(1, 100), Fraction(1, 50))
    """
    if least is None and most is None:
        return None
    if most is None:
        assert least is not None
        if least <= 0:
            raise Refused("Tight or size to size at the tightest: and at the loosest?", field=field)
        most = 2 * least
    least = Fraction(0) if least is None else least
    if most < least:
        raise Refused("The most clearance is under the least.", field="most")
    return least, most


@cache
def schools() -> dict[str, tuple[School, ...]]:
    """Schools that differ, by duty."""
    found: dict[str, tuple[School, ...]] = {}
    for row in read_table("fit_schools"):
        one = School(
            row["school"],
            (float(row["low_thou_per_inch"]), float(row["low_thou"])),
            (float(row["high_thou_per_inch"]), float(row["high_thou"])),
            row["costs"],
            Source(row["authority"], Held(row["held"])),
        )
        found[row["duty"]] = (*found.get(row["duty"], ()), one)
    return found


class Basis(StrEnum):
    """Which of the two is made first, and so keeps to its nominal."""

    HOLE = "hole"
    SHAFT = "shaft"


BASES = (
    Choice("hole", "the hole first", ("hole basis", "hole first", "reamed hole"), silent=True),
    Choice(
        "shaft",
        "on the bar as it comes",
        ("shaft basis", "shaft first", "ground bar", "ground shaft", "bar as it comes"),
    ),
)
DUTIES = tuple(_choice(row) for row in read_table("fit_duties"))


@dataclass(frozen=True, slots=True)
class FitQuestion:
    """Two parts that fit each other.

    Args:
        size: Nominal diameter.
        hole: Class of the hole; ``shaft`` of the shaft. One alone goes with H7 or h6.
        duty: What they do to each other, where no classes are said.
        least: Free by so much at the least, and ``most`` at the most, in place of what a class or
            a duty asks; less than nought is tight.
        basis: Which is made first: a reamer or a ground bar fixes its size.
        made: What the one made first measures; the other is then made to that.
        hole_metal: And ``shaft_metal``, where they are known.
        long: Of the work that a mandrel goes through.
    """

    size: Annotated[
        Fraction,
        Length(
            "nominal size",
            ("dia", "diameter", "bore", "shaft", "rod", "bar", "pin", "web", "ø"),
            principal=True,
            usual=(1.0, 120.0),
            low=0.1,
            high=LARGEST_MM,
            placeholder="22 mm",
        ),
    ]
    duty: Annotated[str | None, OneOf("what it does", asks="What does it do?", choices=DUTIES)] = (
        None
    )
    hole: Annotated[
        ToleranceClass | None, OfFitClass("class of the hole", hole=True, placeholder="H7")
    ] = None
    shaft: Annotated[ToleranceClass | None, OfFitClass("class of the shaft", placeholder="g6")] = (
        None
    )
    least: Annotated[
        Fraction | None,
        Place(
            "least clearance",
            ("free", "at least", "clearance"),
            low=-5.0,
            high=5.0,
            placeholder="by class",
        ),
    ] = None
    most: Annotated[
        Fraction | None,
        Place(
            "most clearance",
            ("at most", "free at most"),
            low=-5.0,
            high=5.0,
            placeholder="by class",
        ),
    ] = None
    basis: Annotated[Basis, OneOf("made first", choices=BASES, asks="Which is made first?")] = (
        Basis.HOLE
    )
    made: Annotated[
        Fraction | None,
        Length(
            "the first, as it measures",
            ("measured", "measures", "as measured"),
            low=0.1,
            high=LARGEST_MM,
            placeholder="not made yet",
        ),
    ] = None
    hole_metal: Annotated[
        str | None, OfMetal("metal with the hole", before=("in", "bore"), placeholder="not said")
    ] = None
    shaft_metal: Annotated[
        str | None,
        OfMetal("metal of the shaft", before=("shaft", "piston", "rod"), placeholder="not said"),
    ] = None
    long: Annotated[
        Fraction | None,
        Length(
            "work on the mandrel, long",
            ("long", "length", "casting"),
            usual=(5.0, 300.0),
            low=0.5,
            high=2000.0,
            placeholder="no mandrel",
        ),
    ] = None
