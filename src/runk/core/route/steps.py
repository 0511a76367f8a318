"""What goes with the cutting: set true, measure, deburr, try, mark, put where it belongs."""

from __future__ import annotations

from collections.abc import Iterator

from runk.core.machines.machine import Holding as Way
from runk.core.route.feature_question import HOLES
from runk.core.route.grips import finishing, grips_finished, hollow, is_close, is_reset, unbalanced
from runk.core.route.hold import Hold
from runk.core.route.operations import BY_HAND, PART_OFF, Operation
from runk.core.route.route import Job, SetUp


def with_steps(job: Job, set_ups: tuple[SetUp, ...]) -> Iterator[SetUp]:
    """Set-ups of operations alone, with every step the rules ask for put in.

    >>> from runk.core.route.reading import part_of
    >>> from runk.demo.back_shed import WORKSHOP
    >>> job = Job(part_of("pin", "brass", "bar 12", ["outside 10 h6, from 0 to 8"]), WORKSHOP)
    >>> hold = "on its bar in the chuck, right end out"
    >>> does = ("outside 10: rough", "outside 10: finish", "part off")
    >>> next(with_steps(job, (SetUp(hold, does),))).does[2:]
    ('cool', 'measure outside 10', 'lock the carriage', 'part off')
    """
    done: set[str] = set()
    for n, set_up in enumerate(set_ups, 1):
        hold = job.hold_by_key[set_up.hold]
        packing = _packing(job, hold, done) or set_up.packing
        lines = [*_first(job, n), *_gripped(hold, n)]
        isolated = False
        for key in set_up.does:
            operation = job.by_key[key]
            if operation.verb in BY_HAND and not isolated:
                lines.append("isolate the drive")
                isolated = True
            if key == PART_OFF:
                lines.append("lock the carriage")
            through = _through(job, operation)
            if through:
                lines.append(f"note: clamp {through} on it, and drill through its holes")
            lines.append(key)
            done.add(key)
            if through:
                lines.append(f"mark the pair: it and {through}")
            if operation.feature and finishing(job, operation.feature) == key:
                lines += _finished(job, operation.feature)
        if n == len(set_ups) and job.part.alike > 1:
            lines.append("mark each of those alike")
        yield SetUp(set_up.hold, tuple(lines), packing)


def _packing(job: Job, hold: Hold, done: set[str]) -> str:
    """What jaws need: soft packing on what is finished, a plug where its wall gives."""
    soft = ["soft packing"] if grips_finished(job, hold, done) else []
    bore = hollow(job, hold, done)
    return ", ".join([*soft, *([f"a plug in {bore}"] if bore else [])])


def _first(job: Job, n: int) -> Iterator[str]:
    if n == 1 and job.part.cast:
        yield "look over the casting"
        if job.part.blank.cored is not None:
            yield "clean out the core"


def _gripped(hold: Hold, n: int) -> Iterator[str]:
    if is_reset(hold, n):
        yield "set true"
    if hold.way is Way.BONDED:
        yield "bond it and let it set"
    if unbalanced(hold):
        yield "balance"


def _through(job: Job, one: Operation) -> str:
    """What a circle of holes is drilled through; empty where it is set out by itself."""
    if one.verb != "drill" or job.part.schools.get("holes") != "through":
        return ""
    holes = job.part.by_key[one.feature].kind == "holes"
    return job.part.tries.get(one.feature, "") if holes else ""


def _finished(job: Job, name: str) -> Iterator[str]:
    feature = job.part.by_key[name]
    mate = job.part.tries.get(name)
    crossed = feature.kind in (*HOLES, "passage") and feature.side not in ("", "right", "left")
    if mate or crossed or feature.kind == "passage":
        yield "deburr"
    if feature.fine:
        if is_close(feature):
            yield "cool"
        yield f"measure {name}"
    if mate:
        first = ", the first before the rest" if job.part.alike > 1 else ""
        yield f"try {name}: {mate}{first}"
