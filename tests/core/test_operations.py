"""Every operation: its factor, its feed, its load, and what it alone has to say."""

from __future__ import annotations

import re
from math import pi

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from runk.ask import ask as ask_line
from runk.core.cutting.operations import FACTS, Family, Operation
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from tests.cases import cases
from tests.core.test_speed import ask, refused

# Factors on the turning speed as the trade has them: common practice.
FACTORS = {
    "turn": 1,
    "face": 1,
    "bore": 0.8,
    "part": 0.5,
    "groove": 0.5,
    "form": 0.4,
    "knurl": 0.3,
    "drill": 0.75,
    "ream": 0.3,
    "countersink": 0.35,
    "spot-face": 0.35,
    "end-mill": 0.9,
    "slot": 0.8,
    "saw": 0.5,
    "gear-cut": 0.5,
    "power-tap": 0.2,
    "screw-cut": 0.35,
}


@pytest.mark.parametrize(("operation", "factor"), FACTORS.items())
def test_factor_on_the_turning_speed(operation: str, factor: float) -> None:
    answer = ask(operation=operation, diameter="10", metal="ms", pitch="0.5")
    metal_wants = 1000 * 28 * factor / (pi * 10)
    # Where a hand must stop it, that is the limit: 150 for a tap, three pitches of groove in a
    # second for a screw.
    hand = {"power-tap": 150.0, "screw-cut": 60 * 3.0}.get(operation, metal_wants)
    assert answer.target_rpm.value == pytest.approx(min(metal_wants, hand))
    first = (
        answer.surface_speed_m_min.steps[0] if hand < metal_wants else answer.target_rpm.steps[0]
    )
    assert hand < metal_wants or dict(first.inputs)["factor"] == factor


@pytest.mark.parametrize("operation", list(Operation))
def test_every_operation_answers_with_working(operation: Operation) -> None:
    answer = ask(operation=operation, diameter="8", metal="304", pitch="1", depth="0.5", width="2")
    if FACTS[operation].family is Family.FILED:
        # The hand feeds it: a speed, and what is to be minded with a hand so near.
        assert answer.feed_mm_per_rev is None
        assert answer.cautions[0].word == "Mind"
        return
    assert answer.fed.value > 0
    assert answer.feed_mm_per_min is not None
    assert answer.feed_mm_per_min.value == pytest.approx(answer.fed.value * answer.set_rpm.value)
    if FACTS[operation].family not in (Family.KNURLED, Family.THREADED):
        assert answer.power_w is not None
        assert answer.torque_nm is not None
        # Power is torque turning: the two come by different laws and must agree.
        turning = 2 * pi * answer.torque_nm.value * answer.set_rpm.value / 60
        assert answer.power_w.value == pytest.approx(turning)


def test_conditions_compound_and_each_is_a_step() -> None:
    plain = ask(operation="turn", diameter="20", metal="ms")
    hard = ask(
        operation="turn",
        diameter="20",
        metal="ms",
        set_up="long",
        meets="interrupted",
        alloy="unknown",
        tool="cobalt",
    )
    assert hard.target_rpm.value == pytest.approx(plain.target_rpm.value * 0.7**3 * 1.2)
    factors = [dict(s.inputs).get("factor") for s in hard.target_rpm.steps[:-1]]
    assert sorted(f for f in factors if f) == [0.7, 0.7, 0.7, 1, 1.2]


def test_reaming_feeds_two_to_three_times_a_drill() -> None:
    drill = ask(operation="drill", diameter="5", metal="phosphor-bronze")
    ream = ask(operation="ream", diameter="5", metal="phosphor-bronze")
    assert 2 <= ream.feed_mm_per_rev.value / drill.feed_mm_per_rev.value <= 3
    assert ream.set_rpm.value < drill.set_rpm.value


@pytest.mark.parametrize(
    ("typed", "low", "high"),
    [
        # Slots in tool steel about half a millimetre a pass, in iron with a 3 mm cutter about 1 mm,
        # a keyway with a 1/16 in end mill about 5 thou: common practice.
        ({"operation": "slot", "diameter": "6", "metal": "gauge-plate"}, 0.4, 0.6),
        ({"operation": "slot", "diameter": "3", "metal": "grey-iron"}, 0.9, 1.1),
        ({"operation": "keyway", "diameter": "1/16", "metal": "ms"}, 0.10, 0.15),
    ],
)
def test_depth_a_pass_of_slots(typed: dict[str, str], low: float, high: float) -> None:
    answer = ask(**typed)
    assert answer.depth_mm is not None
    assert low <= answer.depth_mm.value <= high


def test_parting_goes_to_the_centre() -> None:
    answer = ask(operation="part", diameter="20", metal="brass", width="2")
    assert answer.depth_mm is not None
    assert answer.depth_mm.value == pytest.approx(10, abs=0.0127)
    assert answer.time_s is not None
    assert answer.time_s.value == pytest.approx(60 * 10 / answer.feed_mm_per_min.value)
    assert "the parting tool" in {c.about for c in answer.cautions}
    wide = ask(operation="part", diameter="20", metal="brass", width="3")
    assert wide.power_w is not None
    assert answer.power_w is not None
    assert wide.power_w.value == pytest.approx(1.5 * answer.power_w.value)


@given(st.floats(2.2, 9), st.floats(0.4, 3), st.floats(6, 60))
def test_no_step_is_set_that_the_hand_cannot_stop_from(
    relief: float, pitch: float, diameter: float
) -> None:
    answer = ask(
        operation="screw-cut",
        diameter=f"{diameter:.2f}",
        metal="ms",
        width="2",
        pitch=f"{pitch:.2f}",
        relief=f"{relief:.2f}",
        school="nearest",
    )
    assert answer.stop_s is not None
    said = [c for c in answer.cautions if c.word == "Stop" and c.about == "the stop"]
    # 48 rev/min is the slowest this lathe has.
    assert answer.stop_s.value >= 1 - 1e-9 or (answer.set_rpm.value == 48 and said)
    if said:
        wide = float(re.search(r"make it ([\d.]+) mm wide", worded(said[0].says, PageUnit.MM))[1])  # type: ignore[index]
        seconds = [60 * (w - 2) / (round(pitch, 2) * 48) for w in (wide - 0.1, wide)]
        assert seconds[0] < 1 + 1e-9 <= seconds[1] + 2e-9


def test_screw_cutting_is_no_faster_than_the_hand() -> None:
    typed = {"operation": "screw-cut", "diameter": "12", "metal": "ms", "pitch": "1.5"}
    free = ask(**typed)
    held_back = ask(**typed, relief="4", width="1")
    assert free.stop_s is not None
    assert free.stop_s.value >= 1
    assert free.set_rpm.value == 142
    assert any("three turns" in c.says for c in free.cautions)
    assert held_back.target_rpm.value == pytest.approx(60 * 3 / 1.5)
    assert held_back.stop_s is not None
    assert held_back.stop_s.value >= 1
    assert held_back.set_rpm.value < free.set_rpm.value
    assert "tool 3 mm wide" in refused(**typed, relief="2", width="3").says


def test_the_pitch_of_a_named_thread_is_its_own() -> None:
    for name, pitch in (
        ("M4", 0.7),
        ("M4x0.5", 0.5),
        ("2BA", 0.81),
        ("1/4x40", 0.635),
        ("10-32", 25.4 / 32),
    ):
        answer = ask(operation="power-tap", diameter=name, metal="brass")
        assert answer.feed_mm_per_rev.value == pytest.approx(pitch)
    assert refused(operation="power-tap", diameter="4 mm", metal="brass").field == "pitch"


def test_saw_and_gear_cutter_stand_on_edge() -> None:
    thin = ask(operation="saw", diameter="60", metal="brass", width="1", depth="5")
    thick = ask(operation="saw", diameter="60", metal="brass", width="2", depth="5")
    assert thin.power_w is not None
    assert thick.power_w is not None
    assert thick.power_w.value == pytest.approx(2 * thin.power_w.value)
    assert thin.depth_mm is not None
    assert thin.depth_mm.value == pytest.approx(5)


def test_finish_wanted_sets_the_feed() -> None:
    answer = ask(operation="turn", diameter="80", metal="ms", finish="0.8", tip_radius="0.4")
    assert answer.roughness_um is not None
    assert answer.roughness_um.value == pytest.approx(0.8)
    coarse = ask(operation="turn", diameter="10", metal="ms", finish="12")
    assert coarse.feed_mm_per_rev.value == pytest.approx(0.05)
    assert refused(operation="turn", diameter="10", metal="ms", finish="rough").field == "finish"
    assert refused(operation="turn", diameter="10", metal="ms", finish="900").field == "finish"


def test_tool_off_centre() -> None:
    answer = ask(operation="turn", diameter="6", metal="ms", off_centre="0.5", depth="1")
    assert answer.height_error_mm is not None
    assert answer.height_error_mm.value > 0
    pip = ask(operation="face", diameter="20", metal="ms", off_centre="0.3")
    assert pip.height_error_mm is not None
    assert pip.height_error_mm.value == pytest.approx(0.6)
    assert "misses" in refused(operation="turn", diameter="4", metal="ms", off_centre="3").says
    assert ask(operation="turn", diameter="6", metal="ms").height_error_mm is None


@pytest.mark.parametrize(
    ("line", "operation"),
    [
        ("part off 20mm brass", "part"),
        ("ream 5mm bronze", "ream"),
        ("centre drill 3mm ms", "centre"),
        ("turn a groove in 20 brass 2 deep", "groove"),
        ("mill a 6mm slot in gauge plate", "slot"),
        ("drill and countersink 10 brass", "countersink"),
        ("slitting saw 60mm brass 1mm wide", "saw"),
        ("gear cutter 50mm ms", "gear-cut"),
        ("fly cutter 60mm aluminium", "fly-cut"),
        ("keyway 1/16 ms", "keyway"),
        ("power tap M4 brass", "power-tap"),
        ("screwcut 12 mm ms pitch 1.75", "screw-cut"),
        ("knurl 12 ms", "knurl"),
        ("form tool 20 brass", "form"),
        ("counterbore 12 ci", "spot-face"),
    ],
)
def test_said_in_a_line(line: str, operation: str, workshop: Workshop) -> None:
    assert ask_line(line, workshop).read.question.operation == operation


def test_a_number_may_say_which_stainless(workshop: Workshop) -> None:
    asked = ask_line("turn 20 mm stainless steel 316 carbide", workshop)
    assert asked.read.question.metal == "stainless-316"
    assert float(asked.read.question.diameter) == 20
    with pytest.raises(Refused):
        ask_line("turn brass 303", workshop)


@cases(60)
@given(st.floats(0.2, 3.0), st.floats(4.0, 40.0), st.sampled_from(["brass", "ms", "ali", "304"]))
def test_no_thread_is_cut_faster_than_a_hand_stops_it(
    pitch: float, diameter: float, metal: str
) -> None:
    """With no groove told, three pitches in a second; a tap never over 150."""
    typed = {"metal": metal, "pitch": f"{pitch:.2f}", "diameter": f"{diameter:.1f}"}
    screwed = ask(operation="screw-cut", school="nearest", **typed)
    assert screwed.set_rpm.value <= 180 + 1e-9
    tapped = ask(operation="power-tap", machine="lathe", **typed)
    assert tapped.set_rpm.value <= 150 + 1e-9
    small = [c for c in tapped.cautions if c.word == "Stop" and c.about == "the tap"]
    assert bool(small) == (round(diameter, 1) < 6)
    assert not any("carbide" in c.says for c in tapped.cautions)
    assert not any(c.about == "the snatch" for c in tapped.cautions)


@given(st.floats(3.0, 20.0), st.sampled_from(["brass", "ms", "ci", "gunmetal", "303"]))
def test_a_reamers_force_and_torque_are_of_one_cut(diameter: float, metal: str) -> None:
    """The edges push at half the radius, whatever the ring: torque is force times a quarter D."""
    reamed = ask(operation="ream", metal=metal, diameter=f"{diameter:.2f}")
    # What only a hand reamer reams has neither.
    assume(reamed.position != "by hand")
    assert reamed.torque_nm is not None
    assert reamed.force_n is not None
    arm_m = round(diameter, 2) / 4 / 1000
    assert reamed.torque_nm.value == pytest.approx(reamed.force_n.value * arm_m, rel=1e-6)
