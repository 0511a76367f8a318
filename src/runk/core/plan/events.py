"""What happened to a cut, in order, and nothing else: readings, passes made, undoing."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum
from typing import Protocol, TypeVar


class EventKind(StrEnum):
    """What can happen."""

    READING = "reading"
    DONE = "done"
    UNDO = "undo"
    NOT_ON = "not-on"
    TIGHT = "tight"
    RUNS = "runs"
    ROCKS = "rocks"


TRIED = {
    EventKind.NOT_ON: "will not go on",
    EventKind.TIGHT: "goes on tight",
    EventKind.RUNS: "runs on by hand",
    EventKind.ROCKS: "rocks",
}
"""How a thread tried with its mate can go, and what that is called."""


@dataclass(frozen=True, slots=True)
class Event:
    """One thing that happened; never changed afterwards.

    Args:
        id: Grows with time.
        kind: A reading, a pass made without measuring, a thread tried with its mate, or the
            undoing of one of these.
        sizes_mm: Of a reading: one, or several places of the same surface.
        wound: Divisions really wound on since the last event; None for as told.
        warm_deg: Temperature of the work when it was read, Celsius.
        undoes: The event an undo takes back.
    """

    id: int
    kind: EventKind
    sizes_mm: tuple[float, ...] = ()
    wound: float | None = None
    warm_deg: float | None = None
    undoes: int | None = None


class Happened(Protocol):
    """What undoing asks of an event."""

    @property
    def id(self) -> int:
        """Grows with time."""

    @property
    def kind(self) -> EventKind:
        """What it is."""

    @property
    def undoes(self) -> int | None:
        """The event an undo takes back."""


AnyEvent = TypeVar("AnyEvent", bound=Happened)


def held_backwards(events: list[AnyEvent]) -> Iterator[AnyEvent]:
    """Events that still hold, the newest first; an undo can be undone as well."""
    gone: set[int] = set()
    for event in reversed(events):
        if event.id in gone:
            continue
        if event.kind is EventKind.UNDO:
            if event.undoes is not None:
                gone.add(event.undoes)
            continue
        yield event


def standing_events(events: list[AnyEvent]) -> list[AnyEvent]:
    """Events that still hold, undone ones left out, oldest first."""
    return [*held_backwards(events)][::-1]
