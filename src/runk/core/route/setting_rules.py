"""Rules of what is done without letting go in between."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from runk.core.route.pairs import end_faces
from runk.core.route.part import EPS
from runk.core.route.route import Job
from runk.core.route.rule import Severity, Together

Group = tuple[str, tuple[str, ...]]


def _mouths(job: Job, verb: str, kinds: tuple[str, ...]) -> Iterator[Group]:
    faces = end_faces(job)
    for one in job.of(verb, kinds=kinds):
        if one.access.way != "inside":
            continue
        span = job.part.by_key[one.feature].span
        mouths = []
        for end, x in (("right", job.part.begin), ("left", job.part.long)):
            opens = abs(span[0 if end == "right" else 1] - x) < EPS
            # Reached through a wider bore from the other end, that end's face will do.
            through = end in one.access.ends
            if end in faces and (opens or through):
                mouths.append(faces[end])
        if mouths:
            yield one.key, tuple(mouths)


def _with(later: str, first: str) -> Callable[[Job], Iterator[Group]]:
    def groups(job: Job) -> Iterator[Group]:
        for one in job.of(later):
            before = f"{one.feature}: {first}"
            if before in job.by_key:
                yield one.key, (before,)

    return groups


def _all_of(kind: str) -> Callable[[Job], Iterator[Group]]:
    def groups(job: Job) -> Iterator[Group]:
        throws: dict[float, list[str]] = {}
        for one in job.of("finish", kinds=(kind,)):
            throws.setdefault(one.access.throw, []).append(one.key)
        for keys in throws.values():
            if len(keys) > 1:
                yield keys[0], tuple(keys[1:])

    return groups


def _counterbore_true(job: Job) -> Iterator[Group]:
    bores = list(job.of("finish", kinds=("bore",)))
    for one in job.of("finish", kinds=("counterbore",)):
        near = tuple(other.key for other in bores if other.access.ends & one.access.ends)
        if near and job.part.by_key[one.feature].limits is not None:
            yield one.key, near


def _bores_in_line(job: Job) -> Iterator[Group]:
    fine = [one for one in job.of("finish", kinds=("bore",)) if job.part.by_key[one.feature].fine]
    for one, *others in [fine] if len(fine) > 1 else []:
        if all(other.access.ends & one.access.ends for other in others):
            yield one.key, tuple(other.key for other in others)


SETTING_RULES: tuple[Together, ...] = (
    Together(
        key="bore-and-face",
        name="A bore and an end face at one setting",
        groups=lambda job: _mouths(job, "finish", ("bore",)),
        reason="Only so is the face square to the bore.",
        mend="Face the end before the bore's setting is broken.",
    ),
    Together(
        key="rod-hole-and-register",
        name="A rod's hole and its register at one setting",
        groups=lambda job: _mouths(job, "ream", ("reamed",)),
        reason="Only so does the rod stand square to the face it is bolted to.",
        mend="Face the register before the hole's setting is broken.",
    ),
    Together(
        key="bores-in-one-setting",
        name="Bores in line at one setting",
        groups=_bores_in_line,
        every=True,
        reason="Only so do they lie on one line.",
        mend="All of them from one end, without letting go.",
    ),
    Together(
        key="drill-where-spotted",
        name="Drill where it was spotted",
        groups=lambda job: (*_with("drill", "centre")(job), *_with("drill", "spot")(job)),
        every=True,
        reason="Taken up again, the drill meets the mark nowhere but near it.",
        mend="Spot and drill without moving anything.",
    ),
    Together(
        key="tap-in-its-setting",
        name="Tap before the set-up is broken",
        groups=_with("tap", "drill"),
        every=True,
        reason="The spindle guides the tap true into the hole it has just drilled.",
        mend="Start the tap in the chuck, finish it by hand.",
    ),
    Together(
        key="ream-in-its-setting",
        name="Ream where it was drilled",
        groups=_with("ream", "drill"),
        every=True,
        reason="A reamer brought back to a hole follows its own line, not the hole's.",
        mend="Drill and ream before moving anything.",
    ),
    Together(
        key="journals-in-one-setting",
        name="All journals finished in one setting",
        groups=_all_of("journal"),
        every=True,
        reason="Only so do they turn about one line.",
        mend="Between centres, from one end to the other.",
    ),
    Together(
        key="pins-in-one-setting",
        name="Crankpins of one throw in one setting",
        groups=_all_of("crankpin"),
        every=True,
        reason="Only so are their throws alike.",
        mend="On the same pair of offset centres.",
    ),
    Together(
        key="thread-in-its-setting",
        name="A thread where its diameter was turned",
        groups=_with("cut thread", "turn"),
        every=True,
        reason="Else it is cut drunk to the shank.",
        mend="Run the die on before letting go.",
        severity=Severity.MIND,
    ),
    Together(
        key="counterbore-in-the-bores-setting",
        name="A counterbore in its bore's setting",
        groups=_counterbore_true,
        reason="Only so do the two lie on one line.",
        mend="Both from the same end, without letting go.",
    ),
)
