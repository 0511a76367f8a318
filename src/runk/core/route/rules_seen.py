"""What each rule protects, and its picture: the right way and the wrong one, in signs."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from runk.core.sources import read_table

PROTECTS = (
    "you and the lathe",
    "the hold",
    "what is true to what",
    "what turns together",
    "size",
    "a true hole",
    "a thread",
    "slender and thin work",
    "finished surfaces",
    "castings",
    "what goes together",
    "the list itself",
)
"""In the order they are read: what can hurt comes first."""


@dataclass(frozen=True, slots=True)
class Seen:
    """How a rule is shown.

    Args:
        protects: What is kept safe by it.
        right: Steps in their order, each the signs that belong together: ``("jaws:", "bore",
            "face")`` is two cuts in one grip.
        wrong: The same with what the rule forbids.
    """

    protects: str
    right: tuple[tuple[str, ...], ...]
    wrong: tuple[tuple[str, ...], ...]


@cache
def rules_seen() -> dict[str, Seen]:
    """Every rule's picture by its key.

    >>> rules_seen()["bore-and-face"].right
    (('jaws:', 'bore', 'face'),)
    >>> rules_seen()["bore-and-face"].wrong
    (('bore',), ('let go',), ('face',))
    """
    return {
        row["key"]: Seen(row["protects"], _steps(row["right"]), _steps(row["wrong"]))
        for row in read_table("rules_seen")
    }


def _steps(text: str) -> tuple[tuple[str, ...], ...]:
    return tuple(_signs(step) for step in text.split(" > "))


def _signs(step: str) -> tuple[str, ...]:
    hold, colon, cuts = step.rpartition(" : ")
    held = [f"{one}:" for one in hold.split(" + ")] if colon else []
    return (*held, *cuts.split(" + "))
