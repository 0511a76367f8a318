"""A tolerance class of ISO 286: H7 of a hole, g6 of a shaft."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from string import ascii_lowercase
from typing import Any, ClassVar

from runk.core.fits.iso import read_class
from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.lengths import Reading

_TYPED = (*ascii_lowercase, "js", "cd", "ef", "fg", "za", "zb", "zc")
"""Whatever is typed for a class is heard, so that one there is not is refused by its name."""


@dataclass(frozen=True)
class OfFitClass(Kind):
    """A class of limits, of a hole or of a shaft.

    Args:
        hole: Whether it is a hole's: capitals are how it is said, and need not be typed.
    """

    hole: bool = False

    name: ClassVar[str] = "fit class"
    numbered: ClassVar[bool] = False

    def read(self, raw: Any, told: Told) -> Taken:
        return Taken(read_class(as_typed(raw), self.hole))

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return str(value)

    def phrases(self, told: Told) -> Iterable[tuple[str, str]]:
        # An Ask line's words come with the side they stand on: see ``ask.words``.
        side = "hole" if self.hole else "shaft"
        for letter in _TYPED:
            for grade in range(1, 19):
                said = f"{letter}{grade}"
                yield f"{side}:{said}", said.upper() if self.hole else said
