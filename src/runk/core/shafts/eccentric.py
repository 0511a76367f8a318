"""``eccentric``: sheave, strap, ridge and oil way, and how the sheave is held off its middle."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from math import asin, ceil, degrees

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Holds, Link, Num, Working, law, stop, told
from runk.core.fits.classes import duty_limit_mm
from runk.core.fits.heat import hole_free_limit_mm
from runk.core.fits.question import duties, made_first
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said, number_said, thou_said
from runk.core.shafts.eccentric_question import EccentricAnswer, EccentricQuestion
from runk.core.shafts.throw import packed
from runk.core.shafts.throw_laws import swing_limit_mm, throw_limit_mm
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

WALL_SHARE, WALL_LEAST_MM = 0.2, 1.0
"""Metal left beside the shaft where a sheave is thinnest: a fifth of the shaft, 1 mm at the least;
common practice, as all of ridge and oil way is."""
RIDGE_WIDE, RIDGE_HIGH, OIL_SHARE = 1 / 3, 1 / 6, 1 / 5
_RIDGE_FREE_MM = 0.1
_BINDS = 4.0
"""A sheave under so many times its throw binds in its strap: common practice."""
_OIL_MM = (0.8, 2.0)


@law("Metal where it is thinnest", "{sheave_mm} ÷ 2 - {throw_mm} - {shaft_mm} ÷ 2")
def thin_mm(sheave_mm: Num, throw_mm: Num, shaft_mm: Num) -> Num:
    """What is left of a sheave between its rim and its bore.

    >>> thin_mm(16.0, 2.5, 8.0)
    1.5
    """
    return sheave_mm / 2.0 - throw_mm - shaft_mm / 2.0


@law("Smallest sheave", "{shaft_mm} + 2 × ({throw_mm} + {wall_mm})")
def sheave_mm(shaft_mm: Num, throw_mm: Num, wall_mm: Num) -> Num:
    """Diameter that leaves a wall beside the shaft.

    >>> sheave_mm(8.0, 2.5, 1.5)
    16.0
    """
    return shaft_mm + 2.0 * (throw_mm + wall_mm)


@law("Over the ridge", "{sheave_mm} + 2 × {ridge_mm}")
def bar_mm(sheave_mm: Num, ridge_mm: Num) -> Num:
    """Bar a sheave and its ridge are turned from.

    >>> bar_mm(16.0, 1.0)
    18.0
    """
    return sheave_mm + 2.0 * ridge_mm


@law("A share of its width", "{wide_mm} × {share}", PRACTICE)
def share_mm(wide_mm: Num, share: Num) -> Num:
    """Ridge and oil way go with the width.

    >>> share_mm(6.0, 0.5)
    3.0
    """
    return wide_mm * share


@law(
    "Lost motion at the crank",
    "arcsin({play_mm} ÷ {throw_mm})",
    holds=Holds("the play is less than the throw", lambda play_mm, throw_mm: play_mm < throw_mm),
)
def lost_deg(play_mm: float, throw_mm: float) -> float:
    """Angle a crank turns before a slack valve follows, at the middle of its travel.

    >>> round(lost_deg(0.25, 2.5), 2)
    5.74
    """
    return degrees(asin(play_mm / throw_mm))


@law("The next half millimetre", "{mm} upwards", PRACTICE)
def next_half_mm(mm: float) -> float:
    """Nobody turns a sheave to odd hundredths.

    >>> next_half_mm(16.2), next_half_mm(16.5)
    (16.5, 16.5)
    """
    return ceil(mm * 2 - 1e-9) / 2


@law("Oil way", "{wide_mm} × {share}, between 0.8 and 2 mm", PRACTICE)
def oil_mm(wide_mm: float, share: float) -> float:
    """A drill that neither breaks nor weakens the strap.

    >>> oil_mm(6.0, 0.2), oil_mm(2.0, 0.2), oil_mm(20.0, 0.2)
    (1.2, 0.8, 2.0)
    """
    low, high = _OIL_MM
    return min(max(round(wide_mm * share, 9), low), high)


def needs(_: EccentricQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(
    question: EccentricQuestion, _: Workshop, __: Mapping[str, Reading]
) -> EccentricQuestion:
    """Travel or throw, not both.

    Raises:
        Refused: Neither, or both.
    """
    if question.travel is not None and question.throw is not None:
        raise Refused("The travel is twice the throw: say one of them.", field="throw")
    if question.travel is None and question.throw is None:
        raise Refused("How far does what it works travel?", field="travel", suggest="5 mm")
    return question


def compute(question: EccentricQuestion, _: None = None) -> EccentricAnswer:
    """Sheave, strap, ridge and oil way.

    Raises:
        Refused: Play as large as the throw.

    >>> from fractions import Fraction
    >>> answer = compute(EccentricQuestion(travel=Fraction(5), shaft=Fraction(8)))
    >>> answer.throw_mm.value, answer.sheave_mm.value
    (2.5, 16.5)
    """
    w, shaft = Working(), float(question.shaft or 0)
    if question.travel is not None:
        throw = w.of(throw_limit_mm, "throw_mm", swing_mm=float(question.travel))
    else:
        throw = w.figure(float(question.throw or 0), "throw_mm", since=0)
    e = throw.value
    swing = w.of(swing_limit_mm, "swing_mm", throw_mm=e)
    least = max(WALL_SHARE * shaft, WALL_LEAST_MM)
    smallest = w.of(sheave_mm, shaft_mm=shaft, throw_mm=e, wall_mm=least, source=PRACTICE)
    if smallest.value < _BINDS * e:
        # A strap binds on a throw over a quarter of its sheave: that asks for more than its wall.
        smallest = told(_BINDS * e, "sheave_mm", None)
    sheave = smallest
    if question.sheave is not None:
        sheave = told(float(question.sheave), "sheave_mm", None)
    else:
        sheave = w.of(next_half_mm, "sheave_mm", since=len(w.steps) - 1, mm=smallest.value)
    size = sheave.value
    if size / 2 - e - shaft / 2 <= 0:
        raise Refused(
            f"A {mm_said(size)} sheave does not reach round a {mm_said(shaft)} shaft "
            f"{mm_said(e)} off its middle.",
            field="sheave",
            suggest=f"{smallest.value:.1f} mm",
        )
    thin = w.of(thin_mm, sheave_mm=size, throw_mm=e, shaft_mm=shaft)
    wide = float(question.wide)
    ridge = w.of(share_mm, "ridge_wide_mm", wide_mm=wide, share=RIDGE_WIDE)
    high = w.of(share_mm, "ridge_high_mm", wide_mm=wide, share=RIDGE_HIGH)
    oil = w.of(oil_mm, wide_mm=wide, share=OIL_SHARE)
    duty = duties()["journal"]
    free = [
        w(duty_limit_mm, per_inch=per, size_mm=size, besides=besides, source=duty.source)
        for per, besides in (duty.low, duty.high)
    ]
    strap = [
        replace(w.of(hole_free_limit_mm, key, shaft_mm=size, free_mm=mm), places=3)
        for key, mm in zip(("strap_low_mm", "strap_high_mm"), free, strict=True)
    ]
    packing, cautions = _held(w, e, size, float(question.jaw))

    def free_of(key: str, ridge_mm: float, by: float) -> Figure:
        return w.of(hole_free_limit_mm, key, shaft_mm=ridge_mm, free_mm=by, source=PRACTICE)

    return EccentricAnswer(
        throw_mm=replace(throw, places=3),
        swing_mm=replace(swing, places=3),
        sheave_mm=sheave,
        packing_mm=packing,
        says=_says(e, packing),
        setting=(
            "Mark it in phase, then move it until the ports open alike at both dead centres: half "
            "the difference each time. Run it in by hand, then slow."
        ),
        strap_low_mm=strap[0],
        strap_high_mm=strap[1],
        thin_mm=thin,
        bar_mm=w.of(bar_mm, sheave_mm=size, ridge_mm=high.value),
        ridge_wide_mm=ridge,
        ridge_high_mm=high,
        groove_wide_mm=free_of("groove_wide_mm", ridge.value, _RIDGE_FREE_MM),
        groove_deep_mm=free_of("groove_deep_mm", high.value, 2 * _RIDGE_FREE_MM),
        oil_mm=replace(oil, places=1),
        lost_deg=_lost(w, question, e),
        shaft_mm=told(shaft, "shaft_mm"),
        wide_mm=told(wide, "wide_mm"),
        cautions=(*cautions, *_cautions(thin.value, least, e, size)),
        links=_links(question, size, shaft),
    )


def _held(
    w: Working, e: float, size: float, jaw: float
) -> tuple[Figure | None, tuple[Caution, ...]]:
    """Packing in three jaws, where they hold it there at all."""
    try:
        return packed(w, e, size, jaw), ()
    except Refused as refused:
        return None, (Caution("Mind", "the three jaws", refused.says, None, MECHANICS),)


def _lost(w: Working, question: EccentricQuestion, e: float) -> Figure | None:
    if question.play is None:
        return None
    play = float(question.play)
    if play >= e:
        raise Refused("All the travel is lost: the play is as large as the throw.", field="play")
    return w.of(lost_deg, play_mm=play, throw_mm=e)


def _says(e: float, packing: Figure | None) -> str:
    three = ""
    if packing is not None:
        three = f"in three jaws with {mm_said(packing.value, 3)} under one, or "
    return (
        f"Turn the sheave and its ridge first. Then off its middle: {three}in four jaws, the "
        f"indicator swinging {thou_said(2 * e)}. Bore it for the shaft and face its boss there. "
        "The strap is bored split and bolted up, liners between."
    )


def _cautions(thin: float, least: float, e: float, size: float) -> tuple[Caution, ...]:
    found = []
    if thin < least * 0.99:
        says = (
            f"Only {mm_said(thin, 2)} is left beside the shaft where {number_said(least, 2)} is "
            "usual: its grub screw goes in the thick side."
        )
        found.append(Caution("Mind", "the thin side", says, "thin_mm", PRACTICE))
    if e > size / _BINDS + 1e-9:
        says = "A throw over a quarter of the sheave rubs and binds in its strap."
        found.append(stop("the throw", "a larger sheave, or a crank", says, "sheave_mm", PRACTICE))
    says = "It turns out of balance while it is bored: slow, by hand first."
    return (*found, Caution("Mind", "the weight", says, None, PRACTICE))


def _links(question: EccentricQuestion, size: float, shaft: float) -> tuple[Link, ...]:
    strap, bore = made_first(size, "journal"), made_first(shaft, "push")
    return (
        Link("fit", strap, "The strap on its sheave"),
        Link("fit", bore, "The sheave on its shaft"),
    )


def headline(answer: EccentricAnswer, page: PageUnit) -> str:
    """Throw, swing and sheave."""
    pack = f" · packing {answer.packing_mm.words(page)}" if answer.packing_mm is not None else ""
    return (
        f"throw {answer.throw_mm.words(page)} · swing {answer.swing_mm.words(page)} · "
        f"sheave {answer.sheave_mm.words(page)}{pack}"
    )


ECCENTRIC = Calculator(
    name="eccentric",
    title="An eccentric: sheave, strap, ridge and oil way",
    door=Door("/shafts/eccentric", "Shafts", "Eccentric", family="Cranks"),
    opening={"travel": "5 mm", "shaft": "8 mm"},
    question=EccentricQuestion,
    answers=(EccentricAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "An eccentric[ of {travel} travel][, throw {throw}], on a {shaft} shaft"
        "[, sheave {sheave}], {wide} wide, jaw {jaw}[, {play} lost motion]"
    },
    calls=(
        "eccentric throw #",
        "eccentric # throw",
        "eccentric travel #",
        "eccentric # travel",
        "eccentric",
        "eccentric sheave",
        "eccentric strap",
        "valve eccentric",
        "pump eccentric",
        "eccentric # travel",
    ),
    headline=headline,
)
