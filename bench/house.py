"""The house under load: kept connections, heavy routes beside a quick one, long lists."""

from __future__ import annotations

import json
import multiprocessing
import tempfile
import threading
import time
from contextlib import closing
from http.client import HTTPConnection
from pathlib import Path
from typing import Any

from sqlalchemy import insert

from http_pair import _free_port, connect, packed
from measure import side_by_side
from rows import Row, met
from runk.core.plan.events import EventKind
from runk.core.plan.plan import PLAN, to_follow
from runk.core.questions import read_question
from runk.core.units import PageUnit
from runk.demo.back_shed import LATHE, WORKSHOP
from runk.server import run
from runk.store.cuts import start_cut
from runk.store.database import Store, now
from runk.store.models import CutEventRow, SlateRow
from runk.store.slate import keep
from runk.store.tools import put_tools

SPEED = {"operation": "turn", "metal": "brass", "diameter": "20"}
LONG = "turn 22 silver steel " + "and then some more words of it " * 15


def _serve(folder: str, port: int, items: int, cuts: int, readings: int, file: Path | None) -> None:
    store = Store(f"sqlite:///{file or f'{folder}/house.sqlite3'}")
    store.migrate()
    if file is None:
        fill(store, items, cuts, readings)
    run(store, port)


def fill(store: Store, items: int, cuts: int, readings: int) -> None:
    """So many items on the slate, cuts, and readings of each; a tray and a half of tools."""
    typed = {"job": "outside", "metal": "brass", "now": "16", "wanted": "14"}
    question = read_question(PLAN, typed, PageUnit.MM, WORKSHOP).question
    cut = to_follow(question, PLAN.needs(question, WORKSHOP))
    answer = {"answer": "x" * 7000}
    with store.writing() as session:
        put_tools(session, WORKSHOP.tools)
        for number in range(items):
            row = SlateRow(
                keep_key=f"item-{number:06d}",
                calculator="speed",
                calculator_version=1,
                page_unit="mm",
                question=SPEED,
                answer=answer,
                title="Turn 20 mm brass",
                headline="belt 3",
                note="",
            )
            keep(session, row)
        for number in range(cuts):
            kept = start_cut(
                session, f"cut-{number:06d}", "A cut", typed, "mm", 1, cut.spec, cut.said
            )
            rows = [_reading(kept.id, number, at) for at in range(readings)]
            if rows:
                session.connection().execute(insert(CutEventRow), rows)


def _reading(cut: int, number: int, at: int) -> dict[str, Any]:
    return {
        "cut_id": cut,
        "event_key": f"event-{number}-{at}",
        "kind": EventKind.READING.value,
        "sizes_mm": [15.9 - 0.001 * at],
        "wound": None,
        "warm_deg": None,
        "undoes": None,
        "at": now(),
    }


class House:
    """A server as `runk serve` starts it, on a file of so many things."""

    def __init__(
        self, items: int = 10, cuts: int = 5, readings: int = 2, file: Path | None = None
    ) -> None:
        self.filled, self.file = (items, cuts, readings), file

    def __enter__(self) -> House:
        self._folder = tempfile.TemporaryDirectory()
        self.port = _free_port()
        self._process = multiprocessing.Process(
            target=_serve, args=(self._folder.name, self.port, *self.filled, self.file), daemon=True
        )
        self._process.start()
        self.line = connect(self.port)
        self.get("/api/alive")
        return self

    def __exit__(self, *_: object) -> None:
        self._process.kill()
        self._process.join()
        self._folder.cleanup()

    def get(self, path: str, line: HTTPConnection | None = None) -> bytes:
        """Fetch over the kept connection, or another."""
        line = line or self.line
        line.request("GET", path)
        return line.getresponse().read()

    def post(self, path: str, body: bytes, line: HTTPConnection | None = None) -> bytes:
        """Send likewise."""
        line = line or self.line
        line.request("POST", path, body, {"content-type": "application/json"})
        return line.getresponse().read()

    def anew(self, path: str) -> bytes:
        """Fetch over a connection made for it."""
        with closing(HTTPConnection("127.0.0.1", self.port, timeout=30)) as line:
            return self.get(path, line)

    def memory_kb(self) -> int:
        """What the server holds."""
        text = Path(f"/proc/{self._process.pid}/status").read_text(encoding="ascii")
        return int(next(row.split()[1] for row in text.splitlines() if row.startswith("VmRSS")))


HEAVY: tuple[tuple[str, str, Any], ...] = (
    ("GET", "/api/sheet/pdf?metals=all", None),
    ("GET", "/api/sheet/csv?metals=all", None),
    ("GET", "/api/slate?limit=500", None),
    ("GET", "/api/cuts?limit=200", None),
    ("GET", "/api/tools", None),
    ("GET", "/api/tools/csv", None),
    ("POST", "/api/ask", {"line": LONG}),
    ("POST", "/api/calc/plan", {"job": "face", "now": "100", "wanted": "1", "metal": "brass"}),
    ("POST", "/api/calc/speed/fan", SPEED),
    ("GET", "/api/sheet/csv?metals=brass" + "+" * 1900 + "x", None),
)


def beside_heavy(house: House) -> tuple[float, str]:
    """The longest a quick request waits while each heavy route works, milliseconds, and for which."""
    waits = [(_wait_beside(house, *heavy), heavy[1].split("?")[0]) for heavy in HEAVY]
    return max(waits)


def _wait_beside(house: House, method: str, path: str, body: Any) -> float:
    worst, done = 0.0, threading.Event()

    def work() -> None:
        with closing(HTTPConnection("127.0.0.1", house.port, timeout=60)) as line:
            for _ in range(3):
                house.get(path, line) if method == "GET" else house.post(path, packed(body), line)
        done.set()

    worker = threading.Thread(target=work)
    worker.start()
    while not done.is_set():
        start = time.perf_counter()
        house.get("/api/alive")
        worst = max(worst, (time.perf_counter() - start) * 1000)
        time.sleep(0.005)
    worker.join()
    return worst


def renamed_kb(house: House, times: int, start: int) -> int:
    """What the server holds after a machine was renamed so often, a question between each."""
    from dataclasses import asdict

    body = {"machine": asdict(LATHE) | {"name": f"Renamed {start}"}, "version": 0}
    made = json.loads(house.post("/api/machines", packed(body)))
    for number in range(times):
        machine = made["machine"] | {"name": f"Renamed {start}-{number}"}
        body = {"machine": machine, "version": made["version"]}
        path = f"/api/machines/{made['machine']['key']}"
        house.line.request("PUT", path, packed(body), {"content-type": "application/json"})
        made = json.loads(house.line.getresponse().read())
        house.post("/api/ask", packed({"line": f"turn 2{number % 9} brass"}))
    return house.memory_kb()


def house_rows() -> list[Row]:
    """Every row of the house."""
    rows: list[Row] = []
    with House(50, 30, 20) as few:
        kept = side_by_side(lambda: few.get("/api/alive"), lambda: few.anew("/api/alive"), 400)
        rows.append(
            (
                "A request on a kept-open connection against one on a new connection",
                f"{kept.p50:.2f}x median ({kept.ours_p50:.0f} against {kept.theirs_p50:.0f} µs)",
                "at or under 1x",
                met(kept.p50 <= 1.0),
            )
        )
    with House(5000, 0, 0) as many, House(50, 0, 0) as few:
        slate = side_by_side(lambda: many.get("/api/slate"), lambda: few.get("/api/slate"), 150)
    rows.append(_list_row("The slate of 5,000 items opened against one of 50", slate.p50))
    with House(0, 300, 500) as many, House(0, 30, 500) as few:
        cuts = side_by_side(lambda: many.get("/api/cuts"), lambda: few.get("/api/cuts"), 30)
    rows.append(_list_row("`GET /api/cuts` with 300 cuts of 500 readings against 30", cuts.p50))
    with House(500, 200, 50) as house:
        for method, path, body in HEAVY:
            house.get(path) if method == "GET" else house.post(path, packed(body))
        wait, which = beside_heavy(house)
        rows.append(
            (
                "A quick request's longest wait while each of the ten heaviest routes works",
                f"{wait:.0f} ms, beside `{which}`",
                "under 100 ms",
                met(wait < 100),
            )
        )
        after_20, after_200 = renamed_kb(house, 20, 1), renamed_kb(house, 180, 2)
        times = after_200 / after_20
        rows.append(
            (
                "Memory after 200 renames of a machine against after 20",
                f"{times:.2f}x ({after_200 // 1000} against {after_20 // 1000} MB)",
                "at or under 1.1x",
                met(times <= 1.1),
            )
        )
    return rows


def _list_row(what: str, times: float) -> Row:
    return (what, f"{times:.2f}x median", "at or under 1.5x", met(times <= 1.5))


if __name__ == "__main__":
    for one in house_rows():
        print(" | ".join(one))
