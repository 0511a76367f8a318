"""Listening to the micrometer: a pure fold, slips caught, undone readings gone, ways out."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.plan.events import Event, EventKind, standing_events
from runk.core.plan.follow import begin, follow
from runk.core.plan.made import after
from runk.core.plan.passes import every_pass, next_pass
from runk.core.plan.rescue import ways_out
from runk.core.plan.settle import Said
from runk.core.plan.slips import meant_sizes, slip
from runk.core.plan.spec import CutSpec, Job
from runk.core.plan.view import view
from runk.core.said import worded
from runk.core.units import PageUnit
from tests.core.test_plan import PLAIN, specs

SAID = Said("", "", None, None, "Lathe", ())
BORE = replace(PLAIN, job=Job.BORE, now_mm=21.0, aim_mm=22.007, low_mm=22.0, high_mm=22.02)


def _read(number: int, *sizes: float, **more: float) -> Event:
    return Event(number, EventKind.READING, sizes, **more)  # type: ignore[arg-type]


@given(specs(), st.integers(1, 8))
def test_a_perfect_reading_changes_nothing(spec: CutSpec, readings: int) -> None:
    planned = every_pass(spec, begin(spec).at)
    where = begin(spec)
    for number, one in enumerate(planned[:readings]):
        where = follow(spec, [_read(number + 1, spec.size(one.leaves_mm))], where)
        rest = every_pass(spec, where.at)
        assert [p.divisions for p in rest] == [p.divisions for p in planned[number + 1 :]]
        for told, before in zip(rest, planned[number + 1 :], strict=True):
            assert told.leaves_mm == pytest.approx(before.leaves_mm, abs=1e-9)


@st.composite
def histories(draw: st.DrawFn) -> tuple[CutSpec, list[Event]]:
    """A cut and what may have happened to it, believable or not."""
    spec = draw(specs())
    events: list[Event] = []
    for number in range(1, draw(st.integers(0, 12)) + 1):
        kind = draw(st.sampled_from(list(EventKind)))
        if kind is EventKind.UNDO:
            events.append(Event(number, kind, undoes=draw(st.integers(1, number))))
        elif kind is EventKind.DONE:
            events.append(Event(number, kind, wound=draw(st.none() | st.floats(0, 40))))
        else:
            sizes = draw(st.lists(st.floats(0.5, 90), min_size=1, max_size=4))
            wound = draw(st.none() | st.floats(0, 40))
            warm = draw(st.none() | st.floats(0, 90))
            events.append(Event(number, kind, tuple(sizes), wound, warm))
    return spec, events


@given(histories(), st.integers(0, 12))
def test_a_plan_is_the_fold_of_its_readings(history: tuple[CutSpec, list[Event]], cut: int) -> None:
    spec, events = history
    held = standing_events(events)
    whole = follow(spec, held)
    assert follow(spec, held[cut:], follow(spec, held[:cut])) == whole
    assert len(whole.outcomes) == sum(e.kind is not EventKind.DONE for e in held)


@given(histories())
def test_whatever_was_read_the_answer_can_be_shown(history: tuple[CutSpec, list[Event]]) -> None:
    spec, events = history
    answer = view(spec, SAID, follow(spec, standing_events(events)))
    assert answer.state in ("cut", "inside", "over")
    assert bool(answer.passes) == (answer.state == "cut")
    assert bool(answer.ways_out) == (answer.state == "over")


@given(histories())
def test_undoing_the_last_thing_is_as_if_it_never_was(history: tuple[CutSpec, list[Event]]) -> None:
    spec, events = history
    base = follow(spec, standing_events(events))
    slipped = [*events, _read(98, 12.0)]
    undone = [*slipped, Event(99, EventKind.UNDO, undoes=98)]
    assert follow(spec, standing_events(undone)) == base
    redone = [*undone, Event(100, EventKind.UNDO, undoes=99)]
    assert follow(spec, standing_events(redone)) == follow(spec, standing_events(slipped))


def test_spring_is_learned_from_what_came_off() -> None:
    """A lathe twice as whippy as the sum says: each reading brings the sum nearer to it."""
    spec = replace(PLAIN, spring_ratio=0.1, resolution_mm=0.001, now_mm=20.0)
    true, left, lag, where = 0.2, spec.left(spec.now_mm), 0.0, begin(spec)
    known = []
    for number in range(1, 12):
        told = next_pass(spec, where.at)
        if told is None:
            break
        share = 1.0 if told.kind == "rough" else spec.finish_share
        took = (told.wound_mm + lag) / (1 + true * share)
        left, lag = left - took, true * share * took
        where = follow(spec, [_read(number, spec.size(left))], where)
        known.append(where.at.ratio)
    assert abs(known[-1] - true) < 0.01
    assert spec.least_left <= left <= spec.most_left


def test_passes_made_without_measuring_are_taken_as_predicted() -> None:
    planned = every_pass(PLAIN, begin(PLAIN).at)
    done = [Event(n, EventKind.DONE) for n in (1, 2)]
    where = follow(PLAIN, done)
    assert (where.made, where.measured) == (2, False)
    assert every_pass(PLAIN, where.at) == planned[2:]
    read = follow(PLAIN, [_read(3, PLAIN.size(planned[1].leaves_mm))], where)
    assert read.outcomes[-1].passes == 2
    assert read.outcomes[-1].wound == planned[0].divisions + planned[1].divisions


def test_wound_on_otherwise_than_told() -> None:
    where = follow(PLAIN, [_read(1, 15.6, wound=8.0)])
    outcome = where.outcomes[-1]
    assert outcome.wound_mm == pytest.approx(8 * PLAIN.division)
    assert outcome.took_mm == pytest.approx(0.4)
    again = follow(PLAIN, [_read(2, 15.61, wound=0.0)], where)
    assert again.outcomes[-1].wound == 0
    assert again.at.left_mm == pytest.approx(1.11)


def test_several_places_give_their_mean_and_the_worst() -> None:
    where = follow(PLAIN, [_read(1, 15.40, 15.38, 15.36)])
    last = where.outcomes[-1]
    assert last.size_mm == pytest.approx(15.38)
    assert last.worst_mm == 15.36
    answer = view(PLAIN, SAID, where)
    assert any(c.about == "the places" and c.word == "Stop" for c in answer.cautions)


def test_warm_work_is_worth_less_than_it_measures() -> None:
    warm = follow(PLAIN, [_read(1, 15.4, warm_deg=60.0)]).outcomes[-1].size_mm
    # 15.4 mm of brass, 40 K: 15.4 x 20.9e-6 x 40 = 0.0129 mm.
    assert 15.4 - warm == pytest.approx(0.0129, abs=2e-4)


@pytest.mark.parametrize(
    ("spec", "typed", "meant", "says"),
    [
        (PLAIN, 15.39 / 25.4, 15.39, "inches"),
        (PLAIN, 15.39 / 2, 15.39, "radius"),
        (PLAIN, 1.539, 15.39, "decimal"),
        (PLAIN, 153.9, 15.39, "decimal"),
        (PLAIN, 15.89, 15.39, "turn of the drum too many"),
        (PLAIN, 14.89, 15.39, "turn of the drum too few"),
        (PLAIN, 15.39 + 0.635, 15.39, "0.025 in"),
        (PLAIN, 17.0, None, "does not grow back"),
        (BORE, 20.5, None, "does not grow back"),
        (PLAIN, 13.1, None, "Measure once more"),
    ],
)
def test_a_reading_that_looks_like_a_slip_is_asked_about(
    spec: CutSpec, typed: float, meant: float | None, says: str
) -> None:
    found = slip(spec, begin(spec), typed)
    assert found is not None
    assert says in found.says
    if meant is None:
        assert found.meant_mm is None
    else:
        assert found.meant_mm == pytest.approx(meant, abs=1e-6)


@pytest.mark.parametrize(
    ("typed", "says"),
    [
        (0.7, "inches taken for millimetres"),
        (17.78 * 25.4, "millimetres taken for inches"),
        (8.89, "the radius"),
        (35.56, "twice the size"),
        (177.8, "one place off"),
        (1.778, "one place off"),
        (18.28, "too many, 0.5 mm"),
        (17.28, "too few, 0.5 mm"),
        (18.415, "too many, 0.025 in"),
        (17.145, "too few, 0.025 in"),
    ],
)
def test_a_slip_of_each_kind_leads_back_to_the_size(typed: float, says: str) -> None:
    """17.78 mm, which is 0.7 in, as each slip has it."""
    back = [meant for meant, said in meant_sizes(typed) if says in said]
    assert any(abs(meant - 17.78) < 1e-9 for meant in back)


def test_the_same_reading_twice_though_wound_on_is_asked_about() -> None:
    where = follow(PLAIN, [_read(1, 15.39)])
    assert slip(PLAIN, where, 15.39, wound=0.0) is None
    found = slip(PLAIN, where, 15.39)
    assert found is not None
    assert "over again" in found.says


@given(specs(), st.floats(-0.45, 0.45))
def test_what_is_near_the_prediction_is_believed(spec: CutSpec, off: float) -> None:
    where = begin(spec)
    told = next_pass(spec, where.at)
    if told is None:
        return
    size = spec.size(after(where.at, told).left_mm) + off * told.takes_mm
    assert slip(spec, where, size) is None


def test_stop_when_inside_and_ways_out_when_past() -> None:
    inside = view(PLAIN, SAID, follow(PLAIN, [_read(1, 14.5)]))
    assert (inside.state, inside.passes) == ("inside", ())
    assert inside.next_says.startswith("Stop")
    over = view(PLAIN, SAID, follow(PLAIN, [_read(1, 14.45)]))
    assert over.state == "over"
    assert over.over_mm is not None
    assert over.over_mm.value == pytest.approx(0.05)
    assert [w.way for w in over.ways_out] == ["the mate", "retaining compound", "a sleeve"]
    assert "0.050 mm smaller" in worded(over.ways_out[0].says, PageUnit.MM)


@pytest.mark.parametrize("job", list(Job)[:4])
def test_every_way_out_makes_good_what_is_missing(job: Job) -> None:
    spec = replace(PLAIN, job=job)
    past = spec.size(-0.3)
    ways = ways_out(spec, past)
    assert all("0.300" in w.says or w.way == "a sleeve" for w in ways)
    assert "retaining compound" not in [w.way for w in ways]
    for way in ways:
        if way.way == "a sleeve":
            assert way.size_mm is not None
            assert spec.left(way.size_mm) < spec.left(past)


def test_it_is_said_before_the_cut_that_could_go_under() -> None:
    coarse = replace(PLAIN, low_mm=14.495, high_mm=14.505, resolution_mm=0.02)
    told = view(coarse, SAID, follow(coarse, [_read(1, 14.64)]))
    abouts = [c.about for c in told.cautions]
    assert {"going under", "the dial", "the gauge"} <= set(abouts)
    fine = replace(PLAIN, low_mm=14.4, high_mm=14.6, resolution_mm=0.001, division_mm=0.0025)
    sure = view(fine, SAID, follow(fine, [_read(1, 14.75)]))
    assert "going under" not in [c.about for c in sure.cautions]
