"""``fit``: the limits of a hole and a shaft, by the standard's classes or by what they do."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction

from runk.core.calculator import Calculator, Door, Sweep
from runk.core.figures import Figure, Working, law
from runk.core.fits.classes import between_limit_mm
from runk.core.fits.fit_answer import FitAnswer
from runk.core.fits.fit_says import (
    FitShop,
    cautions,
    first,
    kind_of,
    links,
    made_to_each_other,
    other_words,
    says,
    schools_of,
)
from runk.core.fits.fit_sides import pair_of, sides
from runk.core.fits.iso import read_class
from runk.core.fits.question import DUTIES, FitQuestion, band_of, duties, piston_of
from runk.core.lengths import Reading
from runk.core.machines.dials import JUDGED
from runk.core.machines.machine import MachineKind
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import PRACTICE
from runk.core.tools.measures import finest
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

_FAR, _FAR_MM = Fraction(1, 100), Fraction(1, 10)
"""A part that measures so far from its nominal, as a share and at the least, is another part."""
_SHORTEST_END_MM = 12.0
"""A small dog's eye and its screw need so much of a thin mandrel: common practice."""
_MANDRELS = ("mandrel", "core")
_REAMS_MM = 0.005
"""So near to the nominal a reamer makes the hole."""


def needs(question: FitQuestion, workshop: Workshop) -> FitShop:
    """What it could be made and measured with here."""
    size = float(question.size)
    near = [t for t in workshop.reamers if abs(float(t.size_mm) - size) <= _REAMS_MM]
    lathe = next((m for m in workshop.machines if m.kind is MachineKind.LATHE), None)
    dial = lathe.dial("cross-slide") if lathe is not None else None
    return FitShop(
        finest(workshop.measures, "inside", size),
        finest(workshop.measures, "outside", size),
        near[0] if near else None,
        2 * JUDGED * dial.travel_mm if dial is not None else None,
    )


def settle(question: FitQuestion, workshop: Workshop, _: Mapping[str, Reading]) -> FitQuestion:
    """One class alone goes with the usual one of the other side.

    Raises:
        Refused: A class and a duty both, or neither.
    """
    classes = question.hole is not None or question.shaft is not None
    off = Fraction(0) if question.made is None else abs(question.made - question.size)
    if question.made is not None and off > max(question.size * _FAR, _FAR_MM):
        raise Refused(
            f"{mm_said(question.made)} is {mm_said(off)} off {mm_said(question.size)}: is it that "
            "part, and is that what it measures?",
            field="made",
        )
    if classes and question.duty is not None:
        raise Refused(
            "A class and what it does are both said: they may contradict. Leave one out.",
            field="duty",
        )
    band = band_of(question.least, question.most)
    if classes and band is not None:
        raise Refused(
            "A class and how free are both said: they may contradict. Leave one out.", field="least"
        )
    if question.long is not None and question.duty not in _MANDRELS:
        raise Refused(
            "A length is asked of a mandrel only: is it one in a finished bore, or through a core?",
            field="long",
            suggest="a mandrel",
        )
    if not classes and question.duty is None and band is None:
        raise Refused(
            "Which fit: H7/g6 and the like, or what it does?",
            field="duty",
            suggest="running, push, press, a piston with rings",
        )
    if question.shaft is not None and question.hole is None:
        question = replace(question, hole=read_class("H7", hole=True))
    if question.hole is not None and question.shaft is None:
        question = replace(question, shaft=read_class("h6", hole=False))
    duty, metal = piston_of(question.duty, question.shaft_metal, workshop)
    question = replace(question, duty=duty, shaft_metal=metal)
    if duty == "crown" and question.hole_metal is None:
        # An aluminium piston is one in iron: it says both.
        question = replace(question, hole_metal="grey-iron")
    return replace(question, least=band[0], most=band[1]) if band else question


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
    classed = question.hole is not None and question.shaft is not None
    pair = pair_of(question) if classed else None
    hole, shaft = sides(w, question, duty, pair, size)
    low = w.of(between_limit_mm, "clearance_low_mm", hole_mm=hole[0].value, shaft_mm=shaft[1].value)
    high = w.of(
        between_limit_mm, "clearance_high_mm", hole_mm=hole[1].value, shaft_mm=shaft[0].value
    )
    low, high = (replace(figure, places=hole[0].places) for figure in (low, high))
    kind = kind_of(low.value, high.value)
    return FitAnswer(
        name=duty.label if duty is not None else "/".join(map(str, pair or ("as told",))),
        kind=kind,
        hole_low_mm=hole[0],
        hole_high_mm=hole[1],
        shaft_low_mm=shaft[0],
        shaft_high_mm=shaft[1],
        clearance_low_mm=low,
        clearance_high_mm=high,
        nominal_mm=Figure(size, unit_of("nominal_mm"), (), 3),
        says=says(duty, kind, low.value, high.value),
        mandrel_long_mm=_mandrel(w, question),
        one=made_to_each_other(duty, low.value, high.value, hole, shaft),
        first=first(question, shop),
        others=other_words(duty, pair, size, low.value, high.value),
        schools=schools_of(duty, size),
        cautions=cautions(question, kind, shop, hole, shaft),
        links=links(question, kind, hole, shaft),
    )


@law("Long at least", "{work_mm} + 2 × {end_mm}")
def mandrel_long_mm(work_mm: float, end_mm: float) -> float:
    """A mandrel between centres: its work, and room at one end for a dog, at the other for a tool.

    Args:
        work_mm: Length of the work, mm, over 0.
        end_mm: What stands out at each end, mm.

    Source: common practice; a dog's eye is near as long as its screw's shaft is thick.

    >>> mandrel_long_mm(50.0, 24.0)
    98.0
    """
    return work_mm + 2.0 * end_mm


def _mandrel(w: Working, question: FitQuestion) -> Figure | None:
    if question.long is None:
        return None
    end = max(float(question.size), _SHORTEST_END_MM)
    figure = w.of(
        mandrel_long_mm,
        work_mm=float(question.long),
        end_mm=end,
        source=PRACTICE,
        why="a diameter at each end: a dog at one, room for the tool at the other",
    )
    return replace(figure, places=0)


def headline(answer: FitAnswer, page: PageUnit) -> str:
    """Both parts' limits, the hole first; one clearance where limits would be too fine."""
    if answer.one:
        return f"{answer.nominal_mm.words(page)} · {answer.one}"
    hole = f"{answer.hole_low_mm.shown(page)} to {answer.hole_high_mm.words(page)}"
    shaft = f"{answer.shaft_low_mm.shown(page)} to {answer.shaft_high_mm.words(page)}"
    return f"hole {hole} · shaft {shaft}"


def _sweeps() -> Mapping[str, Sweep[FitQuestion, FitShop]]:
    # Fetched when wanted: it brings NumPy with it.
    from runk.core.fits.sweep import FitAcross, across

    return {"across": Sweep(across, FitAcross)}


_SPOKEN = tuple(
    word for duty in DUTIES for word in duty.words if "piston" in word or word.endswith("fit")
)
"""Words of a duty that say by themselves that a fit is asked."""
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
    sentences={
        "": "A fit of {size}[, {hole}/{shaft}][, {duty}][, {least} free][, {most} at most]"
        "[, {basis}][, measured {made}]"
        "[, {shaft_metal} shaft][ in {hole_metal}][, work {long} long]"
    },
    nouns=(
        "fit",
        "fits",
        "journal",
        "gland",
        "register",
        "dowel",
        "piston",
        "push",
        "flywheel",
        "wheel",
        *_SPOKEN,
    ),
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
        "piston # in",
        "% piston in",
        "% piston # bore",
        "piston % # bore",
        "rod # in",
        "rod in",
        "rod # gland",
        "wheel on axle",
        "mandrel fit",
        "mandrel for # bore",
        "mandrel in # bore",
        "# mandrel",
        "slip fit",
        "slip fit # mandrel",
        "expanding mandrel",
        "taper mandrel",
        "mandrel for cored hole",
        "mandrel in cored hole",
        "studs for # reamed",
        "stud for # reamed",
        "fitted studs",
        "wheel on its axle",
        "in gland",
        "ring in groove",
        "ring side clearance",
        "mandrel through",
        "running clearance",
        "limits",
        "allowance for",
        "class of fit",
        "clearance for # journal",
    ),
    headline=headline,
    sweeps=_sweeps,
)
