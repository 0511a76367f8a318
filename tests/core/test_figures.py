"""Figures, steps and working."""

from __future__ import annotations

import pytest

from runk.core.cutting import laws
from runk.core.figures import Caution, Figure, Link, Working, law
from runk.core.plain import plain
from runk.core.sources import PRACTICE
from runk.core.units import PageUnit, unit_of


def test_a_step_keeps_law_inputs_and_result() -> None:
    w = Working()
    rpm = w(laws.spindle_rpm, surface_m_min=56.0, diameter_mm=15.875, why="the bore")
    step = w.steps[0]
    assert step.value == rpm
    assert dict(step.inputs) == {"surface_m_min": 56.0, "diameter_mm": 15.875}
    assert step.words() == "1000 × 56 ÷ (π × 15.875) = 1123 rev/min"
    assert (step.why, step.law.label) == ("the bore", "Spindle speed")


def test_a_figure_carries_only_its_own_steps() -> None:
    w = Working()
    one = w.of(laws.cut_w, "power_w", force_n=60.0, surface_m_min=40.0)
    two = w.of(laws.cut_nm, "torque_nm", force_n=60.0, diameter_mm=50.0)
    assert len(one.steps) == len(two.steps) == 1
    both = w.figure(1.0, "depth_mm")
    assert len(both.steps) == 2


def test_weaker_inputs_show_their_own_source() -> None:
    w = Working()
    w(laws.cut_w, force_n=1.0, surface_m_min=1.0, source=PRACTICE)
    assert w.steps[0].source == PRACTICE
    assert w.steps[0].law.source.tag == "mechanics"


@pytest.mark.parametrize(
    ("value", "shown"),
    [
        (0.0254, "0.0254"),
        (0.000321, "0.000321"),
        (15.875, "15.875"),
        (1122.8571, "1122.857"),
        (12345.678, "12346"),
        (70.0, "70"),
        (0.0, "0"),
        (-4.5, "-4.5"),
    ],
)
def test_numbers_put_in_can_be_checked_by_hand(value: float, shown: str) -> None:
    w = Working()
    w(laws.wanted_m_min, base_m_min=value, factor=1.0)
    assert w.steps[0].words().startswith(f"{shown} × 1 = ")


def test_a_law_must_end_with_its_unit_and_be_new() -> None:
    with pytest.raises(KeyError):

        @law("Nonsense", "{x}")
        def nonsense(x: float) -> float:
            return x

    def made() -> None:
        @law("Twice", "{x}")
        def twice_mm(x: float) -> float:
            return x

    made()
    with pytest.raises(ValueError, match="declared twice"):
        made()


def test_inches_are_shown_for_lengths_and_nothing_else() -> None:
    assert Figure(25.4, unit_of("depth_mm")).words(PageUnit.INCH) == "1.000 in"
    assert Figure(0.0254, unit_of("feed_mm_per_rev")).words(PageUnit.INCH) == "0.0010 in/rev"
    assert Figure(370.0, unit_of("power_w")).words(PageUnit.INCH) == "370 W"
    assert Figure(30.48, unit_of("surface_speed_m_min")).words(PageUnit.INCH) == "100 ft/min"


def test_plain_flattens_whatever_an_answer_holds() -> None:
    figure = Figure(0.5, unit_of("depth_mm"))
    link = Link("speed", (("diameter", "12"),), "to see")
    caution = Caution("Mind", "the tip", "It chips.")
    assert plain((figure, link, caution, None, "text")) == [
        0.5,
        {"calculator": "speed", "question": {"diameter": "12"}, "reason": "to see"},
        "Mind the tip: It chips.",
        None,
        "text",
    ]
