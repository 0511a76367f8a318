"""What a cut is measured with: the finest tool that reaches, and a warning where it is too coarse."""

from __future__ import annotations

from dataclasses import replace
from fractions import Fraction

import pytest

from runk.core.plan.plan import needs, plan
from runk.core.plan.question import PlanQuestion
from runk.core.plan.spec import Job
from runk.core.tools import State, ToolKind
from runk.demo.back_shed import WORKSHOP
from runk.demo.trays import TOOLS

SHAFT = PlanQuestion(now=Fraction(16), wanted=Fraction("14.5"))


@pytest.mark.parametrize(
    ("now", "reads_to"),
    [("16", 0.01), ("24", 0.01), ("30", 0.02), ("120", 0.02), ("200", 0.5), ("900", 0.01)],
)
def test_the_finest_tool_that_reaches(now: str, reads_to: float) -> None:
    """Micrometer to 25, caliper to 150, rule to 300; with nothing, a micrometer is taken."""
    question = replace(SHAFT, now=Fraction(now), wanted=Fraction(now) - 1)
    assert needs(question, WORKSHOP).reads_to_mm == reads_to


def test_a_tool_that_is_missing_measures_nothing() -> None:
    tools = tuple(
        replace(t, state=State.MISSING) if t.name == "micrometer 0 to 25" else t for t in TOOLS
    )
    assert needs(SHAFT, replace(WORKSHOP, tools=tools)).reads_to_mm == 0.02


def test_what_is_said_in_the_question_stands() -> None:
    question = replace(SHAFT, reads_to=Fraction("0.002"))
    assert needs(question, WORKSHOP).reads_to_mm == 0.002


def test_a_tool_coarser_than_the_limits_is_warned_of() -> None:
    tight = replace(SHAFT, smallest=Fraction("14.49"), largest=Fraction("14.5"))
    micrometer = plan(tight, needs(tight, WORKSHOP))
    assert "the gauge" in {c.about for c in micrometer.cautions}
    wide = replace(SHAFT, smallest=Fraction("14.4"), largest=Fraction("14.6"))
    assert "the gauge" not in {c.about for c in plan(wide, needs(wide, WORKSHOP)).cautions}
    only_rule = replace(
        WORKSHOP,
        tools=tuple(t for t in TOOLS if t.kind is not ToolKind.MEASURE or "rule" in t.name),
    )
    assert "the gauge" in {c.about for c in plan(wide, needs(wide, only_rule)).cautions}


def test_a_length_is_measured_by_what_reaches_it() -> None:
    face = PlanQuestion(job=Job.FACE, now=Fraction(140), wanted=Fraction("138.5"))
    assert needs(face, WORKSHOP).reads_to_mm == 0.02
