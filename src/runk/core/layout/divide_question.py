"""The question ``divide`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated, ClassVar

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Angle, Count, Length, OfDivider
from runk.core.shown import Rank, Show, Table


@dataclass(frozen=True, slots=True)
class DivideQuestion:
    """A circle to be divided, or an angle to be turned.

    Args:
        count: Divisions of a whole turn.
        angle: Degrees of one step, where it is no whole division.
        head: A dividing head or rotary table by name, or as ``40:1; 15 to 20``; the workshop's
            where left out.
        dia: Of the work where it is divided: an error is told along it.
    """

    count: Annotated[
        int | None,
        Count(
            "divisions",
            (
                "divisions",
                "division",
                "parts",
                "teeth",
                "equal",
                "ways",
                "divide",
                "spaces",
                "marks",
            ),
            principal=True,
            low=1,
            high=1000,
            or_else="angle",
            needed=("*",),
            asks="Into how many, or by what angle?",
            placeholder="22",
        ),
    ] = None
    angle: Annotated[
        float | None,
        Angle(
            "degrees each step",
            ("degrees", "degree", "deg", "°", "angle"),
            low=0.001,
            high=360.0,
            placeholder="from the count",
        ),
    ] = None
    head: Annotated[str, OfDivider("head", placeholder="the dividing head")] = ""
    dia: Annotated[
        Fraction | None,
        Length(
            "on a diameter",
            ("dia", "diameter", "blank", "disc", "ring"),
            low=0.5,
            high=2000.0,
            placeholder="not told",
            asks="On what diameter?",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Circle:
    """A circle that does it, or comes near."""

    circle: Annotated[int, Show("Circle")]
    turns: Annotated[int, Show("Turns")]
    holes: Annotated[int, Show("and spaces")]
    error_deg: Annotated[Figure, Show("Off by, each")]


@dataclass(frozen=True, slots=True, kw_only=True)
class AlsoDivides:
    """Another thing that divides so."""

    way: Annotated[str, Show("With")]
    how: Annotated[str, Show("How")]


@dataclass(frozen=True, slots=True, kw_only=True)
class Mark:
    """One mark of the round, counted from the start."""

    mark: Annotated[int, Show("Mark")]
    set_to: Annotated[str, Show("From the start")]
    at_deg: Annotated[Figure, Show("Stands at")]
    off_deg: Annotated[Figure | None, Show("Off by")]


@dataclass(frozen=True, slots=True, kw_only=True)
class HeadAnswer:
    """Turns and holes of the handle."""

    tag: ClassVar[str] = "head"
    set_up: Annotated[str, Show("Each step, the handle", Rank.BIG)]
    arms: Annotated[str, Show("Sector arms", Rank.SAYS)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    error_deg: Annotated[Figure, Show("Off by, each step")]
    closes_deg: Annotated[Figure | None, Show("One step repeated, the round closes off by")]
    off_mm: Annotated[Figure | None, Show("Which on that diameter is")]
    step_deg: Annotated[Figure, Show("Each step turns the work")]
    turns: Annotated[int, Show("Whole turns", Rank.FOLDED)]
    holes: Annotated[int, Show("Spaces", Rank.FOLDED)]
    circle: Annotated[int, Show("Circle", Rank.FOLDED)]
    ratio: Annotated[int, Show("Handle to spindle, to one", Rank.FOLDED)]
    others: Annotated[tuple[Circle, ...], Table("Circles that do it, or come nearest")]
    ways: Annotated[tuple[AlsoDivides, ...], Table("What else divides so")]
    marks: Annotated[tuple[Mark, ...], Table("Every mark")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class TableAnswer:
    """Degrees and the dial of a rotary table."""

    tag: ClassVar[str] = "table"
    set_up: Annotated[str, Show("Each step, the handle", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    error_deg: Annotated[Figure, Show("Off by, each step")]
    closes_deg: Annotated[Figure | None, Show("One step repeated, the round closes off by")]
    off_mm: Annotated[Figure | None, Show("Which on that diameter is")]
    step_deg: Annotated[Figure, Show("Each step turns the work")]
    turns: Annotated[int, Show("Whole turns", Rank.FOLDED)]
    holes: Annotated[int, Show("Divisions of the dial", Rank.FOLDED)]
    circle: Annotated[int, Show("Divisions a turn", Rank.FOLDED)]
    ratio: Annotated[int, Show("Handle to table, to one", Rank.FOLDED)]
    ways: Annotated[tuple[AlsoDivides, ...], Table("What else divides so")]
    marks: Annotated[tuple[Mark, ...], Table("Every mark")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


DivideAnswer = HeadAnswer | TableAnswer
