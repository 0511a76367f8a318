"""``which-thread``: a measured diameter and pitch, and the threads it may be."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.kinds import Count, Length
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE
from runk.core.threads.series import Thread, threads
from runk.core.threads.thread import no_needs
from runk.core.units import unit_of

WORN_SHARE, WORN_MM = 0.03, 0.05
PLATED_MM = 0.05
"""Over its own size by plating, 0.03, and by measuring: common practice."""
PITCH_SHARE = 0.035
MOST = 8


@dataclass(frozen=True, slots=True)
class WhichQuestion:
    """What was measured.

    Args:
        size: Over the crests, outside.
        pitch: From crest to crest, where a gauge told it.
        turns: Threads counted in ``over``.
    """

    size: Annotated[
        Fraction,
        Length(
            "diameter over the thread",
            ("dia", "measures"),
            usual=(1.0, 25.0),
            principal=True,
            low=0.5,
            high=60.0,
            placeholder="4.65 mm",
        ),
    ]
    pitch: Annotated[
        Fraction | None,
        Length("pitch", ("pitch",), usual=(0.2, 3.0), low=0.1, high=10.0, placeholder="not known"),
    ] = None
    turns: Annotated[
        int | None,
        Count(
            "threads counted",
            ("threads", "turns", "tpi"),
            low=1,
            high=200,
            placeholder="not counted",
        ),
    ] = None
    over: Annotated[
        Fraction | None,
        Length(
            "length they were counted in",
            ("over", "in"),
            usual=(2.0, 60.0),
            low=0.5,
            high=200.0,
            placeholder="1 in",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class ThreadCandidate:
    """A thread it may be, and how far it is off."""

    name: Annotated[str, Show("Thread")]
    series: Annotated[str, Show("Series")]
    major_mm: Annotated[Figure, Show("Major")]
    pitch_mm: Annotated[Figure, Show("Pitch")]
    under_mm: Annotated[Figure, Show("Measures under by")]
    pitch_off_percent: Annotated[Figure | None, Show("Pitch off")]


@dataclass(frozen=True, slots=True, kw_only=True)
class WhichAnswer:
    """Candidates, the likeliest first."""

    verdict: Annotated[str, Show("Likeliest", Rank.BIG)]
    pitch_mm: Annotated[Figure | None, Show("Pitch as measured")]
    candidates: Annotated[tuple[ThreadCandidate, ...], Table("Candidates")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Pitch counted", "{over_mm} ÷ {turns}")
def counted_mm(over_mm: Num, turns: Num) -> Num:
    """Pitch from threads counted in a length.

    >>> counted_mm(25.4, 40.0)
    0.635
    """
    return over_mm / turns


@law("Under its own size", "{major_mm} - {size_mm}")
def under_mm(major_mm: Num, size_mm: Num) -> Num:
    """How far a worn thread measures under its own major diameter.

    >>> round(under_mm(4.7, 4.62), 2)
    0.08
    """
    return major_mm - size_mm


def which(question: WhichQuestion, _: None = None) -> WhichAnswer:
    """The threads a measured one may be, allowing for wear and plating.

    Raises:
        Refused: Nothing is near, or a count without its length.

    >>> answer = which(WhichQuestion(Fraction("4.65"), Fraction("0.81")))
    >>> answer.candidates[0].name
    '2 BA'
    """
    w = Working()
    size, pitch = float(question.size), None
    if question.turns is not None:
        over = question.over or Fraction(254, 10)
        pitch = w.of(counted_mm, "pitch_mm", over_mm=float(over), turns=float(question.turns))
    elif question.over is not None:
        raise Refused("How many threads were counted in it?", field="turns", suggest="20")
    elif question.pitch is not None:
        pitch = Figure(float(question.pitch), unit_of("pitch_mm"), (), 3)
    value = None if pitch is None else pitch.value
    ranked = sorted(
        (score, one.name, one)
        for one in threads()
        if (score := _score(one, size, value)) is not None
    )
    if not ranked:
        near = sorted(threads(), key=lambda t: abs(t.major_mm - size))[:3]
        raise Refused(
            f"No thread here measures {mm_said(size, 2)}"
            + (f" at {mm_said(value, 3)} pitch." if value else "."),
            field="size",
            suggest=" or ".join(dict.fromkeys(t.name for t in near)),
        )
    found = tuple(_candidate(w, one, size, value) for _, _, one in ranked[:MOST])
    close = [s for s, _, _ in ranked if s < ranked[0][0] + 0.4]
    sure = len(close) == 1 and pitch is not None
    verdict = found[0].name if sure else f"{found[0].name}, or one of {len(ranked)}"
    cautions = (
        []
        if sure
        else [
            Caution(
                "Mind",
                "the form",
                "Hold a known screw of each against it, crest in root, before "
                "a window: 55° and 60° show light at the flanks.",
                None,
                PRACTICE,
            )
        ]
    )
    link = Link("thread", (("thread", found[0].name),), f"All of {found[0].name}")
    return WhichAnswer(
        verdict=verdict, pitch_mm=pitch, candidates=found, cautions=tuple(cautions), links=(link,)
    )


def _score(one: Thread, size: float, pitch: float | None) -> float | None:
    """How badly it fits, 0 for perfect; None where it cannot be."""
    under = one.major_mm - size
    worn = WORN_SHARE * one.major_mm + WORN_MM
    if not -PLATED_MM <= under <= worn:
        return None
    score = abs(under - 0.01 * one.major_mm) / worn
    if pitch is not None:
        off = abs(one.pitch_mm / pitch - 1)
        if off > PITCH_SHARE:
            return None
        score += 2 * off / PITCH_SHARE
    return score + (0.05 if one.series in ("M fine", "UNEF") else 0.0)


def _candidate(w: Working, one: Thread, size: float, pitch: float | None) -> ThreadCandidate:
    off = None
    if pitch is not None:
        off = Figure(100 * (pitch / one.pitch_mm - 1), unit_of("pitch_off_percent"), (), 1)
    return ThreadCandidate(
        name=one.name,
        series=one.series,
        major_mm=Figure(one.major_mm, unit_of("major_mm"), (), 3),
        pitch_mm=Figure(one.pitch_mm, unit_of("pitch_mm"), (), 3),
        under_mm=w.of(under_mm, major_mm=one.major_mm, size_mm=size),
        pitch_off_percent=off,
    )


WHICH = Calculator(
    name="which-thread",
    title="Which thread is this?",
    door=Door("/threads/which", "Threads", "Which is it", family="Measured"),
    opening={"size": "4.65 mm", "pitch": "0.81 mm"},
    question=WhichQuestion,
    answers=(WhichAnswer,),
    compute=which,
    needs=no_needs,
    sentences={
        "": "Which thread measures {size}[, {pitch} pitch][, {turns} threads][ over {over}]"
    },
    calls=("which thread", "what thread", "identify thread", "unknown thread"),
    headline=lambda a, _: a.verdict,
)
