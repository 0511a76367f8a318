"""Parts kept: what each is, how it is made, and what is done of it."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from runk.core.refusals import Refused
from runk.store.kept import Stale
from runk.store.models import EngineRow, PartRow

MOST_DONE = 2000


@dataclass(frozen=True, slots=True)
class KeptPart:
    """A part as kept.

    Args:
        id: Of it; ``engine_id`` of its engine.
        name: Of it; ``engine`` of its engine.
        metal: As typed.
        drawn: Blank, features and what else is drawn; None where only its name is there.
        route: Set-ups, and rules overruled; None where none is there.
        done: Lines ticked, in their order.
        version: Raised when it is drawn or routed anew.
        measured: What its features read, as typed.
    """

    id: int
    engine_id: int | None
    engine: str
    name: str
    metal: str
    drawn: dict[str, Any] | None
    route: dict[str, Any] | None
    done: tuple[str, ...]
    version: int
    measured: dict[str, str] = field(default_factory=dict)


def _kept(row: PartRow) -> KeptPart:
    engine = row.engine
    return KeptPart(
        row.id,
        row.engine_id,
        engine.name if engine is not None else "",
        row.name,
        row.metal,
        row.drawn,
        row.route,
        tuple(row.done or ()),
        row.version,
        dict(row.measured or {}),
    )


def _row(session: Session, part_id: int) -> PartRow:
    row = session.get(PartRow, part_id)
    if row is None or row.deleted_at is not None:
        raise Refused("That part is no longer there.", field="part_id")
    return row


def part_there(session: Session, part_id: int) -> bool:
    """Whether a part has not been thrown away."""
    row = session.get(PartRow, part_id)
    return row is not None and row.deleted_at is None


def part_kept(session: Session, part_id: int) -> KeptPart:
    """One part.

    Raises:
        Refused: It is gone.
    """
    return _kept(_row(session, part_id))


def parts_kept(session: Session, engine_id: int | None = None) -> list[KeptPart]:
    """Every part that is there, of one engine or of all, engine by engine."""
    rows = (
        select(PartRow)
        .join(EngineRow)
        .where(PartRow.deleted_at.is_(None), EngineRow.deleted_at.is_(None))
        .order_by(PartRow.engine_id, PartRow.id)
    )
    if engine_id is not None:
        rows = rows.where(PartRow.engine_id == engine_id)
    return [_kept(row) for row in session.scalars(rows)]


@dataclass(frozen=True, slots=True)
class PartKey:
    """What tells whether a part is still as it was; one that is the same need not be read again."""

    id: int
    version: int
    name: str
    metal: str
    done: tuple[str, ...]
    tries: str


def part_keys(session: Session, engine_id: int) -> list[PartKey]:
    """Every part of an engine by its key, without what is drawn and routed."""
    tries = func.json_extract(PartRow.drawn, "$.tries")
    rows = session.execute(
        select(PartRow.id, PartRow.version, PartRow.name, PartRow.metal, PartRow.done, tries)
        .where(PartRow.engine_id == engine_id, PartRow.deleted_at.is_(None))
        .order_by(PartRow.id)
    )
    return [PartKey(i, v, n, m, tuple(d or ()), t or "") for i, v, n, m, d, t in rows]


def _fresh(session: Session, part_id: int, version: int) -> PartRow:
    row = _row(session, part_id)
    if row.version != version:
        raise Stale("part", {"version": row.version, "drawn": row.drawn, "route": row.route})
    row.version += 1
    return row


def save_drawn(
    session: Session, part_id: int, version: int, metal: str, drawn: dict[str, Any]
) -> KeptPart:
    """Keep what a part is.

    Raises:
        Stale: It was drawn or routed elsewhere since.
        Refused: It is gone.
    """
    row = _fresh(session, part_id, version)
    row.metal, row.drawn = metal[:60], drawn
    session.flush()
    return _kept(row)


def save_route(
    session: Session, part_id: int, version: int, route: dict[str, Any] | None
) -> KeptPart:
    """Keep how a part is made.

    Raises:
        Stale: It was drawn or routed elsewhere since.
        Refused: It is gone.
    """
    row = _fresh(session, part_id, version)
    row.route = route
    session.flush()
    return _kept(row)


def tick(session: Session, part_id: int, line: str, done: bool) -> KeptPart:
    """Mark a line of a route done, or not done after all. Twice is as once."""
    row = _row(session, part_id)
    kept = [one for one in row.done or () if one != line]
    if done:
        if len(kept) >= MOST_DONE:
            raise Refused(f"{MOST_DONE} lines of one part are ticked already.", field="line")
        kept.append(line)
    row.done = kept
    session.flush()
    return _kept(row)


def engine_name(session: Session, engine_id: int) -> str:
    """An engine's name.

    Raises:
        Refused: It is gone.
    """
    row = session.get(EngineRow, engine_id)
    if row is None or row.deleted_at is not None:
        raise Refused("That engine is no longer there.", field="engine_id")
    return row.name


def measure(session: Session, part_id: int, feature: str, reading: str) -> KeptPart:
    """Keep what a feature reads; an empty reading takes it back."""
    row = _row(session, part_id)
    kept = {k: v for k, v in (row.measured or {}).items() if k != feature}
    if reading:
        kept[feature] = reading
    row.measured = kept
    session.flush()
    return _kept(row)
