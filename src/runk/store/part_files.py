"""Engines taken out whole and brought in whole: all of a file, or nothing of it."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from sqlalchemy.orm import Session

from runk.store.engines import EngineWithParts, add_engine, add_part, list_engines
from runk.store.models import PartRow
from runk.store.parts import KeptPart


def part_row(part: KeptPart) -> dict[str, Any]:
    """A part as it stands in a file."""
    route = part.route or {}
    row: dict[str, Any] = {"name": part.name, "metal": part.metal}
    row |= part.drawn or {"blank": "", "features": []}
    if part.route is not None:
        row["route"] = route["set_ups"]
        row |= {k: route[k] for k in ("overruled", "proved", "at_least", "reasons") if k in route}
    if part.done:
        row["done"] = list(part.done)
    return row


def bring_in(session: Session, engine: str, rows: Sequence[dict[str, Any]]) -> EngineWithParts:
    """A new engine with all its parts.

    Args:
        session: Of one change: what is refused leaves nothing behind.
        engine: Its name, which no other has.
        rows: Name, metal, ``drawn``, ``route`` and ``done`` of each part.

    Raises:
        Refused: There is an engine of that name, or two parts of one.
    """
    made = add_engine(session, engine)
    for row in rows:
        part = add_part(session, made.id, row["name"], row["metal"])
        kept = session.get_one(PartRow, part.id)
        kept.drawn, kept.route, kept.done = row["drawn"], row["route"], row["done"] or None
    session.flush()
    return next(one for one in list_engines(session) if one.id == made.id)
