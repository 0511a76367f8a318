"""End milling: chip a tooth, depth and load."""

from __future__ import annotations

from dataclasses import dataclass
from math import acos, ceil

from runk.core.cutting import laws
from runk.core.cutting.operations import Operation
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.spindle import FINISH_DEPTH_MM, Bench, Cut, practice_mm
from runk.core.cutting.tables import by_diameter, chip_groups, cut_shapes
from runk.core.figures import Caution, Holds, law
from runk.core.metals.metal import Metal
from runk.core.said import mm_said
from runk.core.sources import PRACTICE

RUB_MM = 0.005
"""A tooth taking less than this rubs: common practice."""
USUAL_THICKNESS_MM = 1.0
SAW_CUTS = 1 / 3
"""Share of a saw's teeth that cut: it never runs quite true (common practice)."""
FINISH_TOOTH = 0.5
"""Share of a tooth's chip when finishing: common practice."""
IN_PASSES = (Operation.SLOT, Operation.KEYWAY)
"""Cut in passes whatever depth is wanted in all."""
ON_EDGE = (Operation.SAW, Operation.GEAR_CUT)
FULL_WIDTH = (Operation.SLOT, Operation.KEYWAY)


@law("Chip a tooth", "{table_mm_per_tooth} from the table × {share}, never under 0.005", PRACTICE)
def practice_mm_per_tooth(table_mm_per_tooth: float, share: float) -> float:
    """Chip load from the practice table, never so thin that the tooth rubs.

    >>> practice_mm_per_tooth(0.005, 0.6)
    0.005
    """
    return max(table_mm_per_tooth * share, RUB_MM)


@law("Depth of each pass", "{deep_mm} ÷ {passes} passes")
def pass_mm(deep_mm: float, passes: float) -> float:
    """A slot's depth shared among its passes.

    >>> pass_mm(5.0, 4.0)
    1.25
    """
    return deep_mm / passes


@law(
    "Mean chip",
    "{chip_mm_per_tooth} meaned over {wide_mm} of a {diameter_mm} cutter",
    holds=Holds(
        "the cutter's width of cut is no more than its diameter",
        lambda wide_mm, diameter_mm: wide_mm <= diameter_mm,
    ),
)
def mean_chip_mm(chip_mm_per_tooth: float, wide_mm: float, diameter_mm: float) -> float:
    """Mean chip thickness of a milling tooth over the arc it cuts.

    Args:
        chip_mm_per_tooth: Feed a tooth.
        wide_mm: Width of cut; more than the diameter counts as the diameter.
        diameter_mm: Of the cutter.

    Source: mechanics, mean of f sin φ from 0 to acos(1 - 2 a/D).

    >>> round(mean_chip_mm(0.1, 10.0, 20.0), 4)
    0.0637
    """
    share = min(wide_mm / diameter_mm, 1.0)
    return chip_mm_per_tooth * 2.0 * share / acos(1.0 - 2.0 * share)


FACED_SHARE, FACED_MOST_MM = 0.1, 1.0
"""A face is milled a twentieth to a tenth of the cutter deep, and 1 mm at most: common practice."""
_STEP_OVER = 0.75
"""Passes side by side lie so much of the cutter apart: common practice."""
SMALL_MM = (3, 5)
TOOL_STEELS = ("silver-steel", "gauge-plate")


@dataclass(frozen=True, slots=True)
class Engaged:
    """How a cutter meets the metal: along its axis, and around it."""

    axial: float
    radial: float


def _engaged(bench: Bench, depth: float) -> Engaged:
    """Depth and width as the chip sees them.

    A saw or gear cutter stands on edge: its width lies along the axis, its depth around it.
    """
    question, diameter = bench.question, bench.diameter
    given = float(question.width) if question.width is not None else None
    if question.operation in ON_EDGE:
        return Engaged(given or USUAL_THICKNESS_MM, min(depth, diameter))
    if facing(question) and given:
        return Engaged(depth, min(given, diameter))
    full = question.operation in FULL_WIDTH or facing(question)
    return Engaged(depth, given or (diameter if full else diameter / 2))


def _depth(bench: Bench) -> float:
    w, question = bench.w, bench.question
    asked = None if question.depth is None else float(question.depth)
    if asked is not None and question.operation in IN_PASSES:
        share = cut_shapes()[question.operation].depth[bench.metal.chip]
        if asked > bench.diameter * share:
            passes = ceil(asked / (bench.diameter * share) - 1e-9)
            return w(pass_mm, deep_mm=asked, passes=float(passes))
    if asked is not None:
        return asked
    if bench.finishing:
        return w(practice_mm, table_mm=FINISH_DEPTH_MM[question.tool], share=1.0, why="finishing")
    if facing(question):
        deep = min(bench.diameter * FACED_SHARE, FACED_MOST_MM)
        return w(practice_mm, table_mm=deep, share=1.0, why="a face: light")
    share = cut_shapes()[question.operation].depth[bench.metal.chip]
    return w(practice_mm, table_mm=bench.diameter, share=share, why="share of the cutter")


def facing(question: SpeedQuestion) -> bool:
    """Whether an end mill faces: a flange, a boss, with its end."""
    return question.operation is Operation.END_MILL and question.faced == "face"


def beside_the_rule(question: SpeedQuestion, metal: Metal) -> list[Caution]:
    """What is common for the small cutters of slots, beside the rule by diameter."""
    small = SMALL_MM[0] <= question.diameter <= SMALL_MM[1]
    if question.operation not in (Operation.SLOT, Operation.KEYWAY) or not small:
        return []
    usual = 1.0 if metal.family == "iron" else 0.5 if metal.kind in TOOL_STEELS else 0.0
    if not usual:
        return []
    says = (
        f"About {mm_said(usual)} a pass is common in {metal.name} with a cutter of 3 to 5 mm; what "
        "stands above is the rule by its diameter."
    )
    return [Caution("Mind", "the passes", says, "depth_mm", PRACTICE)]


def side_by_side(question: SpeedQuestion) -> list[Caution]:
    """How a face wider than its cutter is gone over."""
    if not facing(question) or question.width is None or question.width <= question.diameter:
        return []
    wide, across = float(question.width), float(question.diameter) * _STEP_OVER
    tracks = ceil((wide - float(question.diameter)) / across - 1e-9) + 1
    says = (
        f"{mm_said(wide)} is wider than the cutter: {tracks} passes side by side, each at most "
        f"{mm_said(across)} beside the last, all at one depth."
    )
    return [Caution("Mind", "the width", says, "width_mm", PRACTICE)]


def milled(bench: Bench) -> Cut:
    """Feed, depth and load of every milling cut; a side cut is half the cutter wide."""
    w, question, diameter = bench.w, bench.question, bench.diameter
    shape = cut_shapes()[question.operation]
    start = len(w.steps)
    tooth = w(
        practice_mm_per_tooth,
        table_mm_per_tooth=by_diameter("tooth", diameter),
        share=chip_groups()[bench.metal.chip].tooth
        * shape.feed
        * (FINISH_TOOTH if bench.finishing else 1.0),
        why="half a chip for finishing" if bench.finishing else "",
    )
    per_tooth = w.figure(tooth, "feed_mm_per_tooth", since=start)
    teeth = float(question.teeth or shape.teeth)
    sawing = question.operation is Operation.SAW
    per_rev = w.of(
        laws.tooth_mm_per_rev,
        "feed_mm_per_rev",
        since=start,
        chip_mm_per_tooth=tooth,
        teeth=teeth * (SAW_CUTS if sawing else 1.0),
        why="a saw runs out: a third of its teeth cut" if sawing else "",
    )
    per_min = bench.per_min(per_rev.value)
    start = len(w.steps)
    depth = _depth(bench)
    meets = _engaged(bench, depth)
    trial = bench.trial(mean_chip_mm(tooth, meets.radial, diameter))
    asked = laws.milling_w(trial, meets.axial, meets.radial, per_min.value)
    reduced = asked > bench.planned_w
    if reduced:
        depth *= bench.planned_w / asked
    dial = bench.machine.dial("head", "vertical slide")
    deep, divisions = bench.on_dial(dial, depth, start, reduced)
    meets = _engaged(bench, deep.value)
    start = len(w.steps)
    chip = w(mean_chip_mm, chip_mm_per_tooth=tooth, wide_mm=meets.radial, diameter_mm=diameter)
    power = w.of(
        laws.milling_w,
        "power_w",
        since=start,
        specific_n_per_mm2=bench.specific(chip),
        deep_mm=meets.axial,
        wide_mm=meets.radial,
        feed_mm_per_min=per_min.value,
    )
    force = w.of(laws.milling_n, "force_n", power_w=power.value, surface_m_min=bench.surface)
    return Cut(
        per_rev=per_rev,
        per_min=per_min,
        per_tooth=per_tooth,
        depth=deep,
        takes_off=deep,
        dial=dial,
        divisions=divisions,
        force=force,
        power=power,
        torque=w.of(laws.cut_nm, "torque_nm", force_n=force.value, diameter_mm=diameter),
        roughness=None,
        reduced="depth" if reduced else "",
    )
