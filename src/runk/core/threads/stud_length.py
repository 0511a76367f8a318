"""How long a stud is, and the bar for a set: what it goes through, from its hole up."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Figure, Num, Working, law, told
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Show
from runk.core.threads.nuts import height_of
from runk.core.threads.stud_question import StudQuestion
from runk.core.units import unit_of

DOWN_THREADS = 2.5
"""How far the nut's thread goes on below the cover's face: a die leaves its last threads
unfinished, a cover is never to size, and a gasket gives. Two to three pitches, practice."""
SHOWING_THREADS = 1.5
FACING_MM, KERF_MM = 0.5, 2.0


@dataclass(frozen=True, slots=True, kw_only=True)
class StudPart:
    """A piece of what a stud goes through, from the bottom of its hole up."""

    label: Annotated[str, Show("Piece")]
    mm: Annotated[Figure, Show("Long")]


@dataclass(frozen=True, slots=True)
class StudLength:
    """A stud's length and what it is made of.

    Args:
        long: Over all.
        plain: Between its threads.
        nut_end: The thread the nut runs on.
        stock: Bar for all of them.
        parts: What it goes through.
    """

    long: Figure
    plain: Figure
    nut_end: Figure
    stock: Figure
    parts: tuple[StudPart, ...]


@law("Length of the stud", "{engaged_mm} + {held_mm} + {nut_mm} + 1.5 × {pitch_mm}")
def stud_mm(engaged_mm: Num, held_mm: Num, nut_mm: Num, pitch_mm: Num) -> Num:
    """Thread in the metal, what is held, the nut, and one and a half threads showing.

    >>> round(stud_mm(6.0, 5.0, 3.2, 0.7), 2)
    15.25
    """
    return engaged_mm + held_mm + nut_mm + SHOWING_THREADS * pitch_mm


@law("Thread for the nut", "{above_mm} + {down_mm}")
def nut_end_mm(above_mm: Num, down_mm: Num) -> Num:
    """Length of the thread the nut runs on, some of it below the cover's face.

    Args:
        above_mm: Nut, washer and what shows.
        down_mm: Into the cover, so that the nut meets the cover before the thread's end.

    >>> nut_end_mm(5.0, 1.75)
    6.75
    """
    return above_mm + down_mm


@law("Stock", "{count} × ({length_mm} + {facing_mm}) + {cuts} × {kerf_mm}")
def stock_mm(count: Num, length_mm: Num, facing_mm: Num, cuts: Num, kerf_mm: Num) -> Num:
    """Bar for a set: each length, something to face off, and the kerfs.

    >>> stock_mm(6.0, 15.0, 0.5, 5.0, 2.0)
    103.0
    """
    return count * (length_mm + facing_mm) + cuts * kerf_mm


def stud_length(
    w: Working, question: StudQuestion, cover: float, engaged: Figure, count: int
) -> StudLength:
    """How long a stud is that holds down a cover.

    Args:
        w: Keeps the steps.
        question: The stud.
        cover: Thickness of it, mm, above 0.
        engaged: Thread in the metal, mm.
        count: How many alike, 1 or more.

    Raises:
        Refused: A thread for the nut that has no room, or is too short.
    """
    pitch = question.thread.pitch_mm
    nut = (
        height_of(w, question.thread)
        if question.nut is None
        else Figure(float(question.nut), unit_of("nut_mm"))
    )
    held = cover + sum(float(x) for x in (question.gasket, question.washer) if x)
    length = w.of(
        stud_mm,
        "length_mm",
        engaged_mm=engaged.value,
        held_mm=held,
        nut_mm=nut.value,
        pitch_mm=pitch,
    )
    stock = w.of(
        stock_mm,
        count=float(count),
        length_mm=length.value,
        facing_mm=FACING_MM,
        cuts=float(count),
        kerf_mm=KERF_MM,
    )
    above = nut.value + SHOWING_THREADS * pitch + float(question.washer or 0)
    nut_end = _nut_end(w, question, above, length.value - engaged.value)
    plain = max(0.0, length.value - engaged.value - nut_end.value)
    return StudLength(
        long=length,
        plain=Figure(plain, unit_of("plain_mm")),
        nut_end=nut_end,
        stock=stock,
        parts=_parts(question, engaged, nut, pitch),
    )


def _nut_end(w: Working, question: StudQuestion, above: float, out: float) -> Figure:
    if question.nut_end is None:
        return w.of(
            nut_end_mm,
            above_mm=above,
            down_mm=min(DOWN_THREADS * question.thread.pitch_mm, out - above),
            why=f"{DOWN_THREADS:g} threads into the cover, or all of it where it is thinner",
        )
    nut_end = told(float(question.nut_end), "nut_end_mm")
    if nut_end.value < above:
        raise Refused(
            f"Nut, washer and what shows take {mm_said(above, 2)}: that thread is shorter.",
            field="nut_end",
            suggest=mm_said(above, 1),
        )
    if nut_end.value > out:
        raise Refused(
            f"{mm_said(out, 2)} of it stand out of the metal: that thread is longer.",
            field="nut_end",
        )
    return nut_end


def _parts(
    question: StudQuestion, engaged: Figure, nut: Figure, pitch: float
) -> tuple[StudPart, ...]:
    def thick(label: str, mm: Fraction | None) -> tuple[StudPart, ...]:
        return (StudPart(label=label, mm=Figure(float(mm), unit_of("mm"))),) if mm else ()

    return (
        StudPart(label="in the metal", mm=engaged),
        *thick("gasket", question.gasket),
        *thick("cover", question.cover),
        *thick("washer", question.washer),
        StudPart(label="nut", mm=nut),
        StudPart(label="showing", mm=Figure(SHOWING_THREADS * pitch, unit_of("mm"))),
    )
