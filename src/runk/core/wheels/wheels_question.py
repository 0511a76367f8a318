"""The question ``wheels`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Length, OfMachine, OfPitch, OfWheels, Pitched
from runk.core.shown import Rank, Show, Table
from runk.core.threads.hands import HAND_FIELD, Hand

NUT_MM = Fraction(10)
"""Over which the error is told: a nut of a small thread."""


@dataclass(frozen=True, slots=True)
class WheelsQuestion:
    """A pitch to be cut.

    Args:
        pitch: Wanted: millimetres, threads to the inch, a thread's name, a module.
        screw: Pitch of the leadscrew; the lathe's own where left out.
        wheels: Teeth owned; the lathe's own where left out.
        long: Over which the error is told: the nut, or the whole thread.
        hand: Which way the thread winds.
        machine: The lathe.
    """

    pitch: Annotated[
        Pitched,
        OfPitch(
            "pitch",
            ("pitch",),
            asks="Which pitch is to be cut?",
            low=0.05,
            high=50.0,
            placeholder="0.81 mm, 26 tpi or 2BA",
        ),
    ]
    screw: Annotated[
        Pitched | None,
        OfPitch("leadscrew", ("leadscrew",), low=0.5, high=30.0, placeholder="the lathe's"),
    ] = None
    wheels: Annotated[
        tuple[int, ...], OfWheels("wheels", ("wheels",), placeholder="the lathe's")
    ] = ()
    long: Annotated[
        Fraction,
        Length("thread, long", ("long", "over"), low=0.5, high=1000.0, placeholder="10 mm"),
    ] = NUT_MM
    hand: Annotated[Hand, HAND_FIELD] = Hand.RIGHT
    machine: Annotated[str, OfMachine("lathe", placeholder="the lathe")] = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class TrainShown:
    """A train, and how far out it is."""

    drivers: Annotated[tuple[int, ...], Show("Drivers")]
    driven: Annotated[tuple[int, ...], Show("Driven")]
    pitch_mm: Annotated[Figure, Show("Cuts a pitch of")]
    error_ppm: Annotated[Figure, Show("Off by")]
    off_um: Annotated[Figure, Show("Over the length")]
    gear: Annotated[str, Show("Gearbox")]
    says: Annotated[str, Show("Runs")]


@dataclass(frozen=True, slots=True, kw_only=True)
class WheelsAnswer:
    """Trains for a pitch, the nearest first."""

    set_up: Annotated[str, Show("Spindle to leadscrew", Rank.BIG)]
    error_ppm: Annotated[Figure, Show("Off by", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    half_nuts: Annotated[str, Show("Half-nuts", Rank.SAYS)]
    buy: Annotated[str, Show("One wheel more", Rank.SAYS)]
    cuts_mm: Annotated[Figure, Show("Cuts a pitch of")]
    off_um: Annotated[Figure, Show("Which over the length is")]
    ratio: Annotated[str, Show("Leadscrew to spindle")]
    wanted_mm: Annotated[Figure, Show("Wanted")]
    screw_mm: Annotated[Figure, Show("Leadscrew")]
    long_mm: Annotated[Figure, Show("Over")]
    trains: Annotated[tuple[TrainShown, ...], Table("Trains that can be set up, the nearest first")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
