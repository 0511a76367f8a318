"""A thread followed, in words: where to wind to, readings over wires, how its mate goes on."""

from __future__ import annotations

from runk.core.machines.dials import mark_say
from runk.core.plan.answer import PlannedPass
from runk.core.plan.made import PassKind
from runk.core.plan.say import both, shown_size
from runk.core.plan.spec import CutSpec, Job
from runk.core.plan.thread_passes import readable
from runk.core.refusals import Refused
from runk.core.said import mm_said


def thread_stands(spec: CutSpec, wound: float) -> str:
    """Where the dial is wound to from nought, as it is read.

    A tool is drawn out after every pass of a thread, so that the mark counts, not the step.
    """
    if spec.read_out or not spec.division_mm:
        return mm_said(wound * (spec.division_mm or spec.division / spec.across), 3)
    back = spec.job is Job.NUT and not spec.turned_deg
    return mark_say(wound, spec.per_turn, back=back)


def thread_says(spec: CutSpec, wound: float, told: PlannedPass) -> tuple[str, str]:
    """The next pass of a thread, and what goes with it.

    Args:
        wound: Divisions from nought before it.
        told: The pass.
    """
    if told.kind == PassKind.FIRST:
        return spec.first_says, spec.first_detail
    divisions = told.divisions.value if told.divisions else told.take_mm.value / spec.division
    mark = thread_stands(spec, wound + divisions)
    deeper = both(spec, told.take_mm.value / 2, 3)
    detail = f"The {spec.slide or 'tool'} from nought: {deeper} deeper on the radius"
    if spec.turned_deg:
        detail = f"The {spec.slide} from nought, the cross-slide back at its own: {deeper} deeper"
    if told.reads:
        detail += (
            f"; over wires of {mm_said(spec.wire_mm, 3)} it should then read "
            f"{shown_size(spec, told.to_mm.value)}"
        )
    starts = f" In each of its {spec.parts} starts." if spec.parts > 1 else ""
    deep = spec.left(told.to_mm.value) <= spec.sure_left
    ends = " Then a pass at nothing, and its mate." if deep else ""
    return f"Wind to {mark}", f"{detail}.{starts}{ends}"


def thread_tried_say(spec: CutSpec) -> tuple[str, str]:
    """What to do once the dial says that it is deep enough and nothing has."""
    if spec.job is Job.NUT:
        return "Try its screw", "By the dial it is deep enough: a pass at nothing, then its screw."
    return (
        "Try the nut",
        "By the dial it is deep enough: a pass at nothing, then the nut; over wires of "
        f"{mm_said(spec.wire_mm, 3)} between {shown_size(spec, spec.low_mm)} and "
        f"{shown_size(spec, spec.high_mm)}.",
    )


def no_reading(spec: CutSpec, left_mm: float) -> Refused | None:
    """Why a size cannot have been read with so much left; None where it can.

    Args:
        left_mm: As the reading would have it.
    """
    if spec.job is Job.NUT:
        return Refused(
            "A nut has no size to type: try its screw, and say how it goes.", field="reading"
        )
    if readable(spec, left_mm):
        return None
    return Refused(
        f"Wires of {mm_said(spec.wire_mm, 3)} lie on the crests there and touch no flank: from "
        f"{mm_said(spec.size(spec.reads_left_mm), 3)} down they tell something. Or try the nut.",
        field="reading",
    )
