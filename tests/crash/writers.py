"""Those that write without end until the server is killed, and what must then be in the file."""

from __future__ import annotations

import http.client
import json
import sqlite3
from collections.abc import Callable
from contextlib import closing
from dataclasses import asdict, dataclass, field
from typing import Any

from fastapi.testclient import TestClient

from runk.demo.back_shed import LATHE

SPEED = {"operation": "turn", "metal": "brass", "diameter": "20"}
CUT = {"job": "outside", "metal": "brass", "now": "16", "wanted": "14"}
MATE = {"there": "15.4", "duty": "running"}
PIN = {"blank": "bar 20", "features": ["face at 0", "outside 8 h7, from 0 to 20, called pin"]}
BUSH = {"blank": "bar 20", "features": ["face at 0", "bore 8 H7, from 0 to 12, called hole"]}
FILE = {
    "parts": [{"name": name, "metal": "brass", **of} for name, of in (("Pin", PIN), ("Bush", BUSH))]
}

Request = tuple[str, str, Any]


@dataclass
class Writer:
    """One that writes, and remembers what it was told is saved.

    Args:
        send: What the so-manieth write asks.
        found: Whether a write is in the file: a look for its number, and how often it is there.
        times: How often it should be.
        part: A part it changes over and over; then ``found`` gives what stands of it, which is
            the last that was answered or the one that was on its way.
        by: ``version`` where what stands is told by the part's version, not by the write's number.
    """

    name: str
    send: Callable[[Writer, int], Request]
    found: str
    times: int = 1
    part: int = 0
    by: str = ""
    more: dict[str, Any] = field(default_factory=dict)
    told: list[int] = field(default_factory=list)

    def run(self, port: int, start: int) -> None:
        """Write until the server is gone."""
        number = start
        try:
            with closing(http.client.HTTPConnection("127.0.0.1", port, timeout=20)) as line:
                if self.part:
                    self.more |= self._asked(line, ("GET", f"/api/parts/{self.part}", None))[1]
                while True:
                    number += 1
                    status, read = self._asked(line, self.send(self, number))
                    if status in (200, 201):
                        self.told.append(read[self.by] if self.by else number)
                        self.more |= read if isinstance(read, dict) else {}
        except (OSError, http.client.HTTPException, ValueError):
            return

    @staticmethod
    def _asked(line: http.client.HTTPConnection, request: Request) -> tuple[int, Any]:
        method, path, body = request
        line.request(method, path, json.dumps(body), {"content-type": "application/json"})
        answer = line.getresponse()
        return answer.status, json.loads(answer.read() or b"null")

    def lost(self, look: sqlite3.Connection) -> list[str]:
        """What it was told in a round and the file has not; then it forgets the round."""
        told, self.told = self.told, []
        if self.part:
            if not told:
                return []
            row = look.execute(self.found, (self.part,)).fetchone()
            stands = int(float(row[0])) if row is not None and row[0] is not None else -1
            ok = stands in (told[-1], told[-1] + 1)
            return [] if ok else [f"{self.name}: {told[-1]} was told, {stands} stands"]
        return [
            f"{self.name} {n}"
            for n in told
            if (look.execute(self.found, {"n": n}).fetchone() or (0,))[0] != self.times
        ]


def _keep(path: str, key: str, body: dict[str, Any]) -> Callable[[Writer, int], Request]:
    return lambda _, n: ("POST", path, {"keep_key": f"{key}-{n:08d}", **body})


def _event(path: str, key: str, more: dict[str, Any]) -> Callable[[Writer, int], Request]:
    body = {"reading": "15.5", "sure": True, **more}
    return lambda _, n: ("POST", path, {"event_key": f"{key}-{n:08d}", **body})


def _metal(_: Writer, n: int) -> Request:
    metal = {"key": "", "name": f"crash metal {n}", "like": "brass", "designation": ""}
    return "POST", "/api/metals", {"metal": {**metal, "magnet": "", "figures": {}}}


def _on(
    what: str, how: str, body: Callable[[Writer, int], dict[str, Any]]
) -> Callable[[Writer, int], Request]:
    def send(writer: Writer, n: int) -> Request:
        whole = {"version": writer.more.get("version", 1), **body(writer, n)}
        return how, f"/api/parts/{writer.part}/{what}", whole

    return send


def _fit(writer: Writer, n: int) -> Request:
    hole = writer.more["hole"]
    body = {"hole_part": hole, "hole_feature": "hole", "shaft_part": writer.part}
    body |= {"shaft_feature": "pin", "duty": ("running", "push")[n % 2]}
    # The bush is changed by nothing else: its version goes up with every fit, as the pin's does.
    ahead = writer.more["hole_ahead"]
    version = writer.more["version"]
    body |= {"shaft_version": version, "hole_version": version + ahead}
    return "POST", f"/api/fits?part={writer.part}", body


def writers(client: TestClient) -> list[Writer]:
    """Every writer, with what it writes on put into a fresh store."""

    def made(path: str, body: dict[str, Any]) -> int:
        answer = client.post(path, json=body)
        assert answer.status_code in (200, 201), answer.text
        return int(answer.json()["id"])

    engine = made("/api/engines", {"name": "Crash"})

    def part(name: str, of: dict[str, Any]) -> int:
        key = made(f"/api/engines/{engine}/parts", {"name": name, "metal": "brass"})
        drawn = client.put(f"/api/parts/{key}/drawn", json={"version": 1, "metal": "brass", **of})
        assert drawn.status_code == 200, drawn.text
        return key

    cut = made("/api/cuts", {"keep_key": "crash-cut-1", "question": CUT})
    mate = made("/api/mates", {"keep_key": "crash-mate-1", "question": MATE})
    pins = [part(f"Pin {n}", PIN) for n in range(6)]
    bush = part("Bush", BUSH)
    version = "SELECT version FROM part WHERE id = ?"
    return [
        Writer(
            "slate",
            _keep("/api/slate", "slate", {"calculator": "speed", "question": SPEED}),
            "SELECT count(*) FROM slate WHERE keep_key = 'slate-' || printf('%08d', :n)",
        ),
        Writer(
            "cuts",
            _keep("/api/cuts", "cut", {"question": CUT}),
            "SELECT count(*) FROM cut WHERE keep_key = 'cut-' || printf('%08d', :n)",
        ),
        Writer(
            "mates",
            _keep("/api/mates", "mate", {"question": MATE}),
            "SELECT count(*) FROM mate WHERE keep_key = 'mate-' || printf('%08d', :n)",
        ),
        Writer(
            "readings of a cut",
            _event(f"/api/cuts/{cut}/readings", "event", {}),
            "SELECT count(*) FROM cut_event WHERE event_key = 'event-' || printf('%08d', :n)",
        ),
        Writer(
            "readings of a mate",
            _event(f"/api/mates/{mate}/readings", "read", {"side": "made"}),
            "SELECT count(*) FROM mate_event WHERE event_key = 'read-' || printf('%08d', :n)",
        ),
        Writer(
            "metals", _metal, "SELECT count(*) FROM own_metal WHERE name = 'crash metal ' || :n"
        ),
        Writer(
            "trays",
            lambda _, n: (
                "POST",
                "/api/tools",
                {"kind": "collet", "size": "4", "name": f"collet {n}"},
            ),
            "SELECT count(*) FROM tool WHERE name = 'collet ' || :n",
        ),
        Writer(
            "machines",
            lambda _, n: (
                "POST",
                "/api/machines",
                {"machine": asdict(LATHE) | {"name": f"crash {n}"}},
            ),
            "SELECT count(*) FROM machine m JOIN machine_step s ON s.machine_id = m.id "
            "WHERE m.name = 'crash ' || :n",
            times=len(LATHE.steps),
        ),
        Writer(
            "imports",
            lambda _, n: ("POST", f"/api/engines/file?engine=brought-{n}", FILE),
            "SELECT count(*) FROM engine e JOIN part p ON p.engine_id = e.id "
            "WHERE e.name = 'brought-' || :n",
            times=2,
        ),
        Writer(
            "drawings",
            _on("drawn", "PUT", lambda _, n: {"metal": "brass", **PIN, "notes": [str(n)]}),
            "SELECT json_extract(drawn, '$.notes[0]') FROM part WHERE id = ?",
            part=pins[0],
        ),
        Writer(
            "routes",
            _on(
                "route",
                "PUT",
                lambda _, n: {"set_ups": [], "overruled": {"face-before-centre": str(n)}},
            ),
            "SELECT json_extract(route, '$.overruled.\"face-before-centre\"') FROM part WHERE id = ?",
            part=pins[1],
        ),
        Writer(
            "measured",
            _on(
                "measure",
                "POST",
                lambda _, n: {"feature": "pin", "reading": f"{8 + n % 99 / 1000}"},
            ),
            version,
            part=pins[2],
            by="version",
        ),
        Writer(
            "ticks",
            _on("tick", "POST", lambda w, n: {"mark": "face 0: face", "done": n % 2 == 1}),
            version,
            part=pins[3],
            by="version",
        ),
        Writer(
            "proposed",
            _on("propose", "POST", lambda _w, _n: {}),
            version,
            part=pins[4],
            by="version",
        ),
        Writer(
            "fits", _fit, version, part=pins[5], by="version", more={"hole": bush, "hole_ahead": 0}
        ),
    ]
