"""The speeds of a machine in one line, as its plate has them."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.lengths import Reading
from runk.core.refusals import Refused

_MOST = 40
_FASTEST = 60000.0
_NUMBER = re.compile(r"\d{1,5}(?:[.,]\d{1,2})?")
_RANGE = re.compile(r"(\d{1,5}) ?(?:to|-|–|\.\.) ?(\d{1,5})")
_GAP = re.compile(r"[,;]\s*[,;]|^\s*[,;]")
"""A place of the plate that nobody filled in: the next belt would have its number."""
_GEARS = {
    "direct": "direct",
    "open": "direct",
    "back gear": "back gear",
    "backgear": "back gear",
    "back": "back gear",
    "low": "low",
    "high": "high",
}


@dataclass(frozen=True, slots=True)
class Gear:
    """The speeds of one gear: belt by belt, or from the slowest to the fastest.

    Args:
        name: ``direct``, ``back gear`` and so on; empty where there is only one.
        rpm: In the order of the plate.
        whole_range: Whether every speed between the two can be set.
    """

    name: str
    rpm: tuple[float, ...]
    whole_range: bool = False


@dataclass(frozen=True)
class Speeds(Kind):
    """Every speed of a machine, gear by gear, or the range of a variable drive.

    >>> from runk.core.units import PageUnit
    >>> from runk.core.workshop import Workshop
    >>> here = Told(PageUnit.MM, Workshop(()))
    >>> [g.name for g in Speeds("speeds").read("290 500 860, back gear 48 83 142", here).value]
    ['direct', 'back gear']
    >>> Speeds("speeds").read("100 to 2500", here).value[0].whole_range
    True
    """

    name: ClassVar[str] = "speeds"
    numbered: ClassVar[bool] = False

    def read(self, raw: Any, told: Told) -> Taken:
        typed = " ".join(as_typed(raw).lower().replace("rev/min", " ").replace("rpm", " ").split())
        if (gap := _GAP.search(typed)) is not None:
            before = typed[: gap.start()].split()
            raise Refused(
                f"A speed is missing after {before[-1] if before else 'the beginning'}: each comma "
                "parts two of them.",
                suggest=self.placeholder or None,
            )
        parts = [part.strip() for part in re.split(r"[;\n]|,(?= ?[a-z])|, ", typed) if part.strip()]
        # Commas between the numbers of one gear part nothing.
        gears: list[Gear] = []
        for part in parts:
            gear = self._gear(part)
            if not gear.name and gears and not gears[-1].whole_range and not gear.whole_range:
                gears[-1] = Gear(gears[-1].name, gears[-1].rpm + gear.rpm)
            else:
                gears.append(gear)
        if len(gears) > 1 and not gears[0].name:
            gears[0] = Gear("direct", gears[0].rpm, gears[0].whole_range)
        if sum(len(g.rpm) for g in gears) > _MOST:
            raise Refused(f"A machine has {_MOST} speeds at most.")
        if not gears:
            raise Refused(self.missing(), suggest=self.placeholder or None)
        return Taken(tuple(gears))

    def _gear(self, part: str) -> Gear:
        name = next((w for w in sorted(_GEARS, key=len, reverse=True) if part.startswith(w)), "")
        rest = part.removeprefix(name).strip(" :=,")
        if found := _RANGE.fullmatch(rest):
            low, high = float(found[1]), float(found[2])
            if not 0 < low < high <= _FASTEST:
                raise Refused(f"`{rest[:40]}` is no range of speeds.", suggest="100 to 2500")
            return Gear(_GEARS.get(name, ""), (low, high), True)
        speeds: list[float] = []
        for word in rest.replace(",", " ").split():
            if not _NUMBER.fullmatch(word):
                raise Refused(
                    f"`{word[:40]}` is no speed.", suggest="290 500 860 1480, back gear 48 83 142"
                )
            speeds.append(float(word))
        if not speeds or not all(0 < rpm <= _FASTEST for rpm in speeds):
            raise Refused(
                f"`{part[:40]}` has no speed between 1 and {_FASTEST:g} rev/min.", suggest="290 500"
            )
        return Gear(_GEARS.get(name, ""), tuple(speeds))

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        def one(gear: Gear) -> str:
            joined = (" to " if gear.whole_range else " ").join(f"{rpm:g}" for rpm in gear.rpm)
            return f"{gear.name} {joined}".strip()

        return ", ".join(one(gear) for gear in value)
