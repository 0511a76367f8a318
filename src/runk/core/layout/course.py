"""In which order places are gone to, so that the table travels least."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from math import dist, inf

At = tuple[float, float]
_EXACT = 11
"""So many places are ordered by looking at every way; more by mending a good one."""
_MENDED = 80


def course(places: Sequence[At], start: At = (0.0, 0.0)) -> tuple[int, ...]:
    """The order that travels least from a start, ending anywhere.

    Args:
        places: Where each lies.
        start: Where the table stands.

    Returns:
        Numbers of the places. Exact up to eleven of them; up to eighty no stretch of it could be
        turned round for better; beyond, as they were told: a machine of numbers goes by them.

    >>> course([(10.0, 0.0), (0.0, 1.0), (5.0, 0.0)])
    (1, 2, 0)
    """
    if not places:
        return ()
    if len(places) > _MENDED:
        return tuple(range(len(places)))
    told = _round(places, start)
    if len(places) <= _EXACT:
        best = _exact(places, start)
        # As they were told, where that is no farther: it is easier to follow.
        no_farther = travel(places, told, start) <= travel(places, best, start) + 1e-6
        return told if no_farther else best
    return min(
        (_mended(places, start, way) for way in (told, _nearest(places, start))),
        key=lambda way: travel(places, way, start),
    )


def travel(places: Sequence[At], way: Sequence[int], start: At = (0.0, 0.0)) -> float:
    """How far the table goes.

    >>> travel([(3.0, 4.0), (3.0, 5.0)], (0, 1))
    6.0
    """
    stops = [start, *(places[n] for n in way)]
    return sum(dist(a, b) for a, b in pairwise(stops))


def _exact(places: Sequence[At], start: At) -> tuple[int, ...]:
    """Held and Karp's table over the sets gone to."""
    many = len(places)
    best: dict[tuple[int, int], tuple[float, int]] = {
        (1 << n, n): (dist(start, places[n]), -1) for n in range(many)
    }
    apart = [[dist(a, b) for b in places] for a in places]
    for gone in range(1, 1 << many):
        for last in range(many):
            here = best.get((gone, last))
            if here is None:
                continue
            for then in range(many):
                if gone >> then & 1:
                    continue
                key, far = (gone | 1 << then, then), here[0] + apart[last][then]
                # A float's breadth is no reason to go another way round.
                if far < best.get(key, (inf, 0))[0] - 1e-9:
                    best[key] = (far, last)
    if not many:
        return ()
    gone = (1 << many) - 1
    last = min(range(many), key=lambda n: best[(gone, n)][0])
    way: list[int] = []
    while last >= 0:
        way.append(last)
        gone, last = gone & ~(1 << last), best[(gone, last)][1]
    return tuple(reversed(way))


def _round(places: Sequence[At], start: At) -> tuple[int, ...]:
    """As they were told, begun at the best place, either way round."""
    many = len(places)
    first = min(range(many), key=lambda n: dist(start, places[n]))
    ahead = tuple((first + n) % many for n in range(many))
    plain = tuple(range(many))
    ways = (plain, ahead, (ahead[0], *reversed(ahead[1:])), plain[::-1])
    return min(ways, key=lambda way: round(travel(places, way, start), 6))


def _nearest(places: Sequence[At], start: At) -> tuple[int, ...]:
    left, at, way = set(range(len(places))), start, []
    while left:
        here = at
        near = min(left, key=lambda n: (dist(here, places[n]), n))
        left.remove(near)
        way.append(near)
        at = places[near]
    return tuple(way)


def _mended(places: Sequence[At], start: At, way: Sequence[int]) -> tuple[int, ...]:
    """Stretches turned round for as long as that shortens it."""
    now = list(way)
    better = True
    while better:
        better = False
        for a in range(len(now) - 1):
            before = places[now[a - 1]] if a else start
            for b in range(a + 1, len(now)):
                after = places[now[b + 1]] if b + 1 < len(now) else None
                was = dist(before, places[now[a]]) + (dist(places[now[b]], after) if after else 0)
                then = dist(before, places[now[b]]) + (dist(places[now[a]], after) if after else 0)
                if then < was - 1e-9:
                    now[a : b + 1] = reversed(now[a : b + 1])
                    better = True
    return tuple(now)
