"""The question ``plan`` asks: from which size to which, with what."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.cutting.question import Tool
from runk.core.cutting.words import HELD, TOOLS
from runk.core.fields import Choice, Field, Kind
from runk.core.machines.machine import Holding
from runk.core.plan.spec import Job

JOBS = (
    Choice("outside", "Turn", ("turn", "outside", "turning", "od")),
    Choice("bore", "Bore", ("bore", "bore out", "boring", "open out")),
    Choice("face", "Face to length", ("face", "to length", "facing", "shorten")),
    Choice("slot", "Mill a slot or pocket", ("slot", "pocket", "mill a slot")),
    Choice("groove", "Cut a groove", ("groove", "grooving", "recess")),
)
_ROUND = ("outside", "bore")
_DIAL = ("outside", "bore", "face", "slot")
_LIMITED = (*_DIAL, "groove")
_HELD = tuple(Choice(c.key, c.label, c.words) for c in HELD)


class Ends(StrEnum):
    """From which end a length is faced."""

    ONE = "one"
    BOTH = "both"


class Edge(StrEnum):
    """Which edge of a grooving tool was set to nought at the groove's left edge."""

    LEFT = "left"
    RIGHT = "right"


ENDS = (
    Choice("one", "all from one end", ("one end",)),
    Choice("both", "half from each end", ("both ends", "each end", "from each end", "shared")),
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
        smallest: Lower limit; ``largest`` the upper one.
        across: Diameter being faced, for its speed; of a slot, the cutter.
        width: Of the grooving tool; ``deep`` how deep the groove goes.
        allowance: Left for the last cut; by tool where not said.
        step: Most a roughing pass may take off the size.
        feeler: Thickness between tool and work when the dial was set to nought.
        reads_to: What the measuring tool reads to.
        parts: Equal parts cut at each setting.
        reach: How far the tool can go in.
    """

    job: Annotated[Job, Field(Kind.CHOICE, "job", choices=JOBS, rules=True)] = Job.OUTSIDE
    metal: Annotated[str, Field(Kind.METAL, "metal", placeholder="mild steel")] = "mild-steel"
    now: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "size now", ("now",), principal=True, before=("from",),
              only=("outside", "bore", "face", "groove"), low=0.1, high=5000.0, placeholder="16"),
    ] = None  # fmt: skip
    wanted: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "size wanted", ("wanted", "wide", "deep"), principal=True,
              before=("to",), low=0.01, high=5000.0,
              placeholder="14.5"),
    ] = None  # fmt: skip
    smallest: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "smallest allowed", ("smallest", "min", "least"), own=True,
              only=_LIMITED, high=5000.0, placeholder="not said"),
    ] = None  # fmt: skip
    largest: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "largest allowed", ("largest", "max", "most"), own=True, only=_LIMITED,
              high=5000.0, placeholder="not said"),
    ] = None  # fmt: skip
    tool: Annotated[Tool, Field(Kind.CHOICE, "tool", choices=TOOLS)] = Tool.HSS
    held: Annotated[Holding | None, Field(Kind.CHOICE, "holding", choices=_HELD)] = None
    machine: Annotated[str, Field(Kind.MACHINE, "machine", placeholder="lathe")] = ""
    length: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "length of cut", ("long", "length", "deep"), only=_ROUND, high=5000.0,
              placeholder="say how long"),
    ] = None  # fmt: skip
    overhang: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "overhang", ("out", "overhang"), only=(*_ROUND, "groove"), high=5000.0,
              placeholder="say how far"),
    ] = None  # fmt: skip
    bar: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "boring bar", ("bar",), only=("bore",), low=0.5, high=200.0,
              placeholder="say how thick"),
    ] = None  # fmt: skip
    across: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "diameter of face or cutter", ("across", "cutter"),
              only=("face", "slot"), low=0.5, high=1000.0, placeholder="say what size"),
    ] = None  # fmt: skip
    width: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "width of the tool", ("tool", "blade"), only=("groove",), low=0.3,
              high=50.0, placeholder="2 mm"),
    ] = None  # fmt: skip
    deep: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "depth of the groove", ("deep",), only=("groove",), low=0.01,
              high=500.0, placeholder="1.5 mm"),
    ] = None  # fmt: skip
    edge: Annotated[Edge, Field(Kind.CHOICE, "edge set to nought", choices=EDGES,
                                only=("groove",))] = Edge.LEFT  # fmt: skip
    ends: Annotated[Ends, Field(Kind.CHOICE, "ends", choices=ENDS, only=("face",))] = Ends.ONE
    allowance: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "finishing allowance", ("allowance", "leaving"), only=_DIAL, low=0.005,
              high=5.0, placeholder="by tool"),
    ] = None  # fmt: skip
    step: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "most a pass may take", ("pass", "passes", "step"), only=_DIAL, low=0.01,
              high=20.0, placeholder="work it out"),
    ] = None  # fmt: skip
    feeler: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "feeler", ("feeler", "paper"), only=_DIAL, low=0.01, high=5.0,
              placeholder="none"),
    ] = None  # fmt: skip
    reads_to: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "what you measure with reads to", ("micrometer", "caliper"),
              only=_LIMITED, low=0.0005, high=1.0, placeholder="0.01 mm"),
    ] = None  # fmt: skip
    reach: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "reach of the tool", ("reach",), only=("slot", "groove"), high=500.0,
              placeholder="far enough"),
    ] = None  # fmt: skip
    parts: Annotated[
        int | None,
        Field(Kind.COUNT, "equal parts", ("parts", "off", "pieces"), only=_DIAL, low=1, high=500,
              placeholder="one"),
    ] = None  # fmt: skip


_LIMITS = "[, smallest {smallest}][, largest {largest}]"
_MORE = (
    "[, leaving {allowance} for the last cut][, at most {step} a pass][, nought set on a "
    "{feeler} feeler][, measured to {reads_to}][, {parts} parts alike], on the {machine}"
)
SENTENCES = {
    "outside": "{job} {metal} from {now} to {wanted}" + _LIMITS + ", with {tool}[, held in the "
    "{held}][, {overhang} out][, {length} long]" + _MORE,
    "bore": "{job} {metal} from {now} to {wanted}" + _LIMITS + ", with {tool}[ on a {bar} bar]"
    "[ {overhang} out][, {length} deep][, held in the {held}]" + _MORE,
    "face": "{job} {metal} from {now} to {wanted}" + _LIMITS + ", {ends}[, {across} across], "
    "with {tool}[, held in the {held}]" + _MORE,
    "slot": "{job} in {metal} {wanted} deep" + _LIMITS + " with a {across} cutter, {tool}"
    "[, reach {reach}][, held in the {held}]" + _MORE,
    "groove": "{job} {wanted} wide"
    + _LIMITS
    + " and {deep} deep in {now} {metal} with a {width} tool, {tool}"
    "[, nought at {edge}][, {overhang} out][, reach {reach}][, held in the {held}][, measured "
    "to {reads_to}], on the {machine}",
}
