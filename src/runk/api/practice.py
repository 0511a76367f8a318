"""Routes of practice: nothing is kept; the moves are sent whole each time and played again."""

from __future__ import annotations

from dataclasses import dataclass

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from runk.api.calculators import Here, written
from runk.api.problems import PROBLEMS
from runk.core.plain import plain
from runk.core.units import PageUnit
from runk.gauges.exercises import EXERCISES, exercise_named
from runk.gauges.practice import MOST_MOVES, Move, Practice, practise
from runk.gauges.stopping import LESSON, MOST_TRIES, Stopping, Try, stopping


class MoveIn(BaseModel):
    """A move: divisions wound on for a pass, or none where it was only measured."""

    wind: float | None = Field(default=None, allow_inf_nan=False)
    fine: bool = False
    measure: bool = True
    to: float | None = Field(default=None, allow_inf_nan=False)


class PracticeIn(BaseModel):
    """A piece and everything done to it."""

    exercise: str
    seed: int = Field(ge=0, lt=2**31)
    moves: list[MoveIn] = Field(default=[], max_length=MOST_MOVES)
    advised: bool = False
    finished: bool = False
    unit: PageUnit = PageUnit.MM


class TryIn(BaseModel):
    """A lever pulled: so long after the half-nuts were closed; none where it was not."""

    rpm: float = Field(gt=0, allow_inf_nan=False)
    pressed_s: float | None = Field(default=None, ge=0, le=600, allow_inf_nan=False)


class StoppingIn(BaseModel):
    """Every try so far at stopping in the groove."""

    seed: int = Field(ge=0, lt=2**31)
    tries: list[TryIn] = Field(default=[], max_length=MOST_TRIES)
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
        pieces = [ExerciseOut(e.key, e.name, e.lesson) for e in EXERCISES]
        return [*pieces, ExerciseOut("groove", "Stop in the groove", LESSON)]

    @routes.post("/groove", response_model=Stopping)
    def stop(body: StoppingIn) -> Response:
        tries = [Try(one.rpm, one.pressed_s) for one in body.tries]
        return written(plain(stopping(here(), body.seed, tries), body.unit))

    @routes.post("", response_model=Practice)
    def play(body: PracticeIn) -> Response:
        moves = [Move(m.wind, m.fine, m.measure, m.to) for m in body.moves]
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
