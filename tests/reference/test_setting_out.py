"""Setting out against turned vectors, brute force and sampling. Source: geometry."""

from __future__ import annotations

import itertools
from math import cos, dist, hypot, radians, sin
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.layout.course import course, travel
from runk.core.layout.walls import least_apart
from runk.core.questions import read_question
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

PLACE = st.tuples(st.integers(-60, 60).map(float), st.integers(-60, 60).map(float))


def answer(name: str, **typed: str) -> Any:
    one = CATALOGUE[name]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def turned(deg: float) -> Any:
    c, s = np.cos(np.radians(deg)), np.sin(np.radians(deg))
    return np.array([[c, -s], [s, c]])


@cases(60)
@given(st.integers(2, 40), st.integers(4, 300), st.integers(-360, 360), PLACE, st.booleans())
def test_holes_round_a_circle_are_one_point_turned_again_and_again(
    count: int, circle: int, start: int, middle: tuple[float, float], other: bool
) -> None:
    """By rotation matrices; from the other side by looking at it in a mirror."""
    found = answer(
        "circle",
        count=str(count),
        circle=str(circle),
        start=str(start),
        x=str(middle[0]),
        y=str(middle[1]),
        seen="other" if other else "face",
    ).holes
    arm = turned(start) @ np.array([circle / 2, 0.0])
    step = turned(360 / count)
    for hole in found:
        seen = arm * np.array([-1.0, 1.0]) if other else arm
        assert (hole.x_mm.value, hole.y_mm.value) == pytest.approx(seen + middle, abs=1e-6)
        angle = radians(hole.angle_deg.value)
        assert (cos(angle), sin(angle)) == pytest.approx(seen / (circle / 2), abs=1e-6)
        arm = step @ arm


def test_a_straight_pattern_is_turned_about_its_first_hole() -> None:
    found = answer(
        "circle", pattern="grid", count="3", rows="2", pitch="10", up="4", start="30", x="7", y="-2"
    ).holes
    flat = np.array([[c * 10.0, r * 4.0] for r in range(2) for c in range(3)])
    assert [(h.x_mm.value, h.y_mm.value) for h in found] == [
        pytest.approx(turned(30) @ p + (7, -2)) for p in flat
    ]


@cases(60)
@given(st.lists(PLACE, min_size=1, max_size=7, unique=True), PLACE)
def test_no_way_round_a_few_holes_is_shorter(places: list[Any], start: Any) -> None:
    """Every order tried."""
    ours = travel(places, course(places, start), start)
    best = min(travel(places, way, start) for way in itertools.permutations(range(len(places))))
    assert ours == pytest.approx(best)


@cases(20)
@given(st.lists(PLACE, min_size=12, max_size=60, unique=True))
def test_no_stretch_of_a_longer_way_is_better_turned_round(places: list[Any]) -> None:
    way = course(places)
    assert sorted(way) == list(range(len(places)))
    ours = travel(places, way)
    for a, b in itertools.combinations(range(len(way)), 2):
        other = (*way[:a], *reversed(way[a : b + 1]), *way[b + 1 :])
        assert ours <= travel(places, other) + 1e-6


@cases(60)
@given(st.lists(PLACE, min_size=2, max_size=40))
def test_the_nearest_two_are_found(places: list[Any]) -> None:
    every = min(dist(a, b) for a, b in itertools.combinations(places, 2))
    assert least_apart(places) == pytest.approx(every)


@cases(15)
@given(
    st.integers(3, 12),
    st.lists(st.tuples(st.integers(0, 359), st.integers(1, 8)), min_size=1, max_size=4),
)
def test_passages_are_cleared_as_far_as_sampling_finds(
    count: int, ports: list[tuple[int, int]]
) -> None:
    """A passage is a strip from the middle outwards: points of a hole's rim against its sides."""
    clear = "; ".join(f"port {deg} x {wide}" for deg, wide in ports)
    one = answer("circle", count=str(count), circle="60", hole="3", ports=clear)
    for port in one.clear:
        line = turned(-port.at_deg.value)
        least = 1e9
        for hole in one.holes:
            along, across = line @ (hole.x_mm.value, hole.y_mm.value)
            # Behind the middle there is no strip: as far as its end is at most counted.
            far = abs(across) if along > 0 else hypot(along, across)
            least = min(least, far - 1.5 - port.wide_mm.value / 2)
        assert port.wall_mm.value == pytest.approx(least, abs=1e-6)

    def wall(start: float) -> float:
        turned_so = answer(
            "circle", count=str(count), circle="60", hole="3", ports=clear, start=f"{start:.4f}"
        )
        return min(p.wall_mm.value for p in turned_so.clear)

    best = wall(one.better_deg.value)
    assert all(best >= wall(360 / count * n / 12) - 0.02 for n in range(12))


@cases(60)
@given(st.integers(-300, 300), st.integers(-300, 300), PLACE)
def test_square_and_polar_come_back_to_each_other(x: int, y: int, centre: Any) -> None:
    """By complex numbers, about any centre."""
    there = complex(x, y) - complex(*centre)
    if not there:
        return
    about = {"from_x": f"{centre[0]} mm", "from_y": f"{centre[1]} mm"}
    polar = answer("place", way="square", x=str(x), y=str(y), **about)
    assert polar.radius_mm.value == pytest.approx(abs(there))
    assert polar.angle_deg.value == pytest.approx(np.degrees(np.angle(there)) % 360, abs=1e-9)
    back = answer(
        "place",
        radius=f"{polar.radius_mm.value:.9f}",
        angle=f"{polar.angle_deg.value:.6f}",
        **about,
    )
    assert (back.x_mm.value, back.y_mm.value) == pytest.approx((x, y), abs=2e-4)


@cases(60)
@given(st.integers(-40, 40), st.integers(-40, 40))
def test_a_bore_is_found_from_an_indicator_anywhere_near_it(off_x: int, off_y: int) -> None:
    """A stylus in a 20 mm bore: its reading rises as the wall comes nearer to the spindle."""
    at = np.array([off_x, off_y]) / 1000
    reads = {}
    for name, way in (("left", (-1, 0)), ("right", (1, 0)), ("near", (0, -1)), ("far", (0, 1))):
        # Along the way from the spindle until the wall of the bore, which lies about nought.
        way = np.array(way, dtype=float)
        b = at @ way
        wall = -b + np.sqrt(b * b - at @ at + 100.0)
        reads[name] = f"{10.0 - wall:.6f}"
    found = answer("place", way="bore", **reads)
    # The table moves as the spindle stands off, so that the bore comes under it.
    assert (found.x_mm.value, found.y_mm.value) == pytest.approx(tuple(at), abs=1e-5)
