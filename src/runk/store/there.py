"""What is there: an engine or a part that is not thrown away, nor is what it belongs to."""

from __future__ import annotations

from sqlalchemy import ColumnElement, and_, or_, select
from sqlalchemy.orm import Session

from runk.core.refusals import Refused
from runk.store.models import EngineRow, PartRow


def engine_row(session: Session, engine_id: int, *, deleted: bool = False) -> EngineRow:
    """An engine's row.

    Args:
        session: To look it up.
        engine_id: Which.
        deleted: Whether one that was thrown away will do.

    Raises:
        Refused: It is gone.
    """
    row = session.get(EngineRow, engine_id)
    if row is None or (row.deleted_at is not None and not deleted):
        raise Refused("That engine is no longer there.", field="engine_id")
    return row


def part_row(session: Session, part_id: int, *, deleted: bool = False) -> PartRow:
    """A part's row.

    Args:
        session: To look it up.
        part_id: Which.
        deleted: Whether one that was thrown away will do; its engine must be there all the same.

    Raises:
        Refused: It is gone, or its engine is: it is there again with that.
    """
    row = session.get(PartRow, part_id)
    if row is None or (row.deleted_at is not None and not deleted):
        raise Refused("That part is no longer there.", field="part_id")
    if row.engine is not None and row.engine.deleted_at is not None:
        raise Refused(
            f"{row.name} is gone with its engine, {row.engine.name}.",
            field="part_id",
            suggest=f"bring {row.engine.name} back first",
        )
    return row


def is_part_there(session: Session, part_id: int) -> bool:
    """Whether a part and its engine have not been thrown away."""
    return session.scalar(select(PartRow.id).where(PartRow.id == part_id, part_there())) is not None


def part_there() -> ColumnElement[bool]:
    """The condition that a part is there, and its engine, if it has one."""
    engines = select(EngineRow.id).where(EngineRow.deleted_at.is_(None))
    return and_(
        PartRow.deleted_at.is_(None),
        or_(PartRow.engine_id.is_(None), PartRow.engine_id.in_(engines)),
    )
