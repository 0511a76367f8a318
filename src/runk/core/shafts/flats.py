"""``flats``: one flat, two, four or six on a round bar: how deep each is."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from math import cos, pi, sin
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Holds, Link, Num, Working, law, told
from runk.core.kinds import Choice, Length, OneOf
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show
from runk.core.sources import PRACTICE
from runk.core.workshop import Workshop

_USUAL_TANG = 0.8
"""Two flats are usually so much of the bar apart: practice."""
SHAPES = (
    Choice(
        "1",
        "one flat",
        ("one flat", "1 flat", "a flat", "single flat", "flat"),
        yields_to=("2", "4", "6"),
    ),
    Choice(
        "2",
        "two flats",
        ("two flats", "2 flats", "flats", "tang", "pair of flats"),
        yields_to=("4", "6"),
    ),
    Choice("4", "a square", ("square", "four flats", "4 flats"), yields_to=("6",)),
    Choice("6", "a hexagon", ("hexagon", "hex", "six flats", "6 flats")),
)


@dataclass(frozen=True, slots=True)
class FlatsQuestion:
    """Flats on a round bar.

    Args:
        bar: Its diameter.
        shape: How many flats.
        across: Over two opposite flats, or from one flat to the round behind it; the largest that
            comes sharp where left out.
        wide: How wide a flat is to come out, where that is what is known.
        deep: How deep one flat is below the top, where that is.
    """

    bar: Annotated[
        Fraction,
        Length(
            "bar",
            ("bar", "dia", "diameter", "rod", "shaft", "ø", "round"),
            principal=True,
            usual=(1.5, 60.0),
            low=0.5,
            high=500.0,
            asks="How thick is the bar?",
            placeholder="3/8 in",
        ),
    ]
    shape: Annotated[str, OneOf("flats", choices=SHAPES)] = "4"
    across: Annotated[
        Fraction | None,
        Length(
            "across flats",
            ("across", "across flats", "af", "over flats"),
            usual=(1.0, 50.0),
            low=0.2,
            high=500.0,
            placeholder="as large as it comes sharp",
            asks="How far is it across the flats?",
        ),
    ] = None
    wide: Annotated[
        Fraction | None,
        Length(
            "each flat wide",
            ("wide", "width"),
            usual=(0.5, 40.0),
            low=0.05,
            high=500.0,
            asks="How wide is the flat, or how deep?",
        ),
    ] = None
    deep: Annotated[
        Fraction | None,
        Length("deep", ("deep", "depth"), usual=(0.05, 10.0), low=0.005, high=500.0),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class FlatsAnswer:
    """How deep each flat is cut below the bar's top."""

    depth_mm: Annotated[Figure, Show("Each flat, below the top of the bar", Rank.BIG)]
    across_mm: Annotated[Figure, Show("Across flats", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    wide_mm: Annotated[Figure, Show("Each flat comes out wide")]
    sharp_mm: Annotated[Figure | None, Show("Largest that comes sharp at its corners")]
    bar_mm: Annotated[Figure, Show("Bar", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Largest with sharp corners", "{bar_mm} × cos(180° ÷ {count})")
def sharp_limit_mm(bar_mm: Num, count: float) -> Num:
    """Across flats of the largest square or hexagon in a circle: d/√2, or 0.866 d.

    >>> round(sharp_limit_mm(10.0, 4), 3), round(sharp_limit_mm(10.0, 6), 3)
    (7.071, 8.66)
    """
    return bar_mm * cos(pi / count)


@law("Each flat is deep", "({bar_mm} - {across_mm}) ÷ 2")
def depth_limit_mm(bar_mm: Num, across_mm: Num) -> Num:
    """From the top of a bar down to a flat.

    >>> depth_limit_mm(10.0, 7.0)
    1.5
    """
    return (bar_mm - across_mm) / 2.0


@law(
    "Each flat is wide",
    "smaller of √({bar_mm}² - {across_mm}²) and {across_mm} × tan(180° ÷ {count})",
)
def wide_limit_mm(bar_mm: float, across_mm: float, count: float) -> float:
    """Width of a flat: the chord it cuts, or the side where the corners come sharp.

    >>> round(wide_limit_mm(10.0, 8.0, 2), 3), round(wide_limit_mm(10.0, 7.0, 4), 3)
    (6.0, 7.0)
    """
    chord = (bar_mm**2 - across_mm**2) ** 0.5
    if count <= 2:
        return float(chord)
    side = across_mm * (1.0 / cos(pi / count) ** 2 - 1.0) ** 0.5
    return float(min(chord, side))


@law(
    "One flat is deep",
    "({bar_mm} - √({bar_mm}² - {wide_mm}²)) ÷ 2",
    holds=Holds("the flat is narrower than the bar", lambda bar_mm, wide_mm: wide_mm < bar_mm),
)
def chord_limit_mm(bar_mm: float, wide_mm: float) -> float:
    """From the top of a bar down to a flat of a known width: the arc's height over its chord.

    >>> round(chord_limit_mm(20.0, 12.0), 6)
    2.0
    """
    return (bar_mm - float((bar_mm**2 - wide_mm**2) ** 0.5)) / 2.0


@law(
    "The flat comes out wide",
    "2 × √({deep_mm} × ({bar_mm} - {deep_mm}))",
    holds=Holds(
        "the flat is no deeper than half of the bar", lambda bar_mm, deep_mm: deep_mm <= bar_mm / 2
    ),
)
def width_limit_mm(bar_mm: float, deep_mm: float) -> float:
    """Width of one flat of a known depth.

    >>> round(width_limit_mm(20.0, 2.0), 6)
    12.0
    """
    return 2.0 * float((deep_mm * (bar_mm - deep_mm)) ** 0.5)


def needs(_: FlatsQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def compute(question: FlatsQuestion, _: None = None) -> FlatsAnswer:
    """How deep, across what.

    Raises:
        Refused: Flats as far apart as the bar is thick.

    >>> answer = compute(FlatsQuestion(Fraction(10)))
    >>> round(answer.depth_mm.value, 3), round(answer.across_mm.value, 3)
    (1.464, 7.071)
    """
    w, bar, count = Working(), float(question.bar), int(question.shape)
    _bounded(question, bar)
    if count == 1:
        return _one(w, question, bar)
    sharp = None
    if count > 2:
        sharp = replace(w.of(sharp_limit_mm, "sharp_mm", bar_mm=bar, count=float(count)), places=3)
    if not (question.across or question.wide or question.deep) and sharp is not None:
        across = sharp
    else:
        across = told(_across(question, bar, count), "across_mm")
    if across.value >= bar:
        raise Refused(
            f"{mm_said(across.value)} across does not come off a {mm_said(bar)} bar.",
            field="across",
            suggest=f"{bar * 0.7:.2f} mm",
        )
    depth = w.of(depth_limit_mm, "depth_mm", bar_mm=bar, across_mm=across.value)
    wide = w.of(wide_limit_mm, "wide_mm", bar_mm=bar, across_mm=across.value, count=float(count))
    return _answer(bar, depth, across, _says(count, depth), wide, sharp)


def _answer(
    bar: float, depth: Figure, across: Figure, says: str, wide: Figure, sharp: Figure | None
) -> FlatsAnswer:
    return FlatsAnswer(
        depth_mm=replace(depth, places=3),
        across_mm=across,
        says=says,
        wide_mm=wide,
        sharp_mm=sharp,
        bar_mm=Figure(bar, depth.unit, (), 3),
        cautions=_cautions(sharp, across.value, bar),
        links=(
            Link(
                "speed",
                (("operation", "end-mill"), ("depth", f"{depth.value:.4f} mm")),
                "The belt for milling them",
            ),
        ),
    )


def _bounded(question: FlatsQuestion, bar: float) -> None:
    """What the bar has no room for.

    Raises:
        Refused: A flat as wide as the bar is thick, or as deep as its middle.
    """
    if question.wide is not None and float(question.wide) >= bar:
        raise Refused(
            f"A flat {mm_said(float(question.wide))} wide does not come off a {mm_said(bar)} bar.",
            field="wide",
        )
    if question.deep is not None and 2.0 * float(question.deep) >= bar:
        raise Refused(
            f"{mm_said(float(question.deep))} deep is past the middle of a {mm_said(bar)} bar.",
            field="deep",
        )


def _across(question: FlatsQuestion, bar: float, count: int) -> float:
    """Over two opposite flats, from whichever of the three is known."""
    if question.across is not None:
        return float(question.across)
    if question.deep is not None:
        return bar - 2.0 * float(question.deep)
    if question.wide is None:
        return bar * _USUAL_TANG
    wide, sharp = float(question.wide), bar * cos(pi / count)
    if count > 2 and wide > bar * sin(pi / count) + 1e-9:
        raise Refused(
            f"Sides {mm_said(wide)} wide do not come off a {mm_said(bar)} bar.", field="wide"
        )
    return max(float((bar**2 - wide**2) ** 0.5), sharp if count > 2 else 0.0)


def _one(w: Working, question: FlatsQuestion, bar: float) -> FlatsAnswer:
    """One flat: from its width, its depth, or what is left behind it.

    Raises:
        Refused: None of the three is known, or nothing comes off.
    """
    if question.deep is not None:
        depth = told(float(question.deep), "depth_mm")
    elif question.wide is not None:
        depth = w.of(chord_limit_mm, "depth_mm", bar_mm=bar, wide_mm=float(question.wide))
    elif question.across is not None:
        depth = told(bar - float(question.across), "depth_mm")
    else:
        raise Refused(
            "How wide is the flat, or how deep?", field="wide", suggest=f"{bar * 0.6:.2f} mm"
        )
    if not 0.0 < depth.value < bar / 2.0:
        raise Refused(
            f"{mm_said(bar - depth.value)} is not left behind one flat of a {mm_said(bar)} bar.",
            field="across",
            suggest=f"{bar * 0.9:.2f} mm",
        )
    wide = w.of(width_limit_mm, "wide_mm", bar_mm=bar, deep_mm=depth.value)
    across = replace(told(bar - depth.value, "across_mm"), places=3)
    says = (
        f"Touch the top, then down {mm_said(depth.value, 3)}: the flat comes out "
        f"{mm_said(wide.value, 2)} wide, {mm_said(across.value, 3)} from the round behind it."
    )
    return _answer(bar, depth, across, says, wide, None)


def _says(count: int, depth: Figure) -> str:
    turn = {2: "Half a turn", 4: "A quarter turn", 6: "A sixth of a turn"}[count]
    block = {2: "", 4: ": a square collet block does it", 6: ": a hexagon block does it"}[count]
    deep = mm_said(depth.value, 3)
    return f"Touch the top, then down {deep} for each. {turn} between them{block}."


def _cautions(sharp: Figure | None, across: float, bar: float) -> tuple[Caution, ...]:
    if sharp is None or across <= sharp.value + 1e-9:
        return ()
    wants = bar * across / sharp.value
    says = (
        "Its corners stay round: it is larger across than comes sharp from this bar. They come "
        f"sharp from {mm_said(wants, 2)}."
    )
    return (Caution("Mind", "the corners", says, "across_mm", PRACTICE),)


FLATS = Calculator(
    name="flats",
    title="Flats on a bar: how deep",
    door=Door("/shafts/flats", "Shafts", "Flats", family="On the shaft"),
    opening={"bar": "3/8 in", "shape": "4"},
    question=FlatsQuestion,
    answers=(FlatsAnswer,),
    compute=compute,
    needs=needs,
    sentences={"": "{shape} on a {bar} bar[, {across} across flats][, {wide} wide][, {deep} deep]"},
    lines=(
        "{shape=2}<2|two> flats {across} <apart on|apart from|on|from|out of> <a |an |>{bar}"
        "< bar|>",
    ),
    nouns=("hexagon",),
    calls=(
        "a square",
        "a hexagon",
        "square on",
        "hexagon on",
        "hex on",
        "flats on",
        "two flats",
        "four flats",
        "4 flats",
        "six flats",
        "6 flats",
        "square on a bar",
        "mill a square",
        "mill a hexagon",
        "apart on",
    ),
    headline=lambda a, page: f"{a.depth_mm.words(page)} deep · {a.across_mm.words(page)} across",
)
