"""Parts over HTTP: drawn, routed, checked, ticked, from two devices, and asked about."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.parts_at import done_to, seen

GLAND = [
    "face at 0",
    "face at 14",
    "outside 12 h7, from 0 to 8, called nose",
    "outside 18, from 8 to 14, called flange",
    "reamed 5 H7, called rod hole",
]


def new_part(client: TestClient, name: str = "Trial gland") -> int:
    return int(
        client.post("/api/engines/1/parts", json={"name": name, "metal": "brass"}).json()["id"]
    )


def drawn(client: TestClient, part: int, features: list[str], **more: Any) -> Any:
    version = client.get(f"/api/parts/{part}").json()["version"]
    body = {"version": version, "metal": "brass", "blank": "bar 20", "features": features, **more}
    return client.put(f"/api/parts/{part}/drawn", json=body)


def test_a_part_goes_from_a_name_to_a_route_that_is_worked_through(client: TestClient) -> None:
    part = new_part(client)
    empty = client.get(f"/api/parts/{part}").json()
    assert "no features yet" in empty["problem"]
    assert (
        client.post(f"/api/parts/{part}/propose", json={"version": empty["version"]}).status_code
        == 422
    )
    made = drawn(client, part, GLAND).json()
    assert [one["key"] for one in made["features"]] == [
        "face 0",
        "face 14",
        "nose",
        "flange",
        "rod hole",
    ]
    assert made["features"][2]["limits"] == pytest.approx([11.982, 12.0])
    found = client.post(f"/api/parts/{part}/propose", json={"version": made["version"]}).json()
    assert found["proved"]
    assert not found["broken"]
    assert len(found["stages"]) == len(found["route"]) + 1
    first = found["route"][0]["lines"][0]
    assert first["belt"].startswith("belt")
    for up in found["route"]:
        for line in up["lines"]:
            after = done_to(client, part, "tick", {"mark": line["mark"], "done": True}).json()
    assert all(up["done"] for up in after["route"])
    assert after["minutes"] == 0
    undone = done_to(client, part, "tick", {"mark": first["mark"], "done": False}).json()
    assert not undone["route"][0]["done"]


def test_a_route_changed_by_hand_is_kept_and_every_broken_rule_said(client: TestClient) -> None:
    part = new_part(client)
    found = client.post(
        f"/api/parts/{part}/propose", json={"version": drawn(client, part, GLAND).json()["version"]}
    ).json()
    ups = [
        {"hold": one["hold"], "does": [line["line"] for line in one["lines"]]}
        for one in found["route"]
    ]
    ups[0]["does"] = ["part off", *(x for x in ups[0]["does"] if x != "part off")]
    body = {"version": found["version"], "set_ups": ups}
    bad = client.put(f"/api/parts/{part}/route", json=body).json()
    rules = {one["rule"] for one in bad["broken"]}
    assert {"gone", "through-before-parting", "datum-first"} <= rules
    assert all(one["says"] and one["source"] for one in bad["broken"])
    reason = {"through-before-parting": "Trial in scrap."}
    waved = client.put(
        f"/api/parts/{part}/route", json={**body, "version": bad["version"], "overruled": reason}
    ).json()
    assert "through-before-parting" not in {one["rule"] for one in waved["broken"]}
    assert "through-before-parting" in {one["rule"] for one in waved["waved"]}


def test_two_devices_on_one_part_lose_nothing(client: TestClient) -> None:
    part = new_part(client)
    version = drawn(client, part, GLAND).json()["version"]
    body = {"version": version, "metal": "brass", "blank": "bar 20", "features": GLAND}
    assert client.put(f"/api/parts/{part}/drawn", json=body).status_code == 200
    late = client.put(f"/api/parts/{part}/drawn", json={**body, "features": GLAND[:3]})
    assert late.status_code == 409
    assert late.json()["theirs"]["drawn"]["features"] == GLAND
    assert len(client.get(f"/api/parts/{part}").json()["features"]) == len(GLAND)


@pytest.mark.parametrize(
    ("features", "blank", "field"),
    [
        (["outside 30, from 0 to 10"], "bar 20", "outside 30"),
        (["face at 0", "bore 22, from 0 to 10", "outside 18, from 0 to 10"], "bar 20", "bore 22"),
        ([], "bar 20", "features"),
        (["something else"], "bar 20", None),
        (["face at 0"], "a lump", None),
        (["face at 0"], "bar 20, 10 long, of nothing", None),
    ],
)
def test_what_cannot_be_made_is_refused_and_what_was_there_stays(
    client: TestClient, features: list[str], blank: str, field: str | None
) -> None:
    part = new_part(client)
    drawn(client, part, GLAND)
    refused = drawn(client, part, features, blank=blank)
    assert refused.status_code == 422
    assert field is None or refused.json()["field"] == field
    assert refused.json()["detail"]
    assert len(client.get(f"/api/parts/{part}").json()["features"]) == len(GLAND)


def test_an_engine_says_how_far_it_is_and_tonight_what_fits(client: TestClient) -> None:
    work = client.get("/api/engines/1/work").json()
    assert len(work["parts"]) >= 12
    assert {
        part["name"]
        for part in work["parts"]
        if part["operations"] and part["done"] == part["operations"]
    }
    assert not [part["name"] for part in work["parts"] if part["problem"]]
    assert len(client.get("/api/engines/2/work").json()["parts"]) >= 12
    for minutes in (5, 60, 240):
        plan = client.get(f"/api/tonight?minutes={minutes}").json()
        assert plan["taken"] <= minutes
        assert sum(row["minutes"] for row in plan["rows"]) == pytest.approx(plan["taken"])
    assert client.get("/api/tonight?minutes=2").status_code == 422
    rules = client.get("/api/rules").json()
    assert len(rules) >= 40
    assert all(rule["reason"] or rule["mend"] for rule in rules)


@pytest.mark.parametrize(
    ("line", "head"),
    [
        ("what next on the crankshaft from the solid", "set-up"),
        ("what next on the Dunnock crankshaft?", "Held"),
        ("how do I hold the dunnock flywheel to turn its rim", "faceplate"),
        ("check the power piston", "breaks no rule"),
        ("check the cover studs", "breaks 1 rule"),
        ("tonight 90 minutes", "set-ups"),
        ("30 minutes tonight", "30 minutes"),
        ("tonight 1 1/2 hours", "Tonight, 90 minutes"),
        ("tonight an hour and a half", "Tonight, 90 minutes"),
        ("i have 1h30", "Tonight, 90 minutes"),
        ("What can I do tonight in 45 min?", "Tonight, 45 minutes"),
        ("I have 30 minutes tonight", "Tonight, 30 minutes: 1 set-up on 1 part"),
        ("half an hour this evening", "Tonight, 30 minutes"),
        ("2 hours", "Tonight, 120 minutes"),
        ("what next", "Tonight, 90 minutes"),
        ("next on the gland", "What next on Gland"),
        ("what now on the flywheel", "What next on Flywheel"),
        ("what do I do next on the crankshaft", "What next on Crankshaft"),
        ("how do I hold the wheel to turn its rim", "How to hold Flywheel for turn rim"),
        ("check crankshaft route", "Check Crankshaft"),
        ("check the cylinder", "3 parts called cylinder"),
        ("check the cylinder", 'Check Cylinder, 11/16" bore, right'),
    ],
)
def test_parts_are_asked_about_in_plain_words(client: TestClient, line: str, head: str) -> None:
    answer = client.post("/api/ask", json={"line": line}).json()
    place = answer["place"]
    assert answer["reply"] is None
    assert place["path"].startswith("/engines")
    said = " ".join((f"{place['read_as']}: {place['headline']}", *place["says"]))
    assert head in said or head == "set-up"


def test_a_part_that_is_not_there_is_said_and_an_ordinary_line_is_left_alone(
    client: TestClient,
) -> None:
    lost = client.post("/api/ask", json={"line": "what next on the boiler"})
    assert lost.status_code == 422
    assert "boiler" in lost.json()["detail"]
    several = client.post("/api/ask", json={"line": "how do I hold the cylinder to bore it"})
    assert "Several" in several.json()["detail"]
    for minutes in ("0 minutes", "3 minutes", "30 hours"):
        never = client.post("/api/ask", json={"line": f"tonight {minutes}"})
        assert never.json()["detail"].startswith("An evening has")
    assert client.post("/api/ask", json={"line": "turn 22 brass"}).json()["place"] is None


def fit(
    client: TestClient, hole: tuple[int, str], shaft: tuple[int, str], duty: str = "running"
) -> Any:
    body = {
        "hole_part": hole[0],
        "hole_feature": hole[1],
        "shaft_part": shaft[0],
        "shaft_feature": shaft[1],
        "duty": duty,
    }
    return client.post(f"/api/fits?part={shaft[0]}", json=seen(client, body))


def pin_and_bush(client: TestClient) -> tuple[int, int]:
    pin, bush = new_part(client, "Trial pin"), new_part(client, "Trial bush")
    drawn(client, pin, ["face at 0", "outside 8 h7, from 0 to 20, called pin"])
    drawn(
        client,
        bush,
        ["face at 0", "outside 14, from 0 to 12", "bore 8 H7, from 0 to 12, called hole"],
    )
    return pin, bush


def test_a_reading_on_one_side_gives_the_other_its_target(client: TestClient) -> None:
    pin, bush = pin_and_bush(client)
    made = fit(client, (bush, "hole"), (pin, "pin")).json()["fits"][0]
    assert "as it is drawn" in made["says"]
    read = done_to(client, bush, "measure", {"feature": "hole", "reading": "8.030"})
    assert read.json()["measured"] == {"hole": "8.03 mm"}
    now = client.get(f"/api/parts/{pin}").json()["fits"][0]
    asked = client.post(
        "/api/calc/mate",
        json={
            "make": "shaft",
            "there": "8.03",
            "duty": "running",
            "hole_metal": "brass",
            "shaft_metal": "brass",
        },
    ).json()["answer"]
    assert now["target"] == f"{asked['low_mm']['shown']} to {asked['high_mm']['shown']} mm"
    assert now["reading"] == "8.03 mm"
    # The same on an inch page, from the same reading.
    inch = client.get(f"/api/parts/{pin}?unit=inch").json()["fits"][0]["target"]
    assert float(inch.split()[0]) == pytest.approx(asked["low_mm"]["value"] / 25.4, abs=1e-4)
    done_to(client, pin, "measure", {"feature": "pin", "reading": "8.02"})
    assert client.get(f"/api/parts/{pin}").json()["fits"][0]["stands"] == "large"
    assert done_to(client, pin, "measure", {"feature": "pin", "reading": "wide"}).status_code == 422
    assert done_to(client, pin, "measure", {"feature": "rim", "reading": "8"}).status_code == 422


def test_a_change_says_what_it_touches_before_it_is_taken(client: TestClient) -> None:
    pin, bush = pin_and_bush(client)
    fit(client, (bush, "hole"), (pin, "pin"))
    larger = ["face at 0", "outside 8.5, from 0 to 20, called pin"]
    asked = drawn(client, pin, larger)
    assert asked.status_code == 422
    assert asked.json()["field"] == "sure"
    assert "hole of Trial bush" in asked.json()["detail"]
    assert drawn(client, pin, larger, sure=True).status_code == 200
    assert client.get(f"/api/parts/{bush}").json()["fits"][0]["target"].startswith("8.5")


def test_fits_that_contradict_each_other_are_said(client: TestClient) -> None:
    pin, bush = pin_and_bush(client)
    other = new_part(client, "Other bush")
    drawn(
        client,
        other,
        ["face at 0", "outside 14, from 0 to 12", "bore 9, from 0 to 12, called hole"],
    )
    fit(client, (bush, "hole"), (pin, "pin"))
    both = fit(client, (other, "hole"), (pin, "pin")).json()["fits"]
    assert all("No one size does" in one["says"] for one in both)
    assert fit(client, (pin, "pin"), (bush, "hole")).status_code == 422
    assert fit(client, (bush, "hole"), (pin, "nothing")).status_code == 422
    assert fit(client, (bush, "hole"), (pin, "pin"), "friendship").status_code == 422
    path = f"/api/fits/{both[0]['id']}"
    assert client.delete(path).status_code == 204
    assert len(client.get(f"/api/parts/{pin}").json()["fits"]) == 1
    assert client.post(f"{path}/back").status_code == 204
    assert len(client.get(f"/api/parts/{pin}").json()["fits"]) == 2


def test_a_cut_to_size_is_to_the_mate_that_was_measured(client: TestClient) -> None:
    hole, shaft = new_part(client, "Trial bush"), new_part(client, "Trial pin")
    bush = drawn(
        client,
        hole,
        ["face at 0", "face at 10", "outside 16, from 0 to 10", "bore 8 H7, from 0 to 10"],
    ).json()
    pin = drawn(client, shaft, ["face at 0", "outside 8 g6, from 0 to 12"]).json()
    del bush
    client.post(f"/api/parts/{shaft}/propose", json={"version": pin["version"]})
    fit = {
        "hole_part": hole,
        "hole_feature": "bore 8",
        "shaft_part": shaft,
        "shaft_feature": "outside 8",
        "duty": "running",
    }
    assert (
        client.post("/api/fits", params={"part": shaft}, json=seen(client, fit)).status_code == 200
    )

    def plan() -> dict[str, Any]:
        lines = [x for up in client.get(f"/api/parts/{shaft}").json()["route"] for x in up["lines"]]
        found: dict[str, Any] = next(x for x in lines if x["room"] == "plan")
        return found

    assert plan()["asked"]["limits"] == "g6"
    body = {"feature": "bore 8", "reading": "8.03"}
    assert done_to(client, hole, "measure", body).status_code == 200
    line, (fits,) = plan(), client.get(f"/api/parts/{shaft}").json()["fits"]
    assert line["to"] == "Trial bush"
    assert "limits" not in line["asked"]
    assert line["asked"]["largest"] == f"{fits['high_mm']:.4f} mm"
    assert fits["low_mm"] < fits["high_mm"] < 8.03
    question = {**line["asked"], "now": "8.5"}
    answer = client.post("/api/calc/plan", json=question | {"unit": "mm"})
    assert answer.status_code == 200


def test_an_inch_drawing_names_its_features_in_inches(client: TestClient) -> None:
    part = new_part(client, "Inch stud")
    lines = [
        "face at 0",
        "face at 1 1/2",
        "outside 3/8, from 0 to 3/4",
        "reamed 3/16",
        "outside 0.55, from 3/4 to 1 1/2",
        "outside 3/8, from 3/8 to 3/4",
    ]
    version = client.get(f"/api/parts/{part}").json()["version"]
    body = {
        "version": version,
        "metal": "brass",
        "blank": "bar 5/8",
        "features": lines,
        "unit": "inch",
    }
    kept = client.put(f"/api/parts/{part}/drawn", json=body).json()
    assert kept["blank_typed"] == "bar 5/8"
    routed = client.post(f"/api/parts/{part}/propose", json={"version": kept["version"]}).json()
    said = [line["says"] for up in routed["route"] for line in up["lines"]]
    for words in (
        "face 1 1/2",
        "turn outside 3/8",
        "turn outside 0.55",
        "turn outside 3/8 (2)",
        "reamed 3/16",
    ):
        assert words in said
    # Kept by its name in millimetres, and found by either.
    assert {"face 38.1: face", "reamed 4.7625: ream"} <= set(routed["operations"])
    assert routed["spoken"]["jaws on outside 13.97, left end out"] == (
        "jaws on outside 0.55, left end out"
    )
    typed = [
        {
            "hold": up["hold_says"],
            "packing": up["packing"],
            "does": [line["line"].replace("outside 9.525", "outside 3/8") for line in up["lines"]],
        }
        for up in routed["route"]
    ]
    again = client.put(
        f"/api/parts/{part}/route", json={"version": routed["version"], "set_ups": typed}
    ).json()
    assert [up["hold"] for up in again["route"]] == [up["hold"] for up in routed["route"]]
    assert again["broken"] == routed["broken"]
    assert not any(one["rule"] == "unknown-line" for one in again["broken"])
