"""What kind of thing each field of a question is, and the words that hint at it.

One description serves the room's sentence, Ask's parser, the HTTP model and the CLI.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum


class Kind(StrEnum):
    """The kinds of field there are. Ask has one reader for each, not one per calculator."""

    LENGTH = "length"
    LENGTHS = "lengths"
    CHOICE = "choice"
    METAL = "metal"
    METALS = "metals"
    MACHINE = "machine"
    COUNT = "count"
    NUMBER = "number"
    THREAD = "thread"
    PRESSURE = "pressure"
    TEXT = "text"


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


@dataclass(frozen=True, slots=True)
class Field:
    """A field of a question.

    Args:
        kind: What it holds.
        label: Its name in words.
        hints: Words that claim the number beside them, before or after.
        before: Words that claim only the number after them: *from* 16 *to* 14.5.
        principal: Takes the first number nothing else claims.
        choices: For a choice.
        only: Keys of the ruling field under which it is asked; empty for all.
        low: Smallest allowed (millimetres or a count); lengths must be over 0 in any case.
        high: Largest allowed.
        placeholder: Shown where nothing is given.
        rules: This choice decides which other fields are asked.
        own: Belongs to that choice as it stands: let go when another is chosen.
    """

    kind: Kind
    label: str
    hints: tuple[str, ...] = ()
    principal: bool = False
    choices: tuple[Choice, ...] = ()
    only: tuple[str, ...] = ()
    low: float | None = None
    high: float | None = None
    placeholder: str = ""
    rules: bool = False
    own: bool = False
    before: tuple[str, ...] = ()
