"""What ``fit`` answers."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.shown import Rank, Show, Table


@dataclass(frozen=True, slots=True, kw_only=True)
class OtherWay:
    """The same fit in the words of another school."""

    name: Annotated[str, Show("Said as")]
    clearance_low_mm: Annotated[Figure, Show("Least clearance")]
    clearance_high_mm: Annotated[Figure, Show("Most clearance")]
    says: Annotated[str, Show("Which is")]


@dataclass(frozen=True, slots=True, kw_only=True)
class FitAnswer:
    """Limits of both parts; a clearance less than nought is an interference."""

    name: Annotated[str, Show("The fit", Rank.SAYS, drawn=True)]
    kind: Annotated[str, Show("It is", Rank.SAYS, drawn=True)]
    hole_low_mm: Annotated[Figure, Show("Hole, smallest", Rank.BIG, drawn=True)]
    hole_high_mm: Annotated[Figure, Show("Hole, largest", Rank.BIG, drawn=True)]
    shaft_low_mm: Annotated[Figure, Show("Shaft, smallest", Rank.BIG, drawn=True)]
    shaft_high_mm: Annotated[Figure, Show("Shaft, largest", Rank.BIG, drawn=True)]
    clearance_low_mm: Annotated[Figure, Show("Least clearance", Rank.BIG, drawn=True)]
    clearance_high_mm: Annotated[Figure, Show("Most clearance", Rank.BIG, drawn=True)]
    says: Annotated[str, Show("How it goes", Rank.SAYS, drawn=True)]
    nominal_mm: Annotated[Figure, Show("Nominal", Rank.FOLDED)]
    mandrel_long_mm: Annotated[Figure | None, Show("The mandrel, long at least")]
    one: Annotated[str, Show("Finer than limits", Rank.SAYS)]
    first: Annotated[str, Show("Made first", Rank.SAYS, drawn=True)]
    others: Annotated[tuple[OtherWay, ...], Table("In other words")]
    schools: Annotated[tuple[OtherWay, ...], Table("Schools that differ")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
