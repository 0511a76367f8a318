"""The path of a cutter's centre beside a profile: every side moved out by its radius."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import hypot, pi, sqrt
from typing import TYPE_CHECKING

from runk.core.layout.segments import At, Loop, Segment, area, dist

if TYPE_CHECKING:
    from runk.core.figures import FloatArray

_SAME = 1e-6
_SMOOTH = 1e-3
"""A micrometre: less than that between two sides is no corner."""
_STEP = pi / 24
"""Arcs are looked at in steps of so much where a path is tested."""
_ROUNDS = 400
_SQUARE = 0.43
"""What stays of a square corner, as a share of the cutter's radius: √2 - 1, and a hair."""


@dataclass(frozen=True, slots=True)
class Kept:
    """Metal a cutter leaves in a corner it cannot get into.

    Args:
        at: The corner.
        left: From the corner to what was cut, mm.
    """

    at: At
    left: float


@dataclass(frozen=True, slots=True)
class Path:
    """Where a cutter's centre goes.

    Args:
        loop: Lines and arcs, round once.
        kept: Corners it leaves rounded.
    """

    loop: Loop
    kept: tuple[Kept, ...]


class CannotPass(ValueError):  # noqa: N818 - an answer, not a fault
    """The cutter does not fit: there is no path, or it would cut into the profile.

    Args:
        at: Where.
    """

    def __init__(self, at: At) -> None:
        super().__init__("cannot pass")
        self.at = at


def beside(loop: Loop, by: float, corners: bool = True) -> Path:
    """A path to the left of a loop's way (to its right where ``by`` is under nought).

    Args:
        loop: A closed profile that does not cross itself.
        by: How far, mm; 0 leaves it as it is.
        corners: Whether it is the edge that is cut: a side that would be left out altogether is
            then no path.

    Raises:
        CannotPass: It would cut into the profile elsewhere, leave a side of it uncut, or nothing
            is left of it.

    >>> from runk.core.layout.segments import through
    >>> path = beside(through([(0.0, 0.0), (10.0, 0.0), (10.0, 10.0), (0.0, 10.0)]), -2.0)
    >>> len(path.loop), sum(s.centre is not None for s in path.loop)
    (8, 4)
    """
    if abs(by) < _SAME:
        return Path(loop, ())
    pieces = [(n, moved) for n, one in enumerate(loop) if (moved := _moved(one, by)) is not None]
    for _ in range(_ROUNDS):
        if len(pieces) < 2 and not (pieces and _whole(pieces[0][1])):
            raise CannotPass(loop[0].start)
        joined, kept, lost = _joined(loop, pieces, by)
        if lost is None:
            # Nothing left of it, or turned inside out: the cutter is too large.
            if not joined or area(joined) * area(loop) <= 0:
                raise CannotPass(loop[0].start)
            path = tuple(joined)
            _test(loop, path, abs(by))
            if not corners:
                return Path(path, ())
            _see_sides(loop, {n for n, _ in pieces}, path, abs(by))
            return Path(path, _kept(kept, path, abs(by)))
        del pieces[lost]
    raise CannotPass(loop[0].start)


def _see_sides(loop: Loop, there: set[int], path: Loop, radius: float) -> None:
    """That no side was left out but such as lie in a corner no sharper than a square one.

    Raises:
        CannotPass: A notch or an eye the cutter does not get into stays as it is.
    """
    import numpy as np

    gone = [one.point(k / 8) for n, one in enumerate(loop) if n not in there for k in range(9)]
    if not gone:
        return
    left = nearest_mm(np.array(gone), path) - radius
    worst = int(left.argmax())
    if left[worst] > _SQUARE * radius:
        raise CannotPass(gone[worst])


def _kept(corners: list[At], path: Loop, radius: float) -> tuple[Kept, ...]:
    """What truly stays in each corner: from it to the nearest cut."""
    import numpy as np

    if not corners:
        return ()
    left = nearest_mm(np.array(corners), path) - radius
    return tuple(Kept(at, float(mm)) for at, mm in zip(corners, left, strict=True) if mm > _SAME)


def _whole(one: Segment) -> bool:
    return one.centre is not None and dist(one.start, one.end) < _SAME


def _moved(one: Segment, by: float) -> Segment | None:
    """A segment moved to its left; None where an arc closes up."""
    if one.centre is None:
        x, y = one.heading(at_end=False)
        return one.moved(-y * by, x * by)
    radius = one.radius - by if one.left else one.radius + by
    if radius < _SAME:
        return None
    scale = radius / one.radius
    ends = (
        (
            one.centre[0] + (p[0] - one.centre[0]) * scale,
            one.centre[1] + (p[1] - one.centre[1]) * scale,
        )
        for p in (one.start, one.end)
    )
    start, end = ends
    return Segment(start, end, one.centre, one.left)


def _joined(
    loop: Loop, pieces: Sequence[tuple[int, Segment]], by: float
) -> tuple[list[Segment], list[At], int | None]:
    """Moved segments joined at their ends; the number of one that has to go, where one has."""
    many = len(pieces)
    starts, ends = [p[1].start for p in pieces], [p[1].end for p in pieces]
    arcs: dict[int, Segment] = {}
    kept: list[At] = []
    for n in range(many):
        (at, here), (then, there) = pieces[n], pieces[(n + 1) % many]
        old, following = loop[at], loop[then]
        if dist(here.end, there.start) < _SAME:
            continue
        if dist(here.end, there.start) < _SMOOTH:
            # They run on smoothly but for what a drawing was rounded by.
            (a, b), (c, d) = here.end, there.start
            ends[n] = starts[(n + 1) % many] = ((a + c) / 2, (b + d) / 2)
            continue
        corner = old.end
        met = dist(old.end, following.start) < _SAME
        ax, ay = old.heading(at_end=True)
        bx, by_ = following.heading(at_end=False)
        turned = ax * by_ - ay * bx
        if met and turned * by < 0:
            # The cutter rolls round an outer corner.
            arcs[n] = Segment(here.end, there.start, corner, turned > 0)
            continue
        cross = crossing(here, there)
        if cross is None:
            shorter = n if here.length < there.length else (n + 1) % many
            return [], [], shorter
        ends[n] = starts[(n + 1) % many] = cross
        # What lies between on the profile: the corner itself, or an arc too tight for the cutter.
        between = [loop[k % len(loop)] for k in range(at + 1, at + 1 + (then - at - 1) % len(loop))]
        worst = max(
            (corner, *(p for s in between for p in (s.start, s.point(0.5)))),
            key=lambda p: dist(p, cross),
        )
        if dist(worst, cross) - abs(by) > _SAME:
            kept.append(worst)
    out: list[Segment] = []
    for n, (_, here) in enumerate(pieces):
        trimmed = Segment(starts[n], ends[n], here.centre, here.left)
        if _reversed(here, trimmed):
            return [], [], n
        if trimmed.length > _SAME:
            out.append(trimmed)
        if n in arcs:
            out.append(arcs[n])
    return out, kept, None


def _reversed(before: Segment, after: Segment) -> bool:
    """Whether trimming turned a segment round: its neighbours met before they met it."""
    if before.centre is None:
        x, y = before.heading(at_end=False)
        along = (after.end[0] - after.start[0]) * x + (after.end[1] - after.start[1]) * y
        return along < -_SAME
    if _whole(before):
        return False
    return abs(after.turn) > abs(before.turn) + pi


def crossing(a: Segment, b: Segment) -> At | None:
    """Where two segments, run on as far as need be, cross; the crossing nearest to both."""
    if a.centre is None and b.centre is None:
        found = _lines(a, b)
    elif a.centre is not None and b.centre is not None:
        found = _circles(a, b)
    else:
        line, arc = (a, b) if a.centre is None else (b, a)
        found = _line_circle(line, arc)
    middle = (a.end[0] + b.start[0]) / 2, (a.end[1] + b.start[1]) / 2
    return min(found, key=lambda p: dist(p, middle), default=None)


def _lines(a: Segment, b: Segment) -> list[At]:
    (px, py), (qx, qy) = a.start, b.start
    (rx, ry), (sx, sy) = a.heading(at_end=False), b.heading(at_end=False)
    cross = rx * sy - ry * sx
    if abs(cross) < 1e-9:
        return []
    t = ((qx - px) * sy - (qy - py) * sx) / cross
    return [(px + t * rx, py + t * ry)]


def _line_circle(line: Segment, arc: Segment) -> list[At]:
    assert arc.centre is not None
    (px, py), (dx, dy) = line.start, line.heading(at_end=False)
    fx, fy = px - arc.centre[0], py - arc.centre[1]
    half = fx * dx + fy * dy
    under = half * half - (fx * fx + fy * fy - arc.radius**2)
    if under < -1e-9:
        return []
    root = sqrt(max(under, 0.0))
    return [(px + t * dx, py + t * dy) for t in (-half - root, -half + root)]


def _circles(a: Segment, b: Segment) -> list[At]:
    assert a.centre is not None
    assert b.centre is not None
    dx, dy = b.centre[0] - a.centre[0], b.centre[1] - a.centre[1]
    apart = hypot(dx, dy)
    if apart < _SAME or apart > a.radius + b.radius or apart < abs(a.radius - b.radius):
        return []
    cosine = (a.radius**2 + apart**2 - b.radius**2) / (2 * a.radius * apart)
    out = []
    for sign in (1.0, -1.0):
        c, s = a.radius * cosine, sign * a.radius * sqrt(max(1 - cosine * cosine, 0.0))
        out.append(
            (a.centre[0] + (c * dx - s * dy) / apart, a.centre[1] + (c * dy + s * dx) / apart)
        )
    return out


def _test(profile: Loop, path: Loop, radius: float) -> None:
    """No point of a path comes nearer to the profile than the cutter's radius."""
    import numpy as np

    points = np.array([p for one in path for p in _samples(one)])
    least = nearest_mm(points, profile)
    worst = int(least.argmin())
    if least[worst] < radius - 2e-4 * max(1.0, radius):
        raise CannotPass((float(points[worst, 0]), float(points[worst, 1])))


def _samples(one: Segment) -> list[At]:
    many = 5 if one.centre is None else max(3, int(abs(one.turn) / _STEP) + 1)
    return [one.point(k / many) for k in range(many)]


def nearest_mm(points: FloatArray, profile: Loop) -> FloatArray:
    """From each point to the nearest place of a profile.

    Args:
        points: A row each, x and y.
        profile: Lines and arcs.
    """
    import numpy as np

    least = np.full(len(points), np.inf)
    for one in profile:
        a, b = np.array(one.start), np.array(one.end)
        if one.centre is None:
            way = b - a
            share = np.clip(((points - a) @ way) / max(float(way @ way), 1e-18), 0.0, 1.0)
            off = points - (a + share[:, None] * way)
            here = np.hypot(off[:, 0], off[:, 1])
        else:
            out = points - np.array(one.centre)
            round_ = np.abs(np.hypot(out[:, 0], out[:, 1]) - one.radius)
            first = np.arctan2(a[1] - one.centre[1], a[0] - one.centre[0])
            turned = (np.arctan2(out[:, 1], out[:, 0]) - first) % (2 * np.pi)
            if not one.left:
                turned = (2 * np.pi - turned) % (2 * np.pi)
            ends = np.minimum(*(np.hypot(*(points - p).T) for p in (a, b)))
            here = np.where(turned <= abs(one.turn) + 1e-12, round_, ends)
        least = np.minimum(least, here)
    return least


def crosses_itself(loop: Loop) -> At | None:
    """A place where a profile crosses itself; None where it nowhere does."""
    import numpy as np

    points: list[At] = []
    for one in loop:
        points += _samples(one) if one.centre is not None else [one.start]
    p = np.array(points)
    q = np.roll(p, -1, axis=0)
    d = q - p
    many = len(p)
    for n in range(many - 2):
        # Neighbours share an end; the last and the first do too.
        last = many - 1 if n == 0 else many
        a, b = p[n + 2 : last], d[n + 2 : last]
        if not len(a):
            continue
        cross = d[n, 0] * b[:, 1] - d[n, 1] * b[:, 0]
        off = a - p[n]
        with np.errstate(divide="ignore", invalid="ignore"):
            t = (off[:, 0] * b[:, 1] - off[:, 1] * b[:, 0]) / cross
            u = (off[:, 0] * d[n, 1] - off[:, 1] * d[n, 0]) / cross
        hit = (t > -1e-9) & (t < 1 + 1e-9) & (u > -1e-9) & (u < 1 + 1e-9)
        hit &= np.abs(cross) > 1e-12
        if hit.any():
            k = int(hit.argmax())
            return float(p[n, 0] + t[k] * d[n, 0]), float(p[n, 1] + t[k] * d[n, 1])
    return None
