"""What a feature is called that nobody named: its kind, and its size or place."""

from __future__ import annotations

from collections.abc import Iterable
from fractions import Fraction

from runk.core.lengths.show import MM_PER_INCH, as_fraction
from runk.core.route.feature_question import FeatureQuestion
from runk.core.units import PageUnit

_PARTS = 64
"""Finer than sixty-fourths an inch is said in decimals."""


def place(mm: Fraction | None, unit: PageUnit) -> str:
    """A size or a place in a name: bare, in the unit of the drawing.

    >>> place(Fraction(9525, 1000), PageUnit.MM), place(Fraction(9525, 1000), PageUnit.INCH)
    ('9.525', '3/8')
    """
    value = mm or Fraction(0)
    if unit is PageUnit.MM:
        return f"{float(value):g}"
    inch = value / MM_PER_INCH
    fine = inch.denominator <= _PARTS and not inch.denominator & (inch.denominator - 1)
    return as_fraction(inch) if fine else f"{float(inch):.4g}"


def named(asked: FeatureQuestion, taken: Iterable[str], unit: PageUnit = PageUnit.MM) -> str:
    """A feature's name: its own, or its kind, size and place, unlike those taken.

    Args:
        asked: The feature.
        taken: Names others have.
        unit: What sizes in it are said in; the name it is kept by has them in millimetres.
    """
    if asked.called.strip():
        name = " ".join(asked.called.split())[:60]
    elif asked.kind in ("face", "groove", "chamfer"):
        name = f"{asked.kind} {place(asked.start, unit)}"
    elif asked.screw is not None:
        name = f"{asked.kind} {asked.screw.name}"
    elif asked.kind == "split":
        name = "halves"
    elif asked.kind in ("plane", "profile"):
        name = f"{asked.kind} {asked.side}"
    else:
        size = asked.size if asked.size is not None else asked.wide
        kind = "keyway in the bore" if asked.kind == "bore-keyway" else asked.kind
        name = f"{kind} {place(size, unit)}"
    used = {one.casefold() for one in taken}
    found, n = name, 1
    while found.casefold() in used:
        n += 1
        found = f"{name} ({n})"
    return found
