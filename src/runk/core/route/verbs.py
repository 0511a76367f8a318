"""What a feature is cut by, in order: the verbs of the shop floor."""

from __future__ import annotations

from fractions import Fraction
from functools import lru_cache

from runk.core.kinds import Bounds
from runk.core.route.feature_question import INSIDE, ROUND, FeatureQuestion

FINE_MM = 0.1
"""Limits closer than this are finished by a cut of their own: common practice."""


def limits_mm(question: FeatureQuestion) -> tuple[float, float] | None:
    """Smallest and largest of a feature's size; None where no limits are told.

    Raises:
        Refused: A class the tables do not have at that size.
    """
    bounds = question.limits
    if bounds is None:
        return None
    size = question.size if question.size is not None else question.wide or question.start
    return _between(bounds, size or Fraction(0))


@lru_cache(maxsize=4096)
def _between(bounds: Bounds, size: Fraction) -> tuple[float, float]:
    low, high = bounds.of(size)
    return float(low), float(high)


def is_fine(question: FeatureQuestion) -> bool:
    """Whether it is brought to size by a finishing cut of its own."""
    if question.kind in ("journal", "crankpin", "eccentric", "reamed"):
        return True
    limits = limits_mm(question)
    return limits is not None and limits[1] - limits[0] <= FINE_MM


def verbs_of(question: FeatureQuestion, cored: bool = False) -> tuple[str, ...]:
    """The operations a feature needs, in their order.

    Args:
        question: The feature.
        cored: Whether a bore is cast in.

    >>> from fractions import Fraction
    >>> verbs_of(FeatureQuestion("bore", size=Fraction(22))), verbs_of(FeatureQuestion("face"))
    (('centre', 'drill', 'rough', 'finish'), ('face',))
    """
    kind = question.kind
    if kind == "counterbore":
        return ("rough", "finish")
    if kind in INSIDE:
        return ("rough", "finish") if cored else ("centre", "drill", "rough", "finish")
    if kind in ROUND:
        if kind == "knurl":
            return ("rough", "knurl")
        return ("rough", "finish") if is_fine(question) else ("turn",)
    if kind == "holes":
        last = ("tap",) if question.screw is not None else ("ream",) * is_fine(question)
        return ("spot", "drill", *last)
    return _VERBS[kind]


_VERBS: dict[str, tuple[str, ...]] = {
    "taper": ("turn",),
    "thread": ("turn", "cut thread"),
    "groove": ("groove",),
    "chamfer": ("chamfer",),
    "face": ("face",),
    "drilled": ("centre", "drill"),
    "reamed": ("centre", "drill", "ream"),
    "tapped": ("centre", "drill", "tap"),
    "keyway": ("mill",),
    "bore-keyway": ("slot",),
    "flats": ("mill",),
    "slot": ("mill",),
    "plane": ("mill",),
    "profile": ("mill",),
    "split": ("saw", "bolt"),
    "passage": ("drill",),
}
