"""Lines over HTTP: the same as in the shell, asked back as a problem, and nothing lost by either."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from runk.cli import document_for
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from tests.ask.test_moments import GIVES, READS, REFUSES


@pytest.fixture
def client(asking: TestClient) -> TestClient:
    """These tests keep nothing: one client serves them all."""
    return asking


def reply(client: TestClient, line: str, unit: str = "mm") -> Any:
    return client.post("/api/ask", json={"line": line, "unit": unit})


@pytest.mark.parametrize(("line", "calculator", "figure", "value"), GIVES[::2])
def test_http_answers_as_the_shell_does(
    client: TestClient, line: str, calculator: str, figure: str, value: float
) -> None:
    response = reply(client, line)
    assert response.status_code == 200, response.text
    answered = response.json()["reply"]
    assert answered["calculator"] == calculator
    assert answered["answer"][figure]["value"] == pytest.approx(value, rel=2e-3)


@pytest.mark.parametrize(("line", "calculator", "field", "value"), READS)
def test_a_room_opens_filled_in_as_it_was_read(
    client: TestClient, workshop: Workshop, line: str, calculator: str, field: str, value: str
) -> None:
    """What the line was read as, put to the calculator's own route, is the same answer."""
    answered = reply(client, line).json()["reply"]
    typed = {k: v for k, v in answered["question"].items() if v}
    again = client.post(f"/api/calc/{calculator}", json=typed | {"unit": "mm"})
    assert again.status_code == 200, again.text
    assert again.json()["headline"] == answered["headline"]
    document = document_for(line, workshop, PageUnit.MM)
    assert document["question"][field] == value


@pytest.mark.parametrize(("line", "says"), REFUSES)
def test_asked_back_is_a_problem_that_says_what_is_missing(
    client: TestClient, line: str, says: str
) -> None:
    response = reply(client, line)
    assert response.status_code == 422
    assert response.headers["content-type"] == "application/problem+json"
    problem = response.json()
    assert says in f"{problem['detail']} {problem.get('field')}"
    assert "\ue000" not in problem["detail"]


@pytest.mark.parametrize("unit", ["mm", "inch"])
@pytest.mark.parametrize(
    "line",
    [
        "no",
        "not",
        "without",
        "instead of",
        "no no no",
        "drill and",
        "1 in",
        "1:20",
        "m.m.",
        "°'",
        "%",
    ],
)
def test_the_small_words_alone_are_no_fault(client: TestClient, line: str, unit: str) -> None:
    response = reply(client, line, unit)
    assert response.status_code in (200, 422), response.text


@pytest.mark.parametrize("page", ["mm", "inch"])
def test_a_slip_is_said_back_on_either_page(client: TestClient, page: str) -> None:
    answered = reply(client, "drlling 1/4 in silver steel", page).json()["reply"]
    assert "taking drlling for drilling" in answered["read_as"]


def test_what_wants_one_thing_more_says_what_was_understood(asking: TestClient) -> None:
    """A problem as RFC 9457 has it, with members of its own: what is there, and what is asked."""
    answer = asking.post("/api/ask", json={"line": "distance of centres, 64 and 8 teeth"})
    assert answer.status_code == 422
    told = answer.json()
    assert told["calculator"] == "gear"
    assert {told["understood"]["teeth"], told["understood"]["mate"]} == {"64", "8"}
    assert told["wants"]["field"] == "module"
    assert told["wants"]["asks"] in told["detail"]
    whole = told["understood"] | {"module": "0.5"}
    again = asking.post("/api/calc/gear", json=whole)
    assert again.status_code == 200, again.text
    assert again.json()["answer"]["centres_mm"]["value"] == 0.5 * 72 / 2


def test_a_metal_that_is_wanting_can_be_pressed(asking: TestClient) -> None:
    told = asking.post("/api/ask", json={"line": "drill 6 mm"}).json()
    keys = [choice["key"] for choice in told["wants"]["choices"]]
    assert told["wants"]["field"] == "metal"
    assert "mild-steel" in keys
    for key in keys:
        question = told["understood"] | {"metal": key}
        answer = asking.post("/api/calc/speed", json=question)
        assert answer.status_code == 200, answer.text


def test_the_second_step_is_told_apart_from_another_reading(asking: TestClient) -> None:
    told = asking.post("/api/ask", json={"line": "tap M5 brass then the clearance hole"}).json()
    assert [(one["line"], one["then"]) for one in told["others"]] == [("clearance hole M5", True)]
