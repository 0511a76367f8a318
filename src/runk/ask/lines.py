"""Whole lines a calculator knows by their shape: its own sentence, and the shapes it registers.

A list of named lengths cannot be told from its loose numbers. Such a calculator says how its line
goes (``{call} {room} less {stack}``), and every part between is read by its field, whole: so no
word of it is lost.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from functools import lru_cache

from runk.core.calculator import AnyCalculator, Catalogue

_PIECES = re.compile(r"(\{\w+\}|<[^>]*>|\[|\]|,? )")
_LONGEST = 300
_FIRST = r"(?:(?:what|is|the|my|a|an|how much|work out) )*"


_INCHES = re.compile(r"\d/\d|\"|\d ?in(?:ch(?:es)?)?\b(?! (?:the|[\d.#]))", re.IGNORECASE)


def only_inches(line: str) -> bool:
    """Whether a line speaks of inches and nowhere of millimetres.

    >>> only_inches("end play 1 in - 0.996"), only_inches("1 in - 24 mm")
    (True, False)
    """
    return _INCHES.search(line) is not None and re.search(r"mm\b", line) is None


@lru_cache(maxsize=256)
def _shapes(calculator: AnyCalculator) -> tuple[re.Pattern[str], ...]:
    calls = sorted((c for c in calculator.calls if not set(c) & set("#@%")), key=len, reverse=True)
    call = "|".join(re.escape(c) for c in calls)
    # Own sentences first: what is said back reads the same.
    every = (*calculator.sentences.values(), *calculator.lines)
    # As it is written first, commas and all; then as somebody types it, without. A part that
    # has commas of its own is as long as can be in one reading, as short in the other.
    return tuple(
        re.compile(_pattern(calculator, one, call, comma, short), re.IGNORECASE)
        for comma in (", ", r",?(?: and)? ")
        for short in ("?", "")
        for one in every
    )


def _pattern(calculator: AnyCalculator, template: str, call: str, comma: str, short: str) -> str:
    out = []
    for piece in _PIECES.split(template):
        if piece == "{call}":
            out.append(f"{_FIRST}(?:{call})(?: (?:of|for|with)|:)?")
        elif piece.startswith("{"):
            name = piece[1:-1]
            step = calculator.fields[name].step
            out.append(f"(?P<{name}>{step}{{1,{_LONGEST}}}{short})")
        elif piece.startswith("<"):
            out.append(f"(?:{piece[1:-1]})")
        elif piece in "[]":
            out.append({"[": "(?:", "]": ")?"}.get(piece, ""))
        else:
            out.append({", ": comma, " ": " "}.get(piece, re.escape(piece)))
    return "".join(out)


def whole_lines(line: str, catalogue: Catalogue) -> Iterator[tuple[AnyCalculator, dict[str, str]]]:
    """Calculators that know this line by its shape, each with the fields as typed.

    Args:
        line: As typed.
        catalogue: Which there are.

    >>> from runk.core.catalogue import CATALOGUE
    >>> calculator, typed = next(whole_lines("end float 25 - 24.8", CATALOGUE))
    >>> calculator.name, typed
    ('endfloat', {'room': '25', 'stack': '24.8'})
    """
    plain = " ".join(line.replace("−", "-").replace("–", "-").split()).rstrip("?!. ")
    lower = plain.lower()
    for calculator in catalogue.values():
        if not calculator.lines or not any(c in lower for c in calculator.calls):
            continue
        ways: list[dict[str, str]] = []
        for shape in _shapes(calculator):
            if found := shape.fullmatch(plain):
                given = {n: text.strip() for n, text in found.groupdict().items() if text}
                ways += [given] if given not in ways else []
        # What names more of its fields says more plainly what is meant.
        for given in sorted(ways, key=len, reverse=True):
            yield calculator, given
