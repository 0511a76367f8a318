"""What heat does to sizes, and what each metal bears of it."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from runk.core.figures import Holds, Num, law
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.sources import PRACTICE, Held, Source, read_table

ROOM_C = 20.0
"""Sizes are what they measure at this: ISO 1."""
GROWS_TO_C = 400.0
"""As far as a metal's mean expansion is told of it: hotter it grows more for each degree.
Common practice: the coefficients of the table are means from cold to about this, recalled."""
ISO_1 = Source("iso-1", Held.RECALLED)
_GROWS = Holds(
    f"it is between -100 and {GROWS_TO_C:.0f} °C", lambda hot_c: -100 <= hot_c <= GROWS_TO_C
)


@law(
    "Hot it is",
    "{size_mm} × (1 + {expansion_um_per_m_k} × ({hot_c} - 20) ÷ 1 000 000)",
    ISO_1,
    holds=_GROWS,
)
def hot_limit_mm(size_mm: Num, expansion_um_per_m_k: Num, hot_c: Num) -> Num:
    """A size at another temperature than 20 °C.

    Args:
        size_mm: At 20 °C.
        expansion_um_per_m_k: Of the metal.
        hot_c: Its temperature, Celsius.

    >>> round(hot_limit_mm(101.6, 20.9, 32.0), 3)
    101.625
    """
    return size_mm * (1 + expansion_um_per_m_k * (hot_c - ROOM_C) * 1e-6)


@law("The shaft, made to it", "{hole_mm} - {free_mm}")
def shaft_free_limit_mm(hole_mm: Num, free_mm: Num) -> Num:
    """Shaft that is free in its hole by so much, both cold.

    >>> shaft_free_limit_mm(22.0, 0.5)
    21.5
    """
    return hole_mm - free_mm


@law("With what is left on it", "{last_mm} + {left_mm}", PRACTICE)
def left_on_limit_mm(last_mm: Num, left_mm: Num) -> Num:
    """Diameter a shaft or a piston keeps until it is brought to its last size.

    >>> left_on_limit_mm(22.0, 0.5)
    22.5
    """
    return last_mm + left_mm


@law("The hole, made to it", "{shaft_mm} + {free_mm}")
def hole_free_limit_mm(shaft_mm: Num, free_mm: Num) -> Num:
    """Hole that leaves a shaft free by so much, both cold.

    >>> hole_free_limit_mm(22.0, 0.5)
    22.5
    """
    return shaft_mm + free_mm


@law(
    "The shaft, made for it",
    "({hole_mm} - {wanted_mm}) ÷ (1 + {expansion_um_per_m_k} × ({hot_c} - 20) ÷ 1 000 000)",
    ISO_1,
    holds=_GROWS,
)
def shaft_for_limit_mm(hole_mm: Num, wanted_mm: Num, expansion_um_per_m_k: Num, hot_c: Num) -> Num:
    """Shaft at 20 °C that leaves a wanted clearance where both are hot.

    Args:
        hole_mm: The hole, hot.
        wanted_mm: Clearance wanted, hot.
        expansion_um_per_m_k: Of the shaft.
        hot_c: The shaft's temperature.

    >>> round(shaft_for_limit_mm(22.02, 0.03, 23.4, 120.0), 3)
    21.939
    """
    return (hole_mm - wanted_mm) / (1 + expansion_um_per_m_k * (hot_c - ROOM_C) * 1e-6)


@law(
    "Heat the boss to",
    "{room_c} + ({tight_mm} + {free_mm}) ÷ ({size_mm} × {expansion_um_per_m_k}) × 1 000 000",
    holds=Holds(
        f"it comes to no more than {GROWS_TO_C:.0f} °C",
        lambda room_c, tight_mm, free_mm, size_mm, expansion_um_per_m_k: (
            room_c + (tight_mm + free_mm) / (size_mm * expansion_um_per_m_k) * 1e6 <= GROWS_TO_C
        ),
    ),
)
def heat_c(
    room_c: Num, tight_mm: Num, free_mm: Num, size_mm: Num, expansion_um_per_m_k: Num
) -> Num:
    """Temperature at which a boss has opened so far that its shaft drops in.

    Args:
        room_c: What both begin at.
        tight_mm: Interference; ``free_mm`` what is wanted to spare besides.
        size_mm: Diameter of the joint.
        expansion_um_per_m_k: Of the boss.

    >>> round(heat_c(20.0, 0.03, 0.02, 20.0, 11.7))
    234
    """
    return room_c + (tight_mm + free_mm) / (size_mm * expansion_um_per_m_k) * 1e6


@law(
    "Or cool the shaft to",
    "{room_c} - ({tight_mm} + {free_mm}) ÷ ({size_mm} × {expansion_um_per_m_k}) × 1 000 000",
    holds=Holds(
        "it comes to no less than -200 °C",
        lambda room_c, tight_mm, free_mm, size_mm, expansion_um_per_m_k: (
            room_c - (tight_mm + free_mm) / (size_mm * expansion_um_per_m_k) * 1e6 >= -200
        ),
    ),
)
def cool_c(
    room_c: Num, tight_mm: Num, free_mm: Num, size_mm: Num, expansion_um_per_m_k: Num
) -> Num:
    """Temperature at which a shaft has shrunk so far that it drops in.

    >>> round(cool_c(20.0, 0.01, 0.01, 20.0, 23.4))
    -23
    """
    return room_c - (tight_mm + free_mm) / (size_mm * expansion_um_per_m_k) * 1e6


@law(
    "With the shaft cooled, heat the boss to",
    "{alone_c} - {shaft_um_per_m_k} × ({room_c} - {cold_c}) ÷ {boss_um_per_m_k}",
)
def both_c(
    alone_c: Num, shaft_um_per_m_k: Num, boss_um_per_m_k: Num, room_c: Num, cold_c: Num
) -> Num:
    """Temperature of a boss that is enough where its shaft was cooled as well.

    >>> round(both_c(234.0, 11.7, 11.7, 20.0, -18.0))
    196
    """
    return alone_c - shaft_um_per_m_k * (room_c - cold_c) / boss_um_per_m_k


@dataclass(frozen=True, slots=True)
class Bears:
    """What heat a metal bears without harm, and where it melts."""

    bears_c: float
    melts_c: float
    why: str
    source: Source


@cache
def _bears() -> dict[str, Bears]:
    return {
        row["metal"]: Bears(
            float(row["bears_c"]),
            float(row["melts_c"]),
            row["why"],
            Source(row["authority"], Held(row["held"])),
        )
        for row in read_table("metal_heat")
    }


def bears(metal: Metal) -> Bears:
    """What heat a metal bears; of one's own, what the one it was copied from does.

    >>> from runk.core.metals.metal import shipped_metals
    >>> bears(shipped_metals()["dural"]).bears_c
    150.0
    """
    return _bears()[metal.kind]


def below_melting(metal: Metal, hot_c: float, field: str) -> None:
    """Refuse a temperature no such part is at.

    Raises:
        Refused: It melts there.
    """
    if hot_c >= bears(metal).melts_c:
        raise Refused(
            f"{metal.name.capitalize()} melts near {bears(metal).melts_c:.0f} °C.",
            field=field,
            suggest="120 C",
        )


def growth_known(hot_c: float, field: str) -> None:
    """Refuse a temperature at which it is not known how much a metal has grown.

    Raises:
        Refused: It is over ``GROWS_TO_C``.
    """
    if hot_c > GROWS_TO_C:
        says = f"How metals grow is known here up to {GROWS_TO_C:.0f} °C: hotter they grow more."
        raise Refused(says, field=field, suggest=f"{GROWS_TO_C:.0f} C")
