"""Opening the store: where the file is, how SQLite is set, migrations, backup."""

from __future__ import annotations

import os
import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from importlib import resources
from pathlib import Path
from typing import Any

import platformdirs
from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.orm import Session

from runk.core.refusals import Refused

URL_VARIABLE = "RUNK_DATABASE_URL"
_FILE = "runk.sqlite3"


def data_folder() -> Path:
    """Where the user's data lives on this system."""
    return Path(platformdirs.user_data_dir("runk", appauthor=False))


def database_url() -> str:
    """The store's address: ``RUNK_DATABASE_URL``, or a file in the data folder."""
    return os.environ.get(URL_VARIABLE) or f"sqlite:///{data_folder() / _FILE}"


def file_of(url: str) -> Path:
    """The file behind a SQLite address.

    Raises:
        Refused: An address that is not a SQLite file.
    """
    if not url.startswith("sqlite:///"):
        raise Refused(
            f"{URL_VARIABLE} must be a SQLite file such as sqlite:////home/me/runk.sqlite3."
        )
    return Path(url.removeprefix("sqlite:///"))


def now() -> datetime:
    """This moment, as stored: UTC without a zone."""
    return datetime.now(UTC).replace(tzinfo=None)


class Store:
    """One open store.

    Args:
        url: A SQLite address; the file and its folder are made where missing.
    """

    def __init__(self, url: str | None = None) -> None:
        self.url = url or database_url()
        self.file = file_of(self.url)
        self.file.parent.mkdir(parents=True, exist_ok=True)
        self.engine = _engine(self.url)
        self._watch = sqlite3.connect(self.file, check_same_thread=False, isolation_level=None)

    def migrate(self) -> None:
        """Bring the tables to today's shape."""
        from alembic import command
        from alembic.config import Config

        config = Config()
        with resources.as_file(resources.files("runk.store") / "migrations") as scripts:
            # Alembic reads this as an ini value, in which a per cent sign has to be doubled.
            config.set_main_option("script_location", str(scripts).replace("%", "%%"))
            with self.engine.begin() as connection:
                config.attributes["connection"] = connection
                command.upgrade(config, "head")

    @contextmanager
    def session(self) -> Iterator[Session]:
        """A session that commits at the end, or rolls all of it back."""
        with Session(self.engine, expire_on_commit=False) as session, session.begin():
            yield session

    @contextmanager
    def writing(self) -> Iterator[Connection]:
        """A connection that holds the only right to write from its first look on.

        What is read in it cannot be overtaken by another process before it is written. Rolled
        back as a whole on any error.
        """
        with self.engine.connect() as connection:
            connection.exec_driver_sql("BEGIN IMMEDIATE")
            yield connection
            connection.commit()

    def changed_at(self) -> int:
        """A value that changes when anybody writes to the file, this process included."""
        row = self._watch.execute("PRAGMA data_version").fetchone()
        return int(row[0])

    def close(self) -> None:
        """Close every connection."""
        self._watch.close()
        self.engine.dispose()


def _engine(url: str) -> Engine:
    engine = create_engine(url, connect_args={"timeout": 10})

    @event.listens_for(engine, "connect")
    def _set(connection: Any, _record: Any) -> None:
        cursor = connection.cursor()
        cursor.execute("PRAGMA journal_mode=WAL")
        cursor.execute("PRAGMA foreign_keys=ON")
        # What somebody was told is saved survives a pulled plug.
        cursor.execute("PRAGMA synchronous=FULL")
        cursor.close()

    return engine


def backup(source: Path, target: Path) -> None:
    """Copy a store, whole, while it may be in use.

    Raises:
        Refused: Nothing to copy, or the target is there already.
    """
    if not source.exists():
        raise Refused(f"There is nothing to back up: {source} does not exist yet.")
    if target.exists():
        raise Refused(f"{target} is there already; name a new file.")
    target.parent.mkdir(parents=True, exist_ok=True)
    with sqlite3.connect(source) as old, sqlite3.connect(target) as new:
        old.backup(new)
    old.close()
    new.close()


def restore(source: Path, target: Path) -> Path | None:
    """Put a backup in the store's place; what was there is set aside, never deleted.

    Returns:
        Where the old store was set aside, or None where there was none.

    Raises:
        Refused: The file is missing, broken, or no Runk backup.
    """
    if not source.exists():
        raise Refused(f"{source} does not exist.")
    try:
        check = sqlite3.connect(f"{source.resolve().as_uri()}?mode=ro", uri=True)
        sound = check.execute("PRAGMA quick_check").fetchone()[0] == "ok"
        tables = {r[0] for r in check.execute("SELECT name FROM sqlite_master WHERE type='table'")}
        check.close()
    except sqlite3.DatabaseError as broken:
        raise Refused(f"{source} is no Runk backup: {broken}.") from None
    if not sound or not {"machine", "slate", "alembic_version"} <= tables:
        raise Refused(f"{source} is no Runk backup, or is damaged; nothing was changed.")
    aside = None
    if target.exists():
        aside = target.with_name(f"{target.stem}-before-restore-{now():%Y%m%d-%H%M%S}.sqlite3")
        backup(target, aside)
    target.parent.mkdir(parents=True, exist_ok=True)
    with sqlite3.connect(source) as old, sqlite3.connect(target) as new:
        old.backup(new)
    old.close()
    new.close()
    return aside
