"""Hot and cold: the clearance that stays, the reading put right, the sweep that draws it."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.figures import instead_of
from runk.core.metals.metal import shipped_metals
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

WARM = CATALOGUE["warm"]
METALS = st.sampled_from(sorted(k for k in shipped_metals() if not k.endswith("skin")))


def ask(**typed: str) -> Any:
    return WARM.ask(read_question(WARM, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def swept(**typed: str) -> Any:
    question = read_question(WARM, typed, PageUnit.MM, WORKSHOP).question
    return WARM.sweeps()["warming"].compute(question, WARM.needs(question, WORKSHOP))


HOT = {"size": "22", "hole_metal": "grey-iron", "shaft_metal": "aluminium-6082"}


@cases(40)
@given(METALS, METALS, st.integers(-40, 400), st.integers(-40, 400), st.floats(0.001, 0.3))
def test_the_sweep_ends_where_the_answer_says(
    hole: str, shaft: str, hole_c: int, shaft_c: int, free: float
) -> None:
    typed = {
        "size": "22",
        "hole_metal": hole,
        "shaft_metal": shaft,
        "hole_hot": f"{hole_c} C",
        "shaft_hot": f"{shaft_c} C",
        "clear": f"{free:.4f}",
    }
    answer, shape = ask(**typed), swept(**typed)
    assert shape.clearance_mm[0] == pytest.approx(answer.clearance_cold_mm.value, abs=1e-9)
    assert shape.clearance_mm[-1] == pytest.approx(answer.clearance_hot_mm.value, abs=1e-9)
    assert np.allclose(np.diff(shape.clearance_mm, 2), 0, atol=1e-6)


@cases(40)
@given(METALS, METALS, st.integers(20, 400), st.integers(20, 400), st.floats(0.001, 0.2))
def test_made_for_a_clearance_hot_it_has_it_and_cold_is_the_same_question(
    hole: str, shaft: str, hole_c: int, shaft_c: int, wanted: float
) -> None:
    typed = {
        "size": "22",
        "hole_metal": hole,
        "shaft_metal": shaft,
        "hole_hot": f"{hole_c} C",
        "shaft_hot": f"{shaft_c} C",
    }
    made = ask(**typed, wanted=f"{wanted:.4f}")
    assert made.clearance_hot_mm.value == pytest.approx(float(f"{wanted:.4f}"), abs=1e-9)
    again = ask(**typed, clear=f"{made.clearance_cold_mm.value:.6f}")
    assert again.clearance_hot_mm.value == pytest.approx(made.clearance_hot_mm.value, abs=2e-6)


def test_like_parts_alike_hot_keep_their_clearance_in_proportion() -> None:
    answer = ask(size="22", hole_metal="brass", shaft_metal="brass", hole_hot="200 C", clear="0.05")
    assert answer.clearance_hot_mm.value == pytest.approx(0.05 * (1 + 20.9e-6 * 180), abs=1e-9)


def test_a_piston_that_seizes_is_stopped_with_a_clearance_that_does_not() -> None:
    tight = ask(**HOT, hole_hot="100 C", shaft_hot="250 C", clear="0.03")
    instead = worded(instead_of(tight.cautions), PageUnit.MM)
    assert "free cold" in instead
    enough = instead.split("make it ")[1].split()[0]
    assert not instead_of(ask(**HOT, hole_hot="100 C", shaft_hot="250 C", clear=enough).cautions)


def test_an_aluminium_piston_is_given_what_its_crown_wants() -> None:
    """Three to five thou an inch, common practice: the middle of it at 22 mm is 0.088."""
    assert ask(**HOT, hole_hot="120 C", duty="ringed").clearance_cold_mm.value == pytest.approx(
        0.088
    )


def test_a_reading_is_put_right_in_either_scale() -> None:
    """Brass, 101.6 at 32 C: 101.6 x 20.9e-6 x 12 is 0.0255, by hand."""
    for at in ("32 C", "32", "89.6 F"):
        answer = ask(job="reading", size="101.6", metal="brass", at=at)
        assert answer.corrected_mm.value == pytest.approx(101.6 - 0.02547, abs=1e-4)
        assert answer.off_mm.value == pytest.approx(0.02547, abs=1e-4)


@pytest.mark.parametrize(
    ("typed", "field", "says"),
    [
        ({"hole_hot": "-274 C"}, "hole_hot", "at least"),
        ({"hole_hot": "1200 C"}, "hole_hot", "melts near 1150"),
        ({"shaft_metal": "dural", "shaft_hot": "520 C"}, "shaft_hot", "melts near 510"),
        ({"clear": "0.05", "wanted": "0.03"}, "wanted", "one follows from the other"),
        ({"job": "reading", "metal": "brass", "at": "900 C"}, "at", "melts"),
        ({"size": "0.2", "clear": "0.5"}, "clear", "Nothing is left"),
        ({"hole_hot": "warmish"}, "hole_hot", "not a number"),
    ],
)
def test_what_cannot_be_is_refused(typed: dict[str, str], field: str, says: str) -> None:
    with pytest.raises(Refused) as refused:
        ask(**({"size": "22"} | typed))
    assert refused.value.field == field
    assert says in refused.value.said(PageUnit.MM)
