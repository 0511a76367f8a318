"""Lengths as they are spoken: read exactly, shown rounded."""

from runk.core.lengths.reader import Reading, read_length
from runk.core.lengths.show import in_inches, in_mm, nearest_64th

__all__ = ["Reading", "in_inches", "in_mm", "nearest_64th", "read_length"]
