"""``make crash``: the server killed in mid-write, over and over; nothing acknowledged may be lost.

A server of its own is started on a file of its own, five of fifteen writers keep it busy (answers,
cuts, mates, their readings, metals, trays, machines, engines brought in, parts drawn, routed, ticked,
measured and fitted), and it is killed at a random moment. The file must open, hold together, and hold
everything that was answered with a success. The same for a migration cut short.
"""

from __future__ import annotations

import http.client
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
from contextlib import closing
from datetime import date
from pathlib import Path

import uvicorn
from fastapi.testclient import TestClient

from runk.api.app import create_app
from runk.store.database import Store
from runk.store.migrate import known_versions, version_of
from tests.crash.writers import Writer, writers

ROOT = Path(__file__).resolve().parents[2]
KILLS, MIGRATIONS = 200, 60
FORK = multiprocessing.get_context("fork")


def serve(file: str, listener: socket.socket) -> None:
    """A server on that file, until it is killed."""
    store = Store(f"sqlite:///{file}")
    store.migrate()
    config = uvicorn.Config(create_app(store), log_level="critical", access_log=False)
    uvicorn.Server(config).run(sockets=[listener])


def set_out(file: str) -> list[Writer]:
    """A fresh store, with what the writers write on."""
    store = Store(f"sqlite:///{file}")
    store.migrate()
    with TestClient(create_app(store)) as client:
        found = writers(client)
    store.close()
    return found


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


def lost_of(file: str, busy: list[Writer]) -> list[str]:
    """What was acknowledged in a round and is not in the file; or that the file is broken."""
    with closing(sqlite3.connect(file)) as look:
        sound = look.execute("PRAGMA integrity_check").fetchone()[0]
        found = [] if sound == "ok" else [f"the file: {sound}"]
        return found + [lost for writer in busy for lost in writer.lost(look)]


def kills(folder: Path, chance: random.Random, many: int = KILLS) -> tuple[int, list[str]]:
    """The server killed over and over on one file."""
    file = str(folder / "crash.sqlite3")
    busy = set_out(file)
    lost: list[str] = []
    told = 0
    for number in range(many):
        # Five of them each time, so that each gets its turn at the door.
        some = chance.sample(busy, 5)
        one_round(file, some, number * 100_000, chance)
        told += sum(len(w.told) for w in some)
        lost += lost_of(file, some)
        if number % 25 == 24:
            print(f"{number + 1} kills, {told} acknowledged, {len(lost)} lost", flush=True)
            # The lists of a file that only grows would slow every round down.
            for beside in ("", "-wal", "-shm"):
                Path(file + beside).unlink(missing_ok=True)
            busy = set_out(file)
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
