"""Free text."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed


@dataclass(frozen=True)
class Text(Kind):
    """Words, kept as they are."""

    name: ClassVar[str] = "text"
    numbered: ClassVar[bool] = False

    def read(self, raw: Any, told: Told) -> Taken:
        return Taken(as_typed(raw))
