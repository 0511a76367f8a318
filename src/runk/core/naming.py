"""Names that people give: of machines, tools, metals, engines and parts."""

from __future__ import annotations

import unicodedata

from runk.core.refusals import Refused

_BLANKS = frozenset("\u115f\u1160\u3164\uffa0\u2800")
"""Letters that are nothing to be seen: fillers of Hangul, the blank of braille."""
_JOINER = "\u200d"
"""Joins letters of some scripts; the one invisible mark a name may need."""


def plain_name(name: str, longest: int, what: str, field: str = "name", suggest: str = "") -> str:
    """A name without spaces at its ends, of characters that are seen as they stand.

    Args:
        name: As typed.
        longest: Characters it may have.
        what: Whose name: *machine*, *tool*.
        field: Where it was typed.
        suggest: A name that would do.

    Raises:
        Refused: Nothing to be seen, too long, or a mark in it that hides, turns round or rings.

    >>> plain_name(" Bench lathe ", 40, "machine")
    'Bench lathe'
    """
    name = name.strip()
    if any(_hides(character) for character in name):
        raise Refused(
            f"There is a character in the name of the {what} that cannot be seen: type it again.",
            field=field,
        )
    if not name:
        raise Refused(f"Give the {what} a name.", field=field, suggest=suggest or None)
    if len(name) > longest:
        raise Refused(f"A name can be {longest} characters at most.", field=field)
    return name


def _hides(character: str) -> bool:
    # Cc rings and breaks tables, Cf turns 5.1 into 1.5 on the screen, Cs is half a character.
    # Zl and Zp break a line; fillers and the blank of braille are letters nobody sees.
    hidden = unicodedata.category(character) in ("Cc", "Cf", "Cs", "Zl", "Zp")
    return (hidden and character != _JOINER) or character in _BLANKS
