"""Starting and stopping for real: the address printed, the port, the demonstration's own file."""

from __future__ import annotations

import json
import os
import re
import shutil
import subprocess
import sys
import urllib.error
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import pytest

from tests.browser.serving import free_port


@contextmanager
def started(folder: Path, command: str, port: int, *more: str) -> Iterator[str]:
    """A server process; gives the address it printed once it answers there."""
    arguments = [command, "--port", str(port), *more]
    code = f"import sys; from runk.cli import main; sys.exit(main({arguments!r}))"
    environment = os.environ | {"XDG_DATA_HOME": str(folder), "PYTHONUNBUFFERED": "1"}
    environment.pop("RUNK_DATABASE_URL", None)
    process = subprocess.Popen(
        [sys.executable, "-c", code],
        env=environment,
        stdin=subprocess.DEVNULL,
        stdout=subprocess.PIPE,
        text=True,
    )
    try:
        assert process.stdout is not None
        first = process.stdout.readline()
        found = re.search(r"http://127\.0\.0\.1:\d+", first)
        assert found is not None, first
        yield found[0]
    finally:
        process.kill()
        process.wait()


def got(address: str) -> object:
    """JSON from an address."""
    with urllib.request.urlopen(address, timeout=20) as response:
        return json.loads(response.read())


@pytest.fixture
def shown(tmp_path: Path, templates: Path) -> Path:
    """A folder with the demonstration's file in it, as its first start leaves it."""
    (tmp_path / "runk").mkdir()
    shutil.copyfile(templates / "filled.sqlite3", tmp_path / "runk" / "demo.sqlite3")
    return tmp_path


def test_the_demonstration_keeps_to_its_own_file_and_fills_it_once(shown: Path) -> None:
    tmp_path = shown
    with started(tmp_path, "demo", free_port()) as address:
        slate = got(f"{address}/api/slate")
        assert isinstance(slate, list)
        assert len(slate) == 3
    assert (tmp_path / "runk" / "demo.sqlite3").exists()
    assert not (tmp_path / "runk" / "runk.sqlite3").exists()
    with started(tmp_path, "serve", free_port()) as address:
        assert got(f"{address}/api/slate") == []
    assert (tmp_path / "runk" / "runk.sqlite3").exists()


def test_a_second_server_takes_the_next_port(shown: Path) -> None:
    port = free_port()
    with started(shown, "demo", port) as first, started(shown, "demo", port) as second:
        assert first.endswith(f":{port}")
        assert second != first
        assert got(f"{first}/api/alive") == got(f"{second}/api/alive")
        # And nothing but the front end is served.
        for path in ("/assets/../../../pyproject.toml", "/assets/%2e%2e/index.html", "/etc/passwd"):
            with pytest.raises(urllib.error.HTTPError) as no:
                urllib.request.urlopen(f"{first}{path}", timeout=20)
            assert no.value.code == 404
