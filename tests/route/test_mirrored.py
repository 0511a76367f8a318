"""A part drawn from its other end is the same part: as many set-ups, the same cuts, the same metal."""

from __future__ import annotations

import itertools
import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.refusals import Refused
from runk.core.route.played import stages
from runk.core.route.propose import Proposed, propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job, Route
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases
from tests.route.test_section import volume

METAL = "mild-steel"


def turned_round(lines: list[str], long: int) -> list[str]:
    """The same features measured from the other end."""
    found = []
    for line in lines:
        line = re.sub(
            r"from (\d+) to (\d+)", lambda m: f"from {long - int(m[2])} to {long - int(m[1])}", line
        )
        line = re.sub(r"^(face) at (\d+)", lambda m: f"{m[1]} at {long - int(m[2])}", line)
        line = re.sub(r"from the (left|right) end", lambda m: f"from the {_OTHER[m[1]]} end", line)
        found.append(line)
    return found


_OTHER = {"left": "right", "right": "left"}


def asked(lines: list[str], blank: str) -> tuple[Job, Proposed] | None:
    """A part and its route; None where it cannot be made so."""
    try:
        job = Job(part_of("mirrored", METAL, blank, lines), WORKSHOP)
        return job, propose(job)
    except Refused:
        return None


def does(found: Proposed) -> list[str]:
    """What is done, whatever its place: the verbs of every operation, sorted."""
    lines = [line for one in found.route.set_ups for line in one.does]
    return sorted(line.rpartition(": ")[2] for line in lines if ": " in line)


@st.composite
def shafts(draw: st.DrawFn) -> tuple[list[str], int, int]:
    """A stepped shaft with both ends faced, and perhaps a hole in an end."""
    widths = draw(st.lists(st.integers(6, 24), min_size=1, max_size=3, unique=True))
    at, lines = 0, []
    for wide in widths:
        long = draw(st.integers(5, 25))
        fine = draw(st.sampled_from(["", " h6"]))
        lines.append(f"outside {wide}{fine}, from {at} to {at + long}")
        at += long
    lines = ["face at 0", f"face at {at}", *lines]
    if draw(st.booleans()):
        end = draw(st.sampled_from(["left", "right"]))
        lines.append(f"drilled 3, 6 deep, from the {end} end")
    return lines, at, max(widths) + 4


@cases(25)
@given(shafts())
def test_it_costs_the_same_from_either_end(part: tuple[list[str], int, int]) -> None:
    lines, long, stock = part
    blank = f"bar {stock}"
    one, other = asked(lines, blank), asked(turned_round(lines, long), blank)
    assert (one is None) == (other is None), lines
    if one is None or other is None:
        return
    assert len(one[1].route.set_ups) == len(other[1].route.set_ups), lines
    assert does(one[1]) == does(other[1]), lines
    assert (one[1].machines, one[1].tools) == (other[1].machines, other[1].tools), lines


@cases(15)
@given(shafts())
def test_it_leaves_the_same_metal(part: tuple[list[str], int, int]) -> None:
    lines, long, stock = part
    ends = []
    for drawn in (lines, turned_round(lines, long)):
        found = asked(drawn, f"bar {stock}")
        if found is None:
            return
        job, proposed = found
        views = [one.section for one in stages(job, Route(proposed.route.set_ups))]
        ends.append(volume(next(v for v in reversed(views) if v is not None)))
    assert ends[0] == pytest.approx(ends[1])


def test_turning_round_twice_is_the_drawing_again() -> None:
    lines = ["face at 0", "face at 40", "outside 12, from 0 to 15", "drilled 3, from the left end"]
    once = turned_round(lines, 40)
    assert once == [
        "face at 40",
        "face at 0",
        "outside 12, from 25 to 40",
        "drilled 3, from the right end",
    ]
    assert turned_round(once, 40) == lines


@pytest.mark.parametrize("count", [2, 3])
def test_the_order_the_features_are_typed_in_says_nothing(count: int) -> None:
    lines = ["face at 0", "face at 36", "outside 16, from 0 to 12", "outside 10, from 12 to 36"]
    found = [asked(list(order), "bar 20") for order in itertools.permutations(lines)]
    costs = {(len(one[1].route.set_ups), one[1].tools) for one in found[:: 4 - count] if one}
    assert len(costs) == 1
