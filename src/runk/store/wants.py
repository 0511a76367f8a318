"""What an engine wants: things bought ready, and how what is missing stands."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from sqlalchemy import select
from sqlalchemy.orm import Session

from runk.core.naming import plain_name
from runk.core.refusals import Refused
from runk.store.models import WantRow
from runk.store.there import engine_row

MOST_WANTS = 300


class State(StrEnum):
    """How something that is wanted stands."""

    MISSING = "missing"
    ORDERED = "ordered"
    HERE = "here"


@dataclass(frozen=True, slots=True)
class Want:
    """Something wanted.

    Args:
        what: In words.
        many: How many.
        state: How it stands.
        bought: Whether it was put on the list by hand; else some part asks for it.
    """

    what: str
    many: int
    state: str
    bought: bool


def wants_of(session: Session, engine_id: int) -> list[Want]:
    """What is kept of an engine's wants, in the order it was put there."""
    rows = select(WantRow).where(WantRow.engine_id == engine_id).order_by(WantRow.id)
    return [Want(r.what, r.many, r.state, r.bought) for r in session.scalars(rows)]


def every_state(session: Session) -> dict[tuple[int, str], str]:
    """How everything that is wanted stands, by the engine and in words."""
    rows = session.execute(select(WantRow.engine_id, WantRow.what, WantRow.state))
    return {(engine, what): state for engine, what, state in rows}


def put_want(
    session: Session, engine_id: int, what: str, many: int, state: State, bought: bool
) -> Want:
    """Put something on the list, or say anew how it stands.

    Raises:
        Refused: The engine is gone, it has no name, or the list is full.
    """
    engine_row(session, engine_id)
    what = plain_name(what, 120, "thing wanted")
    found = session.scalar(
        select(WantRow).where(WantRow.engine_id == engine_id, WantRow.what == what)
    )
    if found is None:
        if len(wants_of(session, engine_id)) >= MOST_WANTS:
            raise Refused(f"{MOST_WANTS} things are wanted already.", field="what")
        found = WantRow(engine_id=engine_id, what=what, bought=bought)
        session.add(found)
    found.many, found.state = many, state.value
    session.flush()
    return Want(found.what, found.many, found.state, found.bought)


def strike_want(session: Session, engine_id: int, what: str) -> None:
    """Take something off the list; what a part asks for is missing again.

    Raises:
        Refused: The engine is gone.
    """
    engine_row(session, engine_id)
    row = session.scalar(
        select(WantRow).where(WantRow.engine_id == engine_id, WantRow.what == what)
    )
    if row is not None:
        session.delete(row)
