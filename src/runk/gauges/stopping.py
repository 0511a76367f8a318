"""Stopping in the groove: the half-nuts opened by hand before the tool meets the shoulder."""

from __future__ import annotations

import random
from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from statistics import fmean

from runk.core.cutting.threaded import STOP_S, stop_s
from runk.core.machines import Machine, MachineKind
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.threads.screwcut import SCREWCUT
from runk.core.threads.series import find_thread
from runk.core.units import PageUnit
from runk.core.wheels.half_nuts import turns_to_meet
from runk.core.workshop import Workshop

MOST_TRIES = 40
_TIMES = (0.5, 0.75, 1.0, 1.5, 2.0)
_THREADS = ("3/8 BSW", "M10", "M6")
"""The first of these whose pitch goes into the leadscrew's: only then may half-nuts be opened."""
_LONG_MM, _GROOVE_MM, _TOOL_MM = 10.0, 6.0, 1.5
_RUN_IN_MM = 4.0
_LEVER_S = (0.03, 0.15)
"""The half-nuts leave the screw a moment after the lever: this game's own figures."""
_LEAST_S = 0.25
"""Faster belts than leave so long are not offered: nobody would."""


@dataclass(frozen=True, slots=True)
class Belt:
    """A speed to try it at.

    Args:
        mm_per_s: How fast the tool then goes along.
        left_s: How long it takes across the groove.
        advised: Whether Runk would set it.
    """

    position: str
    rpm: float
    mm_per_s: float
    left_s: float
    advised: bool


@dataclass(frozen=True, slots=True)
class Try:
    """A lever pulled, so long after the half-nuts were closed; None where it was not."""

    rpm: float
    pressed_s: float | None


@dataclass(frozen=True, slots=True)
class Stopped:
    """Where the tool came to stand, from the beginning of the thread."""

    rpm: float
    at_mm: float
    verdict: str
    says: str


@dataclass(frozen=True, slots=True)
class Stopping:
    """A thread with a groove before a shoulder, and how the tries at it went."""

    name: str
    lesson: str
    long_mm: float
    groove_mm: float
    tool_mm: float
    run_in_mm: float
    belts: tuple[Belt, ...]
    tries: tuple[Stopped, ...]
    says: str


LESSON = (
    "Open the half-nuts when the whole tool is in the groove: too soon and the nut never reaches "
    "the shoulder, too late and the tool is in it."
)


def stopping(workshop: Workshop, seed: int, tries: Sequence[Try]) -> Stopping:
    """How tries at stopping went: the same on the same seed.

    Args:
        workshop: Whose lathe it is played on.
        seed: Of the lever.
        tries: At most 40.

    Raises:
        Refused: More than that, or a speed this lathe does not have.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> played = stopping(WORKSHOP, 1, [Try(83.0, 8.0), Try(83.0, None)])
    >>> [one.verdict for one in played.tries]
    ['in the groove', 'into the shoulder']
    """
    if len(tries) > MOST_TRIES:
        raise Refused(f"{MOST_TRIES} tries are enough for one evening.", field="tries")
    lathe = workshop.machine("", (MachineKind.LATHE,))
    thread = _native(lathe)
    typed = {"thread": thread, "relief": f"{_GROOVE_MM} mm", "tool": f"{_TOOL_MM} mm"}
    question = read_question(SCREWCUT, typed, PageUnit.MM, workshop).question
    shop = SCREWCUT.needs(question, workshop)
    belts = _belts(lathe, shop.belt().set_rpm.value, question.thread.pitch_mm)
    lever = random.Random(seed)
    stopped = tuple(_stopped(one, belts, lever.uniform(*_LEVER_S)) for one in tries)
    return Stopping(
        f"Stop {thread} in its groove",
        LESSON,
        _LONG_MM,
        _GROOVE_MM,
        _TOOL_MM,
        _RUN_IN_MM,
        belts,
        stopped,
        _says(stopped, belts),
    )


def _native(lathe: Machine) -> str:
    screw = lathe.leadscrew_mm
    for name in _THREADS:
        if screw and turns_to_meet(Fraction(str(screw)), find_thread(name).pitch) == 1:
            return name
    return _THREADS[0]


def _belts(lathe: Machine, advised: float, pitch: float) -> tuple[Belt, ...]:
    """The lathe's own slow speeds, or steps about the one advised where it has no steps."""
    steps = [(one.position, one.rpm) for one in lathe.ladder]
    if not steps:
        steps = [(f"{advised * times:.0f} rev/min", advised * times) for times in _TIMES]
    return tuple(
        Belt(
            position=position,
            rpm=rpm,
            mm_per_s=pitch * rpm / 60,
            left_s=stop_s(_GROOVE_MM, _TOOL_MM, pitch, rpm),
            advised=rpm == advised,
        )
        for position, rpm in steps
        if stop_s(_GROOVE_MM, _TOOL_MM, pitch, rpm) >= _LEAST_S
    )


def _stopped(one: Try, belts: tuple[Belt, ...], lag_s: float) -> Stopped:
    belt = next((b for b in belts if abs(b.rpm - one.rpm) < 1e-6), None)
    if belt is None:
        raise Refused(
            f"This lathe has no {one.rpm:g} rev/min for it.",
            field="rpm",
            suggest=", ".join(f"{b.rpm:g}" for b in belts),
        )
    shoulder = _LONG_MM + _GROOVE_MM
    late = shoulder if one.pressed_s is None else belt.mm_per_s * (one.pressed_s + lag_s)
    at = min(late - (0.0 if one.pressed_s is None else _RUN_IN_MM), shoulder)
    if at >= shoulder - 1e-9:
        return Stopped(
            one.rpm, at, "into the shoulder", "The tool is in the shoulder: broken, or the work is."
        )
    short = _LONG_MM + _TOOL_MM - at
    if short > 0:
        says = f"The thread ends {mm_said(short, 1)} short: the nut will not reach the shoulder."
        return Stopped(one.rpm, at, "short", says)
    return Stopped(
        one.rpm, at, "in the groove", f"{mm_said(shoulder - at, 1)} from the shoulder: that does."
    )


def _says(tries: tuple[Stopped, ...], belts: tuple[Belt, ...]) -> str:
    if not tries:
        return f"A hand wants {STOP_S:g} s across the groove: choose the belt by that."
    good = sum(one.verdict == "in the groove" for one in tries)
    rpm = fmean(one.rpm for one in tries)
    left = {b.rpm: b.left_s for b in belts}[tries[-1].rpm]
    return (
        f"{good} of {len(tries)} in the groove, at {rpm:.0f} rev/min on average; "
        f"the last belt leaves {left:.1f} s."
    )
