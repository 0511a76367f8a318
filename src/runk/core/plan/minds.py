"""What to mind about a cut to size, where it bites."""

from __future__ import annotations

from math import hypot

from runk.core.figures import Caution, stop
from runk.core.machines.dials import JUDGED
from runk.core.plan.follow import Followed
from runk.core.plan.made import Pass, PassKind
from runk.core.plan.passes import doubts_mm
from runk.core.plan.say import TOP_SLIDE_DEG
from runk.core.plan.spec import CutSpec, Job
from runk.core.said import mm_said
from runk.core.sources import MECHANICS, PRACTICE

_SLACK = 1e-9


def unsure_mm(spec: CutSpec, where: Followed, told: Pass) -> float:
    """How far a pass may come out from what is predicted: gauge, dial and spring together."""
    change, _ = doubts_mm(spec, where.at, told)
    gauge = spec.resolution_mm if where.measured else spec.resolution_mm + 0.05 * told.takes_mm
    # Touching off is only good to a division or so; a reading takes that away.
    touch = 0.0 if where.outcomes else spec.division
    return hypot(gauge, spec.division * JUDGED / 2, change, touch)


def minds(spec: CutSpec, where: Followed, told: Pass | None) -> list[Caution]:
    """Cautions of the plan itself; those of the metal and the machine come beside them."""
    found = _of_places(spec, where)
    if spec.limits_said:
        found = [*_of_dial(spec), *_of_gauge(spec), *found]
    if told is None:
        return found
    unsure = unsure_mm(spec, where, told)
    rough = told.kind in (PassKind.ROUGH, PassKind.FINE)
    if not rough and told.leaves_mm - unsure < spec.least_left:
        found.append(
            Caution(
                "Mind",
                "going under",
                f"This cut is sure only to {mm_said(unsure, 3)} and could "
                "go past the limit: measure before it, wind on a little less, measure "
                "again.",
                "next",
                MECHANICS,
            )
        )
    if told.kind in (PassKind.LAST, PassKind.FINE) and 0 < told.takes_mm < spec.least_mm:
        found.append(
            Caution(
                "Mind",
                "rubbing",
                f"{mm_said(told.takes_mm, 3)} is less than this edge cuts: it "
                "rubs. A keen high-speed steel tool takes it.",
                "next",
                PRACTICE,
            )
        )
    if told.kind in (PassKind.MEASURE, PassKind.LAST, PassKind.FINE):
        found.append(
            Caution(
                "Mind",
                "the heat",
                "Let it cool before measuring, or give its temperature with the reading.",
                None,
                PRACTICE,
            )
        )
    return found


def _of_dial(spec: CutSpec) -> list[Caution]:
    fine = spec.division * JUDGED
    apart = spec.high_mm - spec.low_mm
    if spec.read_out or not spec.division_mm or fine <= apart / 2 + _SLACK:
        return []
    says = (
        f"A quarter division is {mm_said(fine, 3)} of the size and the limits are "
        f"{mm_said(apart, 3)} apart. "
    )
    says += (
        f"Set the top slide {TOP_SLIDE_DEG:.2f}° from the line of the bed: it then moves the "
        "tool in by a tenth of its own dial."
        if spec.job in (Job.OUTSIDE, Job.BORE)
        else "Use an indicator against the slide."
    )
    return [Caution("Mind", "the dial", says, "dial", MECHANICS)]


def _of_gauge(spec: CutSpec) -> list[Caution]:
    apart = spec.high_mm - spec.low_mm
    if spec.resolution_mm <= apart / 2 + _SLACK:
        return []
    says = (
        f"What reads to {mm_said(spec.resolution_mm)} cannot tell limits {mm_said(apart, 3)} apart."
    )
    return [Caution("Mind", "the gauge", says, None, PRACTICE)]


def _of_places(spec: CutSpec, where: Followed) -> list[Caution]:
    if not where.outcomes:
        return []
    last = where.outcomes[-1]
    found = []
    if last.spread_mm > spec.high_mm - spec.low_mm:
        found.append(
            stop(
                "the places",
                "find the taper or oval before the next cut",
                f"They differ by {mm_said(last.spread_mm, 3)}, more than the "
                "limits allow: taper or oval. No cut brings all of them inside; find the "
                "cause first.",
                "left_mm",
                MECHANICS,
            )
        )
    elif where.worst_left_mm < spec.least_left <= where.at.left_mm:
        found.append(
            Caution(
                "Mind",
                "one place",
                f"On the mean it is inside, at its worst it measures {mm_said(last.worst_mm, 3)}.",
                "left_mm",
                MECHANICS,
            )
        )
    return found
