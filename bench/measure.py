"""Timing two things side by side in one run, taking turns, so that both meet the same noise."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable
from dataclasses import dataclass


@dataclass(frozen=True)
class Ratio:
    """Ours against theirs at the median and the 95th percentile, in microseconds."""

    ours_p50: float
    ours_p95: float
    theirs_p50: float
    theirs_p95: float

    @property
    def p50(self) -> float:
        """How many times as long ours takes, at the median."""
        return self.ours_p50 / self.theirs_p50

    @property
    def p95(self) -> float:
        """The same at the 95th percentile."""
        return self.ours_p95 / self.theirs_p95


def side_by_side(ours: Callable[[], object], theirs: Callable[[], object], times: int) -> Ratio:
    """Run both in turns and compare.

    Args:
        ours: What is measured.
        theirs: What it is measured against.
        times: Of each, after a tenth as many to warm up.
    """
    for _ in range(max(times // 10, 3)):
        ours()
        theirs()
    spent: tuple[list[float], list[float]] = ([], [])
    for turn in range(times):
        pair = ((0, ours), (1, theirs)) if turn % 2 else ((1, theirs), (0, ours))
        for which, act in pair:
            start = time.perf_counter()
            act()
            spent[which].append((time.perf_counter() - start) * 1e6)
    cuts = [statistics.quantiles(one, n=20) for one in spent]
    return Ratio(cuts[0][9], cuts[0][18], cuts[1][9], cuts[1][18])
