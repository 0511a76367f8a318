"""The question ``faults`` asks: a sign seen, and what the machine was set to."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.cutting.operations import CHOICES as OPERATIONS
from runk.core.cutting.operations import Operation
from runk.core.cutting.question import Tool
from runk.core.cutting.words import TOOLS
from runk.core.kinds import Choice, Length, Number, OfMachine, OfMetal, OneOf


class Sign(StrEnum):
    """What is seen or heard."""

    WHINE = "whine"
    TORN = "torn"
    BUILT_UP = "built-up"
    GLAZED = "glazed"
    TAPER = "taper"
    BELL_MOUTH = "bell-mouth"
    OVERSIZE = "oversize"
    WANDER = "wander"
    OUT_OF_ROUND = "out-of-round"
    SAW = "saw"
    CONE = "cone"
    SNATCHING = "snatching"
    NOT_MEETING = "not-meeting"
    RUN_OUT = "run-out"
    TIGHT_IN = "tight-in"
    SLIPS = "slips"
    STALLS = "stalls"
    THREAD_TORN = "thread-torn"
    DRILL_BAD = "drill-bad"
    BURR_BORE = "burr-bore"
    GROOVE_OUT = "groove-out"
    WOBBLE = "wobble"
    AXLE_TIGHT = "axle-tight"
    COCKED = "cocked"
    OUT_OF_PLACE = "out-of-place"
    DIGS_IN = "digs-in"
    SLOT_WIDE = "slot-wide"


SIGNS = (
    Choice(
        "whine",
        "it whines and leaves a pattern",
        ("whine", "whines", "whining", "chatter", "chatters", "chattering", "singing"),
    ),
    Choice("torn", "the surface is torn", ("torn", "tearing", "tears", "torn surface")),
    Choice("built-up", "metal builds up on the edge", ("built-up edge", "built up edge")),
    Choice("glazed", "a hard glazed ring", ("glazed", "glazed ring", "work hardened", "skating")),
    Choice("taper", "it comes out tapered", ("tapered", "comes out tapered")),
    Choice(
        "bell-mouth",
        "the bore is bell-mouthed",
        ("bell mouth", "bell-mouth", "bellmouth", "bore tapers", "tapered bore", "bore is tapered"),
    ),
    Choice("oversize", "the drilled hole is oversize", ("oversize", "oversize hole")),
    Choice("wander", "the drill wanders", ("wander", "wanders", "wandering", "wandered")),
    Choice("out-of-round", "it is out of round", ("out of round", "out-of-round", "lobed", "oval")),
    Choice("saw", "the saw runs out", ("saw runs out", "saw wobbles")),
    Choice("cone", "it measures right and will not enter", ("will not enter", "will not go")),
    Choice("snatching", "the drill snatches", ("snatch", "snatches", "snatching", "grabs")),
    Choice("not-meeting", "holes from two sides do not meet", ("do not meet", "not meeting")),
    Choice("run-out", "the work runs out", ("run-out", "runout", "run out", "runs out")),
    Choice(
        "tight-in",
        "it is tight further in after reaming",
        ("tight further in", "tighter further in", "tight after reaming"),
    ),
    Choice("slips", "the work slips in the chuck", ("slips", "slipping", "work slips")),
    Choice("stalls", "it stalls", ("stalls", "stalled", "stalling")),
    Choice(
        "thread-torn",
        "the thread comes out torn",
        ("torn thread", "thread is torn", "thread tears", "thread torn"),
    ),
    Choice(
        "drill-bad",
        "the drill is bent, its lips unequal",
        ("bent drill", "drill bent", "drill is bent", "unequal lips"),
    ),
    Choice(
        "burr-bore",
        "there is a burr in the bore after grooving",
        ("burr in the bore", "burr after grooving"),
    ),
    Choice("groove-out", "the groove runs out", ("groove runs out",)),
    Choice(
        "wobble",
        "a wheel wobbles on its shaft",
        ("wobbles on its shaft", "wheel wobbles", "wheel runs out", "key kicks"),
    ),
    Choice("axle-tight", "the axle is tight", ("axle is tight", "axle tight", "tight axle")),
    Choice(
        "cocked", "the cover goes on cocked", ("cocked", "cover will not sit", "goes on crooked")
    ),
    Choice(
        "out-of-place",
        "a hole is out of place",
        ("out of place", "hole in the wrong place", "hole out of position"),
    ),
    Choice("digs-in", "the parting tool digs in", ("digs in", "dug in", "parting tool jams")),
    Choice(
        "slot-wide",
        "the slot comes out wide",
        ("slot is wide", "slot too wide", "slot leans", "slot comes out wide"),
    ),
)
CUTTING = ("whine", "torn", "built-up", "glazed", "snatching")
"""Signs whose cure begins with what the machine was set to."""
TAPERED = ("taper", "bell-mouth")


@dataclass(frozen=True, slots=True)
class FaultQuestion:
    """A sign, with the cut it was seen in.

    Args:
        rpm: What the spindle was set to.
        feed: Feed a turn.
        near: Diameter by the chuck, or inside a bore; ``far`` at the free end or mouth.
        apart: Between the two; ``between`` is the whole length where a centre holds it.
        at_work: Run-out read at the work; then one step back each, to the taper.
    """

    sign: Annotated[Sign, OneOf("sign", choices=SIGNS, rules=True)]
    operation: Annotated[Operation, OneOf("operation", choices=OPERATIONS, only=CUTTING)] = (
        Operation.TURN
    )
    metal: Annotated[str, OfMetal("metal", only=CUTTING, placeholder="mild steel")] = "mild-steel"
    diameter: Annotated[
        Fraction | None,
        Length(
            "diameter",
            ("dia", "diameter"),
            principal=True,
            only=CUTTING,
            low=0.1,
            high=5000.0,
            placeholder="say what size",
        ),
    ] = None
    tool: Annotated[Tool, OneOf("tool", choices=TOOLS, only=CUTTING)] = Tool.HSS
    rpm: Annotated[
        float | None,
        Number(
            "speed it was set to",
            ("rpm", "rev/min", "revs"),
            ("rpm", "rev/min"),
            only=CUTTING,
            before=("at",),
            low=1.0,
            high=60000.0,
            placeholder="say how fast",
        ),
    ] = None
    feed: Annotated[
        Fraction | None,
        Length(
            "feed a turn", ("feed", "a turn"), only=CUTTING, low=0.001, high=5.0, placeholder="feed"
        ),
    ] = None
    machine: Annotated[str, OfMachine("machine", only=CUTTING, placeholder="lathe")] = ""
    at_work: Annotated[
        Fraction | None,
        Length(
            "run-out at the work",
            ("work",),
            principal=True,
            only=("run-out",),
            high=10.0,
            placeholder="reading",
        ),
    ] = None
    at_collet: Annotated[
        Fraction | None,
        Length(
            "run-out at the collet",
            ("collet",),
            only=("run-out",),
            high=10.0,
            placeholder="reading",
        ),
    ] = None
    at_chuck: Annotated[
        Fraction | None,
        Length(
            "run-out at the chuck", ("chuck",), only=("run-out",), high=10.0, placeholder="reading"
        ),
    ] = None
    at_taper: Annotated[
        Fraction | None,
        Length(
            "run-out in the taper",
            ("taper", "spindle"),
            only=("run-out",),
            high=10.0,
            placeholder="reading",
        ),
    ] = None
    near: Annotated[
        Fraction | None,
        Length(
            "diameter at the chuck end",
            ("chuck", "inside"),
            only=TAPERED,
            low=0.1,
            high=5000.0,
            placeholder="measure it",
        ),
    ] = None
    far: Annotated[
        Fraction | None,
        Length(
            "diameter at the free end",
            ("free", "mouth", "end"),
            only=TAPERED,
            low=0.1,
            high=5000.0,
            placeholder="measure it",
        ),
    ] = None
    apart: Annotated[
        Fraction | None,
        Length(
            "distance between them",
            ("apart", "over"),
            only=TAPERED,
            low=1.0,
            high=5000.0,
            placeholder="how far",
        ),
    ] = None
    between: Annotated[
        Fraction | None,
        Length(
            "whole length, where a centre holds it",
            ("centres", "between"),
            only=("taper",),
            low=1.0,
            high=5000.0,
            placeholder="no centre",
        ),
    ] = None


_CUT = (
    "{operation} {diameter} {metal} with {tool} at {rpm} rev/min[, feed {feed}], on the {machine}: "
    "{sign}"
)
SENTENCES = {sign.key: _CUT if sign.key in CUTTING else "When {sign}" for sign in SIGNS} | {
    "run-out": "When {sign}: {at_work} at the work[, {at_collet} at the collet]"
    "[, {at_chuck} at the chuck][, {at_taper} in the taper behind it]",
    "taper": "When {sign}[: {near} at the chuck end][, {far} at the free end][, {apart} apart]"
    "[, {between} from chuck or centre to centre]",
    "bell-mouth": "When {sign}[: {near} inside][, {far} at the mouth][, {apart} apart]",
}
