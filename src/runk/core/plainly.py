"""A described answer as lines of text: what the shell prints."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from runk.core.figures import Figure
from runk.core.said import worded
from runk.core.shown import Column, described
from runk.core.units import PageUnit

_WIDE = 34


def told(answer: Any, page: PageUnit) -> list[str]:
    """Every described field of an answer that has something to say, in order.

    Args:
        answer: A dataclass described by :mod:`runk.core.shown`.
        page: The page's unit.

    >>> from fractions import Fraction
    >>> from runk.core.lengths.calculator import LengthQuestion, length
    >>> print(told(length(LengthQuestion(Fraction(254, 10))), PageUnit.MM)[1].strip())
    In inches                          1.0000 in
    """
    lines: list[str] = []
    for column in described(type(answer)):
        value = getattr(answer, column.name)
        if column.kind == "table":
            lines += _table(column, value, page)
        elif column.kind == "answer":
            if value is not None:
                lines += ["", f"  {column.show.label}:", *told(value, page)]
        elif words := in_words(value, page):
            lines.append(f"  {column.show.label:{_WIDE}} {words}")
    return lines


def in_words(value: Any, page: PageUnit) -> str:
    """One value as text; empty where there is nothing to say."""
    if value is None or value == "":
        return ""
    if isinstance(value, Figure):
        return value.words(page)
    if isinstance(value, str):
        return worded(value, page)
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, (tuple, list)):
        return ", ".join(in_words(one, page) for one in value)
    return f"{value:g}" if isinstance(value, float) else str(value)


def _table(column: Column, rows: Sequence[Any], page: PageUnit) -> list[str]:
    if not rows:
        return []
    shown = [c for c in column.columns if c.kind != "table"]
    cells = [[in_words(getattr(row, c.name), page) for c in shown] for row in rows]
    kept = [n for n in range(len(shown)) if any(row[n] for row in cells)]
    heads = [shown[n].show.label for n in kept]
    wide = [max(len(heads[i]), *(len(row[n]) for row in cells)) for i, n in enumerate(kept)]
    lines = ["", f"  {column.show.label}"]
    every = (heads, *([row[n] for n in kept] for row in cells))
    lines += ["    " + "  ".join(map(str.ljust, words, wide)).rstrip() for words in every]
    return lines
