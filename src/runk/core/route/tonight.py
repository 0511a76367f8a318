"""Tonight: so many minutes, and the set-ups that are ready and bring the engine on most."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Ready:
    """A set-up that may be done once those before it of the same part are.

    Args:
        part: Which part.
        set_up: Which of its set-ups, from 1.
        minutes: It takes.
        brings: How many operations it brings it on.
    """

    part: int
    set_up: int
    minutes: float
    brings: int


def tonight(rows: Sequence[Sequence[Ready]], minutes: int) -> tuple[Ready, ...]:
    """The set-ups that bring most within the time, each part's in its own order.

    The exact best by dynamic programming over whole minutes: of each part a beginning is taken.

    Args:
        rows: For each part its set-ups in order, the ready ones at its beginning only.
        minutes: There are.

    >>> one = [Ready(1, 1, 40.0, 5), Ready(1, 2, 30.0, 4)]
    >>> two = [Ready(2, 1, 50.0, 7)]
    >>> [(r.part, r.set_up) for r in tonight([one, two], 90)]
    [(1, 1), (2, 1)]
    """
    best: list[tuple[int, tuple[Ready, ...]]] = [(0, ())] * (minutes + 1)
    for row in rows:
        following = list(best)
        taken: list[Ready] = []
        for ready in row:
            taken.append(ready)
            takes = sum(-int(-one.minutes // 1) for one in taken)
            brings = sum(one.brings for one in taken)
            for there in range(takes, minutes + 1):
                value, chosen = best[there - takes]
                if value + brings > following[there][0]:
                    following[there] = (value + brings, (*chosen, *taken))
        best = following
    return best[minutes][1]
