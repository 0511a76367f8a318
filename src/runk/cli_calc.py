"""``runk calc``: any calculator by its name, its question typed field by field."""

from __future__ import annotations

import argparse
import json
import shlex
from collections.abc import Callable
from difflib import get_close_matches
from typing import Any

from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.catalogue import CATALOGUE
from runk.core.kinds import Kind
from runk.core.plain import APART, figures_of, plain
from runk.core.plainly import told
from runk.core.questions import read_question, ruled_by, sentence
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

Here = Callable[[], Workshop]
_WIDE = 14


def add_calc(commands: Any, here: Here) -> None:
    """Add ``runk calc NAME field=value ...`` to the shell's commands.

    Args:
        commands: The parser's commands.
        here: Gives today's workshop.
    """
    one = commands.add_parser("calc", help="ask a calculator by its name, field by field")
    one.add_argument("name", nargs="?", default="", help="such as: press; none lists them all")
    one.add_argument("typed", nargs="*", metavar="field=value", help='such as: size="22 mm"')
    one.add_argument("--json", action="store_true", help="print JSON")
    one.add_argument(
        "--unit", choices=[u.value for u in PageUnit], default="mm", help="what a bare number means"
    )
    one.set_defaults(run=lambda arguments: _run(arguments, here))


def _run(arguments: argparse.Namespace, here: Here) -> int:
    page = PageUnit(arguments.unit)
    if not arguments.name:
        print("\n".join(f"{c.name:{_WIDE}} {c.title}" for c in CATALOGUE.values()))
        return 0
    try:
        calculator = calculator_called(arguments.name)
        if not arguments.typed:
            print("\n".join(fields_told(calculator)))
            return 0
        typed = typed_fields(calculator, arguments.typed)
        workshop = here()
        passed_over = not_asked(calculator, typed, page, workshop)
        read = read_question(calculator, typed, page, workshop)
        answer = calculator.ask(read.question, workshop)
    except Refused as refused:
        if not arguments.json:
            raise Refused(refused.said(page), suggest=refused.suggested(page)) from None
        print(json.dumps(refused_document(refused, page), ensure_ascii=False))
        return 1
    read_as = sentence(calculator, read, page, workshop)
    if arguments.json:
        document = answered(calculator, read.question, answer, read_as, page)
        document["unused"] = passed_over
        print(json.dumps(document, ensure_ascii=False, allow_nan=False))
        return 0
    print("\n".join(answer_told(calculator, answer, read_as, page)))
    if passed_over:
        print(f"  Not asked of this: {', '.join(passed_over)}.")
    return 0


def calculator_called(name: str, catalogue: Catalogue = CATALOGUE) -> AnyCalculator:
    """A calculator by its name, a former one too.

    Raises:
        Refused: There is none; the nearest is suggested.

    >>> calculator_called("press").title
    'Pressed together: push, stress and what it holds'
    """
    found = catalogue.get(name)
    if found is None:
        near = get_close_matches(name, catalogue, 1)
        raise Refused(
            f"There is no calculator called {name[:40]}; `runk calc` lists them.",
            field="calculator",
            suggest=f"runk calc {near[0]}" if near else None,
        )
    return found


def typed_fields(calculator: AnyCalculator, pairs: list[str]) -> dict[str, str]:
    """What was typed as ``field=value``, by field.

    Raises:
        Refused: It is no such pair, the calculator has no such field, or it is said twice.

    >>> typed_fields(CATALOGUE["press"], ["size=22 mm", "hub=40"])
    {'size': '22 mm', 'hub': '40'}
    """
    typed: dict[str, str] = {}
    for pair in pairs:
        name, equals, value = pair.partition("=")
        if not equals:
            said = [f"{k}={v}" for k, v in calculator.opening.items()]
            raise Refused(f"{pair[:40]} is no field and its value.", suggest=" ".join(said[:1]))
        if name not in calculator.fields:
            near = get_close_matches(name, calculator.fields, 1)
            raise Refused(
                f"{calculator.name} asks no {name[:40]}: it asks {', '.join(calculator.fields)}.",
                field=name[:40],
                suggest=f"{near[0]}={value[:40]}" if near else None,
            )
        if name in typed:
            raise Refused(f"{name} is said twice.", field=name)
        typed[name] = value
    return typed


def not_asked(
    calculator: AnyCalculator, typed: dict[str, str], page: PageUnit, workshop: Workshop
) -> list[str]:
    """What was typed that this question has no place for: another choice would ask it."""
    asked = calculator.asked(ruled_by(calculator, typed, page, workshop))
    return [f"{name}={value}" for name, value in typed.items() if name not in asked]


def fields_told(calculator: AnyCalculator) -> list[str]:
    """What a calculator asks, one field a line, and its opening as an example."""
    lines = [f"{calculator.title}: runk calc {calculator.name} field=value ...", ""]
    for name, kind in calculator.fields.items():
        lines.append(f"  {name:{_WIDE}} {kind.label}{_may_be(kind)}")
    example = shlex.join(f"{k}={v}" for k, v in calculator.opening.items())
    return [*lines, "", f"  runk calc {calculator.name} {example}"]


def _may_be(kind: Kind) -> str:
    keys = [choice.key for choice in getattr(kind, "choices", ())]
    if keys:
        return f": {', '.join(keys)}"
    return f", such as {kind.placeholder}" if kind.placeholder else ""


def answered(
    calculator: AnyCalculator, question: Any, answer: Any, read_as: str, page: PageUnit
) -> dict[str, Any]:
    """An answer as plain data: what ``--json`` prints of ``ask`` and of ``calc``.

    Args:
        calculator: Whose answer it is.
        question: As it was read.
        answer: What came of it.
        read_as: The question said back.
        page: The unit sentences are put in.

    Returns:
        The question, the answer's fields as plain numbers and words, every figure with its unit,
        cautions, and where to go next with what is known there.
    """
    whole = plain(answer, page)
    return {
        "calculator": calculator.name,
        "question": plain({name: getattr(question, name) for name in calculator.fields}, page),
        "answer": {k: v for k, v in whole.items() if k not in APART},
        "figures": figures_of(answer, page),
        "cautions": whole.get("cautions", []),
        "links": whole.get("links", []),
        "read_as": read_as,
    }


def answer_told(calculator: AnyCalculator, answer: Any, read_as: str, page: PageUnit) -> list[str]:
    """An answer in lines of text: the question said back, the figures, what to mind."""
    lines = [read_as, "", f"  {worded(calculator.heads(answer, page), page)}"]
    lines += told(answer, page)
    cautions = getattr(answer, "cautions", ())
    return [*lines, *(f"  {c.word} {c.about}: {worded(c.says, page)}" for c in cautions)]


def refused_document(refused: Refused, page: PageUnit) -> dict[str, Any]:
    """A refusal as plain data."""
    return {"error": refused.said(page), "field": refused.field, "suggest": refused.suggested(page)}
