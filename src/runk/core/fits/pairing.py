"""Which shaft goes in which hole: as many as fit, and the worst of them as good as it can be.

Two sizes go together the better the nearer their difference lies to what is wanted. Of two pairs
that cross, the uncrossed are never worse, so both rows are sorted and matched in their order.
"""

from __future__ import annotations

from bisect import bisect_left, bisect_right
from collections.abc import Sequence
from dataclasses import dataclass

_TOUCH = 1e-9
"""A size on its limit is inside it."""


@dataclass(frozen=True, slots=True)
class Assigned:
    """Pairs, and what is left over, as places in the lists given.

    Args:
        pairs: Hole and shaft of each pair.
        holes: Holes left over; ``shafts`` the shafts.
    """

    pairs: tuple[tuple[int, int], ...]
    holes: tuple[int, ...]
    shafts: tuple[int, ...]


def assigned(
    holes: Sequence[float], shafts: Sequence[float], least: float, most: float
) -> Assigned:
    """The most pairs that fit; of those the one whose worst is best; of those the evenest.

    Args:
        holes: Each as it governs, millimetres.
        shafts: The same.
        least: Clearance a pair must have; ``most`` may have.

    >>> assigned([22.00, 22.02], [21.97, 21.99], 0.02, 0.04).pairs
    ((0, 0), (1, 1))
    >>> assigned([22.00, 22.02], [21.98, 21.50], 0.01, 0.05)
    Assigned(pairs=((0, 0),), holes=(1,), shafts=(1,))
    """
    rows = sorted(range(len(holes)), key=lambda at: holes[at])
    columns = sorted(range(len(shafts)), key=lambda at: shafts[at])
    middle, half = (least + most) / 2, (most - least) / 2 + _TOUCH
    aims = [holes[at] - middle for at in rows]
    sizes = [shafts[at] for at in columns]
    count = _count(aims, sizes, half)
    band = _narrowest(aims, sizes, count, half)
    chosen = _evenest(aims, sizes, band, count)
    pairs = tuple((rows[i], columns[j]) for i, j in chosen)
    return Assigned(
        pairs,
        tuple(sorted(set(rows) - {i for i, _ in pairs})),
        tuple(sorted(set(columns) - {j for _, j in pairs})),
    )


def _count(aims: list[float], sizes: list[float], band: float) -> int:
    """How many pairs lie within a band: the first that will do is always the right one to take."""
    i = j = found = 0
    while i < len(aims) and j < len(sizes):
        off = sizes[j] - aims[i]
        if off < -band:
            j += 1
        elif off > band:
            i += 1
        else:
            found, i, j = found + 1, i + 1, j + 1
    return found


def _narrowest(aims: list[float], sizes: list[float], count: int, half: float) -> float:
    """The narrowest band in which so many pairs lie still."""
    offs = sorted(
        {
            abs(sizes[j] - aim)
            for aim in aims
            for j in range(bisect_left(sizes, aim - half), bisect_right(sizes, aim + half))
        }
    )
    low, high = 0, len(offs) - 1
    while low < high:
        at = (low + high) // 2
        if _count(aims, sizes, offs[at] + _TOUCH) >= count:
            high = at
        else:
            low = at + 1
    return offs[low] + _TOUCH if offs else 0.0


def _evenest(
    aims: list[float], sizes: list[float], band: float, count: int
) -> list[tuple[int, int]]:
    """So many pairs within a band whose squares come to the least.

    Row by row, each hole left out or given one of the shafts within the band; only the best way to
    each number of shafts used up is kept.
    """
    worth = 1.0 + count * band * band * 4
    best = [0.0] * (len(sizes) + 1)
    taken: list[dict[int, bool]] = []
    for aim in aims:
        low = bisect_left(sizes, aim - band)
        high = bisect_right(sizes, aim + band)
        row, mine = list(best), {}
        for j in range(low, len(sizes)):
            if j < high:
                with_it = best[j] + worth - (sizes[j] - aim) ** 2
                if with_it > row[j + 1]:
                    row[j + 1], mine[j + 1] = with_it, True
            if row[j] > row[j + 1]:
                row[j + 1], mine[j + 1] = row[j], False
            elif j >= high:
                break
        # What lies behind the band can only be better by what came before it.
        for j in range(high, len(sizes)):
            if row[j] <= row[j + 1]:
                break
            row[j + 1], mine[j + 1] = row[j], False
        best = row
        taken.append(mine)
    found, j = [], len(sizes)
    for i in range(len(aims) - 1, -1, -1):
        mine = taken[i]
        while mine.get(j) is False:
            j -= 1
        if mine.get(j):
            found.append((i, j - 1))
            j -= 1
    return found[::-1]
