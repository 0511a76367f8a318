"""Nobody waits for another: what is heavy is bounded, worked aside, and given up in time."""

from __future__ import annotations

import ast
import gc
import io
import socket
import sqlite3
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from ezdxf.filemanagement import new as new_drawing
from fastapi.testclient import TestClient
from hypothesis import given
from hypothesis import strategies as st

import runk.api
from runk.api.app import create_app
from runk.core.layout.segments import Segment
from runk.core.naming import plain_name
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.problem import posed
from runk.core.route.reading import part_of
from runk.core.route.route import MOST_LINES, Job, see_bounded
from runk.core.route.search import Search, least
from runk.core.shafts.endfloat import ENDFLOAT
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.formats.set_out_dxf import MOST_PIECES, _chained, read_dxf
from runk.store.copies import backup
from runk.store.database import Store
from tests.api import parts_at
from tests.api.parts_at import done_to, seen
from tests.api.test_stress import Hasty, _ended, serving
from tests.cases import cases

# What an asynchronous route may call: itself it only waits.
ASIDE = {"worked", "filed", "searched"}
LIGHT = {
    *ASIDE,
    "body",
    "page_in",
    "get",
    "replace",
    "fullmatch",
    "exists",
    "read_text",
    "read_bytes",
}


def _routes() -> Iterator[tuple[str, ast.AsyncFunctionDef]]:
    folder = Path(runk.api.__file__).parent
    for file in sorted(folder.glob("*.py")):
        for node in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
            if isinstance(node, ast.AsyncFunctionDef) and any(
                "routes." in ast.unparse(one) for one in node.decorator_list
            ):
                yield f"{file.name}:{node.name}", node


@pytest.mark.parametrize(
    ("name", "route"), list(_routes()), ids=lambda v: v if isinstance(v, str) else ""
)
def test_no_route_works_where_everybody_waits(name: str, route: ast.AsyncFunctionDef) -> None:
    body = [node for statement in route.body for node in ast.walk(statement)]
    for call in (node for node in body if isinstance(node, ast.Call)):
        called = call.func.attr if isinstance(call.func, ast.Attribute) else ast.unparse(call.func)
        assert called in LIGHT, f"{name} calls {called} in the event loop"
    assert any(isinstance(node, ast.Await) for node in body), name


def test_there_are_such_routes_to_look_at() -> None:
    assert len(list(_routes())) > 15


# The end float of more pieces than a shaft has


@pytest.mark.parametrize(("many", "fine"), [(59, True), (60, False), (99, False)])
def test_pieces_are_counted_in_all(many: int, fine: bool) -> None:
    typed = {"room": f"{many + 1} +0.05 -0", "stack": f"{many} x washer 1 +0.001 -0.002"}
    try:
        read_question(ENDFLOAT, typed, PageUnit.MM, WORKSHOP)
    except Refused as refused:
        assert not fine
        assert "60 at most" in refused.says
    else:
        assert fine


# Searches


def _steps(n: int) -> Job:
    lines = ["face at 0", f"face at {4 * n}"]
    lines += [
        f"outside {40 - abs(i - n / 2) / 2:g} h7, from {4 * i} to {4 * i + 4}" for i in range(n)
    ]
    return Job(part_of("stepped", "brass", "bar 45", lines), WORKSHOP)


def test_a_search_out_of_time_ends_with_a_route_and_proves_nothing() -> None:
    problem = posed(_steps(6), frozenset())
    hours = iter(range(0, 10**9, 4))
    hurried = least(problem, clock=lambda: float(next(hours)))
    proved = least(problem)
    assert proved is not None
    assert hurried is not None
    assert Search(problem).cost_of(hurried.moves) == hurried.cost >= proved.cost
    assert hurried.bound <= proved.cost


def test_where_not_even_that_is_done_in_time_it_is_said() -> None:
    days = iter(range(0, 10**12, 10**5))
    with pytest.raises(Refused, match="No route was found in 15 seconds"):
        least(posed(_steps(40), frozenset()), clock=lambda: float(next(days)))


def test_after_a_search_and_after_a_refused_one_the_collector_comes_again(
    client: TestClient,
) -> None:
    for version, status in ((0, 409), (parts_at.version_of(client, 6), 200)):
        assert client.post("/api/parts/6/propose", json={"version": version}).status_code == status
        assert gc.isenabled()


@pytest.mark.parametrize(
    ("does", "word"),
    [
        ([["a: turn"], ["a: turn"]], "stands twice"),
        ([["deburr"] * (MOST_LINES + 1)], "too many"),
        ([["x" * 301]], "300 characters"),
    ],
)
def test_a_route_has_only_so_many_lines(does: list[list[str]], word: str) -> None:
    with pytest.raises(Refused, match=word):
        see_bounded([{"does": one} for one in does])
    see_bounded([{"does": ["a: turn", "deburr", "try a: b"]}, {"does": ["deburr", "try a: b"]}])


# Drawings


def _dxf(lines: list[tuple[Any, Any]]) -> bytes:
    drawing = new_drawing("R2010", units=4)
    for a, b in lines:
        drawing.modelspace().add_line(a, b)
    out = io.StringIO()
    drawing.write(out)
    return out.getvalue().encode()


def test_a_drawing_has_only_so_many_lines() -> None:
    apart = [((n * 3, 0), (n * 3 + 1, 0)) for n in range(MOST_PIECES + 1)]
    with pytest.raises(Refused, match="too many for one face"):
        read_dxf(_dxf(apart))


@pytest.mark.parametrize("far", ["nan", "inf", "-1e400", "1e300"])
def test_a_place_that_is_no_number_is_no_drawing(far: str) -> None:
    body = _dxf([((0, 0), (12, 0)), ((12, 0), (12, 9)), ((12, 9), (0, 0))])
    circles = new_drawing("R2010", units=4)
    circles.modelspace().add_circle((77.125, 5), 2)
    out = io.StringIO()
    circles.write(out)
    # Ours reads, and with a place that is no number it does not.
    with pytest.raises(Refused, match="no DXF drawing"):
        read_dxf(out.getvalue().encode().replace(b"77.125", far.encode()))
    assert len(read_dxf(body).corners) == 3


@cases(60)
@given(st.integers(3, 40), st.randoms(use_true_random=False))
def test_a_loop_drawn_in_any_order_and_direction_is_one_loop(corners: int, dice: Any) -> None:
    places = [(10.0 * n, float((n * n * 7) % 53)) for n in range(corners)]
    pieces = [Segment(a, b) for a, b in zip(places, [*places[1:], places[0]], strict=True)]
    mixed = [one.back() if dice.random() < 0.5 else one for one in pieces]
    dice.shuffle(mixed)
    (loop,) = _chained(mixed)
    assert {one.start for one in loop} == set(places)
    assert all(a.end == b.start for a, b in zip(loop, [*loop[1:], loop[0]], strict=True))


# What is thrown away lets go


def _pair(client: TestClient) -> tuple[int, int, int]:
    ids = []
    for name, line in (
        ("Trial bush", "bore 8 H7, from 0 to 12, called hole"),
        ("Trial pin", "outside 8 h6, from 0 to 20, called pin"),
    ):
        part = client.post("/api/engines/1/parts", json={"name": name, "metal": "brass"}).json()
        version = client.get(f"/api/parts/{part['id']}").json()["version"]
        body = {"version": version, "metal": "brass", "blank": "bar 16", "features": [line]}
        assert client.put(f"/api/parts/{part['id']}/drawn", json=body).status_code == 200
        ids.append(part["id"])
    bush, pin = ids
    body = {
        "hole_part": bush,
        "hole_feature": "hole",
        "shaft_part": pin,
        "shaft_feature": "pin",
        "duty": "running",
    }
    made = client.post(f"/api/fits?part={bush}", json=seen(client, body))
    assert made.status_code < 300, made.text
    fit = client.get(f"/api/parts/{bush}").json()["fits"][0]["id"]
    return bush, pin, fit


def test_a_part_gone_is_gone_for_its_mates_and_comes_back_whole(client: TestClient) -> None:
    bush, pin, fit = _pair(client)
    assert client.delete(f"/api/parts/{pin}").status_code == 204
    left = client.get(f"/api/parts/{bush}")
    assert left.status_code == 200
    assert left.json()["fits"] == []
    says = ["hole went with pin of Trial pin, which is thrown away"]
    assert left.json()["asleep"] == says
    # What is written is answered as written.
    body = {"feature": "hole", "reading": "8.01"}
    assert done_to(client, bush, "measure", body).status_code == 200
    assert client.post(f"/api/parts/{pin}/back").status_code < 300
    again = client.get(f"/api/parts/{bush}").json()
    assert ([one["id"] for one in again["fits"]], again["asleep"]) == ([fit], [])
    # A fit may be taken out while its other side is gone.
    client.delete(f"/api/parts/{pin}")
    assert client.delete(f"/api/fits/{fit}").status_code == 204
    client.post(f"/api/parts/{pin}/back")
    assert client.get(f"/api/parts/{bush}").json()["fits"] == []


def test_undo_makes_no_twins(client: TestClient) -> None:
    first = client.post("/api/engines", json={"name": "Wren"}).json()["id"]
    client.delete(f"/api/engines/{first}")
    client.post("/api/engines", json={"name": "Wren"})
    back = client.post(f"/api/engines/{first}/back")
    assert back.status_code == 422
    assert "Wren" in back.json()["detail"]
    other = back.json()["suggest"]
    assert client.post(f"/api/engines/{first}/back?name={other}").status_code == 204
    assert [e["name"] for e in client.get("/api/engines").json()].count(other) == 1
    bush, _, fit = _pair(client)
    assert client.post("/api/engines/1/parts", json={"name": "Trial bush"}).status_code == 422
    client.delete(f"/api/parts/{bush}")
    client.post("/api/engines/1/parts", json={"name": "Trial bush", "metal": "brass"})
    assert client.post(f"/api/parts/{bush}/back").status_code == 422
    assert fit


# Backups, names, slow bodies


def test_a_damaged_store_is_not_backed_up_and_the_last_good_copy_is_named(
    filled: Store, tmp_path: Path
) -> None:
    good, bad = tmp_path / "monday.sqlite3", tmp_path / "tuesday.sqlite3"
    filled.close()
    backup(filled.file, good)
    whole = filled.file.read_bytes()
    filled.file.write_bytes(whole[:20_000] + b"\xff" * 9_000 + whole[29_000:])
    with pytest.raises(Refused, match="damaged") as refused:
        backup(filled.file, bad)
    assert not bad.exists()
    assert not list(tmp_path.glob("*.part"))
    assert str(good) in refused.value.says
    filled.file.write_bytes(whole)
    with sqlite3.connect(filled.file) as newer:
        newer.execute("UPDATE alembic_version SET version_num = '9999'")
    with pytest.raises(Refused, match="newer Runk"):
        backup(filled.file, bad)
    assert not bad.exists()


@pytest.mark.parametrize("hidden", ["\u3164", "\u2800", "\u115f", "\u2028", "\u2029", "\u202e"])
def test_a_name_nobody_sees_is_no_name(hidden: str) -> None:
    with pytest.raises(Refused, match="cannot be seen"):
        plain_name(f"Wr{hidden}en", 40, "engine")
    with pytest.raises(Refused):
        plain_name(hidden, 40, "engine")


class Brisk(Hasty):
    head_s, body_s = 20.0, 0.2


def test_half_a_body_is_closed_too(store: Store, capfd: pytest.CaptureFixture[str]) -> None:
    with serving(create_app(store), Brisk) as port:
        head = b"POST /api/ask HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 1000\r\n\r\n{"
        held = [socket.create_connection(("127.0.0.1", port), timeout=20) for _ in range(3)]
        for one in held:
            one.sendall(head)
        assert all(_ended(one) for one in held)
        for one in held:
            one.close()
        with socket.create_connection(("127.0.0.1", port), timeout=20) as asks:
            asks.sendall(b"GET /api/alive HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n")
            assert asks.recv(4096).startswith(b"HTTP/1.1 200")
    # Whoever went away in the middle is no fault of Runk's.
    assert "Traceback" not in capfd.readouterr().err


# An engine's file is the engine


def test_an_engines_file_out_and_in_and_out_again_is_the_same(client: TestClient) -> None:
    put = {"what": "M3 nuts", "many": 6, "state": "ordered", "bought": True}
    assert client.put("/api/engines/1/wanted", json=put).status_code < 300
    part = client.get("/api/parts/6").json()
    client.post("/api/parts/6/propose", json={"version": part["version"]})
    first = client.get("/api/engines/1/file").json()
    assert any(one.get("proved") for one in first["parts"])
    assert any(one.get("reasons") for one in first["parts"])
    assert [one["state"] for one in first["wanted"] if one["what"] == "M3 nuts"] == ["ordered"]
    again = client.post("/api/engines/file?engine=Second", json=first)
    assert again.status_code == 201, again.text
    second = client.get(f"/api/engines/{again.json()['id']}/file").json()
    assert {**second, "engine": first["engine"]} == first


@pytest.mark.parametrize(
    "spoilt",
    [
        {"wanted": [{"what": "", "many": 1}]},
        {"wanted": [{"what": "nuts", "many": "six"}]},
        {"wanted": [{"what": "nuts", "many": 1, "state": "lost"}]},
        {"wanted": [{"what": "nuts"}] * 301},
    ],
)
def test_what_is_wanted_in_a_file_is_looked_at(client: TestClient, spoilt: dict[str, Any]) -> None:
    document = {**client.get("/api/engines/1/file").json(), **spoilt}
    refused = client.post("/api/engines/file?engine=Spoilt", json=document)
    assert refused.status_code == 422
    assert refused.json()["field"] == "wanted"


@pytest.mark.parametrize(
    ("more", "field"),
    [
        ({"proved": "yes"}, "proved"),
        ({"at_least": True}, "proved"),
        ({"reasons": [{"rule": "x"}]}, "reasons"),
        ({"reasons": [{"rule": "x", "says": "y" * 1001}]}, "reasons"),
    ],
)
def test_a_proof_in_a_file_is_looked_at(
    client: TestClient, more: dict[str, Any], field: str
) -> None:
    document = client.get("/api/engines/1/file").json()
    routed = next(one for one in document["parts"] if one.get("route"))
    routed |= more
    refused = client.post("/api/engines/file?engine=Spoilt", json=document)
    assert (refused.status_code, refused.json()["field"]) == (422, field)


def test_a_file_that_goes_out_comes_in_however_long_its_notes(client: TestClient) -> None:
    part = client.get("/api/parts/6").json()
    body = {
        "version": part["version"],
        "metal": part["metal"],
        "blank": part["blank_typed"],
        "features": [one["typed"] for one in part["features"]],
    }
    over = client.put("/api/parts/6/drawn", json={**body, "notes": ["x" * 301], "sure": True})
    assert over.status_code == 422
    whole = {**body, "notes": ["see http://elsewhere.example, x" + "y" * 260], "sure": True}
    assert client.put("/api/parts/6/drawn", json=whole).status_code == 200
    document = client.get("/api/engines/1/file").json()
    document["parts"] += [
        {**document["parts"][0], "name": f"Copy {n}", "notes": ["n" * 300] * 90} for n in range(12)
    ]
    # Over a quarter of a megabyte: what went out may come in.
    made = client.post("/api/engines/file?engine=Large", json=document)
    assert made.status_code == 201, made.text
    sheet = client.get("/api/parts/6/sheet.md").text
    assert "http://" not in sheet
    assert "elsewhere" in sheet


# Aside is beside one another: what is made when it is first asked is made once and whole

_AT_ONCE = """
import sys, threading
from pydantic_core import to_json
from runk.api.calculators import answer_typed
from runk.core.catalogue import CATALOGUE
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
sys.setswitchinterval(1e-5)
names = ("slit", "circle", "screwcut", "tighten", "tap", "endfloat", "path", "why", "speed", "plan")
said = {name: [] for name in names}
ready = threading.Barrier(8)
def ask(first):
    ready.wait()
    for n in range(len(names)):
        name = names[(first + n) % len(names)]
        asked = dict(CATALOGUE[name].opening)
        said[name].append(to_json(answer_typed(CATALOGUE[name], asked, PageUnit.MM, WORKSHOP)))
threads = [threading.Thread(target=ask, args=(n // 2,)) for n in range(8)]
for one in threads: one.start()
for one in threads: one.join()
print(sorted(name for name, answers in said.items() if len(set(answers)) > 1 or len(answers) < 8))
"""


def test_first_asked_by_eight_at_once_every_answer_is_whole() -> None:
    code = [sys.executable, "-c", _AT_ONCE]
    found = subprocess.run(code, capture_output=True, text=True, check=True)
    assert found.stdout.strip() == "[]", found.stderr
