"""A line understood and answered, and what else it might have been."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any

from runk.core.calculator import AnyCalculator
from runk.core.questions import Read


@dataclass(frozen=True, slots=True)
class Other:
    """A second reading of a line.

    Args:
        read_as: What it would be read as.
        line: What to type for it.
        then: Whether it is the second step of a job, and no other reading.
    """

    read_as: str
    line: str
    then: bool = False


@dataclass(frozen=True, slots=True)
class Asked:
    """A line understood and answered.

    Args:
        calculator: Which one answered.
        typed: The question's fields as the room would have them typed.
        read: The question, and how each length was read.
        answer: The calculator's own.
        read_as: The question said back, with every reading that had another.
        unused: Words the answer has no use for.
        others: Other readings that are plausible too.
    """

    calculator: AnyCalculator
    typed: dict[str, str]
    read: Read
    answer: Any
    read_as: str
    unused: list[str] = field(default_factory=list)
    others: list[Other] = field(default_factory=list)


def echoed(said: str, read: Read) -> str:
    """The question said back, with every reading that had another."""
    echoes = [r.echo for r in read.readings.values() if not r.plain and r.echo]
    return f"{said} ({'; '.join(echoes)})" if echoes else said
