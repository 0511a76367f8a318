"""A cut played on the simulated lathe: the same events give the same lathe, always."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from runk.core.plan.events import Event, EventKind
from runk.core.plan.follow import Followed, begin, follow
from runk.core.plan.made import PassKind
from runk.core.plan.passes import next_pass
from runk.core.plan.spec import CutSpec
from runk.gauges.lathe import SimulatedLathe
from runk.gauges.protocol import GaugeReading, Identity
from runk.gauges.simulated import Micrometer


def played(spec: CutSpec, seed: int, events: Iterable[Event]) -> tuple[SimulatedLathe, Followed]:
    """The lathe after everything that was done on it, and the cut as followed beside it.

    Args:
        spec: The cut.
        seed: Of the lathe.
        events: Oldest first, undone ones left out.
    """
    lathe, where = SimulatedLathe(spec, seed), begin(spec)
    for event in events:
        # A reading after passes that were made unmeasured tells of no further pass.
        if event.kind is EventKind.DONE or where.made == 0:
            _cut(lathe, spec, where, event.wound)
        where = follow(spec, [event], where)
    return lathe, where


def _cut(lathe: SimulatedLathe, spec: CutSpec, where: Followed, wound: float | None) -> bool:
    told = next_pass(spec, where.at)
    if wound == 0.0 or (told is None and wound is None):
        return False
    divisions = wound if wound is not None else told.divisions if told else 0.0
    lathe.wind(divisions)
    lathe.cut(fine=told is not None and told.kind is not PassKind.ROUGH)
    return True


@dataclass(frozen=True, slots=True)
class PlayedMicrometer:
    """A micrometer on a cut's own lathe: to read, it has the next pass made as told first.

    Args:
        spec: The cut.
        seed: Of the lathe.
        events: What was done on it, oldest first, undone ones left out.
        cut_first: Make the next pass before reading; False only measures again.
    """

    spec: CutSpec
    seed: int
    events: tuple[Event, ...]
    cut_first: bool = True

    def identify(self) -> Identity:
        """What it is."""
        return Micrometer(SimulatedLathe(self.spec, self.seed)).identify()

    def read(self) -> GaugeReading:
        """What it shows once the pass is made."""
        lathe, where = played(self.spec, self.seed, self.events)
        if self.cut_first:
            _cut(lathe, self.spec, where, None)
        return Micrometer(lathe).read()
