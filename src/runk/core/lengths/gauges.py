"""Thickness of sheet, tube and wire by its standard wire gauge."""

from __future__ import annotations

from fractions import Fraction
from functools import cache

from runk.core.lengths.show import MM_PER_INCH
from runk.core.refusals import Refused
from runk.core.sources import read_table


@cache
def wire_gauges() -> dict[int, Fraction]:
    """Thickness in inches by number, the thickest first.

    Source: BS 3737, from memory.

    >>> float(wire_gauges()[16])
    0.064
    """
    return {int(row["gauge"]): Fraction(row["inch"]) for row in read_table("wire_gauge")}


def wire_gauge_mm(number: int) -> Fraction:
    """Thickness of a standard wire gauge.

    Args:
        number: 0 to 30; the higher, the thinner.

    Returns:
        Millimetres, exact.

    Raises:
        Refused: There is no such gauge.

    Source: BS 3737, from memory.

    >>> float(wire_gauge_mm(18))
    1.2192
    """
    inch = wire_gauges().get(number)
    if inch is None:
        raise Refused(
            f"There is no {number} gauge here: standard wire gauge runs from 0 to 30.",
            suggest="16 swg",
        )
    return inch * MM_PER_INCH
