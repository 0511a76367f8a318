"""How much thread a drill leaves: the target, and the owned drills around it."""

from __future__ import annotations

from bisect import bisect_left, bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from functools import cache

from runk.core.figures import Figure, Num, Working, law
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said, number_said
from runk.core.sources import PRACTICE, Held, Source, read_table
from runk.core.threads import laws
from runk.core.threads.series import Thread
from runk.core.tools import ShopTool

LEAST_PERCENT = 45.0
BOOK_PERCENT = 77.0
USUAL_PERCENT = 65.0
LESS_PERCENT = 5.0
DEEP_TIMES, SMALL_MM = 2.0, 2.0
_SHOWN = 3


class School(StrEnum):
    """Two ways of choosing a tapping drill."""

    EASY = "easy"
    BOOK = "book"


@dataclass(frozen=True, slots=True)
class Bracket:
    """Owned drills around an ideal, smallest first: each with its engagement and strength."""

    rows: tuple[tuple[ShopTool, Figure, Figure], ...]


@law("Target engagement", "{metal_percent} - {less_percent}", PRACTICE)
def target_of_percent(metal_percent: Num, less_percent: Num) -> Num:
    """What to aim at: the metal's own, less in deep holes and for small taps.

    >>> target_of_percent(65.0, 5.0)
    60.0
    """
    return metal_percent - less_percent


@law("Strength kept", "{area_mm} ÷ {full_mm} × 100")
def kept_percent(area_mm: Num, full_mm: Num) -> Num:
    """What a thread in a larger hole still holds, of one in the tightest.

    >>> kept_percent(9.0, 10.0)
    90.0
    """
    return 100.0 * area_mm / full_mm


@cache
def _by_metal() -> dict[str, tuple[float, Source]]:
    return {
        metal: (float(row["percent"]), Source(row["authority"], Held(row["held"])))
        for row in read_table("engagement")
        for metal in row["metals"].split()
    }


def target_percent(
    w: Working, thread: Thread, metal: Metal, deep_mm: float | None, school: School
) -> Figure:
    """The engagement to aim at.

    Source: common practice.
    """
    if school is School.BOOK:
        return w.of(
            target_of_percent,
            "target_percent",
            metal_percent=BOOK_PERCENT,
            less_percent=0.0,
            why="book sizes leave 75 to 80 %",
            source=laws.HANDBOOK,
        )
    percent, source = _by_metal().get(metal.kind, (USUAL_PERCENT, PRACTICE))
    deep = deep_mm is not None and deep_mm > DEEP_TIMES * thread.major_mm
    small = thread.major_mm < SMALL_MM
    less = LESS_PERCENT if deep or small else 0.0
    why = " and ".join(
        s for s, on in (("deeper than 2 diameters", deep), ("a small tap", small)) if on
    )
    return w.of(
        target_of_percent,
        "target_percent",
        metal_percent=percent,
        less_percent=less,
        why=why,
        source=source,
    )


def bracket(
    w: Working, thread: Thread, working: float, drills: Sequence[ShopTool], ideal_mm: float
) -> Bracket:
    """The owned drills around an ideal, impossible ones left out.

    Raises:
        Refused: None that can be used leaves a thread.
    """
    form = thread.form
    smallest = laws.tapping_mm(thread.major_mm, working, form.tightest_percent)
    largest = laws.tapping_mm(thread.major_mm, working, LEAST_PERCENT)
    first = bisect_left(drills, smallest - 1e-6, key=lambda d: d.mm)
    last = bisect_right(drills, largest + 1e-6, key=lambda d: d.mm)
    if first >= last:
        raise Refused(
            f"No drill in the trays leaves a thread of {thread.name}: it wants one from "
            f"{number_said(smallest, 2)} to {mm_said(largest, 2)}, {mm_said(ideal_mm, 2)} at best.",
            field="thread",
            suggest=f"a {mm_said(ideal_mm, 1)} drill",
        )
    at = bisect_left(drills, ideal_mm, key=lambda d: d.mm)
    low = max(first, min(at - _SHOWN, last - 1))
    near = drills[low : min(last, max(at, first) + _SHOWN)] or drills[first:last][:_SHOWN]
    full = _ridge(thread, thread.minor_mm)
    return Bracket(tuple((tool, *_of(w, thread, working, tool.mm, full)) for tool in near))


def _ridge(thread: Thread, hole_mm: float) -> float:
    effective = thread.major_mm - thread.form.effective * thread.pitch_mm
    return laws.screw_shear_mm(hole_mm, effective, thread.pitch_mm, thread.form.angle_deg)


def _of(
    w: Working, thread: Thread, working: float, drill_mm: float, full: float
) -> tuple[Figure, Figure]:
    percent = w.of(
        laws.engagement_percent, major_mm=thread.major_mm, drill_mm=drill_mm, working_mm=working
    )
    kept = w.of(kept_percent, "strength_percent", area_mm=_ridge(thread, drill_mm), full_mm=full)
    return percent, Figure(min(kept.value, 100.0), kept.unit, kept.steps)


def chosen_of(around: Bracket, target: float) -> ShopTool:
    """The drill whose engagement is nearest to the target."""
    return min(around.rows, key=lambda row: abs(row[1].value - target))[0]
