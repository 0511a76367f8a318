"""End milling: chip a tooth, depth and load."""

from __future__ import annotations

from math import acos

from runk.core.cutting import laws
from runk.core.cutting.spindle import FINISH_DEPTH_MM, Bench, Cut, practice_mm
from runk.core.cutting.tables import by_diameter, chip_groups
from runk.core.figures import law
from runk.core.sources import PRACTICE

RUB_MM = 0.005
"""A tooth taking less than this rubs: common practice."""
USUAL_TEETH = 4


@law("Chip a tooth", "{table_mm_per_tooth} from the table × {share}, never under 0.005", PRACTICE)
def practice_mm_per_tooth(table_mm_per_tooth: float, share: float) -> float:
    """Chip load from the practice table, never so thin that the tooth rubs.

    >>> practice_mm_per_tooth(0.005, 0.6)
    0.005
    """
    return max(table_mm_per_tooth * share, RUB_MM)


@law("Mean chip", "{chip_mm_per_tooth} meaned over {wide_mm} of a {diameter_mm} cutter")
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


def milled(bench: Bench) -> Cut:
    """Feed, depth and load of end milling, half the cutter wide where not told."""
    w, question, diameter = bench.w, bench.question, bench.diameter
    group = chip_groups()[bench.metal.chip]
    start = len(w.steps)
    tooth = w(
        practice_mm_per_tooth, table_mm_per_tooth=by_diameter("tooth", diameter), share=group.tooth
    )
    per_tooth = w.figure(tooth, "feed_mm_per_tooth", since=start)
    teeth = float(question.teeth or USUAL_TEETH)
    per_rev = w.of(
        laws.tooth_mm_per_rev, "feed_mm_per_rev", since=start, chip_mm_per_tooth=tooth, teeth=teeth
    )
    per_min = bench.per_min(per_rev.value)
    wide = float(question.width) if question.width is not None else diameter / 2
    start = len(w.steps)
    if question.depth is not None:
        depth = float(question.depth)
    elif bench.finishing:
        depth = w(practice_mm, table_mm=FINISH_DEPTH_MM[question.tool], share=1.0, why="finishing")
    else:
        depth = w(practice_mm, table_mm=diameter, share=group.mill_depth, why="share of the cutter")
    trial = bench.trial(mean_chip_mm(tooth, wide, diameter))
    asked = laws.milling_w(trial, depth, wide, per_min.value)
    reduced = asked > bench.available.value
    if reduced:
        depth *= bench.available.value / asked
    dial = bench.machine.dial("head", "vertical slide")
    deep, divisions = bench.on_dial(dial, depth, start, reduced)
    start = len(w.steps)
    chip = w(mean_chip_mm, chip_mm_per_tooth=tooth, wide_mm=wide, diameter_mm=diameter)
    power = w.of(
        laws.milling_w, "power_w", since=start, specific_n_per_mm2=bench.specific(chip),
        deep_mm=deep.value, wide_mm=wide, feed_mm_per_min=per_min.value,
    )  # fmt: skip
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
