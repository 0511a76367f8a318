"""Cautions of holes and threads: there when they bite, and only then."""

from __future__ import annotations

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.figures import instead_of
from runk.core.holes.hole import hole, needs
from runk.core.holes.question import Ends, Finish, HoleQuestion, Point
from runk.core.machines.dials import divisions_say, judged_divisions, turns_say
from runk.core.machines.machine import Dial
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.threads import find_thread
from runk.core.threads.cover import cover
from runk.core.threads.cover_question import CoverQuestion, Joint
from runk.core.threads.die import DieQuestion, die
from runk.core.threads.die import needs as die_needs
from runk.core.threads.engage import School
from runk.core.threads.stud import StudQuestion, stud
from runk.core.threads.stud import needs as stud_needs
from runk.core.threads.tap import needs as tap_needs
from runk.core.threads.tap import tap
from runk.core.threads.tap_question import LastTap, TapQuestion
from runk.core.tools import ShopTool, State, ToolKind, check_tool
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import WORKSHOP
from runk.demo.trays import TOOLS

PLAIN = HoleQuestion(Fraction(6), "mild-steel", deep=Fraction(12))


def about(question: HoleQuestion, workshop: Workshop = WORKSHOP) -> dict[str, str]:
    """What is minded about a hole: the word by what it is about."""
    answer = hole(question, needs(question, workshop))
    return {c.about: c.word for c in answer.cautions}


@pytest.mark.parametrize(
    ("change", "what", "word"),
    [
        ({}, "breaking through", "Mind"),
        ({"ends": Ends.BLIND, "thick": Fraction(13)}, "the point", "Stop"),
        ({"ends": Ends.BLIND, "thick": Fraction(14)}, "the bottom", "Mind"),
        ({"deep": Fraction(19)}, "the swarf", "Mind"),
        ({"slope": 20.0}, "the slope", "Mind"),
        ({"finish": Finish.MACHINE_REAMED}, "the axis", "Mind"),
        ({"finish": Finish.MACHINE_REAMED, "metal": "gunmetal"}, "closing in", "Mind"),
        ({"metal": "brass"}, "the snatch", "Mind"),
        ({"metal": "stainless-304"}, "the work hardening", "Mind"),
        ({"bearings": 3, "span": Fraction(60)}, "the line", "Mind"),
        (
            {"finish": Finish.HAND_REAMED, "size": Fraction(4), "ends": Ends.BLIND},
            "the lead",
            "Stop",
        ),
    ],
)
def test_a_caution_bites_where_it_should(change: dict[str, object], what: str, word: str) -> None:
    assert about(replace(PLAIN, **change)).get(what) == word  # type: ignore[arg-type]


@pytest.mark.parametrize(
    ("change", "what"),
    [
        ({"ends": Ends.BLIND}, "breaking through"),
        ({"ends": Ends.BLIND, "thick": Fraction(20)}, "the point"),
        ({"ends": Ends.BLIND, "thick": Fraction(20)}, "the bottom"),
        ({}, "the swarf"),
        ({}, "the slope"),
        ({}, "the axis"),
        ({"finish": Finish.MACHINE_REAMED, "metal": "mild-steel"}, "closing in"),
        ({}, "the snatch"),
        ({}, "the line"),
        ({"finish": Finish.MACHINE_REAMED}, "the lead"),
        # The plan has seen to it: these are the speed calculator's own.
        ({"size": Fraction(16), "metal": "mild-steel"}, "stalling"),
        ({}, "the top speed"),
    ],
)
def test_a_caution_is_silent_where_it_should_be(change: dict[str, object], what: str) -> None:
    assert what not in about(replace(PLAIN, **change))  # type: ignore[arg-type]


def test_a_reamer_with_no_drill_near_is_said_to_be_overloaded() -> None:
    tools = tuple(t for t in TOOLS if t.kind is not ToolKind.DRILL or not 5.3 < t.mm < 6)
    sparse = replace(WORKSHOP, tools=tools)
    question = replace(PLAIN, finish=Finish.MACHINE_REAMED)
    assert about(question, sparse)["what is left"] == "Stop"
    assert "what is left" not in about(question)


def test_a_split_point_is_shorter_and_a_start_offset_moves_every_stop() -> None:
    usual = hole(PLAIN, needs(PLAIN, WORKSHOP))
    flat = hole(replace(PLAIN, point=Point.SPLIT), needs(PLAIN, WORKSHOP))
    assert flat.point_mm.value < usual.point_mm.value
    offset = replace(PLAIN, start=Fraction(127, 10))
    moved = hole(offset, needs(offset, WORKSHOP))
    # Half an inch is five turns of this tailstock.
    assert usual.drills[-1].stop == "5 turns and 82 3/4 of the tailstock"
    assert moved.drills[-1].stop == "10 turns and 82 3/4 of the tailstock"
    assert moved.drills[-1].depth_mm == usual.drills[-1].depth_mm


def test_a_counterbore_takes_the_end_mill_there_is() -> None:
    owned = replace(PLAIN, counterbore=Fraction(10), seat=Fraction(4))
    step = hole(owned, needs(owned, WORKSHOP)).then[-1]
    assert (step.kind, step.name) == ("counterbore", "10 mm slot drill")
    assert step.depth_mm is not None
    assert step.depth_mm.value == 4
    other = replace(PLAIN, counterbore=Fraction(11), seat=Fraction(4))
    assert "next larger is 12 mm" in hole(other, needs(other, WORKSHOP)).then[-1].says


def test_no_cutter_for_a_slope_is_refused() -> None:
    bare = replace(
        WORKSHOP,
        tools=tuple(t for t in TOOLS if t.kind not in (ToolKind.END_MILL, ToolKind.SLOT_DRILL)),
    )
    sloping = replace(PLAIN, slope=30.0)
    with pytest.raises(Refused, match="flat milled for it first"):
        hole(sloping, needs(sloping, bare))


THREADED = TapQuestion(find_thread("M4"), "mild-steel", Fraction(8))


@pytest.mark.parametrize(
    ("change", "what", "there"),
    [
        ({"ends": Ends.BLIND, "last": LastTap.BOTTOMING}, "the bottom", True),
        ({}, "the bottom", False),
        ({"metal": "stainless-303"}, "the work hardening", True),
        ({"metal": "brass"}, "the work hardening", False),
        ({"metal": "copper"}, "grabbing", True),
        ({"thread": find_thread("M4.5")}, "the drawer", True),
        ({"last": LastTap.SECOND}, "the drawer", False),
        ({"metal": "silver-steel", "school": School.BOOK}, "the tap", True),
        ({"metal": "brass"}, "the tap", False),
    ],
)
def test_cautions_of_tapping(change: dict[str, object], what: str, there: bool) -> None:
    question = replace(THREADED, **change)  # type: ignore[arg-type]
    cautions = tap(question, tap_needs(question, WORKSHOP)).cautions
    assert (what in {c.about for c in cautions}) is there


def test_torque_grows_with_engagement_metal_and_friction() -> None:
    def near(metal: str, thread: str) -> float:
        question = TapQuestion(find_thread(thread), metal)
        return tap(question, tap_needs(question, WORKSHOP)).near_percent.value

    assert near("brass", "M4") < near("mild-steel", "M4") < near("stainless-304", "M4")
    # A finer thread of one diameter is easier on its tap.
    assert near("mild-steel", "M10x1") < near("mild-steel", "M10")


def test_a_long_thin_stud_twists_and_a_die_that_is_not_owned_is_said() -> None:
    long = DieQuestion(find_thread("M3"), "brass", Fraction(30))
    found = {c.about for c in die(long, die_needs(long, WORKSHOP)).cautions}
    assert {"the twist", "the drive"} <= found
    assert "the drawer" not in found
    other = replace(long, thread=find_thread("M6"), long=Fraction(10))
    found = {c.about for c in die(other, die_needs(other, WORKSHOP)).cautions}
    assert "the drawer" in found
    assert "the twist" not in found


@pytest.mark.parametrize(
    ("metal", "times"),
    [("mild-steel", 1.0), ("gunmetal", 1.25), ("grey-iron", 1.5), ("aluminium-6082", 2.0)],
)
def test_studs_go_in_as_far_as_the_metal_wants(metal: str, times: float) -> None:
    """Common practice: steel 1 D, bronze and brass 1.25, iron 1.5, aluminium 2."""
    question = StudQuestion(find_thread("M5"), metal, cover=Fraction(4))
    answer = stud(question, stud_needs(question, WORKSHOP))
    assert answer.engaged_mm.value == pytest.approx(5 * times)
    assert answer.weakest == "the stud breaks first"
    assert answer.enough_mm.value <= answer.engaged_mm.value


@given(
    st.sampled_from(["M3", "4 BA", "1/4-20", "3/16 BSF", "M8x1"]),
    st.integers(1, 300),
    st.integers(0, 20),
    st.integers(0, 30),
)
def test_the_parts_of_a_stud_add_up_to_it(name: str, cover: int, gasket: int, washer: int) -> None:
    tenths = [Fraction(n, 10) for n in (cover, gasket, washer)]
    question = StudQuestion(find_thread(name), "gunmetal", "mild-steel", *tenths)
    answer = stud(question, stud_needs(question, WORKSHOP))
    assert sum(part.mm.value for part in answer.parts) == pytest.approx(answer.length_mm.value)
    threads = answer.engaged_mm.value + answer.plain_mm.value + answer.nut_end_mm.value
    assert threads == pytest.approx(answer.length_mm.value)
    assert all(part.mm.value > 0 for part in answer.parts)


@given(st.sampled_from(["M3", "4 BA", "M5"]), st.integers(15, 60), st.integers(12, 60))
def test_walls_of_a_cover_add_up_to_its_rim(name: str, seal: int, more: int) -> None:
    question = CoverQuestion(find_thread(name), 0.5, Fraction(seal), rim=Fraction(seal + more))
    try:
        answer = cover(question)
    except Refused as refused:
        assert "overlap" in refused.says
        return
    assert answer.rim_mm is not None
    assert answer.outer_wall_mm is not None
    walls = answer.inner_wall_mm.value + answer.outer_wall_mm.value + answer.major_mm.value
    assert walls == pytest.approx((answer.rim_mm.value - seal) / 2)
    # A flat joint lets the pressure out to the inside of the studs, a ring keeps it at the bore.
    assert answer.seal_mm.value == pytest.approx(answer.circle_mm.value - answer.major_mm.value)
    ring = cover(replace(question, joint=Joint.SEALED, count=answer.count))
    assert ring.seal_mm.value == seal
    assert ring.load_n.value < answer.load_n.value
    nut = answer.nut_flats_mm.value
    assert answer.between_nuts_mm.value == pytest.approx(answer.chord_mm.value - 1.1547 * nut)


@pytest.mark.parametrize(("name", "long"), [("M3", 16), ("2 BA", 20), ("M10", 40), ("4-40", 3)])
def test_a_die_is_cleaned_before_it_is_full(name: str, long: int) -> None:
    question = DieQuestion(find_thread(name), "stainless-303", Fraction(long))
    answer = die(question, die_needs(question, WORKSHOP))
    every = answer.clean_every_turns.value
    assert every == int(every)
    assert every * answer.pitch_mm.value <= answer.clean_every_mm.value + 1e-9
    assert answer.withdrawals is not None
    # So many withdrawals leave no stretch longer than one between cleanings.
    assert long / (answer.withdrawals + 1) <= answer.clean_every_mm.value + 1e-9


def test_studs_too_far_apart_leak_and_too_close_leave_no_spanner() -> None:
    wide = CoverQuestion(find_thread("M3"), 0.2, Fraction(60), count=4)
    assert "leaks" in {c.about for c in cover(wide).cautions}
    close = CoverQuestion(find_thread("M5"), 0.2, Fraction(22), count=10)
    assert "the spanner" in {c.about for c in cover(close).cautions}
    over = CoverQuestion(find_thread("M2"), 1.5, Fraction(40), count=6)
    assert ("Stop", "the stress") in {(c.word, c.about) for c in cover(over).cautions}


def test_everything_in_the_invented_trays_could_be_a_tool() -> None:
    assert len({t.key for t in TOOLS}) == len(TOOLS)
    for tool in TOOLS:
        check_tool(tool)
        if tool.kind in (ToolKind.TAP, ToolKind.DIE):
            assert find_thread(tool.name).major == tool.size_mm
    states = {t.state for t in TOOLS}
    assert states == set(State)
    assert 210 <= len(WORKSHOP.drills) <= 300
    assert all(isinstance(t, ShopTool) and t.sound for t in WORKSHOP.drills)


@pytest.mark.parametrize(
    ("unit", "division", "per_turn", "reads"),
    [
        ("inch", 0.001, 100, "radius"),
        ("inch", 0.001, 100, "diameter"),
        ("mm", 0.02, 125, "radius"),
        ("mm", 0.05, 60, "diameter"),
    ],
)
def test_a_dial_says_what_it_is_wound_to(
    unit: str, division: float, per_turn: int, reads: str
) -> None:
    dial = Dial("tailstock", unit, division, per_turn, reads)
    for tenths in range(1, 400, 7):
        divisions = judged_divisions(dial, tenths / 10)
        assert divisions * dial.travel_mm == pytest.approx(
            tenths / 10, abs=dial.travel_mm / 8 + 1e-9
        )
        said = turns_say(divisions, per_turn)
        turns, _, rest = said.rpartition(" and ") if " and " in said else ("", "", said)
        if "turn" in said and " and " not in said:
            turns, rest = said, "0"
        whole = int(turns.split()[0]) if turns else 0
        back = whole * per_turn + _divisions(rest)
        assert back == pytest.approx(divisions)


def _divisions(said: str) -> float:
    quarters = {"1/4": 0.25, "1/2": 0.5, "3/4": 0.75}
    return sum(quarters[part] if "/" in part else float(part) for part in said.split())


def test_quarters_are_said_as_people_say_them() -> None:
    assert [divisions_say(q / 4) for q in range(1, 6)] == ["1/4", "1/2", "3/4", "1", "1 1/4"]


@pytest.mark.parametrize(
    ("finish", "moved", "instead"),
    [
        ("drilled", "0.5", "bore it"),
        ("stepped", "0.5", "bore it"),
        ("bored", "0.5", ""),
        ("bored", "1.5", "bore it to 13.00 mm or more, or plug it and begin again"),
    ],
)
def test_a_hole_out_of_its_place_is_moved_by_a_bar_alone(
    finish: str, moved: str, instead: str
) -> None:
    hole = CATALOGUE["hole"]
    typed = {"size": "12", "metal": "brass", "finish": finish, "there": "10", "moved": moved}
    answer = hole.ask(read_question(hole, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)
    assert worded(instead_of(answer.cautions), PageUnit.MM) == instead
    # Drawn by hand: a 10 mm circle half a millimetre out lies inside 11 mm.
    assert answer.cleans_mm.value == 10 + 2 * float(moved)
    # No drill but the hole that is there: it would follow it.
    assert answer.drill_mm.value == 10


def test_a_scale_coarser_than_half_the_limits_is_no_way() -> None:
    depth = CATALOGUE["depth"]
    for within, coarse in (("0.2", False), ("0.02", True)):
        typed = {"way": "touch", "deep": "12", "within": within, "machine": "lathe"}
        answer = depth.ask(read_question(depth, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)
        assert any("tailstock" in c.about for c in answer.cautions) == coarse
