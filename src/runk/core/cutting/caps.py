"""What keeps a speed under the one the metal would take: a hand, a whirl, a head out of balance."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass

from runk.core.cutting.operations import Operation
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.reach import HOLD_IT, whirls
from runk.core.cutting.target import SpeedShop
from runk.core.cutting.threaded import cannot_stop, most_rpm, stoppable
from runk.core.cutting.tray import head_rpm
from runk.core.figures import Caution, Figure, Working, stop
from runk.core.machines.machine import Holding, Machine, MachineKind
from runk.core.metals import Metal
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.tools import ShopTool

BORING_HEAD_RPM = 400.0
"""A boring head set over is out of balance: faster than this it shakes. Common practice."""
REAMED_RPM = 500.0
"""No reamer is turned faster in a small machine: common practice."""
_HAND = {
    Operation.SCREW_CUT: "Your hand can stop it in the groove from",
    Operation.POWER_TAP: "Your hand can stop a tap from",
}


@dataclass(frozen=True, slots=True)
class Cap:
    """A limit on the speed that is not the metal's.

    Args:
        rpm: The fastest it allows.
        by: Who or what allows it, in the words before the number.
        over: What to say where even the slowest speed there is goes past it.
    """

    rpm: Figure
    by: str
    over: Callable[[float], Caution]


def lowest(
    w: Working, question: SpeedQuestion, slender: SpeedQuestion, shop: SpeedShop, held: Holding
) -> Cap | None:
    """The cap that binds first; None where only the metal counts.

    Args:
        slender: The same cut with the work as thin as it will get, which is how it whirls.
    """
    found = [
        cap
        for cap in (
            _of_hand(w, question),
            _of_whirl(w, slender, shop.metal, held),
            _of_tool(w, question, shop),
        )
        if cap is not None
    ]
    return min(found, key=lambda cap: cap.rpm.value, default=None)


def _of_hand(w: Working, question: SpeedQuestion) -> Cap | None:
    limit = stoppable(w, question)
    if limit is None:
        return None
    return Cap(limit, _HAND[question.operation], lambda rpm: cannot_stop(question, rpm))


def _of_whirl(w: Working, question: SpeedQuestion, metal: Metal, held: Holding) -> Cap | None:
    limit = whirls(w, question, metal, held)
    if limit is None:
        return None

    def over(rpm: float) -> Caution:
        return stop(
            "the whirl",
            HOLD_IT,
            f"Standing out so far it begins to whirl near {3 * limit.value:.0f} rev/min, and the "
            f"slowest there is, {rpm:.0f}, is too near that.",
            "set_rpm",
            MECHANICS,
        )

    return Cap(limit, "Standing out so far, a third of where it whirls is", over)


def of_tool(operation: Operation, machine: Machine, tray: Iterable[ShopTool] = ()) -> float | None:
    """The fastest a tool is turned on that machine, whatever its size and metal, rev/min.

    Args:
        tray: What is owned of it: a boring head's own limit counts before the usual one.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> of_tool(Operation.REAM, WORKSHOP.machines[0])
    500.0
    """
    if operation is Operation.REAM:
        return REAMED_RPM
    on_mill = machine.kind is not MachineKind.LATHE
    if operation is not Operation.BORE or not on_mill:
        return None
    return head_rpm(tray) or BORING_HEAD_RPM


def _of_tool(w: Working, question: SpeedQuestion, shop: SpeedShop) -> Cap | None:
    most = of_tool(question.operation, shop.machine, shop.tray)
    if most is None:
        return None
    reaming = question.operation is Operation.REAM
    what = "reamer" if reaming else "boring head"
    by = f"A {what} goes no faster than"
    limit = w.of(most_rpm, "target_rpm", most_rpm=most)

    def over(rpm: float) -> Caution:
        return stop(
            f"the {what}",
            "turn it by hand, or use a slower machine",
            f"Even the slowest there is, {rpm:.0f} rev/min, is faster than a {what} is turned.",
            "set_rpm",
            PRACTICE,
        )

    return Cap(limit, by, over)
