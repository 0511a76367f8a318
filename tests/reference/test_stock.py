"""Cutting parts from bars against every way there is, on cases small enough to try them all."""

from __future__ import annotations

import itertools
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.layout.cutting_stock import plan_cuts
from tests.cases import cases


def holds(parts: list[float], bar: float, kerf: float) -> bool:
    """The last piece needs no cut behind it where the bar ends with it."""
    return sum(parts) + kerf * len(parts) <= bar + kerf + 1e-9


def least_begun(parts: list[float], bars: list[float], kerf: float) -> float | None:
    """Every way of giving each part a bar."""
    best = None
    for where in itertools.product(range(len(bars)), repeat=len(parts)):
        mine = {b: [p for p, at in zip(parts, where, strict=True) if at == b] for b in set(where)}
        if all(holds(own, bars[b], kerf) for b, own in mine.items()):
            begun = sum(bars[b] for b in mine)
            best = begun if best is None else min(best, begun)
    return best


@cases(80)
@given(
    st.lists(st.integers(5, 90).map(float), min_size=1, max_size=6),
    st.lists(st.integers(60, 160).map(float), min_size=1, max_size=4),
    st.sampled_from([0.0, 1.0, 2.5]),
)
def test_no_way_of_cutting_begins_less_of_the_shelf(
    parts: list[float], bars: list[float], kerf: float
) -> None:
    ours = plan_cuts(parts, bars, kerf)
    best = least_begun(parts, bars, kerf)
    if best is None:
        assert ours is None
        return
    assert ours is not None
    assert sorted(n for cut in ours for n in cut.parts) == list(range(len(parts)))
    for cut in ours:
        assert holds([parts[n] for n in cut.parts], bars[cut.bar], kerf)
    assert sum(bars[cut.bar] for cut in ours) == pytest.approx(best)


def test_forty_parts_waste_hardly_more_than_they_must() -> None:
    """No plan can begin less than the parts and their cuts together want."""
    parts = [float(20 + (n * 37) % 81) for n in range(40)]
    bars = [330.0] * 12
    ours = plan_cuts(parts, bars, 2.0)
    assert ours is not None
    wanted = sum(parts) + 2.0 * (len(parts) - len(ours))
    assert len(ours) == -(-wanted // 330)


def test_a_grip_is_left_on_every_bar() -> None:
    assert plan_cuts([50.0, 50.0], [100.0], 0.0, 10.0) is None
    found: Any = plan_cuts([40.0, 50.0], [100.0], 0.0, 10.0)
    assert found[0].left == pytest.approx(10.0)
