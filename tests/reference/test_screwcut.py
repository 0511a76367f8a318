"""Screw-cutting against its own triangle, and passes against areas integrated.

Sources: depths of 60 degrees threads for a sharp, a flat and a round tip (handbooks, recalled:
0.7578, 0.6495 and 0.6134 of the pitch, 0.5413 inside); BS 84 and BS 93 for whole forms; the area of
each chip by SciPy.
"""

from __future__ import annotations

from math import cos, radians, sin, tan
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad
from scipy.optimize import brentq

from runk.ask import ask as typed_line
from runk.core.catalogue import CATALOGUE
from runk.core.plan.spec import CutSpec
from runk.core.plan.thread_passes import readable
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.threads.followed import to_follow
from runk.core.threads.series import find_thread, threads
from runk.core.units import PageUnit
from runk.demo.back_shed import LATHE, WORKSHOP
from tests.cases import cases

METRIC = ["M3", "M4", "M6", "M8", "M10", "M12", "M16"]


def ask(**typed: str) -> Any:
    one = CATALOGUE["screwcut"]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def followed(name: str, **typed: str) -> CutSpec:
    one = CATALOGUE["screwcut"]
    question = read_question(one, {"thread": name, **typed}, PageUnit.MM, WORKSHOP).question
    return to_follow(question, one.needs(question, WORKSHOP)).spec


@pytest.mark.parametrize("name", METRIC)
def test_depth_by_the_tip_as_handbooks_print_it(name: str) -> None:
    p = find_thread(name).pitch_mm
    assert ask(thread=name).depth_mm.value == pytest.approx(0.649519 * p, rel=1e-5)
    rounded = ask(thread=name, radius=f"{0.144338 * p:.6f}")
    assert rounded.depth_mm.value == pytest.approx(0.613435 * p, rel=1e-4)
    sharp = ask(thread=name, flat="0.001")
    assert sharp.depth_mm.value == pytest.approx(0.757772 * p - 0.000866, rel=1e-4)
    assert ask(thread=name, side="inside").depth_mm.value == pytest.approx(0.541266 * p, rel=1e-5)


@pytest.mark.parametrize(
    ("name", "share"), [("1/2 BSW", 0.640327), ("2BA", 0.6), ("1/4x40 ME", 0.640327)]
)
def test_whole_forms_go_their_whole_depth(name: str, share: float) -> None:
    p = find_thread(name).pitch_mm
    assert ask(thread=name).depth_mm.value == pytest.approx(share * p, rel=1e-5)


@cases(40)
@given(st.sampled_from(METRIC), st.integers(2, 25))
def test_the_flanks_of_any_tip_are_those_of_the_thread(name: str, percent: int) -> None:
    """At the depth told, the tool's flanks stand half a pitch apart on the effective line."""
    thread = find_thread(name)
    p, flat = thread.pitch_mm, thread.pitch_mm * percent / 100
    got = ask(thread=name, flat=f"{flat:.9f}")
    # Width of the tool at the effective line, which lies 0.32476 p under the crest.
    up = got.depth_mm.value - 0.649519 * p / 2
    assert flat + 2 * up * tan(radians(30)) == pytest.approx(p / 2, rel=1e-5)


@cases(40)
@given(
    st.sampled_from([t.name for t in threads() if t.pitch_mm > 0.3 and not t.name.startswith("G")]),
    st.sampled_from(["brass", "mild-steel", "stainless-303", "silver-steel"]),
    st.sampled_from(["straight", "slide"]),
)
def test_passes_take_one_chip_and_end_at_the_depth(name: str, metal: str, feed: str) -> None:
    got = ask(thread=name, metal=metal, feed=feed)
    travel = got.travel_mm.value if feed == "slide" else got.depth_mm.value
    stands = [one.stands_mm.value for one in got.passes]
    takes = [one.take_mm.value for one in got.passes]
    assert stands[-1] == pytest.approx(travel)
    assert sum(takes) == pytest.approx(travel)
    assert min(takes) >= 0.0249 or len(takes) == 1
    assert takes[0] == max(takes)
    # The area a sharp tool opens to each depth, integrated: every rough pass adds as much.
    half = radians(find_thread(name).form.angle_deg / 2)
    areas = [quad(lambda d: 2 * d * tan(half), 0, mm)[0] for mm in stands]
    chips = [b - a for a, b in zip([0.0, *areas], areas, strict=False)]
    light = sum(1 for mm in takes[-2:] if mm in (pytest.approx(0.05), pytest.approx(0.025)))
    equal = chips[: len(chips) - (2 if light == 2 else 0)]
    assert max(equal) == pytest.approx(min(equal), rel=1e-6)
    # In that lathe's own divisions, a thou each.
    for one in got.passes:
        assert one.divisions.value * 0.0254 == pytest.approx(one.stands_mm.value)


def test_along_the_top_slide_it_goes_as_much_further() -> None:
    got = ask(thread="M10", feed="slide")
    assert got.angle_deg.value == 29.5
    assert got.travel_mm.value == pytest.approx(got.depth_mm.value / cos(radians(29.5)))
    assert ask(thread="1/2 BSW", feed="slide").angle_deg.value == 27.0
    assert ask(thread="M10").angle_deg is None


@cases(30)
@given(st.sampled_from(METRIC), st.integers(13, 60), st.integers(1, 3))
def test_a_hand_can_stop_in_the_groove(name: str, tenths: int, starts: int) -> None:
    """One second: the carriage goes no farther than the groove is wide."""
    pitch = find_thread(name).pitch_mm
    relief = pitch * tenths / 10
    got = ask(thread=name, relief=f"{relief:.4f}", starts=str(starts))
    assert got.lead_mm.value == pytest.approx(pitch * starts)
    if got.set_rpm.value > min(step.rpm for step in LATHE.steps):
        assert got.set_rpm.value / 60 * got.lead_mm.value <= relief + 1e-6
    same = CATALOGUE["speed"]
    typed = {
        "operation": "screw-cut",
        "metal": "mild-steel",
        "diameter": name[1:],
        "pitch": f"{pitch * starts:.6f}",
        "relief": f"{relief:.4f}",
    }
    speed = same.ask(read_question(same, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)
    assert speed.set_rpm.value == got.set_rpm.value


@pytest.mark.parametrize(
    ("thread", "screw", "dial"),
    [
        ("16x1.5875", "anywhere", "Any number"),
        ("M10", "Stay closed", "No number"),
        ("1/2-13 UNC", "every 8 turns", "None is told"),
    ],
)
def test_half_nuts_by_both_pitches(thread: str, screw: str, dial: str) -> None:
    got = ask(thread=thread)
    assert screw in got.half_nuts
    assert got.dial.startswith(dial)


@pytest.mark.parametrize(
    ("typed", "field"),
    [
        ({}, "thread"),
        ({"thread": "M10", "relief": "1"}, "relief"),
        ({"thread": "M10", "flat": "2"}, "flat"),
        ({"thread": "M10", "radius": "1"}, "radius"),
        ({"thread": "M10", "flat": "0.1", "radius": "0.1"}, "radius"),
        ({"thread": "M10", "starts": "0"}, "starts"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(typed: dict[str, str], field: str) -> None:
    with pytest.raises(Refused) as refused:
        ask(**typed)
    assert refused.value.field == field


def test_a_groove_is_as_deep_as_the_thread() -> None:
    got = ask(thread="M10")
    # A tenth under the root, or the tip rubs on its floor.
    assert got.core_mm.value == pytest.approx(10 - 2 * got.depth_mm.value - 0.1)
    # The belt is chosen for three pitches: so much is to be cut, and three leads of two starts.
    assert got.relief_mm.value == pytest.approx(3 * 1.5)
    assert ask(thread="M10", starts="2").relief_mm.value == pytest.approx(9)
    assert ask(thread="M10", relief="5").relief_mm.value == 5
    nut = ask(thread="M10", side="inside")
    assert nut.blank_mm.value == pytest.approx(10 - 2 * nut.depth_mm.value)


@pytest.mark.parametrize("page", list(PageUnit))
@pytest.mark.parametrize(
    "line",
    [
        "screw cut 2BA silver steel relief 3 mm",
        "screwcut M10",
        "screw-cut 1/2 BSW along the top slide",
    ],
)
def test_lines_of_screw_cutting(line: str, page: PageUnit) -> None:
    asked = typed_line(line, WORKSHOP, page)
    assert asked.calculator.name == "screwcut"
    depth = asked.answer.depth_mm.value
    assert depth == pytest.approx(asked.read.question.thread.pitch_mm * 0.62, rel=0.06)


# ISO 965-1 (recalled): effective diameter of a nut, 6H.
@pytest.mark.parametrize(
    ("name", "low", "high"),
    [("M4", 3.545, 3.663), ("M6", 5.350, 5.500), ("M10", 9.026, 9.206), ("M12", 10.863, 11.063)],
)
def test_a_nuts_room_is_near_what_the_standard_prints(name: str, low: float, high: float) -> None:
    spec = followed(name, side="inside")
    assert spec.low_mm == pytest.approx(low, abs=6e-4)
    assert spec.high_mm == pytest.approx(high, abs=0.012)
    assert spec.high_mm <= high + 1e-3


@cases(60)
@given(
    st.sampled_from([*METRIC, "1/4-20 UNC", "1/2-13 UNC"]),
    st.sampled_from(["straight", "slide"]),
    st.floats(0.05, 1.0),
)
def test_the_reading_over_wires_goes_with_the_dial_as_the_groove_has_it(
    name: str, feed: str, share: float
) -> None:
    """A wire dropped into the groove of a tool so deep, found as the circle that fits it."""
    thread, spec = find_thread(name), followed(name, feed=feed)
    half = radians(thread.form.angle_deg / 2)
    deep = share * ask(thread=name).depth_mm.value
    wound = deep / (spec.division / 2)
    # The groove: a flat of an eighth of the pitch at the bottom, flanks from there to the blank.
    bottom = thread.major_mm / 2 - deep
    radius, flat = spec.wire_mm / 2, thread.pitch_mm / 8

    def off_flank(centre: float) -> float:
        # Distance from the wire's middle to the flank's line, through (flat / 2, bottom).
        return (flat / 2) * cos(half) + (centre - bottom) * sin(half) - radius

    centre = brentq(off_flank, bottom - 5, bottom + 50)
    touches = centre - radius * sin(half)
    predicted = spec.now_mm - wound * spec.division
    assert 2 * centre + spec.wire_mm == pytest.approx(predicted, abs=1e-6)
    # The wire touches a flank that is there just where Runk says it can be read.
    assert (touches <= thread.major_mm / 2 + 1e-9) == readable(spec, spec.left(predicted))


def test_a_left_hand_thread_runs_off_its_end_where_the_half_nuts_may_open() -> None:
    # 24 to an inch goes into the lathe's own 8: the half-nuts open anywhere.
    fine = {"thread": "special 3/8 x 24 tpi", "relief": "2.5"}
    right, left = ask(**fine), ask(**fine, hand="left")
    assert left.set_rpm.value > right.set_rpm.value
    assert left.depth_mm == right.depth_mm
    assert "begin in the groove by the chuck" in left.says
    carried = {one.calculator: dict(one.question) for one in left.links}
    # Its nut is no right-hand tap's; its wheels are told which way they turn.
    assert "tap" not in carried
    assert carried["wheels"]["hand"] == "left"
    assert (
        "left hand"
        in CATALOGUE["wheels"]
        .ask(
            read_question(CATALOGUE["wheels"], carried["wheels"], PageUnit.MM, WORKSHOP).question,
            WORKSHOP,
        )
        .says
    )


@cases(30)
@given(
    st.sampled_from([*METRIC, "2BA", "1/2 BSW", "1/4x40 ME"]),
    st.sampled_from(["straight", "slide"]),
    st.booleans(),
)
def test_what_is_handed_on_arrives_as_what_it_was(name: str, feed: str, tipped: bool) -> None:
    """Groove, wheels, wires and nut: each of its links asked, and its figures beside these."""
    flat = {"flat": f"{find_thread(name).pitch_mm / 20:.4f} mm"} if tipped else {}
    got = ask(thread=name, feed=feed, metal="brass", long="18", **flat)
    linked = {one.calculator: dict(one.question) for one in got.links}

    def follow(to: str, **more: str) -> Any:
        one = CATALOGUE[to]
        return read_question(one, linked[to] | more, PageUnit.MM, WORKSHOP).question

    groove = follow("plan", width="1 mm")
    floor = float(groove.now) - 2 * float(groove.deep)
    assert floor == pytest.approx(got.core_mm.value, abs=2e-4)
    assert float(groove.wanted) == pytest.approx(got.relief_mm.value, abs=1e-4)
    assert (groove.metal, groove.machine) == ("brass", "Lathe")
    train = CATALOGUE["wheels"].ask(follow("wheels"), WORKSHOP)
    assert train.wanted_mm.value == pytest.approx(got.lead_mm.value, abs=1e-6)
    assert train.long_mm.value == 18
    assert follow("wires").thread.name == follow("tap").thread.name == find_thread(name).name


def test_starts_are_divided_by_what_does_not_move_the_tool_in() -> None:
    straight, over = ask(thread="M12", starts="3"), ask(thread="M12", starts="3", feed="slide")
    assert "a pitch apart by the top slide, set along the bed" in straight.says
    # At its angle the slide's own travel of a pitch would be that much deeper as well.
    assert over.angle_deg.value > 25
    assert "on by 1/3 of its teeth" in over.says
    assert "a pitch apart by the top slide" not in over.says
    assert "Start it" not in ask(thread="M12").says


def test_the_dial_is_read_to_a_quarter_and_counts_down_in_a_nut() -> None:
    screw, nut = ask(thread="M10"), ask(thread="M10", side="inside")
    assert [one.mark for one in screw.passes[:3]] == ["11", "15 3/4", "19 1/4"]
    assert nut.passes[0].mark == "90 (10 back)"
    # Along the top slide a nut's tool is fed by a slide that goes in: it counts up.
    assert "back" not in ask(thread="M10", side="inside", feed="slide").passes[0].mark
    coarse = ask(thread="M64x6").passes[-1]
    assert coarse.mark.endswith("(1 turn and 53 1/2)")
    assert coarse.divisions.value == pytest.approx(153.4, abs=0.1)
