"""``balance``: the counterweights of a crank, by moments about its shaft."""

from __future__ import annotations

from dataclasses import dataclass, replace

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Working, told
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shafts import balance_laws as laws
from runk.core.shafts.balance_question import BalanceAnswer, BalanceQuestion
from runk.core.sources import PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True)
class BalanceShop:
    """Both metals."""

    crank: Metal
    weight: Metal


def needs(question: BalanceQuestion, workshop: Workshop) -> BalanceShop:
    """Both metals."""
    return BalanceShop(workshop.metals[question.metal], workshop.metals[question.weight_metal])


def compute(question: BalanceQuestion, shop: BalanceShop) -> BalanceAnswer:
    """Moments on the pin's side, and the weights opposite.

    Raises:
        Refused: No weight so thick balances it in the room there is.

    >>> from fractions import Fraction
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = BalanceQuestion(*map(Fraction, (12, 6, 10, 12, 5, 22)))
    >>> round(compute(asked, needs(asked, WORKSHOP)).moment_g_mm.value, 1)
    162.3
    """
    w, e, width = Working(), float(question.throw), float(question.web)
    beyond = width / 2 if question.beyond is None else float(question.beyond)
    inner = width / 2 if question.inner is None else float(question.inner)
    thick = float(question.weight_thick or question.thick)
    reach = float(question.reach)
    if inner >= reach:
        raise Refused("The weight begins where its room ends.", field="reach")
    own, source = shop.crank["density_g_cm3"], shop.crank.source("density_g_cm3")
    webs = w.of(
        laws.webs_g_mm,
        source=source,
        webs=float(question.webs),
        web_mm=width,
        thick_mm=float(question.thick),
        throw_mm=e,
        beyond_mm=beyond,
        g_per_cm3=own,
    )
    pin = w.of(
        laws.pin_g_mm,
        source=source,
        diameter_mm=float(question.pin),
        long_mm=float(question.long),
        g_per_cm3=own,
        arm_mm=e,
    )
    rod = w.of(
        laws.rod_g_mm,
        big_end_g=question.big_end,
        share_percent=question.share,
        to_and_fro_g=question.reciprocating,
        throw_mm=e,
    )
    every = w.of(
        laws.moment_g_mm, since=0, webs_g_mm=webs.value, pin_g_mm=pin.value, rod_g_mm=rod.value
    )
    each, since = every.value / question.webs, len(w.steps)
    heavy, heavy_source = shop.weight["density_g_cm3"], shop.weight.source("density_g_cm3")
    thinnest = w.of(
        laws.thinnest_mm,
        source=heavy_source,
        each_g_mm=each,
        g_per_cm3=heavy,
        reach_mm=reach,
        inner_mm=inner,
    )
    if thinnest.value > thick:
        raise Refused(
            f"Even half a turn round, {mm_said(thick)} thick does not balance it in that room: "
            f"{mm_said(thinnest.value, 2)} would, or a heavier metal, or more room.",
            field="weight_thick",
            suggest=f"{thinnest.value + 0.1:.1f} mm",
        )
    angle = w.of(laws.angle_deg, since=since, thinnest_mm=thinnest.value, thick_mm=thick)
    weight = w.of(
        laws.weight_g,
        since=since,
        source=heavy_source,
        reach_mm=reach,
        inner_mm=inner,
        angle_deg=angle.value,
        thick_mm=thick,
        g_per_cm3=heavy,
    )
    arm = w.of(laws.arm_mm, each_g_mm=each, weight_g=weight.value)

    return BalanceAnswer(
        angle_deg=replace(angle, places=0),
        weight_g=weight,
        says=_says(question.webs),
        moment_g_mm=every,
        webs_g_mm=webs,
        pin_g_mm=pin,
        rod_g_mm=rod,
        arm_mm=arm,
        thinnest_mm=thinnest,
        throw_mm=told(e, "throw_mm"),
        pin_mm=told(float(question.pin), "pin_mm"),
        web_mm=told(width, "web_mm"),
        beyond_mm=told(beyond, "beyond_mm"),
        reach_mm=told(reach, "reach_mm"),
        inner_mm=told(inner, "inner_mm"),
        cautions=_cautions(question, reach),
        links=(),
    )


def _says(webs: int) -> str:
    each = "Mark each to its web" if webs > 1 else "Mark it to its web"
    return (
        "Clamp it to its web, drill both through at tapping size, tap the web, open the weight to "
        f"clearance. {each}. Roll the shaft on level edges and take a shaving off what sinks."
    )


def _cautions(question: BalanceQuestion, reach: float) -> tuple[Caution, ...]:
    found = []
    if question.reciprocating == 0 and question.big_end == 0:
        says = "Neither big end nor piston is counted: weigh them, or it balances the crank alone."
        found.append(Caution("Mind", "the rod", says, "moment_g_mm", PRACTICE))
    says = (
        f"See that {mm_said(reach)} out passes frame, rod and bed plate, turned by hand. A weight "
        "that comes loose flies: lock its screws."
    )
    found.append(Caution("Mind", "the room", says, None, PRACTICE))
    return tuple(found)


def headline(answer: BalanceAnswer, page: PageUnit) -> str:
    """Moment, and each weight."""
    return (
        f"{answer.moment_g_mm.words(page)} to balance · each {answer.weight_g.words(page)}, "
        f"{answer.angle_deg.value:.0f}° round"
    )


_TAIL = "[, big end {big_end}][, to and fro {reciprocating}][, {share} of it]"
_MORE = (
    "[, weights {weight_thick} thick][, beginning at {inner}][, webs {beyond} beyond]"
    "[, of {metal}][, weights of {weight_metal}]"
)
BALANCE = Calculator(
    name="balance",
    title="Counterweights, by moments about the shaft",
    door=Door("/shafts/balance", "Shafts", "Counterweights", family="Cranks"),
    opening={
        "throw": "12 mm",
        "pin": "6 mm",
        "long": "10 mm",
        "web": "12 mm",
        "thick": "5 mm",
        "reach": "22 mm",
        "big_end": "6",
        "reciprocating": "20",
    },
    question=BalanceQuestion,
    answers=(BalanceAnswer,),
    compute=compute,
    needs=needs,
    sentences={
        "": "Counterweights for a throw of {throw}, pin {pin} and {long} long, {webs} webs "
        "{web} wide and {thick} thick, room out to {reach}[, big end {big_end} g]"
        "[, to and fro {reciprocating} g][, {share} % of it]" + _MORE
    },
    lines=(
        "{call} throw {throw}, pin {pin} {long} long, web {web} {thick} thick, room {reach}"
        + _TAIL,
        "{call} throw {throw}, pin {pin} x {long}, web {web} x {thick}, room {reach}" + _TAIL,
        "{call}[ throw {throw}][, pin {pin}]",
    ),
    calls=(
        "counterweights",
        "counterweight",
        "balance weight",
        "balance weights",
        "balance the crank",
        "balance a crank",
        "balance crank",
    ),
    headline=headline,
)
