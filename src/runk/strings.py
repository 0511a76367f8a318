"""Every string somebody can meet, in one list: of questions, answers, cautions, refusals, rules.

What a calculator says is met by driving it (:mod:`runk.drive`); sentences that differ only in their
numbers are one. For reading from end to end, as one workman would say it to another.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable, Iterator
from dataclasses import fields, is_dataclass
from enum import Enum
from typing import Any, NamedTuple

from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.catalogue import CATALOGUE
from runk.core.figures import Caution, Figure, Link
from runk.core.questions import read_question, sentence
from runk.core.refusals import Refused
from runk.core.route.rules import RULES
from runk.core.said import worded
from runk.core.shown import Column
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.drive import Asked, a_step_away, bases

FACTORS = (0.02, 0.1, 0.5, 2.0, 10.0, 50.0)
_NUMBERS = re.compile(r"\d[\d./]*")


class Met(NamedTuple):
    """A string, what sort of thing it is, and whose."""

    sort: str
    text: str
    whose: str


def strings(
    workshop: Workshop, page: PageUnit = PageUnit.MM, catalogue: Catalogue = CATALOGUE
) -> list[Met]:
    """Every string there is to meet, each once, in the order of their sorts.

    Args:
        workshop: Whose machines and trays answer.
        page: The unit sentences are put in.
        catalogue: The calculators there are.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> from runk.core.calculator import Catalogue
    >>> found = strings(WORKSHOP, catalogue=Catalogue([CATALOGUE["length"]]))
    >>> any(one.sort == "label" and one.text == "another size beside it" for one in found)
    True
    """
    met: dict[tuple[str, str], Met] = {}
    for calculator in catalogue.values():
        for sort, text in (*_written(calculator), *_driven(calculator, workshop, page)):
            plain = _NUMBERS.sub("#", text).strip()
            met.setdefault((sort, plain), Met(sort, plain, calculator.name))
    for rule in RULES:
        for text in filter(None, (rule.name, rule.reason, rule.mend)):
            met.setdefault(("rule", text), Met("rule", text, rule.key))
    return sorted(met.values(), key=lambda one: (one.sort, one.whose))


def _written(calculator: AnyCalculator) -> Iterator[tuple[str, str]]:
    """What stands in a calculator's question and answer, whatever is asked."""
    yield "title", calculator.title
    for kind in calculator.fields.values():
        yield "label", kind.label
        yield "question", kind.missing()
        if kind.placeholder:
            yield "placeholder", kind.placeholder
        for one in getattr(kind, "choices", ()):
            yield "choice", one.label
    for columns in calculator.described().values():
        yield from (("shown", label) for label in _labels(columns))


def _labels(columns: Iterable[Column]) -> Iterator[str]:
    for one in columns:
        yield one.show.label
        yield from _labels(one.columns)


def _driven(
    calculator: AnyCalculator, workshop: Workshop, page: PageUnit
) -> Iterator[tuple[str, str]]:
    """What it says of questions all round the usual ones."""
    for base in bases(calculator):
        for asked in (base, *a_step_away(calculator, base, FACTORS)):
            yield from _said(calculator, asked, workshop, page)


def _said(
    calculator: AnyCalculator, asked: Asked, workshop: Workshop, page: PageUnit
) -> Iterator[tuple[str, str]]:
    try:
        read = read_question(calculator, asked, page, workshop)
        answer = calculator.ask(read.question, workshop)
    except Refused as refused:
        yield "refusal", refused.said(page)
        return
    yield "sentence", sentence(calculator, read, page, workshop)
    yield "headline", worded(calculator.heads(answer, page), page)
    yield from _inside(answer, lambda text: worded(text, page))


def _inside(value: Any, words: Callable[[str], str]) -> Iterator[tuple[str, str]]:
    """Sentences of an answer, cautions and links apart; a word alone is none."""
    if isinstance(value, Figure):
        for step in value.steps:
            yield "law", step.law.label
            yield from (("why", text) for text in (step.why, step.while_says) if text)
    elif isinstance(value, Caution):
        yield "caution", f"{value.word} {value.about}: {words(value.says)}"
        if value.instead:
            yield "instead", words(value.instead)
    elif isinstance(value, Link):
        yield "link", words(value.reason)
    elif isinstance(value, str) and not isinstance(value, Enum):
        if " " in value:
            yield "answer", words(value)
    elif is_dataclass(value) and not isinstance(value, type):
        for field in fields(value):
            yield from _inside(getattr(value, field.name), words)
    elif isinstance(value, (list, tuple)):
        for one in value:
            yield from _inside(one, words)
