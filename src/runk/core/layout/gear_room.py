"""The room a gear's cutter needs along the work: its run-out, its travel, what is left."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.figures import Caution, Figure, Working, law, stop, told
from runk.core.layout import gear_laws as laws
from runk.core.layout.gear_question import GearQuestion
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import MECHANICS
from runk.core.tools import ShopTool


@dataclass(frozen=True, slots=True)
class Room:
    """What a cutter needs along the teeth; None where not enough is told.

    Args:
        run_out: Past the teeth it still cuts.
        travel: Of the table, from before the teeth to past them.
        left: To the next shoulder, dog or chuck.
    """

    run_out: Figure | None = None
    travel: Figure | None = None
    left: Figure | None = None


@law("Travel of the table", "{wide_mm} + 2 × {run_out_mm}")
def travel_mm(wide_mm: float, run_out_mm: float) -> float:
    """From where the cutter has not begun to where it is through.

    >>> travel_mm(8.0, 9.3)
    26.6
    """
    return wide_mm + 2.0 * run_out_mm


def room_for(
    w: Working,
    question: GearQuestion,
    depth: float,
    owned: ShopTool | None,
    cutters: tuple[ShopTool, ...],
) -> Room:
    """How far past the teeth the cutter still cuts, and what is left to the next shoulder.

    Raises:
        Refused: A shoulder is told and no cutter known.
    """
    across = question.cutter
    if across is None and (tool := owned or next(iter(cutters[::-1]), None)):
        across = tool.size_mm
    if across is None:
        if question.room is not None:
            raise Refused("How large is the cutter? It runs out.", field="cutter", suggest="50 mm")
        return Room()
    run = w.of(laws.run_out_mm, depth_mm=depth, cutter_mm=float(across))
    travel = left = None
    if question.wide is not None:
        travel = w.of(travel_mm, wide_mm=float(question.wide), run_out_mm=run.value)
    if question.room is not None:
        left = told(float(question.room) - run.value, "left_mm", 2)
    return Room(run, travel, left)


def shoulder(left: Figure | None) -> tuple[Caution, ...]:
    """A shoulder the cutter reaches before the teeth are done."""
    if left is None or left.value > 0:
        return ()
    says = f"The cutter runs {mm_said(-left.value, 2)} into the shoulder before the teeth are done."
    instead = "a smaller cutter, or the shoulder farther off"
    return (stop("the shoulder", instead, says, "left_mm", MECHANICS),)
