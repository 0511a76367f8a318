"""Questions a step away from ones that are answered: how everything a calculator says is met.

Each calculator as it opens and once for each of its jobs; from there each field alone is made
larger and smaller, each choice taken, each metal put in.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator
from fractions import Fraction
from typing import Any

from runk.core.calculator import AnyCalculator
from runk.core.kinds import Count, Kind, OfDivider, OfMetal, OneOf
from runk.core.metals import shipped_metals

Asked = dict[str, Any]
_NUMBER = re.compile(r"\d+/\d+|\d*\.?\d+")


def varied(typed: str, factor: float) -> str:
    """What was typed with its first number so many times as large.

    >>> varied('5/8"', 2), varied("16 to 14.5", 0.5)
    ('1.25"', '8 to 14.5')
    """
    return _NUMBER.sub(lambda m: f"{float(Fraction(m[0])) * factor:.4g}", typed, count=1)


def others(field: Kind, typed: str, factors: Iterable[float]) -> Iterator[str]:
    """What else might stand in a field: its other choices, other metals, larger and smaller.

    Args:
        field: The field.
        typed: What stands there.
        factors: How many times as large a size is made.
    """
    if isinstance(field, OneOf):
        yield from (one.key for one in field.choices)
    elif isinstance(field, OfMetal) and not field.several:
        yield from shipped_metals()
    elif isinstance(field, (Count, OfDivider)):
        number = int(float(typed)) if typed.replace(".", "").isdigit() else 4
        yield from (str(n) for n in range(max(1, number - 4), number + 5))
    elif _NUMBER.search(typed):
        yield from (varied(typed, one) for one in factors)
    elif typed:
        yield typed


def bases(calculator: AnyCalculator, more: Iterable[Asked] = ()) -> list[Asked]:
    """Questions that others are a step away from: as it opens, and each of its jobs.

    Args:
        calculator: Whose questions.
        more: Others to begin with, after the opening.
    """
    found: list[Asked] = [dict(calculator.opening), *map(dict, more)]
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
    for asked in found:
        if asked and asked not in unlike:
            unlike.append(asked)
    return unlike


def _goes(calculator: AnyCalculator, field: str, choice: str) -> bool:
    only = calculator.fields[field].only
    return not only or choice in only


def a_step_away(
    calculator: AnyCalculator, base: Asked, factors: Iterable[float]
) -> Iterator[Asked]:
    """A question with one of its fields otherwise, each in turn."""
    kept = tuple(factors)
    for key, field in calculator.fields.items():
        typed = str(base.get(key) or field.placeholder or "")
        for other in others(field, typed, kept):
            if str(base.get(key)) != other:
                yield {**base, key: other}
