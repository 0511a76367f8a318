"""Lines of fits and shafts in which a word went missing: each number is what it was said to be."""

from __future__ import annotations

from typing import Any

import pytest

from runk.ask.ask import ask
from runk.ask.lexicon import lexicon_of
from runk.core.catalogue import CATALOGUE
from runk.core.kinds import Told
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import WORKSHOP


@pytest.mark.parametrize(
    ("line", "calculator", "typed"),
    [
        ("two cranks at 90 throw 10 pin 6", "throw", {"apart": 90.0, "throw": 10, "pin": 6}),
        ("warm 20 mm steel in aluminium at 100 C 0.01 tight", "warm", {"hole_hot": 100.0}),
        ("hot fit 6 mm ringless piston steel in steel at 100 C", "warm", {"duty": "ringless"}),
        ("hole 22 H7", "fit", {"size": 22}),
        ("shaft 22 g6", "fit", {"size": 22}),
        ("tolerance 22 H7", "fit", {"size": 22}),
        ("22h6", "fit", {"size": 22}),
        (
            "press brass bush 20 mm outside 12 bore into aluminium",
            "press",
            {"size": 20, "hollow": 12, "hub": None, "shaft_metal": "brass"},
        ),
        (
            "does the grip hold clamps 80 cut at 80 4 clamps",
            "grip",
            {"dia": 80, "clamps": 4, "at": 80},
        ),
        ("offset 5 mm in the three-jaw 25 mm bar", "throw", {"throw": 5, "bar": 25}),
        ("stroke 24 pin 8 main 10", "crank", {"stroke": 24, "pin": 8, "main": 10}),
        ("wheel on axle 8", "fit", {"duty": "flywheel", "size": 8}),
    ],
)
def test_every_number_is_what_it_was_said_to_be(
    line: str, calculator: str, typed: dict[str, Any]
) -> None:
    found = ask(line, WORKSHOP, PageUnit.MM)
    assert found.calculator.name == calculator
    question = found.read.question
    assert {name: getattr(question, name) for name in typed} == typed


def test_a_rod_in_is_no_rod_in_inches() -> None:
    for line in ("rod 5/32 in gland", "rod 4 mm in gland"):
        assert ask(line, WORKSHOP, PageUnit.INCH).read.question.duty == "rod"


@pytest.mark.parametrize("line", ["mill 12 mm brass 400 F", "turn 20 mm brass 40 C"])
def test_a_temperature_is_no_length(line: str) -> None:
    with pytest.raises(Refused, match="is a temperature"):
        ask(line, WORKSHOP, PageUnit.MM)


def test_a_joint_works_at_its_temperature() -> None:
    for line in ("press 8 mm 0.02 tight at 200 C", "press 8 mm 0.02 tight working at 392 F"):
        question = ask(line, WORKSHOP, PageUnit.MM).read.question
        assert (question.hot, question.hub) == (pytest.approx(200), None)


def test_a_call_that_holds_the_words_of_a_choice_says_that_choice() -> None:
    """*Hexagon on* is a call, and it says the hexagon: of every call of every calculator."""
    nowhere = Told(PageUnit.MM, Workshop((), {}))
    looked = 0
    for calculator in CATALOGUE.values():
        known = lexicon_of(calculator).phrases
        for name, kind in calculator.fields.items():
            if kind.rules:
                continue
            words = {tuple(said.lower().split()): key for said, key in kind.phrases(nowhere)}
            for call in calculator.calls:
                spoken = tuple(call.lower().split())
                if set(spoken) & set("#@%"):
                    continue
                held = [
                    words[spoken[a:b]]
                    for a in range(len(spoken))
                    for b in range(a + 1, len(spoken) + 1)
                    if spoken[a:b] in words
                ]
                if len(set(held)) == 1:
                    looked += 1
                    said = {(m.field, m.key) for m in known[spoken] if m.kind == "choice"}
                    assert (name, held[0]) in said, f"{calculator.name}: {call}"
    assert looked > 20
