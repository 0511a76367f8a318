"""A diameter off the middle of another: swing, packing, smallest bar, and two of them."""

from __future__ import annotations

from math import radians, sin, sqrt

from runk.core.figures import Holds, Num, law


@law("Throw", "{swing_mm} ÷ 2")
def throw_limit_mm(swing_mm: Num) -> Num:
    """From the middle of the shaft to the middle of its pin: half of stroke and of swing.

    >>> throw_limit_mm(25.0)
    12.5
    """
    return swing_mm / 2.0


@law("Whole swing", "2 × {throw_mm}")
def swing_limit_mm(throw_mm: Num) -> Num:
    """What an indicator swings in a turn, and the stroke.

    >>> swing_limit_mm(12.5)
    25.0
    """
    return 2.0 * throw_mm


@law(
    "Packing under a jaw",
    "1.5 × {throw_mm} - {radius_mm} + √({radius_mm}² - (0.866 × {throw_mm} - {jaw_mm} ÷ 2)²)",
    holds=Holds(
        "the other two jaws press within thirty degrees of straight on",
        lambda throw_mm, radius_mm, jaw_mm: 0.866 * throw_mm - jaw_mm / 2.0 <= radius_mm / 2.0,
    ),
)
def packing_mm(throw_mm: float, radius_mm: float, jaw_mm: float) -> float:
    """Packing under one jaw of three that moves a round bar off the chuck's middle.

    Args:
        throw_mm: How far it is moved.
        radius_mm: Of the bar.
        jaw_mm: Flat width of a jaw's tip; 0 where it touches in a line.

    >>> round(packing_mm(2.54, 12.7, 0.0), 3)
    3.618
    """
    side = max(0.0, 0.8660254037844386 * throw_mm - jaw_mm / 2.0)
    return 1.5 * throw_mm - radius_mm + sqrt(radius_mm**2 - side**2)


@law("Smallest bar, one on its middle", "largest of {main_mm} and {pin_mm} + 2 × {throw_mm}")
def bar_one_mm(main_mm: float, pin_mm: float, throw_mm: float) -> float:
    """Smallest bar where the main diameter stays on the bar's middle.

    >>> bar_one_mm(16.0, 6.0, 2.5)
    16.0
    """
    return max(main_mm, pin_mm + 2.0 * throw_mm)


@law(
    "Smallest bar, both off its middle",
    "largest of {main_mm}, {pin_mm} and ({main_mm} + {pin_mm}) ÷ 2 + {throw_mm}",
)
def bar_both_mm(main_mm: float, pin_mm: float, throw_mm: float) -> float:
    """Smallest bar where both are moved off the bar's middle.

    >>> bar_both_mm(16.0, 6.0, 8.0)
    19.0
    """
    return max(main_mm, pin_mm, (main_mm + pin_mm) / 2.0 + throw_mm)


@law("Pin to pin", "2 × {throw_mm} × sin({apart_deg}° ÷ 2)")
def pins_mm(throw_mm: float, apart_deg: float) -> float:
    """Chord between the middles of two crankpins of one throw.

    >>> round(pins_mm(10.0, 90.0), 3)
    14.142
    """
    return 2.0 * throw_mm * sin(radians(apart_deg) / 2.0)


@law("The second stands over the shaft by", "{throw_mm} × sin({apart_deg}°)")
def rises_mm(throw_mm: float, apart_deg: float) -> float:
    """Height of the second pin over the shaft's middle, the first lying level with it.

    >>> rises_mm(10.0, 90.0)
    10.0
    """
    return throw_mm * sin(radians(apart_deg))


@law("Over both pins", "{pins_mm} + {pin_mm}")
def over_pins_mm(pins_mm: Num, pin_mm: Num) -> Num:
    """What a calliper reads over two pins, seen on the end.

    >>> over_pins_mm(14.0, 6.0)
    20.0
    """
    return pins_mm + pin_mm
