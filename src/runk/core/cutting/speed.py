"""``speed``: what to set on the machine for a cut."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction

from runk.core.calculator import Calculator, Door, Sweep
from runk.core.cutting import bend, laws
from runk.core.cutting.able import check, holding_of
from runk.core.cutting.advise import cautions_for
from runk.core.cutting.answer import SpeedAnswer
from runk.core.cutting.caps import Cap, lowest
from runk.core.cutting.drilled import drilled
from runk.core.cutting.height import height_error
from runk.core.cutting.milled import milled
from runk.core.cutting.operations import FACTS, Family, Operation
from runk.core.cutting.outcome import springs, takes_s
from runk.core.cutting.plunged import knurled, plunged
from runk.core.cutting.question import SetUp, SpeedQuestion, Surface
from runk.core.cutting.reach import as_long, far_sprung
from runk.core.cutting.spindle import Bench, Cut, at_bench
from runk.core.cutting.stepped import dial_says, explain, schools, set_speed, turns_say
from runk.core.cutting.target import SpeedShop, target_speed
from runk.core.cutting.threaded import of_the_hand, threaded, time_to_stop
from runk.core.cutting.turned import turned
from runk.core.cutting.words import PITCHED, SENTENCES
from runk.core.figures import Caution, Figure, Link, Working
from runk.core.lengths import Reading
from runk.core.machines.choose import School, choose
from runk.core.machines.machine import Holding, Machine, Setting
from runk.core.metals import Metal
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

HOW = {
    Family.TURNED: turned,
    Family.PLUNGED: plunged,
    Family.KNURLED: knurled,
    Family.DRILLED: drilled,
    Family.MILLED: milled,
    Family.TAPPED: threaded,
    Family.THREADED: threaded,
}


def needs(question: SpeedQuestion, workshop: Workshop) -> SpeedShop:
    """Pick the machine and the metal.

    Raises:
        Refused: A machine that is not there, or cannot do this.
    """
    facts = FACTS[question.operation]
    kinds = facts.machines
    machine = workshop.machine(question.machine, kinds)
    if machine.kind not in kinds:
        raise Refused(
            f"{facts.doing} wants a {' or a '.join(kinds)}; {machine.name} is a {machine.kind}.",
            field="machine",
        )
    return SpeedShop(machine, workshop.metals[question.metal])


def settle(
    question: SpeedQuestion, workshop: Workshop, readings: Mapping[str, Reading]
) -> SpeedQuestion:
    """Name the usual machine and holding where left open, and a named thread's own pitch."""
    machine = needs(question, workshop).machine
    if not question.diameter and question.shaft is not None:
        pilot = centre_pilot_mm(float(question.shaft))
        owned = min(workshop.centres, key=lambda tool: abs(tool.mm - pilot), default=None)
        question = replace(question, diameter=owned.size_mm if owned else Fraction(str(pilot)))
    named = readings.get("diameter")
    pitch = question.pitch
    if pitch is None and named is not None and question.operation in PITCHED:
        pitch = named.pitch_mm
    return replace(question, machine=machine.name, held=holding_of(question, machine), pitch=pitch)


@dataclass(frozen=True, slots=True)
class Worked:
    """The heart of a cut: what to set, and what the tool then does."""

    held: Holding
    metal: Metal
    target: Figure
    wanted_by: str
    setting: Setting
    set_rpm: Figure
    bench: Bench
    cut: Cut
    school: School
    """By which the step was chosen: never over where a hand must stop it, whatever was asked."""
    cap: Cap | None
    """What sets the speed, where it is not the metal: a hand, a whirl, a head out of balance."""

    def cautions(
        self,
        question: SpeedQuestion,
        shop: SpeedShop,
        spring: Figure | None = None,
        slender: SpeedQuestion | None = None,
    ) -> tuple[Caution, ...]:
        """What to mind about it."""
        found = cautions_for(
            question,
            self.held,
            shop.metal,
            shop.machine,
            self.setting,
            self.target.value,
            self.cut,
            spring,
            slender or question,
        )
        hand = of_the_hand(question)
        if self.cap is not None and self.setting.rpm > self.target.value * (1 + 1e-9):
            # No tip or finer feed helps here, as it would where the metal wants it slower.
            others = (c for c in found if c.about not in ("the speed", "the stop"))
            return (self.cap.over(self.setting.rpm), *others)
        return (*hand, *found)


def _as_thin(question: SpeedQuestion, thin_mm: Fraction | None) -> SpeedQuestion:
    """The same cut with the work as thin as it will get."""
    return question if thin_mm is None else replace(question, diameter=thin_mm)


def worked(
    w: Working, question: SpeedQuestion, shop: SpeedShop, thin_mm: Fraction | None = None
) -> Worked:
    """Work a cut out as far as other plans need it: its setting, its feed, its load.

    Args:
        w: Where the steps are kept.
        thin_mm: How thin the work gets, where it will be thinner than what is turned now.

    Raises:
        Refused: Where the machine cannot do it.
    """
    machine = shop.machine
    held = holding_of(question, machine)
    check(question, machine, held)
    slender = _as_thin(question, thin_mm)
    if as_long(slender, held) is not slender:
        question = replace(question, set_up=SetUp.LONG)
    wanted, metal = target_speed(w, question, shop.metal)
    target = w.of(
        laws.spindle_rpm,
        "target_rpm",
        since=0,
        surface_m_min=wanted,
        diameter_mm=float(question.diameter),
    )
    wanted_by = "The metal would take"
    setting = choose(machine, target.value, held, question.school)
    cap = lowest(w, question, slender, shop.metal, machine, held)
    if cap is not None and cap.rpm.value >= max(setting.rpm, target.value):
        cap = None
    if cap is not None:
        if cap.rpm.value < target.value:
            target, wanted_by = cap.rpm, cap.by
        # A metal forgives a step over; a shoulder, or a bar that whirls, does not.
        question = replace(question, school=School.NEVER_OVER)
        setting = choose(machine, target.value, held, question.school)
    set_rpm = set_speed(w, question, machine, setting, target)
    bench = at_bench(w, question, metal, machine, setting)
    cut = HOW[FACTS[question.operation].family](bench)
    return Worked(
        held, metal, target, wanted_by, setting, set_rpm, bench, cut, question.school, cap
    )


def speed(question: SpeedQuestion, shop: SpeedShop, thin_mm: Fraction | None = None) -> SpeedAnswer:
    """What speed, feed and depth for this cut on this machine.

    Args:
        question: The cut; see :class:`SpeedQuestion`.
        shop: The machine and the metal.
        thin_mm: How thin the work gets, where a plan goes on from here: so it bends and whirls.

    Returns:
        The position to set and everything that follows from it.

    Raises:
        Refused: Where the machine cannot do it.

    >>> from fractions import Fraction
    >>> from runk.core.cutting.question import Tool
    >>> from runk.demo.back_shed import WORKSHOP
    >>> ask = SpeedQuestion("grey-iron", Fraction("15.875"), Operation.BORE, Tool.CARBIDE)
    >>> answer = speed(ask, needs(ask, WORKSHOP))
    >>> answer.position, round(answer.target_rpm.value)
    ('belt 3, direct', 1123)
    """
    w = Working()
    run = worked(w, question, shop, thin_mm)
    slender = _as_thin(question, thin_mm)
    machine, held, metal, cut = shop.machine, run.held, run.metal, run.cut
    target, setting, bench = run.target, run.setting, run.bench
    diameter, family = float(question.diameter), FACTS[question.operation].family
    spring = springs(w, slender, held, metal, cut)
    cautions = run.cautions(question, shop, spring, slender)
    # A plan still has to reckon with it, should somebody go on.
    if thin_mm is None and spring is not None and far_sprung(slender, spring.value):
        spring = None
    then = None
    if question.surface is Surface.SKIN and shop.metal.cast:
        then = speed(replace(question, surface=Surface.SOUND), shop)
    drilling = family in (Family.DRILLED, Family.TAPPED)
    return SpeedAnswer(
        set_rpm=run.set_rpm,
        position=setting.position,
        mark=setting.mark,
        gear=setting.gear,
        target_rpm=target,
        off_percent=w.of(laws.off_percent, speed_rpm=setting.rpm, target_rpm=target.value),
        explains=explain(machine, held, setting, target.value, run.school, run.wanted_by),
        surface_speed_m_min=w.of(
            laws.surface_m_min, "surface_speed_m_min", speed_rpm=setting.rpm, diameter_mm=diameter
        ),
        feed_mm_per_rev=cut.per_rev,
        feed_mm_per_min=cut.per_min,
        feed_mm_per_tooth=cut.per_tooth,
        depth_mm=cut.depth,
        takes_off_mm=cut.takes_off,
        dial_slide=cut.dial.slide if cut.dial else "",
        dial_divisions=cut.divisions,
        dial_says=dial_says(cut.dial),
        dial_turns_say=turns_say(cut.dial, cut.divisions),
        roughness_um=cut.roughness,
        force_n=cut.force,
        power_w=cut.power,
        power_available_w=bench.available,
        torque_nm=cut.torque,
        torque_available_nm=bench.available_torque,
        spring_mm=spring,
        diameter_error_mm=None
        if spring is None
        else w.of(bend.diameter_error_mm, spring_mm=spring.value),
        time_s=takes_s(w, question, cut, diameter),
        stop_s=time_to_stop(w, question, setting.rpm),
        height_error_mm=height_error(w, question, cut.depth),
        coolant=metal.coolant_drill if drilling else metal.coolant,
        machine=machine.name,
        schools=() if run.cap else schools(w, question, machine, held, target.value, setting),
        cautions=cautions,
        links=_links(question, machine),
        then=then,
    )


_CENTRES = ((6.0, 1.25), (12.0, 2.0), (20.0, 2.5), (30.0, 3.15))
_LARGEST_PILOT_MM = 4.0


def centre_pilot_mm(shaft_mm: float) -> float:
    """Pilot of the centre drill for a bar's end: its countersink a quarter to a third of the bar.

    Source: common practice; the pilots of bodies 3.15, 5, 6.3, 8 and 10 after ISO 866.

    >>> centre_pilot_mm(9.525)
    2.0
    """
    return next((pilot for up_to, pilot in _CENTRES if shaft_mm <= up_to), _LARGEST_PILOT_MM)


_WHOLE = {Operation.DRILL: "drilled", Operation.REAM: "machine-reamed"}


def _links(question: SpeedQuestion, machine: Machine) -> tuple[Link, ...]:
    finish = _WHOLE.get(question.operation)
    if finish is None:
        return ()
    asked = [
        ("size", f"{float(question.diameter):.6g} mm"),
        ("metal", question.metal),
        ("finish", finish),
        ("machine", machine.name),
    ]
    if question.length is not None:
        asked.append(("deep", f"{float(question.length):.6g} mm"))
    return (Link("hole", tuple(asked), "The whole hole: pilot, steps and stops"),)


def headline(answer: SpeedAnswer, page: PageUnit) -> str:
    """The setting in a few words."""
    return (
        f"{answer.position} · {answer.set_rpm.words(page)}"
        if answer.position
        else answer.set_rpm.words(page)
    )


def _sweeps() -> dict[str, Sweep[SpeedQuestion, SpeedShop]]:
    # Fetched when wanted: it brings NumPy with it.
    from runk.core.cutting.sweep import Fan, fan

    return {"fan": Sweep(fan, Fan)}


SPEED = Calculator(
    name="speed",
    title="Speed, feed and depth of cut",
    door=Door("/speeds", "Speeds", "Speed of a cut"),
    opening={
        "operation": "bore",
        "diameter": '5/8"',
        "metal": "grey-iron",
        "held": "four-jaw",
        "tool": "carbide",
        "bar": "8 mm",
        "overhang": "45 mm",
        "length": "40 mm",
    },
    question=SpeedQuestion,
    answers=(SpeedAnswer,),
    compute=speed,
    needs=needs,
    sentences=SENTENCES,
    settle=settle,
    ruled=True,
    sweeps=_sweeps,
    headline=headline,
)
