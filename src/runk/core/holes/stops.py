"""``depth``: where a stop or a dial is set, added up from what is known."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.cutting.laws import point_mm
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.holes.stops_question import DepthQuestion, Side, Stands, Way
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

    >>> from fractions import Fraction
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
        cautions=(*_coarse(question, machine, dial), *_cautions(question)),
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


_OTHER_WAY = {
    Way.TOUCH: "set a stop with a block or feelers of that thickness between, or an indicator",
    Way.PIN: "an indicator on the head, or feelers under a stop",
    Way.EDGE: "an indicator against a block of that length",
}


def _coarse(question: DepthQuestion, machine: Machine, dial: Dial | None) -> list[Caution]:
    """A quill or a tailstock marked in half millimetres finds no tenth."""
    if question.within is None or dial is None or machine.read_out:
        return []
    within = float(question.within)
    if dial.travel_mm <= within / 2 + 1e-9:
        return []
    says = (
        f"One mark of the {dial.slide} is {mm_said(dial.travel_mm, 3)} and the limits are "
        f"{mm_said(within, 3)} apart: {_OTHER_WAY[question.way]}."
    )
    return [Caution("Mind", f"the {dial.slide}", says, "stop_mm", PRACTICE)]


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
        "[, the dial at {start} there][, within {within}], on the {machine}",
        "pin": "{way} of {pin}: {deep} deep[, the dial at {start} there][, within {within}]"
        ", on the {machine}",
        "block": "{way} of {block}[, {stands}]: {deep} high[, its nought at {start}]",
        "edge": "{way} with a {finder} finder: {deep} away[, touched {side}][, the dial at "
        "{start} there][, within {within}], on the {machine}",
    },
    ruled=True,
    headline=lambda a, _: a.stop,
)
