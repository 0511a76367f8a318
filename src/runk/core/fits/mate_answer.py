"""What ``mate`` answers."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.fits.mate_ways import Hitch, WayOut
from runk.core.shown import Rank, Show, Table


@dataclass(frozen=True, slots=True, kw_only=True)
class Read:
    """A reading, and what it does against the other part."""

    part: Annotated[str, Show("Part")]
    place: Annotated[str, Show("Place")]
    size_mm: Annotated[Figure, Show("Measures")]
    says: Annotated[str, Show("Which")]


@dataclass(frozen=True, slots=True, kw_only=True)
class Goes:
    """Another part the same one is to go with."""

    size_mm: Annotated[Figure, Show("The other")]
    clearance_mm: Annotated[Figure, Show("Free by")]
    says: Annotated[str, Show("Goes")]


@dataclass(frozen=True, slots=True, kw_only=True)
class MateAnswer:
    """Limits of the other part, and what is left on it.

    ``stands`` is ``left``, ``fits``, ``too far``, or empty where nothing is measured yet or
    nobody says what it is for.
    """

    left_mm: Annotated[
        Figure | None, Show("Still to come off, on diameter", Rank.BIG, under="wind", drawn=True)
    ]
    divisions: Annotated[Figure | None, Show("Divisions to wind on", drawn=True)]
    wind: Annotated[str, Show("Wind on", drawn=True)]
    low_mm: Annotated[Figure | None, Show("Make it, smallest", Rank.BIG, drawn=True)]
    high_mm: Annotated[Figure | None, Show("Make it, largest", Rank.BIG, drawn=True)]
    aim_mm: Annotated[Figure | None, Show("Aim at")]
    says: Annotated[str, Show("How it stands", Rank.SAYS, drawn=True)]
    stands: Annotated[str, Show("It", Rank.FOLDED)]
    clearance_low_mm: Annotated[
        Figure | None, Show("Free now, at its tightest", Rank.BIG, drawn=True)
    ]
    clearance_high_mm: Annotated[Figure | None, Show("Free now, at its loosest")]
    clearance_hot_mm: Annotated[Figure | None, Show("Free hot, at its tightest", Rank.BIG)]
    governs_mm: Annotated[Figure, Show("What governs")]
    governs_at: Annotated[str, Show("which is")]
    taper_mm: Annotated[Figure | None, Show("Its taper, from place to place")]
    oval_mm: Annotated[Figure | None, Show("Out of round, from way to way")]
    first: Annotated[str, Show("Which first", Rank.SAYS, drawn=True)]
    reads: Annotated[tuple[Read, ...], Table("Readings")]
    goes: Annotated[tuple[Goes, ...], Table("The others it goes with")]
    ways_out: Annotated[tuple[WayOut, ...], Table("Ways out", rank=Rank.BIG)]
    hitches: Annotated[tuple[Hitch, ...], Table("If it measures right and will not go")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
