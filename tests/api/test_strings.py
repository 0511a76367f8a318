"""Every string somebody can meet: none is a template with a hole, none says what nobody would."""

from __future__ import annotations

import re
from collections import Counter
from typing import get_args, get_type_hints

import pytest

from runk.cli import main
from runk.core.calculator import Catalogue
from runk.core.catalogue import CATALOGUE
from runk.core.kinds.base import Kind
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.strings import Met, strings


@pytest.fixture(scope="module")
def met() -> list[Met]:
    return strings(WORKSHOP)


def test_every_calculator_is_met_in_every_sort(met: list[Met]) -> None:
    counts = Counter(one.sort for one in met)
    assert counts["caution"] > 200
    assert counts["refusal"] > 300
    for sort in ("title", "sentence"):
        whose = {one.whose for one in met if one.sort == sort}
        # A machine's plate opens with nothing, and a wall sheet is no sentence: their titles are met.
        assert whose >= set(CATALOGUE) - {"machine", "sheet"}, sort


def test_no_string_shows_how_it_was_made(met: list[Met]) -> None:
    for one in met:
        assert not re.search(r"[{}\\]|<bound|\bNone[.,;]|nan\b|\binf\b", one.text), one
        assert "  " not in one.text, one
        # No figure by a power of ten, but where somebody typed one and it is said back.
        assert "#e+" not in one.text or one.sort in ("refusal", "question"), one
        assert not re.search(r" [,.;:]", one.text), one
        assert one.text == one.text.strip(), one


def test_what_is_refused_is_said_as_one_would_say_it(met: list[Met]) -> None:
    """No clause made into a noun, no figure with an exponent, no choice put where a noun goes."""
    for one in met:
        if one.sort not in ("refusal", "question"):
            continue
        assert not re.search(
            r"\bno made first\b|is no \w+ I know|There is no \w+ed to\b", one.text
        ), one
        assert not re.search(r"^What \w+ \w+.* is it\?$", one.text), one
        assert "#e+" not in one.text or "not a number" in one.text, one
        assert one.text[0].isupper() or one.text[0] in "`#-", one


BEGINS = frozenset(
    [
        "over",
        "on",
        "in",
        "at",
        "to",
        "from",
        "by",
        "with",
        "for",
        "under",
        "out",
        "of",
        "off",
        "up",
        "down",
        "across",
        "into",
        "onto",
        "about",
        "between",
        "after",
        "before",
        "and",
        "or",
        "as",
        "than",
        "stands",
        "goes",
        "moves",
        "reads",
        "works",
        "holds",
        "made",
        "measures",
        "is",
        "has",
        "does",
        "do",
        "was",
        "were",
        "make",
        "turn",
        "cut",
    ]
)


def test_no_question_is_made_from_a_label_that_begins_with_a_verb_or_a_preposition() -> None:
    """*Over: how much?* is what such a label makes of the template: it has a question of its own."""
    for calculator in CATALOGUE.values():
        hints = get_type_hints(calculator.question, include_extras=True)
        for field, hint in hints.items():
            for kind in get_args(hint):
                if isinstance(kind, Kind) and kind.label.split()[0] in BEGINS:
                    assert kind.asks, (calculator.name, field, kind.missing())


def test_sentences_end_and_begin_as_sentences_do(met: list[Met]) -> None:
    for one in met:
        if one.sort == "caution":
            # A figure at the end takes the stop with it: "about 8." is "about #".
            assert one.text[-1] in ".#", one
        if one.sort in ("label", "placeholder", "instead"):
            assert not one.text.endswith("."), one


def test_they_are_printed_by_sort(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["strings", "nonsense"]) == 1
    assert "caution" in capsys.readouterr().err
    assert strings(WORKSHOP, PageUnit.INCH, Catalogue([CATALOGUE["length"]]))
    assert main(["strings", "title"]) == 0
    assert "Pressed together" in capsys.readouterr().out
