"""What sums of the machine ask: speeds, feeds, screws and dials."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.kinds import Choice, Count, Length, Number, OfPitch, OneOf, Pitched

READS = (
    Choice("radius", "the dial reads what it moves", ("radius dial", "on radius", "radius")),
    Choice("diameter", "the dial reads diameter", ("diameter dial", "on diameter dial")),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class MachineFields:
    """What the sums of the machine ask.

    Args:
        metres: Surface speed, m/min; ``feet`` the same in ft/min.
        dia: Diameter where it cuts, of a bar or of a bore.
        rpm: Revolutions a minute.
        flutes: Teeth that cut.
        each: Feed a tooth; ``minute`` feed a minute.
        long: Length of a pass or a bar; ``turn`` feed a revolution.
        far: What a slide is to move.
        screw: Pitch of its screw, or of a leadscrew.
        marks: Divisions of its dial.
        off: What is to come off the diameter; ``wound`` what is wound on instead.
        division: What one division of the dial is.
        reads: Whether the dial reads what it moves or what comes off the diameter.
        driver: Teeth on the spindle's side; ``driven`` on the screw's.
    """

    metres: Annotated[
        float | None,
        Number(
            "surface speed",
            ("m/min", "metres a minute", "meters per minute", "m/minute"),
            units=("m/min",),
            only=("surface",),
            low=0.1,
            high=2000.0,
            placeholder="25",
        ),
    ] = None
    feet: Annotated[
        float | None,
        Number(
            "feet a minute",
            ("ft/min", "feet per minute", "feet a minute", "sfm", "surface feet", "fpm"),
            units=("ft/min", "sfm"),
            only=("surface",),
            low=0.3,
            high=6000.0,
            placeholder="by metres",
        ),
    ] = None
    dia: Annotated[
        Fraction | None,
        Length(
            "diameter",
            ("dia", "diameter", "bar", "drill", "cutter", "end mill", "on"),
            only=("surface", "weight", "force"),
            needed=("weight", "force"),
            usual=(0.5, 200.0),
            low=0.05,
            high=5000.0,
            asks="How large is it across?",
            placeholder="22 mm",
        ),
    ] = None
    rpm: Annotated[
        float | None,
        Number(
            "revolutions",
            ("rpm", "revs", "rev/min", "revolutions", "rev"),
            units=("rpm", "revs", "rev/min"),
            only=("surface", "feed", "time", "revs"),
            needed=("revs",),
            low=0.1,
            high=100000.0,
            asks="How many revolutions a minute?",
            placeholder="450",
        ),
    ] = None
    flutes: Annotated[
        int | None,
        Count(
            "teeth that cut",
            ("flutes", "flute", "teeth", "tooth"),
            only=("feed",),
            low=1,
            high=400,
            asks="How many teeth has the cutter?",
            placeholder="4",
        ),
    ] = None
    each: Annotated[
        Fraction | None,
        Length(
            "feed a tooth",
            ("a tooth", "per tooth", "chip load", "chipload"),
            only=("feed",),
            usual=(0.003, 0.5),
            low=0.0005,
            high=5.0,
            placeholder="0.03 mm",
        ),
    ] = None
    minute: Annotated[
        Fraction | None,
        Length(
            "feed a minute",
            ("a minute", "per minute", "mm/min", "ipm"),
            only=("feed",),
            usual=(2.0, 1500.0),
            low=0.1,
            high=20000.0,
            placeholder="by the tooth",
        ),
    ] = None
    long: Annotated[
        Fraction | None,
        Length(
            "length",
            ("long", "length", "over"),
            only=("time", "weight"),
            needed=("weight",),
            low=0.1,
            high=20000.0,
            asks="How long is it?",
            placeholder="80 mm",
        ),
    ] = None
    turn: Annotated[
        Fraction | None,
        Length(
            "feed a turn",
            ("feed", "a rev", "per rev", "a turn"),
            only=("time",),
            usual=(0.01, 1.0),
            low=0.001,
            high=20.0,
            asks="What feed a turn?",
            placeholder="0.08 mm",
        ),
    ] = None
    far: Annotated[
        Fraction | None,
        Length(
            "distance",
            ("move", "moves", "travel", "distance", "for", "slide"),
            only=("turns",),
            low=0.001,
            high=20000.0,
            placeholder="one division",
        ),
    ] = None
    screw: Annotated[
        Pitched | None,
        OfPitch(
            "screw",
            ("screw", "leadscrew", "pitch", "feedscrew"),
            only=("turns", "train"),
            needed=("turns", "train"),
            high=50.0,
            asks="What pitch has the screw?",
            placeholder="2 mm",
        ),
    ] = None
    marks: Annotated[
        int | None,
        Count(
            "divisions of its dial",
            ("divisions", "graduations", "marks", "division"),
            only=("turns",),
            low=2,
            high=2000,
            placeholder="none",
        ),
    ] = None
    off: Annotated[
        Fraction | None,
        Length(
            "to come off the diameter",
            ("off", "to remove", "off the diameter", "to take off"),
            only=("dial",),
            low=0.0005,
            high=500.0,
            placeholder="0.3 mm",
            asks="How much is to come off the diameter?",
        ),
    ] = None
    wound: Annotated[
        Fraction | None,
        Length(
            "wound on",
            ("on the dial", "wound on", "on a radius dial", "in"),
            only=("dial",),
            low=0.0005,
            high=500.0,
            placeholder="by what comes off",
        ),
    ] = None
    division: Annotated[
        Fraction | None,
        Length(
            "one division",
            ("division", "per division", "a division", "dial division"),
            only=("dial",),
            usual=(0.005, 0.2),
            low=0.0005,
            high=5.0,
            placeholder="not told",
        ),
    ] = None
    reads: Annotated[str, OneOf("dial", choices=READS, only=("dial",))] = "radius"
    driver: Annotated[
        int | None,
        Count(
            "driver",
            ("driver", "driving", "on the spindle"),
            only=("train",),
            needed=("train",),
            low=8,
            high=300,
            asks="How many teeth has the driver?",
            placeholder="20",
        ),
    ] = None
    driven: Annotated[
        int | None,
        Count(
            "driven",
            ("driven", "on the screw", "on the leadscrew"),
            only=("train",),
            needed=("train",),
            low=8,
            high=300,
            asks="How many teeth has the driven wheel?",
            placeholder="60",
        ),
    ] = None
