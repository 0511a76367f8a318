"""The room a gear's cutter needs along the work: its run-out, its travel, what is left."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.figures import Caution, Figure, Working, law, stop, told
from runk.core.layout import gear_laws as laws
from runk.core.layout.gear_question import GearQuestion
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.tools import ShopTool


@dataclass(frozen=True, slots=True)
class Room:
    """What a cutter needs along the teeth; None where not enough is told.

    Args:
        run_out: Past the teeth it still cuts.
        taken: Diameter of the cutter that was taken because nobody told one; 0 where one is known.
        travel: Of the table, from before the teeth to past them.
        left: To the next shoulder, dog or chuck.
    """

    run_out: Figure | None = None
    taken: float = 0.0
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
    known = question.cutter is not None or owned is not None
    return Room(run, 0.0 if known else float(across), travel, left)


def shoulder(room: Room) -> tuple[Caution, ...]:
    """A shoulder the cutter reaches before the teeth are done, and a cutter that was only taken."""
    left, found = room.left, list[Caution]()
    if room.taken and room.run_out is not None:
        says = (
            f"Its cutter is not in the trays: taken as {mm_said(room.taken, 1)} across, like "
            "another one there. Say how large the one bought is."
        )
        found.append(Caution("Mind", "the cutter", says, "run_out_mm", PRACTICE))
    if left is None or left.value > 0:
        return tuple(found)
    if room.taken:
        says = (
            f"A cutter so large runs {mm_said(-left.value, 2)} into the shoulder: the one for "
            "these teeth must be smaller."
        )
        return (*found, Caution("Mind", "the shoulder", says, "left_mm", MECHANICS))
    says = f"The cutter runs {mm_said(-left.value, 2)} into the shoulder before the teeth are done."
    instead = "a smaller cutter, or the shoulder farther off"
    return (stop("the shoulder", instead, says, "left_mm", MECHANICS),)
