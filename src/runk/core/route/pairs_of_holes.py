"""What comes before what in drilling and boring, and on a block."""

from __future__ import annotations

from collections.abc import Iterator

from runk.core.route.in_line import drilled_on, pilot
from runk.core.route.operations import PART_OFF, spare
from runk.core.route.pairs import BORED, CROSSED, end_faces, on, overlapping, same
from runk.core.route.route import Job
from runk.core.route.rule import Pair


def led(job: Job) -> Iterator[Pair]:
    """A hole drilled after the smaller one in line with it."""
    yield from same("drill", "rough")(job)
    for one in job.of("drill", "rough", "ream", "tap", kinds=BORED):
        first = pilot(job.part, on(job, one)) if one.access.way == "inside" else None
        if first is not None and f"{first.key}: drill" in job.by_key:
            yield f"{first.key}: drill", one.key


def large_first(job: Job) -> Iterator[Pair]:
    """A deep small hole after the larger one from whose bottom it goes on."""
    for one in job.of("centre", "drill", kinds=BORED):
        for larger in drilled_on(job.part, on(job, one)) if one.access.way == "inside" else ():
            if f"{larger.key}: drill" in job.by_key:
                yield f"{larger.key}: drill", one.key


def spot_first(job: Job) -> Iterator[Pair]:
    """A hole is started before it is drilled."""
    for first in ("centre", "spot"):
        yield from same(first, "drill")(job)


def face_before_centre(job: Job) -> Iterator[Pair]:
    """An end is faced before anything is started in it."""
    faces = end_faces(job)
    if spare(job.part):
        # That end is cut off with its centre when all else is done.
        faces.pop("left", None)
    for one in job.of("centre", "spot", "drill", "mill"):
        ends = one.access.ends
        if (
            one.access.way in ("inside", "end")
            and len(ends) == 1
            and (end := next(iter(ends))) in faces
        ):
            yield faces[end], one.key


def before_parting(job: Job) -> Iterator[Pair]:
    """What is reached through the free end, before the part is cut off."""
    if PART_OFF not in job.by_key:
        return
    for one in job.operations:
        if one.access.way == "inside" and "right" in one.access.ends and one.machine == "lathe":
            # A deep one waits for what is drilled from the other end.
            larger = drilled_on(job.part, on(job, one)) if one.feature else ()
            if all(f.side != "left" for f in larger):
                yield one.key, PART_OFF


def hole_before_counterbore(job: Job) -> Iterator[Pair]:
    """A hole before the counterbore round it."""
    for one in job.of("rough", kinds=("counterbore",)):
        for first in job.of("drill", kinds=BORED):
            if first.access.way == "inside" and on(job, first).size < on(job, one).size:
                yield first.key, one.key


def flats_before_cross(job: Job) -> Iterator[Pair]:
    """Flats before the holes across them."""
    for verb in ("centre", "drill"):
        yield from overlapping(job, ("mill", ("flats",)), (verb, CROSSED))


def hole_before_slot(job: Job) -> Iterator[Pair]:
    """A hole before the slot it meets."""
    yield from overlapping(job, ("drill", CROSSED), ("mill", ("slot",)))


def plane_before_holes(job: Job) -> Iterator[Pair]:
    """A face of a block before what is cut into it."""
    planes = {on(job, one).side: one.key for one in job.of("mill", kinds=("plane",))}
    for one in job.operations:
        if (one.access.way == "side" and one.verb != "mill") or one.tool.startswith("slot drill"):
            side = next(iter(one.access.ends), "")
            if side in planes and planes[side] != one.key:
                yield planes[side], one.key


def holes_before_profile(job: Job) -> Iterator[Pair]:
    """The holes of a side before its outline."""
    for later in job.of("mill", kinds=("profile",)):
        for first in job.of("drill", "ream", "tap"):
            if first.access.way == "side" and first.access.ends == later.access.ends:
                yield first.key, later.key


def first_plane(job: Job) -> Iterator[Pair]:
    """One flat face before all else on a block."""
    planes = [] if job.part.turned else list(job.of("mill", kinds=("plane",)))
    for one in job.operations:
        if planes and one.key != planes[0].key and one.access.way != "none":
            yield planes[0].key, one.key


def halves_first(job: Job) -> Iterator[Pair]:
    """What is round through both halves after they are bolted together."""
    for joined in job.of("bolt"):
        for one in job.operations:
            turned = one.access.way == "outside" and one.feature != ""
            reamed = one.access.way == "side" and one.verb == "ream"
            if turned or reamed or one.access.way == "inside":
                yield joined.key, one.key


def bolts_first(job: Job) -> Iterator[Pair]:
    """The holes of their bolts before the halves are sawn apart."""
    for sawn in job.of("saw"):
        for one in job.of("drill", "tap", kinds=("drilled", "tapped", "holes")):
            if one.access.way in ("across", "side"):
                yield one.key, sawn.key


def bore_before_passage(job: Job) -> Iterator[Pair]:
    """A bore before the passages into it."""
    for later in job.of("drill", kinds=("passage",)):
        for first in job.of("rough", kinds=("bore",)):
            yield first.key, later.key
