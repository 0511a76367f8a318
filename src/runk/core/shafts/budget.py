"""``shaft-budget``: everything that sits along a shaft, against the room between the frames."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law, stop, told
from runk.core.kinds import Chain, Length, Text
from runk.core.lengths import Reading
from runk.core.lengths.members import Member, total
from runk.core.refusals import Refused
from runk.core.said import mm_said, number_said
from runk.core.shafts.chain import left_limit_mm, uncertain, usual_ends
from runk.core.shown import Rank, Show, Table
from runk.core.sources import MECHANICS
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True)
class BudgetQuestion:
    """A shaft between two frames, and what sits on it.

    Args:
        room: Between the frames.
        along: What sits there, from left to right; running gaps are lengths like any other.
        on: The name of one of them whose middle is to lie on a line: the crankpin, a wheel.
        line: That line, from the left frame.
    """

    room: Annotated[
        tuple[Member, ...],
        Chain(
            "room between the frames",
            ("between", "room", "frames"),
            asks="How far apart are the frames?",
            most=6,
            low=0.1,
            high=3000.0,
            placeholder="60 +0.1 -0",
        ),
    ]
    along: Annotated[
        tuple[Member, ...],
        Chain(
            "what sits along it",
            ("along", "sits", "holds"),
            asks="What sits along the shaft, from left to right?",
            apart=True,
            low=0.001,
            high=3000.0,
            placeholder="bearing 8; eccentric 10; gap 0.2; collar 6",
        ),
    ]
    on: Annotated[str, Text("which of them", ("on",), placeholder="none asked")] = ""
    line: Annotated[
        Fraction | None,
        Length(
            "its line, from the left frame",
            ("line",),
            low=0.1,
            high=3000.0,
            placeholder="not asked",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Sits:
    """One thing on the shaft, and where it lies from the left frame."""

    name: Annotated[str, Show("What")]
    from_mm: Annotated[Figure, Show("From")]
    middle_mm: Annotated[Figure, Show("Middle")]
    to_mm: Annotated[Figure, Show("To")]
    wide_mm: Annotated[Figure, Show("Wide")]


@dataclass(frozen=True, slots=True, kw_only=True)
class BudgetAnswer:
    """What is left, and where everything lies."""

    left_mm: Annotated[Figure, Show("Left between the frames", Rank.BIG)]
    shift_mm: Annotated[Figure | None, Show("Its middle is off its line by", Rank.BIG)]
    says: Annotated[str, Show("What to do", Rank.SAYS)]
    left_low_mm: Annotated[Figure | None, Show("Left, at worst")]
    left_high_mm: Annotated[Figure | None, Show("Left, at most")]
    usual_low_mm: Annotated[Figure | None, Show("As it usually comes, from")]
    usual_high_mm: Annotated[Figure | None, Show("As it usually comes, to")]
    room_mm: Annotated[Figure, Show("Between the frames")]
    held_mm: Annotated[Figure, Show("Taken up")]
    line_mm: Annotated[Figure | None, Show("The line lies", Rank.FOLDED)]
    sits: Annotated[tuple[Sits, ...], Table("Where each lies, from the left frame")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Off its line", "{line_mm} - {middle_mm}")
def shift_limit_mm(line_mm: Num, middle_mm: Num) -> Num:
    """How far something on a shaft has to go towards the right to lie on its line.

    >>> shift_limit_mm(30.0, 29.5)
    0.5
    """
    return line_mm - middle_mm


def needs(_: BudgetQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: BudgetQuestion, _: Workshop, __: Mapping[str, Reading]) -> BudgetQuestion:
    """A line needs something that is to lie on it, and the other way round.

    Raises:
        Refused: One of the two is missing, or nothing on the shaft is called so.
    """
    question = replace(question, on=question.on.strip().lower().removeprefix("the "))
    if question.line is not None and not question.on:
        raise Refused("What is to lie on that line?", field="on", suggest=_names(question))
    if question.on and question.line is None:
        raise Refused(
            f"How far from the left frame is the line for the {question.on}?",
            field="line",
            suggest="30 mm",
        )
    if question.on and _found(question) is None:
        raise Refused(
            f"Nothing there is called `{question.on[:30]}`.", field="on", suggest=_names(question)
        )
    alike = sum(m.count for m in question.along if question.on and m.name == question.on)
    if alike > 1:
        raise Refused(
            f"{alike} there are called {question.on}: name the one that is meant apart, such as "
            f"`left {question.on}`.",
            field="on",
            suggest=f"left {question.on}",
        )
    return question


def _names(question: BudgetQuestion) -> str:
    return ", ".join(dict.fromkeys(m.name for m in question.along if not m.name.isdigit()))[:80]


def _found(question: BudgetQuestion) -> int | None:
    return next((at for at, m in enumerate(question.along) if m.name == question.on), None)


def _pieces(along: tuple[Member, ...]) -> list[Member]:
    """Several alike in a row are so many things."""
    return [replace(m, count=1) for m in along for _ in range(m.count)]


def compute(question: BudgetQuestion, _: None = None) -> BudgetAnswer:
    """Adds them up from the left frame, and says what is left.

    >>> one = lambda name, size: (Member(name, *[Fraction(size)] * 3),)
    >>> answer = compute(BudgetQuestion(one("1", 30), one("wheel", 10) + one("collar", 6)))
    >>> answer.left_mm.value, answer.sits[1].middle_mm.value
    (14.0, 13.0)
    """
    w = Working()
    room, held = total(question.room), total(question.along)
    left = w.of(left_limit_mm, "left_mm", room_mm=room[1], held_mm=held[1])
    low = w.of(left_limit_mm, "left_low_mm", room_mm=room[0], held_mm=held[2])
    high = w.of(left_limit_mm, "left_high_mm", room_mm=room[2], held_mm=held[0])
    sits = _sits(question.along)
    shift = None
    if (at := _found(question) if question.on else None) is not None:
        # The middle of so many alike is the middle of them all.
        first = sum(m.count for m in question.along[:at])
        last = first + question.along[at].count - 1
        middle = (sits[first].from_mm.value + sits[last].to_mm.value) / 2
        shift = w.of(
            shift_limit_mm, "shift_mm", line_mm=float(question.line or 0), middle_mm=middle
        )
        shift = replace(shift, places=3)
    every = (*question.room, *question.along)
    loose = uncertain(every)
    usual = usual_ends(w, every, left)
    return BudgetAnswer(
        left_mm=replace(left, places=3),
        shift_mm=shift,
        says=_says(question, left.value, low.value, shift),
        left_low_mm=replace(low, places=3) if loose else None,
        left_high_mm=replace(high, places=3) if loose else None,
        usual_low_mm=usual[0],
        usual_high_mm=usual[1],
        room_mm=told(room[1], "room_mm"),
        held_mm=told(held[1], "held_mm"),
        line_mm=None if question.line is None else told(float(question.line), "line_mm"),
        sits=sits,
        cautions=_cautions(left.value, low.value),
        links=(_to_float(question),),
    )


def _sits(along: tuple[Member, ...]) -> tuple[Sits, ...]:
    found, at = [], Fraction(0)
    for member in _pieces(along):
        to = at + member.middle
        found.append(
            Sits(
                name=member.name,
                from_mm=told(float(at), "from_mm"),
                middle_mm=told(float((at + to) / 2), "middle_mm"),
                to_mm=told(float(to), "to_mm"),
                wide_mm=told(float(member.middle), "wide_mm"),
            )
        )
        at = to
    return tuple(found)


def _says(question: BudgetQuestion, left: float, low: float, shift: Figure | None) -> str:
    if left < 0:
        return (
            f"It is {mm_said(-left, 3)} too long. Nothing is fixed down yet: thin, or move a frame."
        )
    if shift is not None and shift.value > 0.0005:
        says = (
            f"A washer of {mm_said(shift.value, 3)} on the left of the {question.on} puts it on "
            "its line"
        )
        spare = left - shift.value
        return f"{says}." if spare >= 0 else f"{says}, and {mm_said(-spare, 3)} is missing for it."
    if shift is not None and shift.value < -0.0005:
        return _too_far_right(question, -shift.value)
    if shift is not None:
        return f"The {question.on} lies on its line; {mm_said(left, 3)} is left for end float."
    return (
        f"{mm_said(left, 3)} is left for end float and washers. Add it up before anything is "
        "fixed down, running gaps too."
    )


def _too_far_right(question: BudgetQuestion, off: float) -> str:
    """No washer brings a thing back: what stands on its left has to be thinner."""
    before = question.along[: _found(question)]
    if not before:
        return (
            f"Nothing stands on the left of the {question.on} to be thinned: face "
            f"{mm_said(off, 3)} off the inside of the left frame, or move the line."
        )
    widest = max(before, key=lambda m: m.middle)
    all_of_it = sum(m.middle * m.count for m in before)
    if off > float(widest.middle) / 2:
        # More than half of the thickest thing there is not thinned: it is another arrangement.
        return (
            f"The {question.on} lies {mm_said(off, 3)} too far right, and all that stands on its "
            f"left is {mm_said(float(all_of_it), 3)}: move the line or the left frame, or put it "
            "nearer to that end."
        )
    which = "what stands on its left" if widest.name.isdigit() else f"the {widest.name}"
    return (
        f"The {question.on} lies {mm_said(off, 3)} too far right, and no washer brings it back: "
        f"take that off {which}; a washer as thick on its right keeps what lies behind it."
    )


def _cautions(left: float, low: float) -> tuple[Caution, ...]:
    if left < -1e-9:
        says = f"What sits along it is {mm_said(-left, 3)} longer than the room."
        return (stop("the room", f"find {mm_said(-left, 3)} more", says, "left_mm", MECHANICS),)
    if low < -1e-9:
        says = (
            f"At worst, each at its limit, {mm_said(-low, 3)} is missing; "
            f"{number_said(left, 3)} to spare halfway."
        )
        return (Caution("Mind", "the worst case", says, "left_mm", MECHANICS),)
    return ()


def _to_float(question: BudgetQuestion) -> Link:
    def typed(members: tuple[Member, ...]) -> str:
        parts = []
        for m in members:
            name = "" if m.name.isdigit() else f"{m.name} "
            count = f"{m.count} x " if m.count > 1 else ""
            size = f"{float(m.low):.4f} mm"
            limits = "" if m.sure else f" +{float(m.high - m.low):.4f} mm -0"
            parts.append(f"{count}{name}{size}{limits}")
        return "; ".join(parts)

    asked = (("room", typed(question.room)), ("stack", typed(question.along)))
    return Link("endfloat", asked, "Its end float, and the shims that close it")


def headline(answer: BudgetAnswer, page: PageUnit) -> str:
    """What is left, and how far off its line one lies."""
    off = f" · off its line {answer.shift_mm.words(page)}" if answer.shift_mm is not None else ""
    return f"left {answer.left_mm.words(page)}{off}"


BUDGET = Calculator(
    name="shaft-budget",
    title="What sits along a shaft, and the room for it",
    door=Door("/shafts/budget", "Shafts", "Along it", family="True and free"),
    opening={
        "room": "60 mm",
        "along": "bearing 8; gap 0.2; eccentric 10; collar 6; web 5; crankpin 9; web 5; bearing 8",
        "on": "crankpin",
        "line": "34 mm",
    },
    question=BudgetQuestion,
    answers=(BudgetAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={"": "Along a shaft, between frames {room}: {along}[, with the {on} at {line}]"},
    lines=(
        "{call} {room} between frames: {along}[, with the {on} at {line}]",
        "{call} between frames {room}: {along}[, with the {on} at {line}]",
        "{call} {room}: {along}[, with the {on} at {line}]",
        "{call} {room} - {along}",
        "{call} {room} less {along}",
        "{call} {along} between {room}",
        "{call} {along} in {room}",
        "{call} {room}",
        "{along} between frames {room}[, with the {on} at {line}]",
        "<shaft |>between frames {room}: {along}[, with the {on} at {line}]",
    ),
    calls=("shaft budget", "along a shaft", "along the shaft", "between frames", "budget"),
    headline=headline,
)
