"""The question ``depth`` asks."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.kinds import Choice, Length, OfMachine, OneOf


class Way(StrEnum):
    """How the depth or the edge is found."""

    TOUCH = "touch"
    PIN = "pin"
    BLOCK = "block"
    EDGE = "edge"


class Stands(StrEnum):
    """What stands on the block."""

    GAUGE = "gauge"
    WORK = "work"


class Side(StrEnum):
    """Which side of the edge the finder stands."""

    BEFORE = "before"
    BEYOND = "beyond"


WAYS = (
    Choice(
        "touch",
        "Depth from a touch",
        (
            "stop depth",
            "depth stop",
            "touch off",
            "quill stop",
            "depth from a touch",
            "feeler depth",
        ),
    ),
    Choice("pin", "Depth from a gauge pin", ("gauge pin", "pin under the cutter", "rolling pin")),
    Choice("block", "Height gauge on a block", ("height gauge", "gauge on a block")),
    Choice("edge", "Place from an edge", ("edge finder", "edge-finder", "from an edge", "finder")),
)
STANDS = (
    Choice("gauge", "the gauge on the block", ("gauge on the block",), silent=True),
    Choice("work", "the work on the block", ("work on the block", "part on the block")),
)
SIDES = (
    Choice("before", "short of the edge", ("before the edge", "short of the edge"), silent=True),
    Choice("beyond", "past the edge", ("past the edge", "beyond the edge")),
)


@dataclass(frozen=True, slots=True)
class DepthQuestion:
    """A depth, a height or a place to be set.

    Args:
        deep: Depth wanted from the surface; a height over the table; a distance from the edge.
        start: What the dial reads at the touch.
        feeler: Thickness between tool and work when it touched.
        drill: Diameter of a drill whose point counts beside the depth.
        pin: Diameter of the gauge pin that just rolls under the cutter.
        block: Height of the block, and what ``stands`` on it: the gauge, and ``deep`` is over the
            table; or the work, and it is over the work's own foot.
        finder: Diameter of the edge finder's tip.
        within: How far apart its limits are: a scale coarser than half of that is no way.
    """

    deep: Annotated[
        Fraction,
        Length(
            "depth, height or distance",
            (
                "deep",
                "high",
                "away",
                "depth",
                "height",
                "from the edge",
                "from edge",
                "in from the edge",
            ),
            usual=(0.2, 150.0),
            principal=True,
            high=2000.0,
            placeholder="12 mm",
        ),
    ]
    way: Annotated[Way, OneOf("way", choices=WAYS, rules=True)] = Way.TOUCH
    start: Annotated[
        Fraction | None,
        Length(
            "reading at the touch",
            ("start", "reads", "reading", "from"),
            high=2000.0,
            placeholder="nought",
        ),
    ] = None
    feeler: Annotated[
        Fraction | None,
        Length("feeler", ("feeler", "paper"), only=("touch",), high=10.0, placeholder="none"),
    ] = None
    drill: Annotated[
        Fraction | None,
        Length(
            "drill",
            ("drill",),
            usual=(0.5, 20.0),
            only=("touch",),
            low=0.1,
            high=100.0,
            placeholder="flat tool",
        ),
    ] = None
    pin: Annotated[
        Fraction | None,
        Length("gauge pin", ("pin",), only=("pin",), low=0.1, high=50.0, placeholder="6 mm"),
    ] = None
    block: Annotated[
        Fraction | None,
        Length("block", ("block",), only=("block",), low=0.1, high=1000.0, placeholder="50 mm"),
    ] = None
    stands: Annotated[
        Stands | None,
        OneOf("on the block", choices=STANDS, only=("block",), asks="What stands on the block?"),
    ] = None
    finder: Annotated[
        Fraction | None,
        Length(
            "finder's tip",
            ("finder", "tip"),
            only=("edge",),
            low=0.1,
            high=50.0,
            placeholder="10 mm",
        ),
    ] = None
    side: Annotated[Side, OneOf("side", choices=SIDES, only=("edge",))] = Side.BEFORE
    within: Annotated[
        Fraction | None,
        Length(
            "limits, from one to the other",
            ("within", "limits", "to within"),
            usual=(0.01, 1.0),
            only=("touch", "pin", "edge"),
            high=50.0,
            placeholder="not said",
        ),
    ] = None
    machine: Annotated[str, OfMachine("machine", placeholder="mill")] = ""
