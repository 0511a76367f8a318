"""Cuts kept: what they were settled to, and their events, which are only ever added."""

from __future__ import annotations

from dataclasses import asdict, dataclass, replace
from datetime import datetime
from typing import Any, cast

from sqlalchemy import Connection, Table, bindparam, func, insert, select
from sqlalchemy.orm import Session

from runk.core.plan.events import Event, EventKind
from runk.core.plan.settle import Said
from runk.core.plan.spec import CutSpec, Job
from runk.core.refusals import Refused
from runk.store.database import now
from runk.store.mates import check_mate
from runk.store.models import CutEventRow, CutRow
from runk.store.slate import check_part

MOST_EVENTS, MOST_LISTED = 5000, 200
# Written in Core: between two passes somebody stands waiting for the next number.
_EVENTS = cast(Table, CutEventRow.__table__)
# As the driver takes it, for it is asked before every reading.
_NEWEST = """
SELECT cut.keep_key, cut_event.id, cut_event.event_key
FROM cut LEFT OUTER JOIN cut_event ON cut_event.cut_id = cut.id
WHERE cut.id = ? AND cut.deleted_at IS NULL
ORDER BY cut_event.id DESC LIMIT 1
"""
_AFTER = (
    select(
        _EVENTS.c.id,
        _EVENTS.c.kind,
        _EVENTS.c.sizes_mm,
        _EVENTS.c.wound,
        _EVENTS.c.warm_deg,
        _EVENTS.c.undoes,
        _EVENTS.c.event_key,
    )
    .where(_EVENTS.c.cut_id == bindparam("cut"), _EVENTS.c.id >= bindparam("event"))
    .order_by(_EVENTS.c.id)
)
_ADD = insert(_EVENTS).prefix_with("OR IGNORE")


@dataclass(frozen=True, slots=True)
class Newest:
    """The newest event of a cut: 0 and no key where there is none yet."""

    keep_key: str
    id: int
    event_key: str


@dataclass(frozen=True, slots=True)
class KeptCut:
    """A cut as kept, without its events."""

    id: int
    keep_key: str
    title: str
    page_unit: str
    question: dict[str, Any]
    spec: CutSpec
    said: Said
    seed: int | None
    part_id: int | None
    started_at: datetime
    mate_id: int | None = None
    feature: str = ""


def _cut(row: CutRow) -> KeptCut:
    spec = CutSpec(**(row.spec | {"job": Job(row.spec["job"])}))
    cautions = tuple(tuple((*kept, "")[:4]) for kept in row.said["cautions"])
    said = Said(**(row.said | {"cautions": cautions}))
    return KeptCut(
        row.id,
        row.keep_key,
        row.title,
        row.page_unit,
        row.question,
        spec,
        said,
        row.seed,
        row.part_id,
        row.started_at,
        row.mate_id,
        row.feature,
    )


def start_cut(
    session: Session,
    keep_key: str,
    title: str,
    question: dict[str, Any],
    page_unit: str,
    version: int,
    spec: CutSpec,
    said: Said,
    *,
    seed: int | None = None,
    part_id: int | None = None,
    mate_id: int | None = None,
    feature: str = "",
) -> KeptCut:
    """Keep a new cut; the same ``keep_key`` twice keeps it once.

    Raises:
        Refused: A part or a mate that is not there.
    """
    before = session.scalar(select(CutRow).where(CutRow.keep_key == keep_key))
    if before is not None:
        return _cut(before)
    check_part(session, part_id)
    if mate_id is not None:
        check_mate(session, mate_id)
    row = CutRow(
        keep_key=keep_key,
        calculator_version=version,
        page_unit=page_unit,
        question=question,
        spec=asdict(spec),
        said=asdict(said),
        title=title,
        seed=seed,
        part_id=part_id,
        feature=feature,
        mate_id=mate_id,
        started_at=now(),
    )
    session.add(row)
    session.flush()
    return _cut(row)


def newest(session: Session, most: int = MOST_LISTED) -> list[int]:
    """The newest cuts not thrown away, newest first."""
    rows = select(CutRow.id).where(CutRow.deleted_at.is_(None)).order_by(CutRow.id.desc())
    return list(session.scalars(rows.limit(most)))


def cuts_of(session: Session, part_id: int) -> list[int]:
    """The cuts of one part, newest first."""
    rows = select(CutRow.id).where(CutRow.deleted_at.is_(None), CutRow.part_id == part_id)
    return list(session.scalars(rows.order_by(CutRow.id.desc()).limit(MOST_LISTED)))


def cut_of_mate(session: Session, mate: int) -> tuple[int, datetime | None] | None:
    """The newest cut made for a mate, and when it was read last; None where there is none."""
    read = CutEventRow.kind == EventKind.READING.value
    found = session.execute(
        select(CutRow.id, func.max(CutEventRow.at))
        .outerjoin(CutEventRow, (CutEventRow.cut_id == CutRow.id) & read)
        .where(CutRow.mate_id == mate, CutRow.deleted_at.is_(None))
        .group_by(CutRow.id)
        .order_by(CutRow.id.desc())
        .limit(1)
    ).one_or_none()
    return None if found is None else (found[0], found[1])


def _row(session: Session, cut: int, *, deleted: bool = False) -> CutRow:
    row = session.get(CutRow, cut)
    if row is None or (row.deleted_at is not None and not deleted):
        raise Refused("That cut is no longer kept.", field="id")
    return row


def cut_kept(session: Session, cut: int) -> KeptCut:
    """One cut.

    Raises:
        Refused: It is gone.
    """
    return _cut(_row(session, cut))


def newest_event(connection: Connection, cut: int) -> Newest | None:
    """The newest event of a cut; None where the cut is gone.

    One look that tells whether what is known of the cut is still all there is.
    """
    row = connection.exec_driver_sql(_NEWEST, (cut,)).one_or_none()
    return None if row is None else Newest(row[0], int(row[1] or 0), row[2] or "")


def events_after(
    connection: Connection, cut: int, event: int = 0, event_key: str = ""
) -> list[Event] | None:
    """A cut's events after one of them, oldest first.

    Returns:
        None where that one is not there any more, or another has its number.
    """
    rows = [tuple(row) for row in connection.execute(_AFTER, {"cut": cut, "event": event})]
    if event:
        if not rows or (rows[0][0], rows[0][-1]) != (event, event_key):
            return None
        rows = rows[1:]
    return [
        Event(id_, EventKind(kind), tuple(sizes), wound, warm, undoes)
        for id_, kind, sizes, wound, warm, undoes, _ in rows
    ]


def known_event(connection: Connection, event_key: str) -> bool:
    """Whether an event with this key is there already."""
    found = connection.scalar(select(CutEventRow.id).where(CutEventRow.event_key == event_key))
    return found is not None


def add_event(connection: Connection, cut: int, event_key: str, event: Event) -> Event | None:
    """Add what happened; None where an event with this key is there already."""
    given = {
        "cut_id": cut,
        "event_key": event_key,
        "kind": event.kind.value,
        "sizes_mm": list(event.sizes_mm),
        "wound": event.wound,
        "warm_deg": event.warm_deg,
        "undoes": event.undoes,
        "at": now(),
    }
    done = connection.execute(_ADD, given)
    if not done.rowcount:
        return None
    return replace(event, id=int(done.lastrowid))


def throw_away(session: Session, cut: int) -> None:
    """Take a cut out of the list; :func:`fetch_back` undoes it."""
    _row(session, cut).deleted_at = now()


def fetch_back(session: Session, cut: int) -> KeptCut:
    """Undo throwing away."""
    row = _row(session, cut, deleted=True)
    row.deleted_at = None
    session.flush()
    return _cut(row)
