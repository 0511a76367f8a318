"""Rules of the order of work, as objects: a name, a reason, a source, how grave, what breaks it."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, field
from enum import StrEnum

from runk.core.route.hold import Hold
from runk.core.route.route import Job, Route, SetUp
from runk.core.sources import PRACTICE, Source

Pair = tuple[str, str]


class Severity(StrEnum):
    """How grave it is to break a rule."""

    STOP = "Stop"
    MIND = "Mind"


@dataclass(frozen=True, slots=True)
class Broken:
    """A place where a route breaks a rule.

    Args:
        rule: Its key.
        says: Where and how, in a sentence.
        operations: The operations or steps it bites.
        set_up: Which set-up, from 1; 0 where it is of the whole route.
        mend: What to do instead.
    """

    rule: str
    says: str
    operations: tuple[str, ...]
    set_up: int = 0
    mend: str = ""


@dataclass(frozen=True, kw_only=True)
class Rule:
    """What a route is checked against.

    Args:
        key: In files and addresses.
        name: In words.
        reason: Why.
        mend: What to do instead.
        severity: How grave.
        source: Where it is from.
    """

    key: str
    name: str
    reason: str
    mend: str = ""
    severity: Severity = Severity.STOP
    source: Source = field(default=PRACTICE)

    def broken(self, job: Job, walk: Walk) -> Iterator[Broken]:
        """Where a route breaks it."""
        raise NotImplementedError


@dataclass(frozen=True, kw_only=True)
class Order(Rule):
    """Some operations come before others.

    Args:
        pairs: First and later, for a part.
    """

    pairs: Callable[[Job], Iterable[Pair]]

    def broken(self, job: Job, walk: Walk) -> Iterator[Broken]:
        at = walk.first_at
        # All that is done to one feature too late is said at once.
        late: dict[tuple[str, str], list[str]] = {}
        for first, later in self.pairs(job):
            if first in at and later in at and at[first] > at[later]:
                ahead = late.setdefault((later, job.by_key[first].feature), [])
                ahead += [first] if first not in ahead else []
        for (later, feature), ahead in late.items():
            ahead.sort(key=lambda key: at[key])
            all_ = ", ".join([ahead[0], *(job.by_key[key].verb for key in ahead[1:])])
            yield Broken(
                self.key,
                f"{later} comes before {all_}. {self.reason}",
                (*ahead, later),
                walk.set_up_of[later],
                self.mend or f"{all_ if feature else ahead[0]} first.",
            )


@dataclass(frozen=True, kw_only=True)
class Together(Rule):
    """Some operations are done without letting go between them.

    Args:
        groups: For a part: an operation, and those of which one (or, with ``every``, all) must
            be done in the same set-up.
        every: Whether all of them must.
    """

    groups: Callable[[Job], Iterable[tuple[str, tuple[str, ...]]]]
    every: bool = False

    def broken(self, job: Job, walk: Walk) -> Iterator[Broken]:
        at = walk.set_up_of
        for one, others in self.groups(job):
            there = [other for other in others if other in at]
            if one not in at or not there:
                continue
            apart = [other for other in there if at[other] != at[one]]
            if apart if self.every else len(apart) == len(there):
                yield Broken(
                    self.key,
                    f"{one} is done in set-up {at[one]}, {apart[0]} in {at[apart[0]]}. "
                    f"{self.reason}",
                    (one, *apart),
                    at[one],
                    self.mend,
                )


@dataclass(frozen=True, kw_only=True)
class Watch(Rule):
    """Whatever else can be seen on a route.

    Args:
        look: Yields words, the operations they are about, and the set-up from 1.
    """

    look: Callable[[Job, Walk], Iterable[tuple[str, tuple[str, ...], int]]]

    def broken(self, job: Job, walk: Walk) -> Iterator[Broken]:
        for says, operations, set_up in self.look(job, walk):
            yield Broken(self.key, f"{says} {self.reason}".strip(), operations, set_up, self.mend)


class Walk:
    """A route gone through from the first line to the last.

    Args:
        job: The part.
        route: Its route.

    Attributes:
        first_at: Where in the whole each operation stands first.
        set_up_of: In which set-up, from 1.
    """

    def __init__(self, job: Job, route: Route) -> None:
        self.job, self.route = job, route
        self.first_at: dict[str, int] = {}
        self.set_up_of: dict[str, int] = {}
        self.lines: list[tuple[int, str]] = []
        for n, set_up in enumerate(route.set_ups, 1):
            for line in set_up.does:
                if line in job.by_key and line not in self.first_at:
                    self.first_at[line] = len(self.lines)
                    self.set_up_of[line] = n
                self.lines.append((n, line))

    def each(self) -> Iterator[tuple[int, SetUp, Hold | None]]:
        """Every set-up with its number and its way of holding, where that is known."""
        for n, set_up in enumerate(self.route.set_ups, 1):
            yield n, set_up, self.job.hold_by_key.get(set_up.hold)

    def done_before(self, n: int) -> set[str]:
        """Operations done before a set-up begins."""
        return {key for key, at in self.set_up_of.items() if at < n}
