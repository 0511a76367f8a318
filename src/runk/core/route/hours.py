"""How long an evening's work takes: minutes by what is done, common practice for one at a bench."""

from __future__ import annotations

from runk.core.route.route import Job, SetUp, step_of

GRIP_MIN = {"lathe": 10.0, "mill": 15.0, "bench": 20.0}
"""To hold the work, find its place and put the tools out."""
VERB_MIN = {
    "face": 4.0,
    "turn": 8.0,
    "rough": 8.0,
    "finish": 10.0,
    "centre": 3.0,
    "spot": 4.0,
    "drill": 5.0,
    "ream": 4.0,
    "tap": 6.0,
    "cut thread": 8.0,
    "groove": 6.0,
    "chamfer": 2.0,
    "knurl": 6.0,
    "mill": 20.0,
    "slot": 25.0,
    "part off": 6.0,
    "harden": 20.0,
    "temper": 15.0,
    "saw": 15.0,
    "bolt": 10.0,
}
STEP_MIN = {
    "set true": 10.0,
    "balance": 15.0,
    "look over": 10.0,
    "clean out": 10.0,
    "cool": 5.0,
    "bond": 30.0,
}
"""Steps that take time of their own; the others three minutes."""


def line_min(job: Job, line: str) -> float:
    """Minutes of one line of a route.

    >>> from runk.core.route.reading import part_of
    >>> from runk.demo.back_shed import WORKSHOP
    >>> line_min(Job(part_of("pin", "brass", "bar 6", ["face at 0"]), WORKSHOP), "face 0: face")
    4.0
    """
    operation = job.by_key.get(line)
    if operation is not None:
        each = VERB_MIN[operation.verb]
        many = 1
        if operation.feature:
            many = job.part.by_key[operation.feature].asked.count or 1
        return each + (many - 1) * each / 3
    return STEP_MIN.get(step_of(line), 3.0)


def set_up_min(job: Job, set_up: SetUp, done: frozenset[str] = frozenset(), n: int = 0) -> float:
    """Minutes of what is left of a set-up, its gripping with it.

    Args:
        job: The part.
        set_up: The set-up.
        done: Marks of what is done.
        n: Which it is, for the marks of its steps.
    """
    hold = job.hold_by_key.get(set_up.hold)
    left = [line for at, line in enumerate(set_up.does) if mark_of(job, n, at, line) not in done]
    if not left:
        return 0.0
    return GRIP_MIN[hold.machine if hold else "lathe"] + sum(line_min(job, one) for one in left)


def mark_of(job: Job, n: int, at: int, line: str) -> str:
    """What a ticked line is kept as: an operation by its name, whatever route it is in.

    Args:
        job: The part.
        n: Set-up, from 1.
        at: Line in it, from 0.
        line: Its words.
    """
    return line if line in job.by_key else f"{n}.{at} {line}"
