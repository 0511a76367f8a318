"""What an engine's parts are made from, added up; and a kit or a delivery checked against it."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import partial

from runk.core.metals.metal import Metal, metal_names
from runk.core.refusals import Refused
from runk.core.route.part import Part
from runk.core.route.reading import blank_said
from runk.core.said import mm_said
from runk.core.units import PageUnit

KERF_MM = 3.0
"""Of a saw or a blade, with a facing cut on each side: common practice."""
HOLD_MM = 25.0
"""What the last piece of a bar is held by: common practice."""
MOST_LINES = 200
_MANY = re.compile(r"^(\d+)\s*(?:x|off|no\.?|×)?\s+(?=\D|\d+\s*(?:mm|in\b|\"))", re.IGNORECASE)
_WORDS = re.compile(r"[a-z]{3,}")
_SHAPES = frozenset({"bar", "plate", "long", "hex", "hexagon", "square", "round", "by"})
_COMMON = frozenset({"the", "for", "with", "and", "casting", "castings", "set", "off"})


@dataclass(frozen=True, slots=True)
class Stock:
    """Metal of one kind and section that parts are cut from.

    Args:
        kind: ``bar``, ``plate`` or ``casting``.
        metal: Key of it; empty where a part does not say.
        section: Of a bar; ``dia`` across it, mm.
        size: Of a plate, thickness mm; of a casting nothing.
        long: Of bar in all, with saw cuts and what the last is held by, mm.
        pieces: How many.
        parts: Whose they are.
    """

    kind: str
    metal: str
    section: str
    dia: float
    size: float
    long: float
    pieces: int
    parts: tuple[str, ...]

    @property
    def says(self) -> str:
        """In words, with its sizes."""
        metal = f"{self.metal.replace('-', ' ')} " if self.metal else ""
        if self.kind == "casting":
            return f"{metal}casting: {self.parts[0]}"
        if self.kind == "plate":
            over = f"{mm_said(self.long)} by {mm_said(self.dia)}"
            return f"{metal}plate {mm_said(self.size)} thick, {over}"
        section = "" if self.section == "round" else f"{self.section} "
        return f"{metal}{section}bar {mm_said(self.dia)}, {mm_said(self.long)} in all"


def bill(parts: Iterable[Part]) -> tuple[Stock, ...]:
    """Everything some parts are made from: bars of one kind added up, castings one by one.

    >>> from runk.core.route.reading import part_of
    >>> pins = part_of("pin", "brass", "bar 6", ["face at 0", "face at 20"], alike=4)
    >>> [(one.kind, one.dia, one.long, one.pieces) for one in bill([pins])]
    [('bar', 6.0, 117.0, 4)]
    """
    bars: dict[tuple[str, str, float], list[Part]] = {}
    others: list[Stock] = []
    for part in parts:
        blank = part.blank
        if blank.kind == "bar":
            key = (part.metal, blank.section or "round", float(blank.dia or 0))
            bars.setdefault(key, []).append(part)
        else:
            plate = blank.kind == "plate"
            others.append(
                Stock(
                    blank.kind,
                    part.metal,
                    "",
                    float(blank.wide or 0) if plate else 0.0,
                    float(blank.high or 0) if plate else 0.0,
                    float(blank.long or 0) if plate else 0.0,
                    part.alike,
                    (part.name,),
                )
            )
    found = [
        Stock(
            "bar",
            metal,
            section,
            dia,
            0.0,
            sum(_length(one) for one in of) + HOLD_MM,
            sum(one.alike for one in of),
            tuple(one.name for one in of),
        )
        for (metal, section, dia), of in sorted(bars.items())
    ]
    return (*found, *others)


def _length(part: Part) -> float:
    each = float(part.blank.long) if part.blank.long is not None else part.long - part.begin
    return (each + KERF_MM) * part.alike


@dataclass(frozen=True, slots=True)
class Checked:
    """One thing the drawing asks, beside what the kit has of it.

    Args:
        asks: What is asked, in words.
        has: The kit's line; empty where it has none.
        short: What is missing, in words; empty where it is all there.
    """

    asks: str
    has: str
    short: str


@dataclass(frozen=True, slots=True)
class KitChecked:
    """A kit against a bill.

    Args:
        rows: What is asked, each with what there is.
        over: Lines of the kit nothing asks for.
    """

    rows: tuple[Checked, ...]
    over: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class _Line:
    typed: str
    many: int
    words: frozenset[str]
    stock: Stock | None


def kit_checked(
    needs: Iterable[Stock],
    bought: Mapping[str, int],
    lines: Iterable[str],
    metals: Mapping[str, Metal],
    page: PageUnit = PageUnit.MM,
) -> KitChecked:
    """A kit's list against what the drawing asks.

    Args:
        needs: What the parts are made from.
        bought: Things bought ready, by name, and how many.
        lines: The kit's, one thing each: ``2 cylinder castings``, ``brass bar 25, 300 long``.
        metals: There are.
        page: What a bare number means.

    Raises:
        Refused: The list is too long.

    >>> from runk.core.route.reading import part_of
    >>> pins = part_of("pin", "brass", "bar 6", ["face at 0", "face at 20"], alike=4)
    >>> found = kit_checked(bill([pins]), {"circlip": 2}, ["bar 6, 100 long", "oil"], {})
    >>> [(bool(one.has), bool(one.short)) for one in found.rows], found.over
    ([(True, True), (False, True)], ('oil',))
    """
    told = [line.strip() for line in lines if line.strip()]
    if len(told) > MOST_LINES:
        raise Refused(f"{len(told)} lines: {MOST_LINES} are the most of one list.", field="kit")
    names = metal_names(dict(metals))
    kit = [_read(line, names, page) for line in told]
    left = {n: one.many for n, one in enumerate(kit)}
    used: set[int] = set()
    rows: list[Checked] = []

    def take(suits: Callable[[_Line], bool], many: int) -> tuple[list[_Line], int]:
        """Lines that give what is asked, and how many are missing still."""
        own = []
        for n, one in enumerate(kit):
            if many > 0 and left[n] > 0 and suits(one):
                given = min(many, left[n])
                left[n] -= given
                many -= given
                used.add(n)
                own.append(one)
        return own, many

    for need in needs:
        if need.kind == "bar":
            own = [one for n, one in enumerate(kit) if _suits(need, one) and n not in used]
            used |= {n for n, one in enumerate(kit) if one in own}
            short = _short(need, own)
        else:
            own, missing = take(partial(_suits, need), need.pieces)
            short = f"{missing} more" if missing else ""
        rows.append(Checked(need.says, "; ".join(one.typed for one in own), short))
    for what, many in bought.items():
        own, missing = take(partial(_called, frozenset(_stems(what))), many)
        short = f"{missing} more" if missing else ""
        rows.append(Checked(f"{many} {what}", "; ".join(one.typed for one in own), short))
    return KitChecked(tuple(rows), tuple(one.typed for n, one in enumerate(kit) if n not in used))


def _called(words: frozenset[str], line: _Line) -> bool:
    return line.stock is None and words <= line.words


def _stems(words: str) -> Iterator[str]:
    for word in _WORDS.findall(words.lower()):
        if word not in _COMMON:
            yield word.removesuffix("s") if len(word) > 3 else word


def _read(line: str, metals: Mapping[str, str], page: PageUnit) -> _Line:
    found = _MANY.match(line)
    many, rest = (int(found[1]), line[found.end() :]) if found else (1, line)
    return _Line(line, many, frozenset(_stems(rest)), _stock(rest, many, metals, page))


def _stock(line: str, many: int, metals: Mapping[str, str], page: PageUnit) -> Stock | None:
    """A bar or a plate; None where it is neither."""
    metal, rest = _metal(line, metals)
    try:
        blank = blank_said(rest, page)
    except Refused:
        return None
    if blank.kind == "bar":
        long = float(blank.long or 0)
        return Stock(
            "bar",
            metal,
            blank.section or "round",
            float(blank.dia or 0),
            0.0,
            long * many,
            many,
            (),
        )
    if blank.kind == "plate":
        return Stock(
            "plate",
            metal,
            "",
            float(blank.wide or 0),
            float(blank.high or 0),
            float(blank.long or 0),
            many,
            (),
        )
    return None


_MOST_WORDS = 60


def _metal(line: str, metals: Mapping[str, str]) -> tuple[str, str]:
    """The metal a line begins or ends with, and the rest of it."""
    words = line.split()[:_MOST_WORDS]
    for long in (3, 2, 1):
        for first in range(len(words) - long + 1):
            name = " ".join(words[first : first + long]).strip(",")
            if not name[:1].isalpha() or _SHAPES & set(name.lower().split()):
                continue
            found = metals.get(name.lower())
            if found is not None:
                return found, " ".join((*words[:first], *words[first + long :]))
    return "", line


def _suits(need: Stock, line: _Line) -> bool:
    if need.kind == "casting":
        return line.stock is None and bool(line.words) and line.words <= set(_stems(need.parts[0]))
    there = line.stock
    if there is None or there.kind != need.kind or (there.metal and there.metal != need.metal):
        return False
    if need.kind == "plate":
        return there.size >= need.size and there.dia >= need.dia and there.long >= need.long
    return there.section == need.section and abs(there.dia - need.dia) < 0.3


def _short(need: Stock, own: list[_Line]) -> str:
    """What is missing of a bar."""
    if not own:
        return "all of it"
    long = sum(one.stock.long for one in own if one.stock is not None)
    if not long:
        return "how long is it?"
    return f"{mm_said(need.long - long)} more" if long < need.long - 1e-6 else ""
