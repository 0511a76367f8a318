"""Cutter paths against the buffers of a geometry library, and by rolling a cutter. Source: geometry."""

from __future__ import annotations

from math import cos, dist, pi, sin
from typing import Any

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from shapely import LineString, Polygon

from runk.core.catalogue import CATALOGUE
from runk.core.layout.feed import against_feed
from runk.core.layout.offset import CannotPass, beside, crosses_itself, crossing, nearest_mm
from runk.core.layout.rounds import cut_path
from runk.core.layout.segments import Loop, Segment, area, backwards, bulge_of, bulged, through
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

PROFILES = [
    {"profile": "link", "long": "40", "dia": "16", "end": "10"},
    {"profile": "flange", "long": "40", "dia": "22", "end": "10"},
    {"profile": "plate", "long": "40", "wide": "20", "corner": "4"},
    {"profile": "flats", "dia": "26", "across": "20"},
    {"profile": "slot", "long": "20", "wide": "9"},
    {"profile": "arc-slot", "dia": "60", "wide": "9", "turn": "75", "start": "20"},
    {"profile": "corners", "corners": "0, 0; 40, 0 r5; 40, 20 arc 0.4; 0, 20"},
    {"profile": "corners", "corners": "0, 0; 40, 0; 40, 25; 20, 25; 20, 12; 0, 12"},
]


def asked(**typed: str) -> Any:
    return read_question(CATALOGUE["path"], typed, PageUnit.MM, WORKSHOP).question


def answer(**typed: str) -> Any:
    return CATALOGUE["path"].ask(asked(**typed), WORKSHOP)


def polygon(loop: Loop) -> Any:
    """Arcs in short chords."""
    points = []
    for one in loop:
        many = 1 if one.centre is None else 160
        points += [one.point(k / many) for k in range(many)]
    return Polygon(points)


@pytest.mark.parametrize("typed", PROFILES, ids=lambda p: p["profile"])
@pytest.mark.parametrize("side", ["outside", "inside"])
@pytest.mark.parametrize("cutter", ["2", "6"])
def test_a_path_is_the_profiles_own_buffer(typed: dict[str, str], side: str, cutter: str) -> None:
    question = asked(**typed, side=side, cutter=cutter)
    profile, path = cut_path(question, 0.0)
    r = float(cutter) / 2 * (1 if side == "outside" else -1)
    want = polygon(profile).buffer(r, quad_segs=200)
    ours = polygon(path.loop)
    assert ours.is_valid
    assert ours.symmetric_difference(want).area < 2e-3 * want.area
    # Outside the metal that stays is on the left, inside too: against the feed.
    assert (area(path.loop) > 0) == (side == "outside")
    for a, b in zip(path.loop, (*path.loop[1:], path.loop[0]), strict=True):
        assert a.end == pytest.approx(b.start, abs=1e-9)


@cases(120)
@given(
    st.lists(st.tuples(st.integers(-25, 25), st.integers(12, 40)), min_size=3, max_size=14),
    st.sampled_from([-4.0, -1.0, 1.0, 2.5]),
)
def test_any_star_is_offset_as_the_library_does_or_not_at_all(
    rays: list[tuple[int, int]], by: float
) -> None:
    many = len(rays)
    points = [
        (r * cos(2 * pi * (k + j / 100) / many), r * sin(2 * pi * (k + j / 100) / many))
        for k, (j, r) in enumerate(rays)
    ]
    loop = through(points)
    assume(area(loop) > 0 and crosses_itself(loop) is None)
    want = Polygon(points).buffer(-by, quad_segs=100)
    try:
        path = beside(loop, by)
    except CannotPass:
        # Never where it is plain: a convex outside always passes.
        assert by > 0 or len(Polygon(points).convex_hull.exterior.coords) <= many
        return
    assert polygon(path.loop).symmetric_difference(want).area < 2e-3 * want.area + 0.01


@pytest.mark.parametrize("typed", PROFILES, ids=lambda p: p["profile"])
def test_no_point_of_the_way_cuts_into_the_profile(typed: dict[str, str]) -> None:
    """A cutter rolled along it, in small steps: its rim touches and never enters."""
    question = asked(**typed, cutter="5")
    profile, path = cut_path(question, 0.25)
    walked = np.array([one.point(k / 80) for one in path.loop for k in range(80)])
    near = nearest_mm(walked, profile)
    assert near.min() == pytest.approx(2.75, abs=1e-6)
    ring = LineString([*polygon(profile).exterior.coords])
    from shapely import Point

    for x, y in walked[::37]:
        assert ring.distance(Point(x, y)) == pytest.approx(
            float(nearest_mm(np.array([[x, y]]), profile)[0]), abs=2e-3
        )


@cases(60)
@given(st.floats(-3, 3).filter(lambda b: abs(b) > 0.02), st.integers(-20, 20), st.integers(1, 20))
def test_an_arc_keeps_its_bend(bulge: float, x: int, y: int) -> None:
    """By three points: ends and the middle stand off the chord by half of it times the bend."""
    arc = bulged((0.0, 0.0), (float(x), float(y)), bulge)
    assert bulge_of(arc) == pytest.approx(bulge)
    off = np.array(arc.point(0.5)) - np.array([x, y]) / 2
    chord = np.hypot(x, y)
    to_right = np.array([y, -x]) / chord
    assert off @ to_right == pytest.approx(bulge * chord / 2, abs=1e-6)
    assert backwards((arc,))[0].turn == pytest.approx(-arc.turn)


def test_inside_corners_are_said_with_what_stays_in_them() -> None:
    """A square corner under a cutter of radius 3: 3√2 less 3."""
    found = answer(**PROFILES[7], cutter="6")
    assert [k.left_mm.value for k in found.kept] == [pytest.approx(3 * 2**0.5 - 3)]
    assert (found.kept[0].x_mm.value, found.kept[0].y_mm.value) == (20, 12)
    assert any(c.about == "the corners" for c in found.cautions)
    assert answer(**PROFILES[0], cutter="6").kept == ()


def test_a_cutter_larger_than_the_inside_corner() -> None:
    """A pocket with 2 mm corners under a 6 mm cutter: they stay at 3."""
    pocket = {"profile": "plate", "long": "40", "wide": "20", "corner": "2", "side": "inside"}
    found = answer(**pocket, cutter="6")
    # The middle of the corner's arc lies 2 from its centre, and that a root of 2 from the path.
    assert [k.left_mm.value for k in found.kept] == [pytest.approx(2 + 2**0.5 - 3)] * 4
    assert found.length_mm.value == pytest.approx(2 * (34 + 14))
    with pytest.raises(Refused, match="does not pass"):
        answer(**pocket, cutter="22")


def test_about_a_rotary_table_places_are_angles_and_distances() -> None:
    found = answer(profile="flats", dia="26", across="20", cutter="6", about="rotary")
    for move in found.moves:
        z = complex(move.x_mm.value, move.y_mm.value)
        assert move.out_mm.value == pytest.approx(abs(z))
        assert move.at_deg.value == pytest.approx(np.degrees(np.angle(z)) % 360)


@pytest.mark.parametrize(
    ("typed", "says"),
    [
        ({"profile": "corners", "corners": "0, 0; 40, 0; 40, 0; 0, 20"}, "one place"),
        ({"profile": "corners", "corners": "0, 0; 40, 0"}, "Two corners"),
        ({"profile": "plate", "long": "40", "wide": "20", "corner": "11"}, "larger than half"),
        ({"profile": "flats", "dia": "20", "across": "26"}, "outside the disc"),
        ({"profile": "flange", "long": "40", "dia": "10", "end": "12"}, "ask for a link"),
        ({"profile": "flange", "long": "8", "dia": "40", "end": "12"}, "a disc"),
        ({"profile": "arc-slot", "dia": "30", "wide": "9", "turn": "345"}, "into each other"),
        ({"profile": "arc-slot", "dia": "8", "wide": "9", "turn": "45"}, "wider than its circle"),
    ],
)
def test_what_is_no_profile_is_refused(typed: dict[str, str], says: str) -> None:
    with pytest.raises(Refused, match=says):
        answer(**typed, cutter="2")


@pytest.mark.parametrize("typed", PROFILES, ids=lambda p: p["profile"])
def test_an_arc_is_cut_by_turning_the_table_under_a_cutter_that_stands(
    typed: dict[str, str],
) -> None:
    """The work is shifted and turned about the table's middle; the cutter stays out along x."""
    found = answer(**typed, cutter="3", about="rotary", x="7", y="-4")
    _profile, path = cut_path(asked(**typed, cutter="3", x="7", y="-4"), 0.0)
    for row in found.arcs:
        one = path.loop[row.move - 1]
        for share in (0.0, 0.3, 1.0):
            at = np.subtract(one.point(share), (-row.shift_x_mm.value, -row.shift_y_mm.value))
            turned = row.from_deg.value + share * (row.to_deg.value - row.from_deg.value)
            a = -np.radians(turned)
            under = np.array([[cos(a), -sin(a)], [sin(a), cos(a)]]) @ at
            assert under == pytest.approx([row.out_mm.value, 0.0], abs=1e-6)
    assert len(found.arcs) == sum(one.centre is not None for one in path.loop)


def test_a_cutter_as_wide_as_its_slot_goes_down_the_middle() -> None:
    question = asked(profile="arc-slot", dia="40", wide="6", turn="60", start="15", cutter="6")
    profile, path = cut_path(question, 0.0)
    way = LineString([one.point(k / 200) for one in path.loop for k in range(201)])
    left = polygon(profile).symmetric_difference(way.buffer(3.0, quad_segs=200))
    assert left.area < 0.02


@pytest.mark.parametrize("hand", ["right", "left"])
@pytest.mark.parametrize("stays", ["left", "right"])
def test_teeth_that_meet_the_work_head_on_are_against_the_feed(hand: str, stays: str) -> None:
    """A cutter goes along y; the tooth beside the metal against the work's own way past it."""
    spin = np.array([0.0, 0.0, -1.0 if hand == "right" else 1.0])
    tooth = np.cross(spin, [-1.0 if stays == "left" else 1.0, 0.0, 0.0])
    work = np.array([0.0, -1.0, 0.0])
    assert against_feed(hand, stays) == (np.dot(tooth, work) < 0)


@given(
    st.floats(1, 30), st.floats(1, 30), st.floats(0.05, 0.95), st.floats(0, 2 * pi), st.booleans()
)
def test_where_two_arcs_cross_is_on_both(
    one: float, other: float, share: float, way: float, line: bool
) -> None:
    """A crossing is as far from each middle as that arc's radius; on a line, square to nothing."""
    apart = abs(one - other) + share * (one + other - abs(one - other))
    first = Segment((3.0 + one, 2.0), (3.0, 2.0 + one), (3.0, 2.0))
    middle = (3.0 + apart * cos(way), 2.0 + apart * sin(way))
    second = Segment((middle[0] + other, middle[1]), (middle[0], middle[1] + other), middle)
    if line:
        second = Segment(middle, (3.0, 2.0))
    found = crossing(first, second)
    assert found is not None
    assert dist(found, (3.0, 2.0)) == pytest.approx(one, abs=1e-6)
    if line:
        across = (found[0] - 3.0) * sin(way) - (found[1] - 2.0) * cos(way)
        assert across == pytest.approx(0, abs=1e-6)
    else:
        assert dist(found, middle) == pytest.approx(other, abs=1e-6)
