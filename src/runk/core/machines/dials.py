"""Numbers as they are read off a dial: whole turns first, divisions judged to a quarter."""

from __future__ import annotations

from math import floor

from runk.core.machines.machine import Dial

JUDGED = 0.25
"""A division can be judged to a quarter: common practice."""
_QUARTERS = {0.25: "1/4", 0.5: "1/2", 0.75: "3/4"}


def divisions_say(divisions: float) -> str:
    """Divisions as they are read off a dial, to a quarter.

    >>> divisions_say(16.25), divisions_say(0.5), divisions_say(12)
    ('16 1/4', '1/2', '12')
    """
    quarters = round(divisions / JUDGED)
    whole, rest = divmod(quarters, 4)
    part = _QUARTERS.get(rest * JUDGED, "")
    return f"{whole} {part}".strip() if whole or not part else part


def turns_say(divisions: float, per_turn: int) -> str:
    """Divisions as they are wound, whole turns first.

    Nothing is left over where the turns come out even.

    >>> turns_say(216.0, 100), turns_say(300.0, 100), turns_say(16.25, 100)
    ('2 turns and 16', '3 turns', '16 1/4')
    """
    turns = floor((divisions + 1e-9) / per_turn)
    rest = divisions - turns * per_turn
    if not turns or per_turn < 2:
        return divisions_say(divisions)
    said = f"{turns} turn{'s' if turns > 1 else ''}"
    return said if rest < JUDGED / 2 else f"{said} and {divisions_say(rest)}"


def back_say(divisions: float, per_turn: int) -> str:
    """Where a dial stands that counts up winding in, so many divisions wound out from nought.

    >>> back_say(39.25, 100), back_say(0.0, 100), back_say(117.0, 100)
    ('60 3/4 (39 1/4 back)', '0', '83 (1 turn and 17 back)')
    """
    judged = round(divisions / JUDGED) * JUDGED
    if not judged:
        return "0"
    return f"{divisions_say(-judged % per_turn)} ({turns_say(judged, per_turn)} back)"


def mark_say(divisions: float, per_turn: int, *, back: bool = False) -> str:
    """Where a dial that stood at nought is wound to, as it is read.

    Args:
        divisions: From nought.
        per_turn: Divisions a turn.
        back: Wound outwards, a dial that counts up winding in counts down.

    >>> mark_say(15.8, 100), mark_say(116.5, 100), mark_say(7.75, 100, back=True)
    ('15 3/4', '16 1/2 (1 turn and 16 1/2)', '92 1/4 (7 3/4 back)')
    """
    if back:
        return back_say(divisions, per_turn)
    judged = round(divisions / JUDGED) * JUDGED
    mark = divisions_say(judged % per_turn)
    return f"{mark} ({turns_say(judged, per_turn)})" if judged >= per_turn else mark


def judged_divisions(dial: Dial, travel_mm: float) -> float:
    """Divisions for a travel, to the quarter that can be judged.

    >>> judged_divisions(Dial("tailstock", "inch", 0.001, 100), 12.7)
    500.0
    """
    return round(travel_mm / dial.travel_mm / JUDGED) * JUDGED
