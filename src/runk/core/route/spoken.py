"""A line of a route as it is said at the bench."""

from __future__ import annotations


def spoken(line: str) -> str:
    """``bore 22: finish`` as it is said; a face is not faced twice in a sentence.

    >>> spoken("bore 22: finish"), spoken("face 0: face"), spoken("try bore: the piston")
    ('finish bore 22', 'face 0', 'try bore: the piston')
    """
    feature, colon, verb = line.rpartition(": ")
    if not colon or line.startswith("try "):
        return line
    return feature if feature.startswith(verb) else f"{verb} {feature}"
