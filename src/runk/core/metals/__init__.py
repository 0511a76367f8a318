"""Metals: their figures, their character and the names people call them."""

from runk.core.metals.metal import Metal, find_metal, shipped_metals

__all__ = ["Metal", "find_metal", "shipped_metals"]
