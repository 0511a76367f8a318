"""A fit in words: how it goes, in other words, by schools that differ, what to mind, where next."""

from __future__ import annotations

import contextlib
from dataclasses import dataclass

from runk.core.figures import Caution, Figure, Link
from runk.core.fits.classes import (
    ISO,
    between,
    bounds_of,
    duty_limit_mm,
    nearest_class,
    nearest_iso,
)
from runk.core.fits.fit_answer import OtherWay
from runk.core.fits.fit_sides import FINE_UM, Side, turned_round
from runk.core.fits.iso import ToleranceClass, limits_um
from runk.core.fits.question import BY_HAND, MOVES, WORKSHOP, Basis, Duty, FitQuestion, schools
from runk.core.refusals import Refused
from runk.core.said import mm_said, thou_said
from runk.core.sources import PRACTICE
from runk.core.tools import ShopTool
from runk.core.units import unit_of


@dataclass(frozen=True, slots=True)
class FitShop:
    """What there is to make and to measure it with.

    Args:
        inside_mm: What the finest tool that measures such a hole reads to; ``outside_mm`` a shaft.
        reamer: The reamer that makes the hole, where one is owned.
        quarter_mm: What a quarter of a division of the lathe's dial makes of a diameter.
    """

    inside_mm: float | None
    outside_mm: float | None
    reamer: ShopTool | None = None
    quarter_mm: float | None = None


def kind_of(low: float, high: float) -> str:
    """Clearance, transition or interference."""
    if low >= -1e-9:
        return "clearance"
    return "interference" if high <= 1e-9 else "transition"


def says(duty: Duty | None, kind: str, low: float, high: float) -> str:
    """How it goes together: by what the parts do, or by how free or tight they are."""
    if duty is not None:
        return duty.says
    if kind == "clearance":
        return f"Always free, by {_both(low)} to {_both(high)} on diameter."
    if kind == "interference":
        return f"Always tight, by {_both(-high)} to {_both(-low)} on diameter."
    return f"From {_both(-low)} tight to {_both(high)} free: pair them, or make one to the other."


def _both(mm: float) -> str:
    return thou_said(max(mm, 0.0))


def other_words(
    duty: Duty | None,
    pair: tuple[ToleranceClass, ToleranceClass] | None,
    size: float,
    low: float,
    high: float,
) -> tuple[OtherWay, ...]:
    """The same in the words of the standard or of the workshop, and on the bar as it comes."""
    found = []
    told = pair is None
    if pair is None:
        hole, shaft = nearest_iso(size, low, high)
        least, most = between(limits_um(hole, size), limits_um(shaft, size))
        found.append(_way(f"{hole}/{shaft}", least, most, "the nearest fit of the standard"))
        pair = (hole, shaft)
    if not told or duty is None or duty.key not in WORKSHOP:
        near = nearest_class(size, low, high)
        least, most = bounds_of(near, size)
        found.append(_way(near.label, least, most, "the nearest class of the workshop"))
    if (
        pair is not None
        and "h" in (pair[0].letter, pair[1].letter)
        and pair[0].letter != pair[1].letter
    ):
        with contextlib.suppress(Refused):
            before = between(*(limits_um(one, size) for one in pair))
            hole, shaft = turned_round(pair)
            least, most = between(limits_um(hole, size), limits_um(shaft, size))
            on = "the shaft, a bar as it comes" if shaft.letter == "h" else "the hole, as reamed"
            # By the standard they are one fit for some letters and grades only.
            how = "the same" if alike(before, (least, most)) else "near it, not the same"
            found.append(_way(f"{hole}/{shaft}", least, most, f"{how}, fixed by {on}"))
    return tuple(found)


def alike(one: tuple[float, float], other: tuple[float, float]) -> bool:
    """Whether two fits leave the same clearance, to half a micrometre."""
    return all(abs(a - b) < 0.0005 for a, b in zip(one, other, strict=True))


def made_to_each_other(duty: Duty | None, low: float, high: float, hole: Side, shaft: Side) -> str:
    """How a duty finer than anything measures is said: one clearance; empty where limits do."""
    widths = (side[1].value - side[0].value for side in (hole, shaft))
    if duty is None or max(widths) * 1000 >= FINE_UM:
        return ""

    def end(mm: float) -> str:
        if abs(mm) < 0.0005:
            return "size to size"
        return f"{mm_said(abs(mm), 4)} {'free' if mm > 0 else 'tight'}"

    return f"{end(high)} to {end(low)}, made to its mate"


def _way(name: str, low: float, high: float, says: str) -> OtherWay:
    return OtherWay(
        name=name,
        clearance_low_mm=Figure(low, unit_of("clearance_low_mm"), (), 3),
        clearance_high_mm=Figure(high, unit_of("clearance_high_mm"), (), 3),
        says=says,
    )


def schools_of(duty: Duty | None, size: float) -> tuple[OtherWay, ...]:
    """How those who differ make it, and what that costs."""
    if duty is None:
        return ()
    found = []
    for one in schools().get(duty.key, ()):
        low, high = (duty_limit_mm(per, size, besides) for per, besides in (one.low, one.high))
        found.append(_way(one.label, low, high, one.costs))
    return tuple(found)


def first(question: FitQuestion, shop: FitShop) -> str:
    """Which is made first, and what fixes its size."""
    if question.basis is Basis.SHAFT:
        if question.made is not None:
            return "The bar as it measures; the hole to it."
        return "The bar as it comes is the shaft: measure it, say what it measures, bore to that."
    if question.made is not None:
        return "The hole as it measures; the shaft to it."
    if shop.reamer is not None:
        return (
            f"The hole: your {shop.reamer.name} reamer fixes it. Say what it leaves, and the shaft "
            "is made to that."
        )
    return "The hole, bored: a shaft is brought to its hole more easily than a hole to its shaft."


def cautions(
    question: FitQuestion, kind: str, shop: FitShop, hole: Side, shaft: Side
) -> tuple[Caution, ...]:
    """What can be made and measured here, and what bites in going together."""
    found = []
    fine = []
    for side, limits, reads in (("hole", hole, shop.inside_mm), ("shaft", shaft, shop.outside_mm)):
        width = limits[1].value - limits[0].value
        # A gauge has to tell one limit from the other; a dial has only to stop between them.
        if width > 0 and reads is not None and reads > width / 2 + 1e-9:
            fine.append((side, width, reads, "the finest that measures it reads"))
        elif width > 0 and shop.quarter_mm is not None and shop.quarter_mm > width + 1e-9:
            fine.append((side, width, shop.quarter_mm, "a quarter division of the dial is"))
    if fine:
        side, width, finest, what = max(fine, key=lambda one: one[2] / one[1])
        text = (
            f"Limits of the {side} are {mm_said(width, 3)} apart and {what} {mm_said(finest, 3)}: "
            "make the first, say what it measures, and bring the other to it."
        )
        about = "both sides" if len(fine) > 1 else f"the {side}"
        found.append(Caution("Mind", about, text, f"{side}_low_mm", PRACTICE))
    if question.basis is Basis.SHAFT and question.hole is not None and question.shaft is not None:
        found += _turned(question)
    if kind == "interference" and question.duty not in BY_HAND:
        text = (
            "Once together it does not come apart unharmed: both measured twice, corners eased, "
            "a lead on the shaft. Heat and a press have their own dangers: guard eyes and hands."
        )
        found.append(Caution("Mind", "going together", text, None, PRACTICE))
    return tuple(found)


def _turned(question: FitQuestion) -> list[Caution]:
    """That a fit of the standard turned round onto the bar is not quite the one that was asked."""
    assert question.hole is not None
    assert question.shaft is not None
    asked = (question.hole, question.shaft)
    if asked[0].letter != "h" or asked[1].letter == "h":
        return []
    size = float(question.size)
    turned = turned_round(asked)
    one, other = (
        between(limits_um(pair[0], size), limits_um(pair[1], size)) for pair in (asked, turned)
    )
    if alike(one, other):
        return []
    text = (
        f"On the bar it is {turned[0]}/{turned[1]}: {_ends(other)}, where "
        f"{asked[0]}/{asked[1]} is {_ends(one)}."
    )
    return [Caution("Mind", "turned round", text, "hole_low_mm", ISO)]


def _ends(clearance: tuple[float, float]) -> str:
    def end(mm: float) -> str:
        return f"{mm_said(abs(mm), 3)} {'free' if mm >= 0 else 'tight'}"

    return f"{end(clearance[0])} to {end(clearance[1])}"


def shaft_gap(hole: Side, shaft: Side) -> float:
    """The widest the two may be apart."""
    return hole[1].value - shaft[0].value


def links(question: FitQuestion, kind: str, hole: Side, shaft: Side) -> tuple[Link, ...]:
    """On to the cut, to its mate, to what heat or a press does."""

    def plan(job: str, limits: Side, metal: str | None, reason: str) -> Link:
        low, high = (f"{limit.value:.4f} mm" for limit in limits)
        sizes = (
            ("job", job),
            ("wanted", f"{(limits[0].value + limits[1].value) / 2:.4f} mm"),
            ("smallest", low),
            ("largest", high),
        )
        return Link("plan", (*sizes, *((("metal", metal),) if metal else ())), reason)

    found = []
    # The width of a groove is no diameter: neither turned nor bored.
    round_ = question.duty != "groove"
    if round_ and (question.made is None or question.basis is Basis.HOLE):
        found.append(plan("outside", shaft, question.shaft_metal, "Turn the shaft to these limits"))
    if round_ and (question.made is None or question.basis is Basis.SHAFT):
        found.append(plan("bore", hole, question.hole_metal, "Bore the hole to these limits"))
    size = f"{float(question.size):.4f} mm"
    metals = tuple(
        (name, key)
        for name, key in (
            ("hole_metal", question.hole_metal),
            ("shaft_metal", question.shaft_metal),
        )
        if key
    )
    parts = ("boss_metal", question.hole_metal), ("shaft_metal", question.shaft_metal)
    if kind == "interference" and question.duty not in BY_HAND:
        tight = (
            ("size", size),
            ("tight", f"{shaft[1].value - hole[0].value:.4f} mm"),
            ("least", f"{max(shaft[0].value - hole[1].value, 0.0):.4f} mm"),
            *((name, key) for name, key in parts if key),
        )
        found.append(Link("press", tight, "What it takes to press, and what it holds"))
        found.append(Link("shrink", tight, "How hot it goes together by itself"))
    elif kind == "clearance":
        middle = (hole[0].value + hole[1].value - shaft[0].value - shaft[1].value) / 2
        does = (("duty", question.duty),) if question.duty else ()
        hot_size = f"{float(hole[0].value):.4f} mm" if question.made is not None else size
        warm = (("job", "fit"), ("size", hot_size), ("clear", f"{middle:.4f} mm"), *does, *metals)
        found.append(Link("warm", warm, "What stays of it hot"))
    if question.duty == "web":
        found.append(
            Link(
                "bond",
                (
                    ("size", size),
                    ("gap", f"{shaft_gap(hole, shaft):.4f} mm"),
                    *((name, key) for name, key in parts if key),
                ),
                "What compound holds in that gap",
            )
        )
    if question.duty in MOVES and question.hole_metal and question.shaft_metal:
        pair = (("metal", question.shaft_metal), ("other", question.hole_metal))
        found.append(Link("pair", pair, "May these two metals run together"))
    return tuple(found)
