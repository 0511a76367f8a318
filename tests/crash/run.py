"""``make crash``: the server killed in mid-write, over and over; nothing acknowledged may be lost.

A server of its own is started on a file of its own, five writers keep it busy (slate, readings,
machines, metals, trays), and it is killed at a random moment. The file must open, hold together,
and hold everything that was answered with a success. The same for a migration cut short.
"""

from __future__ import annotations

import http.client
import json
import multiprocessing
import random
import re
import shutil
import socket
import sqlite3
import sys
import tempfile
import threading
import time
from collections.abc import Callable
from contextlib import closing
from dataclasses import asdict
from datetime import date
from pathlib import Path
from typing import Any

import uvicorn

from runk.api.app import create_app
from runk.demo.back_shed import LATHE
from runk.store.database import Store
from runk.store.migrate import known_versions, version_of

ROOT = Path(__file__).resolve().parents[2]
KILLS, MIGRATIONS = 200, 60
SPEED = {"operation": "turn", "metal": "brass", "diameter": "20"}
FORK = multiprocessing.get_context("fork")


def serve(file: str, listener: socket.socket) -> None:
    """A server on that file, until it is killed."""
    store = Store(f"sqlite:///{file}")
    store.migrate()
    config = uvicorn.Config(create_app(store), log_level="critical", access_log=False)
    uvicorn.Server(config).run(sockets=[listener])


class Writer:
    """One that writes without end, and remembers what it was told is saved."""

    def __init__(self, name: str, send: Callable[[Any, int], tuple[str, str, Any]]) -> None:
        self.name, self.send = name, send
        self.told: dict[str, int] = {}

    def run(self, port: int, start: int) -> None:
        """Write until the server is gone."""
        number = start
        try:
            with closing(http.client.HTTPConnection("127.0.0.1", port, timeout=10)) as line:
                while True:
                    number += 1
                    method, path, body = self.send(self, number)
                    line.request(
                        method, path, json.dumps(body), {"content-type": "application/json"}
                    )
                    answer = line.getresponse()
                    read = json.loads(answer.read() or b"null")
                    if answer.status in (200, 201):
                        self.told[self.name] = number
                        self.learn(number, read)
        except (OSError, http.client.HTTPException, ValueError):
            return

    def learn(self, number: int, read: Any) -> None:
        """Keep what the next write needs."""
        self.last = read
        self.seen = {**getattr(self, "seen", {}), number: read}


def _slate(_: Writer, n: int) -> tuple[str, str, Any]:
    return (
        "POST",
        "/api/slate",
        {"keep_key": f"slate-{n:08d}", "calculator": "speed", "question": SPEED},
    )


def _metal(_: Writer, n: int) -> tuple[str, str, Any]:
    metal = {
        "key": "",
        "name": f"crash metal {n}",
        "like": "brass",
        "designation": "",
        "magnet": "",
        "figures": {},
    }
    return "POST", "/api/metals", {"metal": metal}


def _tool(_: Writer, n: int) -> tuple[str, str, Any]:
    return "POST", "/api/tools", {"kind": "collet", "size": "4", "name": f"collet {n}"}


def _machine(_: Writer, n: int) -> tuple[str, str, Any]:
    return "POST", "/api/machines", {"machine": asdict(LATHE) | {"name": f"crash {n}"}}


def _reading(cut: int) -> Callable[[Writer, int], tuple[str, str, Any]]:
    def send(_: Writer, n: int) -> tuple[str, str, Any]:
        body = {"event_key": f"event-{n:08d}", "reading": "15.5", "sure": True}
        return "POST", f"/api/cuts/{cut}/readings", body

    return send


_FOUND = {
    "slate": "SELECT count(*) FROM slate WHERE keep_key = 'slate-' || printf('%08d', ?)",
    "metals": "SELECT count(*) FROM own_metal WHERE name = 'crash metal ' || ?",
    "trays": "SELECT count(*) FROM tool WHERE name = 'collet ' || ?",
    "machines": "SELECT count(*) FROM machine m JOIN machine_step s ON s.machine_id = m.id "
    "WHERE m.name = 'crash ' || ? GROUP BY m.id",
    "readings": "SELECT count(*) FROM cut_event WHERE event_key = 'event-' || printf('%08d', ?)",
}


def started_cut(file: str) -> int:
    """A cut to read at."""
    from fastapi.testclient import TestClient

    store = Store(f"sqlite:///{file}")
    store.migrate()
    question = {"job": "outside", "metal": "brass", "now": "16", "wanted": "14"}
    with TestClient(create_app(store)) as client:
        made = client.post("/api/cuts", json={"keep_key": "crash-cut-1", "question": question})
    store.close()
    return int(made.json()["id"])


def one_round(file: str, writers: list[Writer], start: int, chance: random.Random) -> None:
    """Start, write, kill."""
    listener = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    listener.bind(("127.0.0.1", 0))
    listener.listen(64)
    port = listener.getsockname()[1]
    server = FORK.Process(target=serve, args=(file, listener), daemon=True)
    server.start()
    listener.close()
    threads = [threading.Thread(target=w.run, args=(port, start)) for w in writers]
    for thread in threads:
        thread.start()
    with closing(http.client.HTTPConnection("127.0.0.1", port, timeout=30)) as line:
        line.request("GET", "/api/alive")
        line.getresponse().read()
    time.sleep(chance.uniform(0.05, 0.8))
    server.kill()
    server.join()
    for thread in threads:
        thread.join()


def lost_of(file: str, writers: list[Writer], since: dict[str, dict[int, Any]]) -> list[str]:
    """What was acknowledged in a round and is not in the file; or that the file is broken."""
    with closing(sqlite3.connect(file)) as look:
        sound = look.execute("PRAGMA integrity_check").fetchone()[0]
        found = [] if sound == "ok" else [f"the file: {sound}"]
        for writer in writers:
            for number in getattr(writer, "seen", {}):
                if number in since[writer.name]:
                    continue
                row = look.execute(_FOUND[writer.name], (number,)).fetchone()
                wanted = len(LATHE.steps) if writer.name == "machines" else 1
                if row is None or row[0] != wanted:
                    found.append(f"{writer.name} {number}")
    return found


def kills(folder: Path, chance: random.Random) -> tuple[int, list[str]]:
    """The server killed over and over on one file."""
    file = str(folder / "crash.sqlite3")
    cut = started_cut(file)
    senders = {"slate": _slate, "metals": _metal, "trays": _tool, "machines": _machine}
    writers = [Writer(n, s) for n, s in senders.items()] + [Writer("readings", _reading(cut))]
    lost: list[str] = []
    told = 0
    for number in range(KILLS):
        since = {w.name: dict(getattr(w, "seen", {})) for w in writers}
        one_round(file, writers, number * 100_000, chance)
        lost += lost_of(file, writers, since)
        told += sum(len(w.seen) - len(since[w.name]) for w in writers if hasattr(w, "seen"))
        if number % 25 == 24:
            # The lists of a file that only grows would slow every round down.
            Path(file).unlink()
            for beside in ("-wal", "-shm"):
                Path(file + beside).unlink(missing_ok=True)
            cut = started_cut(file)
            print(f"{number + 1} kills, {told} acknowledged, {len(lost)} lost", flush=True)
    return told, lost


def migrate(file: str) -> None:
    """A migration, until it is killed."""
    Store(f"sqlite:///{file}").migrate()


def migrations(folder: Path, chance: random.Random) -> list[str]:
    """A store of the first shape brought to today's, killed somewhere on the way."""
    first = folder / "first.sqlite3"
    _first_shape(first)
    began = time.perf_counter()
    whole = folder / "whole.sqlite3"
    shutil.copyfile(first, whole)
    process = FORK.Process(target=migrate, args=(str(whole),))
    process.start()
    process.join()
    takes = time.perf_counter() - began
    wrong = []
    for number in range(MIGRATIONS):
        file = folder / f"short-{number}.sqlite3"
        shutil.copyfile(first, file)
        process = FORK.Process(target=migrate, args=(str(file),))
        process.start()
        time.sleep(chance.uniform(0.0, takes))
        process.kill()
        process.join()
        with closing(sqlite3.connect(file)) as look:
            look.execute("SELECT count(*) FROM engine").fetchone()
        if version_of(file) not in ("0001", known_versions()[-1]):
            wrong.append(f"left at {version_of(file)}")
        store = Store(f"sqlite:///{file}")
        store.migrate()
        with store.reading() as session:
            kept = session.connection().exec_driver_sql("SELECT name FROM engine").scalar()
        if kept != "Kept":
            wrong.append("a row lost")
        store.close()
    return wrong


def _first_shape(file: Path) -> None:
    from alembic import command
    from alembic.config import Config

    import runk.store

    store = Store(f"sqlite:///{file}")
    config = Config()
    config.set_main_option("script_location", str(Path(runk.store.__file__).parent / "migrations"))
    with store.writing_rows() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "0001")
        connection.exec_driver_sql("INSERT INTO engine (name, note) VALUES ('Kept', '')")
    store.close()


def main() -> int:
    """Run the campaign and write its result down."""
    seed = int(sys.argv[1]) if len(sys.argv) > 1 else random.randrange(10**6)
    chance = random.Random(seed)
    with tempfile.TemporaryDirectory() as folder:
        told, lost = kills(Path(folder), chance)
        wrong = migrations(Path(folder), chance)
    words = (
        f"{date.today():%d %B %Y}, seed {seed}: the server killed {KILLS} times in mid-write, "
        f"{told} writes acknowledged, {len(lost)} lost; a migration killed {MIGRATIONS} times, "
        f"{len(wrong)} left between two shapes or short of a row; every file opened and held together."
        if not lost and not wrong
        else f"{date.today():%d %B %Y}, seed {seed}: lost {lost[:5]}, wrong {wrong[:5]}"
    )
    path = ROOT / "docs/benchmarks.md"
    text = path.read_text(encoding="utf-8")
    kept = re.sub(r"\n## Crashes\n.*", "", text, flags=re.DOTALL).rstrip()
    path.write_text(f"{kept}\n\n## Crashes\n\nMade by `make crash`. {words}\n", encoding="utf-8")
    print(words)
    return 1 if lost or wrong else 0


if __name__ == "__main__":
    sys.exit(main())
