"""Nothing typed, listed or brought in takes more than the square of its size, nor long.

In ``make test`` some of it is counted, call by call; in ``make sweep`` all of it is put to the
clock as well: a pattern that grabs is one call to whoever counts calls.
"""

from __future__ import annotations

import io
import itertools
import json
import random
import re
import sys
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from typing import Any

import pytest
from ezdxf.filemanagement import new as new_drawing

from runk.api.calculators import answer_typed
from runk.api.cut_typed import sizes_typed
from runk.api.cutbook import CutBook
from runk.api.engine_file import put_engine, read_rows
from runk.ask import ask
from runk.core.catalogue import CATALOGUE
from runk.core.machines.plate import MACHINE
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.bill import kit_checked
from runk.core.route.drawn.blank import blank_of_line
from runk.core.route.drawn.together import heard_together
from runk.core.route.drawn.whole import whole_part
from runk.core.route.fitting import reading_said
from runk.core.route.played import stages
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job, Route, SetUp
from runk.core.route.rules import check
from runk.core.route.tonight import Ready, tonight
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.formats.set_out_csv import read_places_csv
from runk.formats.set_out_dxf import read_dxf
from runk.formats.tools_csv import read_tools_csv
from runk.store.database import Store
from tests.cases import SWEEP

MM = PageUnit.MM
Work = Callable[[int], Any]
"""Something done to a filling of so much."""

TEXTS: dict[str, Callable[[int], str]] = {
    "ones": lambda n: ("1 " * n)[:n],
    "a table's row": lambda n: ("4 holes 5, A 0, 1 1 1 1, " * n)[:n],
    "fractions": lambda n: ("1/2 " * n)[:n],
    "sums": lambda n: ("1+1-1*" * n)[: n - 1] + "1",
    "brackets": lambda n: "(" * (n // 2) + "1" + ")" * (n // 2),
    "commas": lambda n: ", " * (n // 2),
    "spaces": lambda n: "1" + " " * (n - 2) + "x",
    "one number": lambda n: "9" * n,
    "digits and points": lambda n: ("1.1." * n)[:n],
    "leads": lambda n: ("from 0 to 1 at 2 by 3 " * n)[:n],
    "words of the trade": lambda n: ("bore turn M4 8 BA h7 brass " * n)[:n],
    "negations": lambda n: ("not without no " * n)[:n],
    "nines times": lambda n: ("99 x wa 0.01 +0.001 -0.002; " * n)[:n],
    "pairs": lambda n: ("1,1 2,2 " * n)[:n],
    "lines": lambda n: ("bar 20\n1, 2; 3\n" * n)[:n],
    "letters": lambda n: "e" * n,
    "accents": lambda n: ("½é\u0301" * n)[:n],
}


def _typed(name: str, field: str) -> Callable[[str], Any]:
    calculator = CATALOGUE[name]
    opening = dict(calculator.opening)
    return lambda text: answer_typed(calculator, {**opening, field: text}, MM, WORKSHOP)


def readers() -> dict[str, tuple[Callable[[str], Any], int]]:
    """Everything that reads what is typed, and the longest it is given."""
    found: dict[str, tuple[Callable[[str], Any], int]] = {
        "an Ask line": (lambda text: ask(text, WORKSHOP, MM), 600),
        "a feature": (lambda text: heard_together([text], None, MM), 400),
        "ten features": (lambda text: heard_together([text] * 10, None, MM), 400),
        "a blank": (lambda text: blank_of_line(text, MM, WORKSHOP.metals), 400),
        "a whole part": (lambda text: whole_part(text, MM, WORKSHOP.metals), 2200),
        "a machine's plate": (
            lambda text: read_question(MACHINE, {"speeds": text}, MM, WORKSHOP),
            600,
        ),
        "a reading of a feature": (lambda text: reading_said(text, MM, WORKSHOP), 200),
        "a reading of a cut": (lambda text: sizes_typed(text, MM), 600),
        "a kit's list": (
            lambda text: kit_checked((), {}, text.splitlines(), WORKSHOP.metals, MM),
            20_000,
        ),
        "a table of tools": (lambda text: read_tools_csv(f"kind,size\n{text}"), 40_000),
        "a table of places": (lambda text: read_places_csv(f"x,y\n{text}", MM), 40_000),
        "a list of parts": (
            lambda text: read_rows(f"name,metal\n{text}".encode(), "text/csv", "E", WORKSHOP, MM),
            40_000,
        ),
        "an engine's file": (
            lambda text: read_rows(
                json.dumps({"engine": "E", "parts": [{"name": text}]}).encode(),
                "",
                "",
                WORKSHOP,
                MM,
            ),
            40_000,
        ),
    }
    for name, calculator in CATALOGUE.items():
        for field in calculator.fields:
            found[f"{field} of {name}"] = (_typed(name, field), 2000)
    return found


READERS = readers()


def _dxf(n: int) -> bytes:
    drawing = new_drawing("R2010", units=4)
    for k in range(n):
        drawing.modelspace().add_line((k * 3, 0), (k * 3 + 1, k % 7))
    out = io.StringIO()
    drawing.write(out)
    return out.getvalue().encode()


def _steps(n: int) -> list[str]:
    lines = ["face at 0", f"face at {4 * n}"]
    return lines + [
        f"outside {60 - abs(i - n / 2) / 4:g}, from {4 * i} to {4 * i + 4}" for i in range(n)
    ]


def _job(n: int) -> Job:
    return Job(part_of("stepped", "brass", "bar 65", _steps(n)), WORKSHOP)


def _checked(n: int) -> Any:
    job = _job(12)
    ups = [SetUp(hold.key, tuple(job.by_key)[:n]) for hold in job.holds[:1]] * 1
    does = tuple(f"deburr {k}" for k in range(n))
    return check(job, Route((*ups, SetUp(job.holds[0].key, does))))


LISTS: dict[str, tuple[Work, int]] = {
    "lines of a drawing": (lambda n: read_dxf(_dxf(n)), 480),
    "features of a part": (lambda n: _job(n), 160),
    "features drawn": (lambda n: list(stages(_job(n), Route(()))), 80),
    "lines of a route": (_checked, 1600),
    "an evening's parts": (
        lambda n: tonight([[Ready(p, u, 7.5, 2) for u in range(1, 6)] for p in range(n)], 600),
        1600,
    ),
}


def _quietly(work: Callable[[], Any]) -> None:
    try:
        work()
    except Refused:
        return


@contextmanager
def counting() -> Iterator[list[int]]:
    """Counts calls, of Python and of what it calls, while it lasts."""
    calls = [0]

    def seen(_frame: Any, event: str, _of: Any) -> None:
        if event in ("call", "c_call"):
            calls[0] += 1

    before = sys.getprofile()
    sys.setprofile(seen)
    try:
        yield calls
    finally:
        sys.setprofile(before)


def calls_of(work: Callable[[], Any]) -> int:
    """How many calls something takes, the second time: what is kept is there by then."""
    _quietly(work)
    with counting() as calls:
        _quietly(work)
    return calls[0]


MOST_CALLS = 3_000_000
SOME = random.Random(13).sample([(r, t) for r in READERS for t in TEXTS], 50)
ALWAYS = [
    ("a feature", "a table's row"),
    ("a feature", "leads"),
    ("ten features", "ones"),
    ("a whole part", "a table's row"),
    ("an Ask line", "words of the trade"),
    ("stack of endfloat", "nines times"),
    ("a kit's list", "lines"),
    ("a table of places", "pairs"),
]


def _grown(takes: Callable[[int], float], largest: int, least: float) -> list[float]:
    """What it takes at an eighth, a quarter, a half and the whole of a size."""
    found = [takes(largest // part) for part in (8, 4, 2, 1)]
    for small, large in itertools.pairwise(found):
        assert large <= 4.5 * max(small, least), found
    return found


@pytest.mark.parametrize(("reader", "text"), [*ALWAYS, *SOME])
def test_what_is_typed_takes_no_more_calls_than_its_square(reader: str, text: str) -> None:
    read, largest = READERS[reader]
    fill = TEXTS[text]
    found = _grown(lambda n: calls_of(lambda: read(fill(n))), largest, 3000)
    assert found[-1] < MOST_CALLS, found


@pytest.mark.parametrize("name", LISTS)
def test_what_is_listed_takes_no_more_calls_than_its_square(name: str) -> None:
    work, largest = LISTS[name]
    found = _grown(lambda n: calls_of(lambda: work(n)), largest, 3000)
    assert found[-1] < 4 * MOST_CALLS, found


@pytest.mark.parametrize("reader", READERS if SWEEP else [])
def test_nothing_typed_takes_a_second(reader: str) -> None:
    read, largest = READERS[reader]

    def seconds(text: str) -> float:
        best = 10.0
        # The collector comes by at times: the best of three is the work itself.
        for _ in range(3):
            begun = time.process_time()
            _quietly(lambda: read(text))
            best = min(best, time.process_time() - begun)
        return best

    for fill in TEXTS.values():
        found = _grown(lambda n, fill=fill: seconds(fill(n)), largest, 0.02)  # type: ignore[misc]
        assert max(found) < 1.0, (fill(60), found)


def test_a_file_of_every_part_there_may_be_is_read_in_proportion(store: Store) -> None:
    def takes(n: int) -> int:
        parts = [
            {"name": f"Part {k}", "metal": "brass", "blank": "bar 20", "features": ["face at 0"]}
            for k in range(n)
        ]
        raw = json.dumps({"engine": f"E {n} {time.monotonic_ns()}", "parts": parts}).encode()

        def put() -> None:
            with store.writing() as session:
                put_engine(session, read_rows(raw, "", "", WORKSHOP, MM), CutBook(store), WORKSHOP)

        with counting() as calls:
            put()
        return calls[0]

    small, large = takes(25), takes(200)
    assert large < 64 * small
    assert propose(_job(3)).proved


def _patterns() -> dict[str, re.Pattern[str]]:
    """Every pattern a module of Runk keeps, alone or in a table."""

    def within(value: Any) -> Iterator[Any]:
        if isinstance(value, re.Pattern):
            yield value
        elif isinstance(value, dict):
            for one in value.values():
                yield from within(one)
        elif isinstance(value, list | tuple | frozenset):
            for one in value:
                yield from within(one)

    return {
        f"{name}.{own} {one.pattern[:50]}": one
        for name, module in list(sys.modules.items())
        if name.startswith("runk.")
        for own, value in list(vars(module).items())
        for one in within(value)
        if isinstance(one.pattern, str)
    }


@pytest.mark.skipif(not SWEEP, reason="by the clock: in make sweep")
@pytest.mark.parametrize("text", TEXTS)
def test_no_pattern_grabs(text: str) -> None:
    found = _patterns()
    assert len(found) > 200
    for name, pattern in found.items():
        for search in (pattern.search, pattern.fullmatch):
            begun = time.process_time()
            search(TEXTS[text](500))
            assert time.process_time() - begun < 0.1, name
