"""The question ``plan`` asks: from which size to which, with what."""

from __future__ import annotations

from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.cutting.question import BAR_FIELD, RA_FIELD, Alloy, Meets, SetUp, Surface, Tool
from runk.core.cutting.words import ALLOYS, HELD, MEETS, SET_UPS, SURFACES, TOOLS
from runk.core.kinds import Bounds, Choice, Count, Length, Limits, OfMachine, OfMetal, OneOf
from runk.core.machines.machine import Holding
from runk.core.plan.spec import Job

JOBS = (
    Choice("outside", "Turn", ("turn", "outside", "turning", "od")),
    Choice("bore", "Bore", ("bore", "bore out", "boring", "open out"), yields_to=("groove",)),
    Choice("face", "Face to length", ("face", "to length", "facing", "shorten")),
    Choice("slot", "Mill a slot or pocket", ("slot", "pocket", "mill a slot")),
    Choice(
        "groove",
        "Cut a groove",
        ("groove", "grooving", "recess", "ring groove", "circlip groove", "o-ring groove"),
    ),
)
_ROUND = ("outside", "bore")
_CUT = (*_ROUND, "face")
_DIAL = ("outside", "bore", "face", "slot")
_LIMITED = (*_DIAL, "groove")
_HELD = tuple(Choice(c.key, c.label, c.words) for c in HELD)


class Ends(StrEnum):
    """From which end a length is faced."""

    ONE = "one"
    BOTH = "both"


class Wall(StrEnum):
    """Whether a groove is cut round the work or inside a bore."""

    OUTSIDE = "outside"
    BORE = "bore"


class Hole(StrEnum):
    """How the hole that is bored came to be there."""

    BORED = "bored"
    DRILLED = "drilled"
    CORED = "cored"


class Edge(StrEnum):
    """Which edge of a grooving tool was set to nought at the groove's left edge."""

    LEFT = "left"
    RIGHT = "right"


ENDS = (
    Choice("one", "all from one end", ("one end", "from one end", "one side")),
    Choice(
        "both",
        "half from each end",
        (
            "both ends",
            "each end",
            "from each end",
            "shared",
            "both sides",
            "both sides equal",
            "each side",
            "both faces",
        ),
    ),
)
WALLS = (
    Choice("outside", "round it", ("round the outside", "outside groove"), silent=True),
    Choice(
        "bore",
        "inside a bore",
        ("bore", "in a bore", "in the bore", "inside", "inside groove", "internal"),
    ),
)
HOLES = (
    Choice("bored", "bored already", ("bored already", "already bored"), silent=True),
    Choice("drilled", "as drilled", ("drilled", "drilled hole", "from the drill")),
    Choice("cored", "as cored", ("cored", "cored hole", "core hole")),
)
EDGES = (
    Choice("left", "its left edge", ("left edge",), silent=True),
    Choice("right", "its right edge", ("right edge",)),
)


@dataclass(frozen=True, slots=True)
class PlanQuestion:
    """A cut to size.

    Args:
        now: Size now; of a groove, the diameter of the work.
        wanted: Size wanted: a diameter, a length, a depth, or the width of a groove.
        limits: Of the size wanted, as a drawing has them; they become the next two.
        smallest: Lower limit; ``largest`` the upper one.
        across: Diameter being faced, for its speed; of a slot, the cutter.
        width: Of the grooving tool; ``deep`` how deep the groove goes.
        allowance: Left for the last cut; by tool where not said.
        step: Most a roughing pass may take off the size.
        feeler: Thickness between tool and work when the dial was set to nought.
        reads_to: What the measuring tool reads to.
        parts: Equal parts cut at each setting.
        reach: How far the tool can go in.
        wall: Of a groove: round the work, or inside a bore whose diameter is ``now``.
        hole: What is bored: a bore already, or a drilled or cored hole that has to be trued.
    """

    job: Annotated[Job, OneOf("job", choices=JOBS, rules=True)] = Job.OUTSIDE
    metal: Annotated[str, OfMetal("metal", placeholder="mild steel")] = "mild-steel"
    now: Annotated[
        Fraction | None,
        Length(
            "size now",
            ("now",),
            asks="What size is it now?",
            principal=True,
            before=("from",),
            usual=(2.0, 200.0),
            needed=("outside", "bore", "face", "groove"),
            only=("outside", "bore", "face", "groove"),
            low=0.1,
            high=5000.0,
            placeholder="16",
        ),
    ] = None
    wanted: Annotated[
        Fraction | None,
        Length(
            "size wanted",
            ("wanted", "wide", "deep"),
            asks="What size is wanted?",
            principal=True,
            needed=("*",),
            before=("to",),
            usual=(1.0, 200.0),
            low=0.01,
            high=5000.0,
            placeholder="14.5",
        ),
    ] = None
    smallest: Annotated[
        Fraction | None,
        Length(
            "smallest allowed",
            ("smallest", "min", "least"),
            own=True,
            only=_LIMITED,
            high=5000.0,
            placeholder="not said",
        ),
    ] = None
    largest: Annotated[
        Fraction | None,
        Length(
            "largest allowed",
            ("largest", "max", "most"),
            own=True,
            only=_LIMITED,
            high=5000.0,
            placeholder="not said",
        ),
    ] = None
    tool: Annotated[Tool, OneOf("tool", choices=TOOLS)] = Tool.HSS
    held: Annotated[Holding | None, OneOf("holding", choices=_HELD)] = None
    machine: Annotated[str, OfMachine("machine", placeholder="lathe")] = ""
    length: Annotated[
        Fraction | None,
        Length(
            "length of cut",
            ("long", "length", "deep"),
            only=_ROUND,
            usual=(3.0, 500.0),
            high=5000.0,
            placeholder="say how long",
        ),
    ] = None
    overhang: Annotated[
        Fraction | None,
        Length(
            "overhang",
            ("out", "overhang"),
            usual=(5.0, 400.0),
            only=(*_ROUND, "groove"),
            high=5000.0,
            placeholder="say how far",
        ),
    ] = None
    bar: Annotated[Fraction | None, replace(BAR_FIELD, only=("bore", "groove"))] = None
    across: Annotated[
        Fraction | None,
        Length(
            "diameter of face or cutter",
            ("across", "cutter", "wide"),
            usual=(1.0, 150.0),
            only=("face", "slot"),
            low=0.5,
            high=1000.0,
            placeholder="say what size",
        ),
    ] = None
    width: Annotated[
        Fraction | None,
        Length(
            "width of the tool",
            ("tool", "blade"),
            asks="How wide is the tool?",
            needed=("groove",),
            usual=(0.5, 6.0),
            only=("groove",),
            low=0.3,
            high=50.0,
            placeholder="2 mm",
        ),
    ] = None
    deep: Annotated[
        Fraction | None,
        Length(
            "depth of the groove",
            ("deep",),
            asks="How deep is the groove?",
            needed=("groove",),
            usual=(0.2, 15.0),
            only=("groove",),
            low=0.01,
            high=500.0,
            placeholder="1.5 mm",
        ),
    ] = None
    wall: Annotated[
        Wall,
        OneOf("where the groove is", asks="Where is the groove?", choices=WALLS, only=("groove",)),
    ] = Wall.OUTSIDE
    hole: Annotated[Hole, OneOf("hole there", choices=HOLES, only=("bore",))] = Hole.BORED
    edge: Annotated[Edge, OneOf("edge set to nought", choices=EDGES, only=("groove",))] = Edge.LEFT
    ends: Annotated[Ends, OneOf("ends", choices=ENDS, only=("face",))] = Ends.ONE
    allowance: Annotated[
        Fraction | None,
        Length(
            "finishing allowance",
            ("allowance", "leaving", "leave"),
            usual=(0.02, 1.0),
            only=_DIAL,
            low=0.005,
            high=5.0,
            placeholder="by tool",
        ),
    ] = None
    step: Annotated[
        Fraction | None,
        Length(
            "most a pass may take",
            ("pass", "passes", "step"),
            usual=(0.02, 5.0),
            only=_DIAL,
            low=0.01,
            high=20.0,
            placeholder="work it out",
        ),
    ] = None
    feeler: Annotated[
        Fraction | None,
        Length(
            "feeler",
            ("feeler", "paper"),
            usual=(0.02, 1.0),
            only=_DIAL,
            low=0.01,
            high=5.0,
            placeholder="none",
        ),
    ] = None
    reads_to: Annotated[
        Fraction | None,
        Length(
            "what you measure with reads to",
            ("micrometer", "caliper"),
            asks="What does the gauge you measure with read to?",
            usual=(0.001, 0.1),
            only=_LIMITED,
            low=0.0005,
            high=1.0,
            placeholder="0.01 mm",
        ),
    ] = None
    reach: Annotated[
        Fraction | None,
        Length(
            "reach of the tool",
            ("reach",),
            usual=(2.0, 150.0),
            only=("slot", "groove"),
            high=500.0,
            placeholder="far enough",
        ),
    ] = None
    parts: Annotated[
        int | None,
        Count(
            "equal parts",
            ("parts", "off", "pieces"),
            only=_DIAL,
            low=1,
            high=500,
            placeholder="one",
        ),
    ] = None
    surface: Annotated[Surface, OneOf("surface", choices=SURFACES, only=_CUT)] = Surface.SOUND
    meets: Annotated[Meets, OneOf("contact", choices=MEETS, only=_CUT)] = Meets.ALL_ROUND
    set_up: Annotated[SetUp, OneOf("set-up", choices=SET_UPS, only=_CUT)] = SetUp.ORDINARY
    alloy: Annotated[Alloy, OneOf("alloy", choices=ALLOYS, only=_CUT)] = Alloy.KNOWN
    finish: Annotated[float | None, replace(RA_FIELD, only=_CUT)] = None
    limits: Annotated[
        Bounds | None, Limits("limits", own=True, only=_LIMITED, placeholder="+0 -0.02")
    ] = None


_AS = "[, {surface}][, {meets}][ in {set_up}][, {alloy}][, finish Ra {finish}]"
_LIMITS = "[, limits {limits}][, smallest {smallest}][, largest {largest}]"
_MORE = (
    "[, leaving {allowance} for the last cut][, at most {step} a pass][, nought set on a "
    "{feeler} feeler][, measured to {reads_to}][, {parts} parts alike], on the {machine}"
)
SENTENCES = {
    "outside": "{job} {metal} from {now} to {wanted}" + _LIMITS + _AS + ", with {tool}"
    "[, held {held}][, {overhang} out][, {length} long]" + _MORE,
    "bore": "{job} {metal} from {now}[, {hole}], to {wanted}" + _LIMITS + _AS + ", with {tool}"
    "[ on a {bar} bar][ {overhang} out][, {length} deep][, held {held}]" + _MORE,
    "face": "{job} {metal} from {now} to {wanted}" + _LIMITS + _AS + ", {ends}[, {across} across], "
    "with {tool}[, held {held}]" + _MORE,
    "slot": "{job} in {metal} {wanted} deep" + _LIMITS + "[ with a {across} cutter], {tool}"
    "[, reach {reach}][, held {held}]" + _MORE,
    "groove": "{job} {wanted} wide"
    + _LIMITS
    + " and {deep} deep in {now} {metal}[, {wall}] with a {width} tool, {tool}[ on a {bar} bar]"
    "[, nought at {edge}][, {overhang} out][, reach {reach}][, held {held}][, measured "
    "to {reads_to}], on the {machine}",
}
