"""Rules of how a part is held, and of what goes with the cutting: measuring, trying, marking."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator

from runk.core.machines.machine import Holding as Way
from runk.core.route.feature_question import HOLES, INSIDE
from runk.core.route.holdings import LEAST_GRIP_MM, Hold
from runk.core.route.operations import PART_OFF, Operation, spare, thrown
from runk.core.route.part import Feature
from runk.core.route.route import Job, SetUp, step_of
from runk.core.route.rule import Severity, Walk, Watch
from runk.core.said import mm_said

Seen = Iterator[tuple[str, tuple[str, ...], int]]
Bar = tuple[float, float]

LONG, TOO_LONG = 4.0, 10.0
"""Work standing out so many diameters springs; so many, it must not run without a centre."""
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
            key for key in set_up.does if key in job.by_key and job.by_key[key].verb == "finish"
            and job.part.by_key[job.by_key[key].feature].kind in INSIDE
        )  # fmt: skip
        if bores:
            yield f"Set-up {n} finishes {bores[0]} with jaws on a thin wall.", bores, n


def _overhang(least: float, most: float) -> Callable[[Job, Walk], Seen]:
    def look(job: Job, walk: Walk) -> Seen:
        for n, set_up, hold in walk.each():
            if hold is None or not least < stands_out(job, hold) <= most:
                continue
            if walk.set_up_of.get("right end: centre", n + 1) <= n:
                continue
            keys = tuple(
                k for k in set_up.does if k in job.by_key and job.by_key[k].access.way == "outside"
            )
            if keys:
                many = f"{stands_out(job, hold):.1f}"
                yield f"In set-up {n} it stands out {many} diameters without a centre.", keys, n

    return look


def astray(job: Job, hold: Hold, one: Operation) -> bool:
    """Whether a journal of a crankshaft from the solid is finished off its centres."""
    if one.verb != "finish" or hold.way is Way.CENTRES or not one.feature:
        return False
    return thrown(job.part) and job.part.by_key[one.feature].kind in ("journal", "crankpin")


def _centred(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        keys = tuple(
            k for k in set_up.does
            if k in job.by_key and hold is not None and astray(job, hold, job.by_key[k])
        )  # fmt: skip
        if keys:
            yield f"Set-up {n} finishes {keys[0]} in a chuck.", keys, n


def _tapered(job: Job, walk: Walk) -> Seen:
    for n, set_up, _ in walk.each():
        for feature in job.part.features:
            if feature.kind in ("taper", "thread") and f" on {feature.key}" in set_up.hold:
                yield f"Set-up {n} grips {feature.key}.", (), n


def _short(job: Job, walk: Walk) -> Seen:
    for n, _, hold in walk.each():
        if hold is not None and hold.grips is not None and too_short(job, hold):
            long = mm_said(hold.grips[1] - hold.grips[0], 1)
            yield f"Set-up {n} grips only {long} of {hold.on}.", (), n


def _has(set_up: SetUp, step: str, about: str = "") -> bool:
    return any(step_of(line) == step and about.lower() in line.lower() for line in set_up.does)


def _balance(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is not None and unbalanced(hold) and not _has(set_up, "balance"):
            yield f"Set-up {n} turns out of balance.", (), n


def _true(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is None or not is_reset(hold, n) or _has(set_up, "set true"):
            continue
        keys = tuple(
            k for k in set_up.does if k in job.by_key and job.by_key[k].feature
            and job.part.by_key[job.by_key[k].feature].fine
        )  # fmt: skip
        if keys:
            yield f"Set-up {n} makes {keys[0]} in jaws that were opened in between.", keys, n


def _after(set_up: SetUp, key: str, step: str, about: str) -> bool:
    at = set_up.does.index(key)
    return any(step_of(x) == step and about.lower() in x.lower() for x in set_up.does[at + 1 :])


def _last_here(job: Job, walk: Walk) -> Iterator[tuple[int, SetUp, Feature, str]]:
    for n, set_up, _ in walk.each():
        for feature in job.part.features:
            key = finishing(job, feature.key)
            if key in set_up.does and walk.set_up_of.get(key) == n:
                yield n, set_up, feature, key


def _measure(job: Job, walk: Walk) -> Seen:
    for n, set_up, feature, key in _last_here(job, walk):
        if feature.fine and not _after(set_up, key, "measure", feature.key):
            yield f"{feature.key} is let go in set-up {n} unmeasured.", (key,), n


def _try(job: Job, walk: Walk) -> Seen:
    for n, set_up, feature, key in _last_here(job, walk):
        mate = job.part.tries.get(feature.key)
        if mate and not _after(set_up, key, "try", feature.key):
            yield f"{feature.key} is let go in set-up {n} before {mate} was tried.", (key,), n


def _deburr_before_try(job: Job, walk: Walk) -> Seen:
    for n, set_up, _ in walk.each():
        for at, line in enumerate(set_up.does):
            before = [step_of(x) for x in set_up.does[:at]]
            if step_of(line) == "try" and "deburr" not in before:
                yield f"Set-up {n}: {line} comes before deburring.", (line,), n


def _cool(job: Job, walk: Walk) -> Seen:
    for n, set_up, _ in walk.each():
        for at, line in enumerate(set_up.does):
            if step_of(line) != "measure":
                continue
            close = [
                f for f in job.part.features
                if f.key.lower() in line.lower() and is_close(f)
            ]  # fmt: skip
            if close and "cool" not in [step_of(x) for x in set_up.does[:at]]:
                yield f"Set-up {n} reads {close[0].key} warm from the cut.", (line,), n


def _isolate(job: Job, walk: Walk) -> Seen:
    for n, set_up, _ in walk.each():
        for at, key in enumerate(set_up.does):
            if key in job.by_key and job.by_key[key].verb in ("tap", "cut thread"):
                before = [step_of(x) for x in set_up.does[:at]]
                if "isolate the drive" not in before:
                    yield f"Set-up {n}: {key} by hand with the drive ready to start.", (key,), n
                    break


def _carriage(job: Job, walk: Walk) -> Seen:
    for n, set_up, _ in walk.each():
        if PART_OFF in set_up.does:
            before = [step_of(x) for x in set_up.does[: set_up.does.index(PART_OFF)]]
            if "lock the carriage" not in before:
                yield f"Set-up {n} parts off with the carriage free.", (PART_OFF,), n


def _look_over(job: Job, walk: Walk) -> Seen:
    first = walk.route.set_ups[0].does if walk.route.set_ups else ()
    if job.part.blank.kind == "casting" and "look over" not in [step_of(x) for x in first]:
        yield "The casting is cut before it was looked over.", (), 1


def _sand(job: Job, walk: Walk) -> Seen:
    if job.part.blank.cored is None:
        return
    seen: list[str] = []
    for n, line in walk.lines:
        seen.append(step_of(line))
        if line in job.by_key and job.by_key[line].access.way == "inside":
            if "clean out" not in seen:
                yield f"{line} meets the core's sand.", (line,), n
            return


def _mark(job: Job, walk: Walk) -> Seen:
    marked = any(step_of(line) == "mark" for _, line in walk.lines)
    if job.part.alike > 1 and not marked and walk.route.set_ups:
        yield f"{job.part.alike} alike are made and none is marked.", (), len(walk.route.set_ups)


def _crossed(job: Job, walk: Walk) -> Seen:
    for one in job.of("drill", kinds=("passage", *HOLES)):
        if one.access.way != "across" or one.key not in walk.first_at:
            continue
        after = walk.lines[walk.first_at[one.key] + 1 :]
        if not any(step_of(line) == "deburr" for _, line in after):
            yield f"{one.key} leaves a burr inside.", (one.key,), walk.set_up_of[one.key]


def _twice(job: Job, walk: Walk) -> Seen:
    seen: set[str] = set()
    for n, line in walk.lines:
        if line in job.by_key:
            if line in seen:
                yield f"{line} stands in the route twice.", (line,), n
            seen.add(line)


def _missing(job: Job, walk: Walk) -> Seen:
    missing = tuple(one.key for one in job.operations if one.key not in walk.first_at)
    if missing:
        also = f" and {len(missing) - 1} more" if len(missing) > 1 else ""
        yield f"{missing[0]}{also} is nowhere in the route.", missing, 0


def _unknown_line(job: Job, walk: Walk) -> Seen:
    for n, line in walk.lines:
        if line not in job.by_key and not step_of(line):
            yield (
                f"Set-up {n}: `{line[:60]}` is no operation of this part, and no step.",
                (line,),
                n,
            )


def _unknown_hold(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is None:
            yield f"Set-up {n}: this workshop does not hold it `{set_up.hold[:60]}`.", (), n


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


def _empty(job: Job, walk: Walk) -> Seen:
    for n, set_up, _ in walk.each():
        if not any(line in job.by_key for line in set_up.does):
            yield f"Set-up {n} does nothing to the part.", (), n


def _no_reason(job: Job, walk: Walk) -> Seen:
    for key, reason in walk.route.overruled.items():
        if not reason.strip():
            yield f"{key} is overruled without a reason.", (), 0


def _relied_on(job: Job, walk: Walk) -> Seen:
    if "bore-and-face" not in walk.route.overruled:
        return
    for n, set_up, hold in walk.each():
        if hold is not None and hold.way is Way.MANDREL:
            keys = tuple(k for k in set_up.does if k in job.by_key and job.by_key[k].verb == "face")
            if keys:
                yield (
                    f"bore-and-face is overruled, and set-up {n} trues {keys[0]} from that bore.",
                    keys, n,
                )  # fmt: skip


WATCH_RULES: tuple[Watch, ...] = (
    Watch(key="packing", name="Nothing gripped on a finished surface without packing",
          look=_packing, reason="Jaws mark it.", mend="Soft packing, or a collet."),
    Watch(key="thin-wall", name="No bore finished in jaws on a thin wall", look=_thin,
          reason="Let go, the wall springs back and the bore is three-cornered.",
          mend="Hold it endways, on a faceplate or in a full ring."),
    Watch(key="long-overhang", name="Long work wants a centre",
          look=_overhang(LONG, TOO_LONG), severity=Severity.MIND,
          reason="It springs away from the tool, and the end comes out thick.",
          mend="A centre in its end, or shorter steps."),
    Watch(key="whirling", name="Nothing turns far out on nothing",
          look=_overhang(TOO_LONG, 1e9), reason="It whips, and throws itself out of the chuck.",
          mend="A centre or a steady."),
    Watch(key="between-centres", name="A crankshaft is finished between its centres",
          look=_centred,
          reason="Its journals and pins then share two pairs of centres, and nothing a chuck adds.",
          mend="Between centres, on the pair for its throw."),
    Watch(key="tapered-grip", name="A taper or a thread is not gripped by three jaws",
          look=_tapered, reason="Parallel jaws touch it at one end only.",
          mend="Grip a parallel stub, or turn one."),
    Watch(key="short-grip", name="Enough to grip", look=_short, severity=Severity.MIND,
          reason="A quarter of the diameter, or 8 mm, or it tips out under the cut.",
          mend="Grip a longer place, or take light cuts only."),
    Watch(key="balance", name="Balance what turns off its centre", look=_balance,
          reason="Out of balance the lathe shakes, and the work may come off.",
          mend="A weight opposite, turned by hand until it stays anywhere; then slowly."),
    Watch(key="set-true", name="Set true after every new grip", look=_true,
          reason="A chuck does not bring work back to where it was.",
          mend="Indicator on a finished diameter before the first cut."),
    Watch(key="measure-first", name="Measure before unclamping", look=_measure,
          reason="Once it is let go, what is too large cannot be brought back to its place.",
          mend="Measure it where it was cut."),
    Watch(key="try-first", name="Try the mate before unclamping", look=_try,
          reason="A shaving more is easy now and impossible later.",
          mend="Deburr, then try the mate on it in place."),
    Watch(key="deburr-first", name="Deburr before trying", look=_deburr_before_try,
          reason="A burr scores the mate and makes a good fit feel tight.",
          mend="Break the edges first."),
    Watch(key="cool-first", name="Cool before measuring", look=_cool,
          reason="Warm from the cut it reads large.", mend="Let it reach the shop's warmth."),
    Watch(key="isolate-the-drive", name="Isolate the drive before threading by hand in it",
          look=_isolate, reason="A drive that starts takes the hand with it.",
          mend="The plug out or the isolator off; the back gear is no spindle lock."),
    Watch(key="lock-the-carriage", name="Lock the carriage to part off", look=_carriage,
          reason="A blade that wanders jams and breaks.", mend="Lock it first."),
    Watch(key="look-it-over", name="Look a casting over first", look=_look_over,
          reason="Chill, blow-holes and shifted cores are found cheaper with a file.",
          mend="File, rule and lamp before the first cut."),
    Watch(key="sand-out", name="Sand out of the core before boring", look=_sand,
          reason="Sand takes the edge off in one pass and laps the ways.",
          mend="Scrape and brush the core and ports out."),
    Watch(key="mark-alike", name="Mark parts that are alike", look=_mark, severity=Severity.MIND,
          reason="What was fitted to one is not found again.", 
          mend="A dot for each, on a face that stays."),
    Watch(key="deburr-crossings", name="Deburr where holes cross", look=_crossed,
          reason="The burr scores what runs in it.", mend="A scraper or a stone down the bore."),
    Watch(key="twice", name="Nothing is done twice", look=_twice,
          reason="The metal is gone the first time.", mend="Strike one out."),
    Watch(key="missing", name="Everything is done", look=_missing,
          reason="The part is not finished without it.", mend="Put it where it can be reached."),
    Watch(key="unknown-line", name="Every line is known", look=_unknown_line, reason="",
          mend="Write it as the part names it."),
    Watch(key="unknown-hold", name="Held by what is owned", look=_unknown_hold, reason="",
          mend="Choose one of the ways of holding listed."),
    Watch(key="face-first", name="Face the free end before anything else", look=_face_first,
          reason="On a rough end a drill wanders, and every length is counted from nothing.",
          mend="Face it first."),
    Watch(key="out-of-reach", name="The tool gets there", look=_out_of_reach,
          reason="It is covered by the grip, on the wrong end, or for another machine.",
          mend="Another way of holding."),
    Watch(key="not-there-yet", name="What holds it is there before it holds", look=_not_there_yet,
          reason="How will it be held next?", mend="Make it in an earlier set-up."),
    Watch(key="gone", name="What holds it is still there", look=_gone,
          reason="Nothing leaves a grip before all that needs it is done.",
          mend="Do it earlier, or hold it otherwise."),
    Watch(key="idle-set-up", name="No set-up for nothing", look=_empty, severity=Severity.MIND,
          reason="Every new grip costs truth.", mend="Leave it out."),
    Watch(key="no-reason", name="Overruled with a reason", look=_no_reason,
          reason="A reason written down is what the next evening needs.", mend="Write why."),
    Watch(key="relied-on", name="Nothing rests on a rule that was overruled", look=_relied_on,
          reason="The bore and face were not cut at one setting, so neither is a datum.",
          mend="Bore and face together after all, or true the face from another datum."),
)  # fmt: skip
