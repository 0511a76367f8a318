"""Calculators agree: what two of them say of one thing is one figure, and one law."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.figures import laws
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.threads.series import find_thread
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

METALS = (
    "mild-steel",
    "brass",
    "grey-iron",
    "stainless-303",
    "gunmetal",
    "aluminium-6082",
    "dural",
)
COARSE = {"M3": 0.5, "M4": 0.7, "M5": 0.8, "M6": 1.0, "M8": 1.25, "M10": 1.5}


def ask(calculator: str, **typed: str) -> Any:
    one = CATALOGUE[calculator]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


@cases(40)
@given(st.sampled_from(list(COARSE)), st.sampled_from(METALS))
def test_of_one_tapped_hole_both_say_the_same_torque(name: str, metal: str) -> None:
    """At the same thread left: the hand tap's figure at 75 % is the power tap's."""
    major, pitch = float(name[1:]), COARSE[name]
    drill = major - 2 * 0.75 * 0.649519 * pitch
    by_hand = ask("tap", thread=name, metal=metal, drill=f"{drill:.5f}")
    power = ask("speed", operation="power-tap", metal=metal, diameter=f"{major}", pitch=f"{pitch}")
    assert by_hand.engagement_percent.value == pytest.approx(75, abs=0.7)
    # The thread's form flattens its crest by p/8 in both; what is left to cut is one area.
    assert power.torque_nm.value == pytest.approx(by_hand.torque_nm.value, rel=0.03)


@cases(40)
@given(st.sampled_from(METALS), st.sampled_from(("4", "6", "8", "10")), st.integers(5, 20))
def test_a_holes_last_drill_is_set_as_its_speed_says(metal: str, size: str, deep: int) -> None:
    whole = ask("hole", size=size, metal=metal, deep=str(deep), machine="lathe")
    last = whole.drills[-1]
    alone = ask(
        "speed", operation="drill", diameter=f"{last.mm.value}", metal=metal, machine="lathe"
    )
    assert last.rpm.value == alone.set_rpm.value
    assert last.feed_mm_per_rev.value == pytest.approx(alone.feed_mm_per_rev.value)


@pytest.mark.parametrize(("size", "finish"), [("4", "hand-reamed"), ("6", "machine-reamed")])
def test_the_drill_before_a_reamer_is_the_nearest_for_reaming(size: str, finish: str) -> None:
    whole = ask("hole", size=size, metal="gunmetal", finish=finish)
    near = ask("nearest-drill", size=size, purpose="ream")
    left = float(size) - whole.drills[-1].mm.value
    assert near.drill_mm.value <= float(size)
    assert left > 0
    assert abs(whole.drills[-1].mm.value - near.drill_mm.value) < 0.15


@cases(30)
@given(st.floats(2, 12), st.integers(4, 20))
def test_a_drills_travel_is_the_same_wherever_it_is_asked(size: float, deep: int) -> None:
    """The stop's sum, the whole hole's tip and the time of the cut: one point."""
    drill = f"{size:.2f}"
    stop = ask("depth", way="touch", deep=str(deep), drill=drill)
    timed = ask("speed", operation="drill", diameter=drill, metal="brass", length=str(deep))
    travel = timed.time_s.value * timed.feed_mm_per_min.value / 60
    assert stop.travel_mm.value == pytest.approx(travel, abs=1e-6)
    try:
        whole = ask("hole", size=drill, metal="brass", ends="blind", deep=str(deep))
    except Refused:
        return
    mine = float(drill) + (whole.off_mm.value if whole.off_mm else 0.0)
    assert whole.bottom_mm.value == pytest.approx(deep + whole.point_mm.value)
    assert whole.point_mm.value == pytest.approx((travel - deep) * mine / float(drill), rel=5e-3)


@pytest.mark.parametrize("name", ["M3", "M4", "M6", "2BA", "4BA"])
def test_a_nut_is_one_nut_in_every_room(name: str) -> None:
    thread = ask("thread", thread=name)
    stud = ask("stud", thread=name, cover="5")
    cover = ask("cover", thread=name, pressure="2 bar", seal="30")
    assert stud.nut_flats_mm.value == thread.nut_flats_mm.value == cover.nut_flats_mm.value
    nut = next(part.mm.value for part in stud.parts if part.label == "nut")
    assert nut == thread.nut_mm.value


@pytest.mark.parametrize(("screw", "fit"), [("M4", "medium"), ("M6", "medium"), ("2BA", "medium")])
def test_a_screws_hole_is_its_clearance(screw: str, fit: str) -> None:
    clear = ask("clearance", thread=screw, fit=fit)
    seated = ask("hole", screw=screw, head="cap", metal="brass")
    assert seated.size_mm.value == pytest.approx(clear.hole_mm.value, abs=0.006)


def test_no_two_laws_say_one_thing_under_two_names() -> None:
    """The same formula of the same inputs twice is one law, and one day only one is mended."""
    seen: dict[str, str] = {}
    for law in laws().values():
        if law.formula.count("{") < 3:
            continue  # A sum or a share is too plain to be anybody's own.
        assert law.formula not in seen, f"{law.key} and {seen.get(law.formula)}"
        seen[law.formula] = law.key


def follow(answer: Any, to: str, **more: str) -> Any:
    """The answer its link to another calculator gives."""
    (link,) = [one for one in answer.links if one.calculator == to]
    return ask(to, **dict(link.question), **more)


@cases(25)
@given(st.integers(10, 40), st.integers(2, 6), st.sampled_from(METALS), st.integers(1, 3))
def test_a_pistons_drill_groove_and_rings_are_those_of_its_links(
    bore: int, rod: int, metal: str, rings: int
) -> None:
    if rod > bore / 4:
        return
    try:
        made = ask("piston", bore=str(bore), rod=str(rod), metal=metal, rings=str(rings))
    except Refused:
        return
    # A deep hole takes an easier drill: the link knows how deep.
    assert follow(made, "tap").drill_name == made.drill_name
    ring = follow(made, "ring")
    # The ring says from where to where, the piston aims between.
    wide = made.groove_width_mm.value
    assert ring.groove_width_mm.value < wide < ring.groove_most_mm.value
    assert ring.groove_depth_mm.value == pytest.approx(made.groove_depth_mm.value)
    (groove,) = [dict(one.question) for one in made.links if one.calculator == "plan"]
    assert groove["metal"] == metal
    assert float(groove["wanted"].split()[0]) == pytest.approx(wide, abs=1e-4)


@cases(25)
@given(st.sampled_from(list(COARSE)), st.sampled_from(METALS), st.integers(4, 12))
def test_a_studs_hole_and_thread_are_those_of_its_links(name: str, metal: str, cover: int) -> None:
    stud = ask("stud", thread=name, metal=metal, cover=str(cover))
    hole = follow(stud, "tap")
    assert hole.deep_mm.value == pytest.approx(stud.engaged_mm.value, abs=1e-3)
    assert follow(stud, "die").blank_mm == ask("die", thread=name, metal="mild-steel").blank_mm


@cases(25)
@given(st.integers(5, 60), st.integers(5, 50), st.sampled_from(("6", "8", "10")))
def test_a_passage_drilled_is_as_long_as_it_was_drawn(across: int, deep: int, drill: str) -> None:
    try:
        drawn = ask("passage", start="0, 0", end=f"{across}, {deep + 20}", drill=drill)
    except Refused:
        return
    along = follow(drawn, "angled-hole")
    assert along.length_mm.value == pytest.approx(drawn.length_mm.value, abs=2e-3)


@cases(30)
@given(
    st.sampled_from(["M3", "M6", "M10", "2BA", "1/2 BSW", "1/4-20 UNC", "1/4x40 ME"]),
    st.sampled_from(METALS),
    st.sampled_from(["", "4 mm", "6 mm"]),
)
def test_a_thread_by_its_sizes_leads_to_the_thread_by_its_name(
    name: str, metal: str, relief: str
) -> None:
    thread = find_thread(name)
    if relief and float(relief.split()[0]) <= thread.pitch_mm:
        return
    typed = {"relief": relief} if relief else {}
    belt = ask(
        "speed",
        operation="screw-cut",
        metal=metal,
        diameter=f"{thread.major_mm:.6f}",
        pitch=f"{thread.pitch_mm:.8f}",
        **typed,
    )
    named = [dict(one.question) for one in belt.links]
    assert thread.name in [one["thread"] for one in named]
    cut = ask("screwcut", **next(one for one in named if one["thread"] == thread.name))
    assert cut.set_rpm.value == belt.set_rpm.value
    assert cut.position == belt.position
    assert cut.pitch_mm.value == pytest.approx(thread.pitch_mm, abs=1e-4)
    # The form comes along with the name: 0 BA is no M6, and each is offered.
    assert cut.angle_of_thread_deg.value == thread.form.angle_deg
    if thread.name.startswith("M"):
        assert cut.depth_mm.value == ask("screwcut", thread=name, metal=metal).depth_mm.value
