"""A route proposed: the least that breaks no rule, with its steps and what forced it."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace

from runk.core.refusals import Refused
from runk.core.route.nearest import nearest
from runk.core.route.operations import PART_OFF
from runk.core.route.order_rules import ORDER_RULES
from runk.core.route.problem import overruled_keys, posed, see_possible
from runk.core.route.route import Job, Route, SetUp
from runk.core.route.rule import Broken
from runk.core.route.rules import BY_KEY, check
from runk.core.route.search import NONE, Found, Move, least, parts_of
from runk.core.route.setting_rules import SETTING_RULES
from runk.core.route.steps import with_steps


@dataclass(frozen=True, slots=True)
class Reason:
    """What forced a set-up, or an order.

    Args:
        rule: Its key.
        says: What it forced.
    """

    rule: str
    says: str


@dataclass(frozen=True)
class Proposed:
    """A route proposed.

    Args:
        route: It.
        proved: Whether no route has fewer set-ups, machines, tools and belts.
        machines: Changes of machine; ``tools`` and ``belts`` alike.
        at_least: Set-ups every route has.
        states: How many states were looked at.
        reasons: What forced what.
        broken: Rules no route keeps.
    """

    route: Route
    proved: bool
    machines: int
    tools: int
    belts: int
    at_least: int
    states: int
    reasons: tuple[Reason, ...]
    broken: tuple[Broken, ...]


_MILD = tuple(rule.key for rule in SETTING_RULES if rule.severity == "Mind")


def propose(job: Job, overruled: Mapping[str, str] | None = None) -> Proposed:
    """The least route of a part.

    Where no route keeps every rule the milder are let go first, and what is broken is said.

    Args:
        job: The part.
        overruled: Rules that are not to count, each with its reason.

    Raises:
        Refused: Some feature cannot be reached by any way of holding.

    >>> from runk.core.route.reading import part_of
    >>> from runk.demo.back_shed import WORKSHOP
    >>> features = ["outside 10, from 0 to 8", "face at 0", "drilled 3"]
    >>> found = propose(Job(part_of("stub", "brass", "bar 12", features), WORKSHOP))
    >>> len(found.route.set_ups), found.proved, found.route.set_ups[0].does[0]
    (1, True, 'face 0: face')
    """
    waved = dict(overruled or {})
    without = overruled_keys(waved)
    every = frozenset(rule.key for rule in SETTING_RULES)
    skin = frozenset({"under-the-skin", "rough-all-first", "pins-before-journals"})
    grip = frozenset({*_MILD, "short-grip"})
    for let_go in (frozenset[str](), frozenset(_MILD), grip, grip | every, grip | every | skin):
        problem = posed(job, without | let_go)
        if "short-grip" in let_go:
            see_possible(job, problem)
        found = least(problem)
        if found is not None:
            found = replace(found, moves=nearest(job, problem, found))
            return _said(job, found, waved, without | let_go)
    raise Refused(
        f"{job.part.name}: the rules and the grips it has leave no order at all.",
        field="route",
        suggest="something more to hold it by, or a rule overruled with a reason",
    )


def _said(job: Job, found: Found, waved: Mapping[str, str], without: frozenset[str]) -> Proposed:
    set_ups = tuple(with_steps(job, tuple(_set_ups(job, found.moves))))
    route = Route(set_ups, waved)
    many = parts_of(found.cost)
    return Proposed(
        route=route,
        proved=found.proved and not without - overruled_keys(waved),
        machines=many[1],
        tools=many[2],
        belts=many[3],
        at_least=parts_of(found.bound)[0],
        states=found.states,
        reasons=tuple(_reasons(job, route, without)),
        broken=check(job, route).broken,
    )


def _set_ups(job: Job, moves: tuple[Move, ...]) -> Iterator[SetUp]:
    does: list[str] = []
    place = NONE
    for move in moves:
        if move.op == NONE:
            if does:
                yield SetUp(job.holds[place].key, tuple(does))
            place, does = move.place, []
        else:
            does.append(job.operations[move.op].key)
    if does:
        yield SetUp(job.holds[place].key, tuple(does))


def _reasons(job: Job, route: Route, without: frozenset[str]) -> Iterator[Reason]:
    """Why each set-up but the first could not be part of the one before."""
    orders = [
        (rule, first, later)
        for rule in ORDER_RULES
        if rule.key not in without
        for first, later in rule.pairs(job)
    ]
    for before, after in zip(route.set_ups, route.set_ups[1:], strict=False):
        hold = job.hold_by_key[before.hold]
        far = [k for k in after.does if k in job.by_key and not hold.reaches(job.by_key[k])]
        for rule, first, later in orders:
            if first in before.does and later in after.does and later not in far:
                yield Reason(rule.key, f"{later} waits for {first}: {rule.reason}")
                break
        if far:
            yield Reason("out-of-reach", f"{far[0]} is not reached {hold.key}.")
        if PART_OFF in before.does:
            yield Reason("gone", f"After {PART_OFF} it has to be held another way.")
    here = {k: n for n, one in enumerate(route.set_ups, 1) for k in one.does}
    for together in SETTING_RULES:
        if together.key in without:
            continue
        for one, others in together.groups(job):
            with_it = [k for k in others if here.get(k) == here.get(one)]
            if with_it:
                yield Reason(
                    together.key,
                    f"{one} with {with_it[0]} in set-up {here[one]}: {BY_KEY[together.key].reason}",
                )
