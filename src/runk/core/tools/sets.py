"""Whole sets of tools, as they are bought: one click fills a tray."""

from __future__ import annotations

import itertools
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from fractions import Fraction
from functools import cache

from runk.core.lengths.names import drill_sizes
from runk.core.lengths.show import MM_PER_INCH, as_fraction, trimmed
from runk.core.refusals import Refused
from runk.core.sources import read_table
from runk.core.tools.tool import ShopTool, ToolKind


@cache
def _lengths() -> tuple[tuple[float, float, float], ...]:
    return tuple(
        (float(r["up_to_mm"]), float(r["flute_mm"]), float(r["overall_mm"]))
        for r in read_table("drill_lengths")
    )


def jobber_flute_mm(diameter_mm: float) -> float | None:
    """How deep a jobber drill's flutes go; None over 20 mm, where shanks differ.

    Source: ISO 235, recalled.

    >>> jobber_flute_mm(4.0)
    43.0
    """
    return next((flute for up_to, flute, _ in _lengths() if diameter_mm <= up_to + 1e-9), None)


def drill(series: str, name: str, size_mm: Fraction) -> ShopTool:
    """A jobber drill of a series.

    >>> drill("metric", "4 mm", Fraction(4)).reach_mm
    43.0
    """
    flute = jobber_flute_mm(float(size_mm))
    return ShopTool(ToolKind.DRILL, name, size_mm, series, reach_mm=flute)


def metric_drill(size_mm: Fraction) -> ShopTool:
    """A metric drill by its size."""
    return drill("metric", f"{trimmed(size_mm, 3)} mm", size_mm)


def inch_drill(inch: Fraction) -> ShopTool:
    """A fractional drill by its size in inches."""
    return drill("fractional", f'{as_fraction(inch)}"', inch * MM_PER_INCH)


def _named(wanted: Callable[[str], bool], series: str) -> Iterator[ShopTool]:
    for name, inch in drill_sizes().items():
        if wanted(name):
            yield drill(series, name if name[0] == "#" else f"letter {name}", inch * MM_PER_INCH)


def _metric(low: str, high: str, step: str) -> Iterator[ShopTool]:
    first, last, by = Fraction(low), Fraction(high), Fraction(step)
    return (metric_drill(first + by * n) for n in range(int((last - first) / by) + 1))


def _numbers(low: int, high: int) -> Iterator[ShopTool]:
    return _named(lambda n: n[0] == "#" and low <= int(n[1:]) <= high, "number")


@dataclass(frozen=True, slots=True)
class ToolSet:
    """A set as it is bought."""

    key: str
    name: str
    make: Callable[[], Iterator[ShopTool]]


SETS = (
    ToolSet("number", "number drills #1 to #60", lambda: _numbers(1, 60)),
    ToolSet("number-fine", "number drills #61 to #80", lambda: _numbers(61, 80)),
    ToolSet("letter", "letter drills A to Z", lambda: _named(lambda n: n[0] != "#", "letter")),
    ToolSet(
        "fractional",
        'fractional drills 1/64" to 1/2" by 64ths',
        lambda: (inch_drill(Fraction(n, 64)) for n in range(1, 33)),
    ),
    ToolSet("metric", "metric drills 1 to 10 mm by 0.1", lambda: _metric("1", "10", "0.1")),
    ToolSet("metric-half", "metric drills 1 to 13 mm by 0.5", lambda: _metric("1", "13", "0.5")),
    ToolSet(
        "metric-large", "metric drills 10.5 to 20 mm by 0.5", lambda: _metric("10.5", "20", "0.5")
    ),
    ToolSet(
        "metric-fine", "metric drills 0.3 to 1 mm by 0.05", lambda: _metric("0.3", "1", "0.05")
    ),
)


def tool_set(key: str) -> tuple[ShopTool, ...]:
    """Every tool of a set.

    Raises:
        Refused: There is no such set.

    >>> [t.name for t in tool_set("number")][:3]
    ['#1', '#2', '#3']
    """
    for one in SETS:
        if one.key == key:
            return tuple(itertools.chain(one.make()))
    raise Refused(
        f"There is no set called `{key[:20]}`.", field="set", suggest=", ".join(s.key for s in SETS)
    )
