"""``runk route``: routes proposed for the parts of a file, or checked."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING, Any

from runk.ask.of_parts import asks_of_parts
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

if TYPE_CHECKING:
    from runk.api.place import PlaceOut
    from runk.store.parts import KeptPart

LARGEST = 4_000_000
"""Bytes of a file of parts."""


def add_route(commands: Any, workshop: Callable[[], Workshop]) -> None:
    """The commands of routes."""
    route = commands.add_parser("route", help="propose or check the routes of a file's parts")
    ways = route.add_subparsers(required=True, metavar="WAY")
    for name, words in (
        ("propose", "the fewest set-ups that break no rule"),
        ("check", "each rule a route breaks"),
    ):
        one = ways.add_parser(name, help=words)
        one.add_argument("file", type=Path, help="parts as JSON")
        one.add_argument("--json", action="store_true", help="print one JSON document")
        one.add_argument(
            "--unit", choices=[u.value for u in PageUnit], default="mm", help="of bare numbers"
        )
        one.set_defaults(run=lambda arguments, n=name: _route(arguments, n, workshop()))


def add_files(commands: Any, workshop: Callable[[], Workshop]) -> None:
    """The commands that take an engine out of the store and bring one in."""
    out = commands.add_parser("export", help="an engine and its parts into a file")
    out.add_argument("engine", help="its name")
    out.add_argument("file", type=Path, help="JSON to write")
    out.set_defaults(run=lambda arguments: _export(arguments, workshop()))
    into = commands.add_parser("import", help="an engine and its parts from JSON, or a list in CSV")
    into.add_argument("file", type=Path)
    into.add_argument("--engine", default="", help="its name, where the file does not say")
    into.add_argument("--unit", choices=[u.value for u in PageUnit], default="mm")
    into.set_defaults(run=lambda arguments: _import(arguments, workshop()))


def _export(arguments: argparse.Namespace, workshop: Workshop) -> int:
    from runk.api.engine_file import engine_text
    from runk.store.database import Store

    rows = kept_parts(arguments.engine)
    if not rows:
        raise Refused("There is no engine kept yet.", field="engine")
    rows = [row for row in rows if row.engine_id == rows[0].engine_id]
    store = Store()
    with store.reading() as session:
        text = engine_text(session, rows[0].engine, rows, workshop)
    store.close()
    try:
        arguments.file.write_text(text, encoding="utf-8")
    except OSError as failed:
        raise Refused(f"{arguments.file} cannot be written: {failed}.", field="file") from None
    print(f"{len(rows)} parts of {rows[0].engine} in {arguments.file}")
    return 0


def _import(arguments: argparse.Namespace, workshop: Workshop) -> int:
    from runk.api.cutbook import CutBook
    from runk.api.engine_file import put_engine, read_rows
    from runk.store.database import Store

    try:
        raw = arguments.file.read_bytes()
    except OSError as failed:
        raise Refused(f"{arguments.file} cannot be read: {failed}.", field="file") from None
    kind = "text/csv" if arguments.file.suffix.lower() == ".csv" else "application/json"
    read = read_rows(raw, kind, arguments.engine, workshop, PageUnit(arguments.unit))
    store = Store()
    store.migrate()
    with store.writing() as session:
        made = put_engine(session, read, CutBook(store), workshop)
    store.close()
    print(f"{made.name}: {len(made.parts)} parts")
    return 0


def read_document(file: Path) -> Any:
    """A JSON document from a file.

    Raises:
        Refused: There is none, it is too large, or it is no JSON.
    """
    try:
        if file.stat().st_size > LARGEST:
            raise Refused(f"{file.name} is larger than {LARGEST // 1_000_000} MB.", field="file")
        text = file.read_text(encoding="utf-8")
    except (OSError, UnicodeDecodeError) as failed:
        raise Refused(f"{file} cannot be read: {failed}.", field="file") from None
    try:
        return json.loads(text)
    except (ValueError, RecursionError) as failed:
        raise Refused(f"{file.name} is no JSON: {failed}.", field="file") from None


def _route(arguments: argparse.Namespace, way: str, workshop: Workshop) -> int:
    from runk.formats.part_json import engine_of
    from runk.formats.route_report import check_lines, checks, proposal_lines, proposals, refusal

    page = PageUnit(arguments.unit)
    try:
        lost: list[tuple[str, Refused]] = []
        document = read_document(arguments.file)
        engine = engine_of(document, workshop.metals, page, failed=lost)
    except Refused as refused:
        if not arguments.json:
            raise
        print(json.dumps(refusal(refused, page), ensure_ascii=False))
        return 1
    said = (proposals if way == "propose" else checks)(engine, workshop, page)
    said["parts"] += [{"name": name, **refusal(refused, page)} for name, refused in lost]
    if arguments.json:
        print(json.dumps(said, ensure_ascii=False, allow_nan=False))
    else:
        lines = (proposal_lines if way == "propose" else check_lines)(said)
        sys.stdout.write("".join(f"{line}\n" for line in lines))
    failed = any("error" in one or one.get("broken") for one in said["parts"])
    return 1 if failed and way == "check" else 0


def kept_asked(line: str, workshop: Workshop, page: PageUnit) -> PlaceOut | None:
    """The answer to a line about the parts that are kept; None where it is about none.

    Raises:
        Refused: It asks of a part that is not there.
    """
    if not asks_of_parts(line):
        return None
    from runk.api.ask_parts import about_parts
    from runk.api.shelf import Shelf
    from runk.store.database import Store, database_url, file_of

    if not file_of(database_url()).exists():
        return None
    store = Store()
    store.migrate()
    try:
        with store.reading() as session:
            return about_parts(line, Shelf(session), workshop, page)
    finally:
        store.close()


def kept_parts(engine: str = "") -> list[KeptPart]:
    """Parts of the stored engines, or of the one of that name; none where nothing is stored.

    Raises:
        Refused: There is no engine of that name.
    """
    from runk.store.database import Store, database_url, file_of
    from runk.store.parts import parts_kept

    if not file_of(database_url()).exists():
        return []
    store = Store()
    store.migrate()
    with store.reading() as session:
        rows = parts_kept(session)
    store.close()
    if not engine:
        return rows
    found = [row for row in rows if row.engine.casefold() == engine.casefold()]
    if not found:
        known = ", ".join(dict.fromkeys(row.engine for row in rows))
        raise Refused(f"There is no engine called {engine[:60]}.", suggest=known or None)
    return found
