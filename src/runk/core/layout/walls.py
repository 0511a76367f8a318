"""What is left beside the holes of a pattern: to bore, rim, edges, each other and the passages."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import dist, inf

from runk.core.figures import Figure, Working
from runk.core.kinds import Bearing
from runk.core.layout import laws
from runk.core.layout.circle_question import CircleQuestion
from runk.core.layout.patterns import Laid, middle_of


@dataclass(frozen=True, slots=True, kw_only=True)
class Walls:
    """Metal left, where what it is left to was told.

    Args:
        apart: Least distance of two holes, middle to middle.
        between: Metal between those.
        bore: To the bore.
        rim: To the outside of a round face.
        edge: To the nearest edge of a square one.
    """

    apart: float
    between: Figure | None
    bore: Figure | None
    rim: Figure | None
    edge: Figure | None


def walls(w: Working, question: CircleQuestion, holes: Sequence[Laid]) -> Walls:
    """Metal left beside the holes, of a pattern with a middle to its bore and rim as well."""
    hole = float(question.hole or 0)
    # Round a whole circle every neighbour is as near as the first two.
    whole = question.pattern == "circle"
    apart = dist(holes[0].mm, holes[1].mm) if whole else least_apart([h.mm for h in holes])
    middle = middle_of(question)
    out = [dist(h.mm, middle) for h in holes]
    told = bool(hole)
    return Walls(
        apart=apart,
        between=w.of(laws.between_mm, apart_mm=apart, hole_mm=hole)
        if told and len(holes) > 1
        else None,
        bore=w.of(
            laws.bore_wall_mm, nearest_mm=min(out), hole_mm=hole, bore_mm=float(question.bore)
        )
        if question.bore is not None
        else None,
        rim=w.of(laws.rim_wall_mm, rim_mm=float(question.rim), farthest_mm=max(out), hole_mm=hole)
        if question.rim is not None
        else None,
        edge=w.of(laws.edge_wall_mm, nearest_mm=_to_edge(question, holes), hole_mm=hole)
        if question.wide is not None
        else None,
    )


def _to_edge(question: CircleQuestion, holes: Sequence[Laid]) -> float:
    wide, high = float(question.wide or 0), float(question.high or 0)
    return min(min(x, wide - x, y, high - y) for x, y in (h.mm for h in holes))


def least_apart(places: Sequence[tuple[float, float]]) -> float:
    """Least distance between two of these places; 0 where there are not two.

    >>> least_apart([(0.0, 0.0), (3.0, 4.0), (3.0, 5.0)])
    1.0
    """
    if len(places) < 2:
        return 0.0
    long = max((0, 1), key=lambda axis: max(p[axis] for p in places) - min(p[axis] for p in places))
    ordered = sorted(places, key=lambda p: p[long])
    least = inf
    for n, one in enumerate(ordered):
        for other in ordered[n + 1 :]:
            if other[long] - one[long] >= least:
                break
            least = min(least, dist(one, other))
    return least


def off_deg(one: float, other: float) -> float:
    """Between two directions, the short way round.

    >>> off_deg(350.0, 10.0)
    20.0
    """
    apart = abs(one - other) % 360.0
    return min(apart, 360.0 - apart)


def wall_to(
    w: Working, question: CircleQuestion, holes: Sequence[Laid], port: Bearing
) -> tuple[Figure, Laid, float]:
    """Least metal between the holes and one thing kept clear, the hole, and how far off it is."""
    hole, wide = float(question.hole or 0), float(port.wide)

    def metal(one: Laid) -> float:
        off = off_deg(one.angle.value if one.angle else 0.0, port_deg(question, port))
        return laws.clear_wall_mm(one.radius, off, hole, wide)

    near = min(holes, key=metal)
    off = off_deg(near.angle.value if near.angle else 0.0, port_deg(question, port))
    wall = w.of(
        laws.clear_wall_mm,
        "wall_mm",
        radius_mm=near.radius,
        off_deg=off,
        hole_mm=hole,
        wide_mm=wide,
    )
    return wall, near, off


def port_deg(question: CircleQuestion, port: Bearing) -> float:
    """Its direction as this side is seen."""
    return (180.0 - port.deg if question.seen == "other" else port.deg) % 360.0


def clearest_deg(question: CircleQuestion, radius_mm: float) -> float:
    """Where a circle's first hole begins so that most metal is left to all that is kept clear.

    Holes stand a step apart, so that only what is left of each direction after whole steps counts:
    the middle of the widest gap between those, weighed by how wide each is, is best.

    Args:
        question: A whole circle, with something kept clear.
        radius_mm: Of it.

    >>> from fractions import Fraction
    >>> four = tuple(Bearing("port", deg, Fraction(0)) for deg in (0.0, 90.0))
    >>> clearest_deg(CircleQuestion(count=4, circle=Fraction(40), ports=four), 20.0)
    45.0
    """
    step = 360.0 / question.count
    hole = float(question.hole or 0)

    def least(start: float) -> float:
        return min(
            laws.clear_wall_mm(
                radius_mm, min((start - p.deg) % step, (p.deg - start) % step), hole, float(p.wide)
            )
            for p in question.ports
        )

    # Between neighbours the best lies where the metal to both is one: found by halving.
    marks = sorted(p.deg % step for p in question.ports)
    best = 0.0, -1e9
    for here, then in zip(marks, [*marks[1:], marks[0] + step], strict=True):
        low, high = here, then
        for _ in range(60):
            a, b = low + (high - low) / 3, high - (high - low) / 3
            low, high = (a, high) if least(a) < least(b) else (low, b)
        found = least((low + high) / 2)
        if found > best[1] + 1e-9:
            best = (low + high) / 2, found
    return round(best[0] % step, 2)
