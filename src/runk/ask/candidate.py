"""A line as one calculator would have it."""

from __future__ import annotations

from dataclasses import dataclass, field

from runk.ask.sizes import Cutting
from runk.ask.words import FILLER, MARKS, PARTS
from runk.core.calculator import AnyCalculator
from runk.core.refusals import Refused


@dataclass(slots=True)
class Candidate:
    """A line as one calculator would have it.

    Args:
        calculator: Which.
        cutting: Of which cutting.
        typed: The question's fields, as they would be typed.
        used: Words it has a use for.
        called: Words that call it.
        named: How clearly the line calls it.
        odd: How far its sizes lie from what a workshop means.
        missing: Fields that must be said and are not.
        problem: What stands in the way of reading it so.
    """

    calculator: AnyCalculator
    cutting: Cutting
    typed: dict[str, str] = field(default_factory=dict)
    used: set[int] = field(default_factory=set)
    called: set[int] = field(default_factory=set)
    named: float = 0.0
    odd: float = 0.0
    missing: list[str] = field(default_factory=list)
    problem: Refused | None = None

    @property
    def unused(self) -> list[str]:
        """Words and numbers it has no use for, those side by side together."""
        runs: list[list[int]] = []
        for at in self.left():
            if runs and all(
                self.cutting.words[n].lower() in FILLER - {"to", "from"}
                for n in range(runs[-1][-1] + 1, at)
            ):
                runs[-1].append(at)
            else:
                runs.append([at])
        words = self.cutting.words
        return [" ".join(words[run[0] : run[-1] + 1]) for run in runs]

    def left(self) -> list[int]:
        """Where the words stand that it has no use for."""
        return [
            at
            for at, word in enumerate(self.cutting.words)
            if at not in self.used and word not in MARKS and word.lower() not in FILLER | PARTS
        ]
