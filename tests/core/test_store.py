"""The store: whole machines or none, two tabs, undo, backups, migrations."""

from __future__ import annotations

import sqlite3
from dataclasses import replace
from pathlib import Path

import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import text
from sqlalchemy.exc import IntegrityError

from runk.api.every_page import read_every_page
from runk.core.machines.machine import Machine, SpeedStep
from runk.core.refusals import Refused
from runk.demo.back_shed import LATHE, MACHINES, MILL, WORKSHOP
from runk.store import engines, slate
from runk.store.copies import backup, restore
from runk.store.database import Store, file_of
from runk.store.kept import Stale
from runk.store.machines import add_machine, bring_back, delete_machine, list_machines, save_machine
from runk.store.models import Base, SlateRow
from runk.store.workshop import WorkshopReader


def _row(key: str = "keep-0001", **given: object) -> SlateRow:
    base = {
        "keep_key": key,
        "calculator": "speed",
        "calculator_version": 1,
        "page_unit": "mm",
        "question": {"diameter": "5/8"},
        "answer": {},
        "title": "T",
        "headline": "H",
        "note": "",
        "part_id": None,
    }
    return SlateRow(**(base | given))


def test_migrations_make_the_models(store: Store) -> None:
    with store.engine.connect() as connection:
        difference = compare_metadata(MigrationContext.configure(connection), Base.metadata)
    assert difference == []
    store.migrate()


def test_sqlite_is_set_as_promised(store: Store) -> None:
    with store.writing() as session:
        assert session.execute(text("PRAGMA journal_mode")).scalar() == "wal"
        assert session.execute(text("PRAGMA foreign_keys")).scalar() == 1
        assert session.execute(text("PRAGMA synchronous")).scalar() == 2


@pytest.mark.parametrize("machine", MACHINES, ids=lambda m: m.name)
def test_a_machine_comes_back_as_it_went_in(store: Store, machine: Machine) -> None:
    with store.writing() as session:
        assert add_machine(session, machine).machine == machine
    with store.writing() as session:
        assert list_machines(session)[0].machine == machine


def test_a_changed_machine_may_swap_its_positions(store: Store) -> None:
    with store.writing() as session:
        kept = add_machine(session, LATHE)
        swapped = replace(LATHE, steps=tuple(reversed(LATHE.steps)))
        saved = save_machine(session, kept.machine.key, kept.version, swapped)
    assert saved.version == 2
    assert saved.machine.steps == swapped.steps


def test_the_second_tab_is_shown_both_sides(store: Store) -> None:
    with store.writing() as session:
        kept = add_machine(session, LATHE)
        save_machine(session, "lathe", kept.version, replace(LATHE, power_w=500.0))
    with store.writing() as session, pytest.raises(Stale) as caught:
        save_machine(session, "lathe", kept.version, replace(LATHE, power_w=250.0))
    assert caught.value.theirs.machine.power_w == 500.0
    with store.writing() as session:
        assert list_machines(session)[0].machine.power_w == 500.0


def test_half_a_machine_is_never_written(store: Store) -> None:
    with store.writing() as session:
        add_machine(session, LATHE)
    broken = replace(LATHE, steps=(LATHE.steps[0], SpeedStep("9", "", -1.0)))
    with pytest.raises(Refused), store.writing() as session:
        save_machine(session, "lathe", 1, broken)

    def by_hand() -> None:
        with store.writing() as session:
            session.execute(text("DELETE FROM machine_dial"))
            session.execute(text("UPDATE machine_step SET rpm = 0"))

    with pytest.raises(IntegrityError):
        by_hand()
    with store.writing() as session:
        assert list_machines(session)[0].machine == LATHE


def test_taken_out_and_brought_back(store: Store) -> None:
    with store.writing() as session:
        add_machine(session, LATHE)
        add_machine(session, MILL)
        delete_machine(session, "lathe")
        assert [k.machine.key for k in list_machines(session)] == ["mill"]
        with pytest.raises(Refused, match="no longer"):
            save_machine(session, "lathe", 1, LATHE)
        bring_back(session, "lathe")
        assert [k.machine.key for k in list_machines(session)] == ["lathe", "mill"]


def test_names_are_not_shared(store: Store) -> None:
    with store.writing() as session:
        add_machine(session, LATHE)
        with pytest.raises(Refused, match="already"):
            add_machine(session, replace(MILL, name=" LATHE "))
        assert add_machine(session, replace(LATHE, name="Lathe!")).machine.key == "lathe-2"


def test_the_reader_notices_every_writer(store: Store) -> None:
    reader = WorkshopReader(store, WORKSHOP)
    assert reader.workshop() == WORKSHOP
    assert reader.standing_in
    other = Store(store.url)
    with other.writing() as session:
        add_machine(session, replace(MILL, name="Little mill"))
    assert [m.name for m in reader.workshop().machines] == ["Little mill"]
    assert not reader.standing_in
    assert reader.workshop() is reader.workshop()
    other.close()


def test_keeping_twice_keeps_once(store: Store) -> None:
    with store.writing() as session:
        first = slate.keep(session, _row())
        assert slate.keep(session, _row()).id == first.id
        assert len(slate.list_slate(session)) == 1


def test_slate_order_tick_note_and_undo(store: Store) -> None:
    with store.writing() as session:
        ids = [slate.keep(session, _row(f"keep-{n:04d}", title=str(n))).id for n in range(4)]
        assert [i.title for i in slate.list_slate(session)] == ["3", "2", "1", "0"]
        slate.move(session, ids[2], before=ids[3])
        slate.move(session, ids[0], before=ids[2])
        assert [i.title for i in slate.list_slate(session)] == ["0", "2", "3", "1"]
        slate.change(session, ids[2], {"ticked": True, "note": "<b>as typed</b>"})
        item = next(i for i in slate.list_slate(session) if i.id == ids[2])
        assert (item.ticked, item.note) == (True, "<b>as typed</b>")
        slate.wipe(session, ids[2])
        assert [i.title for i in slate.list_slate(session)] == ["0", "3", "1"]
        slate.put_back(session, ids[2])
        assert [i.title for i in slate.list_slate(session)] == ["0", "2", "3", "1"]
        with pytest.raises(Refused, match="2000 characters"):
            slate.change(session, ids[0], {"note": "x" * 2001})
        with pytest.raises(Refused, match="no longer on the slate"):
            slate.wipe(session, 999)


def test_what_hangs_on_a_part_outlives_it(store: Store) -> None:
    with store.writing() as session:
        engine = engines.add_engine(session, "  Dunnock ")
        part = engines.add_part(session, engine.id, "Gland", "brass")
        assert engine.name == "Dunnock"
        slate.keep(session, _row(part_id=part.id))
        with pytest.raises(Refused, match="no longer there"):
            slate.keep(session, _row("keep-0002", part_id=77))
        engines.set_part_deleted(session, part.id, True)
        assert engines.list_engines(session)[0].parts == []
        engines.set_part_deleted(session, part.id, False)
        assert engines.list_engines(session)[0].parts[0].name == "Gland"
        with pytest.raises(Refused, match="name"):
            engines.add_part(session, engine.id, "   ")
    with store.writing() as session:
        session.execute(text("DELETE FROM part"))
    with store.writing() as session:
        assert slate.list_slate(session)[0].part_id is None


def test_backup_and_restore_bring_everything_back(filled: Store, tmp_path: Path) -> None:
    copy = tmp_path / "away" / "copy.sqlite3"
    backup(filled.file, copy)
    with pytest.raises(Refused, match="already"):
        backup(filled.file, copy)
    with filled.writing() as session:
        before = slate.list_slate(session)
        slate.wipe(session, before[0].id)
        delete_machine(session, "lathe")
    aside = restore(copy, filled.file, read_every_page)
    assert aside is not None
    assert aside.exists()
    again = Store(filled.url)
    with again.writing() as session:
        assert slate.list_slate(session) == before
        assert len(list_machines(session)) == 2
    again.close()


@pytest.mark.parametrize("content", [b"", b"not a database at all, only words" * 50])
def test_restoring_something_else_changes_nothing(
    filled: Store, tmp_path: Path, content: bytes
) -> None:
    wrong = tmp_path / "wrong.sqlite3"
    wrong.write_bytes(content)
    with pytest.raises(Refused, match="no Runk backup"):
        restore(wrong, filled.file, read_every_page)
    with pytest.raises(Refused, match="does not exist"):
        restore(tmp_path / "nowhere", filled.file, read_every_page)
    with filled.writing() as session:
        assert len(list_machines(session)) == 2


def test_only_sqlite_files(tmp_path: Path) -> None:
    with pytest.raises(Refused, match="SQLite"):
        file_of("postgresql://somewhere/else")
    with pytest.raises(Refused, match="nothing to back up"):
        backup(tmp_path / "none.sqlite3", tmp_path / "copy")
    assert sqlite3.sqlite_version
