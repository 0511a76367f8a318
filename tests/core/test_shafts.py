"""Rings and shafts: what is advised holds, what is impossible is refused, slips are named."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.figures import instead_of
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases


def ask(name: str, **typed: str) -> Any:
    calculator = CATALOGUE[name]
    return calculator.ask(
        read_question(calculator, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP
    )


@cases(40)
@given(st.integers(20, 400).map(lambda n: n / 4))
def test_the_usual_ring_goes_on_and_presses_as_rings_do(bore: float) -> None:
    """Common practice, at any bore: it does not break going on, and presses 0.1 to 0.17."""
    answer = ask("ring", bore=f"{bore}")
    assert not instead_of(answer.cautions)
    assert answer.stress_opening_mpa.value < answer.bears_mpa.value
    assert 0.1 <= answer.wall_pressure_mpa.value <= 0.17
    assert answer.groove_width_mm.value > answer.width_mm.value
    assert answer.groove_depth_mm.value > answer.radial_mm.value


def test_a_ring_that_breaks_going_on_is_stopped_with_one_that_does_not() -> None:
    """A twentieth of the bore with the usual gap breaks going on."""
    thick = ask("ring", bore="22", radial="1.1")
    instead = worded(instead_of(thick.cautions), PageUnit.MM)
    assert instead.startswith("make it ")
    less = float(instead.split()[2]) - 0.005
    assert not instead_of(ask("ring", bore="22", radial=f"{less:.3f}").cautions)
    wide = ask("ring", bore="22", gap="6")
    less = float(worded(instead_of(wide.cautions), PageUnit.MM).split("of ")[1].split()[0])
    assert not instead_of(ask("ring", bore="22", gap=f"{less - 0.01:.2f}").cautions)


def test_hot_its_ends_never_meet() -> None:
    """Iron 130 degrees over its bore, by hand: pi x 22 x 10.8e-6 x 130 is 0.097."""
    cold, hot = ask("ring", bore="22"), ask("ring", bore="22", hot="150 C")
    assert hot.closed_gap_mm.value == pytest.approx(cold.closed_gap_mm.value + 0.097, abs=1e-3)
    assert hot.closed_hot_mm.value == pytest.approx(cold.closed_gap_mm.value)


def test_both_schools_begin_with_their_own_blank() -> None:
    """The second is larger by the gap's share of the turn and twenty thou an inch to finish."""
    first, second = ask("ring", bore="25.4").makings
    assert first.outside_mm.value == 25.4
    assert second.outside_mm.value == pytest.approx(25.4 + 3.556 / 3.14159 + 0.508, abs=1e-3)
    assert second.inside_mm.value < first.inside_mm.value + 3.556 / 3.14159


@pytest.mark.parametrize("typed", [{"throw": "12.5"}, {"stroke": "25"}, {"swing": "25"}])
def test_whichever_is_typed_throw_swing_and_stroke_are_told_apart(typed: dict[str, str]) -> None:
    answer = ask("throw", **typed)
    found = (answer.throw_mm.value, answer.swing_mm.value, answer.stroke_mm.value)
    assert found == (12.5, 25.0, 25.0)
    said = worded(answer.says, PageUnit.MM)
    assert "swings 25.000 mm" in said
    assert ("The throw is half the" in said) == ("throw" not in typed)


def test_a_bar_that_does_not_clean_up_is_stopped() -> None:
    small = ask("throw", throw="10", bar="24", pin="6", main="8", jaw="6")
    assert worded(instead_of(small.cautions), PageUnit.MM) == "a bar of 26.00 mm at least"
    assert not instead_of(ask("throw", throw="10", bar="26", pin="6", main="8", jaw="5").cautions)


def test_setting_true_is_half_of_what_the_indicator_says() -> None:
    answer = ask("true", total="0.3")
    assert answer.move_mm.value == 0.15
    assert "Not yet" in answer.stays
    assert "may stay" in ask("true", total="0.01").stays
    # A chuck that is not true to its own spindle: half of what its outside swings.
    out = ask("true", total="0.3", chuck="0.2")
    assert out.chuck_off_mm.value == 0.1
    assert "by the work, never by the chuck" in out.chuck
    assert ask("true", total="0.3", chuck="0.01").chuck.startswith("True to the spindle")
    assert not answer.chuck


def test_a_narrower_cutter_shares_what_is_left_of_the_width() -> None:
    assert "0.250 mm to each side" in worded(
        ask("keyway", width="3", shaft="12", cutter="2.5").says, PageUnit.MM
    )
    answer = ask("keyway", width="3", shaft="12", deep="1.5")
    assert answer.passes * answer.take_mm.value == pytest.approx(answer.depth_top_mm.value)


@pytest.mark.parametrize(
    ("name", "typed", "field", "says"),
    [
        ("ring", {"bore": "22", "radial": "6"}, "radial", "quarter of the bore"),
        ("ring", {"bore": "22", "gap": "-1"}, "gap", ""),
        ("ring", {"bore": "22", "gap": "0.06"}, "gap", "no wider"),
        ("ring", {"bore": "22", "gap": "30"}, "gap", "half a ring"),
        ("throw", {}, "throw", "middle to middle"),
        ("throw", {"throw": "5", "stroke": "10"}, "stroke", "each says the others"),
        ("throw", {"throw": "20", "bar": "25"}, "bar", "no longer hold"),
        ("throw", {"throw": "2", "bar": "10", "jaw": "12"}, "jaw", "wider than the bar"),
        ("keyway", {"width": "8", "shaft": "10"}, "width", "leaves nothing"),
        ("keyway", {"width": "3", "shaft": "10", "deep": "6"}, "deep", "past the middle"),
        ("keyway", {"width": "3", "shaft": "10", "cutter": "4"}, "cutter", "wider than the key"),
        ("flats", {"bar": "10", "across": "10"}, "across", "does not come off"),
        ("true", {"total": "0"}, "total", "more than 0"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(
    name: str, typed: dict[str, str], field: str, says: str
) -> None:
    with pytest.raises(Refused) as refused:
        ask(name, **typed)
    assert refused.value.field == field
    assert says in refused.value.said(PageUnit.MM)
