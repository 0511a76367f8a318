"""When half-nuts may be opened: by both pitches, and by the thread dial."""

from __future__ import annotations

from fractions import Fraction

_CLOSED = "Stay closed until the thread is done"
_FEWEST = 12
"""A dial's wheel has more teeth than this: common practice."""
MOST_TURNS = 16
"""Past so many turns nobody counts: the nut stays closed."""


def turns_to_meet(screw_mm: Fraction, lead_mm: Fraction) -> int:
    """Turns of a leadscrew after which it and the thread meet again.

    >>> turns_to_meet(Fraction(254, 80), Fraction(254, 260))
    4
    """
    return (screw_mm / lead_mm).denominator


def may_open(screw_mm: Fraction, lead_mm: Fraction, teeth: float | None) -> bool:
    """Whether the half-nuts may be opened, anywhere or by a dial that is there.

    >>> may_open(Fraction(3), Fraction(3, 2), None), may_open(Fraction(3), Fraction(7, 10), 16)
    (True, False)
    >>> may_open(Fraction(3), Fraction(2), None), may_open(Fraction(3), Fraction(2), 16)
    (False, True)
    """
    turns = turns_to_meet(screw_mm, lead_mm)
    return turns == 1 or (turns <= MOST_TURNS and teeth is not None and int(teeth) % turns == 0)


def half_nuts_say(screw_mm: Fraction, lead_mm: Fraction, teeth: float | None = None) -> str:
    """Whether the half-nuts may be opened.

    Args:
        screw_mm: Pitch of the leadscrew; ``lead_mm`` of the thread.
        teeth: Of the thread dial's wheel; None where nothing is known of it.

    >>> half_nuts_say(Fraction(3), Fraction(3, 2))
    "May be opened anywhere: the pitch goes into the leadscrew's."
    >>> half_nuts_say(Fraction(3), Fraction(7, 10), 16)
    'Stay closed until the thread is done: no number of this dial finds the thread again.'
    """
    turns = turns_to_meet(screw_mm, lead_mm)
    if turns == 1:
        return "May be opened anywhere: the pitch goes into the leadscrew's."
    if turns <= MOST_TURNS and teeth is not None and int(teeth) % turns:
        return f"{_CLOSED}: no number of this dial finds the thread again."
    if turns <= MOST_TURNS and teeth is None:
        return (
            f"{_CLOSED}: stop, draw the tool out, run back in reverse. No thread dial is told of; "
            f"with one they close again every {turns} turns of the leadscrew."
        )
    if turns <= MOST_TURNS:
        return (
            f"Open only where they close again in the same thread: every {turns} "
            "turns of the leadscrew, by the dial's number."
        )
    return f"{_CLOSED}: stop, draw the tool out, run back in reverse."


def dial_says(screw_mm: Fraction, lead_mm: Fraction, teeth: float | None) -> str:
    """Which marks of a thread dial will do.

    Args:
        screw_mm: Pitch of the leadscrew; ``lead_mm`` of the thread.
        teeth: Of the dial's wheel; None where there is none.

    >>> dial_says(Fraction(254, 80), Fraction(254, 260), 16)
    '4 marks, a quarter of a turn apart, all alike.'
    >>> dial_says(Fraction(3), Fraction(7, 10), 16)
    'No number of it will do: its wheel would need 14 or 21 teeth.'
    """
    turns = turns_to_meet(screw_mm, lead_mm)
    if turns > MOST_TURNS:
        return "No number of it will do."
    if teeth is None or turns == 1:
        return "Any number will do." if turns == 1 else "None is told of in the Workshop."
    if int(teeth) % turns:
        # Once round, the dial shows its number again, and the thread stands elsewhere.
        least = -(-_FEWEST // turns) * turns
        will = f"{least} or {least + turns}"
        return f"No number of it will do: its wheel would need {will} teeth."
    marks = int(teeth) // turns
    shares = {1: "a turn", 2: "half a turn", 4: "a quarter of a turn"}
    return f"{marks} marks, {shares.get(marks, f'1/{marks} of a turn')} apart, all alike."
