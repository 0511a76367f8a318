"""``stud``: how long, how deep it holds, and the stock for a set."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import cache
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law, told
from runk.core.kinds import Count, Length, OfMetal
from runk.core.lengths import Reading
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show, Table
from runk.core.sources import MECHANICS, PRACTICE, Held, Source, read_table
from runk.core.threads import laws
from runk.core.threads.nuts import flats_of, height_of
from runk.core.threads.series import Thread
from runk.core.threads.thread import THREAD_FIELD
from runk.core.units import unit_of
from runk.core.workshop import Workshop

DOWN_THREADS = 2.5
"""How far the nut's thread goes on below the cover's face: a die leaves its last threads
unfinished, a cover is never to size, and a gasket gives. Two to three pitches, practice."""
"""Height of an ordinary nut as a share of its thread: common practice."""
SHOWING_THREADS = 1.5
SHEAR_SHARE = 0.6
"""Shear strength as a share of tensile: handbook, from memory."""
FACING_MM, KERF_MM = 0.5, 2.0


@dataclass(frozen=True, slots=True)
class StudQuestion:
    """A stud, what it stands in and what it holds down.

    Args:
        metal: It is screwed into.
        stud_metal: It is made of.
        cover: Thickness held down; ``gasket`` and ``washer`` beside it.
        nut: Height of the nut; the usual where left out.
        engaged: Thread in the metal, where not the usual for it.
        nut_end: Thread for the nut, where its ends are unlike and it is told.
        count: How many alike.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    metal: Annotated[
        str,
        OfMetal(
            "metal it stands in",
            before=("in", "into", "for"),
            shared="metal tapped",
            placeholder="cast iron",
        ),
    ] = "grey-iron"
    stud_metal: Annotated[
        str, OfMetal("metal of the stud", shared="metal of the screw", placeholder="mild steel")
    ] = "mild-steel"
    cover: Annotated[
        Fraction | None,
        Length(
            "thickness of the cover",
            ("cover", "thick"),
            usual=(1.0, 30.0),
            high=200.0,
            placeholder="4 mm",
        ),
    ] = None
    gasket: Annotated[
        Fraction | None,
        Length("gasket", ("gasket",), usual=(0.02, 3.0), high=10.0, placeholder="none"),
    ] = None
    washer: Annotated[
        Fraction | None,
        Length("washer", ("washer",), usual=(0.2, 5.0), high=20.0, placeholder="none"),
    ] = None
    nut: Annotated[
        Fraction | None,
        Length("height of the nut", ("nut",), usual=(1.0, 15.0), high=50.0, placeholder="as usual"),
    ] = None
    engaged: Annotated[
        Fraction | None,
        Length(
            "thread in the metal",
            ("engaged", "in"),
            usual=(1.0, 40.0),
            high=200.0,
            placeholder="as usual for it",
        ),
    ] = None
    nut_end: Annotated[
        Fraction | None,
        Length(
            "thread for the nut",
            ("nut end", "long end", "top end"),
            usual=(2.0, 60.0),
            high=300.0,
            placeholder="as usual",
        ),
    ] = None
    count: Annotated[
        int | None, Count("studs alike", ("studs", "off"), low=1, high=500, placeholder="one")
    ] = None


@dataclass(frozen=True)
class StudShop:
    """Both metals."""

    metal: Metal
    stud_metal: Metal


@dataclass(frozen=True, slots=True, kw_only=True)
class StudPart:
    """A piece of what a stud goes through, from the bottom of its hole up."""

    label: Annotated[str, Show("Piece")]
    mm: Annotated[Figure, Show("Long")]


@dataclass(frozen=True, slots=True, kw_only=True)
class StudAnswer:
    """A stud. ``weakest`` says what gives first: it should be the stud, not its thread.

    ``parts`` are what it goes through, from the bottom of its hole up: they add up to its length.
    """

    length_mm: Annotated[Figure, Show("Each is long", Rank.BIG)]
    engaged_mm: Annotated[Figure, Show("Thread in the metal", Rank.BIG)]
    plain_mm: Annotated[Figure, Show("Plain between its threads")]
    nut_end_mm: Annotated[Figure, Show("Thread for the nut", Rank.BIG)]
    breaks_n: Annotated[Figure, Show("The stud breaks at")]
    strips_inside_n: Annotated[Figure, Show("The metal strips at")]
    strips_outside_n: Annotated[Figure, Show("Its own thread strips at")]
    weakest: Annotated[str, Show("What gives first", Rank.SAYS)]
    enough_mm: Annotated[Figure, Show("Thread that would be enough")]
    count: Annotated[int, Show("How many", Rank.FOLDED)]
    stock_mm: Annotated[Figure, Show("Bar for them all, faced and parted")]
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


@law("Length of the stud", "{engaged_mm} + {held_mm} + {nut_mm} + 1.5 × {pitch_mm}")
def stud_mm(engaged_mm: Num, held_mm: Num, nut_mm: Num, pitch_mm: Num) -> Num:
    """Thread in the metal, what is held, the nut, and one and a half threads showing.

    >>> round(stud_mm(6.0, 5.0, 3.2, 0.7), 2)
    15.25
    """
    return engaged_mm + held_mm + nut_mm + SHOWING_THREADS * pitch_mm


@law("Thread for the nut", "{above_mm} + {down_mm}")
def nut_end_mm(above_mm: Num, down_mm: Num) -> Num:
    """Length of the thread the nut runs on, some of it below the cover's face.

    Args:
        above_mm: Nut, washer and what shows.
        down_mm: Into the cover, so that the nut meets the cover before the thread's end.

    >>> nut_end_mm(5.0, 1.75)
    6.75
    """
    return above_mm + down_mm


@law("Enough to break before it strips", "{breaks_n} ÷ {strips_n} × {engaged_mm}")
def enough_mm(breaks_n: Num, strips_n: Num, engaged_mm: Num) -> Num:
    """The engagement at which the stud would break before its thread strips.

    >>> enough_mm(4000.0, 8000.0, 6.0)
    3.0
    """
    return breaks_n / strips_n * engaged_mm


@law("Stock", "{count} × ({length_mm} + {facing_mm}) + {cuts} × {kerf_mm}")
def stock_mm(count: Num, length_mm: Num, facing_mm: Num, cuts: Num, kerf_mm: Num) -> Num:
    """Bar for a set: each length, something to face off, and the kerfs.

    >>> stock_mm(6.0, 15.0, 0.5, 5.0, 2.0)
    103.0
    """
    return count * (length_mm + facing_mm) + cuts * kerf_mm


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

    Raises:
        Refused: Nothing said of what it holds down.

    >>> from runk.core.threads.series import find_thread
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = StudQuestion(find_thread("M4"), cover=Fraction(5))
    >>> answer = stud(asked, needs(asked, WORKSHOP))
    >>> round(answer.length_mm.value, 2), answer.weakest
    (15.25, 'the stud breaks first')
    """
    if question.cover is None:
        raise Refused("How thick is what it holds down?", field="cover", suggest="4 mm")
    thread, w = question.thread, Working()
    major, pitch = thread.major_mm, thread.pitch_mm
    engaged = _engaged(w, question, shop.metal)
    nut = (
        height_of(w, thread)
        if question.nut is None
        else Figure(float(question.nut), unit_of("nut_mm"))
    )
    held = sum(float(x) for x in (question.cover, question.gasket, question.washer) if x)
    length = w.of(
        stud_mm,
        "length_mm",
        engaged_mm=engaged.value,
        held_mm=held,
        nut_mm=nut.value,
        pitch_mm=pitch,
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
    count = question.count or 1
    stock = w.of(
        stock_mm,
        count=float(count),
        length_mm=length.value,
        facing_mm=FACING_MM,
        cuts=float(count),
        kerf_mm=KERF_MM,
    )
    above = nut.value + SHOWING_THREADS * pitch + float(question.washer or 0)
    nut_end = w.of(
        nut_end_mm,
        above_mm=above,
        down_mm=min(DOWN_THREADS * pitch, length.value - engaged.value - above),
        why=f"{DOWN_THREADS:g} threads into the cover, or all of it where it is thinner",
    )
    if question.nut_end is not None:
        nut_end = told(float(question.nut_end), "nut_end_mm")
        if nut_end.value < above:
            raise Refused(
                f"Nut, washer and what shows take {mm_said(above, 2)}: that thread is shorter.",
                field="nut_end",
                suggest=mm_said(above, 1),
            )
        out = length.value - engaged.value
        if nut_end.value > out:
            raise Refused(
                f"{mm_said(out, 2)} of it stand out of the metal: that thread is longer.",
                field="nut_end",
            )
    plain = max(0.0, length.value - engaged.value - nut_end.value)
    return StudAnswer(
        length_mm=length,
        engaged_mm=engaged,
        plain_mm=Figure(plain, unit_of("plain_mm")),
        nut_end_mm=nut_end,
        breaks_n=breaks,
        strips_inside_n=inside,
        strips_outside_n=outside,
        weakest=weakest,
        enough_mm=enough,
        count=count,
        stock_mm=stock,
        major_mm=Figure(major, unit_of("major_mm"), (), 3),
        nut_flats_mm=flats_of(w, thread),
        parts=_parts(question, engaged, nut, pitch),
        set_says="Run two nuts together on its end and screw it in by the upper one.",
        hold_says=_hold_says(),
        cautions=_cautions(weakest, enough.value, engaged.value),
        links=_links(question, engaged),
    )


def _parts(
    question: StudQuestion, engaged: Figure, nut: Figure, pitch: float
) -> tuple[StudPart, ...]:
    def thick(label: str, mm: Fraction | None) -> tuple[StudPart, ...]:
        return (StudPart(label=label, mm=Figure(float(mm), unit_of("mm"))),) if mm else ()

    return (
        StudPart(label="in the metal", mm=engaged),
        *thick("gasket", question.gasket),
        *thick("cover", question.cover),
        *thick("washer", question.washer),
        StudPart(label="nut", mm=nut),
        StudPart(label="showing", mm=Figure(SHOWING_THREADS * pitch, unit_of("mm"))),
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


STUD = Calculator(
    name="stud",
    title="A stud, and a set of them",
    door=Door("/threads/stud", "Threads", "Stud"),
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
        "": "[{count} ]{thread} studs of {stud_metal} in {metal}, holding a cover of {cover}"
        "[ on a {gasket} gasket][ with a {washer} washer][, nuts {nut} high][, {engaged} of "
        "thread in the metal][, nut end {nut_end}]"
    },
    calls=("stud", "studs", "stud length"),
    headline=lambda a, page: (
        f"{a.length_mm.words(page)} long · {a.engaged_mm.words(page)} in the metal"
    ),
)
