"""Lengths: one, several, and places that may be nought or negative."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.lengths import Reading, read_length
from runk.core.lengths.several import read_lengths, together
from runk.core.lengths.show import for_page
from runk.core.refusals import Refused

_NUMBER = str | float | int | None


@dataclass(frozen=True)
class Length(Kind):
    """A size over nought, exact, in millimetres.

    >>> from runk.core.units import PageUnit
    >>> from runk.core.workshop import Workshop
    >>> float(Length("diameter").read("1/2", Told(PageUnit.MM, Workshop(()))).value)
    12.7
    """

    name: ClassVar[str] = "length"
    open: ClassVar[str] = "how much"
    widget: ClassVar[str] = "size"
    wire: ClassVar[Any] = _NUMBER
    in_page_unit: ClassVar[bool] = True

    def read(self, raw: Any, told: Told) -> Taken:
        reading = read_length(as_typed(raw), told.page)
        self.over_nought(reading.mm, told)
        return Taken(reading.mm, reading)

    def over_nought(self, mm: Fraction, told: Told) -> None:
        """Refuse nought, and what lies outside the bounds."""
        if mm <= 0:
            what = self.label[0].upper() + self.label[1:]
            raise Refused(f"{what} must be more than 0.", suggest=self.placeholder or None)
        self.bounded(float(mm), told)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return reading.spoken if reading else for_page(value, told.page)

    def say_bound(self, bound: float, told: Told) -> str:
        return for_page(Fraction(str(bound)), told.page)


@dataclass(frozen=True)
class Lengths(Length):
    """Several sizes, each over nought."""

    name: ClassVar[str] = "lengths"
    wire: ClassVar[Any] = str | None
    several: ClassVar[bool] = True

    def read(self, raw: Any, told: Told) -> Taken:
        several = read_lengths(as_typed(raw), told.page)
        for one in several:
            self.over_nought(one.mm, told)
        return Taken(tuple(one.mm for one in several), together(several))

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return reading.spoken if reading else ", ".join(for_page(v, told.page) for v in value)


@dataclass(frozen=True)
class Place(Length):
    """Where something is: a length from a nought, on either side of it.

    >>> from runk.core.units import PageUnit
    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> float(Place("place").read("-3.5", here).value), float(Place("place").read("0", here).value)
    (-3.5, 0.0)
    """

    name: ClassVar[str] = "place"

    def read(self, raw: Any, told: Told) -> Taken:
        typed = as_typed(raw).strip().replace("−", "-").replace("–", "-")
        sign = -1 if typed.startswith("-") else 1
        reading = read_length(typed[1:].strip() if typed[:1] in "+-" else typed, told.page)
        if sign < 0:
            reading = replace(
                reading, mm=-reading.mm, spoken=f"-{reading.spoken}", echo=f"-({reading.echo})"
            )
        self.bounded(float(reading.mm), told)
        return Taken(reading.mm, reading)
