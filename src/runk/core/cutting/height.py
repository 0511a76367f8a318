"""A tool above or below centre: what it does to the diameter, and the pip it leaves."""

from __future__ import annotations

from math import sqrt

from runk.core.cutting.operations import Operation
from runk.core.cutting.question import SpeedQuestion
from runk.core.figures import Figure, Holds, Working, law
from runk.core.refusals import Refused
from runk.core.said import mm_said


@law(
    "Diameter really cut",
    "2√((√(({diameter_mm}÷2)² - {off_mm}²) ∓ {depth_mm})² + {off_mm}²)",
    holds=Holds(
        "the tool is off by less than the radius it meets",
        lambda diameter_mm, off_mm: off_mm < diameter_mm / 2,
    ),
)
def cut_diameter_mm(diameter_mm: float, off_mm: float, depth_mm: float, inward: float) -> float:
    """Diameter a tool off centre leaves, zeroed by touching the diameter it starts from.

    Args:
        diameter_mm: Touched off on, more than twice ``off_mm``.
        off_mm: Height of the tip above or below centre.
        depth_mm: Wound on.
        inward: 1 for turning (towards the centre), -1 for boring.

    Source: mechanics, Pythagoras: the tip moves along a line that misses the centre.

    >>> round(cut_diameter_mm(10.0, 0.5, 2.0, 1.0), 3)
    6.033
    """
    start = sqrt((diameter_mm / 2) ** 2 - off_mm**2)
    return 2.0 * sqrt((start - inward * depth_mm) ** 2 + off_mm**2)


@law("Off what the dial says", "{real_mm} - {wanted_mm}")
def height_error_mm(real_mm: float, wanted_mm: float) -> float:
    """The diameter really cut less the one the dial promised.

    >>> height_error_mm(6.05, 6.0)
    0.04999999999999982
    """
    return real_mm - wanted_mm


@law("Pip left", "2 × {off_mm}")
def pip_mm(off_mm: float) -> float:
    """Diameter of the pip a facing tool off centre leaves.

    >>> pip_mm(0.3)
    0.6
    """
    return 2.0 * off_mm


def height_error(w: Working, question: SpeedQuestion, depth: Figure | None) -> Figure | None:
    """What a tool off centre does to this cut; in facing, the pip.

    Raises:
        Refused: A tool so far off that it misses the work.
    """
    if question.off_centre is None:
        return None
    off, diameter = float(question.off_centre), float(question.diameter)
    if question.operation is Operation.FACE:
        value = w(pip_mm, off_mm=off)
        return w.figure(value, "height_error_mm", since=len(w.steps) - 1, places=3)
    if depth is None:
        return None
    if off >= diameter / 2:
        raise Refused(
            f"A tool {mm_said(off)} off centre misses a diameter of {mm_said(diameter)}.",
            field="off_centre",
        )
    inward = -1.0 if question.operation is Operation.BORE else 1.0
    start = len(w.steps)
    real = w(cut_diameter_mm, diameter_mm=diameter, off_mm=off, depth_mm=depth.value, inward=inward)
    value = w(height_error_mm, real_mm=real, wanted_mm=diameter - inward * 2 * depth.value)
    return w.figure(value, "height_error_mm", since=start, places=3)
