"""One of several things: what each is called, and what people type for it."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field
from typing import Any, ClassVar

from runk.core.kinds.base import Kind, Taken, Told
from runk.core.lengths import Reading
from runk.core.refusals import Refused


@dataclass(frozen=True, slots=True)
class Choice:
    """One thing a choice field can be.

    Args:
        key: Stored and sent.
        label: As it stands in the sentence.
        words: What people type for it.
        only: Keys of the ruling field under which it makes sense; empty for all.
        yields_to: Keys of more particular choices: said together, those are meant.
        silent: The usual case, left unsaid when the question is said back.
    """

    key: str
    label: str
    words: tuple[str, ...] = ()
    only: tuple[str, ...] = ()
    silent: bool = False
    yields_to: tuple[str, ...] = ()


@dataclass(frozen=True)
class OneOf(Kind):
    """One of its choices.

    Args:
        choices: What it can be.
        rules: This choice decides which other fields are asked.
    """

    choices: tuple[Choice, ...] = ()
    rules: bool = field(default=False, kw_only=True)

    name: ClassVar[str] = "choice"
    widget: ClassVar[str] = "chosen"
    numbered: ClassVar[bool] = False

    def read(self, raw: Any, told: Told) -> Taken:
        wanted = str(raw).strip().lower()
        chosen = "" if self.rules else told.chosen
        meant = next(
            (c for c in self.choices if wanted in (c.key, c.label.lower()) or wanted in c.words),
            None,
        )
        if meant is not None and self._fits(meant, chosen):
            return Taken(meant.key)
        offered = ", ".join(c.label for c in self.choices if self._fits(c, chosen))
        if meant is not None:
            says = f"`{meant.label}` does not go with `{chosen.replace('-', ' ')}`."
        else:
            says = f"I do not know `{str(raw)[:40]}` here."
        raise Refused(says, suggest=offered)

    @staticmethod
    def _fits(choice: Choice, chosen: str) -> bool:
        return not chosen or not choice.only or chosen in choice.only

    def of(self, key: str) -> Choice:
        """The choice with that key."""
        return next(c for c in self.choices if c.key == key)

    def say(self, value: Any, reading: Reading | None, told: Told, every: bool = False) -> str:
        choice = self.of(value)
        return "" if choice.silent and not every else choice.label

    def phrases(self, told: Told) -> Iterable[tuple[str, str]]:
        for choice in self.choices:
            for spoken in (choice.label, *choice.words):
                yield spoken.lower(), choice.key
