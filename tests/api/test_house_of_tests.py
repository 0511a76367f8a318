"""What the tests themselves stand on: a file brought back under a server, a browser that is not there."""

from __future__ import annotations

import os
import shutil
import sqlite3
import subprocess
from contextlib import closing
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from hypothesis import settings

from runk.api.app import create_app
from runk.store.database import Store
from tests import cases as counted

ROOT = Path(__file__).parents[2]
SPEED = {"operation": "turn", "metal": "brass", "diameter": "20"}


def bring_back(first: Path, now: Path) -> None:
    """A copy put over a file that is open, in one transaction: as the journeys begin."""
    with closing(sqlite3.connect(first)) as one, closing(sqlite3.connect(now, timeout=30)) as other:
        one.backup(other)


@pytest.mark.parametrize("times", [1, 3])
def test_a_copy_brought_back_is_seen_at_once(templates: Path, tmp_path: Path, times: int) -> None:
    """What was kept is gone, what was there is back, and what is kept next is kept."""
    file = tmp_path / "a shop.sqlite3"
    shutil.copyfile(templates / "filled.sqlite3", file)
    store = Store(f"sqlite:///{file}")
    with TestClient(create_app(store)) as client:
        first = client.get("/api/slate").json()
        machines = client.get("/api/machines").json()
        for n in range(times):
            body = {"keep_key": f"brought-back-{n}", "calculator": "speed", "question": SPEED}
            assert client.post("/api/slate", json=body).status_code == 201
            assert len(client.get("/api/slate").json()) == len(first) + 1
            bring_back(templates / "filled.sqlite3", file)
            assert client.get("/api/slate").json() == first
            assert client.get("/api/machines").json() == machines
    store.close()


def test_the_templates_are_whole_and_made_once(templates: Path) -> None:
    for name in ("empty", "filled"):
        with closing(sqlite3.connect(templates / f"{name}.sqlite3")) as one:
            assert one.execute("pragma integrity_check").fetchone() == ("ok",)
    assert not (templates.parent / "being made").exists()


def _without_anything(folder: Path, user: int) -> dict[str, str]:
    """A machine on which nothing may be installed: only the shell's own tools, and this user."""
    tools = folder / "a bin"
    tools.mkdir()
    for tool in ("bash", "echo", "env"):
        (tools / tool).symlink_to(shutil.which(tool) or f"/bin/{tool}")
    (tools / "id").write_text(f"#!/bin/bash\necho {user}\n", encoding="utf-8")
    (tools / "id").chmod(0o755)
    return os.environ | {"PATH": str(tools)}


@pytest.mark.parametrize("user", [0, 1000])
def test_a_browser_that_is_not_there_and_may_not_come_is_named(tmp_path: Path, user: int) -> None:
    done = subprocess.run(
        [shutil.which("bash") or "/bin/bash", str(ROOT / "tools" / "ensure-browser.sh")],
        env=_without_anything(tmp_path, user),
        capture_output=True,
        text=True,
        timeout=60,
    )
    assert done.returncode == 1
    assert "apt-get install chromium-headless-shell" in done.stderr


def test_a_browser_that_is_there_is_left_alone(tmp_path: Path) -> None:
    environment = _without_anything(tmp_path, 1000)
    browser = tmp_path / "a bin" / "chromium"
    browser.write_text("#!/bin/bash\n", encoding="utf-8")
    browser.chmod(0o755)
    done = subprocess.run(
        [shutil.which("bash") or "/bin/bash", str(ROOT / "tools" / "ensure-browser.sh")],
        env=environment,
        capture_output=True,
        text=True,
        timeout=60,
    )
    assert (done.returncode, done.stdout, done.stderr) == (0, "", "")


@pytest.mark.parametrize("usual", [1, 60, 200, 400])
def test_a_property_has_at_most_two_hundred_cases(
    usual: int, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(counted, "SWEEP", False)
    assert counted.many(usual) == min(usual, 200)
    assert isinstance(counted.cases(usual), settings)
    monkeypatch.setattr(counted, "SWEEP", True)
    assert counted.many(usual) == 25 * usual


@pytest.mark.parametrize("target", ["test", "sweep", "mutants", "crash", "bench", "demo"])
def test_every_command_that_is_told_of_is_there(target: str) -> None:
    """A dry run: make knows it, in a folder of any name."""
    done = subprocess.run(
        ["make", "--dry-run", "--silent", target],
        cwd=ROOT,
        capture_output=True,
        text=True,
        timeout=60,
    )
    assert done.returncode == 0, done.stderr
    told = (ROOT / "README.md").read_text() + (ROOT / "docs" / "testing.md").read_text()
    assert f"make {target}" in told
