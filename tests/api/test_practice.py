"""Practice over HTTP: nothing is kept, the same moves give the same piece."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient


def play(client: TestClient, **body: Any) -> Any:
    return client.post("/api/practice", json={"exercise": "bar", "seed": 7, **body})


def test_the_exercises_are_listed_with_what_they_teach(client: TestClient) -> None:
    found = client.get("/api/practice").json()
    assert [one["key"] for one in found] == ["stub", "bar", "bore", "thread", "groove"]
    assert all(one["name"] and one["lesson"] for one in found)


def test_the_same_moves_give_the_same_piece(client: TestClient) -> None:
    moves = [{"wind": 8}, {"wind": 2.5, "fine": True}, {"wind": None}]
    one, other = (play(client, moves=moves).json() for _ in range(2))
    assert one == other
    assert one["passes"] == 2
    assert [m["read_mm"] is not None for m in one["moves"]] == [True, True, True]
    assert play(client, moves=moves, seed=8).json()["moves"] != one["moves"]


def test_advice_is_given_only_where_it_is_wanted(client: TestClient) -> None:
    assert play(client).json()["advice"] == ""
    advised = play(client, advised=True).json()
    assert advised["advice"].startswith("Wind on")
    assert advised["advice_divisions"] > 0
    assert not advised["advice_fine"]


def test_a_cut_that_is_not_measured_shows_nothing(client: TestClient) -> None:
    made = play(client, moves=[{"wind": 5, "measure": False}]).json()
    assert made["moves"][0]["read_mm"] is None
    assert made["passes"] == 1


def test_the_score_names_the_true_size_only_at_the_end(client: TestClient) -> None:
    moves = [{"wind": 12}]
    assert play(client, moves=moves).json()["score"] is None
    score = play(client, moves=moves, finished=True).json()["score"]
    assert 8.97 < score["size_mm"] < 10
    assert score["advised_inside"]
    assert score["passes"] == 1


def test_a_run_is_played_back_and_the_move_that_took_too_much_named(client: TestClient) -> None:
    """A stub that hardly springs: 2 mm to take off, 0.0508 a division, so 40 take it all."""
    moves = [{"wind": 20}, {"wind": None}, {"wind": 5, "fine": True}, {"wind": 30}, {"wind": 1}]
    stub = {"exercise": "stub", "moves": moves, "finished": True}
    score = play(client, **stub).json()["score"]
    truth = score["truth"]
    assert len(truth) == len(moves) + 1
    assert truth[0] == 20
    # Measuring takes nothing off; each cut takes about what was wound on.
    assert truth[2] == truth[1] == pytest.approx(20 - 20 * 0.0508, abs=0.06)
    assert truth == sorted(truth, reverse=True)
    assert truth[-1] == score["size_mm"]
    assert score["wrong_at"] == 4
    assert score["wrong_says"].startswith("Wound on 30 divisions; the advice there was ")
    # One that is inside, or still has metal on, went wrong nowhere.
    good = play(client, **(stub | {"moves": moves[:3]})).json()["score"]
    assert (good["wrong_at"], good["wrong_says"]) == (0, "")


def test_the_dial_of_a_bore_counts_down_as_the_advice_has_it(client: TestClient) -> None:
    bore = play(client, exercise="bore", moves=[{"wind": 12}], advised=True).json()
    assert (bore["moves"][0]["stands"], bore["moves"][0]["dial"]) == (12, 88)
    then = 88 - bore["advice_divisions"]
    assert f"the dial at {then:g}" in bore["advice_detail"]
    bar = play(client, moves=[{"wind": 112}]).json()
    assert bar["moves"][0]["dial"] == 12


def test_winding_back_and_on_again_costs_the_slack(client: TestClient) -> None:
    there = play(client, moves=[{"wind": 10, "measure": False}, {"wind": None}]).json()
    back = play(
        client, moves=[{"wind": 10, "measure": False}, {"wind": -3, "measure": False}, {"wind": 3}]
    ).json()
    assert back["moves"][-1]["read_mm"] >= there["moves"][-1]["read_mm"] - 0.08


@pytest.mark.parametrize(
    ("body", "says"),
    [
        ({"exercise": "anvil"}, "no exercise called"),
        ({"seed": -1}, "seed"),
        ({"moves": [{"wind": 1e6}]}, "slide can travel"),
        ({"moves": [{"wind": 1}] * 61}, "moves"),
        ({"moves": [{"wind": "ten"}]}, "wind"),
    ],
)
def test_what_cannot_be_played_is_said(client: TestClient, body: dict[str, Any], says: str) -> None:
    refused = play(client, **body)
    assert refused.status_code == 422
    assert says in refused.json()["detail"]


def test_infinity_is_no_number_of_divisions(client: TestClient) -> None:
    body = '{"exercise": "bar", "seed": 1, "moves": [{"wind": Infinity}]}'
    refused = client.post(
        "/api/practice", content=body, headers={"content-type": "application/json"}
    )
    assert refused.status_code == 422


def test_stopping_is_played_over_http_and_keeps_nothing(client: TestClient) -> None:
    def stop(**body: Any) -> Any:
        return client.post("/api/practice/groove", json={"seed": 5, **body})

    fresh = stop().json()
    belt = next(one for one in fresh["belts"] if one["advised"])
    assert fresh["tries"] == []
    middle = fresh["run_in_mm"] + fresh["long_mm"] + (fresh["groove_mm"] + fresh["tool_mm"]) / 2
    tries = [{"rpm": belt["rpm"], "pressed_s": middle / belt["mm_per_s"] - 0.09}]
    assert [one["verdict"] for one in stop(tries=tries).json()["tries"]] == ["in the groove"]
    tries.append({"rpm": belt["rpm"], "pressed_s": None})
    assert stop(tries=tries).json()["tries"][1]["verdict"] == "into the shoulder"
    refused = stop(tries=[{"rpm": 999}])
    assert (refused.status_code, refused.json()["field"]) == (422, "rpm")
    assert stop(tries=[{"rpm": -1}]).status_code == 422
    assert stop(tries=tries * 21).status_code == 422
