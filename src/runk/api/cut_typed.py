"""What somebody types about a reading: sizes, divisions, degrees; and a slip asked about."""

from __future__ import annotations

import re
from fractions import Fraction

from fastapi import Response

from runk.api.problems import problem
from runk.core.lengths.several import read_lengths
from runk.core.plan.slips import Slip
from runk.core.refusals import Refused
from runk.core.said import mm_said, worded
from runk.core.units import PageUnit

_DIVISIONS = re.compile(r"(\d{1,5}(?:[.,]\d{1,4})?)?\s*(?:(\d{1,2})/(\d{1,2}))?")


def divisions_typed(text: str | None) -> float | None:
    """Divisions as somebody types them: ``16``, ``16.5``, ``16 1/2``; None where not said.

    Raises:
        Refused: It is no number of divisions.

    >>> divisions_typed("16 1/2"), divisions_typed(""), divisions_typed("0")
    (16.5, None, 0.0)
    """
    if text is None or not text.strip():
        return None
    match = _DIVISIONS.fullmatch(text.strip())
    if match is None or not (match[1] or match[2]) or (match[3] and int(match[3]) == 0):
        raise Refused(f"`{text[:20]}` is no number of divisions.", field="wound", suggest="16 1/2")
    whole = Fraction((match[1] or "0").replace(",", "."))
    part = Fraction(int(match[2]), int(match[3])) if match[2] else Fraction(0)
    return float(whole + part)


def degrees_typed(text: str | None) -> float | None:
    """How warm a part was as somebody types it; None where not said.

    Raises:
        Refused: No temperature of a work-piece.

    >>> degrees_typed("35 C")
    35.0
    """
    if text is None or not text.strip():
        return None
    match = re.fullmatch(r"(\d{1,3}(?:[.,]\d)?)\s*(?:°?\s*C)?", text.strip(), re.IGNORECASE)
    degrees = float(match[1].replace(",", ".")) if match else -1.0
    if not 0 <= degrees <= 300:
        raise Refused(
            f"`{text[:20]}` is no temperature of a work-piece in °C.", field="warm", suggest="35"
        )
    return degrees


def sizes_typed(text: str, page: PageUnit) -> tuple[float, ...]:
    """Sizes read at one or several places, in millimetres.

    Raises:
        Refused: One of them is none.

    >>> sizes_typed("14.5; 14.52", PageUnit.MM)
    (14.5, 14.52)
    """
    try:
        return tuple(float(one.mm) for one in read_lengths(text, page))
    except Refused as refused:
        raise refused.on("reading") from None


def slipped(found: Slip, page: PageUnit) -> Response:
    """The question back: was it meant so?"""
    meant = found.meant_mm
    return problem(
        422,
        "Looks like a slip",
        worded(found.says, page),
        "reading",
        None if meant is None else worded(mm_said(meant, 3), page),
        {"slip": True},
    )
