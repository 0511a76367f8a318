"""A cut as followed, put into an answer."""

from __future__ import annotations

from collections.abc import Iterable

from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.plan.answer import PlanAnswer, PlannedPass
from runk.core.plan.follow import Followed
from runk.core.plan.laws import comes_off_mm
from runk.core.plan.made import Pass, PassKind, Standing, after, nought_of, turned_round
from runk.core.plan.minds import minds
from runk.core.plan.passes import every_pass
from runk.core.plan.rescue import ways_out
from runk.core.plan.say import (
    both,
    dial_line,
    dial_says,
    feeler_divisions,
    fine_line,
    shown_size,
    stands_say,
    start_says,
    what,
    wind_say,
)
from runk.core.plan.settle import Said
from runk.core.plan.spec import CutSpec, Job
from runk.core.plan.thread_passes import tells
from runk.core.plan.threaded import thread_says, thread_stands, thread_tried_say
from runk.core.sources import PRACTICE
from runk.core.units import unit_of

_MEASURED = tuple(kind for kind in PassKind if kind is not PassKind.ROUGH)


@law("Left", "{one_mm} - {other_mm}")
def left_to_cut_mm(one_mm: Num, other_mm: Num) -> Num:
    """Metal left between two sizes.

    >>> left_to_cut_mm(15.0, 14.5)
    0.5
    """
    return one_mm - other_mm


@law("Springs", "{spring_ratio} × {take_mm}")
def springs_mm(spring_ratio: Num, take_mm: Num) -> Num:
    """How much of the size a cut springs away.

    >>> springs_mm(0.25, 0.5)
    0.125
    """
    return spring_ratio * take_mm


@law("Dial", "{divisions} × {division_mm}")
def dial_of_size_mm(divisions: Num, division_mm: Num) -> Num:
    """What divisions wound on make of the size.

    >>> dial_of_size_mm(16.0, 0.0508)
    0.8128
    """
    return divisions * division_mm


def _planned(
    spec: CutSpec, made: Pass, at: Standing, measured_after: bool, first: bool
) -> PlannedPass:
    w = Working()
    wound = w(dial_of_size_mm, divisions=made.divisions, division_mm=spec.division)
    share = 1.0 if made.kind is PassKind.ROUGH else spec.finish_share
    take = w(
        comes_off_mm,
        wound_mm=wound,
        lag_mm=at.lag_mm,
        spring_ratio=at.ratio_now(spec) * share,
        why="spring taken into account",
    )
    size = spec.size(made.leaves_mm)
    divisions = None
    if spec.division_mm and not spec.read_out:
        divisions = Figure(made.divisions, unit_of("divisions"), tuple(w.steps), 2)
    since = at.wound - nought_of(at, made) + made.divisions
    stands = "" if spec.read_out or spec.threaded else stands_say(spec, since)
    line = dial_line(spec, made.divisions, size, first)
    if spec.threaded:
        line = f"to {thread_stands(spec, at.wound + made.divisions)}"
    if made.kind is PassKind.FIRST:
        line = spec.first_says
    if turned_round(at, made):
        line = f"turned round and touched again: {line}"
    if made.kind is PassKind.FINE:
        divisions, stands = None, ""
        line = fine_line(spec, made.wound_mm, size)
    return PlannedPass(
        kind=made.kind,
        to_mm=Figure(size, unit_of("to_mm"), tuple(w.steps), 3),
        take_mm=w.figure(take, "take_mm", places=3),
        dial=line,
        divisions=divisions,
        stands_at=stands,
        measure=measured_after,
        reads=tells(spec, made.leaves_mm) and spec.job is not Job.NUT,
        end=made.end,
    )


def passes_of(spec: CutSpec, at: Standing, made: tuple[Pass, ...]) -> tuple[PlannedPass, ...]:
    """Every pass to come, in words and figures."""
    planned = []
    for number, one in enumerate(made):
        following = made[number + 1].kind if number + 1 < len(made) else None
        # The last roughing pass is measured as well: what follows is planned from it.
        measured = one.kind in _MEASURED or following is not PassKind.ROUGH
        if spec.threaded:
            measured = tells(spec, one.leaves_mm)
        first = at.wound == 0 or turned_round(at, one)
        planned.append(_planned(spec, one, at, measured, first=first))
        at = after(at, one)
    return tuple(planned)


def _what_next(
    spec: CutSpec, where: Followed, passes: tuple[PlannedPass, ...], state: str
) -> tuple[str, str]:
    if state == "inside" and spec.threaded and where.made:
        return thread_tried_say(spec)
    if state == "inside" and where.outcomes and where.outcomes[-1].tried:
        return (
            "Stop: it goes on",
            "Run it over the whole length; then a die or chaser for its form.",
        )
    if state == "inside":
        return "Stop: it is to size", f"{what(spec).capitalize()} is inside its limits."
    if state == "over":
        return "Stop: it is past its size", "No cut puts it back. The ways out are below."
    told = passes[0]
    if spec.threaded:
        return thread_says(spec, where.at.wound, told)
    takes = f"takes {both(spec, told.take_mm.value)} off {what(spec)}"
    if spec.growing:
        takes = f"adds {both(spec, told.take_mm.value)} to {what(spec)}"
    measures = f"it should then measure {shown_size(spec, told.to_mm.value)}"
    alike = f" Cut all {spec.parts} parts at this setting." if spec.parts > 1 else ""
    if told.kind == PassKind.FIRST:
        return spec.first_says, f"{spec.first_detail} {measures[0].upper()}{measures[1:]}."
    if told.kind == PassKind.SPRING:
        return "Same setting again", f"A spring pass: {takes}; {measures}.{alike}"
    if spec.read_out or told.divisions is None:
        line = told.dial[0].upper() + told.dial[1:]
        return line, f"{takes.capitalize()}; {measures}.{alike}"
    turned = told.end != where.at.end
    first = where.at.wound == 0 or turned
    divisions = told.divisions.value + (feeler_divisions(spec) if first else 0.0)
    again = "turn it round, touch again and set the dial to nought; then " if turned else ""
    return (
        f"Wind on {wind_say(spec, divisions)}",
        f"{again}on the {spec.slide}, {told.stands_at}: {takes}; {measures}.{alike}",
    )


def state_of(spec: CutSpec, where: Followed, made: tuple[Pass, ...]) -> str:
    """``cut``, ``inside`` or ``over``; only a reading can say that it is over."""
    if where.at.left_mm < spec.least_left - 1e-9:
        return "over"
    return "cut" if made else "inside"


def view(spec: CutSpec, said: Said, where: Followed, working: Iterable[object] = ()) -> PlanAnswer:
    """Where a cut stands and what comes next.

    Args:
        spec: The cut as settled.
        said: The settings and cautions that go with it.
        where: Everything that happened, folded.
        working: Steps of the bending sum, shown under the spring.
    """
    made = every_pass(spec, where.at)
    state = state_of(spec, where, made)
    passes = passes_of(spec, where.at, made) if state == "cut" else ()
    says, detail = _what_next(spec, where, passes, state)
    size = spec.size(where.at.left_mm)
    w = Working()
    one, other = (spec.aim_mm, size) if spec.growing else (size, spec.aim_mm)
    left = w(left_to_cut_mm, one_mm=one, other_mm=other)
    left_figure = w.figure(left, "left_mm", places=3)
    ratio = where.at.ratio_now(spec)
    w2 = Working()
    w2.steps += list(working)  # type: ignore[arg-type]
    sprung = None
    if ratio and passes:
        share = 1.0 if passes[0].kind == PassKind.ROUGH else spec.finish_share
        value = w2(springs_mm, spring_ratio=ratio * share, take_mm=passes[0].take_mm.value)
        sprung = w2.figure(value, "spring_mm", places=3)
    over = None
    if state == "over":
        w3 = Working()
        past = -where.at.left_mm
        over = w3.figure(
            w3(left_to_cut_mm, one_mm=spec.aim_mm + past, other_mm=spec.aim_mm), "over_mm", places=3
        )
    cautions = [
        *minds(spec, where, made[0] if state == "cut" else None),
        *(
            Caution(word, about, words, None, PRACTICE, instead)
            for word, about, words, instead in said.cautions
        ),
    ]

    def mm(value: float, key: str, places: int = 3) -> Figure:
        return Figure(value, unit_of(key), (), places)

    def feed(value: float | None, key: str) -> Figure | None:
        return None if value is None else Figure(value, unit_of(key))

    return PlanAnswer(
        state=state,
        passes=passes,
        left_mm=left_figure,
        now_mm=mm(size, "now_mm"),
        aim_mm=mm(spec.aim_mm, "aim_mm"),
        low_mm=mm(spec.low_mm, "low_mm"),
        high_mm=mm(spec.high_mm, "high_mm"),
        next_says=says,
        next_detail=detail,
        start_says=start_says(spec),
        dial_says=dial_says(spec),
        rough_set=said.rough_set,
        finish_set=said.finish_set,
        rough_feed_mm_per_rev=feed(said.rough_feed_mm, "rough_feed_mm_per_rev"),
        finish_feed_mm_per_rev=feed(said.finish_feed_mm, "finish_feed_mm_per_rev"),
        spring_mm=sprung,
        spring_ratio=Figure(ratio, unit_of("spring_ratio")),
        over_mm=over,
        ways_out=ways_out(spec, size) if state == "over" else (),
        parts=spec.parts,
        cautions=tuple(sorted(cautions, key=lambda c: c.word != "Stop")),
        links=_links(spec, said),
    )


def _links(spec: CutSpec, said: Said) -> tuple[Link, ...]:
    operation = {Job.OUTSIDE: "turn", Job.BORE: "bore", Job.FACE: "face"}.get(spec.job)
    if operation is None or not said.rough_set:
        return ()
    size = spec.now_mm if spec.job is Job.OUTSIDE else spec.aim_mm
    question = (
        ("operation", operation),
        ("metal", spec.metal),
        ("diameter", f"{size:g} mm"),
        ("machine", said.machine),
    )
    return (Link("speed", question, "The speed and feed of this cut, with its working"),)
