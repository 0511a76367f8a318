"""How each way of finishing a hole wants it left by the last drill, and what comes after."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from runk.core.cutting.operations import Operation
from runk.core.cutting.question import Stage
from runk.core.figures import Figure, Num, Working, law
from runk.core.holes.answer import HoleStep
from runk.core.holes.laws import leaves_mm, past_mm
from runk.core.holes.pick import (
    HAND_SHARE,
    Allowance,
    below,
    exact,
    for_allowance,
    nearest,
    ream_allowance,
)
from runk.core.holes.question import Ends, Finish
from runk.core.holes.steps import BREAK_OUT_MM, Maker
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import PRACTICE
from runk.core.tools import ShopTool, ToolKind

BORE_LEAST_MM, BORE_SHARE = 0.5, 0.08
"""Left for boring on the diameter: enough to cut the drill's wander out. Common practice."""
HONE_MM = 0.03
"""Left for honing on the diameter: 0.02 to 0.05. Common practice."""
LEAST_BORE_MM = 5.0
"""Under this no boring tool goes in: common practice."""
_FAR_OFF = 0.03
SCRAPED_MM = 0.03
"""A turn's feed of a tool with one scraping edge and no way out for its chips: common practice."""
_LEAD_SHARE = 4.0


@law("Usual reaming allowance", "({low_mm} + {high_mm}) ÷ 2", PRACTICE)
def usual_allowance_mm(low_mm: Num, high_mm: Num) -> Num:
    """The middle of what is left for a reamer.

    >>> usual_allowance_mm(0.1, 0.2)
    0.15000000000000002
    """
    return (low_mm + high_mm) / 2


@law("Left for boring", "{size_mm} × {share}, at least {least_mm}", PRACTICE)
def bore_allowance_mm(size_mm: float, share: float, least_mm: float) -> float:
    """What a drill leaves for a boring tool to run the hole true.

    >>> bore_allowance_mm(22.0, 0.08, 0.5)
    1.76
    """
    return max(size_mm * share, least_mm)


@law("Flat of a D-bit", "{size_mm} ÷ 2 + {over_mm}", PRACTICE)
def d_bit_flat_mm(size_mm: float, over_mm: float) -> float:
    """How thick a D-bit is left: a little over half.

    >>> d_bit_flat_mm(6.0, 0.03)
    3.03
    """
    return size_mm / 2 + over_mm


@dataclass(frozen=True, slots=True)
class Finishing:
    """The last drill, what it leaves, and what finishes the hole."""

    last: ShopTool
    then: tuple[HoleStep, ...]
    allowance: Figure | None = None
    left: Figure | None = None
    pass_mm: Figure | None = None
    says: str = ""
    wanted: Allowance | None = None
    tapered: bool = False
    flat: bool = False
    beyond_mm: float = 0.0
    """Whether a hand reamer, with its long lead, is what reams it, by hand or not."""


def finishing(maker: Maker, drills: Sequence[ShopTool], reamers: Sequence[ShopTool]) -> Finishing:
    """The last drill for a finish, and the steps after it.

    Raises:
        Refused: No such reamer, no drill near, a hole too small to bore.
    """
    how: dict[Finish, Callable[[], Finishing]] = {
        Finish.DRILLED: lambda: _drilled(maker, drills),
        Finish.STEPPED: lambda: _stepped(maker, drills),
        Finish.MACHINE_REAMED: lambda: _reamed(maker, drills, reamers, by_hand=False),
        Finish.HAND_REAMED: lambda: _reamed(maker, drills, reamers, by_hand=True),
        Finish.BORED: lambda: _bored(maker, drills, 0.0),
        Finish.HONED: lambda: _bored(maker, drills, HONE_MM),
        Finish.D_BIT: lambda: _made(maker, drills, "d-bit"),
        Finish.BAR: lambda: _made(maker, drills, "bar"),
    }
    return how[maker.question.finish]()


def _leaving(maker: Maker, drills: Sequence[ShopTool], leave: Allowance) -> ShopTool | None:
    """The drill that leaves that much; the hole that is there where it does, or leaves less."""
    size, there = float(maker.question.size), maker.question.there
    if there is not None and size - float(there) <= leave.high_mm + 1e-9:
        return _there(there)
    return _or_there(maker, for_allowance(drills, size, leave))


def _or_there(maker: Maker, last: ShopTool | None) -> ShopTool | None:
    there = maker.question.there
    if there is None or (last is not None and last.mm > float(there)):
        return last
    return _there(there)


def _there(size_mm: Fraction) -> ShopTool:
    """The hole that is there, as the tool that left it."""
    return ShopTool(ToolKind.DRILL, "there already", size_mm)


def _leaves(w: Working, size: float, last: ShopTool) -> Figure:
    value = w(leaves_mm, wanted_mm=size, drill_mm=last.mm)
    return w.figure(value, "left_mm", since=len(w.steps) - 1, places=3)


def _usual(w: Working, leave: Allowance, why: str = "") -> Figure:
    value = w(usual_allowance_mm, low_mm=leave.low_mm, high_mm=leave.high_mm, why=why)
    return w.figure(value, "ream_allowance_mm", since=len(w.steps) - 1, places=3)


def _drilled(maker: Maker, drills: Sequence[ShopTool]) -> Finishing:
    size = float(maker.question.size)
    last = exact(drills, size) or nearest(drills, size)
    assert last is not None
    off = last.mm - size
    if abs(off) > _FAR_OFF * size:
        smallest, largest = drills[0].mm, drills[-1].mm
        if size > largest:
            raise Refused(
                f"The largest drill in the trays is {drills[-1].name}: bore it from there.",
                field="finish",
                suggest="bored",
            )
        if size < smallest:
            raise Refused(
                f"The smallest drill in the trays is {drills[0].name}.",
                field="size",
                suggest=drills[0].name,
            )
        raise Refused(
            f"No drill near {mm_said(size)} can be used: the nearest is {last.name}.",
            field="size",
            suggest=f"{last.name}, or bored",
        )
    says = ""
    if exact((last,), size) is None:
        way = "over" if off > 0 else "under"
        says = f"The nearest there is: {mm_said(abs(off), 2)} {way} what was asked for."
    return Finishing(last, (), says=says)


_STEPS_MM = (0.5, 0.2)
"""How far under the last drill each of the two before it is, at most: common practice."""


def _stepped(maker: Maker, drills: Sequence[ShopTool]) -> Finishing:
    """Drilled, the last drill a new one that takes off next to nothing."""
    made = _drilled(maker, drills)
    kept = "A new drill, or one just ground alike, kept for this: it cuts to its size."
    return replace(made, says=f"{made.says} {kept}".strip())


def in_small_steps(
    drills: Sequence[ShopTool], last: ShopTool, chain: Sequence[ShopTool]
) -> tuple[ShopTool, ...]:
    """The drills before the last, with those that leave it next to nothing.

    Args:
        drills: All that can be used, smallest first.
        last: The drill that makes the size.
        chain: The drills before it as the belt wants them.
    """
    steps = (below(drills, last.mm - under / 2) for under in _STEPS_MM)
    near = [s for s in steps if s is not None and last.mm - s.mm <= 1.0]
    found = {t.mm: t for t in (*chain, *near) if t.mm < last.mm - 1e-9}
    return tuple(found[mm] for mm in sorted(found))


def _no_reamer(size: float, reamers: Sequence[ShopTool], what: str) -> Refused:
    owned = ", ".join(r.name for r in reamers)
    near = nearest(reamers, size)
    others = f" Those that can be used are {owned}." if owned else " There is none in the drawer."
    another = f"{near.name}, " if near else ""
    return Refused(
        f"There is no {mm_said(size)} {what} reamer.{others} A D-bit, the bar that is to "
        f"run in it, "
        "or boring makes the size itself.",
        field="size" if near else "finish",
        suggest=f"{another}finished with a D-bit, or bored",
    )


def _reamed(
    maker: Maker, drills: Sequence[ShopTool], reamers: Sequence[ShopTool], *, by_hand: bool
) -> Finishing:
    question, w = maker.question, maker.w
    size = float(question.size)
    what = "hand" if by_hand else "machine"
    # A hand reamer will do in a machine, turned slowly; a machine one has no lead for the hand.
    fitting = [r for r in reamers if not by_hand or r.series == "hand"]
    own = [r for r in fitting if r.series == what]
    reamer = exact(own, size) or exact(fitting, size)
    if reamer is None:
        raise _no_reamer(size, own or fitting, what)
    tapered = reamer.series == "hand"
    leave = ream_allowance(size, by_hand=tapered)
    usual = _usual(w, leave, "a hand reamer takes about half" if tapered else "")
    last = _leaving(maker, drills, leave)
    if last is None:
        raise Refused(
            f"No drill leaves {mm_said(leave.low_mm, 2)} or more for a {mm_said(size)} reamer.",
            field="size",
        )
    left = _leaves(w, size, last)
    lead = reamer.lead_mm or (size * _LEAD_SHARE if tapered else 1.0)
    pass_mm = w.of(past_mm, "pass_mm", lead_mm=lead, over_mm=BREAK_OUT_MM)
    depth = None
    if question.deep is not None or question.bearings is not None:
        # Blind, it is to size at the depth only once its lead has gone past it; a hand reamer's
        # long one seldom can, and that is said.
        more, why = pass_mm.value, "right through by its lead"
        if question.ends is Ends.BLIND:
            more, why = (0.0, "") if tapered else (lead, "past it by its lead")
        depth = maker.travels(maker.deep_of(whole=True), more, why)
    if by_hand:
        says = "Turn it by hand in the tailstock or against a centre, never backwards, oil on it."
        step = maker.step("ream", f"{reamer.name} hand reamer", question.size, None, depth, says)
    else:
        name = f"{reamer.name} {reamer.series} reamer"
        says = "Slow, two or three times a drill's feed, in and out without stopping or reversing."
        if tapered:
            says = (
                "Only a hand reamer has this size: on the slowest speed there is, or the spindle "
                "turned by hand, never backwards, oil on it."
            )
            step = maker.slow("ream", name, depth, says)
        else:
            step = maker.step("ream", name, question.size, Operation.REAM, depth, says)
    return Finishing(
        last,
        (step,),
        usual,
        left,
        pass_mm,
        wanted=leave,
        tapered=tapered,
        beyond_mm=0.0 if tapered else pass_mm.value,
    )


def _bored(maker: Maker, drills: Sequence[ShopTool], hone: float) -> Finishing:
    question, w = maker.question, maker.w
    size = float(question.size)
    if size < LEAST_BORE_MM:
        raise Refused(
            f"{mm_said(size)} is too small to get a boring tool in: ream it, or make a D-bit.",
            field="finish",
            suggest="finished with a D-bit",
        )
    allowance = w(bore_allowance_mm, size_mm=size, share=BORE_SHARE, least_mm=BORE_LEAST_MM)
    last = _or_there(maker, below(drills, size - allowance))
    if last is None:
        raise Refused("No drill is small enough to start that bore.", field="size")
    left = _leaves(w, size, last)
    to = Fraction(str(round(size - hone, 4)))
    depth = maker.depth(size, pointed=False, whole=True)
    says = (
        "Slow fine feed, then a reverse pass out at the same setting; face the end with the same "
        "tool so that it is square."
    )
    steps = [
        maker.step("bore", f"bore to {mm_said(to)}", to, Operation.BORE, depth, says, Stage.FINISH)
    ]
    if hone:
        steps.append(
            maker.step(
                "hone",
                f"hone out {mm_said(HONE_MM)}",
                question.size,
                None,
                None,
                "Measure at top, middle and bottom; stroke past both ends by a third of "
                "the stones.",
            )
        )
    return Finishing(last, tuple(steps), left=left, flat=True)


def _made(maker: Maker, drills: Sequence[ShopTool], kind: str) -> Finishing:
    """With a tool made for the job: a D-bit, or the very bar that is to run in the hole."""
    question, w = maker.question, maker.w
    size = float(question.size)
    leave = ream_allowance(size, by_hand=False)
    last = _leaving(maker, drills, leave)
    if last is None:
        raise Refused(f"No drill leaves anything for a {mm_said(size)} hole.", field="size")
    allowance = _usual(w, leave)
    left = _leaves(w, size, last)
    if kind == "d-bit":
        flat = w(d_bit_flat_mm, size_mm=size, over_mm=0.03)
        name = f"{mm_said(size)} D-bit"
        says = (
            f"Silver steel, its flat left at {mm_said(flat, 2)} (0.02 to 0.05 over half), "
            f"hardened. It "
            "cuts on its end only: clear it every few millimetres, plenty of oil."
        )
    else:
        name = f"{mm_said(size)} bar, its end ground to a slant"
        says = (
            "The slant passes the middle of the bar. Slow, oil, and clear it often: the bar then "
            "fits the hole it made."
        )
    depth = maker.depth(size, pointed=False, whole=True)
    step = maker.slow(kind, name, depth, says, SCRAPED_MM)
    return Finishing(last, (step,), allowance, left, wanted=leave, flat=kind == "d-bit")


__all__ = ["HAND_SHARE", "Finishing", "finishing"]
