"""The half-section against the part's own figures: volumes by turning it, step by step."""

from __future__ import annotations

import itertools
from math import pi

import pytest

from runk.core.route.played import stages
from runk.core.route.route import Route
from runk.core.route.section import Section, section
from tests.route.shelf import PARTS, job, proposed

TURNED = [name for name in PARTS if job(name).part.turned]


def volume(view: Section) -> float:
    """Of what stands in the drawing, turned about its axis."""
    return sum(
        pi
        * (one.end - one.start)
        * ((one.top**2 + one.top * one.right + one.right**2) / 3 - one.inner**2)
        for one in view.slices
    )


def played(name: str) -> list[Section]:
    route = Route(proposed(name).route.set_ups)
    return [one.section for one in stages(job(name), route) if one.section is not None]


@pytest.mark.parametrize("name", TURNED)
def test_metal_only_ever_comes_off(name: str) -> None:
    views = played(name)
    volumes = [volume(view) for view in views]
    assert all(b <= a + 1e-6 for a, b in itertools.pairwise(volumes))
    assert volumes[-1] < volumes[0]
    for view in views:
        ends = [(one.start, one.end) for one in view.slices]
        assert all(a[1] == pytest.approx(b[0]) for a, b in itertools.pairwise(ends))
        assert all(one.top > one.inner >= 0 for one in view.slices)


@pytest.mark.parametrize("name", TURNED)
def test_at_the_end_it_is_as_drawn(name: str) -> None:
    part, last = job(name).part, played(name)[-1]
    assert last.slices[0].start == pytest.approx(part.begin)
    assert last.slices[-1].end == pytest.approx(part.long)
    for feature in part.features:
        middle = sum(feature.span) / 2
        here = next(one for one in last.slices if one.start <= middle <= one.end)
        if feature.kind in ("outside", "journal", "crankpin"):
            assert here.top == pytest.approx(feature.size / 2 + feature.throw)
            assert here.bottom == pytest.approx(feature.size / 2 - feature.throw)
        if feature.kind in ("bore", "reamed") and feature.side == "":
            assert here.inner >= feature.size / 2 - 1e-9


def test_jaws_close_on_what_is_there_and_nowhere_else() -> None:
    for name in TURNED:
        for view in played(name)[1:]:
            first, last = view.slices[0].start, view.slices[-1].end
            for grip in view.grips:
                assert grip.end > grip.start
                if grip.way == "jaws":
                    assert first - 1e-9 <= grip.start < grip.end <= last + 1e-9


def test_a_bolt_hole_stops_where_it_comes_out_of_the_flange() -> None:
    of = job("gland")
    view = section(of, frozenset(of.by_key), None, frozenset())
    hole = next(one for one in view.marks if one.feature == "holes 3.2")
    assert (hole.start, hole.end) == (8.0, 14.0)
    assert (hole.low, hole.high) == pytest.approx((6.9, 10.1))
