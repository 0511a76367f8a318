"""The question ``sums`` asks: sums that no one job owns."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.kinds import Choice, Length, Number, OfMetal, OneOf, Pressure, Temperature
from runk.core.sums.machine_fields import MachineFields


class SumOf(StrEnum):
    """Which sum."""

    REVS = "revs"
    SURFACE = "surface"
    FEED = "feed"
    TIME = "time"
    TURNS = "turns"
    DIAL = "dial"
    TRAIN = "train"
    WEIGHT = "weight"
    FORCE = "force"
    SHARE = "share"
    HEAT = "heat"


SUMS = (
    Choice("revs", "Revs for another size", ("same surface speed", "revs for another size")),
    Choice("surface", "Revs and surface speed", ("revs and surface speed",)),
    Choice("feed", "Feed a tooth and feed a minute", ("feed a tooth and feed a minute",)),
    Choice("time", "How long a pass takes", ("time of a pass", "time for a pass")),
    Choice("turns", "Turns of a screw for a distance", ("turns of a screw", "turns of a handle")),
    Choice("dial", "What a dial takes off", ("what a dial takes off",)),
    Choice("train", "What a train of wheels cuts", ("thread of a train",)),
    Choice("weight", "What a bar weighs", ("weight of a bar", "what a bar weighs")),
    Choice("force", "What a pressure pushes", ("force of a pressure", "push on a piston")),
    Choice("share", "A share of a size", ("percent of", "% of", "share of")),
    Choice("heat", "A temperature in both scales", ("both scales",)),
)
SECTIONS = (
    Choice("round", "round bar", ("round",), silent=True),
    Choice("square", "square bar", ("square",)),
    Choice("hexagon", "hexagon bar", ("hexagon", "hex")),
    Choice("tube", "tube", ("tube", "pipe")),
    Choice("plate", "plate", ("plate", "flat", "strip", "sheet")),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class SumQuestion(MachineFields):
    """A sum.

    Args:
        way: Which.
        at: Size for which revolutions are right; wanted for the ``other``.
        metal: Of a bar; ``section`` its shape, ``bore`` of a tube, ``thick`` of a plate.
        pressure: On a bore of ``dia``.
        percent: Of a size, ``of``.
        heat: A temperature, in either scale.
    """

    way: Annotated[SumOf, OneOf("sum", choices=SUMS, rules=True)] = SumOf.REVS
    metal: Annotated[
        str | None, OfMetal("metal", only=("weight",), needed=("weight",), placeholder="brass")
    ] = None
    section: Annotated[str, OneOf("section", choices=SECTIONS, only=("weight",))] = "round"
    bore: Annotated[
        Fraction | None,
        Length(
            "bore of a tube",
            ("bore", "inside"),
            only=("weight",),
            low=0.05,
            high=5000.0,
            placeholder="solid",
        ),
    ] = None
    thick: Annotated[
        Fraction | None,
        Length(
            "thickness of a plate",
            ("thick",),
            only=("weight",),
            low=0.05,
            high=1000.0,
            placeholder="no plate",
        ),
    ] = None
    pressure: Annotated[
        float | None,
        Pressure(
            "pressure",
            ("psi", "bar", "mpa", "n/mm2", "pressure"),
            only=("force",),
            needed=("force",),
            low=0.0001,
            high=20.0,
            placeholder="80 psi",
        ),
    ] = None
    at: Annotated[
        Fraction | None,
        Length(
            "at a diameter of",
            ("with", "at"),
            only=("revs",),
            needed=("revs",),
            low=0.1,
            high=2000.0,
            asks="At what diameter?",
            placeholder="18 mm",
        ),
    ] = None
    other: Annotated[
        Fraction | None,
        Length(
            "and at",
            ("for", "other"),
            only=("revs",),
            needed=("revs",),
            low=0.1,
            high=2000.0,
            asks="And for which diameter?",
            placeholder="12 mm",
        ),
    ] = None
    percent: Annotated[
        float | None,
        Number(
            "percent",
            ("percent", "%"),
            units=("percent", "%"),
            only=("share",),
            needed=("share",),
            low=0.001,
            high=100000.0,
            asks="How many in a hundred?",
            placeholder="18",
        ),
    ] = None
    of: Annotated[
        Fraction | None,
        Length(
            "of",
            ("of",),
            only=("share",),
            needed=("share",),
            high=100000.0,
            asks="Of what size?",
            placeholder="22 mm",
        ),
    ] = None
    heat: Annotated[
        float | None,
        Temperature(
            "temperature",
            only=("heat",),
            needed=("heat",),
            high=5000.0,
            asks="Which temperature?",
            placeholder="350 F",
        ),
    ] = None
