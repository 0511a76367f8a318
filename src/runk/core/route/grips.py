"""What a grip does to a part: how far it stands out, whether it is enough, what it marks."""

from __future__ import annotations

from collections.abc import Iterable

from runk.core.machines.machine import Holding as Way
from runk.core.route.holdings import LEAST_GRIP_MM, Hold
from runk.core.route.operations import Operation, spare, thrown
from runk.core.route.part import Feature
from runk.core.route.route import Job

ENOUGH_MM = 8.0
"""So much is enough for jaws on a disc of any size: common practice."""
CLOSE_MM = 0.02
"""Limits closer than this are read on cold work only: common practice."""


def finishing(job: Job, feature: str) -> str:
    """The last operation of a feature; empty where it is left as it was bought."""
    return next((one.key for one in reversed(job.operations) if one.feature == feature), "")


def is_close(feature: Feature) -> bool:
    """Whether its limits are so close that warmth counts."""
    return feature.limits is not None and feature.limits[1] - feature.limits[0] < CLOSE_MM


def too_short(job: Job, hold: Hold) -> bool:
    """Whether jaws have so little to close on that the work tips out."""
    if hold.grips is None or hold.machine != "lathe" or hold.on not in job.part.by_key:
        return False
    long, size = hold.grips[1] - hold.grips[0], job.part.by_key[hold.on].size
    return long < max(LEAST_GRIP_MM, min(size / 4, ENOUGH_MM)) - 1e-9


def grips_finished(job: Job, hold: Hold, done: Iterable[str]) -> bool:
    """Whether hard jaws would mark what is finished already."""
    if hold.way not in (Way.THREE_JAW, Way.FOUR_JAW, Way.VICE) or not hold.on:
        return False
    if hold.on not in job.part.by_key or finishing(job, hold.on) not in set(done):
        return False
    return job.part.by_key[hold.on].fine


def stands_out(job: Job, hold: Hold) -> float:
    """How many of its diameters the work stands out of its grip; 0 where a centre carries it."""
    if hold.grips is None or hold.machine != "lathe" or hold.way is Way.CENTRES:
        return 0.0
    first, last = hold.grips
    out = first - job.part.begin if "right" in hold.out else job.part.long - last
    # Gripped as sawn it is as thick as its bar.
    turned = hold.on in job.part.by_key and not hold.gone
    across = job.part.by_key[hold.on].size if turned else job.part.across
    return out / across if across else 0.0


def is_reset(hold: Hold, n: int) -> bool:
    """Whether work is set true by hand in it: jaws that close on what was turned before."""
    return n > 1 and hold.machine == "lathe" and hold.way in (Way.THREE_JAW, Way.FOUR_JAW)


def unbalanced(hold: Hold) -> bool:
    """Whether what turns is heavier on one side."""
    return hold.throw > 0 or hold.way is Way.FACEPLATE


def astray(job: Job, hold: Hold, one: Operation) -> bool:
    """Whether a journal of a crankshaft from the solid is finished off its centres."""
    if one.verb != "finish" or hold.way is Way.CENTRES or not one.feature:
        return False
    return thrown(job.part) and job.part.by_key[one.feature].kind in ("journal", "crankpin")


def waits_for_face(one: Operation) -> bool:
    """Whether an operation waits for the facing of the end it is done from."""
    return one.machine == "lathe" and one.access.way in ("inside", "outside", "die")


def ends_faced(job: Job, hold: Hold) -> tuple[str, ...]:
    """The facing of an end that stands free, so held."""
    ends = hold.out - {"left"} if spare(job.part) else hold.out
    return tuple(
        one.key
        for one in job.of("face")
        if one.access.way == "end" and one.access.ends & ends and hold.reaches(one)
    )
