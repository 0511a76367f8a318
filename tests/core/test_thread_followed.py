"""A thread followed: to size on any simulated lathe, by wires or by its mate, and taken back."""

from __future__ import annotations

from dataclasses import replace
from math import cos, radians

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.machines.dials import JUDGED
from runk.core.plan.events import TRIED, Event, EventKind, standing_events
from runk.core.plan.follow import begin, follow
from runk.core.plan.made import PassKind
from runk.core.plan.passes import every_pass, next_pass
from runk.core.plan.spec import CutSpec
from runk.core.plan.thread_passes import goes, tells
from runk.core.plan.threaded import no_reading, thread_stands
from runk.core.plan.view import view
from runk.core.said import worded
from runk.core.threads.followed import to_follow
from runk.core.threads.screwcut_question import Feed, ScrewcutQuestion, Side
from runk.core.threads.series import find_thread
from runk.core.threads.single_point import needs
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.gauges.lathe import SimulatedLathe
from runk.gauges.simulated import Micrometer

SOME = ("M3", "M10", "M16", "2 BA", "1/4-20 UNC", "1/2 BSW", "1/4x40 ME")


def cut(name: str, **more: object) -> CutSpec:
    asked = ScrewcutQuestion(find_thread(name), **more)  # type: ignore[arg-type]
    return to_follow(asked, needs(asked, WORKSHOP)).spec


@pytest.mark.parametrize("feed", list(Feed))
@pytest.mark.parametrize("name", SOME)
@pytest.mark.parametrize("side", list(Side))
def test_followed_as_told_it_comes_out_inside_its_limits(name: str, feed: Feed, side: Side) -> None:
    spec = cut(name, feed=feed, side=side)
    for seed in range(12):
        lathe, where, number = SimulatedLathe(spec, seed), begin(spec), 0
        gauge = Micrometer(lathe)
        while (told := next_pass(spec, where.at)) is not None or where.made:
            number += 1
            if told is not None:
                lathe.wind(told.divisions)
                lathe.cut(fine=told.kind is not PassKind.ROUGH)
                where = follow(spec, [Event(number, EventKind.DONE)], where)
            if tells(spec, where.at.left_mm):
                one = Event(number, goes(spec, lathe.left_mm), wound=0.0)
                if side is Side.OUTSIDE:
                    one = Event(number, EventKind.READING, (gauge.read().value,), 0.0)
                where = follow(spec, [one], where)
            assert number < 80
        slack = spec.resolution_mm
        assert spec.least_left - slack <= lathe.left_mm <= spec.most_left + slack, seed


@given(st.sampled_from(SOME), st.sampled_from(list(Feed)))
def test_every_pass_takes_one_chip_until_the_light_ones(name: str, feed: Feed) -> None:
    spec = cut(name, feed=feed)
    whole = spec.left(spec.now_mm)
    made = [one for one in every_pass(spec, begin(spec).at) if one.kind is not PassKind.FIRST]
    before, grain = 0.0, spec.division * JUDGED
    for one in made[:-3]:
        done = whole - one.leaves_mm
        # A groove's area goes with its depth squared; the dial is judged to a quarter.
        chip = done * done - before * before
        assert chip <= spec.chip_mm**2 + 1e-9
        assert chip >= spec.chip_mm**2 - 2 * done * grain - grain**2
        before = done
    light = [one for one in made if one.kind is not PassKind.ROUGH]
    assert all(one.takes_mm <= 0.1 + 1e-9 for one in light)
    assert spec.least_left <= made[-1].leaves_mm <= spec.most_left


@given(st.sampled_from(SOME), st.lists(st.sampled_from([*TRIED, EventKind.DONE]), max_size=12))
def test_what_its_mate_says_is_believed_and_taken_back(name: str, kinds: list[EventKind]) -> None:
    spec = cut(name, side=Side.INSIDE)
    events = [Event(n, kind) for n, kind in enumerate(kinds, 1)]
    where = follow(spec, events)
    for kind in TRIED:
        tried = Event(90, kind)
        after = follow(spec, [tried], where)
        left = after.at.left_mm
        assert {
            EventKind.NOT_ON: left > spec.most_left,
            EventKind.TIGHT: spec.most_left < left < spec.most_left + 0.05,
            EventKind.RUNS: spec.least_left <= left <= spec.sure_left,
            EventKind.ROCKS: left < spec.least_left,
        }[kind]
        back = standing_events([*events, tried, Event(91, EventKind.UNDO, undoes=90)])
        assert follow(spec, back) == where


def said(spec: CutSpec, events: list[Event]) -> tuple[str, str]:
    asked = ScrewcutQuestion(find_thread("M10"))
    told = to_follow(asked, needs(asked, WORKSHOP)).said
    answer = view(spec, told, follow(spec, events))
    return worded(answer.next_says, PageUnit.MM), worded(answer.next_detail, PageUnit.MM)


def test_it_says_one_dial_number_at_a_time_and_then_the_nut() -> None:
    spec = cut("M10")
    events = [Event(1, EventKind.DONE)]
    assert said(spec, [])[0] == "A scratch first"
    assert "10 turns of it are 15 mm long" in said(spec, [])[1]
    # A twelfth of the area is 0.281 mm deep, 11 thou; in a nut the dial counts down.
    assert said(spec, events)[0] == "Wind to 11"
    assert said(cut("M10", side=Side.INSIDE), events)[0] == "Wind to 90 (10 back)"
    assert thread_stands(spec, 116.5) == "16 1/2 (1 turn and 16 1/2)"
    assert worded(thread_stands(replace(spec, read_out=True), 10.0), PageUnit.MM) == "0.254 mm"
    while next_pass(spec, follow(spec, events).at) is not None:
        events.append(Event(len(events) + 1, EventKind.DONE))
    assert said(spec, events)[0] == "Try the nut"
    assert said(spec, [*events, Event(99, EventKind.RUNS)])[0] == "Stop: it goes on"
    assert said(spec, [*events, Event(99, EventKind.ROCKS)])[0] == "Stop: it is past its size"
    assert said(spec, [*events, Event(99, EventKind.TIGHT)])[0].startswith("Wind to")
    assert "In each of its 2 starts" in said(cut("M10", starts=2), [events[0]])[1]


def test_wires_on_the_crests_and_sizes_of_a_nut_are_refused() -> None:
    spec = cut("M10")
    assert no_reading(spec, 0.0) is None
    shallow = no_reading(spec, spec.reads_left_mm + 0.05)
    assert shallow
    assert "touch no flank" in shallow.template
    nut = no_reading(cut("M10", side=Side.INSIDE), 0.0)
    assert nut
    assert "try its screw" in nut.template


def test_the_top_slides_dial_counts_along_its_angle() -> None:
    straight, along = cut("M10"), cut("M10", feed=Feed.SLIDE)
    assert (along.slide, straight.slide) == ("top-slide", "cross-slide")
    assert along.division == pytest.approx(straight.division * cos(radians(29.5)))
    assert along.now_mm == pytest.approx(straight.now_mm)


@st.composite
def histories(draw: st.DrawFn) -> tuple[CutSpec, list[Event]]:
    """A thread and what may have happened to it, believable or not."""
    side, feed = draw(st.sampled_from(list(Side))), draw(st.sampled_from(list(Feed)))
    spec = cut(draw(st.sampled_from(SOME)), side=side, feed=feed)
    events: list[Event] = []
    for number in range(1, draw(st.integers(0, 14)) + 1):
        kind = draw(st.sampled_from(list(EventKind)))
        if kind is EventKind.UNDO:
            events.append(Event(number, kind, undoes=draw(st.integers(1, number))))
            continue
        wound = draw(st.none() | st.floats(0, 30))
        sizes = (draw(st.floats(0.5, 40)),) if kind is EventKind.READING else ()
        events.append(Event(number, kind, sizes, wound))
    return spec, events


@given(histories(), st.integers(0, 14))
def test_whatever_happens_to_a_thread_it_is_a_fold_and_can_be_said(
    history: tuple[CutSpec, list[Event]], half: int
) -> None:
    spec, events = history
    held = standing_events(events)
    whole = follow(spec, held)
    assert follow(spec, held[half:], follow(spec, held[:half])) == whole
    told, detail = said(spec, held)
    assert told
    assert detail
    assert "nan" not in told + detail
    # No pass is ever told that goes past what may come off.
    coming = next_pass(spec, whole.at)
    if coming is not None and not whole.outcomes:
        assert coming.leaves_mm >= spec.least_left - spec.division
