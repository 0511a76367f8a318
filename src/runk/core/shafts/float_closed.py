"""What closes an end float: shims to hand, or metal to come off."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from itertools import combinations_with_replacement

from runk.core.figures import Caution, Figure, Working, stop, told
from runk.core.said import mm_said, number_said, thou_said
from runk.core.shafts.chain import shim_limit_mm
from runk.core.shafts.endfloat_question import EndFloatQuestion
from runk.core.sources import MECHANICS, PRACTICE

_PIECES = 4
_NOTHING_MM = 0.0025
"""Less than this is neither shimmed nor faced off: nobody measures it."""
_NEAR_MM = 0.05
"""A pile of shims farther than this from what is wanted does not close it: common practice."""


@dataclass(frozen=True, slots=True)
class Closed:
    """What closes a float.

    Args:
        says: What to do, in words.
        exact: What would close it exactly; nothing where nothing is put in.
        put: What is put in: that, or what is to hand and comes nearest.
        cautions: What to mind.
    """

    says: str
    exact: Figure | None = None
    put: Figure | None = None
    cautions: tuple[Caution, ...] = ()


def closed(w: Working, question: EndFloatQuestion, low: float, high: float) -> Closed:
    """What closes a float that lies between two sizes, as it is wanted.

    Args:
        low: Float at the least; ``high`` at the most, millimetres.
    """
    least, most = float(question.least), float(question.most)
    wanted = f"{number_said(least, 3)} to {mm_said(most, 3)} wanted"
    if low >= least - 1e-9 and high <= most + 1e-9:
        return Closed(f"It is right as it stands: {wanted}.")
    middle, aim = (low + high) / 2, (least + most) / 2
    since = len(w.steps)
    shim = w.of(shim_limit_mm, "shim_mm", since=since, left_mm=middle, wanted_mm=aim)
    shim = replace(shim, places=3)
    apart = high - low > most - least + 1e-9
    if low < 0 and apart and high > 0:
        # Facing the half of it off would only move what binds and what is loose.
        says = (
            f"It may bind by {mm_said(-low, 3)}, and be loose by {mm_said(high, 3)}: no one shim, "
            f"and nothing faced off, does for all. Measure what is there and type that; {wanted}."
        )
        return Closed(says, cautions=_binds(low, None))
    if abs(shim.value) < _NOTHING_MM:
        says = f"Halfway between its limits it is right, and nothing goes in; {wanted}."
        return Closed(says, cautions=_spread(low, high, apart))
    if shim.value < 0:
        return Closed(_tight(low, high, -shim.value, wanted), cautions=_binds(low, -shim.value))
    room = (low, high) if apart else (low - least, high - most)
    found = _sorted_out(question.shims, shim.value, room, apart)
    says = f"Washers or shims of {mm_said(shim.value, 3)} leave {mm_said(aim, 3)}; {wanted}."
    put = shim
    if found:
        made = sum(found)
        put = told(made, "shim_mm")
        says = (
            f"Of those to hand: {' + '.join(mm_said(t) for t in found)}, which leaves "
            f"{_between(low - made, high - made)}; {wanted}."
        )
    cautions = list(_spread(low, high, apart))
    if question.shims and not found:
        words = "None of those to hand come within what is wanted: face a washer to it."
        cautions.append(Caution("Mind", "the shims", words, "shim_mm", PRACTICE))
    return Closed(says, shim, put, tuple(cautions))


def _spread(low: float, high: float, apart: bool) -> tuple[Caution, ...]:
    if not apart:
        return ()
    words = (
        f"Made anywhere inside its limits it comes {mm_said(high - low, 3)} apart, more than "
        "may stay: no one shim does for all. Measure what is there and type that."
    )
    return (Caution("Mind", "the spread", words, "shim_mm", MECHANICS),)


def _between(low: float, high: float) -> str:
    one = mm_said(high, 3)
    return one if high - low < 5e-4 else f"{number_said(low, 3)} to {one}"


def _sorted_out(
    shims: tuple[Fraction, ...], wanted: float, room: tuple[float, float], apart: bool
) -> tuple[float, ...]:
    """The fewest of them that come nearest and leave what is wanted; none where none do.

    Where more lies between the limits than may stay, that is a pile that is near and nips nothing.
    """
    sizes = sorted({float(s) for s in shims})
    every = (
        pile
        for count in range(1, _PIECES + 1)
        for pile in combinations_with_replacement(sizes, count)
    )

    def leaves(pile: tuple[float, ...]) -> bool:
        put = sum(pile)
        if apart:
            return put <= room[0] + 1e-9 and abs(put - wanted) <= _NEAR_MM
        return room[1] - 1e-9 <= put <= room[0] + 1e-9

    able = (pile for pile in every if leaves(pile))
    return min(able, key=lambda p: (round(abs(sum(p) - wanted), 4), len(p)), default=())


def _tight(low: float, high: float, off: float, wanted: str) -> str:
    stands = "It does not go in" if high < 0 else "It may bind" if low < 0 else "It is tight"
    return (
        f"{stands}: face {thou_said(off)} off one of them, or off a shoulder, and measure again; "
        f"{wanted}."
    )


def _binds(low: float, off: float | None) -> tuple[Caution, ...]:
    """A shaft that is nipped at worst; ``off`` is what comes off, where halfway is too tight."""
    if low >= 0:
        return ()
    says = f"At worst they are {thou_said(-low)} longer than the room: the shaft is nipped."
    act = "measure before it is fixed" if off is None else f"face {mm_said(off, 3)} off"
    return (stop("the room", act, says, "float_low_mm", MECHANICS),)
