"""A reading recorded and answered against a bare durable insert; opening long and short cuts."""

from __future__ import annotations

import itertools
import json
import sqlite3
import sys
from dataclasses import replace
from pathlib import Path
from typing import Any

from fastapi import FastAPI
from pydantic import BaseModel

from http_pair import Pair, packed
from measure import Ratio, side_by_side
from rows import Row, met
from runk.demo.back_shed import WORKSHOP
from runk.gauges.exercises import EXERCISES, cut_of
from runk.gauges.practice import advised_run, halving_run, inside

sys.path.insert(0, str(Path(__file__).parents[1]))

from tests.reference.bar import CASES, ends_inside

CUT = {"job": "outside", "metal": "mild-steel", "now": "16", "wanted": "14.5"}
READINGS_EACH, TIMES, LONG, SHORT, SEEDS = 10, 600, 500, 5, 500
APART_MM, SPRING = 0.015, 0.25


class Inserted(BaseModel):
    """A row of the bare table."""

    event_key: str
    reading: str
    wound: str


def add_insert_route(app: FastAPI, folder: str) -> None:
    """A route that does nothing but one insert, as durable as ours."""
    table = sqlite3.connect(f"{folder}/bare.sqlite3", check_same_thread=False, isolation_level=None)
    table.execute("PRAGMA journal_mode=WAL")
    table.execute("PRAGMA synchronous=FULL")
    table.execute("CREATE TABLE reading (id INTEGER PRIMARY KEY, key TEXT UNIQUE, body TEXT)")

    @app.post("/insert")
    def insert(body: Inserted) -> dict[str, int]:
        done = table.execute(
            "INSERT INTO reading (key, body) VALUES (?, ?)", (body.event_key, body.reading)
        )
        return {"id": int(done.lastrowid or 0)}


def _started(pair: Pair, key: str, readings: int = 0) -> int:
    cut: dict[str, Any] = json.loads(
        pair.runk("/api/cuts", packed({"keep_key": key, "question": CUT}))
    )
    for number in range(readings):
        body = {"event_key": f"{key}-{number:06d}", "reading": "16", "wound": "0"}
        pair.runk(f"/api/cuts/{cut['id']}/readings", packed(body))
    return int(cut["id"])


def recorded(pair: Pair) -> Ratio:
    """A reading recorded and the next instruction given, against the bare insert."""
    cuts = [_started(pair, f"bench-{n:04d}") for n in range(2 * TIMES // READINGS_EACH)]
    turns = itertools.count()

    def body() -> tuple[int, bytes]:
        turn = next(turns)
        key = {"event_key": f"reading-{turn:08d}", "reading": "16", "wound": "0"}
        return cuts[turn // (2 * READINGS_EACH) % len(cuts)], packed(key)

    def ours() -> object:
        cut, reading = body()
        return pair.runk(f"/api/cuts/{cut}/readings", reading)

    def theirs() -> object:
        return pair.echo("/insert", body()[1])

    return side_by_side(ours, theirs, TIMES)


def opened(pair: Pair) -> Ratio:
    """Opening a cut of 500 readings against one of 5."""
    long, short = _started(pair, "a-long-cut", LONG), _started(pair, "a-short-cut", SHORT)
    return side_by_side(
        lambda: pair.get(f"/api/cuts/{long}"), lambda: pair.get(f"/api/cuts/{short}"), TIMES
    )


def advice_rows() -> list[Row]:
    """Over 500 simulated lathes: how often the advice ends inside, and how often halving does.

    The practice pieces with limits a hundredth and a half apart, on set-ups that spring.
    """
    rows = []
    for exercise in EXERCISES:
        spec = cut_of(exercise, WORKSHOP).spec
        springy = 0.0 if exercise.key == "stub" else max(spec.spring_ratio, SPRING)
        spec = replace(
            spec,
            low_mm=spec.aim_mm - APART_MM / 2,
            high_mm=spec.aim_mm + APART_MM / 2,
            spring_ratio=springy,
        )
        ours = sum(inside(advised_run(spec, seed)) for seed in range(SEEDS))
        theirs = sum(inside(halving_run(spec, seed)) for seed in range(SEEDS))
        rows.append(
            (
                f"{exercise.name}, limits {APART_MM:g} mm apart, {SEEDS} simulated lathes: inside by "
                "the advice, by halving what is left",
                f"{100 * ours / SEEDS:.0f} % against {100 * theirs / SEEDS:.0f} %",
                "far more often",
                met(ours - theirs >= SEEDS / 10),
            )
        )
    return rows


def bar_rows() -> list[Row]:
    """A followed plan on bars that bend by their own integral: how many end inside."""
    rows = []
    for case in CASES:
        share = ends_inside(case, WORKSHOP, SEEDS) / SEEDS
        rows.append(
            (
                f"{case.name}, limits 0.02 either side, {SEEDS} bars bending by their own integral",
                f"{share:.1%} end inside",
                "97 % and more",
                met(share >= 0.97),
            )
        )
    return rows
