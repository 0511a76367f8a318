"""The passes of a thread: of equal chip, and light ones to end with."""

from __future__ import annotations

from math import floor, hypot

from runk.core.machines.dials import JUDGED
from runk.core.plan.events import EventKind
from runk.core.plan.made import Pass, PassKind, Standing, made_pass, safe_to_touch
from runk.core.plan.spec import CutSpec, Job

_LEAST_LIGHT_MM = 0.05
_MOST_LIGHT_MM = 0.1
"""Light passes at the end, on the diameter: one to two thou each on the radius, practice."""
_NOT_ON_MM, _TIGHT_MM = 0.1, 0.04
"""A mate that will not go on has so much still to come, one that goes on tight so much: on the
diameter past the limit, common practice."""
_ROCKS_MM = 0.05
_TELLS_MM = {Job.THREAD: 0.3, Job.NUT: 0.15}
"""From so much past the limit on, wires are worth laying, a nut's screw trying: practice."""
_SLACK = 1e-9


def next_thread_pass(spec: CutSpec, at: Standing) -> Pass | None:
    """The next pass of a thread, or None where it is deep enough."""
    if spec.first_says and at.wound == 0 and not at.finishing:
        return Pass(PassKind.FIRST, 0.0, 0.0, 0.0, 0.0, at.left_mm)
    if at.left_mm <= spec.sure_left + _SLACK:
        return None
    if at.left_mm <= spec.most_left + _SLACK and not safe_to_touch(spec, at):
        return None
    whole = spec.left(spec.now_mm)
    done, rough = whole - at.left_mm, whole - spec.finish_mm
    grain = spec.division * JUDGED
    if rough - done > max(grain, _LEAST_LIGHT_MM):
        # Each takes as much metal as the first: deeper, the chip is wider, so the take shrinks.
        take = min(hypot(max(done, 0.0), spec.chip_mm), rough) - done
        return made_pass(spec, at, PassKind.ROUGH, _judged(take / grain))
    take = min(at.left_mm, max(at.left_mm * 2 / 3, _LEAST_LIGHT_MM), _MOST_LIGHT_MM)
    last = take > at.left_mm - _LEAST_LIGHT_MM / 2
    kind = PassKind.LAST if last else PassKind.MEASURE
    return made_pass(spec, at, kind, _judged((at.left_mm if last else take) / grain))


def _judged(grains: float) -> float:
    return max(1, floor(grains + _SLACK)) * JUDGED


def left_tried_mm(spec: CutSpec, left_mm: float, tried: EventKind) -> float:
    """Metal left as the mate tells it, so that what was predicted is believed where it agrees.

    Args:
        left_mm: As predicted.
        tried: How the mate went on.
    """
    most, least = spec.most_left, spec.least_left
    low, high = {
        EventKind.NOT_ON: (most + _NOT_ON_MM, float("inf")),
        EventKind.TIGHT: (most + _TIGHT_MM / 2, most + _TIGHT_MM),
        EventKind.RUNS: (least, spec.sure_left),
        EventKind.ROCKS: (-float("inf"), least - _ROCKS_MM),
    }[tried]
    return min(max(left_mm, low), high)


def goes(spec: CutSpec, left_mm: float) -> EventKind:
    """How the mate goes on with so much metal really left: :func:`left_tried_mm` turned round."""
    if left_mm > spec.most_left + 1.5 * _TIGHT_MM:
        return EventKind.NOT_ON
    if left_mm > spec.most_left:
        return EventKind.TIGHT
    return EventKind.ROCKS if left_mm < spec.least_left else EventKind.RUNS


def readable(spec: CutSpec, left_mm: float) -> bool:
    """Whether wires touch the flanks with so much left; in a nut there is no place for them."""
    return spec.job is Job.THREAD and left_mm <= spec.reads_left_mm + _SLACK


def tells(spec: CutSpec, left_mm: float) -> bool:
    """Whether it is worth measuring with so much left, or its screw trying."""
    if not spec.threaded:
        return True
    near = left_mm <= spec.most_left + _TELLS_MM[spec.job]
    return near and (spec.job is Job.NUT or readable(spec, left_mm))
