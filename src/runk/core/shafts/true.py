"""``true``: what an indicator says, and how far the work is moved."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.kinds import Length
from runk.core.refusals import Refused
from runk.core.said import thou_said
from runk.core.shown import Rank, Show
from runk.core.sources import PRACTICE
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True)
class TrueQuestion:
    """Work in a four-jaw chuck that does not run true.

    Args:
        total: From the indicator's lowest to its highest in a turn.
        across: The same over the other pair of jaws, where it was read.
        allowed: What may stay.
        chuck: What the chuck's own outside swings, where that was read.
    """

    total: Annotated[
        Fraction,
        Length(
            "indicator's whole swing",
            ("total", "shows", "tir", "swing", "runout", "run-out"),
            principal=True,
            usual=(0.005, 5.0),
            low=0.0005,
            high=50.0,
            asks="How far does the indicator swing in all?",
            placeholder="12 thou",
        ),
    ]
    across: Annotated[
        Fraction | None,
        Length(
            "over the other pair",
            ("other pair", "across"),
            high=50.0,
            placeholder="not read",
            asks="What does the other pair differ by?",
        ),
    ] = None
    allowed: Annotated[
        Fraction,
        Length("what may stay", ("within", "allowed"), low=0.0005, high=5.0, placeholder="0.02 mm"),
    ] = Fraction(2, 100)
    chuck: Annotated[
        Fraction | None,
        Length(
            "the chuck's own outside swings",
            ("chuck swings", "chuck reads", "chuck itself", "chuck"),
            low=0.0005,
            high=50.0,
            placeholder="not read",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class TrueAnswer:
    """How far to move it, which is half of what the indicator says."""

    move_mm: Annotated[Figure, Show("Move it by", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    move_across_mm: Annotated[Figure | None, Show("And over the other pair by", Rank.BIG)]
    stays: Annotated[str, Show("As it stands", Rank.SAYS)]
    chuck: Annotated[str, Show("The chuck itself", Rank.SAYS)]
    chuck_off_mm: Annotated[Figure | None, Show("Its middle is off the spindle's by")]
    allowed_mm: Annotated[Figure, Show("May stay")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Move it by", "{total_mm} ÷ 2")
def move_limit_mm(total_mm: Num) -> Num:
    """Half of an indicator's swing: high on one side is low by as much on the other.

    >>> move_limit_mm(0.25)
    0.125
    """
    return total_mm / 2.0


def needs(_: TrueQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def compute(question: TrueQuestion, _: None = None) -> TrueAnswer:
    """Half the difference, and which jaws.

    Raises:
        Refused: Less may stay than an indicator shows.

    >>> round(compute(TrueQuestion(Fraction(3, 10))).move_mm.value, 3)
    0.15
    """
    w, total = Working(), float(question.total)
    if question.allowed * 20 < Fraction(1, 1000):
        raise Refused("No indicator here shows so little.", field="allowed")
    move = replace(w.of(move_limit_mm, "move_mm", total_mm=total), places=3)
    other = None
    if question.across is not None:
        other = w.of(move_limit_mm, "move_across_mm", total_mm=float(question.across))
        other = replace(other, places=3)
    allowed = float(question.allowed)
    worst = max(total, float(question.across or 0))
    return TrueAnswer(
        move_mm=move,
        says=(
            f"At its highest: that jaw in by {thou_said(move.value)}, the one opposite let out "
            "first, always the same two. Turn it by hand and read again; the other pair after."
        ),
        move_across_mm=other,
        stays=_stays(worst, allowed),
        chuck=_chuck(question.chuck, allowed),
        chuck_off_mm=None
        if question.chuck is None
        else replace(w.of(move_limit_mm, "chuck_off_mm", total_mm=float(question.chuck)), places=3),
        allowed_mm=Figure(allowed, move.unit, (), 3),
        cautions=_cautions(worst),
        links=(Link("faults", (("sign", "run-out"),), "Where it comes in: work, chuck or taper"),),
    )


def _chuck(chuck: Fraction | None, allowed: float) -> str:
    """Whether the chuck is true to the spindle: set by its outside, work would be as far off."""
    if chuck is None:
        return ""
    if float(chuck) <= allowed:
        return "True to the spindle: the work alone is out."
    return (
        f"Out by itself, {thou_said(float(chuck) / 2)} off its middle: clean the register and the "
        "taper, turn it half a turn on its plate and read again. Until then set the work by the "
        "work, never by the chuck's rim, and turn all of it at one setting."
    )


def _stays(worst: float, allowed: float) -> str:
    if worst <= allowed:
        return f"It may stay: {thou_said(worst)} is within {thou_said(allowed)}."
    return f"Not yet: {thou_said(worst)}, and {thou_said(allowed)} may stay."


def _cautions(worst: float) -> tuple[Caution, ...]:
    if worst <= 1.0:
        return ()
    says = "So far out a scriber shows it better than an indicator, which it knocks about."
    return (Caution("Mind", "the indicator", says, "move_mm", PRACTICE),)


TRUE = Calculator(
    name="true",
    title="Setting true in four jaws",
    door=Door("/shafts/true", "Shafts", "Set true", family="True and free"),
    opening={"total": "12 thou"},
    question=TrueQuestion,
    answers=(TrueAnswer,),
    compute=compute,
    needs=needs,
    sentences={
        "": "The indicator swings {total}[, {across} over the other pair]"
        "[, the chuck itself {chuck}], within {allowed}"
    },
    calls=(
        "indicator shows",
        "indicator swings",
        "indicator reads",
        "set true",
        "setting true",
        "four jaw true",
        "true up",
        "clock reads",
        "clock shows",
        "clock swings",
        "clock swinging",
        "dti reads",
        "dti shows",
        "indicator",
        "four jaw clock",
        "tir",
        "wobble of",
        "opposite jaws",
    ),
    headline=lambda a, page: f"move it {a.move_mm.words(page)}",
)
