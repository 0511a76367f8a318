"""A single-point tool in a thread: how deep, in which shares, at which belt, on which lathe."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from math import cos, radians

from runk.core.cutting import speed
from runk.core.cutting.answer import SpeedAnswer
from runk.core.cutting.operations import Operation
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.target import SpeedShop
from runk.core.figures import Caution, Figure, Working
from runk.core.machines import Machine, MachineKind
from runk.core.plan.settle import USUAL_READS_TO_MM
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import PRACTICE
from runk.core.threads import screw_laws as laws
from runk.core.threads.hands import Hand
from runk.core.threads.laws import thread_depth_mm, truncation_mm
from runk.core.threads.screwcut_question import ScrewcutQuestion, Side
from runk.core.tools import ShopTool
from runk.core.tools.measures import finest
from runk.core.wheels.half_nuts import may_open
from runk.core.workshop import Workshop

INTERNAL_60 = 0.541266
"""Depth of a nut of 60 degrees as a share of its pitch: five eighths of the sharp triangle."""
LESS_DEG = 0.5
"""The top slide stands half a degree short of half the angle, so that both flanks are cut."""
LAST_MM = {"hard": 0.025, "usual": 0.04, "soft": 0.05}
"""What the last of its passes takes by the metal, on the radius: one to two thou, practice."""
_LIGHT_MM = (0.05, 0.025)
"""What is left for two light passes where a thread is too shallow to end so by itself."""
_ROUNDED = 2e-3
"""A tip told to a hair more than goes is one told in round figures."""
RUNS_OFF = Fraction(100)
"""Room enough, in millimetres, that no hand has to be quick."""
_HARD = (
    "stainless-303",
    "stainless-304",
    "stainless-316",
    "silver-steel",
    "gauge-plate",
    "42crmo4",
)
_SOFT = ("brass", "aluminium", "copper", "bronze")
_DRIVE = Caution(
    "Mind",
    "the drive",
    "Isolate it when the spindle is turned by hand; the chuck key out.",
    None,
    PRACTICE,
)


@dataclass(frozen=True, slots=True)
class CutShop:
    """The lathe, the metal, the drills that will do for wires, and what reads over them."""

    lathe: Machine
    asked: SpeedQuestion
    speed: SpeedShop
    drills: tuple[ShopTool, ...]
    reads_to_mm: float

    def belt(self) -> SpeedAnswer:
        """The belt for it: one law and one choice, whoever asks."""
        return speed.speed(self.asked, self.speed)


def needs(question: ScrewcutQuestion, workshop: Workshop) -> CutShop:
    """The lathe and the metal."""
    lathe = workshop.machine(question.machine, (MachineKind.LATHE,))
    # A left-hand thread begins in its groove and runs off the end: nothing has to be stopped, but
    # only where the half-nuts may be opened. Closed, the tool is run back into its groove.
    runs_off = question.hand is Hand.LEFT and opens(question, lathe)
    asked = SpeedQuestion(
        metal=question.metal,
        diameter=question.thread.major,
        operation=Operation.SCREW_CUT,
        pitch=question.thread.pitch * question.starts,
        relief=RUNS_OFF if runs_off else question.relief,
        width=question.tool,
        own_rpm=question.own_rpm,
        machine=lathe.name,
    )
    asked = speed.settle(asked, workshop, {})
    reads = finest(workshop.measures, "outside", question.thread.major_mm) or USUAL_READS_TO_MM
    return CutShop(lathe, asked, speed.needs(asked, workshop), workshop.drills, reads)


def opens(question: ScrewcutQuestion, lathe: Machine) -> bool:
    """Whether the half-nuts may be opened at the end of a pass, and find the thread again."""
    if lathe.leadscrew_mm is None:
        return False
    lead = question.thread.pitch * question.starts
    return may_open(Fraction(str(lathe.leadscrew_mm)), lead, lathe.dial_teeth)


def cautions_of(belt: SpeedAnswer) -> tuple[Caution, ...]:
    """What to mind about the belt, and the drive."""
    found = (c for c in belt.cautions if c.figure == "set_rpm" or c.about == "your speed")
    return (*found, _DRIVE)


def set_over(w: Working, question: ScrewcutQuestion) -> Figure:
    """The top slide's angle from the cross-slide's direction."""
    angle = question.thread.form.angle_deg
    return replace(
        w.of(laws.set_over_deg, "angle_deg", angle_deg=angle, less_deg=LESS_DEG), places=1
    )


@dataclass(frozen=True, slots=True)
class Shares:
    """A travel in shares: passes of one chip area, and light ones behind them.

    Args:
        rough_mm: Where those of one chip end.
        count: How many they are.
        light_mm: What each of those behind them takes.
    """

    rough_mm: float
    count: int
    light_mm: tuple[float, ...]


def shares(metal: str, travel: float) -> Shares:
    """The passes of a travel: as many of one chip as leave the last of them one to two thou.

    >>> shares("mild-steel", 0.974).count, shares("silver-steel", 0.486).count
    (12, 9)
    """
    kind = "hard" if metal in _HARD else "soft" if any(s in metal for s in _SOFT) else "usual"
    least = LAST_MM[kind]
    count = _count(travel, least)
    if travel * (1 - ((count - 1) / count) ** 0.5) <= _LIGHT_MM[0] + least / 10:
        return Shares(travel, count, ())
    rough = max(travel - sum(_LIGHT_MM), travel / 2)
    light = tuple(mm * (travel - rough) / sum(_LIGHT_MM) for mm in _LIGHT_MM)
    return Shares(rough, _count(rough, least), light)


def _count(travel: float, least: float) -> int:
    """The most passes of one chip area of which the last still takes so much."""
    count = 1
    while travel * (1 - (count / (count + 1)) ** 0.5) >= least:
        count += 1
    return count


def _other_crest(question: ScrewcutQuestion, inside: bool) -> float:
    """Width of a sharp-edged crest of one of the two, in pitches.

    A metric nut's is a quarter of the pitch wide, its screw's an eighth; a form that is round at
    both counts alike on both sides.
    """
    form = question.thread.form
    return 0.25 if inside and form.key not in ("whitworth", "ba") else form.crest


def own_crest_mm(question: ScrewcutQuestion) -> float:
    """Width of the crest of what is cut."""
    return _other_crest(question, question.side is Side.INSIDE) * question.thread.pitch_mm


def bore_of(question: ScrewcutQuestion) -> float:
    """The depth a nut is bored for, as a share of its pitch, whatever the tip of its tool."""
    form = question.thread.form
    return form.depth if form.key in ("whitworth", "ba") else INTERNAL_60


def _see_tip(question: ScrewcutQuestion) -> None:
    """See that the mate's crest still goes into the root a tip leaves.

    A flat may be as wide as that crest; a round one touches the flanks where the crest's edges do,
    at the radius times cos half the angle squared over its sine above the sharp root.

    Raises:
        Refused: It is wider.
    """
    wide = _other_crest(question, question.side is Side.OUTSIDE) * question.thread.pitch_mm
    half = radians(question.thread.form.angle_deg) / 2
    given, most, field = question.flat, wide, "flat"
    if question.radius is not None:
        given, most, field = question.radius, wide / (2 * cos(half)), "radius"
    if given is not None and float(given) > most * (1 + _ROUNDED):
        mate = "nut" if question.side is Side.OUTSIDE else "screw"
        raise Refused(
            f"That tip leaves a root too wide for the {mate}'s crest: {mm_said(most, 3)} at the "
            "most, or the two never go together.",
            field=field,
            suggest=f"{most / 2:.3f} mm",
        )


def depth_of(w: Working, question: ScrewcutQuestion) -> Figure:
    """How deep the tool goes for its tip and the thread's form."""
    thread = question.thread
    form, pitch = thread.form, thread.pitch_mm
    whole = form.key in ("whitworth", "ba")
    if question.flat is None and question.radius is None and whole:
        # Tools of these are ground to the form, root and all.
        return w.of(
            thread_depth_mm, "depth_mm", times=form.depth, pitch_mm=pitch, source=form.source
        )
    if question.side is Side.INSIDE and question.flat is None and question.radius is None:
        return w.of(
            thread_depth_mm, "depth_mm", times=INTERNAL_60, pitch_mm=pitch, source=form.source
        )
    since = len(w.steps)
    crest = w(truncation_mm, crest_mm=own_crest_mm(question), angle_deg=form.angle_deg)
    sharp = w(laws.sharp_mm, pitch_mm=pitch, angle_deg=form.angle_deg, truncation_mm=crest)
    if question.radius is not None:
        off = w(laws.round_mm, radius_mm=float(question.radius), angle_deg=form.angle_deg)
    else:
        flat = pitch / 8 if question.flat is None else float(question.flat)
        off = w(laws.flat_mm, flat_mm=flat, angle_deg=form.angle_deg)
    _see_tip(question)
    return w.of(laws.depth_mm, since=since, sharp_mm=sharp, off_mm=off)
