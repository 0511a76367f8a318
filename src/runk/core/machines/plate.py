"""``machine``: a machine in one sentence, its speeds as the plate has them, the rest as usual."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure
from runk.core.kinds import Choice, Gear, Length, Number, OneOf, Speeds, Text
from runk.core.machines.machine import (
    Dial,
    Drive,
    Holding,
    Limit,
    Machine,
    MachineKind,
    Range,
    SpeedStep,
    check_machine,
)
from runk.core.shown import Rank, Show, Table
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

USUAL_W = 370.0
_PER_TURN = 100
_THREE_JAW_RPM, _FOUR_JAW_RPM, _FACEPLATE_RPM = 2000.0, 1000.0, 600.0
"""Limits of small cast-iron chucks and faceplates: common practice; its own plate goes first."""
_SLIDES = {
    MachineKind.LATHE: ("cross-slide", "top-slide", "tailstock"),
    MachineKind.MILL: ("table", "saddle", "head"),
    MachineKind.DRILL_PRESS: ("quill",),
}

KINDS = (
    Choice("lathe", "lathe", ("lathe",)),
    Choice("mill", "mill", ("mill", "milling machine")),
    Choice("drill press", "drill press", ("drill press", "pillar drill", "bench drill")),
)
DIALS = (Choice("mm", "millimetres", ("metric dials",)), Choice("inch", "inches", ("inch dials",)))
READS = (
    Choice("radius", "the travel", ("radius", "reads radius")),
    Choice("diameter", "the diameter", ("diameter", "reads diameter")),
)


@dataclass(frozen=True, slots=True)
class MachineQuestion:
    """A machine of one's own.

    Args:
        speeds: Belt by belt and gear by gear, as its plate has them; or a range.
        power: Of the motor, in watts.
        dials: Unit its dials are marked in; ``division`` what one of them is worth.
        reads: What the cross-slide's dial counts.
        swing: Largest diameter over the bed of a lathe.
    """

    speeds: Annotated[
        tuple[Gear, ...],
        Speeds(
            "speeds",
            placeholder="290 500 860 1480, back gear 48 83 142 245",
            asks="Which speeds has it, as the plate has them?",
        ),
    ]
    kind: Annotated[MachineKind, OneOf("kind of machine", choices=KINDS)] = MachineKind.LATHE
    called: Annotated[str, Text("name", placeholder="its kind")] = ""
    power: Annotated[
        float | None,
        Number(
            "motor, watts", ("w", "watt", "watts"), ("w",), low=10.0, high=5000.0, placeholder="370"
        ),
    ] = None
    dials: Annotated[PageUnit, OneOf("unit of its dials", choices=DIALS)] = PageUnit.MM
    division: Annotated[
        Fraction | None,
        Length("one division", ("division",), low=0.002, high=1.0, placeholder="0.02 mm"),
    ] = None
    reads: Annotated[
        str,
        OneOf(
            "what the cross-slide's dial counts",
            asks="What does the cross-slide's dial count?",
            choices=READS,
        ),
    ] = "radius"
    swing: Annotated[
        Fraction | None,
        Length("swing over the bed", ("swing",), low=20.0, high=2000.0, placeholder="180 mm"),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Position:
    """A position of the belt, or a range of the drive."""

    name: Annotated[str, Show("Position")]
    rpm: Annotated[Figure, Show("Speed")]
    top_rpm: Annotated[Figure | None, Show("to")]


@dataclass(frozen=True, slots=True, kw_only=True)
class Usual:
    """Something nobody said of the machine, and how it is said where it is otherwise."""

    what: Annotated[str, Show("Taken as usual")]
    otherwise: Annotated[str, Show("If it is otherwise")]


@dataclass(frozen=True, slots=True, kw_only=True)
class MachineAnswer:
    """The machine as it will be kept; ``assumed`` says what was not said and is taken as usual."""

    name: Annotated[str, Show("Machine", Rank.BIG)]
    slowest_rpm: Annotated[Figure, Show("Slowest", Rank.BIG)]
    fastest_rpm: Annotated[Figure, Show("Fastest", Rank.BIG)]
    assumed: Annotated[tuple[Usual, ...], Table("Is that so?")]
    positions: Annotated[tuple[Position, ...], Table("Its speeds")]
    cautions: tuple[Caution, ...] = ()


def built(question: MachineQuestion, taken: tuple[str, ...] = ()) -> Machine:
    """The machine itself.

    Args:
        question: As typed.
        taken: Names of machines there are already.

    Raises:
        Refused: No machine could be so.
    """
    ranged = any(gear.whole_range for gear in question.speeds)
    steps = tuple(
        SpeedStep(str(n), gear.name, rpm)
        for gear in question.speeds
        if not gear.whole_range
        for n, rpm in enumerate(gear.rpm, 1)
    )
    ranges = tuple(Range(g.name, *g.rpm[:2]) for g in question.speeds if g.whole_range)
    inch = question.dials is PageUnit.INCH
    typed = None if question.division is None else float(question.division)
    division = round(
        (typed if typed is not None else 0.0254 if inch else 0.02) / (25.4 if inch else 1), 6
    )
    name = question.called.strip() or question.kind.value.capitalize()
    lathe = question.kind is MachineKind.LATHE
    limits = (
        (Holding.THREE_JAW, _THREE_JAW_RPM),
        (Holding.FOUR_JAW, _FOUR_JAW_RPM),
        (Holding.FACEPLATE, _FACEPLATE_RPM),
    )
    number = next(n for n in range(1, 100) if (name if n == 1 else f"{name} {n}") not in taken)
    machine = Machine(
        key="",
        name=name if number == 1 else f"{name} {number}",
        kind=question.kind,
        power_w=question.power or USUAL_W,
        steps=() if ranged else steps,
        ranges=ranges,
        drive=Drive.VARIABLE if ranged else Drive.MAINS,
        swing_mm=float(question.swing) if question.swing is not None and lathe else None,
        limits=tuple(Limit(*limit) for limit in limits) if lathe else (),
        dials=tuple(
            Dial(
                slide,
                question.dials.value,
                division,
                _PER_TURN,
                question.reads if slide == "cross-slide" else "radius",
            )
            for slide in _SLIDES[question.kind]
        ),
    )
    check_machine(machine)
    return machine


def _assumed(question: MachineQuestion, machine: Machine) -> tuple[Usual, ...]:
    dial = machine.dials[0]
    later = "change it on the long form"
    slide = question.kind is MachineKind.LATHE and question.reads == READS[0].key
    said = (
        (question.power is None, f"a motor of {USUAL_W:g} W", "say what its plate has: 250 W"),
        (
            question.division is None,
            f"{dial.division:g} {'in' if dial.unit == 'inch' else 'mm'} a division",
            "say it: division 0.05 mm",
        ),
        (slide, "the cross-slide's dial counts the travel", "say: reads diameter"),
        (
            machine.swing_mm is None and question.kind is MachineKind.LATHE,
            "no limit to what swings over the bed",
            "say it: swing 180 mm",
        ),
        (True, f"{_PER_TURN} divisions a turn", later),
        (not machine.ranges, "50 Hz mains", later),
        (
            bool(machine.limits),
            "never over 2000 rev/min in the three-jaw, 1000 in the four-jaw, 600 on the faceplate",
            later,
        ),
    )
    return tuple(
        Usual(what=words, otherwise=otherwise) for usual, words, otherwise in said if usual
    )


def machine(question: MachineQuestion, _: None = None) -> MachineAnswer:
    """A machine from its plate.

    Args:
        question: Its speeds, and what else is known of it.

    Returns:
        The machine as it will be kept, and what was taken as usual.

    >>> gears = (Gear("direct", (290.0, 500.0)), Gear("back gear", (48.0, 83.0)))
    >>> answer = machine(MachineQuestion(gears))
    >>> answer.slowest_rpm.value, answer.positions[0].name
    (48.0, 'belt 1, back gear')
    """
    made = built(question)
    if made.ranges:
        every = [(r.gear or "the whole range", r.low_rpm, r.high_rpm) for r in made.ranges]
    else:
        every = [(s.position, s.rpm, 0.0) for s in made.ladder]
    rpm = unit_of("rpm")
    return MachineAnswer(
        name=made.name,
        slowest_rpm=Figure(min(low for _, low, _ in every), rpm),
        fastest_rpm=Figure(max(max(low, top) for _, low, top in every), rpm),
        assumed=_assumed(question, made),
        positions=tuple(
            Position(name=n, rpm=Figure(low, rpm), top_rpm=Figure(top, rpm) if top else None)
            for n, low, top in sorted(every, key=lambda e: e[0] if made.ranges else "")
        ),
    )


def _no_needs(_: MachineQuestion, __: Workshop) -> None:
    return None


MACHINE = Calculator(
    name="machine",
    title="A machine in one sentence",
    door=Door("/workshop/new", "Workshop", "Add a machine", "Shop"),
    opening={},
    question=MachineQuestion,
    answers=(MachineAnswer,),
    compute=machine,
    needs=_no_needs,
    sentences={
        "": "My {kind}[, called {called},] has the speeds {speeds}[, a motor of {power} W], "
        "dials in {dials}[ of {division} a division][, the cross-slide counting {reads}]"
        "[, swing {swing}]"
    },
    calls=("has the speeds", "my machine", "new machine", "add a machine"),
    headline=lambda a, page: (
        f"{a.name} · {a.slowest_rpm.shown(page)} to {a.fastest_rpm.words(page)}"
    ),
)
