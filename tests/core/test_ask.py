"""The Ask line: word order free, units mixed, and a plain sentence when it cannot tell."""

from __future__ import annotations

import itertools
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from runk.ask import ask
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import WORKSHOP

UNDERSTOOD: list[tuple[str, dict[str, Any]]] = [
    (
        "turn 22mm silver steel hss",
        {"operation": "turn", "diameter": 22, "metal": "silver-steel", "tool": "hss"},
    ),
    (
        "bore 5/8 cast iron carbide on the lathe",
        {
            "operation": "bore",
            "diameter": 15.875,
            "metal": "grey-iron",
            "tool": "carbide",
            "machine": "Lathe",
        },
    ),
    (
        "mill cast iron 12mm cutter",
        {"operation": "end-mill", "diameter": 12, "metal": "grey-iron", "machine": "Mill"},
    ),
    ("drill #30 brass", {"operation": "drill", "diameter": 3.2639, "metal": "brass"}),
    ("drill no 43 brass", {"diameter": 2.2606}),
    ("no 43 drill in brass please", {"diameter": 2.2606, "operation": "drill"}),
    ("drill letter F brass", {"diameter": 6.5278}),
    ("brass, 12 mm, turning", {"operation": "turn", "diameter": 12}),
    ("what speed for turning 22mm brass?", {"diameter": 22}),
    ("drill 5 in brass", {"diameter": 5, "metal": "brass"}),
    ("turn 0.5 in brass", {"diameter": 12.7}),
    ("turn 1/2 in brass", {"diameter": 12.7}),
    ("turn 1 1/2 + 5/32 mild steel", {"diameter": 42.06875}),
    ("drill 2BA brass", {"diameter": 4.7}),
    ("drill 6mm SS 20 deep", {"metal": "stainless-303", "length": 20}),
    ("turn 20mm ms 1mm deep", {"depth": 1}),
    ("turn 20mm ms 60 long", {"length": 60}),
    (
        "end mill 6mm cutter 4 flute stainless 2 deep 3 wide",
        {"teeth": 4, "depth": 2, "width": 3, "diameter": 6},
    ),
    ("bore 22 mm grey iron 8mm bar 45 out 60 long", {"bar": 8, "overhang": 45, "length": 60}),
    (
        "turn 12mm bar of EN8 in the four-jaw",
        {"metal": "medium-carbon-steel", "held": "four-jaw", "diameter": 12},
    ),
    ("turn 12 mm drill rod", {"metal": "silver-steel", "operation": "turn"}),
    (
        "finish turn 25mm 303 carbide stiff",
        {"stage": "finish", "metal": "stainless-303", "set_up": "stiff"},
    ),
    (
        "turn 22mm silver steel between centres 300 out",
        {"held": "between centres", "overhang": 300},
    ),
    ("bore 18 cast iron as cast", {"surface": "skin"}),
    ("drill 5mm brass on the mill", {"machine": "Mill", "held": "vice"}),
    ("face 50mm gunmetal on the faceplate", {"held": "faceplate", "operation": "face"}),
    ("turn 20 ms interrupted cobalt", {"meets": "interrupted", "tool": "cobalt"}),
    ("22mm bore cast iron", {"operation": "bore", "diameter": 22}),
    ("TURN 22MM SILVER STEEL HSS", {"metal": "silver-steel"}),
]


@pytest.mark.parametrize(("line", "expected"), UNDERSTOOD)
def test_understood(line: str, expected: dict[str, Any], workshop: Workshop) -> None:
    question = ask(line, workshop).read.question
    for name, value in expected.items():
        got = getattr(question, name)
        assert (
            (float(got) == pytest.approx(value))
            if isinstance(value, (int, float))
            else got == value
        )


@pytest.mark.parametrize(
    ("line", "mm"),
    [
        ("7/64 + 20 thou in mm", 3.286125),
        ("4-40", 2.8448),
        ("2BA", 4.7),
        ("letter F in mm", 6.5278),
        ("1 3/16", 30.1625),
        ("what is 24 thou in mm?", 0.6096),
        ("12.7 to inches", 12.7),
    ],
)
def test_a_line_that_is_a_size_is_said_in_every_unit(
    line: str, mm: float, workshop: Workshop
) -> None:
    asked = ask(line, workshop)
    assert asked.calculator.name == "length"
    assert asked.answer.mm.value == pytest.approx(mm)
    assert asked.answer.inch.value == pytest.approx(mm / 25.4)
    assert asked.answer.thou.value == pytest.approx(mm / 0.0254)


REFUSED: list[tuple[str, str | None, str]] = [
    ("", None, "no question"),
    ("x" * 1_000_000, None, "1000000 characters"),
    ("hello there", None, "understood none"),
    ("nonsense", None, "understood none"),
    ("22mm silver steel", "operation", "not what is to be done"),
    ("turn brass", "diameter", "What diameter"),
    ("turn 22mm", "metal", "What metal"),
    ("turn 22mm unobtanium", "metal", "unobtanium"),
    ("turn nan brass", "diameter", "nan"),
    ("turn -4mm brass", "diameter", "less than nothing"),
    ("turn 0 brass", "diameter", "more than 0"),
    ("turn 12 m m brass", "diameter", "stray"),
    ("turn 3m brass", "diameter", "does not swing"),
    ("drill #97 brass", "diameter", "no number drill 97"),
    ("turn 1 3/ brass", "diameter", "unfinished"),
    ("1 3/", "text", "unfinished"),
    ("12 m m", "text", "stray"),
    ("-4", "text", "less than nothing"),
    ("#97", "text", "no number drill 97"),
    ("drill and bore 12 mm brass", "operation", "one at a time"),
    ("turn 22 14 brass", None, "what 14 is for"),
    ("turn 22mm brass copper", "metal", "two metals"),
    ("turn 12 brass undersize", None, "type the size itself"),
    ("tap 1/4 brass", "thread", "several 1/4 threads"),
    ("turn 12 brass in the vice", "held", "does not go with"),
    ("turn 12 brass hss carbide", "tool", "only be one"),
]


@pytest.mark.parametrize(("line", "field", "says"), REFUSED)
def test_refused_in_words(line: str, field: str | None, says: str, workshop: Workshop) -> None:
    with pytest.raises(Refused) as caught:
        ask(line, workshop)
    assert says in caught.value.says
    assert caught.value.field == field
    assert len(caught.value.says) < 300


def test_a_misspelt_metal_is_offered_its_neighbour(workshop: Workshop) -> None:
    with pytest.raises(Refused) as caught:
        ask("turn 20mm alumnium", workshop)
    assert "aluminium" in str(caught.value.suggest)


WORDS = ["turn", "22mm", "silver steel", "hss", "in the four-jaw"]


@pytest.mark.parametrize("order", itertools.islice(itertools.permutations(WORDS), 0, 120, 7))
def test_word_order_is_free(order: tuple[str, ...], workshop: Workshop) -> None:
    assert ask(" ".join(order), workshop).read == ask(" ".join(WORDS), workshop).read


def test_a_number_is_a_metal_only_where_no_other_is_named(workshop: Workshop) -> None:
    assert ask("turn 22mm 303", workshop).read.question.metal == "stainless-303"
    assert float(ask("drill 30.3 brass", workshop).read.question.diameter) == 30.3
    with pytest.raises(Refused, match="does not swing"):
        ask("turn 303 brass", workshop)


def test_page_unit(workshop: Workshop) -> None:
    assert float(ask("turn 1 brass", workshop, PageUnit.INCH).read.question.diameter) == 25.4


def test_read_as_says_the_doubtful_reading_and_what_was_passed_over(workshop: Workshop) -> None:
    assert '#30 drill: 0.1285" = 3.264 mm' in ask("drill #30 brass", workshop).read_as
    assert "Passed over: quickly" in ask("turn 12 brass quickly", workshop).read_as
    assert "(" not in ask("turn 12 mm brass", workshop).read_as


@settings(max_examples=150, deadline=None)
@given(st.text(max_size=60))
def test_any_line_is_answered_or_refused(line: str) -> None:
    try:
        assert ask(line, WORKSHOP).read_as
    except Refused as refused:
        assert refused.says


@settings(max_examples=150, deadline=None)
@given(
    st.lists(
        st.sampled_from(
            [
                "turn",
                "drill",
                "22",
                "1/2",
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
                "2BA",
                "'",
                '"',
            ]
        ),
        max_size=8,
    )
)
def test_any_jumble_of_its_own_words_is_answered_or_refused(words: list[str]) -> None:
    try:
        assert ask(" ".join(words), WORKSHOP).read_as
    except Refused as refused:
        assert refused.says
