"""``piston``: the order it is made in by both schools, each step with its own size."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction
from math import pi

from runk.core.calculator import Calculator, Door
from runk.core.cutting.spigot import stands_n_per_mm2
from runk.core.figures import Figure, Working, law, told
from runk.core.fits.classes import duty_limit_mm
from runk.core.fits.heat import hole_free_limit_mm, left_on_limit_mm, shaft_free_limit_mm
from runk.core.fits.question import duties
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.rings.laws import groove_depth_mm, groove_width_mm, share_of_bore_mm
from runk.core.rings.ring import DEEPER_MM, LOOSE_MM, SIDE_MM, USUAL_RADIAL, USUAL_WIDTH
from runk.core.said import mm_said
from runk.core.shafts.order import bent_aside, force_of
from runk.core.shafts.piston_question import PistonAnswer, PistonQuestion
from runk.core.shafts.piston_says import PistonShop, cautions, links, other, says, steps
from runk.core.sources import PRACTICE
from runk.core.threads import tap
from runk.core.threads.series import Thread, find_thread
from runk.core.threads.tap_question import TapQuestion
from runk.core.tools import ToolKind, usable
from runk.core.tools.collets import grips
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

LONG_SHARE, ROUGH_MM = 0.6, 0.5
"""Length of a piston as a share of its bore; what is left on it until it hangs on its rod: half a
millimetre, so that it cleans up wherever the thread has pulled it. Common practice."""
_FINE_MM, _FINE_FEED, _GROOVE_FEED = 0.05, 0.05, 0.02
_ROUGH_DEEP, _ROUGH_FEED = 0.5, 0.08
_RECESS_FREE_MM = 0.05
_SEAT_SHARE = 0.85
"""A thread up to so much of the rod leaves it a shoulder to seat on: common practice."""
_RODS = ("M2", "M2.5", "M3", "M4", "M5", "M6", "M8", "M10", "M12")


@law("Spigot that stands the cut", "∛(32 × {force_n} × {arm_mm} ÷ (π × {stands_n_per_mm2}))")
def spigot_mm(force_n: float, arm_mm: float, stands_n_per_mm2: float) -> float:
    """Thinnest spigot that a cut bends no further than it stands.

    >>> round(spigot_mm(50.0, 20.0, 81.487), 2)
    5.0
    """
    return float((32.0 * force_n * arm_mm / (pi * stands_n_per_mm2)) ** (1 / 3))


def thread_for(rod_mm: float) -> Thread:
    """The largest metric thread that leaves a rod its shoulder.

    >>> thread_for(4.0).name, thread_for(8.0).name
    ('M3', 'M6')
    """
    fits = [t for t in map(find_thread, _RODS) if t.major_mm <= _SEAT_SHARE * rod_mm + 1e-9]
    return max(fits, key=lambda t: t.major_mm, default=find_thread("M1.6"))


def needs(question: PistonQuestion, workshop: Workshop) -> PistonShop:
    """Metals, taps and collets."""
    rod = float(question.rod)
    collets = usable(workshop.tools, ToolKind.COLLET)
    collet = next((c.name for c in collets if grips(c.mm, rod)), "")
    asked = _tapped(question)
    return PistonShop(
        workshop.metals[question.metal],
        workshop.metals[question.rod_metal],
        tap.needs(asked, workshop),
        collet,
        workshop.metals[question.metal].family == "aluminium",
    )


def settle(question: PistonQuestion, _: Workshop, __: Mapping[str, Reading]) -> PistonQuestion:
    """The thread by its rod where none is named.

    Raises:
        Refused: A rod too large for its piston, or a thread too large for its rod.
    """
    if question.rod * 2 > question.bore:
        raise Refused(
            f"A {mm_said(question.rod)} rod leaves no piston of {mm_said(question.bore)}.",
            field="rod",
        )
    thread = question.thread or thread_for(float(question.rod))
    if thread.major_mm > float(question.rod):
        raise Refused(f"{thread.name} is larger than its rod.", field="thread")
    return replace(question, thread=thread)


def _tapped(question: PistonQuestion) -> TapQuestion:
    thread = question.thread or thread_for(float(question.rod))
    return TapQuestion(thread, question.metal, _long(question))


def _long(question: PistonQuestion) -> Fraction:
    return question.long or Fraction(round(float(question.bore) * LONG_SHARE, 1)).limit_denominator(
        10
    )


def piston(question: PistonQuestion, shop: PistonShop) -> PistonAnswer:
    """Sizes of a piston and the order it is made in.

    Raises:
        Refused: Rings that do not go on it.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = settle(PistonQuestion(Fraction(22), Fraction(4)), WORKSHOP, {})
    >>> answer = piston(asked, needs(asked, WORKSHOP))
    >>> round(answer.high_mm.value, 3), answer.drill_name
    (21.978, '#38')
    """
    w, bore, rod = Working(), float(question.bore), float(question.rod)
    long = float(_long(question))
    low, high, duty = _last(w, question, shop, bore)
    gland = duties()["rod"]
    glands = [
        replace(
            w.of(
                hole_free_limit_mm,
                key,
                shaft_mm=rod,
                free_mm=duty_limit_mm(per, rod, more),
                source=gland.source,
            ),
            places=3,
        )
        for key, (per, more) in (("gland_low_mm", gland.low), ("gland_high_mm", gland.high))
    ]
    asked = _tapped(question)
    tapped = tap.tap(asked, shop.tap)
    rough = w.of(left_on_limit_mm, "rough_mm", last_mm=high.value, left_mm=ROUGH_MM)
    spigot = _spigot(w, shop, long)
    recess = w.of(
        hole_free_limit_mm, "recess_mm", shaft_mm=rod, free_mm=_RECESS_FREE_MM, source=PRACTICE
    )
    grooves = _grooves(w, question, bore, long)
    out = float(question.out) if question.out is not None else long + 2 * rod
    if out < long:
        raise Refused("It stands out at least as far as the piston is long.", field="out")
    force = force_of(w, shop.metal, _FINE_MM, _FINE_FEED, "the last cut")
    bend = bent_aside(w, force, out, rod, shop.rod, "bend_mm")
    bend_groove = None
    if grooves is not None:
        plunge = force_of(w, shop.metal, grooves[2].value, _GROOVE_FEED, "the grooving tool")
        bend_groove = bent_aside(w, plunge, out, rod, shop.rod, "bend_groove_mm")
    name = asked.thread.name
    return PistonAnswer(
        high_mm=high,
        low_mm=low,
        drill_name=tapped.drill_name,
        says=says(question.school),
        other=other(question.school),
        steps=steps(
            question, shop, name, tapped.drill_name, rough, spigot, recess, glands[0], high, grooves
        ),
        rough_mm=rough,
        spigot_mm=spigot,
        recess_mm=recess,
        gland_low_mm=glands[0],
        gland_high_mm=glands[1],
        groove_width_mm=grooves and grooves[0],
        groove_depth_mm=grooves and grooves[1],
        tool_mm=grooves and grooves[2],
        bend_mm=bend,
        bend_groove_mm=bend_groove,
        bore_mm=told(bore, "bore_mm"),
        rod_mm=told(rod, "rod_mm"),
        long_mm=told(long, "long_mm"),
        rings=question.rings,
        cautions=cautions(question, shop, bend, bend_groove, high.value - low.value),
        links=links(question, name, duty, float(_long(question)), grooves),
    )


def _last(
    w: Working, question: PistonQuestion, shop: PistonShop, bore: float
) -> tuple[Figure, Figure, str]:
    """Smallest and largest of the finished piston, and the duty that says so."""
    name = "crown" if shop.light else "ringed" if question.rings else "ringless"
    duty = duties()[name]
    found = []
    for key, (per, besides) in (("high_mm", duty.low), ("low_mm", duty.high)):
        since = len(w.steps)
        free = w(duty_limit_mm, per_inch=per, size_mm=bore, besides=besides, source=duty.source)
        figure = w.of(shaft_free_limit_mm, key, since=since, hole_mm=bore, free_mm=free)
        found.append(replace(figure, places=3))
    return found[1], found[0], name


def _spigot(w: Working, shop: PistonShop, long: float) -> Figure:
    since = len(w.steps)
    stands = w(
        stands_n_per_mm2,
        yield_n_per_mm2=shop.metal["rp02_n_per_mm2"],
        source=shop.metal.source("rp02_n_per_mm2"),
    )
    force = force_of(w, shop.metal, _ROUGH_DEEP, _ROUGH_FEED, "roughing")
    return w.of(spigot_mm, since=since, force_n=force, arm_mm=long + 3.0, stands_n_per_mm2=stands)


def _grooves(
    w: Working, question: PistonQuestion, bore: float, long: float
) -> tuple[Figure, Figure, Figure] | None:
    if not question.rings:
        return None
    width = float(question.wide) if question.wide is not None else round(bore * USUAL_WIDTH, 1)
    if question.rings * 2 * width > long:
        raise Refused(
            f"{question.rings} rings {mm_said(width)} wide, and as much between, do not go on "
            f"{mm_said(long, 1)}.",
            field="rings",
        )
    radial = w(share_of_bore_mm, bore_mm=bore, share=USUAL_RADIAL)
    side = sum(SIDE_MM) / 2
    wide = w.of(groove_width_mm, width_mm=width, side_mm=side)
    deep = w.of(groove_depth_mm, since=len(w.steps) - 2, radial_mm=radial, more_mm=DEEPER_MM)
    tool = width / 2 if question.tool is None else float(question.tool)
    if tool > wide.value:
        # Four to five thou wider than its ring, so that steam gets behind it, is a school too.
        loosest = width + LOOSE_MM
        if tool > loosest:
            raise Refused(
                f"The tool is wider than the groove: {mm_said(wide.value, 3)}, and with those who "
                f"let steam behind the ring {mm_said(loosest, 3)}.",
                field="tool",
            )
        wide = told(tool, "groove_wide_mm", 3)
    return (replace(wide, places=3), replace(deep, places=3), told(tool, "tool_mm", 2))


def headline(answer: PistonAnswer, page: PageUnit) -> str:
    """Last size, and the drill."""
    return (
        f"finish {answer.low_mm.shown(page)} to {answer.high_mm.words(page)} · "
        f"drill {answer.drill_name} for the rod"
    )


PISTON = Calculator(
    name="piston",
    title="A piston: the order it is made in",
    door=Door("/shafts/piston", "Shafts", "Piston", family="Pistons"),
    opening={"bore": "22 mm", "rod": "4 mm"},
    question=PistonQuestion,
    answers=(PistonAnswer,),
    compute=piston,
    needs=needs,
    settle=settle,
    sentences={
        "": "Make a piston for a {bore} bore on a {rod} rod, {metal}, {rings} rings[, {school}]"
        "[, {long} long][, thread {thread}][, rings {wide} wide][, {out} out][, tool {tool}]"
        "[, rod of {rod_metal}]"
    },
    calls=(
        "piston for # bore on # rod",
        "piston # bore on # rod",
        "piston # bore # rod",
        "make a piston",
        "make piston",
        "piston on its rod",
        "order of a piston",
        "piston order",
    ),
    headline=headline,
)
