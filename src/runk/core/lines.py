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
from runk.core.kinds import Kind, OneOf

_PIECES = re.compile(r"(\{\w+(?:=[\w-]+)?\}|<[^>]*>|\[|\]|,? )")
_LEAD = re.compile(r"\[([^\[\]{]*)\{")
_CHOSEN = re.compile(r"\[[ ,]*\{(\w+)\}\]")
_FIRST = r"(?:(?:what|what's|whats|is|the|my|a|an|how much|work out) )*"
_INCHES = re.compile(r"\d/\d|\"|\d ?in(?:ch(?:es)?)?\b(?! (?:the|[\d.#]))", re.IGNORECASE)


def only_inches(line: str) -> bool:
    """Whether a line speaks of inches and nowhere of millimetres.

    >>> only_inches("end play 1 in - 0.996"), only_inches("1 in - 24 mm")
    (True, False)
    """
    return _INCHES.search(line) is not None and re.search(r"mm\b", line) is None


@lru_cache(maxsize=256)
def _shapes(calculator: AnyCalculator) -> tuple[tuple[str, Words], ...]:
    """Every shape of its lines as a pattern not compiled yet, and what it cannot do without."""
    calls = sorted((c for c in calculator.calls if not set(c) & set("#@%")), key=len, reverse=True)
    call = "|".join(re.escape(c) for c in calls)
    # Own sentences first: what is said back reads the same.
    every = dict.fromkeys((*calculator.sentences.values(), *calculator.lines))
    # As it is written first, commas and all; then as somebody types it, without. A part that
    # has commas of its own is as long as can be in one reading, as short in the other.
    return tuple(
        (_pattern(calculator, one, call, comma, short), _said(one))
        for comma in (", ", r",?(?: and)? ")
        for short in ("?", "")
        for one in every
    )


@lru_cache(maxsize=4096)
def _compiled(shape: str) -> re.Pattern[str]:
    """A shape ready to be tried: most are never asked for, and compiling all takes seconds."""
    return re.compile(shape, re.IGNORECASE)


Words = tuple[frozenset[str], tuple[frozenset[str], ...]]
"""Words that all must stand in a line; and lots, of each of which one must."""
_WORD = re.compile(r"\w+")


def _said(template: str) -> Words:
    """What a shape cannot do without: looked for first, as that costs least."""
    found: list[frozenset[str]] = []
    inside = 0
    for piece in _PIECES.split(template):
        inside += {"[": 1, "]": -1}.get(piece, 0)
        own = piece[1:-1] if piece.startswith("<") else piece
        words = own.lower().split("|")
        # Whatever is not one plain word is the pattern's to find.
        if not inside and all(_WORD.fullmatch(word) for word in words):
            found.append(frozenset(words))
    whole = frozenset(next(iter(one)) for one in found if len(one) == 1)
    return whole, tuple(one for one in found if len(one) > 1)


def _pattern(calculator: AnyCalculator, template: str, call: str, comma: str, short: str) -> str:
    out, leads = [], _leads(calculator)
    for piece in _PIECES.split(template):
        if piece == "{call}":
            out.append(f"{_FIRST}(?:{call})(?: (?:of|for|with)|:)?")
        elif "=" in piece and piece.startswith("{"):
            # {kind=rod}: said by the shape itself.
            name, said = piece[1:-1].split("=")
            # A group's name takes no hyphen, the key of a choice does.
            out.append(f"(?P<{name}__{said.replace('-', '___')}>)")
        elif piece.startswith("{"):
            name = piece[1:-1]
            out.append(f"(?P<{name}>{_part(calculator.fields[name], leads, short)})")
        elif piece.startswith("<"):
            out.append(f"(?:{piece[1:-1]})")
        elif piece in "[]":
            out.append({"[": "(?:", "]": ")?"}.get(piece, ""))
        else:
            out.append({", ": comma, " ": " "}.get(piece, re.escape(piece)))
    return "".join(out)


@lru_cache(maxsize=8)
def _any_caller(catalogue: Catalogue) -> re.Pattern[str]:
    """Words one of which stands in every line that is somebody's by its shape."""
    words = dict.fromkeys(word for c in catalogue.values() if c.lines for word in _words(c))
    return re.compile(rf"\b(?:{'|'.join(map(re.escape, words))})\b")


@lru_cache(maxsize=256)
def _callers(calculator: AnyCalculator) -> re.Pattern[str]:
    """Words one of which stands in every line of its own."""
    return re.compile(rf"\b(?:{'|'.join(map(re.escape, _words(calculator)))})\b")


def _words(calculator: AnyCalculator) -> list[str]:
    ruling = calculator.fields[calculator.ruling] if calculator.ruling else None
    words = list(calculator.calls)
    if isinstance(ruling, OneOf):
        words += [w.lower() for c in ruling.choices for w in (c.label, *c.words)]
    return words


def _leads(calculator: AnyCalculator) -> str:
    """Words that lead to a part that may be left out: no other part runs on over them."""
    every = (*calculator.sentences.values(), *calculator.lines)
    found = {lead.strip(" ,") for one in every for lead in _LEAD.findall(one)}
    # A part that may be left out and is one of several words is led by those words themselves.
    names = {name for one in every for name in _CHOSEN.findall(one)} & set(calculator.fields)
    chosen = {
        w
        for name in names
        if isinstance(kind := calculator.fields[name], OneOf)
        for c in kind.choices
        for w in (c.label, *c.words)
        if " " in w
    }
    words = "|".join(
        [rf"{re.escape(lead)} " for lead in sorted(found) if lead]
        + [rf"{re.escape(word)}\b" for word in sorted(chosen)]
    )
    return f"(?!,? (?:{words}))" if words else ""


def _part(kind: Kind, leads: str, short: str) -> str:
    """What may stand for a field: one of its choices, or so many of its steps."""
    if isinstance(kind, OneOf):
        words = {w.lower() for c in kind.choices for w in (c.label, c.key, *c.words)}
        return f"(?:{'|'.join(map(re.escape, sorted(words, key=len, reverse=True)))})"
    begins = f"(?={kind.begins})" if kind.begins else ""
    return f"{begins}(?:{leads}{kind.step}){{1,{kind.reach}}}{short}"


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
    lower = f" {plain.lower()} "
    if not _any_caller(catalogue).search(lower):
        return
    there = frozenset(_WORD.findall(lower))
    for calculator in catalogue.values():
        if not calculator.lines or not _callers(calculator).search(lower):
            continue
        ways: list[dict[str, str]] = []
        for shape, words in _shapes(calculator):
            whole, lots = words
            if not whole <= there or any(map(there.isdisjoint, lots)):
                continue
            if found := _compiled(shape).fullmatch(plain):
                given = {n: text.strip(" ,") for n, text in found.groupdict().items() if text}
                for name in found.groupdict():
                    if "__" in name:
                        field, said = name.split("__", 1)
                        given[field] = said.replace("___", "-")
                ways += [given] if given not in ways else []
        # What names more of its fields says more plainly what is meant.
        for given in sorted(ways, key=len, reverse=True):
            yield calculator, given
