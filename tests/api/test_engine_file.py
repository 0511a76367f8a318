"""An engine's file is the engine: out and in, and what one door refuses the other refuses too."""

from __future__ import annotations

import itertools
import json
import random
import shutil
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import given
from hypothesis import strategies as st

from runk.api.app import create_app
from runk.store.database import Store
from tests.api.parts_at import done_to, seen, version_of
from tests.cases import cases

_NUMBERS = itertools.count()
SHAFTS = ["outside 8 h7, from 0 to 20, called pin", "outside 8 g6, from 0 to 30, called pin"]
HOLES = ["bore 8 H7, from 0 to 12, called hole", "reamed 8 H7, called hole"]
CUT = {"job": "outside", "metal": "brass", "now": "9", "wanted": "8", "limits": "h7"}
MATE = {"there": "8.01, 8.02", "duty": "running"}


@pytest.fixture(scope="module")
def door(templates: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[TestClient]:
    """One client for every engine of the property: they do not know of each other."""
    file = tmp_path_factory.mktemp("engines") / "a shop.sqlite3"
    shutil.copyfile(templates / "empty.sqlite3", file)
    one = Store(f"sqlite:///{file}")
    with TestClient(create_app(one), raise_server_exceptions=False) as client:
        yield client
    one.close()


def _ok(answer: Any) -> Any:
    assert answer.status_code < 300, answer.text
    return answer.json() if answer.content else None


def any_engine(client: TestClient, dice: random.Random, name: str) -> int:
    """An engine with something of everything that can hang on one, by chance."""
    engine = int(_ok(client.post("/api/engines", json={"name": name}))["id"])
    made: list[tuple[int, bool]] = []
    for n in range(dice.randint(1, 4)):
        body = {
            "name": f"Part {n} {'  '.join('äß½'[: dice.randint(0, 3)])}".strip(),
            "metal": "brass",
        }
        part = int(_ok(client.post(f"/api/engines/{engine}/parts", json=body))["id"])
        if dice.random() < 0.15:
            continue
        hollow = dice.random() < 0.5
        lines = ["face at 0", dice.choice(HOLES if hollow else SHAFTS)]
        lines += ["outside 14, from 0 to 12"] if hollow else []
        drawn = {
            "version": 1,
            "metal": dice.choice(["brass", "mild-steel"]),
            "blank": "bar 20",
            "features": lines,
            "notes": dice.choice([[], ["two  spaces", " before"]]),
            "alike": dice.randint(1, 3),
            "harden": dice.random() < 0.2,
        }
        _ok(client.put(f"/api/parts/{part}/drawn", json=drawn))
        made.append((part, hollow))
        _hang(client, dice, part, "hole" if hollow else "pin")
    holes, pins = ([p for p, hollow in made if hollow is way] for way in (True, False))
    for hole, pin in zip(holes, pins, strict=False):
        fit = {"hole_part": hole, "hole_feature": "hole", "shaft_part": pin}
        fit |= {"shaft_feature": "pin", "duty": dice.choice(["running", "push"])}
        _ok(client.post(f"/api/fits?part={hole}", json=seen(client, fit)))
    for what in dice.sample(["M3 nuts", "gasket  paper", "=1+1"], dice.randint(0, 3)):
        want = {
            "what": what,
            "many": dice.randint(1, 9),
            "state": dice.choice(["missing", "ordered", "here"]),
        }
        _ok(client.put(f"/api/engines/{engine}/wanted", json=want))
    return engine


def _hang(client: TestClient, dice: random.Random, part: int, feature: str) -> None:
    if dice.random() < 0.6:
        found = _ok(done_to(client, part, "propose", {}))
        lines = [line for up in found["route"] for line in up["lines"]]
        for line in dice.sample(lines, dice.randint(0, len(lines))):
            _ok(done_to(client, part, "tick", {"mark": line["mark"], "done": True}))
        if dice.random() < 0.4:
            ups = [
                {"hold": u["hold"], "does": [x["line"] for x in u["lines"]]} for u in found["route"]
            ]
            body = {"version": version_of(client, part), "set_ups": ups}
            over = dice.choice([{}, {"face-before-centre": "the bar is short"}])
            _ok(client.put(f"/api/parts/{part}/route", json={**body, "overruled": over}))
    if dice.random() < 0.5:
        _ok(done_to(client, part, "measure", {"feature": feature, "reading": "8.004"}))
    on = {"part_id": part, "feature": feature}
    if dice.random() < 0.6:
        key = f"slate-{next(_NUMBERS)}-key-key"
        kept = {"keep_key": key, "calculator": "speed", "note": dice.choice(["", "a note"])}
        asked = {"operation": "turn", "metal": "brass", "diameter": "20"}
        item = _ok(client.post("/api/slate", json={**kept, "question": asked, **on}))
        _ok(client.patch(f"/api/slate/{item['id']}", json={"ticked": dice.random() < 0.5}))
    mate = None
    if dice.random() < 0.5:
        body = {"keep_key": f"mate-{next(_NUMBERS)}-key-key", "question": MATE, **on}
        mate = int(_ok(client.post("/api/mates", json=body))["id"])
        for n in range(dice.randint(0, 3)):
            read = {
                "event_key": f"m-{next(_NUMBERS)}-key-key",
                "reading": f"7.9{n}",
                "side": "made",
                "sure": True,
            }
            stands = _ok(client.post(f"/api/mates/{mate}/readings", json=read))
            if dice.random() < 0.4:
                undo = {"event_key": f"m-{next(_NUMBERS)}-key-key", "undoes": stands["undoes"]}
                _ok(client.post(f"/api/mates/{mate}/undo", json=undo))
    if dice.random() < 0.5:
        body = {"keep_key": f"cut-{next(_NUMBERS)}-key-key", "question": CUT, "mate_id": mate, **on}
        cut = int(
            _ok(client.post("/api/cuts", json=body | {"simulated": dice.random() < 0.5}))["id"]
        )
        for n in range(dice.randint(0, 4)):
            read = {
                "event_key": f"c-{next(_NUMBERS)}-key-key",
                "reading": f"8.{9 - n}",
                "sure": True,
            }
            stands = _ok(client.post(f"/api/cuts/{cut}/readings", json=read))
            if dice.random() < 0.3:
                undo = {"event_key": f"c-{next(_NUMBERS)}-key-key", "undoes": stands["undoes"]}
                _ok(client.post(f"/api/cuts/{cut}/undo", json=undo))


@cases(12)
@given(st.integers(0, 10**6))
def test_any_engine_out_and_in_and_out_again_is_the_same(door: TestClient, seed: int) -> None:
    dice, name = random.Random(seed), f"Any {next(_NUMBERS)}"
    engine = any_engine(door, dice, name)
    first = door.get(f"/api/engines/{engine}/file").json()
    made = door.post("/api/engines/file", params={"engine": f"{name} again"}, json=first)
    assert made.status_code == 201, made.text
    second = door.get(f"/api/engines/{made.json()['id']}/file").json()
    assert {**second, "engine": name} == first
    # And it reads as the first does.
    for a, b in zip(_parts(door, engine), _parts(door, made.json()["id"]), strict=True):
        assert _plain(a) == _plain(b)


def _parts(client: TestClient, engine: int) -> list[Any]:
    ids = [one["id"] for one in client.get(f"/api/engines/{engine}/work").json()["parts"]]
    return [client.get(f"/api/parts/{part}").json() for part in ids]


def _plain(part: dict[str, Any]) -> dict[str, Any]:
    kept = [{k: v for k, v in one.items() if k != "id"} for one in part["kept"]]
    fits = [{k: v for k, v in one.items() if k not in ("id", "part_id")} for one in part["fits"]]
    own = {k: v for k, v in part.items() if k not in ("id", "engine", "engine_id", "version")}
    return {**own, "kept": kept, "fits": sorted(fits, key=str)}


# What one door refuses, the other refuses too

TYPED: dict[str, Any] = {
    "name": "Pin",
    "metal": "brass",
    "blank": "bar 20",
    "features": ["face at 0", SHAFTS[0]],
    "route": [{"hold": "in a collet", "does": ["face 0: face", "pin: turn"]}],
}
SPOILT: list[tuple[dict[str, Any], str]] = [
    ({"notes": ["x" * 301]}, "notes"),
    ({"notes": ["x"] * 101}, "notes"),
    ({"alike": 0}, "alike"),
    ({"alike": 1001}, "alike"),
    ({"harden": "yes"}, "harden"),
    ({"tries": {"pin": "x" * 201}}, "tries"),
    ({"tries": {"rim": "hole of Bush"}}, "tries"),
    ({"overruled": {"no such rule": "why"}}, "overruled"),
    ({"overruled": {"face-before-centre": "x" * 501}}, "overruled"),
    ({"overruled": {f"rule {n}": "why" for n in range(5000)}}, "overruled"),
    ({"route": [{"hold": "x" * 201, "does": []}]}, "hold"),
    ({"route": [{"hold": "in a collet", "does": ["x" * 301]}]}, "does"),
    ({"route": [{"hold": "in a collet", "does": ["pin: turn", "pin: turn"]}]}, "set_ups"),
    ({"route": [{"hold": "in a collet", "does": ["deburr"] * 300}] * 7}, "set_ups"),
    ({"route": [{"hold": "in a collet", "does": []}] * 101}, "route"),
    ({"done": ["rim: turn"]}, "done"),
    ({"measured": {"rim": "8"}}, "feature"),
    ({"measured": {"pin": "wide"}}, "sizes"),
    ({"metal": "unobtainium"}, "metal"),
    ({"features": ["face at 0"] * 201}, "features"),
    ({"features": ["frobnicate 8"]}, "kind"),
    ({"blank": "x" * 301}, "blank"),
]


@pytest.mark.parametrize(("more", "field"), SPOILT, ids=lambda v: str(v)[:40])
def test_a_file_and_a_room_refuse_the_same(
    client: TestClient, more: dict[str, Any], field: str
) -> None:
    file = {"engine": "Spoilt", "parts": [{**TYPED, **more}]}
    refused = client.post("/api/engines/file", json=file)
    assert refused.status_code == 422, refused.text
    assert len(refused.json()["detail"]) < 400
    assert not [e for e in client.get("/api/engines").json() if e["name"] == "Spoilt"]
    # The same by hand: one of its requests is refused, whichever it belongs to.
    part = _ok(client.post("/api/engines/1/parts", json={"name": "Pin"}))["id"]
    answers = []
    whole = {"version": 1, **{k: v for k, v in {**TYPED, **more}.items() if k in DRAWN_FIELDS}}
    answers.append(client.put(f"/api/parts/{part}/drawn", json=whole))
    plain = {k: v for k, v in TYPED.items() if k in DRAWN_FIELDS}
    if answers[0].status_code != 200:
        return
    route = {"version": version_of(client, part), "set_ups": more.get("route", TYPED["route"])}
    put = client.put(
        f"/api/parts/{part}/route", json=route | {"overruled": more.get("overruled", {})}
    )
    answers.append(put)
    answers += [
        done_to(client, part, "tick", {"mark": one, "done": True}) for one in more.get("done", ())
    ]
    answers += [
        done_to(client, part, "measure", {"feature": name, "reading": reading})
        for name, reading in more.get("measured", {}).items()
    ]
    assert 422 in [one.status_code for one in answers], plain


DRAWN_FIELDS = ("metal", "blank", "features", "notes", "tries", "alike", "harden")


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ('{"engine": "A", "engine": "B", "parts": [{"name": "x"}]}', "twice"),
        ('{"parts": [{"name": "x", "metal": "brass", "metal": "brass"}]}', "twice"),
        ('{"version": true, "parts": [{"name": "x"}]}', "version"),
        ('{"version": 0, "parts": [{"name": "x"}]}', "version"),
        ('{"version": 99, "parts": [{"name": "x"}]}', "version"),
        ('{"parts": [{"name": "x"}], "wanted": [{"what": "nuts", "many": true}]}', "count"),
        ('{"parts": [{"name": "x"}], "wanted": [{"what": "nuts", "many": 0}]}', "count"),
    ],
)
def test_a_file_that_says_what_cannot_be_meant_is_refused(
    client: TestClient, text: str, says: str
) -> None:
    refused = client.post(
        "/api/engines/file?engine=Z", content=text, headers={"content-type": "application/json"}
    )
    assert refused.status_code == 422, refused.text
    assert says in refused.json()["detail"]


@pytest.mark.parametrize(
    ("hole", "shaft"),
    [
        (["Bush", "rim"], ["Pin", "pin"]),
        (["Pin", "pin"], ["Bush", "hole"]),
        (["Pin", "pin"], ["Pin", "pin"]),
    ],
)
def test_what_goes_with_what_in_a_file_is_looked_at(
    client: TestClient, hole: list[str], shaft: list[str]
) -> None:
    bush = {**TYPED, "name": "Bush", "features": ["face at 0", HOLES[0]], "route": []}
    together = {"hole": hole, "shaft": shaft, "duty": "running"}
    file = {"engine": "Spoilt", "parts": [TYPED, bush], "goes_with": [together]}
    assert client.post("/api/engines/file", json=file).status_code == 422
    good = {**together, "hole": ["Bush", "hole"], "shaft": ["Pin", "pin"]}
    assert client.post("/api/engines/file", json={**file, "goes_with": [good]}).status_code == 201


def _one_of_each(client: TestClient) -> dict[str, Any]:
    """A file with a mate, a cut and an answer kept."""
    for seed in range(100):
        engine = any_engine(client, random.Random(seed), f"Each {seed}")
        file: dict[str, Any] = client.get(f"/api/engines/{engine}/file").json()
        if all(file.get(name) for name in ("slate", "mates", "cuts")):
            events = [e for one in ("mates", "cuts") for row in file[one] for e in row["events"]]
            if any("undoes" in e for e in events) and file["cuts"][0]["events"]:
                return file
    raise AssertionError("no engine of a hundred has one of each")


def test_what_hangs_on_a_file_is_looked_at_row_by_row(client: TestClient) -> None:
    file = _one_of_each(client)

    def sent(change: Any) -> Any:
        spoilt = json.loads(json.dumps(file))
        change(spoilt)
        return client.post("/api/engines/file?engine=Spoilt", json=spoilt)

    changes: list[tuple[str, Any]] = [
        ("slate", lambda f: f["slate"][0].update(part="Nobody")),
        ("slate", lambda f: f["slate"][0].update(kept_at="yesterday")),
        ("slate", lambda f: f["slate"][0].update(note="x" * 2001)),
        ("slate", lambda f: f["slate"][0].update(answer={})),
        ("slate", lambda f: f.update(slate=f["slate"] * 2001)),
        ("slate", lambda f: f.update(slate="all")),
        ("cuts", lambda f: f["cuts"][0]["spec"].update(now_mm="wide")),
        ("cuts", lambda f: f["cuts"][0]["spec"].update(job="dig")),
        ("cuts", lambda f: f["cuts"][0].update(mate=99)),
        ("cuts", lambda f: f["cuts"][0]["events"][0].update(sizes_mm=["x"])),
        ("cuts", lambda f: f["cuts"][0]["events"][0].update(undoes=1)),
        (
            "cuts",
            lambda f: f["cuts"][0]["events"].insert(
                0, {"kind": "undo", "undoes": 1, "at": "2026-11-01T00:00:00Z"}
            ),
        ),
        ("cuts", lambda f: f["cuts"][0]["events"][0].pop("at")),
        ("mates", lambda f: f["mates"][0].update(question={"there": ["x"]})),
        ("mates", lambda f: f["mates"][0].update(unit="cubit")),
        ("mates", lambda f: f["mates"][0].update(title=None)),
    ]
    before = client.get("/api/mates").json(), client.get("/api/cuts").json()
    for field, change in changes:
        refused = sent(change)
        assert (refused.status_code, refused.json()["field"]) == (422, field), refused.text
        assert refused.json()["detail"].count("\n") == 0
    # All of a file or nothing of it.
    assert (client.get("/api/mates").json(), client.get("/api/cuts").json()) == before
    assert sent(lambda f: None).status_code == 201
