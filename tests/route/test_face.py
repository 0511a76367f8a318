"""Holes on a face: against distances worked out by hand and by complex numbers."""

from __future__ import annotations

import cmath
import itertools
from math import isclose, pi, sqrt

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.refusals import Refused
from runk.core.route.placed import meets, points
from runk.core.route.played import stages
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job, Route
from runk.demo.back_shed import WORKSHOP

PLATE = "plate 120 by 60 by 8"


def last_faces(blank: str, *features: str) -> list[tuple[str, list[tuple[float, float, float]]]]:
    job = Job(part_of("it", "brass", blank, features), WORKSHOP)
    *_, last = stages(job, Route(propose(job).route.set_ups))
    return [(f.side, [(r.x, r.y, r.radius) for r in f.rings]) for f in last.faces]


@given(many=st.integers(2, 24), circle=st.integers(20, 60), turned=st.integers(0, 359))
def test_a_circle_of_holes_lies_as_the_roots_of_one(many: int, circle: int, turned: int) -> None:
    hole = circle / many / 2
    line = f"{many} holes {hole:.3f} on {circle} circle, from the right end, turned {turned}"
    part = part_of("cover", "brass", "bar 90", ["outside 88, from 0 to 10", line])
    found = [complex(*one) for one in points(part, part.features[1])]
    want = [cmath.rect(circle / 2, turned * pi / 180 + 2 * pi * n / many) for n in range(many)]
    assert all(isclose(abs(a - b), 0, abs_tol=1e-9) for a, b in zip(found, want, strict=True))


def test_rows_and_single_holes_lie_where_they_are_told() -> None:
    found = dict(
        last_faces(
            PLATE,
            "6 holes 5, 40 by 30 apart, from the top, at 15 by 12",
            "drilled 6 at 60 by 50, from the top",
            "reamed 4 H7, at 10 by 4, from the front",
        )
    )
    top = {(x, y) for x, y, _ in found["top"]}
    assert top == {(15, 12), (55, 12), (95, 12), (15, 42), (55, 42), (95, 42), (60, 50)}
    assert found["front"] == [(10, 4, 2)]


def test_the_end_of_a_turned_part_shows_its_steps_its_bore_and_its_flats() -> None:
    lines = [
        "face at 0",
        "face at 20",
        "outside 20, from 0 to 8",
        "outside 40, from 8 to 20",
        "bore 10, from 0 to 20",
        "4 holes 2 on 15 circle",
    ]
    (side, rings), *_ = last_faces("bar 45", *lines)
    assert side == "right"
    assert [r for x, y, r in rings if (x, y) == (0, 0)] == [20, 10, 5]
    nut = Job(
        part_of(
            "nut",
            "brass",
            "bar 22",
            [
                "face at 0",
                "face at 8",
                "outside 20, from 0 to 8",
                "tapped M8",
                "hexagon 17 across, from 0 to 8",
            ],
        ),
        WORKSHOP,
    )
    *_, end = stages(nut, Route(propose(nut).route.set_ups))
    corners = end.faces[0].corners[0].at
    sides = [abs(complex(*a) - complex(*b)) for a, b in itertools.pairwise((*corners, corners[0]))]
    # A hexagon's side is its size across flats over the root of three.
    assert sides == pytest.approx([17 / sqrt(3)] * 6)


@pytest.mark.parametrize(
    ("turned", "wide", "deep", "meet"),
    [
        ("", "4", "5", False),
        (", turned 30", "4", "5", True),
        (", turned 30", "4", "1", False),
        ("", "40", "5", True),
    ],
)
def test_a_pattern_turned_against_a_port_is_seen(
    turned: str, wide: str, deep: str, meet: bool
) -> None:
    lines = [
        "outside 40, from 0 to 50",
        f"6 holes 3 on 34 circle, 12 deep, from the right end{turned}",
        f"slot {wide} wide, {deep} deep, from 8 to 18, from the top",
    ]
    part = part_of("cylinder", "brass", "bar 45", lines)
    assert meets(part, part.features[1], part.features[2]) is meet


@pytest.mark.parametrize(
    ("blank", "lines", "says"),
    [
        (PLATE, ["drilled 6, from the top, at 118 by 10"], "off the top"),
        (PLATE, ["4 holes 5, 110 by 40 apart, from the top, at 10 by 10"], "off the top"),
        (PLATE, ["drilled 6, from the front, at 10 by 7"], "off the front"),
        (
            PLATE,
            ["drilled 6, from the top, at 10 by 10", "tapped M5, from the top, at 14 by 10"],
            "run into drilled 6",
        ),
        (PLATE, ["3 holes 6, 5 apart, from the top, at 10 by 10"], "overlap"),
        (PLATE, ["5 holes 3, 10 by 10 apart, from the top, at 10 by 10"], "two rows"),
        (
            "bar 45",
            ["outside 40, from 0 to 9", "4 holes 3, from the right end, at 5 by 5"],
            "circle about its axis",
        ),
        (
            "bar 45",
            [
                "outside 40, from 0 to 9",
                "4 holes 3 on 30 circle",
                "2 holes 4 on 30 circle, called dowels",
            ],
            "run into",
        ),
    ],
)
def test_holes_off_their_face_or_in_each_other_are_refused(
    blank: str, lines: list[str], says: str
) -> None:
    with pytest.raises(Refused, match=says):
        part_of("it", "brass", blank, lines)
