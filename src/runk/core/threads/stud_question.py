"""The question ``stud`` asks."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.kinds import Choice, Count, Length, OfMetal, OneOf
from runk.core.threads.series import Thread
from runk.core.threads.thread import THREAD_FIELD

ASKS = (
    Choice("whole", "a whole stud", silent=True),
    Choice(
        "hold",
        "how far it goes into the metal",
        ("how far into the metal", "how far in", "how deep in the metal", "only its hold"),
    ),
)


@dataclass(frozen=True, slots=True)
class StudQuestion:
    """A stud, what it stands in and what it holds down.

    Args:
        metal: It is screwed into.
        stud_metal: It is made of.
        cover: Thickness held down; ``gasket`` and ``washer`` beside it.
        nut: Height of the nut; the usual where left out.
        engaged: Thread in the metal, where not the usual for it.
        nut_end: Thread for the nut, where its ends are unlike and it is told.
        asks: The whole stud, or only how far it is screwed in: that needs no cover.
        count: How many alike.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    metal: Annotated[
        str,
        OfMetal(
            "metal it stands in",
            before=("in", "into", "for"),
            shared="metal tapped",
            placeholder="cast iron",
        ),
    ] = "grey-iron"
    stud_metal: Annotated[
        str, OfMetal("metal of the stud", shared="metal of the screw", placeholder="mild steel")
    ] = "mild-steel"
    cover: Annotated[
        Fraction | None,
        Length(
            "thickness of the cover",
            ("cover", "thick"),
            usual=(1.0, 30.0),
            high=200.0,
            placeholder="4 mm",
        ),
    ] = None
    gasket: Annotated[
        Fraction | None,
        Length("gasket", ("gasket",), usual=(0.02, 3.0), high=10.0, placeholder="none"),
    ] = None
    washer: Annotated[
        Fraction | None,
        Length("washer", ("washer",), usual=(0.2, 5.0), high=20.0, placeholder="none"),
    ] = None
    nut: Annotated[
        Fraction | None,
        Length("height of the nut", ("nut",), usual=(1.0, 15.0), high=50.0, placeholder="as usual"),
    ] = None
    engaged: Annotated[
        Fraction | None,
        Length(
            "thread in the metal",
            ("engaged", "in"),
            usual=(1.0, 40.0),
            high=200.0,
            placeholder="as usual for it",
        ),
    ] = None
    nut_end: Annotated[
        Fraction | None,
        Length(
            "thread for the nut",
            ("nut end", "long end", "top end"),
            usual=(2.0, 60.0),
            high=300.0,
            placeholder="as usual",
        ),
    ] = None
    asks: Annotated[str, OneOf("what is asked", choices=ASKS)] = "whole"
    count: Annotated[
        int | None, Count("studs alike", ("studs", "off"), low=1, high=500, placeholder="one")
    ] = None
