"""Drilling: feed and torque of a twist drill."""

from __future__ import annotations

from math import pi, sin

from runk.core.cutting import laws
from runk.core.cutting.operations import Operation
from runk.core.cutting.spindle import Bench, Cut, chip_mm2
from runk.core.cutting.tables import chip_groups, cut_shapes
from runk.core.figures import Num, law
from runk.core.sources import PRACTICE, read_table

LIP_SIN = sin(pi * 59 / 180)
"""Sine of half the point angle of a 118° drill: a lip's chip is that much thinner."""
POINT_DEG = 118.0
"""Of a drill as it is bought, where nobody says otherwise."""
WHY = {
    Operation.REAM: "two to three times a drill's feed",
    Operation.CENTRE: "half a drill's feed",
    Operation.COUNTERSINK: "half a drill's feed",
    Operation.SPOT_FACE: "half a drill's feed",
}
REAM_TIMES = 2.5
"""Torque of a reamer against a drill's goes with the ring it takes, and so many times that for its
thin chips and the rubbing of its margins: common practice, unchecked."""
_THINNEST_FEED = 1e-4


@law("Drill feed", "{diameter_mm} ÷ 60 × {share}, at most 0.15 × {share}", PRACTICE)
def drill_mm_per_rev(diameter_mm: float, share: float) -> float:
    """Feed a turn of a drill: D/60 with a ceiling, more in iron and brass.

    >>> drill_mm_per_rev(6.0, 1.0)
    0.1
    >>> round(drill_mm_per_rev(12.0, 1.5), 3)
    0.225
    """
    return min(diameter_mm / 60.0, 0.15) * share


@law("Feed this belt can drive", "{feed_mm_per_rev} × {share}")
def eased_mm_per_rev(feed_mm_per_rev: float, share: float) -> float:
    """Feed turned down to the power there is.

    >>> eased_mm_per_rev(0.1, 0.5)
    0.05
    """
    return feed_mm_per_rev * share


@law("Only a ring of it", "{torque_nm} × {share}", PRACTICE)
def ring_nm(torque_nm: float, share: float) -> float:
    """Torque of a tool that takes a ring, as a share of a drill's in solid metal.

    >>> ring_nm(2.0, 0.1)
    0.2
    """
    return torque_nm * share


@law("Width of both chips", "{diameter_mm} × {share}")
def half_mm(diameter_mm: Num, share: Num) -> Num:
    """How wide a drill's two lips cut together; of a reamer, its thin ring.

    >>> half_mm(6.0, 0.5)
    3.0
    """
    return diameter_mm * share


def ring_share(diameter_mm: float) -> float:
    """Torque of a reamer as a share of a drill's of its size, by what it is usually left.

    >>> round(ring_share(22.0), 3)
    0.034
    """
    rows = read_table("ream_allowances")
    row = next((r for r in rows if diameter_mm <= float(r["up_to_mm"]) + 1e-9), rows[-1])
    left = (float(row["low_mm"]) + float(row["high_mm"])) / 2
    return REAM_TIMES * left / diameter_mm


def drilled(bench: Bench) -> Cut:
    """Feed and load of drilling; the feed is turned down where the belt is too weak."""
    w, metal = bench.w, bench.metal
    start = len(w.steps)
    shape = cut_shapes()[bench.question.operation].feed
    feed = w(
        drill_mm_per_rev,
        diameter_mm=bench.diameter,
        share=chip_groups()[metal.chip].drill * shape,
        why=WHY.get(bench.question.operation, ""),
    )
    reaming = bench.question.operation is Operation.REAM
    trial = laws.drill_nm(bench.trial(feed / 2 * LIP_SIN), feed, bench.diameter)
    ring = ring_share(bench.diameter) if reaming else 1.0
    trial *= ring
    asked = laws.shaft_w(trial, bench.setting.rpm)
    reduced = asked > bench.planned_w
    if reduced:
        # Torque goes as feed to the power (1 - mc), so this lands on the power there is.
        share = (bench.planned_w / asked) ** (1 / (1 - metal["mc"]))
        feed = max(w(eased_mm_per_rev, feed_mm_per_rev=feed, share=share), _THINNEST_FEED)
    per_rev = w.figure(feed, "feed_mm_per_rev", since=start)
    start = len(w.steps)
    specific = bench.specific(feed / 2 * LIP_SIN)
    whole = w(
        laws.drill_nm, specific_n_per_mm2=specific, feed_mm_per_rev=feed, diameter_mm=bench.diameter
    )
    if reaming:
        whole = w(ring_nm, torque_nm=whole, share=ring, why="a reamer takes a thin ring")
    torque = w.figure(whole, "torque_nm", since=start)
    share, why = (0.5 * ring, "its thin ring") if reaming else (0.5, "half the drill")
    # Half the drill is how wide its chip is; nothing of it is a depth anybody sets.
    start = len(w.steps)
    wide = w(half_mm, diameter_mm=bench.diameter, share=share, why=why)
    section = w(chip_mm2, depth_mm=wide, feed_mm_per_rev=feed)
    return Cut(
        per_rev=per_rev,
        per_min=bench.per_min(feed),
        per_tooth=None,
        depth=None,
        takes_off=None,
        dial=None,
        divisions=None,
        force=w.of(
            laws.cutting_n, "force_n", since=start, specific_n_per_mm2=specific, chip_mm2=section
        ),
        power=w.of(laws.shaft_w, "power_w", torque_nm=torque.value, speed_rpm=bench.setting.rpm),
        torque=torque,
        roughness=None,
        reduced="feed" if reduced else "",
    )
