"""Importing this registers every calculator."""

from runk.core.cutting import sheet, speed
from runk.core.faults import finder as faults
from runk.core.holes import angled, hole, nearest, stops
from runk.core.lengths import calculator as length
from runk.core.metals import identify, pair
from runk.core.plan import plan
from runk.core.threads import clearance, cover, die, stud, tap, thread, tighten, which

__all__ = [
    "angled",
    "clearance",
    "cover",
    "die",
    "faults",
    "hole",
    "identify",
    "length",
    "nearest",
    "pair",
    "plan",
    "sheet",
    "speed",
    "stops",
    "stud",
    "tap",
    "thread",
    "tighten",
    "which",
]
