"""Tonight: so many minutes, and the set-ups that are ready and bring the engine on most."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil

import numpy as np


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
    best = np.zeros(minutes + 1, dtype=np.int64)
    # Of each part, how many of its set-ups the best of so many minutes takes.
    taken = np.zeros((len(rows), minutes + 1), dtype=np.int16)
    spans: list[list[int]] = []
    for n, row in enumerate(rows):
        following, span, brings = best.copy(), [0], 0
        for k, ready in enumerate(row, 1):
            span.append(span[-1] + ceil(ready.minutes))
            brings += ready.brings
            if span[-1] > minutes:
                break
            value = best[: minutes + 1 - span[-1]] + brings
            better = value > following[span[-1] :]
            following[span[-1] :][better] = value[better]
            taken[n, span[-1] :][better] = k
        spans.append(span)
        best = following
    there, chosen = minutes, list[Sequence[Ready]]()
    for n in range(len(rows) - 1, -1, -1):
        k = int(taken[n, there])
        chosen.append(rows[n][:k])
        there -= spans[n][k]
    return tuple(one for row in reversed(chosen) for one in row)
