"""A half-section's corners and threads against Pappus and the sizes of the standard."""

from __future__ import annotations

from math import pi

import pytest
from scipy.integrate import quad

from runk.core.route.played import stage_of
from runk.core.route.reading import part_of
from runk.core.route.route import Job
from runk.core.route.slice import Slice
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

FLANGED = [
    "face at 0",
    "face at 40",
    "outside 20, from 0 to 15",
    "outside 30, from 15 to 25",
    "outside 24, from 25 to 40",
]


def slices(*more: str) -> tuple[Slice, ...]:
    job = Job(
        part_of("t", "brass", "bar 32, 60 long", [*FLANGED, *more], PageUnit.MM), Workshop(())
    )
    view = stage_of(job, frozenset(job.by_key)).section
    assert view is not None
    return tuple(one for one in view.slices if one.start >= 0 and one.end <= 40)


def turned_mm3(these: tuple[Slice, ...]) -> float:
    """What the profile makes when it is turned round, by numeric integration."""

    def area(one: Slice, x: float) -> float:
        r = one.right + (one.top - one.right) * (x - one.start) / (one.end - one.start)
        return pi * (r * r - one.inner**2)

    return sum(quad(lambda x, one=one: area(one, x), one.start, one.end)[0] for one in these)


@pytest.mark.parametrize(
    ("line", "radius", "at"),
    [
        ("chamfer 1.5 at 0", 10, 0),
        ("chamfer 2 at 15", 15, 15),
        ("chamfer 2 at 25", 15, 25),
        ("chamfer 1 at 40", 12, 40),
    ],
)
def test_a_corner_takes_what_pappus_says(line: str, radius: float, at: float) -> None:
    """A triangle of c by c whose middle runs round at the radius less a third of c."""
    size = float(line.split()[1])
    whole, cut = slices(), slices(line)
    lost = turned_mm3(whole) - turned_mm3(cut)
    assert lost == pytest.approx(size * size / 2 * 2 * pi * (radius - size / 3), rel=1e-9)
    # The corner is taken at its place, off the larger of the two that meet there, and nowhere else.
    (one,) = [one for one in cut if one.feature.startswith("chamfer")]
    assert at in (one.start, one.end)
    assert one.end - one.start == pytest.approx(size)


def test_a_corner_with_no_room_takes_nothing() -> None:
    """Deeper than its step is long, or where both sides are alike, there is no such corner."""
    assert slices("chamfer 11 at 15") == slices()


def test_a_thread_is_drawn_to_the_minor_diameter_of_the_standard() -> None:
    """ISO 724: M10 has a minor diameter of 8.376."""
    threaded = slices("thread M10, from 0 to 12")
    roots = {round(2 * one.thread, 3) for one in threaded if one.end <= 12}
    assert roots == {8.376}
    assert {one.thread for one in threaded if one.start >= 12} == {0.0}
