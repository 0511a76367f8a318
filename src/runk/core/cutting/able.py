"""Whether a machine can do a cut at all, and how the work is then held."""

from __future__ import annotations

from runk.core.cutting.milled import facing
from runk.core.cutting.operations import FACTS, Family, Operation
from runk.core.cutting.question import SpeedQuestion
from runk.core.machines.machine import Holding, Machine, MachineKind
from runk.core.refusals import Refused
from runk.core.said import mm_said

LARGEST_TOOL_MM = 100.0
ON_TABLE = frozenset({Holding.VICE, Holding.CLAMPS})


def holding_of(question: SpeedQuestion, machine: Machine) -> Holding:
    """How the work is held: as said, or as usual on that machine.

    Raises:
        Refused: A lathe's holding on a mill, or the reverse.
    """
    if machine.kind is MachineKind.LATHE:
        milling = FACTS[question.operation].family is Family.MILLED
        usual = Holding.VERTICAL_SLIDE if milling else Holding.THREE_JAW
        held = question.held or usual
        if held in ON_TABLE:
            says = "A lathe's spindle takes no vice, and has no table to clamp to."
            raise Refused(says, field="held", suggest=usual)
        return Holding(held)
    held = question.held or Holding.VICE
    if held not in ON_TABLE:
        raise Refused(
            f"On {machine.name} the work sits on the table, not in the {held}.",
            field="held",
            suggest="vice",
        )
    return Holding(held)


def check(question: SpeedQuestion, machine: Machine, held: Holding) -> None:
    """Refuse what this machine cannot do.

    Raises:
        Refused: Work too large or long, a bar too big for the bore, a cut deeper than metal.
    """
    diameter, turned_work = float(question.diameter), FACTS[question.operation].of_work
    swing = machine.swing_mm
    milling = FACTS[question.operation].family is Family.MILLED
    if turned_work and machine.kind is MachineKind.LATHE and swing and diameter > swing:
        raise Refused(
            f"{mm_said(diameter)} does not swing over the bed of {machine.name}: its centre "
            f"height of "
            f"{mm_said(swing / 2)} swings {mm_said(swing)}.",
            field="diameter",
        )
    if not turned_work and diameter > LARGEST_TOOL_MM and not milling:
        raise Refused(
            f"A {mm_said(diameter)} tool is larger than any drill or cutter here.",
            field="diameter",
            suggest="12",
        )
    between = machine.between_mm
    for field in ("length", "overhang"):
        value = getattr(question, field)
        if between and value is not None and value > between and machine.kind is MachineKind.LATHE:
            raise Refused(
                f"{mm_said(value)} does not fit on {machine.name}: it takes {mm_said(between)}.",
                field=field,
            )
    if question.bar is not None and question.bar >= question.diameter:
        raise Refused("The boring bar must be thinner than the hole.", field="bar")
    if (
        question.depth is not None
        and question.operation in (Operation.TURN, Operation.GROOVE, Operation.FORM)
        and 2 * question.depth >= question.diameter
    ):
        raise Refused(
            f"A cut {mm_said(question.depth)} deep takes {mm_said(2 * float(question.depth))} off "
            f"the diameter, and there is only {mm_said(diameter)}.",
            field="depth",
        )
    wider = question.width is not None and question.width > question.diameter
    if milling and wider and not facing(question):
        raise Refused("A cutter cannot cut wider than itself.", field="width")
