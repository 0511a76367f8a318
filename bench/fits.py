"""A thousand fits in one sweep, against the same tables looked up in plain NumPy."""

from __future__ import annotations

import numpy as np

from measure import Ratio, side_by_side
from rows import Row, ratio_row
from runk.core.fits.iso import edges_mm, limits_um, read_class
from runk.core.fits.sweep import clearances_across_mm


def thousand_fits() -> Ratio:
    """Least and most clearance of H7/g6 at a thousand sizes."""
    sizes = np.linspace(0.25, 250.0, 1000)
    hole, shaft = read_class("H7", hole=True), read_class("g6", hole=False)
    edges = np.array(edges_mm())
    holes = np.array([limits_um(hole, edge) for edge in edges])
    shafts = np.array([limits_um(shaft, edge) for edge in edges])

    def ours() -> object:
        return clearances_across_mm(hole, shaft, sizes)

    def bare() -> object:
        at = np.searchsorted(edges, sizes - 1e-9)
        low = (holes[:, 0][at] - shafts[:, 1][at]) / 1000.0
        at = np.searchsorted(edges, sizes - 1e-9)
        return low, (holes[:, 1][at] - shafts[:, 0][at]) / 1000.0

    assert np.array_equal(ours(), bare())  # type: ignore[call-overload]
    return side_by_side(ours, bare, 2000)


def fit_rows() -> list[Row]:
    """Limits and fits over whole arrays."""
    what = "A thousand fits in one sweep, against the same tables in plain NumPy"
    return [ratio_row(what, thousand_fits(), 1.5)]
