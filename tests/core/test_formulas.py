"""The formula that is shown is the sum that was done: every step of every answer worked anew.

A reader of the formula as it is printed stands here, beside the laws and not by them: it knows the
signs of arithmetic and nothing of the trade. What a formula says in words (the standard's row, the
next drill) it leaves alone, and how many those are is counted.
"""

from __future__ import annotations

import contextlib
import math
import re
from collections.abc import Callable, Iterator
from dataclasses import fields, is_dataclass
from typing import Any

import pytest

from runk.ask import ask
from runk.core.catalogue import CATALOGUE
from runk.core.figures import Figure, Law, Step, laws
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.api.test_contract import ASKED
from tests.ask.test_lines import ROWS

SIGNS = {
    "×": "*",
    "÷": "/",
    "²": "**2",
    "³": "**3",
    "⁴": "**4",
    "⁹": "**9",
    "^": "**",
    "−": "-",
    "°": "*_deg",
}
WORKS: dict[str, Callable[..., float]] = {
    "sqrt": math.sqrt,
    "cbrt": math.cbrt,
    "sin": math.sin,
    "cos": math.cos,
    "tan": math.tan,
    "arcsin": lambda x: math.degrees(math.asin(x)),
    "arccos": lambda x: math.degrees(math.acos(x)),
    "arctan": lambda x: math.degrees(math.atan(x)),
    "exp": math.exp,
    "ln": math.log,
    "min": min,
    "max": max,
    "abs": abs,
}
TRIES = 40


def arithmetic(formula: str) -> str | None:
    """A formula as arithmetic; None where words are part of it."""
    text = re.sub(r"(?<=\d) (?=\d{3})", "", formula)
    text = (
        re.sub(r"√(\{\w+\}|\d+(?:\.\d+)?|\w+)", r"sqrt(\1)", text)
        .replace("√(", "sqrt(")
        .replace("∛(", "cbrt(")
    )
    for sign, plain in SIGNS.items():
        text = text.replace(sign, plain)
    text = re.sub(r"\|([^|]+)\|", r"abs(\1)", text.replace("π", "_pi"))
    text = re.sub(r"(?<=[\d}])(?=_pi|[a-z])", "*", text)
    # A bracket or a size right behind another is a product: 2(a + b).
    text = re.sub(r"(?<=[\d}])\s*(?=\()", "*", text)
    names = set(re.findall(r"[A-Za-z_]\w*", re.sub(r"\{\w+\}", "", text)))
    return (
        text
        if "∓" not in text and names <= set(WORKS) | {"_pi", "_deg"} and "," not in _outside(text)
        else None
    )


def _outside(text: str) -> str:
    """What of it stands in no bracket."""
    while re.search(r"\([^()]*\)", text):
        text = re.sub(r"\([^()]*\)", "", text)
    return text


def worked(law: Law, inputs: dict[str, float]) -> float | None:
    """What a formula comes to; None where it cannot be worked as it stands."""
    text = arithmetic(law.formula)
    if text is None:
        return None
    values = {f"v_{name}": value for name, value in inputs.items()}
    text = re.sub(r"\{(\w+)\}", r"v_\1", text)
    here = {"_pi": math.pi, "_deg": math.pi / 180, **WORKS, **values}
    return float(eval(text, {"__builtins__": {}}, here))


def steps_of(value: Any) -> Iterator[Step]:
    """Every step of every figure in an answer."""
    if isinstance(value, Figure):
        yield from value.steps
    elif is_dataclass(value):
        for one in fields(value):
            yield from steps_of(getattr(value, one.name))
    elif isinstance(value, tuple):
        for part in value[:TRIES]:
            yield from steps_of(part)


def _asked() -> Iterator[tuple[str, Any]]:
    for name, calculator in CATALOGUE.items():
        for typed in (calculator.opening, ASKED[name]):
            with contextlib.suppress(Refused):
                read = read_question(calculator, dict(typed), PageUnit.MM, WORKSHOP)
                yield name, calculator.ask(read.question, WORKSHOP)
    for row in ROWS:
        with contextlib.suppress(Refused):
            asked = ask(row["line"], WORKSHOP, PageUnit(row.get("unit", "mm")))
            yield row["line"], asked.answer


def test_what_is_shown_is_what_was_done() -> None:
    wrong, seen = [], set()
    for name, answer in _asked():
        for step in steps_of(answer):
            found = worked(step.law, dict(step.inputs))
            if found is None:
                continue
            seen.add(step.law.key)
            if found != pytest.approx(step.value, rel=2e-4, abs=1e-9):
                wrong.append(f"{name}: {step.law.key}: {step.words()} but comes to {found}")
    assert wrong == []
    assert len(seen) > 200, "laws whose formula was worked"


def test_hardly_a_formula_is_words() -> None:
    """Words where there could be a sum hide it from whoever checks it by hand."""
    plain = [law.key for law in laws().values() if arithmetic(law.formula) is None]
    assert len(plain) < len(laws()) / 5, plain


@pytest.mark.parametrize(
    ("formula", "inputs", "comes_to"),
    [
        ("2 × ({a_mm} + {b_mm})", {"a_mm": 1, "b_mm": 2}, 6),
        ("π × {d_mm}² ÷ 4", {"d_mm": 2}, math.pi),
        ("√({a_mm}² + {b_mm}²)", {"a_mm": 3, "b_mm": 4}, 5),
        ("{a_mm} × sin({at_deg}°)", {"a_mm": 2, "at_deg": 30}, 1),
        ("arctan({a_mm} ÷ {b_mm})", {"a_mm": 1, "b_mm": 1}, 45),
        ("{a_mm} × 1 000 000", {"a_mm": 2}, 2_000_000),
        ("{a_mm}^(1 - {b})", {"a_mm": 4, "b": 0.5}, 2),
    ],
)
def test_the_reader_of_formulas_reads(
    formula: str, inputs: dict[str, float], comes_to: float
) -> None:
    law = next(iter(laws().values()))
    other = type(law)(law.key, law.label, formula, law.source, law.unit)
    assert worked(other, inputs) == pytest.approx(comes_to)


def test_words_are_no_arithmetic() -> None:
    assert arithmetic("the standard's row for {a_mm}") is None
    assert arithmetic("{clean_mm} ÷ {pitch_mm}, whole turns") is None
