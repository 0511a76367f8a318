"""``press``: what an interference does: pressure, stress, push and torque."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working
from runk.core.fits.joint import (
    VICE_N,
    Joint,
    Tight,
    at_work,
    borne,
    goes_in_by,
    joint_of,
    limits_of_both,
    links_to,
    loosest_holds,
    press,
    strained,
    taken,
    tight_figures,
    tightness,
)
from runk.core.fits.joint_question import (
    LEAST_FIELD,
    TIGHT_FIELD,
    JointQuestion,
    JointShop,
    needs,
    works_at,
)
from runk.core.fits.joint_ways import Way, ways
from runk.core.kinds import Choice, OneOf
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE
from runk.core.units import PageUnit

CLASSES = (
    Choice("press", "press", ("press", "pressed", "press in", "press on")),
    Choice("drive", "driving", ("drive", "driving", "drive on"), yields_to=("press",)),
    Choice("shrink", "shrink", ("shrink", "shrunk"), yields_to=("press",)),
)


@dataclass(frozen=True, slots=True)
class PressQuestion(JointQuestion):
    """Two parts pressed together.

    Args:
        tight: Interference on diameter; by class where left out.
        least: The least it may come to, where limits are known.
        by: The class of the workshop it is made to.
    """

    tight: Annotated[Fraction | None, TIGHT_FIELD] = None
    least: Annotated[Fraction | None, LEAST_FIELD] = None
    by: Annotated[str, OneOf("class", choices=CLASSES)] = "press"
    hot: Annotated[float | None, works_at("hot", "at")] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class PressAnswer:
    """Stress and push at the tightest, what it holds at the loosest."""

    force_n: Annotated[Figure, Show("Push to put it in, at most", Rank.BIG)]
    tight_low_mm: Annotated[Figure, Show("Shaft over the hole, least", Rank.BIG)]
    tight_high_mm: Annotated[Figure, Show("Shaft over the hole, most", Rank.BIG)]
    torque_nm: Annotated[Figure, Show("Torque it then holds, at least", Rank.BIG)]
    says: Annotated[str, Show("How it goes in", Rank.SAYS)]
    taken: Annotated[str, Show("Taken", Rank.SAYS)]
    pressure_mpa: Annotated[Figure, Show("Pressure in the joint, at most")]
    pressure_low_mpa: Annotated[Figure, Show("Pressure in the joint, at least")]
    hoop_mpa: Annotated[Figure, Show("Hoop stress at the bore of the boss")]
    loaded_mpa: Annotated[Figure, Show("Loaded there, with the pressure")]
    yield_mpa: Annotated[Figure, Show("The boss bears")]
    holds_n: Annotated[Figure, Show("Push along it that it holds, at least")]
    ways: Annotated[tuple[Way, ...], Table("Ways of joining these two, side by side")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def compute(question: PressQuestion, shop: JointShop) -> PressAnswer:
    """What an interference does to boss and shaft, and what it holds.

    Args:
        question: The joint and its interference.
        shop: Both metals.

    Raises:
        Refused: No metal round the bore, or none left of the shaft.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = PressQuestion(Fraction(11), tight=Fraction("0.02"))
    >>> answer = compute(asked, needs(asked, WORKSHOP))
    >>> round(answer.pressure_mpa.value, 1), round(answer.hoop_mpa.value, 1)
    (139.8, 233.0)
    """
    w = Working()
    joint = joint_of(w, question, shop)
    tight = tightness(joint, question.tight, question.least, question.by)
    worst = at_work(joint, tight, question.hot)
    found = press(w, joint, worst.least, worst.most)
    least, most = tight_figures(tight)
    return PressAnswer(
        force_n=found.force,
        torque_nm=found.torque,
        says=goes_in_by(found.force.value).capitalize() + ".",
        taken=taken(question, joint, tight.why),
        tight_low_mm=least,
        tight_high_mm=most,
        pressure_mpa=found.pressure,
        pressure_low_mpa=found.pressure_low,
        hoop_mpa=found.hoop,
        loaded_mpa=found.loaded,
        yield_mpa=borne(w, shop.boss, "yield_mpa"),
        holds_n=found.holds,
        ways=ways(joint),
        cautions=(
            *strained(joint, worst.most, "tight_high_mm"),
            *_cautions(found.force.value),
            *loosest_holds(worst),
        ),
        links=_links(question, joint, tight),
    )


def _cautions(push_n: float) -> list[Caution]:
    if push_n > VICE_N:
        says = (
            f"It takes {push_n / 1000:.0f} kN and a small vice gives about 8. Shrink it on, or "
            "ease it. A press bursts what is out of line: stand aside, eyes guarded."
        )
        return [Caution("Mind", "the push", says, "force_n", PRACTICE)]
    return []


def _links(question: PressQuestion, joint: Joint, tight: Tight) -> tuple[Link, ...]:
    reasons = {"shrink": "The same by heat", "bond": "The same by compound"}
    limits = limits_of_both(question, joint, tight, question.by)
    return (*links_to(joint, question, tight, reasons), limits)


def headline(answer: PressAnswer, page: PageUnit) -> str:
    """The push and the torque."""
    return f"{answer.force_n.words(page)} to press in · holds {answer.torque_nm.words(page)}"


PRESS = Calculator(
    name="press",
    title="Pressed together: push, stress and what it holds",
    door=Door("/fits/press", "Fits", "Press"),
    opening={
        "size": "11 mm",
        "hub": "24 mm",
        "length": "8 mm",
        "boss_metal": "mild-steel",
        "shaft_metal": "silver-steel",
    },
    question=PressQuestion,
    answers=(PressAnswer,),
    compute=compute,
    needs=needs,
    sentences={
        "": "A {by} fit of {size}[, {tight} tight], {boss_metal} boss[ {hub} outside] "
        "on {shaft_metal}[, {length} long][, shaft hollow {hollow}][, at least {least}]"
        "[, working at {hot}]"
    },
    lines=(
        "<press|press in|press a> {shaft_metal} bush {size} <outside|od> {hollow} <bore|bored>"
        " <into|in> {boss_metal}[, {length} long][, {hub} outside]",
    ),
    calls=(
        "press",
        "press in",
        "press on",
        "pressed on",
        "pressed in",
        "force to press",
        "interference",
    ),
    headline=headline,
)
