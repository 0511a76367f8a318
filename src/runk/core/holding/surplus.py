"""``surplus``: where a casting's datum is put so that every face cleans up, or which cannot."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, fine, law, stop, told
from runk.core.kinds import Chain, Length
from runk.core.lengths import Reading
from runk.core.lengths.members import Member
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True)
class SurplusQuestion:
    """What a casting has to spare along one direction.

    Args:
        these: Faces that look one way, each with what is on it beyond the drawing, measured from
            one mark; ``those`` faces that look the other way.
        least: What a face must lose to be clean under its skin.
    """

    these: Annotated[
        tuple[Member, ...],
        Chain(
            "faces one way",
            needed=("*",),
            low=0.001,
            high=200.0,
            asks="What is on the faces that look one way?",
            placeholder="flange 1.8; boss 2.2",
        ),
    ] = ()
    those: Annotated[
        tuple[Member, ...],
        Chain(
            "faces the other way",
            needed=("*",),
            low=0.001,
            high=200.0,
            asks="And on those that look the other way?",
            placeholder="base 0.4; back 1.1",
        ),
    ] = ()
    least: Annotated[
        Fraction,
        Length(
            "least to come off",
            ("least", "skin", "clean"),
            low=0.01,
            high=20.0,
            placeholder="0.5 mm",
        ),
    ] = Fraction(1, 2)


@dataclass(frozen=True, slots=True, kw_only=True)
class FaceLeft:
    """A face, and what comes off it then."""

    face: Annotated[str, Show("Face")]
    looks: Annotated[str, Show("Looks")]
    now_mm: Annotated[Figure, Show("On it now")]
    off_mm: Annotated[Figure, Show("Comes off")]


@dataclass(frozen=True, slots=True, kw_only=True)
class SurplusAnswer:
    """The shift of the datum, and what each face then loses."""

    shift_mm: Annotated[Figure, Show("Shift the mark", Rank.BIG)]
    towards: Annotated[str, Show("Towards", Rank.BIG)]
    least_mm: Annotated[Figure, Show("Least then comes off", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    faces: Annotated[tuple[FaceLeft, ...], Table("Face by face", rank=Rank.BIG)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Shift", "({these_mm} - {those_mm}) ÷ 2")
def shift_mm(these_mm: float, those_mm: float) -> float:
    """Half the difference of the scarcest on each side: both are then left with the same.

    >>> round(shift_mm(1.8, 0.4), 6)
    0.7
    """
    return (these_mm - those_mm) / 2.0


@law("Least comes off", "({these_mm} + {those_mm}) ÷ 2")
def least_mm(these_mm: float, those_mm: float) -> float:
    """What the scarcest face on either side loses."""
    return (these_mm + those_mm) / 2.0


def needs(_: SurplusQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: SurplusQuestion, _: Workshop, __: Mapping[str, Reading]) -> SurplusQuestion:
    """A face each way at least.

    Raises:
        Refused: There is none.
    """
    for name, faces in (("these", question.these), ("those", question.those)):
        if not faces:
            raise Refused("What is on the faces there?", field=name, suggest="flange 1.8; boss 2.2")
    return question


def compute(question: SurplusQuestion, _: None = None) -> SurplusAnswer:
    """The shift that leaves the scarcest faces alike.

    >>> from runk.core.lengths.members import Member
    >>> faces = (Member("a", Fraction(9, 5), Fraction(9, 5), Fraction(9, 5)),)
    >>> others = (Member("b", Fraction(2, 5), Fraction(2, 5), Fraction(2, 5)),)
    >>> compute(SurplusQuestion(faces, others)).shift_mm.shown()
    '0.100'
    """
    w, least = Working(), float(question.least)
    these, those = _scarcest(question.these), _scarcest(question.those)
    first, other = float(these.low), float(those.low)
    shift = w.of(shift_mm, these_mm=first, those_mm=other)
    left = w.of(least_mm, these_mm=first, those_mm=other)
    # No farther than it must: a casting with enough everywhere stays where it is marked.
    needed = _needed(shift.value, first, other, least)
    moved = Figure(abs(needed), shift.unit, shift.steps if needed else (), 3)
    then = min(first - needed, other + needed)
    short = then < least - 1e-9
    scarce = these if first < other else those
    return SurplusAnswer(
        shift_mm=moved,
        towards="nowhere" if not needed else "the first faces" if needed > 0 else "the others",
        least_mm=fine(left) if short else told(then, "least_mm"),
        says=_says(needed),
        faces=tuple(
            FaceLeft(
                face=one.name if not one.name.isdigit() else f"face {one.name}",
                looks=looks,
                now_mm=told(float(one.low), "now_mm"),
                off_mm=told(float(one.low) + sign * needed, "off_mm"),
            )
            for looks, sign, row in (
                ("one way", -1.0, question.these),
                ("the other", 1.0, question.those),
            )
            for one in row
        ),
        cautions=tuple(_cautions(scarce, then, least)),
        links=(),
    )


def _scarcest(faces: tuple[Member, ...]) -> Member:
    return min(faces, key=lambda one: one.low)


def _needed(best: float, these: float, those: float, least: float) -> float:
    """The nearest shift that leaves enough everywhere; the best where none does."""
    low, high = least - those, these - least
    if low > high:
        return best
    return min(max(0.0, low), high)


def _says(shift: float) -> str:
    if not shift:
        return "Every face has enough where it is marked: clean them up evenly from there."
    return (
        "Mark the datum anew by so much; every length is then counted from it. What will show "
        "unmachined, the core or the inside of a rim, is looked at before it is cut."
    )


def _cautions(scarce: Member, then: float, least: float) -> list[Caution]:
    found = []
    if then < least - 1e-9:
        says = (
            f"Even shared out, {_called(scarce)} keeps only {mm_said(then, 2)}: it does not clean "
            f"up by {mm_said(least - then, 2)}."
        )
        instead = "a size altered with its mate, metal built up, or another casting"
        found.append(stop("the casting", instead, says, "least_mm", MECHANICS))
    says = "File for chill, tap for blow-holes, look for a shifted core and sand before any cut."
    found.append(Caution("Mind", "the skin", says, None, PRACTICE))
    return found


def _called(face: Member) -> str:
    return f"face {face.name}" if face.name.isdigit() else f"the {face.name}"


def headline(answer: SurplusAnswer, page: PageUnit) -> str:
    """Shift, and what is left."""
    if answer.towards == "nowhere":
        return f"no shift · {answer.least_mm.words(page)} comes off at least"
    return (
        f"shift {answer.shift_mm.words(page)} towards {answer.towards} · "
        f"{answer.least_mm.words(page)} at least"
    )


SURPLUS = Calculator(
    name="surplus",
    title="Does every face of a casting clean up?",
    door=Door("/holding/casting", "Holding", "Casting"),
    opening={"these": "flange 1.8; boss 2.2", "those": "base 0.2; back 1.1"},
    question=SurplusQuestion,
    answers=(SurplusAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "A casting with {these} one way and {those} the other[, least {least} to come off]"
    },
    lines=(
        "<casting|a casting|surplus>< with|:|> {these} one way<,| and|, and> {those} "
        "<the other|the other way>[, least {least}]",
    ),
    calls=("casting with", "surplus", "clean up", "casting surplus", "share the surplus"),
    headline=headline,
)
