"""The wall sheet as files to print or open elsewhere."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from fastapi import APIRouter, Request, Response

from runk.api.files import as_file, known_only, page_in, paper_in
from runk.api.problems import PROBLEMS
from runk.api.worked import filed
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

    def printed(request: Request) -> Response:
        from runk.formats.sheet_pdf import sheet_pdf

        paper = paper_in(request.query_params)
        body = sheet_pdf(asked(request), paper)
        return as_file(body, "application/pdf", f"wall-sheet-{paper}.pdf")

    def tabled(request: Request) -> Response:
        from runk.formats.sheet_csv import sheet_csv

        text = sheet_csv(asked(request))
        # The mark at the start tells a spreadsheet that this is UTF-8.
        return as_file(text.encode("utf-8-sig"), "text/csv; charset=utf-8", "wall-sheet.csv")

    @routes.get("/pdf", response_class=Response)
    async def pdf(request: Request) -> Response:
        return await filed(printed, request)

    @routes.get("/csv", response_class=Response)
    async def table(request: Request) -> Response:
        return await filed(tabled, request)

    return routes
