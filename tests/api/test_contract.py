"""Every calculator's route keeps its own model, for every operation and metal."""

from __future__ import annotations

import re
import threading
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from pydantic import BaseModel

from runk.api.app import create_app
from runk.api.schema import schema
from runk.api.wire import question_model, reply_model
from runk.cli import document_for
from runk.core.catalogue import CATALOGUE
from runk.core.cutting.operations import FACTS, Family, Operation
from runk.core.kinds import Count, Length, Number
from runk.core.metals import shipped_metals
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.store.database import Store

BASE = {"diameter": "8", "pitch": "1", "depth": "0.5", "width": "2"}
OFFCUT = {"size": "20", "length": "50", "weight": "123"}
ASKED: dict[str, dict[str, str]] = {
    "length": {"text": "1 3/16"},
    "machine": {"speeds": "290 500, back gear 48 83"},
    "identify": OFFCUT,
    "fit": {"size": "22", "hole": "H7", "shaft": "g6"},
    "mate": {"there": "22.01, 22.02; 22.00", "duty": "ringed", "made": "22.4"},
    "warm": {"size": "22", "hole_hot": "120 C", "shaft_metal": "aluminium-6082", "duty": "crown"},
    "press": {"size": "11", "hub": "24", "length": "8", "tight": "0.01"},
    "shrink": {"size": "20", "hub": "40", "tight": "0.03"},
    "bond": {"size": "11", "length": "8", "gap": "0.05", "pin": "3", "turned": "30"},
    "ring": {"bore": "22", "width": "2", "hot": "150 C"},
    "throw": {"throw": "6", "bar": "25", "pin": "8", "main": "10"},
    "circle": {
        "count": "6",
        "circle": "31",
        "hole": "4",
        "bore": "22",
        "ports": "port 45 x 6",
        "rows": "2",
        "turn": "90",
        "pitch": "12",
        "long": "40",
        "spots": "10, 5; 20, 5",
    },
    "divide": {"count": "22", "dia": "60"},
    "gear": {"teeth": "22", "module": "0.7", "mate": "44", "thick": "4", "room": "20"},
    "place": {
        "radius": "40",
        "angle": "12",
        "x": "30",
        "y": "40",
        "two": "10, 5; 40, 45",
        "circle": "31",
        "chord": "15.5",
        "wide": "50",
        "finder": "10",
        "left": "0.12",
        "right": "0.04",
        "near": "0.02",
        "far": "0.02",
    },
    "taper": {"large": "16", "small": "12", "long": "40"},
    "sine": {"bar": "100", "angle": "12"},
    "grip": {"way": "three-jaw", "dia": "25", "at": "30", "force": "300"},
    "surplus": {"these": "1.8; 2.2", "those": "0.2; 1.1", "least": "0.5"},
    "harden": {"metal": "silver-steel", "thick": "6"},
    "square": {"error": "0.08", "over": "60", "base": "30"},
    "stock": {
        "bar": "20",
        "shape": "square",
        "side": "12",
        "parts": "3 x 45; 60",
        "bars": "150; 150",
    },
    "part-off": {"length": "12", "blade": "2"},
    "slit": {"total": "30", "kerf": "1"},
    "sums": {
        "way": "surface",
        "at": "18 mm",
        "other": "12 mm",
        "percent": "18",
        "metal": "brass",
        "pressure": "4 bar",
        "metres": "25",
        "dia": "19",
        "rpm": "450",
        "flutes": "4",
        "each": "0.03",
        "long": "80",
        "turn": "0.08",
        "far": "47.5",
        "screw": "3 mm",
        "off": "0.3",
        "driver": "20",
        "driven": "60",
    },
    "reach": {
        "line": "9",
        "cutter": "10",
        "drill": "8",
        "room": "220",
        "parts": "vice 70; work 50",
        "long": "80",
        "work": "80",
        "jaw": "40",
        "sticks": "5",
        "wall": "9",
        "flats": "5.5",
    },
    "path": {
        "long": "40",
        "wide": "20",
        "dia": "16",
        "end": "10",
        "across": "12",
        "turn": "60",
        "corners": "0, 0; 40, 0; 40, 20",
        "cutter": "6",
    },
    "keyway": {"width": "3", "shaft": "12"},
    "flats": {"bar": "10", "across": "7"},
    "true": {"total": "0.3"},
    "pairs": {
        "holes": "22.00; 22.01, 22.02",
        "shafts": "21.97; 21.9",
        "duty": "ringed",
        "hole": "22",
        "shaft": "21.9",
    },
    "passage": {"start": "0, 0", "end": "9, 16", "drill": "1", "other": "3, 8", "other_dia": "1"},
    "balance": {
        "throw": "12",
        "pin": "6",
        "long": "10",
        "web": "12",
        "thick": "5",
        "reach": "22",
        "big_end": "6",
        "reciprocating": "20",
    },
    "dog": {"outside": "20", "bore": "8", "dogs": "3", "throw": "12", "torque": "2"},
    "eccentric": {"travel": "5", "shaft": "8", "play": "0.2"},
    "piston": {"bore": "22", "rod": "4"},
    "crank": {"stroke": "24", "main": "8", "pin": "7", "bore": "22", "pressure": "5 bar"},
    "seal": {"bore": "22", "section": "1.78", "rod": "4"},
    "wires": {"thread": "M10", "wire": "0.866", "over": "10.2"},
    "wheels": {"pitch": "0.81 mm", "long": "12"},
    "screwcut": {"thread": "M10", "metal": "brass", "relief": "4", "feed": "slide"},
    "endfloat": {
        "room": "25 +0.05 -0",
        "stack": "2 x bearing 8 +0 -0.02; boss 8.8",
        "shims": "0.05, 0.1",
    },
    "shaft-budget": {
        "room": "60 +0.1 -0",
        "along": "bearing 8; wheel 12 +0 -0.1",
        "on": "wheel",
        "line": "15",
    },
    "faults": {"sign": "whine", "diameter": "22", "metal": "brass", "rpm": "1480"},
    "sheet": {"metals": "brass, silver steel", "sizes": "10; 20"},
    "hole": {"size": "6", "metal": "gunmetal", "finish": "machine-reamed", "deep": "20"},
    "nearest-drill": {"size": "4.37"},
    "depth": {"deep": "12", "start": "3"},
    "angled-hole": {"drill": "3", "angle": "30", "across": "12", "room": "20"},
    "thread": {"thread": "2BA"},
    "which-thread": {"size": "4.65", "pitch": "0.81"},
    "tap": {"thread": "M4", "metal": "stainless-303", "deep": "7", "ends": "blind"},
    "clearance": {"thread": "M3"},
    "die": {"thread": "M3", "metal": "stainless-303", "long": "16"},
    "stud": {"thread": "M4", "cover": "5", "count": "6"},
    "cover": {"thread": "M3", "pressure": "80 psi", "seal": "22"},
    "tighten": {"thread": "M4", "grip": "10"},
    "plan": {"now": "16", "wanted": "14.5", "width": "2", "deep": "1"},
    "pair": {"metal": "brass", "other": "grey-iron"},
    "why": {"asked": "bore or ream"},
    "speed": BASE | {"metal": "brass"},
}

PLAIN = {
    "clamps",
    "force",
    "rows",
    "turn",
    "teeth",
    "module",
    "mate",
    "big_end",
    "reciprocating",
    "share",
    "dogs",
    "torque",
    "speeds",
    "weight",
    "text",
    "rpm",
    "metres",
    "flutes",
    "driver",
    "driven",
    "sizes",
    "angle",
    "thread",
    "count",
    "pressure",
}
"""Fields whose number is no length."""


@pytest.fixture
def client(asking: TestClient) -> TestClient:
    """These tests keep nothing: one client serves them all."""
    return asking


def reply_of(client: TestClient, name: str, question: dict[str, Any]) -> Any:
    """A reply, checked whole against the model its route promises."""
    response = client.post(f"/api/calc/{name}", json=question)
    assert response.status_code == 200, response.text
    model: type[BaseModel] = reply_model(CATALOGUE[name])
    return model.model_validate_json(response.content)


# Working is metric by its formulas; a drill goes by the mark on its shank.
_NO_SENTENCES = {"working", "source", "read_as", "question", "headline", "reason", "name"}
_NO_SENTENCES |= {"drill_name", "fine_drill", "medium_drill", "coarse_drill"}


def texts(value: Any) -> Iterator[str]:
    """Every sentence of a reply: working apart, whose sums are always metric."""
    if isinstance(value, str):
        yield value
    elif isinstance(value, dict):
        for key, part in value.items():
            if key not in _NO_SENTENCES:
                yield from texts(part)
    elif isinstance(value, list):
        for part in value:
            yield from texts(part)


def test_every_calculator_is_asked_here() -> None:
    assert set(ASKED) == set(CATALOGUE)


@pytest.mark.parametrize("name", ASKED)
@pytest.mark.parametrize("unit", ["mm", "inch"])
def test_replies_keep_their_model(client: TestClient, name: str, unit: str) -> None:
    typed = {
        k: f"{v} mm" if v[0].isdigit() and v[-1].isdigit() and k not in PLAIN else v
        for k, v in ASKED[name].items()
    }
    reply = reply_of(client, name, typed | {"unit": unit})
    assert reply.calculator == name
    # A length in a sentence has been put into words, in the page's unit alone.
    says = " ".join(texts(reply.model_dump(exclude={"question", "readings", "words"})))
    assert "\ue000" not in says
    if unit == "inch" and name not in ("length", "machine"):
        assert not re.search(r"\d mm(?![/²⁴\w])", says), says
    assert reply.question == typed
    assert reply.headline
    assert reply.read_as


@pytest.mark.parametrize("operation", list(Operation))
@pytest.mark.parametrize("metal", ["brass", "stainless-304", "grey-iron"])
def test_speed_keeps_its_model(client: TestClient, operation: Operation, metal: str) -> None:
    reply = reply_of(client, "speed", BASE | {"operation": operation, "metal": metal})
    figures = [v for v in dict(reply.answer).values() if hasattr(v, "working")]
    assert len(figures) >= (6 if FACTS[operation].family is Family.FILED else 8)
    for figure in figures:
        assert figure.shown
        assert figure.working
        assert all(step.words and step.source.title for step in figure.working)


@pytest.mark.parametrize("metal", [k for k in shipped_metals() if not k.endswith("-skin")])
@pytest.mark.parametrize("surface", ["sound", "skin"])
def test_first_and_then_keep_their_model(client: TestClient, metal: str, surface: str) -> None:
    reply = reply_of(client, "speed", BASE | {"metal": metal, "surface": surface})
    cast = shipped_metals()[metal].cast
    assert (reply.answer.then is not None) == (cast and surface == "skin")
    if reply.answer.then is not None:
        assert reply.answer.then.then is None
        assert reply.answer.then.target_rpm.value > reply.answer.target_rpm.value


@pytest.mark.parametrize("name", CATALOGUE)
def test_the_body_has_every_field_and_no_other(name: str) -> None:
    calculator = CATALOGUE[name]
    assert set(question_model(calculator).model_fields) == {*calculator.fields, "unit"}


def _bounded() -> list[tuple[str, str, str, float]]:
    return [
        (name, field_name, end, bound)
        for name, calculator in CATALOGUE.items()
        for field_name, field in calculator.fields.items()
        if isinstance(field, (Length, Count, Number)) and not field.several
        for end, bound in (("low", field.low), ("high", field.high))
        if bound is not None
    ]


@pytest.mark.parametrize(("name", "field", "end", "bound"), _bounded())
def test_every_bound_is_kept_and_said(
    client: TestClient, name: str, field: str, end: str, bound: float
) -> None:
    calculator = CATALOGUE[name]
    only = calculator.fields[field].only
    # Farther out on the bound's own side, which of a bound under nought is away from it.
    beyond = bound * (0.5 if (end == "low") == (bound > 0) else 2) or (-1 if end == "low" else 1)
    whole = isinstance(calculator.fields[field], Count)
    asked = ASKED[name] | {field: f"{int(beyond)}" if whole else f"{beyond:.6f}".rstrip("0")}
    if only and calculator.ruling:
        asked[calculator.ruling] = only[0]
    response = client.post(f"/api/calc/{name}", json=asked)
    assert response.status_code == 422
    assert response.json()["field"] == field
    said = response.json()["detail"]
    assert ("at least" if end == "low" else "at most") in said


def test_http_and_the_command_line_say_the_same(client: TestClient, workshop: Workshop) -> None:
    line = "bore 5/8 cast iron carbide"
    document = document_for(line, workshop, PageUnit.MM)
    reply = client.post("/api/ask", json={"line": line}).json()["reply"]
    assert document["read_as"] == reply["read_as"]
    for key, value in document["answer"].items():
        told = reply["answer"][key]
        if isinstance(told, dict) and "value" in told:
            assert told["value"] == value, key
    assert len(document["cautions"]) == len(reply["cautions"])


def test_many_writers_lose_nothing(filled: Store) -> None:
    """Eight threads keep twenty answers each; all are there, none twice."""
    app = create_app(filled)
    failures: list[str] = []

    def write(thread: int) -> None:
        with TestClient(app) as one:
            for number in range(10):
                body = {
                    "keep_key": f"writer-{thread}-{number:03d}",
                    "calculator": "speed",
                    "question": BASE | {"metal": "brass"},
                }
                for _ in range(2):
                    response = one.post("/api/slate", json=body)
                    if response.status_code != 201:
                        failures.append(response.text)

    threads = [threading.Thread(target=write, args=(n,)) for n in range(8)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert failures == []
    with TestClient(app) as one:
        slate = one.get("/api/slate?limit=500").json()
    assert len(slate) == 3 + 8 * 10


def test_the_description_the_types_are_made_from_is_todays() -> None:
    """`make types` writes it; a stale one means the front end's types are stale."""
    kept = Path(__file__).parents[2] / "web" / "openapi.json"
    assert kept.read_text(encoding="utf-8") == schema() + "\n"
