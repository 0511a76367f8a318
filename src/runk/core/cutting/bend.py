"""How far work or bar springs under the cut: beams of round section."""

from __future__ import annotations

from math import pi

from runk.core.figures import Holds, Num, law


def _bends_little(times: float) -> Holds:
    """Where a beam bends as one; ``times`` is what its law divides by, but for the modulus."""
    return Holds(
        "it bends by less than a tenth of its length",
        lambda force_n, length_mm, e_gpa, section_mm4: (
            force_n * length_mm**2 < times / 10.0 * e_gpa * section_mm4
        ),
    )


@law("Stiffness of the section", "π × {diameter_mm} ^ 4 ÷ 64")
def second_moment_mm4(diameter_mm: Num) -> Num:
    """Second moment of area of a round bar.

    >>> round(second_moment_mm4(8.0), 1)
    201.1
    """
    return pi * diameter_mm**4 / 64.0


@law(
    "Spring, held at one end",
    "{force_n} × {length_mm}³ ÷ (3 × {e_gpa} × 1000 × {section_mm4})",
    holds=_bends_little(3000),
)
def cantilever_mm(force_n: Num, length_mm: Num, e_gpa: Num, section_mm4: Num) -> Num:
    """Deflection at the free end of a bar held at the other.

    Args:
        force_n: Sideways, at the end.
        length_mm: Overhang.
        e_gpa: Young's modulus.
        section_mm4: From :func:`second_moment_mm4`.

    Source: mechanics, F L³ / (3 E I).

    >>> round(cantilever_mm(31.0, 45.0, 205.0, 201.06), 4)
    0.0228
    """
    return force_n * length_mm**3 / (3000.0 * e_gpa * section_mm4)


@law(
    "Spring, between centres",
    "{force_n} × {length_mm}³ ÷ (48 × {e_gpa} × 1000 × {section_mm4})",
    holds=_bends_little(48000),
)
def between_centres_mm(force_n: Num, length_mm: Num, e_gpa: Num, section_mm4: Num) -> Num:
    """Deflection at mid-span of a bar between two centres: F L³ / (48 E I).

    >>> round(between_centres_mm(100.0, 200.0, 205.0, 490.87), 3)
    0.166
    """
    return force_n * length_mm**3 / (48000.0 * e_gpa * section_mm4)


@law(
    "Spring, chuck and centre",
    "7 × {force_n} × {length_mm}³ ÷ (768 × {e_gpa} × 1000 × {section_mm4})",
    holds=_bends_little(768000 / 7),
)
def chuck_and_centre_mm(force_n: Num, length_mm: Num, e_gpa: Num, section_mm4: Num) -> Num:
    """Deflection at mid-span of a bar held in a chuck with a centre: 7 F L³ / (768 E I).

    >>> round(chuck_and_centre_mm(100.0, 200.0, 205.0, 490.87), 4)
    0.0725
    """
    return 7.0 * force_n * length_mm**3 / (768000.0 * e_gpa * section_mm4)


@law("Error on diameter", "2 × {spring_mm}")
def diameter_error_mm(spring_mm: Num) -> Num:
    """What the spring leaves on the diameter.

    >>> diameter_error_mm(0.01)
    0.02
    """
    return 2.0 * spring_mm
