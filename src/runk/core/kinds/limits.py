"""Limits as they stand on a drawing: +0.02 -0, ±0.01, 23.98 24.00, H7."""

from __future__ import annotations

import re
from dataclasses import dataclass
from fractions import Fraction
from typing import Any, ClassVar

from runk.core.fits.iso import limits_um, read_class
from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.lengths import Reading, read_length
from runk.core.lengths.show import for_page
from runk.core.refusals import Refused
from runk.core.units import PageUnit

_SIZE = r"(?:\d{1,6}(?:[.,]\d{0,6})?|[.,]\d{1,6})"
_SIGNED = re.compile(rf"(\+/-|±|[+-])({_SIZE}|0) ?(mm|in|thou|\")?", re.IGNORECASE)
_PAIR = re.compile(
    rf"({_SIZE}) ?(mm|in|thou|\")? ?(?:to|and|/|,|;|-)? ?({_SIZE}) ?(mm|in|thou|\")?", re.IGNORECASE
)
_CLASS = re.compile(
    r"(?:cd|ef|fg|js|z[abc]|[a-hjkmnprs-vx-z])(?:[5-9]|1[01])", re.IGNORECASE | re.ASCII
)


@dataclass(frozen=True, slots=True)
class Bounds:
    """Two limits.

    Args:
        low: The smallest size in millimetres, or what is added to the size for it.
        high: The same for the largest.
        added: Whether they are added to the size wanted.
        grade: A tolerance class, where one was typed instead.
    """

    low: Fraction
    high: Fraction
    added: bool
    grade: str = ""

    def of(self, size: Fraction) -> tuple[Fraction, Fraction]:
        """Smallest and largest of a size in millimetres.

        Raises:
            Refused: A class the standard's tables do not have at that size.

        >>> b = Bounds(Fraction(-1, 100), Fraction(0), True)
        >>> [float(x) for x in b.of(Fraction(22))]
        [21.99, 22.0]
        >>> [float(x) for x in Bounds(Fraction(0), Fraction(0), False, "H7").of(Fraction(22))]
        [22.0, 22.021]
        """
        if self.grade:
            # As it stands on a drawing: capitals are a hole's, small letters a shaft's.
            low, high = limits_um(read_class(self.grade, self.grade[0].isupper()), float(size))
            return size + Fraction(str(low)) / 1000, size + Fraction(str(high)) / 1000
        if self.added:
            return size + self.low, size + self.high
        return self.low, self.high


@dataclass(frozen=True)
class Limits(Kind):
    """The smallest and the largest a size may be.

    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> kind = Limits("limits")
    >>> [float(x) for x in kind.read("+0.02 -0", here).value.of(Fraction(24))]
    [24.0, 24.02]
    >>> [float(x) for x in kind.read("23.98 24.00", here).value.of(Fraction(24))]
    [23.98, 24.0]
    >>> kind.read("h7", here).value.grade
    'h7'
    """

    name: ClassVar[str] = "limits"
    numbered: ClassVar[bool] = False
    in_page_unit: ClassVar[bool] = True
    # A unit or a fraction alone is no limit: it belongs to the size before it.
    begins: ClassVar[str] = rf"(?!\d+ ?/ ?\d+(?![\d.]))(?:[+±.,-]|\d|limit|{_CLASS.pattern})"

    def read(self, raw: Any, told: Told) -> Taken:
        typed = " ".join(as_typed(raw).replace("−", "-").replace("–", "-").split())
        if _CLASS.fullmatch(typed):
            return Taken(Bounds(Fraction(0), Fraction(0), False, typed))
        signed = list(_SIGNED.finditer(typed))
        if signed and not _SIGNED.sub("", typed).strip(" ,;/"):
            return Taken(self._added(typed, signed, told.page))
        pair = _PAIR.fullmatch(typed.removeprefix("limits").removeprefix("limit").strip())
        if pair is None:
            raise Refused(f"`{typed[:40]}` are no limits.", suggest="+0.02 -0, or 23.98 24.00")
        unit = pair[2] or pair[4] or ""
        low = read_length(f"{pair[1]} {pair[2] or unit}".strip(), told.page).mm
        high = read_length(f"{pair[3]} {pair[4] or unit}".strip(), told.page).mm
        if low > high:
            raise Refused(
                f"The smallest, {for_page(low, told.page)}, is over the largest.",
                suggest=f"{pair[3]} {pair[1]}",
            )
        return Taken(Bounds(low, high, False))

    def _added(self, typed: str, signed: list[re.Match[str]], page: PageUnit) -> Bounds:
        units = {m[3].lower() for m in signed if m[3]}
        unit = units.pop() if len(units) == 1 else ""
        found: list[Fraction] = []
        for sign, size, own in (m.groups() for m in signed):
            mm = read_length(f"{size} {own or unit}".strip(), page).mm
            found += [-mm, mm] if sign in ("±", "+/-") else [-mm if sign == "-" else mm]
        if len(found) == 1:
            found.append(Fraction(0))
        if len(found) != 2:
            raise Refused(f"`{typed[:40]}` are more than two limits.", suggest="+0.02 -0")
        return Bounds(min(found), max(found), True)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        if value.grade:
            return str(value.grade)
        if not value.added:
            return f"{for_page(value.low, told.page)} to {for_page(value.high, told.page)}"
        signs = ("-" if v < 0 else "+" for v in (value.low, value.high))
        low, high = (
            f"{sign}{for_page(abs(v), told.page)}"
            for sign, v in zip(signs, (value.low, value.high), strict=True)
        )
        return f"{high} {low}"


# The sign stands against its number and away from what is before it: a sum has spaces on both.
_IN_LINE = re.compile(
    rf"(?<=\s)(?:\+\s?/\s?-|±|[+-])(?:{_SIZE}|0)(?:\s?mm|\s?thou|\s?\"|in)?(?=\s|,|$)",
    re.IGNORECASE,
)
# "16.00 in brass": with a space, "in" is a unit only where nothing more is said.
_UNIT = r"(?:\s?mm|\s?thou|\s?\"|in|\sin(?=\s*(?:,|$)))?"
_PAIR_IN_LINE = re.compile(
    rf"\blimits?\s+(?:of\s+|from\s+)?({_SIZE}{_UNIT})\s*(?:to|and|-|/|,|;)?\s*({_SIZE}{_UNIT})(?=\s|,|$)",
    re.IGNORECASE,
)
_CLASS_IN_LINE = re.compile(
    r"(?<=\s)(?:cd|ef|fg|js|z[abc]|[a-hjknprs-vx-z])(?:[5-9]|1[01])(?=\s|,|$)", re.IGNORECASE
)


def take_limits(words: list[str]) -> tuple[list[str], str]:
    """A line without its limits, and the limits as they would be typed.

    Args:
        words: The words of the line.

    >>> take_limits("turn 16 to 14.5 +0 -0.02 brass".split())
    (['turn', '16', 'to', '14.5', 'brass'], '+0 -0.02')
    >>> take_limits("bore 20 to 22 limits 22 22.02".split())[1]
    '22 22.02'
    >>> take_limits("bore 20 to 22 H7 iron".split())[1]
    'H7'
    """
    line = " ".join(words)
    if pair := _PAIR_IN_LINE.search(line):
        rest = line[: pair.start()] + line[pair.end() :]
        return rest.split(), f"{pair[1]} {pair[2]}"
    signed = [" ".join(m[0].split()) for m in _IN_LINE.finditer(line)]
    if 0 < len(signed) <= 2:
        return _IN_LINE.sub("", line).split(), " ".join(signed)
    if grade := _CLASS_IN_LINE.search(line):
        return (line[: grade.start()] + line[grade.end() :]).split(), grade[0]
    return words, ""
