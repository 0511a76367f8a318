"""A controller in small, from RS-274 alone: it knows the modes, obeys a line, and keeps where it was.

Written apart from the product's own dry run, so that neither checks itself.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, field
from math import atan2, cos, hypot, pi, sin


@dataclass
class Controller:
    """Where the tool is, and every place it has been, in millimetres."""

    at: list[float] = field(default_factory=lambda: [0.0, 0.0, 0.0])
    track: list[tuple[str, tuple[float, float, float]]] = field(default_factory=list)
    motion: str = "G0"
    scale: float | None = None
    feed: float = 0.0
    rpm: float = 0.0
    running: bool = False
    ended: bool = False
    initial: float = 0.0
    cycle: dict[str, float] = field(default_factory=dict)

    def run(self, code: str) -> Controller:
        lines = code.strip().splitlines()
        assert lines[0] == "%"
        assert lines[-1] == "%"
        for line in lines[1:-1]:
            assert not self.ended, "nothing after M2"
            assert line.isascii()
            assert len(line) < 256
            self.obey(re.sub(r"\([^()]*\)", "", line))
        return self

    def obey(self, line: str) -> None:
        words = re.findall(r"([A-Z])(-?\d*\.?\d+|-?\d+\.?)", line.replace(" ", ""))
        values = {letter: float(text) for letter, text in words if letter not in "GM"}
        groups = [f"{a}{float(b):g}" for a, b in words if a in "GM"]
        for group in groups:
            if group == "G21":
                self.scale = 1.0
            elif group in ("G0", "G1", "G2", "G3", "G81", "G83"):
                if group in ("G81", "G83") and self.motion not in ("G81", "G83"):
                    self.initial = self.at[2]
                self.motion = group
            elif group == "G80":
                self.motion = "G0"
            elif group == "M3":
                self.running = True
            elif group == "M5":
                self.running = False
            elif group == "M2":
                self.ended = True
            else:
                # No word that would drop a tool length somebody set.
                known = ("G17", "G90", "G91.1", "G94", "G40", "G54", "G98", "G4")
                assert group in known, group
        self.feed = values.get("F", self.feed)
        self.rpm = values.get("S", self.rpm)
        if not {"X", "Y", "Z"} & set(values):
            return
        assert self.scale == 1.0, "units before the first move"
        if self.motion in ("G81", "G83"):
            self.drill(values)
            return
        to = [values.get(axis, self.at[n]) for n, axis in enumerate("XYZ")]
        if self.motion in ("G2", "G3"):
            self.arc(to, values.get("I", 0.0), values.get("J", 0.0))
        if self.motion != "G0":
            assert self.feed > 0
            assert self.running
        self.at = to
        self.track.append((self.motion, (to[0], to[1], to[2])))

    def arc(self, to: list[float], i: float, j: float) -> None:
        centre = self.at[0] + i, self.at[1] + j
        radius = hypot(i, j)
        assert abs(hypot(to[0] - centre[0], to[1] - centre[1]) - radius) < 2e-3
        first = atan2(self.at[1] - centre[1], self.at[0] - centre[0])
        last = atan2(to[1] - centre[1], to[0] - centre[0])
        turn = (last - first) % (2 * pi) if self.motion == "G3" else -((first - last) % (2 * pi))
        if abs(turn) < 1e-9:
            turn = 2 * pi if self.motion == "G3" else -2 * pi
        for n in range(1, 64):
            a = first + turn * n / 64
            down = self.at[2] + (to[2] - self.at[2]) * n / 64
            self.track.append(
                (self.motion, (centre[0] + radius * cos(a), centre[1] + radius * sin(a), down))
            )

    def drill(self, values: dict[str, float]) -> None:
        self.cycle |= {k: v for k, v in values.items() if k in "ZRQ"}
        assert self.feed > 0
        assert self.running
        x, y = values.get("X", self.at[0]), values.get("Y", self.at[1])
        self.track.append(("G0", (x, y, self.at[2])))
        self.track.append(("G0", (x, y, self.cycle["R"])))
        deep = self.cycle["R"]
        while self.motion == "G83" and deep - self.cycle["Q"] > self.cycle["Z"]:
            deep -= self.cycle["Q"]
            self.track.append(("G1", (x, y, deep)))
            self.track.append(("G0", (x, y, self.cycle["R"])))
        self.track.append(("G1", (x, y, self.cycle["Z"])))
        self.track.append(("G0", (x, y, self.initial)))
        self.at = [x, y, self.initial]
