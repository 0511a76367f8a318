"""So many holes and shafts made to limits, over and over: how many can be paired."""

from __future__ import annotations

from typing import TYPE_CHECKING

import numpy as np

if TYPE_CHECKING:
    from runk.core.figures import FloatArray
    from runk.core.lengths.members import Member

ROUNDS = 4000
_SEED = 20


def _sizes(source: np.random.Generator, member: Member, rounds: int, count: int) -> FloatArray:
    low, wide = float(member.low), float(member.high - member.low)
    return np.sort(low + wide * source.random((rounds, count)), axis=1)


def paired(holes: FloatArray, shafts: FloatArray, least_mm: float, most_mm: float) -> FloatArray:
    """How many can be paired in every row, both sorted.

    Args:
        holes: A row a round, rising; ``shafts`` the same.
        least_mm: Clearance a pair must have; ``most_mm`` may have.

    >>> paired(np.array([[22.0, 22.02]]), np.array([[21.97, 21.99]]), 0.02, 0.04).tolist()
    [2]
    """
    rounds, count = holes.shape
    row = np.arange(rounds)
    i, j, found = (np.zeros(rounds, dtype=int) for _ in range(3))
    for _ in range(2 * count):
        going = (i < count) & (j < count)
        if not going.any():
            break
        clear = holes[row, np.minimum(i, count - 1)] - shafts[row, np.minimum(j, count - 1)]
        tight, loose = clear < least_mm - 1e-12, clear > most_mm + 1e-12
        good = going & ~tight & ~loose
        found += good
        # Too tight: a larger hole. Too loose: a larger shaft.
        i += going & ~loose
        j += going & ~tight
    return found


def drawn(
    hole: Member, shaft: Member, count: int, least_mm: float, most_mm: float, rounds: int = ROUNDS
) -> tuple[float, float]:
    """Share of the pairs that fit when each is given its best mate; and how often all of them do.

    Args:
        hole: With its limits; ``shaft`` with its own.
        count: How many of each are made.
        least_mm: Clearance a pair must have; ``most_mm`` may have.
        rounds: How often.

    Returns:
        Both in per cent.
    """
    source = np.random.default_rng(_SEED)
    holes = _sizes(source, hole, rounds, count)
    shafts = _sizes(source, shaft, rounds, count)
    found = paired(holes, shafts, least_mm, most_mm)
    return float(found.mean() / count * 100), float((found == count).mean() * 100)
