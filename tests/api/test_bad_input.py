"""Bad input to the newer calculators over HTTP: a sentence, the field, and what to type instead."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from runk.core.catalogue import CATALOGUE
from tests.api.test_contract import ASKED

# calculator, what is changed in a good question, field, words
BAD: list[tuple[str, dict[str, Any], str, str]] = [
    ("hole", {"size": "6 m m"}, "size", "stray"),
    ("hole", {"size": "0"}, "size", "more than 0"),
    ("hole", {"size": "#97"}, "size", "no number drill 97"),
    ("hole", {"size": "500"}, "size", "at most"),
    ("hole", {"metal": "unobtainium"}, "metal", "no metal called"),
    ("hole", {"finish": "polished"}, "finish", "I do not know `"),
    ("hole", {"ends": "half"}, "ends", "I do not know `"),
    ("hole", {"deep": "12", "ends": "blind", "thick": "10"}, "deep", "through hole"),
    ("hole", {"finish": "drilled", "slope": "steep"}, "slope", "not a number"),
    ("hole", {"slope": "89"}, "slope", "at most"),
    ("hole", {"bearings": "2.5"}, "bearings", "not a whole number"),
    ("hole", {"machine": "Robot"}, "machine", "no machine called"),
    ("hole", {"counterbore": "5"}, "counterbore", "larger than its hole"),
    ("hole", {"counterbore": "10", "seat": "30"}, "seat", "as deep as the hole"),
    ("nearest-drill", {"size": ""}, "size", "What size is it?"),
    ("nearest-drill", {"size": "1 3/"}, "size", "unfinished"),
    ("nearest-drill", {"purpose": "fun"}, "purpose", "I do not know `"),
    ("depth", {"deep": "0"}, "deep", "more than 0"),
    ("depth", {"way": "pin"}, "pin", "What size is the gauge pin?"),
    ("depth", {"way": "edge"}, "finder", "What size is the finder's tip?"),
    ("depth", {"way": "block"}, "block", "What size is the block?"),
    (
        "depth",
        {"way": "edge", "finder": "40", "side": "beyond", "deep": "5", "start": ""},
        "deep",
        "less than nothing",
    ),
    ("angled-hole", {"angle": "-30"}, "angle", "less than nothing"),
    ("angled-hole", {"angle": "88"}, "angle", "never meets the other"),
    ("angled-hole", {"angle": "70"}, "angle", "never meets"),
    ("thread", {"thread": ""}, "thread", "Which thread?"),
    ("thread", {"thread": "M4.3"}, "thread", "No series here"),
    ("thread", {"thread": "1/4"}, "thread", "several 1/4 threads"),
    ("tap", {"thread": "M4x3"}, "thread", "almost nothing"),
    ("tap", {"deep": ""}, "deep", "How deep is the thread?"),
    ("tap", {"thick": "7"}, "deep", "goes through"),
    ("tap", {"thread": "40x3"}, "thread", "No drill in the trays"),
    ("tap", {"school": "night"}, "school", "I do not know `"),
    ("clearance", {"thread": "G3/4", "fit": "reamed"}, "fit", "No reamer in the trays"),
    ("die", {"long": "0.3"}, "long", "less than one turn"),
    ("stud", {"cover": ""}, "cover", "How thick"),
    ("stud", {"count": "0"}, "count", "at least 1"),
    ("cover", {"pressure": "-5 bar"}, "pressure", "no pressure"),
    ("cover", {"pressure": "300 bar"}, "pressure", "200 bar at most"),
    ("cover", {"rim": "15"}, "rim", "does not cover"),
    ("cover", {"pressure": "0"}, "pressure", "at least"),
    ("cover", {"count": "40"}, "count", "overlap"),
    ("cover", {"circle": "20"}, "circle", "cuts into"),
    ("cover", {"circle": "40", "rim": "41"}, "circle", "runs off"),
    ("tighten", {"share": "95"}, "share", "leaves nothing"),
    ("tighten", {"share": "nearly all"}, "share", "not a number"),
    ("which-thread", {"size": "55"}, "size", "No thread here measures"),
    ("which-thread", {"pitch": "", "over": "25.4"}, "turns", "How many threads"),
    ("plan", {"wanted": "17"}, "wanted", "only makes it smaller"),
    ("plan", {"step": "-1"}, "step", "less than nothing"),
    ("plan", {"allowance": "4"}, "allowance", "more than"),
]


@pytest.fixture
def client(asking: TestClient) -> TestClient:
    """These tests keep nothing: one client serves them all."""
    return asking


@pytest.mark.parametrize(("name", "change", "field", "says"), BAD)
def test_bad_input_is_refused_in_words(
    client: TestClient, name: str, change: dict[str, Any], field: str, says: str
) -> None:
    refused = client.post(f"/api/calc/{name}", json=ASKED[name] | change)
    assert refused.status_code == 422, refused.text
    problem = refused.json()
    assert problem["field"] == field
    assert says in problem["detail"]
    assert len(problem["detail"]) < 320
    assert "None" not in problem["detail"]


@pytest.mark.parametrize("name", sorted(ASKED))
def test_every_answer_can_be_kept_and_opened_again(client: TestClient, name: str) -> None:
    body = {"keep_key": f"kept-{name}-once", "calculator": name, "question": ASKED[name]}
    kept = client.post("/api/slate", json=body)
    assert kept.status_code == 201, kept.text
    item = kept.json()
    assert item["title"]
    assert "answer" not in item
    again = client.post(f"/api/calc/{name}", json=item["question"]).json()
    assert again["headline"] == item["headline"]
    assert again["read_as"] == item["title"]


@pytest.mark.parametrize("name", sorted(ASKED))
def test_every_link_can_be_followed(client: TestClient, name: str) -> None:
    """What a link carries is a question its calculator reads, even where it asks for more."""
    reply = client.post(f"/api/calc/{name}", json=ASKED[name]).json()
    for link in reply["links"]:
        there = CATALOGUE[link["calculator"]]
        assert set(link["question"]) <= set(there.fields)
        answer = client.post(f"/api/calc/{link['calculator']}", json=link["question"])
        if answer.status_code != 200:
            problem = answer.json()
            assert problem["field"] not in link["question"], problem


def test_a_field_named_by_a_raised_numeral_is_no_row(client: TestClient) -> None:
    """Found by the fuzz: a digit that is no plain numeral in the place of a field's name."""
    body = {"metal": {"figures": {"\u00b9": []}, "key": "x", "like": "", "name": ""}}
    refused = client.put("/api/metals/mine", json=body)
    assert refused.status_code == 422
    assert "type a number" in refused.json()["detail"]
