"""The heart of a cut: what it wants, what is set for it, what the tool then does."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction

from runk.core.cutting import laws
from runk.core.cutting.able import check, holding_of
from runk.core.cutting.advise import cautions_for
from runk.core.cutting.caps import Cap, lowest
from runk.core.cutting.drilled import drilled
from runk.core.cutting.hardness import of_hardness
from runk.core.cutting.milled import beside_the_rule, milled, side_by_side
from runk.core.cutting.operations import FACTS, Family
from runk.core.cutting.plunged import filed, knurled, plunged
from runk.core.cutting.question import SetUp, SpeedQuestion
from runk.core.cutting.reach import as_long
from runk.core.cutting.spindle import Bench, Cut, at_bench
from runk.core.cutting.stepped import set_speed
from runk.core.cutting.target import SpeedShop, target_speed
from runk.core.cutting.threaded import of_the_hand, threaded
from runk.core.cutting.tray import of_tray
from runk.core.cutting.turned import turned
from runk.core.figures import Caution, Figure, Working
from runk.core.machines.choose import School, choose
from runk.core.machines.machine import Holding, Setting
from runk.core.metals import Metal

_HOW = {
    Family.TURNED: turned,
    Family.PLUNGED: plunged,
    Family.KNURLED: knurled,
    Family.FILED: filed,
    Family.DRILLED: drilled,
    Family.MILLED: milled,
    Family.TAPPED: threaded,
    Family.THREADED: threaded,
}


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
        found = (*of_hardness(question), *found)
        found += tuple(of_tray(question, self.held, shop.tray))
        found += tuple(beside_the_rule(question, shop.metal))
        found += tuple(side_by_side(question))
        hand = of_the_hand(question)
        if self.cap is not None and self.setting.rpm > self.target.value * (1 + 1e-9):
            # No tip or finer feed helps here, as it would where the metal wants it slower.
            others = (c for c in found if c.about not in ("the speed", "the stop"))
            return (self.cap.over(self.setting.rpm), *others)
        return (*hand, *found)


def as_thin(question: SpeedQuestion, thin_mm: Fraction | None) -> SpeedQuestion:
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
    slender = as_thin(question, thin_mm)
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
    cap = lowest(w, question, slender, shop, held)
    if cap is not None and cap.rpm.value >= max(setting.rpm, target.value):
        cap = None
    if cap is not None:
        if cap.rpm.value < target.value:
            target, wanted_by = cap.rpm, cap.by
        # A metal forgives a step over; a shoulder, or a bar that whirls, does not.
        if question.school is not School.SLOWEST:
            question = replace(question, school=School.NEVER_OVER)
        setting = choose(machine, target.value, held, question.school)
    set_rpm = set_speed(w, question, machine, setting, target)
    bench = at_bench(w, question, metal, machine, setting)
    cut = _HOW[FACTS[question.operation].family](bench)
    return Worked(
        held, metal, target, wanted_by, setting, set_rpm, bench, cut, question.school, cap
    )
