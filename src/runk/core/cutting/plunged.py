"""Parting, grooving and form turning: a tool as wide as its cut, fed straight in; and knurling."""

from __future__ import annotations

from math import sqrt

from runk.core.cutting import laws
from runk.core.cutting.operations import Operation
from runk.core.cutting.spindle import Bench, Cut, chip_mm2, practice_mm
from runk.core.cutting.tables import by_diameter, cut_shapes
from runk.core.cutting.turned import keen_mm_per_rev, off_diameter_mm, practice_mm_per_rev
from runk.core.figures import Num, law
from runk.core.sources import PRACTICE

USUAL_WIDTH_MM = 2.0
KNURL_MM_PER_REV = 0.25


@law("Feed of a knurl", "{usual_mm_per_rev} a turn by practice", PRACTICE)
def knurl_mm_per_rev(usual_mm_per_rev: float) -> float:
    """Feed a turn along a knurl.

    >>> knurl_mm_per_rev(0.25)
    0.25
    """
    return usual_mm_per_rev


FINEST_MM = 0.002
"""No tool is fed in finer than this a turn: it rubs. Common practice."""
_CHAMFERS = ((10.0, 0.2), (25.0, 0.3))
_LARGE_CHAMFER_MM = 0.5
"""Chamfers by diameter, 0.2 to 0.5 mm at 45 degrees: common practice."""


@law("Face of the chamfer", "√2 × {size_mm}")
def chamfer_face_mm(size_mm: Num) -> Num:
    """How wide a 45 degree chamfer of that size cuts.

    >>> round(chamfer_face_mm(0.5), 3)
    0.707
    """
    return sqrt(2.0) * size_mm


def usual_chamfer_mm(diameter_mm: float) -> float:
    """The chamfer nobody asked the size of.

    >>> usual_chamfer_mm(20.0)
    0.3
    """
    return next((size for up_to, size in _CHAMFERS if diameter_mm <= up_to), _LARGE_CHAMFER_MM)


def _chamfer(bench: Bench) -> float:
    if bench.question.width is not None:
        return float(bench.question.width)
    usual = usual_chamfer_mm(bench.diameter)
    return bench.w(practice_mm, table_mm=usual, share=1.0, why="by diameter, 45 degrees")


def filed(_: Bench) -> Cut:
    """A file, a scraper or a strip is fed by the hand: there is only a speed."""
    return Cut(None, None, None, None, None, None, None, None, None, None, None, "")


def plunged(bench: Bench) -> Cut:
    """Feed and load of a tool fed straight in; the feed is turned down for a weak belt."""
    w, question = bench.w, bench.question
    start = len(w.steps)
    share = cut_shapes()[question.operation].feed
    feed = w(
        practice_mm_per_rev,
        table_mm_per_rev=by_diameter("turn", bench.diameter),
        share=share,
        why="a wide tool fed straight in",
    )
    if feed < FINEST_MM:
        feed = w(keen_mm_per_rev, least_mm_per_rev=FINEST_MM)
    chamfering = question.operation is Operation.CHAMFER
    size = _chamfer(bench) if chamfering else 0.0
    usual = w(chamfer_face_mm, size_mm=size) if chamfering else USUAL_WIDTH_MM
    wide = float(question.width) if question.width is not None and not chamfering else usual
    asked = laws.cut_w(bench.trial(feed) * wide * feed, bench.surface)
    reduced = asked > bench.planned_w
    if reduced:
        # Force goes as feed to the power (1 - mc).
        ease = (bench.planned_w / asked) ** (1 / (1 - bench.metal["mc"]))
        feed = w(practice_mm_per_rev, table_mm_per_rev=feed, share=ease, why="all that is planned")
    per_rev = w.figure(feed, "feed_mm_per_rev", since=start)
    start = len(w.steps)
    specific = bench.specific(feed)
    section = w(chip_mm2, depth_mm=wide, feed_mm_per_rev=feed)
    force = w.of(
        laws.cutting_n, "force_n", since=start, specific_n_per_mm2=specific, chip_mm2=section
    )
    start = len(w.steps)
    depth = None
    if question.operation is Operation.PART:
        depth = w(practice_mm, table_mm=bench.diameter, share=0.5, why="to the centre")
    elif chamfering:
        depth = size
    elif question.depth is not None:
        depth = float(question.depth)
    dial = bench.machine.dial("cross-slide") if depth is not None else None
    deep, divisions = bench.on_dial(dial, depth, start, False) if depth else (None, None)
    return Cut(
        per_rev=per_rev,
        per_min=bench.per_min(feed),
        per_tooth=None,
        depth=deep,
        takes_off=w.of(off_diameter_mm, "takes_off_mm", depth_mm=deep.value) if deep else None,
        dial=dial,
        divisions=divisions,
        force=force,
        power=w.of(laws.cut_w, "power_w", force_n=force.value, surface_m_min=bench.surface),
        torque=w.of(laws.cut_nm, "torque_nm", force_n=force.value, diameter_mm=bench.diameter),
        roughness=None,
        reduced="feed" if reduced else "",
    )


def knurled(bench: Bench) -> Cut:
    """Feed of a knurl. It squeezes rather than cuts, so no cutting force is given."""
    feed = bench.w.of(knurl_mm_per_rev, "feed_mm_per_rev", usual_mm_per_rev=KNURL_MM_PER_REV)
    return Cut(
        feed, bench.per_min(feed.value), None, None, None, None, None, None, None, None, None, ""
    )
