"""The simulated lathe and its gauges: honest, repeatable, and beaten by the advice."""

from __future__ import annotations

import threading
from dataclasses import replace
from statistics import mean

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.plan.events import Event, EventKind
from runk.core.plan.follow import follow
from runk.core.plan.passes import next_pass
from runk.core.plan.spec import CutSpec, Job
from runk.core.refusals import Refused
from runk.core.workshop import Workshop
from runk.demo.back_shed import WORKSHOP
from runk.gauges import GaugeReading, Identity, Silent, read_within
from runk.gauges.exercises import EXERCISES, cut_of, exercise_named
from runk.gauges.lathe import SimulatedLathe
from runk.gauges.played import PlayedMicrometer, played
from runk.gauges.practice import Move, advised_run, halving_run, practise
from runk.gauges.simulated import Caliper, Indicator, Micrometer, ReadOut, Tachometer
from runk.gauges.stopping import Try, stopping
from tests.core.test_plan import PLAIN

SLENDER = replace(PLAIN, spring_ratio=0.25)
BAR_BORE = replace(
    PLAIN,
    job=Job.BORE,
    now_mm=20.8,
    aim_mm=22.007,
    low_mm=22.0,
    high_mm=22.02,
    spring_ratio=0.3,
    division_mm=0.01,
    dial_unit="mm",
)
STIFF = replace(PLAIN, division_mm=0.02, dial_unit="mm")
SEEDS = range(500)


def advised(spec: CutSpec, seed: int) -> tuple[bool, int]:
    """Cut by the advice, reading the micrometer after every pass."""
    lathe = advised_run(spec, seed)
    return spec.least_left <= lathe.left_mm <= spec.most_left, lathe.passes


def halved(spec: CutSpec, seed: int) -> tuple[bool, int]:
    """Wind on half of what is left each time, and all of it once it is a tenth."""
    lathe = halving_run(spec, seed)
    return spec.least_left <= lathe.left_mm <= spec.most_left, lathe.passes


@pytest.mark.parametrize(
    ("spec", "least", "ahead"),
    [(SLENDER, 0.88, 0.25), (BAR_BORE, 0.95, 0.25), (STIFF, 0.95, 0.0)],
    ids=["slender bar", "boring bar", "stiff bar"],
)
def test_following_the_advice_beats_halving(spec: CutSpec, least: float, ahead: float) -> None:
    ours = [advised(spec, seed) for seed in SEEDS]
    theirs = [halved(spec, seed) for seed in SEEDS]
    inside = mean(ok for ok, _ in ours)
    naive = mean(ok for ok, _ in theirs)
    assert inside >= least
    assert inside - naive >= ahead
    assert mean(n for _, n in ours) < 6.5


def next_reading(spec: CutSpec, seed: int, events: list[Event]) -> float:
    """Make the next pass as told, then read the micrometer."""
    return PlayedMicrometer(spec, seed, tuple(events)).read().value


def test_the_same_seed_is_the_same_lathe() -> None:
    events: list[Event] = []
    for number in range(1, 8):
        one = next_reading(SLENDER, 7, events)
        assert one == next_reading(SLENDER, 7, events)
        events.append(Event(number, EventKind.READING, (one,)))
    assert len({next_reading(SLENDER, seed, []) for seed in range(20)}) > 3


def test_a_cut_left_and_taken_up_again_is_finished() -> None:
    """Everything known of the lathe comes from its seed and the events: nothing else is kept."""
    events: list[Event] = []
    while next_pass(BAR_BORE, follow(BAR_BORE, events).at) is not None and len(events) < 20:
        reading = next_reading(BAR_BORE, 3, list(events))
        events.append(Event(len(events) + 1, EventKind.READING, (reading,)))
    lathe, where = played(BAR_BORE, 3, events)
    assert where.measured
    assert lathe.size_mm == pytest.approx(22.01, abs=0.02)
    assert lathe.passes == len(events)


def test_winding_back_loses_the_slack_and_coming_on_again_finds_it() -> None:
    there, back = SimulatedLathe(PLAIN, 1), SimulatedLathe(PLAIN, 1)
    there.wind(10)
    back.wind(10)
    back.wind(-2)
    stood = ReadOut(back).read().value
    back.wind(2)
    # Half of the slack only: the slide has not moved.
    assert ReadOut(back).read().value == stood


def test_every_gauge_says_what_it_is_and_reads_on_its_own_steps() -> None:
    lathe = SimulatedLathe(PLAIN, 5)
    gauges = [
        Micrometer(lathe),
        Caliper(lathe),
        Indicator(lathe, 16.0),
        ReadOut(lathe),
        Tachometer(lathe, 860.0),
    ]
    for gauge in gauges:
        me, reading = gauge.identify(), gauge.read()
        assert me.unit == reading.unit
        steps = reading.value / me.resolution
        assert steps == pytest.approx(round(steps), abs=1e-6)
    assert Micrometer(lathe).read().value == pytest.approx(16.0, abs=0.03)
    assert abs(Indicator(lathe, 16.0).read().value) <= 0.01
    assert 840 < Tachometer(lathe, 860.0).read().value <= 860


class Dead:
    """A gauge that never answers, and one that falls over."""

    def __init__(self, *, falls: bool) -> None:
        self.falls, self.released = falls, threading.Event()

    def identify(self) -> Identity:
        return Identity("Dead", "micrometer", 0.01, "mm")

    def read(self) -> GaugeReading:
        if self.falls:
            raise OSError("no such port")
        self.released.wait()
        raise OSError("too late")


@pytest.mark.parametrize("falls", [True, False])
def test_a_gauge_that_stops_answering_is_said_to(falls: bool) -> None:
    gauge = Dead(falls=falls)
    with pytest.raises(Silent, match="type the reading"):
        read_within(gauge, 0.05)
    gauge.released.set()


@pytest.mark.parametrize("key", [e.key for e in EXERCISES])
def test_practice_with_the_advice_ends_inside_and_scores_full(key: str, workshop: Workshop) -> None:
    exercise, inside = exercise_named(key), 0
    for seed in range(40):
        moves: list[Move] = []
        while len(moves) < 30:
            now = practise(exercise, workshop, seed, moves, advised=True)
            if now.advice_divisions is None:
                break
            moves.append(Move(now.advice_divisions, now.advice_fine))
        done = practise(exercise, workshop, seed, moves, advised=True, finished=True)
        assert done.score is not None
        assert done.score.passes == done.score.advised_passes
        inside += done.score.points == 100
    assert inside >= 36


def test_practice_tells_too_much_gone_from_metal_left_on(workshop: Workshop) -> None:
    stub = exercise_named("stub")
    spec = cut_of(stub, workshop).spec
    all_at_once = Move((spec.now_mm - spec.low_mm + 0.2) / spec.division, fine=True)
    gone = practise(stub, workshop, 3, [all_at_once], finished=True).score
    left = practise(stub, workshop, 3, [Move(5.0, measure=False)], finished=True).score
    assert gone is not None
    assert left is not None
    assert (gone.points, left.points) == (0, 40)
    assert gone.lost_mm == pytest.approx(spec.low_mm - gone.size_mm)
    assert left.lost_mm == 0
    assert "cannot be put back" in gone.says
    slow = practise(stub, workshop, 3, [Move(5.0)] * 12, finished=True).score
    assert slow is not None
    assert slow.points < 40


def test_practice_refuses_what_no_lathe_does(workshop: Workshop) -> None:
    stub = exercise_named("stub")
    with pytest.raises(Refused, match="slide can travel"):
        practise(stub, workshop, 1, [Move(5000.0)])
    with pytest.raises(Refused, match="enough for one piece"):
        practise(stub, workshop, 1, [Move(1.0)] * 61)
    with pytest.raises(Refused, match="no exercise"):
        exercise_named("anvil")


@given(st.integers(0, 99), st.integers(0, 5), st.floats(0, 20))
def test_a_lever_pulled_stops_where_speed_and_time_have_it(
    seed: int, which: int, pressed_s: float
) -> None:
    belt = stopping(WORKSHOP, seed, []).belts[which]
    game = stopping(WORKSHOP, seed, [Try(belt.rpm, pressed_s)])
    (made,) = game.tries
    # 3/8 BSW is 16 to the inch; the lever takes 0.03 to 0.15 s.
    speed = 25.4 / 16 * belt.rpm / 60
    soon, late = (speed * (pressed_s + lag) - game.run_in_mm for lag in (0.03, 0.15))
    shoulder = game.long_mm + game.groove_mm
    assert min(soon, shoulder) - 1e-9 <= made.at_mm <= min(late, shoulder) + 1e-9
    if made.at_mm >= shoulder:
        assert made.verdict == "into the shoulder"
    else:
        whole = made.at_mm >= game.long_mm + game.tool_mm
        assert made.verdict == ("in the groove" if whole else "short")


def test_the_belt_advised_leaves_a_hand_its_second_and_the_next_does_not() -> None:
    belts = stopping(WORKSHOP, 1, []).belts
    at = next(n for n, one in enumerate(belts) if one.advised)
    assert belts[at].left_s >= 1.0 > belts[at + 1].left_s
    with pytest.raises(Refused, match="no 999"):
        stopping(WORKSHOP, 1, [Try(999.0, 1.0)])
    # Half-nuts are opened only where the pitch goes into the leadscrew's.
    metric = replace(WORKSHOP.machines[0], leadscrew_mm=3.0)
    assert stopping(replace(WORKSHOP, machines=(metric,)), 1, []).name == "Stop M10 in its groove"


def test_a_practised_thread_is_wound_to_marks_and_read_only_at_its_end() -> None:
    thread = exercise_named("thread")
    made = practise(thread, WORKSHOP, 3, [Move(0.0), Move(None, to=8.0), Move(None, to=12.5)])
    assert [one.stands for one in made.moves] == [0.0, 8.0, 12.5]
    assert [one.wind for one in made.moves] == [0.0, 8.0, 4.5]
    assert all(one.read_mm is None for one in made.moves)
    told, moves = made, [Move(None, to=mark) for mark in (0.0, 8.0, 12.5)]
    while told.score is None:
        told = practise(thread, WORKSHOP, 3, moves, advised=True)
        if told.advice_divisions is None:
            told = practise(thread, WORKSHOP, 3, moves, finished=True)
        else:
            moves.append(Move(None, to=told.wound + told.advice_divisions))
    assert told.score.inside
    assert told.moves[-1].read_mm is not None
