"""Errors as ``application/problem+json`` (RFC 9457), in words a person can act on."""

from __future__ import annotations

from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from pydantic import BaseModel
from pydantic_core import to_json
from sqlalchemy.exc import OperationalError
from starlette.exceptions import HTTPException
from starlette.responses import Response

from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.store.kept import Stale


class ChoiceWanted(BaseModel):
    """Something that may be pressed for what is wanting."""

    key: str
    label: str


class Wanted(BaseModel):
    """The one thing a line wants: its field, its question, and choices to press."""

    field: str
    label: str
    asks: str
    placeholder: str
    choices: list[ChoiceWanted]


class NearRoom(BaseModel):
    """A calculator that speaks of what a line says, and what it is called."""

    calculator: str
    title: str


class Problem(BaseModel):
    """What went wrong, which field it belongs to, and what to do instead.

    Where a line was understood but for one thing: whose question it is, what was understood, and
    what it wants. Where it was nobody's: the rooms that speak of most of it.
    """

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    field: str | None = None
    suggest: str | None = None
    theirs: Any = None
    calculator: str | None = None
    understood: dict[str, str] | None = None
    wants: Wanted | None = None
    nearest: list[NearRoom] | None = None


_PROBLEM = {"$ref": "#/components/schemas/Problem"}
# Written as a reference, not as a model: a model would be built anew for every route and status,
# some five hundred of them while somebody waits for the first page. ``openapi`` adds what it names.
PROBLEMS: dict[int | str, dict[str, Any]] = {
    code: {"description": words, "content": {"application/problem+json": {"schema": _PROBLEM}}}
    for code, words in (
        (400, "A body or address that cannot be read"),
        (401, "Not signed in"),
        (403, "A request from somewhere else"),
        (404, "Nothing there"),
        (409, "Saved elsewhere since it was opened"),
        (413, "Too much at once"),
        (422, "Refused, with the reason"),
        (429, "Too many tries"),
        (503, "The file is in use, or may not be written"),
        (507, "The disk is full"),
    )
}


def problem(
    status: int,
    title: str,
    detail: str,
    field: str | None = None,
    suggest: str | None = None,
    theirs: Any = None,
    **more: Any,
) -> Response:
    """A problem as a response."""
    body = {
        "type": "about:blank",
        "title": title,
        "status": status,
        "detail": detail,
        "field": field,
        "suggest": suggest,
        "theirs": theirs,
        **more,
    }
    return Response(to_json(body), status, media_type="application/problem+json")


def _validation(error: RequestValidationError) -> Response:
    first = error.errors()[0]
    where = [str(part) for part in first["loc"] if part not in ("body", "query", "path")]
    field = ".".join(where) or None
    spoken = ", ".join(
        f"row {int(part) + 1}" if part.isascii() and part.isdigit() else part
        for part in where
        if part != "machine"
    )
    kind = first["type"]
    if kind == "json_invalid":
        detail = "The body is not JSON that can be read."
    elif kind == "extra_forbidden":
        detail = f"There is no field called {field}."
    elif kind == "missing":
        detail = f"{field} is missing." if field else "The body is empty: send a JSON object."
    elif kind in ("float_parsing", "int_parsing", "float_type", "int_type"):
        detail = f"{spoken}: type a number."
    else:
        detail = f"{spoken or 'The body'}: {first['msg'].lower()}."
    return problem(422, "That cannot be read", detail, field)


def install(app: FastAPI) -> None:
    """Put the handlers on an application."""

    @app.exception_handler(Refused)
    async def _refused(request: Request, refused: Refused) -> Response:
        page = getattr(request.state, "page", PageUnit.MM)
        return problem(422, "Refused", refused.said(page), refused.field, refused.suggested(page))

    @app.exception_handler(Stale)
    async def _stale(_: Request, stale: Stale) -> Response:
        return problem(
            409,
            "Saved elsewhere",
            f"This {stale.what} was changed in another window since you "
            "opened it. Nothing was lost: look at it as it is now, then choose.",
            "version",
            theirs=stale.theirs,
        )

    @app.exception_handler(OperationalError)
    async def _store(_: Request, error: OperationalError) -> Response:
        said = str(error.orig)
        if "locked" in said or "busy" in said:
            says = "Another program holds the file just now. Nothing was changed; try again."
            return problem(503, "The file is in use", says)
        if "full" in said:
            says = "The disk is full. Nothing was changed: make room, then save it again."
            return problem(507, "The disk is full", says)
        if "readonly" in said or "read-only" in said or "unable to open" in said:
            says = "The file may not be written, or is gone. Nothing was changed."
            return problem(503, "The file cannot be written", says)
        raise error

    @app.exception_handler(RequestValidationError)
    async def _invalid(_: Request, error: RequestValidationError) -> Response:
        return _validation(error)

    @app.exception_handler(HTTPException)
    async def _http(_: Request, error: HTTPException) -> Response:
        says = {404: "There is nothing at that address.", 405: "That cannot be done there."}
        detail = says.get(error.status_code, str(error.detail))
        response = problem(error.status_code, str(error.detail), detail)
        response.headers.update(error.headers or {})
        return response
