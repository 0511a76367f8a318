"""Which way a thread winds."""

from __future__ import annotations

from enum import StrEnum

from runk.core.kinds import Choice, OneOf


class Hand(StrEnum):
    """Which way a thread winds."""

    RIGHT = "right"
    LEFT = "left"


HAND_FIELD = OneOf(
    "hand",
    choices=(
        Choice("right", "right hand", ("right-hand", "right handed", "rh"), silent=True),
        Choice("left", "left hand", ("left-hand", "left handed", "left-handed", "lh")),
    ),
)
