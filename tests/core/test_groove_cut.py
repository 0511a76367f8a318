"""A groove brought to width: a slide that moves, a tool that is not quite what it is called."""

from __future__ import annotations

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.machines.dials import divisions_say
from runk.core.plan.events import Event, EventKind
from runk.core.plan.follow import begin, follow
from runk.core.plan.groove import floor_mm
from runk.core.plan.made import PassKind
from runk.core.plan.passes import every_pass, next_pass
from runk.core.plan.plan import needs, plan, to_follow
from runk.core.plan.question import Edge, PlanQuestion, Wall
from runk.core.plan.settle import Settled
from runk.core.plan.spec import CutSpec, Job
from runk.core.plan.view import view
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

RING = PlanQuestion(
    Job.GROOVE,
    "grey-iron",
    Fraction(22),
    Fraction("2.38"),
    Fraction("2.38"),
    Fraction("2.42"),
    deep=Fraction(1),
    width=Fraction("1.5"),
)


def _settled(question: PlanQuestion) -> Settled:
    return to_follow(question, needs(question, WORKSHOP))


def _brought(spec: CutSpec, tool_mm: float) -> tuple[float, int]:
    """What a tool of that true width makes of a groove, its slide moved as told.

    The slide stands where the last plunge was; the groove reaches from the left wall to the
    right edge of the tool, wherever that has been farthest.
    """
    slide = spec.from_divisions * spec.division_mm
    events: list[Event] = []
    for number in range(1, 30):
        where = follow(spec, events)
        told = next_pass(spec, where.at)
        if told is None:
            return slide + tool_mm, len(events)
        slide += told.divisions * spec.division_mm
        events.append(Event(number, EventKind.READING, (slide + tool_mm,)))
    raise AssertionError("it never ended")


@given(
    st.integers(210, 600), st.integers(80, 200), st.integers(-4, 4), st.sampled_from([0.03, 0.05])
)
def test_a_tool_a_little_off_its_name_still_ends_inside(
    wide: int, tool: int, off: int, apart: float
) -> None:
    wanted, width = Fraction(wide, 100), Fraction(tool, 100)
    question = replace(
        RING, wanted=wanted, smallest=wanted, largest=wanted + Fraction(str(apart)), width=width
    )
    spec = _settled(question).spec
    true = float(width) + off / 100
    made, readings = _brought(spec, true)
    assert spec.low_mm - 1e-9 <= made <= spec.high_mm + 1e-9
    assert 2 <= readings <= 12


def test_it_is_plunged_first_and_measured_before_anything_is_wound_on() -> None:
    cut = _settled(RING)
    passes = every_pass(cut.spec, begin(cut.spec).at)
    assert passes[0].kind is PassKind.FIRST
    assert passes[0].divisions == 0
    answer = view(cut.spec, cut.said, begin(cut.spec))
    assert answer.next_says == "Plunge at 96 (4 back); then at 68 3/4 (31 1/4 back); then at 0"
    assert "left edge of the tool to nought" in answer.start_says
    assert "39 1/4 of the cross-slide" in answer.next_detail
    assert "Come back to 68 3/4 (31 1/4 back) and measure. It should then measure 2.293" in worded(
        answer.next_detail, PageUnit.MM
    )
    assert answer.passes[0].measure
    told = plan(RING, needs(RING, WORKSHOP))
    assert [p.dial for p in told.passes][:2] == [
        "top-slide to 96 (4 back)",
        "top-slide to 68 3/4 (31 1/4 back)",
    ]
    # What a finishing plunge takes is what is left beside it, both walls alike.
    assert [round(p.take_mm.value, 3) for p in told.passes][2:] == [0.1, 0.1]
    after = follow(cut.spec, [Event(1, EventKind.READING, (2.33,))])
    following = view(cut.spec, cut.said, after)
    assert following.next_says == "Wind on 2 1/2"
    # From where the last plunge stood, not from nought.
    assert "the dial at 66 1/4" in following.next_detail


def test_the_right_edge_at_nought_stands_the_tool_its_width_farther_on() -> None:
    left, right = _settled(RING).spec, _settled(replace(RING, edge=Edge.RIGHT)).spec
    moved = (right.from_divisions - left.from_divisions) * left.division_mm
    assert moved == pytest.approx(1.5, abs=left.division_mm)


def test_too_wide_says_what_may_sit_in_it_and_one_plunge_is_not_followed() -> None:
    cut = _settled(RING)
    over = follow(
        cut.spec, [Event(1, EventKind.READING, (1.95,)), Event(2, EventKind.READING, (2.5,))]
    )
    answer = view(cut.spec, cut.said, over)
    assert answer.state == "over"
    assert "0.107 mm wider" in worded(answer.ways_out[0].says, PageUnit.MM)
    with pytest.raises(Refused, match="one plunge makes it"):
        _settled(replace(RING, wanted=Fraction("1.5"), smallest=None, largest=None))


INSIDE = replace(RING, now=Fraction(30), wall=Wall.BORE)


@given(st.integers(10, 60), st.integers(2, 40))
def test_inside_a_bore_the_floor_is_larger_and_the_dial_counts_down(bore: int, tenths: int) -> None:
    deep = Fraction(tenths, 10)
    asked = replace(INSIDE, now=Fraction(bore), deep=deep)
    shop = needs(asked, WORKSHOP)
    answer = plan(asked, shop)
    dial = shop.machine.dial("cross-slide")
    assert dial is not None
    assert floor_mm(asked) == pytest.approx(bore + 2 * float(deep))
    # Wound out from nought a dial that counts up winding in stands so far short of a turn.
    divisions = round(float(deep) / dial.travel_mm * 4) / 4
    stands = -divisions % dial.per_turn
    told = divisions_say(stands)
    assert f"stands at {told}" in worded(answer.next_detail, PageUnit.MM)
    assert {"the carriage", "the burr"} <= {c.about for c in answer.cautions}


def test_round_the_outside_nothing_has_changed() -> None:
    answer = plan(RING, needs(RING, WORKSHOP))
    assert "wound outwards" not in answer.next_detail
    assert "the burr" not in {c.about for c in answer.cautions}


def test_a_bar_bends_inside_and_has_to_get_in() -> None:
    thick = replace(INSIDE, bar=Fraction(16), overhang=Fraction(30))
    thin = replace(INSIDE, bar=Fraction(8), overhang=Fraction(30))
    springs = [plan(asked, needs(asked, WORKSHOP)).spring_mm for asked in (thick, thin)]
    assert springs[0] is not None
    assert springs[1] is not None
    # A cantilever: the fourth power of the bar, the same push.
    assert springs[1].value / springs[0].value == pytest.approx(16, rel=0.01)
    for bar, says in (("29", "wants a bore of"), ("4", "bend its bar")):
        asked = replace(INSIDE, bar=Fraction(bar), overhang=Fraction(60))
        with pytest.raises(Refused, match=says):
            plan(asked, needs(asked, WORKSHOP))


def test_an_inside_groove_is_followed_like_any_other() -> None:
    spec = _settled(INSIDE).spec
    wide, count = _brought(spec, 1.53)
    assert spec.low_mm <= wide <= spec.high_mm
    assert count < 8
    assert "floor then measures" in spec.first_detail
