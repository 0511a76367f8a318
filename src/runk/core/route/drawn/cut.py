"""A sentence of a part cut up: sizes, threads, limits and counts, each a mark in the text."""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import dataclass, field
from fractions import Fraction
from typing import TypeVar

from runk.core.kinds.base import Told
from runk.core.kinds.limits import Bounds, Limits
from runk.core.lengths import read_length
from runk.core.lengths.gauges import wire_gauge_mm
from runk.core.refusals import Refused
from runk.core.route.drawn.phrases import plain_words
from runk.core.route.drawn.written import (
    ANGLE,
    BARE_PITCH,
    COUNTS,
    DRILL,
    EDGES,
    FOOT,
    GAUGE,
    GRADE,
    INCHES,
    INWARDS,
    LIMITS,
    NUMBER,
    PAIR,
    PLACE_SIGN,
    SIGNED,
    SPECIAL,
    SUM,
    TERM,
    THREAD,
    THREADED,
    WORD,
    small,
)
from runk.core.threads.series import Thread, find_thread, names_thread
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

LONGEST = 300
_EMPTY = Workshop(())
_T = TypeVar("_T")


@dataclass(slots=True)
class Size:
    """A size of a line.

    Args:
        mm: What it is.
        text: As it was typed, with its unit.
        bare: Whether it has no unit and is no fraction.
        whole: The number itself where it is a whole one.
    """

    mm: Fraction
    text: str
    bare: bool
    whole: int | None = None


@dataclass(slots=True)
class Cut:
    """A line cut up.

    Args:
        text: One word for each thing; ``#n`` is a size, ``%n`` a thread, ``^n`` limits, ``@n`` an
            angle in degrees, ``&n`` a count in words.
        called: The name given in it, if any.
    """

    page: PageUnit
    text: str = ""
    called: str = ""
    sizes: list[Size] = field(default_factory=list)
    threads: list[Thread] = field(default_factory=list)
    named: list[str] = field(default_factory=list)
    limits: list[Bounds] = field(default_factory=list)
    angles: list[float] = field(default_factory=list)
    counts: list[int] = field(default_factory=list)
    gauges: list[int] = field(default_factory=list)


def mm_text(mm: Fraction) -> str:
    """A size that was worked out, as it may be typed.

    >>> mm_text(Fraction(25, 2))
    '12.5 mm'
    """
    return f"{float(mm):.9g} mm"


def sized(text: str, page: PageUnit) -> Size:
    """A size as it was typed.

    Raises:
        Refused: It is none.
    """
    typed = re.sub(r"(?<=\d)-(?=\d+/)", " ", text.strip().rstrip("."))
    plain = re.fullmatch(r"\d+", typed)
    bare = re.fullmatch(r"[\d.,]+", typed) is not None
    return Size(read_length(typed, page).mm, typed, bare, int(typed) if plain else None)


def _of_an_inch(text: str) -> bool:
    top, _, bottom = text.partition("/")
    return int(bottom) in (2, 4, 8, 16, 32, 64) and int(top) < int(bottom)


def _pairs(before: str, after: str) -> bool:
    """Whether a number with a comma is two: a place, at 12,12."""
    if re.search(r"\bfrom ?$", before):
        return not after.startswith((" to", " mm", " in", '"')) and "slot" in before
    return re.search(r"\b(?:at|and|centred on|x) ?$", before) is not None


class _Cutter:
    def __init__(self, typed: str, page: PageUnit) -> None:
        self.typed, self.text = typed, small(typed)
        self.page, self.cut = page, Cut(page)
        text = self.text
        self.inches = page is PageUnit.INCH or re.search(rf"\d ?(?:{INCHES})", text) is not None
        self.threaded = THREADED.search(text) is not None
        self.out: list[str] = []

    def mark(self, sign: str, kept: list[_T], value: _T) -> None:
        self.out.append(f"{sign}{len(kept)}")
        kept.append(value)

    def run(self) -> Cut:
        at = 0
        readers: tuple[Callable[[int], int], ...] = (
            self.thread,
            self.drill,
            self.gauge,
            self.angle,
            self.limit,
            self.signed,
            self.pair,
            self.grade,
            self.number,
        )
        while at < len(self.text):
            if self.text[at] == " ":
                at += 1
                continue
            end = next((end for read in readers if (end := read(at)) > at), at)
            if end == at:
                end = self.word(at)
            at = end
        self.cut.text = plain_words(" ".join(self.out))
        return self.cut

    def starts(self, at: int) -> bool:
        """Whether a number may begin here: no digit or point before it."""
        return at == 0 or not (self.text[at - 1].isdigit() or self.text[at - 1] in ".,/")

    def thread(self, at: int) -> int:
        if special := SPECIAL.match(self.text, at):
            name = f"{special[1]}x{special[2]}"
            self.cut.named.append(name)
            self.mark("%", self.cut.threads, find_thread(name))
            return special.end()
        found = THREAD.match(self.text, at)
        if found is None or (at and self.text[at - 1].isalnum() and self.text[at - 1] != "x"):
            return at
        name = found[0]
        if re.match(r"\d", name) and BARE_PITCH.search(name) and not self.threaded:
            # 1/4 x 40 is a thread only where a thread is spoken of.
            return at
        if FOOT.match(name) and re.search(r"\d $", self.text[:at]) and not self.threaded:
            return at
        while name:
            if names_thread(name.replace('"', "")) or self._special(name):
                self.cut.named.append(name.strip())
                self.mark("%", self.cut.threads, find_thread(name.replace('"', "")))
                return at + len(name)
            if not (shorter := re.match(r"(m ?\d{1,3}(?:[.,]\d)?) ?[x*-]", name)):
                if name[0] == "m":
                    find_thread(name)
                return at
            name = shorter[1]
        return at

    def _special(self, name: str) -> bool:
        """A special of any diameter and pitch: only where its pitch is one."""
        if not re.search(r"[x*-]", name):
            return False
        try:
            thread = find_thread(name.replace('"', ""))
        except Refused:
            return False
        return 0 < thread.pitch_mm <= thread.major_mm / 3

    def drill(self, at: int) -> int:
        found = DRILL.match(self.text, at)
        if found is None or (at and self.text[at - 1].isalnum()):
            return at
        name = f"#{found[1]}" if found[1] else f"letter {found[2]}"
        mm = read_length(name, self.page).mm
        self.mark("#", self.cut.sizes, Size(mm, name, False))
        self.out.append("drill")
        return found.end()

    def gauge(self, at: int) -> int:
        found = GAUGE.match(self.text, at)
        if found is None or not self.starts(at):
            return at
        mm = wire_gauge_mm(int(found[1]))
        self.cut.gauges.append(len(self.cut.sizes))
        self.mark("#", self.cut.sizes, Size(mm, mm_text(mm), False))
        self.out.append("thick")
        return found.end()

    def angle(self, at: int) -> int:
        found = ANGLE.match(self.text, at)
        if found is None or not self.starts(at):
            return at
        self.mark("@", self.cut.angles, float(found[1].replace(",", ".")))
        return found.end()

    def limit(self, at: int) -> int:
        found = LIMITS.match(self.text, at)
        if found is None:
            return at
        low, high = (sized(found[n], self.page).mm for n in (1, 2))
        self.mark("^", self.cut.limits, Bounds(min(low, high), max(low, high), False))
        return found.end()

    def signed(self, at: int) -> int:
        found = SIGNED.match(self.text, at)
        if found is None:
            return at
        before = self.text[:at]
        place = PLACE_SIGN.search(before) is not None and found[0][0] == "-"
        if place and (one := re.match(rf"- ?({TERM})", self.text[at:])):
            size = sized(one[1], self.page)
            self.mark("#", self.cut.sizes, Size(-size.mm, f"-{size.text}", size.bare))
            return at + one.end()
        # A range or a sum has its sign between two numbers: 18-30, 2 - 1/8.
        if re.search(r"\d\"?$", before) or (found[0][0] in "+-" and found[0][1:2] == " "):
            return at
        self.mark("^", self.cut.limits, self._bounds(found[0], before))
        return found.end()

    def _bounds(self, typed: str, before: str) -> Bounds:
        text = re.sub(r"\+ ?/ ?-", "±", typed)
        parts = re.findall(rf"[±+-] ?{TERM}|(?<![\d.,])0(?:[.,]0*)?(?![\d.,])", text)
        signed = [p if p[0] in "±+-" else f"+{p}" for p in (p.replace(" ", "") for p in parts)]
        inches = self.page is PageUnit.INCH or (
            # As its size is: 3/8 -.0002 -.0007.
            re.search(r"/\d+\"?$|(?:\"|in\.?|inch)$", before.strip()) is not None
            and "." in text
            and "mm" not in text
        )
        page = PageUnit.INCH if inches else PageUnit.MM
        bounds: Bounds = Limits("limits").read(" ".join(signed), Told(page, _EMPTY)).value
        return bounds

    def pair(self, at: int) -> int:
        found = PAIR.match(self.text, at)
        if found is None or not self.starts(at) or re.search(r"(?:from|between) $", self.text[:at]):
            return at
        if " to " in found[0] and not re.search(r"\b(?:from|between) ", self.text):
            # 17.8 to 18.1 is from there to there, where nothing else says so.
            return at
        first, second = (sized(found[n], self.page) for n in (1, 2))
        low, high = sorted((first.mm, second.mm))
        if not low or high / low > Fraction(102, 100) or low == high:
            return at
        last = self.cut.sizes[-1].mm if self.out and self.out[-1][0] == "#" else None
        # Behind its size they are the limits of it, on either side of it or not.
        if last is None or not low * Fraction(98, 100) <= last <= high * Fraction(102, 100):
            self.mark("#", self.cut.sizes, Size(first.mm, first.text, True))
        self.mark("^", self.cut.limits, Bounds(low, high, False))
        return found.end()

    def grade(self, at: int) -> int:
        before = self.text[:at]
        found = GRADE.match(self.text, at)
        if found is None and re.search(r"\d $", before):
            found = FOOT.match(self.text, at)
        if found is None or re.search(r"[a-z]$", before):
            return at
        if found[0][0] in "rstuvyz" and not re.search(r"\d ?$", before):
            # R5 is a radius.
            return at
        self.mark("^", self.cut.limits, self._class(found[0]))
        return found.end()

    def _class(self, text: str) -> Bounds:
        """A tolerance class in its own letters: a capital is a hole's."""
        found = re.search(rf"(?<![a-z]){text}", self.typed, re.IGNORECASE)
        typed = found[0] if found else text
        bounds: Bounds = Limits("limits").read(typed, Told(self.page, _EMPTY)).value
        return bounds

    def number(self, at: int) -> int:
        if not self.starts(at) and self.text[at - 1] != "/":
            if self.text[at - 1] == "," and re.search(r"\d,$", self.text[:at]):
                pass
            else:
                return at
        found = SUM.match(self.text, at)
        if found is None:
            return at
        text, end = found[0], found.end()
        one = re.match(NUMBER, self.text[at:])
        inwards = INWARDS.match(self.text, at + one.end()) if one else None
        if inwards and inwards[0].endswith("in") and not EDGES.search(self.text):
            inwards = None
        if one and inwards and self.page is PageUnit.MM:
            text, end = one[0], at + one.end()
        pair = re.fullmatch(r"(\d{1,5}),(\d{1,5})", text)
        if pair and _pairs(self.text[:at], self.text[end:]):
            for part in pair.groups():
                self.mark("#", self.cut.sizes, sized(part, self.page))
                self.out.append(",")
            self.out.pop()
            return end
        over = re.fullmatch(r"(\d{1,5})/(\d{1,5})", text)
        if over and re.search(r"\bat $", self.text[:at]) and not _of_an_inch(text):
            for part in over.groups():
                self.mark("#", self.cut.sizes, sized(part, self.page))
                self.out.append(",")
            self.out.pop()
            return end
        counted = re.fullmatch(r"(\d{1,2}) (\d{1,2}/\d{1,2})", text)
        if counted and re.match(r"\"? (?:\w+ )?holes\b", self.text[end:]):
            # 4 3/16 holes: four of them.
            self.mark("&", self.cut.counts, int(counted[1]))
            self.mark("#", self.cut.sizes, sized(counted[2], self.page))
            return end
        self.mark("#", self.cut.sizes, sized(text, self.page))
        return end

    def word(self, at: int) -> int:
        found = WORD.match(self.text, at)
        if found is None:
            self.out.append(self.text[at])
            return at + 1
        word = found[0]
        if word in COUNTS:
            self.mark("&", self.cut.counts, COUNTS[word])
        elif word[0] in "xy" and len(word) == 1:
            self.out.append(word)
        else:
            self.out.append(word)
        return found.end()


_CALLED = re.compile(r",? ?\bcalled (.{1,60})$", re.IGNORECASE)


def cut_up(line: str, page: PageUnit) -> Cut:
    """A line cut up.

    Args:
        line: As typed.
        page: What a bare number means.

    Raises:
        Refused: It is too long, or a size in it cannot be read.

    >>> cut_up("four M4 tapped holes on a 22 mm pitch circle, 10 deep", PageUnit.MM).text
    '&0 %0 tap holes on #0 circle , #1 deep'
    """
    if len(line) > LONGEST:
        raise Refused(f"A line of {len(line)} characters: {LONGEST} are the most.")
    called = ""
    if named := _CALLED.search(line):
        called, line = " ".join(named[1].split()), line[: named.start()]
    cut = _Cutter(line, page).run()
    cut.called = called
    return cut
