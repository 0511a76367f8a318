"""``nearest-drill``: what is owned just above and below a size, and what the difference does."""

from __future__ import annotations

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.holes.nearest_other import nearest_other
from runk.core.holes.nearest_question import (
    For,
    NearestAnswer,
    NearestQuestion,
    NearestShop,
    NearTool,
    Wanted,
    off_mm,
)
from runk.core.holes.pick import Allowance, above, below, exact, nearest, ream_allowance
from runk.core.refusals import Refused
from runk.core.said import mm_said, thou_said
from runk.core.sources import PRACTICE
from runk.core.tools import ShopTool, ToolKind, usable
from runk.core.units import unit_of
from runk.core.workshop import Workshop

CLEAR_LOW, CLEAR_HIGH = 1.02, 1.05
"""A clearance hole is 2 to 5 % over what passes through it: common practice."""

_FAR_SHARE = 0.05


@law("To clear it", "{size_mm} × {share}", PRACTICE)
def clear_mm(size_mm: Num, share: Num) -> Num:
    """A hole that something passes through freely.

    >>> clear_mm(4.0, 1.025)
    4.1
    """
    return size_mm * share


_MUCH = 2.0
"""So many times the most a reamer likes is too much: it is bored closer first."""


@law("Before its reamer", "{size_mm} - {allowance_mm}", PRACTICE)
def before_ream_mm(size_mm: Num, allowance_mm: Num) -> Num:
    """The drill before a reamer.

    >>> before_ream_mm(6.0, 0.125)
    5.875
    """
    return size_mm - allowance_mm


def needs(_: NearestQuestion, workshop: Workshop) -> NearestShop:
    """The tools that make holes."""
    others = usable(workshop.tools, ToolKind.COLLET, ToolKind.BAR)
    drills, cutters, reamers = workshop.drills, workshop.cutters, workshop.reamers
    return NearestShop(drills, cutters, reamers, workshop.struck_out, others)


def nearest_drill(question: NearestQuestion, shop: NearestShop) -> NearestAnswer:
    """What is owned near a size.

    Raises:
        Refused: There is no drill at all.

    >>> from fractions import Fraction
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = NearestQuestion(Fraction("4.37"))
    >>> answer = nearest_drill(asked, needs(asked, WORKSHOP))
    >>> answer.name, round(answer.off_mm.value, 3)
    ('11/64"', -0.004)
    """
    if question.tool is not Wanted.DRILL:
        return nearest_other(question, shop)
    if not shop.drills:
        raise Refused(
            "There is no drill in the trays that can be used: add a set in the Workshop.",
            field="size",
            suggest="Workshop, Trays, add a set",
        )
    w = Working()
    size = float(question.size)
    leave = _leave(question, shop)
    wanted = _wanted(w, question, size, leave)
    near = [
        _tool(w, question, wanted.value, t, leave)
        for t in _best(question, shop.drills, wanted.value, leave)
    ]
    best = near[0]
    lower, upper = _around(w, question, shop.drills, wanted.value, leave)
    cutters = [t for t in shop.cutters if abs(t.mm - wanted.value) <= 0.05 * size + 0.1]
    reamers = _two(shop.reamers, size)
    links = tuple(
        Link(
            "hole",
            (("size", r.name), ("finish", "machine-reamed")),
            f"Make it {r.name} instead, reamed, and the mate to match",
        )
        for r in reamers
        if exact((r,), size) is None and r.series == "machine"
    )[:1]
    return NearestAnswer(
        name=best.name,
        drill_mm=best.mm,
        mm=best.mm,
        off_mm=best.off_mm,
        does=best.does,
        wanted_mm=wanted,
        below=lower,
        above=upper,
        cutters=tuple(_tool(w, question, wanted.value, t, leave) for t in cutters),
        reamers=tuple(_tool(w, question, size, t, leave) for t in reamers),
        cautions=_cautions(question, shop, wanted.value, best),
        links=links,
    )


def _leave(question: NearestQuestion, shop: NearestShop) -> Allowance:
    """What the one reamer owned of that size likes to be left: a hand one about half."""
    size = float(question.size)
    own = [r for r in shop.reamers if exact((r,), size) is not None]
    return ream_allowance(size, by_hand=bool(own) and all(r.series == "hand" for r in own))


def _wanted(w: Working, question: NearestQuestion, size: float, leave: Allowance) -> Figure:
    if question.purpose is For.CLEAR:
        return w.of(clear_mm, "wanted_mm", size_mm=size, share=(CLEAR_LOW + CLEAR_HIGH) / 2)
    if question.purpose is For.REAM:
        return w.of(before_ream_mm, "wanted_mm", size_mm=size, allowance_mm=leave.usual_mm)
    return Figure(size, unit_of("wanted_mm"), places=3)


def _best(
    question: NearestQuestion, drills: tuple[ShopTool, ...], wanted: float, leave: Allowance
) -> tuple[ShopTool, ...]:
    """The one to take: never one that would not clear, nor one that leaves nothing to ream."""
    size = float(question.size)
    if question.purpose is For.CLEAR:
        fitting = [d for d in drills if d.mm > size]
    elif question.purpose is For.REAM:
        fitting = [d for d in drills if size - d.mm >= leave.low_mm - 1e-9]
    elif question.purpose is For.UNDER:
        fitting = [d for d in drills if d.mm < size - 1e-9]
    elif question.purpose is For.OVER:
        fitting = [d for d in drills if d.mm > size + 1e-9]
    else:
        fitting = list(drills)
    found = nearest(fitting, wanted)
    if found is None:
        up = question.purpose in (For.CLEAR, For.OVER)
        edge = "largest" if up else "smallest"
        tool = drills[-1] if edge == "largest" else drills[0]
        raise Refused(
            f"The {edge} drill in the trays is {tool.name}.", field="size", suggest=tool.name
        )
    return (found,)


def _around(
    w: Working,
    question: NearestQuestion,
    drills: tuple[ShopTool, ...],
    wanted: float,
    leave: Allowance,
) -> tuple[tuple[NearTool, ...], tuple[NearTool, ...]]:
    lower: list[NearTool] = []
    upper: list[NearTool] = []
    for series in dict.fromkeys(d.series for d in drills):
        own = [d for d in drills if d.series == series]
        for found, put in ((below(own, wanted), lower), (above(own, wanted), upper)):
            if found is not None:
                put.append(_tool(w, question, wanted, found, leave))
    lower.sort(key=lambda t: -t.mm.value)
    upper.sort(key=lambda t: t.mm.value)
    return tuple(lower), tuple(upper)


def _two(tools: tuple[ShopTool, ...], size: float) -> list[ShopTool]:
    found = [t for t in (below(tools, size), above(tools, size)) if t is not None]
    return sorted(found, key=lambda t: abs(t.mm - size))


def _tool(
    w: Working, question: NearestQuestion, wanted: float, tool: ShopTool, leave: Allowance
) -> NearTool:
    mm = tool.mm
    off = w.of(off_mm, tool_mm=mm, wanted_mm=wanted)
    return NearTool(
        name=tool.name,
        series=tool.series or tool.kind,
        mm=Figure(mm, unit_of("mm"), (), 3),
        off_mm=Figure(off.value, off.unit, off.steps, 3),
        does=_does(question, mm, wanted, leave),
    )


def _does(question: NearestQuestion, mm: float, wanted: float, leave: Allowance) -> str:
    size = float(question.size)
    if question.purpose is For.CLEAR:
        if mm <= size:
            return "does not clear"
        over = 100 * (mm / size - 1)
        close = "close" if over < 100 * (CLEAR_LOW - 1) else "loose" if over > 5 else "free"
        return f"{close}: {over:.1f} % over"
    if question.purpose is For.REAM:
        left = size - mm
        if left <= 0:
            return "nothing left to ream"
        fit = "too little" if left < leave.low_mm - 1e-9 else "as it should be"
        fit = "more than it likes" if left > leave.high_mm + 1e-9 else fit
        fit = "too much" if left > _MUCH * leave.high_mm else fit
        return f"leaves {mm_said(left, 2)}: {fit}"
    off = mm - wanted
    if abs(off) < 0.0005:
        return "that very size"
    return f"{thou_said(abs(off))} {'over' if off > 0 else 'under'}"


def _cautions(
    question: NearestQuestion, shop: NearestShop, wanted: float, best: NearTool
) -> tuple[Caution, ...]:
    found = []
    if abs(best.off_mm.value) > _FAR_SHARE * wanted:
        found.append(
            Caution(
                "Mind",
                "the size",
                f"Nothing owned is near {mm_said(wanted, 2)}: bore it, or change the size "
                f"and its mate.",
                "mm",
                PRACTICE,
            )
        )
    gone = [t for t in shop.struck_out if abs(t.mm - wanted) < abs(best.off_mm.value)]
    if gone:
        tool = min(gone, key=lambda t: abs(t.mm - wanted))
        found.append(
            Caution(
                "Mind",
                "the tray",
                f"{tool.name} would be nearer, and is marked {tool.state}.",
                "mm",
                PRACTICE,
            )
        )
    return tuple(found)


NEAREST = Calculator(
    name="nearest-drill",
    title="The nearest tool that is owned",
    door=Door("/holes/nearest", "Holes", "Nearest"),
    opening={"size": "4.37 mm"},
    question=NearestQuestion,
    answers=(NearestAnswer,),
    compute=nearest_drill,
    needs=needs,
    sentences={wanted.value: "The {tool} to {size}" for wanted in Wanted}
    | {"drill": "The {tool} to {size}[, {purpose}]"},
    ruled=True,
    lines=(
        "{tool=collet}<a |the |which |what |>collet for {size}< bar|>",
        "{tool=collet}<will |does |>{size}< bar|> <go|fit> in a collet",
        "{tool=collet}<will |does |>{size}< bar|> <go|fit> in <the |>collet",
    ),
    calls=(
        "collet for",
        "go in a collet",
        "fit in a collet",
        "go in the collet",
        "fit in the collet",
        "go in collet",
        "fit in collet",
        "nearest drill",
        "nearest",
        "closest drill",
        "nearest owned",
        "which drill",
        "to clear #",
        "drill to clear #",
        "hole to clear #",
        "what drill is #",
        "drill nearest #",
        "drill for # clearance",
    ),
    headline=lambda a, _: f"{a.name} · {a.does}",
)
