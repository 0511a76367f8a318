"""One route for every calculator and its sweeps, the list of them, and the Ask line."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import asdict
from typing import Any, TypeVar

from fastapi import APIRouter, Request, Response
from fastapi.exceptions import RequestValidationError
from pydantic import BaseModel, ValidationError
from pydantic_core import to_json

from runk.api.describe import CalculatorOut, describe
from runk.api.place import PlaceOut
from runk.api.problems import PROBLEMS, problem
from runk.api.wire import AnyReply, StepWire, question_model, reply, row_worked
from runk.api.worked import worked
from runk.ask import ask
from runk.ask.asked_back import AskedBack, Nearby
from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

Model = TypeVar("Model", bound=BaseModel)
Here = Callable[[], Workshop]
Elsewhere = Callable[[str, PageUnit], PlaceOut | None]


class AskIn(BaseModel):
    """A line in plain words."""

    line: str
    unit: PageUnit = PageUnit.MM


class OtherOut(BaseModel):
    """A second reading of the line, or the second step of its job, and the line that gives it."""

    read_as: str
    line: str
    then: bool = False


class AskOut(BaseModel):
    """The answer to a line: ``reply`` as that calculator's own route says it, or a ``place``."""

    calculator: str
    typed: dict[str, str]
    reply: AnyReply | None
    unused: list[str]
    others: list[OtherOut]
    place: PlaceOut | None = None


_ASKS = {
    "required": True,
    "content": {"application/json": {"schema": {"$ref": "#/components/schemas/AskIn"}}},
}


def written(body: Any, status: int = 200) -> Response:
    """Plain data as a JSON response, written once and not checked again."""
    return Response(to_json(body), status, media_type="application/json")


def router(here: Here, catalogue: Catalogue, elsewhere: Elsewhere | None = None) -> APIRouter:
    """Routes of every calculator.

    Args:
        here: Gives today's workshop.
        catalogue: The calculators there are.
        elsewhere: Answers lines that are about what is kept, or gives None.
    """
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    @routes.get("/calculators")
    def list_calculators() -> list[CalculatorOut]:
        return [describe(c) for c in catalogue.values()]

    def answered(body: bytes, request: Request) -> Response:
        asked = valid(AskIn, body)
        request.state.page = asked.unit
        workshop = here()
        if elsewhere is not None and (place := elsewhere(asked.line, asked.unit)) is not None:
            none: dict[str, Any] = {"calculator": "", "typed": {}, "reply": None, "unused": []}
            return written({**none, "others": [], "place": place.model_dump()})
        try:
            found = ask(asked.line, workshop, asked.unit, catalogue)
        except Nearby as refused:
            # An answer too: what was understood and the one thing it wants, or the nearest rooms.
            return problem(
                422,
                "One thing more" if isinstance(refused, AskedBack) else "Not understood",
                refused.said(asked.unit),
                refused.field,
                refused.suggested(asked.unit),
                **refused.members(workshop, asked.unit),
            )
        said = reply(
            found.calculator,
            found.typed,
            found.read,
            found.answer,
            asked.unit,
            workshop,
            found.read_as,
        )
        return written(
            {
                "calculator": found.calculator.name,
                "typed": found.typed,
                "reply": said,
                "unused": found.unused,
                "others": [asdict(other) for other in found.others],
                "place": None,
            }
        )

    # Read as the calculators' own questions are, without the framework's round about.
    @routes.post("/ask", response_model=AskOut, openapi_extra={"requestBody": _ASKS})
    async def ask_line(request: Request) -> Response:
        return await worked(answered, await request.body(), request)

    def asked_of(name: str, body: bytes, request: Request) -> tuple[AnyCalculator, Typed, PageUnit]:
        calculator = calculator_named(catalogue, name)
        typed, page = taken(calculator, body)
        request.state.page = page
        return calculator, typed, page

    def calculated(name: str, body: bytes, request: Request) -> Response:
        calculator, typed, page = asked_of(name, body, request)
        return written(answer_typed(calculator, typed, page, here()))

    # A calculator's own models are made when it is first asked: nobody waits for all of them at
    # the start. What they are stands in the description, see ``openapi``.
    @routes.post("/calc/{name}", include_in_schema=False)
    async def answer(name: str, request: Request) -> Response:
        return await worked(calculated, name, await request.body(), request)

    def row_of(name: str, table: str, row: int, body: bytes, request: Request) -> Response:
        calculator, typed, page = asked_of(name, body, request)
        workshop = here()
        read = read_question(calculator, typed, page, workshop)
        return written(row_worked(calculator.ask(read.question, workshop), table, row))

    @routes.post("/calc/{name}/working/{table}/{row}", response_model=list[StepWire])
    async def row_working(name: str, table: str, row: int, request: Request) -> Response:
        """The working of one row of a long table, which its answer goes without."""
        return await worked(row_of, name, table, row, await request.body(), request)

    def sweep_of(name: str, sweep: str, body: bytes, request: Request) -> Response:
        calculator = calculator_named(catalogue, name)
        found = calculator.sweeps().get(sweep)
        if found is None:
            raise Refused(f"{name} has no {sweep[:40]}.", field="sweep")
        calculator, typed, page = asked_of(name, body, request)
        workshop = here()
        read = read_question(calculator, typed, page, workshop)
        snapshot = calculator.needs(read.question, workshop)
        return written(asdict(found.compute(read.question, snapshot)))

    @routes.post("/calc/{name}/{sweep}", include_in_schema=False)
    async def swept(name: str, sweep: str, request: Request) -> Response:
        return await worked(sweep_of, name, sweep, await request.body(), request)

    return routes


Typed = dict[str, Any]


def taken(calculator: AnyCalculator, body: bytes) -> tuple[Typed, PageUnit]:
    """The fields somebody filled in, and the page's unit.

    Raises:
        RequestValidationError: The body is no question of that calculator.
    """
    question = valid(question_model(calculator), body)
    typed = {k: v for k, v in question if v is not None and k != "unit"}
    return typed, question.unit  # type: ignore[attr-defined]


def valid(model: type[Model], body: bytes) -> Model:
    """A body as its model has it.

    Raises:
        RequestValidationError: It is none of that model.
    """
    try:
        return model.model_validate_json(body)
    except ValidationError as error:
        found = error.errors(include_url=False, include_context=False)
        raise RequestValidationError([e | {"loc": ("body", *e["loc"])} for e in found]) from None


def answer_typed(
    calculator: AnyCalculator, typed: dict[str, Any], page: PageUnit, workshop: Workshop
) -> dict[str, Any]:
    """Read, answer and put into words.

    Raises:
        Refused: With the field it belongs to.
    """
    read = read_question(calculator, typed, page, workshop)
    computed = calculator.ask(read.question, workshop)
    return reply(calculator, typed, read, computed, page, workshop)


def calculator_named(catalogue: Catalogue, name: str) -> AnyCalculator:
    """A calculator by name.

    Raises:
        Refused: There is none.
    """
    found = catalogue.get(name)
    if found is None:
        raise Refused(f"There is no calculator called {name[:40]}.", field="calculator")
    return found
