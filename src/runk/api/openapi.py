"""The whole description of the API, with every calculator's own question and reply."""

from __future__ import annotations

from typing import Any

from fastapi import FastAPI
from fastapi.openapi.utils import get_openapi
from pydantic import TypeAdapter
from pydantic.json_schema import GenerateJsonSchema

from runk.api.calculators import AskIn
from runk.api.problems import Problem
from runk.api.wire import question_model, reply_model
from runk.core.calculator import AnyCalculator, Catalogue

_REF = "#/components/schemas/{model}"


class _Untitled(GenerateJsonSchema):
    """A title that only repeats the field's name is left out."""

    def field_title_should_be_set(self, schema: Any) -> bool:
        return False


def _models(calculator: AnyCalculator) -> list[tuple[tuple[str, str], Any]]:
    name = calculator.name
    found: list[tuple[tuple[str, str], Any]] = [
        ((name, "question"), question_model(calculator)),
        ((name, "reply"), reply_model(calculator)),
    ]
    found += [((name, path), sweep.shape) for path, sweep in calculator.sweeps().items()]
    return found


def _route(calculator: AnyCalculator, asks: Any, gives: Any, problems: Any, name: str) -> Any:
    return {
        "post": {
            "operationId": name,
            "summary": calculator.title,
            "requestBody": {"required": True, "content": {"application/json": {"schema": asks}}},
            "responses": {
                "200": {
                    "description": "The answer",
                    "content": {"application/json": {"schema": gives}},
                },
                **problems,
            },
        }
    }


def whole_description(app: FastAPI, catalogue: Catalogue) -> dict[str, Any]:
    """Routes of the house and of every calculator, with all their models."""
    base = get_openapi(title=app.title, version=app.version, routes=app.routes)
    models: list[tuple[tuple[str, str], Any]] = [(("", "line"), AskIn)]
    models += [m for calculator in catalogue.values() for m in _models(calculator)]
    schemas, definitions = TypeAdapter.json_schemas(
        [(key, "serialization", TypeAdapter(model)) for key, model in models],
        ref_template=_REF,
        schema_generator=_Untitled,
    )
    problems = base["paths"]["/api/calculators"]["get"]["responses"]
    problems = {code: says for code, says in problems.items() if code != "200"}
    known = base["components"]["schemas"]
    shape = Problem.model_json_schema(ref_template="#/components/schemas/{model}")
    known.update(shape.pop("$defs", {}))
    known["Problem"] = shape
    for name, model in definitions.get("$defs", {}).items():
        known.setdefault(name, model)
    by_key = {key: schema for (key, _), schema in schemas.items()}
    for calculator in catalogue.values():
        for (owner, part), schema in by_key.items():
            if owner != calculator.name or part == "question":
                continue
            path = f"/api/calc/{owner}" + ("" if part == "reply" else f"/{part}")
            asks = by_key[(owner, "question")]
            base["paths"][path] = _route(calculator, asks, schema, problems, path)
    return base


def install(app: FastAPI, catalogue: Catalogue) -> None:
    """Let an application describe itself whole, worked out when first asked for."""

    def described() -> dict[str, Any]:
        if app.openapi_schema is None:
            app.openapi_schema = whole_description(app, catalogue)
        return app.openapi_schema

    app.openapi = described  # type: ignore[method-assign]
