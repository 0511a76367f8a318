"""The sizes of a line: where each stands, and the ways it may be read.

``in`` is a unit or a preposition, and a bare number beside inches may be inches too: every way
is a *cutting* of the line. Which is meant is told later, by which makes sense.
"""

from __future__ import annotations

import itertools
import re
from dataclasses import dataclass, field
from functools import lru_cache

from runk.core.kinds.limits import take_limits
from runk.core.lengths import Reading, read_length
from runk.core.lengths.tokens import UNITS
from runk.core.refusals import Refused
from runk.core.threads.series import names_thread
from runk.core.units import PageUnit

_LONGEST = 9
_MOST_DOUBTS = 3
_NUMBERISH = re.compile(
    r"^[#\d.(½¼¾⅛⅜⅝⅞Ø⌀-]|^(?:(?:no\.?|number)(?:\d|$)|letter$|m\d|g\d|\d*ba\d*$)", re.IGNORECASE
)
_INCHES = re.compile(r"\d/\d|\"|''|\bins?\b|\binch|\bthou\b|^#|letter", re.IGNORECASE)
_NO_THREAD = frozenset({"fine", "pitch", "thread", "dia", "depth"})
_SHOWN_IN = UNITS.keys() | {"64ths", "fraction", "fractions"}
_AFTER_UNIT = frozenset({"to", "in", "into", "at", "on", "by", "and", "from", ",", ";", "is"})
"""Words no "in" leads to: before them it is inches."""
_HELD_IN = frozenset({"a", "an", "the", "my", "four", "four-jaw", "three", "three-jaw", "each"})
"""Words an *in* hardly ever ends a size before: in a hole, in four jaws."""
_FROM_TO = frozenset({"to", "by", "from", "and"})
_TOOLS = frozenset(
    {"drill", "pin", "rod", "bar", "reamer", "cutter", "finder", "tap", "saw", "wire"}
)
_NUMERIC = re.compile(r"[\d./,]+")
_BARE = re.compile(r"\d*[.,]?\d+|\d+[.,]?")


@dataclass(frozen=True, slots=True)
class Size:
    """A size in the line.

    Args:
        start: Its first word.
        end: The word after its last.
        text: As it would be typed into a field.
        reading: How it reads; None where it does not.
        refused: Why it does not.
        thread: Whether it is a thread's name.
    """

    start: int
    end: int
    text: str
    reading: Reading | None = None
    refused: Refused | None = None
    thread: bool = False

    @property
    def mm(self) -> float | None:
        """Its length, where it has one."""
        return None if self.reading is None else float(self.reading.mm)


@dataclass(frozen=True, slots=True)
class Cutting:
    """One way of cutting a line into words and sizes.

    Args:
        words: Every word.
        sizes: In their order.
        doubt: How far from the plain way it is: among equals the plainer is meant.
        limits: Limits that were taken out of the line, as they would be typed.
        has_limits: Whether there are limits in the line that were left in it.
        items: The line as patterns see it, kept by the first calculator that asks.
        lower: Every word in small letters.
    """

    words: tuple[str, ...]
    sizes: tuple[Size, ...]
    doubt: float = 0.0
    limits: str = ""
    has_limits: bool = False
    at: dict[int, Size] = field(default_factory=dict)
    items: dict[int, list[tuple[str, int]]] = field(default_factory=dict)
    lower: tuple[str, ...] = field(init=False)

    def __post_init__(self) -> None:
        self.at.update({size.start: size for size in self.sizes})
        # Every calculator reads the same line: it is made small once.
        object.__setattr__(self, "lower", tuple(word.lower() for word in self.words))


def cuttings(words: list[str], page: PageUnit, metal_numbers: frozenset[str]) -> list[Cutting]:
    """Every sensible way of cutting a line.

    Args:
        words: From :func:`~runk.ask.words.words_of`.
        page: What a bare number means.
        metal_numbers: Numbers that are names of metals: 303, 4140.
    """
    rest, limits = take_limits(words)
    found = _every(words, page, metal_numbers, "", bool(limits))
    return found + _every(rest, page, metal_numbers, limits, False) if limits else found


def _every(
    words: list[str], page: PageUnit, metal_numbers: frozenset[str], limits: str, left_in: bool
) -> list[Cutting]:
    lower = [w.lower() for w in words]
    doubtful = [
        at
        for at in range(1, len(words) - 1)
        if lower[at] == "in"
        and lower[at + 1] not in _AFTER_UNIT
        and (_BARE.fullmatch(words[at - 1]) or lower[at + 1] in _SHOWN_IN)
    ][:_MOST_DOUBTS]
    if any(
        lower[at] == "in" and lower[at + 1] in _FROM_TO and _NUMERIC.fullmatch(words[at - 1])
        for at in range(1, len(words) - 1)
    ):
        # One size of the line is told in inches by the word: so is the other.
        doubtful = []
    found = []
    for units in itertools.product((False, True), repeat=len(doubtful)):
        apart = {at for at, unit in zip(doubtful, units, strict=True) if not unit}
        plain = _cut(words, page, apart, metal_numbers)
        # After a whole number "in" is more often a preposition; after a decimal, inches.
        doubt = sum(
            (0.25 if unit == words[at - 1].isdigit() else 0.0)
            # In *a* hole, in *the* bush: hardly a unit.
            + (0.8 if unit and page is PageUnit.MM and lower[at + 1] in _HELD_IN else 0.0)
            for at, unit in zip(doubtful, units, strict=True)
        )
        if len(doubtful) > 1:
            # Said behind two numbers, it is their unit.
            doubt += 0.4 * (len(doubtful) - sum(units))
        found.append(Cutting(tuple(words), plain, doubt, limits, left_in))
        if page is PageUnit.MM and (inches := _bare_as_inches(plain, words)):
            # An *in* that may only lead to what follows it speaks for no inches.
            ends = {at + 1 for at, unit in zip(doubtful, units, strict=True) if unit}
            sure = any(_INCHES.search(s.text) for s in plain if s.end not in ends)
            more = inches[1] if sure or not ends else 0.1
            found.append(Cutting(tuple(words), inches[0], doubt + more, limits, left_in))
    return found


def _cut(
    words: list[str], page: PageUnit, apart: set[int], metal_numbers: frozenset[str]
) -> tuple[Size, ...]:
    found: list[Size] = []
    at = 0
    while at < len(words):
        size = _size_at(words, at, page, apart, metal_numbers)
        if size is not None:
            found.append(size)
            at = size.end
        else:
            at += 1
    return tuple(found)


def _size_at(
    words: list[str], at: int, page: PageUnit, apart: set[int], metal_numbers: frozenset[str]
) -> Size | None:
    """The longest run of words from here that reads as a size."""
    if not _NUMBERISH.match(words[at]):
        return None
    if words[at].lower() == "no" and not words[at + 1 : at + 2]:
        # Magnet no: the answer, and no drill's number.
        return None
    refused: Refused | None = None
    alone = words[at].lower() in metal_numbers
    last = min(len(words), at + _LONGEST)
    for end in range(at + 1 if alone else last, at, -1):
        run = words[at:end]
        if end - 1 in apart or any(w.lower() in metal_numbers for w in run[1:]):
            continue
        text = " ".join(run)
        pair = end == at + 2 and run[1].lower() not in _NO_THREAD and names_thread(text)
        # M4x0.5 is whole: the number behind it is another.
        pair = pair and not (run[1][:1].isdigit() and "x" in run[0].lower())
        if pair and not _longer_thread(words, at, end):
            return Size(at, end, text, _reading(text, page), thread=True)
        if end > at + 1 and no_size(text, page):
            continue
        try:
            reading = read_length(text, page)
        except Refused as failed:
            refused = failed
            if names_thread(text):
                return Size(at, end, text, thread=True)
            continue
        following = words[end].lower() if end < len(words) else ""
        if end not in apart and _belongs(following):
            # A unit or half a fraction left over means the size is broken.
            return _broken(at, end + 1, f"{text} {words[end]}", page)
        return Size(at, end, text, reading, thread=names_thread(text))
    return Size(at, at + 1, words[at], None, refused)


@lru_cache(maxsize=4096)
def no_size(text: str, page: PageUnit) -> bool:
    """Whether several words together are no size; a line is typed word by word, and cut each time.

    >>> no_size("5/8 cast", PageUnit.MM), no_size("1 3/16", PageUnit.MM)
    (True, False)
    """
    return _reading(text, page) is None


def _longer_thread(words: list[str], at: int, end: int) -> bool:
    return end < len(words) and names_thread(" ".join(words[at : end + 1]))


def _reading(text: str, page: PageUnit) -> Reading | None:
    try:
        return read_length(text, page)
    except Refused:
        return None


def _belongs(word: str) -> bool:
    return word in UNITS.keys() - {"in"} or re.fullmatch(r"[0-9]+/", word) is not None


def _broken(start: int, end: int, text: str, page: PageUnit) -> Size:
    try:
        return Size(start, end, text, read_length(text, page))
    except Refused as refused:
        return Size(start, end, text, None, refused)


def _in_thous(size: Size) -> bool:
    """Whether a number is written as inches are, to the thousandth or finer: 0.500, 0.4375."""
    return re.fullmatch(r"0\.\d{3,4}", size.text) is not None and size.text[-1] in "05"


def _of_a_tool(size: Size, words: list[str]) -> bool:
    """Whether a fraction is a drill's or a pin's: that says nothing of the other sizes' unit."""
    beside = [
        w.lower() for w in (*words[size.end : size.end + 1], *words[size.start - 1 : size.start])
    ]
    return bool(size.start or beside) and not _TOOLS.isdisjoint(beside)


def _bare_as_inches(
    sizes: tuple[Size, ...], words: list[str]
) -> tuple[tuple[Size, ...], float] | None:
    """The same sizes with the bare numbers in inches, where something speaks for it."""
    bare = [s for s in sizes if _BARE.fullmatch(s.text) and not s.thread]
    if not bare or any(re.search(r"mm\b", s.text) for s in sizes):
        return None
    among = any(_INCHES.search(s.text) and not s.thread and not _of_a_tool(s, words) for s in sizes)
    # As inches are written, without the nought: a bare 0.2 on a millimetre page is millimetres.
    pointed = any(s.text.startswith(".") for s in bare)
    if not among and not pointed and not all(map(_in_thous, bare)):
        return None
    changed = tuple(
        Size(s.start, s.end, f"{s.text} in", _reading(f"{s.text} in", PageUnit.MM))
        if s in bare
        else s
        for s in sizes
    )
    # Beside inches a bare number is inches unless that is absurd.
    return changed, -0.3
