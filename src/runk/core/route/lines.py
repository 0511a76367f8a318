"""A feature or a blank from the line somebody typed: its own sentence, or a shape of it."""

from __future__ import annotations

import re
from functools import cache
from itertools import permutations
from typing import Any

from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.kinds.limits import take_limits
from runk.core.lines import whole_lines
from runk.core.questions import read_question, ruled_by
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_EMPTY = Workshop(())
_FRACTION = re.compile(r"\d+\s*/\s*\d+")
LONGEST = 300
MOST_PARTS = 4
"""So many parts behind the first are tried in every order."""


@cache
def _alone(calculator: AnyCalculator) -> Catalogue:
    return Catalogue((calculator,))


def _is_fraction(typed: dict[str, str]) -> bool:
    """Whether the end of a mixed number was taken for a pair of limits: ``at 2 1/4``."""
    return _FRACTION.fullmatch(typed.get("limits", "")) is not None


def question_of(line: str, calculator: AnyCalculator, page: PageUnit) -> Any:
    """The question a line asks.

    Args:
        line: As typed.
        calculator: Whose line it is.
        page: What a bare number means.

    Raises:
        Refused: It is no line of that kind, or one of its parts cannot be read.

    >>> from runk.core.route.feature import FEATURE
    >>> asked = question_of("bore 22 H7, from 0 to 40", FEATURE, PageUnit.MM)
    >>> asked.kind, float(asked.size), asked.limits.grade, float(asked.end)
    ('bore', 22.0, 'H7', 40.0)
    """
    if len(line) > LONGEST:
        raise Refused(f"A line of {len(line)} characters: {LONGEST} are the most.")
    try:
        return _asked(line, calculator, page)
    except Refused as refused:
        # Its parts may stand in another order than a drawing has them.
        first, *rest = line.split(", ")
        for order in permutations(rest) if 1 < len(rest) <= MOST_PARTS else ():
            try:
                return _asked(", ".join((first, *order)), calculator, page)
            except Refused:
                continue
        raise refused from None


def _asked(line: str, calculator: AnyCalculator, page: PageUnit) -> Any:
    failed: Refused | None = None
    words, limits = line.split(), ""
    if "limits" in calculator.fields:
        # As on a drawing: behind a mixed number they are no part of it.
        words, limits = take_limits(words)
    for _, typed in whole_lines(" ".join(words).replace(" ,", ","), _alone(calculator)):
        if limits:
            if "limits" in typed:
                # Told once already: this shape took the end of the size for them.
                continue
            typed = {**typed, "limits": limits}
        try:
            # A word for a field that is not asked here would be lost.
            chosen = ruled_by(calculator, typed, page, _EMPTY)
            if not set(typed) <= set(calculator.asked(chosen)) or _is_fraction(typed):
                continue
            return read_question(calculator, typed, page, _EMPTY).question
        except Refused as refused:
            # A size that is out of bounds says more than that it is no thread either.
            failed = refused if failed is None or failed.field == "screw" else failed
    if failed is not None:
        raise failed
    opening = calculator.opening["kind"]
    example = calculator.sentences[opening].split("[")[0].replace("{kind}", opening)
    for name, raw in calculator.opening.items():
        example = example.replace(f"{{{name}}}", raw)
    raise Refused(f"I cannot read `{line[:60]}` as {calculator.title.lower()}.", suggest=example)
