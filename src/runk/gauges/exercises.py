"""Pieces to practise on: what makes each hard, and the cut it is."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.calculator import AnyCalculator
from runk.core.plan.plan import PLAN
from runk.core.plan.settle import Settled
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.threads.screwcut import SCREWCUT
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True)
class Exercise:
    """A piece to practise on: its name, what makes it hard, whose cut it is."""

    key: str
    name: str
    lesson: str
    question: tuple[tuple[str, str], ...]
    of: AnyCalculator = PLAN


EXERCISES = (
    Exercise(
        "stub",
        "A stiff stub",
        "It hardly springs: what you wind on is what comes off.",
        (
            ("job", "outside"),
            ("metal", "free-cutting-steel"),
            ("now", "20"),
            ("wanted", "18"),
            ("smallest", "17.97"),
            ("largest", "18"),
            ("held", "three-jaw"),
        ),
    ),
    Exercise(
        "bar",
        "A slender bar",
        "It leans away from the tool, and comes back when the cut gets lighter.",
        (
            ("job", "outside"),
            ("metal", "mild-steel"),
            ("now", "10"),
            ("wanted", "9"),
            ("smallest", "8.97"),
            ("largest", "9"),
            ("held", "three-jaw"),
            ("overhang", "45"),
        ),
    ),
    Exercise(
        "bore",
        "A bore on a long bar",
        "The bar leans, and the last cut must not take what the one before left behind.",
        (
            ("job", "bore"),
            ("metal", "grey-iron"),
            ("now", "20.8"),
            ("wanted", "22"),
            ("smallest", "22"),
            ("largest", "22.03"),
            ("held", "four-jaw"),
            ("bar", "10"),
            ("overhang", "50"),
            ("length", "45"),
        ),
    ),
    Exercise(
        "thread",
        "A thread",
        "The tool is drawn out after every pass and wound to a mark; wires tell of it at the end.",
        (("thread", "M8"), ("metal", "mild-steel"), ("relief", "4")),
        SCREWCUT,
    ),
)


def exercise_named(key: str) -> Exercise:
    """An exercise.

    Raises:
        Refused: There is none of that name.
    """
    for one in EXERCISES:
        if one.key == key:
            return one
    raise Refused(
        f"There is no exercise called `{key[:20]}`.",
        field="exercise",
        suggest=" or ".join(e.key for e in EXERCISES),
    )


def cut_of(exercise: Exercise, workshop: Workshop) -> Settled:
    """The exercise's cut on this workshop's own lathe and dial."""
    one = exercise.of
    assert one.follow is not None
    question = read_question(one, dict(exercise.question), PageUnit.MM, workshop).question
    cut: Settled = one.follow(question, one.needs(question, workshop))
    return cut
