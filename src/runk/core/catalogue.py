"""Importing this registers every calculator."""

from runk.core.cutting import speed
from runk.core.lengths import calculator as length

__all__ = ["length", "speed"]
