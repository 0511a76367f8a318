"""Speeds, feeds and heights for a pattern or a profile cut by numbers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Any

from runk.core.cutting.speed import SPEED
from runk.core.machines import MachineKind
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

NEAR_MM = 1.0
"""Over the work, to where it goes down fast."""
SAFE_LEAST_MM, SAFE_MOST_MM = 2.0, 300.0
_PECK = 1.0
"""A drill comes out after each diameter: what the trade says of holes over two deep."""
_DEEPEST = 10.0
"""A jobber drill's flutes are some ten of its diameters long (twelve at 1 mm, under nine at 10);
past them nothing comes up the hole: common practice."""
_TOO_DEEP = 2.0
"""So many times the depth that suits a slot, and it is not cut so: common practice."""
_PLUNGE = 0.5
"""An end mill goes down at half the feed it goes along with: common practice."""


@dataclass(frozen=True, slots=True)
class Machining:
    """What the machine is told besides the places.

    Args:
        rpm: Of the spindle.
        feed: Along, mm a minute.
        plunge: Downwards, mm a minute.
        depths: Each to go to, from the top, mm.
        safe: Over the work, to travel at: over every clamp, jaw and stop.
        peck: A drill comes out each time it has gone so deep; 0 to go down at once.
        machine: In words.
        metal: In words.
    """

    rpm: float
    feed: float
    plunge: float
    depths: tuple[float, ...]
    safe: float
    peck: float
    machine: str
    metal: str


def machining(
    workshop: Workshop,
    *,
    operation: str,
    dia: Fraction | None,
    metal: str,
    machine: str,
    depths: tuple[float, ...],
    safe: Fraction | None,
) -> Machining:
    """Speeds and feeds from the calculator that gives them in its own room.

    Args:
        workshop: Whose machine it is.
        operation: ``drill``, or ``end-mill`` round a profile.
        dia: Of the tool.
        metal: By any name.
        machine: By name; the mill where left out.
        depths: From the top, mm.
        safe: How high over the work it may travel anywhere; nobody else can know it.

    Raises:
        Refused: Something is not told, the machine has no read-out, or must not cut so.
    """
    if dia is None:
        raise Refused("How large is each hole? A drill has a size.", field="hole", suggest="3 mm")
    if not depths or depths[-1] <= 0:
        raise Refused("How deep? Nothing is cut without a depth.", field="deep", suggest="5 mm")
    if not metal.strip():
        raise Refused("Which metal is it?", field="metal", suggest="brass")
    if safe is None or not SAFE_LEAST_MM <= safe <= SAFE_MOST_MM:
        raise Refused(
            "How high over the work may it travel anywhere? Over every clamp, jaw and stop.",
            field="safe",
            suggest="25 mm",
        )
    owned = workshop.machine(machine, (MachineKind.MILL,))
    if not owned.read_out:
        raise Refused(
            f"{owned.name} has neither read-out nor drives: it goes by hand, hole by hole at the "
            "bench. Code is for a machine that is moved by numbers.",
            field="machine",
            suggest="the mill",
        )
    drills = operation == "drill"
    if drills and depths[-1] > _DEEPEST * float(dia):
        times = depths[-1] / float(dia)
        raise Refused(
            f"{mm_said(depths[-1])} is {times:.0f} times the drill: past its flutes nothing comes "
            "up, and it breaks. Ten times is the most by code; the rest by hand, with a long "
            "drill.",
            field="drill_deep",
            suggest=mm_said(_DEEPEST * float(dia)),
        )
    # Round a profile it is in solid metal on both sides: a slot, whatever stays of it.
    typed: dict[str, Any] = {
        "operation": "drill" if drills else "slot",
        "metal": metal,
        "diameter": f"{float(dia):.4f} mm",
        "machine": owned.name,
    }
    if drills:
        typed["length"] = f"{depths[-1]:.4f} mm"
    question = read_question(SPEED, typed, PageUnit.MM, workshop).question
    answer = SPEED.ask(question, workshop)
    stops = [c for c in answer.cautions if c.word == "Stop"]
    if stops:
        raise Refused(f"It must not be cut so: {stops[0].says}", field="metal")
    if answer.feed_mm_per_min is None:
        raise Refused("No feed is known for that cut.", field="metal")
    step = max(b - a for a, b in zip((0.0, *depths), depths, strict=False))
    suits = answer.depth_mm.value if answer.depth_mm is not None else step
    if not drills and step > _TOO_DEEP * suits + 1e-9:
        raise Refused(
            f"{mm_said(step, 2)} at once, in metal on both sides, is more than twice the "
            f"{mm_said(suits, 2)} that suits: several times round.",
            field="each",
            suggest=mm_said(suits, 2),
        )
    feed = answer.feed_mm_per_min.value
    return Machining(
        rpm=answer.set_rpm.value,
        feed=feed,
        plunge=feed if drills else feed * _PLUNGE,
        depths=depths,
        safe=float(safe),
        peck=float(dia) * _PECK if drills and depths[-1] > 2 * float(dia) else 0.0,
        machine=owned.name,
        metal=workshop.metals[question.metal].name,
    )
