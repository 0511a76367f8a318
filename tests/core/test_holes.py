"""Holes: never a missing drill, steps that grow, what a reamer wants, sums that add up."""

from __future__ import annotations

import re
from dataclasses import replace
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.holes.angled import AngledQuestion, angled
from runk.core.holes.heads import Head, head_of
from runk.core.holes.hole import hole, needs
from runk.core.holes.nearest import nearest_drill
from runk.core.holes.nearest import needs as near_needs
from runk.core.holes.nearest_question import For, NearestQuestion
from runk.core.holes.pick import exact, ream_allowance
from runk.core.holes.question import Ends, Finish, HoleQuestion
from runk.core.holes.steps import BREAK_OUT_MM
from runk.core.holes.stops import DepthQuestion, Side, Way, depth
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.threads.series import find_thread
from runk.core.tools import ShopTool, State, ToolKind
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import LATHE, MILL, WORKSHOP

METALS = ["brass", "mild-steel", "stainless-304", "grey-iron", "gunmetal", "silver-steel"]


@st.composite
def workshops(draw: st.DrawFn) -> Workshop:
    """Back Shed with any of its tools missing, bent or blunt."""
    states = draw(st.lists(st.sampled_from(State), min_size=12, max_size=12))
    tools = tuple(replace(t, state=states[n % 12]) for n, t in enumerate(WORKSHOP.tools))
    return replace(WORKSHOP, tools=tools)


@st.composite
def questions(draw: st.DrawFn) -> HoleQuestion:
    size = Fraction(draw(st.integers(6, 260)), 10)
    deep = Fraction(draw(st.integers(5, 400)), 10)
    return HoleQuestion(
        size,
        draw(st.sampled_from(METALS)),
        draw(st.sampled_from(Finish)),
        draw(st.sampled_from(Ends)),
        deep,
        machine=draw(st.sampled_from(["", "Lathe", "Mill"])),
    )


@given(workshops(), questions())
def test_only_drills_that_can_be_used_and_each_larger_than_the_last(
    workshop: Workshop, question: HoleQuestion
) -> None:
    try:
        answer = hole(question, needs(question, workshop))
    except Refused as refused:
        assert refused.says
        return
    owned = {t.name: t for t in workshop.tools if t.kind is ToolKind.DRILL}
    sizes = [step.mm.value for step in answer.drills]
    assert sizes == sorted(set(sizes))
    assert sizes[-1] <= float(question.size) * 1.04
    for step in answer.drills:
        tool = owned[step.name]
        assert tool.state is State.SOUND
        # No drill goes in past its flutes; a pilot leaves a diameter of them for its chips.
        gone, clear = step.depth_mm, tool.mm if step.kind == "pilot" else 0.0
        assert gone is None or tool.reach_mm is None or gone.value <= tool.reach_mm - clear + 1e-9
        assert step.rpm is not None
        assert step.rpm.value > 0
    for step in answer.then:
        if step.kind == "ream":
            name = step.name.rsplit(" ", 2)[0]
            reamer = next(t for t in workshop.tools if t.kind is ToolKind.REAMER and t.name == name)
            assert reamer.state is State.SOUND


@given(workshops(), questions())
def test_the_last_drill_leaves_what_its_finish_wants_or_it_is_said(
    workshop: Workshop, question: HoleQuestion
) -> None:
    try:
        answer = hole(question, needs(question, workshop))
    except Refused:
        return
    size = float(question.size)
    if answer.left_mm is None:
        assert question.finish in (Finish.DRILLED, Finish.STEPPED)
        return
    left = answer.left_mm.value
    assert left == pytest.approx(size - answer.drills[-1].mm.value)
    if question.finish in (Finish.BORED, Finish.HONED):
        assert left >= 0.5 - 1e-9
        return
    leave = ream_allowance(size, by_hand=any("hand reamer" in step.name for step in answer.then))
    assert left >= leave.low_mm - 1e-9
    said = any(c.about == "what is left" for c in answer.cautions)
    assert said == (left > leave.high_mm + 1e-9)


@given(st.integers(30, 200), st.integers(20, 300))
def test_depths_add_up_through_and_blind(tenths: int, deep: int) -> None:
    for ends in Ends:
        asked = HoleQuestion(Fraction(tenths, 10), ends=ends, deep=Fraction(deep, 10))
        try:
            answer = hole(asked, needs(asked, WORKSHOP))
        except Refused:
            continue
        assert answer.bottom_mm is not None
        more = answer.bottom_mm.value - deep / 10 - answer.point_mm.value
        assert more == pytest.approx(1.0 if ends is Ends.THROUGH else 0.0, abs=1e-9)


@given(st.integers(1, 400))
def test_the_nearest_drill_is_the_nearest(tenths: int) -> None:
    wanted = Fraction(tenths, 20)
    if wanted < Fraction(1, 10):
        return
    asked = NearestQuestion(wanted)
    answer = nearest_drill(asked, near_needs(asked, WORKSHOP))
    best = min(abs(t.size_mm - wanted) for t in WORKSHOP.drills)
    assert abs(answer.off_mm.value) == pytest.approx(float(best))
    assert all(t.mm.value <= float(wanted) + 1e-9 for t in answer.below)
    assert all(t.mm.value > float(wanted) for t in answer.above)
    assert len(answer.below) <= 4


def test_a_clearance_never_binds_and_a_reamer_always_has_something_left() -> None:
    for mm in (2, 3, 4, 5, 6, 8, 10):
        clear = NearestQuestion(Fraction(mm), For.CLEAR)
        assert nearest_drill(clear, near_needs(clear, WORKSHOP)).drill_mm.value > mm
        ream = NearestQuestion(Fraction(mm), For.REAM)
        left = mm - nearest_drill(ream, near_needs(ream, WORKSHOP)).drill_mm.value
        own = [r for r in WORKSHOP.reamers if r.size_mm == mm]
        by_hand = bool(own) and all(r.series == "hand" for r in own)
        assert left >= ream_allowance(mm, by_hand=by_hand).low_mm - 1e-9


def test_a_marked_drill_that_would_be_nearer_is_named() -> None:
    asked = NearestQuestion(Fraction("2.26"))
    answer = nearest_drill(asked, near_needs(asked, WORKSHOP))
    assert answer.name == "2.3 mm"
    assert "#43" in answer.cautions[0].says
    assert "missing" in answer.cautions[0].says


@pytest.mark.parametrize(
    ("question", "field", "says"),
    [
        (HoleQuestion(Fraction(7), finish=Finish.MACHINE_REAMED), "size", "no 7 mm machine reamer"),
        (HoleQuestion(Fraction(6), finish=Finish.HAND_REAMED), "size", "no 6 mm hand reamer"),
        (HoleQuestion(Fraction(3), finish=Finish.BORED), "finish", "too small to get a boring"),
        (HoleQuestion(Fraction(40)), "finish", "largest drill"),
        (HoleQuestion(Fraction("0.3")), "size", "smallest drill"),
        (HoleQuestion(Fraction(6), ends=Ends.BLIND), "deep", "How deep"),
        (
            HoleQuestion(Fraction(6), ends=Ends.BLIND, deep=Fraction(12), thick=Fraction(10)),
            "deep",
            "through hole",
        ),
        (HoleQuestion(Fraction(2), deep=Fraction(40)), "deep", "24 mm of flute"),
        (HoleQuestion(Fraction(6), counterbore=Fraction(5)), "counterbore", "larger than its hole"),
        (HoleQuestion(Fraction(6), seat=Fraction(3)), "counterbore", "What size"),
        (HoleQuestion(Fraction(6), bearings=3), "span", "over all the bearings"),
    ],
)
def test_a_hole_that_cannot_be_is_refused(question: HoleQuestion, field: str, says: str) -> None:
    with pytest.raises(Refused) as caught:
        hole(question, needs(question, WORKSHOP))
    assert caught.value.field == field
    assert says in caught.value.says


def test_an_empty_tray_says_where_to_fill_it() -> None:
    empty = replace(WORKSHOP, tools=())
    for asked in (
        lambda: hole(HoleQuestion(Fraction(6)), needs(HoleQuestion(Fraction(6)), empty)),
        lambda: nearest_drill(
            NearestQuestion(Fraction(6)), near_needs(NearestQuestion(Fraction(6)), empty)
        ),
    ):
        with pytest.raises(Refused, match="add a set"):
            asked()


def test_a_blind_hole_warns_of_its_point_and_of_a_hand_reamers_lead() -> None:
    asked = HoleQuestion(
        Fraction(10), "brass", Finish.DRILLED, Ends.BLIND, Fraction(20), Fraction(22)
    )
    answer = hole(asked, needs(asked, WORKSHOP))
    assert ("Stop", "the point") in {(c.word, c.about) for c in answer.cautions}
    by_hand = HoleQuestion(Fraction(4), "brass", Finish.HAND_REAMED, Ends.BLIND, Fraction(12))
    answer = hole(by_hand, needs(by_hand, WORKSHOP))
    assert ("Stop", "the lead") in {(c.word, c.about) for c in answer.cautions}
    assert ("Mind", "the snatch") in {(c.word, c.about) for c in answer.cautions}


def test_a_hand_reamer_in_the_machine_keeps_its_lead_and_its_small_bite() -> None:
    drawer = [ShopTool(ToolKind.REAMER, "8 mm", Fraction(8), "hand", lead_mm=24.0)]
    drawer += [tool for tool in WORKSHOP.tools if tool.kind is not ToolKind.REAMER]
    shop = replace(WORKSHOP, tools=tuple(drawer))
    asked = HoleQuestion(Fraction(8), "gunmetal", Finish.MACHINE_REAMED, Ends.BLIND, Fraction(20))
    answer = hole(asked, needs(asked, shop))
    assert "hand reamer" in answer.then[0].name
    assert answer.then[0].rpm is not None
    assert answer.then[0].rpm.value == LATHE.ladder[0].rpm
    lead = next(c for c in answer.cautions if c.about == "the lead")
    assert lead.word == "Stop"
    assert re.search("first 2[45] mm", worded(lead.says, PageUnit.MM))
    assert answer.ream_allowance_mm is not None
    assert answer.ream_allowance_mm.value == ream_allowance(8.0, by_hand=True).usual_mm
    through = replace(asked, ends=Ends.THROUGH)
    passed = hole(through, needs(through, shop)).pass_mm
    assert passed is not None
    assert passed.value >= 24.0


def test_a_slope_gets_its_flat_and_a_line_its_order() -> None:
    asked = HoleQuestion(Fraction(8), "grey-iron", slope=30.0, deep=Fraction(10))
    answer = hole(asked, needs(asked, WORKSHOP))
    first = answer.first
    assert answer.slope_deg is not None
    assert answer.slope_deg.value == 30
    assert [step.kind for step in first] == ["flat", "spot"]
    assert first[0].depth_mm is not None
    assert first[0].depth_mm.value == pytest.approx(4.0 * 0.57735, rel=1e-4)
    line = HoleQuestion(
        Fraction(8), "gunmetal", Finish.MACHINE_REAMED, bearings=3, span=Fraction(70)
    )
    says = [c.says for c in hole(line, needs(line, WORKSHOP)).cautions if c.about == "the line"]
    assert says
    assert "follow through" in says[0]


def test_a_bore_hands_its_numbers_on() -> None:
    asked = HoleQuestion(Fraction(22), "grey-iron", Finish.BORED, deep=Fraction(40))
    link = hole(asked, needs(asked, WORKSHOP)).links[0]
    assert (link.calculator, dict(link.question)["wanted"]) == ("plan", "22 mm")


@given(
    st.integers(1, 2000),
    st.integers(0, 500),
    st.integers(1, 100),
    st.integers(1, 200),
    st.sampled_from([LATHE, MILL]),
)
def test_stop_sums_can_be_taken_apart_again(
    deep: int, start: int, feeler: int, tip: int, machine: object
) -> None:
    wanted, begin = Fraction(deep, 10), Fraction(start, 10) or None
    touch = depth(DepthQuestion(wanted, Way.TOUCH, begin, Fraction(feeler, 100)), machine)  # type: ignore[arg-type]
    assert touch.stop_mm.value - start / 10 - feeler / 100 == pytest.approx(deep / 10)
    assert sum(p.mm.value for p in touch.stack) == pytest.approx(touch.stop_mm.value)
    if touch.divisions is not None:
        dial = machine.dial("tailstock")  # type: ignore[attr-defined]
        assert touch.divisions.value * dial.travel_mm == pytest.approx(
            touch.stop_mm.value, abs=dial.travel_mm / 8 + 1e-9
        )
    sides = [
        DepthQuestion(wanted, Way.EDGE, begin, finder=Fraction(tip, 10), side=side) for side in Side
    ]
    before = depth(sides[0], machine).stop_mm.value  # type: ignore[arg-type]
    try:
        beyond = depth(sides[1], machine).stop_mm.value  # type: ignore[arg-type]
    except Refused:
        assert deep / 10 + start / 10 < tip / 20
        return
    # One and the same edge found from both sides: a whole finder apart.
    assert before - beyond == pytest.approx(tip / 10)


def test_a_passage_that_never_meets_is_refused_with_an_angle_that_does() -> None:
    asked = AngledQuestion(Fraction(3), 60.0, Fraction(12), Fraction(15))
    with pytest.raises(Refused, match="never meets") as caught:
        angled(asked)
    fits = angled(replace(asked, angle=float(caught.value.suggest or 0)))
    assert fits.wall_mm is not None
    assert fits.wall_mm.value > 0
    with pytest.raises(Refused, match="never meets the other"):
        angled(replace(asked, angle=85.0, room=None))


def test_two_of_one_tool_are_one() -> None:
    one = ShopTool(ToolKind.DRILL, "4 mm", Fraction(4), "metric")
    assert one.key == replace(one, name="4 MM", state=State.BENT).key


@pytest.mark.parametrize("finish", [Finish.D_BIT, Finish.BAR])
def test_a_scraping_edge_goes_slow_and_takes_little(finish: Finish) -> None:
    asked = HoleQuestion(Fraction(6), "brass", finish, Ends.BLIND, Fraction(15))
    answer = hole(asked, needs(asked, WORKSHOP))
    made = answer.then[0]
    assert made.rpm is not None
    assert made.feed_mm_per_rev is not None
    assert made.rpm.value < 100
    assert 0.02 <= made.feed_mm_per_rev.value <= 0.05
    assert not any("reamer" in c.says for c in answer.cautions)


@given(
    st.integers(50, 200),
    st.integers(40, 400),
    st.sampled_from([Finish.D_BIT, Finish.BORED, Finish.HONED, Finish.MACHINE_REAMED]),
)
def test_a_blind_hole_is_drilled_for_what_finishes_it(
    tenths: int, deep: int, finish: Finish
) -> None:
    """No point goes through a flat floor; a reamer's lead passes the depth and meets no cone."""
    asked = HoleQuestion(
        Fraction(tenths, 10), finish=finish, ends=Ends.BLIND, deep=Fraction(deep, 10)
    )
    try:
        answer = hole(asked, needs(asked, WORKSHOP))
    except Refused:
        return
    tip, last = answer.bottom_mm, answer.then[-1].depth_mm
    assert tip is not None
    if finish is not Finish.MACHINE_REAMED:
        assert all(s.depth_mm is not None and s.depth_mm.value < deep / 10 for s in answer.drills)
        return
    assert last is not None
    if "hand reamer" not in answer.then[-1].name:
        assert last.value > deep / 10
        assert tip.value - answer.point_mm.value >= last.value + 1 - 1e-9


def test_on_a_slope_the_stop_is_counted_from_the_flat() -> None:
    """6 mm, 15 deep on 45 degrees: the flat is 3.00 deep, the point 1.80, so 13.80 from it."""
    asked = HoleQuestion(
        Fraction(6),
        "mild-steel",
        Finish.DRILLED,
        Ends.BLIND,
        Fraction(15),
        Fraction(19),
        machine="mill",
        slope=45.0,
    )
    answer = hole(asked, needs(asked, WORKSHOP))
    flat, last = answer.first[0], answer.drills[-1]
    assert flat.kind == "flat"
    assert flat.depth_mm is not None
    assert last.depth_mm is not None
    assert answer.bottom_mm is not None
    assert last.depth_mm.value == pytest.approx(13.803, abs=0.002)
    assert flat.depth_mm.value + last.depth_mm.value == pytest.approx(16.803, abs=0.002)
    assert answer.bottom_mm.value == pytest.approx(16.803, abs=0.002)


@pytest.mark.parametrize(
    ("size", "deep", "pilot_most"),
    [("10", 60, 4.0), ("12", 90, 5.0), ("13", 95, 5.0), ("12", 80, 5.0)],
)
def test_a_deep_hole_keeps_a_pilot_that_leads(size: str, deep: int, pilot_most: float) -> None:
    """As deep as its flutes clear, and no thicker than what leads a web."""
    asked = HoleQuestion(Fraction(size), "mild-steel", deep=Fraction(deep))
    answer = hole(asked, needs(asked, WORKSHOP))
    pilot = answer.drills[0]
    assert pilot.kind == "pilot"
    assert pilot.mm.value <= pilot_most
    assert pilot.depth_mm is not None
    assert pilot.depth_mm.value < deep
    assert "swarf" in " ".join(c.about for c in answer.cautions)


def test_it_is_the_pilot_that_is_named_for_its_depth() -> None:
    asked = HoleQuestion(Fraction(10), "mild-steel", deep=Fraction(25))
    answer = hole(asked, needs(asked, WORKSHOP))
    swarf = next(c for c in answer.cautions if c.about == "the swarf")
    assert answer.drills[0].name in swarf.says


@pytest.mark.parametrize(
    ("calculator", "typed", "tip"),
    [
        ("tap", {"thread": "M4", "ends": "blind", "deep": "8", "thick": "12"}, "hole_depth_mm"),
        ("tap", {"thread": "M10", "ends": "blind", "deep": "15"}, "hole_depth_mm"),
    ],
)
def test_a_tapping_hole_ends_where_its_link_drills_it(
    calculator: str, typed: dict[str, str], tip: str
) -> None:
    one, other = CATALOGUE[calculator], CATALOGUE["hole"]
    answer = one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)
    link = next(x for x in answer.links if x.calculator == "hole")
    question = read_question(other, dict(link.question), PageUnit.MM, WORKSHOP).question
    there = other.ask(question, WORKSHOP)
    assert there.bottom_mm.value == pytest.approx(getattr(answer, tip).value, abs=0.006)
    assert (question.thick is None) is ("thick" not in typed)


def test_a_passage_at_an_angle_goes_no_further_by_its_link() -> None:
    """3 mm at 30 degrees through 12: its far lip out, and no second breaking through."""
    one, other = CATALOGUE["angled-hole"], CATALOGUE["hole"]
    typed = {"drill": "3", "angle": "30", "across": "12"}
    answer = one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)
    link = next(x for x in answer.links if x.calculator == "hole")
    question = read_question(other, dict(link.question), PageUnit.MM, WORKSHOP).question
    there = other.ask(question, WORKSHOP)
    # Both from the face: what is touched on the flat, and the flat itself.
    assert there.bottom_mm.value == pytest.approx(answer.travel_mm.value + BREAK_OUT_MM, abs=0.02)


@pytest.mark.parametrize(("stands", "high", "gauge"), [("gauge", "62", 12.0), ("work", "12", 62.0)])
def test_a_height_gauge_on_a_block_or_the_work_on_it(stands: str, high: str, gauge: float) -> None:
    """62 over the table from a 50 block is 12; 12 over the foot of work on it is 62."""
    asks = CATALOGUE["depth"]
    typed = {"way": "block", "block": "50", "deep": high, "stands": stands}
    answer = asks.ask(read_question(asks, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)
    assert answer.stop_mm.value == gauge


def _hole(**typed: str) -> Any:
    asks = CATALOGUE["hole"]
    return asks.ask(read_question(asks, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def test_a_hole_that_is_there_is_where_the_drills_begin() -> None:
    opened = _hole(size="12", metal="mild-steel", there="9", deep="20")
    assert not opened.first
    assert all(step.mm.value > 9 for step in opened.drills)
    assert "its place" in {c.about for c in opened.cautions}
    from_solid = _hole(size="12", metal="mild-steel", deep="20")
    assert from_solid.first
    assert len(from_solid.drills) > len(opened.drills)


@pytest.mark.parametrize(
    ("there", "kinds", "word"),
    # A 6 mm machine reamer wants 0.1 to 0.15: less rubs, more is drilled first.
    [("5.88", ["there"], ""), ("5.97", ["there"], "Stop"), ("5", ["last"], "")],
)
def test_a_hole_that_is_there_is_judged_for_its_reamer(
    there: str, kinds: list[str], word: str
) -> None:
    answer = _hole(size="6", metal="gunmetal", finish="machine-reamed", there=there)
    assert [step.kind for step in answer.drills] == kinds
    assert {c.about: c.word for c in answer.cautions}.get("what is left", "") == word


def test_a_hole_already_as_large_is_refused_with_what_to_do() -> None:
    with pytest.raises(Refused, match="bush it"):
        _hole(size="6", metal="brass", there="6.2")


@pytest.mark.parametrize(
    ("screw", "head", "size", "across", "deep"),
    [
        # ISO 4762 and 273 medium: head 7 by 4 over a 4.5 hole; 8 wide is DIN 974's as well.
        ("M4", "cap", 4.5, 8.0, 4.4),
        ("M6", "cap", 6.6, 11.2, 6.6),
        # ISO 10642: 8.96 across, 90 degrees, so (8.96 - 4.5) / 2 deep.
        ("M4", "countersunk", 4.5, 8.96, 2.23),
        # ASME B18.3: 0.183 by 0.112 in over the hole by practice.
        ("4-40", "cap", 2.94, 4.84, 3.13),
        # BA by practice: 1.75 D across, cheese 0.6 D high.
        ("2BA", "cheese", 4.86, 8.54, 3.29),
    ],
)
def test_a_named_screw_gives_its_hole_and_its_heads_seat(
    screw: str, head: str, size: float, across: float, deep: float
) -> None:
    answer = _hole(screw=screw, head=head, metal="mild-steel", deep="12")
    assert answer.size_mm.value == pytest.approx(size, abs=0.01)
    assert answer.counterbore_mm.value == pytest.approx(across, abs=0.02)
    assert answer.seat_mm.value == pytest.approx(deep, abs=0.02)
    assert answer.under_seat_mm.value == pytest.approx(12 - deep, abs=0.02)
    sunk = answer.then[-1]
    assert sunk.kind == ("countersink" if head == "countersunk" else "counterbore")


@pytest.mark.parametrize(
    ("typed", "field"), [({"screw": "M4", "metal": "brass"}, "head"), ({"metal": "brass"}, "size")]
)
def test_a_screw_wants_its_head_and_a_hole_its_size(typed: dict[str, str], field: str) -> None:
    with pytest.raises(Refused) as caught:
        _hole(**typed)
    assert caught.value.field == field


@pytest.mark.parametrize("way", [1, -1])
def test_a_tool_is_that_size_within_six_micrometres(way: int) -> None:
    """What one drill is off another of the same name: #43 is 2.2606 mm, sold as 2.26."""
    drills = [ShopTool(ToolKind.DRILL, "5 mm", 5.0, "metric", 52.0)]
    assert exact(drills, 5.0 + way * 0.0059) is drills[0]
    assert exact(drills, 5.0 + way * 0.0061) is None


@pytest.mark.parametrize(
    ("head", "across", "high"),
    [(Head.CAP, 1.5, 1.0), (Head.COUNTERSUNK, 1.75, 0.0), (Head.CHEESE, 1.75, 0.6)],
)
def test_a_head_no_standard_has_is_so_many_diameters(
    head: Head, across: float, high: float
) -> None:
    """A model engineer's 1/4 x 40, 6.35 mm: common practice."""
    found = head_of(find_thread("1/4x40"), head)
    assert found[:2] == (pytest.approx(across * 6.35), pytest.approx(high * 6.35))
    assert found[2].tag == "practice"
