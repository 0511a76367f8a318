"""The slate: answers kept with a note, in the owner's order."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session, defer

from runk.core.refusals import Refused
from runk.store.database import now
from runk.store.models import SlateRow
from runk.store.there import part_row

LONGEST_NOTE, MOST_LISTED = 2000, 500


@dataclass(frozen=True, slots=True)
class SlateItem:
    """An answer on the slate."""

    id: int
    calculator: str
    calculator_version: int
    page_unit: str
    question: dict[str, Any]
    title: str
    headline: str
    note: str
    ticked: bool
    part_id: int | None
    feature: str
    kept_at: datetime


def _item(row: SlateRow) -> SlateItem:
    plain = {name: getattr(row, name) for name in SlateItem.__slots__ if name != "kept_at"}
    return SlateItem(**plain, kept_at=row.kept_at.replace(tzinfo=UTC))


def list_slate(session: Session, most: int = MOST_LISTED) -> list[SlateItem]:
    """What is on the slate, top first, without the answers: they are worked out again."""
    rows = session.scalars(
        select(SlateRow)
        .options(defer(SlateRow.answer, raiseload=True))
        .where(SlateRow.deleted_at.is_(None))
        .order_by(SlateRow.place)
        .limit(most)
    )
    return [_item(r) for r in rows]


def slate_of(session: Session, part_id: int) -> list[SlateItem]:
    """What is kept of one part, newest first."""
    rows = session.scalars(
        select(SlateRow)
        .options(defer(SlateRow.answer, raiseload=True))
        .where(SlateRow.deleted_at.is_(None), SlateRow.part_id == part_id)
        .order_by(SlateRow.id.desc())
        .limit(MOST_LISTED)
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
    part_row(session, part_id)


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


def move(
    session: Session, item: int, *, before: int | None = None, after: int | None = None
) -> SlateItem:
    """Put an item just above or just below another; nothing else moves.

    Raises:
        Refused: One of them is gone, or both or neither of the two is said.
    """
    if (before is None) == (after is None):
        raise Refused("Say before or after which it goes.", field="before")
    row, beside = _row(session, item), _row(session, before or after or 0)
    if row is beside:
        return _item(row)
    for _ in range(2):
        place = _between(session, row, beside, above=before is not None)
        if place is not None:
            break
        # Halved so often that no number is left between them: all are counted out anew, once.
        _count_out(session)
    assert place is not None
    row.place = place
    session.flush()
    return _item(row)


def _between(session: Session, row: SlateRow, beside: SlateRow, *, above: bool) -> float | None:
    """A place between a row and the next one that way; None where no number lies there."""
    way = SlateRow.place < beside.place if above else SlateRow.place > beside.place
    edge = func.max(SlateRow.place) if above else func.min(SlateRow.place)
    others = SlateRow.id.not_in((row.id, beside.id))
    next_one = session.scalar(select(edge).where(SlateRow.deleted_at.is_(None), way, others))
    if next_one is None:
        return beside.place - 1.0 if above else beside.place + 1.0
    place = (beside.place + float(next_one)) / 2
    return place if place not in (beside.place, next_one) else None


def _count_out(session: Session) -> None:
    rows = session.scalars(
        select(SlateRow).options(defer(SlateRow.answer)).order_by(SlateRow.place, SlateRow.id)
    )
    for place, row in enumerate(rows):
        row.place = float(place)
    session.flush()


def wipe(session: Session, item: int) -> None:
    """Take an item off the slate; :func:`put_back` undoes it."""
    _row(session, item).deleted_at = now()


def put_back(session: Session, item: int) -> SlateItem:
    """Undo a deletion: the item returns to its place."""
    row = _row(session, item, deleted=True)
    row.deleted_at = None
    return _item(row)
