"""Rules of how a part is held."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from runk.core.cutting.reach import FREE_MOST, LONG_FREE
from runk.core.machines.machine import Holding as Way
from runk.core.route.feature_question import INSIDE
from runk.core.route.grips import (
    astray,
    ends_faced,
    grips_finished,
    hollow,
    is_reset,
    stands_out,
    unbalanced,
    waits_for_face,
    whips,
)
from runk.core.route.hold import too_short
from runk.core.route.operations import PART_OFF
from runk.core.route.room import no_room, too_far
from runk.core.route.route import Job, SetUp, step_of
from runk.core.route.rule import Severity, Walk, Watch
from runk.core.said import mm_said
from runk.core.tools import ToolKind, usable
from runk.core.tools.collets import grips

Seen = Iterator[tuple[str, tuple[str, ...], int]]


def _has(set_up: SetUp, step: str, about: str = "") -> bool:
    return any(step_of(line) == step and about.lower() in line.lower() for line in set_up.does)


def _packing(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if (
            hold is not None
            and not set_up.packing
            and grips_finished(job, hold, walk.done_before(n))
        ):
            yield f"Set-up {n} grips {hold.on}, which is finished, with nothing between.", (), n


def _thin(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is None or not hold.thin:
            continue
        bores = tuple(
            key
            for key in set_up.does
            if key in job.by_key
            and job.by_key[key].verb == "finish"
            and job.part.by_key[job.by_key[key].feature].kind in INSIDE
        )
        if bores:
            yield f"Set-up {n} finishes {bores[0]} with jaws on a thin wall.", bores, n


def _plugged(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        bore = hollow(job, hold, walk.done_before(n)) if hold is not None else ""
        if bore and not set_up.packing:
            yield f"Set-up {n} closes jaws on a thin wall with nothing in {bore}.", (), n


def _overhang(least: float, most: float) -> Callable[[Job, Walk], Seen]:
    def look(job: Job, walk: Walk) -> Seen:
        for n, set_up, hold in walk.each():
            if hold is None or walk.set_up_of.get("right end: centre", n + 1) <= n:
                continue
            out = {
                k: stands_out(job, hold, job.by_key[k])
                for k in set_up.does
                if k in job.by_key and whips(job, hold, job.by_key[k], least)
            }
            far = max(out.values(), default=0.0)
            if least < far <= most:
                keys = tuple(k for k, many in out.items() if many > least)
                yield f"In set-up {n} {far:.1f} diameters stand out without a centre.", keys, n

    return look


def _centred(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        keys = tuple(
            k
            for k in set_up.does
            if k in job.by_key and hold is not None and astray(job, hold, job.by_key[k])
        )
        if keys:
            yield f"Set-up {n} finishes {keys[0]} in a chuck.", keys, n


def _tapered(job: Job, walk: Walk) -> Seen:
    for n, set_up, _ in walk.each():
        for feature in job.part.features:
            if feature.kind in ("taper", "thread") and f" on {feature.key}" in set_up.hold:
                yield f"Set-up {n} grips {feature.key}.", (), n


def _short(job: Job, walk: Walk) -> Seen:
    for n, _, hold in walk.each():
        if hold is not None and hold.grips is not None and too_short(job.part, hold):
            long = mm_said(hold.grips[1] - hold.grips[0], 1)
            yield f"Set-up {n} grips only {long} of {hold.on}.", (), n


def _balance(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is not None and unbalanced(hold) and not _has(set_up, "balance"):
            yield f"Set-up {n} turns out of balance.", (), n


def _true(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is None or not is_reset(hold, n) or _has(set_up, "set true"):
            continue
        keys = tuple(
            k
            for k in set_up.does
            if k in job.by_key
            and job.by_key[k].feature
            and job.part.by_key[job.by_key[k].feature].fine
        )
        if keys:
            yield f"Set-up {n} makes {keys[0]} in jaws that were opened in between.", keys, n


def _not_held(job: Job, words: str) -> str:
    """Why a way of holding is none: the collet that is not there is named."""
    key = words.removeprefix("in a collet on ").rpartition(", ")[0]
    feature = job.part.by_key.get(key) if words.startswith("in a collet on ") else None
    collets = usable(job.workshop.tools, ToolKind.COLLET)
    if feature is None or any(grips(one.mm, feature.size) for one in collets):
        return f"this workshop does not hold it `{words[:60]}`"
    near = sorted(collets, key=lambda one: abs(one.mm - feature.size))[:2]
    owned = " and ".join(mm_said(one.mm) for one in near)
    said = f": the nearest are {owned}" if near else ""
    return f"no collet closes on {key}, {mm_said(feature.size)}{said}"


def _unknown_hold(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is None:
            yield f"Set-up {n}: {_not_held(job, set_up.hold)}.", (), n


def _face_first(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is None:
            continue
        for at, key in enumerate(set_up.does):
            if key in job.by_key and waits_for_face(job.by_key[key]):
                late = [k for k in set_up.does[at + 1 :] if k in ends_faced(job, hold)]
                if late:
                    yield f"Set-up {n}: {key} comes before {late[0]}.", (key, late[0]), n
                    break


def _out_of_reach(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        for key in set_up.does:
            if hold is not None and key in job.by_key and not hold.reaches(job.by_key[key]):
                yield f"Set-up {n}: {key} cannot be done {hold.key}.", (key,), n


def _not_there_yet(job: Job, walk: Walk) -> Seen:
    for n, _, hold in walk.each():
        lacks = sorted(hold.needs - walk.done_before(n)) if hold is not None else []
        if hold is not None and lacks:
            yield f"Set-up {n}, {hold.key}, needs {lacks[0]} done before.", tuple(lacks), n


def _gone(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is None:
            continue
        lost = sorted(hold.gone & walk.done_before(n))
        if lost:
            yield f"Set-up {n}, {hold.key}: that went with {lost[0]}.", tuple(lost), n
        at = [set_up.does.index(k) for k in hold.gone if k in set_up.does]
        late = [k for k in set_up.does[min(at) + 1 :] if k in job.by_key] if at else []
        if late and PART_OFF in hold.gone:
            yield f"Set-up {n}: {late[0]} comes when the part is off its bar.", tuple(late), n


def _no_room(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is not None and (why := no_room(job, hold)):
            yield f"Set-up {n}: {why}.", (), n
        for key in set_up.does:
            if key in job.by_key and (why := too_far(job, job.by_key[key])):
                yield f"Set-up {n}: {why}.", (key,), n


def _unset(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is not None and hold.way is Way.BONDED and hold.machine == "lathe":
            cut = [at for at, key in enumerate(set_up.does) if key in job.by_key]
            steps = [step_of(line) for line in set_up.does[: cut[0] if cut else 0]]
            if cut and "bond" not in steps:
                yield f"Set-up {n} cuts {set_up.does[cut[0]]} on a bond nobody let set.", (), n


def _empty(job: Job, walk: Walk) -> Seen:
    for n, set_up, _ in walk.each():
        if not any(line in job.by_key for line in set_up.does):
            yield f"Set-up {n} does nothing to the part.", (), n


HELD_RULES: tuple[Watch, ...] = (
    Watch(
        key="packing",
        name="Nothing gripped on a finished surface without packing",
        look=_packing,
        reason="Jaws mark it.",
        mend="Soft packing, or a collet.",
    ),
    Watch(
        key="thin-wall",
        name="No bore finished in jaws on a thin wall",
        look=_thin,
        reason="Let go, the wall springs back and the bore is three-cornered.",
        mend="Hold it endways, on a faceplate or in a full ring.",
    ),
    Watch(
        key="plug-it",
        name="A thin wall is plugged before jaws close on it",
        look=_plugged,
        severity=Severity.MIND,
        reason="Jaws press a hollow end out of round, or in.",
        mend="A plug turned to fit the bore, pushed in before it is gripped.",
    ),
    Watch(
        key="long-overhang",
        name="Long work wants a centre",
        look=_overhang(LONG_FREE, FREE_MOST),
        severity=Severity.MIND,
        reason="It springs away from the tool, and the end comes out thick.",
        mend="A centre in its end, or shorter steps.",
    ),
    Watch(
        key="whirling",
        name="Nothing turns far out on nothing",
        look=_overhang(FREE_MOST, 1e9),
        reason="It whips, and throws itself out of the chuck.",
        mend="A centre or a steady.",
    ),
    Watch(
        key="between-centres",
        name="A crankshaft is finished between its centres",
        look=_centred,
        reason="Its journals and pins then share two pairs of centres, and nothing a chuck adds.",
        mend="Between centres, on the pair for its throw.",
    ),
    Watch(
        key="tapered-grip",
        name="A taper or a thread is not gripped by three jaws",
        look=_tapered,
        reason="Parallel jaws touch it at one end only.",
        mend="Grip a parallel stub, or turn one.",
    ),
    Watch(
        key="short-grip",
        name="Enough to grip",
        look=_short,
        severity=Severity.MIND,
        reason="A quarter of the diameter, or 8 mm, or it tips out under the cut.",
        mend="Grip a longer place, or take light cuts only.",
    ),
    Watch(
        key="balance",
        name="Balance what turns off its centre",
        look=_balance,
        reason="Out of balance the lathe shakes, and the work may come off.",
        mend="A weight opposite, turned by hand until it stays anywhere; then slowly.",
    ),
    Watch(
        key="set-true",
        name="Set true after every new grip",
        look=_true,
        reason="A chuck does not bring work back to where it was.",
        mend="Indicator on a finished diameter before the first cut.",
    ),
    Watch(
        key="no-room",
        name="It swings, and there is length for it",
        look=_no_room,
        reason="It meets the bed before the lathe has turned once.",
        mend="A larger machine, or a piece that is smaller.",
    ),
    Watch(
        key="let-it-set",
        name="Bond, let it set, then light cuts",
        look=_unset,
        reason="An adhesive that has not set lets go under the first cut.",
        mend="Degrease, bond, wait; afterwards warm it off with air moving.",
    ),
    Watch(
        key="unknown-hold",
        name="Held by what is owned",
        look=_unknown_hold,
        reason="",
        mend="Choose one of the ways of holding listed.",
    ),
    Watch(
        key="face-first",
        name="Face the free end before anything else",
        look=_face_first,
        reason="On a rough end a drill wanders, and every length is counted from nothing.",
        mend="Face it first.",
    ),
    Watch(
        key="out-of-reach",
        name="The tool gets there",
        look=_out_of_reach,
        reason="It is covered by the grip, on the wrong end, or for another machine.",
        mend="Another way of holding.",
    ),
    Watch(
        key="not-there-yet",
        name="What holds it is there before it holds",
        look=_not_there_yet,
        reason="How will it be held next?",
        mend="Make it in an earlier set-up.",
    ),
    Watch(
        key="gone",
        name="What holds it is still there",
        look=_gone,
        reason="Nothing leaves a grip before all that needs it is done.",
        mend="Do it earlier, or hold it otherwise.",
    ),
    Watch(
        key="idle-set-up",
        name="No set-up for nothing",
        look=_empty,
        severity=Severity.MIND,
        reason="Every new grip costs truth.",
        mend="Leave it out.",
    ),
)
