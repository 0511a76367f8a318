"""Chains of lengths against the closed forms of sums of normal spreads. Source: statistics.

The normal distribution cut off at three deviations, its variance, and the root of the sum of
squares, as any handbook of statistics prints them; the draws never see either.
"""

from __future__ import annotations

from fractions import Fraction
from math import erf, exp, pi, sqrt

import numpy as np
import pytest

from runk.core.lengths.members import Member
from runk.core.shafts.chain import squares_mm2, usual_limit_mm
from runk.core.shafts.drawn import drawn_mm


def under(x: float, n: int) -> float:
    """Chance that n lengths of 0 to 1, three deviations to each limit, come to x or less."""
    whole = erf(3 / sqrt(2))
    # What is cut off takes a little of the spread: 1 - 2 c phi(c) / (2 Phi(c) - 1).
    lost = 2 * 3 * exp(-4.5) / sqrt(2 * pi) / whole
    if n == 1:
        return (erf(6 * (x - 0.5) / sqrt(2)) + whole) / (2 * whole)
    return 0.5 + erf((x - n / 2) * 6 / sqrt(2 * n * (1 - lost))) / 2


@pytest.mark.parametrize("count", [1, 2, 3, 5, 8])
def test_draws_fall_as_the_closed_form_says(count: int) -> None:
    stack = (Member("1", Fraction(1), Fraction(0), Fraction(1), count),)
    left = drawn_mm((Member("room", *[Fraction(count)] * 3),), stack, 400_000)
    for share in (0.35, 0.5, 0.58, 0.7):
        x = share * count
        assert (left <= x).mean() == pytest.approx(under(x, count), abs=0.004)
    assert left.min() >= 0
    usual = usual_limit_mm(squares_mm2(stack))
    assert (np.abs(left - count / 2) <= usual).mean() == pytest.approx(0.9973, abs=0.003)


def test_the_root_of_squares_is_three_standard_deviations_of_normal_lengths() -> None:
    """Drawn with three standard deviations at each limit, 997 of 1000 lie inside."""
    halves = (0.02, 0.05, 0.01, 0.01)
    members = [
        Member("1", Fraction(8), Fraction(8) - Fraction(str(h)), Fraction(8) + Fraction(str(h)))
        for h in halves
    ]
    usual = usual_limit_mm(squares_mm2(members))
    source = np.random.default_rng(5)
    chains = sum(source.normal(0.0, h / 3, 400_000) for h in halves)
    assert (np.abs(chains) <= usual).mean() == pytest.approx(0.9973, abs=0.0006)
    # Never more than the worst case, and never less than the worst of them alone.
    assert max(halves) <= usual <= sum(halves)
