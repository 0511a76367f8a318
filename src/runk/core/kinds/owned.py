"""What the workshop names: its metals and its machines."""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.lengths import Reading
from runk.core.metals import find_metal
from runk.core.metals.metal import metal_names

_PARTED = re.compile(r"[,;\n]|\sand\s")
_EVERY = frozenset({"all", "every metal", "all metals"})
_STARTS = ("on the", "on", "in the", "with the", "using the", "for the", "for")


@dataclass(frozen=True)
class OfMetal(Kind):
    """A metal of this workshop, by any name it goes by."""

    name: ClassVar[str] = "metal"
    widget: ClassVar[str] = "chosen"
    numbered: ClassVar[bool] = False

    def read(self, raw: Any, told: Told) -> Taken:
        return Taken(find_metal(as_typed(raw), told.workshop.metals).key)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return told.workshop.metals[value].name

    def phrases(self, told: Told) -> Iterable[tuple[str, str]]:
        return metal_names(told.workshop.metals).items()


@dataclass(frozen=True)
class OfMetals(OfMetal):
    """Several metals; ``all`` means every one."""

    name: ClassVar[str] = "metals"
    widget: ClassVar[str] = "typed"
    several: ClassVar[bool] = True

    def read(self, raw: Any, told: Told) -> Taken:
        named = [text.strip() for text in _PARTED.split(as_typed(raw)) if text.strip()]
        metals = told.workshop.metals
        keys = [find_metal(n, metals).key for n in named if n.lower() not in _EVERY]
        return Taken(tuple(dict.fromkeys(keys)))

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return ", ".join(told.workshop.metals[key].name for key in value)


@dataclass(frozen=True)
class OfMachine(Kind):
    """A machine of this workshop; left open, the usual one."""

    name: ClassVar[str] = "machine"
    widget: ClassVar[str] = "chosen"
    numbered: ClassVar[bool] = False

    def read(self, raw: Any, told: Told) -> Taken:
        return Taken(as_typed(raw))

    def phrases(self, told: Told) -> Iterable[tuple[str, str]]:
        for machine in told.workshop.machines:
            for called in (machine.name.lower(), machine.key.lower(), machine.kind.value):
                for start in _STARTS:
                    yield f"{start} {called}", machine.key
        for machine in told.workshop.machines:
            for called in (machine.name.lower(), machine.kind.value):
                yield called, machine.key
