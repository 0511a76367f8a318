"""A mate kept and followed over HTTP: readings once each, undone, brought by its cut."""

from __future__ import annotations

from typing import Any

from fastapi.testclient import TestClient

QUESTION = {"there": "22.01; 22.00", "duty": "ringed", "shaft_metal": "grey-iron"}


def start(client: TestClient, **more: Any) -> dict[str, Any]:
    body = {"keep_key": "mate-key-1", "question": QUESTION} | more
    response = client.post("/api/mates", json=body)
    assert response.status_code == 201, response.text
    return dict(response.json())


def read(client: TestClient, mate: int, side: str, reading: str, key: str, **more: Any) -> Any:
    body = {"event_key": key, "side": side, "reading": reading} | more
    return client.post(f"/api/mates/{mate}/readings", json=body)


def test_readings_bring_it_to_its_mate_and_are_taken_once(client: TestClient) -> None:
    mate = start(client)
    assert mate["title"] == "A shaft to a 22.000 mm hole: a piston with rings in its bore"
    assert start(client)["id"] == mate["id"]
    first = read(client, mate["id"], "made", "22.40", "reading-1").json()
    assert first["answer"]["stands"] == "left"
    assert first["answer"]["left_mm"]["value"] == 22.4 - first["answer"]["aim_mm"]["value"]
    again = read(client, mate["id"], "made", "22.40", "reading-1").json()
    assert again["last_event"] == first["last_event"]
    fits = read(client, mate["id"], "made", "21.97", "reading-2").json()
    assert fits["answer"]["stands"] == "fits"
    undone = client.post(
        f"/api/mates/{mate['id']}/undo", json={"event_key": "undoing-1", "undoes": fits["undoes"]}
    ).json()
    assert undone["answer"]["stands"] == "left"
    assert client.get(f"/api/mates/{mate['id']}").json() == undone
    assert [line["id"] for line in client.get("/api/mates").json()] == [mate["id"]]


def test_another_place_of_what_is_there_moves_the_limits(client: TestClient) -> None:
    mate = start(client)
    before = mate["answer"]["high_mm"]["value"]
    after = read(client, mate["id"], "there", "bottom 21.99", "reading-1").json()
    assert after["answer"]["governs_at"] == "at the bottom"
    assert after["answer"]["high_mm"]["value"] < before


def test_a_slip_is_asked_about_and_a_late_reading_told(client: TestClient) -> None:
    mate = start(client)
    slip = read(client, mate["id"], "made", "0.866", "reading-1")
    assert slip.status_code == 422
    assert slip.json()["theirs"] == {"slip": True}
    assert "inches taken for millimetres" in slip.json()["detail"]
    assert read(client, mate["id"], "made", "0.866 in", "reading-1").status_code == 200
    late = read(client, mate["id"], "made", "21.97", "reading-2", after=0)
    assert late.status_code == 409
    for reading, says in (("", "reading"), ("abc", "abc"), ("0", "more than 0"), ("-3", "reading")):
        bad = read(client, mate["id"], "made", reading, "reading-3")
        assert (bad.status_code, bad.json()["field"]) == (422, "reading"), reading
        assert says in bad.json()["detail"] or bad.json()["detail"]
    kept = client.get(f"/api/mates/{mate['id']}").json()
    assert len([r for r in kept["answer"]["reads"] if r["part"] == "shaft"]) == 1


def test_the_cut_made_for_it_brings_its_readings_back(client: TestClient) -> None:
    mate = start(client)
    left = read(client, mate["id"], "made", "22.40", "reading-1").json()
    (plan,) = [link for link in left["links"] if link["calculator"] == "plan"]
    body = {"keep_key": "cut-key-01", "question": plan["question"], "mate_id": mate["id"]}
    cut = client.post("/api/cuts", json=body).json()
    assert cut["mate_id"] == mate["id"]
    path = f"/api/cuts/{cut['id']}"
    client.post(
        f"{path}/readings", json={"event_key": "of-cut-01", "reading": "21.98", "sure": True}
    )
    seen = client.get(f"/api/mates/{mate['id']}").json()
    assert (seen["cut"]["id"], seen["cut"]["counts"]) == (cut["id"], True)
    assert [r["size_mm"]["value"] for r in seen["answer"]["reads"] if r["part"] == "shaft"] == [
        21.98
    ]
    # What is read here afterwards counts, and undone it is the cut's again.
    own = read(client, mate["id"], "made", "21.972", "reading-2").json()
    assert own["cut"]["counts"] is False
    back = client.post(
        f"/api/mates/{mate['id']}/undo", json={"event_key": "undoing-1", "undoes": own["undoes"]}
    ).json()
    assert back["cut"]["counts"] is True
    client.delete(path)
    assert client.get(f"/api/mates/{mate['id']}").json()["cut"] is None


def test_what_is_gone_is_said_and_fetched_back(client: TestClient) -> None:
    mate = start(client)["id"]
    assert client.delete(f"/api/mates/{mate}").status_code == 204
    assert client.get(f"/api/mates/{mate}").json()["detail"] == "That mate is no longer kept."
    assert client.get("/api/mates").json() == []
    assert client.post(f"/api/mates/{mate}/back").json()["id"] == mate
    missing = {"keep_key": "cut-key-02", "question": {"now": "16", "wanted": "14"}, "mate_id": 999}
    assert client.post("/api/cuts", json=missing).status_code == 422
    refused = client.post("/api/mates", json={"keep_key": "mate-key-2", "question": {}})
    assert (refused.status_code, refused.json()["field"]) == (422, "there")
