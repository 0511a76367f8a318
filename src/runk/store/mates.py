"""Mates kept: what was asked, and what was read since, which is only ever added to."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime
from fractions import Fraction
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from runk.core.fits.follow import MateEvent, Side
from runk.core.fits.measured import Station
from runk.core.plan.events import EventKind
from runk.core.refusals import Refused
from runk.store.database import now
from runk.store.models import MateEventRow, MateRow
from runk.store.slate import check_part

MOST_READINGS, MOST_LISTED = 500, 200


@dataclass(frozen=True, slots=True)
class KeptMate:
    """A mate as kept, without its readings."""

    id: int
    title: str
    page_unit: str
    version: int
    question: dict[str, Any]
    part_id: int | None
    feature: str = ""


@dataclass(frozen=True, slots=True)
class TimedEvent:
    """What happened to a mate, and when."""

    event: MateEvent
    at: datetime


def _mate(row: MateRow) -> KeptMate:
    return KeptMate(
        row.id,
        row.title,
        row.page_unit,
        row.calculator_version,
        row.question,
        row.part_id,
        row.feature,
    )


def start_mate(
    session: Session,
    keep_key: str,
    title: str,
    question: dict[str, Any],
    page_unit: str,
    version: int,
    part_id: int | None = None,
    feature: str = "",
) -> KeptMate:
    """Keep a new mate; the same ``keep_key`` twice keeps it once.

    Raises:
        Refused: A part that is not there.
    """
    before = session.scalar(select(MateRow).where(MateRow.keep_key == keep_key))
    if before is not None:
        return _mate(before)
    check_part(session, part_id)
    row = MateRow(
        keep_key=keep_key,
        calculator_version=version,
        page_unit=page_unit,
        question=question,
        title=title,
        part_id=part_id,
        feature=feature,
        started_at=now(),
    )
    session.add(row)
    session.flush()
    return _mate(row)


def newest_mates(session: Session, most: int = MOST_LISTED) -> list[KeptMate]:
    """The newest mates not thrown away, newest first."""
    rows = select(MateRow).where(MateRow.deleted_at.is_(None)).order_by(MateRow.id.desc())
    return [_mate(row) for row in session.scalars(rows.limit(most))]


def mates_of(session: Session, part_id: int) -> list[KeptMate]:
    """The mates of one part, newest first."""
    rows = select(MateRow).where(MateRow.deleted_at.is_(None), MateRow.part_id == part_id)
    return [_mate(row) for row in session.scalars(rows.order_by(MateRow.id.desc()))]


def set_feature(session: Session, mate: int, part_id: int | None, feature: str) -> KeptMate:
    """Say which feature of which part a mate is of.

    Raises:
        Refused: The mate or the part is gone.
    """
    row = _row(session, mate)
    check_part(session, part_id)
    row.part_id, row.feature = part_id, feature if part_id is not None else ""
    session.flush()
    return _mate(row)


def _row(session: Session, mate: int, *, deleted: bool = False) -> MateRow:
    row = session.get(MateRow, mate)
    if row is None or (row.deleted_at is not None and not deleted):
        raise Refused("That mate is no longer kept.", field="id")
    return row


def check_mate(session: Session, mate: int) -> None:
    """See that a mate is there.

    Raises:
        Refused: It is gone.
    """
    _row(session, mate)


def mate_kept(session: Session, mate: int) -> KeptMate:
    """One mate.

    Raises:
        Refused: It is gone.
    """
    return _mate(_row(session, mate))


def events_of(session: Session, mate: int) -> list[TimedEvent]:
    """Everything that happened to a mate, oldest first."""
    rows = select(MateEventRow).where(MateEventRow.mate_id == mate).order_by(MateEventRow.id)
    return [TimedEvent(_event(row), row.at) for row in session.scalars(rows)]


def _event(row: MateEventRow) -> MateEvent:
    stations = tuple(Station(name, tuple(map(Fraction, sizes))) for name, sizes in row.stations)
    return MateEvent(
        row.id, EventKind(row.kind), Side(row.side), stations, row.warm_deg, row.undoes
    )


def known_reading(session: Session, event_key: str) -> bool:
    """Whether an event with this key is there already."""
    found = select(MateEventRow.id).where(MateEventRow.event_key == event_key)
    return session.scalar(found) is not None


def add_reading(session: Session, mate: int, event_key: str, event: MateEvent) -> MateEvent:
    """Add what happened; its key must be new."""
    row = MateEventRow(
        mate_id=mate,
        event_key=event_key,
        kind=event.kind.value,
        side=event.side.value,
        stations=[[one.name, [str(mm) for mm in one.sizes]] for one in event.stations],
        warm_deg=event.warm_deg,
        undoes=event.undoes,
        at=now(),
    )
    session.add(row)
    session.flush()
    return replace(event, id=row.id)


def throw_mate(session: Session, mate: int) -> None:
    """Take a mate out of the list; :func:`fetch_mate` undoes it."""
    _row(session, mate).deleted_at = now()


def fetch_mate(session: Session, mate: int) -> KeptMate:
    """Undo throwing away."""
    row = _row(session, mate, deleted=True)
    row.deleted_at = None
    session.flush()
    return _mate(row)
