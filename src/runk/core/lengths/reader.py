"""Reading a length: a sum of sizes, exact, with the reading taken said back.

A bare number takes the page's unit, but beside inch terms it is inches; a factor stays a number.
A mixed number, and a proper fraction over 2, 4, 8, 16, 32 or 64, is inches wherever it stands; any
other ``/`` divides, unless it is the whole entry.
"""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache

from runk.core.lengths.show import for_page, in_inches, in_mm, trimmed
from runk.core.lengths.tokens import INCH, Token, normalise, tokens, unit_shown
from runk.core.refusals import Refused
from runk.core.units import PageUnit


@dataclass(frozen=True, slots=True)
class Reading:
    """A length as understood.

    Args:
        mm: Exact millimetres.
        echo: The reading taken, in words.
        plain: True where no other reading was possible.
        spoken: The size as it would be said in a sentence.
        pitch_mm: Of a thread typed by its name, where the name tells it.
    """

    mm: Fraction
    echo: str
    plain: bool
    spoken: str
    pitch_mm: Fraction | None = None


@dataclass(frozen=True, slots=True)
class _Term:
    """A part of a sum. ``kind``: length, bare, or fraction (not yet decided)."""

    kind: str
    value: Fraction
    text: str
    inch: bool = False

    @property
    def divided(self) -> str:
        """A bare fraction written as the division it is being read as."""
        return self.text.replace("/", " ÷ ") if self.kind == "fraction" else self.text

    def as_length(self, factor: Fraction, unit: str, inch: bool) -> _Term:
        return _Term("length", self.value * factor, f"{self.text} {unit}", inch)


class _Reader:
    """Recursive descent over the tokens of one entry."""

    def __init__(self, found: list[Token], typed: str, page: PageUnit) -> None:
        self.found, self.typed, self.page, self.at = found, typed, page, 0
        self.guessed = False

    def peek(self) -> Token | None:
        return self.found[self.at] if self.at < len(self.found) else None

    def take_sign(self, signs: str) -> str | None:
        token = self.peek()
        if token is not None and token.kind == "sign" and token.text in signs:
            self.at += 1
            return token.text
        return None

    def whole(self) -> _Term:
        result = self.sum()
        left = self.peek()
        if left is None:
            return result
        if left.text == ")":
            raise Refused(f"`{self.typed}` closes a bracket it never opened.")
        first, second = " ".join(t.text for t in self.found[: self.at]), left.text
        raise Refused(
            f"I read `{first}` and then `{second}` with nothing between them.",
            suggest=f"{first} + {second}, or 1 3/16 for a mixed number",
        )

    def sum(self) -> _Term:
        terms = [("+", self.product())]
        while sign := self.take_sign("+-"):
            terms.append((sign, self.product()))
        if len(terms) == 1:
            return terms[0][1]
        parts = [self.divided(term) for _, term in terms]
        if all(part.kind == "bare" for part in parts):
            total = sum(
                p.value if s == "+" else -p.value for (s, _), p in zip(terms, parts, strict=True)
            )
            return _Term("bare", Fraction(total), self.spoken(terms, parts))
        inches = any(part.inch for part in parts)
        if inches and any(part.kind == "bare" for part in parts):
            self.guessed = True
        lengths = [self.in_unit(part, inches) for part in parts]
        total = sum(
            p.value if s == "+" else -p.value for (s, _), p in zip(terms, lengths, strict=True)
        )
        return _Term(
            "length", Fraction(total), self.spoken(terms, lengths), any(p.inch for p in lengths)
        )

    def divided(self, term: _Term) -> _Term:
        """A fraction of no inch, in a sum: a division."""
        if term.kind != "fraction":
            return term
        self.guessed = True
        return _Term("bare", term.value, term.divided)

    def spoken(self, terms: list[tuple[str, _Term]], parts: list[_Term]) -> str:
        words = [parts[0].text]
        words += [
            f"{sign} {part.text}" for (sign, _), part in zip(terms[1:], parts[1:], strict=True)
        ]
        return " ".join(words)

    def in_page_unit(self, term: _Term) -> _Term:
        return self.in_unit(term, False)

    def in_unit(self, term: _Term, beside_inches: bool) -> _Term:
        if term.kind == "length":
            return term
        inch = beside_inches or self.page is PageUnit.INCH
        return term.as_length(INCH if inch else Fraction(1), "in" if inch else "mm", inch)

    def product(self) -> _Term:
        left = self.factor()
        while sign := self.take_sign("*/"):
            if self.peek() is None:
                raise self.unfinished()
            right = self.factor()
            if left.kind == "fraction" or right.kind == "fraction":
                self.guessed = True
            if right.kind == "length" and (sign == "/" or left.kind == "length"):
                what = "divides by" if sign == "/" else "multiplies two sizes; one must be"
                raise Refused(f"`{self.typed}` {what} a size.", suggest="12 mm / 2")
            if sign == "/" and right.value == 0:
                raise Refused(f"`{self.typed}` divides by 0.", suggest="12 / 2")
            value = left.value * right.value if sign == "*" else left.value / right.value
            kind = "length" if "length" in (left.kind, right.kind) else "bare"
            text = f"{left.divided} {'×' if sign == '*' else '÷'} {right.divided}"
            left = _Term(kind, value, text, left.inch or right.inch)
        return left

    def unfinished(self) -> Refused:
        cut = self.typed.rstrip("+-*/( ")
        return Refused(f"`{self.typed}` stops in the middle of a sum.", suggest=cut or "12 + 3")

    def factor(self) -> _Term:
        token = self.peek()
        if token is None:
            raise self.unfinished()
        self.at += 1
        if token.kind == "sign":
            if token.text != "(":
                raise Refused(f"`{self.typed}` has a `{token.text}` where a size should be.")
            inner = self.sum()
            if not self.take_sign(")"):
                raise Refused(f"`{self.typed}` opens a bracket and never closes it.")
            term = _Term(inner.kind, inner.value, f"({inner.text})", inner.inch)
        elif token.kind == "name" and token.named:
            return _Term(
                "length", token.value, f"{token.named.name} ({in_mm(token.value)})", token.inch
            )
        elif token.kind == "unit":
            raise Refused(f"`{self.typed}` has {token.text} with no number before it.")
        else:
            kind = "fraction" if token.kind == "fraction" else "bare"
            term = _Term(kind, token.value, token.text)
        unit = self.peek()
        if unit is not None and unit.kind == "unit":
            self.at += 1
            return _Term(
                "length", term.value * unit.value, f"{term.text} {unit_shown(unit.text)}", unit.inch
            )
        if token.kind == "mixed" or token.of_an_inch:
            self.guessed = self.guessed or token.of_an_inch
            return term.as_length(INCH, "in", True)
        return term


# A question is asked again at every key pressed, with all its other sizes unchanged.
@lru_cache(maxsize=4096)
def read_length(text: str, page: PageUnit = PageUnit.MM) -> Reading:
    """Read a size typed in the trade's own numbers.

    Args:
        text: Such as ``12,5``, ``1 3/16``, ``24 thou``, ``#43``, ``2BA``, ``1 1/4 + 7/64``.
        page: What a bare number means.

    Returns:
        The exact length, and the reading taken in words.

    Raises:
        Refused: What cannot be read, or comes to less than nothing.

    >>> read_length("1 3/16").mm
    Fraction(2413, 80)
    >>> float(read_length("47/2 - 4").mm)
    19.5
    >>> read_length("7/64 + 20 thou").echo
    '7/64 in + 20 thou = 3.286 mm'
    """
    typed = normalise(text)
    found = tokens(typed)
    reader = _Reader(found, typed, page)
    term = reader.whole()
    if term.kind == "fraction":
        term = term.as_length(INCH, "in", True)
        reader.guessed = page is PageUnit.MM
    bare = term.kind == "bare"
    length = reader.in_page_unit(term)
    spoken = term.text if bare else length.text
    if length.value < 0:
        raise Refused(f"`{typed}` comes to {in_mm(length.value)}; a size is more than 0.")
    one = len(found) <= 2 and found[0].kind != "name"
    if bare and one:
        return Reading(
            length.value, for_page(length.value, page), True, for_page(length.value, page)
        )
    result = in_mm(length.value) if page is PageUnit.MM else in_inches(length.value)
    named = found[0].named if len(found) == 1 else None
    if named is not None:
        shown = in_inches(named.mm) if named.inch else in_mm(named.mm)
        both = f"{shown} = {in_mm(named.mm)}" if named.inch else shown
        echo = f"{named.name} {named.what}: {both}"
    else:
        echo = f"{spoken} = {result}"
        if length.text == f"{trimmed(length.value, 6)} mm" and page is PageUnit.MM:
            echo = in_mm(length.value)
    said = named.name if named else spoken if one else result
    pitch = named.pitch_mm if named else None
    return Reading(length.value, echo, one and not reader.guessed, said, pitch)
