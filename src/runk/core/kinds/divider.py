"""A dividing head or rotary table: one that is owned, by its name, or one as told."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.tools.details import LONGEST_DETAIL, divider_of

_RATIOS = (5, 6, 30, 36, 40, 60, 72, 90, 120)
"""Ratios that are sold, so that they are known in a line."""


@dataclass(frozen=True)
class OfDivider(Kind):
    """A dividing head by its name, or its ratio and circles.

    >>> from runk.core.units import PageUnit
    >>> from runk.core.workshop import Workshop
    >>> OfDivider("head").read("60:1; 15 to 20", Told(PageUnit.MM, Workshop(()))).value
    '60:1; 15 to 20'
    """

    name: ClassVar[str] = "divider"
    numbered: ClassVar[bool] = False
    reach: ClassVar[int] = LONGEST_DETAIL

    def read(self, raw: Any, told: Told) -> Taken:
        typed = " ".join(as_typed(raw).split())
        owned = {t.name.lower(): t.name for t in told.workshop.dividers}
        owned |= {t.kind.value: t.name for t in reversed(told.workshop.dividers)}
        if named := owned.get(typed.lower()):
            return Taken(named)
        if not typed[:1].isdigit():
            known = " or ".join(t.name for t in told.workshop.dividers) or "40:1; 15 to 20"
            raise Refused(f"There is no `{typed[:40]}` in the trays.", suggest=known)
        divider_of(typed)
        return Taken(typed)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return str(value)

    def phrases(self, told: Told) -> Iterable[tuple[str, str]]:
        for ratio in _RATIOS:
            yield f"{ratio}:1", f"{ratio}:1"
            yield f"{ratio} to 1", f"{ratio}:1"
        for called in ("dividing head", "rotary table"):
            for start in ("on the", "on a", "with the", "on my"):
                yield f"{start} {called}", called
            yield called, called
