"""A route: set-ups in order, and in each what is done in its turn."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property, lru_cache
from typing import Any

from runk.core.refusals import Refused
from runk.core.route.hold import Hold
from runk.core.route.holdings import holds_of
from runk.core.route.operations import Operation, operations_of
from runk.core.route.part import Part
from runk.core.workshop import Workshop

STEPS = (
    "set true",
    "soft packing",
    "deburr",
    "measure",
    "try",
    "mark",
    "cool",
    "isolate the drive",
    "balance",
    "dry assembly",
    "look over",
    "fettle",
    "clean out",
    "file",
    "lock the carriage",
    "bond",
    "note",
)
"""What may stand in a route beside its operations."""


@lru_cache(maxsize=4096)
def step_of(line: str) -> str:
    """Which step a line of a route is; empty where it is an operation.

    >>> step_of("measure bore 22"), step_of("bore 22: finish")
    ('measure', '')
    """
    lower = line.strip().lower()
    return next(
        (one for one in STEPS if lower == one or lower.startswith((f"{one} ", f"{one}:"))), ""
    )


@dataclass(frozen=True, slots=True)
class SetUp:
    """Held one way, until it is let go.

    Args:
        hold: Words of the way of holding.
        does: Operations and steps in their turn.
        packing: What lies between jaws and work; empty for nothing.
    """

    hold: str
    does: tuple[str, ...]
    packing: str = ""


@dataclass(frozen=True)
class Route:
    """Set-ups in order.

    Args:
        set_ups: In order.
        overruled: Rules that are not to count, each with its written reason.
    """

    set_ups: tuple[SetUp, ...]
    overruled: Mapping[str, str] = field(default_factory=dict)


@dataclass(frozen=True)
class Job:
    """A part with its operations and the ways this workshop has of holding it."""

    part: Part
    workshop: Workshop

    @cached_property
    def operations(self) -> tuple[Operation, ...]:
        """Every operation."""
        return operations_of(self.part)

    @cached_property
    def by_key(self) -> dict[str, Operation]:
        """Operations by key."""
        return {one.key: one for one in self.operations}

    @cached_property
    def holds(self) -> tuple[Hold, ...]:
        """Every way of holding."""
        return holds_of(self.part, self.operations, self.workshop)

    @cached_property
    def hold_by_key(self) -> dict[str, Hold]:
        """Ways of holding by their words, and by those of routes kept before they were changed."""
        before = {one.key.replace("in V-blocks,", "bolted down,"): one for one in self.holds}
        return {**before, **{one.key: one for one in self.holds}}

    def of(self, *verbs: str, kinds: tuple[str, ...] = ()) -> Iterator[Operation]:
        """Operations with one of these verbs, on features of these kinds where any are told."""
        for one in self.operations:
            if verbs and one.verb not in verbs:
                continue
            if kinds and (one.feature == "" or self.part.by_key[one.feature].kind not in kinds):
                continue
            yield one


MOST_LINES, LONGEST_LINE = 2000, 300
"""Of a route in all: no part has so many, and every look at it walks them."""


def see_bounded(set_ups: Sequence[Mapping[str, Any]]) -> None:
    """See that a route typed or dragged is one that can be walked.

    Args:
        set_ups: Each with what it does, line by line.

    Raises:
        Refused: More lines than any part has, a line too long, or an operation done twice.

    >>> see_bounded([{"does": ["bore 22: finish"]}, {"does": ["bore 22: finish"]}])
    Traceback (most recent call last):
    ...
    runk.core.refusals.Refused: `bore 22: finish` stands twice: an operation is done once.
    """
    lines = [line for up in set_ups for line in up["does"]]
    if len(lines) > MOST_LINES:
        raise Refused(f"{len(lines)} lines are too many: {MOST_LINES} at most.", field="set_ups")
    long = next((line for line in lines if len(line) > LONGEST_LINE), None)
    if long is not None:
        raise Refused(f"A line is {LONGEST_LINE} characters at most.", field="set_ups")
    seen: set[str] = set()
    for line in lines:
        if ": " not in line or line.startswith("try "):
            continue
        if line in seen:
            raise Refused(
                f"`{line[:60]}` stands twice: an operation is done once.", field="set_ups"
            )
        seen.add(line)
