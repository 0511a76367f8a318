"""One Chromium for all; a fresh server and page for each journey."""

from __future__ import annotations

import shutil
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect, sync_playwright

from tests.browser.serving import CHROMIUM, FLAGS, Server

# Only a failure waits this long: a busy machine is no fault of the page.
expect.set_options(timeout=15_000)


@pytest.fixture(scope="session")
def chromium() -> Iterator[Browser]:
    """Debian's Chromium, headless."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        yield browser
        browser.close()


@pytest.fixture
def server(tmp_path: Path, templates: Path) -> Iterator[Server]:
    """A server with the demonstration's data, already in its file: not made anew for each."""
    (tmp_path / "runk").mkdir()
    shutil.copyfile(templates / "filled.sqlite3", tmp_path / "runk" / "demo.sqlite3")
    one = Server(tmp_path)
    one.start()
    yield one
    one.stop()


@pytest.fixture
def page(chromium: Browser, server: Server) -> Iterator[Page]:
    """A page on that server; a fault in its scripts fails the test."""
    context = chromium.new_context(base_url=server.url, viewport={"width": 1280, "height": 800})
    context.set_default_timeout(15_000)
    one = context.new_page()
    faults: list[str] = []
    one.on("pageerror", lambda error: faults.append(str(error)))
    yield one
    context.close()
    assert faults == []
