"""``length``: one size in every way the shop says it."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Figure, Num, Working, law
from runk.core.kinds import Length
from runk.core.lengths.names import drill_sizes
from runk.core.lengths.show import MM_PER_INCH, nearest_64th
from runk.core.said import mm_said, worded
from runk.core.shown import Rank, Show
from runk.core.sources import Held, Source
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

_INCH = Source("inch", Held.DERIVED)


_FINE_THOU = 0.5
_FAR_DRILL = 0.05
"""A drill so much of itself away is not near."""


@law("Inches", "{length_mm} ÷ 25.4", _INCH)
def to_inch(length_mm: Num) -> Num:
    """Inches from millimetres; the inch is 25.4 mm exactly.

    >>> to_inch(12.7)
    0.5
    """
    return length_mm / 25.4


@law("Thou", "{length_mm} ÷ 25.4 × 1000", _INCH)
def to_thou(length_mm: Num) -> Num:
    """Thousandths of an inch from millimetres.

    >>> to_thou(25.4)
    1000.0
    """
    return length_mm / 25.4 * 1000.0


@dataclass(frozen=True, slots=True)
class LengthQuestion:
    """A size as typed.

    Args:
        other: Another one, to be held beside it.
    """

    text: Annotated[Fraction, Length("size", principal=True, placeholder='1 3/16"', high=100000.0)]
    other: Annotated[
        Fraction | None,
        Length(
            "another size beside it", ("or", "than", "beside"), placeholder="none", high=100000.0
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class LengthAnswer:
    """The same size in millimetres, inches, thou and the nearest sixty-fourth.

    ``error_mm`` and ``error_thou`` are the size less that sixty-fourth.
    """

    mm: Annotated[Figure, Show("In millimetres", Rank.BIG)]
    inch: Annotated[Figure, Show("In inches", Rank.BIG)]
    thou: Annotated[Figure, Show("In thou", Rank.BIG)]
    nearest_64th: Annotated[str, Show("Nearest sixty-fourth, inches", Rank.BIG)]
    error_mm: Annotated[Figure, Show("Over that sixty-fourth by")]
    error_thou: Annotated[Figure, Show("The same in thou")]
    number_drill: Annotated[str, Show("Nearest number drill")] = ""
    letter_drill: Annotated[str, Show("Nearest letter drill")] = ""
    apart_mm: Annotated[Figure | None, Show("From one to the other")] = None
    larger: Annotated[str, Show("Beside the other", Rank.SAYS)] = ""


def length(question: LengthQuestion, _: None = None) -> LengthAnswer:
    """Say a size in every unit of the shop.

    Args:
        question: With an exact length in millimetres.

    Returns:
        Exact conversions as floats, and the nearest 1/64 in with its error.

    >>> answer = length(LengthQuestion(Fraction("4.37")))
    >>> answer.nearest_64th, round(answer.thou.value, 2)
    ('11/64', 172.05)
    """
    mm = float(question.text)
    near, error = nearest_64th(question.text)
    w = Working()
    inch = w.figure(w(to_inch, length_mm=mm), "inch")
    in_thou = w(to_thou, length_mm=mm)
    # Under half a thou a tenth of a thou is too coarse: 1.7 tenths is 0.17.
    thou = w.figure(in_thou, "thou", since=1, places=2 if abs(in_thou) < _FINE_THOU else None)
    over = w(to_thou, length_mm=float(error))
    off = w.figure(over, "error_thou", since=2, places=2 if abs(over) < _FINE_THOU else None)
    return LengthAnswer(
        mm=Figure(mm, unit_of("mm"), places=3, fixed=True),
        inch=inch,
        thou=thou,
        nearest_64th=near,
        error_mm=Figure(float(error), unit_of("error_mm"), places=3, fixed=True),
        error_thou=off,
        number_drill=_nearest_drill(question.text, number=True),
        letter_drill=_nearest_drill(question.text, number=False),
        apart_mm=None if question.other is None else _apart(question.text, question.other),
        larger="" if question.other is None else _larger(question.text, question.other),
    )


def _nearest_drill(mm: Fraction, *, number: bool) -> str:
    """The drill of the old series nearest to a size; nothing where none is near."""
    series = {
        name: inch * MM_PER_INCH
        for name, inch in drill_sizes().items()
        if name.startswith("#") is number and (number or name.isalpha())
    }
    name, size = min(series.items(), key=lambda one: abs(one[1] - mm))
    near = abs(float(size - mm)) <= _FAR_DRILL * float(size)
    return f"{name}, {mm_said(float(size), 3)}" if near else ""


def _apart(one: Fraction, other: Fraction) -> Figure:
    return Figure(float(abs(one - other)), unit_of("apart_mm"), places=4)


def _larger(one: Fraction, other: Fraction) -> str:
    """Which of two sizes is the larger, both in one unit."""
    if one == other:
        return "They are one size."
    large, small = max(one, other), min(one, other)
    return f"{mm_said(float(large), 3)} is larger than {mm_said(float(small), 3)}."


def headline(answer: LengthAnswer, page: PageUnit) -> str:
    """The size in both units; beside another, which is the larger."""
    both = f"{answer.mm.words()}, {answer.inch.words()}"
    return f"{worded(answer.larger, page)} {both}" if answer.larger else both


def _nothing(_question: LengthQuestion, _workshop: Workshop) -> None:
    return None


LENGTH = Calculator(
    name="length",
    title="A size in every unit",
    alone=True,
    calls=(
        "in every unit",
        "in thou #",
        "in mm #",
        "in inches #",
        "# in mm",
        "# to mm",
        "# in thou",
        "# to thou",
        "# in inches",
        "# to inches",
        "# in inch",
        "# to inch",
        "# as a fraction",
        "# in 64ths",
        "# in fraction",
        "convert #",
        "what is #",
        "what's #",
        "# decimal",
        "# as decimal",
        "# as a decimal",
        "# in decimal",
        "# to decimal",
        "decimal of #",
        "# metric",
        "# in metric",
        "# to metric",
        "metric of #",
        "# what fraction",
        "# in millimetres",
        "# to millimetres",
        "nearest fraction to #",
        "# fraction",
        "# how much",
        "how much is #",
        "how many mm",
    ),
    door=Door("/sizes", "Sizes", "A size in every unit", "Shop"),
    opening={"text": '1 3/16"'},
    question=LengthQuestion,
    answers=(LengthAnswer,),
    compute=length,
    needs=_nothing,
    sentences={"": "{text} in every unit[, beside {other}]"},
    headline=headline,
)
