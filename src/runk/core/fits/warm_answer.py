"""What ``warm`` answers: of two parts at work, or of one read warm."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, ClassVar

from runk.core.figures import Caution, Figure, Link
from runk.core.shown import Rank, Show


@dataclass(frozen=True, slots=True, kw_only=True)
class WarmAnswer:
    """What both have in common."""

    says: Annotated[str, Show("What heat does", Rank.SAYS)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class WarmFit(WarmAnswer):
    """Clearance cold and hot; made so, it is that hot."""

    tag: ClassVar[str] = "fit"

    clearance_hot_mm: Annotated[Figure, Show("Free hot, on diameter", Rank.BIG)]
    clearance_cold_mm: Annotated[Figure, Show("Free cold, at 20 °C", Rank.BIG)]
    hole_cold_mm: Annotated[Figure, Show("Hole, cold")]
    shaft_cold_mm: Annotated[Figure, Show("Shaft, made to, cold")]
    hole_hot_mm: Annotated[Figure, Show("Hole at work")]
    shaft_hot_mm: Annotated[Figure, Show("Shaft at work")]
    hole_c: Annotated[Figure, Show("The hole works at", Rank.FOLDED)]
    shaft_c: Annotated[Figure, Show("The shaft works at", Rank.FOLDED)]


@dataclass(frozen=True, slots=True, kw_only=True)
class WarmReading(WarmAnswer):
    """What a part read warm measures cold."""

    tag: ClassVar[str] = "reading"

    corrected_mm: Annotated[Figure, Show("Cold, at 20 °C, it measures", Rank.BIG)]
    off_mm: Annotated[Figure, Show("So the reading was off by", Rank.BIG)]
