"""A part played through its route: as it stands before the first set-up and after each."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from runk.core.route.face import Face, faces
from runk.core.route.hold import Hold
from runk.core.route.route import Job, Route
from runk.core.route.section import Section, section


@dataclass(frozen=True, slots=True)
class Stage:
    """A part as it stands.

    Args:
        section: Cut through its axis; None for a block.
        faces: As seen on the sides it is drilled and milled in.
    """

    section: Section | None
    faces: tuple[Face, ...]


def stage_of(
    job: Job, done: frozenset[str], hold: Hold | None = None, now: frozenset[str] = frozenset()
) -> Stage:
    """A part after some of its operations.

    Args:
        job: The part.
        done: Operations done; ``now`` those that are shown as fresh.
        hold: How it is held; None where it lies on the bench.
    """
    view = section(job, done, hold, now)
    return Stage(view if job.part.turned else None, faces(job, done, now, view))


def stages(job: Job, route: Route) -> Iterator[Stage]:
    """The blank, then the part after each set-up with what holds it.

    >>> from runk.core.route.reading import part_of
    >>> from runk.core.route.route import SetUp
    >>> from runk.demo.back_shed import WORKSHOP
    >>> job = Job(part_of("pin", "brass", "bar 12", ["outside 10, from 0 to 8"]), WORKSHOP)
    >>> hold = "on its bar in the chuck, right end out"
    >>> route = Route((SetUp(hold, ("outside 10: turn", "part off")),))
    >>> [len(one.section.slices) for one in stages(job, route) if one.section]
    [3, 2]
    """
    done, nothing = frozenset[str](), frozenset[str]()
    ways = [None, *(job.hold_by_key.get(one.hold) for one in route.set_ups)]
    does = [nothing, *(frozenset(k for k in one.does if k in job.by_key) for one in route.set_ups)]
    for hold, here in zip(ways, does, strict=True):
        done = done | here
        yield stage_of(job, done, hold, here)
