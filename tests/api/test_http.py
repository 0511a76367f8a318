"""HTTP: answers, problems in plain words, the door, two tabs, and a fuzz by its own schema."""

from __future__ import annotations

import json
from typing import Any

import pytest
from fastapi.testclient import TestClient

from runk.api.app import create_app
from runk.api.guard import LARGEST_BODY
from runk.store.database import Store

BORE = {"operation": "bore", "diameter": "5/8", "metal": "cast iron", "tool": "carbide"}


def problem(response: Any, status: int) -> dict[str, Any]:
    """A problem body, checked to be one."""
    assert response.status_code == status, response.text
    assert response.headers["content-type"] == "application/problem+json"
    body: dict[str, Any] = response.json()
    assert body["status"] == status
    assert body["detail"]
    return body


def test_speed_carries_whole_figures(client: TestClient) -> None:
    reply = client.post("/api/calc/speed", json=BORE).json()
    answer = reply["answer"]
    assert answer["set_rpm"]["value"] == 860
    assert answer["position"] == "belt 3, direct"
    assert answer["target_rpm"]["shown"] == "1123"
    step = answer["target_rpm"]["working"][0]
    assert step["words"] == "70 × 0.8 = 56.0 m/min"
    assert step["source"] == {"title": "Handbook range", "tag": "memory", "held": "recalled"}
    assert reply["readings"]["diameter"] == {
        "mm": 15.875,
        "echo": "5/8 in = 15.875 mm",
        "plain": False,
    }
    assert reply["words"]["held"] == "in the three-jaw"
    assert reply["read_as"].startswith("Bore a 5/8 in hole in grey cast iron")


def test_numbers_are_taken_as_well_as_text(client: TestClient) -> None:
    for diameter in (20, 20.0, "20", "20 mm"):
        reply = client.post("/api/calc/speed", json={"diameter": diameter, "metal": "ms"})
        assert reply.json()["answer"]["target_rpm"]["value"] == pytest.approx(445.634)
    inch = client.post("/api/calc/speed", json={"diameter": 1, "metal": "ms", "unit": "inch"})
    assert inch.json()["readings"]["diameter"]["mm"] == 25.4


def test_fan(client: TestClient) -> None:
    fan = client.post("/api/calc/speed/fan", json=BORE).json()
    assert len(fan["diameters_mm"]) == len(fan["wants_rpm"]) == len(fan["set_rpm"])
    assert len(fan["steps"]) == 8
    assert fan["limit_rpm"] == 2000
    too_large = client.post("/api/calc/speed/fan", json=BORE | {"diameter": "3 m"})
    assert problem(too_large, 422)["field"] == "diameter"


def test_ask(client: TestClient) -> None:
    asked = client.post("/api/ask", json={"line": "drill #30 brass"}).json()
    assert asked["calculator"] == "speed"
    assert asked["typed"]["diameter"] == "#30"
    assert asked["reply"]["answer"]["position"] == "belt 4, direct"
    assert problem(client.post("/api/ask", json={"line": "turn brass"}), 422)["field"] == "diameter"


def test_calculators_describe_themselves(client: TestClient) -> None:
    listed = {c["name"]: c for c in client.get("/api/calculators").json()}
    fields = {f["name"]: f for f in listed["speed"]["fields"]}
    assert fields["diameter"]["required"]
    assert fields["operation"]["rules"]
    assert "{diameter}" in listed["speed"]["sentences"]["turn"]


BAD: list[tuple[dict[str, Any], str, str]] = [
    ({"diameter": "1 3/", "metal": "ms"}, "diameter", "unfinished"),
    ({"diameter": "-4", "metal": "ms"}, "diameter", "less than nothing"),
    ({"diameter": -4, "metal": "ms"}, "diameter", "less than nothing"),
    ({"diameter": 0, "metal": "ms"}, "diameter", "more than 0"),
    ({"diameter": "12 m m", "metal": "ms"}, "diameter", "stray"),
    ({"diameter": "#0", "metal": "ms"}, "diameter", "no number drill"),
    ({"diameter": "#97", "metal": "ms"}, "diameter", "no number drill"),
    ({"diameter": "3 m", "metal": "ms"}, "diameter", "does not swing"),
    ({"diameter": 1e300, "metal": "ms"}, "diameter", "characters"),
    ({"diameter": "x" * 100_000, "metal": "ms"}, "diameter", "100000 characters"),
    ({"diameter": "12", "metal": "unobtanium"}, "metal", "no metal called"),
    ({"diameter": "12", "metal": "x" * 50_000}, "metal", "50000 characters"),
    ({}, "metal", "What metal"),
    ({"diameter": "12", "metal": "ms", "colour": "red"}, "colour", "no field called"),
    ({"diameter": ["12"], "metal": "ms"}, "diameter", "diameter"),
    ({"diameter": "12", "metal": "ms", "unit": "cubit"}, "unit", "mm"),
    ({"diameter": "12", "metal": "ms", "machine": "<b>none</b>"}, "machine", "no machine"),
]


@pytest.mark.parametrize(("body", "field", "says"), BAD)
def test_bad_questions(client: TestClient, body: dict[str, Any], field: str, says: str) -> None:
    found = problem(client.post("/api/calc/speed", json=body), 422)
    assert str(found["field"]).startswith(field)
    assert says in found["detail"]
    assert len(found["detail"]) < 300


@pytest.mark.parametrize("raw", ["NaN", "Infinity", "-Infinity", "1e999"])
def test_nan_and_infinity_are_refused(client: TestClient, raw: str) -> None:
    sent = f'{{"diameter": {raw}, "metal": "ms"}}'
    headers = {"content-type": "application/json"}
    problem(client.post("/api/calc/speed", content=sent, headers=headers), 422)
    machine = json.dumps({"machine": {"key": "", "name": "N", "kind": "lathe", "power_w": 0}})
    machine = machine.replace('"power_w": 0', f'"power_w": {raw}')
    problem(client.post("/api/machines", content=machine, headers=headers), 422)


@pytest.mark.parametrize("content", ["", "{", "[]", "null", '"x"', "12", "\x00", '{"a":"\\ud800"}'])
def test_a_body_that_is_no_question(client: TestClient, content: str) -> None:
    headers = {"content-type": "application/json"}
    problem(client.post("/api/calc/speed", content=content, headers=headers), 422)


def test_a_megabyte_is_too_much(client: TestClient) -> None:
    found = problem(client.post("/api/ask", json={"line": "x" * 1_000_000}), 413)
    assert "256 kB" in found["detail"]

    def slowly() -> Any:
        for _ in range(LARGEST_BODY // 1000 + 2):
            yield b"x" * 1000

    problem(client.post("/api/ask", content=slowly()), 413)


@pytest.mark.parametrize("host", ["evil.example", "192.168.1.9:8765", "", "127.0.0.1.evil.example"])
def test_a_foreign_host_is_turned_away(client: TestClient, host: str) -> None:
    problem(client.get("/api/machines", headers={"host": host}), 400)


@pytest.mark.parametrize(
    "headers",
    [
        {"origin": "http://evil.example"},
        {"origin": "null"},
        {"origin": "http://testserver:99"},
        {"sec-fetch-site": "cross-site"},
    ],
)
def test_a_foreign_page_may_not_write(client: TestClient, headers: dict[str, str]) -> None:
    problem(client.delete("/api/machines/lathe", headers=headers), 403)
    assert (
        client.delete("/api/machines/lathe", headers={"origin": "http://testserver"}).status_code
        == 204
    )


def test_pages_carry_a_strict_policy_and_a_fresh_nonce(client: TestClient) -> None:
    policies = {client.get("/speeds").headers.get("content-security-policy") for _ in range(2)}
    if None in policies:
        pytest.skip("the front end is not built here")
    assert len(policies) == 2
    assert all("default-src 'self'" in str(p) and "unsafe" not in str(p) for p in policies)


def test_unknown_addresses(client: TestClient) -> None:
    problem(client.get("/api/nowhere"), 404)
    problem(client.put("/api/ask", json={}), 405)


def _machine(client: TestClient, index: int = 0) -> dict[str, Any]:
    machine: dict[str, Any] = client.get("/api/machines").json()["machines"][index]
    return machine


def test_two_tabs_saving_one_machine(client: TestClient) -> None:
    kept = _machine(client)
    first = kept | {"machine": kept["machine"] | {"power_w": 500}}
    second = kept | {"machine": kept["machine"] | {"power_w": 250}}
    body = {k: first[k] for k in ("machine", "version")}
    assert client.put("/api/machines/lathe", json=body).json()["version"] == 2
    stale = problem(client.put("/api/machines/lathe", json={k: second[k] for k in body}), 409)
    assert stale["theirs"]["machine"]["power_w"] == 500
    assert _machine(client)["machine"]["power_w"] == 500


@pytest.mark.parametrize(
    ("change", "field", "says"),
    [
        ({"steps": []}, "steps", "at least one speed"),
        ({"mains_hz": 0}, "mains_hz", "no mains frequency"),
        ({"name": ""}, "name", "name"),
        ({"power_w": "lots"}, "machine.power_w", "power_w: type a number"),
        (
            {"steps": [{"position": "1", "gear": "", "rpm": "fast"}]},
            "machine.steps.0.rpm",
            "steps, row 1, rpm: type a number",
        ),
        ({"kind": "teapot"}, "machine.kind", "lathe"),
    ],
)
def test_a_machine_that_could_not_be_one(
    client: TestClient, change: dict[str, Any], field: str, says: str
) -> None:
    kept = _machine(client)
    body = {"machine": kept["machine"] | change, "version": 1}
    found = problem(client.put("/api/machines/lathe", json=body), 422)
    assert found["field"] == field
    assert says in found["detail"]
    assert _machine(client) == kept


def test_machines_come_and_go(client: TestClient) -> None:
    kept = _machine(client, 1)
    copy = kept["machine"] | {"name": "Mill copy", "mains_hz": 60}
    made = client.post("/api/machines", json={"machine": copy})
    assert made.status_code == 201
    assert made.json()["machine"]["key"] == "mill-copy"
    # On 60 Hz every speed of a 50 Hz plate is a fifth faster.
    assert made.json()["real"][0]["rpm"] == pytest.approx(180 * 1.2)
    assert client.delete("/api/machines/mill-copy").status_code == 204
    problem(client.delete("/api/machines/mill-copy"), 422)
    assert client.post("/api/machines/mill-copy/back").json()["machine"]["name"] == "Mill copy"


def test_an_empty_store_answers_for_back_shed_and_says_so(empty_client: TestClient) -> None:
    shop = empty_client.get("/api/machines").json()
    assert shop["stand_in"] is True
    assert empty_client.post("/api/calc/speed", json=BORE).json()["answer"]["mark"] == "3"
    assert empty_client.get("/api/slate").json() == []
    assert empty_client.get("/api/engines").json() == []


def test_slate_keeps_what_the_server_worked_out(client: TestClient) -> None:
    body = {"keep_key": "abcdefgh", "calculator": "speed", "question": BORE, "note": "<img src=x>"}
    kept = client.post("/api/slate", json=body).json()
    assert kept["headline"] == "belt 3, direct · 860 rev/min"
    assert kept["question"]["diameter"] == "5/8"
    assert client.post("/api/slate", json=body).json()["id"] == kept["id"]
    assert client.patch(f"/api/slate/{kept['id']}", json={"ticked": True}).json()["ticked"] is True
    assert client.patch(f"/api/slate/{kept['id']}", json={}).json()["note"] == "<img src=x>"
    order = [i["id"] for i in client.get("/api/slate").json()]
    client.put(f"/api/slate/{order[0]}/place", json={"after": order[-1]})
    turned = client.get("/api/slate").json()
    assert [i["id"] for i in turned] == [*order[1:], order[0]]
    assert client.delete(f"/api/slate/{kept['id']}").status_code == 204
    problem(client.patch(f"/api/slate/{kept['id']}", json={"note": "x"}), 422)
    assert client.post(f"/api/slate/{kept['id']}/back").json()["id"] == kept["id"]


def test_a_refused_question_is_not_kept(client: TestClient) -> None:
    before = client.get("/api/slate").json()
    body = {"keep_key": "abcdefgh", "calculator": "speed", "question": {"diameter": "-4"}}
    problem(client.post("/api/slate", json=body), 422)
    problem(client.post("/api/slate", json=body | {"calculator": "alchemy"}), 422)
    assert client.get("/api/slate").json() == before


def test_engines_and_parts(client: TestClient) -> None:
    made = client.post("/api/engines", json={"name": "Wren"}).json()
    part = client.post(f"/api/engines/{made['id']}/parts", json={"name": "Rod", "metal": "brass"})
    assert part.status_code == 201
    assert (
        client.patch(f"/api/parts/{part.json()['id']}", json={"name": "Con rod"}).json()["name"]
        == "Con rod"
    )
    assert (
        client.patch(f"/api/engines/{made['id']}", json={"name": "Wren II"}).json()["parts"][0][
            "name"
        ]
        == "Con rod"
    )
    assert client.delete(f"/api/engines/{made['id']}").status_code == 204
    assert "Wren II" not in {e["name"] for e in client.get("/api/engines").json()}
    assert client.post(f"/api/engines/{made['id']}/back").status_code == 204
    problem(client.post("/api/engines", json={"name": " "}), 422)
    problem(client.delete("/api/parts/9999"), 422)


def test_metals_leave_skins_to_the_surface_word(client: TestClient) -> None:
    metals = client.get("/api/metals").json()
    assert len(metals) == 21
    assert {m["key"] for m in metals if m["has_skin"]} == {"grey-iron"}


def test_kept_answers_outlive_a_restart(filled: Store) -> None:
    with TestClient(create_app(filled)) as one:
        before = one.get("/api/slate").json()
    again = Store(filled.url)
    again.migrate()
    with TestClient(create_app(again)) as other:
        assert other.get("/api/slate").json() == before
    again.close()


def test_a_metal_of_ones_own_over_http(client: TestClient) -> None:
    body = {
        "metal": {
            "key": "",
            "name": "scrapbox brass",
            "like": "brass",
            "figures": {"hss_m_min": "60"},
        }
    }
    key = client.post("/api/metals", json=body).json()["metal"]["key"]
    listed = {m["key"]: m for m in client.get("/api/metals").json()}
    mine = {f["name"]: f for f in listed[key]["figures"]}
    assert mine["hss_m_min"]["value"] == 60
    assert mine["hss_m_min"]["source"]["tag"] == "yours"
    assert mine["e_gpa"]["source"]["tag"] == "memory"
    asked = client.post("/api/ask", json={"line": "turn 20 scrapbox brass"}).json()
    assert asked["typed"]["metal"] == key
    stale = client.put(f"/api/metals/{key}", json=body | {"version": 7})
    assert stale.status_code == 409
    assert stale.json()["theirs"]["metal"]["name"] == "scrapbox brass"
    assert client.delete(f"/api/metals/{key}").status_code == 204
    gone = client.post("/api/calc/speed", json={"metal": key, "diameter": "20"})
    assert gone.json()["field"] == "metal"
    assert client.post(f"/api/metals/{key}/back").json()["version"] == 1


@pytest.mark.parametrize("name", ["drill", "which metal", "wall"])
def test_a_metal_may_not_take_a_word_ask_knows(client: TestClient, name: str) -> None:
    body = {"metal": {"key": "", "name": name, "like": "brass"}}
    response = client.post("/api/metals", json=body)
    if name == "wall":
        assert response.status_code == 201
    else:
        assert response.json()["field"] == "name"
        assert "Ask line" in response.json()["detail"]


def test_the_wall_sheet_comes_as_files(client: TestClient) -> None:
    query = "machine=Lathe&metals=brass&sizes=1/2;20&unit=inch"
    pdf = client.get(f"/api/sheet/pdf?{query}&paper=letter")
    assert pdf.headers["content-type"] == "application/pdf"
    assert pdf.content.startswith(b"%PDF-")
    assert "wall-sheet-letter.pdf" in pdf.headers["content-disposition"]
    table = client.get(f"/api/sheet/csv?{query}").content.decode("utf-8-sig")
    assert table.splitlines()[0] == "metal,m/min,12.7 mm,508 mm"


@pytest.mark.parametrize(
    ("query", "field"),
    [
        ("paper=a3", "paper"),
        ("unit=cubit", "unit"),
        ("colour=red", "colour"),
        ("sizes=1 3/", "sizes"),
        ("machine=nobody", "machine"),
        ("metals=brass,cheese", "metals"),
    ],
)
def test_a_sheet_that_cannot_be_made_says_why(client: TestClient, query: str, field: str) -> None:
    response = client.get(f"/api/sheet/pdf?{query}")
    assert response.status_code == 422
    assert response.json()["field"] == field
