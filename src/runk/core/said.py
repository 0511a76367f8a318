"""Sentences that know the page: a length stands in them by its value, not by its digits.

The core writes ``f"only {mm_said(left, 2)} is left"``. What it makes is a template with the value
inside; :func:`worded` puts it into words at the edge, where the page's unit is known. So no
sentence of the core writes "mm" itself.
"""

from __future__ import annotations

import re
from fractions import Fraction
from functools import lru_cache

from runk.core.units import PageUnit

_OPEN, _SHUT = "\ue000", "\ue001"
_TOKEN = re.compile(f"{_OPEN}(\\w+) ([^ ]+) (\\d+){_SHUT}")
_TYPED = 4
_THOU_MM = Fraction(254, 10000)


def mm_said(value: float | Fraction, places: int | None = None) -> str:
    """A length in a sentence.

    Args:
        value: In millimetres.
        places: Decimals of a millimetre; left out, it is a size as somebody typed it, without
            noughts behind.

    >>> worded(f"only {mm_said(0.9213, 2)} is left", PageUnit.MM)
    'only 0.92 mm is left'
    >>> worded(f"only {mm_said(0.9213, 2)} is left", PageUnit.INCH)
    'only 0.036" is left'
    """
    return _token("typed" if places is None else "mm", value, _TYPED if places is None else places)


def thou_said(value: float, places: int = 3) -> str:
    """A small length as both pages read it: in millimetres and thou, or in thou alone.

    >>> worded(thou_said(0.0254), PageUnit.MM), worded(thou_said(0.0254), PageUnit.INCH)
    ('0.025 mm (1.0 thou)', '1.0 thou')
    """
    return _token("both", value, places)


def size_said(value: float, places: int = 3) -> str:
    """A size in millimetres with its inches behind, for a dial that counts in those.

    >>> worded(size_said(25.4), PageUnit.MM), worded(size_said(25.4), PageUnit.INCH)
    ('25.400 mm (1.0000 in)', '1.0000"')
    """
    return _token("twice", value, places)


def number_said(value: float | Fraction, places: int | None = None) -> str:
    """A length whose unit stands already beside its neighbour: *14.2* to 14.5 mm.

    >>> worded(f"{number_said(14.2, 2)} to {mm_said(14.5, 2)}", PageUnit.MM)
    '14.20 to 14.50 mm'
    """
    return _token("bare", value, _TYPED if places is None else places)


def _token(kind: str, value: float | Fraction, places: int) -> str:
    return f"{_OPEN}{kind} {float(value)!r} {places}{_SHUT}"


def worded(text: str, page: PageUnit) -> str:
    """A sentence of the core in words.

    Args:
        text: From the core.
        page: The page's unit.
    """
    if _OPEN not in text:
        return text
    return _TOKEN.sub(lambda found: _shown(found[1], found[2], int(found[3]), page), text)


@lru_cache(maxsize=4096)
def _shown(kind: str, digits: str, places: int, page: PageUnit) -> str:
    # One length stands in many sentences, and in the next answer again.
    value = float(digits)
    if page is PageUnit.INCH:
        if kind == "both":
            return f"{float(Fraction(digits) / _THOU_MM):.1f} thou"
        inches = value / 25.4
        shown = _typed(inches) if kind == "typed" else f"{inches:.{places + 1}f}"
        return shown if kind == "bare" else f'{shown}"'
    if kind == "typed":
        return f"{_typed(value)} mm"
    if kind == "twice":
        return f"{value:.{places}f} mm ({value / 25.4:.{places + 1}f} in)"
    if kind == "both":
        return f"{value:.{places}f} mm ({float(Fraction(digits) / _THOU_MM):.1f} thou)"
    if kind == "bare" and places == _TYPED:
        return _typed(value)
    return f"{value:.{places}f}" + ("" if kind == "bare" else " mm")


def _typed(value: float) -> str:
    """As somebody would have typed it: no noughts behind."""
    text = f"{value:.{_TYPED}f}".rstrip("0").rstrip(".")
    return "0" if text in ("", "-0") else text
