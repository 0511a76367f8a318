"""Pairs of two hundred, and a million chains drawn, each against the same by packages alone."""

from __future__ import annotations

from fractions import Fraction

import numpy as np
from scipy.optimize import linear_sum_assignment
from scipy.sparse import csr_matrix
from scipy.sparse.csgraph import maximum_bipartite_matching

from measure import Ratio, side_by_side
from rows import Row, ratio_row
from runk.core.fits.pairing import assigned
from runk.core.lengths.members import Member
from runk.core.shafts.drawn import DRAWS, drawn_mm


def two_hundred_pairs() -> Ratio:
    """The most pairs, of those the best worst, of those the evenest; SciPy does the same in three.

    SciPy is asked how many fit, in a bisection how narrow a band still holds as many, and then for
    the cheapest assignment within it.
    """
    source = np.random.default_rng(7)
    holes, shafts = 22 + source.random(200) / 50, 21.97 + source.random(200) / 50
    ours_of = holes.tolist(), shafts.tolist()

    def ours() -> object:
        return assigned(*ours_of, 0.02, 0.04)

    def theirs() -> object:
        off = np.abs(holes[:, None] - shafts[None, :] - 0.03)
        bands = np.unique(off[off <= 0.01])

        def most(band: float) -> int:
            return int((maximum_bipartite_matching(csr_matrix(off <= band)) >= 0).sum())

        count, low, high = most(0.01), 0, bands.size - 1
        while low < high:
            at = (low + high) // 2
            if most(bands[at]) >= count:
                high = at
            else:
                low = at + 1
        cost = np.where(off <= bands[low], off**2, 1e3)
        rows, columns = linear_sum_assignment(cost)
        kept = cost[rows, columns] < 1e3
        return count, float(cost[rows[kept], columns[kept]].sum())

    count, squares = theirs()  # type: ignore[misc]
    found = assigned(*ours_of, 0.02, 0.04)
    mine = sum((holes[i] - shafts[j] - 0.03) ** 2 for i, j in found.pairs)
    assert len(found.pairs) == count
    assert abs(mine - squares) < 1e-9
    return side_by_side(ours, theirs, 40)


def million_chains() -> Ratio:
    """End float of six pieces with limits, a million times over."""
    members = (
        Member("bearing", Fraction(8), Fraction("7.98"), Fraction(8), 2),
        Member("boss", Fraction(9), Fraction("8.95"), Fraction(9), 1),
        Member("washer", Fraction(1), Fraction("0.95"), Fraction("1.05"), 2),
    )
    room = (Member("room", Fraction(28), Fraction(28), Fraction("28.05")),)

    def ours() -> object:
        return drawn_mm(room, members)

    def theirs() -> object:
        source = np.random.default_rng(20)
        # Three standard deviations from the middle to a limit, as the core has it.
        halves = (0.025, 0.01, 0.01, 0.025, 0.05, 0.05)
        middle = 28.025 - 2 * 7.99 - 8.975 - 2 * 1.0
        return middle + sum(source.normal(0.0, half / 3, DRAWS) for half in halves)

    # What falls outside a limit is drawn again there, and not here: alike to a fiftieth.
    one, other = np.asarray(ours()), np.asarray(theirs())
    assert abs(one.mean() - other.mean()) < 1e-4
    assert abs(one.std() / other.std() - 1) < 0.02
    return side_by_side(ours, theirs, 15)


def shaft_rows() -> list[Row]:
    """Pairs and chains."""
    pairs = (
        "Two hundred holes and two hundred shafts paired, against SciPy's matching and assignment"
    )
    chains = "End float of six pieces drawn a million times, against plain NumPy of the same"
    return [ratio_row(pairs, two_hundred_pairs(), 1.5), ratio_row(chains, million_chains(), 1.5)]
