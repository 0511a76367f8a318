"""The two typefaces, under the SIL Open Font License; see the licences beside them."""

from __future__ import annotations

from functools import cache
from importlib import resources

from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont

WORDS, STRONG, FIGURES = "BarlowSemiCondensed-Medium", "BarlowSemiCondensed-SemiBold", "B612-Bold"
CAP_SHARE = 0.7
"""Height of a capital or a digit as a share of the type's size; B612 stands a little taller."""


@cache
def ready() -> None:
    """Make the typefaces known to ReportLab, once."""
    for name in (WORDS, STRONG, FIGURES):
        with resources.as_file(resources.files(__name__) / f"{name}.ttf") as path:
            pdfmetrics.registerFont(TTFont(name, str(path)))


def width(text: str, font: str, size: float) -> float:
    """How wide a text runs, in points."""
    ready()
    return float(pdfmetrics.stringWidth(text, font, size))


def fitting(text: str, font: str, room: float, largest: float) -> float:
    """The largest size, up to ``largest``, at which a text fits into ``room`` points.

    >>> fitting("", WORDS, 100.0, 20.0)
    20.0
    """
    wide = width(text, font, largest)
    return largest if wide <= room else largest * room / wide
