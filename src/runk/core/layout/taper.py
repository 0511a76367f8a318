"""``taper``: the angle of a taper, and what the top slide or the tailstock is set to."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from math import atan, degrees, radians, sin, tan
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Holds, Link, Working, law, told
from runk.core.kinds import Angle, Length, Number
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_CHECK_MM = 25.0
"""Travel of the top slide over which an indicator is read: about a short slide's."""
_STEEP_DEG = 8.0
"""A tailstock set over further than this is no longer a pair of centres: practice."""


@dataclass(frozen=True, slots=True)
class TaperQuestion:
    """A taper; three of its sizes tell the fourth.

    Args:
        large: Diameter at the large end; ``small`` at the small one.
        long: Along the axis, between them.
        angle: Of the top slide: half of what the two sides make.
        included: The angle between its two sides, twice that.
        per_foot: What the diameter grows in a foot of length.
        one_in: On diameter, so much along for one.
        between: Between centres, for a tailstock set over.
    """

    large: Annotated[
        Fraction | None,
        Length(
            "large end",
            ("large end", "large", "big end", "from"),
            principal=True,
            low=0.1,
            high=1000.0,
            asks="How large is the large end?",
            placeholder="16 mm",
        ),
    ] = None
    small: Annotated[
        Fraction | None,
        Length(
            "small end",
            ("small end", "small", "to"),
            principal=True,
            low=0.05,
            high=1000.0,
            placeholder="12 mm",
        ),
    ] = None
    long: Annotated[
        Fraction | None,
        Length(
            "long", ("long", "over", "in", "length"), low=0.05, high=2000.0, placeholder="40 mm"
        ),
    ] = None
    angle: Annotated[
        float | None,
        Angle(
            "top slide at",
            ("degrees", "degree", "deg", "°", "angle"),
            low=0.001,
            high=89.0,
            placeholder="from the sizes",
        ),
    ] = None
    included: Annotated[
        float | None,
        Angle(
            "both sides together",
            ("included angle", "included", "including"),
            low=0.002,
            high=178.0,
            placeholder="from the sizes",
        ),
    ] = None
    one_in: Annotated[
        float | None,
        Number(
            "1 in",
            ("1 in", "one in"),
            asks="One in how many?",
            low=0.05,
            high=1000.0,
            placeholder="from the sizes",
        ),
    ] = None
    per_foot: Annotated[
        Fraction | None,
        Length(
            "per foot",
            ("per foot", "a foot", "to the foot"),
            low=0.05,
            high=300.0,
            placeholder="from the sizes",
        ),
    ] = None
    between: Annotated[
        Fraction | None,
        Length(
            "between centres",
            ("between centres",),
            low=1.0,
            high=3000.0,
            placeholder="by the top slide",
            asks="How long is it between centres?",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class TaperSet:
    """What to set."""

    angle_deg: Annotated[Figure, Show("Set the top slide over by", Rank.BIG)]
    check_mm: Annotated[Figure, Show("Indicator, over 25 mm of its travel", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    included_deg: Annotated[Figure, Show("Both sides together")]
    one_in: Annotated[str, Show("On diameter")]
    set_over_mm: Annotated[Figure | None, Show("Or the tailstock over by")]
    large_mm: Annotated[Figure | None, Show("Large end")]
    small_mm: Annotated[Figure | None, Show("Small end")]
    long_mm: Annotated[Figure | None, Show("Long")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Top slide", "arctan(({large_mm} - {small_mm}) ÷ (2 × {long_mm}))")
def half_deg(large_mm: float, small_mm: float, long_mm: float) -> float:
    """Half the angle of a taper.

    >>> round(half_deg(16.0, 12.0, 40.0), 3)
    2.862
    """
    return degrees(atan((large_mm - small_mm) / (2.0 * long_mm)))


@law("Top slide", "arctan(1 ÷ (2 × {one_in}))")
def rate_deg(one_in: float) -> float:
    """Half the angle of a taper of 1 in so many, on diameter.

    >>> round(rate_deg(10.0), 3)
    2.862
    """
    return degrees(atan(1.0 / (2.0 * one_in)))


@law("The other end", "{end_mm} + {sign} × 2 × {long_mm} × tan({angle_deg}°)")
def end_mm(end_mm: float, sign: float, long_mm: float, angle_deg: float) -> float:
    """Diameter at the far end of a taper.

    >>> round(end_mm(16.0, -1.0, 40.0, 2.862405), 3)
    12.0
    """
    return end_mm + sign * 2.0 * long_mm * tan(radians(angle_deg))


@law("Long", "({large_mm} - {small_mm}) ÷ (2 × tan({angle_deg}°))")
def long_mm(large_mm: float, small_mm: float, angle_deg: float) -> float:
    """How long a taper is between two diameters."""
    return (large_mm - small_mm) / (2.0 * tan(radians(angle_deg)))


@law("Indicator", "{travel_mm} × sin({angle_deg}°)")
def check_mm(travel_mm: float, angle_deg: float) -> float:
    """What an indicator on the top slide shows along a parallel bar, over some of its travel."""
    return travel_mm * sin(radians(angle_deg))


@law(
    "Tailstock over by",
    "{between_mm} × sin({angle_deg}°)",
    holds=Holds(
        "it is under 10 degrees to a side, as far as centres bear",
        lambda angle_deg: abs(angle_deg) < 10,
    ),
)
def set_over_mm(between_mm: float, angle_deg: float) -> float:
    """How far a centre is set over, of work so long between its centres."""
    return between_mm * sin(radians(angle_deg))


def needs(_: TaperQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


_FOOT = Fraction("304.8")


def settle(question: TaperQuestion, _: Workshop, __: Mapping[str, Reading]) -> TaperQuestion:
    """Enough is told, and no more than fits together.

    Raises:
        Refused: Too little, or an end that is no end.
    """
    large, small = question.large, question.small
    if large is not None and small is not None:
        if large == small:
            raise Refused("Both ends are one size: that is no taper.", field="small")
        if large < small:
            # Whichever was said first, the large end is the larger.
            question = replace(question, large=small, small=large)
    if question.included is not None and question.angle is None:
        # The top slide is set to half of it.
        question = replace(question, angle=question.included / 2, included=None)
    if question.per_foot is not None:
        if question.one_in is not None:
            raise Refused("A rate and a rate a foot are two tapers: give one.", field="per_foot")
        question = replace(question, one_in=float(_FOOT / question.per_foot), per_foot=None)
    angled = question.angle is not None or question.one_in is not None
    if question.included is not None:
        raise Refused("Give half the angle or the whole, not both.", field="included")
    if question.angle is not None and question.one_in is not None:
        raise Refused("An angle and a rate are two tapers: tell one.", field="one_in")
    sizes = sum(x is not None for x in (question.large, question.small, question.long))
    if not angled and sizes < 3:
        missing = next(n for n in ("large", "small", "long") if getattr(question, n) is None)
        asks = {
            "large": "How large is the large end?",
            "small": "How large is the small end?",
            "long": "How long is the taper? Or tell its angle.",
        }
        raise Refused(asks[missing], field=missing, suggest="40 mm")
    if angled and sizes == 3:
        raise Refused("Two ends and a length tell the angle already: leave one out.", field="long")
    return question


def compute(question: TaperQuestion, _: None = None) -> TaperSet:
    """Angle, and how to set it.

    Raises:
        Refused: It comes to a point before it is so long.

    >>> answer = compute(TaperQuestion(Fraction(16), Fraction(12), Fraction(40)))
    >>> answer.angle_deg.shown(), answer.one_in
    ('2.862', '1 in 10')
    """
    w = Working()
    large, small, long = (
        None if x is None else float(x) for x in (question.large, question.small, question.long)
    )
    if question.angle is not None:
        angle = told(question.angle, "angle_deg", 3)
    elif question.one_in is not None:
        angle = replace(w.of(rate_deg, "angle_deg", one_in=question.one_in), places=3)
    else:
        assert large is not None
        assert small is not None
        assert long is not None
        angle = replace(
            w.of(half_deg, "angle_deg", large_mm=large, small_mm=small, long_mm=long), places=3
        )
    half = angle.value
    ends = _ends(w, large, small, long, half)
    rate = 1.0 / (2.0 * tan(radians(half)))
    over = None
    if question.between is not None:
        over = w.of(set_over_mm, between_mm=float(question.between), angle_deg=half)
        over = replace(over, places=3)
    return TaperSet(
        angle_deg=angle,
        check_mm=replace(w.of(check_mm, travel_mm=_CHECK_MM, angle_deg=half), places=3),
        says="An indicator on the top slide, against a parallel bar between centres or a true "
        "shank: set the slide until that much is shown. Tool exactly at centre height, or the "
        "taper comes out hollow.",
        included_deg=told(2 * half, "included_deg", 3),
        one_in=f"1 in {rate:.4g}",
        set_over_mm=over,
        large_mm=ends[0],
        small_mm=ends[1],
        long_mm=ends[2],
        cautions=_cautions(over, half),
        links=(),
    )


def _ends(
    w: Working, large: float | None, small: float | None, long: float | None, half: float
) -> tuple[Figure | None, Figure | None, Figure | None]:
    """The three sizes, the missing one worked out where the others tell it."""
    out = [
        None if value is None else told(value, key)
        for value, key in ((large, "large_mm"), (small, "small_mm"), (long, "long_mm"))
    ]
    if long is not None and large is not None and small is None:
        found = w.of(end_mm, "small_mm", end_mm=large, sign=-1.0, long_mm=long, angle_deg=half)
        if found.value <= 0:
            to = large / (2.0 * tan(radians(half)))
            raise Refused(f"It comes to a point after {mm_said(to, 2)}.", field="long")
        out[1] = replace(found, places=3)
    elif long is not None and small is not None and large is None:
        found = w.of(end_mm, "large_mm", end_mm=small, sign=1.0, long_mm=long, angle_deg=half)
        out[0] = replace(found, places=3)
    elif large is not None and small is not None and long is None:
        found = w.of(long_mm, large_mm=large, small_mm=small, angle_deg=half)
        out[2] = replace(found, places=3)
    return out[0], out[1], out[2]


def _cautions(over: Figure | None, half: float) -> tuple[Caution, ...]:
    found = []
    if over is not None and half > _STEEP_DEG:
        says = "So steep the centres stand askew in their holes: by the top slide."
        found.append(Caution("Mind", "the centres", says, "set_over_mm", PRACTICE))
    if over is not None:
        says = "The tailstock comes back to true with a test bar: the next shaft is a taper else."
        found.append(Caution("Mind", "the tailstock", says, "set_over_mm", MECHANICS))
    return tuple(found)


def headline(answer: TaperSet, page: PageUnit) -> str:
    """The angle, and the rate."""
    return f"{answer.angle_deg.words(page)} · {answer.one_in}"


TAPER = Calculator(
    name="taper",
    title="A taper by the top slide",
    door=Door("/setting-out/taper", "Setting out", "Taper", family="Angles"),
    opening={"large": "16 mm", "small": "12 mm", "long": "40 mm"},
    question=TaperQuestion,
    answers=(TaperSet,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "A taper[ from {large}][ to {small}][ over {long}][, {angle} degrees]"
        "[, 1 in {one_in}][, between centres {between}]"
    },
    lines=(
        "{call} {large} to {small} <in|over> {long}[, between centres {between}]",
        "{call} {large} <in|over> {long} 1 in {one_in}",
        "{call} 1 in {one_in}[ from {large}][ to {small}][ <over|for> {long}]",
        "{call} 1 in {one_in}[ large end {large}][ small end {small}][ <over|long> {long}]",
        "1 in {one_in} {call}[ from {large}][ to {small}][ <over|long> {long}]",
    ),
    calls=(
        "taper",
        "a taper",
        "turn a taper",
        "taper turning",
        "top slide angle",
        "tailstock offset",
        "set over",
        "setover",
        "topslide",
        "taper angle",
        "angle of taper",
        "taper per foot",
        "per foot",
    ),
    headline=headline,
)
