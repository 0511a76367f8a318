"""The practice tables of a cut, read once."""

from __future__ import annotations

import itertools
from dataclasses import dataclass
from functools import cache

from runk.core.sources import Held, Source, read_table


@dataclass(frozen=True, slots=True)
class Factor:
    """A share of the turning speed, and why."""

    value: float
    why: str
    source: Source


@dataclass(frozen=True, slots=True)
class ChipGroup:
    """How feeds and depths scale for a group of metals."""

    tooth: float
    drill: float
    depth: float
    source: Source


@dataclass(frozen=True, slots=True)
class Shape:
    """How an operation's feed and depth differ from the plain case.

    ``depth`` gives the depth of cut as a share of the cutter, by chip group.
    """

    feed: float
    depth: dict[str, float]
    teeth: int


@cache
def cut_shapes() -> dict[str, Shape]:
    """Shapes by operation.

    >>> cut_shapes()["ream"].feed
    2.5
    """
    groups = ("steel", "free", "tough")
    return {
        row["operation"]: Shape(
            float(row["feed"]), {g: float(row[g]) for g in groups if row[g]}, int(row["teeth"] or 0)
        )
        for row in read_table("cut_shapes")
    }


@cache
def factors() -> dict[str, Factor]:
    """Factors on the turning speed by key.

    >>> factors()["bore"].value
    0.8
    """
    return {
        row["key"]: Factor(
            float(row["factor"]), row["why"], Source(row["authority"], Held(row["held"]))
        )
        for row in read_table("speed_factors")
    }


@cache
def chip_groups() -> dict[str, ChipGroup]:
    """Chip groups by name."""
    return {
        row["chip"]: ChipGroup(
            float(row["tooth"]),
            float(row["drill"]),
            float(row["depth"]),
            Source(row["authority"], Held(row["held"])),
        )
        for row in read_table("chip_groups")
    }


@cache
def _points(kind: str) -> tuple[tuple[float, float], ...]:
    rows = (r for r in read_table("feeds") if r["kind"] == kind)
    return tuple(sorted((float(r["diameter_mm"]), float(r["value_mm"])) for r in rows))


def by_diameter(kind: str, diameter_mm: float) -> float:
    """A practice figure by diameter: linear between its points.

    Args:
        kind: ``turn`` (feed a turn), ``tooth`` (chip a tooth) or ``depth`` (radial).
        diameter_mm: Over 0. Past the largest point the value stays; under the smallest it
            shrinks with the diameter.

    >>> by_diameter("tooth", 7.5)
    0.0325
    """
    points = _points(kind)
    first_d, first = points[0]
    if diameter_mm <= first_d:
        return first * diameter_mm / first_d
    for (d0, v0), (d1, v1) in itertools.pairwise(points):
        if diameter_mm <= d1:
            return v0 + (v1 - v0) * (diameter_mm - d0) / (d1 - d0)
    return points[-1][1]
