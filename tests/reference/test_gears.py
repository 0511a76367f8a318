"""Gears against flanks unwound step by step, a handbook's spans, and outlines laid together.

Spans and chords of 1 module at 20 degrees: as gear handbooks print them, from memory. Ranges of the
eight cutters of a set: handbook, from memory. All else is geometry.
"""

from __future__ import annotations

from itertools import pairwise
from math import cos, hypot, pi, radians, sin
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import Polygon, affinity

from runk.core.catalogue import CATALOGUE
from runk.core.layout import gear_laws as laws
from runk.core.layout.gear_cutters import range_for, ranges
from runk.core.layout.involute import half_angle, tooth
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases


def answer(**typed: str) -> Any:
    one = CATALOGUE["gear"]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


@pytest.mark.parametrize(
    ("teeth", "over", "span"),
    [(12, 2, 4.5963), (18, 2, 4.6803), (20, 3, 7.6604), (30, 4, 10.7526), (40, 5, 13.8448)],
)
def test_spans_of_one_module(teeth: int, over: int, span: float) -> None:
    """Gear handbooks, from memory."""
    assert laws.span_mm(1.0, 20.0, over, teeth) == pytest.approx(span, abs=6e-4)


@cases(30)
@given(st.integers(12, 120), st.sampled_from([0.5, 0.8, 1.0, 1.5]), st.sampled_from([14.5, 20.0]))
def test_a_flank_is_a_string_unwound_from_its_base_circle(
    teeth: int, module: float, angle: float
) -> None:
    """The end of a taut string, step by step: its angle at each radius is the law's."""
    base = module * teeth * cos(radians(angle)) / 2
    start = half_angle(base, teeth, module, angle)
    x, y, turn, steps = base, 0.0, 0.0, 4000
    most = 1.2 * np.tan(radians(angle) + 0.15)
    for _ in range(steps):
        # The string is as long as what has been unwound: the end moves square to it.
        mid = turn + most / steps / 2
        x += base * mid * cos(mid) * most / steps
        y += base * mid * sin(mid) * most / steps
        turn += most / steps
        if turn > 0.05:
            radius = hypot(x, y)
            law = start - half_angle(radius, teeth, module, angle)
            assert np.arctan2(y, x) == pytest.approx(law, abs=2e-6)
    pitch = module * teeth / 2
    assert half_angle(pitch, teeth, module, angle) * 2 * pitch == pytest.approx(pi * module / 2)


@cases(25)
@given(st.integers(14, 90), st.sampled_from([14.5, 20.0]))
def test_a_span_is_what_jaws_find_on_the_outline(teeth: int, angle: float) -> None:
    """Teeth set square between two flat jaws: the widest point of the outer flanks touches."""
    found = answer(teeth=str(teeth), module="1", pressure=str(angle))
    over, base = found.over_teeth, teeth * cos(radians(angle)) / 2
    radii = np.linspace(base + 1e-6, teeth / 2 + 1, 20000)
    turned = np.array([half_angle(r, teeth, 1.0, angle) for r in radii[::40]])
    outer = (over - 1) * pi / teeth
    across = 2 * (radii[::40] * np.sin(turned + outer)).max()
    assert found.span_mm.value == pytest.approx(across, abs=2e-3)


@cases(25)
@given(st.integers(12, 120))
def test_a_tooth_is_as_thick_as_its_chord(teeth: int) -> None:
    found = answer(teeth=str(teeth), module="1")
    pitch = teeth / 2
    half = half_angle(pitch, teeth, 1.0, 20.0)
    assert found.chordal_mm.value == pytest.approx(2 * pitch * sin(half))
    assert found.below_tip_mm.value == pytest.approx(pitch + 1 - pitch * cos(half))


def wheel(teeth: int, deep: float) -> Any:
    x, y = tooth(teeth, 1.0, 20.0, teeth + 2 - 2 * deep)
    points = []
    for n in range(teeth):
        turned = 2 * pi * n / teeth
        points += [
            (a * cos(turned) - b * sin(turned), a * sin(turned) + b * cos(turned))
            for a, b in zip(x, y, strict=True)
        ]
    return Polygon(points).buffer(0)


@pytest.mark.parametrize(("teeth", "mate"), [(18, 36), (20, 20), (24, 61), (30, 17)])
def test_two_wheels_run_with_the_play_that_is_said(teeth: int, mate: int) -> None:
    """Outlines laid tooth in gap: free until one is turned by half the play, either way."""
    found = answer(teeth=str(teeth), module="1", mate=str(mate), backlash="0.1")
    one, other = wheel(teeth, 2.25), wheel(mate, 2.25)
    turned = 180 + 180 / mate

    def meets(by_deg: float) -> float:
        laid = affinity.rotate(other, turned + by_deg, origin=(0, 0))
        laid = affinity.translate(laid, 0, found.opened_mm.value)
        return float(one.intersection(laid).area)

    assert meets(0) == 0
    play = np.degrees(0.1 / 2 / (mate / 2))
    for way in (1, -1):
        assert meets(way * play * 0.85) < 1e-4
        assert meets(way * play * 1.2) > 0
    tight = affinity.translate(
        affinity.rotate(other, turned, origin=(0, 0)), 0, found.centres_mm.value
    )
    assert one.intersection(tight).area < 2e-3


@cases(25)
@given(st.integers(17, 80), st.integers(17, 80))
def test_pairs_that_carry_by_walking_the_line_of_action(teeth: int, mate: int) -> None:
    """Along the line from tip circle to tip circle, in base pitches. Pressure angle 20."""
    found = answer(teeth=str(teeth), module="1", mate=str(mate), backlash="0.001")
    centres = found.opened_mm.value
    bases = [n * cos(radians(20)) / 2 for n in (teeth, mate)]
    at = np.arccos(sum(bases) / centres)
    # From the one's base tangent point; s runs to the other's.
    line = np.linspace(0, centres * sin(at), 40001)
    inside = (np.hypot(bases[0], line) <= teeth / 2 + 1) & (
        np.hypot(bases[1], line[-1] - line) <= mate / 2 + 1
    )
    carried = inside.sum() * (line[1] - line[0]) / (pi * cos(radians(20)))
    assert found.contact_ratio.value == pytest.approx(carried, abs=0.01)


def test_every_number_of_teeth_has_one_cutter() -> None:
    for teeth in range(12, 400):
        assert sum(r.low <= teeth and (not r.high or teeth <= r.high) for r in ranges()) == 1
    assert range_for(11) is None
    for low, high in pairwise(sorted(ranges(), key=lambda r: r.low)):
        assert high.low == low.high + 1
        assert high.dp_number == low.dp_number - 1
        assert high.module_number == low.module_number + 1


def test_what_is_owned_is_told_and_what_is_not() -> None:
    assert answer(teeth="22", module="0.7").cutter == "No 4"
    assert answer(teeth="22", module="0.7", pressure="14.5").cutter == "No 4, not owned"
    assert answer(teeth="28", module="0.7").cutter == "No 5, not owned"
    assert answer(teeth="30", dp="28").cutter == "No 4"
    assert answer(part="rack", teeth="10", module="1").cutter == "No 8, not owned"


def test_a_gear_of_three_teeth_is_refused_and_one_of_ten_stopped() -> None:
    with pytest.raises(Refused, match="no wheel that runs"):
        answer(teeth="3", module="1")
    assert any(c.word == "Stop" for c in answer(teeth="10", module="1").cautions)
    warned = {c.about for c in answer(teeth="14", module="1", mate="60").cautions}
    assert {"the root", "the tips"} <= warned
    assert not answer(teeth="22", module="1.25").cautions


def test_the_cutter_is_set_to_the_middle_from_either_side() -> None:
    """Blank 30 mm, cutter 4 mm thick: 17 from its near side, 13 with its far side level."""
    near = answer(teeth="22", module="1.25", thick="4")
    far = answer(teeth="22", module="1.25", thick="4", touched="far")
    assert (near.centre_height_mm.value, far.centre_height_mm.value) == (17.0, 13.0)


def test_a_round_cutter_runs_out_by_its_chord() -> None:
    """By Pythagoras: 25 less 1.575 is 23.425, and 25² - 23.425² is 76.269375."""
    found = answer(teeth="22", module="0.7", room="12")
    assert found.run_out_mm.value == pytest.approx(76.269375**0.5)
    assert found.left_mm.value == pytest.approx(12 - 76.269375**0.5)
    assert any(c.word == "Stop" for c in answer(teeth="22", module="0.7", room="8").cautions)


def test_the_table_travels_until_the_cutter_is_through() -> None:
    """The cutter rolled along: at both ends of its travel it touches the blank's corner only."""
    found = answer(teeth="22", module="0.7", cutter="50", wide="12", room="14")
    half, deep, r = found.travel_mm.value / 2, found.depth_mm.value, 25.0
    corner = hypot(half - 6.0, r - deep)
    assert corner == pytest.approx(r, abs=1e-9)
    assert found.left_mm.value == pytest.approx(14.0 - (half - 6.0), abs=1e-9)
