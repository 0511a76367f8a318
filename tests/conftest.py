"""Fixtures shared by every test: a store of its own, and a client on it."""

from __future__ import annotations

import fcntl
import os
import shutil
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import settings

from runk.api.app import create_app
from runk.demo.back_shed import WORKSHOP
from runk.demo.run import prepare
from runk.store.database import Store

# The same examples every time where a whole change stands or falls by them; and no test fails
# for being slow on a busy machine.
settings.register_profile("ci", derandomize=True, deadline=None)
settings.register_profile("here", deadline=None)
settings.load_profile("ci" if os.environ.get("CI") else "here")


# Every write is synced: in memory that costs nothing, where there is room for it.
_MEMORY = Path("/dev/shm")
if _MEMORY.is_dir() and shutil.disk_usage(_MEMORY).free > 2**30:
    os.environ.setdefault("PYTEST_DEBUG_TEMPROOT", str(_MEMORY))


@pytest.fixture(scope="session")
def templates(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A migrated store and one with the demonstration's data, made once a run and copied.

    Whichever worker comes first makes them; the others wait at the lock, which the system takes
    away from a worker that dies.
    """
    base = tmp_path_factory.getbasetemp()
    shared = base.parent if "PYTEST_XDIST_WORKER" in os.environ else base
    folder = shared / "templates"
    with (shared / "templates.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        if not folder.exists():
            made = shared / "being made"
            made.mkdir(exist_ok=True)
            for name in ("empty", "filled"):
                one = Store(f"sqlite:///{made / name}.sqlite3")
                one.migrate()
                if name == "filled":
                    prepare(one)
                one.close()
            made.rename(folder)
    return folder


def _opened(template: Path, folder: Path) -> Iterator[Store]:
    file = folder / "a shop.sqlite3"
    shutil.copyfile(template, file)
    one = Store(f"sqlite:///{file}")
    yield one
    one.close()


@pytest.fixture
def store(templates: Path, tmp_path: Path) -> Iterator[Store]:
    """An empty store, migrated."""
    yield from _opened(templates / "empty.sqlite3", tmp_path)


@pytest.fixture
def filled(templates: Path, tmp_path: Path) -> Iterator[Store]:
    """A store with the demonstration's data."""
    yield from _opened(templates / "filled.sqlite3", tmp_path)


@pytest.fixture
def client(filled: Store) -> Iterator[TestClient]:
    """A client on the filled store; a fault in the server is not raised but answered."""
    with TestClient(create_app(filled), raise_server_exceptions=False) as one:
        yield one


@pytest.fixture(scope="session")
def asking(templates: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[TestClient]:
    """One client for a whole process, for tests that only ask and keep nothing."""
    for one in _opened(templates / "filled.sqlite3", tmp_path_factory.mktemp("asking")):
        with TestClient(create_app(one), raise_server_exceptions=False) as client:
            yield client


@pytest.fixture
def empty_client(store: Store) -> Iterator[TestClient]:
    """A client on an empty store."""
    with TestClient(create_app(store), raise_server_exceptions=False) as one:
        yield one


@pytest.fixture(scope="session")
def workshop() -> Any:
    """Back Shed."""
    return WORKSHOP
