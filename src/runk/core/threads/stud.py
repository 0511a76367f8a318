"""``stud``: how long, how deep it holds, and the stock for a set."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cache
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.lengths import Reading
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import MECHANICS, PRACTICE, Held, Source, read_table
from runk.core.threads import laws
from runk.core.threads.nuts import flats_of
from runk.core.threads.stud_length import StudPart, stud_length
from runk.core.threads.stud_question import StudQuestion
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

SHEAR_SHARE = 0.6
"""Shear strength as a share of tensile: handbook, from memory."""


@dataclass(frozen=True)
class StudShop:
    """Both metals."""

    metal: Metal
    stud_metal: Metal


@dataclass(frozen=True, slots=True, kw_only=True)
class StudAnswer:
    """A stud. ``weakest`` says what gives first: it should be the stud, not its thread.

    ``parts`` are what it goes through, from the bottom of its hole up: they add up to its length.
    """

    length_mm: Annotated[Figure | None, Show("Length of each", Rank.BIG)]
    engaged_mm: Annotated[Figure, Show("Thread in the metal", Rank.BIG)]
    plain_mm: Annotated[Figure | None, Show("Plain between its threads")]
    nut_end_mm: Annotated[Figure | None, Show("Thread for the nut", Rank.BIG)]
    breaks_n: Annotated[Figure, Show("The stud breaks at")]
    strips_inside_n: Annotated[Figure, Show("The metal strips at")]
    strips_outside_n: Annotated[Figure, Show("Its own thread strips at")]
    weakest: Annotated[str, Show("What gives first", Rank.SAYS)]
    enough_mm: Annotated[Figure, Show("Thread that would be enough")]
    count: Annotated[int, Show("How many", Rank.FOLDED)]
    stock_mm: Annotated[Figure | None, Show("Bar for them all, faced and parted")]
    major_mm: Annotated[Figure, Show("Thread across", Rank.FOLDED)]
    nut_flats_mm: Annotated[Figure, Show("Nut across flats", Rank.FOLDED)]
    parts: Annotated[tuple[StudPart, ...], Table("From the bottom of its hole up")]
    set_says: Annotated[str, Show("Setting it", Rank.SAYS)]
    hold_says: Annotated[str, Show("Holding it", Rank.SAYS)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Thread in the metal", "{times} × {major_mm}", PRACTICE)
def usual_engaged_mm(times: Num, major_mm: Num) -> Num:
    """How far a stud is screwed in, by the metal.

    >>> usual_engaged_mm(1.5, 4.0)
    6.0
    """
    return times * major_mm


@law("Enough to break before it strips", "{breaks_n} ÷ {strips_n} × {engaged_mm}")
def enough_mm(breaks_n: Num, strips_n: Num, engaged_mm: Num) -> Num:
    """The engagement at which the stud would break before its thread strips.

    >>> enough_mm(4000.0, 8000.0, 6.0)
    3.0
    """
    return breaks_n / strips_n * engaged_mm


@cache
def holds() -> dict[str, tuple[float, Source]]:
    """Usual engagement in diameters by family of metal.

    >>> holds()["iron"][0]
    1.5
    """
    return {
        row["family"]: (float(row["times"]), Source(row["authority"], Held(row["held"])))
        for row in read_table("stud_holds")
    }


def settle(question: StudQuestion, workshop: Workshop, _: Mapping[str, Reading]) -> StudQuestion:
    """One metal alone that no stud is made of is the one it stands in: the stud is steel then."""
    soft = workshop.metals[question.stud_metal].family in ("aluminium", "iron")
    if soft and question.metal == "grey-iron":
        return replace(question, metal=question.stud_metal, stud_metal="mild-steel")
    return question


def needs(question: StudQuestion, workshop: Workshop) -> StudShop:
    """Both metals."""
    return StudShop(workshop.metals[question.metal], workshop.metals[question.stud_metal])


def stud(question: StudQuestion, shop: StudShop) -> StudAnswer:
    """A stud: its lengths, what it holds, the stock for a set.

    Without a cover nothing is said of its length: how far it goes into the metal does not depend
    on what it holds down.

    Raises:
        Refused: Nothing said of what it holds down; a thread for the nut that has no room, or is
            too short.

    >>> from fractions import Fraction
    >>> from runk.core.threads.series import find_thread
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = StudQuestion(find_thread("M4"), cover=Fraction(5))
    >>> answer = stud(asked, needs(asked, WORKSHOP))
    >>> round(answer.length_mm.value, 2), answer.weakest
    (15.25, 'the stud breaks first')
    """
    if question.cover is None and question.asks == "whole":
        raise Refused("How thick is what it holds down?", field="cover", suggest="4 mm")
    thread, w = question.thread, Working()
    major, pitch = thread.major_mm, thread.pitch_mm
    engaged = _engaged(w, question, shop.metal)
    length = (
        None
        if question.cover is None
        else stud_length(w, question, float(question.cover), engaged, question.count or 1)
    )
    area = w(laws.stress_area_mm2, major_mm=major, times=thread.form.stress, pitch_mm=pitch)
    breaks = w.of(laws.breaks_n, area_mm2=area, tensile_n_per_mm2=shop.stud_metal["rm_n_per_mm2"])
    inside = w.of(
        laws.strips_inside_n,
        major_mm=major,
        engaged_mm=engaged.value,
        shear_n_per_mm2=SHEAR_SHARE * shop.metal["rm_n_per_mm2"],
    )
    outside = w.of(
        laws.strips_outside_n,
        minor_mm=thread.minor_mm,
        engaged_mm=engaged.value,
        shear_n_per_mm2=SHEAR_SHARE * shop.stud_metal["rm_n_per_mm2"],
    )
    strips = min(inside.value, outside.value)
    enough = w.of(enough_mm, breaks_n=breaks.value, strips_n=strips, engaged_mm=engaged.value)
    weakest = "the stud breaks first"
    if strips < breaks.value:
        weakest = "the metal strips first" if inside.value < outside.value else "the stud strips"
    return StudAnswer(
        length_mm=length.long if length else None,
        engaged_mm=engaged,
        plain_mm=length.plain if length else None,
        nut_end_mm=length.nut_end if length else None,
        breaks_n=breaks,
        strips_inside_n=inside,
        strips_outside_n=outside,
        weakest=weakest,
        enough_mm=enough,
        count=question.count or 1,
        stock_mm=length.stock if length else None,
        major_mm=Figure(major, unit_of("major_mm"), (), 3),
        nut_flats_mm=flats_of(w, thread),
        parts=length.parts if length else (),
        set_says="Run two nuts together on its end and screw it in by the upper one.",
        hold_says=_hold_says(),
        cautions=_cautions(weakest, enough.value, engaged.value),
        links=_links(question, engaged),
    )


def _engaged(w: Working, question: StudQuestion, metal: Metal) -> Figure:
    if question.engaged is not None:
        return Figure(float(question.engaged), unit_of("engaged_mm"))
    times, source = holds().get(metal.family, (1.5, PRACTICE))
    return w.of(
        usual_engaged_mm,
        "engaged_mm",
        times=times,
        major_mm=question.thread.major_mm,
        source=source,
    )


def _hold_says() -> str:
    return (
        "Threadlocker where it may have to come out again, retaining compound where it never will."
    )


def _cautions(weakest: str, enough: float, engaged: float) -> tuple[Caution, ...]:
    if weakest == "the stud breaks first":
        return ()
    return (
        Caution(
            "Mind",
            "the thread",
            f"{weakest[0].upper()}{weakest[1:]}: {mm_said(enough, 1)} of "
            f"thread would hold what the stud does, there are {engaged:.1f}.",
            "engaged_mm",
            MECHANICS,
        ),
    )


def _links(question: StudQuestion, engaged: Figure) -> tuple[Link, ...]:
    name = question.thread.name
    return (
        Link(
            "tap",
            (
                ("thread", name),
                ("metal", question.metal),
                ("deep", f"{engaged.value:.2f} mm"),
                ("ends", "blind"),
            ),
            "Tap its hole",
        ),
        Link("die", (("thread", name), ("metal", question.stud_metal)), "Cut its threads"),
    )


def headline(answer: StudAnswer, page: PageUnit) -> str:
    """How long, where a cover was told, and how much of it is in the metal."""
    engaged = f"{answer.engaged_mm.words(page)} in the metal"
    return f"{answer.length_mm.words(page)} long · {engaged}" if answer.length_mm else engaged


STUD = Calculator(
    name="stud",
    title="A stud, and a set of them",
    door=Door("/threads/stud", "Threads", "Stud", family="Tap and die"),
    opening={
        "thread": "4 BA",
        "metal": "gunmetal",
        "stud_metal": "stainless-303",
        "cover": "4 mm",
        "gasket": "0.4 mm",
        "count": "6",
    },
    question=StudQuestion,
    answers=(StudAnswer,),
    compute=stud,
    needs=needs,
    settle=settle,
    sentences={
        "": "[{count} ]{thread} studs of {stud_metal} in {metal}[, holding a cover of {cover}]"
        "[ on a {gasket} gasket][ with a {washer} washer][, nuts {nut} high][, {engaged} of "
        "thread in the metal][, nut end {nut_end}][: {asks}]"
    },
    calls=("stud", "studs", "stud length"),
    headline=headline,
)
