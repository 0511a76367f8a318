"""Fixtures shared by every test: a store of its own, and a client on it."""

from __future__ import annotations

import fcntl
import os
import shutil
import sqlite3
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import settings

from runk.api.app import create_app
from runk.api.cutbook import CutBook
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


class Desk:
    """One application a worker, on a store that each test is given back as a template has it.

    It is put back by SQLite's own backup, as a restored copy would be; what was folded of cuts is
    forgotten, because the keys of tests are not made up anew for each event as those of a page are.
    """

    def __init__(self, store: Store) -> None:
        self.store, self.book = store, CutBook(store)
        self.client = TestClient(create_app(store, book=self.book), raise_server_exceptions=False)

    def cleared(self, template: Path) -> Store:
        """The store with nothing of an earlier test in it."""
        with (
            closing(sqlite3.connect(template)) as first,
            closing(sqlite3.connect(self.store.file, timeout=60)) as now,
        ):
            first.backup(now)
        CutBook.__init__(self.book, self.store)
        self.client.cookies.clear()
        # The machines and trays are read anew: marks of two tests may be the same by chance.
        assert self.client.get("/api/machines").status_code == 200
        return self.store


@pytest.fixture(scope="session")
def desk(templates: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Desk]:
    """The application every ``client`` of a worker asks."""
    for one in _opened(templates / "filled.sqlite3", tmp_path_factory.mktemp("desk")):
        found = Desk(one)
        with found.client:
            yield found


def _store(name: str, request: pytest.FixtureRequest, tmp_path: Path) -> Iterator[Store]:
    """The desk's store where the test has a client on it, else one of the test's own."""
    template = request.getfixturevalue("templates") / name
    if {"client", "empty_client"} & set(request.fixturenames):
        yield request.getfixturevalue("desk").cleared(template)
    else:
        yield from _opened(template, tmp_path)


@pytest.fixture
def store(request: pytest.FixtureRequest, tmp_path: Path) -> Iterator[Store]:
    """An empty store, migrated."""
    yield from _store("empty.sqlite3", request, tmp_path)


@pytest.fixture
def filled(request: pytest.FixtureRequest, tmp_path: Path) -> Iterator[Store]:
    """A store with the demonstration's data."""
    yield from _store("filled.sqlite3", request, tmp_path)


@pytest.fixture
def client(desk: Desk, filled: Store) -> TestClient:
    """A client on the filled store; a fault in the server is not raised but answered."""
    return desk.client


@pytest.fixture(scope="session")
def asking(templates: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[TestClient]:
    """One client for a whole process, for tests that only ask and keep nothing."""
    for one in _opened(templates / "filled.sqlite3", tmp_path_factory.mktemp("asking")):
        with TestClient(create_app(one), raise_server_exceptions=False) as client:
            yield client


@pytest.fixture
def empty_client(desk: Desk, store: Store) -> TestClient:
    """A client on the empty store."""
    return desk.client


@pytest.fixture(scope="session")
def workshop() -> Any:
    """Back Shed."""
    return WORKSHOP
