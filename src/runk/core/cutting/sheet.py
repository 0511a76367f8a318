"""``sheet``: one machine's settings for many metals and diameters, to hang on the wall."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.cutting.able import LARGEST_TOOL_MM, holding_of
from runk.core.cutting.caps import of_tool
from runk.core.cutting.marks import SheetMark, short_marks
from runk.core.cutting.operations import CHOICES, FACTS, Family, Operation
from runk.core.cutting.question import SpeedQuestion, Tool
from runk.core.cutting.target import target_speed
from runk.core.cutting.words import HELD, SCHOOLS, TOOLS
from runk.core.figures import Caution, Figure, Link, Working
from runk.core.kinds import Choice, Lengths, OfMachine, OfMetals, OneOf
from runk.core.lengths import Reading
from runk.core.lengths.show import as_fraction, in_inches, in_mm, trimmed
from runk.core.machines.choose import OVER_ALLOWED, School, choose
from runk.core.machines.machine import Holding, Machine, MachineKind
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE
from runk.core.workshop import Workshop

SLOWER_THAN = 0.5
"""Under this share of the wanted speed a cell is said to be slow for want of a faster step."""
_MM = tuple(map(Fraction, (6, 8, 10, 12, 16, 20, 25, 30, 40, 50, 75, 100)))
_INCH = tuple(Fraction(n, 8) for n in (2, 3, 4, 5, 6, 8, 10, 12, 16, 20, 24, 32))
_TOOL_MM = (*map(Fraction, ("1", "1.5", "2", "3", "4", "5", "6", "8", "10", "12", "16", "20")),)
_TOOL_INCH = tuple(Fraction(n, 32) for n in (2, 3, 4, 5, 6, 8, 10, 12, 16, 20, 24, 32))
_TURNABLE = tuple(
    replace(choice, yields_to=())
    for choice in CHOICES
    if FACTS[Operation(choice.key)].family not in (Family.THREADED, Family.TAPPED)
)


_SCHOOLS = tuple(school for school in SCHOOLS if school.key != School.SLOWEST)
"""Slow on purpose is a choice for one cut, never for a whole sheet."""
_HELD = tuple(replace(choice, only=()) for choice in HELD)


class Series(StrEnum):
    """Which diameters stand on the sheet where none are named."""

    METRIC = "metric"
    INCH = "inch"


@dataclass(frozen=True, slots=True)
class SheetQuestion:
    """A sheet for one machine: what is done, with what, which metals and diameters.

    Args:
        operation: Whatever wants no pitch.
        machine: The usual one for the operation where empty.
        metals: Keys; every metal of the workshop where empty.
        sizes: Diameters in millimetres; the usual ones of ``series`` where empty.
    """

    operation: Annotated[Operation, OneOf("operation", choices=_TURNABLE)] = Operation.TURN
    tool: Annotated[Tool, OneOf("tool", choices=TOOLS)] = Tool.HSS
    machine: Annotated[str, OfMachine("machine", placeholder="lathe")] = ""
    metals: Annotated[tuple[str, ...], OfMetals("metals", placeholder="every metal")] = ()
    sizes: Annotated[
        tuple[Fraction, ...],
        Lengths(
            "diameters",
            ("diameters", "sizes"),
            principal=True,
            low=0.1,
            high=5000.0,
            placeholder="the usual ones",
        ),
    ] = ()
    series: Annotated[
        Series,
        OneOf(
            "series",
            choices=(
                Choice("metric", "metric sizes", ("metric",), silent=True),
                Choice("inch", "inch sizes", ("imperial", "imperial sizes", "inch sheet")),
            ),
        ),
    ] = Series.METRIC
    held: Annotated[Holding | None, OneOf("holding", choices=_HELD)] = None
    school: Annotated[School, OneOf("school", choices=_SCHOOLS)] = School.A_LITTLE_OVER


@dataclass(frozen=True, slots=True, kw_only=True)
class SheetCell:
    """What to set. ``state`` is ``ok``, ``fast`` (even the slowest is too fast), ``slow``
    (the fastest allowed is far below what the metal would take) or ``no`` (does not fit)."""

    mark: Annotated[str, Show("Mark")]
    rpm: Annotated[float, Show("Speed")]
    state: str


@dataclass(frozen=True, slots=True, kw_only=True)
class SheetRow:
    """A metal, the surface speed its row is made from, and its cells."""

    metal: str
    name: Annotated[str, Show("Metal")]
    surface_speed_m_min: Annotated[Figure, Show("Surface speed")]
    cells: Annotated[tuple[SheetCell, ...], Table("Cells")]


@dataclass(frozen=True, slots=True, kw_only=True)
class SheetColumn:
    """A diameter as typed or as usual."""

    mm: float
    label: Annotated[str, Show("Diameter")]


@dataclass(frozen=True, slots=True, kw_only=True)
class SheetAnswer:
    """A wall sheet. ``marks`` explains every mark in its cells, slowest first."""

    title: Annotated[str, Show("Sheet", Rank.SAYS, drawn=True)]
    machine: str
    held: str
    columns: Annotated[tuple[SheetColumn, ...], Table("Diameters", drawn=True)]
    rows: Annotated[tuple[SheetRow, ...], Table("Metals", drawn=True)]
    marks: Annotated[tuple[SheetMark, ...], Table("Marks", drawn=True)]
    notes: Annotated[tuple[str, ...], Show("Notes", drawn=True)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True)
class SheetShop:
    """The machine and the metals."""

    machine: Machine
    metals: tuple[Metal, ...]


def needs(question: SheetQuestion, workshop: Workshop) -> SheetShop:
    """Pick the machine and the metals.

    Raises:
        Refused: A machine that is not there, or cannot do this.
    """
    facts = FACTS[question.operation]
    machine = workshop.machine(question.machine, facts.machines)
    if machine.kind not in facts.machines:
        raise Refused(
            f"{facts.doing} wants a {' or a '.join(facts.machines)}; {machine.name} is a "
            f"{machine.kind}.",
            field="machine",
        )
    keys = question.metals or tuple(workshop.metals)
    return SheetShop(machine, tuple(workshop.metals[k] for k in keys))


def settle(question: SheetQuestion, workshop: Workshop, _: Mapping[str, Reading]) -> SheetQuestion:
    """Name the usual machine where it was left open."""
    return replace(question, machine=needs(question, workshop).machine.name)


def _columns(question: SheetQuestion) -> tuple[SheetColumn, ...]:
    if question.sizes:
        sizes = tuple(dict.fromkeys(sorted(question.sizes)))
        return tuple(SheetColumn(mm=float(mm), label=_label(mm)) for mm in sizes)
    of_work = FACTS[question.operation].of_work
    if question.series is Series.INCH:
        inches = _INCH if of_work else _TOOL_INCH
        return tuple(
            SheetColumn(mm=float(i * 254 / 10), label=f'{as_fraction(i)}"') for i in inches
        )
    return tuple(
        SheetColumn(mm=float(mm), label=trimmed(mm, 3)) for mm in (_MM if of_work else _TOOL_MM)
    )


def _label(mm: Fraction) -> str:
    inch = mm * 10 / 254
    if (mm * 100).denominator == 1:
        return trimmed(mm, 2)
    if inch.denominator in (1, 2, 4, 8, 16, 32, 64):
        return f'{as_fraction(inch)}"'
    return in_inches(mm) if (inch * 1000).denominator == 1 else in_mm(mm)


def sheet(question: SheetQuestion, shop: SheetShop) -> SheetAnswer:
    """A wall sheet: what to set for every metal at every diameter.

    Args:
        question: Which machine, metals and diameters.
        shop: The machine and the metals themselves.

    Returns:
        Cells that say the same as ``speed`` says for each.

    Raises:
        Refused: A holding the machine does not have, or whose limit it cannot keep.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = SheetQuestion(metals=("brass",), sizes=(Fraction(20),))
    >>> sheet(asked, needs(asked, WORKSHOP)).rows[0].cells[0].mark
    '3'
    """
    from runk.core.cutting.sweep import sheet_rpm

    machine = shop.machine
    plain = SpeedQuestion("", Fraction(1), question.operation, question.tool, held=question.held)
    held = holding_of(plain, machine)
    columns = _columns(question)
    speeds = []
    for metal in shop.metals:
        w = Working()
        value, _ = target_speed(w, plain, metal)
        speeds.append(w.figure(value, "surface_speed_m_min"))
    diameters = [c.mm for c in columns]
    most = of_tool(question.operation, machine)
    targets, chosen = sheet_rpm(
        [s.value for s in speeds], diameters, machine, held, question.school, most
    )
    # Refuses a holding that no speed of the machine is slow enough for.
    slowest = choose(machine, 1e-9, held, question.school)
    marks = short_marks(machine)
    rows = tuple(
        SheetRow(
            metal=metal.key,
            name=metal.name,
            surface_speed_m_min=figure,
            cells=tuple(
                _cell(machine, question, marks, mm, min(wanted, most or wanted), rpm, slowest.rpm)
                for mm, wanted, rpm in zip(diameters, row_wanted, row_rpm, strict=True)
            ),
        )
        for metal, figure, row_wanted, row_rpm in zip(
            shop.metals, speeds, targets, chosen, strict=True
        )
    )
    used = {cell.mark for row in rows for cell in row.cells}
    states = {cell.state for row in rows for cell in row.cells}
    doing, tool = FACTS[question.operation].doing, _tool_label(question.tool)
    return SheetAnswer(
        title=f"{machine.name}: {doing.lower()} with {tool}",
        machine=machine.name,
        held=held,
        columns=columns,
        rows=rows,
        marks=tuple(m for m in marks.values() if m.mark in used),
        notes=_notes(machine, held, states),
        cautions=_cautions(question, held),
        links=(),
    )


def _cell(
    machine: Machine,
    question: SheetQuestion,
    marks: dict[float, SheetMark],
    mm: float,
    wanted: float,
    rpm: float,
    slowest: float,
) -> SheetCell:
    of_work = FACTS[question.operation].of_work
    milled = FACTS[question.operation].family is Family.MILLED
    too_large = (
        of_work and machine.kind is MachineKind.LATHE and mm > (machine.swing_mm or mm)
    ) or (not of_work and not milled and mm > LARGEST_TOOL_MM)
    if too_large:
        return SheetCell(mark="", rpm=0.0, state="no")
    state = "ok"
    if rpm <= slowest * (1 + 1e-9) and rpm > wanted * (1 + OVER_ALLOWED) * (1 + 1e-9):
        state = "fast"
    elif rpm < wanted * SLOWER_THAN:
        state = "slow"
    mark = marks[rpm].mark if machine.steps else f"{rpm:.0f}"
    return SheetCell(mark=mark, rpm=rpm, state=state)


def _tool_label(tool: Tool) -> str:
    return next(c.label for c in TOOLS if c.key == tool)


def _notes(machine: Machine, held: str, states: set[str]) -> tuple[str, ...]:
    notes = []
    if len(machine.steps) == 1:
        notes.append(
            f"{machine.name} has one speed, so the sheet says only whether it suits the cut."
        )
    if "fast" in states:
        notes.append(
            "A mark in brackets: even the slowest is too fast. Take a smaller tool, high-speed "
            "steel instead of carbide, or turn by hand."
        )
    if "slow" in states:
        notes.append(
            "A mark underlined: the metal would take more than twice that. It does no harm; it "
            "takes longer."
        )
    if "no" in states:
        notes.append("A dash: that size does not fit.")
    limits = {x.holding: x.max_rpm for x in machine.limits}
    if held in limits:
        notes.append(f"Held in the {held}: never over {limits[Holding(held)]:g} rev/min.")
    return tuple(notes)


def _cautions(question: SheetQuestion, held: str) -> tuple[Caution, ...]:
    if not FACTS[question.operation].of_work or held == Holding.VICE:
        return ()
    says = (
        "Sound metal, an ordinary set-up, all round. A casting's skin, long or thin work or an "
        "interrupted cut goes slower: ask for that cut itself."
    )
    return (Caution("Mind", "what the sheet is for", says, None, PRACTICE),)


SHEET = Calculator(
    name="sheet",
    title="Wall sheet of a machine",
    door=Door("/sheet", "Wall sheet", "Wall sheet", "Shop"),
    opening={},
    question=SheetQuestion,
    answers=(SheetAnswer,),
    compute=sheet,
    needs=needs,
    settle=settle,
    sentences={
        "": "Sheet for the {machine}: {operation}[ {metals}] with {tool}[, diameters {sizes}]"
        "[, {series}][, held {held}][, {school}]"
    },
    calls=("wall sheet", "sheet for the wall", "sheet for", "speed sheet", "wall chart"),
    headline=lambda a, _: f"{len(a.rows)} metals by {len(a.columns)} diameters on {a.machine}",
)
