"""``square``: what an indicator shows over a height or a run, as shim, as metal, as a swing."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from math import atan, degrees
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, law
from runk.core.kinds import Choice, Length, OneOf
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

WAYS = (
    Choice("shim", "a shim under its base", ("shim", "shimmed", "packing under")),
    Choice("metal", "metal off its base", ("metal", "scrape", "file", "take off the base")),
    Choice(
        "vice", "a vice to be swung true", ("vice", "tram a vice", "swing the vice", "fixed jaw")
    ),
    Choice("head", "a head to be trammed", ("tram", "head", "tram the head", "tramming")),
)
_SAYS = {
    "shim": "Under the side the top leans towards, at its far edge; half of it at half the base.",
    "metal": "Off the base, nothing at the one edge and that much at the other: the side the top "
    "leans away from.",
    "vice": "One bolt as the pivot, just nipped, the indicator at nought beside it; tap the other "
    "end by all of that, until the reading is gone, then read both ends again.",
    "head": "Read at the same place of the table, left and right, the spindle turned by hand; tap "
    "until half the difference is gone, then read again.",
}
_WEDGE_DEG = 1.0


@dataclass(frozen=True, slots=True)
class SquareQuestion:
    """Something out of square.

    Args:
        way: How it is put right.
        error: What the indicator moved.
        over: Over what height or run.
        base: From edge to edge of the base, or from the pivot to where it is tapped.
    """

    error: Annotated[
        Fraction,
        Length(
            "out by",
            ("out", "out of square", "error", "off", "reads", "leans"),
            principal=True,
            usual=(0.005, 3.0),
            low=0.001,
            high=50.0,
            asks="How far did the indicator move?",
            placeholder="0.08 mm",
        ),
    ]
    over: Annotated[
        Fraction,
        Length(
            "over",
            ("over", "in", "height", "high", "run", "swing"),
            usual=(5.0, 400.0),
            low=0.5,
            high=2000.0,
            asks="Over what height, or along what run?",
            placeholder="60 mm",
        ),
    ]
    base: Annotated[
        Fraction | None,
        Length(
            "base",
            ("base", "wide", "pivot", "column", "between bolts"),
            low=0.5,
            high=2000.0,
            placeholder="as high as it is",
        ),
    ] = None
    way: Annotated[str, OneOf("way", choices=WAYS)] = "shim"


@dataclass(frozen=True, slots=True, kw_only=True)
class SquareAnswer:
    """The shim or the metal, and the angle."""

    shim_mm: Annotated[Figure, Show("At the far end of its base", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    angle_deg: Annotated[Figure, Show("Out of square by")]
    per_100_mm: Annotated[Figure, Show("Over 100 mm")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Shim", "{error_mm} × {base_mm} ÷ {over_mm}")
def shim_mm(error_mm: float, base_mm: float, over_mm: float) -> float:
    """What an error over a height is over a base: like triangles.

    >>> shim_mm(0.08, 30.0, 60.0)
    0.04
    """
    return error_mm * base_mm / over_mm


@law("Angle", "arctan({error_mm} ÷ {over_mm})")
def lean_deg(error_mm: float, over_mm: float) -> float:
    """Angle of an error over a height."""
    return degrees(atan(error_mm / over_mm))


def needs(_: SquareQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def compute(question: SquareQuestion, _: None = None) -> SquareAnswer:
    """Shim or metal over the base.

    >>> compute(SquareQuestion(Fraction("0.08"), Fraction(60), Fraction(30))).shim_mm.shown()
    '0.040'
    """
    w = Working()
    error, over = float(question.error), float(question.over)
    base = over if question.base is None else float(question.base)
    angle = w.of(lean_deg, "angle_deg", error_mm=error, over_mm=over)
    cautions = []
    if angle.value > _WEDGE_DEG:
        says = "So far out it is no error of setting: look for swarf, a burr, or a bent part first."
        cautions.append(Caution("Mind", "the cause", says, "angle_deg", PRACTICE))
    if question.base is None:
        says = "Its base was not told: taken as long as the height it was read over."
        cautions.append(Caution("Mind", "the base", says, "shim_mm", MECHANICS))
    return SquareAnswer(
        shim_mm=replace(w.of(shim_mm, error_mm=error, base_mm=base, over_mm=over), places=3),
        says=_SAYS[question.way],
        angle_deg=replace(angle, places=4),
        per_100_mm=replace(
            w.of(shim_mm, "per_100_mm", error_mm=error, base_mm=100.0, over_mm=over), places=3
        ),
        cautions=tuple(cautions),
        links=(),
    )


def headline(answer: SquareAnswer, page: PageUnit) -> str:
    """The shim, and the angle."""
    return f"{answer.shim_mm.words(page)} · {answer.angle_deg.words(page)}"


_READ = "{error} <over|in> {over}[<,|> <base|over|shim over|over its> {base}]"
SQUARE = Calculator(
    name="square",
    title="Out of square: shim or metal",
    door=Door("/setting-out/square", "Setting out", "Square", family="Angles"),
    opening={"error": "0.08 mm", "over": "60 mm", "base": "30 mm"},
    question=SquareQuestion,
    answers=(SquareAnswer,),
    compute=compute,
    needs=needs,
    sentences={"": "Out of square by {error} over {over}: {way}[, base {base}]"},
    lines=(
        f"{{way=vice}}<the |my |>vice <is |>out {_READ}",
        f"{{way=head}}<the |>head <is |>out {_READ}",
        f"{{way=shim}}<out of square|square out|squareness> {_READ}",
    ),
    calls=(
        "out of square",
        "square out",
        "squareness",
        "square up",
        "shim for",
        "shim",
        "tram",
        "tram a vice",
        "tramming",
        "leans",
        "vice out",
        "vice is out",
        "head out",
    ),
    headline=headline,
)
