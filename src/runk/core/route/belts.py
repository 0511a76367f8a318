"""The belt an operation runs on: the speed room's own answer to its question."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

from runk.core.cutting.speed import SPEED
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.operations import Operation
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True)
class Belt:
    """What to set for an operation.

    Args:
        position: ``belt 3, back gear``; empty where nothing turns or none suits.
        rpm: Of the spindle; 0 where nothing turns.
        why: Why there is none.
    """

    position: str = ""
    rpm: float = 0.0
    why: str = ""


def belt_of(one: Operation, workshop: Workshop) -> Belt:
    """The belt of an operation on this workshop's machines.

    >>> from runk.core.route.access import Access
    >>> from runk.demo.back_shed import WORKSHOP
    >>> speed = (("operation", "turn"), ("diameter", "22 mm"), ("metal", "brass"))
    >>> turned = Operation("x: turn", "x", "turn", "lathe", "knife tool", Access("outside"), speed)
    >>> belt_of(turned, WORKSHOP).position
    'belt 3, direct'
    """
    if not one.speed:
        return Belt()
    return _asked(one.speed, one.machine, _Same(workshop))


class _Same:
    """A workshop as a key: the same snapshot is the same workshop."""

    def __init__(self, workshop: Workshop) -> None:
        self.workshop = workshop

    def __hash__(self) -> int:
        return id(self.workshop)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Same) and other.workshop is self.workshop


@lru_cache(maxsize=4000)
def _asked(speed: tuple[tuple[str, str], ...], machine: str, shop: _Same) -> Belt:
    workshop = shop.workshop
    try:
        read = read_question(SPEED, {**dict(speed), "machine": machine}, PageUnit.MM, workshop)
        answer = SPEED.ask(read.question, workshop)
    except Refused as refused:
        return Belt(why=refused.says)
    return Belt(answer.position, answer.set_rpm.value)
