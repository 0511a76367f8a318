"""The house under stress: what an attack or a full disk may not do, each point by itself."""

from __future__ import annotations

import itertools
import json
import socket
import sqlite3
import threading
from collections.abc import Iterator
from contextlib import closing, contextmanager
from dataclasses import asdict, replace
from fractions import Fraction
from pathlib import Path
from typing import Any

import pytest
import uvicorn
from alembic import op
from fastapi.testclient import TestClient
from sqlalchemy import Connection, event

from runk.api.app import create_app
from runk.api.cutbook import CutBook
from runk.api.door import COOKIE, EVERYBODY_TRIES, Door, token_of
from runk.api.every_page import read_every_page
from runk.api.guard import LOCAL_HOSTS, host_of
from runk.api.patience import Patient
from runk.core.catalogue import CATALOGUE
from runk.core.kinds.base import LONGEST_TYPED
from runk.core.machines.machine import Dial, check_machine
from runk.core.plan.events import Event, EventKind
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.tools import ShopTool, ToolKind
from runk.core.units import PageUnit
from runk.demo.back_shed import LATHE, WORKSHOP
from runk.formats.tools_csv import read_tools_csv, tools_csv
from runk.server import listening
from runk.store.copies import backup, restore
from runk.store.cuts import MOST_LISTED
from runk.store.database import Store
from runk.store.migrate import known_versions, version_of
from tests.api import parts_at
from tests.api.test_cutbook import begun

CALM = {"x-content-type-options", "referrer-policy", "x-frame-options"}
JSON = {"content-type": "application/json"}
LOCAL = "http://127.0.0.1:8765"


def problem(response: Any, status: int) -> dict[str, Any]:
    assert response.status_code == status, response.text
    assert response.headers["content-type"] == "application/problem+json"
    assert set(response.headers) >= CALM
    body: dict[str, Any] = response.json()
    assert body["detail"].endswith((".", "?"))
    return body


# 1: nothing typed or sent can take long


@pytest.mark.parametrize("path", ["/api/slate", "/api/sheet/csv?metals=brass", "/api/calculators"])
def test_a_foreign_page_may_not_ask_either(client: TestClient, path: str) -> None:
    for foreign in ("cross-site", "same-site"):
        problem(client.get(path, headers={"sec-fetch-site": foreign}), 403)
    assert client.get(path, headers={"sec-fetch-site": "same-origin"}).status_code == 200
    assert client.get("/", headers={"sec-fetch-site": "cross-site"}).status_code != 403


@pytest.mark.parametrize("name", sorted(CATALOGUE))
def test_every_text_is_bounded_before_anything_reads_it(asking: TestClient, name: str) -> None:
    calculator = CATALOGUE[name]
    for field, filler in zip(
        calculator.fields, itertools.cycle((" ", "9+", "(brass ")), strict=False
    ):
        text = (filler * LONGEST_TYPED)[:LONGEST_TYPED]
        at_bound = asking.post(f"/api/calc/{name}", json=calculator.opening | {field: text})
        assert at_bound.status_code in (200, 422)
        over = asking.post(f"/api/calc/{name}", json=calculator.opening | {field: text + filler})
        assert over.status_code == 422
        assert len(over.json()["detail"]) < 400


# 3: nothing waits for an acknowledgement


def test_sockets_are_named_tcp_so_that_no_answer_waits() -> None:
    (one,) = listening(8900)
    with closing(one):
        assert one.proto == socket.IPPROTO_TCP


# 4: the trays' mark moves with every change


def test_a_drill_taken_out_is_not_advised_again(store: Store) -> None:
    with TestClient(create_app(store)) as client:
        client.post("/api/machines", json={"machine": asdict(LATHE)})
        client.post("/api/tools/sets/metric")
        ids = {t["name"]: t["id"] for t in client.get("/api/tools").json()["tools"]}

        def nearest(size: str) -> str:
            asked = client.post("/api/calc/nearest-drill", json={"size": size})
            return str(asked.json()["answer"]["name"])

        client.delete(f"/api/tools/{ids['5 mm']}")
        assert nearest("5") != "5 mm"
        client.post(f"/api/tools/{ids['5 mm']}/back")
        client.delete(f"/api/tools/{ids['6 mm']}")
        assert nearest("5") == "5 mm"
        assert nearest("6") != "6 mm"


# 5: migrations all or nothing, with a dated copy


@pytest.mark.parametrize("at", [1, 3, 5])
def test_a_migration_cut_short_has_not_happened(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, at: int
) -> None:
    made, create = [], op.create_table

    def breaking(*given: Any, **more: Any) -> Any:
        made.append(given[0])
        if len(made) == at:
            raise KeyboardInterrupt
        return create(*given, **more)

    store = Store(f"sqlite:///{tmp_path / 'short.sqlite3'}")
    monkeypatch.setattr(op, "create_table", breaking)
    with pytest.raises(KeyboardInterrupt):
        store.migrate()
    monkeypatch.undo()
    assert version_of(store.file) is None
    store.migrate()
    assert version_of(store.file) == known_versions()[-1]
    store.close()


def _aged(store: Store, version: str) -> Path:
    """The store's file as a Runk of that version left it."""
    from alembic import command
    from alembic.config import Config

    import runk.store

    config = Config()
    config.set_main_option("script_location", str(Path(runk.store.__file__).parent / "migrations"))
    with store.writing_rows() as connection:
        config.attributes["connection"] = connection
        command.downgrade(config, version)
    return store.file


def test_before_a_migration_the_file_is_copied_with_its_date(filled: Store) -> None:
    file = _aged(filled, "0004")
    filled.close()
    again = Store(f"sqlite:///{file}")
    again.migrate()
    again.migrate()
    (copy,) = file.parent.glob("*-version-0004-*.sqlite3")
    assert version_of(copy) == "0004"
    with closing(sqlite3.connect(copy)) as look:
        assert look.execute("SELECT count(*) FROM slate").fetchone()[0] == 3
    again.close()


# 6 and 17: files that are none of Runk's, or not for this Runk


def _newer(file: Path) -> None:
    with closing(sqlite3.connect(file)) as one:
        one.execute("UPDATE alembic_version SET version_num = '0099'")
        one.commit()


def _doubled(file: Path) -> None:
    with closing(sqlite3.connect(file)) as one:
        one.execute("INSERT INTO alembic_version VALUES ('0002')")
        one.commit()


def _without_a_table(file: Path) -> None:
    with closing(sqlite3.connect(file)) as one:
        one.execute("DROP TABLE cut_event")
        one.commit()


def _foreign(file: Path) -> None:
    file.unlink()
    with closing(sqlite3.connect(file)) as one:
        for table in ("machine", "slate", "alembic_version"):
            one.execute(f"CREATE TABLE {table} (version_num TEXT)")
        one.commit()


def _broken_row(file: Path) -> None:
    with closing(sqlite3.connect(file)) as one:
        one.execute(
            "INSERT INTO tool (version, kind, series, name, name_key, size, state)"
            " VALUES (1, 'no such kind', '', 'x', 'x', '4', 'sound')"
        )
        one.commit()


def _other_shape(column: str, value: str, gone: bool = False) -> Any:
    def spoil(file: Path) -> None:
        with closing(sqlite3.connect(file)) as one:
            when = "'2026-11-01 00:00:00'" if gone else "NULL"
            one.execute(
                "INSERT INTO part (engine_id, name, metal, version, drawn, deleted_at) SELECT id, 'x',"
                f' \'brass\', 1, \'{{"blank":"bar 20","features":["face at 0"]}}\', {when}'
                " FROM engine LIMIT 1"
            )
            one.execute(f"UPDATE part SET {column} = ? WHERE name = 'x'", (value,))
            one.commit()

    return spoil


# JSON that reads, of another shape: no page that shows it would.
SHAPES = [
    _other_shape("drawn", '{"features":7}'),
    _other_shape("drawn", '{"features":7}', gone=True),
    _other_shape("done", "7"),
    _other_shape("route", "[1]"),
    _other_shape("measured", "4"),
]
SPOILT = [_newer, _doubled, _without_a_table, _foreign, _broken_row, *SHAPES]


@pytest.mark.parametrize("spoil", SPOILT)
def test_a_backup_that_could_not_be_run_on_is_refused_and_nothing_changes(
    filled: Store, tmp_path: Path, spoil: Any
) -> None:
    copy = tmp_path / "copy.sqlite3"
    backup(filled.file, copy)
    spoil(copy)
    before = sorted(tmp_path.iterdir())
    with pytest.raises(Refused) as refused:
        restore(copy, filled.file, read_every_page)
    assert "\n" not in refused.value.says
    assert ".." not in refused.value.says
    assert "tried.sqlite3" not in refused.value.says
    assert sorted(tmp_path.iterdir()) == before
    with filled.reading() as session:
        assert session.connection().exec_driver_sql("SELECT count(*) FROM slate").scalar() == 3


@pytest.mark.parametrize("spoil", [_newer, _doubled, _without_a_table, _foreign])
def test_a_file_this_runk_cannot_use_is_said_at_the_start(
    filled: Store, tmp_path: Path, spoil: Any
) -> None:
    copy = tmp_path / "copy.sqlite3"
    backup(filled.file, copy)
    spoil(copy)
    store = Store(f"sqlite:///{copy}")
    with pytest.raises(Refused):
        store.migrate()
    store.close()


def test_a_file_that_is_no_database_and_a_folder_that_is_none_are_said(tmp_path: Path) -> None:
    text = tmp_path / "letter.sqlite3"
    text.write_text("Dear sir, " * 200)
    store = Store(f"sqlite:///{text}")
    with pytest.raises(Refused, match="no file of Runk's"):
        store.migrate()
    store.close()
    assert text.read_text().startswith("Dear sir")
    with pytest.raises(Refused, match="cannot be opened"):
        Store(f"sqlite:///{text / 'inside' / 'a.sqlite3'}")


def test_a_backup_cut_short_leaves_no_file_of_that_name(
    filled: Store, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    def full(*_: Any) -> None:
        raise sqlite3.OperationalError("database or disk is full")

    target = tmp_path / "half.sqlite3"
    monkeypatch.setattr("runk.store.copies._copy", full)
    with pytest.raises(Refused, match="Nothing was backed up"):
        backup(filled.file, target)
    monkeypatch.undo()
    assert not target.exists()
    backup(filled.file, target)


# 7: a restore under a running server


def test_readings_that_are_gone_do_not_go_on_counting(filled: Store, tmp_path: Path) -> None:
    book, cut = CutBook(filled), begun(filled)

    def read(key: str, size: float) -> None:
        book.add(cut, key, Event(0, EventKind.READING, (size,)), None)

    for n, size in enumerate((15.9, 15.7)):
        read(f"before-{n}", size)
    copy = tmp_path / "copy.sqlite3"
    backup(filled.file, copy)
    for n, size in enumerate((15.5, 15.3)):
        read(f"lost-{n:04d}", size)
    restore(copy, filled.file, read_every_page)
    with book.reading() as session:
        page = book.page(session, cut)
    assert [e.sizes_mm for e in page.events] == [(15.9,), (15.7,)]
    # As many again, by another process: the numbers of the events are the same ones.
    other = CutBook(filled)
    for n, size in enumerate((15.6, 15.4)):
        other.add(cut, f"after-{n:03d}", Event(0, EventKind.READING, (size,)), None)
    with book.reading() as session:
        page = book.page(session, cut)
    assert [e.sizes_mm for e in page.events] == [(15.9,), (15.7,), (15.6,), (15.4,)]


def test_what_was_worked_out_before_a_restore_is_worked_out_anew(
    filled: Store, tmp_path: Path
) -> None:
    with TestClient(create_app(filled)) as client:
        engine = client.get("/api/engines").json()[0]["id"]
        part = next(
            p["id"]
            for p in client.get(f"/api/engines/{engine}/work").json()["parts"]
            if p["routed"]
        )
        copy = tmp_path / "copy.sqlite3"
        backup(filled.file, copy)

        def tick(done: bool, mark: str) -> Any:
            body = {"version": parts_at.version_of(client, part), "mark": mark, "done": done}
            return client.post(f"/api/parts/{part}/tick", json=body)

        def pages() -> Any:
            return (
                client.get(f"/api/engines/{engine}/work").json(),
                client.get("/api/tonight?minutes=600").json(),
            )

        before = pages()
        lines = [x for up in client.get(f"/api/parts/{part}").json()["route"] for x in up["lines"]]
        open_line = next(x for x in lines if not x["done"])
        assert tick(True, open_line["mark"]).status_code == 200
        seen = parts_at.version_of(client, part)
        assert pages() != before
        restore(copy, filled.file, read_every_page)
        # As often changed as before it was put back, and otherwise: its number is another.
        assert pages() == before
        late = {"version": seen, "mark": open_line["mark"], "done": True}
        assert client.post(f"/api/parts/{part}/tick", json=late).status_code == 409


# 8, 13: what is asked for may be nothing, or far too much


@pytest.mark.parametrize("query", ["sizes=500", "sizes=200&metals=brass"])
def test_a_sheet_where_nothing_fits_prints_all_the_same(asking: TestClient, query: str) -> None:
    assert asking.get(f"/api/sheet/pdf?{query}").content.startswith(b"%PDF")


@pytest.mark.parametrize(
    ("typed", "field"),
    [
        ({"job": "face", "now": "500", "wanted": "1"}, "wanted"),
        ({"job": "outside", "now": "100", "wanted": "12", "step": "0.1"}, "step"),
        ({"job": "groove", "now": "40", "wanted": "900", "deep": "1", "width": "0.3"}, "width"),
    ],
)
def test_a_plan_past_four_hundred_passes_is_refused(typed: dict[str, str], field: str) -> None:
    calculator = CATALOGUE["plan"]
    read = read_question(calculator, typed | {"metal": "brass"}, PageUnit.MM, WORKSHOP)
    with pytest.raises(Refused, match="more than 400") as refused:
        calculator.ask(read.question, WORKSHOP)
    assert refused.value.field == field


# 9: half a request holds nobody up


@contextmanager
def serving(app: Any, patient: type[Patient]) -> Iterator[int]:
    (listener,) = listening(8950)
    config = uvicorn.Config(app, http=patient, log_level="critical", access_log=False)
    server = uvicorn.Server(config)
    thread = threading.Thread(target=server.run, kwargs={"sockets": [listener]})
    thread.start()
    try:
        yield listener.getsockname()[1]
    finally:
        server.should_exit = True
        thread.join()


class Hasty(Patient):
    head_s, most_from_one = 0.2, 8


def test_half_a_head_is_closed_and_one_address_holds_only_so_many(store: Store) -> None:
    with serving(create_app(store), Hasty) as port:
        held = [socket.create_connection(("127.0.0.1", port), timeout=20) for _ in range(7)]
        for one in held:
            one.sendall(b"GET / HTTP/1.1\r\nX: a")
        with socket.create_connection(("127.0.0.1", port), timeout=20) as asks:
            asks.sendall(b"GET /api/alive HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n")
            assert asks.recv(4096).startswith(b"HTTP/1.1 200")
            # With eight of its own already, the ninth is not let in.
            with socket.create_connection(("127.0.0.1", port), timeout=20) as ninth:
                assert _ended(ninth)
        # Each is closed by the server, none by us: nothing more is ever sent.
        assert all(_ended(one) for one in held)
        for one in held:
            one.close()
        with socket.create_connection(("127.0.0.1", port), timeout=20) as asks:
            asks.sendall(b"GET /api/alive HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n")
            assert asks.recv(4096).startswith(b"HTTP/1.1 200")


def _ended(one: socket.socket) -> bool:
    try:
        return one.recv(1) == b""
    except ConnectionResetError:
        return True


# 10, 11: lists come in pages, and a move moves one


def test_a_full_book_does_not_fold_every_cut_again(
    store: Store, monkeypatch: pytest.MonkeyPatch
) -> None:
    for _ in range(MOST_LISTED):
        begun(store)
    folded: list[int] = []
    fresh = CutBook._fresh

    def counted(connection: Any, cut: int) -> Any:
        folded.append(cut)
        return fresh(connection, cut)

    monkeypatch.setattr(CutBook, "_fresh", staticmethod(counted))
    with TestClient(create_app(store)) as client:
        assert len(client.get("/api/cuts").json()) == 30
        for _ in range(2):
            assert len(client.get(f"/api/cuts?limit={MOST_LISTED}").json()) == MOST_LISTED
    assert len(folded) == MOST_LISTED


def test_the_slate_comes_without_answers_and_a_move_writes_one_row(client: TestClient) -> None:
    for n in range(5):
        question = {"operation": "turn", "metal": "brass", "diameter": str(10 + n)}
        body = {"keep_key": f"kept-{n:04d}", "calculator": "speed", "question": question}
        client.post("/api/slate", json=body)
    items = client.get("/api/slate").json()
    assert "answer" not in items[0]
    assert len(client.get("/api/slate?limit=2").json()) == 2
    order = [i["id"] for i in items]
    for at in (1, 4, 6):
        client.put(f"/api/slate/{order[at]}/place", json={"before": order[0]})
        order.insert(0, order.pop(at))
    assert [i["id"] for i in client.get("/api/slate").json()] == order
    problem(client.put(f"/api/slate/{order[0]}/place", json={}), 422)


def test_moved_over_and_over_between_the_same_two_the_order_holds(client: TestClient) -> None:
    first, second, third = (i["id"] for i in client.get("/api/slate").json())
    for n in range(60):
        moved = (first, second)[n % 2]
        client.put(f"/api/slate/{moved}/place", json={"before": third})
        ids = [i["id"] for i in client.get("/api/slate").json()]
        assert ids.index(moved) == ids.index(third) - 1


# 12, 15, 19, 20, 22: what may be typed for a name


@pytest.mark.parametrize("name", ["=cmd|'/C calc'!A0", "+1+1", "-2+3", "@SUM(1)", "\t=1", "'tis"])
def test_no_name_of_a_tool_runs_in_a_spreadsheet(name: str) -> None:
    tool = ShopTool(ToolKind.TAP, name, Fraction(4), "taper")
    text = tools_csv([tool])
    cell = text.splitlines()[1].split(",")[2].strip('"')
    assert not cell.startswith(("=", "+", "-", "@", "\t"))
    if not name.startswith("\t"):
        (again,) = read_tools_csv(text)
        assert again.name == name


@pytest.mark.parametrize(
    ("path", "body"),
    [
        ("/api/tools", {"kind": "collet", "size": "4"}),
        ("/api/machines", {"machine": asdict(LATHE)}),
        (
            "/api/metals",
            {"metal": {"key": "", "like": "brass", "designation": "", "magnet": "", "figures": {}}},
        ),
        ("/api/engines", {}),
    ],
)
def test_a_name_is_seen_as_it_stands(client: TestClient, path: str, body: dict[str, Any]) -> None:
    for hidden in ("a\0b", "\u202e5.1 mm", "\u200b\u200b", "a\u0007", "\ufeffx"):
        sent = json.loads(json.dumps(body))
        sent.get("machine", sent.get("metal", sent))["name"] = hidden
        assert "name" in problem(client.post(path, json=sent), 422)["detail"], repr(hidden)


@pytest.mark.parametrize("half", [r"\ud800", r"brass \udc00", r"\ud83dx"])
def test_half_a_character_is_asked_for_again(client: TestClient, half: str) -> None:
    for path, body in (
        ("/api/ask", '{"line": "HALF"}'),
        ("/api/engines", '{"name": "HALF"}'),
        ("/api/calc/speed", '{"metal": "HALF"}'),
    ):
        sent = client.post(path, content=body.replace("HALF", half), headers=JSON)
        assert "half a character" in problem(sent, 422)["detail"]
    whole = client.post("/api/engines", content=r'{"name": "\ud83d\ude42 \\ud800"}', headers=JSON)
    assert whole.status_code == 201, whole.text


def test_a_machine_has_only_so_many_parts_of_only_so_long_a_name() -> None:
    dial = LATHE.dials[0]
    for changed in (
        replace(LATHE, dials=(dial,) * 21),
        replace(LATHE, limits=LATHE.limits * 21),
        replace(LATHE, dials=(Dial("x" * 41, "mm", 0.02, 100),)),
    ):
        with pytest.raises(Refused):
            check_machine(changed)


def test_a_table_with_an_endless_heading_or_cell_is_refused_at_once() -> None:
    for text in ("kind,name" + ",x" * 1000 + "\n", "kind,name\ndrill," + "1+" * 200 + "1\n"):
        with pytest.raises(Refused):
            read_tools_csv(text)


# 16, 21, 23: who comes in


@pytest.mark.parametrize("before", ['a={"x":1}', "theme", "a b=1", "a@b=1", 'q="', "=;;"])
def test_a_foreign_cookie_of_any_shape_shuts_nobody_out(before: str) -> None:
    assert token_of(f"{before}; {COOKIE}=abc") == "abc"
    assert token_of(f"x{COOKIE}=no; {before}") == ""


def test_what_others_try_does_not_shut_out_whoever_was_let_in(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    # What is slow on purpose is not what is asked about here.
    monkeypatch.setattr(Door, "_hashed", lambda _, plain: plain.encode())
    door = Door("a phrase of the shop")
    assert door.enter("a phrase of the shop", "10.0.0.9") is not None
    for n in range(EVERYBODY_TRIES):
        door.enter("not it at all", f"10.0.{n % 12}.{n}")
    assert door.enter("a phrase of the shop", "10.0.0.9") is not None
    assert door.enter("a phrase of the shop", "127.0.0.1") is not None


@pytest.mark.parametrize("host", ["[::1].evil.example", "127.0.0.1:80@evil.example", "a b", ""])
def test_a_host_is_a_host_and_nothing_else(store: Store, host: str) -> None:
    assert host_of(host) not in LOCAL_HOSTS
    with TestClient(create_app(store, hosts=LOCAL_HOSTS), base_url=LOCAL) as client:
        problem(client.get("/api/alive", headers={"host": host}), 400)
        assert client.get("/api/alive", headers={"host": "LOCALHOST:8765"}).status_code == 200
        problem(client.get("/api/alive", headers={"host": "testserver"}), 400)
        assert client.head("/").status_code in (200, 503)


# 17: every trouble is a sentence


def test_a_locked_file_is_said_and_nothing_is_lost(filled: Store) -> None:
    hasty = Store(filled.url, wait_s=0.05)
    with (
        TestClient(create_app(hasty), raise_server_exceptions=False) as client,
        closing(sqlite3.connect(filled.file)) as other,
    ):
        other.execute("BEGIN IMMEDIATE")
        said = problem(client.post("/api/engines", json={"name": "Late"}), 503)
        assert "try again" in said["detail"]
        other.rollback()
        assert client.post("/api/engines", json={"name": "Late"}).status_code == 201
    hasty.close()


def test_a_full_disk_is_said_and_nothing_is_half_written(filled: Store) -> None:
    with filled.reading() as session:
        pages = session.connection().exec_driver_sql("PRAGMA page_count").scalar()

    @event.listens_for(filled.engine, "begin")
    def _full(connection: Connection) -> None:
        connection.exec_driver_sql(f"PRAGMA max_page_count={pages}")

    question = {"operation": "turn", "metal": "brass", "diameter": "20"}
    with TestClient(create_app(filled), raise_server_exceptions=False) as client:
        statuses = []
        for n in range(40):
            body = {"keep_key": f"kept-{n:04d}", "calculator": "speed", "question": question}
            sent = client.post("/api/slate", json=body)
            statuses.append(sent.status_code)
            if sent.status_code != 201:
                assert "make room" in problem(sent, 507)["detail"]
                break
        kept = len(client.get("/api/slate?limit=500").json())
    assert statuses[-1] == 507
    assert kept == 3 + len(statuses) - 1


def test_a_fault_of_runks_own_is_a_sentence_too(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    def broken(*_: Any) -> None:
        raise RuntimeError("a bolt fell out")

    monkeypatch.setattr("runk.api.slate.list_slate", broken)
    assert "Runk itself" in problem(client.get("/api/slate"), 500)["detail"]


def test_a_session_that_only_looks_cannot_write(filled: Store) -> None:
    with pytest.raises(Exception, match="readonly"), filled.reading() as session:
        session.connection().exec_driver_sql("DELETE FROM slate")
    with filled.writing() as session:
        session.connection().exec_driver_sql("DELETE FROM slate WHERE id = -1")
