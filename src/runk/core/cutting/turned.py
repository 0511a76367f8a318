"""Turning, facing and boring: feed, depth and load of a single-point tool."""

from __future__ import annotations

from math import sqrt

from runk.core.cutting import laws
from runk.core.cutting.operations import Operation
from runk.core.cutting.question import SpeedQuestion, Tool
from runk.core.cutting.skin import skinned
from runk.core.cutting.spindle import FINISH_DEPTH_MM, Bench, Cut, chip_mm2, practice_mm
from runk.core.cutting.tables import by_diameter, chip_groups
from runk.core.figures import Caution, Figure, Holds, Num, law
from runk.core.said import mm_said
from runk.core.sources import PRACTICE

SKIN_DEPTH_MM = 0.8
"""Least depth that gets under a casting's skin in one bite: common practice."""
TIP_RADIUS_MM = {Tool.HSS: 0.5, Tool.COBALT: 0.5, Tool.CARBIDE: 0.4}
AUSTENITIC_DEPTH_MM, AUSTENITIC_FEED_MM = 0.1, 0.05
"""Less than this an edge rubs in austenitic stainless and hardens it: common practice."""
CARBIDE_FEED_MM = 0.04
"""A carbide edge is not keen enough for less: common practice."""
BORING_FEED = 0.8
BORING_DEPTH = 0.65


@law("Feed by diameter", "{table_mm_per_rev} from the table × {share}", PRACTICE)
def practice_mm_per_rev(table_mm_per_rev: Num, share: Num) -> Num:
    """Feed a turn from the practice table, times a share (finishing a third, boring 0.8).

    >>> practice_mm_per_rev(0.05, 0.8)
    0.04000...
    """
    return table_mm_per_rev * share


@law("Off the diameter", "2 × {depth_mm}")
def off_diameter_mm(depth_mm: Num) -> Num:
    """What a depth of cut takes off the diameter, or opens a bore by.

    >>> off_diameter_mm(0.4)
    0.8
    """
    return 2.0 * depth_mm


def _depth(bench: Bench, boring: bool) -> float:
    w, question = bench.w, bench.question
    if question.depth is not None:
        return float(question.depth)
    if bench.finishing:
        allowance = FINISH_DEPTH_MM[question.tool]
        if bench.austenitic and allowance < AUSTENITIC_DEPTH_MM:
            why = "less would rub in its hardened skin"
            return w(practice_mm, table_mm=AUSTENITIC_DEPTH_MM, share=1.0, why=why)
        return w(practice_mm, table_mm=allowance, share=1.0, why="half the finishing allowance")
    share = chip_groups()[bench.metal.chip].depth * (BORING_DEPTH if boring else 1.0)
    table = by_diameter("depth", bench.diameter)
    if skinned(question.surface, bench.metal) and table * share < SKIN_DEPTH_MM:
        return w(practice_mm, table_mm=SKIN_DEPTH_MM, share=1.0, why="under the skin in one bite")
    return w(practice_mm, table_mm=table, share=share, why="by diameter and metal")


@law(
    "Feed for that finish",
    "√(32 × {tip_radius_mm} × {rough_um} ÷ 1000)",
    holds=Holds(
        "the feed that comes of it is no more than the tip's radius",
        lambda tip_radius_mm, rough_um: 32.0 * rough_um / 1000.0 <= tip_radius_mm,
    ),
)
def finish_mm_per_rev(tip_radius_mm: float, rough_um: float) -> float:
    """Feed a turn whose ideal roughness is that Ra; real surfaces are 1 to 3 times rougher.

    Args:
        tip_radius_mm: Radius of the tool's tip.
        rough_um: Ra wanted, micrometres.

    Source: mechanics, the roughness relation turned round.

    >>> round(finish_mm_per_rev(0.4, 1.6), 3)
    0.143
    """
    return sqrt(32.0 * tip_radius_mm * rough_um / 1000.0)


def _finish_feed(bench: Bench, radius: float) -> Figure | None:
    wanted = bench.question.finish
    if wanted is None:
        return None
    w = bench.w
    start = len(w.steps)
    feed = w(finish_mm_per_rev, tip_radius_mm=radius, rough_um=wanted)
    rough = by_diameter("turn", bench.diameter)
    if feed > rough:
        w.steps.pop()
        feed = w(
            practice_mm_per_rev,
            table_mm_per_rev=rough,
            share=1.0,
            why="any feed up to the roughing feed leaves that finish",
        )
    return w.figure(feed, "feed_mm_per_rev", since=start)


@law("Never finer than", "{least_mm_per_rev} a turn", PRACTICE)
def keen_mm_per_rev(least_mm_per_rev: Num) -> Num:
    """The finest feed an edge still cuts at in that metal.

    >>> keen_mm_per_rev(0.05)
    0.05
    """
    return least_mm_per_rev


def _keen(bench: Bench, feed: Figure) -> Figure:
    """The feed, or the finest that does not rub."""
    least = CARBIDE_FEED_MM if bench.question.tool is Tool.CARBIDE else 0.0
    if bench.austenitic:
        least = max(least, AUSTENITIC_FEED_MM)
    if feed.value >= least:
        return feed
    return bench.w.of(keen_mm_per_rev, "feed_mm_per_rev", least_mm_per_rev=least)


def turned(bench: Bench) -> Cut:
    """Feed, depth and load of turning, facing or boring."""
    w, question = bench.w, bench.question
    boring = question.operation is Operation.BORE
    facing = question.operation is Operation.FACE
    reasons = ["a third for finishing"] * bench.finishing + ["lighter for boring"] * boring
    radius = float(question.tip_radius or TIP_RADIUS_MM[question.tool])
    since = len(w.steps)
    feed = _finish_feed(bench, radius) or _keen(
        bench,
        w.of(
            practice_mm_per_rev,
            "feed_mm_per_rev",
            table_mm_per_rev=by_diameter("turn", bench.diameter),
            share=(1 / 3 if bench.finishing else 1.0) * (BORING_FEED if boring else 1.0),
            why=", ".join(reasons),
        ),
    )
    start = len(w.steps)
    depth = _depth(bench, boring)
    asked = laws.cut_w(bench.trial(feed.value) * depth * feed.value, bench.surface)
    weak = asked > bench.planned_w
    # Under a skin it is the depth that matters: the feed goes down, not the cut.
    skin = skinned(question.surface, bench.metal)
    reduced = weak and not skin
    if reduced:
        depth *= bench.planned_w / asked
    elif weak:
        # Force goes as feed to the power (1 - mc).
        ease = (bench.planned_w / asked) ** (1 / (1 - bench.metal["mc"]))
        eased = w(practice_mm_per_rev, table_mm_per_rev=feed.value, share=ease, why="weak belt")
        feed = w.figure(eased, "feed_mm_per_rev", since=since)
    dial = (
        bench.machine.dial("top-slide", "saddle") if facing else bench.machine.dial("cross-slide")
    )
    deep, divisions = bench.on_dial(dial, depth, start, reduced)
    start = len(w.steps)
    specific = bench.specific(feed.value)
    section = w(chip_mm2, depth_mm=deep.value, feed_mm_per_rev=feed.value)
    force = w.of(
        laws.cutting_n, "force_n", since=start, specific_n_per_mm2=specific, chip_mm2=section
    )
    # Past its radius a tip leaves a thread: the row of arcs is none.
    arcs = feed.value <= radius
    return Cut(
        per_rev=feed,
        per_min=bench.per_min(feed.value),
        per_tooth=None,
        depth=deep,
        takes_off=deep if facing else w.of(off_diameter_mm, "takes_off_mm", depth_mm=deep.value),
        dial=dial,
        divisions=divisions,
        force=force,
        power=w.of(laws.cut_w, "power_w", force_n=force.value, surface_m_min=bench.surface),
        torque=w.of(laws.cut_nm, "torque_nm", force_n=force.value, diameter_mm=bench.diameter),
        roughness=w.of(laws.roughness_um, feed_mm_per_rev=feed.value, tip_radius_mm=radius)
        if arcs
        else None,
        reduced="depth" if reduced else "feed" if weak else "",
    )


def of_tip(question: SpeedQuestion, cut: Cut) -> list[Caution]:
    """Of a tip so sharp that its feed leaves a thread."""
    if question.tip_radius is None or cut.per_rev is None:
        return []
    if cut.per_rev.value <= float(question.tip_radius):
        return []
    if question.operation not in (Operation.TURN, Operation.FACE, Operation.BORE):
        return []
    says = (
        f"The feed is more than the tip's radius, {mm_said(question.tip_radius, 2)}: it leaves a "
        "fine thread, and no finish is told. Round the tip with a slip stone, or feed finer."
    )
    return [Caution("Mind", "the tip", says, "feed_mm_per_rev", PRACTICE)]
