"""Parts cut from bars: which part from which bar, so that least is wasted."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, field

_NODES = 20000
"""So many ways are looked at before the best found so far is taken."""


@dataclass(frozen=True, slots=True)
class Cut:
    """One bar, and what is cut from it.

    Args:
        bar: Number of it.
        parts: Numbers of the parts.
        left: What remains of it.
    """

    bar: int
    parts: tuple[int, ...]
    left: float


@dataclass(slots=True)
class _Search:
    wants: tuple[float, ...]
    """What each part takes of a bar, its cut with it; longest first."""
    bars: tuple[float, ...]
    best: tuple[float, float] = (float("inf"), 0.0)
    found: tuple[int, ...] = ()
    nodes: int = 0
    seen: set[tuple[int, tuple[tuple[float, bool], ...]]] = field(default_factory=set)


def plan_cuts(
    parts: Sequence[float], bars: Sequence[float], kerf: float, grip: float = 0.0
) -> tuple[Cut, ...] | None:
    """Which part comes off which bar.

    The bars begun are together as short as can be; of such plans the one that leaves the longest
    single piece is taken. Exact for some dozen parts; for more the best of many thousand plans.

    Args:
        parts: Lengths, each with what is faced off it.
        bars: Lengths there are.
        kerf: Lost at each cut.
        grip: At the end of each bar that cannot be used.

    Returns:
        A plan; None where the bars do not suffice.

    >>> [cut.parts for cut in plan_cuts([40.0, 60.0, 30.0], [100.0, 75.0], 2.0)]
    [(1,), (0, 2)]
    """
    order = sorted(range(len(parts)), key=lambda n: -parts[n])
    rooms = tuple(bar - grip for bar in bars)
    # The last piece of a bar needs no cut behind it: a bar is as good as one kerf longer. What is
    # held is cut off, and its cut lies clear of the jaws.
    spare = 0.0 if grip else kerf
    search = _Search(tuple(parts[n] + kerf for n in order), tuple(room + spare for room in rooms))
    greedy = _greedy(search)
    if greedy is not None:
        _keep(search, greedy)
    _try(search, [], list(search.bars))
    if not search.found:
        return None
    cuts = []
    for bar in sorted(set(search.found)):
        mine = tuple(sorted(order[k] for k, at in enumerate(search.found) if at == bar))
        used = sum(parts[n] + kerf for n in mine)
        cuts.append(Cut(bar, mine, bars[bar] - min(used, bars[bar])))
    return tuple(cuts)


def _greedy(search: _Search) -> tuple[int, ...] | None:
    """Each part, the longest first, into the fullest bar that is begun and still holds it."""
    left, used, where = list(search.bars), set[int](), []
    for want in search.wants:
        fits = [b for b, room in enumerate(left) if room >= want - 1e-9]
        if not fits:
            return None
        bar = min(fits, key=lambda b: (b not in used, left[b]))
        used.add(bar)
        left[bar] -= want
        where.append(bar)
    return tuple(where)


def _worth(search: _Search, where: Sequence[int]) -> tuple[float, float]:
    begun = set(where)
    left = {bar: search.bars[bar] for bar in begun}
    for want, bar in zip(search.wants, where, strict=True):
        left[bar] -= want
    return sum(search.bars[b] for b in begun), -max(left.values(), default=0.0)


def _keep(search: _Search, where: Sequence[int]) -> None:
    worth = _worth(search, where)
    if (round(worth[0], 6), round(worth[1], 6)) < search.best:
        search.best, search.found = (round(worth[0], 6), round(worth[1], 6)), tuple(where)


def _try(search: _Search, where: list[int], left: list[float]) -> None:
    search.nodes += 1
    if search.nodes > _NODES:
        return
    at = len(where)
    if at == len(search.wants):
        _keep(search, where)
        return
    begun = set(where)
    taken = sum(search.bars[b] for b in begun)
    if taken > search.best[0] + 1e-6:
        return
    # What is still wanted and does not fit into bars begun wants at least so much more of others.
    spare = sum(left[b] for b in begun)
    still = sum(search.wants[at:])
    if still > spare and taken + (still - spare) > search.best[0] + 1e-6:
        return
    state = (at, tuple(sorted((round(left[b], 6), b in begun) for b in range(len(left)))))
    if state in search.seen:
        return
    search.seen.add(state)
    want, tried = search.wants[at], Counter[tuple[float, bool]]()
    for bar in sorted(range(len(left)), key=lambda b: (b not in begun, left[b])):
        room = (round(left[bar], 6), bar in begun)
        if left[bar] < want - 1e-9 or tried[room]:
            continue
        tried[room] += 1
        left[bar] -= want
        where.append(bar)
        _try(search, where, left)
        where.pop()
        left[bar] += want
