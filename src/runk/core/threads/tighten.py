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
from runk.core.threads.stud import SHEAR_SHARE, holds, usual_engaged_mm
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
        into: What it is screwed into, or the nut's metal, where that may strip first.
        engaged: Thread in it; the usual for that metal where left out.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    metal: Annotated[
        str, OfMetal("metal of the stud", shared="metal of the screw", placeholder="mild steel")
    ] = "mild-steel"
    into: Annotated[
        str | None,
        OfMetal(
            "metal it is screwed into",
            before=("in", "into", "nut", "nuts of"),
            shared="metal tapped",
            placeholder="say what",
        ),
    ] = None
    engaged: Annotated[
        Fraction | None,
        Length(
            "thread in it",
            ("engaged", "thread in it", "screwed in", "deep"),
            usual=(1.0, 40.0),
            high=200.0,
            placeholder="as usual",
        ),
    ] = None
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
    share_percent: Annotated[Figure, Show("Of the stud's proof load")]
    past_snug_deg: Annotated[Figure | None, Show("or past snug", Rank.BIG)]
    stress_area_mm2: Annotated[Figure, Show("Stress area")]
    strips_n: Annotated[Figure | None, Show("The metal it stands in strips at")]
    weaker: Annotated[str, Show("The weaker")]
    says: Annotated[str, Show("How", Rank.SAYS)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Pull the thread stands", "{share_percent} ÷ 100 × {strips_n}")
def thread_pull_n(share_percent: Num, strips_n: Num) -> Num:
    """Pull that is a share of what strips the thread.

    >>> thread_pull_n(50.0, 2400.0)
    1200.0
    """
    return share_percent / 100.0 * strips_n


@law("Of the stud's own", "{share_percent} × {less_n} ÷ {pull_n}")
def of_proof_percent(share_percent: Num, less_n: Num, pull_n: Num) -> Num:
    """Share of the stud's proof load that a smaller pull comes to.

    >>> of_proof_percent(50.0, 600.0, 1200.0)
    25.0
    """
    return share_percent * less_n / pull_n


@law("Pull wanted", "{share_percent} ÷ 100 × {yield_n_per_mm2} × {area_mm2}")
def pull_n(share_percent: Num, yield_n_per_mm2: Num, area_mm2: Num) -> Num:
    """Pull that stretches a stud to a share of its yield.

    >>> pull_n(50.0, 240.0, 10.0)
    1200.0
    """
    return share_percent / 100.0 * yield_n_per_mm2 * area_mm2


@dataclass(frozen=True, slots=True)
class TightenShop:
    """The stud's metal, and what it stands in."""

    metal: Metal
    into: Metal | None


def needs(question: TightenQuestion, workshop: Workshop) -> TightenShop:
    """Both metals."""
    into = workshop.metals[question.into] if question.into is not None else None
    return TightenShop(workshop.metals[question.metal], into)


def tighten(question: TightenQuestion, shop: TightenShop) -> TightenAnswer:
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
    thread, w, metal = question.thread, Working(), shop.metal
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
    of_stud = Figure(share, unit_of("share_percent"))
    strips = None if shop.into is None else _strips(w, question, shop.into)
    weaker = "the stud" if strips is not None else ""
    if strips is not None and shop.into is not None:
        stands = w.of(thread_pull_n, "pull_n", share_percent=share, strips_n=strips.value)
        if stands.value < pull.value:
            of_stud = w.of(
                of_proof_percent,
                "share_percent",
                share_percent=share,
                less_n=stands.value,
                pull_n=pull.value,
            )
            pull, weaker = stands, f"the thread in {shop.into.name}"
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
        share_percent=of_stud,
        past_snug_deg=angle,
        stress_area_mm2=area,
        strips_n=strips,
        weaker=weaker,
        says=says,
        cautions=(
            *_of_weaker(question, shop, weaker),
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


def _strips(w: Working, question: TightenQuestion, into: Metal) -> Figure:
    """What strips the thread in the metal it stands in, at the yield of that metal."""
    major, since = question.thread.major_mm, len(w.steps)
    if question.engaged is not None:
        engaged = float(question.engaged)
    else:
        times, source = holds().get(into.family, (1.0, PRACTICE))
        engaged = w(usual_engaged_mm, times=times, major_mm=major, source=source)
    return w.of(
        laws.strips_inside_n,
        "strips_n",
        since=since,
        major_mm=major,
        engaged_mm=engaged,
        shear_n_per_mm2=SHEAR_SHARE * into["rp02_n_per_mm2"],
        source=into.source("rp02_n_per_mm2"),
    )


def _of_weaker(question: TightenQuestion, shop: TightenShop, weaker: str) -> list[Caution]:
    if shop.into is None or not weaker.startswith("the thread"):
        return []
    short = question.engaged is not None and float(question.engaged) < question.thread.major_mm
    more = " More thread in it, or an insert, lets the stud take its own." if short else ""
    says = f"The thread in {shop.into.name} gives first: tightened by that, not by the stud.{more}"
    return [Caution("Mind", "the thread", says, "torque_nm", PRACTICE)]


TIGHTEN = Calculator(
    name="tighten",
    title="How tight a nut goes",
    door=Door("/threads/tighten", "Threads", "Tighten", family="Tap and die"),
    opening={"thread": "4 BA", "metal": "stainless-303"},
    question=TightenQuestion,
    answers=(TightenAnswer,),
    compute=tighten,
    needs=needs,
    sentences={
        "": "Tighten {thread} on {metal}[, into {into}][, {engaged} engaged], {surface}"
        "[, to {share} % of proof][, {grip} stretching]"
    },
    nouns=("torque",),
    calls=("tighten", "tightening", "how tight", "torque for"),
    headline=lambda a, page: f"{a.torque_nm.words(page)} · guidance",
)
