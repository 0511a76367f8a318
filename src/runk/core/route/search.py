"""The least route: fewest set-ups, then changes of machine, of tool, of belt. A* on bits.

A state is what is done, how the part is held, the tool and belt last used, and which operations
that go together were done since it was gripped. Two things keep the search small and lose nothing:

* what needs no change of tool or belt, stands in no group and takes away no grip is done at once.
  Were it done later instead, striking it out there and doing it here would cost no more;
* the remainder costs at least a set-up for every operation of a set no two of which share a way
  of holding, and a change for every machine, tool and belt not in use.

See P. E. Hart, N. J. Nilsson, B. Raphael, A formal basis for the heuristic determination of
minimum cost paths, IEEE Trans. SSC 4 (1968).
"""

from __future__ import annotations

import heapq
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from time import monotonic
from typing import NamedTuple

from runk.core.refusals import Refused
from runk.core.route.problem import Problem

SET_UP, MACHINE, TOOL, BELT, MARK = 1 << 48, 1 << 36, 1 << 24, 1 << 12, 1
"""One of each, in one number: none of them is ever four thousand strong."""
MOST_STATES = 30_000
"""States looked at before the search gives up proving, and hurries to an end."""
HURRY, HURRIED = 4, 60_000
"""How much more the rest then counts than what is spent; and for how many states more."""
NONE = -1
PROVE_S, HURRY_S, RUN_S = 5.0, 4.0, 6.0
"""Seconds for proving, for hurrying, and for running straight to an end with what there is."""
MOST_NODES = 250_000
"""States remembered: some hundreds of megabytes."""
RUN_WIDTHS = (2, 16, 128)
"""How many states are carried on side by side when a route is wanted at all."""
_LOOK = 256
"""States between two looks at the clock."""


class State(NamedTuple):
    """Where a route has got to."""

    done: int
    place: int
    tool: int
    belt: int
    here: int


class Move(NamedTuple):
    """One line of a route: gripped another way (``op`` -1), or one operation."""

    place: int
    op: int


@dataclass(frozen=True, slots=True)
class Found:
    """A route found.

    Args:
        moves: In order.
        cost: What it costs; :func:`parts_of` takes it apart.
        proved: Whether no route costs less.
        bound: What every route costs at least.
        states: How many were looked at.
    """

    moves: tuple[Move, ...]
    cost: int
    proved: bool
    bound: int
    states: int


def parts_of(cost: int) -> tuple[int, int, int, int]:
    """Set-ups, changes of machine, of tool, of belt.

    >>> parts_of(2 * SET_UP + 3 * TOOL + BELT)
    (2, 0, 3, 1)
    """
    return cost >> 48, (cost >> 36) & 0xFFF, (cost >> 24) & 0xFFF, (cost >> 12) & 0xFFF


class Search:
    """The search for one problem.

    Args:
        problem: What has to be done.
    """

    def __init__(self, problem: Problem) -> None:
        self.problem = problem
        self.count = len(problem.before)
        self.where = [
            sum(1 << h for h, place in enumerate(problem.places) if place.reach >> n & 1)
            for n in range(self.count)
        ]
        self.grouped = 0
        for group in problem.groups:
            self.grouped |= group.one | group.others
        gone = problem.ends
        for place in problem.places:
            # Done sooner than it need be, it would leave jaws to be packed.
            gone |= place.gone | place.marks
        self.free = problem.all & ~self.grouped & ~gone
        # Hardest first: what is reached in the fewest ways shows soonest that more are needed.
        self.rare = sorted(range(self.count), key=lambda n: bin(self.where[n]).count("1"))
        self.machines = [
            {
                problem.places[h].machine
                for h in range(len(problem.places))
                if self.where[n] >> h & 1
            }
            for n in range(self.count)
        ]
        self.places = [(h, place) for h, place in enumerate(problem.places) if place.reach]
        self._open: dict[int, int] = {}
        self._bounds: dict[tuple[int, int], int] = {}
        self._kinds: dict[int, tuple[frozenset[int], frozenset[int]]] = {}

    def at_least(self, state: State) -> int:
        """What is still to come costs at least this."""
        left = self.problem.all & ~state.done
        if not left:
            return 0
        key = (left, state.place)
        bound = self._bounds.get(key)
        if bound is None:
            bound = self._bounds[key] = self._set_ups(left, state.place)
        kinds = self._kinds.get(left)
        if kinds is None:
            ops = list(bits(left))
            kinds = self._kinds[left] = (
                frozenset(self.problem.tool[n] for n in ops),
                frozenset(self.problem.belt[n] for n in ops),
            )
        tools, belts = kinds
        return (
            bound
            + TOOL * (len(tools) - (state.tool in tools))
            + BELT * (len(belts) - (state.belt in belts))
        )

    def _set_ups(self, left: int, place: int) -> int:
        """A set-up for each of some operations no two of which are reached in one."""
        reach = self.problem.places[place].reach if place != NONE else 0
        used = many = 0
        machine = self.problem.places[place].machine if place != NONE else NONE
        elsewhere: set[int] = set()
        for n in self.rare:
            if not left >> n & 1:
                continue
            if len(self.machines[n]) == 1 and (other := next(iter(self.machines[n]))) != machine:
                elsewhere.add(other)
            if not reach >> n & 1 and not self.where[n] & used:
                used |= self.where[n]
                many += 1
        first = 1 if place == NONE and elsewhere else 0
        return SET_UP * many + MACHINE * (len(elsewhere) - first)

    def start(self) -> State:
        """Nothing done, nothing gripped."""
        return State(0, NONE, NONE, NONE, 0)

    def ready(self, state: State) -> int:
        """Operations that can be done now without letting go."""
        if state.place == NONE or (state.here & self.problem.ends):
            return 0
        place = self.problem.places[state.place]
        left = place.reach & self.waiting_for_nothing(state.done)
        if place.first & ~state.done:
            left &= ~self.problem.waits
        return left

    def waiting_for_nothing(self, done: int) -> int:
        """Operations not done whose forerunners are."""
        found = self._open.get(done)
        if found is None:
            found = 0
            for n, before in enumerate(self.problem.before):
                if before & done == before and not done >> n & 1:
                    found |= 1 << n
            self._open[done] = found
        return found

    def done(self, state: State, n: int) -> tuple[int, State]:
        """Do one operation."""
        tool, belt = self.problem.tool[n], self.problem.belt[n]
        cost = TOOL * (tool != state.tool) + BELT * (belt != state.belt)
        here = state.here | ((1 << n) & (self.grouped | self.problem.ends))
        return cost, State(state.done | 1 << n, state.place, tool, belt, here)

    def settled(self, state: State) -> tuple[State, tuple[Move, ...]]:
        """Everything that costs nothing done at once."""
        moves: list[Move] = []
        while True:
            now = [
                n
                for n in bits(self.ready(state) & self.free)
                if self.problem.tool[n] == state.tool and self.problem.belt[n] == state.belt
            ]
            if not now:
                return state, tuple(moves)
            for n in now:
                moves.append(Move(state.place, n))
                state = self.done(state, n)[1]

    def lets_go(self, state: State) -> bool:
        """Whether nothing that goes together would be torn apart."""
        return all(group.holds(state.here) for group in self.problem.groups)

    def steps(self, state: State) -> Iterator[tuple[int, State, tuple[Move, ...]]]:
        """Every next state, with its cost and the moves that lead there."""
        ready = self.ready(state)
        for n in bits(ready):
            cost, after = self.done(state, n)
            after, more = self.settled(after)
            yield cost, after, (Move(state.place, n), *more)
        if not self.lets_go(state):
            return
        useful = self.waiting_for_nothing(state.done)
        for h, place in self.places:
            if place.reach & useful and (held := self.held(state, h)):
                after, more = self.settled(held[1])
                yield held[0], after, (Move(h, NONE), *more)

    def held(self, state: State, h: int) -> tuple[int, State] | None:
        """Hold it another way; None where that is not there."""
        place = self.problem.places[h]
        if place.needs & ~state.done or place.gone & state.done:
            return None
        # Cut off, it may be taken up again the same way.
        if h == state.place and not state.here & self.problem.ends:
            return None
        moved = state.place == NONE or self.problem.places[state.place].machine != place.machine
        cost = SET_UP + MACHINE * (moved and state.place != NONE)
        cost += MARK * bool(place.marks & state.done)
        tool, belt = (NONE, NONE) if moved else (state.tool, state.belt)
        return cost, State(state.done, h, tool, belt, 0)

    def cost_of(self, moves: Iterable[Move]) -> int | None:
        """What a route costs; None where it is none."""
        state, spent = self.start(), 0
        for move in moves:
            if move.op == NONE:
                held = self.held(state, move.place) if self.lets_go(state) else None
                if held is None:
                    return None
                cost, state = held
            elif self.ready(state) >> move.op & 1:
                cost, state = self.done(state, move.op)
            else:
                return None
            spent += cost
        return spent if self.finished(state) else None

    def finished(self, state: State) -> bool:
        """Whether all is done, and what goes together went together."""
        return state.done == self.problem.all and self.lets_go(state)


def bits(mask: int) -> Iterator[int]:
    """The places of the bits that are set.

    >>> list(bits(0b10110))
    [1, 2, 4]
    """
    while mask:
        low = mask & -mask
        yield low.bit_length() - 1
        mask ^= low


class _Node(NamedTuple):
    cost: int
    before: State | None
    moves: tuple[Move, ...]


class _Open:
    """States waiting to be looked at, the most promising first.

    Args:
        search: What bounds them.
        hurry: How much more the bound of the rest counts than what is spent: one is exact.
    """

    def __init__(self, search: Search, hurry: int) -> None:
        self.search, self.hurry = search, hurry
        self.heap: list[tuple[int, int, int, State]] = []
        self.turn = 0

    def put(self, state: State, cost: int) -> None:
        """Wait with what it cost so far."""
        self.turn += 1
        estimate = cost + self.hurry * self.search.at_least(state)
        # Of two that promise the same, the one that has got further.
        heapq.heappush(self.heap, (estimate, -state.done.bit_count(), self.turn, state))

    def take(self) -> State:
        """The most promising."""
        return heapq.heappop(self.heap)[3]


def least(
    problem: Problem, most_states: int = MOST_STATES, clock: Callable[[], float] = monotonic
) -> Found | None:
    """The least route, proved where the search ends in time; None where there is none.

    Args:
        problem: What has to be done.
        most_states: States looked at before it hurries on from where it is, proving no more.
        clock: Tells the time in seconds.

    Raises:
        Refused: No route was come by in the time there is.
    """
    search = Search(problem)
    start = search.start()
    nodes = {start: _Node(0, None, ())}
    waiting = _Open(search, 1)
    waiting.put(start, 0)
    ended, looked = _through(search, nodes, waiting, most_states, _Until(clock, PROVE_S))
    if ended is not None:
        cost = nodes[ended].cost
        return Found(_back(nodes, ended), cost, True, cost, looked)
    if not waiting.heap:
        return None
    # Some state of every route waits here: none costs less than the most promising of them says.
    bound = waiting.heap[0][0]
    hurried = _Open(search, HURRY)
    for _, _, _, state in waiting.heap:
        hurried.put(state, nodes[state].cost)
    ended, more = _through(search, nodes, hurried, HURRIED, _Until(clock, HURRY_S))
    looked += more
    if ended is None and not hurried.heap:
        return None
    if ended is None:
        ended, more = _run(search, nodes, _Until(clock, RUN_S))
        looked += more
    if ended is None:
        raise Refused(
            f"No route was found in {PROVE_S + HURRY_S + RUN_S:.0f} seconds: "
            f"{len(problem.before)} operations are too many to be put in order at once. Draw it "
            "as parts that are made one after the other, or order its lines by hand.",
            field="route",
        )
    cost = nodes[ended].cost
    return Found(_back(nodes, ended), cost, cost <= bound, bound, looked)


class _Until:
    """The end of the time there is.

    Args:
        clock: Tells the time in seconds.
        seconds: How long there is from now.
    """

    def __init__(self, clock: Callable[[], float], seconds: float) -> None:
        self.clock, self.end = clock, clock() + seconds

    def over(self, looked: int) -> bool:
        """Whether it is over; the clock is looked at now and then."""
        return looked % _LOOK == 0 and self.clock() > self.end


def _through(
    search: Search, nodes: dict[State, _Node], waiting: _Open, most: int, until: _Until
) -> tuple[State | None, int]:
    """Look at states until one ends the route, none is left, or time, room or number is up.

    Returns:
        The end, and how many were looked at.
    """
    shut: set[State] = set()
    looked = 0
    room = len(nodes) + MOST_NODES
    while waiting.heap and looked < most and len(nodes) < room and not until.over(looked):
        state = waiting.take()
        if state in shut:
            continue
        shut.add(state)
        looked += 1
        if search.finished(state):
            return state, looked
        for cost, after, moves in search.steps(state):
            whole = nodes[state].cost + cost
            known = nodes.get(after)
            if known is None or whole < known.cost:
                nodes[after] = _Node(whole, state, moves)
                shut.discard(after)
                waiting.put(after, whole)
    return None, looked


def _run(search: Search, nodes: dict[State, _Node], until: _Until) -> tuple[State | None, int]:
    """Straight on from the beginning, a few states side by side, until one of them ends the route.

    Returns:
        The end, and how many were looked at.
    """
    looked = 0
    for width in RUN_WIDTHS:
        side = [search.start()]
        been = set(side)
        while side:
            after: dict[State, int] = {}
            for state in side:
                looked += 1
                if search.finished(state):
                    return state, looked
                if until.over(0):
                    return None, looked
                for cost, found, moves in search.steps(state):
                    whole = nodes[state].cost + cost
                    known = nodes.get(found)
                    if known is None or whole < known.cost:
                        nodes[found] = _Node(whole, state, moves)
                    if found not in been:
                        after[found] = nodes[found].cost + search.at_least(found)
            side = sorted(after, key=lambda one: (after[one], -one.done.bit_count()))[:width]
            been.update(side)
    return None, looked


def _back(nodes: dict[State, _Node], state: State) -> tuple[Move, ...]:
    moves: list[tuple[Move, ...]] = []
    at: State | None = state
    while at is not None:
        node = nodes[at]
        moves.append(node.moves)
        at = node.before
    return tuple(move for chunk in reversed(moves) for move in chunk)
