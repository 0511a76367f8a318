"""A route: set-ups in order, and in each what is done in its turn."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from functools import cached_property, lru_cache

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
