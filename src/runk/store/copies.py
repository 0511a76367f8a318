"""Copies of a store: a backup made while it is in use, and a backup put back."""

from __future__ import annotations

import contextlib
import sqlite3
import tempfile
from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

from sqlalchemy.exc import SQLAlchemyError

from runk.core.refusals import Refused

if TYPE_CHECKING:
    from runk.store.database import Store


def backup(source: Path, target: Path) -> None:
    """Copy a store, whole, while it may be in use.

    Raises:
        Refused: Nothing to copy, the target is there already, or it cannot be written.
    """
    if not source.exists():
        raise Refused(f"There is nothing to back up: {source} does not exist yet.")
    if target.exists():
        raise Refused(f"{target} is there already; name a new file.")
    half = target.with_name(f"{target.name}.part")
    try:
        target.parent.mkdir(parents=True, exist_ok=True)
        _copy(source, half)
        _tried(half, source, target)
        # Its name stands for a whole copy: a copy cut short never has it.
        half.replace(target)
    except Refused:
        with contextlib.suppress(OSError):
            half.unlink(missing_ok=True)
        raise
    except (OSError, sqlite3.Error) as error:
        with contextlib.suppress(OSError):
            half.unlink(missing_ok=True)
        raise Refused(f"{target} could not be written: {error}. Nothing was backed up.") from None


def _tried(copy: Path, source: Path, target: Path) -> None:
    """Read a copy through: a damaged store, or one of a newer Runk, is no backup.

    Raises:
        Refused: It is damaged, or newer than this Runk can read.
    """
    from runk.store.migrate import version_of

    if not _reads(copy):
        good = next(
            (
                one
                for one in sorted(target.parent.glob(f"*{target.suffix}"), key=_age)[:_LOOKED_AT]
                if one not in (source, copy) and _reads(one)
            ),
            None,
        )
        last = (
            f"the last good copy beside it is {good}" if good else "go back to your last good one"
        )
        raise Refused(
            f"{source} is damaged, and a copy of it would be too. Nothing was backed up: {last}."
        )
    version_of(source)


_LOOKED_AT = 10


def _age(file: Path) -> float:
    return -file.stat().st_mtime


def _reads(file: Path) -> bool:
    """Whether every page of a store reads."""
    try:
        with contextlib.closing(sqlite3.connect(f"file:{file}?mode=ro", uri=True)) as one:
            return bool(one.execute("PRAGMA quick_check").fetchone()[0] == "ok")
    except sqlite3.Error:
        return False


def _copy(source: Path, target: Path) -> None:
    with (
        contextlib.closing(sqlite3.connect(source)) as old,
        contextlib.closing(sqlite3.connect(target)) as new,
    ):
        old.backup(new)


def restore(source: Path, target: Path, pages: Callable[[Store], None]) -> Path | None:
    """Put a backup in the store's place; what was there is set aside, never deleted.

    It is tried first on a copy: brought to today's shape, and every page of it read.

    Args:
        source: The backup.
        target: The store's file.
        pages: Reads every page of a store that may be changed, and raises ValueError where one
            cannot be read.

    Returns:
        Where the old store was set aside, or None where there was none.

    Raises:
        Refused: The file is missing, broken, or no Runk backup; nothing was changed then.
    """
    from runk.store.database import now

    if not source.exists():
        raise Refused(f"{source} does not exist.")
    with tempfile.TemporaryDirectory(prefix="runk-restore-") as folder:
        tried = Path(folder) / "tried.sqlite3"
        try:
            _sound(source)
            _copy(source, tried)
            _read_whole(tried, pages)
        except Refused as refused:
            says = refused.says.replace(str(tried), str(source)).replace(tried.name, source.name)
            raise Refused(says if "othing" in says else f"{says} Nothing was changed.") from None
        except (OSError, sqlite3.Error, SQLAlchemyError, ValueError, LookupError) as broken:
            why = (
                str(broken).splitlines()[0].rstrip(".")[:150] if str(broken) else "it does not read"
            )
            says = f"{source} is no Runk backup, or is damaged: {why}. Nothing was changed."
            raise Refused(says) from None
        aside = None
        if target.exists():
            _raise_versions(tried, target)
            aside = target.with_name(f"{target.stem}-before-restore-{now():%Y%m%d-%H%M%S}.sqlite3")
            backup(target, aside)
        target.parent.mkdir(parents=True, exist_ok=True)
        _copy(tried, target)
    return aside


def looking(file: Path) -> contextlib.closing[sqlite3.Connection]:
    """A connection to a file that cannot change it."""
    return contextlib.closing(sqlite3.connect(f"{file.resolve().as_uri()}?mode=ro", uri=True))


def _sound(source: Path) -> None:
    """Look at a file without touching it, the writes beside it included.

    Raises:
        Refused: It does not hold together.
        sqlite3.DatabaseError: It is no database.
    """
    with contextlib.closing(
        sqlite3.connect(f"{source.resolve().as_uri()}?mode=ro", uri=True)
    ) as check:
        if check.execute("PRAGMA quick_check").fetchone()[0] != "ok":
            raise Refused(f"{source} is no Runk backup, or is damaged; nothing was changed.")


_VERSIONED = ("part", "machine", "own_metal", "tool")


def _raise_versions(tried: Path, target: Path) -> None:
    """Raise every version of a backup over all there were: what a window saw before it was put
    back is of another thing, and so is what the server remembers."""
    top = 0
    # A store that is damaged is what a backup is put back for.
    with contextlib.suppress(sqlite3.Error), contextlib.closing(sqlite3.connect(target)) as old:
        rows = [old.execute(f"SELECT max(version) FROM {t}").fetchone() for t in _VERSIONED]
        top = max(row[0] or 0 for row in rows)
    with contextlib.closing(sqlite3.connect(tried)) as new:
        for table in _VERSIONED:
            new.execute(f"UPDATE {table} SET version = version + ?", (top,))
        new.commit()


def _read_whole(file: Path, pages: Callable[[Store], None]) -> None:
    """Bring a copy to today's shape and read every page of it as Runk would.

    Raises:
        Refused: It is no store of Runk's, or one of a newer Runk's.
        ValueError: A page of it cannot be read.
    """
    from runk.store.database import Store
    from runk.store.migrate import version_of

    if version_of(file) is None:
        raise Refused(f"{file.name} is no Runk backup: it is empty. Nothing was changed.")
    store = Store(f"sqlite:///{file}")
    try:
        store.migrate()
    finally:
        store.close()
    # Reading puts back what was thrown away: it has a copy of its own.
    read = file.with_name("read.sqlite3")
    _copy(file, read)
    store = Store(f"sqlite:///{read}")
    try:
        pages(store)
    finally:
        store.close()
