"""What is asked of a set-up before its first cut: gripped, standing out, turning, fouling, next."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field

from runk.core.cutting.reach import FREE_MOST, LONG_FREE
from runk.core.holding.grip import GRIP
from runk.core.machines.machine import Holding as Way
from runk.core.machines.machine import MachineKind
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.gripped import grip_asked
from runk.core.route.grips import stands_out, unbalanced
from runk.core.route.hold import Hold
from runk.core.route.room import milled_mm, most_mm, no_room, turns_mm
from runk.core.route.route import Job, Route, SetUp
from runk.core.said import mm_said
from runk.core.units import PageUnit


@dataclass(frozen=True, slots=True)
class Asked:
    """One thing asked of a set-up, and how it stands.

    Args:
        asks: What is asked.
        says: How it stands, as a sentence with its sizes.
        word: ``Stop`` or ``Mind`` where it does not stand well; else empty.
        room: The room it is worked out in; empty where there is none.
        asked: That room's question, as typed.
    """

    asks: str
    says: str
    word: str = ""
    room: str = ""
    asked: dict[str, str] = field(default_factory=dict)


def asked_first(job: Job, route: Route, n: int) -> tuple[Asked, ...]:
    """What is asked of a set-up before the first cut.

    Args:
        job: The part.
        route: Its route.
        n: Which set-up, from 1.

    >>> from runk.core.route.reading import part_of
    >>> from runk.demo.back_shed import WORKSHOP
    >>> job = Job(part_of("pin", "brass", "bar 12", ["outside 10, from 0 to 8"]), WORKSHOP)
    >>> route = Route((SetUp("on its bar in the chuck, right end out", ("outside 10: turn",)),))
    >>> [one.asks for one in asked_first(job, route, 1)]
    ['Is it gripped well?', 'What stands out?', 'Does it turn free?', 'How is it held next?']
    """
    set_up = route.set_ups[n - 1]
    hold = job.hold_by_key.get(set_up.hold)
    if hold is None:
        return ()
    found = [*_gripped(job, set_up, hold), *_out(job, set_up, hold), *_turns(job, hold)]
    return (*found, *_travel(job, set_up, hold), _next(route, n))


def _mm(size: float) -> str:
    """To a tenth: nothing here is measured finer."""
    return mm_said(round(size, 1))


def _gripped(job: Job, set_up: SetUp, hold: Hold) -> Iterator[Asked]:
    asked = grip_asked(job, set_up)
    if not asked:
        return
    try:
        typed = {k: v for k, v in asked.items() if v}
        question = read_question(GRIP, typed, PageUnit.MM, job.workshop).question
        answer = GRIP.ask(question, job.workshop)
    except Refused as refused:
        yield Asked("Is it gripped well?", refused.template, "Mind", "grip", asked)
        return
    # Of a bar behind the part nobody has said how much is gripped.
    long = f"{_mm(hold.grips[1] - hold.grips[0])} of " if hold.grips and hold.on else ""
    says = (
        f"{long}{hold.on or 'its stock'}: it {answer.holds}; bears "
        f"{answer.bears_nm.value:.1f} N·m, a usual cut asks {answer.asks_nm.value:.1f}."
    )
    yield Asked(
        "Is it gripped well?", says, "Mind" if answer.holds == "slips" else "", "grip", asked
    )
    if answer.lobes_mm is not None and answer.lobes_mm.value > 0.005:
        sprung = f"Bored so, it springs {mm_said(answer.lobes_mm.value, 3)} three-cornered."
        yield Asked("Does its wall give?", sprung, "Mind", "grip", asked)
    for one in answer.cautions:
        if (one.about, one.word) == ("the ring", "Stop"):
            yield Asked("Does its wall give?", one.says, "Stop", "grip", asked)


def _out(job: Job, set_up: SetUp, hold: Hold) -> Iterator[Asked]:
    if hold.machine != "lathe" or hold.grips is None or hold.way is Way.CENTRES:
        return
    part = job.part
    out = hold.grips[0] - part.begin if "right" in hold.out else part.long - hold.grips[1]
    cut = [job.by_key[k] for k in set_up.does if k in job.by_key]
    far = max((stands_out(job, hold, one) for one in cut), default=0.0)
    word = "Stop" if far > FREE_MOST else "Mind" if far > LONG_FREE else ""
    centre = "right end: centre" in set_up.does or "right end: centre" in job.by_key
    if word and centre and "right" in hold.out:
        yield Asked("What stands out?", f"{_mm(out)}, carried by a centre in its end.")
    else:
        yield Asked("What stands out?", f"{_mm(out)}, {far:.1f} diameters where it is cut.", word)


def _turns(job: Job, hold: Hold) -> Iterator[Asked]:
    if hold.machine != "lathe":
        return
    if room := no_room(job, hold):
        yield Asked("Does it turn free?", f"{room[0].upper()}{room[1:]}.", "Stop")
        return
    swing = most_mm(job.workshop, MachineKind.LATHE, "swing_mm")
    over = "" if swing is None else f", of {mm_said(swing)} it may be over the bed"
    says = f"{_mm(turns_mm(job, hold))} across{over}: less over the slide; turn it by hand first."
    yield Asked("Does it turn free?", says)
    if unbalanced(hold):
        says = "What turns is heavier on one side: a weight opposite, until it stays anywhere."
        yield Asked("Is it in balance?", says, "Mind")


def _travel(job: Job, set_up: SetUp, hold: Hold) -> Iterator[Asked]:
    if hold.machine == "mill":
        milled = [
            milled_mm(job.part, job.part.by_key[job.by_key[k].feature])
            for k in set_up.does
            if k in job.by_key and job.by_key[k].feature
        ]
        long = max((max(one) for one in milled), default=0.0)
        if long > 0:
            goes = most_mm(job.workshop, MachineKind.MILL, "travel_mm", "across_mm")
            room = "" if goes is None else f" of {mm_said(goes)} the table goes"
            says = f"{_mm(long)}{room}: see that the cutter clears both ends."
            told = {} if goes is None else {"room": f"{goes:g} mm"}
            yield Asked(
                "Is the travel there?",
                says,
                "",
                "reach",
                {"way": "travel", "long": f"{long:g} mm", **told},
            )
    elif hold.way is Way.CENTRES:
        between = most_mm(job.workshop, MachineKind.LATHE, "between_mm")
        long = job.part.stock_long or job.part.long - job.part.begin
        room = "" if between is None else f" of {mm_said(between)}"
        yield Asked("Is the travel there?", f"{_mm(long)}{room} between the centres.")


def _next(route: Route, n: int) -> Asked:
    after = route.set_ups[n] if n < len(route.set_ups) else None
    if after is None:
        return Asked("How is it held next?", "It is not: all is done when it comes out.")
    packing = f", {after.packing}" if after.packing else ""
    return Asked("How is it held next?", f"{after.hold[0].upper()}{after.hold[1:]}{packing}.")
