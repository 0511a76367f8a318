"""Importing this registers every calculator."""

from runk.core.cutting import speed
from runk.core.lengths import calculator as length
from runk.core.metals import identify, pair

__all__ = ["identify", "length", "pair", "speed"]
