"""What an engine wants: derived from its parts, kept by hand, a kit checked, its shafts."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from runk.core.refusals import Refused
from runk.core.route.bill import bill, kit_checked
from runk.core.route.reading import part_of
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.api.parts_at import done_to

BAR = "bar of 45 mm or more"


def wants(client: TestClient) -> dict[str, Any]:
    return {one["what"]: one for one in client.get("/api/engines/1/wanted").json()["wants"]}


def test_what_is_missing_is_ordered_and_comes_and_waits_no_more(client: TestClient) -> None:
    assert wants(client)[BAR]["parts"] == ["Cylinder cover"]

    def waiting() -> list[str]:
        found = client.get("/api/tonight?minutes=600").json()["waiting"]
        return [one for one in found if "Cylinder cover" in one and BAR in one]

    assert waiting() == [f"Cylinder cover, set-up 1: {BAR} is wanted."]
    for state, says in (("ordered", f"{BAR} is ordered."), ("here", "")):
        body = {"what": BAR, "state": state}
        assert client.put("/api/engines/1/wanted", json=body).status_code == 204
        assert wants(client)[BAR]["state"] == state
        assert says in "".join(waiting())
    assert not waiting()
    # Struck out, what a part asks for is missing again; what was put there by hand is gone.
    client.put("/api/engines/1/wanted", json={"what": "nuts M3", "many": 12})
    assert (wants(client)["nuts M3"]["bought"], wants(client)["nuts M3"]["many"]) == (True, 12)
    for what in (BAR, "nuts M3"):
        assert client.delete("/api/engines/1/wanted", params={"what": what}).status_code == 204
    assert wants(client)[BAR]["state"] == "missing"
    assert "nuts M3" not in wants(client)


def test_a_shaft_waits_for_its_hole_to_be_measured_and_no_longer(client: TestClient) -> None:
    rows = client.get("/api/engines/1/work").json()["parts"]
    ids = {one["name"]: one["id"] for one in rows}

    def waiting() -> list[str]:
        found = client.get("/api/tonight?minutes=600").json()["waiting"]
        return [one for one in found if one.startswith("Power piston")]

    says = "Power piston, set-up 1: bore of Cylinder, 22 mm bore is to be measured first."
    assert waiting() == [says]
    body = {"feature": "bore", "reading": "22.01"}
    done_to(client, ids["Cylinder, 22 mm bore"], "measure", body)
    assert not waiting()
    # Taken back, it waits again; a piston that is there already gives the bore its size.
    done_to(client, ids["Cylinder, 22 mm bore"], "measure", body | {"reading": ""})
    assert waiting() == [says]
    done_to(client, ids["Power piston"], "measure", {"feature": "skirt", "reading": "21.99"})
    assert not waiting()


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"what": " "}, "name"),
        ({"what": "nuts", "many": 0}, "many"),
        ({"what": "x", "state": "lost"}, "state"),
    ],
)
def test_what_is_no_want_is_refused(client: TestClient, body: dict[str, Any], field: str) -> None:
    response = client.put("/api/engines/1/wanted", json=body)
    assert response.status_code == 422
    assert client.put("/api/engines/999/wanted", json={"what": "nuts"}).status_code == 422


def test_shafts_that_carry_two_things_are_added_up(client: TestClient) -> None:
    (shaft,) = client.get("/api/engines/1/wanted").json()["shafts"]
    # 16 mm of main bearing and 20 mm of flywheel on a crank 80 mm long, as drawn.
    assert (shaft["shaft"], shaft["says"], shaft["over"]) == ("Crankshaft", "36 mm of 80 mm", False)
    question = shaft["question"] | {"room": "60", "unit": "mm"}
    answer = client.post("/api/calc/shaft-budget", json=question)
    assert answer.status_code == 200
    inch = client.get("/api/engines/1/wanted?unit=inch").json()["shafts"][0]
    assert "1.4173" in inch["says"]


STUDS = part_of("studs", "stainless-303", "bar 4", ["face at 0", "face at 22"], alike=6)
NUTS = part_of("gland nuts", "brass", "hexagon bar 10, 12 long", ["face at 0"], alike=2)
LEFT, RIGHT = (
    part_of(f"cylinder, {side}", "gunmetal", "casting 30", ["bore 16, from 0 to 30"])
    for side in ("left", "right")
)
BASE = part_of("base", "brass", "plate 120 by 60 by 8", ["plane, from the top"], alike=2)


def test_bars_of_one_kind_are_added_up_with_their_saw_cuts() -> None:
    found = {one.parts: one for one in bill([STUDS, NUTS, LEFT, BASE])}
    # Six of 22 and two of 12, 3 mm for each cut, and 25 to hold the last by.
    assert found["studs",].long == 6 * (22 + 3) + 25
    assert (found["gland nuts",].section, found["gland nuts",].long) == ("hexagon", 2 * 15 + 25)
    assert found["base",].pieces == 2


@pytest.mark.parametrize(
    ("lines", "short", "over"),
    [
        (
            [
                "stainless 303 bar 4, 200 long",
                "2 brass hex bar 10, 40 long",
                "2 cylinder castings",
                "2 brass plate 125 by 65 by 8",
            ],
            [],
            [],
        ),
        (
            ["bar 4, 100 long", "brass hexagon bar 10", "cylinder casting", "plate 120 by 60 by 6"],
            ["75 mm more", "how long is it?", "1 more", "2 more"],
            ["plate 120 by 60 by 6"],
        ),
        (
            ["brass bar 4, 200 long", "brass bar 10, 100 long", "spring"],
            ["all of it", "all of it", "1 more", "1 more", "2 more"],
            ["brass bar 4, 200 long", "brass bar 10, 100 long", "spring"],
        ),
        ([], ["all of it", "all of it", "1 more", "1 more", "2 more"], []),
    ],
)
def test_a_kit_is_checked_thing_by_thing(
    lines: list[str], short: list[str], over: list[str]
) -> None:
    needs = bill([STUDS, NUTS, LEFT, RIGHT, BASE])
    found = kit_checked(needs, {}, lines, WORKSHOP.metals)
    said = [worded(one.short, PageUnit.MM) for one in found.rows if one.short]
    assert sorted(said) == sorted(short)
    assert list(found.over) == over


def test_a_kit_of_a_thousand_lines_is_refused_and_one_over_the_wire_is_told() -> None:
    with pytest.raises(Refused, match="are the most"):
        kit_checked(bill([STUDS]), {}, ["spring"] * 201, {})


def test_a_kit_over_the_wire_is_beside_what_was_bought(client: TestClient) -> None:
    client.put("/api/engines/1/wanted", json={"what": "nuts M3", "many": 12})
    body = {"lines": "6 nuts M3\nflywheel\nnobody knows"}
    kit = client.post("/api/engines/1/kit", json=body).json()
    rows = {one["asks"]: one for one in kit["rows"]}
    assert rows["12 nuts M3"] == {"asks": "12 nuts M3", "has": "6 nuts M3", "short": "6 more"}
    assert not rows["grey iron casting: Flywheel"]["short"]
    assert kit["over"] == ["nobody knows"]
