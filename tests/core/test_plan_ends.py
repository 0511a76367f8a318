"""A plan ends inside its limits, or names the way that reaches them."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.plan.made import PassKind
from runk.core.questions import read_question
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

DIVISION_MM = 0.0508
"""One division of the lathe's cross-slide on a diameter: 0.001 in of travel, twice."""


def plan(**typed: str) -> Any:
    read = read_question(CATALOGUE["plan"], typed, PageUnit.MM, WORKSHOP)
    return CATALOGUE["plan"].ask(read.question, WORKSHOP)


@cases(120)
@given(
    st.sampled_from(("outside", "bore")),
    st.integers(500, 6000),
    st.integers(2, 300),
    st.integers(5, 30),
    st.sampled_from(("hss", "carbide")),
    st.sampled_from(("mild-steel", "grey-iron", "brass", "stainless-303")),
)
def test_the_last_pass_leaves_it_inside(
    job: str, hundredths: int, off: int, width: int, tool: str, metal: str
) -> None:
    wanted = hundredths / 100
    now = wanted + off / 100 if job == "outside" else wanted - off / 100
    if now <= 1:
        return
    low, high = wanted - width / 2000, wanted + width / 2000
    found = plan(
        job=job,
        now=f"{now:.2f}",
        wanted=f"{wanted:.2f}",
        smallest=f"{low:.4f}",
        largest=f"{high:.4f}",
        tool=tool,
        metal=metal,
    )
    if found.state != "cut":
        return
    last = found.passes[-1]
    assert low - 1e-4 <= last.to_mm.value <= high + 1e-4
    # On the way no pass goes past the limit either.
    for one in found.passes:
        beyond = one.to_mm.value < low - 1e-4 if job == "outside" else one.to_mm.value > high + 1e-4
        assert not beyond
    if last.kind is PassKind.FINE:
        assert last.divisions is None
        assert "top slide set over 5.74°" in last.dial


def test_what_no_division_reaches_is_fed_in_by_the_top_slide() -> None:
    """sin 5.74° is a tenth: ten times the radius of what is left, along the slide."""
    found = plan(
        job="bore", now="12.5", wanted="13", smallest="13", largest="13.005", metal="grey-iron"
    )
    last = found.passes[-1]
    assert last.kind is PassKind.FINE
    before = found.passes[-2].to_mm.value
    assert before < 13
    along = float(last.dial.partition("mm ")[2].split()[0])
    assert along == pytest.approx(10 * (last.to_mm.value - before) / 2, rel=0.2)


@pytest.mark.parametrize(
    ("typed", "kinds"),
    [
        ({"job": "bore", "now": "1.105 in", "wanted": "1.125 in", "metal": "grey-iron"}, 2),
        ({"job": "outside", "now": "1.395 in", "wanted": "1.373 in", "metal": "grey-iron"}, 2),
        ({"job": "outside", "now": "18", "wanted": "17.865", "metal": "medium-carbon-steel"}, 2),
    ],
)
def test_the_last_of_a_size_is_halved_and_measured(typed: dict[str, str], kinds: int) -> None:
    """A touch is good to a division; limits of 0.02 are finer: half, measure, the rest."""
    tool = "carbide" if "in" in typed["now"] else "hss"
    found = plan(tool=tool, **typed)
    said = [p.kind for p in found.passes]
    assert said[:kinds] == [PassKind.MEASURE, PassKind.LAST]
    assert found.passes[0].measure
    # Limits wider than a division and all else: one pass does it.
    wide = plan(job="outside", now="18", wanted="17.865", smallest="17.77", largest="17.96")
    assert [p.kind for p in wide.passes] == [PassKind.LAST]
