"""A groove followed: its plunges made, what is left to its width is sneaked up on from one side."""

from __future__ import annotations

from runk.core.figures import Working
from runk.core.machines.dials import back_say, judged_divisions
from runk.core.machines.machine import Dial, Machine
from runk.core.metals.metal import Metal
from runk.core.plan.groove import (
    OVERLAP,
    SIDE_MM,
    cautions_of,
    checked_groove,
    depth_says,
    floor_mm,
    offsets,
)
from runk.core.plan.question import Edge, PlanQuestion
from runk.core.plan.settle import LEAST_MM, USUAL_READS_TO_MM, Said, Settled, limits, setting_says
from runk.core.plan.spec import CutSpec, Job
from runk.core.refusals import Refused
from runk.core.said import mm_said


def settled_groove(
    question: PlanQuestion, machine: Machine, metal: Metal, reads_to_mm: float = USUAL_READS_TO_MM
) -> Settled:
    """Settle a groove whose width is brought to size by its readings.

    The roughing plunges and the left wall are cut as planned; from there the width is measured,
    and the tool moved to the right by what is left. That the tool cuts a little wider than it
    is ground is then in the reading.

    Raises:
        Refused: As :func:`~runk.core.plan.groove.groove`; or a tool as wide as the groove.
    """
    low, aim, high = limits(question)
    cut, _, _ = checked_groove(question, machine, metal)
    assert question.width is not None
    assert question.deep is not None
    assert question.now is not None
    tool, deep = float(question.width), float(question.deep)
    before = [x for kind, x in offsets(aim, tool) if kind != "right"]
    if len(before) < 2 and before[0] + tool >= low:
        raise Refused(
            "The tool is as wide as the groove: one plunge makes it, and there is nothing to "
            "sneak up on. Take a narrower one, or keep the plan on the slate.",
            field="width",
        )
    across, inward = machine.dial("top-slide", "saddle"), machine.dial("cross-slide")
    added = tool if question.edge is Edge.RIGHT else 0.0
    edge = "right" if added else "left"
    last = max(before)
    places = [_place(across, x + added) for x in before]
    plunges = f"Plunge at {'; then at '.join(places)}"
    back = f" Come back to {_place(across, last + added)} and measure." if last else ""
    bottom = floor_mm(question)
    spec = CutSpec(
        Job.GROOVE,
        question.metal,
        last + tool,
        aim,
        low,
        high,
        tool * OVERLAP,
        SIDE_MM,
        LEAST_MM[question.tool] / 2,
        0.0,
        1.0,
        across.slide if across else "",
        across.travel_mm if across else 0.0,
        across.per_turn if across else 1,
        across.unit if across else "mm",
        across.reads if across else "radius",
        across.backlash / across.division if across else 0.0,
        False,
        metal["expansion_um_per_m_k"],
        reads_to_mm,
        from_divisions=judged_divisions(across, last + added) if across else 0.0,
        first_says=plunges,
        first_detail=(
            f"{depth_says(inward, deep, question.wall)} The floor then measures "
            f"{mm_said(bottom, 2)}.{back}"
        ),
        edge=edge,
    )
    setting = setting_says(cut)
    feed = cut.fed.value
    said = Said(
        setting,
        setting,
        feed,
        feed,
        machine.name,
        tuple((c.word, c.about, c.says, c.instead) for c in cautions_of(question, cut)),
    )
    return Settled(spec, said, Working(), None)


def _place(dial: Dial | None, mm: float) -> str:
    if dial is None:
        return mm_said(mm, 2)
    return back_say(judged_divisions(dial, mm), dial.per_turn)
