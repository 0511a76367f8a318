"""Showing lengths: millimetres, inches, thou and the nearest sixty-fourth."""

from __future__ import annotations

from fractions import Fraction

from runk.core.units import PageUnit

MM_PER_INCH = Fraction(254, 10)


def trimmed(value: Fraction, places: int) -> str:
    """A decimal without trailing noughts.

    >>> trimmed(Fraction(47, 10), 3)
    '4.7'
    """
    # Rounded from the exact value: as a float, half a thousandth falls either way.
    shift, below = 10**places, value.denominator
    grains = (2 * abs(value.numerator) * shift + below) // (2 * below)
    whole, part = divmod(grains, shift)
    text = f"{whole}.{part:0{places}d}".rstrip("0").rstrip(".") if places else str(whole)
    return f"-{text}" if value < 0 and grains else text


def in_mm(mm: Fraction, places: int = 3) -> str:
    """Millimetres for a person.

    >>> in_mm(Fraction(127, 8))
    '15.875 mm'
    """
    return f"{trimmed(mm, places)} mm"


def in_inches(mm: Fraction, places: int = 4) -> str:
    """Decimal inches for a person.

    >>> in_inches(Fraction(254, 100))
    '0.1"'
    """
    return f'{trimmed(mm / MM_PER_INCH, places)}"'


def as_fraction(inch: Fraction) -> str:
    """An exact inch fraction as it is spoken.

    >>> as_fraction(Fraction(19, 16))
    '1 3/16'
    """
    whole, rest = divmod(inch, 1)
    if not rest:
        return str(whole)
    part = f"{rest.numerator}/{rest.denominator}"
    return f"{whole} {part}" if whole else part


def bare(mm: Fraction, page: PageUnit) -> str:
    """A size as one would type it on a page: no unit, a fraction where it is one.

    >>> bare(Fraction("22.225"), PageUnit.INCH), bare(Fraction("22.225"), PageUnit.MM)
    ('7/8', '22.225')
    """
    if page is PageUnit.MM:
        return trimmed(mm, 3)
    inch = mm / MM_PER_INCH
    return as_fraction(inch) if 64 % inch.denominator == 0 else trimmed(inch, 4)


def nearest_64th(mm: Fraction) -> tuple[str, Fraction]:
    """The nearest sixty-fourth of an inch and how far off the size is from it.

    Args:
        mm: The size, exact.

    Returns:
        The fraction as spoken, and size minus fraction in millimetres.

    >>> text, error = nearest_64th(Fraction("4.37"))
    >>> text, float(error)
    ('11/64', 0.004375)
    """
    sixty_fourths = round(mm / MM_PER_INCH * 64)
    near = Fraction(sixty_fourths, 64)
    return as_fraction(near), mm - near * MM_PER_INCH


def for_page(mm: Fraction, page: PageUnit) -> str:
    """A length in the page's own unit.

    >>> for_page(Fraction(127, 10), PageUnit.INCH)
    '0.5"'
    """
    return in_inches(mm) if page is PageUnit.INCH else in_mm(mm)
