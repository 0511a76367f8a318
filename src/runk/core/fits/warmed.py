"""Two parts at work, or one read warm: what ``warm`` computes."""

from __future__ import annotations

from dataclasses import dataclass, replace

from runk.core.figures import Caution, Figure, Link, Working, stop
from runk.core.fits import heat
from runk.core.fits.classes import between_limit_mm, bounds_of
from runk.core.fits.question import duties
from runk.core.fits.warm_answer import WarmAnswer, WarmFit, WarmReading
from runk.core.fits.warm_question import WarmJob, WarmQuestion
from runk.core.metals.metal import Metal
from runk.core.plan.laws import cold_mm
from runk.core.refusals import Refused
from runk.core.said import thou_said
from runk.core.sources import PRACTICE
from runk.core.units import unit_of

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
        links=_links(size, shaft.value),
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
    if abs(change) < 0.0005:
        return "Heat changes next to nothing here: both grow alike."
    how = "gains" if change > 0 else "takes"
    ends = _as_said(hot)
    return f"Heat {how} {thou_said(abs(change))}: from {_as_said(cold)} cold to {ends} hot."


def _as_said(clearance: float) -> str:
    return f"{thou_said(abs(clearance))} {'free' if clearance >= 0 else 'tight'}"


def _cautions(
    question: WarmQuestion, shop: WarmShop, size: float, cold: float, hot: float
) -> tuple[Caution, ...]:
    assert question.shaft_hot is not None
    found = []
    if cold > 0 and hot < _SEIZES_MM:
        # By what the clearance cold has to grow so that a little stays hot.
        more = cold - hot + max(_SEIZES_MM, bounds_of(duties()["ringless"], size)[0])
        says = f"Cold it runs, and hot it is {_as_said(hot)}: it seizes as it warms."
        instead = f"make it {thou_said(more)} free cold"
        found.append(stop("seizing", instead, says, "clearance_hot_mm", PRACTICE))
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


def _links(size: float, shaft: float) -> tuple[Link, ...]:
    made = (("job", "outside"), ("wanted", f"{shaft:.4f} mm"))
    return (
        Link("plan", made, "Turn the shaft to that"),
        Link("fit", (("size", f"{size:.4f} mm"), ("duty", "running")), "Limits of both parts cold"),
    )


def _reading(question: WarmQuestion, metal: Metal) -> WarmReading:
    heat.below_melting(metal, question.at, "at")
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
