"""One Chromium and one server for a whole worker; its file and its page new for each journey."""

from __future__ import annotations

import json
import shutil
import sqlite3
from collections.abc import Callable, Iterator
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect, sync_playwright

from tests.browser.serving import CHROMIUM, FLAGS, Server

# Only a failure waits this long: a busy machine is no fault of the page.
PATIENCE_MS = 60_000
expect.set_options(timeout=PATIENCE_MS)
DESK: dict[str, Any] = {"viewport": {"width": 1280, "height": 800}}
PHONE: dict[str, Any] = {
    "viewport": {"width": 390, "height": 844},
    "has_touch": True,
    "is_mobile": True,
}


@pytest.fixture(scope="session")
def chromium() -> Iterator[Browser]:
    """Debian's Chromium, headless."""
    if not Path(CHROMIUM).exists():
        pytest.exit(f"{CHROMIUM} is not there: `make browser` installs it (Debian: chromium).", 3)
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        yield browser
        browser.close()


@pytest.fixture(scope="session")
def served(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    """The worker's server, not started yet: its port stays, so that pages find it again."""
    one = Server(tmp_path_factory.mktemp("served"))
    (one.folder / "runk").mkdir()
    yield one
    one.stop()


@pytest.fixture
def server(served: Server, templates: Path) -> Server:
    """The worker's server with the demonstration's data, as they are on the first day.

    A running one is given them as a copy brought back by another process is: in one transaction,
    which it sees by SQLite's own mark.
    """
    file = served.folder / "runk" / "demo.sqlite3"
    if served.runs:
        with (
            closing(sqlite3.connect(templates / "filled.sqlite3")) as first,
            closing(sqlite3.connect(file, timeout=60)) as now,
        ):
            first.backup(now)
    else:
        for beside in file.parent.glob("demo.sqlite3*"):
            beside.unlink()
        shutil.copyfile(templates / "filled.sqlite3", file)
        served.start()
    return served


Opens = Callable[..., BrowserContext]


@pytest.fixture(scope="session")
def contexts(chromium: Browser) -> Iterator[dict[str, BrowserContext]]:
    """Contexts by how they were asked for: kept, so that pages are fetched once a worker."""
    kept: dict[str, BrowserContext] = {}
    yield kept
    for one in kept.values():
        one.close()


@pytest.fixture
def browsing(
    chromium: Browser, server: Server, contexts: dict[str, BrowserContext]
) -> Iterator[Opens]:
    """Opens a context on the server: a desk, a phone; nothing of an earlier journey is in it.

    A fault in the scripts of any of its pages fails the test.
    """
    faults: list[str] = []
    used: list[BrowserContext] = []

    def heard(error: Any) -> None:
        faults.append(str(error))

    def watched(page: Page) -> None:
        page.on("pageerror", heard)

    def context(**asked: Any) -> BrowserContext:
        key = json.dumps(asked, sort_keys=True)
        if key not in contexts:
            contexts[key] = chromium.new_context(base_url=server.url, **asked)
            contexts[key].set_default_timeout(PATIENCE_MS)
        one = contexts[key]
        one.on("page", watched)
        used.append(one)
        return one

    yield context
    for one in used:
        one.remove_listener("page", watched)
        if one.pages:
            # What a page remembered goes with it; what was fetched stays.
            front = one.pages[0]
            session = one.new_cdp_session(front)
            session.send(
                "Storage.clearDataForOrigin",
                {
                    "origin": server.url,
                    "storageTypes": "local_storage,session_storage,indexeddb,cookies",
                },
            )
        for page in one.pages:
            page.close()
    assert faults == []


@pytest.fixture
def page(browsing: Opens) -> Page:
    """A page at a desk."""
    return browsing(**DESK).new_page()
