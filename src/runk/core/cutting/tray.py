"""What the trays hold of a cut's own tool: there, missing, bent, or for the hand only."""

from __future__ import annotations

from collections.abc import Iterable

from runk.core.cutting.operations import FACTS, Operation
from runk.core.cutting.question import SpeedQuestion
from runk.core.figures import Caution, stop
from runk.core.machines.machine import Holding
from runk.core.said import mm_said
from runk.core.sources import PRACTICE
from runk.core.tools import ShopTool, ToolKind, usable
from runk.core.tools.collets import SAME_MM, grips

_MILLS = (ToolKind.END_MILL, ToolKind.SLOT_DRILL)
_WITH: dict[Operation, tuple[ToolKind, ...]] = {
    Operation.DRILL: (ToolKind.DRILL,),
    Operation.CENTRE: (ToolKind.CENTRE_DRILL,),
    Operation.REAM: (ToolKind.REAMER,),
    Operation.COUNTERSINK: (ToolKind.COUNTERSINK,),
    Operation.SPOT_FACE: _MILLS,
    Operation.END_MILL: _MILLS,
    Operation.SLOT: _MILLS,
    Operation.KEYWAY: _MILLS,
    Operation.SAW: (ToolKind.SAW, ToolKind.ARBOR),
    Operation.GEAR_CUT: (ToolKind.GEAR_CUTTER, ToolKind.ARBOR),
    Operation.PART: (ToolKind.PARTING,),
    Operation.BORE: (ToolKind.BORING_HEAD,),
}


def tray_for(operation: Operation, tools: Iterable[ShopTool]) -> tuple[ShopTool, ...]:
    """The tools that operation is done with; empty where the workshop keeps no record of them.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> sorted({t.kind.value for t in tray_for(Operation.REAM, WORKSHOP.tools)})
    ['collet', 'reamer']
    """
    kinds = (*_WITH.get(operation, ()), ToolKind.COLLET)
    return tuple(t for t in tools if t.kind in kinds)


def by_hand_alone(question: SpeedQuestion, tray: Iterable[ShopTool]) -> ShopTool | None:
    """The reamer of that size where only a hand one is owned; None where a machine may turn one."""
    if question.operation is not Operation.REAM:
        return None
    size = float(question.diameter)
    sound = [
        t for t in tray if t.kind is ToolKind.REAMER and t.sound and abs(t.mm - size) < SAME_MM
    ]
    return sound[0] if sound and all(t.series == "hand" for t in sound) else None


def head_rpm(tray: Iterable[ShopTool]) -> float | None:
    """The fastest the boring head owned may turn; None where nobody said."""
    heads = (t.most_rpm for t in usable(tray, ToolKind.BORING_HEAD) if t.most_rpm is not None)
    return max(heads, default=None)


def of_tray(question: SpeedQuestion, held: Holding, tray: tuple[ShopTool, ...]) -> list[Caution]:
    """What the trays say of what this cut is made with and held in.

    Args:
        question: The cut.
        held: How its work is held.
        tray: From :func:`tray_for`.
    """
    own = tuple(t for t in tray if t.kind not in (ToolKind.COLLET, ToolKind.ARBOR))
    size_mm = float(question.diameter)
    found = of_collet(question.operation, held, size_mm, usable(tray, ToolKind.COLLET))
    if question.operation is Operation.PART:
        return [*found, *_of_reach(size_mm / 2, "parting tool", own)]
    if question.operation is Operation.SAW and question.depth is not None:
        very = tuple(t for t in own if abs(t.mm - size_mm) < SAME_MM)
        found += _of_reach(float(question.depth), "saw", very)
    if question.operation in (Operation.SAW, Operation.GEAR_CUT):
        found += _of_arbor(size_mm, own, usable(tray, ToolKind.ARBOR))
    if question.operation not in (Operation.COUNTERSINK, Operation.BORE):
        found += _of_size(question.operation, size_mm, own)
    return found


def of_collet(
    operation: Operation, held: Holding, size_mm: float, collets: tuple[ShopTool, ...]
) -> list[Caution]:
    """That no collet here holds what is held in one."""
    if held is not Holding.COLLET or operation is Operation.BORE or not collets:
        return []
    if not FACTS[operation].of_work or any(grips(c.mm, size_mm) for c in collets):
        return []
    near = min(collets, key=lambda c: abs(c.mm - size_mm)).name
    says = (
        f"No collet here holds {mm_said(size_mm, 2)}: the nearest is {near}. "
        "Three jaws hold it, or a split bush in a larger collet, which runs truer."
    )
    return [Caution("Mind", "the collet", says, None, PRACTICE)]


def _of_arbor(
    size_mm: float, own: tuple[ShopTool, ...], arbors: tuple[ShopTool, ...]
) -> list[Caution]:
    """Whether an arbor here goes through the bore of the cutter that is meant."""
    very = [t for t in own if abs(t.mm - size_mm) < SAME_MM and t.sound and t.bore_mm is not None]
    if not very or any(abs(a.mm - (t.bore_mm or 0)) < SAME_MM for t in very for a in arbors):
        return []
    bore = very[0].bore_mm or 0.0
    near = min((a.mm for a in arbors), key=lambda mm: abs(mm - bore), default=None)
    other = "none is owned" if near is None else f"the nearest here is {mm_said(near)}"
    says = f"{very[0].name} has a bore of {mm_said(bore)} and wants an arbor of that: {other}."
    return [Caution("Mind", "the arbor", says, None, PRACTICE)]


def _of_reach(deep_mm: float, what: str, tools: tuple[ShopTool, ...]) -> list[Caution]:
    reaches = [(t.reach_mm, t.name) for t in tools if t.sound and t.reach_mm is not None]
    if not reaches or max(reaches)[0] >= deep_mm - 1e-9:
        return []
    longest, name = max(reaches)
    says = (
        f"It has to reach {mm_said(deep_mm, 2)}, and the longest here, {name}, "
        f"reaches {mm_said(longest, 2)}."
    )
    return [Caution("Mind", f"the {what}", says, "depth_mm", PRACTICE)]


def _of_size(operation: Operation, size_mm: float, tray: tuple[ShopTool, ...]) -> list[Caution]:
    if not tray:
        return []
    # An end mill or a slot drill, whichever lies first in the tray: a cutter either way.
    kind = "cutter" if _WITH[operation] is _MILLS else tray[0].kind
    very = [t for t in tray if abs(t.mm - size_mm) < SAME_MM]
    sound = [t for t in very if t.sound]
    if operation is Operation.REAM and sound and all(t.series == "hand" for t in sound):
        says = (
            f"The {sound[0].name} reamer in the tray is a hand one: never under power, and never "
            "backwards. It has neither a speed nor a feed; oil on it."
        )
        instead = "turn it by hand, guided by a centre"
        return [stop("the reamer", instead, says, "set_rpm", PRACTICE)]
    if sound:
        return []
    others = sorted((t for t in tray if t.sound), key=lambda t: abs(t.mm - size_mm))
    near = f" The nearest that is sound: {others[0].name}." if others else ""
    if very:
        gone = very[0]
        said = {"missing": "is missing from", "bent": "lies bent in", "blunt": "lies blunt in"}
        says = f"{gone.name} {said[gone.state]} the tray.{near}"
    else:
        says = f"There is no {kind} of {mm_said(size_mm)} in the trays.{near}"
    return [Caution("Mind", f"the {kind}", says, "set_rpm", PRACTICE)]
