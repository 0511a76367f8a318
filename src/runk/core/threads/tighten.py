"""``tighten``: how far a nut is pulled up, as guidance."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.kinds import Choice, Length, Number, OfMetal, OneOf
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.shown import Rank, Show
from runk.core.sources import PRACTICE
from runk.core.threads import laws
from runk.core.threads.series import Thread
from runk.core.threads.thread import THREAD_FIELD
from runk.core.units import unit_of
from runk.core.workshop import Workshop

USUAL_PERCENT, MOST_PERCENT = 50.0, 90.0


class Surface(StrEnum):
    """How the thread is lubricated."""

    DRY = "dry"
    OILED = "oiled"


FACTORS = {Surface.DRY: 0.2, Surface.OILED: 0.15}
"""Nut factors, from memory."""
SURFACES = (Choice("oiled", "oiled", ("oiled", "oil")), Choice("dry", "dry", ("dry",)))


@dataclass(frozen=True, slots=True)
class TightenQuestion:
    """A nut to be tightened.

    Args:
        share: Of what stretches the stud for good, in percent.
        grip: Length that stretches, between nut and first thread in the metal.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    metal: Annotated[
        str, OfMetal("metal of the stud", shared="metal of the screw", placeholder="mild steel")
    ] = "mild-steel"
    share: Annotated[
        float | None,
        Number(
            "share of proof, %", ("percent", "share"), ("%",), low=1.0, high=100.0, placeholder="50"
        ),
    ] = None
    surface: Annotated[Surface, OneOf("surface", choices=SURFACES)] = Surface.OILED
    grip: Annotated[
        Fraction | None,
        Length(
            "length that stretches", ("grip", "stretches"), high=500.0, placeholder="say how long"
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class TightenAnswer:
    """Guidance: the torque, the pull it makes, and the angle past snug."""

    torque_nm: Annotated[Figure, Show("Tighten to, as guidance", Rank.BIG)]
    pull_n: Annotated[Figure, Show("It then pulls", Rank.BIG)]
    share_percent: Annotated[Figure, Show("Of its proof load")]
    past_snug_deg: Annotated[Figure | None, Show("or past snug", Rank.BIG)]
    stress_area_mm2: Annotated[Figure, Show("Stress area")]
    says: Annotated[str, Show("How", Rank.SAYS)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Pull wanted", "{share_percent} ÷ 100 × {yield_n_per_mm2} × {area_mm2}")
def pull_n(share_percent: Num, yield_n_per_mm2: Num, area_mm2: Num) -> Num:
    """Pull that stretches a stud to a share of its yield.

    >>> pull_n(50.0, 240.0, 10.0)
    1200.0
    """
    return share_percent / 100.0 * yield_n_per_mm2 * area_mm2


def needs(question: TightenQuestion, workshop: Workshop) -> Metal:
    """The stud's metal."""
    return workshop.metals[question.metal]


def tighten(question: TightenQuestion, metal: Metal) -> TightenAnswer:
    """How far to tighten a nut.

    Raises:
        Refused: A share past what keeps a stud elastic.

    >>> from runk.core.threads.series import find_thread
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = TightenQuestion(find_thread("M4"))
    >>> round(tighten(asked, needs(asked, WORKSHOP)).torque_nm.value, 2)
    0.63
    """
    share = USUAL_PERCENT if question.share is None else question.share
    if share > MOST_PERCENT:
        raise Refused(
            f"{share:g} % of what stretches it for good leaves nothing for the load: "
            f"{MOST_PERCENT:g} % at most.",
            field="share",
            suggest="50",
        )
    thread, w = question.thread, Working()
    area = w.of(
        laws.stress_area_mm2,
        major_mm=thread.major_mm,
        times=thread.form.stress,
        pitch_mm=thread.pitch_mm,
    )
    pull = w.of(
        pull_n,
        share_percent=share,
        yield_n_per_mm2=metal["rp02_n_per_mm2"],
        area_mm2=area.value,
        source=metal.source("rp02_n_per_mm2"),
    )
    torque = w.of(
        laws.tighten_nm,
        "torque_nm",
        factor=FACTORS[question.surface],
        major_mm=thread.major_mm,
        force_n=pull.value,
    )
    angle = None
    if question.grip is not None:
        angle = w.of(
            laws.past_snug_deg,
            force_n=pull.value,
            grip_mm=float(question.grip),
            e_gpa=metal["e_gpa"],
            area_mm2=area.value,
            pitch_mm=thread.pitch_mm,
        )
    says = f"Snug by finger, then to {torque.words()}, crosswise and in two or three rounds."
    return TightenAnswer(
        torque_nm=torque,
        pull_n=pull,
        share_percent=Figure(share, unit_of("share_percent")),
        past_snug_deg=angle,
        stress_area_mm2=area,
        says=says,
        cautions=(
            Caution(
                "Mind",
                "the figure",
                "A torque is only good to a quarter either way: oil, "
                "rust and a soft gasket change it. Feel decides; under pressure the inspector "
                "does.",
                "torque_nm",
                PRACTICE,
            ),
        ),
        links=(),
    )


TIGHTEN = Calculator(
    name="tighten",
    title="How tight a nut goes",
    door=Door("/threads/tighten", "Threads", "Tighten"),
    opening={"thread": "4 BA", "metal": "stainless-303"},
    question=TightenQuestion,
    answers=(TightenAnswer,),
    compute=tighten,
    needs=needs,
    sentences={
        "": "Tighten {thread} on {metal}, {surface}[, to {share} % of proof][, {grip} stretching]"
    },
    nouns=("torque",),
    calls=("tighten", "tightening", "how tight", "torque for"),
    headline=lambda a, page: f"{a.torque_nm.words(page)} · guidance",
)
