"""Short marks of a machine's positions, for cells too small for words."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.machines.machine import Machine

_LONGEST = 3


@dataclass(frozen=True, slots=True)
class SheetMark:
    """A position as it stands in a cell, and in words."""

    mark: str
    position: str
    rpm: float


def short_marks(machine: Machine) -> dict[float, SheetMark]:
    """A mark for every speed, by its rev/min, slowest first.

    The gear with the fastest step goes without a letter; another is told by its first one.
    Where that would not tell two positions apart, or a name is long, they are numbered.

    >>> from runk.demo.back_shed import LATHE
    >>> [m.mark for m in short_marks(LATHE).values()]
    ['1b', '2b', '3b', '4b', '1', '2', '3', '4']
    """
    if not machine.ladder:
        return {}
    usual = machine.ladder[-1].gear
    marks = [s.mark + ("" if s.gear == usual else s.gear[:1]) for s in machine.ladder]
    if len(set(marks)) < len(marks) or max(map(len, marks)) > _LONGEST:
        marks = [str(n) for n in range(1, len(marks) + 1)]
    named: dict[float, SheetMark] = {}
    for setting, mark in zip(machine.ladder, marks, strict=True):
        # Of two positions with one speed the ladder has the quieter one first.
        named.setdefault(setting.rpm, SheetMark(mark, setting.position, setting.rpm))
    return named
