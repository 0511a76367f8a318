"""Metals of one's own kept: saved whole or not at all, with a version against stale tabs."""

from __future__ import annotations

from dataclasses import dataclass, replace

from sqlalchemy import select
from sqlalchemy.orm import Session

from runk.core.metals.own import OwnMetal, check_own, with_own
from runk.core.refusals import Refused
from runk.store.database import now
from runk.store.kept import Stale, free_key
from runk.store.models import OwnMetalRow

_SAVED = ("name", "like", "designation", "magnet", "figures")


@dataclass(frozen=True, slots=True)
class KeptMetal:
    """A metal and which saving of it this is."""

    version: int
    metal: OwnMetal


def _metal(row: OwnMetalRow) -> OwnMetal:
    return OwnMetal(row.key, **{name: getattr(row, name) for name in _SAVED})


def list_metals(session: Session) -> list[KeptMetal]:
    """Every metal of one's own not taken out, oldest first."""
    rows = session.scalars(
        select(OwnMetalRow).where(OwnMetalRow.deleted_at.is_(None)).order_by(OwnMetalRow.id)
    )
    return [KeptMetal(r.version, _metal(r)) for r in rows]


def _checked(session: Session, metal: OwnMetal) -> OwnMetal:
    metal = replace(metal, name=" ".join(metal.name.split()), designation=metal.designation.strip())
    check_own(metal, with_own(tuple(k.metal for k in list_metals(session))))
    return metal


def _row(session: Session, key: str, *, deleted: bool = False) -> OwnMetalRow:
    row = session.scalar(select(OwnMetalRow).where(OwnMetalRow.key == key))
    if row is None or (row.deleted_at is not None and not deleted):
        raise Refused("That metal is no longer kept.", field="key")
    return row


def _fill(row: OwnMetalRow, metal: OwnMetal) -> KeptMetal:
    for name in _SAVED:
        setattr(row, name, getattr(metal, name))
    return KeptMetal(row.version, _metal(row))


def add_metal(session: Session, metal: OwnMetal) -> KeptMetal:
    """Keep a new metal; its key comes from its name.

    Raises:
        Refused: Figures no metal has, or a name that is taken.
    """
    metal = _checked(session, replace(metal, key=""))
    # The end keeps it apart from every shipped key, today's and tomorrow's.
    row = OwnMetalRow(key=free_key(session, OwnMetalRow.key, metal.name, "-mine"), version=1)
    kept = _fill(row, metal)
    session.add(row)
    session.flush()
    return kept


def save_metal(session: Session, key: str, version: int, metal: OwnMetal) -> KeptMetal:
    """Save a changed metal, whole.

    Args:
        version: The saving it was read at.

    Raises:
        Refused: It could not be a metal, or is gone.
        Stale: It was saved elsewhere since.
    """
    row = _row(session, key)
    metal = _checked(session, replace(metal, key=key))
    if row.version != version:
        raise Stale("metal", KeptMetal(row.version, _metal(row)))
    row.version += 1
    return _fill(row, metal)


def delete_metal(session: Session, key: str) -> None:
    """Take a metal out; :func:`bring_metal_back` undoes it."""
    _row(session, key).deleted_at = now()


def bring_metal_back(session: Session, key: str) -> KeptMetal:
    """Undo a deletion.

    Raises:
        Refused: Its name has been given to another since.
    """
    row = _row(session, key, deleted=True)
    _checked(session, _metal(row))
    row.deleted_at = None
    return KeptMetal(row.version, _metal(row))
