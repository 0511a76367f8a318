"""The search against a plain one, against an integer program, and proposals against a checker.

None of the three shares code with it: the plain search tries every move of every state with no
bound and no short cut; SciPy's solver (HiGHS) counts set-ups; the checker here reads a route alone.
"""

from __future__ import annotations

import heapq
import itertools

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import Bounds, LinearConstraint, milp

from runk.core.route import search as module
from runk.core.route.problem import Group, Place, Problem, posed
from runk.core.route.search import least, parts_of
from tests.cases import cases
from tests.route.shelf import PARTS, job, proposed


@st.composite
def problems(draw: st.DrawFn, most: int = 7) -> Problem:
    """Any small problem: what waits for what, who reaches what, what goes together."""
    count = draw(st.integers(2, most))
    every = (1 << count) - 1
    before = [
        draw(st.integers(0, every)) & ((1 << n) - 1) & draw(st.integers(0, every))
        for n in range(count)
    ]
    places = []
    for _ in range(draw(st.integers(1, 4))):
        reach = draw(st.integers(1, every))
        needs = (
            draw(st.integers(0, every)) & draw(st.integers(0, every)) & draw(st.integers(0, every))
        )
        gone = (
            draw(st.integers(0, every)) & draw(st.integers(0, every)) & ~reach
            if draw(st.booleans())
            else 0
        )
        marks = draw(st.integers(0, every)) & needs
        places.append(Place(reach, needs & ~reach, gone, draw(st.integers(0, 1)), marks))
    groups = []
    for _ in range(draw(st.integers(0, 2))):
        one, other = draw(st.integers(0, count - 1)), draw(st.integers(0, count - 1))
        if one != other:
            groups.append(Group(1 << one, 1 << other, draw(st.booleans())))
    tools = tuple(draw(st.integers(0, 2)) for _ in range(count))
    belts = tuple(draw(st.integers(0, 2)) for _ in range(count))
    ends = 1 << draw(st.integers(0, count - 1)) if draw(st.booleans()) else 0
    return Problem(tuple(before), tuple(places), tuple(groups), tools, belts, ends)


def plain(problem: Problem) -> tuple[int | None, int]:
    """The least cost by trying everything, and how many states that takes."""
    full = (1 << len(problem.before)) - 1
    start = (0, -1, -1, -1, 0)
    best = {start: 0}
    heap = [(0, start)]
    shut = set()
    while heap:
        cost, state = heapq.heappop(heap)
        if state in shut:
            continue
        shut.add(state)
        done, at, tool, belt, here = state
        whole = all(
            (here & (g.one | g.others) in (0, g.one | g.others))
            if g.every
            else (not here & g.one or here & g.others)
            for g in problem.groups
        )
        if done == full and whole:
            return cost, len(shut)
        following = []
        if at >= 0 and not here & problem.ends:
            for n, waits in enumerate(problem.before):
                if (
                    problem.places[at].reach >> n & 1
                    and not done >> n & 1
                    and waits & done == waits
                ):
                    more = (1 << 24) * (problem.tool[n] != tool) + (1 << 12) * (
                        problem.belt[n] != belt
                    )
                    following.append(
                        (more, (done | 1 << n, at, problem.tool[n], problem.belt[n], here | 1 << n))
                    )
        if whole:
            for h, place in enumerate(problem.places):
                again = h == at and not here & problem.ends
                if not again and place.needs & done == place.needs and not place.gone & done:
                    moved = at < 0 or problem.places[at].machine != place.machine
                    more = (1 << 48) + (1 << 36) * (moved and at >= 0) + bool(place.marks & done)
                    following.append((more, (done, h, *((-1, -1) if moved else (tool, belt)), 0)))
        for more, after in following:
            if cost + more < best.get(after, 1 << 62):
                best[after] = cost + more
                heapq.heappush(heap, (cost + more, after))
    return None, len(shut)


@cases(250)
@given(problems())
def test_the_search_finds_what_trying_everything_finds(problem: Problem) -> None:
    found, (want, _) = least(problem), plain(problem)
    assert (None if found is None else found.cost) == want
    if found is not None:
        assert found.proved
        assert found.bound == found.cost


def program(problem: Problem, slots: int) -> int | None:
    """Set-ups by an integer program: which way of holding each slot has, and who is done in it."""
    ops, ways = len(problem.before), len(problem.places)
    width = slots * (ways + ops)

    def held(k: int, h: int) -> int:
        return k * ways + h

    def done(k: int, n: int) -> int:
        return slots * ways + k * ops + n

    rows, lows, highs = [], [], []

    def row(terms: list[tuple[int, float]], low: float, high: float) -> None:
        line = np.zeros(width)
        for at, weight in terms:
            line[at] += weight
        rows.append(line)
        lows.append(low)
        highs.append(high)

    for k in range(slots):
        row([(held(k, h), 1) for h in range(ways)], 0, 1)
        if k:
            row(
                [
                    *((held(k, h), 1) for h in range(ways)),
                    *((held(k - 1, h), -1) for h in range(ways)),
                ],
                -1,
                0,
            )
            for h in range(ways):
                # Taken up again the same way only where something ended the slot before.
                ended = [(done(k - 1, n), -1) for n in range(ops) if problem.ends >> n & 1]
                row([(held(k, h), 1), (held(k - 1, h), 1), *ended], -1, 1)
        for n in range(ops):
            row(
                [
                    (done(k, n), 1),
                    *((held(k, h), -1) for h in range(ways) if problem.places[h].reach >> n & 1),
                ],
                -1,
                0,
            )
            for b in range(ops):
                if problem.before[n] >> b & 1:
                    row([(done(k, n), 1), *((done(j, b), -1) for j in range(k + 1))], -1, 0)
                # What ends a set-up is the last of it.
                if problem.ends >> b & 1 and b != n and problem.before[n] >> b & 1:
                    row([(done(k, n), 1), (done(k, b), 1)], 0, 1)
        for h, place in enumerate(problem.places):
            for n in range(ops):
                if place.needs >> n & 1:
                    row([(held(k, h), 1), *((done(j, n), -1) for j in range(k))], -1, 0)
                if place.gone >> n & 1:
                    row([(held(k, h), 1), *((done(j, n), 1) for j in range(k))], 0, 1)
        for g in problem.groups:
            one, others = g.one.bit_length() - 1, [n for n in range(ops) if g.others >> n & 1]
            if g.every:
                for other in others:
                    row([(done(k, one), 1), (done(k, other), -1)], 0, 0)
            else:
                row([(done(k, one), 1), *((done(k, other), -1) for other in others)], -1, 0)
    for n in range(ops):
        row([(done(k, n), 1) for k in range(slots)], 1, 1)
    cost = np.zeros(width)
    cost[: slots * ways] = 1
    solved = milp(
        cost,
        constraints=LinearConstraint(np.array(rows), lows, highs),
        integrality=np.ones(width),
        bounds=Bounds(0, 1),
    )
    return round(solved.fun) if solved.success else None


@cases(40)
@given(problems(5))
def test_no_fewer_set_ups_by_an_integer_program(problem: Problem) -> None:
    found = least(problem)
    slots = 7
    want = program(problem, slots)
    got = None if found is None else parts_of(found.cost)[0]
    assert got == want or (got is not None and got > slots)


@pytest.mark.parametrize("name", PARTS)
def test_the_least_set_ups_of_a_real_part(name: str) -> None:
    found = proposed(name)
    assert found.proved
    assert len(found.route.set_ups) == found.at_least


@pytest.mark.parametrize("name", ["gland", "wheel", "tapped boss", "link"])
def test_a_real_part_by_trying_everything(name: str) -> None:
    """Facing first is left out: the plain search knows nothing of it."""
    import dataclasses

    problem = posed(job(name))
    free = dataclasses.replace(problem, waits=0)
    found = least(free)
    assert found is not None
    assert found.cost == plain(free)[0]


def test_far_fewer_states_than_a_plain_search() -> None:
    """Twelve operations, four order rules: at least fifty times fewer."""
    reach = [0b000000111111, 0b111111000000, 0b110011001111, 0b101010101010]
    places = tuple(Place(r, 0, 0, h % 2, 0) for h, r in enumerate(reach))
    before = [0] * 12
    for first, later in ((0, 6), (1, 7), (2, 3), (8, 9)):
        before[later] |= 1 << first
    problem = Problem(
        tuple(before), places, (), tuple(n % 4 for n in range(12)), tuple(n % 3 for n in range(12))
    )
    found = least(problem)
    want, states = plain(problem)
    assert found is not None
    assert found.cost == want
    assert states > 50 * found.states


def test_too_large_to_prove_is_said_with_its_bound(monkeypatch: pytest.MonkeyPatch) -> None:
    problem = posed(job("crankshaft"))
    whole = least(problem)
    short = least(problem, most_states=40)
    assert whole is not None
    assert short is not None
    assert not short.proved
    assert short.bound <= whole.cost <= short.cost
    assert parts_of(short.cost)[0] <= parts_of(whole.cost)[0] + 2
    assert module.MOST_STATES > 1000


@pytest.mark.parametrize("name", PARTS)
def test_a_proposal_keeps_the_trade_s_order(name: str) -> None:
    """Read off the route alone: what every bench would agree on."""
    lines = [line for one in proposed(name).route.set_ups for line in one.does]
    settings_of = {
        line: n for n, one in enumerate(proposed(name).route.set_ups) for line in one.does
    }
    cuts = [line for line in lines if ": " in line or line in ("part off", "harden", "temper")]
    assert sorted(k for k in cuts if k in job(name).by_key) == sorted(job(name).by_key)
    order = ("centre", "spot", "drill", "rough", "turn", "ream", "tap", "finish", "cut thread")
    for feature in job(name).part.by_key:
        own = [c.rpartition(": ")[2] for c in cuts if c.rpartition(": ")[0] == feature]
        ranks = [order.index(v) for v in own if v in order]
        assert ranks == sorted(ranks)
        if "tap" in own:
            assert settings_of[f"{feature}: tap"] == settings_of[f"{feature}: drill"]
    if "part off" in cuts:
        at = lines.index("part off")
        assert all(
            ": drill" not in line
            for line in lines[at + 1 :]
            if settings_of[line] == settings_of["part off"]
        )
    for first, later in itertools.pairwise([k for k in ("harden", "temper") if k in lines]):
        assert lines.index(first) < lines.index(later)
        assert lines.index(first) > max(lines.index(k) for k in cuts if ": " in k)
