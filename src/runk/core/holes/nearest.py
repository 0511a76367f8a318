"""``nearest-drill``: what is owned just above and below a size, and what the difference does."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.holes.pick import above, below, exact, nearest, ream_allowance
from runk.core.kinds import Choice, Length, OneOf
from runk.core.refusals import Refused
from runk.core.said import mm_said, thou_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE
from runk.core.tools import ShopTool, ToolKind, usable
from runk.core.units import unit_of
from runk.core.workshop import Workshop

CLEAR_LOW, CLEAR_HIGH = 1.02, 1.05
"""A clearance hole is 2 to 5 % over what passes through it: common practice."""

_FAR_SHARE = 0.05


class For(StrEnum):
    """What the hole is for, which decides what a difference does."""

    HOLE = "hole"
    UNDER = "under"
    OVER = "over"
    CLEAR = "clear"
    REAM = "ream"


FORS = (
    Choice("hole", "just that size", ("just that size",), silent=True),
    Choice("under", "and no larger", ("under", "below", "next under", "not over", "smaller than")),
    Choice("over", "and no smaller", ("over", "above", "next over", "not under", "larger than")),
    Choice(
        "clear", "to clear it", ("to clear", "clears", "for clearance", "clearance", "clearing")
    ),
    Choice(
        "ream",
        "before its reamer",
        (
            "before reaming",
            "before its reamer",
            "to be reamed",
            "for reaming",
            "to ream",
            "reaming",
            "before a reamer",
        ),
    ),
)


class Wanted(StrEnum):
    """What is looked for in the trays."""

    DRILL = "drill"
    COLLET = "collet"
    REAMER = "reamer"
    CUTTER = "cutter"
    BAR = "bar"


def _looked_for(key: str, label: str, *words: str) -> Choice:
    names = (label, f"{label}s", *words)
    asked = tuple(f"{how} {name}" for how in ("nearest", "closest", "which") for name in names)
    return Choice(key, f"nearest {label}", asked, yields_to=() if key != "bar" else _HOLDS)


_HOLDS = ("collet", "reamer", "cutter", "drill")
WANTED = (
    _looked_for("drill", "drill"),
    _looked_for("collet", "collet"),
    _looked_for("reamer", "reamer"),
    _looked_for("cutter", "end mill", "slot drill", "milling cutter"),
    _looked_for("bar", "bar", "bar stock", "rod"),
)


@dataclass(frozen=True, slots=True)
class NearestQuestion:
    """A size, and what the hole is for.

    Args:
        size: Of the hole; to clear, of what passes through; before reaming, finished; of the work
            a collet is to hold, or the part a bar is for.
        tool: What is looked for.
    """

    size: Annotated[
        Fraction,
        Length(
            "size",
            ("dia", "diameter", "bar", "rod", "pin", "shaft"),
            usual=(0.4, 30.0),
            principal=True,
            low=0.1,
            high=200.0,
            placeholder="4.37 mm",
        ),
    ]
    purpose: Annotated[For, OneOf("purpose", choices=FORS, only=("drill",))] = For.HOLE
    tool: Annotated[Wanted, OneOf("tool", choices=WANTED, rules=True)] = Wanted.DRILL


@dataclass(frozen=True, slots=True, kw_only=True)
class NearTool:
    """A tool near the size: how far off it is, and what that does."""

    name: Annotated[str, Show("Tool")]
    series: Annotated[str, Show("Series")]
    mm: Annotated[Figure, Show("Size")]
    off_mm: Annotated[Figure, Show("Off by")]
    does: Annotated[str, Show("What that does")]


@dataclass(frozen=True, slots=True, kw_only=True)
class NearestAnswer:
    """The nearest owned, then above and below in every series there is.

    ``drill_mm`` is what it measures, and ``mm`` the same under the name every tool has.
    ``wanted_mm`` is the size the drill should have for that purpose. ``cutters`` are end mills
    of nearly that size; ``reamers`` make a different but honest size.
    """

    name: Annotated[str, Show("Take", Rank.BIG)]
    drill_mm: Annotated[Figure, Show("Its size")]
    mm: Annotated[Figure, Show("It measures", Rank.FOLDED)]
    off_mm: Annotated[Figure, Show("Off the size wanted")]
    does: Annotated[str, Show("That is", Rank.SAYS)]
    wanted_mm: Annotated[Figure, Show("The size wanted for it")]
    below: Annotated[tuple[NearTool, ...], Table("Next below, in each series")]
    above: Annotated[tuple[NearTool, ...], Table("Next above")]
    cutters: Annotated[tuple[NearTool, ...], Table("End mills of nearly that size")]
    reamers: Annotated[tuple[NearTool, ...], Table("Reamers that make another honest size")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True)
class NearestShop:
    """The drills, cutters and reamers that can be used, and how many cannot."""

    drills: tuple[ShopTool, ...]
    cutters: tuple[ShopTool, ...]
    reamers: tuple[ShopTool, ...]
    struck_out: tuple[ShopTool, ...]
    others: tuple[ShopTool, ...] = ()
    """Collets and bars."""


@law("Off the size", "{tool_mm} - {wanted_mm}")
def off_mm(tool_mm: Num, wanted_mm: Num) -> Num:
    """How far a tool is from the size wanted; over is positive.

    >>> off_mm(4.4, 4.25)
    0.15000000000000036
    """
    return tool_mm - wanted_mm


@law("To clear it", "{size_mm} × {share}", PRACTICE)
def clear_mm(size_mm: Num, share: Num) -> Num:
    """A hole that something passes through freely.

    >>> clear_mm(4.0, 1.025)
    4.1
    """
    return size_mm * share


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

    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = NearestQuestion(Fraction("4.37"))
    >>> answer = nearest_drill(asked, needs(asked, WORKSHOP))
    >>> answer.name, round(answer.off_mm.value, 3)
    ('11/64"', -0.004)
    """
    if question.tool is not Wanted.DRILL:
        return _other(question, shop)
    if not shop.drills:
        raise Refused(
            "There is no drill in the trays that can be used: add a set in the Workshop.",
            field="size",
            suggest="Workshop, Trays, add a set",
        )
    w = Working()
    size = float(question.size)
    wanted = _wanted(w, question, size)
    near = [_tool(w, question, wanted.value, t) for t in _best(question, shop.drills, wanted.value)]
    best = near[0]
    lower, upper = _around(w, question, shop.drills, wanted.value)
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
        cutters=tuple(_tool(w, question, wanted.value, t) for t in cutters),
        reamers=tuple(_tool(w, question, size, t) for t in reamers),
        cautions=_cautions(question, shop, wanted.value, best),
        links=links,
    )


_GRIPS_MM = 0.1
"""A plain collet grips so much under its size, and nothing over: common practice."""
_OF = {
    Wanted.COLLET: (ToolKind.COLLET,),
    Wanted.REAMER: (ToolKind.REAMER,),
    Wanted.CUTTER: (ToolKind.END_MILL, ToolKind.SLOT_DRILL),
    Wanted.BAR: (ToolKind.BAR,),
}


def _other(question: NearestQuestion, shop: NearestShop) -> NearestAnswer:
    """The same for what is no drill: the one that serves, then its neighbours."""
    w, size = Working(), float(question.size)
    kinds = _OF[question.tool]
    tools = usable((*shop.reamers, *shop.cutters, *shop.others), *kinds)
    if not tools:
        says = f"There is no {kinds[0]} in the trays yet: add those you have in the Workshop."
        raise Refused(says, field="tool", suggest="Workshop, Trays")
    serving = [t for t in tools if _serves(question.tool, t.mm - size)]
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


def _serves(tool: Wanted, off: float) -> bool:
    if tool is Wanted.COLLET:
        return -0.006 <= off <= _GRIPS_MM
    if tool is Wanted.BAR:
        return off >= -0.006
    return abs(off) < 0.006


def _as_near(w: Working, wanted: Wanted, size: float, tool: ShopTool) -> NearTool:
    off = w.of(off_mm, tool_mm=tool.mm, wanted_mm=size)
    if abs(off.value) < 0.0005:
        does = "that very size"
    elif wanted is Wanted.COLLET:
        does = "does not open so far" if off.value < 0 else "does not close so far"
        does = "holds it" if _serves(wanted, off.value) else does
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
    says = {
        Wanted.COLLET: f"No collet here holds {said}: three jaws do, or a split bush in a larger "
        "collet, which runs truer.",
        Wanted.REAMER: f"No reamer here makes {said}: bore it, or take this size and make the "
        "mate to it.",
        Wanted.CUTTER: f"No cutter here is {said}: a smaller one makes it in two passes, half the "
        "difference to each side.",
        Wanted.BAR: f"No bar here is as thick as {said}.",
    }
    return Caution("Mind", f"the {tool}", says[tool], "mm", PRACTICE)


def _wanted(w: Working, question: NearestQuestion, size: float) -> Figure:
    if question.purpose is For.CLEAR:
        return w.of(clear_mm, "wanted_mm", size_mm=size, share=(CLEAR_LOW + CLEAR_HIGH) / 2)
    if question.purpose is For.REAM:
        allowance = ream_allowance(size, by_hand=False).usual_mm
        return w.of(before_ream_mm, "wanted_mm", size_mm=size, allowance_mm=allowance)
    return Figure(size, unit_of("wanted_mm"), places=3)


def _best(
    question: NearestQuestion, drills: tuple[ShopTool, ...], wanted: float
) -> tuple[ShopTool, ...]:
    """The one to take: never one that would not clear, nor one that leaves nothing to ream."""
    size = float(question.size)
    if question.purpose is For.CLEAR:
        fitting = [d for d in drills if d.mm > size]
    elif question.purpose is For.REAM:
        least = ream_allowance(size, by_hand=False).low_mm
        fitting = [d for d in drills if size - d.mm >= least - 1e-9]
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
    w: Working, question: NearestQuestion, drills: tuple[ShopTool, ...], wanted: float
) -> tuple[tuple[NearTool, ...], tuple[NearTool, ...]]:
    lower: list[NearTool] = []
    upper: list[NearTool] = []
    for series in dict.fromkeys(d.series for d in drills):
        own = [d for d in drills if d.series == series]
        for found, put in ((below(own, wanted), lower), (above(own, wanted), upper)):
            if found is not None:
                put.append(_tool(w, question, wanted, found))
    lower.sort(key=lambda t: -t.mm.value)
    upper.sort(key=lambda t: t.mm.value)
    return tuple(lower), tuple(upper)


def _two(tools: tuple[ShopTool, ...], size: float) -> list[ShopTool]:
    found = [t for t in (below(tools, size), above(tools, size)) if t is not None]
    return sorted(found, key=lambda t: abs(t.mm - size))


def _tool(w: Working, question: NearestQuestion, wanted: float, tool: ShopTool) -> NearTool:
    mm = tool.mm
    off = w.of(off_mm, tool_mm=mm, wanted_mm=wanted)
    return NearTool(
        name=tool.name,
        series=tool.series or tool.kind,
        mm=Figure(mm, unit_of("mm"), (), 3),
        off_mm=Figure(off.value, off.unit, off.steps, 3),
        does=_does(question, mm, wanted),
    )


def _does(question: NearestQuestion, mm: float, wanted: float) -> str:
    size = float(question.size)
    if question.purpose is For.CLEAR:
        if mm <= size:
            return "does not clear"
        over = 100 * (mm / size - 1)
        close = "close" if over < 100 * (CLEAR_LOW - 1) else "loose" if over > 5 else "free"
        return f"{close}: {over:.1f} % over"
    if question.purpose is For.REAM:
        leave = ream_allowance(size, by_hand=False)
        left = size - mm
        if left <= 0:
            return "nothing left to ream"
        fit = "too little" if left < leave.low_mm - 1e-9 else "as it should be"
        fit = "too much" if left > leave.high_mm + 1e-9 else fit
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
    title="The nearest drill that is owned",
    door=Door("/holes/nearest", "Holes", "Nearest drill"),
    opening={"size": "4.37 mm"},
    question=NearestQuestion,
    answers=(NearestAnswer,),
    compute=nearest_drill,
    needs=needs,
    sentences={wanted.value: "The {tool} to {size}" for wanted in Wanted}
    | {"drill": "The {tool} to {size}[, {purpose}]"},
    ruled=True,
    calls=(
        "nearest drill",
        "nearest",
        "closest drill",
        "nearest owned",
        "which drill",
        "to clear #",
        "drill to clear #",
        "hole to clear #",
    ),
    headline=lambda a, _: f"{a.name} · {a.does}",
)
