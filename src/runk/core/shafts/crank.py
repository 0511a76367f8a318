"""``crank``: a crankshaft built up or from the solid, in its order."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import pi

from runk.core.calculator import Calculator, Door
from runk.core.cutting import bend
from runk.core.figures import Figure, Num, Working, law, told
from runk.core.fits import pressed
from runk.core.fits.classes import duty_limit_mm
from runk.core.fits.compounds import compounds, strength_mpa
from runk.core.fits.heat import hole_free_limit_mm, left_on_limit_mm
from runk.core.fits.joint import SAFETY, bonds_share
from runk.core.fits.question import duties
from runk.core.lengths import Reading
from runk.core.machines import Machine, MachineKind
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shafts import crank_says as says
from runk.core.shafts.crank_question import BuiltAnswer, CrankQuestion, SolidAnswer, Way
from runk.core.shafts.order import bent_aside, force_of
from runk.core.shafts.throw_laws import bar_both_mm, bar_one_mm, swing_limit_mm, throw_limit_mm
from runk.core.sources import PRACTICE
from runk.core.threads.stud import SHEAR_SHARE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

LEFT_MM = 5 * 0.0254
"""Journals keep so much until all are finished at one setting: five thou, common practice."""
ACROSS_SHARE = 0.25
_NO_WALL_MM = 0.05
"""Less than this between two bores is none."""
_FINE_MM, _FINE_FEED = 0.05, 0.05


@dataclass(frozen=True, slots=True)
class CrankShop:
    """The metal, and the lathe of a solid one."""

    metal: Metal
    lathe: Machine | None


@law("The cylinder asks", "{pressure_mpa} × π ÷ 4 × {bore_mm}² × {throw_mm} ÷ 1000")
def asked_nm(pressure_mpa: Num, bore_mm: Num, throw_mm: Num) -> Num:
    """Torque of a full cylinder on a crank square to its rod.

    >>> round(asked_nm(0.5, 20.0, 10.0), 3)
    1.571
    """
    return pressure_mpa * pi / 4.0 * bore_mm**2 * throw_mm / 1000.0


@law("On the throw's centres it swings", "{bar_mm} + 2 × {throw_mm}")
def swings_mm(bar_mm: Num, throw_mm: Num) -> Num:
    """Diameter a bar sweeps when it turns about its crankpin.

    >>> swings_mm(32.0, 12.0)
    56.0
    """
    return bar_mm + 2.0 * throw_mm


@law("A pin across, thick", "{share} × {joint_mm}", PRACTICE)
def across_mm(share: Num, joint_mm: Num) -> Num:
    """Usual pin across a joint.

    >>> across_mm(0.25, 8.0)
    2.0
    """
    return share * joint_mm


def needs(question: CrankQuestion, workshop: Workshop) -> CrankShop:
    """The metal; of a solid one the lathe."""
    solid = question.way is Way.SOLID
    lathe = workshop.machine(question.machine, (MachineKind.LATHE,)) if solid else None
    return CrankShop(workshop.metals[question.metal], lathe)


def settle(question: CrankQuestion, workshop: Workshop, _: Mapping[str, Reading]) -> CrankQuestion:
    """Stroke or throw, and sizes that can be.

    Raises:
        Refused: Neither or both; or a pin too thick to lie beside its shaft.
    """
    if question.stroke is not None and question.throw is not None:
        raise Refused("The stroke is twice the throw: say one of them.", field="throw")
    if question.stroke is None and question.throw is None:
        raise Refused("What stroke has it?", field="stroke", suggest="24 mm")
    if question.pressure is not None and question.bore is None:
        raise Refused("In what cylinder is that pressure?", field="bore", suggest="22 mm")
    if question.long <= question.gap + 2 * question.thick:
        raise Refused("The webs alone are as long as the whole shaft.", field="long")
    if question.way is Way.SOLID:
        machine = workshop.machine(question.machine, (MachineKind.LATHE,))
        question = replace(question, machine=machine.name)
    return question


def compute(question: CrankQuestion, shop: CrankShop) -> BuiltAnswer | SolidAnswer:
    """A crank by either school.

    Raises:
        Refused: Bores that run into each other, or a bar the lathe does not swing.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> from fractions import Fraction
    >>> asked = CrankQuestion(stroke=Fraction(24), main=Fraction(8), pin=Fraction(7))
    >>> answer = compute(asked, needs(asked, WORKSHOP))
    >>> answer.throw_mm.value, round(answer.main_low_mm.value, 3)
    (12.0, 8.025)
    """
    w = Working()
    if question.stroke is not None:
        throw = w.of(throw_limit_mm, "throw_mm", swing_mm=float(question.stroke))
    else:
        throw = w.figure(float(question.throw or 0), "throw_mm", since=0)
    throw = replace(throw, places=3)
    build = _built if question.way is Way.BUILT else _solid
    return build(w, question, shop, throw)


def _built(w: Working, question: CrankQuestion, shop: CrankShop, throw: Figure) -> BuiltAnswer:
    main, pin, e = float(question.main or 0), float(question.pin or 0), throw.value
    thick = float(question.thick)
    limits = {
        name: tuple(
            _in_web(w, f"{name}_{end}_mm", size, free)
            for end, free in (("low", duties()["web"].low), ("high", duties()["web"].high))
        )
        for name, size in (("main", main), ("pin", pin))
    }
    # By the bores at their largest, not by the shafts in them.
    bores = (limits["main"][1].value + limits["pin"][1].value) / 2
    between = e - bores
    if between < _NO_WALL_MM:
        raise Refused(
            f"At a throw of {mm_said(e)} the two bores run into each other: they want "
            f"{mm_said(bores, 2)} and metal between. A solid crank, or thinner.",
            field="pin",
        )
    small = min(main, pin)
    since = len(w.steps)
    compound = compounds()["retaining"]
    strength = w(
        strength_mpa,
        shear_mpa=compound.shear_mpa,
        metals_share=bonds_share(shop.metal),
        gap_share=1.0,
        heat_share=1.0,
        source=compound.source,
    )
    area = w(pressed.joint_mm2, size_mm=small, length_mm=thick)
    force = w(pressed.bonded_n, shear_mpa=strength, area_mm2=area)
    holds = w.of(pressed.grip_nm, "holds_nm", since=since, force_n=force, size_mm=small)
    may = w.of(pressed.allowed_nm, "may_nm", holds_nm=holds.value, safety=SAFETY)
    through = w.of(across_mm, share=ACROSS_SHARE, joint_mm=small)
    if question.across is not None:
        through = told(float(question.across), "across_mm")
        if through.value > small / 2:
            raise Refused("A pin over half its joint leaves nothing of it.", field="across")
    at = len(w.steps)
    shears = w(
        pressed.shear_mpa,
        share=SHEAR_SHARE,
        yield_mpa=shop.metal["rp02_n_per_mm2"],
        source=shop.metal.source("rp02_n_per_mm2"),
        why="a pin of the crank's metal",
    )
    crossed = w.of(
        pressed.cross_pin_nm,
        "crossed_nm",
        since=at,
        pin_mm=through.value,
        shear_mpa=shears,
        size_mm=small,
    )
    asked = _asked(w, question, e)
    return BuiltAnswer(
        throw_mm=throw,
        main_low_mm=limits["main"][0],
        main_high_mm=limits["main"][1],
        pin_low_mm=limits["pin"][0],
        pin_high_mm=limits["pin"][1],
        says=says.holds(may, asked),
        other=says.OTHER_OF_BUILT,
        steps=says.built_steps(
            throw, limits["main"][0], limits["pin"][0], through, question.webs == "1"
        ),
        holds_nm=holds,
        crossed_nm=crossed,
        may_nm=may,
        asked_nm=asked,
        across_mm=through,
        stroke_mm=replace(w.of(swing_limit_mm, "stroke_mm", throw_mm=e), places=3),
        main_mm=told(main, "main_mm"),
        pin_mm=told(pin, "pin_mm"),
        gap_mm=told(float(question.gap), "gap_mm"),
        thick_mm=told(thick, "thick_mm"),
        cautions=says.built_cautions(between, may, crossed, asked),
        links=says.built_links(question, throw, main, pin, thick),
    )


def _in_web(w: Working, key: str, size: float, free: tuple[float, float]) -> Figure:
    since, duty = len(w.steps), duties()["web"]
    gap = w(duty_limit_mm, per_inch=free[0], size_mm=size, besides=free[1], source=duty.source)
    figure = w.of(hole_free_limit_mm, key, since=since, shaft_mm=size, free_mm=gap)
    return replace(figure, places=3)


def _asked(w: Working, question: CrankQuestion, e: float) -> Figure | None:
    if question.pressure is None or question.bore is None:
        return None
    return w.of(asked_nm, pressure_mpa=question.pressure, bore_mm=float(question.bore), throw_mm=e)


def _solid(w: Working, question: CrankQuestion, shop: CrankShop, throw: Figure) -> SolidAnswer:
    main, pin, e = float(question.main or 0), float(question.pin or 0), throw.value
    bar = w.of(bar_one_mm, "bar_mm", main_mm=main, pin_mm=pin, throw_mm=e)
    both = w.of(bar_both_mm, "both_mm", main_mm=main, pin_mm=pin, throw_mm=e)
    swing = w.of(swings_mm, "swing_mm", bar_mm=bar.value, throw_mm=e)
    lathe = shop.lathe
    if lathe is not None and lathe.swing_mm is not None and swing.value > lathe.swing_mm:
        raise Refused(
            f"About its crankpin the bar swings {mm_said(swing.value)}; {lathe.name} takes "
            f"{mm_said(lathe.swing_mm)}. Build it up.",
            field="stroke" if question.stroke is not None else "throw",
        )
    long = float(question.long)
    if lathe is not None and lathe.between_mm is not None and long > lathe.between_mm:
        raise Refused(
            f"{lathe.name} takes {mm_said(lathe.between_mm)} between centres.", field="long"
        )
    force = force_of(w, shop.metal, _FINE_MM, _FINE_FEED, "the last cut")
    rough = w.of(left_on_limit_mm, "rough_mm", last_mm=main, left_mm=LEFT_MM)
    spring = bent_aside(w, force, long, main, shop.metal, "spring_mm", bend.between_centres_mm)
    return SolidAnswer(
        throw_mm=throw,
        bar_mm=replace(bar, places=2),
        rough_mm=replace(rough, places=3),
        says=says.stiff(spring.value),
        other=says.OTHER_OF_SOLID,
        steps=says.solid_steps(
            throw,
            bar,
            told(pin, "pin_mm"),
            told(float(question.gap), "gap_mm"),
            rough,
            told(main, "main_mm"),
        ),
        both_mm=replace(both, places=2),
        swing_mm=swing,
        spring_mm=spring,
        packing_mm=told(float(question.gap), "packing_mm"),
        stroke_mm=replace(w.of(swing_limit_mm, "stroke_mm", throw_mm=e), places=3),
        main_mm=told(main, "main_mm"),
        pin_mm=told(pin, "pin_mm"),
        gap_mm=told(float(question.gap), "gap_mm"),
        thick_mm=told(float(question.thick), "thick_mm"),
        cautions=says.solid_cautions(long, main, spring.value),
        links=says.solid_links(question, bar, throw, main, pin),
    )


def headline(answer: BuiltAnswer | SolidAnswer, page: PageUnit) -> str:
    """What is set first."""
    if isinstance(answer, BuiltAnswer):
        low, high = answer.main_low_mm.shown(page), answer.main_high_mm.words(page)
        return f"bores {answer.throw_mm.words(page)} apart, for the shaft {low} to {high}"
    return (
        f"centres {answer.throw_mm.words(page)} apart · bar {answer.bar_mm.words(page)} · "
        f"journals to {answer.rough_mm.words(page)} first"
    )


_SIZES = "[, stroke {stroke}][, throw {throw}], main {main}, pin {pin}"
_REST = "{gap} between webs, web {thick}, {long} long"
_LOAD = "[, cylinder {bore}][ at {pressure}][, of {metal}]"
CRANK = Calculator[CrankQuestion, CrankShop, BuiltAnswer | SolidAnswer](
    name="crank",
    title="A crankshaft, in its order",
    door=Door("/shafts/crank", "Shafts", "Crank", family="Cranks"),
    opening={"way": "built", "stroke": "24 mm", "main": "8 mm", "pin": "7 mm"},
    question=CrankQuestion,
    answers=(BuiltAnswer, SolidAnswer),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "built": f"{{way}}{_SIZES}, {_REST}[, {{webs}}][, cross pin {{across}}]{_LOAD}",
        "solid": f"{{way}}{_SIZES}, {_REST}{_LOAD}[, on {{machine}}]",
    },
    calls=("crankshaft", "crank shaft", "crank", "stroke # pin # main #", "stroke # main # pin #"),
    ruled=True,
    headline=headline,
)
