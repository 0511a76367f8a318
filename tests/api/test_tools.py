"""Trays over HTTP: sets, marks, a table in and out, a file sent while others are answered."""

from __future__ import annotations

import csv
import io
from typing import Any

import pytest
from fastapi.testclient import TestClient

from runk.core.tools.details import divider_of
from runk.formats.tools_csv import read_tools_csv, tools_csv


def trays(client: TestClient) -> dict[str, Any]:
    return dict(client.get("/api/tools").json())


def test_an_empty_shop_shows_the_invented_trays_until_it_has_its_own(
    empty_client: TestClient,
) -> None:
    assert trays(empty_client)["stand_in"]
    assert empty_client.post("/api/tools/sets/fractional").json() == {"tools": 32}
    own = trays(empty_client)
    assert not own["stand_in"]
    assert len(own["tools"]) == 32
    asked = empty_client.post("/api/calc/nearest-drill", json={"size": "4.37"}).json()
    assert {t["series"] for t in asked["answer"]["below"]} == {"fractional"}
    assert empty_client.post("/api/tools/sets/gold").status_code == 422


def test_a_drill_marked_missing_is_never_told_again(client: TestClient) -> None:
    reply = client.post("/api/calc/hole", json={"size": "4.1", "metal": "brass"}).json()
    name = reply["answer"]["drills"][-1]["name"]
    tool = next(t for t in trays(client)["tools"] if t["name"] == name)
    marked = client.patch(
        f"/api/tools/{tool['id']}", json={"version": tool["version"], "state": "missing"}
    ).json()
    again = client.post("/api/calc/hole", json={"size": "4.1", "metal": "brass"}).json()
    assert again["answer"]["drills"][-1]["name"] != name
    stale = client.patch(
        f"/api/tools/{tool['id']}", json={"version": tool["version"], "state": "bent"}
    )
    assert stale.status_code == 409
    assert stale.json()["theirs"]["version"] == marked["version"]


def test_a_tool_is_added_with_sizes_as_they_are_spoken(client: TestClient) -> None:
    body = {"kind": "reamer", "series": "machine", "size": '7/16"', "lead": "1.5"}
    made = client.post("/api/tools", json=body).json()
    assert (made["size_mm"], made["lead_mm"]) == (11.1125, 1.5)
    assert client.post("/api/tools", json=body).json()["field"] == "name"
    wrong = client.post("/api/tools", json=body | {"size": "7/"})
    assert (wrong.status_code, wrong.json()["field"]) == (422, "size")
    wrong = client.post("/api/tools", json=body | {"size": "7", "lead": "long"})
    assert wrong.json()["field"] == "lead"
    assert client.delete(f"/api/tools/{made['id']}").status_code == 204
    assert client.post(f"/api/tools/{made['id']}/back").json() == made | {"version": 3}


def test_a_table_goes_out_and_in(client: TestClient) -> None:
    text = client.get("/api/tools/csv").content.decode("utf-8-sig")
    tools = read_tools_csv(text)
    before = trays(client)["tools"]
    assert len(tools) == len(before)
    out = io.StringIO()
    csv.writer(out, delimiter=";").writerows(csv.reader(io.StringIO(text)))
    sent = client.post("/api/tools/csv", content=out.getvalue())
    assert sent.json() == {"tools": len(tools)}
    after = trays(client)["tools"]
    assert [t | {"version": 0} for t in after] == [t | {"version": 0} for t in before]


HEAD = {"kind": "dividing head", "name": "head", "size": "60", "detail": "40:1; 15 to 20; 21 23"}


def test_a_dividing_head_is_kept_with_its_plates(client: TestClient) -> None:
    made = client.post("/api/tools", json=HEAD).json()
    assert made["detail"] == HEAD["detail"]
    assert divider_of(made["detail"]).circles == (15, 16, 17, 18, 19, 20, 21, 23)
    text = client.get("/api/tools/csv").content.decode("utf-8-sig")
    kept = {t.name: t.detail for t in read_tools_csv(text)}
    assert kept["head"] == HEAD["detail"]


@pytest.mark.parametrize(
    ("kind", "detail"),
    [
        ("dividing head", ""),
        ("dividing head", "15 to 20"),
        ("dividing head", "40:1; 15 x 20"),
        ("rotary table", "0:1"),
        ("dividing head", "40:1; 1000000000"),
        ("dividing head", "40:1; " + "15 to 75; " * 20),
        ("gear cutter", "number three"),
        ("gear cutter", "0.7 module"),
        ("gear cutter", "0 DP, 17 to 20"),
        ("bar", "x" * 301),
    ],
)
def test_what_cannot_be_read_of_a_tool_is_refused(
    client: TestClient, kind: str, detail: str
) -> None:
    body = {"kind": kind, "name": "wrong", "size": "50", "detail": detail}
    wrong = client.post("/api/tools", json=body)
    assert (wrong.status_code, wrong.json()["field"]) == (422, "detail")
    assert wrong.json()["detail"].endswith((".", "?"))


def test_a_wrong_line_changes_nothing(client: TestClient) -> None:
    before = trays(client)
    lines = tools_csv(read_tools_csv(client.get("/api/tools/csv").content.decode())).splitlines()
    for wrong in ("drill,metric,half a li", "spanner,,x,1,sound,,,,"):
        refused = client.post("/api/tools/csv", content="\n".join([*lines[:40], wrong]))
        assert refused.status_code == 422
        assert refused.json()["detail"].startswith("Line 41 ")
        assert trays(client) == before
    too_much = client.post("/api/tools/csv", content=b"x" * (17 * 1024 * 1024))
    assert too_much.status_code == 413
    assert client.post("/api/slate", content=b"x" * 300_000).status_code == 413


def test_a_hundred_thousand_lines_in_old_encoding(client: TestClient) -> None:
    line = "drill;metric;4,1 mm;4,1;sound\r\n"
    body = ("kind;series;name;size_mm;state\r\n" + line * 100_000).encode("cp1252")
    assert client.post("/api/tools/csv", content=body).json() == {"tools": 1}
