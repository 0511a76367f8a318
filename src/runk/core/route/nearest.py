"""Among routes that cost the same, the one that lets the least stand out of its grip."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import chain

from runk.core.route.grips import is_reset, stands_out
from runk.core.route.problem import Problem
from runk.core.route.route import Job
from runk.core.route.search import BELT, NONE, Found, Move, Search

Held = tuple[int, tuple[int, ...]]
"""A set-up: its place and its operations."""
Tried = tuple[tuple[Held, ...], ...]
"""Routes that differ in the order of things alone."""
LEAST = 0.25
"""Diameters: less is not worth another order of things."""
PACKED = 2.0
"""Diameters that soft packing on a finished place is worth: common practice prefers short."""


def nearest(job: Job, problem: Problem, found: Found) -> tuple[Move, ...]:
    """The moves of a route, each thing done where less stands out if that costs nothing.

    Args:
        job: The part.
        problem: What has to be done.
        found: The least route.

    >>> from runk.core.route.problem import posed
    >>> from runk.core.route.reading import part_of
    >>> from runk.core.route.search import least
    >>> from runk.demo.back_shed import WORKSHOP
    >>> lines = ["face at 0", "face at 200", "thread M6, from 0 to 9", "thread M6, from 190 to 200"]
    >>> job = Job(part_of("rod", "mild-steel", "bar 6", lines), WORKSHOP)
    >>> problem = posed(job)
    >>> moves = nearest(job, problem, least(problem))
    >>> job.operations[moves[-1].op].key
    'thread M6 (2): cut thread'
    """
    search = Search(problem)
    best = _held(found.moves)
    cost = search.cost_of(found.moves)
    if cost is None:
        return found.moves
    out = _stands(job, best) + PACKED * _marks(cost)
    better = True
    while better:
        better = False
        for tried in chain(_gripped(job, problem, best), _elsewhere(job, best)):
            # However it is put in order, as much stands out.
            less = _stands(job, tried[0])
            if less > out - LEAST:
                continue
            for one in tried:
                again = search.cost_of(_moves(one))
                if again is None or again - _marks(again) > cost - _marks(cost):
                    continue
                if less + PACKED * _marks(again) < out - LEAST:
                    best, out, better = one, less + PACKED * _marks(again), True
                    break
            if better:
                break
    return _moves(best)


def _marks(cost: int) -> int:
    """How often jaws close on what is finished."""
    return cost % BELT


def _held(moves: tuple[Move, ...]) -> tuple[Held, ...]:
    found: list[tuple[int, list[int]]] = []
    for move in moves:
        if move.op == NONE:
            found.append((move.place, []))
        else:
            found[-1][1].append(move.op)
    return tuple((place, tuple(ops)) for place, ops in found)


def _moves(held: tuple[Held, ...]) -> tuple[Move, ...]:
    return tuple(Move(place, op) for place, ops in held for op in (NONE, *ops))


def _stands(job: Job, held: tuple[Held, ...]) -> float:
    """How many diameters stand out, over all that is cut, and how little is gripped.

    Jaws that have to be set true count as one more: a collet brings work back to where it was.
    """
    out = 0.0
    for n, (place, ops) in enumerate(held, 1):
        hold = job.holds[place]
        out += sum(stands_out(job, hold, job.operations[op]) for op in ops)
        # Set true, or a bush made for it: as good as one diameter more.
        out += is_reset(hold, n) + ("split bush" in hold.key)
        on = job.part.surface(hold.on)
        if hold.grips is not None and on is not None and hold.machine == "lathe":
            out -= min((hold.grips[1] - hold.grips[0]) / on.size, 1.0)
    return out


def _gripped(job: Job, problem: Problem, held: tuple[Held, ...]) -> Iterator[Tried]:
    """The same, one set-up of it gripped in another place."""
    for n, (place, ops) in enumerate(held):
        wanted = sum(1 << op for op in ops)
        for h, other in enumerate(problem.places):
            # What bears endways or on a mandrel stands out of nothing: it is left as it is.
            if job.holds[place].grips is None or job.holds[h].grips is None or h == place:
                continue
            if not wanted & ~other.reach:
                yield ((*held[:n], (h, ops), *held[n + 1 :]),)


def _elsewhere(job: Job, held: tuple[Held, ...]) -> Iterator[Tried]:
    """The same, what is done of one feature moved into another set-up."""
    for i, (_, ops) in enumerate(held):
        for feature in dict.fromkeys(job.operations[op].feature for op in ops):
            taken = tuple(op for op in ops if job.operations[op].feature == feature)
            lots = {taken, *((op,) for op in taken)} if feature else set()
            for lot in sorted(lots, key=lambda lot: (-len(lot), lot)):
                left = tuple(op for op in ops if op not in lot)
                if not left:
                    continue
                for j, (there, others) in enumerate(held):
                    reach = all(job.holds[there].reaches(job.operations[op]) for op in lot)
                    if j == i or not reach or job.holds[there].grips is None:
                        continue
                    yield tuple(
                        _with(held, (i, left), (j, (*others[:at], *lot, *others[at:])))
                        for at in range(len(others) + 1)
                    )


def _with(held: tuple[Held, ...], *changed: tuple[int, tuple[int, ...]]) -> tuple[Held, ...]:
    """The same with other operations in some set-ups."""
    new = dict(changed)
    return tuple((place, new.get(n, ops)) for n, (place, ops) in enumerate(held))
