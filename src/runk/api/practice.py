"""Routes of practice: nothing is kept; the moves are sent whole each time and played again."""

from __future__ import annotations

from dataclasses import dataclass

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from runk.api.calculators import Here, written
from runk.api.problems import PROBLEMS
from runk.core.plain import plain
from runk.core.units import PageUnit
from runk.gauges.practice import EXERCISES, MOST_MOVES, Move, Practice, exercise_named, practise


class MoveIn(BaseModel):
    """A move: divisions wound on for a pass, or none where it was only measured."""

    wind: float | None = Field(default=None, allow_inf_nan=False)
    fine: bool = False
    measure: bool = True


class PracticeIn(BaseModel):
    """A piece and everything done to it."""

    exercise: str
    seed: int = Field(ge=0, lt=2**31)
    moves: list[MoveIn] = Field(default=[], max_length=MOST_MOVES)
    advised: bool = False
    finished: bool = False
    unit: PageUnit = PageUnit.MM


@dataclass(frozen=True)
class ExerciseOut:
    """An exercise to choose."""

    key: str
    name: str
    lesson: str


def router(here: Here) -> APIRouter:
    """Routes of practice.

    Args:
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api/practice", responses=PROBLEMS)

    @routes.get("")
    def exercises() -> list[ExerciseOut]:
        return [ExerciseOut(e.key, e.name, e.lesson) for e in EXERCISES]

    @routes.post("", response_model=Practice)
    def play(body: PracticeIn) -> Response:
        moves = [Move(m.wind, m.fine, m.measure) for m in body.moves]
        played = practise(
            exercise_named(body.exercise),
            here(),
            body.seed,
            moves,
            advised=body.advised,
            finished=body.finished,
        )
        return written(plain(played, body.unit))

    return routes
