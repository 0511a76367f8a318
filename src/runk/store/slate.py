"""The slate: answers kept with a note, in the owner's order."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from runk.core.refusals import Refused
from runk.store.database import now
from runk.store.models import PartRow, SlateRow

LONGEST_NOTE = 2000


@dataclass(frozen=True, slots=True)
class SlateItem:
    """An answer on the slate."""

    id: int
    calculator: str
    calculator_version: int
    page_unit: str
    question: dict[str, Any]
    answer: dict[str, Any]
    title: str
    headline: str
    note: str
    ticked: bool
    part_id: int | None
    kept_at: datetime


def _item(row: SlateRow) -> SlateItem:
    plain = {name: getattr(row, name) for name in SlateItem.__slots__ if name != "kept_at"}
    return SlateItem(**plain, kept_at=row.kept_at.replace(tzinfo=UTC))


def list_slate(session: Session) -> list[SlateItem]:
    """Everything on the slate, top first."""
    rows = session.scalars(
        select(SlateRow).where(SlateRow.deleted_at.is_(None)).order_by(SlateRow.place)
    )
    return [_item(r) for r in rows]


def _row(session: Session, item: int, *, deleted: bool = False) -> SlateRow:
    row = session.get(SlateRow, item)
    if row is None or (row.deleted_at is not None and not deleted):
        raise Refused("That is no longer on the slate.", field="id")
    return row


def check_part(session: Session, part_id: int | None) -> None:
    """Refuse a part that is not there."""
    if part_id is None:
        return
    part = session.get(PartRow, part_id)
    if part is None or part.deleted_at is not None:
        raise Refused("That part is no longer there.", field="part_id")


def keep(session: Session, kept: SlateRow) -> SlateItem:
    """Put an answer at the top of the slate; the same ``keep_key`` twice keeps it once."""
    before = session.scalar(select(SlateRow).where(SlateRow.keep_key == kept.keep_key))
    if before is not None:
        return _item(before)
    check_part(session, kept.part_id)
    _check_note(kept.note)
    first = session.scalar(select(func.min(SlateRow.place)))
    kept.place = (first if first is not None else 1.0) - 1.0
    kept.kept_at = now()
    session.add(kept)
    session.flush()
    return _item(kept)


def _check_note(note: str) -> None:
    if len(note) > LONGEST_NOTE:
        raise Refused(
            f"A note can be {LONGEST_NOTE} characters; this is {len(note)}.", field="note"
        )


def change(session: Session, item: int, given: dict[str, Any]) -> SlateItem:
    """Change the note, the tick or the part of an item; only what is given.

    Raises:
        Refused: It is gone, the note too long, the part not there.
    """
    row = _row(session, item)
    if "note" in given:
        _check_note(given["note"])
    if "part_id" in given:
        check_part(session, given["part_id"])
    for name, value in given.items():
        setattr(row, name, value)
    session.flush()
    return _item(row)


def reorder(session: Session, order: list[int]) -> list[SlateItem]:
    """Put the slate in the given order; items not named keep theirs, below."""
    rows = {r.id: r for r in session.scalars(select(SlateRow).where(SlateRow.deleted_at.is_(None)))}
    named = [rows.pop(item) for item in dict.fromkeys(order) if item in rows]
    rest = sorted(rows.values(), key=lambda r: r.place)
    for place, row in enumerate([*named, *rest]):
        row.place = float(place)
    session.flush()
    return list_slate(session)


def wipe(session: Session, item: int) -> None:
    """Take an item off the slate; :func:`put_back` undoes it."""
    _row(session, item).deleted_at = now()


def put_back(session: Session, item: int) -> SlateItem:
    """Undo a deletion: the item returns to its place."""
    row = _row(session, item, deleted=True)
    row.deleted_at = None
    return _item(row)
