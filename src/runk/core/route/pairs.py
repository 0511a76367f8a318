"""What rules of order are told in: an operation, and what comes after it."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from runk.core.route.feature_question import HOLES, INSIDE
from runk.core.route.operations import Operation, spare
from runk.core.route.part import EPS, Feature
from runk.core.route.route import Job
from runk.core.route.rule import Pair

LAST = ("finish", "turn", "ream")
"""Verbs after which a surface is to size."""
BORED = (*INSIDE, *HOLES)


def same(first: str, later: str, kinds: tuple[str, ...] = ()) -> Callable[[Job], Iterator[Pair]]:
    """One verb before another on the same feature."""

    def pairs(job: Job) -> Iterator[Pair]:
        for one in job.of(later, kinds=kinds):
            before = f"{one.feature}: {first}"
            if before in job.by_key:
                yield before, one.key

    return pairs


def on(job: Job, one: Operation) -> Feature:
    """The feature an operation is done to."""
    return job.part.by_key[one.feature]


def to_size(job: Job, feature: Feature) -> Iterator[str]:
    """What brings a surface to size."""
    for verb in LAST:
        if f"{feature.key}: {verb}" in job.by_key:
            yield f"{feature.key}: {verb}"


def outsides(job: Job, *verbs: str) -> Iterator[Operation]:
    """Operations with one of these verbs on what is turned outside."""
    return job.of(*verbs, kinds=("outside", "journal", "crankpin", "eccentric"))


def end_faces(job: Job) -> dict[str, str]:
    """The facing of each end, by end."""
    return {
        next(iter(one.access.ends)): one.key
        for one in job.of("face")
        if one.access.way == "end" and len(one.access.ends) == 1
    }


def datum(job: Job) -> str:
    """The face everything along the axis is measured from; empty where there is none."""
    faces = end_faces(job)
    if job.part.bar or spare(job.part):
        # The left end is cut off or cleaned up last: nothing is measured from it.
        faces.pop("left", None)
    return faces.get("right") or faces.get("left") or ""


def touching(job: Job, verb: str, kind: str, later: str, kinds: tuple[str, ...]) -> Iterator[Pair]:
    """A cut on features that touch others, before theirs."""
    for one in job.of(later, kinds=kinds):
        span = on(job, one).span
        for first in job.of(verb, kinds=(kind,)):
            other = on(job, first).span
            if other[0] <= span[1] + EPS and span[0] <= other[1] + EPS:
                yield first.key, one.key


def overlapping(
    job: Job, first: tuple[str, tuple[str, ...]], later: tuple[str, tuple[str, ...]]
) -> Iterator[Pair]:
    """A verb on some kinds before another on those whose length it shares."""
    for one in job.of(later[0], kinds=later[1]):
        place = one.access.span if one.access.way == "across" else on(job, one).span
        for before in job.of(first[0], kinds=first[1]):
            other = before.access.span if before.access.way == "across" else on(job, before).span
            if before is not one and other[0] < place[1] - EPS and place[0] < other[1] - EPS:
                yield before.key, one.key


CROSSED = (*HOLES, "passage")
