"""A line of a route as it is said at the bench."""

from __future__ import annotations


def spoken(line: str) -> str:
    """``bore 22: finish`` as it is said; a face is not faced twice in a sentence.

    >>> spoken("bore 22: finish"), spoken("face 0: face"), spoken("try bore: the piston")
    ('finish bore 22', 'face 0', 'try bore: the piston')
    >>> spoken("thread M6: cut thread")
    'cut thread M6'
    """
    feature, colon, verb = line.rpartition(": ")
    if not colon or line.startswith("try "):
        return line
    if feature.startswith(verb):
        return feature
    first, _, last = verb.rpartition(" ")
    return f"{first} {feature}" if first and feature.startswith(last) else f"{verb} {feature}"
