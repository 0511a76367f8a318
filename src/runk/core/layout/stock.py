"""``stock``: squares and hexagons out of round, the bar for a section, parts out of the shelf."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import cos, pi, sqrt

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Holds, Link, Num, Working, fine, law, told
from runk.core.layout.cutting_stock import Cut, plan_cuts
from runk.core.layout.stock_question import (
    BarAnswer,
    BarCut,
    SectionAnswer,
    ShelfAnswer,
    StockAnswer,
    StockQuestion,
)
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shafts.flats import depth_limit_mm, sharp_limit_mm
from runk.core.sources import PRACTICE
from runk.core.tools import ShopTool
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_MOST_PARTS = 200
_COUNTS = {"square": 4, "hexagon": 6}


@law(
    "The other side",
    "√({bar_mm}² - {side_mm}²)",
    holds=Holds(
        "the side is shorter than the bar is wide", lambda bar_mm, side_mm: side_mm < bar_mm
    ),
)
def other_side_mm(bar_mm: float, side_mm: float) -> float:
    """Of a rectangle in a circle: its diagonal is the bar.

    >>> other_side_mm(13.0, 12.0)
    5.0
    """
    return sqrt(bar_mm**2 - side_mm**2)


@law("Bar", "√({side_mm}² + {other_mm}²)")
def diagonal_mm(side_mm: float, other_mm: float) -> float:
    """The round a rectangle is cut from.

    >>> diagonal_mm(12.0, 5.0)
    13.0
    """
    return sqrt(side_mm**2 + other_mm**2)


@law("Bar", "{across_mm} ÷ cos(180° ÷ {count})")
def corners_mm(across_mm: float, count: float) -> float:
    """Over the corners: a hexagon 1.1547 times, a square 1.4142 times its flats.

    >>> round(corners_mm(10.0, 6), 3)
    11.547
    """
    return across_mm / cos(pi / count)


@dataclass(frozen=True, slots=True)
class Shelf:
    """Bars there are."""

    bars: tuple[ShopTool, ...]


def needs(_: StockQuestion, workshop: Workshop) -> Shelf:
    """The shelf."""
    return Shelf(workshop.bars)


def settle(question: StockQuestion, _: Workshop, __: Mapping[str, Reading]) -> StockQuestion:
    """A side that the bar holds; so many parts and no more.

    Raises:
        Refused: The bar is too thin, or there are too many parts.
    """
    if question.way == "rectangle" and (question.side or 0) >= (question.bar or 0):
        raise Refused(
            f"{mm_said(question.side or 0)} does not come out of a "
            f"{mm_said(question.bar or 0)} bar.",
            field="side",
            suggest=f"{float(question.bar or 0) * 0.8:.3f} mm",
        )
    if question.way == "bar" and question.shape == "rectangle" and question.other is None:
        raise Refused("How thick is the rectangle?", field="other", suggest="5 mm")
    many = sum(part.count for part in question.parts)
    if many > _MOST_PARTS:
        raise Refused(f"{many} parts are too many at once: {_MOST_PARTS} at most.", field="parts")
    return question


def compute(question: StockQuestion, shelf: Shelf) -> StockAnswer:
    """What comes out of what.

    >>> from fractions import Fraction
    >>> compute(StockQuestion(bar=Fraction(20)), Shelf(())).largest_mm.shown()
    '14.142'
    """
    if question.way == "cut":
        return _cut(question, shelf)
    if question.way == "bar":
        return _bar(question, shelf)
    return _section(question)


def _section(question: StockQuestion) -> SectionAnswer:
    w, bar = Working(), float(question.bar or 0)
    other = other_off = None
    if question.way == "rectangle":
        largest = told(float(question.side or 0), "largest_mm")
        across = w.of(other_side_mm, "other_mm", bar_mm=bar, side_mm=largest.value)
        if question.other is not None:
            if float(question.other) > across.value + 1e-9:
                raise Refused(
                    f"Its corners would stand outside the bar: {mm_said(across.value, 3)} at most.",
                    field="other",
                )
            across = told(float(question.other), "other_mm")
        other = fine(across)
        other_off = fine(w.of(depth_limit_mm, "other_off_mm", bar_mm=bar, across_mm=across.value))
        count = 4
    else:
        count = _COUNTS[question.way]
        largest = w.of(sharp_limit_mm, "largest_mm", bar_mm=bar, count=float(count))
    off = w.of(depth_limit_mm, "off_mm", bar_mm=bar, across_mm=largest.value)
    return SectionAnswer(
        largest_mm=fine(largest),
        other_mm=other,
        off_mm=fine(off),
        other_off_mm=other_off,
        says="Touch the top of the round for each side, then down by what comes off. Corners come "
        "sharp at just that size: a shade smaller leaves no round on them.",
        bar_mm=told(bar, "bar_mm"),
        flats=count,
        cautions=(),
        links=_flats(question, largest),
    )


def _flats(question: StockQuestion, largest: Figure) -> tuple[Link, ...]:
    if question.way == "rectangle":
        return ()
    asked = (
        ("bar", f"{float(question.bar or 0):.4f} mm"),
        ("shape", str(_COUNTS[question.way])),
        ("across", f"{largest.value:.4f} mm"),
    )
    return (Link("flats", asked, "The flats one by one"),)


def _bar(question: StockQuestion, shelf: Shelf) -> BarAnswer:
    w, side = Working(), float(question.side or 0)
    if question.shape == "rectangle":
        found = w.of(diagonal_mm, "largest_mm", side_mm=side, other_mm=float(question.other or 0))
    else:
        count = float(_COUNTS[question.shape or "square"])
        found = w.of(corners_mm, "largest_mm", across_mm=side, count=count)
    thick = [b for b in shelf.bars if b.mm >= found.value - 1e-9]
    return BarAnswer(
        largest_mm=fine(found),
        nearest=thick[0].name if thick else "none so thick",
        says="From that on its corners come sharp; the next thicker one on the shelf is named"
        + (", and what comes off is off that." if thick else "."),
        off_mm=fine(
            w.of(
                depth_limit_mm,
                "off_mm",
                bar_mm=thick[0].mm if thick else found.value,
                across_mm=side,
            )
        ),
        cautions=(),
        links=(),
    )


@law("Bar for them all", "{pieces_mm} + {cuts} × {kerf_mm} + {grip_mm}")
def whole_mm(pieces_mm: Num, cuts: Num, kerf_mm: Num, grip_mm: Num) -> Num:
    """Every piece with what is faced off it, a cut behind each, and what is held.

    >>> whole_mm(42.0, 3.0, 1.5, 18.0)
    64.5
    """
    return pieces_mm + cuts * kerf_mm + grip_mm


def _cut(question: StockQuestion, shelf: Shelf) -> ShelfAnswer:
    w = Working()
    facing, kerf = float(question.facing), float(question.kerf)
    centres = float(question.centres or 0)
    more = facing + 2 * centres
    names, sizes = [], []
    for part in question.parts:
        for n in range(part.count):
            names.append(part.name if part.count == 1 else f"{part.name} {n + 1}:")
            sizes.append(float(part.size) + more)
    grip = float(question.grip or 0)
    whole = w.of(whole_mm, pieces_mm=sum(sizes), kerf_mm=kerf, cuts=float(len(sizes)), grip_mm=grip)
    bars = _bars(question, shelf, whole.value)
    cuts = plan_cuts(sizes, [length for _, length in bars], kerf, grip)
    if cuts is None:
        longest = max(sizes)
        raise Refused(
            f"The bars do not suffice: {mm_said(sum(sizes) + kerf * len(sizes), 0)} is wanted with "
            f"its cuts, the longest part {mm_said(longest)}, and there is "
            f"{mm_said(sum(length for _, length in bars), 0)}.",
            field="bars",
            suggest="330 mm; 450 mm",
        )
    begun = sum(bars[cut.bar][1] for cut in cuts)
    left = sum(cut.left for cut in cuts)
    return ShelfAnswer(
        needed_mm=replace(whole, places=1) if bars[0][0] == ONE_BAR else None,
        bars_used=f"{len(cuts)} of {len(bars)}",
        left_mm=told(left, "left_mm", 1),
        whole_mm=replace(whole, places=1),
        says=f"Each cut takes {mm_said(kerf)}, each part has {mm_said(facing)} for facing"
        f"{_ends(centres)}. The bars begun are together as short as can be; then the longest "
        "piece is left whole.",
        cuts=tuple(_said(cut, bars, names, sizes, more) for cut in cuts),
        wanted_mm=told(sum(sizes), "wanted_mm", 1),
        lost_mm=told(begun - left - sum(sizes), "lost_mm", 1),
        cautions=tuple(_not_here(question, shelf, bars)),
        links=(),
    )


ONE_BAR = "one bar for all"


def _ends(centres: float) -> str:
    return f", and {mm_said(centres)} at both ends for centres" if centres else ""


def _bars(question: StockQuestion, shelf: Shelf, whole: float) -> list[tuple[str, float]]:
    """Bars that may be cut, each with its length: as told, or of the shelf.

    Where neither says which, it is asked what one bar for all of them has to be.
    """
    if question.bars:
        return [
            (f"bar {bar.name}" if bar.name.isdigit() else bar.name, float(bar.size))
            for bar in question.bars
            for _ in range(bar.count)
        ]
    named = question.metal.lower().strip()
    here = [bar for bar in shelf.bars if bar.reach_mm is not None]
    if not here:
        raise Refused(
            "The shelf is empty: type the lengths of the bars.",
            field="bars",
            suggest="330 mm; 450 mm",
        )
    found = [bar for bar in here if _is_called(named, f"{bar.name} {bar.detail}")]
    known = ", ".join(bar.name for bar in (found or here))
    if not found and any(character.isdigit() for character in named):
        return [(ONE_BAR, whole)]
    if not found:
        raise Refused(
            f"No bar of the shelf is called `{question.metal[:40]}`. There are: {known}.",
            field="metal",
            suggest=here[0].name,
        )
    several = len({(bar.detail, bar.mm) for bar in found}) > 1
    if several and not named:
        return [(ONE_BAR, whole)]
    if several:
        # Bars of two metals, or of two thicknesses, are not one stock.
        raise Refused(f"Which bars? There are: {known}.", field="metal", suggest=found[0].name)
    return [(bar.name, bar.reach_mm or 0.0) for bar in found]


def _is_called(named: str, bar: str) -> bool:
    """Whether a bar is what somebody calls it: all its words, in any order."""
    has = bar.lower().replace('"', "").split()
    return set(named.replace('"', "").split()) <= set(has)


def _not_here(
    question: StockQuestion, shelf: Shelf, bars: list[tuple[str, float]]
) -> list[Caution]:
    """That a bar somebody names is none of the shelf's."""
    if not question.metal or bars[0][0] != ONE_BAR:
        return []
    known = ", ".join(bar.name for bar in shelf.bars if bar.reach_mm is not None)
    says = f"No bar of the shelf is called `{question.metal[:40]}`. There are: {known}."
    return [Caution("Mind", "the shelf", says, "whole_mm", PRACTICE)]


def _said(
    cut: Cut, bars: list[tuple[str, float]], names: list[str], sizes: list[float], more: float
) -> BarCut:
    called = [
        mm_said(sizes[n] - more)
        if re.fullmatch(r"\d+(?: \d+:)?", names[n])
        else f"{names[n]} {mm_said(sizes[n] - more)}"
        for n in cut.parts
    ]
    name, length = bars[cut.bar]
    return BarCut(
        bar=f"{name}, {mm_said(length)}",
        parts=", ".join(called),
        left_mm=told(cut.left, "left_mm", 1),
    )


def headline(answer: StockAnswer, page: PageUnit) -> str:
    """What comes out."""
    if isinstance(answer, SectionAnswer):
        by = f" by {answer.other_mm.words(page)}" if answer.other_mm else ""
        return f"{answer.largest_mm.words(page)}{by} · {answer.off_mm.words(page)} off each side"
    if isinstance(answer, BarAnswer):
        return f"{answer.largest_mm.words(page)} · {answer.nearest}"
    if answer.needed_mm is not None:
        return f"{answer.whole_mm.words(page)} of bar"
    return f"{answer.bars_used} bars · {answer.left_mm.words(page)} left"


_CUT = (
    "[, bars {bars}][, of {metal}][, kerf {kerf}][, facing {facing}][, centres {centres}]"
    "[, grip {grip}]"
)
STOCK: Calculator[StockQuestion, Shelf, StockAnswer] = Calculator(
    name="stock",
    title="Stock: out of round, off the shelf",
    door=Door("/setting-out/stock", "Setting out", "Stock", family="Stock and slits"),
    opening={"bar": "20 mm"},
    question=StockQuestion,
    answers=(SectionAnswer, BarAnswer, ShelfAnswer),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "square": "{way}: bar {bar}",
        "hexagon": "{way}: bar {bar}",
        "rectangle": "{way}: bar {bar}, one side {side}[, by {other}]",
        "bar": "{way}: {shape}, {side} across[, by {other}]",
        "cut": f"{{way}}: {{parts}}{_CUT}",
    },
    lines=(
        "{way=bar}<what |which |round |>bar for {shape}< of|,|> {side}< across|>[ by {other}]",
        "{way=bar}<what |which |round |>bar for <a |an |>{side} {shape}",
        "{way=bar}<a |>{shape} {side} <af|across flats|across> <from|out of> <round|round bar>",
        f"{{way=cut}}<cut up|cut parts|cut list|cutting list|cut from stock> {{parts}}{_CUT}",
        "{way=cut}<cut up|cut> {parts} <from|out of> <bars|a bar|bar> <of |>{bars}[, kerf {kerf}]"
        "[, facing {facing}][, grip {grip}]",
    ),
    ruled=True,
    headline=headline,
)
