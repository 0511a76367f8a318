"""A part looked at while it is typed: each line answered, and the whole drawn as it will be."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import asdict
from typing import Any

from fastapi import APIRouter, Request, Response

from runk.api.calculators import Here, written
from runk.api.part_shapes import LookIn, LookOut, ToldIn, ToldOut
from runk.api.problems import PROBLEMS
from runk.core.refusals import Refused
from runk.core.route.drawn.offers import offers
from runk.core.route.drawn.together import Heard, heard_together, length_of
from runk.core.route.drawn.whole import Whole, whole_part
from runk.core.route.feature import BLANK, FEATURE, BlankQuestion
from runk.core.route.feature_question import FeatureQuestion
from runk.core.route.played import stage_of
from runk.core.route.reading import (
    blank_heard,
    featured,
    features_said,
    made_of,
    metal_key,
    metal_said,
)
from runk.core.route.route import Job
from runk.core.route.verbs import verbs_of
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.formats.part_json import said


def router(here: Here) -> APIRouter:
    """The route that looks and keeps nothing.

    Args:
        here: Gives today's workshop.
    """
    routes = APIRouter(prefix="/api/parts", responses=PROBLEMS)

    @routes.post("/look", response_model=LookOut)
    def look(request: Request, body: LookIn) -> Response:
        request.state.page = body.unit
        return written(looked_at(body, here()))

    @routes.post("/told", response_model=ToldOut)
    def told(request: Request, body: ToldIn) -> Response:
        request.state.page = body.unit
        return written(told_out(whole_part(body.text, body.unit, here().metals), body.unit))

    return routes


def told_out(whole: Whole, page: PageUnit) -> dict[str, Any]:
    """A part told in one go, as plain data."""
    stock = whole.stock
    fine = {"problem": "", "suggest": ""}
    return {
        "name": whole.name,
        "alike": whole.alike,
        "metal": whole.metal,
        "blank": whole.blank,
        "says": "" if isinstance(stock, Refused) else said(BLANK, stock.asked, page),
        **(_refusal(stock, page) if isinstance(stock, Refused) else fine),
        "lines": [
            {"line": line, "says": "", **_refusal(heard, page)}
            if isinstance(heard, Refused)
            else {"line": line, "says": _together(heard, page), **fine}
            for line, heard in zip(whole.lines, whole.heard, strict=True)
        ],
    }


def _together(heard: tuple[FeatureQuestion, ...], page: PageUnit) -> str:
    return " · ".join(said(FEATURE, one, page) for one in heard)


def looked_at(body: LookIn, workshop: Workshop) -> dict[str, Any]:
    """A part as typed: what can be read of it, and what cannot and why."""
    page = body.unit
    heard, wrong = _try(blank_heard, body.blank, page)
    blank = None if heard is None else heard.asked
    read = heard_together(body.features, blank, page, features_said)
    features = featured(f for one in read if not isinstance(one, Refused) for f in one)
    named = iter(features)
    # Each line's features by their names on the drawing, in its order.
    keys = [[] if isinstance(one, Refused) else [next(named).key for _ in one] for one in read]
    lines = [_line(one, its, page) for one, its in zip(read, keys, strict=True)]
    plain = {
        "blank": "" if blank is None else said(BLANK, blank, page),
        "metal": "" if heard is None else heard.metal,
        "lines": lines,
        "drawn": None,
        "field": "blank" if wrong["problem"] else "",
        "offers": [] if body.at is None else _offers(body.at, body.features, read, blank, page),
        **wrong,
    }
    if heard is None or blank is None or not features:
        return plain
    try:
        metal = metal_key(metal_said(body.metal, heard, workshop.metals), workshop.metals)
        part = made_of(body.name, metal, blank, features)
    except Refused as refused:
        return plain | {"field": refused.field or "", **_refusal(refused, page)}
    job = Job(part, workshop)
    every = frozenset(job.by_key)
    lit = {
        key for line, its in zip(body.features, keys, strict=True) if line == body.at for key in its
    }
    now = frozenset(one.key for one in job.operations if one.feature in lit)
    return plain | {"drawn": stage_of(job, every, now=now)}


def _offers(
    at: str, lines: list[str], read: list[Heard], blank: BlankQuestion | None, page: PageUnit
) -> list[dict[str, Any]]:
    """What may come next in one of the lines, the others being as they are."""
    beside = [
        feature
        for line, one in zip(lines, read, strict=True)
        if line != at and not isinstance(one, Refused)
        for feature in one
    ]
    return [asdict(one) for one in offers(at, page, beside, length_of(beside, blank))]


def _try(
    read: Callable[[str, PageUnit], Any], line: str, page: PageUnit
) -> tuple[Any, dict[str, str]]:
    try:
        return read(line, page), {"problem": "", "suggest": ""}
    except Refused as refused:
        return None, _refusal(refused, page)


def _refusal(refused: Refused, page: PageUnit) -> dict[str, str]:
    return {"problem": refused.said(page), "suggest": refused.suggested(page) or ""}


def _line(heard: Heard, keys: list[str], page: PageUnit) -> dict[str, Any]:
    """A line answered: what it is, or what is wrong with it."""
    if isinstance(heard, Refused):
        return {"key": "", "says": "", "also": [], "operations": "", **_refusal(heard, page)}
    says = [said(FEATURE, one, page) for one in heard]
    operations = "; ".join(", ".join(verbs_of(one)) for one in heard)
    return {
        "key": keys[0],
        "says": " · ".join(says),
        "also": says[1:],
        "operations": operations,
        "problem": "",
        "suggest": "",
    }
