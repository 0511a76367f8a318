"""Laws of spur gears on the ordinary basic rack."""

from __future__ import annotations

from math import acos, ceil, cos, pi, radians, sin, sqrt, tan

from runk.core.figures import Holds, law
from runk.core.sources import Held, Source

HANDBOOK = Source("handbook", Held.RECALLED)
ISO_53 = Source("iso-53", Held.RECALLED)


def involute(angle: float) -> float:
    """tan a - a, of an angle in radians."""
    return tan(angle) - angle


@law("Pitch circle", "{module_mm} × {teeth}", ISO_53)
def pitch_circle_mm(module_mm: float, teeth: float) -> float:
    """Diameter on which wheels roll.

    >>> round(pitch_circle_mm(0.7, 22), 3)
    15.4
    """
    return module_mm * teeth


@law("Blank", "{module_mm} × ({teeth} + 2)", ISO_53)
def outside_mm(module_mm: float, teeth: float) -> float:
    """Diameter over the teeth: what the blank is turned to.

    >>> round(outside_mm(0.7, 22), 3)
    16.8
    """
    return module_mm * (teeth + 2.0)


@law("Depth of the teeth", "{times} × {module_mm}", HANDBOOK)
def depth_mm(times: float, module_mm: float) -> float:
    """Whole depth: 2.25 modules, 2.157 with older cutters."""
    return times * module_mm


@law("Base circle", "{pitch_circle_mm} × cos({pressure_deg}°)")
def base_circle_mm(pitch_circle_mm: float, pressure_deg: float) -> float:
    """Circle the flanks are unwound from."""
    return pitch_circle_mm * cos(radians(pressure_deg))


@law("Tooth, straight across", "{pitch_circle_mm} × sin(90° ÷ {teeth})")
def chordal_mm(pitch_circle_mm: float, teeth: float) -> float:
    """Thickness of a tooth on its pitch circle, measured straight.

    >>> round(chordal_mm(14.4, 18), 4)
    1.255
    """
    return pitch_circle_mm * sin(pi / 2.0 / teeth)


@law("Measured below the tip", "{module_mm} + {pitch_circle_mm} ÷ 2 × (1 - cos(90° ÷ {teeth}))")
def below_tip_mm(module_mm: float, pitch_circle_mm: float, teeth: float) -> float:
    """Depth a tooth calliper's tongue is set to for the chord."""
    return module_mm + pitch_circle_mm / 2.0 * (1.0 - cos(pi / 2.0 / teeth))


@law(
    "Over so many teeth",
    "{module_mm} × cos({pressure_deg}°) × (π × ({over} - 0.5) + {teeth} × (tan a - a))",
    HANDBOOK,
    holds=Holds(
        "the jaws meet teeth on both sides: over one at least, and fewer than half",
        lambda over, teeth: 1 <= over <= max(2, teeth / 2),
    ),
)
def span_mm(module_mm: float, pressure_deg: float, over: float, teeth: float) -> float:
    """Span over several teeth by flat-faced jaws, tangent to their flanks.

    >>> round(span_mm(1.0, 20.0, 3, 20), 3)
    7.66
    """
    a = radians(pressure_deg)
    return module_mm * cos(a) * (pi * (over - 0.5) + teeth * involute(a))


def span_teeth(pressure_deg: float, teeth: int) -> int:
    """How many teeth a span is taken over so that the jaws touch near the pitch circle.

    >>> span_teeth(20.0, 18), span_teeth(20.0, 20), span_teeth(20.0, 40)
    (2, 3, 5)
    """
    return max(2, ceil(teeth * pressure_deg / 180.0 - 1e-9))


@law("Fewest teeth without undercut", "2 ÷ sin²({pressure_deg}°)")
def fewest_ratio(pressure_deg: float) -> float:
    """Below so many a rack's tip would cut into the root.

    >>> round(fewest_ratio(20.0), 2)
    17.1
    """
    return 2.0 / sin(radians(pressure_deg)) ** 2


@law("Centres", "{module_mm} × ({teeth} + {mate_teeth}) ÷ 2", ISO_53)
def centres_mm(module_mm: float, teeth: float, mate_teeth: float) -> float:
    """Centre distance of two wheels without play.

    >>> round(centres_mm(0.7, 22, 44), 3)
    23.1
    """
    return module_mm * (teeth + mate_teeth) / 2.0


@law("Centres opened for the play", "{backlash_mm} ÷ (2 × tan({pressure_deg}°))")
def opened_mm(backlash_mm: float, pressure_deg: float) -> float:
    """How much farther apart two wheels stand for a play along the pitch circle.

    >>> round(opened_mm(0.04, 20.0), 4)
    0.0549
    """
    return backlash_mm / (2.0 * tan(radians(pressure_deg)))


@law("Base pitch", "π × {module_mm} × cos({pressure_deg}°)")
def base_pitch_mm(module_mm: float, pressure_deg: float) -> float:
    """From flank to flank along the line of action."""
    return pi * module_mm * cos(radians(pressure_deg))


@law(
    "Pairs of teeth that carry",
    "(√({tip_mm}² - {base_mm}²) + √({mate_tip_mm}² - {mate_base_mm}²) - 2 × {centres_mm} × sin a) "
    "÷ (2 × {base_pitch_mm})",
    HANDBOOK,
    holds=Holds(
        "the tips stand outside the base circles",
        lambda tip_mm, base_mm, mate_tip_mm, mate_base_mm: (
            tip_mm > base_mm and mate_tip_mm > mate_base_mm
        ),
    ),
)
def contact_ratio(
    tip_mm: float,
    base_mm: float,
    mate_tip_mm: float,
    mate_base_mm: float,
    centres_mm: float,
    base_pitch_mm: float,
) -> float:
    """On an average; a is the pressure angle at these centres, by the two base circles.

    >>> round(contact_ratio(16.0, 13.532, 30.4, 27.063, 21.6, 2.3617), 2)
    1.61
    """
    a = acos(min((base_mm + mate_base_mm) / (2.0 * centres_mm), 1.0))
    along = sqrt(max(tip_mm**2 - base_mm**2, 0.0)) + sqrt(
        max(mate_tip_mm**2 - mate_base_mm**2, 0.0)
    )
    return (along - 2.0 * centres_mm * sin(a)) / (2.0 * base_pitch_mm)


@law("From the touch to the middle", "{outside_mm} ÷ 2 + {side} × {thick_mm} ÷ 2")
def centre_height_mm(outside_mm: float, side: float, thick_mm: float) -> float:
    """How far a cutter goes from a touch to the height of the centres.

    Args:
        side: 1 where its near side touched the blank, -1 where its far side was level with it.

    >>> centre_height_mm(16.0, 1.0, 4.0), centre_height_mm(16.0, -1.0, 4.0)
    (10.0, 6.0)
    """
    return outside_mm / 2.0 + side * thick_mm / 2.0


@law(
    "Run-out of the cutter",
    "√({depth_mm} × ({cutter_mm} - {depth_mm}))",
    holds=Holds(
        "the cut is no deeper than half of the cutter",
        lambda depth_mm, cutter_mm: depth_mm <= cutter_mm / 2,
    ),
)
def run_out_mm(depth_mm: float, cutter_mm: float) -> float:
    """How far past the full depth a round cutter still cuts.

    >>> round(run_out_mm(1.8, 50.0), 3)
    9.315
    """
    return sqrt(max(depth_mm * (cutter_mm - depth_mm), 0.0))


@law("Rack, tooth to tooth", "π × {module_mm}", ISO_53)
def rack_pitch_mm(module_mm: float) -> float:
    """Travel from tooth to tooth of a rack."""
    return pi * module_mm


@law("Rack tooth, at its pitch line", "π × {module_mm} ÷ 2", ISO_53)
def rack_tooth_mm(module_mm: float) -> float:
    """Thickness of a rack's tooth."""
    return pi * module_mm / 2.0
