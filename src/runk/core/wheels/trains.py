"""Every simple and compound train of a set of wheels, nearest to a ratio first."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from functools import lru_cache
from heapq import merge
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


def _anything(_: Train) -> bool:
    return True


def trains(
    wheels: tuple[int, ...], ratio: float, most: int = 8, may: Callable[[Train], bool] = _anything
) -> list[Train]:
    """The trains nearest to a ratio whose wheels clear each other's shafts.

    Args:
        wheels: Teeth of every wheel owned.
        ratio: Turns of the leadscrew for one of the spindle.
        most: How many.
        may: Whether a train can be set up on this lathe.

    >>> trains((20, 25, 40, 50), 0.5, 1)
    [Train(drivers=(20,), driven=(40,), error=0.0, clears=True, steep=2.0)]
    """
    found: list[Train] = []
    for train in merge(_simple(wheels, ratio), _compound(wheels, ratio), key=_off):
        # They come by how near they are, so what stands there is only outdone as near as it is.
        if len(found) >= most and _near(train) > _near(found[most - 1]):
            break
        stands = next((one for one in _stands(train) if one.clears and may(one)), None)
        if stands is not None:
            found.append(stands)
    found.sort(key=worth)
    return found[:most]


def _stands(train: Train) -> Iterator[Train]:
    """Every way round a train can stand, the best first."""
    if len(train.drivers) == 1:
        yield train
        return
    for (one, to, other, last), clears, steep in arranged(*train.drivers, *train.driven):
        yield Train((one, other), (to, last), train.error, clears, steep)


def _off(train: Train) -> float:
    return abs(train.error)


def _near(train: Train) -> int:
    return round(abs(train.error) * 1e7)


def _simple(wheels: tuple[int, ...], ratio: float) -> Iterator[Train]:
    sizes = sorted(set(wheels))
    near = sorted((abs(a / b / ratio - 1.0), a, b) for a in sizes for b in sizes if a != b)
    for _, a, b in near:
        yield Train((a,), (b,), a / b / ratio - 1.0, True, max(a / b, b / a))


def _compound(wheels: tuple[int, ...], ratio: float) -> Iterator[Train]:
    """Not arranged yet: most of them are never looked at."""
    if len(wheels) < 4:
        return
    rows, errors = compound(wheels, ratio)
    for (a, c, b, d), error in zip(rows.tolist(), errors.tolist(), strict=True):
        yield Train((a, c), (b, d), error, False, 0.0)


def bought(
    wheels: tuple[int, ...], ratio: float, owned: float, may: Callable[[Train], bool] = _anything
) -> tuple[int, Train] | None:
    """The one wheel, 20 to 127, that brings a train nearest; None where none beats what is owned.

    Args:
        wheels: Teeth of every wheel owned.
        ratio: Turns of the leadscrew for one of the spindle.
        owned: What the best train of those is off, as a share.
        may: Whether a train can be set up on this lathe.
    """
    best = owned
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
        # Only the nearest are sorted: sorting them all would be most of the work.
        flat = off.ravel()
        nearest = np.argpartition(flat, min(200, flat.size - 1))[:200]
        for at in nearest[np.argsort(flat[nearest], kind="stable")]:
            i, j, k = np.unravel_index(at, off.shape)
            if off[i, j, k] >= best - 1e-9:
                break
            new = int(teeth[i, j, k])
            a, b, c = (int(sizes[n]) for n in (i, j, k))
            drive, follow = ((a, new), (b, c)) if side == "driver" else ((a, b), (c, new))
            if set(drive) & set(follow) or new in wheels or len({a, b, c}) < 3:
                continue
            (p, q, r, s), clears, steep = arranged(*drive, *follow)[0]
            error = p * r / (q * s) / ratio - 1.0
            # Nothing is bought for what is there already, by another way round.
            train = Train((p, r), (q, s), error, clears, steep)
            if clears and may(train) and abs(error) < best - 1e-8:
                found, best = (new, train), abs(error)
                break
    return found
