"""What ``nearest-drill`` asks, answers and needs of the trays."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Caution, Figure, Link, Num, law
from runk.core.kinds import Choice, Length, OneOf
from runk.core.shown import Rank, Show, Table
from runk.core.tools import ShopTool


class For(StrEnum):
    """What the hole is for, which decides what a difference does."""

    HOLE = "hole"
    UNDER = "under"
    OVER = "over"
    CLEAR = "clear"
    REAM = "ream"


FORS = (
    Choice("hole", "just that size", ("just that size",), silent=True),
    Choice("under", "and no larger", ("under", "below", "next under", "not over", "smaller than")),
    Choice("over", "and no smaller", ("over", "above", "next over", "not under", "larger than")),
    Choice(
        "clear", "to clear it", ("to clear", "clears", "for clearance", "clearance", "clearing")
    ),
    Choice(
        "ream",
        "before its reamer",
        (
            "before reaming",
            "before its reamer",
            "to be reamed",
            "for reaming",
            "to ream",
            "reaming",
            "before a reamer",
        ),
    ),
)


class Wanted(StrEnum):
    """What is looked for in the trays."""

    DRILL = "drill"
    COLLET = "collet"
    REAMER = "reamer"
    CUTTER = "cutter"
    BAR = "bar"


def _looked_for(key: str, label: str, *words: str) -> Choice:
    names = (label, f"{label}s", *words)
    asked = tuple(f"{how} {name}" for how in ("nearest", "closest", "which") for name in names)
    return Choice(key, f"nearest {label}", asked, yields_to=() if key != "bar" else _HOLDS)


_HOLDS = ("collet", "reamer", "cutter", "drill")
WANTED = (
    _looked_for("drill", "drill"),
    _looked_for("collet", "collet"),
    _looked_for("reamer", "reamer"),
    _looked_for("cutter", "end mill", "slot drill", "milling cutter"),
    _looked_for("bar", "bar", "bar stock", "rod"),
)


@dataclass(frozen=True, slots=True)
class NearestQuestion:
    """A size, and what the hole is for.

    Args:
        size: Of the hole; to clear, of what passes through; before reaming, finished; of the work
            a collet is to hold, or the part a bar is for.
        tool: What is looked for.
    """

    size: Annotated[
        Fraction,
        Length(
            "size",
            ("dia", "diameter", "bar", "rod", "pin", "shaft"),
            usual=(0.4, 30.0),
            principal=True,
            low=0.1,
            high=200.0,
            placeholder="4.37 mm",
        ),
    ]
    purpose: Annotated[For, OneOf("purpose", choices=FORS, only=("drill",))] = For.HOLE
    tool: Annotated[Wanted, OneOf("tool", choices=WANTED, rules=True)] = Wanted.DRILL


@dataclass(frozen=True, slots=True, kw_only=True)
class NearTool:
    """A tool near the size: how far off it is, and what that does."""

    name: Annotated[str, Show("Tool")]
    series: Annotated[str, Show("Series")]
    mm: Annotated[Figure, Show("Size")]
    off_mm: Annotated[Figure, Show("Off by")]
    does: Annotated[str, Show("What that does")]


@dataclass(frozen=True, slots=True, kw_only=True)
class NearestAnswer:
    """The nearest owned, then above and below in every series there is.

    ``drill_mm`` is what it measures, and ``mm`` the same under the name every tool has.
    ``wanted_mm`` is the size the drill should have for that purpose. ``cutters`` are end mills
    of nearly that size; ``reamers`` make a different but honest size.
    """

    name: Annotated[str, Show("Take", Rank.BIG)]
    drill_mm: Annotated[Figure, Show("Its size")]
    mm: Annotated[Figure, Show("It measures", Rank.FOLDED)]
    off_mm: Annotated[Figure, Show("Off the size wanted")]
    does: Annotated[str, Show("That is", Rank.SAYS)]
    wanted_mm: Annotated[Figure, Show("The size wanted for it")]
    below: Annotated[tuple[NearTool, ...], Table("Next below, in each series")]
    above: Annotated[tuple[NearTool, ...], Table("Next above")]
    cutters: Annotated[tuple[NearTool, ...], Table("End mills of nearly that size")]
    reamers: Annotated[tuple[NearTool, ...], Table("Reamers that make another honest size")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True)
class NearestShop:
    """The drills, cutters and reamers that can be used, and how many cannot."""

    drills: tuple[ShopTool, ...]
    cutters: tuple[ShopTool, ...]
    reamers: tuple[ShopTool, ...]
    struck_out: tuple[ShopTool, ...]
    others: tuple[ShopTool, ...] = ()
    """Collets and bars."""


@law("Off the size", "{tool_mm} - {wanted_mm}")
def off_mm(tool_mm: Num, wanted_mm: Num) -> Num:
    """How far a tool is from the size wanted; over is positive.

    >>> off_mm(4.4, 4.25)
    0.15000000000000036
    """
    return tool_mm - wanted_mm
