"""``sums``: asked at the bench without a job: revs by another size, a share, a temperature."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated, ClassVar

from runk.core.calculator import Calculator, Door
from runk.core.cutting.laws import surface_m_min
from runk.core.figures import Caution, Figure, Link, Num, Working, law, told
from runk.core.kinds import Choice, Length, Number, OneOf, Temperature
from runk.core.refusals import Refused
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


class SumOf(StrEnum):
    """Which sum."""

    REVS = "revs"
    SHARE = "share"
    HEAT = "heat"


SUMS = (
    Choice("revs", "Revs for another size", ("same surface speed", "revs for another size")),
    Choice("share", "A share of a size", ("percent of", "% of", "share of")),
    Choice("heat", "A temperature in both scales", ("both scales",)),
)


@dataclass(frozen=True, slots=True)
class SumQuestion:
    """A sum.

    Args:
        way: Which.
        rpm: Revolutions that are right for a size, ``at``; wanted for the ``other``.
        percent: Of a size, ``of``.
        heat: A temperature, in either scale.
    """

    way: Annotated[SumOf, OneOf("sum", choices=SUMS, rules=True)] = SumOf.REVS
    rpm: Annotated[
        float | None,
        Number(
            "revolutions",
            ("rpm", "revs", "rev/min"),
            units=("rpm", "revs", "rev/min"),
            only=("revs",),
            needed=("revs",),
            low=0.1,
            high=100000.0,
            asks="How many revolutions are right there?",
            placeholder="250",
        ),
    ] = None
    at: Annotated[
        Fraction | None,
        Length(
            "at a diameter of",
            ("with", "at"),
            only=("revs",),
            needed=("revs",),
            low=0.1,
            high=2000.0,
            asks="At what diameter?",
            placeholder="18 mm",
        ),
    ] = None
    other: Annotated[
        Fraction | None,
        Length(
            "and at",
            ("for", "other"),
            only=("revs",),
            needed=("revs",),
            low=0.1,
            high=2000.0,
            asks="And for which diameter?",
            placeholder="12 mm",
        ),
    ] = None
    percent: Annotated[
        float | None,
        Number(
            "percent",
            ("percent", "%"),
            units=("percent", "%"),
            only=("share",),
            needed=("share",),
            low=0.001,
            high=100000.0,
            asks="How many in a hundred?",
            placeholder="18",
        ),
    ] = None
    of: Annotated[
        Fraction | None,
        Length(
            "of",
            ("of",),
            only=("share",),
            needed=("share",),
            high=100000.0,
            asks="Of what size?",
            placeholder="22 mm",
        ),
    ] = None
    heat: Annotated[
        float | None,
        Temperature(
            "temperature",
            only=("heat",),
            needed=("heat",),
            high=5000.0,
            asks="Which temperature?",
            placeholder="350 F",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class RevsAnswer:
    """Revolutions that give another diameter the same surface speed."""

    tag: ClassVar[str] = "revs"
    speed_rpm: Annotated[Figure, Show("For the other size", Rank.BIG)]
    surface_speed_m_min: Annotated[Figure, Show("At both, the edge goes at")]
    cautions: tuple[Caution, ...] = ()
    links: tuple[Link, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class ShareAnswer:
    """So many hundredths of a size."""

    tag: ClassVar[str] = "share"
    share_mm: Annotated[Figure, Show("Comes to", Rank.BIG)]
    rest_mm: Annotated[Figure, Show("Which leaves")]
    cautions: tuple[Caution, ...] = ()
    links: tuple[Link, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class HeatAnswer:
    """A temperature in both scales; over the shop's 20 degrees beside it."""

    tag: ClassVar[str] = "heat"
    heat_c: Annotated[Figure, Show("Is", Rank.BIG)]
    says: Annotated[str, Show("Over the shop", Rank.SAYS)]
    cautions: tuple[Caution, ...] = ()
    links: tuple[Link, ...] = ()


@law("Revolutions", "{speed_rpm} × {at_mm} ÷ {other_mm}", MECHANICS)
def other_rpm(speed_rpm: Num, at_mm: Num, other_mm: Num) -> Num:
    """Revolutions that move another diameter's edge as fast.

    >>> other_rpm(250.0, 18.0, 12.0)
    375.0
    """
    return speed_rpm * at_mm / other_mm


@law("A share", "{of_mm} × {percent} ÷ 100")
def share_limit_mm(of_mm: Num, percent: Num) -> Num:
    """So many hundredths of a size.

    >>> share_limit_mm(22.0, 50.0)
    11.0
    """
    return of_mm * percent / 100.0


def needs(_: SumQuestion, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def compute(question: SumQuestion, _: None = None) -> RevsAnswer | ShareAnswer | HeatAnswer:
    """A sum.

    Raises:
        Refused: What it wants was not told.

    >>> asked = SumQuestion(rpm=250.0, at=Fraction(18), other=Fraction(12))
    >>> compute(asked).speed_rpm.value
    375.0
    """
    w = Working()
    if question.way is SumOf.HEAT:
        if question.heat is None:
            raise Refused("Which temperature?", field="heat", suggest="350 F")
        over = question.heat - 20
        return HeatAnswer(
            heat_c=told(question.heat, "heat_c", 0),
            says=f"{abs(over):.0f} °C {'over' if over >= 0 else 'under'} a shop at 20 °C.",
        )
    if question.way is SumOf.SHARE:
        of, percent = float(question.of or 0), question.percent or 0.0
        share = w.of(share_limit_mm, "share_mm", of_mm=of, percent=percent)
        return ShareAnswer(
            share_mm=Figure(share.value, share.unit, share.steps, 3),
            rest_mm=told(of - share.value, "rest_mm", 3),
        )
    if question.rpm is None or question.at is None or question.other is None:
        raise Refused("Revolutions at one size, and the other size.", field="rpm", suggest="250")
    at, other = float(question.at), float(question.other)
    return RevsAnswer(
        speed_rpm=w.of(other_rpm, "speed_rpm", speed_rpm=question.rpm, at_mm=at, other_mm=other),
        surface_speed_m_min=w.of(
            surface_m_min, "surface_speed_m_min", speed_rpm=question.rpm, diameter_mm=at
        ),
    )


def headline(answer: RevsAnswer | ShareAnswer | HeatAnswer, page: PageUnit) -> str:
    """The one figure."""
    if isinstance(answer, HeatAnswer):
        return answer.heat_c.words(page)
    if isinstance(answer, ShareAnswer):
        return answer.share_mm.words(page)
    return answer.speed_rpm.words(page)


_REVS = "<rpm|revs|rev/min|revolutions>"
SUMS_CALCULATOR = Calculator[SumQuestion, None, RevsAnswer | ShareAnswer | HeatAnswer](
    name="sums",
    title="Sums without a job",
    door=Door("/speeds/sums", "Speeds", "Sums"),
    opening={"way": "revs", "rpm": "250", "at": "18 mm", "other": "12 mm"},
    question=SumQuestion,
    answers=(RevsAnswer, ShareAnswer, HeatAnswer),
    compute=compute,
    needs=needs,
    sentences={
        "revs": "{way}: {rpm} rev/min at {at}, and at {other}",
        "share": "{way}: {percent} percent of {of}",
        "heat": "{way}: {heat}",
    },
    lines=(
        f"{{way=revs}}{{rpm}} {_REVS} <with|for|at|on> {{at}}<,|> <what|how many|how fast>"
        "< revs| rpm|> <for|at|with|on> {other}",
        "{way=share}{percent}<%| %| percent> of {of}",
        "{way=heat}{heat} <in|to> <C|F|celsius|fahrenheit>",
    ),
    calls=(
        "what for",
        "revs for",
        "rpm with",
        "rpm at",
        "percent of",
        "f in c",
        "c in f",
        "f to c",
        "c to f",
    ),
    ruled=True,
    headline=headline,
)
