"""``throw``: a crankpin or eccentric off its shaft's middle: swing, packing, smallest bar."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, stop, told
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said, thou_said
from runk.core.shafts import throw_laws as laws
from runk.core.shafts.throw_question import Middles, ThrowAnswer, ThrowQuestion
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


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
        throw = w.of(laws.throw_limit_mm, "throw_mm", swing_mm=float(whole))
    else:
        throw = w.figure(float(question.throw or 0), "throw_mm", since=0)
    throw = replace(throw, places=3)
    e = throw.value
    swing = replace(w.of(laws.swing_limit_mm, "swing_mm", throw_mm=e), places=3)
    packing = None
    if question.bar is not None:
        packing = packed(w, e, float(question.bar), float(question.jaw))
    bar = _bar(w, question, e)
    return ThrowAnswer(
        throw_mm=throw,
        swing_mm=swing,
        packing_mm=packing,
        bar_mm=bar,
        says=_says(question, e, packing),
        second=_second(question.apart),
        stroke_mm=Figure(swing.value, swing.unit, swing.steps, 3),
        **_cranks(w, question, e),
        held_mm=_plain(question.bar, throw),
        pin_mm=_plain(question.pin, throw),
        main_mm=_plain(question.main, throw),
        cautions=_cautions(question, bar, e),
        links=_links(question, bar),
    )


def _cranks(w: Working, question: ThrowQuestion, e: float) -> dict[str, Figure | None]:
    """Where a second crank on the same shaft stands."""
    if question.apart is None:
        return dict.fromkeys(("pins_mm", "rises_mm", "over_pins_mm", "apart_deg"))
    pins = w.of(laws.pins_mm, throw_mm=e, apart_deg=question.apart)
    over = None
    if question.pin is not None:
        over = w.of(laws.over_pins_mm, pins_mm=pins.value, pin_mm=float(question.pin))
        over = replace(over, places=3)
    rises = w.of(laws.rises_mm, throw_mm=e, apart_deg=question.apart)
    return {
        "pins_mm": replace(pins, places=3),
        "rises_mm": replace(rises, places=3),
        "over_pins_mm": over,
        "apart_deg": told(question.apart, "apart_deg", 1),
    }


def _second(apart: float | None) -> str:
    if apart is None:
        return ""
    return (
        f"Turn the bar {apart:g}° for it: in the dividing head, or the first pin level on "
        "parallels and a height gauge to the second. Pack between the webs of the first with a "
        "spacer, size to size, before the second is turned; free it after."
    )


def _plain(size: Fraction | None, like: Figure) -> Figure | None:
    return None if size is None else Figure(float(size), like.unit, (), 3)


_PUSHED_OUT, _BY_FRICTION = 0.5, 0.35
"""Where a side jaw's push no longer meets the packed jaw's, and where little of it does."""


def leans(e: float, bar: float, jaw: float) -> float:
    """How far to the side the other two jaws touch a bar that is packed, as a share of its radius.

    A side jaw touches where its push leans by an angle of that sine. Against the packed jaw's it
    acts by the cosine of sixty degrees and that angle more: past thirty, a share of a half, all
    three push one way, and tightening squeezes the bar out (statics of three forces).
    """
    return (0.8660254037844386 * e - jaw / 2) / (bar / 2)


def packed(w: Working, e: float, bar: float, jaw: float) -> Figure:
    """Packing under one jaw of three for a bar so far off the middle.

    Raises:
        Refused: Three such jaws no longer hold it there.
    """
    if jaw >= bar:
        raise Refused(f"A jaw {mm_said(jaw)} wide is wider than the bar.", field="jaw")
    if leans(e, bar, jaw) >= _PUSHED_OUT or e >= bar / 2:
        raise Refused(
            f"{mm_said(e)} off the middle three jaws no longer hold a {mm_said(bar)} bar: set it "
            "in the four-jaw, or between centres.",
            field="bar",
        )
    figure = w.of(laws.packing_mm, throw_mm=e, radius_mm=bar / 2, jaw_mm=jaw)
    return replace(figure, places=3)


def _bar(w: Working, question: ThrowQuestion, e: float) -> Figure | None:
    if question.pin is None or question.main is None:
        return None
    rule = laws.bar_both_mm if question.middles is Middles.BOTH else laws.bar_one_mm
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


def _cautions(question: ThrowQuestion, bar: Figure | None, bar_off: float) -> tuple[Caution, ...]:
    found = []
    held = None if question.bar is None else float(question.bar)
    if held is not None and bar is not None and bar.value > held + 1e-9:
        says = f"It cleans up from {mm_said(bar.value, 2)}; {mm_said(held)} leaves a flat of bar."
        instead = f"a bar of {mm_said(bar.value, 2)} at least"
        found.append(stop("the bar", instead, says, "bar_mm", MECHANICS))
    if held is not None and leans(bar_off, held, float(question.jaw)) > _BY_FRICTION:
        says = (
            "So far off the middle the side jaws hardly push against the packed one: tighten it "
            "with care, and hold it four-jawed for anything but light cuts."
        )
        found.append(Caution("Mind", "the jaws", says, "packing_mm", MECHANICS))
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
    door=Door("/shafts", "Shafts", "Throw", family="Cranks"),
    opening={"throw": "6 mm", "bar": "25 mm", "pin": "8 mm", "main": "10 mm"},
    question=ThrowQuestion,
    answers=(ThrowAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "A throw[ of {throw}][, stroke {stroke}][, swing {swing}][, a {bar} bar]"
        "[, pin {pin}][, main {main}][, {middles}], jaw {jaw}[, two cranks {apart}° apart]"
    },
    lines=(
        "<two|2> cranks at {apart}<°| degrees| deg|>[ apart][, throw {throw}][, stroke {stroke}]"
        "[, pin {pin}][, main {main}][, a {bar} bar]",
    ),
    calls=(
        "throw",
        "offset # in three-jaw",
        "offset # in three jaw",
        "offset # in four-jaw",
        "crank throw",
        "two cranks",
        "crankpin",
        "offset in the three-jaw",
        "offset in three jaws",
        "offset in the four-jaw",
        "smallest bar",
    ),
    headline=headline,
)
