"""What ``sums`` answers: one kind of answer for each kind of sum."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, ClassVar

from runk.core.figures import Caution, Figure, Link
from runk.core.shown import Rank, Show


@dataclass(frozen=True, slots=True, kw_only=True)
class ReckonedAnswer:
    """What the sum comes to; only the figures it is about are there."""

    tag: ClassVar[str] = "machine"
    says: Annotated[str, Show("In words", Rank.SAYS)]
    speed_rpm: Annotated[Figure | None, Show("Revolutions", Rank.BIG)] = None
    surface_speed_m_min: Annotated[Figure | None, Show("Surface speed", Rank.BIG)] = None
    feed_mm_per_min: Annotated[Figure | None, Show("Feed a minute", Rank.BIG)] = None
    feed_mm_per_tooth: Annotated[Figure | None, Show("Feed a tooth", Rank.BIG)] = None
    pass_s: Annotated[Figure | None, Show("The pass takes", Rank.BIG)] = None
    turns: Annotated[Figure | None, Show("Turns of the handle", Rank.BIG)] = None
    divisions: Annotated[Figure | None, Show("Divisions", Rank.BIG)] = None
    division_mm: Annotated[Figure | None, Show("One division moves it", Rank.BIG)] = None
    off_mm: Annotated[Figure | None, Show("Comes off the diameter", Rank.BIG)] = None
    wound_mm: Annotated[Figure | None, Show("Wind on", Rank.BIG)] = None
    thread_mm: Annotated[Figure | None, Show("Pitch it cuts", Rank.BIG)] = None
    per_inch: Annotated[Figure | None, Show("Threads to the inch")] = None
    cautions: tuple[Caution, ...] = ()
    links: tuple[Link, ...] = ()

    @property
    def told(self) -> tuple[Figure | None, ...]:
        """Its figures, the one it is about first."""
        return (
            self.speed_rpm,
            self.surface_speed_m_min,
            self.feed_mm_per_min,
            self.feed_mm_per_tooth,
            self.pass_s,
            self.turns,
            self.divisions,
            self.wound_mm,
            self.off_mm,
            self.division_mm,
            self.thread_mm,
        )


@dataclass(frozen=True, slots=True, kw_only=True)
class RevsAnswer:
    """Revolutions that give another diameter the same surface speed."""

    tag: ClassVar[str] = "revs"
    speed_rpm: Annotated[Figure, Show("For the other size", Rank.BIG)]
    surface_speed_m_min: Annotated[Figure, Show("At both, the edge goes at")]
    cautions: tuple[Caution, ...] = ()
    links: tuple[Link, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class ShareAnswer:
    """So many hundredths of a size."""

    tag: ClassVar[str] = "share"
    share_mm: Annotated[Figure, Show("Comes to", Rank.BIG)]
    rest_mm: Annotated[Figure, Show("Which leaves")]
    cautions: tuple[Caution, ...] = ()
    links: tuple[Link, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class HeatAnswer:
    """A temperature in both scales; over the shop's 20 degrees beside it."""

    tag: ClassVar[str] = "heat"
    heat_c: Annotated[Figure, Show("Is", Rank.BIG)]
    says: Annotated[str, Show("Over the shop", Rank.SAYS)]
    cautions: tuple[Caution, ...] = ()
    links: tuple[Link, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class WeightAnswer:
    """What a bar weighs."""

    tag: ClassVar[str] = "weight"
    weight_g: Annotated[Figure, Show("It weighs", Rank.BIG)]
    says: Annotated[str, Show("In words", Rank.SAYS)]
    volume_cm3: Annotated[Figure, Show("Volume")]
    cautions: tuple[Caution, ...] = ()
    links: tuple[Link, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class ForceAnswer:
    """What a pressure pushes with on a bore."""

    tag: ClassVar[str] = "force"
    force_n: Annotated[Figure, Show("It pushes with", Rank.BIG)]
    says: Annotated[str, Show("In words", Rank.SAYS)]
    cautions: tuple[Caution, ...] = ()
    links: tuple[Link, ...] = ()


SumAnswer = ReckonedAnswer | RevsAnswer | ShareAnswer | HeatAnswer | WeightAnswer | ForceAnswer
