"""Profiles made of lines and arcs, anticlockwise about their middle."""

from __future__ import annotations

from math import asin, cos, pi, radians, sin, sqrt

from runk.core.kinds import Corner
from runk.core.layout.path_question import PathQuestion
from runk.core.layout.segments import (
    At,
    Loop,
    Segment,
    area,
    backwards,
    bulged,
    dist,
    filleted,
    through,
)
from runk.core.refusals import Refused
from runk.core.said import mm_said


def profile_of(question: PathQuestion) -> Loop:
    """The profile that is asked for, anticlockwise.

    Raises:
        Refused: Its sizes do not go together.
    """
    made = {
        "link": _link,
        "flange": _flange,
        "plate": _plate,
        "flats": _flats,
        "slot": _slot,
        "arc-slot": _arc_slot,
        "corners": _corners,
    }[question.profile](question)
    x, y = float(question.x or 0), float(question.y or 0)
    return tuple(one.moved(x, y) for one in made)


def _polar(centre: At, radius: float, angle: float) -> At:
    return centre[0] + radius * cos(angle), centre[1] + radius * sin(angle)


def _tangent(apart: float, one: float, other: float) -> float:
    """Direction, from the way between two circles, in which their outer tangent touches both."""
    return pi / 2 - asin((one - other) / apart) if apart else pi / 2


def _link(question: PathQuestion) -> Loop:
    apart, one = float(question.long or 0), float(question.dia or 0) / 2
    other = one if question.end is None else float(question.end) / 2
    if apart <= abs(one - other):
        raise Refused(
            f"With {mm_said(apart)} between them one eye lies within the other.", field="long"
        )
    left, right = (-apart / 2, 0.0), (apart / 2, 0.0)
    angle = _tangent(apart, one, other)
    a, b = _polar(left, one, -angle), _polar(right, other, -angle)
    c, d = _polar(right, other, angle), _polar(left, one, angle)
    return Segment(a, b), Segment(b, c, right), Segment(c, d), Segment(d, a, left)


def _flange(question: PathQuestion) -> Loop:
    apart, boss, end = (float(x or 0) for x in (question.long, question.dia, question.end))
    boss, end, half = boss / 2, end / 2, apart / 2
    if half + end <= boss:
        raise Refused("The boss covers the ends: it is a disc.", field="long")
    if boss <= end:
        # Ends larger than the boss leave a straight-sided link.
        raise Refused("The ends are as large as the boss: ask for a link.", field="end")
    if half <= boss - end:
        raise Refused("The ends lie within the boss.", field="long")
    right, left, middle = (half, 0.0), (-half, 0.0), (0.0, 0.0)
    angle = _tangent(half, boss, end)
    a, b = _polar(middle, boss, -angle), _polar(right, end, -angle)
    c, d = _polar(right, end, angle), _polar(middle, boss, angle)
    e, f = _polar(middle, boss, pi - angle), _polar(left, end, pi - angle)
    g, h = _polar(left, end, pi + angle), _polar(middle, boss, pi + angle)
    return (
        Segment(a, b),
        Segment(b, c, right),
        Segment(c, d),
        Segment(d, e, middle),
        Segment(e, f),
        Segment(f, g, left),
        Segment(g, h),
        Segment(h, a, middle),
    )


def _plate(question: PathQuestion) -> Loop:
    long, wide = float(question.long or 0) / 2, float(question.wide or 0) / 2
    corner = float(question.corner or 0)
    if corner > min(long, wide) + 1e-9:
        raise Refused(
            f"Corners of {mm_said(corner)} are larger than half of it.",
            field="corner",
            suggest=mm_said(min(long, wide)),
        )
    points = [(-long, -wide), (long, -wide), (long, wide), (-long, wide)]
    return _rounded(through(points), [corner] * 4)


def _flats(question: PathQuestion) -> Loop:
    radius, half = float(question.dia or 0) / 2, float(question.across or 0) / 2
    if half >= radius:
        raise Refused(
            "The flats stand outside the disc.", field="across", suggest=f"{radius * 1.6:.2f} mm"
        )
    x = sqrt(radius**2 - half**2)
    a, b, c, d = (-x, -half), (x, -half), (x, half), (-x, half)
    middle = (0.0, 0.0)
    return Segment(a, b), Segment(b, c, middle), Segment(c, d), Segment(d, a, middle)


def _slot(question: PathQuestion) -> Loop:
    half, r = float(question.long or 0) / 2, float(question.wide or 0) / 2
    a, b, c, d = (-half, -r), (half, -r), (half, r), (-half, r)
    return Segment(a, b), Segment(b, c, (half, 0.0)), Segment(c, d), Segment(d, a, (-half, 0.0))


def _arc_slot(question: PathQuestion) -> Loop:
    radius, r = float(question.dia or 0) / 2, float(question.wide or 0) / 2
    if r >= radius:
        raise Refused("The slot is wider than its circle.", field="wide")
    first = radians(question.start or 0.0)
    last = first + radians(question.turn or 0.0)
    gap = 2 * pi - (last - first)
    if gap < 2 * asin(min(r / radius, 1.0)) * 2:
        raise Refused("So far round, its ends run into each other.", field="turn", suggest="270")
    middle = (0.0, 0.0)
    outer, inner = radius + r, radius - r
    a, b = _polar(middle, outer, first), _polar(middle, outer, last)
    c, d = _polar(middle, inner, last), _polar(middle, inner, first)
    return (
        Segment(a, b, middle),
        Segment(b, c, _polar(middle, radius, last)),
        Segment(c, d, middle, left=False),
        Segment(d, a, _polar(middle, radius, first)),
    )


def middle_of(question: PathQuestion) -> Loop:
    """The way of a cutter as wide as its slot: down the middle and back.

    >>> from fractions import Fraction
    >>> slot = PathQuestion("slot", Fraction(30), Fraction(6))
    >>> [one.end for one in middle_of(slot)]
    [(15.0, 0.0), (-15.0, 0.0)]
    """
    if question.profile == "slot":
        half = float(question.long or 0) / 2
        along = Segment((-half, 0.0), (half, 0.0))
    else:
        radius, first = float(question.dia or 0) / 2, radians(question.start or 0.0)
        last = first + radians(question.turn or 0.0)
        middle = (0.0, 0.0)
        along = Segment(_polar(middle, radius, first), _polar(middle, radius, last), middle)
    along = along.moved(float(question.x or 0), float(question.y or 0))
    return along, along.back()


def _corners(question: PathQuestion) -> Loop:
    told = question.corners
    if len(told) < 3 and not any(corner.bulge for corner in told):
        raise Refused("Two corners make a line: a profile goes round.", field="corners")
    points = [(float(c.x), float(c.y)) for c in told]
    for n, point in enumerate(points):
        if dist(point, points[(n + 1) % len(points)]) < 1e-6:
            raise Refused(f"Corner {n + 1} and the next are one place.", field="corners")
    sides = tuple(
        bulged(point, points[(n + 1) % len(points)], told[n].bulge)
        for n, point in enumerate(points)
    )
    loop = _rounded(sides, [float(c.radius) for c in told], told)
    return loop if area(loop) > 0 else backwards(loop)


def _rounded(sides: Loop, radii: list[float], told: tuple[Corner, ...] = ()) -> Loop:
    """A loop whose corners are rounded; ``radii`` are of the corner each side begins at."""
    many, now, arcs = len(sides), list(sides), dict[int, Segment]()
    for n, radius in enumerate(radii):
        if not radius:
            continue
        before, after = now[n - 1], now[n]
        if before.centre is not None or after.centre is not None:
            raise Refused(
                f"Corner {n + 1} lies beside an arc: only lines are rounded.", field="corners"
            )
        try:
            now[n - 1], arcs[n], now[n] = filleted(before, after, radius)
        except ValueError:
            raise Refused(
                f"Corner {n + 1} cannot be rounded to {mm_said(radius)}: its sides are too short, "
                "or run straight on.",
                field="corners" if told else "corner",
            ) from None
    out: list[Segment] = []
    for n in range(many):
        out += [arcs[n]] if n in arcs else []
        out += [now[n]] if now[n].length > 1e-9 else []
    return tuple(out)
