"""What the trays hold of a cut's own tool: there, missing, bent, or for the hand only."""

from __future__ import annotations

from collections.abc import Iterable

from runk.core.cutting.operations import Operation
from runk.core.figures import Caution, stop
from runk.core.said import mm_said
from runk.core.sources import PRACTICE
from runk.core.tools import ShopTool, ToolKind

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
    Operation.SAW: (ToolKind.SAW,),
    Operation.GEAR_CUT: (ToolKind.GEAR_CUTTER,),
}
_SAME_MM = 0.006
"""Nearer than this two sizes are one tool: a quarter of a thou."""


def tray_for(operation: Operation, tools: Iterable[ShopTool]) -> tuple[ShopTool, ...]:
    """The tools that operation is done with; empty where the workshop keeps no record of them.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> {t.kind.value for t in tray_for(Operation.REAM, WORKSHOP.tools)}
    {'reamer'}
    """
    kinds = _WITH.get(operation, ())
    return tuple(t for t in tools if t.kind in kinds)


def of_tray(operation: Operation, size_mm: float, tray: tuple[ShopTool, ...]) -> list[Caution]:
    """What the trays say of the tool of that size.

    Args:
        size_mm: Of the tool; of a countersink the largest it makes.
        tray: From :func:`tray_for`.
    """
    if not tray or operation is Operation.COUNTERSINK:
        return []
    kind = tray[0].kind if operation not in (Operation.SLOT, Operation.KEYWAY) else "cutter"
    very = [t for t in tray if abs(t.mm - size_mm) < _SAME_MM]
    sound = [t for t in very if t.sound]
    if operation is Operation.REAM and sound and all(t.series == "hand" for t in sound):
        says = f"The {sound[0].name} reamer in the tray is a hand one: never under power."
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
