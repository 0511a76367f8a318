"""``ring``: a split piston ring, what it presses, what bends it, and how it is made."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from math import floor

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, stop, told
from runk.core.fits.joint import is_brittle
from runk.core.fits.pressed import borne_mpa
from runk.core.lengths import Reading
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.rings import laws
from runk.core.rings.ring_question import Making, RingAnswer, RingQuestion
from runk.core.said import mm_said
from runk.core.sources import PRACTICE, Held, Source
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

USUAL_RADIAL, USUAL_GAP, USUAL_WIDTH = 1 / 26, 0.14, 1 / 12
"""Thickness, free gap and width as shares of the bore: D/28 to D/25, 0.13 to 0.15 (memory)."""
IRON_TIMES = 1.4
"""Iron bends to so many times what it breaks at when pulled: 350 N/mm² of GJL-250 (memory)."""
CLOSED_THOU_PER_INCH = 3.0
SIDE_MM, LOOSE_MM = (0.5 * 0.0254, 1.5 * 0.0254), 5 * 0.0254
"""Side clearance in all: half to one and a half thou; five, so that steam gets behind."""
DEEPER_MM = 9 * 0.0254
"""The groove is 8 to 10 thou deeper than the ring is thick: practice."""
FINISH_THOU_PER_INCH = 20.0
LAP_MM, HOLD_MM = 0.1, 15.0
USUAL_PRESSURE = (0.1, 0.17)
MEMORY = Source("handbook", Held.RECALLED)


@dataclass(frozen=True, slots=True)
class RingShop:
    """The ring's metal; the cylinder's is taken as iron."""

    metal: Metal
    iron: Metal


def needs(question: RingQuestion, workshop: Workshop) -> RingShop:
    """Both metals."""
    return RingShop(workshop.metals[question.metal], workshop.metals["grey-iron"])


def settle(question: RingQuestion, _: Workshop, __: Mapping[str, Reading]) -> RingQuestion:
    """A ring in a bore that is told hot is as hot as that; a gap told as a share is a length."""
    if question.open is not None:
        if question.gap is not None:
            raise Refused("The gap is said twice: a length, or a share.", field="open")
        share = question.bore * Fraction(str(question.open)) / 100
        question = replace(question, gap=share, open=None)
    if question.hot is None and question.bore_hot is not None:
        return replace(question, hot=question.bore_hot)
    return question


def _borne(w: Working, metal: Metal) -> Figure:
    """What a ring of that metal may be bent to: its yield, of iron what it breaks at, bent."""
    iron = metal.kind == "grey-iron"
    name = "rm_n_per_mm2" if iron else "rp02_n_per_mm2"
    share = IRON_TIMES if iron else 1.0
    figure = w.of(
        borne_mpa, "bears_mpa", share=share, strength_mpa=metal[name], source=metal.source(name)
    )
    return replace(figure, places=0)


def _or_usual(w: Working, said: Fraction | None, bore: float, share: float, key: str) -> Figure:
    """A size as somebody says it, or its usual share of the bore."""
    if said is not None:
        return Figure(float(said), unit_of(key))
    return w.of(laws.share_of_bore_mm, key, bore_mm=bore, share=share, source=MEMORY)


def ring(question: RingQuestion, shop: RingShop) -> RingAnswer:
    """A ring, what bends it, its groove, and both ways of making it.

    Args:
        question: The bore, and what somebody wants otherwise than usual.
        shop: Its metal.

    Raises:
        Refused: A ring thicker than a quarter of its bore, or a gap it has not.

    >>> from fractions import Fraction
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = RingQuestion(Fraction(22))
    >>> answer = ring(asked, needs(asked, WORKSHOP))
    >>> round(answer.radial_mm.value, 2), round(answer.stress_opening_mpa.value)
    (0.85, 325)
    """
    w, bore, metal = Working(), float(question.bore), shop.metal
    thick = _or_usual(w, question.radial, bore, USUAL_RADIAL, "radial_mm")
    free = _or_usual(w, question.gap, bore, USUAL_GAP, "free_gap_mm")
    wide = _or_usual(w, question.width, bore, USUAL_WIDTH, "width_mm")
    if question.width is None:
        # Nobody makes a ring to a hundredth of its usual width.
        wide = replace(wide, value=round(wide.value, 1))
    radial, gap, width = thick.value, free.value, wide.value
    _check(question, bore, radial, gap)
    closed, hot = _gaps(w, question, shop, bore)
    if closed.value >= gap:
        raise Refused("The free gap is no wider than the gap in the bore.", field="gap")
    e_gpa, source = metal["e_gpa"], metal.source("e_gpa")
    bears = _borne(w, metal)
    most = thickest_mm(bore, gap - closed.value, e_gpa, bears.value)
    if question.radial is None and radial > most:
        # What gives for good before iron would break is made thinner.
        radial = floor(most * 100) / 100
        thick = w.of(
            laws.share_of_bore_mm,
            "radial_mm",
            since=len(w.steps),
            bore_mm=bore,
            share=radial / bore,
            source=MEMORY,
            why=f"thinner than usual, for {metal.name}",
        )
    since = len(w.steps)
    pulled = w(laws.pulled_mm, free_gap_mm=gap, closed_gap_mm=closed.value)
    pressure = w.of(
        laws.wall_pressure_mpa,
        since=since,
        pulled_mm=pulled,
        e_gpa=e_gpa,
        bore_mm=bore,
        radial_mm=radial,
        source=source,
    )
    shut = w.of(
        laws.stress_closed_mpa,
        since=since,
        source=source,
        e_gpa=e_gpa,
        pulled_mm=pulled,
        radial_mm=radial,
        bore_mm=bore,
    )
    # A gap so wide lets it over its piston as it is.
    opened = told(0.0, "stress_opening_mpa")
    if 8 * radial > pulled:
        opened = w.of(
            laws.stress_opening_mpa,
            source=source,
            e_gpa=e_gpa,
            pulled_mm=pulled,
            radial_mm=radial,
            bore_mm=bore,
        )
    depth = w.of(laws.groove_depth_mm, radial_mm=radial, more_mm=DEEPER_MM)
    stock = w.of(
        laws.stock_mm,
        count=float(question.count),
        width_mm=width,
        lap_mm=LAP_MM,
        blade_mm=float(question.blade),
        hold_mm=HOLD_MM,
    )

    def groove(side_mm: float, key: str) -> Figure:
        return replace(w.of(laws.groove_width_mm, key, width_mm=width, side_mm=side_mm), places=3)

    return RingAnswer(
        radial_mm=replace(thick, places=3),
        free_gap_mm=free,
        closed_gap_mm=replace(closed, places=3),
        closed_hot_mm=hot,
        groove_width_mm=groove(SIDE_MM[0], "groove_width_mm"),
        groove_most_mm=groove(SIDE_MM[1], "groove_most_mm"),
        groove_loose_mm=groove(LOOSE_MM, "groove_loose_mm"),
        groove_depth_mm=replace(depth, places=3),
        says=_says(question.count),
        wall_pressure_mpa=replace(pressure, places=3),
        stress_closed_mpa=replace(shut, places=0),
        stress_opening_mpa=replace(opened, places=0),
        bears_mpa=bears,
        width_mm=wide,
        strip_mm=w.of(laws.strip_mm, radial_mm=radial),
        stock_mm=stock,
        bore_mm=Figure(bore, unit_of("bore_mm")),
        makings=_makings(w, bore, radial, gap, metal),
        cautions=_cautions(
            metal, bore, (pulled, e_gpa), (shut.value, opened.value, bears.value), pressure.value
        ),
        links=_links(question, bore, width, radial),
    )


def _check(question: RingQuestion, bore: float, radial: float, gap: float) -> None:
    if radial > bore / 4:
        raise Refused(
            f"{mm_said(radial)} is over a quarter of the bore: no ring bends so.",
            field="radial",
            suggest=f"{bore * USUAL_RADIAL:.2f} mm",
        )
    if gap > bore:
        raise Refused("A gap as wide as the bore leaves half a ring.", field="gap")


def _gaps(
    w: Working, question: RingQuestion, shop: RingShop, bore: float
) -> tuple[Figure, Figure | None]:
    """The gap in the bore cold, room for its growth counted, and what stays of it hot."""
    stays = w.of(laws.closed_gap_mm, per_inch_thou=CLOSED_THOU_PER_INCH, bore_mm=bore)
    if question.hot is None:
        return stays, None
    grows = w(
        laws.grows_mm,
        bore_mm=bore,
        ring_um_per_m_k=shop.metal["expansion_um_per_m_k"],
        ring_c=question.hot,
        bore_um_per_m_k=shop.iron["expansion_um_per_m_k"],
        bore_c=20.0 if question.bore_hot is None else question.bore_hot,
        source=shop.metal.source("expansion_um_per_m_k"),
        why="" if question.bore_hot is not None else "the bore still cold, as it starts",
    )
    since = len(w.steps) - 2
    cold = w.of(
        laws.gap_cold_mm,
        "closed_gap_mm",
        since=since,
        stays_mm=stays.value,
        grows_mm=max(grows, 0.0),
    )
    hot = w.of(laws.gap_hot_mm, "closed_hot_mm", cold_mm=cold.value, grows_mm=grows)
    return cold, replace(hot, places=3)


def _says(count: int) -> str:
    if count == 1:
        return "One ring; its gap where no port is. Going in: oil, one side first."
    return (
        f"{count} rings, the gaps opposite each other. Going in: oil, one side first, the cover "
        "already on the rod to guide it."
    )


def _makings(
    w: Working, bore: float, radial: float, gap: float, metal: Metal
) -> tuple[Making, ...]:
    inside = w.of(laws.inside_mm, outside_mm=bore, radial_mm=radial)
    more = FINISH_THOU_PER_INCH * 0.0254 * bore / 25.4
    outer = w.of(laws.blank_mm, "outside_mm", bore_mm=bore, free_gap_mm=gap, more_mm=more)
    inner = w.of(laws.blank_mm, "inside_mm", bore_mm=inside.value, free_gap_mm=gap, more_mm=-more)
    by_heat = Making(
        school="split and set by heat",
        outside_mm=Figure(bore, unit_of("outside_mm"), (), 3),
        inside_mm=replace(inside, places=3),
        how=(
            "Turn to the bore's size, part with the carriage locked, split with a light blow, "
            f"hold open on a strip {mm_said(gap, 2)} wide, heat to dull red, evenly, until it "
            "falls free, cool in air, dress the gap."
        ),
        costs="Quick. Round only as far as the heat is even; scale to be lapped off.",
    )
    # Heat takes the spring out of bronze: it is not set so.
    return (
        *((by_heat,) if metal.family == "iron" else ()),
        Making(
            school="cut out, clamped and finished",
            outside_mm=replace(outer, places=3),
            inside_mm=replace(inner, places=3),
            how=(
                f"Turn the blank, part, cut {mm_said(gap, 2)} out, close and clamp on a fixture, "
                f"then finish outside to {mm_said(bore, 3)} and bore to {mm_said(inside.value, 3)} "
                "while clamped."
            ),
            costs="More work and a fixture; exactly round. Clamped alone it is not round enough.",
        ),
    )


def thickest_mm(bore: float, pulled: float, e_gpa: float, bears: float) -> float:
    """The thickest ring that does not break going over its piston, by halving.

    >>> round(thickest_mm(22.0, 3.0, 108.0, 350.0), 2)
    0.87
    """
    low, high = 0.0, bore / 4
    for _ in range(60):
        middle = (low + high) / 2
        over = laws.stress_opening_mpa(e_gpa, pulled, middle, bore) > bears
        low, high = (low, middle) if over else (middle, high)
    return low


def _cautions(
    metal: Metal,
    bore: float,
    bent: tuple[float, float],
    loads: tuple[float, float, float],
    pressure: float,
) -> tuple[Caution, ...]:
    shut, opened, bears = loads
    pulled, e_gpa = bent
    found = []
    fails = "breaks" if is_brittle(metal) else "gives for good"
    if opened > bears * (1 + 1e-9):
        most = thickest_mm(bore, pulled, e_gpa, bears)
        says = (
            f"Going over the piston it is bent to {opened:.0f} N/mm² and {fails} near {bears:.0f}: "
            "thinner, a wider gap, or a piston in two pieces."
        )
        instead = f"make it {mm_said(most, 2)} thick at most"
        found.append(stop("going on", instead, says, "stress_opening_mpa", MEMORY))
    if shut > bears:
        less = pulled * bears / shut
        says = f"Closed in the bore it is bent to {shut:.0f} N/mm² and {fails} near {bears:.0f}."
        instead = f"a free gap of {mm_said(less, 2)} at most"
        found.append(stop("going in", instead, says, "stress_closed_mpa", MEMORY))
    if not found and not USUAL_PRESSURE[0] * 0.7 <= pressure <= USUAL_PRESSURE[1] * 1.3:
        weak = pressure < USUAL_PRESSURE[0]
        says = (
            f"It presses with {pressure:.3f} N/mm² where 0.1 to 0.17 is usual: "
            f"{'it may blow by' if weak else 'it drags and wears the bore'}."
        )
        found.append(Caution("Mind", "its pressure", says, "wall_pressure_mpa", MEMORY))
    if not found:
        says = (
            "Parting is the hard part: carriage locked, slow, the blade at height. It springs off."
        )
        found.append(Caution("Mind", "parting", says, None, PRACTICE))
    return tuple(found)


def _links(question: RingQuestion, bore: float, width: float, radial: float) -> tuple[Link, ...]:
    size = f"{bore:.4f} mm"
    piston = ("size", size), ("duty", "ringed"), ("hole_metal", "grey-iron")
    groove = (
        ("job", "groove"),
        ("now", size),
        ("wanted", f"{width + sum(SIDE_MM) / 2:.4f} mm"),
        ("deep", f"{radial + DEEPER_MM:.4f} mm"),
    )
    part = (("operation", "part"), ("metal", question.metal), ("diameter", size))
    return (
        Link("plan", groove, "Cut its groove with a narrower tool"),
        Link("speed", part, "The belt for parting it"),
        Link("fit", piston, "The piston in its bore"),
    )


def headline(answer: RingAnswer, page: PageUnit) -> str:
    """Thickness, gap and pressure."""
    pressure = answer.wall_pressure_mpa.words(page)
    return (
        f"{answer.radial_mm.words(page)} thick · gap {answer.free_gap_mm.words(page)} · {pressure}"
    )


RING = Calculator(
    name="ring",
    title="A piston ring, its groove, and how it is made",
    door=Door("/shafts/ring", "Shafts", "Piston ring", family="Pistons"),
    opening={"bore": "22 mm", "width": "2 mm"},
    question=RingQuestion,
    answers=(RingAnswer,),
    compute=ring,
    needs=needs,
    settle=settle,
    sentences={
        "": "Rings for a {bore} bore, {metal}, {count} of them[, {radial} thick][, {width} wide]"
        "[, free gap {gap}][, the ring at {hot}][, the bore at {bore_hot}][, blade {blade}]"
    },
    calls=(
        "piston ring",
        "piston rings",
        "ring for",
        "rings for",
        "split ring",
        "ring gap",
        "gap of the ring",
        "ring blank",
        "ring # bore",
        "rings # bore",
        "ring thickness",
    ),
    headline=headline,
)
