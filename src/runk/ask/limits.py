"""Limits as they stand on a drawing: 22 +0.02 -0, 14.5 ±0.01, limits 15.98 16.00."""

from __future__ import annotations

import re
from dataclasses import dataclass
from fractions import Fraction

from runk.core.refusals import Refused

_SIZE = r"(?:\d+(?:[.,]\d+)?|[.,]\d+)"
# "16.00 in brass": with a space, "in" is a unit only where nothing more is said.
_UNIT = r"(\s?mm|\s?thou|\s?\"|in|\sin(?=\s*(?:,|$)))?"
# The sign stands against its number and away from what is before it: a sum has spaces on both.
_SIGNED = re.compile(rf"(?<=\s)(\+\s?/\s?-|±|[+-])({_SIZE}){_UNIT}(?=\s|,|$)", re.IGNORECASE)
_PAIR = re.compile(
    rf"\blimits?\s+(?:of\s+|from\s+)?({_SIZE}){_UNIT}\s*(?:to|and|-|/|,|;)?\s*({_SIZE}){_UNIT}(?=\s|,|$)",
    re.IGNORECASE,
)
_CLASS = re.compile(r"(?:cd|ef|fg|js|z[abc]|[a-hjkmnprs-vx-z])(?:[5-9]|1[01])", re.IGNORECASE)
_INCHES = re.compile(r"/|\"|in|thou", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class Limits:
    """Two sizes, or what may be added to and taken from one.

    Args:
        low: The smallest, or what is added for the smallest.
        high: The same for the largest.
        added: Whether they are added to the size wanted.
        unit: As typed beside them; ``""`` where nothing was.
    """

    low: str
    high: str
    added: bool
    unit: str

    def give(self, typed: dict[str, str]) -> None:
        """Write them into a question that has ``wanted``, ``smallest`` and ``largest``."""
        wanted = typed.get("wanted", "")
        unit = f" {self.unit}" if self.unit else ""
        if not unit and _INCHES.search(wanted):
            # A bare limit beside an inch size is in inches too.
            unit = " in"
        if not self.added:
            typed.update(smallest=self.low + unit, largest=self.high + unit)
            return
        if not wanted:
            return
        for name, value in (("smallest", self.low), ("largest", self.high)):
            amount = value.lstrip("+-")
            sign = "-" if value.startswith("-") else "+"
            typed[name] = f"{wanted} {sign} {amount}{unit}" if _worth(amount) else wanted


def _unit(typed: str | None) -> str:
    unit = (typed or "").strip().lower()
    return "in" if unit == '"' else unit


def _worth(text: str) -> Fraction:
    return Fraction(text.replace(",", "."))


def _signed(text: str) -> Fraction:
    return _worth(text.lstrip("+-")) * (-1 if text.startswith("-") else 1)


def take_limits(line: str) -> tuple[str, Limits | None]:
    """A line without its limits, and the limits.

    >>> take_limits("turn 16 to 14.5 +0 -0.02 brass")
    ('turn 16 to 14.5   brass', Limits(low='-0.02', high='+0', added=True, unit=''))
    >>> take_limits("bore 20 to 22 limits 22 22.02")[1].low
    '22'
    """
    pair = _PAIR.search(line)
    if pair:
        low, unit, high, other = pair.groups()
        rest = line[: pair.start()] + line[pair.end() :]
        return rest, Limits(low, high, False, _unit(other or unit))
    found = list(_SIGNED.finditer(line))
    if not found:
        return line, None
    units = {_unit(m[3]) for m in found if m[3]}
    if len(units) > 1 or len(found) > 2:
        return line, None
    added: list[str] = []
    for match in found:
        both = len(match[1]) > 1 or match[1] == "±"
        added += [f"-{match[2]}", f"+{match[2]}"] if both else [match[1] + match[2]]
    if len(added) == 1:
        added.append("+0")
    low, high = sorted(added, key=_signed)[:: len(added) - 1]
    return _SIGNED.sub("", line), Limits(low, high, True, units.pop() if units else "")


def refuse_class(words: list[str]) -> None:
    """Refuse a tolerance class: passing ``H7`` over would lose its limits.

    Raises:
        Refused: Saying to type the limits themselves.
    """
    for word in words:
        if _CLASS.fullmatch(word):
            raise Refused(
                f"`{word}` is a tolerance class, and I do not work its limits out yet: type them, "
                "the smallest and the largest.", field="smallest", suggest="limits 22.00 22.02",
            )  # fmt: skip
