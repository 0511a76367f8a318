"""The question ``mate`` asks: what is there, what it is to do, what the other measures."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.fits.iso import ToleranceClass
from runk.core.fits.measured import Station
from runk.core.fits.question import DUTIES
from runk.core.kinds import (
    Choice,
    Lengths,
    OfFitClass,
    OfMachine,
    OfMetal,
    OneOf,
    Place,
    Stations,
    Temperature,
)


class Make(StrEnum):
    """Which of the two is still to be made."""

    SHAFT = "shaft"
    HOLE = "hole"


class Counts(StrEnum):
    """Whether a reading that looks like a slip counts."""

    LIKELY = "likely"
    EVERY = "every"


MAKES = (
    Choice(
        "shaft",
        "Make the shaft to a hole that is there",
        (
            "make the shaft",
            "make the shaft to a hole",
            "turn to fit",
            "turn it to fit",
            "shaft to bore",
            "piston to bore",
            "shaft to a hole",
            "bore measures",
            "hole measures",
        ),
    ),
    Choice(
        "hole",
        "Make the hole to a shaft that is there",
        (
            "make the hole",
            "make the hole to a shaft",
            "bore to fit",
            "bore to suit",
            "bore it to fit",
            "hole to a shaft",
            "shaft measures",
            "piston measures",
        ),
    ),
)
COUNTED = (
    Choice("likely", "slips left out", ("slips left out",), silent=True),
    Choice("every", "every reading counts", ("every reading counts", "all readings right")),
)
_MEASURES = Stations(
    "readings of what is there",
    ("measures", "measured", "there", "reads"),
    asks="What does the part that is there measure?",
    principal=True,
    usual=(2.0, 120.0),
    low=0.1,
    high=1000.0,
    placeholder="22.01, 22.02; 22.00, 22.01",
)


@dataclass(frozen=True, slots=True)
class MateQuestion:
    """A part that is there and its mate.

    Args:
        make: Which of the two is made now.
        there: The part that is there, measured.
        duty: What they do to each other; or classes of the standard, or how free.
        free: Least clearance; ``most`` the most. Less than nought is tight.
        made: The other as it measures now.
        others: Other parts the same one is to go with: a register for two bores.
        counts: Whether what looks like a slip counts.
    """

    make: Annotated[Make, OneOf("what is made", choices=MAKES, rules=True)] = Make.SHAFT
    there: Annotated[tuple[Station, ...], _MEASURES] = ()
    duty: Annotated[str | None, OneOf("what it does", asks="What does it do?", choices=DUTIES)] = (
        None
    )
    hole: Annotated[
        ToleranceClass | None, OfFitClass("class of the hole", hole=True, placeholder="H7")
    ] = None
    shaft: Annotated[ToleranceClass | None, OfFitClass("class of the shaft", placeholder="g6")] = (
        None
    )
    free: Annotated[
        Fraction | None,
        Place(
            "least clearance",
            ("free", "clearance"),
            low=-5.0,
            high=5.0,
            placeholder="by what it does",
        ),
    ] = None
    most: Annotated[
        Fraction | None,
        Place(
            "most clearance",
            ("at most", "free at most"),
            low=-5.0,
            high=5.0,
            placeholder="by what it does",
        ),
    ] = None
    made: Annotated[
        tuple[Station, ...],
        Stations(
            "the other, as it measures now",
            ("other", "now", "made", "mate"),
            low=0.1,
            high=1000.0,
            placeholder="not measured yet",
        ),
    ] = ()
    others: Annotated[
        tuple[Fraction, ...],
        Lengths("others it goes with", ("also",), low=0.1, high=1000.0, placeholder="none"),
    ] = ()
    hole_metal: Annotated[
        str, OfMetal("metal with the hole", before=("in", "bore", "cylinder"), placeholder="iron")
    ] = "grey-iron"
    shaft_metal: Annotated[
        str,
        OfMetal(
            "metal of the shaft",
            before=("shaft", "piston", "rod", "turn"),
            placeholder="mild steel",
        ),
    ] = "mild-steel"
    hole_hot: Annotated[
        float | None,
        Temperature(
            "the hole works at", ("bore at", "cylinder at"), high=1500.0, placeholder="cold"
        ),
    ] = None
    shaft_hot: Annotated[
        float | None,
        Temperature(
            "the shaft works at",
            ("piston at", "rod at", "shaft at"),
            high=1500.0,
            placeholder="cold",
        ),
    ] = None
    machine: Annotated[str, OfMachine("lathe", placeholder="lathe")] = ""
    counts: Annotated[Counts, OneOf("slips", choices=COUNTED)] = Counts.LIKELY
