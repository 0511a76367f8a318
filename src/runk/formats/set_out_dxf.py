"""Patterns and profiles as DXF, out and in, through ezdxf."""

from __future__ import annotations

import io
from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction
from math import floor, isfinite
from typing import Any

from ezdxf import recover
from ezdxf.filemanagement import new
from ezdxf.lldxf.const import DXFError

from runk.core.kinds import Corner, Spot
from runk.core.kinds.corners import MOST_CORNERS
from runk.core.layout.circle_question import MOST_HOLES
from runk.core.layout.segments import At, Loop, Segment, bulge_of, dist
from runk.core.layout.set_out import SetOut
from runk.core.refusals import Refused
from runk.formats.dxf_pieces import MOST_PIECES, SAME, Pieces, pieces_of, unit_of

LARGEST = 2 * 1024 * 1024
"""More than this is no drawing of one face, and takes minutes to read."""
_MILLIMETRES = 4
FARTHEST = 1e6
"""Millimetres: a place farther off is no place on a face."""


def set_out_dxf(face: SetOut) -> str:
    """A drawing in millimetres: holes as circles (points where they have no size), profiles closed.

    Args:
        face: What is set out.
    """
    drawing = new("R2010", units=_MILLIMETRES)
    for name, colour in (("HOLES", 1), ("OUTLINE", 7), ("PATH", 5), ("NAMES", 3)):
        drawing.layers.add(name, color=colour)
    space = drawing.modelspace()
    for hole in face.holes:
        at = hole.x, hole.y
        if hole.dia:
            space.add_circle(at, hole.dia / 2, dxfattribs={"layer": "HOLES"})
        else:
            space.add_point(at, dxfattribs={"layer": "HOLES"})
        space.add_text(
            hole.name, height=max(hole.dia / 3, 1.0), dxfattribs={"layer": "NAMES", "insert": at}
        )
    for loop in face.outlines:
        _loop(space, loop, "OUTLINE")
    if face.path:
        _loop(space, face.path, "PATH")
    out = io.StringIO()
    drawing.write(out)
    return out.getvalue()


def _loop(space: Any, loop: Loop, layer: str) -> None:
    points = [(*one.start, bulge_of(one)) for one in loop]
    space.add_lwpolyline(points, format="xyb", close=True, dxfattribs={"layer": layer})


@dataclass(frozen=True, slots=True)
class Drawn:
    """What a drawing holds that can be set out.

    Args:
        spots: Middles of its circles, and its points, in millimetres.
        corners: Of its largest closed profile; empty where it has none.
        dia: Of its circles where they are all of one size, else 0.
        says: What was read, in words.
    """

    spots: tuple[Spot, ...]
    corners: tuple[Corner, ...]
    dia: float
    says: str


def read_dxf(body: bytes) -> Drawn:
    """Holes and the largest profile of a drawing.

    Args:
        body: The file.

    Raises:
        Refused: It is no drawing, too large, or holds neither holes nor a profile.
    """
    if len(body) > LARGEST:
        raise Refused(
            f"A drawing of {len(body) // 1024} kB is too large for one face: "
            f"{LARGEST // 1024} kB at most. Save only the face, without text and hatching.",
            field="file",
        )
    try:
        drawing, _ = recover.read(io.BytesIO(body))
    except (DXFError, OSError, ValueError, KeyError, IndexError, TypeError, AttributeError):
        raise Refused("That is no DXF drawing.", field="file") from None
    scale, unit = unit_of(drawing)
    try:
        pieces = pieces_of(drawing)
    except Refused:
        raise
    except (DXFError, ValueError, ArithmeticError, TypeError, AttributeError):
        raise Refused("That is no DXF drawing.", field="file") from None
    spots, dias, larger = _spots(pieces, scale)
    corners = _corners(pieces, scale)
    if not spots and not corners:
        there = {entity.dxftype() for entity in drawing.modelspace()}
        kinds = sorted(pieces.lost) or sorted(there) or ["nothing"]
        raise Refused(
            f"There is no circle, point or closed profile in it, only {', '.join(kinds[:4])}.",
            field="file",
        )
    if len(spots) > MOST_HOLES:
        raise Refused(f"{len(spots)} holes are too many: {MOST_HOLES} at most.", field="file")
    one = dias[0] if len(dias) == 1 else 0.0
    parts = [f"{len(spots)} holes"] if spots else []
    parts += [f"a profile of {len(corners)} corners"] if corners else []
    says = [f"{' and '.join(parts)}, read in {unit}."]
    if len(dias) > 1:
        sizes = ", ".join(f"{mm:g}" for mm in dias[:6])
        says.append(f"They are of {len(dias)} sizes, {sizes} mm: which is which is left out.")
    if larger:
        says.append(f"{larger} larger circles about the same middles are left out.")
    if pieces.lost:
        lost = ", ".join(f"{many} {kind}" for kind, many in sorted(pieces.lost.items())[:6])
        says.append(f"Not read: {lost}.")
    return Drawn(spots, corners, one, " ".join(says))


def _spots(pieces: Pieces, scale: Fraction) -> tuple[tuple[Spot, ...], list[float], int]:
    """Places of holes, their sizes, and how many larger circles stand about the same middles."""
    holes = [one for one in pieces.circles if one[2] not in ("OUTLINE", "RIM", "BORE")]
    if len(holes) > MOST_PIECES:
        raise Refused(f"{len(holes)} holes are too many: {MOST_HOLES} at most.", field="file")
    least: dict[tuple[Fraction, Fraction], float] = {}
    larger = 0
    for (x, y), dia, _ in holes:
        at = _mm(x, scale), _mm(y, scale)
        if at in least:
            larger += 1
        # About one middle the smallest goes through; a point beside a circle says nothing more.
        known = least.get(at, 0.0)
        least[at] = min(known, dia) if known and dia else known or dia
    dias = sorted({round(dia * float(scale), 4) for dia in least.values() if dia})
    return tuple(Spot(*at) for at in least), dias, larger


def _mm(value: float, scale: Fraction) -> Fraction:
    if not isfinite(value) or abs(value) > FARTHEST:
        raise Refused("That is no DXF drawing: a place in it is no number.", field="file")
    return Fraction(str(round(value, 6))) * scale


def _corners(pieces: Pieces, scale: Fraction) -> tuple[Corner, ...]:
    """Corners of the closed profile that reaches furthest, the cutter's own path left out."""
    loops = [*pieces.loops, *_chained(pieces.segments)]
    if not loops:
        return ()

    def wide(loop: Loop) -> float:
        return max(s.start[0] for s in loop) - min(s.start[0] for s in loop)

    loop = max(loops, key=wide)
    if len(loop) > MOST_CORNERS:
        raise Refused(f"{len(loop)} corners are too many: {MOST_CORNERS} at most.", field="file")
    return tuple(
        Corner(_mm(s.start[0], scale), _mm(s.start[1], scale), Fraction(0), round(bulge_of(s), 9))
        for s in loop
    )


class _Ends:
    """Pieces by where they end, so that the next of a chain is found at once.

    Args:
        pieces: Lines and arcs, as they were drawn.
    """

    def __init__(self, pieces: list[Segment]) -> None:
        self.pieces = pieces
        self.taken = [False] * len(pieces)
        self.cells: dict[tuple[int, int], list[tuple[int, bool]]] = {}
        for n, one in enumerate(pieces):
            for place, back in ((one.start, False), (one.end, True)):
                if not (isfinite(place[0]) and isfinite(place[1])):
                    raise Refused("That is no DXF drawing: a place is no number.", field="file")
                self.cells.setdefault(self._cell(place), []).append((n, back))

    @staticmethod
    def _cell(place: At) -> tuple[int, int]:
        return floor(place[0] / SAME), floor(place[1] / SAME)

    def from_here(self, end: At) -> Segment | None:
        """A piece that begins where another ends, turned about where it was drawn so."""
        x, y = self._cell(end)
        near = [
            found
            for u in (x - 1, x, x + 1)
            for v in (y - 1, y, y + 1)
            for found in self.cells.get((u, v), ())
        ]
        # As it was drawn before turned about; of those the first.
        for n, back in sorted(near, key=lambda found: (found[1], found[0])):
            one = self.pieces[n]
            if not self.taken[n] and dist(one.end if back else one.start, end) < SAME:
                self.taken[n] = True
                return one.back() if back else one
        return None


def _chained(pieces: list[Segment]) -> Iterable[Loop]:
    """Loops of lines and arcs that end where the next begins, whichever way each was drawn."""
    ends = _Ends(pieces)
    for n in range(len(pieces) - 1, -1, -1):
        if ends.taken[n]:
            continue
        ends.taken[n] = True
        chain = [pieces[n]]
        while dist(chain[-1].end, chain[0].start) > SAME:
            one = ends.from_here(chain[-1].end)
            if one is None:
                break
            chain.append(one)
        else:
            if len(chain) > 1:
                yield tuple(chain)
