"""A boss on a shaft: what is asked of it, however the two are joined."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.kinds import Length, OfMetal, Place, Temperature
from runk.core.metals.metal import Metal
from runk.core.workshop import Workshop

WORK_HINTS = ("works at", "working at", "at work")


def works_at(*hints: str) -> Temperature:
    """The question of what a pressed joint works at."""
    return Temperature(
        "works at",
        (*WORK_HINTS, *hints),
        high=600.0,
        placeholder="as cold as it is made",
        asks="How hot does it work?",
    )


@dataclass(frozen=True, slots=True)
class JointQuestion:
    """A boss on a shaft.

    Args:
        size: Diameter of the joint.
        hub: Outside of the boss; twice the joint where left out.
        length: Of the joint; its diameter where left out.
        hot: What it works at, Celsius.
        hollow: Bore through the shaft.
    """

    size: Annotated[
        Fraction,
        Length(
            "diameter of the joint",
            ("dia", "diameter", "ø"),
            principal=True,
            usual=(2.0, 60.0),
            low=0.5,
            high=250.0,
            asks="How large is the joint across?",
            placeholder="11 mm",
        ),
    ]
    hub: Annotated[
        Fraction | None,
        Length(
            "outside of the boss",
            ("outside", "od", "outside of"),
            over="size",
            usual=(4.0, 150.0),
            high=1000.0,
            placeholder="twice its bore",
        ),
    ] = None
    length: Annotated[
        Fraction | None,
        Length(
            "length of the joint",
            ("long", "length", "thick", "deep", "wide"),
            usual=(1.0, 100.0),
            low=0.2,
            high=500.0,
            placeholder="its diameter",
        ),
    ] = None
    boss_metal: Annotated[
        str,
        OfMetal(
            "metal of the boss",
            before=("boss", "web", "hub", "wheel", "flywheel", "ring", "collar", "in", "into"),
            placeholder="mild steel",
        ),
    ] = "mild-steel"
    shaft_metal: Annotated[
        str,
        OfMetal(
            "metal of the shaft",
            before=("on", "onto", "shaft", "pin", "axle", "bush", "rod", "plug"),
            placeholder="silver steel",
        ),
    ] = "silver-steel"
    hollow: Annotated[
        Fraction | None,
        Length(
            "bore through the shaft",
            ("hollow", "bored through", "hole through"),
            usual=(1.0, 40.0),
            high=240.0,
            placeholder="solid",
        ),
    ] = None
    hot: Annotated[float | None, works_at()] = None


TIGHT_FIELD = Length(
    "interference",
    ("tight", "interference", "oversize"),
    before=("interference", "interference of"),
    usual=(0.002, 0.2),
    low=0.0001,
    high=2.0,
    placeholder="by class",
)
LEAST_FIELD = Place(
    "least interference",
    ("least interference", "at least"),
    low=0.0,
    high=2.0,
    placeholder="the same",
)


@dataclass(frozen=True, slots=True)
class JointShop:
    """Both metals.

    Args:
        boss: Of the boss; ``shaft`` of the shaft.
        usual: Depth and feed of the cut its own room would give the boss, where one is asked of.
    """

    boss: Metal
    shaft: Metal
    usual: tuple[float, float] | None = None


def needs(question: JointQuestion, workshop: Workshop) -> JointShop:
    """Both metals."""
    return JointShop(workshop.metals[question.boss_metal], workshop.metals[question.shaft_metal])
