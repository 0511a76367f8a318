"""Two parts at work, or one read warm: what ``warm`` computes."""

from __future__ import annotations

from dataclasses import dataclass, replace

from runk.core.figures import Caution, Figure, Link, Working, stop
from runk.core.fits import heat
from runk.core.fits.classes import between_limit_mm, bounds_of
from runk.core.fits.question import MOVES, duties
from runk.core.fits.warm_answer import WarmAnswer, WarmFit, WarmReading
from runk.core.fits.warm_question import WarmJob, WarmQuestion
from runk.core.metals.metal import Metal
from runk.core.plan.laws import cold_mm
from runk.core.refusals import Refused
from runk.core.said import thou_said
from runk.core.sources import PRACTICE
from runk.core.units import unit_of

_NOTHING_MM = 0.0005
"""Heat that changes a clearance by less than this changes next to nothing."""
_SEIZES_MM = 0.003
"""Clearance under which two hot parts may pick up: common practice."""


@dataclass(frozen=True, slots=True)
class WarmShop:
    """The metals."""

    hole: Metal
    shaft: Metal
    one: Metal


def compute(question: WarmQuestion, shop: WarmShop) -> WarmAnswer:
    """Two parts at work, or one part read warm.

    Raises:
        Refused: A temperature its metal melts at.

    >>> from fractions import Fraction
    >>> from runk.core.fits.warm import needs
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = WarmQuestion(
    ...     shaft_metal="aluminium-6082", hole_hot=100, shaft_hot=150, clear=Fraction("0.08"))
    >>> round(compute(asked, needs(asked, WORKSHOP)).clearance_hot_mm.value, 3)
    0.032
    """
    if question.job is WarmJob.READING:
        return _reading(question, shop.one)
    assert question.shaft_hot is not None
    heat.below_melting(shop.hole, question.hole_hot, "hole_hot")
    heat.below_melting(shop.shaft, question.shaft_hot, "shaft_hot")
    heat.growth_known(question.hole_hot, "hole_hot")
    heat.growth_known(question.shaft_hot, "shaft_hot")
    w, size = Working(), float(question.size)
    hole_hot = _hot(w, "hole_hot_mm", size, shop.hole, question.hole_hot)
    if question.wanted is not None:
        shaft = w.of(
            heat.shaft_for_limit_mm,
            "shaft_cold_mm",
            since=0,
            hole_mm=hole_hot.value,
            wanted_mm=float(question.wanted),
            expansion_um_per_m_k=shop.shaft["expansion_um_per_m_k"],
            hot_c=question.shaft_hot,
            source=shop.shaft.source("expansion_um_per_m_k"),
        )
    else:
        free = _free_cold(question, size)
        shaft = w.of(heat.shaft_free_limit_mm, "shaft_cold_mm", hole_mm=size, free_mm=free)
    if shaft.value <= 0:
        raise Refused("Nothing is left of the shaft.", field="clear")
    shaft = replace(shaft, places=3)
    shaft_hot = _hot(w, "shaft_hot_mm", shaft.value, shop.shaft, question.shaft_hot)
    cold = w.of(between_limit_mm, "clearance_cold_mm", hole_mm=size, shaft_mm=shaft.value)
    since = len(w.steps)
    hot = w.of(
        between_limit_mm, "clearance_hot_mm", hole_mm=hole_hot.value, shaft_mm=shaft_hot.value
    )
    hot = replace(hot, places=3, steps=(*hole_hot.steps, *shaft_hot.steps, *w.steps[since:]))
    return WarmFit(
        clearance_hot_mm=hot,
        clearance_cold_mm=replace(cold, places=3),
        says=_says(cold.value, hot.value),
        hole_cold_mm=Figure(size, unit_of("hole_cold_mm"), (), 3),
        shaft_cold_mm=shaft,
        hole_hot_mm=hole_hot,
        shaft_hot_mm=shaft_hot,
        hole_c=Figure(question.hole_hot, unit_of("hole_c")),
        shaft_c=Figure(question.shaft_hot, unit_of("shaft_c")),
        cautions=_cautions(question, shop, size, cold.value, hot.value),
        links=_links(question, size, shaft.value, (cold.value, hot.value)),
    )


def _free_cold(question: WarmQuestion, size: float) -> float:
    """Clearance cold: as said, or the middle of what the duty asks; a running fit with none."""
    if question.clear is not None:
        return float(question.clear)
    low, high = bounds_of(duties()[question.duty or "running"], size)
    return (low + high) / 2


def _hot(w: Working, key: str, size: float, metal: Metal, hot_c: float) -> Figure:
    figure = w.of(
        heat.hot_limit_mm,
        key,
        size_mm=size,
        expansion_um_per_m_k=metal["expansion_um_per_m_k"],
        hot_c=hot_c,
        source=metal.source("expansion_um_per_m_k"),
        why=metal.name,
    )
    return replace(figure, places=3)


def _says(cold: float, hot: float) -> str:
    change = hot - cold
    if abs(change) < _NOTHING_MM:
        return "Heat changes next to nothing here: both grow alike."
    how = "gains" if change > 0 else "takes"
    ends = _as_said(hot)
    return f"Heat {how} {thou_said(abs(change))}: from {_as_said(cold)} cold to {ends} hot."


def _as_said(clearance: float) -> str:
    return f"{thou_said(abs(clearance))} {'free' if clearance >= 0 else 'tight'}"


def seizes(question: WarmQuestion, size: float, cold: float, hot: float) -> bool:
    """Whether heat takes a clearance that leaves too little to run by.

    A fit that is meant to be finer than that and stays as it was does not seize by its heat.
    """
    if hot < 0 or (cold <= 0 and hot <= 0):
        return True
    return cold - hot > _NOTHING_MM and hot < _kept_mm(question, size)


def safe_mm(question: WarmQuestion, size: float, cold: float, hot: float) -> float:
    """What it has to be free by cold, so that a little stays hot."""
    return cold - hot + max(_kept_mm(question, size), bounds_of(duties()["ringless"], size)[0])


def _kept_mm(question: WarmQuestion, size: float) -> float:
    if question.duty is None:
        return _SEIZES_MM
    return min(_SEIZES_MM, max(bounds_of(duties()[question.duty], size)[0], 0.0))


def _cautions(
    question: WarmQuestion, shop: WarmShop, size: float, cold: float, hot: float
) -> tuple[Caution, ...]:
    assert question.shaft_hot is not None
    found = []
    moves = question.duty in MOVES or (question.duty is None and cold >= 0)
    if seizes(question, size, cold, hot) and moves:
        how = "it runs" if cold > 0 else f"it is {_as_said(cold)}"
        says = f"Cold {how}, and hot it is {_as_said(hot)}: it seizes as it warms."
        instead = f"make it {thou_said(safe_mm(question, size, cold, hot))} free cold"
        found.append(stop("seizing", instead, says, "clearance_hot_mm", PRACTICE))
    elif cold < 0 and hot < 0 and question.duty is None:
        says = f"Hot it is {_as_said(hot)}: parts that move seize there, and a joint holds by that."
        found.append(Caution("Mind", "tight hot", says, "clearance_hot_mm", PRACTICE))
    if cold <= 0 < hot:
        says = "Tight cold, it comes loose as it warms: it must not be held by its tightness."
        found.append(Caution("Mind", "coming loose", says, "clearance_hot_mm", PRACTICE))
    for metal, hot_c, what in (
        (shop.hole, question.hole_hot, "hole_hot_mm"),
        (shop.shaft, question.shaft_hot, "shaft_hot_mm"),
    ):
        bears = heat.bears(metal)
        if hot_c > bears.bears_c:
            says = f"{metal.name.capitalize()} bears {bears.bears_c:.0f} °C: {bears.why}."
            found.append(Caution("Mind", "the heat", says, what, bears.source))
    return tuple(dict.fromkeys(found))


def _links(
    question: WarmQuestion, size: float, shaft: float, clearance: tuple[float, float]
) -> tuple[Link, ...]:
    """On to the cut and to limits that keep what was worked out: never tighter than that cold."""
    cold, hot = clearance
    metals = (("hole_metal", question.hole_metal), ("shaft_metal", question.shaft_metal))
    does = (("duty", question.duty),) if question.duty else ()
    low, high = bounds_of(duties()[question.duty or "running"], size)
    least = max(cold, safe_mm(question, size, cold, hot)) if cold >= 0 else cold
    if question.clear is None and question.wanted is None and least <= low:
        band = (low, high)
    else:
        band = (least, least + high - low) if least >= 0 else (least - high + low, least)
    limits = tuple((n, f"{mm:.4f} mm") for n, mm in zip(("least", "most"), band, strict=True))
    made = (("job", "outside"), ("metal", question.shaft_metal), ("wanted", f"{shaft:.4f} mm"))
    fit = (("size", f"{size:.4f} mm"), *does, *limits, *metals)
    return (
        Link("plan", made, "Turn the shaft to that"),
        Link("fit", fit, "Limits of both parts cold"),
    )


def _reading(question: WarmQuestion, metal: Metal) -> WarmReading:
    heat.below_melting(metal, question.at, "at")
    heat.growth_known(question.at, "at")
    w, size = Working(), float(question.size)
    cold = w.of(
        cold_mm,
        "corrected_mm",
        warm_mm=size,
        expansion_um_per_m_k=metal["expansion_um_per_m_k"],
        warm_deg=question.at,
        source=metal.source("expansion_um_per_m_k"),
    )
    off = w.of(between_limit_mm, "off_mm", hole_mm=size, shaft_mm=cold.value)
    if abs(off.value) < 1e-9:
        says = "At 20 °C a reading is what it is."
    else:
        way = "smaller" if off.value > 0 else "larger"
        says = f"Cold it is {thou_said(abs(off.value))} {way} than it reads now."
    found = []
    if question.at > 60:
        hot = "Too hot to hold and too hot to measure: the tool warms as well. Let it cool."
        found.append(Caution("Mind", "hot metal", hot, "corrected_mm", PRACTICE))
    return WarmReading(
        corrected_mm=replace(cold, places=3),
        off_mm=replace(off, places=3),
        says=says,
        cautions=tuple(found),
        links=(),
    )
