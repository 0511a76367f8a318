"""A first engine over HTTP: a list of parts, an engine to look at, a part from its family."""

from __future__ import annotations

import pytest
from fastapi.testclient import TestClient

from runk.core.metals.metal import shipped_metals
from runk.core.refusals import Refused
from runk.core.route.rules import RULES
from runk.core.route.rules_seen import PROTECTS, rules_seen
from runk.core.units import PageUnit
from runk.formats.parts_list import MOST_LINES, Listed, parts_listed

METALS = shipped_metals()


@pytest.mark.parametrize(
    ("text", "listed"),
    [
        ("Piston", Listed("Piston")),
        ("Piston, cast iron", Listed("Piston", "cast iron")),
        ("cast-off lever", Listed("cast-off lever")),
        ("6 off Stud, steel, bar 4", Listed("Stud", "steel", "bar 4", 6)),
        ("Stud x 6", Listed("Stud", alike=6)),
        ("Stud, bar 4, stainless, 6 off", Listed("Stud", "stainless", "bar 4", 6)),
        ("7. Gland - brass", Listed("Gland", "brass")),
        ("4 BA nuts, brass", Listed("4 BA nuts", "brass")),
        ("Cylinder, 19 mm bore", Listed("Cylinder, 19 mm bore")),
        ("Rod, unobtainium", Listed("Rod, unobtainium")),
        ("Lid\tbrass\t2", Listed("Lid", "brass", alike=2)),
    ],
)
def test_a_line_of_a_list_loses_nothing(text: str, listed: Listed) -> None:
    assert parts_listed(text, PageUnit.MM, METALS) == (listed,)


def test_a_list_has_its_columns_in_any_order_and_its_own_numbers() -> None:
    table = "Material,Qty,Part,From\nbrass,2,Gland,bar 1\n,1,Pin,\n"
    assert parts_listed(table, PageUnit.INCH, METALS) == (
        Listed("Gland", "brass", "bar 1", 2),
        Listed("Pin"),
    )
    numbered = "1\tRod\tbrass\n2\tPin\tsilver steel"
    assert [one.alike for one in parts_listed(numbered, PageUnit.MM, METALS)] == [1, 1]
    counted = "3\tRod\n2\tPin"
    assert [one.alike for one in parts_listed(counted, PageUnit.MM, METALS)] == [3, 2]


@pytest.mark.parametrize("text", ["", " \n ", "Metal,Name\nbrass,", "x\n" * (MOST_LINES + 1)])
def test_a_list_that_is_none_is_refused(text: str) -> None:
    with pytest.raises(Refused) as caught:
        parts_listed(text, PageUnit.MM, METALS)
    assert caught.value.field == "text"


def test_a_list_becomes_parts_or_nothing_does(empty_client: TestClient) -> None:
    engine = empty_client.post("/api/engines", json={"name": "Wren"}).json()["id"]
    at = f"/api/engines/{engine}/list"
    made = empty_client.post(at, json={"text": "Rod, brass, bar 1/4\nPin", "unit": "inch"})
    assert [one["name"] for one in made.json()] == ["Rod", "Pin"]
    rod = empty_client.get(f"/api/parts/{made.json()[0]['id']}?unit=mm").json()
    # What it is cut from stays in the unit it was written in.
    assert (rod["blank_typed"], rod["unit"]) == ("bar 1/4", "inch")
    again = empty_client.post(at, json={"text": "Cap\nPin"})
    assert again.status_code == 422
    assert "called Pin already" in again.json()["detail"]
    (kept,) = empty_client.get("/api/engines").json()
    assert [one["name"] for one in kept["parts"]] == ["Rod", "Pin"]


def test_an_engine_to_look_at_comes_with_its_routes_and_goes_again(
    empty_client: TestClient,
) -> None:
    names = empty_client.get("/api/examples").json()
    made = empty_client.post("/api/examples", json={"name": names[0]})
    assert made.status_code == 201
    assert made.json()["name"] == f"{names[0]}, to look at"
    work = empty_client.get(f"/api/engines/{made.json()['id']}/work").json()
    assert all(part["routed"] for part in work["parts"])
    assert empty_client.post("/api/examples", json={"name": names[0]}).status_code == 422
    assert empty_client.post("/api/examples", json={"name": "Nobody's"}).json()["field"] == "name"
    assert empty_client.delete(f"/api/engines/{made.json()['id']}").status_code == 204
    assert empty_client.get("/api/engines").json() == []


def test_kinds_and_families_are_told_in_the_unit_of_the_page(empty_client: TestClient) -> None:
    kinds = empty_client.get("/api/parts/kinds?unit=inch").json()
    bore = next(one for one in kinds if one["key"] == "bore")
    assert bore["example"].startswith("bore 5/8")
    assert bore["drawn"]["section"]["slices"]
    for family in empty_client.get("/api/parts/families?unit=inch").json():
        sizes = {one["key"]: one["example"] for one in family["sizes"]}
        asked = {"family": family["key"], "sizes": sizes, "unit": "inch"}
        assert empty_client.post("/api/parts/family", json=asked).json()["lines"]
    gone = empty_client.post("/api/parts/family", json={"family": "spaceship"})
    assert gone.status_code == 422
    assert gone.json()["field"] == "family"


def test_a_look_lights_the_line_the_cursor_is_in_and_says_what_may_follow(
    empty_client: TestClient,
) -> None:
    lines = ["face at 0", "outside 10, from 0 to 12", "groove 8, 1.5 wide, at 4", "bore"]
    asked = {"blank": "bar 12, 30 long", "metal": "brass", "features": lines}
    look = empty_client.post("/api/parts/look", json=asked | {"at": lines[2]}).json()
    lit = [one["feature"] for one in look["drawn"]["section"]["slices"] if one["now"]]
    assert lit == ["groove 4"]
    assert look["lines"][3]["problem"]
    assert [one["shows"] for one in look["offers"]] == ["+? -?", "called ?"]
    bore = empty_client.post("/api/parts/look", json=asked | {"at": "bore"}).json()
    assert bore["offers"][0]["shows"] == "?"
    # Without a cursor in a line nothing is offered.
    assert empty_client.post("/api/parts/look", json=asked).json()["offers"] == []


def test_every_rule_has_a_picture_of_right_and_of_wrong_that_differ() -> None:
    seen = rules_seen()
    assert set(seen) == {rule.key for rule in RULES}
    assert {one.protects for one in seen.values()} == set(PROTECTS)
    for key, one in seen.items():
        assert one.right != one.wrong, key
