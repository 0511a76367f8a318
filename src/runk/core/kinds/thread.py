"""A thread, by the names people type for it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told, as_typed
from runk.core.lengths import Reading
from runk.core.threads.series import find_thread, names_thread


@dataclass(frozen=True)
class OfThread(Kind):
    """A thread of any series, or a special of any diameter and pitch."""

    name: ClassVar[str] = "thread"
    widget: ClassVar[str] = "size"

    def read(self, raw: Any, told: Told) -> Taken:
        return Taken(find_thread(as_typed(raw)))

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        return str(value.name)

    def takes(self, text: str, told: Told) -> bool:
        return names_thread(text)
