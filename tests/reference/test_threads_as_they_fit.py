"""What a thread must do beside its mate, its lathe and its gauge, reckoned from the outlines alone.

Profiles by ISO 68-1 (a sharp triangle of height H, an eighth of it off the screw's crest, a quarter
off the nut's); spans by the involute itself (Euler); trains by every way round of every four wheels.
"""

from __future__ import annotations

import itertools
from dataclasses import replace
from fractions import Fraction
from math import acos, ceil, cos, pi, radians, sin, sqrt, tan

import pytest

from runk.ask import ask
from runk.core.catalogue import CATALOGUE
from runk.core.layout.cutting_stock import plan_cuts
from runk.core.layout.gear_laws import span_mm, span_teeth
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.threads import find_thread
from runk.core.units import PageUnit
from runk.core.wheels.half_nuts import dial_says, half_nuts_say
from runk.core.wheels.train import CLEAR, Train
from runk.core.wheels.trains import trains
from runk.demo.back_shed import WORKSHOP

SHARP = sqrt(3) / 2


def answer(name: str, **typed: str) -> object:
    calculator = CATALOGUE[name]
    read = read_question(calculator, dict(typed), PageUnit.MM, WORKSHOP)
    return calculator.ask(read.question, WORKSHOP)


def value(found: object, name: str) -> float:
    return float(getattr(found, name).value)


@pytest.mark.parametrize("tip", [{}, {"flat": "0.1875"}, {"flat": "0.05"}, {"radius": "0.1"}])
def test_a_nut_is_bored_for_its_screw_whatever_tip_cuts_it(tip: dict[str, str]) -> None:
    p, major = 1.5, 10.0
    nut = answer("screwcut", thread="M10", side="inside", **tip)
    # The nut's crest lies a quarter of H from its own sharp edge, which is H/8 outside the major.
    bore = major + 2 * SHARP * p / 8 - 2 * 0.75 * SHARP * p
    assert value(nut, "blank_mm") == pytest.approx(bore, abs=2e-3)
    # The flanks come where the thread's are: the sharp edge of the tool stands H/8 past the major.
    off = SHARP * p / 8
    if "flat" in tip:
        off = float(tip["flat"]) / (2 * tan(radians(30)))
    if "radius" in tip:
        off = float(tip["radius"]) * (1 / sin(radians(30)) - 1)
    assert bore / 2 + value(nut, "depth_mm") + off == pytest.approx(
        major / 2 + SHARP * p / 8, abs=2e-3
    )
    # The groove lets the tip through, however far it goes.
    assert value(nut, "core_mm") >= bore + 2 * value(nut, "depth_mm") - 1e-6


@pytest.mark.parametrize(
    ("side", "tip", "most"),
    [
        ("outside", "flat", 1.5 / 4),
        ("outside", "radius", 1.5 * SHARP / 6),
        ("inside", "flat", 1.5 / 8),
        ("inside", "radius", 1.5 * SHARP / 12),
    ],
)
def test_a_root_is_no_wider_than_the_mates_crest(side: str, tip: str, most: float) -> None:
    answer("screwcut", thread="M10", side=side, **{tip: f"{most * 0.999:.6f}"})
    with pytest.raises(Refused, match=r"too wide for the (nut|screw)'s crest"):
        answer("screwcut", thread="M10", side=side, **{tip: f"{most * 1.01:.6f}"})


def test_a_left_hand_thread_whose_half_nuts_stay_closed_comes_back_into_its_groove() -> None:
    # 1.5 mm is in no step with the lathe's 8 to an inch, and it has no dial.
    right = answer("screwcut", thread="M10", relief="3")
    left = answer("screwcut", thread="M10", relief="3", hand="left")
    assert value(left, "set_rpm") == value(right, "set_rpm") <= 60 * 3 / 1.5
    assert "stopped in that groove" in left.says  # type: ignore[attr-defined]


@pytest.mark.parametrize("wheels", ["20 33 38 41 47 55 61 65", "20 25 30 35 40 45 50 60"])
def test_half_nuts_open_only_with_a_train_that_is_exact(wheels: str) -> None:
    found = answer("wheels", pitch="0.75 mm", screw="3 mm", wheels=wheels)
    says = str(found.half_nuts)  # type: ignore[attr-defined]
    exact = abs(value(found, "error_ppm")) < 0.5
    # Three over three quarters is four threads for a turn, if it is three quarters that is cut.
    assert says.startswith("May be opened" if exact else "Stay closed")


def test_without_a_dial_nothing_is_done_by_its_number() -> None:
    thread, screw = Fraction(254, 130), Fraction(254, 80)
    assert half_nuts_say(screw, thread).startswith("Stay closed")
    assert "dial's number" in half_nuts_say(screw, thread, 16)
    # Wheels of 3 or 6 teeth are made by nobody: multiples of three are.
    says = dial_says(Fraction(3), Fraction(7, 10), 16)
    assert [int(word) % 7 for word in says.split() if word.isdigit()] == [0, 0]


@pytest.mark.parametrize("thread", ["1/2-13 UNC", "1/4x26 ME", "3/8-24 UNF", "M10", "M10x1.25"])
def test_a_pitch_arrives_at_its_wheels_to_the_last_digit(thread: str) -> None:
    found = answer("screwcut", thread=thread)
    link = next(one for one in found.links if one.calculator == "wheels")  # type: ignore[attr-defined]
    read = read_question(CATALOGUE["wheels"], dict(link.question), PageUnit.MM, WORKSHOP)
    assert read.question.pitch.mm == find_thread(thread).pitch


def test_a_screw_of_two_starts_is_tried_by_no_ordinary_nut() -> None:
    one, two = (answer("screwcut", thread="M10", starts=n) for n in ("1", "2"))
    opens = [{link.calculator for link in found.links} for found in (one, two)]  # type: ignore[attr-defined]
    assert ("tap" in opens[0], "tap" in opens[1]) == (True, False)


@pytest.mark.parametrize("typed", ["20x1.5", "4.3x0.7", "7/32x36", "7/32x36 60"])
def test_a_special_is_found_by_the_name_it_is_given(typed: str) -> None:
    thread = find_thread(typed)
    assert find_thread(thread.name) == thread
    if "°" in thread.name:
        return
    assert ask(f"wires {thread.name}", WORKSHOP).read.question.thread == thread


def test_a_tools_width_counts_in_the_groove_that_is_reckoned_with() -> None:
    bare = answer("screwcut", thread="M10")
    wide = answer("screwcut", thread="M10", tool="3")
    # Three turns are 4.5 mm; a tool of 3 leaves 1.5 of them, a second at 60 a minute.
    assert value(wide, "set_rpm") <= 60 * (4.5 - 3) / 1.5 < value(bare, "set_rpm")
    with pytest.raises(Refused, match=r"does not fit a relief groove of 4\.5"):
        answer("screwcut", thread="M10", tool="5")


@pytest.mark.parametrize(
    ("over", "wire", "says"),
    [("9.0", "0.8", "across"), ("10.2", "1.2", "root"), ("10.3", "1.2", "root")],
)
def test_what_cannot_be_read_over_wires_is_refused(over: str, wire: str, says: str) -> None:
    with pytest.raises(Refused, match=says):
        answer("wires", thread="M10", wire=wire, over=over)


def test_a_thread_far_under_its_limit_is_scrap() -> None:
    scrap = answer("wires", thread="M10", wire="1.2", over="10.5")
    under = answer("wires", thread="M10", wire="0.866", over="10.1")
    assert "Scrap" in str(scrap.says)  # type: ignore[attr-defined]
    assert "takes a nut made for it" in str(under.says)  # type: ignore[attr-defined]


def test_a_threads_feed_is_its_pitch_and_no_finer_one_is_advised() -> None:
    found = answer("screwcut", thread="100x2")
    says = [c.says for c in found.cautions if c.about == "the speed"]  # type: ignore[attr-defined]
    assert says
    assert all("finest feed" not in one and "by hand" in one for one in says)
    assert not [c for c in found.cautions if c.about == "the speed" and c.word == "Stop"]  # type: ignore[attr-defined]


@pytest.mark.parametrize("teeth", range(12, 80))
def test_a_span_touches_near_the_pitch_circle(teeth: int) -> None:
    """Jaws over k teeth touch at radius sqrt(rb^2 + (W/2)^2): the k told is the nearest there is."""
    a = radians(20)
    base = teeth * cos(a) / 2

    def off(k: int) -> float:
        return abs(sqrt(base**2 + (span_mm(1.0, 20.0, k, teeth) / 2) ** 2) - teeth / 2)

    told = span_teeth(20.0, teeth)
    assert off(told) <= min(off(k) for k in range(2, teeth // 2)) + 0.06
    # A part of the involute's own arc: so many base pitches and a tooth of its base circle.
    tooth = pi / 2 * cos(a) + 2 * base * (tan(a) - a)
    assert span_mm(1.0, 20.0, told, teeth) == pytest.approx((told - 1) * pi * cos(a) + tooth)
    assert acos(cos(a)) == pytest.approx(a)


WHEELS = (20, 25, 25, 30, 35, 38, 40, 45, 50, 55, 60, 63, 65, 70, 75)


@pytest.mark.parametrize("pitch", [0.98, 2.56, 0.73, 1.31, 0.61])
def test_the_nearest_train_a_banjo_takes_is_found_by_trying_every_way(pitch: float) -> None:
    ratio, low, high = pitch / 3.175, 30.0, 45.0
    best = min(abs(a / b / ratio - 1) for a, b in itertools.permutations(set(WHEELS), 2))
    for a, b, c, d in itertools.permutations(sorted(set(WHEELS)), 4):
        clears = a + b >= c + CLEAR and c + d >= b + CLEAR
        if clears and low <= (c + d) / 2 <= high:
            best = min(best, abs(a * c / (b * d) / ratio - 1))

    def takes(train: Train) -> bool:
        return len(train.drivers) < 2 or low <= (train.drivers[1] + train.driven[1]) / 2 <= high

    assert abs(trains(WHEELS, ratio, 8, takes)[0].error) <= best + 1e-9


def test_the_box_is_named_where_its_lever_matters() -> None:
    assert "box" not in str(answer("wheels", pitch="1.5 mm").set_up)  # type: ignore[attr-defined]
    lathe = next(m for m in WORKSHOP.machines if m.leadscrew_mm)
    boxed = replace(lathe, gearbox="1 2 1/2 0.75")
    shop = replace(WORKSHOP, machines=tuple(boxed if m is lathe else m for m in WORKSHOP.machines))
    calculator = CATALOGUE["wheels"]
    asked = read_question(calculator, {"pitch": "1.5 mm"}, PageUnit.MM, shop).question
    found = calculator.ask(asked, shop)
    wheels, _, lever = found.set_up.partition(", the box at ")
    assert lever in ("1", "2", "1/2", "3/4")
    # At that lever and no other these wheels cut what is wanted.
    ratio = Fraction(lever)
    for pair in wheels.split(", "):
        over, under = pair.split(" on ")
        ratio *= Fraction(int(over), int(under))
    assert float(ratio * Fraction(str(lathe.leadscrew_mm))) == pytest.approx(1.5, rel=3e-3)
    assert f"The gearbox at {lever}." in found.says


@pytest.mark.parametrize(("bars", "goes"), [("100", False), ("102", True)])
def test_the_last_cut_lies_clear_of_what_is_held(bars: str, goes: bool) -> None:
    # 79 long and 1 to face, 2 for the blade, 20 held: 102 in all.
    assert (plan_cuts([80.0], [float(bars)], 2.0, 20.0) is not None) is goes
    assert plan_cuts([80.0], [80.0], 2.0) is not None


def test_what_comes_off_a_section_comes_off_the_bar_there_is() -> None:
    found = answer("stock", way="bar", shape="hexagon", side="10")
    bar = float(str(found.nearest).split()[-2])  # type: ignore[attr-defined]
    assert value(found, "off_mm") == pytest.approx((bar - 10) / 2)
    assert bar >= 10 / cos(radians(30))


def test_a_step_finer_than_the_head_is_refused() -> None:
    with pytest.raises(Refused, match="least step"):
        answer("divide", angle="0.001")
    assert ceil(360 / 40 / 49 * 1000) == 184
    assert answer("divide", angle="0.184")


@pytest.mark.parametrize(
    "line",
    [
        "helical gear 20 teeth 1 module",
        "gear 20 teeth 1 module internal",
        "worm wheel 30 teeth 1 module",
        "stub gear 20 teeth 1 module",
    ],
)
def test_a_word_that_changes_the_figure_is_not_passed_over(line: str) -> None:
    with pytest.raises(Refused):
        ask(line, WORKSHOP)


def test_a_cutter_touched_far_stands_its_thickness_nearer() -> None:
    near, far = (
        ask(f"gear 40 teeth 1 mod touched {side} thick 4", WORKSHOP).answer
        for side in ("near", "far")
    )
    assert value(near, "centre_height_mm") - value(far, "centre_height_mm") == pytest.approx(4.0)
