"""What is worked out for a feature stays on it: its cut, its answers, its mate."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.test_parts import GLAND, drawn, new_part

SIZE = {"job": "outside", "now": "12.6 mm", "wanted": "12 mm", "limits": "h7", "metal": "brass"}


def started(client: TestClient, part: int, key: str = "cut-for-a-nose") -> int:
    body = {"keep_key": key, "question": SIZE, "part_id": part, "feature": "nose"}
    return int(client.post("/api/cuts", json=body).json()["id"])


def read(client: TestClient, cut: int, key: str, reading: str) -> Any:
    body = {"event_key": key, "reading": reading, "sure": True}
    return client.post(f"/api/cuts/{cut}/readings", json=body).json()


def measured(client: TestClient, part: int) -> dict[str, str]:
    found: dict[str, str] = client.get(f"/api/parts/{part}").json()["measured"]
    return found


def test_a_reading_of_its_cut_is_a_reading_of_the_feature_and_undone_with_it(
    client: TestClient,
) -> None:
    part = new_part(client)
    drawn(client, part, GLAND)
    cut = started(client, part)
    read(client, cut, "reading-one", "12.3")
    assert measured(client, part) == {"nose": "12.3 mm"}
    after = read(client, cut, "reading-two", "11.99")
    assert measured(client, part) == {"nose": "11.99 mm"}
    whole = client.get(f"/api/parts/{part}").json()
    (kept,) = whole["kept"]
    assert (kept["kind"], kept["feature"], kept["state"]) == ("cut", "nose", "inside")
    for key in ("undo-one", "undo-two"):
        body = {"event_key": key, "undoes": after["undoes"]}
        after = client.post(f"/api/cuts/{cut}/undo", json=body).json()
    assert measured(client, part) == {}
    # Thrown away with its part gone, a cut is still followed: nobody is told.
    client.delete(f"/api/parts/{part}")
    assert read(client, cut, "reading-three", "12.2")["count"] >= 1


def test_an_answer_kept_for_a_feature_is_told_beside_it_and_opened_as_it_was(
    client: TestClient,
) -> None:
    part = new_part(client)
    made = drawn(client, part, [*GLAND, "tapped M3, across, at 11"]).json()
    found = client.post(f"/api/parts/{part}/propose", json={"version": made["version"]}).json()
    lines = [line for up in found["route"] for line in up["lines"]]
    tap = next(line for line in lines if line["room"] == "tap")
    body = {
        "keep_key": "kept-for-a-thread",
        "calculator": "tap",
        "question": tap["asked"],
        "part_id": part,
        "feature": tap["feature"],
    }
    assert client.post("/api/slate", json=body).status_code == 201
    (kept,) = client.get(f"/api/parts/{part}").json()["kept"]
    assert (kept["feature"], kept["calculator"]) == ("tapped M3", "tap")
    assert kept["question"] == tap["asked"]
    assert "#39" in kept["says"]


def test_a_mate_of_before_becomes_one_of_a_feature_and_loses_nothing(client: TestClient) -> None:
    part = new_part(client)
    drawn(client, part, GLAND)
    question = {"there": "5.012", "duty": "rod"}
    body = {"keep_key": "a-mate-of-before", "question": question, "part_id": part}
    mate = client.post("/api/mates", json=body).json()
    read_ = {"event_key": "mate-reading", "side": "made", "reading": "5.3", "sure": True}
    before = client.post(f"/api/mates/{mate['id']}/readings", json=read_).json()
    (kept,) = client.get(f"/api/parts/{part}").json()["kept"]
    assert (kept["kind"], kept["feature"]) == ("mate", "")
    body = {"part_id": part, "feature": "rod hole"}
    after = client.put(f"/api/mates/{mate['id']}/of", json=body).json()
    assert after == before | {"feature": "rod hole"}
    assert client.get(f"/api/parts/{part}").json()["kept"][0]["feature"] == "rod hole"
    assert client.put(f"/api/mates/{mate['id']}/of", json={"part_id": 9999}).status_code == 422


@pytest.mark.parametrize("name", ["slate", "cuts", "mates"])
def test_a_feature_of_a_part_that_is_gone_is_refused(client: TestClient, name: str) -> None:
    part = new_part(client)
    client.delete(f"/api/parts/{part}")
    body = {
        "keep_key": "for-no-part-at-all",
        "calculator": "plan" if name != "mates" else "mate",
        "question": SIZE if name != "mates" else {"there": "5.01"},
        "part_id": part,
        "feature": "nose",
    }
    response = client.post(f"/api/{name}", json=body)
    assert response.status_code == 422
    assert response.json()["field"] == "part_id"
