"""What holds for every line: word order, refusals that help, and that what is said can be typed."""

from __future__ import annotations

import itertools
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask import ask
from runk.core.catalogue import CATALOGUE
from runk.core.questions import Read, read_question, sentence
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import WORKSHOP
from tests.ask.test_lines import ROWS
from tests.cases import cases

WORDS = ["turn", "22mm", "silver steel", "hss", "in the four-jaw"]


def alike(one: Any, other: Any) -> bool:
    """Equal to what is shown: a size said back is rounded to the thousandth."""
    if isinstance(one, (Fraction, float)) and isinstance(other, (Fraction, float)):
        return abs(float(one) - float(other)) <= max(6e-4, 2e-3 * abs(float(one)))
    if isinstance(one, tuple) and isinstance(other, tuple):
        return len(one) == len(other) and all(map(alike, one, other))
    return bool(one == other)


def said_back(name: str, read: Read, page: PageUnit) -> None:
    """The sentence Runk says, typed in again, is the same question."""
    calculator = CATALOGUE[name]
    said = sentence(calculator, read, page, WORKSHOP)
    again = ask(said, WORKSHOP, page)
    assert again.calculator is calculator, said
    for field in calculator.fields:
        one, other = getattr(read.question, field), getattr(again.read.question, field)
        assert alike(one, other), f"{said}: {field} was {one} and comes back {other}"


@pytest.mark.parametrize("row", ROWS, ids=lambda row: row["line"] or "nothing")
def test_what_is_said_back_can_be_typed_in_again(row: dict[str, Any]) -> None:
    page = PageUnit(row.get("unit", "mm"))
    try:
        asked = ask(row["line"], WORKSHOP, page)
    except Refused:
        return
    said_back(asked.calculator.name, asked.read, page)
    for other in asked.others:
        assert ask(other.line, WORKSHOP, page).read_as != asked.read_as


@pytest.mark.parametrize("name", [c.name for c in CATALOGUE.values() if c.opening])
@pytest.mark.parametrize("page", PageUnit)
def test_every_opening_can_be_typed_in_and_its_links_answered(name: str, page: PageUnit) -> None:
    calculator = CATALOGUE[name]
    read = read_question(calculator, calculator.opening, page, WORKSHOP)
    said_back(name, read, page)
    answer = calculator.ask(read.question, WORKSHOP)
    assert calculator.headline(answer, page)
    for link in getattr(answer, "links", ()):
        there = CATALOGUE[link.calculator]
        try:
            linked = read_question(there, dict(link.question), page, WORKSHOP)
            assert there.ask(linked.question, WORKSHOP) is not None
        except Refused as refused:
            # Only for want of what the link could not know.
            assert refused.field not in dict(link.question)


@pytest.mark.parametrize("order", itertools.islice(itertools.permutations(WORDS), 0, 120, 7))
def test_word_order_is_free(order: tuple[str, ...], workshop: Workshop) -> None:
    assert ask(" ".join(order), workshop).read == ask(" ".join(WORDS), workshop).read


def test_a_misspelt_metal_is_put_right_and_said_or_asked_for(workshop: Workshop) -> None:
    asked = ask("turn 20mm alumnium", workshop)
    assert asked.read.question.metal == "aluminium-6082"
    assert "taking alumnium for aluminium" in asked.read_as
    with pytest.raises(Refused, match="What metal is it"):
        ask("turn 20mm alumnm", workshop)


def test_a_number_is_a_metal_only_where_no_other_is_named(workshop: Workshop) -> None:
    assert ask("turn 22mm 303", workshop).read.question.metal == "stainless-303"
    assert float(ask("drill 30.3 brass", workshop).read.question.diameter) == 30.3
    with pytest.raises(Refused, match="does not swing"):
        ask("turn 303 brass", workshop)


def test_what_was_passed_over_and_the_other_reading_are_said(workshop: Workshop) -> None:
    assert '#30 drill: 0.1285" = 3.264 mm' in ask("drill #30 brass", workshop).read_as
    asked = ask("turn 12 brass quickly", workshop)
    assert asked.unused == ["quickly"]
    assert "Passed over: quickly" in asked.read_as
    assert "(" not in ask("turn 12 mm brass", workshop).read_as
    either = ask("turn 1 in brass", workshop)
    assert [float(ask(o.line, workshop).read.question.diameter) for o in either.others] == [1.0]


@pytest.mark.parametrize(
    ("line", "says"),
    [
        ("studs 2BA in gunmetal cover 3/16", "0.633 in long"),
        ("from 1.125 to 1.000 limits 0.998 1.002 brass", "to 1.0000 in"),
        ("die 2BA stainless .75 long", "blank 0.18"),
        ("angled hole 1/8 30 degrees across .5", "in along"),
        ("clearance 2BA", "hole 0.19"),
    ],
)
def test_on_an_inch_page_the_headline_speaks_inches(
    line: str, says: str, workshop: Workshop
) -> None:
    asked = ask(line, workshop, PageUnit.INCH)
    assert says in asked.calculator.headline(asked.answer, PageUnit.INCH)


@pytest.mark.parametrize(
    ("line", "says"),
    [
        ("x " * 5000, "10000 characters"),
        ("12 14 16 18", "not what is to be done"),
        ("turn 12 brass drill 6 steel", "2 things to do"),
        ("tap M4 brass die M5 steel", "two metals"),
        ("((((((((((", "middle of a sum"),
        ("in in in in", "understood none"),
        ("± ± ±", "understood none"),
    ],
)
def test_lines_that_cannot_be_one_question(line: str, says: str, workshop: Workshop) -> None:
    with pytest.raises(Refused) as caught:
        ask(line, workshop)
    assert says in caught.value.says
    assert len(caught.value.says) < 300


@cases(150)
@given(st.text(max_size=60))
def test_any_line_is_answered_or_refused(line: str) -> None:
    try:
        assert ask(line, WORKSHOP).read_as
    except Refused as refused:
        assert refused.says


_OWN = [
    "turn",
    "drill",
    "tap",
    "die",
    "stud",
    "cover",
    "hole",
    "from",
    "to",
    "22",
    "1/2",
    "M4",
    "2BA",
    "brass",
    "303",
    "deep",
    "long",
    "#30",
    "-",
    "x",
    "on",
    "mill",
    "the",
    "carbide",
    "in",
    "mm",
    "5",
    "finish",
    "skin",
    "bar",
    "+",
    "'",
    '"',
    "H7",
    "+0.02",
    "limits",
    "°",
    "half",
    "quarter",
    "in",
    "thou",
    "thread",
    "pitch",
]


@cases(200)
@given(st.lists(st.sampled_from(_OWN), max_size=9))
def test_any_jumble_of_its_own_words_is_answered_or_refused(words: list[str]) -> None:
    try:
        assert ask(" ".join(words), WORKSHOP).read_as
    except Refused as refused:
        assert refused.says
