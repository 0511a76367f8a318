"""Cranks, eccentrics, dogs and counterweights against numbers got another way.

Sources: geometry and mechanics; each is integrated, sampled or solved, and never by the same sum.
"""

from __future__ import annotations

from math import cos, hypot, pi, radians, sin
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import dblquad
from scipy.optimize import brentq

from runk.core.catalogue import CATALOGUE
from runk.core.figures import instead_of
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases


def ask(name: str, **typed: str) -> Any:
    one = CATALOGUE[name]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


CRANK = {"throw": "12", "pin": "6", "long": "10", "web": "12", "thick": "5", "reach": "22"}


def test_a_crank_is_balanced_when_its_web_is_integrated() -> None:
    """Steel 7.85 g/cm³ over web, pin and weight, each slice times its height over the shaft."""
    got = ask("balance", **CRANK, big_end="6", reciprocating="20", share="50")
    steel = 7.85e-3
    web, _ = dblquad(lambda y, x: y * steel * 5, -6, 6, -6, 18)
    pin, _ = dblquad(lambda t, r: r * (12 + r * cos(t)) * steel * 10, 0, 3, 0, 2 * pi)
    half = radians(got.angle_deg.value) / 2
    weight, _ = dblquad(lambda t, r: -r * r * cos(t) * steel * 5, 6, 22, -half, half)
    carried = (6 + 0.5 * 20) * 12
    assert 2 * web + pin + carried == pytest.approx(-2 * weight, rel=1e-6)
    assert got.webs_g_mm.value == pytest.approx(2 * web, rel=1e-6)
    # Its own middle of weight is where it would hang from.
    assert got.weight_g.value * got.arm_mm.value == pytest.approx(-weight, rel=1e-6)


@cases(40)
@given(
    st.integers(4, 30), st.integers(20, 80), st.sampled_from(["brass", "mild-steel", "gunmetal"])
)
def test_more_room_or_heavier_metal_never_wants_a_larger_weight(
    thick: int, reach: int, metal: str
) -> None:
    typed = {**CRANK, "weight_thick": str(thick), "weight_metal": metal, "big_end": "5"}
    try:
        near = ask("balance", **{**typed, "reach": str(reach)})
    except Refused as refused:
        assert refused.field in ("weight_thick", "reach")
        return
    far = ask("balance", **{**typed, "reach": str(reach + 2)})
    assert far.angle_deg.value < near.angle_deg.value <= 180
    assert near.thinnest_mm.value <= thick


@cases(40)
@given(st.integers(4, 60), st.integers(4, 40))
def test_a_sheaves_thin_side_is_what_sampling_its_rim_finds(travel: int, shaft: int) -> None:
    got = ask("eccentric", travel=f"{travel / 4}", shaft=f"{shaft / 2}")
    e, r = got.throw_mm.value, got.sheave_mm.value / 2
    rim = [hypot(r * cos(t), r * sin(t) + e) for t in np.linspace(0, 2 * pi, 721)]
    assert got.thin_mm.value == pytest.approx(min(rim) - shaft / 4, abs=1e-9)
    assert got.thin_mm.value >= max(0.2 * shaft / 2, 1.0) - 1e-9
    assert got.swing_mm.value == pytest.approx(max(rim) - min(rim))
    assert got.strap_low_mm.value > got.sheave_mm.value


def test_lost_motion_is_the_angle_at_which_the_valve_has_gone_so_far() -> None:
    got = ask("eccentric", travel="6", shaft="8", play="0.4")
    turned = brentq(lambda t: 3 * sin(radians(t)) - 0.4, 0, 89)
    assert got.lost_deg.value == pytest.approx(turned)


@pytest.mark.parametrize("apart", [30, 90, 120, 180, 270])
def test_two_cranks_stand_where_their_middles_do(apart: int) -> None:
    got = ask("throw", throw="10", pin="6", apart=str(apart))
    first, second = (10.0, 0.0), (10 * cos(radians(apart)), 10 * sin(radians(apart)))
    chord = hypot(first[0] - second[0], first[1] - second[1])
    assert got.pins_mm.value == pytest.approx(chord)
    assert got.over_pins_mm.value == pytest.approx(chord + 6)
    assert got.rises_mm.value == pytest.approx(second[1], abs=1e-9)


def test_half_faces_rock_until_the_rim_meets_the_other() -> None:
    """Two half discs of 20, their faces 0.1 apart: the corner of one turned until it touches."""
    got = ask("dog", outside="20", bore="8", slack="0.1")
    gap, r = 0.1, 10.0
    corner = np.array([np.sqrt(r**2 - (gap / 2) ** 2), gap / 2])

    def height(t: float) -> float:
        return float(-sin(t) * corner[0] + cos(t) * corner[1] + gap / 2)

    one_way = np.degrees(brentq(height, 0, 0.5))
    assert got.play_deg.value == pytest.approx(2 * one_way, rel=1e-6)
    assert got.past_mm.value == gap / 2


@pytest.mark.parametrize("dogs", [2, 3, 6])
def test_dogs_and_gaps_fill_the_turn_and_the_cutter_passes_at_the_bore(dogs: int) -> None:
    got = ask("dog", outside="20", bore="8", dogs=str(dogs), slack="0.1", torque="2")
    assert dogs * (got.dog_deg.value + got.gap_deg.value) == pytest.approx(360)
    # The play, along the middle of the face at a radius of 7.
    assert 7 * radians(got.gap_deg.value - got.dog_deg.value) == pytest.approx(0.1, rel=1e-3)
    # A side cutter with an edge on the line of one face: nothing of the other dog is nearer to it.
    gap = radians(got.gap_deg.value)
    face = np.array([[r * cos(gap), r * sin(gap)] for r in np.linspace(4, 10, 50)])
    nearest = min(y for x, y in face) if gap < pi / 2 else 4.0
    assert got.cutter_mm.value == pytest.approx(nearest)
    # Force at the middle of so many faces, 6 wide and 4 deep.
    assert got.pressed_mpa.value == pytest.approx(2000 / 7 / (dogs * 6 * 4))


@pytest.mark.parametrize(
    ("name", "typed", "field"),
    [
        ("eccentric", {"travel": "5"}, "shaft"),
        ("eccentric", {"shaft": "8"}, "travel"),
        ("eccentric", {"travel": "5", "throw": "2", "shaft": "8"}, "throw"),
        ("eccentric", {"throw": "4", "shaft": "10", "sheave": "14"}, "sheave"),
        ("eccentric", {"travel": "5", "shaft": "8", "play": "2.5"}, "play"),
        ("dog", {"outside": "20", "bore": "18"}, "bore"),
        ("dog", {"outside": "20", "bore": "8", "slack": "5.1"}, "slack"),
        ("dog", {"outside": "20", "bore": "8", "dogs": "12", "slack": "3.5"}, "dogs"),
        ("balance", {**CRANK, "reach": "5"}, "reach"),
        ("balance", {**CRANK, "reach": "9"}, "weight_thick"),
        ("throw", {"throw": "5", "apart": "0"}, "apart"),
        ("throw", {"throw": "5", "apart": "360"}, "apart"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(
    name: str, typed: dict[str, str], field: str
) -> None:
    with pytest.raises(Refused) as refused:
        ask(name, **typed)
    assert refused.value.field == field


def test_faces_pressed_too_hard_and_throws_too_large_are_stopped() -> None:
    pressed = ask("dog", outside="10", bore="6", dogs="2", deep="0.5", torque="20")
    assert instead_of(pressed.cautions)
    # One dog bears at the rim's edge alone: no pressure over a face is claimed.
    one = ask("dog", outside="10", bore="6", deep="0.5", torque="20")
    assert one.pressed_mpa is None
    assert any("2000 N" in c.says for c in one.cautions)
    assert instead_of(ask("eccentric", travel="40", shaft="4", sheave="60").cautions)
    # Left to it, the sheave is as large as its strap asks.
    assert ask("eccentric", travel="40", shaft="4").sheave_mm.value == 80
    assert not instead_of(ask("eccentric", travel="5", shaft="8").cautions)
