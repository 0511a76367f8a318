"""What nobody is called by: read by what it speaks of, or its rooms offered to press."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from runk.ask.ask import ask
from runk.ask.asked_back import AskedBack, Nearby
from runk.ask.index import nearest, operations
from runk.cli import document_for
from runk.core.calculator import AnyCalculator
from runk.core.catalogue import CATALOGUE
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

# Each by a sum or a table of the tests': BA pitches are 0.9 to the power of the number.
ANSWERED = [
    ("does a 12 mm shaft go in 12.03", "mate", "clearance_low_mm", 0.03),
    ("how many tpi is 0BA", "thread", "pitch_mm", 1.0),
    ("outside diameter 6BA", "thread", "major_mm", 2.8),
    ("four jaw reads 0.3 total, which jaw", "true", "move_mm", 0.15),
    ("square is out 0.1 in 80", "square", "shim_mm", 0.1),
    ("25 m/min on 30 dia", "sums", "speed_rpm", 25_000 / (3.14159265 * 30)),
]
WANTS = [
    ("wiggler 10", "reach", "cutter"),
    ("counterweight for a 12 throw crank", "balance", "pin"),
    ("diamond of 4 holes", "circle", "long"),
    ("eccentric 6 mm travel sheave 25", "eccentric", "shaft"),
]
NEARBY = [
    # Nobody's; and one that asks for a metal, though the line speaks of something else.
    ("circle of wheel with 6 spokes and rim", "circle"),
    ("profile corner radius 5 with 10 cutter", "path"),
]


@pytest.mark.parametrize(("line", "calculator", "figure", "value"), ANSWERED)
def test_a_line_is_read_by_what_it_speaks_of(
    line: str, calculator: str, figure: str, value: float
) -> None:
    found = ask(line, WORKSHOP)
    assert found.calculator.name == calculator
    assert getattr(found.answer, figure).value == pytest.approx(value, rel=1e-3)


@pytest.mark.parametrize(("line", "calculator", "field"), WANTS)
def test_the_nearest_asks_for_what_it_wants(line: str, calculator: str, field: str) -> None:
    with pytest.raises(AskedBack) as wanting:
        ask(line, WORKSHOP)
    assert (wanting.value.calculator.name, wanting.value.field) == (calculator, field)


@pytest.mark.parametrize(
    "line",
    [
        # An operation is never read past, a word nobody knows never passed over alone.
        "turn 8 carbide counterbore brass",
        "zork 100 diameter copper how thick",
        "M6 hole in aluminium",
        "not a square out 0.1 in 80",
    ],
)
def test_what_would_lose_a_word_is_not_answered(line: str) -> None:
    with pytest.raises(Refused):
        ask(line, WORKSHOP)


@pytest.mark.parametrize("calculator", CATALOGUE.values(), ids=lambda c: c.name)
def test_a_room_is_near_its_own_title(calculator: AnyCalculator) -> None:
    if calculator.whole:
        return
    asked = " ".join((calculator.title, calculator.door.tab, *calculator.calls[:4]))
    assert calculator in [near.calculator for near in nearest(asked, CATALOGUE, 5)]


def test_a_line_of_nothing_is_near_no_room() -> None:
    assert nearest("of the and", CATALOGUE) == []
    assert nearest("12 x 14", CATALOGUE) == []
    assert {"turn", "bore", "drill", "mill"} <= operations(CATALOGUE)


@pytest.mark.parametrize(("line", "room"), NEARBY)
def test_the_nearest_rooms_are_offered(line: str, room: str, client: TestClient) -> None:
    with pytest.raises(Nearby) as nobodys:
        ask(line, WORKSHOP)
    assert room in [one.name for one in nobodys.value.near]
    said: dict[str, Any] = client.post("/api/ask", json={"line": line, "unit": "mm"}).json()
    assert room in [one["calculator"] for one in said["nearest"]]
    titles = [one["title"] for one in document_for(line, WORKSHOP, PageUnit.MM)["nearest"]]
    assert titles == [one["title"] for one in said["nearest"]]
