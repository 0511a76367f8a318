"""``fit``: the limits of a hole and a shaft, by the standard's classes or by what they do."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.fits.iso import ToleranceClass, limits_um, read_class
from runk.core.fits.question import WORKSHOP, Duty, FitQuestion, duties
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.said import mm_said, thou_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE, Held, Source
from runk.core.tools.measures import finest
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

ISO = Source("iso-286-1", Held.RECALLED)
_HOLE_SHARE = 0.5
"""Share of what a duty allows that is left to the hole, the rest to the shaft: practice."""
_USUAL_HOLES = tuple(ToleranceClass("h", grade, True) for grade in (7, 8, 6, 9))
"""Of two as near, the one a reamer makes."""
_USUAL_SHAFTS = tuple(
    ToleranceClass(letter, grade, False) for letter in "cdefghkmnprsu" for grade in range(5, 10)
)


@dataclass(frozen=True, slots=True, kw_only=True)
class OtherWay:
    """The same fit in the words of another school."""

    name: Annotated[str, Show("Said as")]
    clearance_low_mm: Annotated[Figure, Show("Least clearance")]
    clearance_high_mm: Annotated[Figure, Show("Most")]
    says: Annotated[str, Show("Which is")]


@dataclass(frozen=True, slots=True, kw_only=True)
class FitAnswer:
    """Limits of both parts; a clearance less than nought is an interference."""

    name: Annotated[str, Show("The fit", Rank.SAYS, drawn=True)]
    kind: Annotated[str, Show("It is", Rank.SAYS, drawn=True)]
    hole_low_mm: Annotated[Figure, Show("Hole, smallest", Rank.BIG, drawn=True)]
    hole_high_mm: Annotated[Figure, Show("Hole, largest", Rank.BIG, drawn=True)]
    shaft_low_mm: Annotated[Figure, Show("Shaft, smallest", Rank.BIG, drawn=True)]
    shaft_high_mm: Annotated[Figure, Show("Shaft, largest", Rank.BIG, drawn=True)]
    clearance_low_mm: Annotated[Figure, Show("Least clearance", Rank.BIG, drawn=True)]
    clearance_high_mm: Annotated[Figure, Show("Most clearance", Rank.BIG, drawn=True)]
    says: Annotated[str, Show("How it goes", Rank.SAYS, drawn=True)]
    nominal_mm: Annotated[Figure, Show("Nominal", Rank.FOLDED)]
    others: Annotated[tuple[OtherWay, ...], Table("In other words")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True)
class FitShop:
    """What the finest tool that measures such a hole, and such a shaft, reads to."""

    inside_mm: float | None
    outside_mm: float | None


@law("Limit", "{size_mm} + {deviation_um} ÷ 1000", ISO)
def limit_mm(size_mm: Num, deviation_um: Num) -> Num:
    """A size from its nominal and its deviation.

    >>> round(limit_mm(22.0, 21.0), 3)
    22.021
    """
    return size_mm + deviation_um / 1000.0


@law("Clearance", "{hole_mm} - {shaft_mm}")
def between_limit_mm(hole_mm: Num, shaft_mm: Num) -> Num:
    """What a shaft leaves in its hole on diameter; less than nought where it is larger.

    >>> round(between_limit_mm(22.0, 21.98), 3)
    0.02
    """
    return hole_mm - shaft_mm


@law("By duty", "({per_inch} × {size_mm} ÷ 25.4 + {besides}) thou", PRACTICE)
def duty_limit_mm(per_inch: Num, size_mm: Num, besides: Num) -> Num:
    """Clearance on diameter by a rule of so many thou an inch and so many besides.

    >>> round(duty_limit_mm(1.0, 25.4, 0.5), 4)
    0.0381
    """
    return (per_inch * size_mm / 25.4 + besides) * 0.0254


def needs(question: FitQuestion, workshop: Workshop) -> FitShop:
    """What it could be measured with here."""
    size = float(question.size)
    return FitShop(
        finest(workshop.measures, "inside", size), finest(workshop.measures, "outside", size)
    )


def settle(question: FitQuestion, _: Workshop, __: Mapping[str, Reading]) -> FitQuestion:
    """One class alone goes with the usual one of the other side.

    Raises:
        Refused: A class and a duty both, or neither.
    """
    classes = question.hole is not None or question.shaft is not None
    if classes and question.duty is not None:
        raise Refused(
            "A class and what it does are both said: they may contradict. Leave one out.",
            field="duty",
        )
    if not classes and question.duty is None:
        raise Refused(
            "Which fit: H7/g6 and the like, or what it does?",
            field="duty",
            suggest="running, push, press, a piston with rings",
        )
    if question.shaft is not None and question.hole is None:
        return replace(question, hole=read_class("H7", hole=True))
    if question.hole is not None and question.shaft is None:
        return replace(question, shaft=read_class("h6", hole=False))
    return question


def fit(question: FitQuestion, shop: FitShop) -> FitAnswer:
    """Limits of a hole and its shaft.

    Args:
        question: The size, and a pair of classes or a duty.
        shop: What there is to measure with.

    Raises:
        Refused: A size or class the standard's tables do not have.

    >>> from fractions import Fraction
    >>> from runk.demo.back_shed import WORKSHOP
    >>> h7, g6 = read_class("H7", hole=True), read_class("g6", hole=False)
    >>> asked = FitQuestion(Fraction(22), hole=h7, shaft=g6)
    >>> answer = fit(asked, needs(asked, WORKSHOP))
    >>> round(answer.clearance_low_mm.value, 3), round(answer.clearance_high_mm.value, 3)
    (0.007, 0.041)
    """
    w, size = Working(), float(question.size)
    duty = duties()[question.duty] if question.duty is not None else None
    if duty is None:
        assert question.hole is not None
        assert question.shaft is not None
        name = f"{question.hole}/{question.shaft}"
        hole = _limits(w, "hole", question.hole, size)
        shaft = _limits(w, "shaft", question.shaft, size)
    else:
        name = duty.label
        hole, shaft = _by_duty(w, duty, size)
    low = w.of(between_limit_mm, "clearance_low_mm", hole_mm=hole[0].value, shaft_mm=shaft[1].value)
    high = w.of(
        between_limit_mm, "clearance_high_mm", hole_mm=hole[1].value, shaft_mm=shaft[0].value
    )
    low, high = (replace(figure, places=3) for figure in (low, high))
    kind = _kind(low.value, high.value)
    return FitAnswer(
        name=name,
        kind=kind,
        hole_low_mm=hole[0],
        hole_high_mm=hole[1],
        shaft_low_mm=shaft[0],
        shaft_high_mm=shaft[1],
        clearance_low_mm=low,
        clearance_high_mm=high,
        nominal_mm=Figure(size, unit_of("nominal_mm"), (), 3),
        says=_says(duty, kind, low.value, high.value),
        others=_other_words(duty, size, low.value, high.value),
        cautions=_cautions(kind, shop, hole, shaft),
        links=_links(hole, shaft),
    )


def _limits(w: Working, side: str, one: ToleranceClass, size: float) -> tuple[Figure, Figure]:
    try:
        low, high = limits_um(one, size)
    except Refused as refused:
        raise refused.on(refused.field or side) from None
    why = f"{one} by the table"
    return (
        replace(
            w.of(limit_mm, f"{side}_low_mm", size_mm=size, deviation_um=low, why=why), places=3
        ),
        replace(
            w.of(limit_mm, f"{side}_high_mm", size_mm=size, deviation_um=high, why=why), places=3
        ),
    )


def _by_duty(
    w: Working, duty: Duty, size: float
) -> tuple[tuple[Figure, Figure], tuple[Figure, Figure]]:
    """The hole from its nominal up; the shaft so that every pair of them keeps to the duty."""
    least, most = (
        w(duty_limit_mm, per_inch=per_inch, size_mm=size, besides=besides, source=duty.source)
        for per_inch, besides in (duty.low, duty.high)
    )
    room = (most - least) * 1000
    hole_um = (0.0, room * _HOLE_SHARE)
    shaft_um = (-(most * 1000 - hole_um[1]), -least * 1000)
    found = []
    for side, (low, high) in (("hole", hole_um), ("shaft", shaft_um)):
        for end, value in (("low", low), ("high", high)):
            figure = w.of(
                limit_mm, f"{side}_{end}_mm", size_mm=size, deviation_um=value, source=duty.source
            )
            steps = tuple(w.steps[:2]) + figure.steps
            found.append(replace(figure, places=3, steps=steps))
    return (found[0], found[1]), (found[2], found[3])


def _kind(low: float, high: float) -> str:
    if low >= -1e-9:
        return "clearance"
    return "interference" if high <= 1e-9 else "transition"


def _says(duty: Duty | None, kind: str, low: float, high: float) -> str:
    if duty is not None:
        return duty.says
    if kind == "clearance":
        return f"Always free, by {_both(low)} to {_both(high)} on diameter."
    if kind == "interference":
        return f"Always tight, by {_both(-high)} to {_both(-low)} on diameter."
    return f"From {_both(-low)} tight to {_both(high)} free: pair them, or make one to the other."


def _both(mm: float) -> str:
    return thou_said(max(mm, 0.0))


def _other_words(duty: Duty | None, size: float, low: float, high: float) -> tuple[OtherWay, ...]:
    found = []
    if duty is not None:
        hole, shaft = nearest_iso(size, low, high)
        least, most = _between(limits_um(hole, size), limits_um(shaft, size))
        says = "the nearest fit of the standard"
        found.append(_way(f"{hole}/{shaft}", least, most, says))
    if duty is None or duty.key not in WORKSHOP:
        near = nearest_class(size, low, high)
        least, most = bounds_of(near, size)
        found.append(_way(near.label, least, most, "the nearest class of the workshop"))
    return tuple(found)


def _way(name: str, low: float, high: float, says: str) -> OtherWay:
    return OtherWay(
        name=name,
        clearance_low_mm=Figure(low, unit_of("clearance_low_mm"), (), 3),
        clearance_high_mm=Figure(high, unit_of("clearance_high_mm"), (), 3),
        says=says,
    )


def bounds_of(duty: Duty, size: float) -> tuple[float, float]:
    """Least and most clearance of a duty at a size, millimetres.

    >>> [round(mm, 4) for mm in bounds_of(duties()["running"], 25.4)]
    [0.0318, 0.0444]
    """
    low, high = (
        duty_limit_mm(per_inch, size, besides) for per_inch, besides in (duty.low, duty.high)
    )
    return low, high


def nearest_class(size: float, low: float, high: float) -> Duty:
    """The class of the workshop whose middle lies nearest to a clearance's.

    >>> nearest_class(22.0, 0.02, 0.06).key
    'running'
    """
    middle = (low + high) / 2
    return min(
        (duties()[key] for key in WORKSHOP),
        key=lambda duty: abs(sum(bounds_of(duty, size)) / 2 - middle),
    )


def _between(hole_um: tuple[float, float], shaft_um: tuple[float, float]) -> tuple[float, float]:
    """Least and most clearance of two pairs of deviations, millimetres."""
    return (hole_um[0] - shaft_um[1]) / 1000, (hole_um[1] - shaft_um[0]) / 1000


def nearest_iso(size: float, low: float, high: float) -> tuple[ToleranceClass, ToleranceClass]:
    """The fit of the standard, on a hole of H, whose least and most lie nearest to these.

    >>> [str(one) for one in nearest_iso(22.0, 0.007, 0.041)]
    ['H7', 'g6']
    """

    holes = [(one, limits_um(one, size)) for one in _USUAL_HOLES]
    shafts = [(one, limits_um(one, size)) for one in _USUAL_SHAFTS]

    def far(hole: tuple[float, float], shaft: tuple[float, float]) -> float:
        least, most = _between(hole, shaft)
        return abs(least - low) + abs(most - high)

    _, hole, shaft = min(
        (
            (far(inside, outside), hole, shaft)
            for hole, inside in holes
            for shaft, outside in shafts
        ),
        key=lambda found: found[0],
    )
    return hole, shaft


def _cautions(
    kind: str, shop: FitShop, hole: tuple[Figure, Figure], shaft: tuple[Figure, Figure]
) -> tuple[Caution, ...]:
    found = []
    for side, limits, reads in (("hole", hole, shop.inside_mm), ("shaft", shaft, shop.outside_mm)):
        width = limits[1].value - limits[0].value
        if reads is not None and reads > width / 2 + 1e-9:
            says = (
                f"Its limits are {mm_said(width, 3)} apart and the finest here that measures it "
                f"reads {mm_said(reads, 3)}: make it to its mate and try them together."
            )
            found.append(Caution("Mind", f"the {side}", says, f"{side}_low_mm", PRACTICE))
    if kind == "interference":
        says = (
            "Once together it does not come apart unharmed: both measured twice, corners eased, "
            "a lead on the shaft. Heat and a press have their own dangers: guard eyes and hands."
        )
        found.append(Caution("Mind", "going together", says, None, PRACTICE))
    return tuple(found)


def _links(hole: tuple[Figure, Figure], shaft: tuple[Figure, Figure]) -> tuple[Link, ...]:
    def plan(job: str, limits: tuple[Figure, Figure], reason: str) -> Link:
        low, high = (f"{limit.value:.4f} mm" for limit in limits)
        return Link(
            "plan",
            (
                ("job", job),
                ("wanted", f"{(limits[0].value + limits[1].value) / 2:.4f} mm"),
                ("smallest", low),
                ("largest", high),
            ),
            reason,
        )

    return (
        plan("outside", shaft, "Turn the shaft to these limits"),
        plan("bore", hole, "Bore the hole to these limits"),
    )


def headline(answer: FitAnswer, page: PageUnit) -> str:
    """Both parts' limits, the hole first."""
    hole = f"{answer.hole_low_mm.shown(page)} to {answer.hole_high_mm.words(page)}"
    shaft = f"{answer.shaft_low_mm.shown(page)} to {answer.shaft_high_mm.words(page)}"
    return f"hole {hole} · shaft {shaft}"


FIT = Calculator(
    name="fit",
    title="A fit: the limits of both parts",
    door=Door("/fits", "Fits", "Fit"),
    opening={"size": "22 mm", "hole": "H7", "shaft": "g6"},
    question=FitQuestion,
    answers=(FitAnswer,),
    compute=fit,
    needs=needs,
    settle=settle,
    sentences={"": "A fit of {size}[, {hole}/{shaft}][, {duty}]"},
    nouns=("fit", "fits", "journal", "gland", "register", "dowel", "push", "flywheel", "wheel"),
    calls=(
        "fit",
        "limits for",
        "fit of",
        "running fit",
        "sliding fit",
        "slide fit",
        "push fit",
        "drive fit",
        "press fit",
        "shrink fit",
        "piston in",
        "rod in",
        "in gland",
    ),
    headline=headline,
)
