"""Rules of what goes with the cutting: measuring, trying, marking, leaving nothing out."""

from __future__ import annotations

from collections.abc import Iterator

from runk.core.holding.harden import STEELS
from runk.core.machines.machine import Holding as Way
from runk.core.route.feature_question import HOLES
from runk.core.route.grips import finishing, is_close
from runk.core.route.operations import BY_HAND, HARDEN, PART_OFF
from runk.core.route.part import EPS, FLAT_SIDES, Feature
from runk.core.route.placed import meets, ported
from runk.core.route.route import Job, SetUp, step_of
from runk.core.route.rule import Severity, Walk, Watch

EDGE_MM = 0.01
Seen = Iterator[tuple[str, tuple[str, ...], int]]


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
            close = [f for f in job.part.features if f.key.lower() in line.lower() and is_close(f)]
            if close and "cool" not in [step_of(x) for x in set_up.does[:at]]:
                yield f"Set-up {n} reads {close[0].key} warm from the cut.", (line,), n


def _isolate(job: Job, walk: Walk) -> Seen:
    for n, set_up, _ in walk.each():
        for at, key in enumerate(set_up.does):
            if key in job.by_key and job.by_key[key].verb in BY_HAND:
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
    if job.part.cast and "look over" not in [step_of(x) for x in first]:
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


def _no_reason(job: Job, walk: Walk) -> Seen:
    for key, reason in walk.route.overruled.items():
        if not reason.strip():
            yield f"{key} is overruled without a reason.", (), 0


def _meets_port(job: Job, walk: Walk) -> Seen:
    part = job.part
    for holes in part.features if part.turned else ():
        if holes.kind not in (*HOLES, "holes") or holes.side in FLAT_SIDES or holes.circle is None:
            continue
        for port in part.features:
            if ported(part, port) and meets(part, holes, port):
                keys = tuple(key for name in (holes.key, port.key) if (key := finishing(job, name)))
                at = walk.set_up_of.get(keys[0], 0)
                yield f"A hole of {holes.key} runs into {port.key}.", keys, at


_BETWEEN = ("shim", "packing", "card", "paper", "adhesive", "gasket")
"""What lies between two halves in the words of a note."""


def _something_between(job: Job, walk: Walk) -> Seen:
    for joined in job.of("bolt"):
        begun = walk.first_at.get(joined.key)
        lines = walk.lines[begun:] if begun is not None else []
        bored = [
            n
            for n, (_, line) in enumerate(lines)
            if line in job.by_key and job.by_key[line].verb in ("finish", "ream")
        ]
        for up, line in lines[: max(bored, default=0)]:
            lower = line.lower()
            laid = step_of(line) == "note" and any(word in lower for word in _BETWEEN)
            if laid or (step_of(line) == "bond" and "halves" in lower):
                yield f"Set-up {up} puts something between the halves.", (joined.key,), up


def _hardens(job: Job, walk: Walk) -> Seen:
    metal = job.workshop.metals.get(job.part.metal)
    if HARDEN in job.by_key and metal is not None and metal.kind not in STEELS:
        yield (
            f"{metal.name} does not harden by quenching.",
            (HARDEN,),
            walk.set_up_of.get(HARDEN, 0),
        )


def _dry(job: Job, walk: Walk) -> Seen:
    for n, set_up, hold in walk.each():
        if hold is not None and hold.way is Way.BONDED:
            # That bond is the grip: it comes off again.
            continue
        for at, line in enumerate(set_up.does):
            before = [step_of(x) for x in set_up.does[:at]]
            if step_of(line) == "bond" and "dry assembly" not in before:
                yield f"Set-up {n}: {line} before it was put together dry.", (line,), n


def _first_of_alike(job: Job, walk: Walk) -> Seen:
    if job.part.alike == 1 or not job.part.tries:
        return
    for n, line in walk.lines:
        if step_of(line) == "try" and "the first" not in line.lower():
            yield f"Set-up {n}: {line}, with {job.part.alike} under way.", (line,), n
            return


def _run_out(job: Job, walk: Walk) -> Seen:
    part = job.part
    for one in job.of("cut thread"):
        thread = part.by_key[one.feature]
        screw = thread.asked.screw
        if screw is None or one.key not in walk.set_up_of:
            continue
        for x, beyond in ((thread.span[0], -EDGE_MM), (thread.span[1], EDGE_MM)):
            if not part.begin < x < part.long or part.outside_at(x + beyond) <= screw.minor_mm:
                continue
            relieved = any(
                f.kind == "groove" and f.span[0] - EPS <= x <= f.span[1] + EPS
                for f in part.features
            )
            if part.outside_at(x + beyond) > screw.major_mm + screw.pitch_mm and not relieved:
                yield f"{thread.key} runs up to a shoulder.", (one.key,), walk.set_up_of[one.key]


def _relied_on(job: Job, walk: Walk) -> Seen:
    if "bore-and-face" not in walk.route.overruled:
        return
    for n, set_up, hold in walk.each():
        if hold is not None and hold.way is Way.MANDREL:
            keys = tuple(k for k in set_up.does if k in job.by_key and job.by_key[k].verb == "face")
            if keys:
                yield (
                    f"bore-and-face is overruled, and set-up {n} trues {keys[0]} from that bore.",
                    keys,
                    n,
                )


WATCH_RULES: tuple[Watch, ...] = (
    Watch(
        key="measure-first",
        name="Measure before unclamping",
        look=_measure,
        reason="Once it is let go, what is too large cannot be brought back to its place.",
        mend="Measure it where it was cut.",
    ),
    Watch(
        key="try-first",
        name="Try the mate before unclamping",
        look=_try,
        reason="A shaving more is easy now and impossible later.",
        mend="Deburr, then try the mate on it in place.",
    ),
    Watch(
        key="deburr-first",
        name="Deburr before trying",
        look=_deburr_before_try,
        reason="A burr scores the mate and makes a good fit feel tight.",
        mend="Break the edges first.",
    ),
    Watch(
        key="cool-first",
        name="Cool before measuring",
        look=_cool,
        reason="Warm from the cut it reads large.",
        mend="Let it reach the shop's warmth.",
    ),
    Watch(
        key="isolate-the-drive",
        name="Isolate the drive before working by hand in it",
        look=_isolate,
        reason="A drive that starts takes the hand with it.",
        mend="The plug out or the isolator off; the back gear is no spindle lock.",
    ),
    Watch(
        key="lock-the-carriage",
        name="Lock the carriage to part off",
        look=_carriage,
        reason="A blade that wanders jams and breaks.",
        mend="Lock it first.",
    ),
    Watch(
        key="look-it-over",
        name="Look a casting over first",
        look=_look_over,
        reason="Chill, blow-holes and shifted cores are found cheaper with a file.",
        mend="File, rule and lamp before the first cut.",
    ),
    Watch(
        key="sand-out",
        name="Sand out of the core before boring",
        look=_sand,
        reason="Sand takes the edge off in one pass and laps the ways.",
        mend="Scrape and brush the core and ports out.",
    ),
    Watch(
        key="mark-alike",
        name="Mark parts that are alike",
        look=_mark,
        severity=Severity.MIND,
        reason="What was fitted to one is not found again.",
        mend="A dot for each, on a face that stays.",
    ),
    Watch(
        key="deburr-crossings",
        name="Deburr where holes cross",
        look=_crossed,
        reason="The burr scores what runs in it.",
        mend="A scraper or a stone down the bore.",
    ),
    Watch(
        key="twice",
        name="Nothing is done twice",
        look=_twice,
        reason="The metal is gone the first time.",
        mend="Strike one out.",
    ),
    Watch(
        key="missing",
        name="Everything is done",
        look=_missing,
        reason="The part is not finished without it.",
        mend="Put it where it can be reached.",
    ),
    Watch(
        key="unknown-line",
        name="Every line is known",
        look=_unknown_line,
        reason="",
        mend="Write it as the part names it.",
    ),
    Watch(
        key="no-reason",
        name="Overruled with a reason",
        look=_no_reason,
        reason="A reason written down is what the next evening needs.",
        mend="Write why.",
    ),
    Watch(
        key="dry-first",
        name="Put together dry, and turned by hand, before it is bonded",
        look=_dry,
        reason="A bond that has set is right or it is scrap.",
        mend="A dry assembly, turned by hand through a whole turn; then degrease and bond.",
    ),
    Watch(
        key="first-of-alike",
        name="The first of several is finished and tried before the rest",
        look=_first_of_alike,
        severity=Severity.MIND,
        reason="What is new goes wrong once, and then in all of them.",
        mend="Write `the first` into the line, and go on with the others when it fits.",
    ),
    Watch(
        key="nothing-between",
        name="Two halves are bored metal to metal",
        look=_something_between,
        reason="Without it the hole is smaller across by as much as that was thick.",
        mend="Bolt them dry; or leave the layer in for good, and take it off the size.",
    ),
    Watch(
        key="hardens",
        name="Only a steel with carbon in it is hardened",
        look=_hardens,
        reason="Quenched it is as soft as before, and bent.",
        mend="Silver steel or gauge plate; or case-harden it, or leave it soft.",
    ),
    Watch(
        key="room-to-run-out",
        name="A thread has room to run out",
        look=_run_out,
        severity=Severity.MIND,
        reason="A die leaves its last two threads unfinished, and a tool has nowhere to stop.",
        mend="An undercut at the shoulder, or its mate counterbored there.",
    ),
    Watch(
        key="clear-of-ports",
        name="A pattern stands clear of the ports",
        look=_meets_port,
        reason="Steam goes where the stud should.",
        mend="Turn the pattern by half its step, or drill shallower.",
    ),
    Watch(
        key="relied-on",
        name="Nothing rests on a rule that was overruled",
        look=_relied_on,
        reason="The bore and face were not cut at one setting, so neither is a datum.",
        mend="Bore and face together after all, or true the face from another datum.",
    ),
)
