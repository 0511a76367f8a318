"""What each measuring tool can reach: an outside micrometer reads no bore, an indicator no size."""

from __future__ import annotations

from collections.abc import Iterable

from runk.core.tools.tool import ShopTool

_NO_SIZE = ("indicator", "dti", "dial gauge", "clock", "square", "level", "protractor")
_INSIDE = ("inside", "internal", "bore gauge", "telescopic", "plug")
_DEPTH = ("depth",)
_EVERY = ("caliper", "calliper", "vernier")


def reads(tool: ShopTool, what: str) -> bool:
    """Whether a measuring tool, by its name, can measure that.

    Args:
        what: ``outside``, ``inside`` or ``depth``.

    >>> from fractions import Fraction
    >>> from runk.core.tools import ToolKind
    >>> one = ShopTool(ToolKind.MEASURE, "micrometer 0 to 25", Fraction(25), resolution_mm=0.01)
    >>> reads(one, "outside"), reads(one, "inside")
    (True, False)
    """
    name = tool.name.lower()
    if any(word in name for word in _NO_SIZE):
        return False
    if any(word in name for word in _EVERY):
        return True
    by = {"inside": _INSIDE, "depth": _DEPTH}
    if what in by:
        return any(word in name for word in by[what])
    return not any(word in name for word in (*_INSIDE, *_DEPTH))


def finest(tools: Iterable[ShopTool], what: str, size_mm: float) -> float | None:
    """What the finest of them that measures so much reads to; None where none does."""
    fitting = [
        t.resolution_mm
        for t in tools
        if t.size_mm >= size_mm and t.resolution_mm is not None and reads(t, what)
    ]
    return min(fitting, default=None)
