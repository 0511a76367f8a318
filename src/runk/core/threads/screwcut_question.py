"""The question ``screwcut`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.cutting.answer import OwnFigure
from runk.core.cutting.question import OWN_RPM_FIELD
from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Choice, Count, Length, OfMachine, OfMetal, OneOf
from runk.core.shown import Rank, Show, Table
from runk.core.threads.hands import HAND_FIELD, Hand
from runk.core.threads.series import Thread
from runk.core.threads.thread import THREAD_FIELD


class Side(StrEnum):
    """A screw or a nut."""

    OUTSIDE = "outside"
    INSIDE = "inside"


class Feed(StrEnum):
    """Straight in, or along the top slide."""

    STRAIGHT = "straight"
    SLIDE = "slide"


SIDES = (
    Choice("outside", "a screw", ("external",), silent=True),
    Choice("inside", "a nut, inside", ("internal", "inside", "nut")),
)
FEEDS = (
    Choice("straight", "straight in", ("straight", "plunge"), silent=True),
    Choice(
        "slide", "along the top slide", ("top slide", "topslide", "along the topslide", "compound")
    ),
)


@dataclass(frozen=True, slots=True)
class ScrewcutQuestion:
    """A thread cut in the lathe with a single point.

    Args:
        thread: Which.
        metal: Of the work.
        side: A screw or a nut.
        feed: Straight in, or along the top slide.
        flat: Of the tool's tip; an eighth of the pitch where left out, as threads of 60 degrees
            have it; round as the form itself where ``radius`` is said.
        relief: Width of the groove it runs out into.
        tool: Width of the tool there.
        starts: Of the thread.
        hand: Which way it winds.
        long: Of the threaded part, to its groove.
        own_rpm: A speed somebody has in mind, judged beside Runk's.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    metal: Annotated[str, OfMetal("metal", placeholder="mild steel")] = "mild-steel"
    side: Annotated[Side, OneOf("side", choices=SIDES)] = Side.OUTSIDE
    feed: Annotated[Feed, OneOf("way in", choices=FEEDS)] = Feed.STRAIGHT
    flat: Annotated[
        Fraction | None,
        Length("flat of the tip", ("flat", "tip"), low=0.001, high=3.0, placeholder="1/8 pitch"),
    ] = None
    radius: Annotated[
        Fraction | None,
        Length("radius of the tip", ("radius",), low=0.001, high=3.0, placeholder="a flat"),
    ] = None
    relief: Annotated[
        Fraction | None,
        Length(
            "relief groove",
            ("relief", "groove"),
            usual=(0.5, 20.0),
            low=0.1,
            high=100.0,
            placeholder="3 pitches",
        ),
    ] = None
    tool: Annotated[
        Fraction | None,
        Length("tool, wide", ("tool", "wide"), low=0.1, high=30.0, placeholder="a point"),
    ] = None
    starts: Annotated[
        int,
        Count(
            "starts",
            ("starts", "start"),
            low=1,
            high=12,
            placeholder="1",
            silent=1,
            spoken=(("two start", "2"), ("double start", "2"), ("three start", "3")),
        ),
    ] = 1
    hand: Annotated[Hand, HAND_FIELD] = Hand.RIGHT
    long: Annotated[
        Fraction | None,
        Length("long", ("long",), usual=(2.0, 200.0), low=0.5, high=2000.0, placeholder="not said"),
    ] = None
    own_rpm: Annotated[float | None, OWN_RPM_FIELD] = None
    machine: Annotated[str, OfMachine("lathe", placeholder="the lathe")] = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Pass:
    """One pass: where the dial stands, and what it takes."""

    pass_number: Annotated[int, Show("Pass")]
    stands_mm: Annotated[Figure, Show("In to")]
    take_mm: Annotated[Figure, Show("Takes")]
    mark: Annotated[str, Show("Wind to")]
    divisions: Annotated[Figure | None, Show("Divisions from nought", Rank.FOLDED)]


@dataclass(frozen=True, slots=True, kw_only=True)
class ScrewcutAnswer:
    """Depth, passes, groove and speed of a thread."""

    depth_mm: Annotated[Figure, Show("Deep, on the radius", Rank.BIG)]
    travel_mm: Annotated[Figure | None, Show("Along the top slide", Rank.BIG)]
    position: Annotated[str, Show("Put the belt on", Rank.BIG)]
    set_rpm: Annotated[Figure, Show("Set the spindle to", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    half_nuts: Annotated[str, Show("Half-nuts", Rank.SAYS)]
    other: Annotated[str, Show("The other school", Rank.SAYS)]
    passes: Annotated[tuple[Pass, ...], Table("Passes of equal chip", rank=Rank.BIG)]
    angle_deg: Annotated[Figure | None, Show("Top slide set over, from the cross-slide")]
    lead_mm: Annotated[Figure, Show("Set the train for")]
    relief_mm: Annotated[Figure, Show("Relief groove, wide")]
    core_mm: Annotated[Figure, Show("Groove down to, across")]
    blank_mm: Annotated[Figure, Show("Blank, across")]
    target_rpm: Annotated[Figure, Show("Never faster than")]
    pass_s: Annotated[Figure | None, Show("One pass takes")]
    own: Annotated[tuple[OwnFigure, ...], Table("Figures of your own", rank=Rank.BIG)]
    dial: Annotated[str, Show("Thread dial")]
    pitch_mm: Annotated[Figure, Show("Pitch", Rank.FOLDED)]
    angle_of_thread_deg: Annotated[Figure, Show("Between its flanks", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
