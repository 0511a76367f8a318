"""Arcs of a path on a rotary table: the vice shifted until an arc's centre is the table's own."""

from __future__ import annotations

from collections.abc import Iterator
from math import degrees

from runk.core.figures import Figure, Working, law, told
from runk.core.layout.path_question import ArcTurned
from runk.core.layout.place import direction_deg
from runk.core.layout.segments import Loop


@law("Shift of the vice", "0 - {centre_mm}")
def shift_mm(centre_mm: float) -> float:
    """How far work goes for the centre of an arc to stand over the table's own.

    >>> shift_mm(12.5)
    -12.5
    """
    return 0.0 - centre_mm


@law("Turned to", "{from_deg} + {turn_deg}")
def turned_deg(from_deg: float, turn_deg: float) -> float:
    """Where an arc ends, counted on from where it began: past 360 where it goes round."""
    return from_deg + turn_deg


def arcs_turned(loop: Loop) -> Iterator[ArcTurned]:
    """Each arc of a path as a shift, a distance out, and two readings of the table.

    A place of the work stands under the cutter where the table reads the angle at which it lies
    from the arc's centre, the cutter out along nought.

    >>> from runk.core.layout.segments import Segment
    >>> arc = Segment((23.0, 0.0), (20.0, 3.0), (20.0, 0.0))
    >>> one = next(arcs_turned((arc,)))
    >>> one.shift_x_mm.shown(), one.out_mm.shown(), one.from_deg.shown(), one.to_deg.shown()
    ('-20.000', '3.000', '0.000', '90.000')
    """
    for n, one in enumerate(loop, 1):
        if one.centre is None:
            continue
        w = Working()
        x, y = one.centre
        begun = w.of(direction_deg, "from_deg", along_mm=one.start[0] - x, up_mm=one.start[1] - y)
        yield ArcTurned(
            move=n,
            shift_x_mm=_fine(w.of(shift_mm, "shift_x_mm", centre_mm=x)),
            shift_y_mm=_fine(w.of(shift_mm, "shift_y_mm", centre_mm=y)),
            out_mm=told(one.radius, "out_mm"),
            from_deg=_fine(begun),
            to_deg=_fine(
                w.of(turned_deg, "to_deg", from_deg=begun.value, turn_deg=degrees(one.turn))
            ),
        )


def _fine(figure: Figure) -> Figure:
    value = 0.0 if abs(figure.value) < 5e-10 else figure.value
    return Figure(value, figure.unit, figure.steps, 3)
