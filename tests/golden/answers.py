"""Questions of every calculator, each a step away from one that is answered, and what comes of them.

What is kept of an answer is a mark of everything in it: figures, sentences, cautions, links, drawing.
A mark says nothing of what is right (that is `tests/reference`); it says that something changed.
"""

from __future__ import annotations

import json
import re
from base64 import b32encode
from collections.abc import Iterator
from fractions import Fraction
from hashlib import blake2b
from typing import Any

from pydantic_core import to_jsonable_python

from runk.api.calculators import answer_typed
from runk.core.catalogue import CATALOGUE
from runk.core.kinds import OneOf
from runk.core.metals import shipped_metals
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.api.test_contract import ASKED

Asked = dict[str, Any]
_NUMBER = re.compile(r"\d+/\d+|\d*\.?\d+")
FINE = tuple(1.14**k for k in range(-11, 12))
"""So near to one another that a threshold moved by fifteen in a hundred is crossed otherwise."""
COARSE = ((0.25, 0.4, 0.63, 0.8, 1.3, 1.6, 2.5, 4.0), (0.5, 1.7))


def varied(typed: str, factor: float) -> str:
    """What was typed with its first number so many times as large.

    >>> varied('5/8"', 2), varied("16 to 14.5", 0.5)
    ('1.25"', '8 to 14.5')
    """
    return _NUMBER.sub(lambda m: f"{float(Fraction(m[0])) * factor:.4g}", typed, count=1)


def others(field: Any, typed: str, factors: tuple[float, ...]) -> Iterator[str]:
    if isinstance(field, OneOf):
        yield from (one.key for one in field.choices)
    elif type(field).__name__ == "OfMetal":
        yield from shipped_metals()
    elif type(field).__name__ in ("Count", "OfDivider"):
        number = int(float(typed)) if typed.replace(".", "").isdigit() else 4
        yield from (str(n) for n in range(max(1, number - 4), number + 5))
    elif _NUMBER.search(typed):
        yield from (varied(typed, one) for one in factors)
    elif typed:
        yield typed


def bases(name: str) -> list[Asked]:
    """Questions of a calculator that others are a step away from: as it opens, and each of its jobs."""
    calculator = CATALOGUE[name]
    found: list[Asked] = [dict(calculator.opening), dict(ASKED.get(name, {}))]
    for rule, field in calculator.fields.items():
        if not (field.rules and isinstance(field, OneOf)):
            continue
        for one in field.choices:
            wanted = {
                k: f.placeholder
                for k, f in calculator.fields.items()
                if ("*" in f.needed or one.key in f.needed) and f.placeholder
            }
            given = {k: v for k, v in calculator.opening.items() if _goes(calculator, k, one.key)}
            found.append({**wanted, **given, rule: one.key})
    unlike: list[Asked] = []
    for one in found:
        if one and one not in unlike:
            unlike.append(one)
    return unlike


def _goes(calculator: Any, field: str, choice: str) -> bool:
    only = calculator.fields[field].only
    return not only or choice in only


def questions(name: str) -> Iterator[Asked]:
    """Every question of a calculator that is kept."""
    fields = CATALOGUE[name].fields
    for n, base in enumerate(bases(name)):
        yield base
        for key, field in fields.items():
            typed = str(base.get(key) or field.placeholder or "")
            # Beyond the first it is looked at in strides: most of it is the same.
            for other in others(field, typed, FINE if n == 0 else COARSE[n > 1]):
                if str(base.get(key)) != other:
                    yield {**base, key: other}


def marked(name: str, asked: Asked) -> tuple[str, str]:
    """A question's mark and its answer's."""
    try:
        said: Any = to_jsonable_python(answer_typed(CATALOGUE[name], asked, PageUnit.MM, WORKSHOP))
    except Refused as refused:
        said = [refused.says, refused.field, refused.suggest]
    return mark(asked), mark(said)


def mark(value: Any) -> str:
    """Eight letters for anything plain; a number counts to six figures."""
    text = json.dumps(_rounded(value), sort_keys=True, ensure_ascii=False, default=str)
    return b32encode(blake2b(text.encode(), digest_size=5).digest()).decode().lower()


def _rounded(value: Any) -> Any:
    if isinstance(value, float):
        return f"{value:.6g}" if abs(value) > 1e-9 else "0"
    if isinstance(value, dict):
        return {k: _rounded(v) for k, v in value.items()}
    if isinstance(value, set | frozenset):
        return sorted(map(_rounded, value))
    if isinstance(value, list | tuple):
        return [_rounded(v) for v in value]
    return value
