"""What is asked of a grip: the question of its own room, filled in from a set-up."""

from __future__ import annotations

from runk.core.machines.machine import Holding as Way
from runk.core.route.feature_question import INSIDE
from runk.core.route.part import Feature, Part
from runk.core.route.route import Job, SetUp

_WAYS = {
    Way.THREE_JAW: "three-jaw",
    Way.FOUR_JAW: "four-jaw",
    Way.COLLET: "collet",
    Way.VICE: "vice",
    Way.FACEPLATE: "clamps",
    Way.CLAMPS: "clamps",
    Way.BONDED: "adhesive",
}


def grip_asked(job: Job, one: SetUp) -> dict[str, str]:
    """Whether the grip of a set-up bears its largest cut, as the grip room would be asked.

    Args:
        job: The part.
        one: Its set-up.

    Returns:
        The question's fields as typed; empty where nothing is gripped by friction.

    >>> from runk.core.route.reading import part_of
    >>> from runk.demo.back_shed import WORKSHOP
    >>> job = Job(part_of("pin", "brass", "bar 12", ["outside 10, from 0 to 8"]), WORKSHOP)
    >>> hold = "on its bar in the chuck, right end out"
    >>> grip_asked(job, SetUp(hold, ("outside 10: turn",)))
    {'way': 'three-jaw', 'dia': '12 mm', 'at': '10 mm', 'metal': 'brass'}
    """
    hold = job.hold_by_key.get(one.hold)
    way = _WAYS.get(hold.way) if hold is not None else None
    if hold is None or way is None or hold.machine != "lathe":
        return {}
    part = job.part
    feature = part.surface(hold.on)
    dia = feature.size if feature is not None and not hold.gone else part.across
    if hold.way in (Way.BONDED, Way.FACEPLATE, Way.CLAMPS):
        # It bears on a face: on what that face is wide.
        dia = part.outside_at(feature.span[0]) if feature is not None else part.across
    cut = [
        _cut_at(part, part.by_key[job.by_key[line].feature])
        for line in one.does
        if line in job.by_key and job.by_key[line].feature
    ]
    if dia <= 0 or not any(cut):
        return {}
    asked = {"way": way, "dia": f"{dia:g} mm", "at": f"{max(cut):g} mm"}
    inside = [
        f.size
        for f in part.features
        if feature is not None
        and f.kind in INSIDE
        and f.size < dia
        and (f.overlaps(feature) or f.span[0] <= feature.span[0] <= f.span[1])
    ]
    if inside and way in ("three-jaw", "adhesive"):
        asked["bore"] = f"{max(inside):g} mm"
        if way == "three-jaw" and feature is not None:
            asked["wide"] = f"{feature.span[1] - feature.span[0]:g} mm"
    if one.packing:
        asked["faces"] = "soft"
    return asked | ({"metal": part.metal} if part.metal else {})


def _cut_at(part: Part, feature: Feature) -> float:
    """The largest diameter it is cut at: a face as far out as it goes."""
    if feature.kind in ("face", "chamfer"):
        return part.outside_at(feature.span[0]) or part.across
    return feature.size + 2 * feature.throw
