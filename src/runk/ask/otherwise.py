"""A line said otherwise: two steps that are one job, a question that names no verb."""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Iterator

from runk.ask.lexicon import Names, lexicon_of
from runk.core.calculator import Catalogue

_SPEED = re.compile(
    r"\b(?:what |which |the |spindle |surface |cutting )*"
    r"(?:revs?|rpm|speeds?|spindle speed|how fast|fast|feeds?|r p m)\b(?: both)?",
    re.IGNORECASE,
)
_DRILLED = r"(?:spot|centre drill|drill(?:ed|ing)?|pilot)"
_STEPS = r"[\s,]*(?:and|then|&|,|before|first)?[\s,]*"
# Each pair is one job that some calculator does whole: what stays, and what it makes needless.
_ONE_JOB = (
    (
        re.compile(
            rf"\b{_DRILLED}\b(?: it)?(?: through)?{_STEPS}(?=(?:tap(?:ped|ping)?)\b)", re.IGNORECASE
        ),
        "",
    ),
    (
        re.compile(
            rf"\b{_DRILLED}\b(?: thru| through)?{_STEPS}(?=counter(?:bore|sink)\b)", re.IGNORECASE
        ),
        "",
    ),
    (re.compile(r"\b(?:saw(?:n|ed)?|slot)\b(?: a)? (?=keyway)", re.IGNORECASE), ""),
    (re.compile(r"\bturn (?:down )?(?:to )?(?=taper)", re.IGNORECASE), ""),
)
_NUMBERS = re.compile(r"\d+")
_REAM = re.compile(r"\bream(?:ed|er|ing)?\b", re.IGNORECASE)
_DRILL = re.compile(rf"\b{_DRILLED}\b", re.IGNORECASE)
_BEFORE = re.compile(r"\b(?:before|first|for|under)\b", re.IGNORECASE)


def otherwise(line: str, catalogue: Catalogue, names: Names) -> Iterator[str]:
    """The same line in words the calculators have, the nearest first; none where nothing fits.

    >>> from runk.ask.lexicon import names_of
    >>> from runk.core.catalogue import CATALOGUE
    >>> from runk.demo.back_shed import WORKSHOP
    >>> list(otherwise("drill and tap M5 brass", CATALOGUE, names_of(WORKSHOP)))
    ['tap M5 brass']
    >>> next(otherwise("1 inch brass bar what revs", CATALOGUE, names_of(WORKSHOP)))
    'turn 1 inch brass bar'
    """
    one = line
    for pattern, plain in _ONE_JOB:
        one = pattern.sub(plain, one)
    if one != line:
        yield " ".join(one.split())
    if _REAM.search(line) and _DRILL.search(line):
        yield from _reamed(line)
    yield from revs(line, catalogue)


def keeps_numbers(line: str, other: str) -> bool:
    """Whether every number of a line stands in another wording of it: none may be lost.

    >>> keeps_numbers("taper 1 in 2 from 10", "taper 1 in 2"), keeps_numbers("M5 x 8", "8 M5")
    (False, True)
    """
    return not Counter(_NUMBERS.findall(line)) - Counter(_NUMBERS.findall(other))


def revs(line: str, catalogue: Catalogue) -> Iterator[str]:
    """A line that asks for revs and names no operation: turning, unless it speaks of a drill."""
    if _SPEED.search(line) and not _has_operation(line, catalogue):
        rest = " ".join(_SPEED.sub(" ", line).split()).strip(" ,")
        yield f"turn {rest}"
        if re.search(r"\bdrill|\bbit\b", rest, re.IGNORECASE):
            yield f"drill {rest}"


def _reamed(line: str) -> Iterator[str]:
    """A drill and a reamer: which drill comes first, or the hole with both."""
    alone = " ".join(_DRILL.sub(" ", line).split())
    if _BEFORE.search(line) and not re.search(r"\d.*\d.*\bream", line):
        size = re.sub(
            r"\b(?:first|before|for|under|an?|the|what|which|size)\b", " ", _REAM.sub(" ", alone)
        )
        yield " ".join(f"which drill before reaming {size}".replace(",", " ").split())
    hole = _REAM.sub("reamed hole", alone, count=1)
    yield " ".join(
        re.sub(
            r"\b(?:and|then|spot|,)\b",
            " ",
            _REAM.sub(" ", hole) if hole.count("ream") > 1 else hole,
        ).split()
    )


def _has_operation(line: str, catalogue: Catalogue) -> bool:
    """Whether a word of the line is an operation of the calculator of speeds."""
    speed = catalogue.get("speed")
    if speed is None:
        return True
    words = line.lower().split()
    phrases = lexicon_of(speed).phrases
    for at in range(len(words)):
        for end in range(at + 1, min(at + 4, len(words) + 1)):
            meanings = phrases.get(tuple(words[at:end]), ())
            if any(m.kind == "ruling" for m in meanings):
                return True
    return False
