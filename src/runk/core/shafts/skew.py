"""Two straight holes in space: how near their middles come."""

from __future__ import annotations

from math import acos, atan2, degrees, sqrt

from runk.core.figures import law

Vector = tuple[float, float, float]


def _less(a: Vector, b: Vector) -> Vector:
    return (a[0] - b[0], a[1] - b[1], a[2] - b[2])


def _dot(a: Vector, b: Vector) -> float:
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2]


@law("Length of the passage", "√({along_mm}² + {across_mm}² + {deep_mm}²)")
def length_mm(along_mm: float, across_mm: float, deep_mm: float) -> float:
    """From one end to the other.

    >>> length_mm(3.0, 0.0, 4.0)
    5.0
    """
    return sqrt(along_mm**2 + across_mm**2 + deep_mm**2)


@law("Off square", "arccos({deep_mm} ÷ {length_mm})")
def off_square_deg(deep_mm: float, length_mm: float) -> float:
    """Angle between a passage and a line square to the face it starts on.

    >>> round(off_square_deg(4.0, 5.0), 3)
    36.87
    """
    return degrees(acos(max(-1.0, min(1.0, deep_mm / length_mm))))


@law("Turned in plan", "arctan({across_mm} ÷ {along_mm})")
def plan_deg(along_mm: float, across_mm: float) -> float:
    """Which way it leans, from along towards across.

    >>> round(plan_deg(1.0, 1.0), 3)
    45.0
    """
    return degrees(atan2(across_mm, along_mm))


@law("Wall between them", "{apart_mm} - {one_mm} ÷ 2 - {other_mm} ÷ 2")
def wall_mm(apart_mm: float, one_mm: float, other_mm: float) -> float:
    """Metal between two holes whose middles come so near.

    >>> wall_mm(10.0, 3.0, 5.0)
    6.0
    """
    return apart_mm - one_mm / 2.0 - other_mm / 2.0


def nearest(
    a: Vector, b: Vector, c: Vector, d: Vector, *, endless: bool = False
) -> tuple[float, float]:
    """How near the way from ``a`` to ``b`` comes to that from ``c`` to ``d``.

    Args:
        a: One end; ``b`` the other.
        c: One end of the other; ``d`` its other end.
        endless: Whether the other goes on beyond both its ends.

    Returns:
        The distance, and where on the first it lies: 0 at ``a``, 1 at ``b``.

    >>> nearest((0, 0, 0), (10, 0, 0), (5, -5, 3), (5, 5, 3))
    (3.0, 0.5)
    """
    u, v, w = _less(b, a), _less(d, c), _less(a, c)
    uu, uv, vv, uw, vw = _dot(u, u), _dot(u, v), _dot(v, v), _dot(u, w), _dot(v, w)
    skew = uu * vv - uv * uv
    # Alongside each other, anywhere will do to begin with.
    s = 0.0 if skew <= 1e-12 * uu * vv else max(0.0, min(1.0, (uv * vw - vv * uw) / skew))
    t = (uv * s + vw) / vv if vv else 0.0
    if not endless and not 0.0 <= t <= 1.0:
        t = max(0.0, min(1.0, t))
        s = max(0.0, min(1.0, (uv * t - uw) / uu)) if uu else 0.0
    gap = tuple(w[n] + s * u[n] - t * v[n] for n in range(3))
    return sqrt(gap[0] ** 2 + gap[1] ** 2 + gap[2] ** 2), s
