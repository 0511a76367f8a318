"""The question ``cover`` asks."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.kinds import Choice, Count, Length, Number, OneOf, Pressure
from runk.core.threads.series import Thread
from runk.core.threads.thread import THREAD_FIELD


class Joint(StrEnum):
    """How far out the pressure gets under a cover."""

    FLAT = "flat"
    SEALED = "sealed"


JOINTS = (
    Choice("flat", "a flat joint", ("flat joint", "gasket", "plain joint")),
    Choice(
        "sealed",
        "a joint sealed at the bore",
        ("sealed at the bore", "o-ring", "o ring", "ring joint", "sealed"),
    ),
)


@dataclass(frozen=True, slots=True)
class CoverQuestion:
    """A cover under pressure.

    Args:
        seal: The bore under the cover.
        joint: A flat one lets the pressure out to the inside of the studs; one with a ring holds
            it at the bore.
        circle: Diameter of the stud circle.
        rim: Diameter of the cover; ``seal`` is its inner wall.
        count: Studs, where decided; worked out where not.
        allowed: Stress allowed in a stud, N/mm².
    """

    thread: Annotated[Thread, THREAD_FIELD]
    pressure: Annotated[
        float,
        Pressure(
            "pressure", ("psi", "bar", "mpa", "n/mm2"), low=0.0001, high=20.0, placeholder="80 psi"
        ),
    ]
    seal: Annotated[
        Fraction,
        Length(
            "bore under pressure",
            ("bore", "seal", "cylinder", "pressure"),
            usual=(5.0, 200.0),
            before=("bore",),
            low=1.0,
            high=1000.0,
            asks="How large is the bore under pressure?",
            placeholder="22 mm",
        ),
    ]
    joint: Annotated[Joint, OneOf("joint", choices=JOINTS)] = Joint.FLAT
    circle: Annotated[
        Fraction | None,
        Length(
            "stud circle",
            ("circle", "pcd"),
            usual=(8.0, 300.0),
            low=1.0,
            high=1200.0,
            placeholder="not said",
        ),
    ] = None
    rim: Annotated[
        Fraction | None,
        Length(
            "diameter of the cover",
            ("rim", "outside"),
            usual=(10.0, 400.0),
            low=1.0,
            high=1500.0,
            placeholder="not said",
        ),
    ] = None
    count: Annotated[
        int | None, Count("studs", ("studs", "stud"), low=2, high=60, placeholder="work it out")
    ] = None
    allowed: Annotated[
        float | None,
        Number("stress allowed, N/mm²", ("allowed",), low=1.0, high=200.0, placeholder="30"),
    ] = None
