"""What lies over sound metal: the skin of a casting, the scale of black bar."""

from __future__ import annotations

from runk.core.cutting.question import Surface
from runk.core.metals import Metal


def skinned(surface: Surface, metal: Metal) -> bool:
    """Whether the first cut has something hard to go under.

    >>> from runk.core.metals import shipped_metals
    >>> metals = shipped_metals()
    >>> skinned(Surface.SCALE, metals["mild-steel"]), skinned(Surface.SKIN, metals["mild-steel"])
    (True, False)
    """
    if surface is Surface.SCALE:
        return metal.family == "steel"
    return surface is Surface.SKIN and metal.cast
