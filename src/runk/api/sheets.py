"""The wall sheet as files to print or open elsewhere."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from fastapi import APIRouter, Request, Response
from starlette.concurrency import run_in_threadpool

from runk.api.files import as_file, known_only, page_in, paper_in
from runk.api.problems import PROBLEMS
from runk.core.cutting.sheet import SHEET, SheetAnswer
from runk.core.questions import read_question
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
        known_only(given, {*SHEET.fields, *_APART}, "A sheet")
        page = page_in(given)
        typed: dict[str, Any] = {k: v for k, v in given.items() if k not in _APART}
        workshop = here()
        read = read_question(SHEET, typed, page, workshop)
        answer: SheetAnswer = SHEET.ask(read.question, workshop)
        return answer

    @routes.get("/pdf", response_class=Response)
    async def pdf(request: Request) -> Response:
        from runk.formats.sheet_pdf import sheet_pdf

        paper = paper_in(request.query_params)
        answer = asked(request)
        body = await run_in_threadpool(sheet_pdf, answer, paper)
        return as_file(body, "application/pdf", f"wall-sheet-{paper}.pdf")

    @routes.get("/csv", response_class=Response)
    async def table(request: Request) -> Response:
        from runk.formats.sheet_csv import sheet_csv

        text = sheet_csv(asked(request))
        # The mark at the start tells a spreadsheet that this is UTF-8.
        return as_file(text.encode("utf-8-sig"), "text/csv; charset=utf-8", "wall-sheet.csv")

    return routes
