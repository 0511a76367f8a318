"""The wall sheet as files to print or open elsewhere."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from fastapi import APIRouter, Request, Response
from starlette.concurrency import run_in_threadpool

from runk.api.files import as_file
from runk.api.problems import PROBLEMS
from runk.core.cutting.sheet import SHEET, SheetAnswer
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_APART = ("unit", "paper")


def router(here: Callable[[], Workshop]) -> APIRouter:
    """Routes of the wall sheet's files; a question's fields stand in the address.

    Args:
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api/sheet", responses=PROBLEMS)

    def asked(request: Request) -> SheetAnswer:
        given = dict(request.query_params)
        unknown = set(given) - {*SHEET.fields, *_APART}
        if unknown:
            name = sorted(unknown)[0][:40]
            raise Refused(f"A sheet has no field called {name}.", field=name)
        page = given.get("unit", "mm")
        if page not in tuple(PageUnit):
            raise Refused("A bare number is in mm or inch.", field="unit", suggest="mm")
        typed: dict[str, Any] = {k: v for k, v in given.items() if k not in _APART}
        workshop = here()
        read = read_question(SHEET, typed, PageUnit(page), workshop)
        answer: SheetAnswer = SHEET.ask(read.question, workshop)
        return answer

    @routes.get("/pdf", response_class=Response)
    async def pdf(request: Request) -> Response:
        from runk.formats.sheet_pdf import Paper, sheet_pdf

        paper = request.query_params.get("paper", "a4")
        if paper not in tuple(Paper):
            raise Refused("It prints on A4 or letter.", field="paper", suggest="a4")
        answer = asked(request)
        body = await run_in_threadpool(sheet_pdf, answer, Paper(paper))
        return as_file(body, "application/pdf", f"wall-sheet-{paper}.pdf")

    @routes.get("/csv", response_class=Response)
    async def table(request: Request) -> Response:
        from runk.formats.sheet_csv import sheet_csv

        text = sheet_csv(asked(request))
        # The mark at the start tells a spreadsheet that this is UTF-8.
        return as_file(text.encode("utf-8-sig"), "text/csv; charset=utf-8", "wall-sheet.csv")

    return routes
