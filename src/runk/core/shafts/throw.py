"""``throw``: a crankpin or eccentric off its shaft's middle: swing, packing, smallest bar."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction
from math import sqrt
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law, stop
from runk.core.kinds import Choice, Length, OneOf
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said, thou_said
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


class Middles(StrEnum):
    """Whether one diameter stays on the bar's own middle, or both are moved to save metal."""

    BOTH = "both"
    ONE = "one"


MIDDLES = (
    Choice("one", "one on the bar's middle", ("one on centre", "one on the middle"), silent=True),
    Choice("both", "both off it", ("both off", "both off centre", "smallest bar")),
)


@dataclass(frozen=True, slots=True)
class ThrowQuestion:
    """A diameter off the middle of another: a crankpin, an eccentric.

    Args:
        throw: From middle to middle; or ``stroke``, or the whole ``swing`` of an indicator.
        bar: What is held.
        pin: Diameter that is off the middle; ``main`` the one that is on it.
        jaw: Flat width of a jaw's tip; nought is a line.
        middles: Whether one of them stays on the bar's middle.
    """

    throw: Annotated[
        Fraction | None,
        Length(
            "throw",
            ("throw", "offset", "eccentricity", "off centre"),
            before=("throw", "offset"),
            principal=True,
            usual=(0.5, 40.0),
            low=0.005,
            high=300.0,
            or_else="stroke",
            placeholder="10 mm",
        ),
    ] = None
    stroke: Annotated[
        Fraction | None,
        Length(
            "stroke", ("stroke",), usual=(2.0, 80.0), low=0.01, high=600.0, placeholder="not said"
        ),
    ] = None
    swing: Annotated[
        Fraction | None,
        Length(
            "whole swing of the indicator",
            ("swing", "total", "tir", "indicator"),
            low=0.01,
            high=600.0,
            placeholder="not said",
        ),
    ] = None
    bar: Annotated[
        Fraction | None,
        Length(
            "bar held",
            ("bar", "stock"),
            usual=(4.0, 100.0),
            low=1.0,
            high=500.0,
            placeholder="not said",
        ),
    ] = None
    pin: Annotated[
        Fraction | None,
        Length(
            "pin or sheave",
            ("pin", "sheave", "crankpin"),
            principal=True,
            usual=(2.0, 100.0),
            low=0.5,
            high=500.0,
            placeholder="not said",
        ),
    ] = None
    main: Annotated[
        Fraction | None,
        Length(
            "main diameter",
            ("main", "journal", "shaft"),
            principal=True,
            usual=(2.0, 60.0),
            low=0.5,
            high=500.0,
            placeholder="not said",
        ),
    ] = None
    middles: Annotated[Middles, OneOf("middles", choices=MIDDLES)] = Middles.ONE
    jaw: Annotated[
        Fraction,
        Length(
            "flat of a jaw's tip",
            ("jaw", "jaws", "jaw tip"),
            low=0.01,
            high=50.0,
            placeholder="3 mm",
        ),
    ] = Fraction(3)


@dataclass(frozen=True, slots=True, kw_only=True)
class ThrowAnswer:
    """Throw and swing side by side, and how it is held off the middle."""

    throw_mm: Annotated[Figure, Show("Throw, middle to middle", Rank.BIG)]
    swing_mm: Annotated[Figure, Show("The indicator swings in all", Rank.BIG)]
    packing_mm: Annotated[Figure | None, Show("Packing under one of three jaws", Rank.BIG)]
    bar_mm: Annotated[Figure | None, Show("Smallest bar that cleans up", Rank.BIG)]
    says: Annotated[str, Show("Setting it", Rank.SAYS)]
    stroke_mm: Annotated[Figure, Show("Stroke")]
    held_mm: Annotated[Figure | None, Show("Bar held", Rank.FOLDED)]
    pin_mm: Annotated[Figure | None, Show("Pin or sheave", Rank.FOLDED)]
    main_mm: Annotated[Figure | None, Show("Main diameter", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Throw", "{swing_mm} ÷ 2")
def throw_limit_mm(swing_mm: Num) -> Num:
    """From the middle of the shaft to the middle of its pin: half of stroke and of swing.

    >>> throw_limit_mm(25.0)
    12.5
    """
    return swing_mm / 2.0


@law("Whole swing", "2 × {throw_mm}")
def swing_limit_mm(throw_mm: Num) -> Num:
    """What an indicator swings in a turn, and the stroke.

    >>> swing_limit_mm(12.5)
    25.0
    """
    return 2.0 * throw_mm


@law(
    "Packing under a jaw",
    "1.5 × {throw_mm} - {radius_mm} + √({radius_mm}² - (0.866 × {throw_mm} - {jaw_mm} ÷ 2)²)",
)
def packing_mm(throw_mm: float, radius_mm: float, jaw_mm: float) -> float:
    """Packing under one jaw of three that moves a round bar off the chuck's middle.

    Args:
        throw_mm: How far it is moved.
        radius_mm: Of the bar.
        jaw_mm: Flat width of a jaw's tip; 0 where it touches in a line.

    >>> round(packing_mm(2.54, 12.7, 0.0), 3)
    3.618
    """
    side = max(0.0, 0.8660254037844386 * throw_mm - jaw_mm / 2.0)
    return 1.5 * throw_mm - radius_mm + sqrt(radius_mm**2 - side**2)


@law("Smallest bar, one on its middle", "largest of {main_mm} and {pin_mm} + 2 × {throw_mm}")
def bar_one_mm(main_mm: float, pin_mm: float, throw_mm: float) -> float:
    """Smallest bar where the main diameter stays on the bar's middle.

    >>> bar_one_mm(16.0, 6.0, 2.5)
    16.0
    """
    return max(main_mm, pin_mm + 2.0 * throw_mm)


@law(
    "Smallest bar, both off its middle",
    "largest of {main_mm}, {pin_mm} and ({main_mm} + {pin_mm}) ÷ 2 + {throw_mm}",
)
def bar_both_mm(main_mm: float, pin_mm: float, throw_mm: float) -> float:
    """Smallest bar where both are moved off the bar's middle.

    >>> bar_both_mm(16.0, 6.0, 8.0)
    19.0
    """
    return max(main_mm, pin_mm, (main_mm + pin_mm) / 2.0 + throw_mm)


def needs(_: ThrowQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: ThrowQuestion, _: Workshop, __: Mapping[str, Reading]) -> ThrowQuestion:
    """One of throw, stroke and swing says the others.

    Raises:
        Refused: None of them, or more than one.
    """
    said = [n for n in ("throw", "stroke", "swing") if getattr(question, n) is not None]
    if len(said) > 1:
        raise Refused(
            "Throw, stroke and swing: each says the others. The throw is half of both.",
            field=said[-1],
            suggest="leave all but one out",
        )
    if not said:
        raise Refused("How far is it from middle to middle?", field="throw", suggest="10 mm")
    return question


def compute(question: ThrowQuestion, _: None = None) -> ThrowAnswer:
    """Throw, swing, packing and bar.

    Raises:
        Refused: A throw no such bar or jaw can hold.

    >>> answer = compute(ThrowQuestion(Fraction("2.54"), bar=Fraction("25.4"), jaw=Fraction(3)))
    >>> round(answer.swing_mm.value, 2), round(answer.packing_mm.value, 3)
    (5.08, 3.791)
    """
    w = Working()
    whole = question.stroke if question.stroke is not None else question.swing
    if whole is not None:
        throw = w.of(throw_limit_mm, "throw_mm", swing_mm=float(whole))
    else:
        throw = w.figure(float(question.throw or 0), "throw_mm", since=0)
    throw = replace(throw, places=3)
    e = throw.value
    swing = replace(w.of(swing_limit_mm, "swing_mm", throw_mm=e), places=3)
    packing = _packing(w, question, e)
    bar = _bar(w, question, e)
    return ThrowAnswer(
        throw_mm=throw,
        swing_mm=swing,
        packing_mm=packing,
        bar_mm=bar,
        says=_says(question, e, packing),
        stroke_mm=Figure(swing.value, swing.unit, swing.steps, 3),
        held_mm=_plain(question.bar, throw),
        pin_mm=_plain(question.pin, throw),
        main_mm=_plain(question.main, throw),
        cautions=_cautions(question, bar),
        links=_links(question, bar),
    )


def _plain(size: Fraction | None, like: Figure) -> Figure | None:
    return None if size is None else Figure(float(size), like.unit, (), 3)


def _packing(w: Working, question: ThrowQuestion, e: float) -> Figure | None:
    if question.bar is None:
        return None
    bar, jaw = float(question.bar), float(question.jaw)
    if jaw >= bar:
        raise Refused(f"A jaw {mm_said(jaw)} wide is wider than the bar.", field="jaw")
    # Past that two of the jaws no longer reach round it.
    if 0.866 * e - jaw / 2 >= bar / 2 * 0.8 or e >= bar / 2:
        raise Refused(
            f"{mm_said(e)} off the middle three jaws no longer hold a {mm_said(bar)} bar: set it "
            "in the four-jaw, or between centres.",
            field="bar",
        )
    figure = w.of(packing_mm, throw_mm=e, radius_mm=bar / 2, jaw_mm=jaw)
    return replace(figure, places=3)


def _bar(w: Working, question: ThrowQuestion, e: float) -> Figure | None:
    if question.pin is None or question.main is None:
        return None
    rule = bar_both_mm if question.middles is Middles.BOTH else bar_one_mm
    figure = w.of(
        rule, "bar_mm", main_mm=float(question.main), pin_mm=float(question.pin), throw_mm=e
    )
    return replace(figure, places=3)


def _says(question: ThrowQuestion, e: float, packing: Figure | None) -> str:
    typed = next((n for n in ("stroke", "swing") if getattr(question, n) is not None), "")
    half = f"The throw is half the {typed}, {mm_said(e, 3)}. " if typed else ""
    four = f"In four jaws: move it until the indicator swings {thou_said(2 * e)}, twice the throw."
    if packing is None:
        return half + four
    return (
        f"{half}Three jaws: {mm_said(packing.value, 3)} under one, then look at the swing. {four}"
    )


def _cautions(question: ThrowQuestion, bar: Figure | None) -> tuple[Caution, ...]:
    found = []
    held = None if question.bar is None else float(question.bar)
    if held is not None and bar is not None and bar.value > held + 1e-9:
        says = f"It cleans up from {mm_said(bar.value, 2)}; {mm_said(held)} leaves a flat of bar."
        instead = f"a bar of {mm_said(bar.value, 2)} at least"
        found.append(stop("the bar", instead, says, "bar_mm", MECHANICS))
    says = "It turns out of balance: slow, by hand first, the packing where it cannot fly."
    return (*found, Caution("Mind", "the weight", says, None, PRACTICE))


def _links(question: ThrowQuestion, bar: Figure | None) -> tuple[Link, ...]:
    found = []
    if bar is not None:
        found.append(
            Link(
                "nearest-drill",
                (("tool", "bar"), ("size", f"{bar.value:.4f} mm")),
                "The bar on the shelf that is nearest",
            )
        )
    if question.main is not None:
        size = (("size", f"{float(question.main):.4f} mm"), ("duty", "journal"))
        found.append(Link("fit", size, "The journal in its bearing"))
    return tuple(found)


def headline(answer: ThrowAnswer, page: PageUnit) -> str:
    """The swing; packing and bar where they are asked."""
    parts = [f"throw {answer.throw_mm.words(page)}", f"swing {answer.swing_mm.words(page)}"]
    if answer.packing_mm is not None:
        parts.append(f"packing {answer.packing_mm.words(page)}")
    if answer.bar_mm is not None:
        parts.append(f"bar {answer.bar_mm.words(page)}")
    return " · ".join(parts)


THROW = Calculator(
    name="throw",
    title="A throw: swing, packing and the smallest bar",
    door=Door("/shafts", "Shafts", "Throw"),
    opening={"throw": "6 mm", "bar": "25 mm", "pin": "8 mm", "main": "10 mm"},
    question=ThrowQuestion,
    answers=(ThrowAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "A throw[ of {throw}][, stroke {stroke}][, swing {swing}][, a {bar} bar]"
        "[, pin {pin}][, main {main}][, {middles}], jaw {jaw}"
    },
    calls=(
        "throw",
        "crank throw",
        "crankpin",
        "eccentric",
        "offset in the three-jaw",
        "offset in three jaws",
        "offset in the four-jaw",
        "smallest bar",
    ),
    headline=headline,
)
