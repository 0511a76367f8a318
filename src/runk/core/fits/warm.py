"""``warm``: the clearance that stays hot, and what a part read warm measures cold."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from runk.core.calculator import Calculator, Door, Sweep
from runk.core.fits.heat import ROOM_C
from runk.core.fits.question import piston_of
from runk.core.fits.warm_answer import WarmAnswer, WarmFit, WarmReading
from runk.core.fits.warm_question import WarmJob, WarmQuestion
from runk.core.fits.warmed import WarmShop, compute
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


def needs(question: WarmQuestion, workshop: Workshop) -> WarmShop:
    """Every metal named."""
    metals = workshop.metals
    return WarmShop(
        metals[question.hole_metal], metals[question.shaft_metal], metals[question.metal]
    )


def settle(question: WarmQuestion, workshop: Workshop, _: Mapping[str, Reading]) -> WarmQuestion:
    """The shaft is as hot as the hole where nobody says otherwise.

    Raises:
        Refused: Cold and hot clearance both said, which may contradict.
    """
    if question.job is WarmJob.READING:
        if question.rise is None:
            return question
        return replace(question, at=ROOM_C + question.rise, rise=None)
    if question.tight is not None:
        if question.clear is not None:
            raise Refused("Free and tight are both said: it is one or the other.", field="tight")
        question = replace(question, clear=-question.tight, tight=None)
    if question.clear is not None and question.wanted is not None:
        raise Refused(
            "Clearance cold and clearance hot are both said: one follows from the other.",
            field="wanted",
            suggest="leave one out",
        )
    if question.shaft_hot is None:
        question = replace(question, shaft_hot=question.hole_hot)
    # A piston that grows more than its bore is given more, at its crown.
    duty = piston_of(question.duty, question.shaft_metal, workshop)[0]
    return replace(question, duty=duty)


def headline(answer: WarmAnswer, page: PageUnit) -> str:
    """Clearance hot and cold; or the size cold."""
    if isinstance(answer, WarmReading):
        return f"cold it is {answer.corrected_mm.words(page)}"
    assert isinstance(answer, WarmFit)
    hot, cold = answer.clearance_hot_mm, answer.clearance_cold_mm
    return f"{hot.words(page)} hot · {cold.words(page)} cold"


def _sweeps() -> Mapping[str, Sweep[WarmQuestion, WarmShop]]:
    from runk.core.fits.warming import WarmingShape, warming

    return {"warming": Sweep(warming, WarmingShape)}


WARM = Calculator(
    name="warm",
    title="Hot and cold: the clearance that stays",
    door=Door("/fits/warm", "Fits", "Hot and cold"),
    opening={
        "job": "fit",
        "size": "22 mm",
        "hole_metal": "grey-iron",
        "hole_hot": "120 C",
        "shaft_metal": "aluminium-6082",
        "shaft_hot": "160 C",
        "duty": "crown",
    },
    question=WarmQuestion,
    answers=(WarmFit, WarmReading),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "fit": "{job}: a {size} hole in {hole_metal} at {hole_hot}, {shaft_metal} shaft at "
        "{shaft_hot}[, {duty}][, {clear} free cold][, {wanted} free hot wanted]",
        "reading": "{job}: {metal} reads {size} at {at}",
    },
    calls=(
        "two parts hot",
        "a part read warm",
        "warm",
        "hot",
        "hot fit",
        "fit hot",
        "working hot",
        "hot clearance",
        "expansion",
        "expands",
        "measured at",
        "read at",
        "reads # at",
        "measured warm",
        "read warm",
        "measured hot",
        "warmer",
        "degrees warmer",
        "heat of hand",
        "heat of the hand",
        "heat of a hand",
    ),
    headline=headline,
    sweeps=_sweeps,
)
