"""The question ``reach`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Chain, Choice, Length, OneOf
from runk.core.lengths.members import Member
from runk.core.shown import Rank, Show, Table

WAYS = (
    Choice(
        "beside",
        "A cutter beside a flange or jaw",
        (
            "beside",
            "beside a flange",
            "flange",
            "does it clear",
            "clear the jaw",
            "clear a flange",
            "clear the flange",
            "clear the jaws",
            "from the line",
        ),
    ),
    Choice(
        "stack",
        "One over the other",
        ("stack up", "under the spindle", "daylight", "room under the spindle", "in the height"),
    ),
    Choice(
        "chuck",
        "A drill in the tailstock's chuck",
        ("tailstock chuck", "drill chuck", "in the tailstock chuck", "go in the chuck"),
    ),
    Choice(
        "jaws",
        "A chuck's jaws, round the work",
        ("round the jaws", "foul the chuck", "tool foul", "clear the bed", "jaws clear"),
    ),
    Choice("travel", "Travel of the table", ("travel", "table travel", "run out of table")),
    Choice(
        "spanner",
        "A head or spanner beside a wall",
        ("spanner", "spanner room", "head room", "room for a spanner"),
    ),
)


HANDS = (
    Choice("right", "a right-hand cutter", ("right hand cutter", "right-hand cutter"), silent=True),
    Choice("left", "a left-hand cutter", ("left hand cutter", "left-hand cutter")),
)
STAYS = (
    Choice(
        "left",
        "on its left as it goes",
        ("metal on the left", "flange on the left", "metal that stays on its left"),
    ),
    Choice(
        "right",
        "on its right as it goes",
        ("metal on the right", "flange on the right", "metal that stays on its right"),
    ),
)


@dataclass(frozen=True, slots=True)
class ReachQuestion:
    """Whether something clears something.

    Args:
        way: In which direction.
        room: Under the spindle, the table's travel, or what swings over the bed.
        parts: What stands in it, one on the other.
        drill: Thickness of its shank; ``opens`` how far the chuck opens, as usual where left out.
        line: From the cut's own line to the obstacle.
        cutter: Diameter of the cutter, or of its holder where that is larger and reaches so low.
        holder: Of the holder, finder or arbor; ``low`` how high its underside is over the cut.
        high: How high the obstacle stands over the bottom of the cut.
        finder: Diameter of an edge finder where it passes; ``dog`` what a dog sweeps or takes;
            ``tailstock`` of its barrel or centre.
        hand: Of the cutter; ``stays`` on which side of its way the metal that stays stands.
        long: Of the cut; ``overrun`` is added to both ends for the cutter to come clear.
        work: Diameter in the jaws; ``jaw`` how long a jaw is, outwards; ``sticks`` how far the
            work stands out before them; ``cut`` how far past its face the tool goes.
        wall: From the middle of a screw to the wall.
        head: Diameter of its head; ``flats`` across its nut.
    """

    way: Annotated[str, OneOf("way", choices=WAYS, rules=True)] = "beside"
    room: Annotated[
        Fraction | None,
        Length(
            "room there is",
            ("room", "spindle to table", "daylight", "travel"),
            only=("stack", "travel", "jaws"),
            needed=("stack", "travel"),
            principal=True,
            low=1.0,
            high=3000.0,
            asks="How much room is there?",
            placeholder="220 mm",
        ),
    ] = None
    parts: Annotated[
        tuple[Member, ...],
        Chain(
            "what stands in it",
            only=("stack",),
            needed=("stack",),
            low=0.1,
            high=2000.0,
            asks="What stands one on the other?",
            placeholder="vice 70; work 50; chuck 60",
        ),
    ] = ()
    drill: Annotated[
        Fraction | None,
        Length(
            "drill",
            ("drill",),
            only=("chuck",),
            needed=("chuck",),
            principal=True,
            low=0.1,
            high=100.0,
            asks="How thick is the drill's shank?",
            placeholder="5/8 in",
        ),
    ] = None
    opens: Annotated[
        Fraction | None,
        Length(
            "chuck opens to",
            ("opens", "opens to", "capacity"),
            only=("chuck",),
            low=1.0,
            high=50.0,
            placeholder="13 mm",
        ),
    ] = None
    line: Annotated[
        Fraction | None,
        Length(
            "from the cut's line to it",
            ("away", "from the line", "line", "off", "from it"),
            only=("beside",),
            needed=("beside",),
            principal=True,
            low=0.05,
            high=1000.0,
            asks="How far is the flange from the middle of the cut?",
            placeholder="9 mm",
        ),
    ] = None
    cutter: Annotated[
        Fraction | None,
        Length(
            "cutter",
            ("cutter", "mill", "end mill", "saw"),
            only=("beside", "travel"),
            or_else="finder dog tailstock",
            needed=("beside",),
            low=0.2,
            high=300.0,
            asks="How large is the cutter?",
            placeholder="10 mm",
        ),
    ] = None
    holder: Annotated[
        Fraction | None,
        Length(
            "holder",
            ("holder", "chuck", "nut", "arbor", "collet nut"),
            only=("beside",),
            low=0.5,
            high=300.0,
            placeholder="not told",
        ),
    ] = None
    low: Annotated[
        Fraction | None,
        Length(
            "cutter, standing out",
            ("standing out", "stick out", "out"),
            only=("beside",),
            low=0.5,
            high=500.0,
            placeholder="not told",
        ),
    ] = None
    high: Annotated[
        Fraction | None,
        Length(
            "it stands over the cut",
            ("high", "stands", "over"),
            only=("beside",),
            low=0.1,
            high=1000.0,
            placeholder="not told",
        ),
    ] = None
    finder: Annotated[
        Fraction | None,
        Length(
            "edge finder",
            ("finder", "edge finder", "pin"),
            only=("beside",),
            low=0.2,
            high=100.0,
            placeholder="none",
        ),
    ] = None
    dog: Annotated[
        Fraction | None,
        Length(
            "dog",
            ("dog", "carrier", "driver"),
            only=("beside", "travel"),
            low=0.5,
            high=500.0,
            placeholder="none",
        ),
    ] = None
    tailstock: Annotated[
        Fraction | None,
        Length(
            "tailstock",
            ("tailstock", "centre", "tailstock barrel"),
            only=("beside", "travel"),
            low=0.5,
            high=500.0,
            placeholder="none",
        ),
    ] = None
    hand: Annotated[str, OneOf("cutter's hand", choices=HANDS)] = "right"
    stays: Annotated[
        str | None, OneOf("metal that stays", choices=STAYS, placeholder="not told")
    ] = None
    long: Annotated[
        Fraction | None,
        Length(
            "cut, long",
            ("long", "cut", "work"),
            only=("travel",),
            needed=("travel",),
            low=0.5,
            high=3000.0,
            asks="How long is the cut?",
            placeholder="80 mm",
        ),
    ] = None
    work: Annotated[
        Fraction | None,
        Length(
            "work in the jaws",
            ("facing", "face", "disc", "work"),
            only=("jaws",),
            needed=("jaws",),
            principal=True,
            low=0.5,
            high=2000.0,
            asks="How large is the work across?",
            placeholder="80 mm",
        ),
    ] = None
    jaw: Annotated[
        Fraction | None,
        Length(
            "length of a jaw",
            ("jaw", "jaws"),
            only=("jaws",),
            needed=("jaws",),
            low=2.0,
            high=200.0,
            asks="How long is a jaw, measured outwards from the work?",
            placeholder="40 mm",
        ),
    ] = None
    sticks: Annotated[
        Fraction | None,
        Length(
            "work, out of the jaws",
            ("stands out", "sticks out", "out"),
            only=("jaws",),
            needed=("jaws",),
            low=0.1,
            high=1000.0,
            asks="How far does the work stand out before the jaws?",
            placeholder="5 mm",
        ),
    ] = None
    cut: Annotated[
        Fraction | None,
        Length(
            "tool goes past the face",
            ("past the face", "cut"),
            only=("jaws",),
            low=0.01,
            high=1000.0,
            placeholder="1 mm",
        ),
    ] = None
    wall: Annotated[
        Fraction | None,
        Length(
            "from the screw to the wall",
            ("wall", "to the wall", "from the wall"),
            only=("spanner",),
            needed=("spanner",),
            principal=True,
            low=0.5,
            high=500.0,
            asks="How far is the wall from the screw's middle?",
            placeholder="9 mm",
        ),
    ] = None
    flats: Annotated[
        Fraction | None,
        Length(
            "across flats",
            ("across flats", "af", "nut", "flats"),
            only=("spanner",),
            low=1.0,
            high=100.0,
            or_else="head",
            needed=("spanner",),
            asks="Across what flats?",
            placeholder="5.5 mm",
        ),
    ] = None
    head: Annotated[
        Fraction | None,
        Length(
            "head",
            ("head", "cap head", "washer"),
            only=("spanner",),
            low=0.5,
            high=100.0,
            placeholder="not told",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Piece:
    """Something that stands in the room, or has to pass."""

    name: Annotated[str, Show("What")]
    takes_mm: Annotated[Figure, Show("Takes")]
    left_mm: Annotated[Figure, Show("Left beside or after it")]


@dataclass(frozen=True, slots=True, kw_only=True)
class ReachAnswer:
    """What is left, and whether it fouls."""

    left_mm: Annotated[Figure, Show("Left", Rank.BIG)]
    fouls: Annotated[str, Show("Fouls", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    feed: Annotated[str, Show("Feed")]
    pieces: Annotated[tuple[Piece, ...], Table("Piece by piece")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
