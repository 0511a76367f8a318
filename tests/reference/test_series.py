"""Figures that come in series: O-ring sections, centre drills, tolerance grades, thread pitches.

A series is held by what its standard says of it (ISO 3601-1 sections, ISO 866 centre drills, ISO 286
steps and grades, ISO 261 pitches, BS 93's powers, the inch drills' thirds) and by what must be so of
any series: it never goes back, and it turns at its own sizes and nowhere else.
"""

from __future__ import annotations

import itertools
from math import log10
from typing import Any

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.threads import find_thread
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP


def asked(name: str, **typed: str) -> Any:
    """What one calculator answers to fields as typed, on a millimetre page."""
    read = read_question(CATALOGUE[name], typed, PageUnit.MM, WORKSHOP)
    return CATALOGUE[name].ask(read.question, WORKSHOP)


# ISO 3601-1 and the small sections below it; which section a bore takes is common practice.
SECTIONS = [(5.0, 1.02), (10.0, 1.52), (25.0, 1.78), (50.0, 2.62), (100.0, 3.53), (150.0, 5.33)]


@pytest.mark.parametrize(("upto", "section"), SECTIONS)
def test_a_bore_takes_the_section_of_its_size(upto: float, section: float) -> None:
    for bore in (upto, upto * 0.99):
        assert asked("seal", kind="piston", bore=f"{bore:g}").section_mm.value == section


@pytest.mark.parametrize(("one", "other"), itertools.pairwise(SECTIONS))
def test_beyond_it_the_next(one: tuple[float, float], other: tuple[float, float]) -> None:
    found = asked("seal", kind="piston", bore=f"{one[0] * 1.002:g}")
    assert found.section_mm.value == other[1]


@pytest.mark.parametrize("section", [1.02, 1.52, 1.78, 2.62, 3.53, 5.33])
@pytest.mark.parametrize("moves", ["moving", "still"])
def test_a_groove_squeezes_and_never_fills(section: float, moves: str) -> None:
    """ISO 3601-2: pressed from 6 to 30 in a hundred, the groove never more than 90 full."""
    try:
        found = asked("seal", kind="piston", bore="60", section=f"{section}", moves=moves)
    except Refused as refused:
        assert refused.field in ("moves", "section")
        return
    assert 6 < found.squeeze_percent.value < 30
    assert 50 < found.fill_percent.value < 90
    assert found.floor_low_mm.value < found.floor_high_mm.value < 60


# ISO 286-1: grade factors, each grade 1.6 times the one before, ten times in five grades.
GRADES = {5: 7.0, 6: 10.0, 7: 16.0, 8: 25.0, 9: 40.0, 10: 64.0, 11: 100.0}
STEPS = (3, 6, 10, 18, 30, 50, 80, 120, 180)


def _width(size: float, grade: int) -> float:
    found = asked("fit", size=f"{size:g}", hole=f"H{grade}", shaft="h6")
    return float(found.hole_high_mm.value - found.hole_low_mm.value)


@pytest.mark.parametrize("size", [4, 8, 14, 25, 40, 65, 100, 150])
def test_grades_are_a_series_of_five_to_ten(size: int) -> None:
    for grade, other in itertools.pairwise(GRADES):
        wider = _width(size, other) / _width(size, grade)
        assert wider == pytest.approx(GRADES[other] / GRADES[grade], rel=0.16), (grade, other)
    assert _width(size, 11) / _width(size, 6) == pytest.approx(10, rel=0.07)


@pytest.mark.parametrize(("low", "high"), itertools.pairwise(STEPS))
def test_a_grade_is_the_same_throughout_its_step_and_grows_at_it(low: int, high: int) -> None:
    inside = {_width(size, 7) for size in (low + 0.01, (low + high) / 2, high)}
    assert max(inside) - min(inside) < 1e-9
    assert _width(high + 0.01, 7) > min(inside)


@pytest.mark.parametrize("size", [5, 12, 22, 45, 70])
def test_classes_stand_in_their_order(size: int) -> None:
    """From loose to tight: the upper limit of a shaft only rises from c to s."""
    upper = [
        asked("fit", size=f"{size}", hole="H7", shaft=f"{letter}7").shaft_low_mm.value
        for letter in ("c", "d", "e", "f", "g", "h", "k", "m", "n", "p", "r", "s")
    ]
    assert upper == sorted(upper)


@pytest.mark.parametrize("size", [5, 12, 22, 45, 70])
def test_a_shaft_of_h_is_a_hole_of_capital_h_turned_over(size: int) -> None:
    found = asked("fit", size=f"{size}", hole="H7", shaft="h7")
    hole = found.hole_high_mm.value - size
    shaft = size - found.shaft_low_mm.value
    assert hole == pytest.approx(shaft)
    assert (found.hole_low_mm.value, found.shaft_high_mm.value) == (size, size)


# ISO 261, coarse.
COARSE = {
    "M2": 0.4,
    "M2.5": 0.45,
    "M3": 0.5,
    "M4": 0.7,
    "M5": 0.8,
    "M6": 1.0,
    "M8": 1.25,
    "M10": 1.5,
    "M12": 1.75,
    "M16": 2.0,
}


@pytest.mark.parametrize(("name", "pitch"), COARSE.items())
def test_a_metric_thread_is_coarse_unless_said(name: str, pitch: float) -> None:
    assert find_thread(name).pitch_mm == pytest.approx(pitch)
    fine = find_thread(f"{name}x{pitch * 0.75:g}")
    assert fine.pitch_mm == pytest.approx(pitch * 0.75)
    assert fine.major_mm == find_thread(name).major_mm


def test_ba_is_a_series_of_powers() -> None:
    """BS 93: from 0 to 12 each pitch is nine tenths of the last, to the hundredth."""
    pitches = [find_thread(f"{n}BA").pitch_mm for n in range(13)]
    for n, pitch in enumerate(pitches):
        assert pitch == pytest.approx(0.9**n, abs=0.0051)
    ratio = log10(pitches[12] / pitches[0]) / 12
    assert ratio == pytest.approx(log10(0.9), rel=0.01)


@pytest.mark.parametrize("kind", ["fine", "medium", "coarse"])
@pytest.mark.parametrize("thread", ["M3", "M4", "M5", "M6", "M8"])
def test_clearance_holes_clear_and_stand_in_their_order(thread: str, kind: str) -> None:
    """ISO 273: fine under medium under coarse, each over the screw."""
    found = asked("clearance", thread=thread)
    major = find_thread(thread).major_mm
    sizes = [getattr(found, f"{name}_mm").value for name in ("fine", "medium", "coarse")]
    assert [major, *sizes] == sorted([major, *sizes])
    assert getattr(found, f"{kind}_mm").value > major


@pytest.mark.parametrize("metal", ["brass", "mild-steel", "stainless-303", "grey-iron"])
def test_a_larger_drill_leaves_less_thread_and_less_torque(metal: str) -> None:
    drills = ("3.2", "3.3", "3.4", "3.5", "3.6")
    found = [asked("tap", thread="M4", metal=metal, drill=drill) for drill in drills]
    share = [one.engagement_percent.value for one in found]
    torque = [one.torque_nm.value for one in found]
    assert share == sorted(share, reverse=True)
    assert torque == sorted(torque, reverse=True)
    assert all(
        one.torque_low_nm.value < one.torque_nm.value < one.torque_high_nm.value for one in found
    )


@pytest.mark.parametrize("metal", ["brass", "mild-steel", "stainless-303", "grey-iron", "gunmetal"])
@pytest.mark.parametrize("tool", ["hss", "carbide"])
def test_speed_falls_with_the_diameter_and_carbide_is_faster(metal: str, tool: str) -> None:
    wants = [
        asked("speed", operation="turn", metal=metal, diameter=f"{d}", tool=tool).target_rpm.value
        for d in (6, 10, 16, 25, 40)
    ]
    assert wants == sorted(wants, reverse=True)
    surfaces = [w * d for w, d in zip(wants, (6, 10, 16, 25, 40), strict=True)]
    assert max(surfaces) / min(surfaces) < 1.5
    if tool == "carbide":
        slow = asked("speed", operation="turn", metal=metal, diameter="10", tool="hss")
        assert wants[1] > slow.target_rpm.value


@pytest.mark.parametrize("operation", ["turn", "bore", "drill", "part", "ream", "screw-cut"])
def test_free_cutting_brass_is_faster_than_stainless_whatever_is_done(operation: str) -> None:
    more = {"pitch": "1"} if operation == "screw-cut" else {}
    quick, slow = (
        asked("speed", operation=operation, metal=metal, diameter="10", **more).target_rpm.value
        for metal in ("brass", "stainless-304")
    )
    assert quick > slow


@pytest.mark.parametrize("teeth", range(12, 40, 4))
def test_more_teeth_in_mesh_carry_more_and_never_less_than_one(teeth: int) -> None:
    """A contact ratio over one: the next tooth is there before the last has gone."""
    few = asked("gear", teeth=f"{teeth}", module="1", mate="20").contact_ratio.value
    many = asked("gear", teeth=f"{teeth + 4}", module="1", mate="20").contact_ratio.value
    assert 1.1 < few < many < 2


@pytest.mark.parametrize("tight", [0.002, 0.006, 0.012, 0.02])
def test_a_press_grows_in_step_with_its_interference(tight: float) -> None:
    """Elastic: twice as tight is twice the push, the stress and the hold."""
    fixed = {"size": "11", "hub": "24", "length": "8"}
    one, two = (asked("press", **fixed, tight=f"{t:g}") for t in (tight / 2, tight))
    for figure in ("force_n", "pressure_mpa", "hoop_mpa"):
        assert getattr(two, figure).value == pytest.approx(2 * getattr(one, figure).value, rel=1e-6)
    # What holds is what is left once the surfaces have flattened by 5 micrometres: common practice.
    left = [max(t - 0.005, 0) for t in (tight / 2, tight)]
    for figure in ("torque_nm", "holds_n", "pressure_low_mpa"):
        a, b = getattr(one, figure).value, getattr(two, figure).value
        assert b * left[0] == pytest.approx(a * left[1], rel=1e-6)
        assert (b == 0) is (left[1] == 0)


@pytest.mark.parametrize("hub", [16, 20, 30, 60])
def test_a_thicker_boss_is_pressed_harder_up_to_a_bound(hub: int) -> None:
    """Lamé: the thicker the boss the stiffer, and never stiffer than one without end."""
    found = asked("press", size="11", hub=f"{hub}", length="8", tight="0.005")
    endless = asked("press", size="11", hub="400", length="8", tight="0.005")
    thinner = asked("press", size="11", hub=f"{hub - 2}", length="8", tight="0.005")
    assert thinner.pressure_mpa.value < found.pressure_mpa.value < endless.pressure_mpa.value


@pytest.mark.parametrize(("low", "high"), [("1", "2"), ("3", "5"), ("6", "12")])
def test_a_wider_key_is_cut_deeper_and_leaves_less_shaft(low: str, high: str) -> None:
    one, two = (asked("keyway", width=width, shaft="40") for width in (low, high))
    assert one.depth_top_mm.value < two.depth_top_mm.value
    assert one.left_mm.value > two.left_mm.value


def test_a_deeper_cut_springs_more_and_wants_more() -> None:
    cuts = [
        asked(
            "speed", operation="turn", metal="mild-steel", diameter="12", depth=f"{d}", length="60"
        )
        for d in (0.1, 0.2, 0.4)
    ]
    for figure in ("force_n", "power_w", "torque_nm"):
        values = [getattr(one, figure).value for one in cuts]
        assert values == sorted(values), figure


@pytest.mark.parametrize(
    ("name", "mm", "inch", "figure"),
    [
        ("circle", {"count": "6", "circle": "50.8"}, {"count": "6", "circle": "2"}, "chord_mm"),
        (
            "taper",
            {"large": "25.4", "small": "19.05", "long": "76.2"},
            {"large": "1", "small": "3/4", "long": "3"},
            "angle_deg",
        ),
        ("sine", {"bar": "127", "angle": "12"}, {"bar": "5", "angle": "12"}, "height_mm"),
        (
            "keyway",
            {"width": "3.175", "shaft": "12.7"},
            {"width": "1/8", "shaft": "1/2"},
            "depth_top_mm",
        ),
        ("throw", {"throw": "12.7", "bar": "38.1"}, {"throw": "1/2", "bar": "1 1/2"}, "packing_mm"),
        ("true", {"total": "0.3048"}, {"total": "0.012"}, "move_mm"),
        (
            "square",
            {"error": "0.0762", "over": "50.8", "base": "25.4"},
            {"error": "0.003", "over": "2", "base": "1"},
            "shim_mm",
        ),
    ],
)
def test_the_same_size_in_inches_is_the_same_answer(
    name: str, mm: dict[str, str], inch: dict[str, str], figure: str
) -> None:
    """25.4 mm are an inch, exactly, since 1959: no more and no less arrives."""
    calculator = CATALOGUE[name]
    found = []
    for typed, page in ((mm, PageUnit.MM), (inch, PageUnit.INCH)):
        read = read_question(calculator, typed, page, WORKSHOP)
        found.append(getattr(calculator.ask(read.question, WORKSHOP), figure).value)
    assert found[0] == pytest.approx(found[1], rel=1e-12)
