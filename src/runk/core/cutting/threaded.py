"""Threads under power: tapping in the machine, and screw-cutting with the time to stop."""

from __future__ import annotations

from math import ceil

from runk.core.cutting import laws, tapping
from runk.core.cutting.operations import Operation
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.spindle import Bench, Cut
from runk.core.figures import Caution, Figure, Num, Working, law, stop
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import MECHANICS, PRACTICE

STOP_S = 1.0
"""Least time a hand needs to open the half-nuts or stop the lathe: common practice."""
_CREST, _WORKING, _ANGLE_DEG = 0.125, 0.649519, 60.0
"""A metric thread's own proportions, of the pitch; others are near enough for a torque."""
_ENGAGED, _LEAD_THREADS = 0.75, 8.0


@law("Time to stop", "60 × ({relief_mm} - {tool_mm}) ÷ ({pitch_mm} × {speed_rpm})")
def stop_s(relief_mm: Num, tool_mm: Num, pitch_mm: Num, speed_rpm: Num) -> Num:
    """Seconds the tool takes to cross its relief groove.

    Args:
        relief_mm: Width of the groove.
        tool_mm: Width of the tool, less than the groove.
        pitch_mm: Travel a turn.
        speed_rpm: Of the spindle.

    Source: mechanics.

    >>> stop_s(4.0, 1.0, 1.5, 120.0)
    1.0
    """
    return 60.0 * (relief_mm - tool_mm) / (pitch_mm * speed_rpm)


@law("Fastest one can stop from", "60 × ({relief_mm} - {tool_mm}) ÷ ({pitch_mm} × {time_s})")
def stoppable_rpm(relief_mm: Num, tool_mm: Num, pitch_mm: Num, time_s: Num) -> Num:
    """Spindle speed at which crossing the groove takes that long.

    >>> stoppable_rpm(4.0, 1.0, 1.5, 1.0)
    120.0
    """
    return 60.0 * (relief_mm - tool_mm) / (pitch_mm * time_s)


@law("The pitch is the feed", "{pitch_mm} a turn")
def pitch_mm_per_rev(pitch_mm: Num) -> Num:
    """A thread advances one pitch a turn.

    >>> pitch_mm_per_rev(0.7)
    0.7
    """
    return pitch_mm


def pitch_of(question: SpeedQuestion) -> float:
    """The thread's pitch.

    Raises:
        Refused: None was given, and the thread's name does not tell it.
    """
    if question.pitch is None:
        raise Refused(
            "What pitch is the thread? The diameter alone does not tell it.",
            field="pitch",
            suggest="0.7 mm, or a thread by name such as M4",
        )
    return float(question.pitch)


USUAL_RELIEF_PITCHES = 3.0
"""A relief groove is two to three pitches wide; where none is told, so much is reckoned with."""
MOST_TAPPED_RPM = 150.0
"""Faster than this no hand stops a tap in a blind hole's depth: common practice."""
LEAST_TAPPED_MM = 6.0
"""Smaller taps are turned by hand: common practice."""


def _gap(question: SpeedQuestion) -> tuple[float, float]:
    relief = float(question.relief or USUAL_RELIEF_PITCHES * pitch_of(question))
    # Not told, the tool counts as a point: the whole groove is left to stop in.
    tool = float(question.width or 0)
    if tool >= relief:
        usual = "" if question.relief is not None else ", as is reckoned with where none is told"
        raise Refused(
            f"A tool {mm_said(tool)} wide does not fit a relief groove of "
            f"{mm_said(relief)}{usual}.",
            field="width",
            suggest=f"a groove of {tool + pitch_of(question):.1f} mm",
        )
    return relief, tool


@law("No faster than", "{most_rpm}", PRACTICE)
def most_rpm(most_rpm: Num) -> Num:
    """The fastest a tool is turned, whatever the metal would take.

    >>> most_rpm(400.0)
    400.0
    """
    return most_rpm


def stoppable(w: Working, question: SpeedQuestion) -> Figure | None:
    """The fastest a hand can stop from: a tool in the relief groove, a tap in its hole."""
    if question.operation is Operation.POWER_TAP:
        return w.of(most_rpm, "target_rpm", most_rpm=MOST_TAPPED_RPM)
    if question.operation is not Operation.SCREW_CUT:
        return None
    relief, tool = _gap(question)
    return w.of(
        stoppable_rpm,
        "target_rpm",
        relief_mm=relief,
        tool_mm=tool,
        pitch_mm=pitch_of(question),
        time_s=STOP_S,
        why="" if question.relief is not None else "no groove told: three turns reckoned with",
    )


def of_the_hand(question: SpeedQuestion) -> list[Caution]:
    """What the hand on the lever has to know of a thread cut under power."""
    if question.operation is Operation.SCREW_CUT and question.relief is None:
        wide = USUAL_RELIEF_PITCHES * pitch_of(question)
        return [
            Caution(
                "Mind",
                "the groove",
                f"No relief groove was told: one as wide as three turns go, {mm_said(wide, 1)}, is "
                "reckoned with. A narrower one, or a shoulder, wants it slower or by hand.",
                "set_rpm",
                PRACTICE,
            )
        ]
    if question.operation is Operation.SCREW_CUT and question.width is None:
        says = (
            f"Its tool's width was not told: all of the {mm_said(float(question.relief or 0), 1)} "
            "is counted to stop in. Say it, and it is slower by that."
        )
        return [Caution("Mind", "the tool", says, "set_rpm", PRACTICE)]
    small = float(question.diameter) < LEAST_TAPPED_MM
    if question.operation is Operation.POWER_TAP and small:
        return [
            stop(
                "the tap",
                "tap it by hand",
                "A tap this small is turned by hand, held true by the tailstock or a follower: "
                "under power it breaks before a hand can stop.",
                "set_rpm",
                PRACTICE,
            )
        ]
    return []


@law("Groove one can stop in", "{tool_mm} + {pitch_mm} × {speed_rpm} × {time_s} ÷ 60")
def relief_wanted_mm(tool_mm: Num, pitch_mm: Num, speed_rpm: Num, time_s: Num) -> Num:
    """Width of relief groove in which a hand has that long.

    >>> relief_wanted_mm(1.0, 1.5, 120.0, 1.0)
    4.0
    """
    return tool_mm + pitch_mm * speed_rpm * time_s / 60.0


def cannot_stop(question: SpeedQuestion, speed_rpm: float) -> Caution:
    """That no speed of this machine leaves a hand time enough, and what does."""
    if question.operation is Operation.POWER_TAP:
        return stop(
            "the tap",
            "turn the spindle by hand",
            f"Even the slowest there is, {speed_rpm:.0f}, is faster than a hand stops a tap from: "
            "turn the spindle by hand.",
            "set_rpm",
            PRACTICE,
        )
    relief, tool = _gap(question)
    left = stop_s(relief, tool, pitch_of(question), speed_rpm)
    wide = relief_wanted_mm(tool, pitch_of(question), speed_rpm, STOP_S)
    # Rounded up: the width named has to be enough.
    wide = ceil(wide * 10 - 1e-9) / 10
    return stop(
        "the stop",
        f"turn by hand, or a groove {mm_said(wide, 1)} wide",
        f"Even the slowest there is leaves {left:.1f} s in this groove: make "
        f"it {mm_said(wide, 1)} wide, turn the spindle by hand, or cut outwards from the groove.",
        "set_rpm",
        MECHANICS,
    )


def time_to_stop(w: Working, question: SpeedQuestion, speed_rpm: float) -> Figure | None:
    """Seconds the tool takes across the relief groove, the one told or the usual one."""
    if question.operation is not Operation.SCREW_CUT:
        return None
    relief, tool = _gap(question)
    value = w(
        stop_s, relief_mm=relief, tool_mm=tool, pitch_mm=pitch_of(question), speed_rpm=speed_rpm
    )
    return w.figure(value, "stop_s", since=len(w.steps) - 1, places=1)


def threaded(bench: Bench) -> Cut:
    """Feed of a thread under power; a tap's torque, at the full depth of its groove."""
    w, question = bench.w, bench.question
    pitch = pitch_of(question)
    feed = w.of(pitch_mm_per_rev, "feed_mm_per_rev", pitch_mm=pitch)
    per_min = bench.per_min(pitch)
    if question.operation is Operation.SCREW_CUT:
        # Passes and their depths belong to the plan of the thread, not to its speed.
        return Cut(feed, per_min, None, None, None, None, None, None, None, None, None, "")
    torque = _torque(bench, pitch)
    power = w.of(laws.shaft_w, "power_w", torque_nm=torque.value, speed_rpm=bench.setting.rpm)
    return Cut(feed, per_min, None, None, None, None, None, None, power, torque, None, "")


def _torque(bench: Bench, pitch: float) -> Figure:
    """Torque of a tap by the law a hand tap is judged by, at three quarters of a thread."""
    w, start = bench.w, len(bench.w.steps)
    deep = _WORKING * _ENGAGED * pitch
    area = w(tapping.groove_mm2, crest_mm=_CREST * pitch, deep_mm=deep, angle_deg=_ANGLE_DEG)
    flutes = tapping.flutes_of(bench.diameter)
    chip = w(tapping.tooth_chip_mm, deep_mm=deep, lead_threads=_LEAD_THREADS, flutes=flutes)
    specific = w(
        laws.specific_n_per_mm2,
        kc11_n_per_mm2=bench.metal["kc11_n_per_mm2"],
        mc=bench.metal["mc"],
        chip_mm=chip,
        edge=1.0,
        source=bench.metal.source("kc11_n_per_mm2"),
        why="at the chip of one tooth",
    )
    return w.of(
        tapping.tap_nm,
        "torque_nm",
        since=start,
        area_mm2=area,
        specific_n_per_mm2=specific,
        major_mm=bench.diameter,
        friction=tapping.FRICTION_USUAL,
    )
