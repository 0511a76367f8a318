"""The nearest collet, reamer, cutter or bar: what serves, and what to do where none does."""

from __future__ import annotations

from runk.core.figures import Caution, Figure, Working, stop
from runk.core.holes.nearest_question import (
    NearestAnswer,
    NearestQuestion,
    NearestShop,
    NearTool,
    Wanted,
    off_mm,
)
from runk.core.refusals import Refused
from runk.core.said import mm_said, thou_said
from runk.core.sources import PRACTICE
from runk.core.tools import ShopTool, ToolKind, usable
from runk.core.tools.collets import SAME_MM, grips
from runk.core.units import unit_of

_OF = {
    Wanted.COLLET: (ToolKind.COLLET,),
    Wanted.REAMER: (ToolKind.REAMER,),
    Wanted.CUTTER: (ToolKind.END_MILL, ToolKind.SLOT_DRILL),
    Wanted.BAR: (ToolKind.BAR,),
}


def nearest_other(question: NearestQuestion, shop: NearestShop) -> NearestAnswer:
    """The same for what is no drill: the one that serves, then its neighbours."""
    w, size = Working(), float(question.size)
    kinds = _OF[question.tool]
    tools = usable((*shop.reamers, *shop.cutters, *shop.others), *kinds)
    if not tools:
        says = f"There is no {kinds[0]} in the trays yet: add those you have in the Workshop."
        raise Refused(says, field="tool", suggest="Workshop, Trays")
    serving = [t for t in tools if _serves(question.tool, t.mm, size)]
    # A bar is turned down to size: the least over it. All else is what comes nearest.
    best = min(serving or tools, key=lambda t: abs(t.mm - size))
    taken = _as_near(w, question.tool, size, best)
    lower, upper = (
        [t for t in tools if (t.mm < size - 1e-9) is under and t is not best]
        for under in (True, False)
    )
    return NearestAnswer(
        name=taken.name,
        drill_mm=taken.mm,
        mm=taken.mm,
        off_mm=taken.off_mm,
        does=taken.does,
        wanted_mm=Figure(size, unit_of("wanted_mm"), places=3),
        below=tuple(_as_near(w, question.tool, size, t) for t in lower[-1:-4:-1]),
        above=tuple(_as_near(w, question.tool, size, t) for t in upper[:3]),
        cutters=(),
        reamers=(),
        cautions=() if serving else (_none_serves(question.tool, size),),
        links=(),
    )


def _serves(tool: Wanted, mm: float, size: float) -> bool:
    if tool is Wanted.COLLET:
        return grips(mm, size)
    if tool is Wanted.BAR:
        return mm >= size - SAME_MM - 1e-9
    return abs(mm - size) <= SAME_MM + 1e-9


def _as_near(w: Working, wanted: Wanted, size: float, tool: ShopTool) -> NearTool:
    off = w.of(off_mm, tool_mm=tool.mm, wanted_mm=size)
    if abs(off.value) < 0.0005:
        does = "that very size"
    elif wanted is Wanted.COLLET:
        does = "does not open so far" if off.value < 0 else "does not close so far"
        does = "holds it" if _serves(wanted, tool.mm, size) else does
    elif wanted is Wanted.BAR:
        does = f"turn {mm_said(off.value, 2)} off" if off.value > 0 else "too thin"
    else:
        does = f"{thou_said(abs(off.value))} {'over' if off.value > 0 else 'under'}"
    long = f", {mm_said(tool.reach_mm, 0)} long" if wanted is Wanted.BAR and tool.reach_mm else ""
    return NearTool(
        name=tool.name,
        series=tool.series or tool.kind,
        mm=Figure(tool.mm, unit_of("mm"), (), 3),
        off_mm=Figure(off.value, off.unit, off.steps, 3),
        does=does + long,
    )


def _none_serves(tool: Wanted, size: float) -> Caution:
    said = mm_said(size, 2)
    if tool is Wanted.COLLET:
        says = f"No collet here holds {said}. A split bush in a larger one runs truer than jaws."
        return stop("the collet", "hold it in the three-jaw", says, "mm", PRACTICE)
    if tool is Wanted.BAR:
        says = f"No bar here is as thick as {said}."
        return stop("the bar", "find a thicker bar, or make it smaller", says, "mm", PRACTICE)
    says = {
        Wanted.REAMER: f"No reamer here makes {said}: bore it, or take this size and make the "
        "mate to it.",
        Wanted.CUTTER: f"No cutter here is {said}: a smaller one makes it in two passes, half the "
        "difference to each side.",
    }[tool]
    return Caution("Mind", f"the {tool}", says, "mm", PRACTICE)
