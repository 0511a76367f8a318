"""What a grip does to a part: how far it stands out, whether it is enough, what it marks."""

from __future__ import annotations

from collections.abc import Iterable

from runk.core.cutting.reach import FREE_MOST
from runk.core.machines.machine import Holding as Way
from runk.core.route.hold import Hold, thin_over
from runk.core.route.operations import Operation, spare, thrown
from runk.core.route.part import Feature, is_round
from runk.core.route.route import Job

CLOSE_MM = 0.02
"""Limits closer than this are read on cold work only: common practice."""


def finishing(job: Job, feature: str) -> str:
    """The last operation of a feature; empty where it is left as it was bought."""
    return next((one.key for one in reversed(job.operations) if one.feature == feature), "")


def is_close(feature: Feature) -> bool:
    """Whether its limits are so close that warmth counts."""
    return feature.limits is not None and feature.limits[1] - feature.limits[0] < CLOSE_MM


def grips_finished(job: Job, hold: Hold, done: Iterable[str]) -> bool:
    """Whether hard jaws would mark what is finished already."""
    if hold.way not in (Way.THREE_JAW, Way.FOUR_JAW, Way.VICE) or not hold.on:
        return False
    if hold.on not in job.part.by_key or finishing(job, hold.on) not in set(done):
        return False
    return job.part.by_key[hold.on].fine


def hollow(job: Job, hold: Hold, done: Iterable[str]) -> str:
    """The bore under jaws whose wall gives; empty where it is solid there yet."""
    on = job.part.surface(hold.on)
    if not hold.thin or on is None:
        return ""
    bored = {job.by_key[key].feature for key in done if key in job.by_key}
    return next((f.key for f in thin_over(job.part, on) if f.key in bored), "")


def stands_out(job: Job, hold: Hold, one: Operation) -> float:
    """How many diameters stand out where an operation cuts; 0 where a centre carries them.

    Bending counts at the diameter being cut too: a thin end is long for itself.
    """
    if hold.grips is None or hold.machine != "lathe" or hold.way is Way.CENTRES:
        return 0.0
    first, last = hold.grips
    right = "right" in hold.out
    at = job.part.begin if right else job.part.long
    if one.access.way in ("outside", "die"):
        # What is cut close to the grip does not bend, however far the rest goes on.
        at = one.access.span[0] if right else one.access.span[1]
    out = max(first - at if right else at - last, 0.0)
    # Gripped as sawn it is as thick as its bar.
    on = job.part.surface(hold.on)
    across = on.size if on is not None and not hold.gone else job.part.across
    thick = out / across if across else 0.0
    feature = job.part.by_key.get(one.feature)
    if feature is None or not is_round(feature):
        return thick
    return max(thick, (feature.span[1] - feature.span[0]) / feature.size)


def whips(job: Job, hold: Hold, one: Operation, least: float = FREE_MOST) -> bool:
    """Whether work stands out too far on nothing for a cut: along it, or on its end.

    Bar that slides in the spindle is pushed back for its end.
    """
    far = one.access.way == "outside" or (hold.on != "" and one.verb == "face")
    return far and stands_out(job, hold, one) > least


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
