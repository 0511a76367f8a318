"""Engines taken out whole and brought in whole: all of a file, or nothing of it."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from sqlalchemy.orm import Session

from runk.store.engines import EngineWithParts, add_engine, add_part, list_engines
from runk.store.goes_with import add_fit, fits_kept
from runk.store.models import PartRow
from runk.store.parts import KeptPart

Named = tuple[str, str]
"""A part's name and a feature's."""


def part_row(part: KeptPart) -> dict[str, Any]:
    """A part as it stands in a file."""
    route = part.route or {}
    row: dict[str, Any] = {"name": part.name, "metal": part.metal}
    row |= part.drawn or {"blank": "", "features": []}
    if not row.get("schools"):
        row.pop("schools", None)
    if part.route is not None:
        row["route"] = route["set_ups"]
        row |= {k: route[k] for k in ("overruled", "proved", "at_least", "reasons") if k in route}
    if part.done:
        row["done"] = list(part.done)
    if part.measured:
        row["measured"] = dict(part.measured)
    return row


def fits_of(
    session: Session, parts: Sequence[KeptPart]
) -> list[tuple[tuple[Named, Named, str], tuple[tuple[int, str], tuple[int, str]]]]:
    """What goes with what among some parts, by their names, and by their ids."""
    names = {one.id: one.name for one in parts}
    return [
        (
            ((names[one.hole[0]], one.hole[1]), (names[one.shaft[0]], one.shaft[1]), one.duty),
            (one.hole, one.shaft),
        )
        for one in fits_kept(session)
        if one.hole[0] in names and one.shaft[0] in names
    ]


def bring_in(
    session: Session,
    engine: str,
    rows: Sequence[dict[str, Any]],
    goes_with: Sequence[tuple[Named, Named, str]] = (),
    note: str = "",
) -> EngineWithParts:
    """A new engine with all its parts.

    Args:
        session: Of one change: what is refused leaves nothing behind.
        engine: Its name, which no other has.
        rows: Name, metal, ``drawn``, ``route``, ``done`` and ``measured`` of each part.
        goes_with: Hole, shaft and duty, each side a part's name and a feature's.
        note: On the engine.

    Raises:
        Refused: There is an engine of that name, or two parts of one.
    """
    made = add_engine(session, engine, note)
    ids: dict[str, int] = {}
    for row in rows:
        part = add_part(session, made.id, row["name"], row["metal"])
        kept = session.get_one(PartRow, part.id)
        kept.drawn, kept.route, kept.done = row["drawn"], row["route"], row["done"] or None
        kept.measured = row.get("measured") or None
        ids[row["name"].casefold()] = part.id
    session.flush()
    for (hole, into), (shaft, goes), duty in goes_with:
        add_fit(session, (ids[hole.casefold()], into), (ids[shaft.casefold()], goes), duty)
    return next(one for one in list_engines(session) if one.id == made.id)
