"""Nobody waits for another: a quick request beside the heaviest there are, beside sixteen people,
and a shop of thousands of parts beside one of seventy-five."""

from __future__ import annotations

import io
import itertools
import json
import random
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager
from dataclasses import asdict
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from ezdxf.filemanagement import new as new_drawing

from house import House
from http_pair import connect
from measure import side_by_side
from rows import Row, met
from runk.demo.back_shed import LATHE
from runk.demo.engines import fill
from runk.store.database import Store
from runk.store.part_files import bring_in
from runk.store.parts import parts_kept

SPEED = {"operation": "turn", "metal": "brass", "diameter": "22"}
Ask = Callable[[House], None]


def _post(house: House, path: str, body: Any, method: str = "POST") -> Any:
    raw = body if isinstance(body, bytes) else json.dumps(body).encode()
    kind = "application/octet-stream" if isinstance(body, bytes) else "application/json"
    with closing(connect(house.port)) as line:
        line.timeout = 120
        line.request(method, path, raw, {"content-type": kind})
        answer = line.getresponse().read()
    return json.loads(answer) if answer else None


def stepped(n: int) -> list[str]:
    """A shaft of so many steps: a search that has no end of its own."""
    lines = ["face at 0", f"face at {4 * n}"]
    return lines + [
        f"outside {40 - abs(i - n / 2) / 2:g} h7, from {4 * i} to {4 * i + 4}" for i in range(n)
    ]


def _part(house: House, n: int) -> tuple[int, int]:
    engine = _post(house, "/api/engines", {"name": f"Bench {time.monotonic_ns()}"})["id"]
    part = _post(house, f"/api/engines/{engine}/parts", {"name": "Shaft"})["id"]
    body = {"version": 1, "metal": "brass", "blank": "bar 45", "features": stepped(n)}
    return part, _post(house, f"/api/parts/{part}/drawn", body, "PUT")["version"]


def lines_drawn(n: int) -> bytes:
    """A drawing of lines that touch nothing."""
    drawing = new_drawing("R2010", units=4)
    for k in range(n):
        drawing.modelspace().add_line((k * 3, 0), (k * 3 + 1, 0))
    out = io.StringIO()
    drawing.write(out)
    return out.getvalue().encode()


DRAWING = lines_drawn(1000)
ONES = " ".join(["1"] * 22)
HARD_LINE = f"4 holes 5, {ONES} 0, {ONES} 1, {ONES} 2, {ONES} 3"


def _route(house: House) -> None:
    part, version = _part(house, 46)
    _post(house, f"/api/parts/{part}/propose", {"version": version})


def _forty(house: House) -> None:
    threads = [
        threading.Thread(target=_post, args=(house, "/api/setout/read", DRAWING)) for _ in range(40)
    ]
    for one in threads:
        one.start()
    for one in threads:
        one.join()


def _gone_mate(house: House) -> None:
    part, version = _part(house, 6)
    for n in range(20):
        body = {"version": version, "feature": "outside 37.5", "reading": f"37.{n + 10}"}
        _post(house, f"/api/parts/{part}/measure", body)
    _post(house, f"/api/parts/{part}", None, "DELETE")


HEAVY: dict[str, Ask] = {
    "thirty lines of numbers": lambda house: _post(
        house, "/api/parts/look", {"blank": "bar 25", "features": [HARD_LINE] * 30}
    ),
    "fifty-eight pieces drawn by lot": lambda house: _post(
        house,
        "/api/calc/endfloat/spread",
        {"room": "25 +0.05 -0", "stack": "58 x washer 0.01 +0.001 -0.002"},
    ),
    "a part thrown away": _gone_mate,
    "a shaft of 46 steps routed": _route,
    "forty drawings of 1,000 lines": _forty,
}


class Probe:
    """How long a quick request waits, over and over."""

    def __init__(self, house: House, path: str, body: Any = None) -> None:
        self.waits: list[float] = []
        self._house, self._path, self._body = house, path, body

    def run(self, done: threading.Event) -> None:
        """Ask until it is over."""
        raw = json.dumps(self._body).encode() if self._body is not None else None
        with closing(connect(self._house.port)) as line:
            while not done.is_set():
                begun = time.perf_counter()
                line.request(
                    "POST" if raw else "GET", self._path, raw, {"content-type": "application/json"}
                )
                line.getresponse().read()
                self.waits.append((time.perf_counter() - begun) * 1000)
                time.sleep(0.02)

    def at(self, share: float) -> float:
        """The wait that so large a share stays under, milliseconds."""
        ranked = sorted(self.waits)
        return ranked[min(int(len(ranked) * share), len(ranked) - 1)]


@contextmanager
def probed(house: House) -> Iterator[tuple[Probe, Probe]]:
    """``alive`` and a plain speed, asked all the while."""
    probes = Probe(house, "/api/alive"), Probe(house, "/api/calc/speed", SPEED)
    done = threading.Event()
    threads = [threading.Thread(target=one.run, args=(done,)) for one in probes]
    for one in threads:
        one.start()
    try:
        yield probes
    finally:
        done.set()
        for one in threads:
            one.join()


def beside(house: House, name: str) -> Row:
    """A quick request beside a heavy one."""
    with probed(house) as (alive, speed):
        time.sleep(0.3)
        HEAVY[name](house)
    return _waits(f"Waits beside {name}", alive, speed)


def _waits(what: str, alive: Probe, speed: Probe) -> Row:
    worst = max(alive.at(0.99), speed.at(0.99))
    figures = (
        f"`alive` {alive.at(0.99):.0f}, a plain speed {speed.at(0.99):.0f} ms at 99 % "
        f"(longest {alive.at(1):.0f} and {speed.at(1):.0f})"
    )
    return what, figures, "under 100 ms at 99 %", met(worst < 100)


def _client(house: House, seed: int, done: threading.Event, errors: list[int]) -> None:
    """Somebody at work: mostly sums and lines, at times a part, seldom a route looked for."""
    dice = random.Random(seed)
    part, version = _part(house, 4)
    asks: list[tuple[float, str, str, Any]] = [
        (30, "POST", "/api/calc/speed", SPEED),
        (20, "POST", "/api/ask", {"line": "bore 5/8 cast iron carbide"}),
        (10, "POST", "/api/parts/look", {"blank": "bar 25", "features": stepped(4)}),
        (12, "GET", f"/api/parts/{part}", None),
        (8, "GET", "/api/tonight", None),
        (8, "GET", "/api/engines", None),
        (10, "GET", "/api/cuts", None),
        (2, "POST", f"/api/parts/{part}/propose", "version"),
    ]
    with closing(connect(house.port)) as line:
        while not done.is_set():
            ((_, method, path, body),) = dice.choices(asks, [one[0] for one in asks])
            if body == "version":
                line.request("GET", f"/api/parts/{part}")
                version = json.loads(line.getresponse().read())["version"]
                body = {"version": version}
            raw = None if body is None else json.dumps(body).encode()
            line.request(method, path, raw, {"content-type": "application/json"})
            answer = line.getresponse()
            answer.read()
            if answer.status >= 400:
                errors.append(answer.status)
            time.sleep(dice.uniform(0.05, 0.3))


def sixteen(house: House, seconds: float = 20) -> Row:
    """A quick request beside sixteen people at work."""
    done, errors = threading.Event(), list[int]()
    crowd = [threading.Thread(target=_client, args=(house, n, done, errors)) for n in range(16)]
    for one in crowd:
        one.start()
    time.sleep(2)
    with probed(house) as (alive, speed):
        time.sleep(seconds)
    done.set()
    for one in crowd:
        one.join()
    row = _waits(
        f"Waits beside sixteen people at work, searches among them, {len(errors)} errors",
        alive,
        speed,
    )
    return row


def shop_of(file: Path, engines: int) -> None:
    """A store of the demonstration's parts and so many engines of twenty more."""
    store = Store(f"sqlite:///{file}")
    store.migrate()
    with store.writing() as session:
        fill(session)
        flat = [
            {"metal": one.metal, "drawn": one.drawn, "route": one.route, "done": []}
            for one in parts_kept(session)
            if one.route
        ]
        for n in range(engines):
            rows = [
                {**one, "name": f"Part {k}"}
                for k, one in zip(range(20), itertools.cycle(flat), strict=False)
            ]
            bring_in(session, f"Engine {n}", rows)
    store.close()


def thousands() -> list[Row]:
    """Pages of a shop of 3,480 parts beside those of one of seventy-five."""
    rows = []
    with TemporaryDirectory() as folder:
        shops = []
        for engines in (174, 3):
            file = Path(folder) / f"shop-{engines}.sqlite3"
            shop_of(file, engines)
            shops.append(file)
        with House(file=shops[0]) as many, House(file=shops[1]) as few:
            pages: dict[str, Callable[[House], Any]] = {
                "The list of engines": lambda house: house.get("/api/engines"),
                "An evening of 90 minutes": lambda house: house.get("/api/tonight"),
                "An evening asked for in a line": lambda house: house.post(
                    "/api/ask", b'{"line": "tonight 90 minutes"}'
                ),
                "What next on a part, asked in a line": lambda house: house.post(
                    "/api/ask", b'{"line": "what next on the crankshaft"}'
                ),
                "A part's page": lambda house: house.get("/api/parts/9"),
            }
            for name, page in pages.items():
                begun = time.perf_counter()
                page(many)
                first = time.perf_counter() - begun
                # While the one took its time, the other's connection may have been let go.
                few.line = connect(few.port)
                page(few)
                ratio = side_by_side(lambda page=page: page(many), lambda page=page: page(few), 30)
                took = ratio.ours_p50 / 1000
                figures = (
                    f"{ratio.p50:.2f}x median, {took:.0f} ms; the first time after the start "
                    f"{first * 1000:.0f} ms"
                )
                rows.append(
                    (
                        f"{name} in a shop of 3,500 parts, against one of 85",
                        figures,
                        "at or under 1.3x, or under 200 ms",
                        met(ratio.p50 <= 1.3 or took < 200),
                    )
                )
    return rows


def crowd_rows() -> list[Row]:
    """Every row of the crowd."""
    with House(50, 10, 10) as house:
        _post(house, "/api/machines", {"machine": asdict(LATHE)})
        rows = [beside(house, name) for name in HEAVY]
        rows.append(sixteen(house))
    return [*rows, *thousands()]


if __name__ == "__main__":
    for one in crowd_rows():
        print(" | ".join(one))
