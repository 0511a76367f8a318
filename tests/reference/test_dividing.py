"""Dividing by brute force over every hole of every circle. Source: arithmetic.

Plates of 15 to 20; 21, 23, 27, 29, 31, 33; 37, 39, 41, 43, 47, 49 at 40 to 1 are common practice;
which divisions they reach is worked out here by trying every hole.
"""

from __future__ import annotations

from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.tools import ToolKind
from runk.core.tools.details import divider_of, gear_cutter_of
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

CIRCLES = (*range(15, 21), 21, 23, 27, 29, 31, 33, 37, 39, 41, 43, 47, 49)


def answer(**typed: str) -> Any:
    one = CATALOGUE["divide"]
    read = read_question(one, typed, PageUnit.MM, WORKSHOP)
    return one.ask(read.question, WORKSHOP)


def best(ratio: int, count: int, circles: tuple[int, ...]) -> Fraction:
    """The least error of one step, in turns of the handle, of any hole of any circle."""
    wanted = Fraction(ratio, count)
    return min(
        abs(Fraction(hole, circle) - wanted)
        for circle in circles
        for hole in range(int(wanted * circle), int(wanted * circle) + 2)
    )


@pytest.mark.parametrize("ratio", [40, 60, 90])
@pytest.mark.parametrize("count", [*range(1, 61), 64, 72, 96, 100, 127, 144, 360, 1000])
def test_no_hole_of_any_circle_comes_nearer(ratio: int, count: int) -> None:
    plates = "15 to 20; 21 23 27 29 31 33; 37 39 41 43 47 49"
    found = answer(count=str(count), head=f"{ratio}:1; {plates}")
    stepped = found.turns + Fraction(found.holes, found.circle)
    assert abs(stepped - Fraction(ratio, count)) == best(ratio, count, CIRCLES)
    off = float((stepped - Fraction(ratio, count)) * 360 / ratio)
    assert found.error_deg.value == pytest.approx(off, abs=1e-9)
    assert found.closes_deg.value == pytest.approx(off * count, abs=1e-6)
    for one in found.others:
        if not found.error_deg.value:
            assert (one.turns + Fraction(one.holes, one.circle)) * count == ratio


def test_twenty_two_at_forty_to_one() -> None:
    """One turn and 27 holes on 33: 40/22 is 1 9/11, as handbooks' tables of indexing have it."""
    found = answer(count="22")
    assert (found.turns, found.holes, found.circle) == (1, 27, 33)
    assert "28 holes" in found.arms


@cases(40)
@given(st.integers(1, 300))
def test_marks_set_from_the_start_are_never_half_a_hole_out(count: int) -> None:
    found = answer(count=str(count))
    assert len(found.marks) == count
    for n, mark in enumerate(found.marks):
        off = mark.off_deg.value if mark.off_deg else 0.0
        assert abs(off) <= 360 / 40 / found.circle / 2 + 1e-9
        assert mark.at_deg.value == pytest.approx(360 * n / count)


@cases(60)
@given(st.integers(1, 400))
def test_a_rotary_table_is_set_to_the_nearest_minute(count: int) -> None:
    """90 to 1 with 240 divisions a turn: a division is a minute of the table."""
    found = answer(count=str(count), head="rotary table")
    minutes = found.turns * 240 + found.holes
    assert minutes == round(Fraction(360 * 60, count))
    assert abs(found.error_deg.value) <= 0.5 / 60 + 1e-9


def test_what_else_divides_so() -> None:
    """A plate of 24 on the spindle does its factors; collet blocks and jaws four, six and three."""
    for count in range(1, 30):
        ways = {one.way: one.how for one in answer(count=str(count)).ways}
        assert ("the plate on the spindle" in ways) == (24 % count == 0)
        assert ("a hexagon collet block" in ways) == (count in (2, 3, 6))
        assert ("a square collet block" in ways) == (count in (2, 4))
    assert (
        "every second" in {o.way: o.how for o in answer(count="3").ways}["a hexagon collet block"]
    )


def test_a_head_that_is_not_owned_is_asked_for() -> None:
    bare = Workshop(WORKSHOP.machines)
    one = CATALOGUE["divide"]
    read = read_question(one, {"count": "22"}, PageUnit.MM, bare)
    with pytest.raises(Refused, match="No dividing head") as refused:
        one.ask(read.question, bare)
    assert refused.value.suggest
    told = read_question(one, {"count": "22", "head": refused.value.suggest}, PageUnit.MM, bare)
    assert one.ask(told.question, bare).circle == 33
    without = read_question(one, {"count": "22", "head": "40:1"}, PageUnit.MM, bare)
    with pytest.raises(Refused, match="neither plates nor a dial"):
        one.ask(without.question, bare)


def test_two_that_contradict_each_other_are_not_both_taken() -> None:
    with pytest.raises(Refused, match="only one of them"):
        answer(count="18", angle="22.5")
    assert answer(count="18", angle="20").turns == 2


def test_every_tool_of_the_demo_says_what_can_be_read() -> None:
    for tool in WORKSHOP.dividers:
        assert divider_of(tool.detail).ratio in (40, 90)
    cutters = [t for t in WORKSHOP.tools if t.kind is ToolKind.GEAR_CUTTER]
    assert cutters
    assert all(gear_cutter_of(t.detail).low >= 12 for t in cutters)
