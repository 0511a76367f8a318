"""``sine``: packing under one roller of a sine bar for an angle, and the angle of a packing."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from math import asin, cos, degrees, radians, sin
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Holds, Link, Working, law, told
from runk.core.kinds import Angle, Length
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_STEEP_DEG = 60.0


@dataclass(frozen=True, slots=True)
class SineQuestion:
    """An angle by packing.

    Args:
        bar: From roller to roller, or of any piece from its edge to where it is packed.
        angle: Wanted; ``height`` the packing instead.
        off: What the packing may be off.
    """

    bar: Annotated[
        Fraction,
        Length(
            "bar",
            ("bar", "sine bar", "rollers", "roller to roller", "long", "over"),
            principal=True,
            usual=(40.0, 300.0),
            low=1.0,
            high=1000.0,
            placeholder="100 mm",
        ),
    ] = Fraction(100)
    angle: Annotated[
        float | None,
        Angle(
            "angle",
            ("degrees", "degree", "deg", "°", "angle", "at"),
            low=0.001,
            high=89.0,
            needed=("*",),
            or_else="height",
            asks="What angle?",
            placeholder="12°",
        ),
    ] = None
    height: Annotated[
        Fraction | None,
        Length(
            "packing",
            ("packing", "height", "high", "slips", "packed"),
            low=0.001,
            high=1000.0,
            placeholder="from the angle",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class SineAnswer:
    """The packing, and how far an error in it goes."""

    height_mm: Annotated[Figure, Show("Packing under one roller", Rank.BIG)]
    angle_deg: Annotated[Figure, Show("Angle", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    a_hundredth_deg: Annotated[Figure, Show("A hundredth of a millimetre is")]
    bar_mm: Annotated[Figure, Show("Roller to roller")]
    along_mm: Annotated[Figure, Show("Flat, from roller to roller", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Packing", "{bar_mm} × sin({angle_deg}°)")
def height_mm(bar_mm: float, angle_deg: float) -> float:
    """Under one roller, the other on the plate.

    >>> height_mm(100.0, 30.0).__round__(3)
    50.0
    """
    return bar_mm * sin(radians(angle_deg))


@law(
    "Angle",
    "arcsin({height_mm} ÷ {bar_mm})",
    holds=Holds(
        "the packing is under the bar's length", lambda height_mm, bar_mm: height_mm < bar_mm
    ),
)
def sine_deg(height_mm: float, bar_mm: float) -> float:
    """Angle of a packing.

    >>> round(sine_deg(50.0, 100.0), 6)
    30.0
    """
    return degrees(asin(height_mm / bar_mm))


@law(
    "Off by",
    "{off_mm} ÷ ({bar_mm} × cos({angle_deg}°)), in degrees",
    holds=Holds(
        "the packing is off by under a hundredth of the bar",
        lambda off_mm, bar_mm: abs(off_mm) <= bar_mm / 100,
    ),
)
def off_deg(off_mm: float, bar_mm: float, angle_deg: float) -> float:
    """What a packing that is off makes of the angle."""
    return degrees(off_mm / (bar_mm * cos(radians(angle_deg))))


@law("Flat", "{bar_mm} × cos({angle_deg}°)")
def flat_mm(bar_mm: float, angle_deg: float) -> float:
    """From roller to roller along the plate."""
    return bar_mm * cos(radians(angle_deg))


def needs(_: SineQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def settle(question: SineQuestion, _: Workshop, __: Mapping[str, Reading]) -> SineQuestion:
    """A packing lower than the bar is long.

    Raises:
        Refused: It is not.
    """
    if question.height is not None and question.height >= question.bar:
        raise Refused(
            f"A bar of {mm_said(question.bar)} stands upright before it is packed so high.",
            field="height",
        )
    if question.height is not None and question.angle is not None:
        raise Refused("The packing gives the angle: type one of them.", field="angle")
    return question


def compute(question: SineQuestion, _: None = None) -> SineAnswer:
    """Packing or angle.

    >>> compute(SineQuestion(angle=30.0)).height_mm.shown()
    '50.000'
    """
    w, bar = Working(), float(question.bar)
    if question.height is not None:
        height = told(float(question.height), "height_mm")
        angle = w.of(sine_deg, "angle_deg", height_mm=height.value, bar_mm=bar)
    else:
        angle = told(question.angle or 0.0, "angle_deg", 4)
        height = w.of(height_mm, bar_mm=bar, angle_deg=angle.value)
    off = w.of(off_deg, "a_hundredth_deg", off_mm=0.01, bar_mm=bar, angle_deg=angle.value)
    cautions = []
    if angle.value > _STEEP_DEG:
        says = "So steep a hundredth counts twice: set the other angle, from square."
        cautions.append(Caution("Mind", "the angle", says, "angle_deg", MECHANICS))
    return SineAnswer(
        height_mm=replace(height, places=3),
        angle_deg=replace(angle, places=4),
        says="Clean, burr-free packing on a plate; the work against the end stop, and clamped "
        "before anything cuts.",
        a_hundredth_deg=replace(off, places=4),
        bar_mm=told(bar, "bar_mm"),
        along_mm=w.of(flat_mm, "along_mm", bar_mm=bar, angle_deg=angle.value),
        cautions=tuple(cautions),
        links=(),
    )


def headline(answer: SineAnswer, page: PageUnit) -> str:
    """Packing and angle."""
    return f"{answer.height_mm.words(page)} · {answer.angle_deg.words(page)}"


SINE = Calculator(
    name="sine",
    title="An angle by packing",
    door=Door("/setting-out/sine", "Setting out", "Sine", family="Angles"),
    opening={"bar": "100 mm", "angle": "12"},
    question=SineQuestion,
    answers=(SineAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={"": "Sine bar of {bar}[, {angle} degrees][, packing {height}]"},
    calls=("sine bar", "sine", "angle by sine", "sine plate", "packing for"),
    headline=headline,
)
