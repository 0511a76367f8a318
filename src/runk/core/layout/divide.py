"""``divide``: turns, holes and circle for so many divisions, or for an angle."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from fractions import Fraction

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, reckoned, told
from runk.core.layout import indexing, laws
from runk.core.layout.divide_question import (
    AlsoDivides,
    Circle,
    DivideAnswer,
    DivideQuestion,
    HeadAnswer,
    Mark,
    TableAnswer,
)
from runk.core.layout.indexing import Indexed, exact, nearest
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.sources import MECHANICS
from runk.core.tools.details import Divider, divider_of
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_SHOWN, _MOST_MARKS = 6, 1000
_FINE_DEG = 1 / 60
"""A minute of arc: what a rotary table's dial is read to."""
_JAWS = (
    ("four jaws against a stop", 4),
    ("a square collet block", 4),
    ("a hexagon collet block", 6),
    ("three jaws against a stop", 3),
)


@dataclass(frozen=True, slots=True)
class Heads:
    """What divides here.

    Args:
        name: Of the one that is used.
        divider: It.
    """

    name: str
    divider: Divider


def needs(question: DivideQuestion, workshop: Workshop) -> Heads:
    """The head that is named, or the first that is owned.

    Raises:
        Refused: None is owned, and none was told.
    """
    owned = {t.name: t for t in workshop.dividers}
    first = next(iter(owned.values()), None)
    if question.head in owned or (not question.head and first is not None):
        tool = owned.get(question.head) or first
        assert tool is not None
        return Heads(tool.name, divider_of(tool.detail))
    if not question.head:
        raise Refused(
            "No dividing head is in the trays: give its ratio and its circles.",
            field="head",
            suggest="40:1; 15 to 20; 21 23 27 29 31 33",
        )
    told_one = divider_of(question.head)
    plated = (divider_of(t.detail) for t in owned.values())
    with_plates = next((d for d in plated if d.plates), None)
    if not told_one.plates and not told_one.dial and with_plates is not None:
        # Another head on the same plates.
        told_one = replace(told_one, plates=with_plates.plates)
    return Heads(question.head, told_one)


def settle(question: DivideQuestion, _: Workshop, __: Mapping[str, Reading]) -> DivideQuestion:
    """Divisions or an angle, not both.

    Raises:
        Refused: They differ.
    """
    if question.count is not None and question.angle is not None:
        step = 360.0 / question.count
        if abs(step - question.angle) > 0.01:
            raise Refused(
                f"{question.count} divisions are {step:.3f}° each, and {question.angle:g}° was "
                "told: only one of them.",
                field="angle",
            )
        question = replace(question, angle=None)
    return question


def compute(question: DivideQuestion, heads: Heads) -> DivideAnswer:
    """Turns and holes, the circles that do it, every mark.

    Raises:
        Refused: The head has neither circles nor a dial.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = DivideQuestion(18)
    >>> compute(asked, needs(asked, WORKSHOP)).set_up
    '2 turns and 6 on 27'
    """
    divider = heads.divider
    step = Fraction(360, question.count) if question.count else _degrees(question.angle or 0.0)
    turns = step * divider.ratio / 360
    _see_moved(turns, heads)
    if divider.plates:
        return _head(question, heads, step, turns)
    if divider.dial:
        return _table(question, heads, step, turns)
    raise Refused(
        f"{heads.name} has neither plates nor a dial: give its circles.",
        field="head",
        suggest=f"{divider.ratio}:1; 15 to 20",
    )


def _see_moved(turns: Fraction, heads: Heads) -> None:
    """See that the handle is moved at all.

    Raises:
        Refused: The step is less than half of the finest there is.
    """
    divider = heads.divider
    most = max(divider.circles) if divider.plates else (divider.dial or 0)
    if most and turns * most * 2 < 1:
        finest = Fraction(360, divider.ratio * most)
        raise Refused(
            f"Finer than {heads.name} goes: its least step is {float(finest):.3g}°.",
            field="angle",
            suggest=f"{float(finest):.3g}",
        )


def _degrees(angle: float) -> Fraction:
    return Fraction(angle).limit_denominator(100000)


def _head(question: DivideQuestion, heads: Heads, step: Fraction, turns: Fraction) -> HeadAnswer:
    circles = heads.divider.circles
    does = exact(turns, circles)
    # Where the handle makes whole turns any circle does, and no arms are wanted.
    near = (does or nearest(turns, circles))[:_SHOWN]
    best = near[0]
    w = Working()
    common = _common(w, question, heads.divider.ratio, best, step)
    return HeadAnswer(
        set_up=_set_up(best),
        arms=_arms(best),
        says=_says(bool(does)),
        turns=best.turns,
        holes=best.holes,
        circle=best.circle,
        ratio=heads.divider.ratio,
        others=tuple(
            Circle(
                circle=one.circle,
                turns=one.turns,
                holes=one.holes,
                error_deg=_off(heads.divider.ratio, one, step),
            )
            for one in near
        ),
        ways=tuple(_ways(question, heads)),
        marks=tuple(_marks(question, heads.divider.ratio, best.circle, step, "on")),
        cautions=_cautions(question, common.error, bool(does)),
        links=_links(question),
        error_deg=common.error,
        closes_deg=common.closes,
        off_mm=common.off,
        step_deg=common.step,
    )


def _table(question: DivideQuestion, heads: Heads, step: Fraction, turns: Fraction) -> TableAnswer:
    dial = heads.divider.dial
    best = nearest(turns, (dial,))[0]
    w = Working()
    common = _common(w, question, heads.divider.ratio, best, step)
    a_turn = Fraction(360, heads.divider.ratio)
    return TableAnswer(
        set_up=f"{_turns(best.turns)} and {best.holes} divisions"
        if best.holes
        else _turns(best.turns),
        says=f"Each turn of the handle is {float(a_turn):g}°, each of its {dial} divisions "
        f"{_minutes(a_turn / dial)}. Set each mark from the start, not from the last. {_TRIAL}",
        turns=best.turns,
        holes=best.holes,
        circle=dial,
        ratio=heads.divider.ratio,
        ways=tuple(_ways(question, heads)),
        marks=tuple(_marks(question, heads.divider.ratio, dial, step, "div of")),
        cautions=_cautions(question, common.error, best.share == turns),
        links=_links(question),
        error_deg=common.error,
        closes_deg=common.closes,
        off_mm=common.off,
        step_deg=common.step,
    )


@dataclass(frozen=True, slots=True)
class _Common:
    error: Figure
    closes: Figure | None
    off: Figure | None
    step: Figure


def _common(
    w: Working, question: DivideQuestion, ratio: int, best: Indexed, step: Fraction
) -> _Common:
    w(indexing.handle_turns, ratio=ratio, step_deg=float(step))
    error = w.of(
        indexing.error_deg,
        since=0,
        turns=best.turns,
        holes=best.holes,
        circle=best.circle,
        ratio=ratio,
        step_deg=float(step),
    )
    closes = off = None
    if question.count:
        closes = w.of(indexing.closes_deg, count=question.count, error_deg=error.value)
    if question.dia is not None:
        most = closes.value if closes else error.value
        off = w.of(laws.arc_mm, "off_mm", circle_mm=float(question.dia), angle_deg=most)
        off = replace(off, places=3)
    return _Common(
        replace(error, places=4),
        closes and replace(closes, places=3),
        off,
        told(float(step), "step_deg", 4),
    )


def _off(ratio: int, one: Indexed, step: Fraction) -> Figure:
    return reckoned(
        "error_deg",
        indexing.error_deg,
        one.turns,
        one.holes,
        one.circle,
        ratio,
        float(step),
        places=4,
    )


def _turns(count: int) -> str:
    return "1 turn" if count == 1 else f"{count} turns"


def _set_up(one: Indexed) -> str:
    if not one.holes:
        return _turns(one.turns)
    spaces = f"{one.holes} on {one.circle}"
    return f"{_turns(one.turns)} and {spaces}" if one.turns else spaces


def _arms(one: Indexed) -> str:
    if not one.holes:
        return "Not needed: whole turns, back into the same hole."
    return (
        f"{one.holes} spaces between them take {one.holes + 1} holes, the pin's own counted, on "
        f"the {one.circle} circle."
    )


_TRIAL = "Clamp it for each cut. A light trial round first: the last mark must close on the first."


def _says(is_exact: bool) -> str:
    if is_exact:
        return f"Always the same way round, never back. {_TRIAL}"
    return (
        "No circle here does it exactly: set each mark from the start by the table, so that "
        f"what is off does not add up. {_TRIAL}"
    )


def _minutes(degrees: Fraction) -> str:
    minutes = degrees * 60
    if minutes == 1:
        return "a minute"
    return f"{float(minutes):g} minutes" if minutes >= 1 else f"{float(minutes * 60):g} seconds"


def _ways(question: DivideQuestion, heads: Heads) -> Iterator[AlsoDivides]:
    count = question.count
    if not count:
        return
    direct = heads.divider.direct
    if direct and direct % count == 0:
        yield AlsoDivides(
            way="the plate on the spindle",
            how=f"every {_nth(direct // count)} of its {direct}: no handle, no counting",
        )
    for name, faces in _JAWS:
        if count > 1 and faces % count == 0:
            every = f"every {_nth(faces // count)} face" if faces > count else "each face in turn"
            yield AlsoDivides(way=name, how=every)


def _nth(count: int) -> str:
    return {1: "one", 2: "second", 3: "third"}.get(count, f"{count}th")


def _marks(
    question: DivideQuestion, ratio: int, circle: int, step: Fraction, word: str
) -> Iterator[Mark]:
    """Every mark set from the start: what is off never adds up."""
    for n in range(min(question.count or 0, _MOST_MARKS)):
        at = nearest(step * n * ratio / 360, (circle,))[0]
        stands = told(float(step * n), "at_deg", 3)
        off = _off(ratio, at, step * n)
        yield Mark(
            mark=n + 1,
            set_to=f"{_turns(at.turns)}, {at.holes} {word} {circle}",
            at_deg=stands,
            off_deg=off if off.value else None,
        )


def _cautions(question: DivideQuestion, error: Figure, is_exact: bool) -> tuple[Caution, ...]:
    found = []
    if not is_exact and question.count and abs(error.value) * question.count > _FINE_DEG:
        says = (
            f"One step repeated, the last is {abs(error.value) * (question.count - 1):.3f}° out "
            "and the round does not close: set each from the start."
        )
        found.append(Caution("Mind", "the round", says, "closes_deg", MECHANICS))
    return tuple(found)


def _links(question: DivideQuestion) -> tuple[Link, ...]:
    if not question.count or question.count < 2 or question.dia is None:
        return ()
    asked = (("count", str(question.count)), ("circle", f"{float(question.dia):.4f} mm"))
    return (Link("circle", asked, "The same as places, for a read-out"),)


def headline(answer: DivideAnswer, page: PageUnit) -> str:
    """The setting, and how far off."""
    off = answer.error_deg
    return f"{answer.set_up} · {'exact' if not off.value else off.words(page) + ' off each'}"


DIVIDE: Calculator[DivideQuestion, Heads, DivideAnswer] = Calculator(
    name="divide",
    title="Dividing: turns and holes",
    door=Door("/setting-out/divide", "Setting out", "Dividing", family="Holes and turns"),
    opening={"count": "22"},
    question=DivideQuestion,
    answers=(HeadAnswer, TableAnswer),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={"": "Divide[ into {count}][ by {angle} degrees][, on {head}][, diameter {dia}]"},
    lines=("{call} {count}< on|,| with|> <(?=[0-9]+:1)>{head}[, diameter {dia}]",),
    calls=(
        "divide",
        "divide into",
        "dividing",
        "divisions",
        "index",
        "indexing",
        "dividing head",
        "rotary table",
        "equal parts",
        "how many turns",
        "turns and holes",
        "on the rotary table",
        "on a rotary table",
        "on the dividing head",
        "on a dividing head",
        "index plate",
        "holes and turns",
        "# divisions",
        "degrees each",
    ),
    headline=headline,
)
