"""What is asked of a hole to be tapped."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.holes.question import ENDS, Ends
from runk.core.kinds import Choice, Length, OfMetal, OneOf
from runk.core.metals.metal import Metal
from runk.core.threads.engage import School
from runk.core.threads.series import Thread
from runk.core.threads.thread import THREAD_FIELD
from runk.core.tools import ShopTool


class LastTap(StrEnum):
    """The last tap that goes down the hole."""

    TAPER = "taper"
    SECOND = "second"
    BOTTOMING = "bottoming"


SCHOOLS = (
    Choice("easy", "for easy tapping", ("easy", "easy tapping", "easy school")),
    Choice("book", "by the book", ("book", "by the book", "book size", "full thread")),
)
TAPS = (
    Choice("taper", "a taper tap", ("taper tap", "taper")),
    Choice(
        "second",
        "a second tap",
        ("second tap", "plug tap", "second", "taper then second", "taper and second"),
    ),
    Choice(
        "bottoming",
        "a bottoming tap",
        (
            "bottoming tap",
            "bottoming",
            "plug",
            # Two named are an order: the later one ends it.
            "taper then bottoming",
            "taper and bottoming",
            "taper then plug",
            "taper and plug",
            "second then bottoming",
            "taper second bottoming",
        ),
    ),
)


@dataclass(frozen=True, slots=True)
class TapQuestion:
    """A hole to be tapped.

    Args:
        deep: Full thread wanted; of a through hole, how thick the metal is.
        thick: Of a blind hole: how thick the part is there.
        drill: The drill somebody has, to be judged; the one of the school where left out.
        last: The last tap down the hole; as owned, or as usual, where left out.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    metal: Annotated[str, OfMetal("metal", shared="metal tapped", placeholder="mild steel")] = (
        "mild-steel"
    )
    deep: Annotated[
        Fraction | None,
        Length(
            "depth of thread",
            ("deep", "depth", "long"),
            usual=(1.0, 40.0),
            principal=True,
            before=("through",),
            low=0.2,
            high=200.0,
            placeholder="say how deep",
        ),
    ] = None
    ends: Annotated[Ends, OneOf("ends", choices=ENDS)] = Ends.THROUGH
    thick: Annotated[
        Fraction | None,
        Length(
            "thickness of the part",
            ("thick", "plate", "sheet"),
            usual=(1.0, 80.0),
            low=0.2,
            high=500.0,
            placeholder="say how thick",
        ),
    ] = None
    drill: Annotated[
        Fraction | None,
        Length(
            "drill you have",
            ("drill", "drilled"),
            usual=(0.5, 20.0),
            own=True,
            low=0.2,
            high=100.0,
            placeholder="by school",
        ),
    ] = None
    school: Annotated[School, OneOf("school", choices=SCHOOLS)] = School.EASY
    last: Annotated[LastTap | None, OneOf("last tap", choices=TAPS)] = None


@dataclass(frozen=True)
class TapShop:
    """The metal, the drills, and the taps of this very thread."""

    metal: Metal
    drills: tuple[ShopTool, ...]
    taps: tuple[ShopTool, ...]
