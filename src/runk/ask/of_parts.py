"""Lines that may be about a part that is kept: only then is anything looked up."""

from __future__ import annotations

import re

NEXT = re.compile(r"(?:what(?:'s| is| comes)?|whats) next (?:on|for|with|of) (?:the )?(?P<part>.+)")
HOLD = re.compile(
    r"how (?:do i|to|can i|shall i|should i) hold (?:the )?(?P<part>.+?)"
    r"(?: (?:to|for|while|when) (?P<do>.+))?"
)
CHECK = re.compile(r"check (?:the )?(?P<part>.+)")
TONIGHT = re.compile(
    r"(?:what (?:can i do )?|i have )?(?:tonight|this evening)[,:]?"
    r"(?: (?P<many>\d{1,4}) ?(?:minutes|min|m))?"
    r"|(?P<first>\d{1,4}) ?(?:minutes|min) (?:tonight|this evening)"
    r"|tonight (?P<hours>\d{1,2}(?:\.5)?) ?(?:hours|hour|h)"
)


def plain_line(line: str) -> str:
    """A line in small letters, one space between words, nothing behind."""
    return " ".join(line.lower().split()).rstrip("?!. ")


def asks_of_parts(line: str) -> bool:
    """Whether a line may be about a part.

    >>> asks_of_parts("what next on the crankshaft"), asks_of_parts("turn 22 brass")
    (True, False)
    """
    said = plain_line(line)
    return any(pattern.fullmatch(said) for pattern in (NEXT, HOLD, CHECK, TONIGHT))
