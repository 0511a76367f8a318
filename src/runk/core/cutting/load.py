"""A cut turned down to the power there is: what that costs, and where it is no cut any more."""

from __future__ import annotations

from runk.core.cutting.operations import FACTS, Family, Operation
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.spindle import PLANNED_SHARE, Cut
from runk.core.figures import Caution, stop
from runk.core.said import mm_said
from runk.core.sources import PRACTICE

DRILL_RUBS_MM = 0.01
"""Feed a turn under which a large drill rubs: common practice."""


def of_load(question: SpeedQuestion, cut: Cut) -> list[Caution]:
    """What to mind where depth or feed was turned down to what the belt can drive."""
    if not cut.reduced:
        return []
    what = "depth is" if cut.reduced == "depth" else "feed is"
    found = [
        Caution(
            "Mind",
            "the load",
            f"The {what} turned down to {PLANNED_SHARE:.0%} of what this belt can give: a large "
            "diameter is a long arm, and a dull edge takes a third more.",
            f"{cut.reduced}_mm",
            PRACTICE,
        )
    ]
    drilled = FACTS[question.operation].family is Family.DRILLED
    if drilled and cut.per_rev is not None and cut.per_rev.value < DRILL_RUBS_MM:
        says = (
            f"All this belt can drive is {mm_said(cut.per_rev.value, 3)} a turn, and under "
            f"{mm_said(DRILL_RUBS_MM, 2)} a drill rubs and does not cut: open the hole in steps, "
            "or bore it."
        )
        found.append(stop("stalling", "open it in steps, or bore it", says, "torque_nm", PRACTICE))
    elif question.operation is Operation.DRILL:
        found.append(
            Caution(
                "Mind",
                "stalling",
                "Open the hole in steps, so that each drill cuts less.",
                "torque_nm",
                PRACTICE,
            )
        )
    return found
