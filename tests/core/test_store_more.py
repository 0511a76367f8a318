"""The store grows: older files are brought up, everything is in a backup, many hands at once."""

from __future__ import annotations

import shutil
import sqlite3
import threading
from dataclasses import asdict, replace
from importlib import resources
from pathlib import Path
from typing import Any

import pytest
from alembic import command
from alembic.config import Config
from sqlalchemy import MetaData, inspect

from runk.api.cutbook import CutBook
from runk.api.every_page import read_every_page
from runk.cli import main, stored_workshop
from runk.core.machines.machine import Machine
from runk.core.plan.events import Event, EventKind
from runk.core.plan.settle import Said
from runk.core.tools import State, ToolKind
from runk.core.tools.sets import tool_set
from runk.demo.back_shed import LATHE, WORKSHOP
from runk.store.copies import backup, restore
from runk.store.cuts import newest, start_cut
from runk.store.database import Store
from runk.store.engines import list_engines
from runk.store.machines import add_machine, list_machines
from runk.store.slate import list_slate
from runk.store.tools import list_tools, mark_tool, put_tools
from tests.core.test_plan import PLAIN

SAID = Said("", "", None, None, "Lathe", ())


def migrated_to(path: Path, revision: str) -> Store:
    """A store as an older version left it."""
    store = Store(f"sqlite:///{path}")
    config = Config()
    with resources.as_file(resources.files("runk.store") / "migrations") as scripts:
        config.set_main_option("script_location", str(scripts))
        with store.engine.begin() as connection:
            config.attributes["connection"] = connection
            command.upgrade(config, revision)
    return store


def put_as_then(store: Store, machine: Machine) -> None:
    """A machine written into the columns that version had."""
    tables = MetaData()
    tables.reflect(store.engine)
    parts = {"step": machine.steps, "limit": machine.limits, "dial": machine.dials}

    def row(table: str, values: dict[str, Any]) -> dict[str, Any]:
        names = {column.name for column in tables.tables[table].columns}
        return {name: value for name, value in values.items() if name in names}

    with store.engine.begin() as connection:
        whole = asdict(machine) | {"version": 1, "place": 1}
        put = connection.execute(tables.tables["machine"].insert(), row("machine", whole))
        for part, several in parts.items():
            for one in several:
                values = asdict(one) | {"machine_id": put.inserted_primary_key[0]}
                name = f"machine_{part}"
                connection.execute(tables.tables[name].insert(), row(name, values))


@pytest.mark.parametrize("revision", ["0001", "0002", "0003", "0007"])
def test_an_older_file_is_brought_up_with_all_that_was_in_it(tmp_path: Path, revision: str) -> None:
    old = migrated_to(tmp_path / "old.sqlite3", revision)
    put_as_then(old, LATHE)
    assert inspect(old.engine).has_table("tool") == (revision == "0007")
    old.close()
    now = Store(f"sqlite:///{tmp_path / 'old.sqlite3'}")
    now.migrate()
    tables = set(inspect(now.engine).get_table_names())
    assert {"machine", "slate", "cut", "cut_event", "tool"} <= tables
    with now.writing() as session:
        # What no version before knew of is left open.
        then = replace(LATHE, leadscrew_mm=None, wheels="", wheel_module=None)
        assert [k.machine for k in list_machines(session)] == [then]
        assert newest(session) == []
        put_tools(session, tool_set("letter"))
        assert len(list_tools(session)) == 26
    # A second start changes nothing.
    now.migrate()
    now.close()


def test_a_backup_brings_back_cuts_and_trays(tmp_path: Path, templates: Path) -> None:
    here, kept = tmp_path / "here.sqlite3", tmp_path / "kept.sqlite3"
    shutil.copyfile(templates / "filled.sqlite3", here)
    store = Store(f"sqlite:///{here}")
    with store.writing() as session:
        cut = start_cut(session, "kept-cut-1", "A cut", {}, "mm", 1, PLAIN, SAID).id
    book = CutBook(store)
    before = book.add(cut, "reading-one", Event(0, EventKind.READING, (15.4,)), None)
    backup(here, kept)
    book.add(cut, "reading-two", Event(0, EventKind.READING, (14.9,)), None)
    with store.writing() as session:
        one = list_tools(session)[0]
        mark_tool(session, one.id, one.version, State.BENT)
    store.close()
    aside = restore(kept, here, read_every_page)
    assert aside is not None
    again = Store(f"sqlite:///{here}")
    with again.writing() as session:
        page = CutBook(again).page(session, cut)
        assert page.where == before.where
        back = list_tools(session)[0]
        # As it was; but what a window saw before it was put back is of another thing.
        assert back.version > 2 * one.version
        assert replace(back, version=one.version) == one
        assert len(list_engines(session)) == 2
        assert len(list_slate(session)) == 3
    again.close()
    with sqlite3.connect(aside) as set_aside:
        assert set_aside.execute("SELECT count(*) FROM cut_event").fetchone()[0] == 2
    set_aside.close()


def test_many_hands_on_one_cut_lose_nothing(store: Store) -> None:
    with store.writing() as session:
        cut = start_cut(session, "many-hands", "A cut", {}, "mm", 1, PLAIN, SAID).id
    books = [CutBook(store), CutBook(store)]
    failed: list[Exception] = []

    def add(hand: int) -> None:
        for turn in range(12):
            event = Event(0, EventKind.READING, (15.0 + turn / 1000,), 0.0)
            try:
                books[hand % 2].add(cut, f"hand-{hand}-{turn:04d}", event, None)
            except Exception as error:
                failed.append(error)

    hands = [threading.Thread(target=add, args=(n,)) for n in range(4)]
    for hand in hands:
        hand.start()
    for hand in hands:
        hand.join()
    assert failed == []
    with store.writing() as session:
        pages = [book.page(session, cut) for book in books]
    assert {len(page.events) for page in pages} == {48}
    assert pages[0].where == pages[1].where
    assert [e.id for e in pages[0].events] == sorted(e.id for e in pages[0].events)


def test_the_shell_answers_from_the_stored_trays(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    url = f"sqlite:///{tmp_path / 'mine.sqlite3'}"
    monkeypatch.setenv("RUNK_DATABASE_URL", url)
    assert stored_workshop() == WORKSHOP
    store = Store(url)
    store.migrate()
    with store.writing() as session:
        put_tools(session, tool_set("metric-half"))
    store.close()
    assert {t.kind for t in stored_workshop().tools} == {ToolKind.DRILL}
    assert main(["ask", "nearest", "drill", "4.37"]) == 0
    assert "4.5 mm" in capsys.readouterr().out
    assert main(["ask", "6", "mm", "reamed", "hole", "brass"]) == 1
    assert "There is none in the drawer" in capsys.readouterr().err


def test_machines_of_ones_own_and_no_tools_are_no_stand_in(store: Store) -> None:
    from runk.store.workshop import WorkshopReader

    reader = WorkshopReader(store, WORKSHOP)
    assert reader.workshop().tools
    with store.writing() as session:
        add_machine(session, replace(LATHE, name="Mine"))
    mine = reader.workshop()
    assert [m.name for m in mine.machines] == ["Mine"]
    # An invented tray beside a real machine would send somebody looking for a drill.
    assert mine.tools == ()
