"""Every simple and compound train of a set of wheels, nearest to a ratio first."""

from __future__ import annotations

from functools import lru_cache
from typing import TYPE_CHECKING

import numpy as np

from runk.core.wheels.train import Train, arranged, worth

if TYPE_CHECKING:
    from numpy.typing import NDArray

    from runk.core.figures import FloatArray

KEPT = 200
_BANDS = (0.01, 0.03, 0.1, 0.5, np.inf)


@lru_cache(maxsize=8)
def _pairs(wheels: tuple[int, ...]) -> tuple[NDArray[np.int64], NDArray[np.int64]]:
    """Every pair of sizes there is; a size with itself only where it is owned twice."""
    sizes, counts = np.unique(np.array(wheels), return_counts=True)
    i, j = np.triu_indices(sizes.size)
    there = (i < j) | (counts[i] > 1)
    return sizes[i[there]], sizes[j[there]]


def compound(wheels: tuple[int, ...], ratio: float) -> tuple[NDArray[np.int64], FloatArray]:
    """The nearest compound trains: rows of two drivers and two driven, and each one's error.

    A wheel that drives and is driven alike does nothing: such trains are left out.
    """
    first, second = _pairs(wheels)
    drives = (first * second).astype(float)
    off = np.divide.outer(drives, drives * ratio)
    off -= 1.0
    np.abs(off, out=off)
    i = j = np.empty(0, dtype=np.int64)
    # Sorting them all would be most of the work: only those within a band, no wider than need be.
    for band in _BANDS:
        i, j = np.divmod(np.flatnonzero(off <= band), drives.size)
        apart = (first[i] != first[j]) & (first[i] != second[j])
        apart &= (second[i] != first[j]) & (second[i] != second[j])
        i, j = i[apart], j[apart]
        if i.size >= KEPT:
            break
    best = np.argsort(off[i, j], kind="stable")[:KEPT]
    i, j = i[best], j[best]
    rows = np.stack([first[i], second[i], first[j], second[j]], axis=1)
    return rows, drives[i] / (drives[j] * ratio) - 1.0


def trains(wheels: tuple[int, ...], ratio: float, most: int = 8) -> list[Train]:
    """The trains nearest to a ratio, those that clear first where they are as near.

    Args:
        wheels: Teeth of every wheel owned.
        ratio: Turns of the leadscrew for one of the spindle.
        most: How many.

    >>> trains((20, 25, 40, 50), 0.5, 1)
    [Train(drivers=(20,), driven=(40,), error=0.0, clears=True, steep=2.0)]
    """
    found = [
        Train((a,), (b,), a / b / ratio - 1.0, True, max(a / b, b / a))
        for a in sorted(set(wheels))
        for b in sorted(set(wheels))
        if a != b
    ]
    if len(wheels) > 3:
        rows, errors = compound(wheels, ratio)
        for (a, c, b, d), error in zip(rows.tolist(), errors.tolist(), strict=True):
            (one, to, other, last), clears, steep = arranged(a, c, b, d)
            found.append(Train((one, other), (to, last), error, clears, steep))
    found.sort(key=worth)
    return found[:most]


def bought(wheels: tuple[int, ...], ratio: float) -> tuple[int, Train] | None:
    """The one wheel, 20 to 127, that brings a train nearest; None where none beats what is owned.

    Args:
        wheels: Teeth of every wheel owned.
        ratio: Turns of the leadscrew for one of the spindle.
    """
    owned = trains(wheels, ratio, 1)
    best = abs(owned[0].error) if owned else np.inf
    sizes = np.unique(np.array(wheels)).astype(float)
    if sizes.size < 3 or best < 1e-9:
        return None
    one = sizes[:, None, None]
    two = sizes[None, :, None]
    three = sizes[None, None, :]
    wanted = {"driver": ratio * two * three / one, "driven": one * two / (three * ratio)}
    found: tuple[int, Train] | None = None
    for side, exact in wanted.items():
        teeth = np.rint(exact)
        off = np.where((teeth >= 20) & (teeth <= 127), np.abs(teeth / exact - 1.0), np.inf)
        for at in np.argsort(off, axis=None)[:200]:
            i, j, k = np.unravel_index(at, off.shape)
            if off[i, j, k] >= best - 1e-9:
                break
            new = int(teeth[i, j, k])
            a, b, c = (int(sizes[n]) for n in (i, j, k))
            drive, follow = ((a, new), (b, c)) if side == "driver" else ((a, b), (c, new))
            if set(drive) & set(follow) or new in wheels or len({a, b, c}) < 3:
                continue
            (p, q, r, s), clears, steep = arranged(*drive, *follow)
            error = p * r / (q * s) / ratio - 1.0
            # Nothing is bought for what is there already, by another way round.
            if clears and abs(error) < best - 1e-8:
                found, best = (new, Train((p, r), (q, s), error, True, steep)), abs(error)
                break
    return found
