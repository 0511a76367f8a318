"""Passages against SciPy: least distances found by walking, angles by vectors. Source: geometry."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import minimize

from runk.core.catalogue import CATALOGUE
from runk.core.figures import instead_of
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.shafts.skew import nearest
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

_POINT = st.tuples(*[st.integers(-20, 20).map(float)] * 3)


@cases(80)
@given(_POINT, _POINT, _POINT, _POINT, st.booleans())
def test_the_least_distance_is_what_walking_finds(
    a: Any, b: Any, c: Any, d: Any, endless: bool
) -> None:
    if c == d or a == b:
        return
    ends = [np.array(p, dtype=float) for p in (a, b, c, d)]

    def apart(x: Any) -> float:
        one, other = ends[0] + x[0] * (ends[1] - ends[0]), ends[2] + x[1] * (ends[3] - ends[2])
        return float(((one - other) ** 2).sum())

    bounds = [(0, 1), (-200, 200) if endless else (0, 1)]
    walked = min(
        minimize(apart, start, bounds=bounds, method="L-BFGS-B").fun
        for start in ((0, 0), (1, 1), (0.5, 0.5), (0, 1))
    )
    found, at = nearest(a, b, c, d, endless=endless)
    assert 0 <= at <= 1
    assert found**2 == pytest.approx(walked, abs=2e-3, rel=2e-3)


def answer(**typed: str) -> Any:
    one = CATALOGUE["passage"]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def test_angles_are_those_between_vectors() -> None:
    got = answer(start="1, 2, 0", end="4, -2, 12", drill="1")
    way = np.array([3.0, -4.0, 12.0])
    assert got.length_mm.value == pytest.approx(np.linalg.norm(way)) == pytest.approx(13)
    assert got.angle_deg.value == pytest.approx(np.degrees(np.arccos(12 / 13)))
    assert got.plan_deg.value == pytest.approx(np.degrees(np.arctan2(-4, 3)))


def test_of_a_crank_the_wall_is_the_metal_left_in_the_web() -> None:
    """Journal 8, pin 16 off, web 6 wide: by hand, the corner at (3, 8) from the line (0,0) (9,16)."""
    by_hand = abs(9 * 8 - 16 * 3) / np.hypot(9, 16) - 1
    got = answer(start="0, 0", end="9, 16", drill="2", other="3, 8")
    assert got.wall_mm.value == pytest.approx(by_hand)
    assert any(c.about == "the wall" for c in got.cautions)
    through = answer(start="0, 0", end="9, 16", drill="2", other="3, 8", other_dia="2")
    assert instead_of(through.cautions)
    # In three places a bore square to the face never ends: it is passed where it lies in plan.
    plan = answer(start="0 0 0", end="10 0 20", drill="2", other="5 6 -50", other_dia="4")
    assert plan.wall_mm.value == pytest.approx(6 - 1 - 2)
    ended = answer(
        start="0 0 0", end="10 0 20", drill="2", other="5 6 -50", other_to="5 6 -40", other_dia="4"
    )
    assert ended.wall_mm.value == pytest.approx(np.sqrt(25 + 36 + 1600) - 3)


@pytest.mark.parametrize(
    ("typed", "field"),
    [
        ({"start": "0, 0", "end": "0, 0", "drill": "2"}, "end"),
        ({"start": "0, 0", "end": "1, 2, 3", "drill": "2"}, "end"),
        ({"start": "0, 0", "end": "50, 1", "drill": "2"}, "end"),
        ({"start": "nowhere", "end": "5, 5", "drill": "2"}, "start"),
        ({"start": "0, 0, 0, 0", "end": "5, 5", "drill": "2"}, "start"),
        ({"start": "0, 0", "end": "5, 9999", "drill": "2"}, "end"),
        ({"start": "0, 0", "end": "5, 5", "drill": "0"}, "drill"),
        ({"start": "0, 0", "end": "5, 5", "drill": "1", "other_dia": "3"}, "other"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(typed: dict[str, str], field: str) -> None:
    with pytest.raises(Refused) as refused:
        answer(**typed)
    assert refused.value.field == field
