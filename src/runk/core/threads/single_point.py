"""A single-point tool in a thread: how deep, in which shares, at which belt, on which lathe."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction

from runk.core.cutting import speed
from runk.core.cutting.answer import SpeedAnswer
from runk.core.cutting.operations import Operation
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.target import SpeedShop
from runk.core.figures import Caution, Figure, Working
from runk.core.machines import Machine, MachineKind
from runk.core.plan.settle import USUAL_READS_TO_MM
from runk.core.refusals import Refused
from runk.core.sources import PRACTICE
from runk.core.threads import screw_laws as laws
from runk.core.threads.hands import Hand
from runk.core.threads.laws import thread_depth_mm, truncation_mm
from runk.core.threads.screwcut_question import ScrewcutQuestion, Side
from runk.core.tools import ShopTool
from runk.core.tools.measures import finest
from runk.core.workshop import Workshop

INTERNAL_60 = 0.541266
"""Depth of a nut of 60 degrees as a share of its pitch: five eighths of the sharp triangle."""
LESS_DEG = 0.5
"""The top slide stands half a degree short of half the angle, so that both flanks are cut."""
LAST_MM = {"hard": 0.025, "usual": 0.04, "soft": 0.05}
"""What the last of its passes takes by the metal, on the radius: one to two thou, practice."""
_LIGHT_MM = (0.05, 0.025)
"""What is left for two light passes where a thread is too shallow to end so by itself."""
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
    asked = SpeedQuestion(
        metal=question.metal,
        diameter=question.thread.major,
        operation=Operation.SCREW_CUT,
        pitch=question.thread.pitch * question.starts,
        # A left-hand thread begins in its groove and runs off the end: nothing has to be stopped.
        relief=RUNS_OFF if question.hand is Hand.LEFT else question.relief,
        width=question.tool,
        own_rpm=question.own_rpm,
        machine=lathe.name,
    )
    asked = speed.settle(asked, workshop, {})
    reads = finest(workshop.measures, "outside", question.thread.major_mm) or USUAL_READS_TO_MM
    return CutShop(lathe, asked, speed.needs(asked, workshop), workshop.drills, reads)


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
    crest = w(truncation_mm, crest_mm=form.crest * pitch, angle_deg=form.angle_deg)
    sharp = w(laws.sharp_mm, pitch_mm=pitch, angle_deg=form.angle_deg, truncation_mm=crest)
    if question.radius is not None:
        off = w(laws.round_mm, radius_mm=float(question.radius), angle_deg=form.angle_deg)
    else:
        flat = pitch / 8 if question.flat is None else float(question.flat)
        off = w(laws.flat_mm, flat_mm=flat, angle_deg=form.angle_deg)
    if off >= sharp * 0.75:
        raise Refused(
            "That tip is wider than the root of this thread.",
            field="flat" if question.radius is None else "radius",
            suggest=f"{pitch / 8:.3f} mm",
        )
    return w.of(laws.depth_mm, since=since, sharp_mm=sharp, off_mm=off)
