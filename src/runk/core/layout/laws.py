"""Laws of setting out: circles, chords, walls, what a turned pattern comes to."""

from __future__ import annotations

from math import asin, cos, pi, radians, sin

from runk.core.figures import Holds, law


@law("Along", "{centre_mm} + {radius_mm} × cos({angle_deg}°)")
def along_mm(centre_mm: float, radius_mm: float, angle_deg: float) -> float:
    """How far along a point of a circle lies.

    >>> round(along_mm(0.0, 15.5, 60.0), 3)
    7.75
    """
    return centre_mm + radius_mm * cos(radians(angle_deg))


@law("Up", "{centre_mm} + {radius_mm} × sin({angle_deg}°)")
def up_mm(centre_mm: float, radius_mm: float, angle_deg: float) -> float:
    """How far up a point of a circle lies.

    >>> round(up_mm(0.0, 15.5, 90.0), 3)
    15.5
    """
    return centre_mm + radius_mm * sin(radians(angle_deg))


@law("Along, turned", "{first_mm} + {along_mm} × cos({turn_deg}°) - {up_mm} × sin({turn_deg}°)")
def turned_along_mm(first_mm: float, along_mm: float, up_mm: float, turn_deg: float) -> float:
    """How far along a point of a turned pattern lies.

    >>> round(turned_along_mm(10.0, 3.0, 4.0, 90.0), 3)
    6.0
    """
    return first_mm + along_mm * cos(radians(turn_deg)) - up_mm * sin(radians(turn_deg))


@law("Up, turned", "{first_mm} + {along_mm} × sin({turn_deg}°) + {up_mm} × cos({turn_deg}°)")
def turned_up_mm(first_mm: float, along_mm: float, up_mm: float, turn_deg: float) -> float:
    """How far up a point of a turned pattern lies.

    >>> round(turned_up_mm(10.0, 3.0, 4.0, 90.0), 3)
    13.0
    """
    return first_mm + along_mm * sin(radians(turn_deg)) + up_mm * cos(radians(turn_deg))


@law("Direction", "{start_deg} + {number} × {step_deg}")
def angle_deg(start_deg: float, number: float, step_deg: float) -> float:
    """Direction of a hole, from the right and anticlockwise, within a turn.

    >>> angle_deg(330.0, 2, 60.0)
    90.0
    """
    found = (start_deg + number * step_deg) % 360.0
    # What is a float's breadth short of a whole turn is none.
    return 0.0 if 360.0 - found < 1e-9 else found


@law("Chord", "{circle_mm} × sin({step_deg}° ÷ 2)")
def chord_mm(circle_mm: float, step_deg: float) -> float:
    """Straight across between two places of a circle.

    >>> round(chord_mm(31.0, 60.0), 3)
    15.5
    """
    return circle_mm * sin(radians(step_deg) / 2.0)


@law(
    "Angle for the chord",
    "2 × arcsin({chord_mm} ÷ {circle_mm})",
    holds=Holds(
        "the chord is no longer than the circle is wide",
        lambda chord_mm, circle_mm: chord_mm <= circle_mm,
    ),
)
def chord_deg(chord_mm: float, circle_mm: float) -> float:
    """How much of a turn a chord takes.

    >>> round(chord_deg(15.5, 31.0), 3)
    60.0
    """
    return 2.0 * asin(chord_mm / circle_mm) * 180.0 / pi


@law("Over the outsides", "{chord_mm} + {hole_mm}")
def over_mm(chord_mm: float, hole_mm: float) -> float:
    """Over two holes, or over pins in them."""
    return chord_mm + hole_mm


@law("Between them", "{apart_mm} - {hole_mm}")
def between_mm(apart_mm: float, hole_mm: float) -> float:
    """Metal left between two holes of one size."""
    return apart_mm - hole_mm


@law("Wall to the bore", "{nearest_mm} - ({hole_mm} + {bore_mm}) ÷ 2")
def bore_wall_mm(nearest_mm: float, hole_mm: float, bore_mm: float) -> float:
    """Metal left to a bore in the middle."""
    return nearest_mm - (hole_mm + bore_mm) / 2.0


@law("Wall to the rim", "{rim_mm} ÷ 2 - {farthest_mm} - {hole_mm} ÷ 2")
def rim_wall_mm(rim_mm: float, farthest_mm: float, hole_mm: float) -> float:
    """Metal left to the outside."""
    return rim_mm / 2.0 - farthest_mm - hole_mm / 2.0


@law("Wall to the edge", "{nearest_mm} - {hole_mm} ÷ 2")
def edge_wall_mm(nearest_mm: float, hole_mm: float) -> float:
    """Metal left to a straight edge."""
    return nearest_mm - hole_mm / 2.0


@law("Usual circle", "({bore_mm} + {rim_mm}) ÷ 2")
def usual_circle_mm(bore_mm: float, rim_mm: float) -> float:
    """A circle halfway between bore and rim."""
    return (bore_mm + rim_mm) / 2.0


@law("Wall to what is kept clear", "{radius_mm} × sin({off_deg}°) - ({hole_mm} + {wide_mm}) ÷ 2")
def clear_wall_mm(radius_mm: float, off_deg: float, hole_mm: float, wide_mm: float) -> float:
    """Metal between a hole and what runs straight out from the centre.

    Args:
        off_deg: Between their directions; from a quarter turn on the hole is past it.

    >>> round(clear_wall_mm(20.0, 30.0, 4.0, 6.0), 3)
    5.0
    """
    return radius_mm * sin(radians(min(off_deg, 90.0))) - (hole_mm + wide_mm) / 2.0


@law("Along the arc", "π × {circle_mm} × {angle_deg} ÷ 360")
def arc_mm(circle_mm: float, angle_deg: float) -> float:
    """Length of an arc."""
    return pi * circle_mm * angle_deg / 360.0
