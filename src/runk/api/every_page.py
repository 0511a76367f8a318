"""Every page of a store read once, as somebody's browser would: what a backup is tried by."""

from __future__ import annotations

import asyncio
import contextlib
import logging
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from typing import Any

from sqlalchemy import select

from runk.api.app import create_app
from runk.store.database import Store
from runk.store.models import Base, CutRow, EngineRow, MateRow, PartRow

_LISTS = (
    "machines",
    "metals",
    "tools",
    "tools/csv",
    "slate?limit=500",
    "engines",
    "cuts?limit=200",
    "mates",
    "tonight",
)
_OF: tuple[tuple[type[Base], tuple[str, ...]], ...] = (
    (EngineRow, ("engines/{}/work", "engines/{}/wanted", "engines/{}/file")),
    (PartRow, ("parts/{}",)),
    (CutRow, ("cuts/{}",)),
    (MateRow, ("mates/{}",)),
)


class PageError(ValueError):
    """A page of a store cannot be read."""


def read_every_page(store: Store) -> None:
    """Read every page that shows something kept, what was thrown away included.

    Args:
        store: A copy nobody uses, of today's shape: what was thrown away is put back in it.

    Raises:
        PageError: A page of it cannot be read; named.
    """
    # It may be brought back one day, and is to read then.
    with store.writing() as session:
        for table in Base.metadata.sorted_tables:
            if "deleted_at" in table.columns:
                session.execute(table.update().values(deleted_at=None))
    app = create_app(store)

    async def every() -> None:
        for path in _paths(store):
            status = await _status(app, path)
            if status >= 400:
                raise PageError(f"{path} cannot be read in it")

    # What cannot be read is said once, by name, not as a fault of the server.
    logging.disable(logging.CRITICAL)
    try:
        # In a thread of its own: whoever asks may have a loop that runs already.
        with ThreadPoolExecutor(1) as aside:
            aside.submit(asyncio.run, every()).result()
    finally:
        logging.disable(logging.NOTSET)


def _paths(store: Store) -> Iterator[str]:
    yield from _LISTS
    with store.reading() as session:
        for of, paths in _OF:
            for key in session.scalars(select(of.id).order_by(of.id)):  # type: ignore[attr-defined]
                yield from (path.format(key) for path in paths)


async def _status(app: Any, path: str) -> int:
    """What the application answers to a GET of a page."""
    path, _, query = path.partition("?")
    whole = f"/api/{path}"
    scope = {
        "type": "http",
        "asgi": {"version": "3.0"},
        "http_version": "1.1",
        "method": "GET",
        "scheme": "http",
        "path": whole,
        "raw_path": whole.encode(),
        "root_path": "",
        "query_string": query.encode(),
        "headers": [(b"host", b"127.0.0.1")],
        "client": ("127.0.0.1", 1),
        "server": ("127.0.0.1", 80),
        "state": {},
    }
    found: list[int] = []

    async def receive() -> dict[str, Any]:
        return {"type": "http.request", "body": b"", "more_body": False}

    async def send(message: dict[str, Any]) -> None:
        if message["type"] == "http.response.start":
            found.append(int(message["status"]))

    # A fault is answered with its number, and then told to whoever runs the server: not here.
    with contextlib.suppress(Exception):
        await app(scope, receive, send)
    return found[0] if found else 500
