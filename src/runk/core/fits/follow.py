"""A mate followed: a pure fold of what was asked and what was read since."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction

from runk.core.fits.mate_question import Make, MateQuestion
from runk.core.fits.mate_sizes import MateShop
from runk.core.fits.measured import Station, measured
from runk.core.metals.metal import Metal
from runk.core.plan.events import EventKind
from runk.core.plan.laws import cold_mm
from runk.core.plan.slips import Slip, meant_sizes
from runk.core.said import mm_said

_NEAR = 0.03
"""A size so near to what was to be expected, as a share of it, is what was meant."""
_FAR = 0.25
"""A reading so far from it, as a share, is looked at for slips."""
_GROWS_MM = 0.03


class Side(StrEnum):
    """Which of the two was read."""

    THERE = "there"
    MADE = "made"


@dataclass(frozen=True, slots=True)
class MateEvent:
    """One thing that happened to a mate; never changed afterwards.

    Args:
        id: Grows with time.
        kind: A reading, or the undoing of one.
        side: Which part was read.
        stations: As read.
        warm_deg: Temperature of the part then, Celsius.
        undoes: The event an undo takes back.
    """

    id: int
    kind: EventKind
    side: Side
    stations: tuple[Station, ...] = ()
    warm_deg: float | None = None
    undoes: int | None = None


def folded(question: MateQuestion, events: Iterable[MateEvent], shop: MateShop) -> MateQuestion:
    """The question as it stands after readings, undos already taken out.

    The part that is there gathers its readings; of the part that is made the last count, for
    metal goes between them.

    Args:
        question: As it was begun.
        events: Oldest first.
        shop: For the metals of what was read warm.
    """
    for event in events:
        stations = _cold(event, _metal(question, shop, event.side))
        if event.side is Side.MADE:
            question = replace(question, made=stations)
        else:
            count = len(question.there)
            numbered = tuple(
                replace(one, name=str(count + n)) if one.name.isdigit() else one
                for n, one in enumerate(stations, 1)
            )
            question = replace(question, there=question.there + numbered)
    return question


def _metal(question: MateQuestion, shop: MateShop, side: Side) -> Metal:
    shaft = (side is Side.MADE) == (question.make is Make.SHAFT)
    return shop.shaft if shaft else shop.hole


def _cold(event: MateEvent, metal: Metal) -> tuple[Station, ...]:
    if event.warm_deg is None:
        return event.stations
    expands, warm = metal["expansion_um_per_m_k"], event.warm_deg

    def one(size: Fraction) -> Fraction:
        return Fraction(str(round(cold_mm(float(size), expands, warm), 6)))

    return tuple(
        replace(station, sizes=tuple(map(one, station.sizes))) for station in event.stations
    )


def slip(question: MateQuestion, side: Side, stations: tuple[Station, ...]) -> Slip | None:
    """Whether a reading looks like a slip, beside what was read before.

    Args:
        question: As it stands before the reading.
        side: Which part was read.
        stations: As read.

    >>> bore = (Station("1", (Fraction(22),)),)
    >>> inch = (Station("1", (Fraction("0.8661"),)),)
    >>> slip(MateQuestion(there=bore), Side.THERE, inch).says
    'It looks like inches taken for millimetres.'
    """
    known = question.made if side is Side.MADE and question.made else question.there
    looked = measured(known, every=True)
    expected = sum(looked.means) / len(looked.means)
    for size in (float(mm) for one in stations for mm in one.sizes):
        if abs(size - expected) > _FAR * expected:
            for meant, says in meant_sizes(size):
                if abs(meant - expected) <= _NEAR * expected:
                    return Slip(meant, says)
        if side is Side.MADE and question.made:
            shaft = question.make is Make.SHAFT
            before = looked.largest[1] if shaft else looked.smallest[1]
            grown = size - before if shaft else before - size
            if grown > _GROWS_MM:
                says = (
                    f"That is {mm_said(grown, 3)} {'larger' if shaft else 'smaller'} than before: "
                    "metal does not grow back. Was the other one wrong, or this one?"
                )
                return Slip(None, says)
    return None
