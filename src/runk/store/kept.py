"""What editable things share: a version against stale tabs, and a key from a name."""

from __future__ import annotations

import re
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import InstrumentedAttribute, Session


class Stale(Exception):  # noqa: N818 - said to a person as two sides to choose from
    """Somebody else saved it since it was read.

    Args:
        what: ``machine``, ``metal``: said in the sentence.
        theirs: The thing as it was saved elsewhere.
    """

    def __init__(self, what: str, theirs: Any) -> None:
        super().__init__(f"this {what} was saved elsewhere since you opened it")
        self.what, self.theirs = what, theirs


def free_key(session: Session, column: InstrumentedAttribute[str], name: str, end: str = "") -> str:
    """A key made from a name that no row has yet, deleted ones included.

    Args:
        column: The table's key column.
        end: Put after every key of that table.
    """
    base = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:40] or "unnamed"
    taken = set(session.scalars(select(column).where(column.like(f"{base}%"))))
    numbered = (f"{base}{'' if n == 1 else f'-{n}'}{end}" for n in range(1, len(taken) + 2))
    return next(key for key in numbered if key not in taken)
