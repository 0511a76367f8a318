"""Parts kept: what each is, how it is made, and what is done of it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Any, NamedTuple

from sqlalchemy import select
from sqlalchemy.orm import Session, joinedload

from runk.core.refusals import Refused
from runk.store.kept import Stale
from runk.store.models import EngineRow, PartRow
from runk.store.there import engine_row, part_row, part_there

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
        version: Raised by every change: drawn, routed, ticked, measured, said to go with another.
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


def part_kept(session: Session, part_id: int) -> KeptPart:
    """One part.

    Raises:
        Refused: It is gone.
    """
    return _kept(part_row(session, part_id))


def parts_kept(session: Session, engine_id: int | None = None) -> list[KeptPart]:
    """Every part that is there, of one engine or of all, engine by engine.

    Raises:
        Refused: That engine is gone.
    """
    rows = (
        select(PartRow)
        .join(EngineRow)
        .where(PartRow.deleted_at.is_(None), EngineRow.deleted_at.is_(None))
        .order_by(PartRow.engine_id, PartRow.id)
    )
    if engine_id is not None:
        engine_row(session, engine_id)
        rows = rows.where(PartRow.engine_id == engine_id)
    return [_kept(row) for row in session.scalars(rows)]


class PartKey(NamedTuple):
    """What tells whether a part is still as it was; one that is the same need not be read again."""

    id: int
    version: int
    name: str
    engine_id: int | None
    engine: str


def part_keys(session: Session, engine_id: int | None = None) -> list[PartKey]:
    """Every part of an engine, or of all, by its key: without what is drawn and routed."""
    rows = (
        select(PartRow.id, PartRow.version, PartRow.name, PartRow.engine_id, EngineRow.name)
        .join(EngineRow)
        .where(PartRow.deleted_at.is_(None), EngineRow.deleted_at.is_(None))
        .order_by(PartRow.engine_id, PartRow.id)
    )
    if engine_id is not None:
        rows = rows.where(PartRow.engine_id == engine_id)
    return [PartKey(*row) for row in session.execute(rows)]


def parts_of(session: Session, ids: Sequence[int]) -> list[KeptPart]:
    """Parts whole, by their ids, in no order; those that are gone are left out."""
    rows = select(PartRow).options(joinedload(PartRow.engine)).where(PartRow.id.in_(ids))
    return [_kept(row) for row in session.scalars(rows.where(part_there()))]


def _fresh(session: Session, part_id: int, version: int | None) -> PartRow:
    """The row to be changed, its version raised.

    Args:
        session: Of the change.
        part_id: Which.
        version: As the window that changes it saw it; None where the change follows from
            another thing that was looked at itself.
    """
    row = part_row(session, part_id)
    see_version(row, version)
    row.version += 1
    return row


def see_version(row: PartRow, version: int | None) -> None:
    """See that a part is still as a window saw it.

    Raises:
        Stale: It was changed elsewhere since, with it as it stands now.
    """
    if version not in (None, row.version):
        now = {name: getattr(row, name) for name in ("version", "metal", "drawn", "route")}
        raise Stale("part", {**now, "done": row.done or [], "measured": row.measured or {}})


def save_drawn(
    session: Session, part_id: int, version: int, metal: str, drawn: dict[str, Any]
) -> KeptPart:
    """Keep what a part is.

    Raises:
        Stale: It was changed elsewhere since.
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
        Stale: It was changed elsewhere since.
        Refused: It is gone.
    """
    row = _fresh(session, part_id, version)
    row.route = route
    session.flush()
    return _kept(row)


def tick(
    session: Session, part_id: int, line: str, done: bool, version: int | None = None
) -> KeptPart:
    """Mark a line of a route done, or not done after all. What stands so already stays so.

    Raises:
        Stale: It was changed elsewhere since ``version``.
        Refused: It is gone, or too much of it is ticked.
    """
    row = part_row(session, part_id)
    if done is (line in (row.done or ())):
        return _kept(row)
    row = _fresh(session, part_id, version)
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
    return engine_row(session, engine_id).name


def measure(
    session: Session, part_id: int, feature: str, reading: str, version: int | None = None
) -> KeptPart:
    """Keep what a feature reads; an empty reading takes it back. What stands so stays so.

    Raises:
        Stale: It was changed elsewhere since ``version``.
        Refused: It is gone.
    """
    row = part_row(session, part_id)
    if (row.measured or {}).get(feature, "") == reading:
        return _kept(row)
    row = _fresh(session, part_id, version)
    kept = {k: v for k, v in (row.measured or {}).items() if k != feature}
    if reading:
        kept[feature] = reading
    row.measured = kept
    session.flush()
    return _kept(row)
