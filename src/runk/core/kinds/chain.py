"""Lengths in a row, each with a name, a count and limits where it has them."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Any, ClassVar

from runk.core.kinds.base import Taken, Told, as_typed
from runk.core.kinds.length import Lengths
from runk.core.kinds.limits import Bounds, Limits
from runk.core.lengths import Reading, read_length
from runk.core.lengths.members import Member
from runk.core.lengths.several import together
from runk.core.lengths.show import for_page
from runk.core.lengths.tokens import UNITS
from runk.core.refusals import Refused
from runk.core.units import PageUnit

MOST = 40
_PARTS = re.compile(r"[;\n]|,(?=\s)|\s\+\s|\s(?:and|plus)\s")
_LIMITS = re.compile(r"(?:^|\s)((?:\+/-|±|[+-])[\d.].*)$")
_COUNT = re.compile(r"^(\d{1,2}) ?(?:x|×|\*|off|of) (?=\S)", re.IGNORECASE)
_NAMED = re.compile(
    r"^(?:an? |the )?([A-Za-z][A-Za-z' -]{0,29}?)(?:(?<!s)s)?\s*[:=]?\s+(?=[\d.#½¼¾⅛⅜⅝⅞])"
)
_BEHIND = re.compile(
    r"^(.*[\d½¼¾⅛⅜⅝⅞\"]\s?(?:mm|in|inch|inches|thou)?)\s+([A-Za-z][A-Za-z' -]{0,29})$"
)
_SIZES = frozenset({"no", "number", "letter", "m", *UNITS})
_BARE = re.compile(r"[\d.,/ +±-]*")
_UNIT_LAST = re.compile(r"\d ?(mm|in|\")$", re.IGNORECASE)
_BARE_ARE = re.compile(r"\s*\((mm|in|inch|inches)\)$", re.IGNORECASE)


@dataclass(frozen=True)
class Chain(Lengths):
    """Lengths one behind the other, parted by semicolons, commas or plus signs.

    Each is a size; a name may stand before or behind it, how many of it before, limits behind.
    Where only the last is given a unit, it is the unit of all; ``(mm)`` or ``(in)`` at the end
    says what bare numbers are, whatever the page.

    Args:
        most: How many of them it takes.
        apart: Whether a minus sign parts them as well: what is taken away from a length.

    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> read = Chain("what sits there").read("2 x bearing 8, collar 6 +0 -0.05; 1.6 washer", here)
    >>> [(m.name, m.count, float(m.low), float(m.high)) for m in read.value]
    [('bearing', 2, 8.0, 8.0), ('collar', 1, 5.95, 6.0), ('washer', 1, 1.6, 1.6)]
    """

    most: int = MOST
    apart: bool = False

    name: ClassVar[str] = "chain"
    widget: ClassVar[str] = "list"
    reach: ClassVar[int] = 400
    wire: ClassVar[Any] = str | float | int | None

    def read(self, raw: Any, told: Told) -> Taken:
        typed = as_typed(raw).strip()
        if unit := _BARE_ARE.search(typed):
            page = PageUnit.MM if unit[1].lower() == "mm" else PageUnit.INCH
            typed, told = typed[: unit.start()], replace(told, page=page)
        parts = _split(typed.replace(" - ", "; ") if self.apart else typed)
        if not parts:
            raise Refused(self.missing(), suggest=self.placeholder or None)
        if len(parts) > self.most:
            one = "one length, with its limits" if self.most == 1 else f"{self.most} at most"
            raise Refused(f"{len(parts)} lengths are too many here: {one}.")
        found, readings = [], []
        for at, part in enumerate(parts, 1):
            member, reading = self._member(part, at, told)
            found.append(member)
            spoken = _said(member, told.page, reading.spoken)
            readings.append(replace(reading, spoken=spoken))
        every = together(tuple(readings))
        return Taken(tuple(found), replace(every, spoken="; ".join(r.spoken for r in readings)))

    def _member(self, part: str, at: int, told: Told) -> tuple[Member, Reading]:
        name, count, rest = _labelled(part)
        bounds, rest = _bounds(rest, told)
        if bounds is None or bounds.added:
            reading = read_length(rest, told.page)
        else:
            middle = (bounds.low + bounds.high) / 2
            reading = Reading(middle, "", True, for_page(middle, told.page))
        self.over_nought(reading.mm, told)
        low, high = bounds.of(reading.mm) if bounds else (reading.mm, reading.mm)
        if low <= 0:
            raise Refused(f"`{part[:40]}` could be nothing at all.", suggest="10 +0 -0.05")
        return Member(name or str(at), reading.mm, low, high, count), reading

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        if reading is not None:
            return reading.spoken
        return "; ".join(_said(m, told.page, for_page(m.size, told.page)) for m in value)


def _split(typed: str) -> list[str]:
    """The parts of a chain; limits that stand behind a comma stay with their size."""
    typed = " ".join(typed.replace("−", "-").replace("–", "-").replace("\n", ";").split())
    parts: list[str] = []
    for part in (p.strip(" ,.") for p in _PARTS.split(typed)):
        if parts and re.match(r"(?:\+/-|±|[+-])[\d.]", part):
            parts[-1] += f" {part}"
        elif part:
            parts.append(part)
    unit = _UNIT_LAST.search(parts[-1]) if len(parts) > 1 else None
    if unit and all(_BARE.fullmatch(_labelled(part)[2]) for part in parts[:-1]):
        # 12.5, 8.02 mm: the unit is of them all.
        parts[:-1] = [_in_unit(part, unit[1]) for part in parts[:-1]]
    return parts


def _in_unit(part: str, unit: str) -> str:
    limits = _LIMITS.search(part)
    if limits is None:
        return f"{part} {unit}"
    return f"{part[: limits.start()]} {unit} {limits[1]}"


def _labelled(part: str) -> tuple[str, int, str]:
    """Name, count and what is left of a part."""
    count = 1
    if found := _COUNT.match(part):
        count, part = int(found[1]), part[found.end() :]
    name = ""
    if (found := _NAMED.match(part)) and found[1].lower() not in _SIZES:
        name, part = found[1], part[found.end() :]
    elif (found := _BEHIND.match(part)) and found[2].lower().split()[0] not in _SIZES:
        name, part = found[2], found[1]
    if found := _COUNT.match(part):
        # bearings 2 x 8: whichever stands first.
        count, part = count * int(found[1]), part[found.end() :]
    if not count:
        raise Refused(f"`{part[:40]}` is there no times.", suggest="2 x 8")
    return name.strip().lower(), count, part.strip()


def _bounds(rest: str, told: Told) -> tuple[Bounds | None, str]:
    """Limits, and the size without them where they are added to it."""
    if found := _LIMITS.search(rest):
        size = rest[: found.start()].strip()
        if own := _UNIT_LAST.search(size):
            # Limits take the unit of their size.
            told = replace(told, page=PageUnit.MM if own[1].lower() == "mm" else PageUnit.INCH)
        added: Bounds = Limits("limits").read(found[1], told).value
        unit = _UNIT_LAST.search(rest)
        # 0.2 +0.1 -0.1 in: the unit is of the size too.
        return added, f"{size} {unit[1]}" if unit and _BARE.fullmatch(size) else size
    try:
        read_length(rest, told.page)
    except Refused:
        if re.fullmatch(r"[\d.,]+ ?(?:mm|in|\")? (?:to )?[\d.,]+ ?(?:mm|in|\")?", rest):
            both: Bounds = Limits("limits").read(rest, told).value
            return both, rest
    return None, rest


def _said(member: Member, page: PageUnit, size: str) -> str:
    name = "" if member.name.isdigit() else f"{member.name} "
    count = f"{member.count} x " if member.count > 1 else ""
    if member.sure:
        return f"{count}{name}{size}"
    if member.low <= member.size <= member.high:
        up, down = member.high - member.size, member.size - member.low
        return f"{count}{name}{size} +{_small(up, page)} -{_small(down, page)}"
    return f"{count}{name}{for_page(member.low, page)} to {for_page(member.high, page)}"


def _small(mm: Fraction, page: PageUnit) -> str:
    return for_page(mm, page) if mm else "0"
