"""Holes on the axis behind one another: which leads, and which goes on from the other's bottom."""

from __future__ import annotations

from runk.core.route.access import mouth
from runk.core.route.feature_question import HOLES, INSIDE
from runk.core.route.part import EPS, Feature, Part, on_axis

DEEP = 8.0
"""A drill goes deeper than this many of its diameters only where it must: common practice."""


def pilot(part: Part, hole: Feature) -> Feature | None:
    """The smaller hole on the axis that is drilled first from the same end, and leads this one."""
    smaller = [f for f in _in_line(part, hole) if not goes_on(part, hole, f)]
    return min(smaller, key=lambda f: f.size, default=None)


def _in_line(part: Part, hole: Feature) -> list[Feature]:
    """Smaller holes that go on where one on the axis ends, from the same end."""
    if not _on_line(hole):
        return []
    ends = _line_ends(part, hole)
    return [
        f
        for f in part.features
        if f is not hole
        and _on_line(f)
        and f.size < hole.size - EPS
        and _line_ends(part, f) & ends
        and (f.kind in INSIDE or f.asked.deep is None)
    ]


def goes_on(part: Part, hole: Feature, small: Feature) -> bool:
    """Whether a small hole is so deep that it is drilled on from the bottom of a larger one.

    Args:
        part: The part.
        hole: The larger, from the same end.
        small: The smaller.
    """
    first, last = small.span if small.kind in INSIDE else (part.begin, part.long)
    blind = hole.kind in INSIDE or hole.asked.deep is not None
    return blind and last - first > DEEP * small.size


def drilled_on(part: Part, small: Feature) -> tuple[Feature, ...]:
    """Larger holes from whose bottom a deep small one is drilled on.

    >>> from runk.core.route.reading import part_of
    >>> lines = ["outside 6, from 0 to 15", "drilled 0.6", "drilled 3, 12 deep"]
    >>> jet = part_of("jet", "brass", "bar 8", lines)
    >>> [one.key for one in drilled_on(jet, jet.features[1])]
    ['drilled 3']
    """
    return tuple(
        hole
        for hole in part.features
        if small in _in_line(part, hole) and goes_on(part, hole, small)
    )


def _on_line(feature: Feature) -> bool:
    return feature.kind == "bore" or (feature.kind in HOLES and on_axis(feature))


def _line_ends(part: Part, hole: Feature) -> frozenset[str]:
    return part.open_ends(hole) if hole.kind in INSIDE else mouth(part, hole)
