"""Practice: get a piece within its limits on the simulated lathe, and see how it went."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from runk.core.plan.events import Event, EventKind
from runk.core.plan.follow import begin, follow
from runk.core.plan.made import PassKind
from runk.core.plan.passes import next_pass
from runk.core.plan.say import both, dial_reads, dial_says
from runk.core.plan.settle import Said, Settled
from runk.core.plan.spec import CutSpec
from runk.core.plan.thread_passes import readable
from runk.core.plan.view import view
from runk.core.refusals import Refused
from runk.core.said import mm_said, number_said
from runk.core.workshop import Workshop
from runk.gauges.exercises import Exercise, cut_of
from runk.gauges.lathe import SimulatedLathe
from runk.gauges.simulated import Micrometer

MOST_MOVES = 60
MOST_WOUND = 2000.0
_INSIDE, _LEFT_ON, _PER_PASS = 100, 40, 4
_MOST_PASSES = 40


@dataclass(frozen=True, slots=True)
class Move:
    """What somebody did at the simulated lathe.

    Args:
        wind: Divisions wound on for a pass, less than 0 to wind back, 0 for a spring pass;
            None where no pass was made.
        to: Instead of it, where the dial is wound to from nought, in divisions: of a thread.
        fine: Whether at the finishing feed.
        measure: Whether the micrometer was put on afterwards.
    """

    wind: float | None
    fine: bool = False
    measure: bool = True
    to: float | None = None


@dataclass(frozen=True, slots=True)
class MoveMade:
    """A move, and what the micrometer showed after it; None where it was not put on."""

    wind: float | None
    fine: bool
    read_mm: float | None
    stands: float
    """How far it is wound on after it, in divisions from nought."""
    dial: float
    """What the dial reads then: of a bore it counts down."""


@dataclass(frozen=True, slots=True)
class Score:
    """How it went, beside what Runk's advice makes of the very same lathe.

    Args:
        truth: The true size before the first move and after each.
        wrong_at: The first move that took too much, from 1; 0 where none did.
        wrong_says: What was wound there, and what would have been right.
        size_mm: The true size.
        lost_mm: Metal gone past the limit, on the size.
        advised_passes: Passes the advice needs, measuring after each.
        points: 100 inside, 40 with metal left on, 0 with too much gone; less 4 for each
            pass more than the advice needs. The weights are this game's own.
    """

    size_mm: float
    inside: bool
    passes: int
    lost_mm: float
    advised_passes: int
    advised_inside: bool
    points: int
    says: str
    truth: tuple[float, ...]
    wrong_at: int
    wrong_says: str


@dataclass(frozen=True, slots=True)
class Practice:
    """Where a practice piece stands. ``advice`` is empty where none was asked for.

    ``wound_to`` says that the dial is wound to a mark each time; ``wound`` where it stands.
    """

    exercise: str
    name: str
    lesson: str
    task: str
    dial: str
    start_mm: float
    low_mm: float
    high_mm: float
    growing: bool
    moves: tuple[MoveMade, ...]
    passes: int
    wound_to: bool
    wound: float
    per_turn: int
    advice: str
    advice_detail: str
    advice_divisions: float | None
    advice_fine: bool
    score: Score | None


def practise(
    exercise: Exercise,
    workshop: Workshop,
    seed: int,
    moves: Sequence[Move],
    *,
    advised: bool = False,
    finished: bool = False,
) -> Practice:
    """Where a piece stands after some moves: the same moves on the same seed, the same piece.

    Args:
        exercise: From :data:`EXERCISES`.
        workshop: Whose lathe it is played on.
        seed: Of the lathe.
        moves: At most 60.
        advised: Say what Runk would do next.
        finished: Take it out of the chuck and see.

    Raises:
        Refused: More moves than that, or a dial wound right off.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> from runk.gauges.exercises import exercise_named
    >>> done = practise(exercise_named("stub"), WORKSHOP, 1, [Move(10.0)])
    >>> done.passes, 19 < done.moves[0].read_mm < 20
    (1, True)
    """
    if len(moves) > MOST_MOVES:
        raise Refused(f"{MOST_MOVES} moves are enough for one piece: take it out and see.")
    cut = cut_of(exercise, workshop)
    spec = cut.spec
    lathe = SimulatedLathe(spec, seed)
    gauge = Micrometer(lathe)
    events: list[Event] = []
    made = []
    truth = [lathe.size_mm]
    wound = 0.0
    for number, move in enumerate(moves, 1):
        wind = move.wind if move.to is None else move.to - wound
        if wind is not None:
            if abs(wind) > MOST_WOUND:
                raise Refused("That is more than the slide can travel.", field="wind")
            lathe.wind(wind)
            lathe.cut(fine=move.fine)
            wound += wind
            events.append(Event(2 * number, EventKind.DONE, wound=wind))
        read = _read(gauge, spec) if move.measure else None
        if read is not None:
            events.append(Event(2 * number + 1, EventKind.READING, (read,), 0.0))
        made.append(MoveMade(wind, move.fine, read, wound, dial_reads(spec, wound)))
        truth.append(lathe.size_mm)
    told, detail, divisions, fine = (
        _advice(spec, cut.said, events) if advised else ("", "", None, False)
    )
    return Practice(
        exercise.key,
        exercise.name,
        exercise.lesson,
        _task(spec),
        dial_says(spec),
        spec.now_mm,
        spec.low_mm,
        spec.high_mm,
        spec.growing,
        tuple(made),
        lathe.passes,
        spec.threaded,
        wound,
        spec.per_turn,
        told,
        detail,
        divisions,
        fine,
        _score(spec, seed, lathe, truth, _wrong(cut, made, truth, events)) if finished else None,
    )


def _task(spec: CutSpec) -> str:
    low, high = number_said(spec.low_mm, 3), mm_said(spec.high_mm, 3)
    if spec.threaded:
        return f"Over wires of {mm_said(spec.wire_mm, 3)}: between {low} and {high}."
    apart = f"{number_said(spec.low_mm)} and {mm_said(spec.high_mm)}"
    return f"From {mm_said(spec.now_mm)} to between {apart}."


def _read(gauge: Micrometer, spec: CutSpec) -> float | None:
    """What it shows; nothing over wires that touch no flank yet."""
    shown = gauge.read().value
    return shown if not spec.threaded or readable(spec, spec.left(shown)) else None


def _advice(
    spec: CutSpec, said: Said | None, events: list[Event]
) -> tuple[str, str, float | None, bool]:
    if said is None:
        return "", "", None, False
    where = follow(spec, events)
    answer = view(spec, said, where)
    following = next_pass(spec, where.at)
    if answer.state != "cut" or following is None:
        return answer.next_says, answer.next_detail, None, True
    return (
        answer.next_says,
        answer.next_detail,
        following.divisions,
        following.kind is not PassKind.ROUGH,
    )


def advised_run(spec: CutSpec, seed: int) -> SimulatedLathe:
    """The lathe of a seed after following the advice to its end, measuring after each pass."""
    lathe, where = SimulatedLathe(spec, seed), begin(spec)
    gauge = Micrometer(lathe)
    while lathe.passes < _MOST_PASSES and (told := next_pass(spec, where.at)) is not None:
        lathe.wind(told.divisions)
        lathe.cut(fine=told.kind is not PassKind.ROUGH)
        where = follow(spec, [Event(lathe.passes, EventKind.DONE)], where)
        if (read := _read(gauge, spec)) is not None:
            where = follow(spec, [Event(lathe.passes, EventKind.READING, (read,), 0.0)], where)
    return lathe


def halving_run(spec: CutSpec, seed: int) -> SimulatedLathe:
    """The same lathe by rule of thumb: half of what is left each time, all once it is a tenth."""
    lathe = SimulatedLathe(spec, seed)
    gauge = Micrometer(lathe)
    while lathe.passes < _MOST_PASSES:
        left = spec.left(gauge.read().value)
        if left <= spec.most_left:
            break
        wind = left / 2 if left > 0.1 else left
        lathe.wind(max(0.25, round(wind / spec.division * 4) / 4))
        lathe.cut(fine=left < 0.3)
    return lathe


def inside(lathe: SimulatedLathe) -> bool:
    """Whether the piece is truly within its limits."""
    return lathe.spec.least_left <= lathe.left_mm <= lathe.spec.most_left


def _wrong(
    cut: Settled, made: Sequence[MoveMade], truth: Sequence[float], events: Sequence[Event]
) -> tuple[int, str]:
    """The first move that took too much, and what the advice was there; nought where none did."""
    spec = cut.spec
    for number, (move, size) in enumerate(zip(made, truth[1:], strict=True), 1):
        if spec.left(size) >= spec.least_left or move.wind is None:
            continue
        before = [one for one in events if one.id < 2 * number]
        told, _, divisions, _ = _advice(spec, cut.said, before)
        right = (
            f"the advice there was {number_said(divisions)}"
            if divisions is not None
            else f"the advice there was: {told[0].lower()}{told[1:]}"
            if told
            else "it was to size before"
        )
        return number, f"Wound on {number_said(move.wind)} divisions; {right}."
    return 0, ""


def _score(
    spec: CutSpec, seed: int, lathe: SimulatedLathe, truth: Sequence[float], wrong: tuple[int, str]
) -> Score:
    advised = advised_run(spec, seed)
    within = inside(lathe)
    lost = max(0.0, spec.least_left - lathe.left_mm)
    more = max(0, lathe.passes - advised.passes)
    points = _INSIDE if within else 0 if lost else _LEFT_ON
    if within:
        says = "Inside its limits."
    elif lost:
        says = f"Too much gone, by {both(spec, lost, 3)}: that cannot be put back."
    else:
        says = f"Still {both(spec, lathe.left_mm - spec.most_left, 3)} over: that can be put right."
    return Score(
        lathe.size_mm,
        within,
        lathe.passes,
        lost,
        advised.passes,
        inside(advised),
        max(0, points - _PER_PASS * more),
        says,
        tuple(truth),
        *wrong,
    )
