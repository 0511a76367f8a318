"""``make bench``: every promise about speed as a ratio, written to docs/benchmarks.md."""

from __future__ import annotations

import compileall
import gzip
import json
import platform
import re
import subprocess
import sys
from collections.abc import Callable
from datetime import date
from pathlib import Path

from catalogues import with_more
from crowd import crowd_rows
from fits import fit_rows
from house import house_rows
from http_pair import Pair, packed
from importing import beside_import
from measure import side_by_side
from readings import advice_rows, bar_rows, opened, recorded
from routes import route_rows
from rows import Row, met, ratio_row
from runk.ask import ask
from runk.core.calculator import Catalogue
from runk.core.catalogue import CATALOGUE
from runk.core.threads import find_thread, threads
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from setting_out import setting_out_rows
from shafts import shaft_rows
from sweeps import sweep, wall_sheet
from wheels import wheel_rows

ROOT = Path(__file__).resolve().parents[1]
QUESTION = {
    "operation": "bore",
    "diameter": '5/8"',
    "metal": "grey-iron",
    "held": "four-jaw",
    "tool": "carbide",
    "bar": "8",
    "overhang": "45",
    "length": "40",
}
OFFCUT = {"size": "20 mm", "length": "50 mm", "weight": "123", "magnet": "yes"}
WHINE = {"sign": "whine", "metal": "silver-steel", "diameter": "22", "rpm": "500"}
REAMED = {"size": "10", "metal": "gunmetal", "finish": "machine-reamed", "deep": "20"}
TAPPED = {"thread": "4 BA", "metal": "stainless-303", "ends": "blind", "deep": "7"}
_NEWER = frozenset(
    [
        "pairs",
        "throw",
        "crank",
        "eccentric",
        "balance",
        "passage",
        "dog",
        "keyway",
        "flats",
        "true",
        "endfloat",
        "shaft-budget",
        "piston",
        "ring",
        "seal",
        "wires",
        "wheels",
        "grip",
        "surplus",
        "harden",
    ]
)
"""Calculators measured at the question they open with."""


def of_routes() -> list[Row]:
    """Routes, with both servers running."""
    with Pair() as pair:
        return route_rows(pair)


def over_http() -> list[Row]:
    """A calculator's route against one that takes and returns a typed body of the same bytes."""
    rows = []
    with Pair() as pair:
        for name, question in (
            ("speed", QUESTION),
            ("identify", OFFCUT),
            ("faults", WHINE),
            ("hole", REAMED),
            ("tap", TAPPED),
            ("fit", {"size": "22", "duty": "running"}),
            ("mate", {"there": "22.01, 22.02; 22.00", "duty": "ringed", "made": "22.4"}),
            ("press", {"size": "11", "hub": "24", "length": "8"}),
            *((one.name, dict(one.opening)) for one in CATALOGUE.values() if one.name in _NEWER),
        ):
            asked = packed(question)
            reply = pair.runk(f"/api/calc/{name}", asked)

            def ours(name: str = name, asked: bytes = asked) -> object:
                return pair.runk(f"/api/calc/{name}", asked)

            def theirs(name: str = name, reply: bytes = reply) -> object:
                return pair.echo(f"/{name}", reply)

            ratio = side_by_side(ours, theirs, 1500)
            rows.append(
                ratio_row(
                    f"`{name}` over HTTP against a typed echo of the same {len(reply)} bytes",
                    ratio,
                    2.0,
                )
            )
    return rows


def lookup() -> list[Row]:
    """A thread found by its typed name, nothing of it remembered, against a bare dict of names."""
    names = [t.name.lower() for t in threads()]
    known = dict.fromkeys(names, 1)
    find = find_thread.__wrapped__

    def ours() -> object:
        return [find(name) for name in names]

    def bare() -> object:
        return [known[name] for name in names]

    ratio = side_by_side(ours, bare, 100)
    each = ratio.ours_p50 / len(names)
    return [
        (
            f"A thread by its typed name among {len(names)}, against a bare dict",
            f"{each:.1f} µs each ({ratio.p50:.0f}x)",
            "under 50 µs",
            met(each < 50),
        )
    ]


def importing() -> list[Row]:
    """Other requests while a table of 100,000 lines is brought in, against the same ones alone."""
    alone, beside, took, count = beside_import()
    return [
        (
            f"Other requests while {count} CSV lines are brought in ({took:.1f} s), against alone",
            f"{beside[0] / alone[0]:.1f}x median, longest {beside[1] / 1000:.0f} ms "
            f"({beside[0]:.0f} against {alone[0]:.0f} µs)",
            "none held up",
            met(beside[1] < took * 1e6 / 4),
        )
    ]


def readings() -> list[Row]:
    """Cuts being followed: recording a reading, and opening a long cut."""
    with Pair() as pair:
        record, opening = recorded(pair), opened(pair)
    return [
        ratio_row(
            "A reading recorded, next instruction given, against one durable insert", record, 2.0
        ),
        ratio_row("Opening a cut of 500 readings against one of 5", opening, 1.2),
    ]


def first_script() -> list[Row]:
    """The scripts the page loads before anything is clicked, gzipped."""
    page = (ROOT / "web/dist/index.html").read_text(encoding="utf-8")
    names = set(re.findall(r"/assets/[\w.-]+\.js", page))
    size = sum(len(gzip.compress((ROOT / "web/dist" / n[1:]).read_bytes(), 9)) for n in names)
    return [
        (
            "Initial JavaScript, gzipped",
            f"{size / 1000:.0f} kB",
            "under 145 kB",
            met(size < 145_000),
        )
    ]


def start_up() -> list[Row]:
    """The server ready to answer, against importing its libraries; and with forty calculators more."""
    libraries = (
        "import fastapi, uvicorn, sqlalchemy.orm, alembic.command, alembic.config, pydantic, numpy"
    )
    ready = (
        "import sys, tempfile, uvicorn; sys.path.insert(0, 'bench'); from catalogues import with_more; "
        "from runk.api.app import create_app; from runk.store.database import Store; "
        "s = Store('sqlite:///' + tempfile.mkdtemp() + '/a.sqlite3'); s.migrate(); "
        "create_app(s, catalogue=with_more({more}))"
    )
    asked = "from runk.cli import main; main(['ask', 'turn 22mm silver steel hss'])"
    core = "import sqlalchemy.orm, runk.core.catalogue"
    # As an installed package has it, and as the libraries it is measured against have it.
    compileall.compile_dir(str(ROOT / "src"), quiet=1)

    def run(code: str) -> Callable[[], object]:
        return lambda: subprocess.run([sys.executable, "-c", code], check=True, capture_output=True)

    rows = []
    for what, ours, theirs, most in (
        (
            "Start-up, tables made, ready to answer, against importing its libraries",
            ready.format(more=0),
            libraries,
            1.3,
        ),
        (
            "Start-up with forty made-up calculators more, against without",
            ready.format(more=40),
            ready.format(more=0),
            1.5,
        ),
        ("`runk ask` cold, against importing SQLAlchemy and the core", asked, core, 1.5),
    ):
        ratio = side_by_side(run(ours), run(theirs), 8)
        figures = (
            f"{ratio.p50:.2f}x ({ratio.ours_p50 / 1e6:.2f} against {ratio.theirs_p50 / 1e6:.2f} s)"
        )
        rows.append((what, figures, f"at or under {most:g}x", met(ratio.p50 <= most)))
    return rows


def asked_lines() -> list[Row]:
    """A line over HTTP against an echo of its reply; and read among sixty calculators."""
    line = "bore 5/8 cast iron carbide on the lathe"
    with Pair() as pair:
        asked = packed({"line": line})
        reply = pair.runk("/api/ask", asked)
        inner = packed(json.loads(reply)["reply"])
        over = side_by_side(
            lambda: pair.runk("/api/ask", asked), lambda: pair.echo("/speed", inner), 800
        )
    twenty, sixty = with_more(0), with_more(40)
    lines = (line, "tap M4 brass 8 deep blind", "from 16 to 14.5", "7/64 + 20 thou in mm")

    def read(catalogue: Catalogue) -> Callable[[], object]:
        return lambda: [ask(one, WORKSHOP, PageUnit.MM, catalogue) for one in lines]

    among = side_by_side(read(sixty), read(twenty), 150)
    return [
        ratio_row("Ask over HTTP against a typed echo of its reply", over, 2.0),
        ratio_row(
            f"Four lines read among {len(sixty)} calculators, against {len(twenty)}", among, 1.3
        ),
    ]


def types() -> list[Row]:
    """The front end's generated types."""
    text = (ROOT / "web/src/api/schema.generated.ts").read_text(encoding="utf-8")
    count = len(text.splitlines())
    return [("Generated types", f"{count} lines", "under 4000", met(count < 4000))]


def main() -> None:
    """Measure everything and write it down."""
    rows = [
        *over_http(),
        *readings(),
        *advice_rows(),
        *bar_rows(),
        *sweep(),
        *fit_rows(),
        *shaft_rows(),
        *setting_out_rows(),
        *of_routes(),
        *wheel_rows(),
        *wall_sheet(),
        *first_script(),
        *start_up(),
        *asked_lines(),
        *house_rows(),
        *crowd_rows(),
        *types(),
    ]
    lines = [
        "# Benchmarks",
        "",
        "Made by `make bench`. Each is a ratio measured side by side in one run, the two sides",
        "taking turns; the code is in `bench/`.",
        "",
        f"Last run {date.today():%d %B %Y} on {platform.machine()}, Python {platform.python_version()}.",
        "",
        "| what | measured | wanted | met |",
        "| --- | --- | --- | --- |",
        *(f"| {' | '.join(row)} |" for row in rows),
        "",
    ]
    path = ROOT / "docs/benchmarks.md"
    # What `make crash` wrote stands beside it, and is made anew by that alone.
    _, mark, crashes = path.read_text(encoding="utf-8").partition("\n## Crashes\n")
    path.write_text("\n".join(lines) + mark + crashes, encoding="utf-8")
    print("\n".join(lines))


if __name__ == "__main__":
    main()
