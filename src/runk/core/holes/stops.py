"""``depth``: where a stop or a dial is set, added up from what is known."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.cutting.laws import point_mm
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.kinds import Choice, Length, OfMachine, OneOf
from runk.core.lengths import Reading
from runk.core.machines.dials import judged_divisions, turns_say
from runk.core.machines.machine import Dial, Machine, MachineKind
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE
from runk.core.units import unit_of
from runk.core.workshop import Workshop

_DRILL_POINT_DEG = 118.0


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
    stands: Annotated[Stands | None, OneOf("on the block", choices=STANDS, only=("block",))] = None
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
    machine: Annotated[str, OfMachine("machine", placeholder="mill")] = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class StackPart:
    """One piece of the sum, with its sign."""

    label: Annotated[str, Show("Piece")]
    mm: Annotated[Figure, Show("Adds")]


@dataclass(frozen=True, slots=True, kw_only=True)
class DepthAnswer:
    """Where to set it. ``stop_mm`` is the reading; ``travel_mm`` how far from the touch."""

    stop_mm: Annotated[Figure, Show("Reading to stop at")]
    travel_mm: Annotated[Figure, Show("From the touch")]
    stop: Annotated[str, Show("Stop at", Rank.BIG)]
    divisions: Annotated[Figure | None, Show("Divisions of the dial")]
    says: Annotated[str, Show("How", Rank.SAYS)]
    stack: Annotated[tuple[StackPart, ...], Table("Added up", drawn=True)]
    machine: Annotated[str, Show("Machine", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Add it up", "{sum_mm} + {part_mm}")
def added_mm(sum_mm: Num, part_mm: Num) -> Num:
    """One more piece of a stack; a piece that takes away is less than 0.

    >>> added_mm(12.0, -0.05)
    11.95
    """
    return sum_mm + part_mm


@law("Half the finder", "{finder_mm} ÷ 2")
def finder_radius_mm(finder_mm: Num) -> Num:
    """From the edge to the spindle's middle when the finder touches.

    >>> finder_radius_mm(10.0)
    5.0
    """
    return finder_mm / 2


_USUAL = {
    Way.TOUCH: (MachineKind.LATHE, MachineKind.MILL, MachineKind.DRILL_PRESS),
    Way.PIN: (MachineKind.MILL,),
    Way.BLOCK: (MachineKind.MILL, MachineKind.LATHE),
    Way.EDGE: (MachineKind.MILL,),
}
_SLIDES = {
    Way.TOUCH: ("tailstock", "head", "quill"),
    Way.PIN: ("head", "quill"),
    Way.BLOCK: (),
    Way.EDGE: ("table", "saddle"),
}
_MISSING = {Way.PIN: ("pin", "6 mm"), Way.BLOCK: ("block", "50 mm"), Way.EDGE: ("finder", "10 mm")}


def needs(question: DepthQuestion, workshop: Workshop) -> Machine:
    """The machine whose dial it is."""
    return workshop.machine(question.machine, _USUAL[question.way])


def settle(
    question: DepthQuestion, workshop: Workshop, readings: Mapping[str, Reading]
) -> DepthQuestion:
    """Name the usual machine, and what stands on a block: a gauge reaches no lower than that."""
    stands = question.stands
    if question.way is Way.BLOCK and stands is None and question.block is not None:
        stands = Stands.WORK if question.deep < question.block else Stands.GAUGE
    return replace(question, machine=needs(question, workshop).name, stands=stands)


def depth(question: DepthQuestion, machine: Machine) -> DepthAnswer:
    """Where a stop, a gauge or a table is set.

    Args:
        question: What is known, and how it was touched.
        machine: Whose dial counts it.

    Raises:
        Refused: Something the sum needs is missing, or it comes to less than nothing.

    >>> from runk.demo.back_shed import MILL
    >>> depth(DepthQuestion(Fraction(5), Way.PIN, pin=Fraction(6)), MILL).travel_mm.value
    11.0
    """
    if (missing := _MISSING.get(question.way)) and getattr(question, missing[0]) is None:
        name, suggest = missing
        label = {"pin": "gauge pin", "block": "block", "finder": "finder's tip"}[name]
        raise Refused(f"What size is the {label}?", field=name, suggest=suggest)
    w = Working()
    parts = _parts(w, question)
    start = float(question.start or 0)
    travel = 0.0
    began = len(w.steps)
    for _, mm in parts:
        travel = w(added_mm, sum_mm=travel, part_mm=mm)
    travelled = w.figure(travel, "travel_mm", since=began, places=3)
    at = w(added_mm, sum_mm=start, part_mm=travel) if start else travel
    if at < 0:
        if question.way is Way.BLOCK:
            raise Refused(
                f"A gauge on a block of {mm_said(question.block or 0)} does not reach down to "
                f"{mm_said(question.deep)} over the table: stand it on the table, or the work on "
                "the block.",
                field="block",
            )
        raise Refused(f"That comes to {mm_said(at, 2)}, less than nothing.", field="deep")
    dial = machine.dial(*_SLIDES[question.way]) if _SLIDES[question.way] else None
    stop, divisions = _on(machine, dial, at)
    stack = (
        [StackPart(label="reads at the touch", mm=Figure(start, unit_of("mm"), (), 3))]
        if start
        else []
    )
    stack += [StackPart(label=label, mm=Figure(mm, unit_of("mm"), (), 3)) for label, mm in parts]
    return DepthAnswer(
        stop_mm=w.figure(at, "stop_mm", since=began, places=3),
        travel_mm=travelled,
        stop=stop,
        divisions=divisions,
        says=_says(question, stop),
        stack=tuple(stack),
        machine=machine.name,
        cautions=_cautions(question),
        links=(),
    )


def _parts(w: Working, question: DepthQuestion) -> list[tuple[str, float]]:
    deep = float(question.deep)
    if question.way is Way.TOUCH:
        found = []
        if question.feeler is not None:
            found.append(("feeler under the tool", float(question.feeler)))
        found.append(("depth wanted", deep))
        if question.drill is not None:
            point = w(point_mm, diameter_mm=float(question.drill), angle_deg=_DRILL_POINT_DEG)
            found.append(("the drill's point", point))
        return found
    if question.way is Way.PIN:
        return [("the gauge pin", float(question.pin or 0)), ("depth wanted", deep)]
    if question.way is Way.BLOCK:
        block = float(question.block or 0)
        if question.stands is Stands.WORK:
            return [("the block under the work", block), ("height wanted", deep)]
        return [("height wanted over the table", deep), ("the block under the gauge", -block)]
    radius = w(finder_radius_mm, finder_mm=float(question.finder or 0))
    # Short of the edge the spindle still has its radius to go; past it, it has come too far.
    signed = radius if question.side is Side.BEFORE else -radius
    return [("half the finder", signed), ("distance from the edge", deep)]


def _on(machine: Machine, dial: Dial | None, at: float) -> tuple[str, Figure | None]:
    if dial is None or machine.read_out:
        where = "the read-out" if machine.read_out and dial is not None else "the gauge"
        return f"{mm_said(at, 3)} on {where}", None
    divisions = judged_divisions(dial, at)
    return (
        f"{turns_say(divisions, dial.per_turn)} of the {dial.slide}",
        Figure(divisions, unit_of("divisions"), (), 2),
    )


def _says(question: DepthQuestion, stop: str) -> str:
    return {
        Way.TOUCH: f"Touch, then go to {stop}.",
        Way.PIN: "The spindle stopped, lower the cutter until the pin just rolls under it. Take "
        f"the pin away, move clear of the work, then go down to {stop}.",
        Way.BLOCK: f"With the {question.stands or Stands.GAUGE} on the block, set {stop}.",
        Way.EDGE: f"Touch the edge, then move towards the work to {stop}.",
    }[question.way]


def _cautions(question: DepthQuestion) -> tuple[Caution, ...]:
    if question.way is Way.EDGE:
        return (
            Caution(
                "Mind",
                "the first hole",
                "A read-out says where the table is, not where the "
                "work is: a light mark and a look before the first hole.",
                "stop_mm",
                PRACTICE,
            ),
        )
    if question.way is Way.BLOCK:
        return ()
    return (
        Caution(
            "Mind",
            "the next tool",
            "Every tool stands out by another length: touch again after each change.",
            "stop_mm",
            PRACTICE,
        ),
    )


DEPTH = Calculator(
    name="depth",
    title="Where the stop is set",
    door=Door("/holes/depth", "Holes", "Where to stop"),
    opening={"way": "touch", "deep": "12 mm", "feeler": "0.05 mm", "drill": "3 mm"},
    question=DepthQuestion,
    answers=(DepthAnswer,),
    compute=depth,
    needs=needs,
    settle=settle,
    sentences={
        "touch": "{way}: {deep} deep[, touched on a {feeler} feeler][, a {drill} drill]"
        "[, the dial at {start} there], on the {machine}",
        "pin": "{way} of {pin}: {deep} deep[, the dial at {start} there], on the {machine}",
        "block": "{way} of {block}, {stands}: {deep} high[, its nought at {start}]",
        "edge": "{way} with a {finder} finder: {deep} away[, touched {side}][, the dial at "
        "{start} there], on the {machine}",
    },
    ruled=True,
    headline=lambda a, _: a.stop,
)
