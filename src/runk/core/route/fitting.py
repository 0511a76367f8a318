"""Two features that go together: what one measures gives the other its size."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction

from runk.core.fits.mate import MATE
from runk.core.kinds import Stations, Told
from runk.core.lengths.show import for_page
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.feature_question import INSIDE
from runk.core.route.part import Feature
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_READS = Stations("reading", low=0.1, high=1000.0, placeholder="22.01")
HOLLOW = (*INSIDE, "reamed", "drilled", "groove")


@dataclass(frozen=True, slots=True)
class Target:
    """What a feature is to be made to.

    Args:
        low: The smallest that does; ``high`` the largest, mm.
        says: In words, on the page.
        read: Whether the other was measured; else it is taken as drawn.
        asked: The fit's own question, for its room.
    """

    low: float
    high: float
    says: str
    read: bool
    asked: dict[str, str]


def is_hole(feature: Feature) -> bool:
    """Whether something goes into it."""
    return feature.kind in HOLLOW


def target(
    other: Feature,
    reading: str,
    metals: tuple[str, str],
    duty: str,
    reads: PageUnit,
    page: PageUnit,
    workshop: Workshop,
) -> Target:
    """What a feature is made to, for what it goes with.

    Args:
        other: What it goes with.
        reading: What that measures, as typed; empty where it is not made yet: then as drawn.
        metals: Of the hole and of the shaft; empty where not told.
        duty: What they do together.
        reads: What a bare number of the reading means.
        page: How sizes are said.
        workshop: Today's.

    Raises:
        Refused: The reading cannot be read, or no such fit is made at that size.

    >>> from runk.core.route.reading import part_of
    >>> from runk.demo.back_shed import WORKSHOP
    >>> bore = part_of("cylinder", "", "casting", ["bore 22, from 0 to 60"]).features[0]
    >>> found = target(bore, "22.01", ("", ""), "running", PageUnit.MM, PageUnit.MM, WORKSHOP)
    >>> found.says, found.read
    ('21.969 to 21.982 mm', True)
    """
    there = for_page(Fraction(str(other.size)), page)
    if reading:
        # As it was typed on the other's page it is said on this one.
        stations = _READS.read(reading, Told(reads, workshop)).value
        there = _READS.say(stations, None, Told(page, workshop))
    asked = {"make": "shaft" if is_hole(other) else "hole", "there": there, "duty": duty}
    told = zip(("hole_metal", "shaft_metal"), metals, strict=True)
    asked |= {name: metal for name, metal in told if metal}
    answer = MATE.ask(read_question(MATE, asked, page, workshop).question, workshop)
    if answer.low_mm is None or answer.high_mm is None:
        raise Refused("What are the two to do together?", field="duty", suggest="running")
    says = f"{answer.low_mm.shown(page)} to {answer.high_mm.words(page)}"
    return Target(answer.low_mm.value, answer.high_mm.value, says, bool(reading), asked)


def reading_mm(typed: str, page: PageUnit, workshop: Workshop) -> tuple[float, float]:
    """Smallest and largest of what a feature reads.

    Raises:
        Refused: It cannot be read.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> reading_mm("22.01, 22.02", PageUnit.MM, WORKSHOP)
    (22.01, 22.02)
    """
    stations = _READS.read(typed, Told(page, workshop)).value
    sizes = [float(mm) for one in stations for mm in one.sizes]
    return min(sizes), max(sizes)


def reading_said(typed: str, page: PageUnit, workshop: Workshop) -> str:
    """A reading with its units, so that it means the same on every page.

    Raises:
        Refused: It cannot be read.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> reading_said("22.01; 22.02", PageUnit.MM, WORKSHOP)
    '22.01 mm; 22.02 mm'
    """
    told = Told(page, workshop)
    return _READS.say(_READS.read(typed, told).value, None, told)
