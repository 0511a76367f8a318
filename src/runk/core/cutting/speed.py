"""``speed``: what to set on the machine for a cut."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction

from runk.core.calculator import Calculator, Door, Sweep
from runk.core.cutting import bend, laws
from runk.core.cutting.able import ON_TABLE, holding_of
from runk.core.cutting.answer import SpeedAnswer
from runk.core.cutting.height import height_error
from runk.core.cutting.operations import FACTS, Operation
from runk.core.cutting.outcome import coolant_for, springs, takes_s
from runk.core.cutting.own import judged
from runk.core.cutting.question import SpeedQuestion, Surface
from runk.core.cutting.reach import far_sprung
from runk.core.cutting.skin import skinned
from runk.core.cutting.spigot import bonded_there, on_spigot
from runk.core.cutting.spindle import Cut
from runk.core.cutting.stepped import dial_says, elsewhere, explain, schools, turns_say
from runk.core.cutting.target import SpeedShop
from runk.core.cutting.threaded import time_to_stop
from runk.core.cutting.tray import by_hand_alone, tray_for
from runk.core.cutting.words import PITCHED, SENTENCES
from runk.core.cutting.worked import as_thin, worked
from runk.core.figures import Figure, Link, Working, told
from runk.core.lengths import Reading
from runk.core.machines.choose import geared
from runk.core.machines.machine import Machine, MachineKind
from runk.core.refusals import Refused
from runk.core.threads.series import threads
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


def _machine(question: SpeedQuestion, workshop: Workshop) -> tuple[Machine, tuple[Machine, ...]]:
    """The machine it is done on, and the others that could.

    Raises:
        Refused: A machine that is not there, or cannot do this.
    """
    facts = FACTS[question.operation]
    kinds = facts.machines
    if question.held in ON_TABLE:
        # What is held on a table is cut where there is one.
        kinds = tuple(sorted(kinds, key=lambda kind: kind is MachineKind.LATHE))
    machine = workshop.machine(question.machine, kinds)
    if machine.kind not in kinds:
        raise Refused(
            f"{facts.doing} wants a {' or a '.join(kinds)}; {machine.name} is a {machine.kind}.",
            field="machine",
        )
    others = tuple(m for m in workshop.machines if m.kind in kinds and m.key != machine.key)
    return geared(machine, question.gears), others


def needs(question: SpeedQuestion, workshop: Workshop) -> SpeedShop:
    """Pick the machine, the metal and the tray.

    Raises:
        Refused: A machine that is not there, or cannot do this.
    """
    machine, others = _machine(question, workshop)
    tray = tray_for(question.operation, workshop.tools)
    return SpeedShop(machine, workshop.metals[question.metal], others, tray)


def settle(
    question: SpeedQuestion, workshop: Workshop, readings: Mapping[str, Reading]
) -> SpeedQuestion:
    """Name the usual machine and holding where left open, and a named thread's own pitch."""
    machine, _ = _machine(question, workshop)
    if not question.diameter and question.shaft is not None:
        pilot = centre_pilot_mm(float(question.shaft))
        owned = min(workshop.centres, key=lambda tool: abs(tool.mm - pilot), default=None)
        question = replace(question, diameter=owned.size_mm if owned else Fraction(str(pilot)))
    named = readings.get("diameter")
    pitch = question.pitch
    if pitch is None and named is not None and question.operation in PITCHED:
        pitch = named.pitch_mm
    return replace(question, machine=machine.name, held=holding_of(question, machine), pitch=pitch)


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
    slender = as_thin(question, thin_mm)
    machine, held, metal, cut = shop.machine, run.held, run.metal, run.cut
    target, setting, bench = run.target, run.setting, run.bench
    diameter = float(question.diameter)
    spring = springs(w, slender, held, metal, cut)
    cautions = run.cautions(question, shop, spring, slender)
    # A plan still has to reckon with it, should somebody go on.
    if thin_mm is None and spring is not None and far_sprung(slender, spring.value):
        spring = None
    spigot = on_spigot(w, question, metal, cut)
    spring = spigot.spring or spring
    own = judged(w, question, run, shop)
    then = None
    if skinned(question.surface, shop.metal):
        then = speed(replace(question, surface=Surface.SOUND), shop)
    answer = SpeedAnswer(
        set_rpm=run.set_rpm,
        position=setting.position,
        mark=setting.mark,
        gear=setting.gear,
        target_rpm=target,
        off_percent=w.of(laws.off_percent, speed_rpm=setting.rpm, target_rpm=target.value),
        explains=explain(machine, held, setting, target.value, run.school, run.wanted_by),
        elsewhere=elsewhere(shop, setting.rpm, target.value, question.school),
        own=own.rows,
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
        spigot_n_per_mm2=spigot.bent,
        diameter_error_mm=None
        if spring is None
        else w.of(bend.diameter_error_mm, spring_mm=spring.value),
        time_s=takes_s(w, question, cut, diameter),
        stop_s=time_to_stop(w, question, setting.rpm),
        height_error_mm=height_error(w, question, cut.depth),
        coolant=coolant_for(metal, question),
        machine=machine.name,
        schools=() if run.cap else schools(w, question, machine, held, target.value, setting),
        cautions=(*spigot.cautions, *cautions, *own.cautions),
        links=_links(question, machine, cut),
        then=then,
    )
    return answer if by_hand_alone(question, shop.tray) is None else _by_hand(answer)


def _by_hand(answer: SpeedAnswer) -> SpeedAnswer:
    """What is turned by hand has neither revolutions nor a feed, and nothing to set."""

    def still(key: str) -> Figure:
        return told(0.0, key, 0)

    return replace(
        answer,
        set_rpm=still("set_rpm"),
        position="by hand",
        mark="",
        gear="",
        target_rpm=still("target_rpm"),
        off_percent=still("off_percent"),
        surface_speed_m_min=still("surface_speed_m_min"),
        explains="The spindle stands: it is turned by hand.",
        elsewhere="",
        feed_mm_per_rev=None,
        feed_mm_per_min=None,
        force_n=None,
        power_w=None,
        power_available_w=still("power_available_w"),
        torque_nm=None,
        torque_available_nm=still("torque_available_nm"),
        time_s=None,
        stop_s=None,
        schools=(),
        own=(),
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


_SAME_MM = 0.001
_WHOLE = {Operation.DRILL: "drilled", Operation.REAM: "machine-reamed"}


def _threads_of(question: SpeedQuestion) -> list[str]:
    """The threads of that diameter and pitch by their names; a special where there is none."""
    size, pitch = float(question.diameter), float(question.pitch or 0)
    # An inch pitch typed in millimetres is never quite the same.
    known = [
        one.name
        for one in threads()
        if abs(one.major_mm - size) < _SAME_MM and abs(one.pitch_mm - pitch) < _SAME_MM
    ]
    return known or [f"{size:g}x{pitch:g}"]


def _of_thread(question: SpeedQuestion, machine: Machine) -> tuple[Link, ...]:
    """What a thread asked by its sizes may be: M6 and 0 BA are of one size and two forms."""
    along = [("metal", question.metal), ("machine", machine.name)]
    for name, value in (("relief", question.relief), ("tool", question.width)):
        if value is not None:
            along.append((name, f"{float(value):.6g} mm"))
    return tuple(
        Link("screwcut", (("thread", name), *along), f"{name}: depth, and what to wind to")
        for name in _threads_of(question)
    )


def _links(question: SpeedQuestion, machine: Machine, cut: Cut) -> tuple[Link, ...]:
    if question.spigot is not None:
        return bonded_there(question, cut)
    if question.operation is Operation.SCREW_CUT and question.pitch is not None:
        return _of_thread(question, machine)
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
    """The setting in a few words, and how far one's own speed is off."""
    said = answer.set_rpm.words(page)
    if answer.position:
        said = f"{answer.position} · {said}"
    own = next((row for row in answer.own if row.what == "speed"), None)
    if own is None:
        return said
    off = own.off_percent.value
    far = f"{abs(off):.0f} % {'over' if off > 0 else 'under'} what the cut wants"
    return f"{said} · {own.yours.shown(page)} is {far}" if abs(off) >= 1 else f"{said} · as you say"


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
