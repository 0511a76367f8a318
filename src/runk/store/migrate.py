"""Bringing a store of any age to today's shape, all or nothing, with a dated copy first."""

from __future__ import annotations

import re
from functools import cache
from importlib import resources
from pathlib import Path
from typing import TYPE_CHECKING

from runk.core.refusals import Refused
from runk.store.copies import backup, looking
from runk.store.models import Base

if TYPE_CHECKING:
    from runk.store.database import Store

_STEP = re.compile(r"(\d{4})_\w+\.py")


@cache
def known_versions() -> tuple[str, ...]:
    """Every shape a store has had, oldest first.

    >>> known_versions()[0]
    '0001'
    """
    folder = resources.files("runk.store") / "migrations" / "versions"
    found = (_STEP.fullmatch(step.name) for step in folder.iterdir())
    return tuple(sorted(step[1] for step in found if step))


def version_of(file: Path) -> str | None:
    """The shape of the store in a file; None where the file is new and empty.

    Raises:
        Refused: It is no store of Runk's, or one of a newer Runk's, or a table of it is missing.
        sqlite3.DatabaseError: It is no database.
    """
    with looking(file) as look:
        tables = {r[0] for r in look.execute("SELECT name FROM sqlite_master WHERE type='table'")}
        rows = []
        if "alembic_version" in tables:
            rows = [str(r[0]) for r in look.execute("SELECT version_num FROM alembic_version")]
    ours = {table for table in tables if not table.startswith("sqlite_")}
    if not ours or (ours == {"alembic_version"} and not rows):
        return None
    if len(rows) != 1:
        raise Refused(f"{file} is no file of Runk's; nothing in it was changed.")
    newest = known_versions()[-1]
    if rows[0] not in known_versions():
        raise Refused(
            f"{file} was made by a newer Runk than this: its tables are of version "
            f"{rows[0][:20]}, this one knows them up to {newest}. Start the newer one."
        )
    missing = sorted(set(Base.metadata.tables) - tables) if rows[0] == newest else []
    if missing:
        raise Refused(f"{file} is damaged: its {missing[0]} table is missing. Restore a backup.")
    return rows[0]


def migrate(store: Store) -> None:
    """Bring a store to today's shape; a store that has it already is only looked at.

    Raises:
        Refused: As :func:`version_of`.
    """
    found = version_of(store.file)
    if found == known_versions()[-1]:
        return
    if found is not None:
        backup(store.file, _dated(store.file, found))
    from alembic import command
    from alembic.config import Config

    config = Config()
    with resources.as_file(resources.files("runk.store") / "migrations") as scripts:
        # Alembic reads this as an ini value, in which a per cent sign has to be doubled.
        config.set_main_option("script_location", str(scripts).replace("%", "%%"))
        # One writer from the first look on: cut short at any statement, nothing has happened.
        with store.writing_rows() as connection:
            config.attributes["connection"] = connection
            command.upgrade(config, "head")


def _dated(file: Path, version: str) -> Path:
    from runk.store.database import now

    wanted = f"{file.stem}-version-{version}-{now():%Y%m%d-%H%M%S}"
    names = (f"{wanted}{'' if n == 1 else f'-{n}'}.sqlite3" for n in range(1, 1000))
    return next(path for path in map(file.with_name, names) if not path.exists())
