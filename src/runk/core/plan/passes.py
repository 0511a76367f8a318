"""One pass after the other: what comes next, and what it should leave."""

from __future__ import annotations

from math import ceil, floor, hypot

from runk.core.machines.dials import JUDGED
from runk.core.plan.laws import comes_off_mm, wind_on_mm, wind_on_sprung_out_mm
from runk.core.plan.made import (
    Pass,
    PassKind,
    Standing,
    after,
    made_pass,
    safe_to_touch,
    turned_round,
)
from runk.core.plan.spec import CutSpec
from runk.core.plan.thread_passes import next_thread_pass

MOST_PASSES = 400
_MOST_SPRING_PASSES = 3
_SLACK = 1e-9
RATIO_DOUBT = 0.5
"""How far a spring ratio may be out, as a share of itself."""


def at_start(spec: CutSpec) -> Standing:
    """Before the first pass."""
    left = spec.left(spec.now_mm)
    return Standing(left, 0.0, spec.spring_ratio, softer=spec.softer(left))


def next_pass(spec: CutSpec, at: Standing) -> Pass | None:
    """The next pass, or None where the size is inside or past its limits.

    Unfolding this pass by pass is the whole plan, so a reading that comes out as predicted
    changes nothing that was to follow.
    """
    if spec.threaded:
        return next_thread_pass(spec, at)
    if spec.first_says and at.wound == 0 and not at.finishing:
        return Pass(PassKind.FIRST, 0.0, 0.0, 0.0, 0.0, at.left_mm)
    if at.left_mm <= spec.sure_left + _SLACK:
        return None
    ratio = at.ratio_now(spec)
    fine = ratio * spec.finish_share
    sprung = comes_off_mm(0.0, at.lag_mm, fine)
    fresh = at.spring_passes < _MOST_SPRING_PASSES
    if at.finishing and fresh and sprung >= max(0.5 * at.left_mm, spec.resolution_mm / 4):
        return made_pass(spec, at, PassKind.SPRING, 0.0, _end(spec, at))
    if at.left_mm <= spec.most_left + _SLACK and not safe_to_touch(spec, at):
        return None
    end = _end(spec, at)
    # With both ends to clean up, the first is brought to its own half way.
    left = at.left_mm - (spec.left(spec.now_mm) / 2 if spec.ends == 2 and end == 1 else 0.0)
    surplus = left - 2 * spec.finish_mm
    if surplus > max(spec.division, spec.finish_mm / 2) + _SLACK:
        most = spec.rough_mm
        if spec.most_sprung_mm and ratio * most > spec.most_sprung_mm:
            most = spec.most_sprung_mm / ratio
        passes = max(1, ceil((surplus - spec.division) / most - _SLACK))
        # The tool itself never goes past the last cut's allowance, however far the work leans
        # away: what springs back comes off later, whether wanted or not.
        nearest = (left - spec.finish_mm) / (1 + ratio)
        take = min(surplus / passes, most)
        if at.wound == 0 or end != at.end:
            take = max(take, spec.skin_mm)
        take = min(take, nearest)
        whole = floor(wind_on_mm(take, at.lag_mm, ratio) / spec.division + _SLACK)
        if whole >= 1:
            return made_pass(spec, at, PassKind.ROUGH, float(whole), end)
    if left > 1.5 * spec.finish_mm + _SLACK:
        wind = wind_on_mm(left / 2, at.lag_mm, fine)
        if wind < spec.division * JUDGED:
            return made_pass(spec, at, PassKind.SPRING, 0.0, end)
        return made_pass(spec, at, PassKind.MEASURE, _judged(spec, wind), end)
    last = made_pass(spec, at, PassKind.LAST, _last(spec, at, left), end)
    half = wind_on_mm(left / 2, at.lag_mm, fine)
    if last.leaves_mm < spec.least_left - _SLACK and last.divisions <= JUDGED:
        # No division falls inside the limits: the rest by something finer than the dial.
        wind = max(wind_on_mm(left, at.lag_mm, fine), 0.0)
        return made_pass(spec, at, PassKind.FINE, wind / spec.division, end)
    if left >= 2 * spec.least_mm and half >= spec.division * JUDGED and _half_first(spec, at, last):
        return made_pass(spec, at, PassKind.MEASURE, _judged(spec, half), end)
    return last


def _half_first(spec: CutSpec, at: Standing, last: Pass) -> bool:
    """Whether a last cut is surer taken in two, measured between.

    Where the spring is not known well enough to land inside the limits, and it is the spring that
    is in doubt, not the gauge or the dial: those are no better known after half of it. So too
    where nothing has been cut yet: a touch is good to a division, and a reading takes that away.
    """
    springs, fixed = doubts_mm(spec, at, last)
    apart = spec.high_mm - spec.low_mm
    touched = at.wound == 0 or turned_round(at, last)
    if touched and hypot(springs, fixed, spec.division) > apart + _SLACK:
        return True
    return springs > fixed and hypot(springs, fixed) > apart / 2


def doubts_mm(spec: CutSpec, at: Standing, made: Pass) -> tuple[float, float]:
    """How far a pass may come out from what is predicted: by the spring; by gauge and dial."""
    before = at.load_mm * at.softer
    springs = abs(made.load_mm * made.softer - before) * at.ratio * RATIO_DOUBT
    return springs, hypot(spec.resolution_mm, spec.division * JUDGED / 2)


def _end(spec: CutSpec, at: Standing) -> int:
    half = spec.left(spec.now_mm) / 2
    return 2 if spec.ends == 2 and at.left_mm <= half + spec.division * JUDGED / 2 else 1


def _judged(spec: CutSpec, wind_mm: float) -> float:
    grain = spec.division * JUDGED
    return max(1, floor(wind_mm / grain + _SLACK)) * JUDGED


def _last(spec: CutSpec, at: Standing, left: float) -> float:
    """Divisions of the last cut, leaving metal rather than taking too much."""
    fine = at.ratio_now(spec) * spec.finish_share
    through = fine * spec.finish_mm > (spec.most_left - spec.least_left) / 4
    wind = wind_on_sprung_out_mm(left, at.lag_mm) if through else wind_on_mm(left, at.lag_mm, fine)
    divisions = _judged(spec, max(wind, spec.division * JUDGED))

    def leaves(count: float) -> float:
        wound = count * spec.division
        return at.left_mm - (wound + at.lag_mm if through else comes_off_mm(wound, at.lag_mm, fine))

    # A quarter division more where less would leave too much, and more is still well inside.
    guard = spec.most_left - spec.sure_left
    more = divisions + JUDGED
    wanted = leaves(divisions) > spec.sure_left and leaves(more) >= spec.least_left + guard
    return more if wanted else divisions


def every_pass(spec: CutSpec, at: Standing) -> tuple[Pass, ...]:
    """All passes from here to size, each as the one before it should leave the work."""
    found: list[Pass] = []
    while len(found) < MOST_PASSES and (made := next_pass(spec, at)) is not None:
        found.append(made)
        at = after(at, made)
    return tuple(found)
