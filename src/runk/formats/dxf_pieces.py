"""What a drawing holds, flat and in the world's own places: blocks taken apart, mirrors turned."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, field
from fractions import Fraction
from typing import Any

from ezdxf.document import Drawing
from ezdxf.math import Vec3

from runk.core.layout.segments import TINY, At, Loop, Segment, bulged, dist
from runk.core.refusals import Refused

MOST_PIECES = 5000
"""Lines and arcs of a face: it has a few hundred corners at most."""
SAME = 0.005
"""Ends nearer than this are one: drawings are rounded, mm."""
_DEEPEST = 6
_UNITS = {
    0: Fraction(1),
    1: Fraction(254, 10),
    2: Fraction(3048, 10),
    4: Fraction(1),
    5: Fraction(10),
    6: Fraction(1000),
    9: Fraction(254, 10000),
    10: Fraction(9144, 10),
    13: Fraction(1, 1000),
    14: Fraction(100),
}
"""Millimetres of a drawing's unit by its number in the file ($INSUNITS)."""
_NAMES = {
    0: "millimetres, as it does not say",
    1: "inches",
    2: "feet",
    4: "millimetres",
    5: "centimetres",
    6: "metres",
    9: "thousandths of an inch",
    10: "yards",
    13: "thousandths of a millimetre",
    14: "decimetres",
}
_WORDS = frozenset(
    {"TEXT", "MTEXT", "DIMENSION", "HATCH", "LEADER", "ATTDEF", "ATTRIB", "MULTILEADER"}
)
"""What says something and is no metal."""


@dataclass
class Pieces:
    """A drawing taken apart, in the unit it is drawn in.

    Args:
        circles: Middle, diameter (0 of a point) and layer of each.
        loops: Closed outlines that are one thing.
        segments: Lines and arcs that may make others.
        lost: What could not be read, and how often.
        seen: How much was looked at, blocks within blocks among it.
    """

    circles: list[tuple[At, float, str]] = field(default_factory=list)
    loops: list[Loop] = field(default_factory=list)
    segments: list[Segment] = field(default_factory=list)
    lost: Counter[str] = field(default_factory=Counter)
    seen: int = 0


def unit_of(drawing: Drawing) -> tuple[Fraction, str]:
    """Millimetres of a drawing's unit, and its name.

    Raises:
        Refused: It is in a unit no face is drawn in.
    """
    if drawing.units not in _UNITS:
        raise Refused(
            f"That drawing is in a unit no face is drawn in (number {drawing.units}): save it in "
            "millimetres.",
            field="file",
        )
    return _UNITS[drawing.units], _NAMES[drawing.units]


def pieces_of(drawing: Drawing) -> Pieces:
    """Every circle, line and arc of a drawing's face.

    Raises:
        Refused: There are more than a face has.
    """
    found = Pieces()
    for entity in _flat(drawing.modelspace(), found, 0):
        kind = entity.dxftype()
        read = _READERS.get(kind)
        if read is not None:
            read(entity, found)
        elif kind not in _WORDS:
            found.lost[kind.lower()] += 1
    if len(found.segments) > MOST_PIECES:
        raise Refused(
            f"{len(found.segments)} lines and arcs are too many for one face: {MOST_PIECES} at "
            "most.",
            field="file",
        )
    return found


def _flat(entities: Any, found: Pieces, deep: int) -> Iterator[Any]:
    for entity in entities:
        # Counted before it is taken apart: a block of blocks of itself has no end.
        found.seen += 1
        if found.seen > 4 * MOST_PIECES:
            raise Refused(
                f"That drawing has too many pieces for one face: {MOST_PIECES} lines and arcs at "
                "most.",
                field="file",
            )
        if entity.dxftype() != "INSERT":
            yield entity
        elif deep >= _DEEPEST or entity.mcount > MOST_PIECES:
            found.lost["block"] += 1
        else:
            blocks = entity.multi_insert() if entity.mcount > 1 else (entity,)
            for block in blocks:
                yield from _flat(block.virtual_entities(), found, deep + 1)


def _upright(entity: Any) -> float:
    """1 where it is drawn as it is seen, -1 where it is mirrored, 0 where it stands on edge."""
    z = Vec3(entity.dxf.extrusion).normalize().z
    return 1.0 if z > 1 - 1e-6 else -1.0 if z < 1e-6 - 1 else 0.0


def _at(entity: Any, place: Any) -> At:
    x, y, _ = entity.ocs().to_wcs(Vec3(place))
    return float(x), float(y)


def _circle(entity: Any, found: Pieces) -> None:
    if not _upright(entity):
        found.lost["circle on edge"] += 1
        return
    at = _at(entity, entity.dxf.center)
    found.circles.append((at, 2 * float(entity.dxf.radius), entity.dxf.layer.upper()))


def _point(entity: Any, found: Pieces) -> None:
    x, y, _ = Vec3(entity.dxf.location)
    found.circles.append(((float(x), float(y)), 0.0, entity.dxf.layer.upper()))


def _line(entity: Any, found: Pieces) -> None:
    a, b = entity.dxf.start, entity.dxf.end
    found.segments.append(Segment((a[0], a[1]), (b[0], b[1])))


def _arc(entity: Any, found: Pieces) -> None:
    way = _upright(entity)
    if not way:
        found.lost["arc on edge"] += 1
        return
    a, b = entity.start_point, entity.end_point
    # Drawn to the left; in a mirror that is to the right.
    centre = _at(entity, entity.dxf.center)
    found.segments.append(Segment((a[0], a[1]), (b[0], b[1]), centre, way > 0))


def _light(entity: Any, found: Pieces) -> None:
    points = [(x, y, b) for x, y, b in entity.get_points("xyb")]
    _polyline(entity, points, entity.closed, found)


def _heavy(entity: Any, found: Pieces) -> None:
    if not entity.is_2d_polyline:
        found.lost["polyline in space"] += 1
        return
    points = [(v.dxf.location.x, v.dxf.location.y, v.dxf.bulge) for v in entity.vertices]
    _polyline(entity, points, entity.is_closed, found)


def _polyline(entity: Any, points: list[Any], closed: bool, found: Pieces) -> None:
    way = _upright(entity)
    if entity.dxf.layer.upper() == "PATH" or len(points) < 2:
        return
    if not closed and dist(points[0][:2], points[-1][:2]) < SAME:
        points.pop()
    elif not closed or not way:
        found.lost["open polyline" if way else "polyline on edge"] += 1
        return
    flat = [(*_at(entity, (x, y, 0.0)), way * bulge) for x, y, bulge in points]
    loop = tuple(
        bulged(a[:2], b[:2], a[2])
        for a, b in zip(flat, [*flat[1:], flat[0]], strict=True)
        if dist(a[:2], b[:2]) > TINY
    )
    if loop:
        found.loops.append(loop)


_READERS = {
    "CIRCLE": _circle,
    "POINT": _point,
    "LINE": _line,
    "ARC": _arc,
    "LWPOLYLINE": _light,
    "POLYLINE": _heavy,
}
