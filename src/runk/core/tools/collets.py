"""What a collet grips."""

from __future__ import annotations

SAME_MM = 0.006
"""Nearer than this two sizes are one: a quarter of a thou."""
GRIPS_MM = 0.1
"""A plain collet grips so much under its size, and nothing over: common practice."""


def grips(collet_mm: float, work_mm: float) -> bool:
    """Whether a plain collet of that size holds work of that diameter.

    >>> grips(6.0, 5.95), grips(6.0, 6.1)
    (True, False)
    """
    return -SAME_MM <= collet_mm - work_mm <= GRIPS_MM
