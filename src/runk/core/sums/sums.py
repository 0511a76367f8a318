"""``sums``: asked at the bench without a job."""

from __future__ import annotations

from collections.abc import Callable, Mapping

from runk.core.calculator import Calculator, Door
from runk.core.figures import Working
from runk.core.metals.metal import Metal
from runk.core.sums import machine, of_size
from runk.core.sums.answers import (
    ForceAnswer,
    HeatAnswer,
    ReckonedAnswer,
    RevsAnswer,
    ShareAnswer,
    SumAnswer,
    WeightAnswer,
)
from runk.core.sums.of_bar import force, weight
from runk.core.sums.question import SumOf, SumQuestion
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

_SUMS: Mapping[SumOf, Callable[[Working, SumQuestion], SumAnswer]] = {
    SumOf.REVS: of_size.revs,
    SumOf.SURFACE: machine.surface,
    SumOf.FEED: machine.feed,
    SumOf.TIME: machine.time,
    SumOf.TURNS: machine.turns,
    SumOf.DIAL: machine.dial,
    SumOf.TRAIN: machine.train,
    SumOf.FORCE: force,
    SumOf.SHARE: of_size.share,
    SumOf.HEAT: of_size.heat,
}


def needs(question: SumQuestion, workshop: Workshop) -> Metal | None:
    """The metal of a bar that is weighed; nothing else of the workshop."""
    return workshop.metals[question.metal] if question.metal else None


def compute(question: SumQuestion, metal: Metal | None = None) -> SumAnswer:
    """A sum.

    Raises:
        Refused: What it wants was not told.

    >>> from fractions import Fraction
    >>> compute(SumQuestion(rpm=250.0, at=Fraction(18), other=Fraction(12))).speed_rpm.value
    375.0
    >>> asked = SumQuestion(way=SumOf.SURFACE, metres=25.0, dia=Fraction(19))
    >>> compute(asked).speed_rpm.words()
    '419 rev/min'
    """
    w = Working()
    if question.way is SumOf.WEIGHT:
        return weight(w, question, metal)
    return _SUMS[question.way](w, question)


def headline(answer: SumAnswer, page: PageUnit) -> str:
    """The one figure."""
    if isinstance(answer, ReckonedAnswer):
        return next(figure.words(page) for figure in answer.told if figure is not None)
    if isinstance(answer, HeatAnswer):
        return answer.heat_c.words(page)
    if isinstance(answer, ShareAnswer):
        return answer.share_mm.words(page)
    if isinstance(answer, WeightAnswer):
        return answer.weight_g.words(page)
    return (answer.force_n if isinstance(answer, ForceAnswer) else answer.speed_rpm).words(page)


_REVS = "<rpm|revs|rev/min|revolutions>"
SUMS_CALCULATOR = Calculator[SumQuestion, Metal | None, SumAnswer](
    name="sums",
    title="Sums without a job",
    door=Door("/speeds/sums", "Speeds", "Sums"),
    opening={"way": "revs", "rpm": "250", "at": "18 mm", "other": "12 mm"},
    question=SumQuestion,
    answers=(ReckonedAnswer, RevsAnswer, ShareAnswer, HeatAnswer, WeightAnswer, ForceAnswer),
    compute=compute,
    needs=needs,
    sentences={
        "revs": "{way}: {rpm} rev/min at {at}, and at {other}",
        "surface": "{way}:[ {metres} m/min][ {feet} ft/min][ {rpm} rpm][, diameter {dia}]",
        "feed": "{way}:[ {flutes} flutes][, {each} a tooth][, {minute} a minute][, {rpm} rpm]",
        "time": "{way}:[ {long} long][, feed {turn}][, {rpm} rpm]",
        "turns": "{way}:[ move {far},] screw {screw}[, {marks} divisions]",
        "dial": "{way}:[ {off} off the diameter][ {wound} on the dial][, {division} a division]"
        "[, {reads}]",
        "train": "{way}: {driver} driver, {driven} driven, screw {screw}",
        "weight": "{way}: {metal}[ {section}], {dia} across, {long} long[, bore {bore}]"
        "[, {thick} thick]",
        "force": "{way}: {pressure} on a bore of {dia}",
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
