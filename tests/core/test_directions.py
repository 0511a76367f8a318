"""Answers with a way in them (towards, left, out, larger), each asked the other way round too.

A word of direction is no number: turned round it still looks right, and it is the casting that
tells. So each is asked as it is and mirrored, and the sums beside it are pencil sums.
"""

from __future__ import annotations

from itertools import pairwise
from typing import Any

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.kinds import Told
from runk.core.questions import read_question
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP


def asked(name: str, **typed: str) -> Any:
    """What one calculator answers to fields as typed, on a millimetre page."""
    read = read_question(CATALOGUE[name], typed, PageUnit.MM, WORKSHOP)
    return CATALOGUE[name].ask(read.question, WORKSHOP)


def words(answer: Any, field: str) -> str:
    """A sentence of an answer in the page's words."""
    return worded(str(getattr(answer, field)), PageUnit.MM)


CRANK = {"room": "60", "along": "bearing 8; web 5", "on": "web"}
RINGED = {"make": "shaft", "duty": "ringed", "hole_metal": "grey-iron", "shaft_metal": "grey-iron"}

# name, what is asked, the field that says which way, and its words; then the same mirrored.
WAYS: list[tuple[str, dict[str, str], str, str, dict[str, str], str]] = [
    # The side with more metal over its lines gives some to the other.
    (
        "surplus",
        {"these": "flange 1.8; boss 2.2", "those": "base 0.2; back 1.1"},
        "towards",
        "the first faces",
        {"these": "base 0.2; back 1.1", "those": "flange 1.8; boss 2.2"},
        "the others",
    ),
    # 8 + half of 5 is 10.5: a web wanted at 11 is packed from its left, at 8 it is too far right.
    (
        "shaft-budget",
        CRANK | {"line": "11"},
        "says",
        "on the left of the web",
        CRANK | {"line": "8"},
        "too far right",
    ),
    # Warm brass reads large, cold brass small.
    (
        "warm",
        {"job": "reading", "size": "101.6", "metal": "brass", "at": "32 C"},
        "says",
        "smaller than it reads",
        {"job": "reading", "size": "101.6", "metal": "brass", "at": "8 C"},
        "larger than it reads",
    ),
    # 25 less 24.8 is a float to be shimmed; less 25.1 it does not go in.
    (
        "endfloat",
        {"room": "25", "stack": "24.8"},
        "says",
        "shims of 0.098 mm leave 0.102",
        {"room": "25", "stack": "25.1"},
        "face 0.202 mm",
    ),
    # A piston over its mate's size has metal left; under it there is none to put back.
    (
        "mate",
        RINGED | {"there": "22.01", "made": "22.4"},
        "stands",
        "left",
        RINGED | {"there": "22.01", "made": "21.5"},
        "too far",
    ),
    (
        "nearest-drill",
        {"size": "4.36", "tool": "drill"},
        "does",
        "over",
        {"size": "4.37", "tool": "drill"},
        "under",
    ),
]


@pytest.mark.parametrize(("name", "one", "field", "this", "mirrored", "that"), WAYS)
def test_turned_round_it_says_the_other_way(
    name: str, one: dict[str, str], field: str, this: str, mirrored: dict[str, str], that: str
) -> None:
    said, other = words(asked(name, **one), field), words(asked(name, **mirrored), field)
    assert this in said
    assert that not in said
    assert that in other
    assert this not in other


@pytest.mark.parametrize(
    ("start", "turn", "first"),
    [
        ("0", "", (15.5, 0.0)),
        ("90", "", (0.0, 15.5)),
        ("180", "", (-15.5, 0.0)),
        ("270", "", (0.0, -15.5)),
    ],
)
def test_a_circle_begins_where_it_is_told_and_goes_against_the_clock(
    start: str, turn: str, first: tuple[float, float]
) -> None:
    """x to the right, y away from you, as a read-out has them: 90 degrees is straight up."""
    found = asked("circle", count="4", circle="31", start=start)
    places = [(h.x_mm.value, h.y_mm.value) for h in found.holes]
    assert places[0] == pytest.approx(first, abs=1e-9)
    # A quarter turn against the clock takes (x, y) to (-y, x).
    for (x, y), after in pairwise(places):
        assert after == pytest.approx((-y, x), abs=1e-9)


def test_holes_are_numbered_from_one_in_their_order() -> None:
    found = asked("circle", count="6", circle="31")
    assert [place.name for place in found.holes] == ["1", "2", "3", "4", "5", "6"]


@pytest.mark.parametrize(("edge", "sign"), [("left", -1), ("right", 1), ("near", -1), ("far", 1)])
def test_a_finder_of_ten_stands_half_of_it_outside_whichever_edge(edge: str, sign: int) -> None:
    found = asked("place", way="edge", finder="10", side=edge)
    assert found.set_mm.value == pytest.approx(5.0 * sign)


def test_bars_grow_one_way_and_shrink_the_other() -> None:
    """100 mm of brass, about 20 millionths a degree: 10 degrees are 0.02 mm, up or down."""
    warm = asked("warm", job="reading", size="100", metal="brass", at="30 C")
    cold = asked("warm", job="reading", size="100", metal="brass", at="10 C")
    assert warm.off_mm.value == pytest.approx(0.02, abs=0.0015)
    assert cold.off_mm.value == pytest.approx(-warm.off_mm.value, rel=0.001)
    assert warm.corrected_mm.value < 100 < cold.corrected_mm.value


def test_a_bore_grows_and_a_shaft_shrinks_by_the_same_cut() -> None:
    """Half a millimetre of each wall is a whole one of the diameter."""
    outside = asked("plan", job="outside", metal="brass", now="16", wanted="15")
    bore = asked("plan", job="bore", metal="brass", now="15", wanted="16")
    assert outside.passes[-1].to_mm.value == pytest.approx(15.0, abs=0.02)
    assert bore.passes[-1].to_mm.value == pytest.approx(16.0, abs=0.02)
    down = [p.to_mm.value for p in outside.passes]
    up = [p.to_mm.value for p in bore.passes]
    assert down == sorted(down, reverse=True)
    assert up == sorted(up)


def test_kinds_read_a_size_to_the_left_of_nought_as_it_is_typed() -> None:
    """A place may be under nought; a size may not."""
    told = Told(PageUnit.MM, WORKSHOP)
    x = CATALOGUE["place"].fields["x"]
    assert float(x.read("-12.5", told).value) == -12.5
