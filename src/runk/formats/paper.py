"""Paper that is printed on."""

from __future__ import annotations

from enum import StrEnum


class Paper(StrEnum):
    """Paper it is printed on."""

    A4 = "a4"
    LETTER = "letter"
