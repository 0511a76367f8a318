"""The question ``hole`` asks."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.cutting.question import Tool
from runk.core.cutting.words import TOOLS
from runk.core.holes.heads import HEADS, Head
from runk.core.kinds import Angle, Choice, Count, Length, OfMachine, OfMetal, OfThread, OneOf
from runk.core.threads.series import Thread


class Finish(StrEnum):
    """How the hole is brought to its size."""

    DRILLED = "drilled"
    MACHINE_REAMED = "machine-reamed"
    HAND_REAMED = "hand-reamed"
    BORED = "bored"
    D_BIT = "d-bit"
    BAR = "bar"
    HONED = "honed"
    STEPPED = "stepped"


class Ends(StrEnum):
    """Whether it comes out at the other side."""

    THROUGH = "through"
    BLIND = "blind"


class Point(StrEnum):
    """Point angle of the drills."""

    USUAL = "118"
    SPLIT = "135"


FINISHES = (
    Choice("drilled", "drilled", ("drilled hole", "just drilled")),
    Choice("machine-reamed", "reamed by machine", ("reamed", "machine reamed", "reamed hole")),
    Choice("hand-reamed", "reamed by hand", ("hand reamed", "hand-reamed", "by hand reamer")),
    Choice("bored", "bored", ("bored hole", "bored out")),
    Choice("d-bit", "finished with a D-bit", ("d-bit", "d bit", "dbit")),
    Choice("bar", "finished with the bar that runs in it", ("running bar", "its own bar")),
    Choice(
        "stepped",
        "drilled in small steps",
        ("stepped", "in steps", "in small steps", "drilled in steps", "stepped up"),
    ),
    Choice("honed", "bored and honed", ("honed", "honing", "hone", "honed hole")),
)
ENDS = (
    Choice("through", "through", ("through", "thru", "right through", "through hole")),
    Choice("blind", "blind", ("blind", "blind hole")),
)
POINTS = (
    Choice("118", "118°", ("118 degrees", "118 point"), silent=True),
    Choice("135", "135°", ("135 degrees", "135 point", "split point")),
)


@dataclass(frozen=True, slots=True)
class HoleQuestion:
    """A hole wanted.

    Args:
        size: Finished diameter; left out with a screw, the hole it passes through.
        there: A hole that is there already, cored or drilled: the drills begin from it.
        moved: How far the hole there lies out of its place: a bar alone moves it.
        screw: Whose ``head`` is to sit in the hole's mouth.
        deep: Full-diameter depth of a blind hole; of a through hole, how thick the metal is.
        thick: Of a blind hole: how thick the part is there.
        start: What the dial, quill or tailstock reads when the tip touches.
        slope: Of the surface it starts on, degrees from square to the hole.
        counterbore: Diameter of a counterbore or spot-face; ``seat`` how deep it goes.
        bearings: How many bearings stand in line; ``span`` over all of them.
    """

    size: Annotated[
        Fraction,
        Length(
            "size of hole",
            ("dia", "diameter", "ø", "drill", "hole"),
            usual=(0.5, 60.0),
            principal=True,
            needed=("*",),
            or_else="screw",
            low=0.3,
            high=150.0,
            placeholder="6 mm",
        ),
    ] = Fraction(0)
    metal: Annotated[str, OfMetal("metal", placeholder="gunmetal")] = "mild-steel"
    finish: Annotated[Finish, OneOf("finish", choices=FINISHES, rules=True)] = Finish.DRILLED
    ends: Annotated[Ends, OneOf("ends", choices=ENDS)] = Ends.THROUGH
    deep: Annotated[
        Fraction | None,
        Length(
            "depth",
            ("deep", "depth", "long", "through"),
            usual=(1.0, 120.0),
            before=("through",),
            low=0.1,
            high=500.0,
            placeholder="say how deep",
        ),
    ] = None
    thick: Annotated[
        Fraction | None,
        Length(
            "thickness of the part",
            ("thick", "plate", "sheet"),
            usual=(1.0, 120.0),
            low=0.1,
            high=1000.0,
            placeholder="say how thick",
        ),
    ] = None
    tool: Annotated[Tool, OneOf("tool", choices=TOOLS)] = Tool.HSS
    machine: Annotated[str, OfMachine("machine", placeholder="lathe")] = ""
    point: Annotated[Point, OneOf("point", choices=POINTS)] = Point.USUAL
    start: Annotated[
        Fraction | None,
        Length(
            "reading at the touch", ("start", "touch", "offset"), high=1000.0, placeholder="nought"
        ),
    ] = None
    slope: Annotated[
        float | None,
        Angle("slope it starts on, degrees", ("slope", "degrees"), high=70.0, placeholder="none"),
    ] = None
    counterbore: Annotated[
        Fraction | None,
        Length(
            "counterbore",
            ("counterbore", "counterbored", "cbore", "spotface"),
            low=0.5,
            high=200.0,
            placeholder="none",
        ),
    ] = None
    seat: Annotated[
        Fraction | None,
        Length(
            "depth of the counterbore", ("seat",), low=0.01, high=200.0, placeholder="say how deep"
        ),
    ] = None
    there: Annotated[
        Fraction | None,
        Length(
            "hole there already",
            ("there", "existing", "there already", "cored"),
            before=("from", "cored", "existing", "opened from", "drilled"),
            usual=(0.5, 60.0),
            low=0.2,
            high=150.0,
            placeholder="none",
        ),
    ] = None
    moved: Annotated[
        Fraction | None,
        Length(
            "out of its place",
            ("out", "moved", "off", "out of place"),
            before=("moved", "move", "moved by", "move by", "out by"),
            usual=(0.05, 3.0),
            low=0.005,
            high=50.0,
            placeholder="in its place",
            asks="How far is it out of its place?",
        ),
    ] = None
    screw: Annotated[Thread | None, OfThread("screw", placeholder="none")] = None
    head: Annotated[Head | None, OneOf("head of the screw", choices=HEADS)] = None
    bearings: Annotated[
        int | None,
        Count("bearings in line", ("bearings", "bearing"), low=2, high=20, placeholder="one hole"),
    ] = None
    span: Annotated[
        Fraction | None,
        Length(
            "over all bearings",
            ("span", "over", "overall", "over all"),
            low=1.0,
            high=2000.0,
            placeholder="say how far",
            asks="How far is it over all the bearings?",
        ),
    ] = None


_ONE = (
    "A {size} hole in {metal}, {finish}, {ends}[, {deep} deep][, in a part {thick} thick]"
    "[, opened from {there} there already][, moved by {moved}][, starting on a slope of {slope}°]"
    "[, for {screw}][ with {head}][, counterbored {counterbore}][, its seat {seat}]"
    "[, {bearings} bearings in line][ over {span}][, the dial at {start} at the touch]"
    "[, drills with a {point} point], {tool} tools, on the {machine}"
)
SENTENCES = {choice.key: _ONE for choice in FINISHES}
