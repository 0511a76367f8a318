"""``endfloat``: what is left between two shoulders, and the washers that close it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from itertools import combinations_with_replacement
from typing import Annotated, Any

from runk.core.calculator import Calculator, Door, Sweep
from runk.core.figures import Caution, Figure, Link, Working, stop, told
from runk.core.kinds import Chain, Length, Lengths
from runk.core.lengths import Reading
from runk.core.lengths.members import Member, total
from runk.core.refusals import Refused
from runk.core.said import mm_said, number_said, thou_said
from runk.core.shafts.chain import (
    halfway_limit_mm,
    left_limit_mm,
    shim_limit_mm,
    squares_mm2,
    uncertain,
    usual_limit_mm,
)
from runk.core.shown import Rank, Show, Table
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

USUAL = (Fraction(2) * Fraction("0.0254"), Fraction(6) * Fraction("0.0254"))
"""Two to six thou: a small shaft runs free and does not knock, common practice."""
_PIECES, _MOST_SHIMS = 4, 12


@dataclass(frozen=True, slots=True)
class EndFloatQuestion:
    """Two shoulders, and what stands between them.

    Args:
        room: Between the shoulders, with its limits.
        stack: What stands there: bearings, washers, bosses; with limits, or as measured.
        least: Float wanted at the least; ``most`` at the most.
        shims: Washers or shims to hand, each as often as wanted.
    """

    room: Annotated[
        tuple[Member, ...],
        Chain(
            "room between the shoulders",
            ("between", "room", "shoulders"),
            asks="How far apart are the shoulders?",
            most=6,
            low=0.01,
            high=2000.0,
            placeholder="25 +0.05 -0",
        ),
    ]
    stack: Annotated[
        tuple[Member, ...],
        Chain(
            "what stands between them",
            ("less", "holds", "stands"),
            asks="What stands between them?",
            apart=True,
            low=0.001,
            high=2000.0,
            placeholder="2 x bearing 8; boss 8.8 +0 -0.05",
        ),
    ]
    least: Annotated[
        Fraction,
        Length("float at the least", ("at least",), low=0.001, high=20.0, placeholder="2 thou"),
    ] = USUAL[0]
    most: Annotated[
        Fraction,
        Length("float at the most", ("at most",), low=0.001, high=20.0, placeholder="6 thou"),
    ] = USUAL[1]
    shims: Annotated[
        tuple[Fraction, ...],
        Lengths("shims to hand", ("shims",), low=0.01, high=20.0, placeholder="none told"),
    ] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Spread:
    """One length of the chain, and how much of the uncertainty is its own."""

    name: Annotated[str, Show("Length")]
    side: Annotated[str, Show("It")]
    low_mm: Annotated[Figure, Show("At least")]
    high_mm: Annotated[Figure, Show("At most")]
    along_mm: Annotated[Figure, Show("All of it, halfway")]
    share_percent: Annotated[Figure, Show("Of the spread")]


@dataclass(frozen=True, slots=True, kw_only=True)
class EndFloatAnswer:
    """The float at worst and as it usually comes, and what closes it."""

    shim_mm: Annotated[Figure | None, Show("Put in", Rank.BIG)]
    float_low_mm: Annotated[Figure, Show("Float, at least", Rank.BIG)]
    float_high_mm: Annotated[Figure, Show("Float, at most", Rank.BIG)]
    says: Annotated[str, Show("What to do", Rank.SAYS)]
    exact_mm: Annotated[Figure | None, Show("To be put in, exactly")]
    float_mm: Annotated[Figure, Show("Halfway")]
    usual_low_mm: Annotated[Figure | None, Show("As it usually comes, from")]
    usual_high_mm: Annotated[Figure | None, Show("As it usually comes, to")]
    room_mm: Annotated[Figure, Show("Between the shoulders")]
    held_mm: Annotated[Figure, Show("Of which is filled")]
    wanted_low_mm: Annotated[Figure, Show("Wanted, at least", Rank.FOLDED)]
    wanted_high_mm: Annotated[Figure, Show("Wanted, at most", Rank.FOLDED)]
    lengths: Annotated[tuple[Spread, ...], Table("Where the spread comes from")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def needs(_: EndFloatQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: EndFloatQuestion, _: Workshop, __: Mapping[str, Reading]) -> EndFloatQuestion:
    """The float wanted has its ends the right way round.

    Raises:
        Refused: The least is over the most, or there are more shims than anybody sorts.
    """
    if question.least > question.most:
        raise Refused(
            f"At least {mm_said(question.least)} is more than {mm_said(question.most)} at most.",
            field="least",
        )
    if len(question.shims) > _MOST_SHIMS:
        raise Refused(f"{_MOST_SHIMS} thicknesses of shim at most.", field="shims")
    return question


def compute(question: EndFloatQuestion, _: None = None) -> EndFloatAnswer:
    """What is left, at worst and usually, and what closes it.

    >>> one = lambda low, high: (Member("1", Fraction(low), Fraction(low), Fraction(high)),)
    >>> answer = compute(EndFloatQuestion(one("25", "25.1"), one("24.8", "24.9")))
    >>> round(answer.float_low_mm.value, 3), round(answer.float_high_mm.value, 3)
    (0.1, 0.3)
    """
    w = Working()
    room, stack = total(question.room), total(question.stack)
    low = w.of(left_limit_mm, "float_low_mm", room_mm=room[0], held_mm=stack[2])
    high = w.of(left_limit_mm, "float_high_mm", room_mm=room[2], held_mm=stack[0])
    middle = w.of(halfway_limit_mm, "float_mm", low_mm=low.value, high_mm=high.value)
    usual = _usual(w, question, middle)
    shim, put, says, cautions = _closed(w, question, low.value, high.value)
    return EndFloatAnswer(
        float_low_mm=replace(low, places=3),
        float_high_mm=replace(high, places=3),
        shim_mm=put,
        says=says,
        exact_mm=shim if put is not shim else None,
        float_mm=replace(middle, places=3),
        usual_low_mm=usual[0],
        usual_high_mm=usual[1],
        room_mm=told(room[1], "room_mm"),
        held_mm=told(stack[1], "held_mm"),
        wanted_low_mm=told(float(question.least), "wanted_low_mm"),
        wanted_high_mm=told(float(question.most), "wanted_high_mm"),
        lengths=_lengths(question),
        cautions=cautions,
        links=(Link("speed", (("operation", "face"),), "The belt for facing one of them"),),
    )


def _usual(
    w: Working, question: EndFloatQuestion, middle: Figure
) -> tuple[Figure | None, Figure | None]:
    """As it usually comes; nothing where one length at most is uncertain."""
    every = (*question.room, *question.stack)
    if uncertain(every) < 2:
        return None, None
    since = len(w.steps)
    half = w(usual_limit_mm, squares_mm2=squares_mm2(every))
    steps = tuple(w.steps[since:])
    unit = unit_of("usual_low_mm")
    return (
        Figure(middle.value - half, unit, (*middle.steps, *steps), 3),
        Figure(middle.value + half, unit, (*middle.steps, *steps), 3),
    )


def _lengths(question: EndFloatQuestion) -> tuple[Spread, ...]:
    sides = [("makes room", m) for m in question.room] + [("fills it", m) for m in question.stack]
    whole = float(sum((m.high - m.low) * m.count for _, m in sides))
    return tuple(
        Spread(
            name=f"{m.count} x {m.name}" if m.count > 1 else m.name,
            side=side,
            low_mm=told(float(m.low), "low_mm"),
            high_mm=told(float(m.high), "high_mm"),
            along_mm=told(float(m.middle * m.count), "along_mm"),
            share_percent=Figure(
                float((m.high - m.low) * m.count) / whole * 100 if whole else 0.0,
                unit_of("share_percent"),
            ),
        )
        for side, m in sides
    )


def _closed(
    w: Working, question: EndFloatQuestion, low: float, high: float
) -> tuple[Figure | None, Figure | None, str, tuple[Caution, ...]]:
    """What would close it exactly, what is put in, the sentence, and what to mind."""
    least, most = float(question.least), float(question.most)
    wanted = f"{number_said(least, 3)} to {mm_said(most, 3)} wanted"
    if low >= least - 1e-9 and high <= most + 1e-9:
        return None, None, f"It is right as it stands: {wanted}.", ()
    middle, aim = (low + high) / 2, (least + most) / 2
    since = len(w.steps)
    shim = w.of(shim_limit_mm, "shim_mm", since=since, left_mm=middle, wanted_mm=aim)
    shim = replace(shim, places=3)
    if low < 0 or shim.value < 0:
        return None, None, _tight(low, high, -shim.value), _binds(low, high, -shim.value)
    found = _sorted_out(question.shims, shim.value)
    says = f"Washers or shims of {mm_said(shim.value, 3)} leave {mm_said(aim, 3)}; {wanted}."
    put = shim
    if found:
        made = sum(found)
        put = replace(shim, value=made)
        says = (
            f"Of those to hand: {' + '.join(mm_said(t) for t in found)}, which leaves "
            f"{_between(low - made, high - made)}; {wanted}."
        )
    cautions = []
    if high - low > most - least + 1e-9:
        words = (
            f"Made anywhere inside its limits it comes {mm_said(high - low, 3)} apart, more than "
            "may stay: no one shim does for all. Measure what is there and type that."
        )
        cautions.append(Caution("Mind", "the spread", words, "shim_mm", MECHANICS))
    if question.shims and not found:
        words = "None of those to hand come within what is wanted: face a washer to it."
        cautions.append(Caution("Mind", "the shims", words, "shim_mm", PRACTICE))
    return shim, put, says, tuple(cautions)


def _between(low: float, high: float) -> str:
    one = mm_said(high, 3)
    return one if high - low < 5e-4 else f"{number_said(low, 3)} to {one}"


def _sorted_out(shims: tuple[Fraction, ...], wanted: float) -> tuple[float, ...]:
    """The fewest of them that come nearest; none where none come within a quarter of a tenth."""
    sizes = sorted({float(s) for s in shims})
    every = (
        pile
        for count in range(1, _PIECES + 1)
        for pile in combinations_with_replacement(sizes, count)
    )
    best = min(every, key=lambda p: (round(abs(sum(p) - wanted), 4), len(p)), default=())
    return best if best and abs(sum(best) - wanted) <= 0.05 else ()


def _tight(low: float, high: float, off: float) -> str:
    stands = "It does not go in" if high < 0 else "It may bind"
    return f"{stands}: face {thou_said(off)} off one of them, or off a shoulder, and measure again."


def _binds(low: float, high: float, off: float) -> tuple[Caution, ...]:
    if low >= 0:
        return ()
    says = f"At worst they are {thou_said(-low)} longer than the room: the shaft is nipped."
    return (stop("the room", f"face {mm_said(off, 3)} off", says, "float_low_mm", MECHANICS),)


def headline(answer: EndFloatAnswer, page: PageUnit) -> str:
    """The float, and what goes in."""
    low, high = answer.float_low_mm, answer.float_high_mm
    said = (
        low.words(page) if low.value == high.value else f"{low.shown(page)} to {high.words(page)}"
    )
    put = f" · put in {answer.shim_mm.words(page)}" if answer.shim_mm is not None else ""
    return f"float {said}{put}"


def _sweeps() -> Mapping[str, Sweep[Any, Any]]:
    # Fetched when wanted: it brings NumPy with it.
    from runk.core.shafts.drawn import FloatSpread, spread_of

    return {"spread": Sweep(spread_of, FloatSpread)}


_TAIL = "[, at least {least}][, at most {most}][, shims {shims}]"
ENDFLOAT = Calculator(
    name="endfloat",
    title="End float: what is left, and the washers that close it",
    door=Door("/shafts/float", "Shafts", "End float"),
    opening={"room": "25 +0.05 -0", "stack": "2 x bearing 8 +0 -0.02; boss 8.8 +0 -0.05"},
    question=EndFloatQuestion,
    answers=(EndFloatAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "End float between {room}, less {stack}, at least {least}, at most {most}"
        "[, shims {shims}]"
    },
    lines=(
        f"{{call}} {{room}} - {{stack}}{_TAIL}",
        f"{{call}} {{room}} less {{stack}}{_TAIL}",
        f"{{call}} {{room}}: {{stack}}{_TAIL}",
        f"{{call}} between {{room}} and {{stack}}{_TAIL}",
        f"{{call}} {{stack}} between {{room}}{_TAIL}",
        f"{{call}} {{stack}} in {{room}}{_TAIL}",
        "{call} {room}",
    ),
    calls=("end float", "endfloat", "end play", "endplay", "float"),
    headline=headline,
    sweeps=_sweeps,
)
