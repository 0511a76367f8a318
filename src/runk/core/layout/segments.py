"""Lines and arcs that follow one another round a profile."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import atan2, cos, hypot, pi, sin, tan

At = tuple[float, float]
TINY = 1e-7


@dataclass(frozen=True, slots=True)
class Segment:
    """A line, or an arc where it has a centre.

    Args:
        start: Where it begins; ``end`` where it ends.
        centre: Of an arc.
        left: Whether an arc turns to the left (anticlockwise).
    """

    start: At
    end: At
    centre: At | None = None
    left: bool = True

    @property
    def radius(self) -> float:
        """Of an arc; 0 of a line."""
        return 0.0 if self.centre is None else dist(self.start, self.centre)

    @property
    def turn(self) -> float:
        """Of an arc, radians it turns through, to the left over nought; 0 of a line."""
        if self.centre is None:
            return 0.0
        a, b = (atan2(p[1] - self.centre[1], p[0] - self.centre[0]) for p in (self.start, self.end))
        way = (b - a) % (2 * pi)
        if way < 1e-9 or way > 2 * pi - 1e-9:
            way = 2 * pi
        if self.left:
            return way
        return -(2 * pi - way) if way < 2 * pi else -2 * pi

    @property
    def length(self) -> float:
        """Along it."""
        if self.centre is None:
            return dist(self.start, self.end)
        return self.radius * abs(self.turn)

    def heading(self, at_end: bool) -> At:
        """Direction of travel at one of its ends, a unit long."""
        if self.centre is None:
            long = dist(self.start, self.end) or 1.0
            return (self.end[0] - self.start[0]) / long, (self.end[1] - self.start[1]) / long
        p = self.end if at_end else self.start
        out = (p[0] - self.centre[0]) / self.radius, (p[1] - self.centre[1]) / self.radius
        return (-out[1], out[0]) if self.left else (out[1], -out[0])

    def point(self, share: float) -> At:
        """A point of it, a share of the way along.

        >>> Segment((0.0, 0.0), (10.0, 0.0)).point(0.25)
        (2.5, 0.0)
        """
        if self.centre is None:
            (a, b), (c, d) = self.start, self.end
            return a + (c - a) * share, b + (d - b) * share
        first = atan2(self.start[1] - self.centre[1], self.start[0] - self.centre[0])
        angle = first + self.turn * share
        return (
            self.centre[0] + self.radius * cos(angle),
            self.centre[1] + self.radius * sin(angle),
        )

    def back(self) -> Segment:
        """The same, gone the other way."""
        return Segment(self.end, self.start, self.centre, not self.left)

    def moved(self, x: float, y: float) -> Segment:
        """The same, elsewhere."""
        centre = None if self.centre is None else (self.centre[0] + x, self.centre[1] + y)
        return Segment(
            (self.start[0] + x, self.start[1] + y),
            (self.end[0] + x, self.end[1] + y),
            centre,
            self.left,
        )


Loop = tuple[Segment, ...]


def dist(a: At, b: At) -> float:
    """Between two points."""
    return hypot(a[0] - b[0], a[1] - b[1])


def backwards(loop: Loop) -> Loop:
    """A loop gone round the other way.

    >>> backwards((Segment((0.0, 0.0), (1.0, 0.0)),))[0].end
    (0.0, 0.0)
    """
    return tuple(segment.back() for segment in reversed(loop))


def area(loop: Sequence[Segment]) -> float:
    """Area inside a loop; over nought where it runs anticlockwise.

    >>> square = [(0.0, 0.0), (2.0, 0.0), (2.0, 2.0), (0.0, 2.0)]
    >>> area(through(square))
    4.0
    """
    total = 0.0
    for one in loop:
        (a, b), (c, d) = one.start, one.end
        total += (a * d - c * b) / 2
        if one.centre is not None:
            total += one.radius**2 * (one.turn - sin(one.turn)) / 2
    return total


def through(points: Sequence[At]) -> Loop:
    """Straight lines through points, and back to the first."""
    return tuple(Segment(a, b) for a, b in zip(points, (*points[1:], points[0]), strict=True))


def bulged(start: At, end: At, bulge: float) -> Segment:
    """A line, or an arc by the tangent of a quarter of its angle, to the left over nought.

    >>> half = bulged((0.0, 0.0), (2.0, 0.0), 1.0)
    >>> half.centre, half.left
    ((1.0, 0.0), True)
    """
    if abs(bulge) < TINY:
        return Segment(start, end)
    (a, b), (c, d) = start, end
    # From the chord's middle to the centre, to the left of the way, by the chord's own share.
    off = (1 / bulge - bulge) / 4
    centre = (a + c) / 2 - (d - b) * off, (b + d) / 2 + (c - a) * off
    return Segment(start, end, (centre[0], centre[1]), bulge > 0)


def bulge_of(segment: Segment) -> float:
    """Tangent of a quarter of its angle; 0 of a line.

    >>> round(bulge_of(bulged((0.0, 0.0), (2.0, 0.0), 0.5)), 6)
    0.5
    """
    return 0.0 if segment.centre is None else tan(segment.turn / 4)


def filleted(before: Segment, after: Segment, radius: float) -> tuple[Segment, Segment, Segment]:
    """Two lines that meet, with an arc that touches both between them.

    Raises:
        ValueError: The lines are too short for it, or run on straight.
    """
    (ax, ay), (bx, by) = before.heading(at_end=True), after.heading(at_end=False)
    cross, dot = ax * by - ay * bx, ax * bx + ay * by
    if abs(cross) < TINY:
        raise ValueError("no corner")
    back = radius * tan(abs(atan2(cross, dot)) / 2)
    if back > before.length + TINY or back > after.length + TINY:
        raise ValueError("too large")
    corner = before.end
    one = corner[0] - ax * back, corner[1] - ay * back
    two = corner[0] + bx * back, corner[1] + by * back
    side = 1.0 if cross > 0 else -1.0
    centre = one[0] - ay * radius * side, one[1] + ax * radius * side
    return (
        Segment(before.start, one),
        Segment(one, two, centre, cross > 0),
        Segment(two, after.end),
    )
