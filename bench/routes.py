"""Routes: proposing beside checking and beside a plain search; an engine of sixty parts beside six."""

from __future__ import annotations

import heapq
import itertools
import tempfile
from time import perf_counter
from typing import Any

from fastapi.testclient import TestClient

from http_pair import Pair, packed
from measure import Ratio, side_by_side
from rows import Row, met, ratio_row
from runk.api.app import create_app
from runk.core.route.problem import Place, Problem
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job
from runk.core.route.rules import check
from runk.core.route.search import least
from runk.demo.back_shed import WORKSHOP
from runk.demo.engines import fill
from runk.store.database import Store
from runk.store.part_files import bring_in, part_row
from runk.store.parts import parts_kept

GLAND = [
    "face at 0",
    "face at 14",
    "chamfer 0.5 at 0",
    "outside 12 h7, from 0 to 8",
    "outside 22, from 8 to 14",
    "reamed 5 H7",
    "2 holes 3.2 on 17 circle, from the left end",
]
TWELVE = Job(part_of("gland", "brass", "bar 25", GLAND), WORKSHOP)
TWENTY_FIVE = Job(
    part_of(
        "cylinder",
        "grey-iron",
        "casting 44, 2 to come off, cored 18",
        [
            "face at 0",
            "face at 60 +0 -0.05",
            "bore 22 H7, from 0 to 60",
            "outside 40, from 0 to 5",
            "outside 32, from 5 to 55, called barrel",
            "outside 40, from 55 to 60, called back",
            "6 tapped holes M3 on 31 circle, 8 deep, from the right end",
            "6 tapped holes M3 on 31 circle, 8 deep, from the left end, called studs",
            "plane, from the top",
            "slot 3 wide, 4 deep, from 10 to 20, from the top",
            "tapped M4, 8 deep, from the top, called cover screws",
            "passage 2, 45 degrees, at 4",
            "drilled 4, from the bottom, called drain",
            "tapped M5, 6 deep, from the front, called boss",
            "groove 30, 2 wide, at 30",
            "reamed 4 H7, from the back, called pivot",
        ],
    ),
    WORKSHOP,
)


def plain_states(problem: Problem, most: int) -> int:
    """How many states a search without bounds and short cuts goes through, or that it gave up."""
    full = (1 << len(problem.before)) - 1
    heap: list[tuple[int, tuple[int, int, int, int]]] = [(0, (0, -1, -1, -1))]
    best, shut = {heap[0][1]: 0}, set()
    while heap and len(shut) < most:
        cost, state = heapq.heappop(heap)
        if state in shut:
            continue
        shut.add(state)
        done, at, tool, belt = state
        if done == full:
            break
        after = []
        if at >= 0:
            for n, waits in enumerate(problem.before):
                bit = 1 << n
                if problem.places[at].reach & bit and not done & bit and waits & done == waits:
                    more = (1 << 24) * (problem.tool[n] != tool) + (1 << 12) * (
                        problem.belt[n] != belt
                    )
                    after.append((more, (done | bit, at, problem.tool[n], problem.belt[n])))
        for h, place in enumerate(problem.places):
            if h != at and place.needs & done == place.needs and not place.gone & done:
                after.append((1 << 48, (done, h, -1, -1)))
        for more, to in after:
            if cost + more < best.get(to, 1 << 62):
                best[to] = cost + more
                heapq.heappush(heap, (cost + more, to))
    return len(shut)


def proposing() -> Ratio:
    """A part of twelve operations proposed; its route checked a thousand times."""
    route = propose(TWELVE).route

    def ours() -> object:
        return propose(TWELVE)

    def theirs() -> object:
        for _ in range(1000):
            check(TWELVE, route)
        return None

    return side_by_side(ours, theirs, 5)


def engine_row() -> Row:
    """An engine of sixty parts opened, beside one of six."""
    with tempfile.TemporaryDirectory() as folder:
        store = Store(f"sqlite:///{folder}/engines.sqlite3")
        store.migrate()
        with store.writing() as session:
            fill(session)
            rows = [
                part_row(row) | {"name": f"{n} {row.name}"}
                for n in range(5)
                for row in parts_kept(session)[:13]
            ]
            kept = [
                {
                    "name": r["name"],
                    "metal": r["metal"],
                    "route": {"set_ups": r["route"]},
                    "done": [],
                    "drawn": {k: r[k] for k in ("blank", "features", "unit")},
                }
                for r in rows
            ]
            small = bring_in(session, "six", kept[:6]).id
            big = bring_in(session, "sixty", kept[:60]).id
        app = create_app(store)
        with TestClient(app) as client:
            ratio = side_by_side(
                lambda: client.get(f"/api/engines/{big}/work").content,
                lambda: client.get(f"/api/engines/{small}/work").content,
                40,
            )
        store.close()
    return ratio_row("an engine of 60 parts opened, against one of 6", ratio, 1.5)


def changed(pair: Pair) -> Ratio:
    """A part whose feature is changed while it is typed, drawn and answered; an echo of the reply."""
    body: dict[str, Any] = {"metal": "brass", "blank": "bar 25", "features": [*GLAND]}
    turn = itertools.count(1)

    def ours() -> bytes:
        # Another size each time: what was read once is not read again.
        body["features"][2] = f"chamfer 0.{500 + next(turn)} at 0"
        return pair.runk("/api/parts/look", packed(body))

    reply = ours()
    return side_by_side(ours, lambda: pair.echo("/look", reply), 200)


def large() -> tuple[float, int, int, bool]:
    """Seconds for a part of twenty-five operations or more, how many, its set-ups, proved or not."""
    propose(TWENTY_FIVE)
    begun = perf_counter()
    found = propose(TWENTY_FIVE)
    took = perf_counter() - begun
    return took, len(TWENTY_FIVE.operations), len(found.route.set_ups), found.proved


def route_rows(pair: Pair) -> list[Row]:
    """Every promise about routes."""
    ratio = proposing()
    took, many, ups, proved = large()
    reach = [0b000000111111, 0b111111000000, 0b110011001111, 0b101010101010]
    problem = _twelve(reach)
    ours = least(problem)
    states = ours.states if ours is not None else 0
    theirs = plain_states(problem, 400_000)
    return [
        ratio_row(
            "proposing a route of 12 operations against checking it a thousand times", ratio, 2
        ),
        (
            f"proposing for {many} operations, {ups} set-ups, {'proved' if proved else 'not proved'}",
            f"{took:.2f} s",
            "under a second",
            met(took < 1.0),
        ),
        (
            "states of the search on 12 operations with four order rules, against a plain one",
            f"{states} against {theirs}: {theirs / max(states, 1):.0f} times fewer",
            "at least 50 times fewer",
            met(theirs >= 50 * states),
        ),
        engine_row(),
        ratio_row(
            "a changed feature drawn and answered over HTTP against a typed echo of the reply",
            changed(pair),
            2,
        ),
    ]


def _twelve(reach: list[int]) -> Problem:
    places = tuple(Place(r, 0, 0, h % 2, 0) for h, r in enumerate(reach))
    before = [0] * 12
    for first, later in ((0, 6), (1, 7), (2, 3), (8, 9)):
        before[later] |= 1 << first
    return Problem(
        tuple(before), places, (), tuple(n % 4 for n in range(12)), tuple(n % 3 for n in range(12))
    )


if __name__ == "__main__":
    with Pair() as both:
        for row in route_rows(both):
            print(row)
