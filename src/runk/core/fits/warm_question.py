"""The question ``warm`` asks."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.fits.question import DUTIES
from runk.core.kinds import Choice, Length, Number, OfMetal, OneOf, Place, Temperature

# "Aluminium piston" says a metal as well here: its words must leave that alone.
_DUTIES = tuple(
    Choice("crown", "a piston at its crown", ("crown", "at the crown"))
    if one.key == "crown"
    else one
    for one in DUTIES
)


class WarmJob(StrEnum):
    """Two parts that work hot, or one part read warm."""

    FIT = "fit"
    READING = "reading"


JOBS = (
    Choice("fit", "Two parts hot", ("hot fit", "working hot", "two parts", "fit hot")),
    Choice(
        "reading",
        "A part read warm",
        (
            "reading",
            "read warm",
            "measured warm",
            "measures warm",
            "measured hot",
            "reads warm",
            "warm reading",
            "measured at",
            "read at",
            "reads",
            "warmer",
            "degrees warmer",
            "heat of hand",
            "heat of the hand",
            "heat of a hand",
        ),
    ),
)


@dataclass(frozen=True, slots=True)
class WarmQuestion:
    """Parts that are not at 20 °C.

    Args:
        size: Of the joint; of one part, what it reads.
        clear: Free by so much cold; less than nought is tight, and ``tight`` the same said so.
        wanted: Free by so much hot, where that is what is wanted.
        duty: What they do to each other, for the clearance cold where none is said.
        hole_hot: Temperature of the part with the hole at work; ``shaft_hot`` of the other.
        metal: Of a part read warm, and ``at`` how warm it was; or ``rise``, by how much warmer than
            20 degrees.
    """

    job: Annotated[WarmJob, OneOf("job", choices=JOBS, rules=True)] = WarmJob.FIT
    size: Annotated[
        Fraction,
        Length(
            "size",
            ("dia", "diameter", "ø"),
            principal=True,
            usual=(2.0, 200.0),
            low=0.1,
            high=5000.0,
            placeholder="22 mm",
        ),
    ] = Fraction(22)
    hole_metal: Annotated[
        str,
        OfMetal(
            "metal with the hole",
            before=("in", "bore", "cylinder", "hole", "liner"),
            only=("fit",),
            placeholder="grey cast iron",
        ),
    ] = "grey-iron"
    hole_hot: Annotated[
        float,
        Temperature(
            "the hole at work",
            ("bore at", "cylinder at", "hole at", "at", "liner at"),
            only=("fit",),
            high=1500.0,
            placeholder="100 C",
        ),
    ] = 100.0
    shaft_metal: Annotated[
        str,
        OfMetal(
            "metal of the shaft",
            before=("shaft", "piston", "rod"),
            only=("fit",),
            placeholder="grey cast iron",
        ),
    ] = "grey-iron"
    shaft_hot: Annotated[
        float | None,
        Temperature(
            "the shaft at work",
            ("piston at", "rod at", "shaft at", "and", "plug at"),
            only=("fit",),
            high=1500.0,
            placeholder="the same",
        ),
    ] = None
    clear: Annotated[
        Fraction | None,
        Place(
            "clearance cold",
            ("clearance", "free", "cold", "clear"),
            only=("fit",),
            low=-1.0,
            high=5.0,
            placeholder="by what it does",
        ),
    ] = None
    tight: Annotated[
        Fraction | None,
        Length(
            "tight cold", ("tight", "tight cold"), only=("fit",), high=1.0, placeholder="not said"
        ),
    ] = None
    wanted: Annotated[
        Fraction | None,
        Place(
            "clearance wanted hot",
            ("wanted", "wanted hot", "clearance hot", "free hot"),
            only=("fit",),
            low=-1.0,
            high=5.0,
            placeholder="not said",
        ),
    ] = None
    duty: Annotated[
        str | None, OneOf("what it does", asks="What does it do?", choices=_DUTIES, only=("fit",))
    ] = None
    rise: Annotated[
        float | None,
        Number(
            "warmer than the shop by",
            ("warmer", "degrees warmer", "degrees expansion", "warmer by"),
            units=("degrees", "c", "°c", "deg"),
            only=("reading",),
            low=0.1,
            high=1000.0,
            placeholder="not said",
        ),
    ] = None
    metal: Annotated[str, OfMetal("metal", only=("reading",), placeholder="brass")] = "mild-steel"
    at: Annotated[
        float,
        Temperature(
            "how warm it was",
            ("at", "warm", "hot"),
            asks="How warm was it?",
            only=("reading",),
            high=1500.0,
            placeholder="35 C",
        ),
    ] = 35.0
