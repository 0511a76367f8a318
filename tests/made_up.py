"""A calculator made up for the tests: all that a new one has to bring."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Catalogue, Door
from runk.core.catalogue import CATALOGUE
from runk.core.figures import Figure, Num, Working, law
from runk.core.kinds import Choice, Length, OneOf, Place
from runk.core.shown import Rank, Show, Table


class Side(StrEnum):
    LEFT = "left"
    RIGHT = "right"


@law("Step", "{wide_mm} ÷ {spaces}")
def step_mm(wide_mm: Num, spaces: Num) -> Num:
    return wide_mm / spaces


SIDES = (Choice("left", "the left", ("leftward",)), Choice("right", "the right", ("rightward",)))


@dataclass(frozen=True, slots=True)
class FenceQuestion:
    wide: Annotated[Fraction, Length("width", ("wide",), principal=True, placeholder="40 mm")]
    nought: Annotated[Fraction, Place("nought", ("nought",))] = Fraction(0)
    side: Annotated[Side, OneOf("side", choices=SIDES)] = Side.LEFT


@dataclass(frozen=True, slots=True, kw_only=True)
class Post:
    name: Annotated[str, Show("Post")]
    at_mm: Annotated[Figure, Show("Stands at")]


@dataclass(frozen=True, slots=True, kw_only=True)
class FenceAnswer:
    step_mm: Annotated[Figure, Show("From post to post", Rank.BIG)]
    says: Annotated[str, Show("From", Rank.SAYS)]
    posts: Annotated[tuple[Post, ...], Table("Where each post stands")]


def fence(question: FenceQuestion, _: None) -> FenceAnswer:
    w, sign = Working(), 1 if question.side is Side.LEFT else -1
    step = w.of(step_mm, wide_mm=float(question.wide), spaces=4.0)
    places = [float(question.nought) + sign * n * step.value for n in range(5)]
    posts = tuple(Post(name=f"post {n}", at_mm=w.figure(x, "at_mm")) for n, x in enumerate(places))
    return FenceAnswer(step_mm=step, says=f"the {question.side}", posts=posts)


FENCE = Calculator(
    name="fence",
    title="Posts of a fence",
    question=FenceQuestion,
    answers=(FenceAnswer,),
    compute=fence,
    needs=lambda *_: None,
    calls=("fence", "posts"),
    sentences={"": "A fence {wide} wide[, its nought at {nought}], from {side}"},
    headline=lambda answer, page: f"every {answer.step_mm.words(page)}",
    door=Door("/fence", "Fence", "Fence"),
    opening={"wide": "40", "nought": "-5"},
)
WITH_FENCE = Catalogue((*CATALOGUE.values(), FENCE))
