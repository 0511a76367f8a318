"""Cuts followed on a bar that bends by its own integral, not by the law the plan is made with."""

from __future__ import annotations

import pytest
from scipy.integrate import quad

from runk.core.figures import instead_of
from runk.core.plan.plan import PLAN
from runk.core.questions import read_question
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.reference.bar import CASES, TOO_LONG, Bar, Case, ends_inside

SEEDS = 40


@pytest.mark.parametrize("case", CASES, ids=lambda case: case.name)
def test_nearly_every_bar_ends_inside(case: Case) -> None:
    assert ends_inside(case, WORKSHOP, SEEDS) >= 0.97 * SEEDS


@pytest.mark.parametrize("case", TOO_LONG, ids=lambda case: case.name)
def test_what_no_plan_holds_is_stopped(case: Case) -> None:
    question = read_question(PLAN, case.typed, PageUnit.MM, WORKSHOP).question
    answer = PLAN.ask(question, WORKSHOP)
    instead = instead_of(answer.cautions)
    assert "centre" in instead
    assert "shorter" in instead


def test_the_bar_itself_bends_as_a_stepped_beam() -> None:
    """Its sum against SciPy's integral of (L - x)^2 / (E I(x)), thick by the chuck."""
    bar = Bar(12.0, 60.0, 205.0, 0.0, 100.0, seed=1, fine_share=0.5)
    bar.gives_mm_per_n = 0.0
    half = len(bar.at_mm) // 2
    bar.at_mm[half:] = [3.0] * half

    def bends(x: float) -> float:
        radius = 6.0 if x < 30.0 else 3.0
        return (58.75 - x) ** 2 / (205e3 * 3.141592653589793 * radius**4 / 4)

    whole = quad(bends, 0, 58.75, points=[30.0])[0]
    assert bar._yields(len(bar.at_mm) - 1) == pytest.approx(whole, rel=0.02)
