"""``endfloat``: what is left between two shoulders, and the washers that close it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import Any

from runk.core.calculator import Calculator, Door, Sweep
from runk.core.figures import Link, Working, told
from runk.core.lengths import Reading
from runk.core.lengths.members import total
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shafts.chain import halfway_limit_mm, left_limit_mm, usual_ends
from runk.core.shafts.endfloat_question import EndFloatAnswer, EndFloatQuestion, Spread
from runk.core.shafts.float_closed import closed
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_MOST_SHIMS = 12
_MOST_PIECES = 60
"""Pieces in all, each counted as often as it is there: more are no shaft's."""


def needs(_: EndFloatQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: EndFloatQuestion, _: Workshop, __: Mapping[str, Reading]) -> EndFloatQuestion:
    """The float wanted has its ends the right way round.

    Raises:
        Refused: The least is over the most, or there are more pieces or shims than anybody sorts.
    """
    if question.least > question.most:
        raise Refused(
            f"At least {mm_said(question.least)} is more than {mm_said(question.most)} at most.",
            field="least",
        )
    pieces = sum(one.count for one in (*question.room, *question.stack))
    if pieces > _MOST_PIECES:
        raise Refused(
            f"{pieces} pieces are on it: {_MOST_PIECES} at most. Take alike ones together as one.",
            field="stack",
        )
    if len(question.shims) > _MOST_SHIMS:
        raise Refused(f"{_MOST_SHIMS} thicknesses of shim at most.", field="shims")
    return question


def compute(question: EndFloatQuestion, _: None = None) -> EndFloatAnswer:
    """What is left, at worst and usually, and what closes it.

    >>> from fractions import Fraction
    >>> from runk.core.lengths.members import Member
    >>> one = lambda low, high: (Member("1", Fraction(low), Fraction(low), Fraction(high)),)
    >>> answer = compute(EndFloatQuestion(one("25", "25.1"), one("24.8", "24.9")))
    >>> round(answer.float_low_mm.value, 3), round(answer.float_high_mm.value, 3)
    (0.1, 0.3)
    """
    w = Working()
    room, stack = total(question.room), total(question.stack)
    low = w.of(left_limit_mm, "float_low_mm", room_mm=room[0], held_mm=stack[2])
    high = w.of(left_limit_mm, "float_high_mm", room_mm=room[2], held_mm=stack[0])
    middle = w.of(halfway_limit_mm, "float_mm", low_mm=low.value, high_mm=high.value)
    usual = usual_ends(w, (*question.room, *question.stack), middle)
    shut = closed(w, question, low.value, high.value)
    return EndFloatAnswer(
        float_low_mm=replace(low, places=3),
        float_high_mm=replace(high, places=3),
        shim_mm=shut.put,
        says=shut.says,
        exact_mm=shut.exact if shut.put is not shut.exact else None,
        float_mm=replace(middle, places=3),
        usual_low_mm=usual[0],
        usual_high_mm=usual[1],
        room_mm=told(room[1], "room_mm"),
        held_mm=told(stack[1], "held_mm"),
        wanted_low_mm=told(float(question.least), "wanted_low_mm"),
        wanted_high_mm=told(float(question.most), "wanted_high_mm"),
        lengths=_lengths(question),
        cautions=shut.cautions,
        links=(Link("speed", (("operation", "face"),), "The belt for facing one of them"),),
    )


def _lengths(question: EndFloatQuestion) -> tuple[Spread, ...]:
    sides = [("makes room", m) for m in question.room] + [("fills it", m) for m in question.stack]
    whole = float(sum((m.high - m.low) * m.count for _, m in sides))
    return tuple(
        Spread(
            name=f"{m.count} x {m.name}" if m.count > 1 else m.name,
            side=side,
            low_mm=told(float(m.low), "low_mm"),
            high_mm=told(float(m.high), "high_mm"),
            along_mm=told(float(m.middle * m.count), "along_mm"),
            share_percent=told(
                float((m.high - m.low) * m.count) / whole * 100 if whole else 0.0,
                "share_percent",
                None,
            ),
        )
        for side, m in sides
    )


def headline(answer: EndFloatAnswer, page: PageUnit) -> str:
    """The float, and what goes in."""
    low, high = answer.float_low_mm, answer.float_high_mm
    said = (
        low.words(page) if low.value == high.value else f"{low.shown(page)} to {high.words(page)}"
    )
    put = f" · put in {answer.shim_mm.words(page)}" if answer.shim_mm is not None else ""
    return f"float {said}{put}"


def _sweeps() -> Mapping[str, Sweep[Any, Any]]:
    # Fetched when wanted: it brings NumPy with it.
    from runk.core.shafts.drawn import FloatSpread, spread_of

    return {"spread": Sweep(spread_of, FloatSpread)}


_TAIL = "[, at least {least}][, at most {most}][, shims {shims}]"
ENDFLOAT = Calculator(
    name="endfloat",
    title="End float: what is left, and the washers that close it",
    door=Door("/shafts/float", "Shafts", "End float", family="True and free"),
    opening={"room": "25 +0.05 -0", "stack": "2 x bearing 8 +0 -0.02; boss 8.8 +0 -0.05"},
    question=EndFloatQuestion,
    answers=(EndFloatAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "End float between {room}, less {stack}, at least {least}, at most {most}"
        "[, shims {shims}]"
    },
    lines=(
        f"{{call}} {{room}} - {{stack}}{_TAIL}",
        f"{{call}} {{room}} less {{stack}}{_TAIL}",
        f"{{call}} {{room}}: {{stack}}{_TAIL}",
        f"{{call}} between {{room}} and {{stack}}{_TAIL}",
        f"{{call}} {{stack}} between {{room}}{_TAIL}",
        f"{{call}} {{stack}} in {{room}}{_TAIL}",
        "{call} {room}",
    ),
    calls=("end float", "endfloat", "end play", "endplay", "float"),
    headline=headline,
    sweeps=_sweeps,
)
