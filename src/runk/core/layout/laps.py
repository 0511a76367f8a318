"""The way of a cutter round a profile in depth: let down on a ramp, cleared from the middle."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from math import ceil, radians, tan

from runk.core.layout.path_question import PathQuestion
from runk.core.layout.rounds import cleared, cut_path, rounds_of
from runk.core.layout.segments import Loop, Segment, backwards, dist

RAMP_DEG = 3.0
"""How steeply a cutter is let down along its way: common practice, and no need of teeth that meet
in its middle."""
NO_MOVE_MM = 1e-3
"""What is shorter than a machine moves by is no move: as an arc it would be a whole round."""


@dataclass(frozen=True, slots=True)
class Lap:
    """Once round a loop.

    Args:
        loop: Lines and arcs.
        top: Depth it begins at, mm under the top; ``deep`` where it ends, let down evenly between.
        says: What it is, in a word or two.
        lifted: Whether the cutter is lifted and goes there over the work, not through it.
    """

    loop: Loop
    top: float
    deep: float
    says: str
    lifted: bool = False

    @property
    def length(self) -> float:
        """Once round, in the plane."""
        return sum(one.length for one in self.loop)

    def depths(self) -> Iterator[tuple[Segment, float]]:
        """Each piece of it with the depth it ends at."""
        gone, whole = 0.0, self.length or 1.0
        for one in self.loop:
            gone += one.length
            yield one, self.top + (self.deep - self.top) * min(gone / whole, 1.0)


def laps(question: PathQuestion) -> tuple[Lap, ...]:
    """Everything that is gone round, in its order: let down, cleared, the edge, the last round.

    Args:
        question: Settled, with a depth.

    Raises:
        Refused: The cutter does not pass, or does not clear.

    >>> from fractions import Fraction
    >>> two, one = Fraction(2), Fraction(1)
    >>> asked = PathQuestion("plate", Fraction(40), Fraction(20), deep=two, each=one)
    >>> [(lap.says, lap.top, lap.deep) for lap in laps(asked)]
    [('let down', 0.0, 1.0), ('let down', 1.0, 2.0), ('round 1', 2.0, 2.0)]
    """
    leave = float(question.leave or 0)
    rough = cut_path(question, leave)[1].loop
    inner = cleared(question, leave)
    found = list(_cleared_laps(question, inner, rough) if inner else _spiral(question, rough))
    if question.leave is not None:
        found.append(_last(question, rough, found[-1].deep))
    return tuple(found)


def _ramp(loop: Loop, top: float, deep: float) -> Iterator[Lap]:
    """Let down along a loop, as many times round as the slope allows."""
    lap = Lap(loop, top, deep, "let down")
    many = max(1, ceil((deep - top) / (lap.length * tan(radians(RAMP_DEG))) - 1e-9))
    for n in range(many):
        step = (deep - top) / many
        yield Lap(loop, top + n * step, top + (n + 1) * step, "let down")


def _spiral(question: PathQuestion, rough: Loop) -> Iterator[Lap]:
    """Down along the edge itself, then once flat: no place is ever deeper at once than a pass."""
    top = 0.0
    for deep in rounds_of(question):
        yield from _ramp(rough, top, deep)
        top = deep
    yield Lap(rough, top, top, "round 1")


def _cleared_laps(question: PathQuestion, inner: tuple[Loop, ...], rough: Loop) -> Iterator[Lap]:
    """Each pass in depth: down in the middle, outwards round by round, then the edge."""
    top = 0.0
    for number, deep in enumerate(rounds_of(question), 1):
        for n, lap in enumerate(_ramp(inner[0], top, deep)):
            yield Lap(lap.loop, lap.top, lap.deep, lap.says, lifted=number > 1 and n == 0)
        for loop in inner:
            yield Lap(loop, deep, deep, f"clears {number}")
        yield Lap(rough, deep, deep, f"round {number}")
        top = deep


def _last(question: PathQuestion, rough: Loop, deep: float) -> Lap:
    """The last round to size, with the feed: gone into from the round before where it is near."""
    finish = backwards(cut_path(question, 0.0)[1].loop)
    near = dist(rough[-1].end, finish[0].start) <= float(question.cutter) / 2
    return Lap(finish, deep, deep, "last round, to size", lifted=not near)
