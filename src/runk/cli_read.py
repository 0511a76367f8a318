"""``runk read``: a sentence of a part, as it is understood."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Callable, Iterable
from fractions import Fraction
from typing import Any

from runk.core.metals.metal import shipped_metals
from runk.core.refusals import Refused
from runk.core.route.drawn.whole import whole_part
from runk.core.route.feature import BLANK, FEATURE, BlankQuestion
from runk.core.route.feature_question import FeatureQuestion
from runk.core.route.reading import blank_heard, features_said
from runk.core.route.verbs import limits_mm
from runk.core.threads.series import Thread
from runk.core.units import PageUnit
from runk.formats.part_json import said


def add_read(commands: Any) -> None:
    """Add ``runk read feature|blank|part`` to the shell's commands.

    Args:
        commands: The parser's commands.
    """
    read = commands.add_parser("read", help="a sentence of a part, as it is understood")
    kinds = read.add_subparsers(required=True, metavar="feature|blank|part")
    for what in _READ:
        one = kinds.add_parser(
            what, help=f"{what} of a part" if what != "part" else "a whole part in one sentence"
        )
        one.add_argument("line", nargs="*", help="such as: 6 mm hole right through")
        one.add_argument("--json", action="store_true", help="print JSON, one document a line")
        one.add_argument(
            "--unit",
            choices=[u.value for u in PageUnit],
            default="mm",
            help="what a bare number means",
        )
        one.set_defaults(run=_run, what=what)


def _run(arguments: argparse.Namespace) -> int:
    page, read = PageUnit(arguments.unit), _READ[arguments.what]
    if not arguments.line and sys.stdin.isatty():
        raise Refused("Type a sentence after it.", suggest="bore 16 H7, 25 deep from the right end")
    lines: Iterable[str] = [" ".join(arguments.line)] if arguments.line else sys.stdin
    failed = False
    for line in lines:
        if not line.strip():
            continue
        document = _document(read, line.strip(), page)
        failed = failed or "error" in document
        shown = json.dumps(document, ensure_ascii=False, allow_nan=False)
        print(shown if arguments.json else _in_words(document), flush=True)
    return int(failed and bool(arguments.line))


def _document(
    read: Callable[[str, PageUnit], dict[str, Any]], line: str, page: PageUnit
) -> dict[str, Any]:
    try:
        return read(line, page)
    except Refused as refused:
        return {
            "error": refused.said(page),
            "field": refused.field,
            "suggest": refused.suggested(page),
        }


def _in_words(document: dict[str, Any]) -> str:
    if "error" not in document:
        return str(document["read_as"])
    suggest = document["suggest"]
    return f"{document['error']} Try: {suggest}" if suggest else str(document["error"])


def read_feature(line: str, page: PageUnit) -> dict[str, Any]:
    """What a line of features is read as: lengths in millimetres.

    Args:
        line: As typed.
        page: What a bare number means.

    Raises:
        Refused: It cannot be read.

    >>> found = read_feature("6mm hole right through", PageUnit.MM)
    >>> found["features"], found["read_as"]
    ([{'kind': 'drilled', 'size': 6.0}], 'Drilled hole 6 mm')
    """
    found = features_said(line, page)
    return {
        "features": [_fields(one) for one in found],
        "read_as": " · ".join(said(FEATURE, one, page) for one in found),
    }


def read_blank(line: str, page: PageUnit) -> dict[str, Any]:
    """What a blank is read as, and the metal it names.

    Args:
        line: As typed.
        page: What a bare number means.

    Raises:
        Refused: It cannot be read.

    >>> found = read_blank("25 dia brass bar 80 long", PageUnit.MM)
    >>> found["features"], found["metal"]
    ([{'kind': 'bar', 'dia': 25.0, 'long': 80.0, 'section': 'round'}], 'brass')
    """
    found = blank_heard(line, page)
    fields = _fields(found.asked)
    if found.asked.kind == "bar":
        fields.setdefault("section", "round")
    return {
        "features": [fields],
        "metal": found.said,
        "read_as": " ".join((said(BLANK, found.asked, page), found.said)).strip(),
    }


def _fields(asked: FeatureQuestion | BlankQuestion) -> dict[str, Any]:
    found: dict[str, Any] = {}
    for name in asked.__slots__:
        value = getattr(asked, name)
        if isinstance(value, Fraction):
            found[name] = float(value)
        elif isinstance(value, Thread):
            found[name] = {"name": value.name, "major": value.major_mm, "pitch": value.pitch_mm}
        elif name == "limits" and value is not None and isinstance(asked, FeatureQuestion):
            found["limits"], found["grade"] = list(limits_mm(asked) or ()), value.grade
        elif value not in (None, ""):
            found[name] = value
    return found


def read_part(line: str, page: PageUnit) -> dict[str, Any]:
    """A whole part told in one sentence: what it is made from and each of its features.

    Args:
        line: As typed.
        page: What a bare number means.

    Raises:
        Refused: There is nothing in it, or too much.

    >>> found = read_part("peg, brass, 12 dia 40 long, bore 6 through", PageUnit.MM)
    >>> found["name"], found["blank"]["dia"], found["features"][0]["end"]
    ('peg', 12.0, 40.0)
    """
    whole = whole_part(line, page, shipped_metals())
    asks = [one.said(page) for one in (whole.stock, *whole.heard) if isinstance(one, Refused)]
    stock = whole.stock
    heard = [one for lines in whole.heard if not isinstance(lines, Refused) for one in lines]
    says = [] if isinstance(stock, Refused) else [said(BLANK, stock.asked, page), stock.said]
    says += [said(FEATURE, one, page) for one in heard]
    return {
        "name": whole.name,
        "alike": whole.alike,
        "metal": "" if isinstance(stock, Refused) else stock.said,
        "blank": {} if isinstance(stock, Refused) else _fields(stock.asked),
        "features": [_fields(one) for one in heard],
        "asks": asks,
        "read_as": " · ".join(one for one in (whole.name, *says, *asks) if one),
    }


_READ: dict[str, Callable[[str, PageUnit], dict[str, Any]]] = {
    "feature": read_feature,
    "blank": read_blank,
    "part": read_part,
}
