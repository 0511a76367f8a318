"""A part looked at while it is typed: each line answered, the whole drawn, nothing kept."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

LINES = ["face at 0", "face at 14", "outside 12 h7, from 0 to 8, called nose", "reamed 5 H7"]


def look(client: TestClient, features: list[str], **more: Any) -> Any:
    body = {"metal": "brass", "blank": "bar 20", "features": features, **more}
    response = client.post("/api/parts/look", json=body)
    assert response.status_code == 200, response.text
    return response.json()


def test_every_line_is_answered_and_the_part_is_drawn(client: TestClient) -> None:
    found = look(client, LINES)
    assert [one["key"] for one in found["lines"]] == ["face 0", "face 14", "nose", "reamed 5"]
    assert found["lines"][2]["operations"] == "rough, finish"
    assert found["lines"][3]["operations"] == "centre, drill, ream"
    slices = found["drawn"]["section"]["slices"]
    nose = next(one for one in slices if one["start"] == 0)
    assert (nose["end"], nose["top"], nose["inner"]) == (8, 6, 2.5)
    assert not found["problem"]
    inch = look(client, ["outside 1/2, from 0 to 1"], blank="bar 3/4", unit="inch")
    assert inch["lines"][0]["says"] == 'Outside 0.5", from 0" to 1"'


@pytest.mark.parametrize(
    ("features", "more", "at", "says"),
    [
        ([*LINES, "groove of some kind"], {}, 4, "What is `some`?"),
        (["bore 22 at the back", *LINES], {}, 0, ""),
        ([*LINES, "outside 30, from 8 to 14"], {}, None, "does not come out of"),
        ([*LINES, "4 holes 3 on 14 circle"], {}, None, ""),
        (LINES, {"blank": "a lump"}, None, "How thick is the bar?"),
        (LINES, {"metal": "unobtainium"}, None, "unobtainium"),
    ],
)
def test_what_is_wrong_is_said_at_its_line_and_the_others_stay_answered(
    client: TestClient, features: list[str], more: dict[str, Any], at: int | None, says: str
) -> None:
    found = look(client, features, **more)
    # The others are drawn: one bad line hides nothing.
    assert (found["drawn"] is None) == (at is None)
    if at is None:
        assert says in found["problem"]
        assert found["field"]
        assert all(line["operations"] for line in found["lines"])
    else:
        assert says in found["lines"][at]["problem"]
        assert [n for n, line in enumerate(found["lines"]) if line["problem"]] == [at]


def test_a_look_keeps_nothing_and_an_empty_one_asks_nothing(client: TestClient) -> None:
    before = client.get("/api/engines").json()
    assert look(client, [])["lines"] == []
    assert client.get("/api/engines").json() == before
    many = ["face at 0", *(f"groove 15, 1 wide, at {2 * n + 1}" for n in range(199))]
    assert len(look(client, many)["lines"]) == 200
    too_many = {"blank": "bar 20", "features": [*many, "face at 500"]}
    assert client.post("/api/parts/look", json=too_many).status_code == 422


def test_a_block_is_drawn_face_by_face(client: TestClient) -> None:
    holes = ["4 holes 5, 100 by 40 apart, from the top, at 10 by 10", "plane, from the bottom"]
    (face,) = look(client, holes, blank="plate 120 by 60 by 8")["drawn"]["faces"]
    assert (face["side"], face["wide"], face["high"]) == ("top", 120, 60)
    assert [(ring["x"], ring["y"]) for ring in face["rings"]] == [
        (10, 10),
        (110, 10),
        (10, 50),
        (110, 50),
    ]


ANY = ["face at 0", "face at 31", "12 dia 9 long at the left end", "1 x 45 chamfer both ends"]


def test_lines_in_anybodys_words_know_of_each_other(client: TestClient) -> None:
    found = look(client, ANY, blank="20 dia brass bar", metal="")
    assert found["metal"] == "brass"
    assert [one["problem"] for one in found["lines"]] == ["", "", "", ""]
    assert found["lines"][2]["says"] == "Outside 12 mm, from 22 mm to 31 mm"
    # Two in one line: the first has its name, the other stands beside it.
    assert found["lines"][3]["also"] == ["Chamfer 1 mm at 31 mm"]
    assert found["drawn"] is not None


def test_they_are_kept_one_feature_each_with_the_metal_of_the_blank(client: TestClient) -> None:
    part = client.post("/api/engines/1/parts", json={"name": "Peg", "metal": ""}).json()["id"]
    version = client.get(f"/api/parts/{part}").json()["version"]
    body = {"version": version, "metal": "", "blank": "20 dia brass bar", "features": ANY}
    kept = client.put(f"/api/parts/{part}/drawn", json=body).json()
    assert kept["metal"] == "brass"
    assert [one["typed"] for one in kept["features"]] == [
        *ANY[:2],
        "Outside 12 mm, from 22 mm to 31 mm",
        "Chamfer 1 mm at 0 mm",
        "Chamfer 1 mm at 31 mm",
    ]
    other = {**body, "version": kept["version"], "blank": "20 dia mild steel bar", "metal": "brass"}
    refused = client.put(f"/api/parts/{part}/drawn", json=other)
    assert refused.status_code == 422
    assert "mild steel" in refused.json()["detail"]
    assert client.get(f"/api/parts/{part}").json()["version"] == kept["version"]
