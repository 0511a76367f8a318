"""Wires and classes of thread against published examples and direct geometry.

Sources: the three-wire example of a machinists' handbook (1/2-13 UNC), recalled; limits of
effective diameters as ISO 965-2 and ASME B1.1 print them, recalled; circles laid into the flanks
by SciPy.
"""

from __future__ import annotations

from math import cos, radians, sin, tan
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import brentq

from runk.ask import ask as typed_line
from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.threads.series import find_thread, threads
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

INCH = 25.4


def ask(**typed: str) -> Any:
    one = CATALOGUE["wires"]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def test_the_handbooks_example() -> None:
    got = ask(thread="1/2-13 UNC", wire="0.044412 in")
    assert got.best_wire_mm.value / INCH == pytest.approx(0.0444, abs=6e-5)
    assert got.over_wires_mm.value / INCH == pytest.approx(0.5167, abs=6e-5)


@pytest.mark.parametrize(
    ("thread", "grade", "low", "high"),
    [
        # ISO 965-2, millimetres.
        ("M3", "medium", 2.580, 2.655),
        ("M4", "medium", 3.433, 3.523),
        ("M5", "medium", 4.361, 4.456),
        ("M6", "medium", 5.212, 5.324),
        ("M8", "medium", 7.042, 7.160),
        ("M10", "medium", 8.862, 8.994),
        ("M12", "medium", 10.679, 10.829),
        # ASME B1.1, inches.
        ("1/4-20 UNC", "medium", 0.2127 * INCH, 0.2164 * INCH),
        ("1/4-20 UNC", "close", 0.2147 * INCH, 0.2175 * INCH),
        ("3/8-16 UNC", "medium", 0.3287 * INCH, 0.3331 * INCH),
        ("1/2-13 UNC", "medium", 0.4435 * INCH, 0.4485 * INCH),
        ("1/2-13 UNC", "close", 0.4463 * INCH, 0.4500 * INCH),
        ("1/2-13 UNC", "free", 0.4411 * INCH, 0.4485 * INCH),
    ],
)
def test_limits_of_effective_diameters_as_printed(
    thread: str, grade: str, low: float, high: float
) -> None:
    got = ask(thread=thread, grade=grade)
    assert got.low_mm.value == pytest.approx(low, abs=0.004)
    assert got.high_mm.value == pytest.approx(high, abs=0.003)


ALL = [t.name for t in threads() if not t.name.startswith("G")]


@cases(80)
@given(st.sampled_from(ALL), st.floats(0.05, 0.95))
def test_a_wire_laid_into_the_flanks_stands_where_the_formula_says(name: str, share: float) -> None:
    """A circle lowered between two straight flanks until it touches both, found by bisection."""
    thread = find_thread(name)
    rough = ask(thread=name, wire=f"{thread.pitch_mm * 0.6:.6f}")
    thin, thick = rough.thinnest_mm.value, rough.thickest_mm.value
    wire = thin + share * (thick - thin)
    got = ask(thread=name, wire=f"{wire:.9f}")
    half, p, e = radians(thread.form.angle_deg / 2), thread.pitch_mm, got.basic_mm.value

    def gap(height: float) -> float:
        # Distance from the middle of the wire to a flank that is half a pitch wide at e/2.
        apex = e / 2 - p / (4 * tan(half))
        return (height - apex) * sin(half) - wire / 2

    middle = brentq(gap, e / 2 - p, e / 2 + 3 * p)
    assert got.over_wires_mm.value == pytest.approx(2 * middle + wire, abs=1e-6)
    # It stands above the crests, and touches below them.
    assert got.over_wires_mm.value > thread.major_mm - 1e-6
    touches = middle - (wire / 2) * sin(half)
    assert touches < thread.major_mm / 2 + 1e-9
    best = got.best_wire_mm.value
    assert best / 2 * cos(half) * 2 == pytest.approx(p / 2)


@cases(60)
@given(st.sampled_from(ALL), st.integers(-60, 60))
def test_a_reading_comes_back_as_the_diameter_it_was(name: str, off: int) -> None:
    first = ask(thread=name, wire=f"{find_thread(name).pitch_mm * 0.57:.6f}")
    over = first.over_wires_mm.value + off / 1000
    wire = first.wire_mm.value
    got = ask(thread=name, wire=f"{wire:.9f}", over=f"{over:.9f}")
    assert got.effective_mm.value == pytest.approx(first.basic_mm.value + off / 1000, abs=1e-6)
    edges = (got.low_mm.value, got.high_mm.value)
    if min(abs(got.effective_mm.value - edge) for edge in edges) < 1e-6:
        return
    inside = edges[0] <= got.effective_mm.value <= edges[1]
    said = worded(got.says, PageUnit.MM)
    assert said.startswith("Inside") == inside
    assert (got.left_mm is not None) == (got.effective_mm.value > got.high_mm.value)
    # The reading is inside its own limits exactly where the diameter is.
    assert (got.over_low_mm.value <= over <= got.over_high_mm.value) == inside


def test_what_is_left_puts_it_in_the_middle_of_its_limits() -> None:
    got = ask(thread="M10", wire="0.866", over="10.4")
    after = got.effective_mm.value - got.left_mm.value
    assert after == pytest.approx((got.low_mm.value + got.high_mm.value) / 2)
    assert "straight in by half" in got.says


def test_drills_in_the_trays_stand_in_for_wires() -> None:
    got = ask(thread="M10")
    owned = {t.name for t in WORKSHOP.drills if t.sound}
    assert got.owned
    for one in got.owned:
        assert one.name in owned
        assert got.thinnest_mm.value < one.wire_mm.value < got.thickest_mm.value
    assert got.wire_mm.value in [one.wire_mm.value for one in got.owned]


@pytest.mark.parametrize(
    ("typed", "field", "says"),
    [
        ({"thread": "M10", "wire": "0.1"}, "wire", "sink below the crests"),
        ({"thread": "M10", "wire": "2"}, "wire", "ride on the crests"),
        ({"thread": "M10", "wire": "0.866", "over": "14"}, "over", "another thread"),
        ({"thread": "M10", "over": "0"}, "over", "more than 0"),
        ({"thread": "nonsense"}, "thread", ""),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(
    typed: dict[str, str], field: str, says: str
) -> None:
    with pytest.raises(Refused) as refused:
        ask(**typed)
    assert refused.value.field == field
    assert says in refused.value.said(PageUnit.MM)


@pytest.mark.parametrize("page", list(PageUnit))
@pytest.mark.parametrize(
    "line",
    [
        "wires 1/2-13 UNC",
        "three wires 1/2-13 UNC wire 0.0444 in",
        "wires M6 wire 0.577 mm over 6.1 mm",
    ],
)
def test_lines_of_wires(line: str, page: PageUnit) -> None:
    assert typed_line(line, WORKSHOP, page).calculator.name == "wires"
