"""One door for every change: eight at once through every writing route there is."""

from __future__ import annotations

import threading
from collections.abc import Callable
from dataclasses import asdict, dataclass
from typing import Any

import pytest
from fastapi.testclient import TestClient

from runk.demo.back_shed import LATHE
from tests.api.parts_at import seen, version_of

AT_ONCE = 8
Body = Callable[[int], Any]
NOT_WRITING = {
    "/api/ask",
    "/api/setout/read",
    "/api/practice",
    "/api/practice/groove",
    "/api/engines/{engine_id}/kit",
    "/api/parts/look",
    "/api/parts/told",
    "/api/parts/family",
    "/api/sign-in",
    "/api/sign-out",
}
"""What is asked by POST and changes nothing that is kept."""


@dataclass(frozen=True)
class Meeting:
    """Eight requests that meet, and what must come of them.

    ``one``: exactly one is taken, the others told why. ``same``: all are told the same, and it
    is there once. ``all``: none gets in another's way.
    """

    path: str
    body: Body
    comes: str


PLAN = {"job": "outside", "metal": "brass", "now": "16", "wanted": "14"}
MATE = {"there": "15.4", "duty": "running"}
SPEED = {"operation": "turn", "metal": "brass", "diameter": "20"}


def machine(name: str) -> dict[str, Any]:
    return asdict(LATHE) | {"name": name}


def kept_machine(client: TestClient) -> str:
    return str(post(client, "/api/machines", {"machine": machine("Kept")})["machine"]["key"])


def kept_metal(client: TestClient) -> str:
    return str(post(client, "/api/metals", {"metal": metal("Kept metal")})["metal"]["key"])


def metal(name: str) -> dict[str, Any]:
    return {
        "key": "",
        "name": name,
        "like": "brass",
        "designation": "",
        "magnet": "",
        "figures": {},
    }


def kept_tool(client: TestClient) -> int:
    body = {"kind": "reamer", "series": "machine", "size": "7.777", "name": "7.777 mm"}
    return int(post(client, "/api/tools", body)["id"])


def kept_item(client: TestClient) -> int:
    return int(post(client, "/api/slate", keeping("kept-item-1"))["id"])


def keeping(key: str) -> dict[str, Any]:
    return {"keep_key": key, "calculator": "speed", "question": SPEED}


def kept_engine(client: TestClient) -> int:
    return int(post(client, "/api/engines", {"name": "Kept engine"})["id"])


def kept_part(client: TestClient) -> int:
    path = f"/api/engines/{kept_engine(client)}/parts"
    return int(post(client, path, {"name": "Kept part"})["id"])


DRAWN = {"blank": "bar 12", "features": ["face at 0", "outside 10, from 0 to 8"]}


def drawn_part(client: TestClient) -> int:
    part = kept_part(client)
    response = client.put(f"/api/parts/{part}/drawn", json={"version": 1, **DRAWN})
    assert response.status_code == 200, response.text
    return part


FILE = {"parts": [{"name": "x", "metal": "brass", **DRAWN}]}
FIT: dict[str, Any] = {}


def fitted(client: TestClient) -> dict[str, Any]:
    """Two parts that may go together, and what is sent to say so."""
    shaft = drawn_part(client)
    hole = int(post(client, "/api/engines/1/parts", {"name": "Kept bush"})["id"])
    body = {"version": 1, "blank": "bar 20", "features": ["bore 10, from 0 to 8, called hole"]}
    assert client.put(f"/api/parts/{hole}/drawn", json=body).status_code == 200
    FIT.update(
        hole_part=hole,
        hole_feature="hole",
        shaft_part=shaft,
        shaft_feature="outside 10",
        duty="running",
    )
    FIT.update(seen(client, FIT))
    return FIT


def kept_fit(client: TestClient) -> int:
    body = fitted(client)
    return int(post(client, f"/api/fits?part={body['shaft_part']}", body)["fits"][0]["id"])


def kept_cut(client: TestClient) -> int:
    body = {"keep_key": "kept-cut-01", "question": PLAN, "simulated": True}
    return int(post(client, "/api/cuts", body)["id"])


def kept_thread(client: TestClient) -> int:
    body = {"keep_key": "kept-cut-02", "calculator": "screwcut", "question": {"thread": "M10"}}
    return int(post(client, "/api/cuts", body)["id"])


def put_want(client: TestClient) -> str:
    client.put("/api/engines/1/wanted", json={"what": "circlips"})
    return "circlips"


def crank_id(client: TestClient) -> int:
    """A crankshaft drawn and never routed since."""
    rows = client.get("/api/engines/1/work").json()["parts"]
    return next(int(one["id"]) for one in rows if one["name"] == "Crankshaft")


def kept_mate(client: TestClient) -> int:
    return int(post(client, "/api/mates", {"keep_key": "kept-mate-1", "question": MATE})["id"])


def post(client: TestClient, path: str, body: Any) -> Any:
    response = client.post(path, json=body)
    assert response.status_code in (200, 201), response.text
    return response.json()


def gone(client: TestClient, path: str) -> str:
    assert client.delete(path).status_code == 204
    return f"{path}/back"


def _none(_: int) -> None:
    return None


def _reading(n: int) -> dict[str, Any]:
    return {"event_key": f"reading-{n:03d}", "reading": "15.5", "after": 0, "sure": True}


MEETINGS: dict[str, Callable[[TestClient], Meeting]] = {
    "POST /api/machines": lambda _: Meeting(
        "/api/machines", lambda _n: {"machine": machine("One")}, "one"
    ),
    "POST /api/machines/from-plate": lambda _: Meeting(
        "/api/machines/from-plate",
        lambda _n: {"question": {"kind": "lathe", "speeds": "290 500 860"}},
        "all",
    ),
    "PUT /api/machines/{key}": lambda c: Meeting(
        f"/api/machines/{kept_machine(c)}",
        lambda n: {"machine": machine("Kept") | {"power_w": 300 + n}, "version": 1},
        "one",
    ),
    "DELETE /api/machines/{key}": lambda c: Meeting(
        f"/api/machines/{kept_machine(c)}", _none, "one"
    ),
    "POST /api/machines/{key}/back": lambda c: Meeting(
        gone(c, f"/api/machines/{kept_machine(c)}"), _none, "all"
    ),
    "POST /api/metals": lambda _: Meeting("/api/metals", lambda _n: {"metal": metal("One")}, "one"),
    "PUT /api/metals/{key}": lambda c: Meeting(
        f"/api/metals/{kept_metal(c)}",
        lambda n: {"metal": metal("Kept metal") | {"designation": f"by {n}"}, "version": 1},
        "one",
    ),
    "DELETE /api/metals/{key}": lambda c: Meeting(f"/api/metals/{kept_metal(c)}", _none, "one"),
    "POST /api/metals/{key}/back": lambda c: Meeting(
        gone(c, f"/api/metals/{kept_metal(c)}"), _none, "all"
    ),
    "POST /api/tools": lambda _: Meeting(
        "/api/tools",
        lambda _n: {"kind": "reamer", "series": "machine", "size": "7.7", "name": "7.7 mm"},
        "one",
    ),
    "POST /api/tools/sets/{key}": lambda _: Meeting("/api/tools/sets/number", _none, "all"),
    "POST /api/tools/csv": lambda _: Meeting(
        "/api/tools/csv", lambda n: f"kind,name,state\ndrill,4 mm,{STATES[n % 4]}\n".encode(), "all"
    ),
    "PATCH /api/tools/{tool}": lambda c: Meeting(
        f"/api/tools/{kept_tool(c)}", lambda n: {"version": 1, "state": STATES[1 + n % 3]}, "one"
    ),
    "DELETE /api/tools/{tool}": lambda c: Meeting(f"/api/tools/{kept_tool(c)}", _none, "one"),
    "POST /api/tools/{tool}/back": lambda c: Meeting(
        gone(c, f"/api/tools/{kept_tool(c)}"), _none, "all"
    ),
    "POST /api/slate": lambda _: Meeting("/api/slate", lambda _n: keeping("once-only-1"), "same"),
    "PUT /api/slate/{item}/place": lambda c: Meeting(
        f"/api/slate/{kept_item(c)}/place", lambda n: {("before", "after")[n % 2]: 1}, "all"
    ),
    "PATCH /api/slate/{item}": lambda c: Meeting(
        f"/api/slate/{kept_item(c)}", lambda n: {"note": f"note {n}"}, "all"
    ),
    "DELETE /api/slate/{item}": lambda c: Meeting(f"/api/slate/{kept_item(c)}", _none, "one"),
    "POST /api/slate/{item}/back": lambda c: Meeting(
        gone(c, f"/api/slate/{kept_item(c)}"), _none, "all"
    ),
    "POST /api/engines": lambda _: Meeting("/api/engines", lambda _n: {"name": "One"}, "one"),
    "PATCH /api/engines/{engine_id}": lambda c: Meeting(
        f"/api/engines/{kept_engine(c)}", lambda n: {"name": f"Engine {n}"}, "all"
    ),
    "POST /api/engines/{engine_id}/parts": lambda c: Meeting(
        f"/api/engines/{kept_engine(c)}/parts", lambda _n: {"name": "One"}, "one"
    ),
    "POST /api/engines/{engine_id}/list": lambda c: Meeting(
        f"/api/engines/{kept_engine(c)}/list", lambda _n: {"text": "One\nTwo"}, "one"
    ),
    "POST /api/examples": lambda _: Meeting("/api/examples", lambda _n: {"name": "Dunnock"}, "one"),
    "PATCH /api/parts/{part_id}": lambda c: Meeting(
        f"/api/parts/{kept_part(c)}", lambda n: {"name": f"Part {n}"}, "all"
    ),
    "DELETE /api/engines/{item}": lambda c: Meeting(f"/api/engines/{kept_engine(c)}", _none, "all"),
    "POST /api/engines/{item}/back": lambda c: Meeting(
        gone(c, f"/api/engines/{kept_engine(c)}"), _none, "all"
    ),
    "DELETE /api/parts/{item}": lambda c: Meeting(f"/api/parts/{kept_part(c)}", _none, "all"),
    "POST /api/parts/{item}/back": lambda c: Meeting(
        gone(c, f"/api/parts/{kept_part(c)}"), _none, "all"
    ),
    "PUT /api/parts/{part_id}/drawn": lambda c: Meeting(
        f"/api/parts/{kept_part(c)}/drawn", lambda _n: {"version": 1, **DRAWN}, "one"
    ),
    "PUT /api/parts/{part_id}/route": lambda c: Meeting(
        f"/api/parts/{drawn_part(c)}/route", lambda _n: {"version": 2, "set_ups": []}, "one"
    ),
    "POST /api/parts/{part_id}/propose": lambda c: Meeting(
        f"/api/parts/{drawn_part(c)}/propose", lambda _n: {"version": 2}, "one"
    ),
    "POST /api/parts/{part_id}/tick": lambda c: Meeting(
        f"/api/parts/{drawn_part(c)}/tick",
        lambda _n: {"version": 2, "mark": "face 0: face", "done": True},
        "same",
    ),
    "POST /api/engines/file": lambda _: Meeting(
        "/api/engines/file?engine=One", lambda _n: FILE, "one"
    ),
    "POST /api/parts/{part_id}/measure": lambda c: Meeting(
        f"/api/parts/{drawn_part(c)}/measure",
        lambda _n: {"version": 2, "feature": "outside 10", "reading": "9.99"},
        "same",
    ),
    "POST /api/fits": lambda c: Meeting(
        f"/api/fits?part={fitted(c)['shaft_part']}", lambda _n: FIT, "same"
    ),
    "DELETE /api/fits/{fit_id}": lambda c: Meeting(f"/api/fits/{kept_fit(c)}", _none, "all"),
    "POST /api/fits/{fit_id}/back": lambda c: Meeting(
        gone(c, f"/api/fits/{kept_fit(c)}"), _none, "all"
    ),
    "POST /api/cuts": lambda _: Meeting(
        "/api/cuts", lambda _n: {"keep_key": "once-only-2", "question": PLAN}, "same"
    ),
    "DELETE /api/cuts/{cut}": lambda c: Meeting(f"/api/cuts/{kept_cut(c)}", _none, "one"),
    "POST /api/cuts/{cut}/back": lambda c: Meeting(
        gone(c, f"/api/cuts/{kept_cut(c)}"), _none, "all"
    ),
    "POST /api/cuts/{cut}/readings": lambda c: Meeting(
        f"/api/cuts/{kept_cut(c)}/readings", _reading, "one"
    ),
    "POST /api/cuts/{cut}/gauge": lambda c: Meeting(
        f"/api/cuts/{kept_cut(c)}/gauge",
        lambda n: {"event_key": f"gauge-{n:05d}", "after": 0},
        "one",
    ),
    "POST /api/cuts/{cut}/done": lambda c: Meeting(
        f"/api/cuts/{kept_cut(c)}/done", lambda _n: {"event_key": "done-once"}, "same"
    ),
    "POST /api/cuts/{cut}/tried": lambda c: Meeting(
        f"/api/cuts/{kept_thread(c)}/tried",
        lambda _n: {"event_key": "tried-once", "went": "tight"},
        "same",
    ),
    "POST /api/mates": lambda _: Meeting(
        "/api/mates", lambda _n: {"keep_key": "once-only-3", "question": MATE}, "same"
    ),
    "DELETE /api/mates/{mate}": lambda c: Meeting(f"/api/mates/{kept_mate(c)}", _none, "one"),
    "POST /api/mates/{mate}/back": lambda c: Meeting(
        gone(c, f"/api/mates/{kept_mate(c)}"), _none, "all"
    ),
    "POST /api/parts/{part_id}/school": lambda c: Meeting(
        f"/api/parts/{crank_id(c)}/school", _solid(version_of(c, crank_id(c))), "one"
    ),
    "PUT /api/engines/{engine_id}/wanted": lambda _: Meeting(
        "/api/engines/1/wanted", lambda n: {"what": "circlips", "many": n + 1}, "all"
    ),
    "DELETE /api/engines/{engine_id}/wanted": lambda c: Meeting(
        f"/api/engines/1/wanted?what={put_want(c)}", _none, "all"
    ),
    "PUT /api/mates/{mate}/of": lambda c: Meeting(
        f"/api/mates/{kept_mate(c)}/of", lambda _n: {"part_id": 1, "feature": "bore"}, "all"
    ),
    "POST /api/mates/{mate}/readings": lambda c: Meeting(
        f"/api/mates/{kept_mate(c)}/readings", lambda n: _reading(n) | {"side": "made"}, "one"
    ),
    "POST /api/mates/{mate}/undo": lambda c: Meeting(
        _undoing_mate(c), lambda _n: {"event_key": "undo-once", "undoes": 1}, "same"
    ),
    "POST /api/cuts/{cut}/undo": lambda c: Meeting(
        _undoing(c), lambda _n: {"event_key": "undo-once", "undoes": 1}, "same"
    ),
}
STATES = ("sound", "missing", "bent", "blunt")


def _undoing(client: TestClient) -> str:
    path = f"/api/cuts/{kept_cut(client)}"
    post(client, f"{path}/done", {"event_key": "first-done"})
    return f"{path}/undo"


def _undoing_mate(client: TestClient) -> str:
    path = f"/api/mates/{kept_mate(client)}"
    post(client, f"{path}/readings", _reading(0) | {"side": "made"})
    return f"{path}/undo"


def _solid(version: int) -> Body:
    return lambda _n: {"version": version, "school": "crank", "way": "solid"}


def writing_routes(client: TestClient) -> set[str]:
    """Every route that may change what is kept, as the server itself describes them."""
    paths = client.app.openapi()  # type: ignore[attr-defined]
    return {
        f"{method.upper()} {path}"
        for path, ways in paths["paths"].items()
        for method in ways
        if method != "get" and path not in NOT_WRITING and not path.startswith("/api/calc/")
    }


def test_every_writing_route_is_met_here(client: TestClient) -> None:
    assert writing_routes(client) == set(MEETINGS)


@pytest.mark.parametrize("route", MEETINGS)
def test_eight_at_once(client: TestClient, route: str) -> None:
    meeting, method = MEETINGS[route](client), route.split()[0]
    barrier, found = threading.Barrier(AT_ONCE), []

    def send(number: int) -> None:
        body = meeting.body(number)
        given: dict[str, Any] = {"json": body}
        if isinstance(body, bytes):
            given = {"content": body, "headers": {"content-type": "text/csv"}}
        barrier.wait()
        found.append(client.request(method, meeting.path, **given))

    threads = [threading.Thread(target=send, args=(n,)) for n in range(AT_ONCE)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    taken = [r for r in found if r.status_code < 300]
    refused = [r for r in found if r.status_code >= 300]
    assert len(found) == AT_ONCE
    assert all(r.status_code in (409, 422) and r.json()["detail"] for r in refused), found
    if meeting.comes == "one":
        assert len(taken) == 1, [r.text for r in found]
        # Of what was saved elsewhere both sides are shown.
        assert all(r.json()["theirs"] for r in refused if r.status_code == 409)
    else:
        assert not refused, refused[0].text
    if meeting.comes == "same":
        assert len({r.text for r in taken}) == 1
