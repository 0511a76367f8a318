"""A mate drilled from its other side, held against the part turned over; and what code may not do."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.figures import Working
from runk.core.layout.machining import machining
from runk.core.layout.patterns import circle_of, laid
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases


def places(**typed: str) -> list[tuple[float, float]]:
    question = read_question(CATALOGUE["circle"], dict(typed), PageUnit.MM, WORKSHOP).question
    circle = circle_of(question, Working())
    return [hole.mm for hole in laid(question, circle.value if circle else 0.0)]


PATTERNS = (
    {"pattern": "circle", "count": "5", "circle": "20", "start": "17"},
    {"pattern": "row", "count": "3", "pitch": "7", "start": "30"},
    {"pattern": "grid", "count": "2", "rows": "3", "pitch": "6", "up": "5"},
)


@cases(40)
@given(st.sampled_from(PATTERNS), st.integers(12, 40), st.integers(12, 30), st.integers(60, 99))
def test_turned_over_each_hole_lies_on_its_mates(
    pattern: dict[str, str], x: int, y: int, wide: int
) -> None:
    """A face so wide, turned about its upright middle: what lay x from the left lies wide - x."""
    face = {**pattern, "x": str(x), "y": str(y), "wide": str(wide), "high": "60"}
    this, other = places(**face), places(**face, seen="other")
    for (a, b), (c, d) in zip(this, other, strict=True):
        assert (c, d) == pytest.approx((wide - a, b))


def test_a_mate_is_no_nearer_its_edge_than_the_part() -> None:
    face: dict[str, Any] = {
        "pattern": "row",
        "count": "3",
        "pitch": "10",
        "x": "10",
        "y": "10",
        "wide": "60",
        "high": "40",
        "hole": "3",
    }
    both = []
    for seen in ({}, {"seen": "other"}):
        read = read_question(CATALOGUE["circle"], {**face, **seen}, PageUnit.MM, WORKSHOP)
        both.append(CATALOGUE["circle"].ask(read.question, WORKSHOP))
    walls = [one.edge_wall_mm.value for one in both]
    assert walls[0] == pytest.approx(walls[1]) == 10 - 1.5
    assert not [c for c in both[1].cautions if c.word == "Stop"]
    assert "its own left edge" in both[1].says


def test_code_drills_no_deeper_than_flutes_reach() -> None:
    def told(deep: float) -> Any:
        hole = read_question(
            CATALOGUE["circle"], {"count": "2", "circle": "20", "hole": "1"}, PageUnit.MM, WORKSHOP
        ).question.hole
        return machining(
            WORKSHOP,
            operation="drill",
            dia=hole,
            metal="brass",
            machine="",
            depths=(deep,),
            safe=Fraction(20),
        )

    assert told(10.0).peck == pytest.approx(1.0)
    with pytest.raises(Refused, match="40 times the drill") as refused:
        told(40.0)
    assert refused.value.field == "drill_deep"


@pytest.mark.parametrize(
    ("cutter", "deep", "word"),
    [("1", "12", "Stop"), ("2", "40", "Stop"), ("6", "12", "Mind"), ("6", "5", "")],
)
def test_a_profile_is_no_deeper_than_its_cutters_flutes(cutter: str, deep: str, word: str) -> None:
    typed = {"profile": "plate", "long": "30", "wide": "20", "cutter": cutter, "deep": deep}
    typed |= {"each": "0.5", "leave": "0.1"}
    read = read_question(CATALOGUE["path"], typed, PageUnit.MM, WORKSHOP)
    found = CATALOGUE["path"].ask(read.question, WORKSHOP).cautions
    about = {c.word for c in found if c.about in ("the depth", "the last round")}
    assert about == ({word, "Mind"} if word == "Stop" else {word} - {""})
