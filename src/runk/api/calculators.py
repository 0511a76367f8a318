"""One route for each registered calculator, its sweeps, and the list of them."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import asdict
from typing import Any

from fastapi import APIRouter, Response
from pydantic import BaseModel
from pydantic_core import to_json

from runk.api.problems import PROBLEMS
from runk.api.wire import question_model, reply, reply_model
from runk.ask import ask
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.registry import Calculator, Sweep, calculators
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

Here = Callable[[], Workshop]


class ChoiceOut(BaseModel):
    """One thing a choice can be."""

    key: str
    label: str
    only: list[str]


class FieldOut(BaseModel):
    """A field of a question, as the room's sentence needs it."""

    name: str
    kind: str
    label: str
    required: bool
    default: str | None
    choices: list[ChoiceOut]
    only: list[str]
    placeholder: str
    rules: bool
    own: bool


class CalculatorOut(BaseModel):
    """A registered calculator."""

    name: str
    title: str
    version: int
    sentences: dict[str, str]
    fields: list[FieldOut]


class AskIn(BaseModel):
    """A line in plain words."""

    line: str
    unit: PageUnit = PageUnit.MM


class AskOut(BaseModel):
    """The answer to a line; ``reply`` is what that calculator's own route would say."""

    calculator: str
    typed: dict[str, Any]
    reply: dict[str, Any]


def written(body: Any, status: int = 200) -> Response:
    """Plain data as a JSON response, written once and not checked again."""
    return Response(to_json(body), status, media_type="application/json")


def _describe(calculator: Calculator) -> CalculatorOut:
    return CalculatorOut(
        name=calculator.name,
        title=calculator.title,
        version=calculator.version,
        sentences=dict(calculator.sentences),
        fields=[
            FieldOut(
                name=name,
                kind=f.kind,
                label=f.label,
                required=name not in calculator.defaults,
                default=str(calculator.defaults[name]) if calculator.defaults.get(name) else None,
                choices=[ChoiceOut(key=c.key, label=c.label, only=list(c.only)) for c in f.choices],
                only=list(f.only),
                placeholder=f.placeholder,
                rules=f.rules,
                own=f.own,
            )
            for name, f in calculator.fields.items()
        ],
    )


def router(here: Here) -> APIRouter:
    """Routes of every calculator.

    Args:
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    @routes.get("/calculators")
    async def list_calculators() -> list[CalculatorOut]:
        return [_describe(c) for c in calculators().values()]

    @routes.post("/ask", response_model=AskOut)
    async def ask_line(asked: AskIn) -> Response:
        workshop = here()
        answered = ask(asked.line, workshop, asked.unit)
        body = reply(
            answered.calculator, answered.typed, answered.read, answered.answer, asked.unit,
            workshop, answered.read_as,
        )  # fmt: skip
        return written(
            {"calculator": answered.calculator.name, "typed": answered.typed, "reply": body}
        )

    for name, calculator in calculators().items():
        _add(routes, name, calculator, here)
    return routes


def _add(routes: APIRouter, name: str, calculator: Calculator, here: Here) -> None:
    body_model = question_model(name, calculator)

    async def answer(question: Any) -> Response:
        typed, page = taken(question)
        return written(answer_typed(calculator, typed, page, here()))

    # The body's type is made at run time, so it is told to FastAPI rather than written above.
    answer.__annotations__["question"] = body_model
    routes.add_api_route(
        f"/calc/{name}",
        answer,
        methods=["POST"],
        name=name,
        summary=calculator.title,
        response_model=reply_model(name, calculator),
    )
    for path, sweep in calculator.sweeps().items():
        _add_sweep(routes, f"/calc/{name}/{path}", calculator, here, sweep)


def _add_sweep(
    routes: APIRouter, path: str, calculator: Calculator, here: Here, sweep: Sweep
) -> None:
    async def swept(question: Any) -> Response:
        typed, page = taken(question)
        workshop = here()
        read = read_question(calculator, typed, page, workshop)
        snapshot = calculator.needs(read.question, workshop)
        return written(asdict(sweep.compute(read.question, snapshot)))

    swept.__annotations__["question"] = question_model(calculator.name, calculator)
    routes.add_api_route(path, swept, methods=["POST"], name=path, response_model=sweep.shape)


def taken(question: BaseModel) -> tuple[dict[str, Any], PageUnit]:
    """The fields somebody filled in, and the page's unit."""
    typed = {k: v for k, v in question if v is not None and k != "unit"}
    return typed, question.unit  # type: ignore[attr-defined]


def answer_typed(
    calculator: Calculator, typed: dict[str, Any], page: PageUnit, workshop: Workshop
) -> dict[str, Any]:
    """Read, answer and put into words.

    Raises:
        Refused: With the field it belongs to.
    """
    read = read_question(calculator, typed, page, workshop)
    computed = calculator.ask(read.question, workshop)
    return reply(calculator, typed, read, computed, page, workshop)


def calculator_named(name: str) -> Calculator:
    """A calculator by name.

    Raises:
        Refused: There is none.
    """
    found = calculators().get(name)
    if found is None:
        raise Refused(f"There is no calculator called {name[:40]}.", field="calculator")
    return found
