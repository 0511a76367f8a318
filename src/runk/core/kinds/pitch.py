"""A pitch, as threads and leadscrews have it: 0.81 mm, 26 tpi, 2BA, module 0.5."""

from __future__ import annotations

import re
from dataclasses import dataclass
from fractions import Fraction
from math import pi
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.lengths import Reading, read_length
from runk.core.lengths.show import MM_PER_INCH, for_page, trimmed
from runk.core.machines.change_wheels import teeth_of
from runk.core.refusals import Refused
from runk.core.threads.series import find_thread, names_thread
from runk.core.units import PageUnit

_PER_INCH = re.compile(
    r"(\d{1,3}(?:\.\d{1,4})?|\d{1,2} \d/\d) ?"
    r"(?:tpi|t\.p\.i\.?|threads? (?:an|per) inch|per inch|to the inch)",
    re.I,
)
_MODULE = re.compile(r"(?:mod(?:ule)? ?(\d{0,2}\.?\d{1,4})|(\d{0,2}\.?\d{1,4}) ?mod(?:ule)?)", re.I)
_BARE = re.compile(r"\d{1,3}(?:\.\d{1,4})?")


@dataclass(frozen=True, slots=True)
class Pitched:
    """A pitch and how it was called.

    Args:
        mm: In millimetres.
        said: As somebody would say it.
    """

    mm: Fraction
    said: str

    def plainly(self) -> float:
        """As one number: in millimetres."""
        return float(self.mm)


@dataclass(frozen=True)
class OfPitch(Kind):
    """A pitch in millimetres, threads to the inch, by a thread's name or a module.

    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> [round(float(OfPitch("pitch").read(t, here).value.mm), 4)
    ...  for t in ("0.81", "8 tpi", "2BA", "0.5 module", "1/8 in")]
    [0.81, 3.175, 0.81, 1.5708, 3.175]
    """

    name: ClassVar[str] = "pitch"
    numbered: ClassVar[bool] = False
    in_page_unit: ClassVar[bool] = True

    def read(self, raw: Any, told: Told) -> Taken:
        typed = " ".join(as_typed(raw).split())
        typed = re.sub(r"^(?:an? )?(?:pitch(?: of)? )| pitch$", "", typed, flags=re.I)
        value = self._read(typed, told.page)
        self.bounded(float(value.mm), told)
        return Taken(value)

    def _read(self, typed: str, page: PageUnit) -> Pitched:
        if found := _PER_INCH.fullmatch(typed):
            return self._tpi(found[1])
        if found := _MODULE.fullmatch(typed):
            text = found[1] or found[2]
            return Pitched(Fraction(text) * Fraction(pi).limit_denominator(10**9), f"module {text}")
        if page is PageUnit.INCH and _BARE.fullmatch(typed):
            # On an inch page a bare pitch is threads to the inch.
            return self._tpi(typed)
        if names_thread(typed):
            thread = find_thread(typed)
            return Pitched(thread.pitch, thread.name)
        mm = read_length(typed, page).mm
        if mm <= 0:
            raise Refused(f"{self.label.capitalize()} must be more than 0.", suggest="1 mm")
        return Pitched(mm, for_page(mm, PageUnit.MM))

    def _tpi(self, text: str) -> Pitched:
        whole, _, part = text.partition(" ")
        count = Fraction(whole) + (Fraction(part) if part else 0)
        if count <= 0:
            raise Refused("Threads to the inch must be more than 0.", suggest="26 tpi")
        return Pitched(MM_PER_INCH / count, f"{trimmed(count, 4)} tpi")

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return str(value.said)

    def say_bound(self, bound: float, told: Told) -> str:
        return for_page(Fraction(str(bound)), told.page)


@dataclass(frozen=True)
class OfWheels(Kind):
    """Change wheels, by their teeth.

    >>> from runk.core.workshop import Workshop
    >>> OfWheels("wheels").read("20 20 25", Told(PageUnit.MM, Workshop(()))).value
    (20, 20, 25)
    """

    name: ClassVar[str] = "wheels"
    widget: ClassVar[str] = "list"
    reach: ClassVar[int] = 200
    numbered: ClassVar[bool] = False

    def read(self, raw: Any, told: Told) -> Taken:
        found = teeth_of(as_typed(raw))
        if len(found) < 2:
            raise Refused("One wheel makes no train.", suggest="20 20 25 30 35 40")
        return Taken(found)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return " ".join(map(str, value))
