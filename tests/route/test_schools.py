"""Two schools of one part: each routed, what it costs, and the pieces of a crank built up."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import pytest
from fastapi.testclient import TestClient

from runk.core.refusals import Refused
from runk.core.route.built_up import built_up
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job
from runk.core.route.schools import costed, schools_of
from runk.demo.back_shed import WORKSHOP
from tests.route.shelf import job

PISTON = part_of(
    "piston",
    "grey-iron",
    "bar 20",
    [
        "face at 0",
        "face at 10",
        "outside 17.46 -0.01 -0.02, from 0 to 10, called skirt",
        "tapped 4 BA, called rod hole",
    ],
    tries={"rod hole": "its rod"},
)
COVER = part_of(
    "cover",
    "brass",
    "bar 45",
    ["face at 0", "face at 5", "outside 40, from 0 to 5", "6 holes 3.2 on 31 circle, called studs"],
    tries={"studs": "the cylinder"},
)


def routed(part: Any, **schools: str) -> list[tuple[str, tuple[str, ...]]]:
    found = propose(Job(replace(part, schools=schools), WORKSHOP))
    assert not found.broken
    return [(one.hold, one.does) for one in found.route.set_ups]


def test_a_piston_is_finished_on_its_own_rod_or_apart() -> None:
    assert [one.key for one in schools_of(PISTON)] == ["piston"]
    for school, on_rod in (("bush", False), ("rod", True)):
        held = next(h for h, does in routed(PISTON, piston=school) if "skirt: finish" in does)
        assert ("its own rod" in held) is on_rod


def test_a_gland_and_a_bush_are_no_pistons() -> None:
    for lines in (
        ["face at 0", "outside 12 h7, from 0 to 8", "outside 22, from 8 to 14", "reamed 5 H7"],
        ["face at 0", "outside 12 p6, from 0 to 14", "reamed 5 H7"],
    ):
        part = part_of("it", "brass", "bar 25", lines, tries={"reamed 5": "the rod"})
        assert schools_of(part) == ()


def test_holes_drilled_through_the_mate_are_not_set_out_and_the_pair_is_marked() -> None:
    lines = [line for _, does in routed(COVER, holes="through") for line in does]
    assert "studs: spot" not in lines
    at = lines.index("studs: drill")
    assert lines[at - 1].startswith("note: clamp the cylinder on it")
    assert lines[at + 1].startswith("mark the pair")
    assert "studs: spot" in [line for _, does in routed(COVER) for line in does]


def test_a_crank_built_up_keeps_its_throw_its_sizes_and_its_length() -> None:
    part = job("crankshaft").part
    shaft, webs, pin = built_up(part)
    assert shaft.part.long - shaft.part.begin == part.long - part.begin
    shaft_hole, pin_hole = webs.part.by_key["shaft hole"], webs.part.by_key["pin hole"]
    apart = float(pin_hole.asked.start or 0) - float(shaft_hole.asked.start or 0)
    assert apart == part.by_key["crankpin 8"].throw
    assert (shaft_hole.size, pin_hole.size) == (10, 8)
    # The pin goes through both webs.
    assert pin.part.long == 8 + 6 + 6
    assert webs.part.alike == 2
    twin = built_up(job("twin crank").part)
    assert [one.part.alike for one in twin] == [1, 2, 1, 2, 1]
    for one in (*built_up(part), *twin):
        assert propose(Job(one.part, WORKSHOP)).route.set_ups


def test_both_ways_are_costed_and_what_has_no_web_is_refused() -> None:
    (school,) = schools_of(job("crankshaft").part)
    solid, built = (costed(job("crankshaft"), school, way) for way in school.ways)
    assert (solid.parts, built.parts) == (1, 3)
    assert solid.set_ups == len(propose(job("crankshaft")).route.set_ups)
    assert built.minutes > 0
    bare = part_of(
        "bare",
        "mild-steel",
        "bar 40",
        ["journal 10, from 0 to 20", "crankpin 8, throw 5, from 20 to 30"],
    )
    with pytest.raises(Refused, match="no web"):
        built_up(bare)


def test_a_way_is_taken_and_remembered_and_a_built_crank_is_its_parts(client: TestClient) -> None:
    rows = client.get("/api/engines/1/work").json()["parts"]
    crank = next(one["id"] for one in rows if one["name"] == "Crankshaft")
    part = client.get(f"/api/parts/{crank}").json()
    assert part["asks_schools"] == ["crank"]
    (school,) = client.get(f"/api/parts/{crank}/schools").json()
    assert [way["chosen"] for way in school["ways"]] == [True, False]
    wrong = {"version": part["version"], "school": "crank", "way": "cast"}
    assert client.post(f"/api/parts/{crank}/school", json=wrong).json()["field"] == "way"
    none = {"version": part["version"], "school": "piston", "way": "rod"}
    assert client.post(f"/api/parts/{crank}/school", json=none).json()["field"] == "school"
    taken = {"version": part["version"], "school": "crank", "way": "built"}
    assert client.post(f"/api/parts/{crank}/school", json=taken).status_code == 204
    assert client.post(f"/api/parts/{crank}/school", json=taken).status_code == 409
    after = client.get(f"/api/parts/{crank}").json()
    assert after["schools"] == {"crank": "built"}
    names = {one["name"]: one for one in client.get("/api/engines/1/work").json()["parts"]}
    made = [names[f"Crankshaft: {what}"] for what in ("shaft", "webs", "pin")]
    assert all(one["routed"] and not one["broken"] for one in made)
    webs = client.get(f"/api/parts/{made[1]['id']}").json()
    assert {one["duty"] for one in webs["fits"]} == {"a crank web held by compound"}
