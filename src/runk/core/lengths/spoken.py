"""Sizes as they are said aloud, written out: half a thou, quarter by 40, 2 and 3/16."""

from __future__ import annotations

import re

_PARTS = {
    "half": 2,
    "halves": 2,
    "quarter": 4,
    "quarters": 4,
    "eighth": 8,
    "eighths": 8,
    "sixteenth": 16,
    "sixteenths": 16,
    "thirty-second": 32,
    "thirty-seconds": 32,
    "thirtysecond": 32,
    "thirtyseconds": 32,
    "sixty-fourth": 64,
    "sixty-fourths": 64,
    "sixtyfourth": 64,
    "sixtyfourths": 64,
    "8th": 8,
    "8ths": 8,
    "16th": 16,
    "16ths": 16,
    "32nd": 32,
    "32nds": 32,
    "64th": 64,
    "64ths": 64,
}
HOW_MANY = {
    "a": 1,
    "an": 1,
    "one": 1,
    "two": 2,
    "three": 3,
    "four": 4,
    "five": 5,
    "six": 6,
    "seven": 7,
    "eight": 8,
    "nine": 9,
    "ten": 10,
    "eleven": 11,
    "twelve": 12,
    "thirteen": 13,
    "fifteen": 15,
}
"""Counts as they are said."""
_PART = "|".join(sorted(map(re.escape, _PARTS), key=len, reverse=True))
_MANY = "|".join(sorted(HOW_MANY, key=len, reverse=True))
_UNIT = r"(?:mm|thou|inch(?:es)?|in|tenths?)"


def _pattern(text: str) -> re.Pattern[str]:
    return re.compile(text, re.IGNORECASE)


_SPOKEN = _pattern(
    rf"\b(?:(?P<whole>\d{{1,3}}|{_MANY}) and )?(?P<top>{_MANY}|\d{{1,3}})[ -](?P<part>{_PART})\b"
)
_AND_PART = _pattern(rf"\b(?P<whole>\d{{1,3}}|{_MANY}) and (?:a )?(?P<part>half|quarter)\b")
_ALONE = _pattern(r"(?<![\w/])(?P<part>half|quarter)\b(?! (?:the|each|from|off|moon|nut|round))")
_OF_WHAT = _pattern(rf"(?<=\d) (?:of )?an? (?={_UNIT}\b)")
_NDS = _pattern(r"\b(\d{1,3}/(?:8|16|32|64))(?:ths?|nds?)\b")
_WHOLE_AND = _pattern(r"\b(\d{1,3}) and (\d{1,3}/\d{1,3})\b")
_MINUS = _pattern(r"(?<=[\d\"') ])\s*\b(minus|less|plus)\b\s*(?=[\d.(])")
_SIZE = r"(?:\d{1,4} \d{1,3}/\d{1,3}|\d{1,4}/\d{1,3}|\d{0,5}[.,]?\d{1,5})(?: ?(?:mm|thou|in|\"))?"
_MIDWAY = _pattern(rf"\b(?:half ?way|midway) between ({_SIZE}) and ({_SIZE})(?![\w./])")
_HALF_OF = _pattern(rf"\bhalf of ({_SIZE})(?![\w./])")
_TWICE = _pattern(rf"\b(?:twice|double) ({_SIZE})(?![\w./])")
_BY = _pattern(r"(?<=\d) by (?=\d{2}\b)")
_ANY = _pattern(
    r"half|quarter|eighth|sixteenth|second|fourth|\d(?:th|nd)|midway|twice|double|minus|less|plus"
    r"|\b(?:by|and|an?)\b"
)
"""One of these stands in whatever any of them finds: most texts have none, and are left at once."""


def _number(word: str) -> int:
    return int(word) if word.isdigit() else HOW_MANY[word.lower()]


def _written(found: re.Match[str]) -> str:
    top, part = _number(found["top"]), _PARTS[found["part"].lower()]
    whole = found["whole"]
    if top >= part:
        return found[0]
    return f"{_number(whole)} {top}/{part}" if whole else f"{top}/{part}"


def written_out(text: str) -> str:
    """A line with its spoken numbers as figures; everything else is left as it is.

    Args:
        text: With single spaces.

    >>> written_out("turn half inch brass"), written_out("half a thou")
    ('turn 1/2 inch brass', '1/2 thou')
    >>> written_out("quarter by 40 tap"), written_out("five thirty-seconds")
    ('1/4x40 tap', '5/32')
    >>> written_out("3/8 minus 5/64"), written_out("2 and 3/16")
    ('3/8 - 5/64', '2 3/16')
    >>> written_out("halfway between 28 and 47"), written_out("twice 11/32")
    ('(28 + 47)*0.5', '2*11/32')
    """
    return written(text) if _ANY.search(text) else text


def written(text: str) -> str:
    """The same, whatever stands in it."""
    text = _MIDWAY.sub(r"(\1 + \2)*0.5", text)
    text = _HALF_OF.sub(r"(\1)*0.5", text)
    text = _AND_PART.sub(lambda m: f"{_number(m['whole'])} 1/{_PARTS[m['part'].lower()]}", text)
    text = _SPOKEN.sub(_written, text)
    text = _NDS.sub(r"\1", text)
    text = _WHOLE_AND.sub(r"\1 \2", text)
    text = _ALONE.sub(lambda m: f"1/{_PARTS[m['part'].lower()]}", text)
    text = _OF_WHAT.sub(" ", text)
    text = _TWICE.sub(r"2*\1", text)
    text = _MINUS.sub(lambda m: f" {'+' if m[1].lower() == 'plus' else '-'} ", text)
    return _BY.sub("x", text)
