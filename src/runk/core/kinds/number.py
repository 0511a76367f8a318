"""Plain numbers, counts, and figures that have a unit of their own."""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass, field
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.lengths import Reading
from runk.core.pressures import pressure_say, read_pressure
from runk.core.refusals import Refused

_WIRE = str | float | int | None
_NUMBER = re.compile(r"(?=\.?[0-9])[0-9]{0,7}\.?[0-9]{0,6}")
_MINUTES = re.compile(r"(-?[0-9]{1,5})(?:°| deg| degrees)? ?([0-5]?[0-9])(?:'|′| min)")
_WHOLE = re.compile(r"[0-9]{1,6}")


@dataclass(frozen=True)
class Count(Kind):
    """A whole number of things.

    Args:
        spoken: Words that say one of them, and which: no rings.
        silent: The usual count, left unsaid when the question is said back.
    """

    spoken: tuple[tuple[str, str], ...] = ()
    silent: int | None = None

    name: ClassVar[str] = "count"
    open: ClassVar[str] = "how many"
    wire: ClassVar[Any] = _WIRE
    step: ClassVar[str] = r"[0-9]"

    def read(self, raw: Any, told: Told) -> Taken:
        text = as_typed(raw).strip()
        if not _WHOLE.fullmatch(text):
            raise Refused(f"`{text[:40]}` is not a whole number.", suggest=self.placeholder or "4")
        self.bounded(int(text), told)
        return Taken(int(text))

    def takes(self, text: str, told: Told) -> bool:
        return text.isdigit()

    def phrases(self, told: Told) -> Iterable[tuple[str, str]]:
        return self.spoken

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        # None of what must be one at least is not told.
        untold = value == 0 and (self.low or 0) > 0
        return "" if untold or (value == self.silent and not every) else str(value)


@dataclass(frozen=True)
class Number(Kind):
    """A number over nought, with the units that may be typed behind it.

    Args:
        units: What may stand behind the number; it is passed over.
        signed: Whether it may be less than nought.
    """

    units: tuple[str, ...] = ()
    signed: bool = False

    name: ClassVar[str] = "number"
    open: ClassVar[str] = "how much"
    wire: ClassVar[Any] = _WIRE

    def read(self, raw: Any, told: Told) -> Taken:
        value = self.value_of(self.bare(as_typed(raw)))
        self.bounded(value, told)
        return Taken(value)

    def takes(self, text: str, told: Told) -> bool:
        try:
            self.read(text, told)
        except Refused:
            return False
        return True

    def bare(self, typed: str) -> str:
        """The digits, without the unit behind them."""
        text = typed.strip().lower().replace(",", ".").replace("−", "-")
        unit = next((u for u in sorted(self.units, key=len, reverse=True) if text.endswith(u)), "")
        return text.removesuffix(unit).strip()

    def value_of(self, text: str) -> float:
        """The number itself.

        Raises:
            Refused: It is none, or less than nothing where that means nothing.
        """
        size = text.lstrip("+-").strip()
        if text.startswith("-") and not self.signed:
            raise Refused(
                f"{self.label.capitalize()}: `{text[:40]}` is less than nothing.",
                suggest=self.placeholder or size,
            )
        if not _NUMBER.fullmatch(size):
            raise Refused(f"`{text[:40]}` is not a number.", suggest=self.placeholder or "1.6")
        return -float(size) if text.startswith("-") else float(size)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return f"{value:g}"


@dataclass(frozen=True)
class Angle(Number):
    """An angle in degrees; minutes may stand behind them.

    >>> from runk.core.units import PageUnit
    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> Angle("angle").read("22 30'", here).value, Angle("angle").read("22.5°", here).value
    (22.5, 22.5)
    """

    units: tuple[str, ...] = ("degrees", "degree", "deg", "°")

    name: ClassVar[str] = "angle"

    def read(self, raw: Any, told: Told) -> Taken:
        typed = as_typed(raw).strip().lower()
        if parts := _MINUTES.fullmatch(typed):
            size = abs(int(parts[1])) + int(parts[2]) / 60
            typed = f"-{size:.6f}" if parts[1].startswith("-") else f"{size:.6f}"
        value = self.value_of(self.bare(typed))
        self.bounded(value, told)
        return Taken(value)

    def say_bound(self, bound: float, told: Told) -> str:
        return f"{bound:g}°"


@dataclass(frozen=True)
class Temperature(Number):
    """A temperature in degrees Celsius; typed in either scale, said in both.

    >>> from runk.core.units import PageUnit
    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> Temperature("temperature").read("212 F", here).value
    100.0
    """

    units: tuple[str, ...] = ("°c", "deg c", "c", "celsius", "°")
    signed: bool = True
    low: float | None = field(default=-273.15, kw_only=True)

    name: ClassVar[str] = "temperature"
    begins: ClassVar[str] = r"[-+−]?\.?\d"

    def read(self, raw: Any, told: Told) -> Taken:
        typed = as_typed(raw).strip().lower()
        warm = re.fullmatch(r"(.*?) ?(?:°f|deg f|f|fahrenheit)", typed)
        value = self.value_of(self.bare(warm[1] if warm else typed))
        celsius = (value - 32) / 1.8 if warm else value
        self.bounded(celsius, told)
        return Taken(celsius)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return f"{value:.4g} °C ({value * 1.8 + 32:.4g} °F)"

    def say_bound(self, bound: float, told: Told) -> str:
        return f"{bound:g} °C"


@dataclass(frozen=True)
class Pressure(Kind):
    """A pressure, in newtons a square millimetre."""

    name: ClassVar[str] = "pressure"
    wire: ClassVar[Any] = _WIRE
    in_page_unit: ClassVar[bool] = True

    def read(self, raw: Any, told: Told) -> Taken:
        value = read_pressure(as_typed(raw), told.page)
        self.bounded(value, told)
        return Taken(value)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return pressure_say(value, told.page)

    def say_bound(self, bound: float, told: Told) -> str:
        return pressure_say(bound, told.page)
