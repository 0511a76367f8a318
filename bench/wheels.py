"""Every compound train of a set of wheels, against four nested loops of plain Python."""

from __future__ import annotations

import tracemalloc

import numpy as np

from measure import Ratio, side_by_side
from rows import Row, met
from runk.core.wheels.trains import compound

TWENTY = (20, 20, 24, 25, 28, 30, 32, 35, 38, 40, 45, 48, 50, 55, 60, 63, 65, 70, 75, 80)
THIRTY = (*TWENTY, 22, 27, 33, 36, 42, 52, 57, 68, 72, 127)
RATIO = 0.81 / 3.175


def brute(wheels: tuple[int, ...], ratio: float) -> list[tuple[float, int, int, int, int]]:
    """The same trains by nested loops, the nearest two hundred kept."""
    sizes = sorted(set(wheels))
    twice = {one for one in sizes if wheels.count(one) > 1}
    found = []
    for at, a in enumerate(sizes):
        for c in sizes[at:]:
            if a == c and a not in twice:
                continue
            for on, b in enumerate(sizes):
                if b in (a, c):
                    continue
                for d in sizes[on:]:
                    if d in (a, c) or (b == d and b not in twice):
                        continue
                    found.append((abs(a * c / (b * d * ratio) - 1.0), a, c, b, d))
    found.sort()
    return found[:200]


def twenty_wheels() -> Ratio:
    """All compound trains of twenty wheels for one pitch; both keep the same ones."""
    rows, errors = compound(TWENTY, RATIO)
    plain = brute(TWENTY, RATIO)
    assert np.allclose(np.abs(errors), [one[0] for one in plain])
    assert rows.shape[0] == len(plain)
    return side_by_side(lambda: compound(TWENTY, RATIO), lambda: brute(TWENTY, RATIO), 30)


def memory() -> tuple[float, float]:
    """Most memory taken by each, in MB."""
    taken = []
    for work in (compound, brute):
        tracemalloc.start()
        work(TWENTY, RATIO)
        taken.append(tracemalloc.get_traced_memory()[1] / 1e6)
        tracemalloc.stop()
    return taken[0], taken[1]


def thirty_wheels() -> Ratio:
    """Thirty wheels against twenty: how it grows."""
    return side_by_side(lambda: compound(THIRTY, RATIO), lambda: compound(TWENTY, RATIO), 100)


def wheel_rows() -> list[Row]:
    """Trains of a set of wheels."""
    ratio, (ours, theirs), thirty = twenty_wheels(), memory(), thirty_wheels()
    times = 1 / ratio.p50
    return [
        (
            "All compound trains of 20 wheels for a pitch, against four loops of plain Python",
            f"{times:.0f}x as fast ({ratio.ours_p50:.0f} against {ratio.theirs_p50:.0f} µs), "
            f"{ours:.1f} against {theirs:.1f} MB",
            "50x, no more memory",
            met(times >= 50 and ours <= theirs),
        ),
        (
            "Of 30 wheels",
            f"{thirty.ours_p50 / 1000:.1f} ms",
            "under 100 ms, before a person notices",
            met(thirty.ours_p50 < 100_000),
        ),
    ]
