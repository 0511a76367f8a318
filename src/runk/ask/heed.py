"""Words that change a figure: where an answer has no place for one, it is not given."""

from __future__ import annotations

from collections.abc import Sequence

_HEEDED = (
    "skin",
    "as cast",
    "as-cast",
    "scale",
    "black bar",
    "interrupted",
    "keyway in it",
    "by hand",
    "hand",
    "long overhang",
    "slender",
    "whippy",
    "under",
    "undersize",
    "oversize",
    "over size",
    "for reaming",
    "to ream",
    "reamed",
    "finish",
    "finishing",
    "mandrel",
    "arbor",
    "compound",
    "clear",
    "clears",
    "clearing",
    "clearance",
    "tapping",
    "tapped",
    "interference",
    "press",
    "shrink",
    "blind",
    "unknown alloy",
    "stepped",
    "honed",
    "bored",
    "hardened",
    "left hand",
    "apart",
    "pcd",
    "p.c.d.",
    "bcd",
    "pitch circle",
    "bolt circle",
    "taper",
    "tapered",
    "included",
    "helical",
    "internal",
    "worm",
    "stub",
    "bevel",
    "clockwise",
    "anticlockwise",
    "o'clock",
)
HEEDED_WORDS = frozenset(word for phrase in _HEEDED for word in phrase.split())
"""Every word of them: known, and no slip of another."""
_PHRASES = tuple(sorted((tuple(p.split()) for p in _HEEDED), key=len, reverse=True))


def heeded(words: Sequence[str], left: Sequence[int]) -> str:
    """The first word left unused that would have changed a figure; ``""`` where none would.

    Args:
        words: The line.
        left: Where the words stand that were not used.

    >>> heeded(["turn", "60", "skin"], [2]), heeded(["turn", "quickly"], [1])
    ('skin', '')
    """
    unused = set(left)
    lower = [w.lower() for w in words]
    for at in left:
        for phrase in _PHRASES:
            span = range(at, at + len(phrase))
            machine = phrase == ("press",) and lower[at - 1 : at] == ["drill"]
            if machine or not unused.issuperset(span):
                continue
            if tuple(lower[at : at + len(phrase)]) == phrase:
                return " ".join(words[n] for n in span)
    return ""
