"""``runk route``: routes proposed for the parts of a file, or checked."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Callable
from pathlib import Path
from typing import Any

from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

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
        engine = engine_of(read_document(arguments.file), workshop.metals, page)
    except Refused as refused:
        if not arguments.json:
            raise
        print(json.dumps(refusal(refused, page), ensure_ascii=False))
        return 1
    document = (proposals if way == "propose" else checks)(engine, workshop, page)
    if arguments.json:
        print(json.dumps(document, ensure_ascii=False, allow_nan=False))
    else:
        lines = (proposal_lines if way == "propose" else check_lines)(document)
        sys.stdout.write("".join(f"{line}\n" for line in lines))
    failed = any("error" in one or one.get("broken") for one in document["parts"])
    return 1 if failed and way == "check" else 0
