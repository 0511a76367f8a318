"""``flats``: two, four or six flats on a round bar: how deep each is."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from math import cos, pi
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law, told
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
        across: Over two opposite flats; the largest that comes sharp where left out.
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
        ),
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
    sharp = None
    if count > 2:
        sharp = replace(w.of(sharp_limit_mm, "sharp_mm", bar_mm=bar, count=float(count)), places=3)
    if question.across is None and sharp is not None:
        across = sharp
    else:
        said = bar * _USUAL_TANG if question.across is None else float(question.across)
        across = told(said, "across_mm")
    if across.value >= bar:
        raise Refused(
            f"{mm_said(across.value)} across does not come off a {mm_said(bar)} bar.",
            field="across",
            suggest=f"{bar * 0.7:.2f} mm",
        )
    depth = w.of(depth_limit_mm, "depth_mm", bar_mm=bar, across_mm=across.value)
    wide = w.of(wide_limit_mm, "wide_mm", bar_mm=bar, across_mm=across.value, count=float(count))
    return FlatsAnswer(
        depth_mm=replace(depth, places=3),
        across_mm=across,
        says=_says(count, depth),
        wide_mm=wide,
        sharp_mm=sharp,
        bar_mm=Figure(bar, depth.unit, (), 3),
        cautions=_cautions(sharp, across.value),
        links=(
            Link(
                "speed",
                (("operation", "end-mill"), ("depth", f"{depth.value:.4f} mm")),
                "The belt for milling them",
            ),
        ),
    )


def _says(count: int, depth: Figure) -> str:
    turn = {2: "Half a turn", 4: "A quarter turn", 6: "A sixth of a turn"}[count]
    block = {2: "", 4: ": a square collet block does it", 6: ": a hexagon block does it"}[count]
    deep = mm_said(depth.value, 3)
    return f"Touch the top, then down {deep} for each. {turn} between them{block}."


def _cautions(sharp: Figure | None, across: float) -> tuple[Caution, ...]:
    if sharp is None or across <= sharp.value + 1e-9:
        return ()
    says = "Its corners stay round: it is larger across than comes sharp from this bar."
    return (Caution("Mind", "the corners", says, "across_mm", PRACTICE),)


FLATS = Calculator(
    name="flats",
    title="Flats on a bar: how deep",
    door=Door("/shafts/flats", "Shafts", "Flats"),
    opening={"bar": "3/8 in", "shape": "4"},
    question=FlatsQuestion,
    answers=(FlatsAnswer,),
    compute=compute,
    needs=needs,
    sentences={"": "{shape} on a {bar} bar[, {across} across flats]"},
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
