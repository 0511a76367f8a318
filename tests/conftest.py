"""Fixtures shared by every test: a store of its own, and a client on it."""

from __future__ import annotations

import os
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


@pytest.fixture
def store(tmp_path: Path) -> Iterator[Store]:
    """An empty store, migrated."""
    one = Store(f"sqlite:///{tmp_path / 'a shop.sqlite3'}")
    one.migrate()
    yield one
    one.close()


@pytest.fixture
def filled(store: Store) -> Store:
    """A store with the demonstration's data."""
    prepare(store)
    return store


@pytest.fixture
def client(filled: Store) -> Iterator[TestClient]:
    """A client on the filled store; a fault in the server is not raised but answered."""
    with TestClient(create_app(filled), raise_server_exceptions=False) as one:
        yield one


@pytest.fixture
def empty_client(store: Store) -> Iterator[TestClient]:
    """A client on an empty store."""
    with TestClient(create_app(store), raise_server_exceptions=False) as one:
        yield one


@pytest.fixture(scope="session")
def workshop() -> Any:
    """Back Shed."""
    return WORKSHOP
