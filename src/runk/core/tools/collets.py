"""What a collet grips."""

from __future__ import annotations

SAME_MM = 0.006
"""Nearer than this two sizes are one: a quarter of a thou."""
GRIPS_MM = 0.1
"""A plain collet grips so much under its size, and nothing over: common practice."""

_EDGE = 1e-9
"""A size on its edge is inside, whichever way its last binary digit falls."""


def grips(collet_mm: float, work_mm: float) -> bool:
    """Whether a plain collet of that size holds work of that diameter.

    >>> grips(6.0, 5.95), grips(6.0, 6.1)
    (True, False)
    >>> grips(8.0, 8.006), grips(8.0, 7.9)
    (True, True)
    """
    return -SAME_MM - _EDGE <= collet_mm - work_mm <= GRIPS_MM + _EDGE
