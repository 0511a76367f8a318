"""Opening the store: where the file is, how SQLite is set, who may write."""

from __future__ import annotations

import os
import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import platformdirs
from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.exc import DBAPIError
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
        wait_s: How long to wait for another program that is writing.

    Raises:
        Refused: The file or its folder cannot be opened or written.
    """

    def __init__(self, url: str | None = None, wait_s: float = 5.0) -> None:
        self.url = url or database_url()
        self.file = file_of(self.url)
        try:
            self.file.parent.mkdir(parents=True, exist_ok=True)
            self._watch = sqlite3.connect(self.file, check_same_thread=False, isolation_level=None)
        except (OSError, sqlite3.Error) as error:
            raise Refused(
                f"{self.file} cannot be opened: {_why(error)}. Name another with {URL_VARIABLE}."
            ) from None
        self.engine = _engine(self.url, wait_s)

    def migrate(self) -> None:
        """Bring the tables to today's shape, all or nothing; an older file is copied first.

        Raises:
            Refused: It is no file of Runk's, or one of a newer Runk's.
        """
        from runk.store.migrate import migrate

        try:
            migrate(self)
        except sqlite3.DatabaseError as error:
            raise Refused(f"{self.file} cannot be used: {_why(error)}.") from None
        except DBAPIError as error:
            raise Refused(f"{self.file} cannot be used: {_why(error.orig)}.") from None

    @contextmanager
    def reading(self) -> Iterator[Session]:
        """A session that only looks: the database itself refuses to write in it."""
        with self.engine.connect() as connection:
            connection.exec_driver_sql("PRAGMA query_only=ON")
            try:
                with Session(bind=connection, expire_on_commit=False) as session:
                    yield session
            finally:
                connection.rollback()
                connection.exec_driver_sql("PRAGMA query_only=OFF")

    @contextmanager
    def writing(self) -> Iterator[Session]:
        """The one door for every change: a session that alone may write from its first look on.

        What is looked at in it (versions, names, keys) cannot be overtaken before it is written.
        Rolled back as a whole on any error.
        """
        with (
            self.writing_rows() as connection,
            Session(bind=connection, expire_on_commit=False) as session,
        ):
            yield session
            session.flush()

    @contextmanager
    def writing_rows(self) -> Iterator[Connection]:
        """The same door without objects, where somebody stands waiting for the next number."""
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


_PLAINLY = {
    "unable to open database file": "there is no such folder, or it may not be written",
    "attempt to write a readonly database": "it may not be written",
    "file is not a database": "it is no file of Runk's",
    "database is locked": "another program holds it",
    "database or disk is full": "the disk is full",
    "database disk image is malformed": "it is damaged; restore a backup",
}


def _why(error: BaseException | None) -> str:
    """What the system says, in words of the shop where there are any."""
    said = str(error)
    known = (plain for words, plain in _PLAINLY.items() if words in said)
    strange = error.strerror if isinstance(error, OSError) and error.strerror else said
    return next(known, strange.lower().rstrip("."))


def _engine(url: str, wait_s: float) -> Engine:
    engine = create_engine(url, connect_args={"timeout": wait_s})

    @event.listens_for(engine, "connect")
    def _set(connection: Any, _record: Any) -> None:
        cursor = connection.cursor()
        cursor.execute("PRAGMA journal_mode=WAL")
        cursor.execute("PRAGMA foreign_keys=ON")
        # What somebody was told is saved survives a pulled plug.
        cursor.execute("PRAGMA synchronous=FULL")
        cursor.close()

    return engine
