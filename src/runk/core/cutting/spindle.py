"""What the spindle gives at the speed chosen, and what every cut is described by."""

from __future__ import annotations

from dataclasses import dataclass
from math import floor

from runk.core.cutting import laws
from runk.core.cutting.question import SpeedQuestion, Stage, Surface, Tool
from runk.core.figures import Figure, Num, Working, law
from runk.core.machines.machine import Dial, Machine, Setting
from runk.core.metals import Metal
from runk.core.sources import PRACTICE

BELT_SHARE = 0.8
"""Share of the motor's power that reaches the spindle: common practice."""
PLANNED_SHARE = 0.7
"""Share of what the belt gives that is planned on: a dull edge takes a third more (practice)."""
EDGE = {Tool.HSS: 1.3, Tool.COBALT: 1.3, Tool.CARBIDE: 1.0}
"""How much more force an edge asks than sharp carbide at its own speed."""
FINISH_DEPTH_MM = {Tool.HSS: 0.0625, Tool.COBALT: 0.0625, Tool.CARBIDE: 0.2}
"""Half the finishing allowance on diameter: a carbide tip rubs at less."""


@law("Depth of cut", "{table_mm} by practice × {share}", PRACTICE)
def practice_mm(table_mm: Num, share: Num) -> Num:
    """Depth of cut from the practice table, times a share (metal, boring).

    >>> practice_mm(0.4, 1.25)
    0.5
    """
    return table_mm * share


@law("Whole divisions", "{divisions} × {division_mm} each")
def divisions_mm(divisions: Num, division_mm: Num) -> Num:
    """Depth that whole divisions of the dial give.

    >>> divisions_mm(16.0, 0.0254)
    0.4064
    """
    return divisions * division_mm


@law("Section of the chip", "{depth_mm} × {feed_mm_per_rev}")
def chip_mm2(depth_mm: Num, feed_mm_per_rev: Num) -> Num:
    """Area of the chip: depth times feed.

    >>> chip_mm2(0.5, 0.1)
    0.05
    """
    return depth_mm * feed_mm_per_rev


@dataclass(frozen=True, slots=True)
class Cut:
    """Feed, depth and load. ``reduced`` names what was turned down for want of power."""

    per_rev: Figure | None
    per_min: Figure | None
    per_tooth: Figure | None
    depth: Figure | None
    takes_off: Figure | None
    dial: Dial | None
    divisions: Figure | None
    force: Figure | None
    power: Figure | None
    torque: Figure | None
    roughness: Figure | None
    reduced: str


@dataclass(frozen=True, slots=True)
class Bench:
    """Everything a cut is worked out from, with the working it is recorded in."""

    w: Working
    question: SpeedQuestion
    metal: Metal
    machine: Machine
    setting: Setting
    diameter: float
    surface: float
    available: Figure
    available_torque: Figure

    @property
    def planned_w(self) -> float:
        """Power a cut is planned on, something kept in hand for a dull edge."""
        return self.available.value * PLANNED_SHARE

    @property
    def austenitic(self) -> bool:
        """Whether the metal hardens under an edge that rubs."""
        return self.metal.austenitic

    @property
    def finishing(self) -> bool:
        """A finishing cut in sound metal; under a skin the first cut is never that."""
        return self.question.stage is Stage.FINISH and self.question.surface is Surface.SOUND

    def specific(self, chip_mm: float) -> float:
        """Specific cutting force at a chip thickness, recorded."""
        return self.w(
            laws.specific_n_per_mm2,
            kc11_n_per_mm2=self.metal["kc11_n_per_mm2"],
            mc=self.metal["mc"],
            chip_mm=chip_mm,
            edge=EDGE[self.question.tool],
            source=self.metal.source("kc11_n_per_mm2"),
        )

    def trial(self, chip_mm: float) -> float:
        """The same, not recorded: for trying whether the belt can give the power."""
        return laws.specific_n_per_mm2(
            self.metal["kc11_n_per_mm2"], self.metal["mc"], chip_mm, EDGE[self.question.tool]
        )

    def per_min(self, per_rev: float) -> Figure:
        """Feed a minute at the speed set."""
        return self.w.of(laws.feed_mm_per_min, speed_rpm=self.setting.rpm, feed_mm_per_rev=per_rev)

    def on_dial(
        self, dial: Dial | None, depth: float, since: int, reduced: bool
    ) -> tuple[Figure, Figure | None]:
        """Depth in whole divisions, at least one; rounded down where power set it."""
        if dial is None:
            return self.w.figure(depth, "depth_mm", since=since), None
        exact = depth / dial.travel_mm
        whole = max(1.0, float(floor(exact if reduced else exact + 0.5)))
        at = len(self.w.steps)
        deep = self.w(divisions_mm, divisions=whole, division_mm=dial.travel_mm)
        divisions = self.w.figure(whole, "dial_divisions", since=at)
        return self.w.figure(deep, "depth_mm", since=since), divisions


def at_bench(
    w: Working, question: SpeedQuestion, metal: Metal, machine: Machine, setting: Setting
) -> Bench:
    """The spindle's power and torque at a setting, ready for the cut to be worked out."""
    diameter = float(question.diameter)
    start = len(w.steps)
    watts = w(laws.spindle_w, motor_w=machine.power_w, share=BELT_SHARE, why="belts and bearings")
    if setting.rpm < setting.top_rpm:
        watts = w(laws.slowed_w, power_w=watts, speed_rpm=setting.rpm, top_rpm=setting.top_rpm)
    available = w.figure(watts, "power_available_w", since=start)
    torque = w.of(laws.shaft_nm, power_w=watts, speed_rpm=setting.rpm)
    surface = laws.surface_m_min(setting.rpm, diameter)
    return Bench(w, question, metal, machine, setting, diameter, surface, available, torque)
