"""Engines and their parts: a thin list to hang things on."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass

from sqlalchemy import select
from sqlalchemy.orm import Session

from runk.core.naming import plain_name
from runk.core.refusals import Refused
from runk.store.database import now
from runk.store.models import EngineRow, PartRow
from runk.store.there import engine_row, part_row

LONGEST_NAME, MOST_PARTS = 120, 200
Mark = Callable[[Session, int, bool, str], None]


@dataclass(frozen=True, slots=True)
class Part:
    """A part of an engine."""

    id: int
    name: str
    metal: str


@dataclass(frozen=True, slots=True)
class EngineWithParts:
    """An engine and its parts."""

    id: int
    name: str
    note: str
    parts: list[Part]


def _engine(row: EngineRow) -> EngineWithParts:
    parts = [Part(p.id, p.name, p.metal) for p in row.parts if p.deleted_at is None]
    return EngineWithParts(row.id, row.name, row.note, parts)


def _named(name: str, what: str, others: Iterable[str]) -> str:
    name = plain_name(name, LONGEST_NAME, what)
    if name.casefold() in {other.casefold() for other in others}:
        raise Refused(f"There is one called {name} already.", field="name", suggest=f"{name} 2")
    return name


def _engine_names(session: Session, but: int = 0) -> list[str]:
    kept = EngineRow.deleted_at.is_(None)
    return list(session.scalars(select(EngineRow.name).where(kept, EngineRow.id != but)))


def _part_names(engine: EngineRow | None, but: int = 0) -> list[str]:
    parts = engine.parts if engine is not None else []
    return [p.name for p in parts if p.deleted_at is None and p.id != but]


def list_engines(session: Session) -> list[EngineWithParts]:
    """Every engine with its parts: two looks, however many there are."""
    found = session.execute(
        select(EngineRow.id, EngineRow.name, EngineRow.note)
        .where(EngineRow.deleted_at.is_(None))
        .order_by(EngineRow.id)
    )
    engines = {key: EngineWithParts(key, name, note, []) for key, name, note in found}
    parts = session.execute(
        select(PartRow.engine_id, PartRow.id, PartRow.name, PartRow.metal)
        .where(PartRow.deleted_at.is_(None), PartRow.engine_id.in_(engines))
        .order_by(PartRow.id)
    )
    for engine, part, name, metal in parts:
        engines[engine or 0].parts.append(Part(part, name, metal))
    return list(engines.values())


def engine_note(session: Session, engine_id: int | None) -> str:
    """What is noted on an engine; nothing on none."""
    row = session.get(EngineRow, engine_id) if engine_id is not None else None
    return row.note if row is not None else ""


def add_engine(session: Session, name: str, note: str = "") -> EngineWithParts:
    """Start an engine."""
    row = EngineRow(
        name=_named(name, "engine", _engine_names(session)), note=note[:2000].strip(), parts=[]
    )
    session.add(row)
    session.flush()
    return _engine(row)


def _room_for_one(engine: EngineRow) -> None:
    if sum(part.deleted_at is None for part in engine.parts) >= MOST_PARTS:
        raise Refused(f"{MOST_PARTS} parts are the most of one engine.", field="name")


def add_part(session: Session, engine_id: int, name: str, metal: str = "") -> Part:
    """Add a part to an engine."""
    engine = engine_row(session, engine_id)
    _room_for_one(engine)
    row = PartRow(name=_named(name, "part", _part_names(engine)), metal=metal[:60])
    engine.parts.append(row)
    session.flush()
    return Part(row.id, row.name, row.metal)


def rename_engine(session: Session, engine_id: int, name: str) -> EngineWithParts:
    """Give an engine another name."""
    row = engine_row(session, engine_id)
    row.name = _named(name, "engine", _engine_names(session, engine_id))
    return _engine(row)


def rename_part(session: Session, part_id: int, name: str) -> Part:
    """Give a part another name."""
    row = part_row(session, part_id)
    row.name = _named(name, "part", _part_names(row.engine, part_id))
    return Part(row.id, row.name, row.metal)


def set_engine_deleted(session: Session, engine_id: int, deleted: bool, name: str = "") -> None:
    """Delete an engine, or bring it back, under another name where its own is taken.

    Raises:
        Refused: It was never there, or there is one of that name by now.
    """
    row = engine_row(session, engine_id, deleted=True)
    if not deleted and row.deleted_at is not None:
        row.name = _named(name or row.name, "engine", _engine_names(session, engine_id))
    row.deleted_at = now() if deleted else None


def set_part_deleted(session: Session, part_id: int, deleted: bool, name: str = "") -> None:
    """Delete a part, or bring it back; what hung on it stays on the slate.

    Raises:
        Refused: It was never there, its engine is gone or full, or there is one of that name.
    """
    row = part_row(session, part_id, deleted=True)
    if not deleted and row.deleted_at is not None and row.engine is not None:
        row.name = _named(name or row.name, "part", _part_names(row.engine, part_id))
        _room_for_one(row.engine)
    row.deleted_at = now() if deleted else None
