"""Cutting what was typed into numbers, units, names and signs."""

from __future__ import annotations

import re
from dataclasses import dataclass
from fractions import Fraction

from runk.core.lengths.names import Named, read_name
from runk.core.lengths.spoken import written_out
from runk.core.refusals import Refused

LONGEST_ENTRY = 100

_VULGAR = {
    "½": "1/2",
    "¼": "1/4",
    "¾": "3/4",
    "⅛": "1/8",
    "⅜": "3/8",
    "⅝": "5/8",
    "⅞": "7/8",
    "⅓": "1/3",
    "⅔": "2/3",
    "⅕": "1/5",
    "⅖": "2/5",
    "⅗": "3/5",
    "⅘": "4/5",
    "⅙": "1/6",
    "⅚": "5/6",
}
_SWAPS = str.maketrans(
    {
        "”": '"',
        "“": '"',
        "″": '"',
        "’": "'",
        "′": "'",
        "−": "-",
        "–": "-",
        "‐": "-",
        "‑": "-",
        "×": "*",
        "÷": "/",
        "⁄": "/",
        "\u00a0": " ",
        "\u2009": " ",
        "\u202f": " ",
        "\t": " ",
        "\n": " ",
        "\r": " ",
        "µ": "u",
        "μ": "u",
    }
)

INCH = Fraction(254, 10)
UNITS: dict[str, tuple[Fraction, bool]] = {
    **dict.fromkeys(("mm", "millimetre", "millimetres", "millimeter"), (Fraction(1), False)),
    **dict.fromkeys(("cm", "centimetre", "centimetres"), (Fraction(10), False)),
    **dict.fromkeys(("m", "metre", "metres", "meter", "meters"), (Fraction(1000), False)),
    **dict.fromkeys(("um", "micron", "microns"), (Fraction(1, 1000), False)),
    **dict.fromkeys(("in", "in.", "ins", "inch", "inches", '"', "''"), (INCH, True)),
    **dict.fromkeys(("thou", "thous", "mil", "mils"), (INCH / 1000, True)),
    **dict.fromkeys(("tenth", "tenths"), (INCH / 10000, True)),
    **dict.fromkeys(("ft", "foot", "feet", "'"), (INCH * 12, True)),
}
_UNIT_SHOWN = {'"': "in", "''": "in", "'": "ft", "in.": "in", "um": "µm"}

_UNIT = re.compile(
    r"(?:" + "|".join(sorted(map(re.escape, UNITS), key=len, reverse=True)) + r")(?![a-z])",
    re.ASCII,
)
_MIXED = re.compile(r"([0-9]+)(?: +|-)([0-9]+)/([0-9]+)(?![0-9.,/])")
_FRACTION = re.compile(r"([0-9]+)/([0-9]+)(?![0-9.,/])")
_DECIMAL = re.compile(r"[0-9]+[.,][0-9]+|[0-9]+[.,]?|[.,][0-9]+")
_UNFINISHED = re.compile(r"[0-9]+(?:(?: +|-)[0-9]+)?/$")
_OF_AN_INCH = re.compile(r" +of +(?:a +thou|an +inch)(?![a-z])")


@dataclass(frozen=True, slots=True)
class Token:
    """One piece: a ``number``, ``fraction``, ``mixed``, ``unit``, ``name`` or ``sign``."""

    kind: str
    text: str
    value: Fraction = Fraction(0)
    inch: bool = False
    named: Named | None = None

    @property
    def of_an_inch(self) -> bool:
        """Whether it is a fraction nobody uses but of an inch: 3/8, 11/32."""
        top, _, bottom = self.text.partition("/")
        proper = self.kind == "fraction" and int(top) < int(bottom)
        return proper and int(bottom) in (2, 4, 8, 16, 32, 64)


def normalise(text: str) -> str:
    """Lower case, one kind of quote and minus, vulgar fractions written out.

    Raises:
        Refused: Nothing there, too long, or letters no size is written with.

    >>> normalise("1½”")
    '1 1/2"'
    """
    if len(text) > LONGEST_ENTRY:
        raise Refused(
            f"That is {len(text)} characters; a size is never more than {LONGEST_ENTRY}.",
            suggest="12.5",
        )
    for vulgar, plain in _VULGAR.items():
        if vulgar in text:
            text = text.replace(vulgar, f" {plain}")
    text = written_out(" ".join(text.translate(_SWAPS).lower().split()))
    text = re.sub(r"^(?:ø|⌀|dia(?:meter)?\.?(?![a-z])) *| *dia(?:meter)?\.?$", "", text)
    if not text:
        raise Refused("There is no size there yet.", suggest='12.5 or 1/2"')
    return text


def unit_shown(text: str) -> str:
    """How a typed unit is echoed.

    >>> unit_shown('"')
    'in'
    """
    return _UNIT_SHOWN.get(text, text)


def _fraction(top: str, bottom: str, typed: str) -> Fraction:
    if int(bottom) == 0:
        raise Refused(f"`{typed}` divides by 0.", suggest="1/2")
    return Fraction(int(top), int(bottom))


def _sign(text: str, at: int) -> Token:
    sign = text[at]
    if sign == "-":
        spaced = text[at - 1 : at] == " " and text[at + 1 : at + 2] == " "
        if at == 0:
            raise Refused(
                f"I read `{text}` as less than nothing; a size is more than 0.", suggest=text[1:]
            )
        if not spaced:
            left, right = text[:at].strip(), text[at + 1 :].strip()
            raise Refused(
                f"I cannot tell what the dash in `{text}` means: to take away, put a space "
                "on both sides of it.",
                suggest=f"{left} - {right}" if left and right else "12 - 3",
            )
    return Token("sign", "*" if sign == "x" else sign)


def tokens(text: str) -> list[Token]:
    """Cut normalised text into tokens.

    Args:
        text: From :func:`normalise`.

    Raises:
        Refused: At the first thing that belongs to no size, saying what it is.

    >>> [t.kind for t in tokens("1 1/4 + 7/64")]
    ['mixed', 'sign', 'fraction']
    """
    if cut := _UNFINISHED.search(text):
        whole = " " in cut[0] or "-" in cut[0]
        raise Refused(
            f"I read `{text}` as an unfinished fraction.", suggest=f"{text}{16 if whole else 2}"
        )
    found: list[Token] = []
    at = 0
    while at < len(text):
        if text[at] == " ":
            at += 1
            continue
        after_number = bool(found) and found[-1].kind in ("number", "fraction", "mixed")
        if after_number and (unit := _UNIT.match(text, at)):
            factor, inch = UNITS[unit[0]]
            at = unit.end()
            if tail := _OF_AN_INCH.match(text, at):
                at = tail.end()
            found.append(Token("unit", unit[0], factor, inch))
            continue
        if not after_number and (name := read_name(text, at)):
            named, end = name
            found.append(Token("name", text[at:end], named.mm, named.inch, named))
            at = end
            continue
        if text[at] in "+-*/()" or (text[at] == "x" and after_number):
            found.append(_sign(text, at))
            at += 1
            continue
        if mixed := _MIXED.match(text, at):
            value = int(mixed[1]) + _fraction(mixed[2], mixed[3], mixed[0])
            found.append(Token("mixed", f"{mixed[1]} {mixed[2]}/{mixed[3]}", value))
            at = mixed.end()
        elif part := _FRACTION.match(text, at):
            found.append(Token("fraction", part[0], _fraction(part[1], part[2], part[0])))
            at = part.end()
        elif number := _DECIMAL.match(text, at):
            plain = number[0].replace(",", ".")
            if number[0] in ".," or text[number.end() : number.end() + 1] in (".", ","):
                raise Refused(
                    f"`{text}` has more than one decimal point. Write thousands without a mark.",
                    suggest="1250.5",
                )
            found.append(Token("number", plain.rstrip("."), Fraction(plain.rstrip("."))))
            at = number.end()
        else:
            raise _stray(text, at, found)
    return found


def _stray(text: str, at: int, found: list[Token]) -> Refused:
    word = re.match(r"[^\s\d+*/()]+|.", text[at:])
    stray = word[0] if word else text[at]
    before = text[:at].strip(" ,")
    if found and found[-1].kind == "unit" and stray in UNITS and found[-1].text + stray in UNITS:
        joined = found[-1].text + stray
        whole = before[: -len(found[-1].text)].strip()
        return Refused(
            f"I read `{before}` and then a stray `{stray}`. Did you mean `{whole} {joined}`?",
            suggest=f"{whole} {joined}",
        )
    if before:
        # A fraction is one of an inch.
        sure = f'{before}"' if "/" in before else f'{before} mm or 1 3/16"'
        return Refused(f"I read `{before}` but not `{stray}` after it.", suggest=sure)
    return Refused(f"I cannot read `{stray}` as a size.", suggest='12.5, 1 3/16", 24 thou or #43')
