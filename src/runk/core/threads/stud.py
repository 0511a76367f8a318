"""``stud``: how long, how deep it holds, and the stock for a set."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from functools import cache
from typing import Annotated

from runk.core.fields import Field, Kind
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.registry import Calculator, register
from runk.core.sources import MECHANICS, PRACTICE, Held, Source, read_table
from runk.core.threads import laws
from runk.core.threads.series import Thread
from runk.core.threads.thread import THREAD_FIELD
from runk.core.units import unit_of
from runk.core.workshop import Workshop

NUT_SHARE = 0.8
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
        count: How many alike.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    metal: Annotated[
        str, Field(Kind.METAL, "metal it stands in", before=("in", "into"), placeholder="cast iron")
    ] = "grey-iron"
    stud_metal: Annotated[str, Field(Kind.METAL, "metal of the stud", placeholder="mild steel")] = (
        "mild-steel"
    )
    cover: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "thickness of the cover", ("cover", "thick"), high=200.0,
              placeholder="4 mm"),
    ] = None  # fmt: skip
    gasket: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "gasket", ("gasket",), high=10.0, placeholder="none"),
    ] = None  # fmt: skip
    washer: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "washer", ("washer",), high=20.0, placeholder="none"),
    ] = None  # fmt: skip
    nut: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "height of the nut", ("nut",), high=50.0, placeholder="as usual"),
    ] = None  # fmt: skip
    engaged: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "thread in the metal", ("engaged", "in"), high=200.0,
              placeholder="as usual for it"),
    ] = None  # fmt: skip
    count: Annotated[
        int | None,
        Field(Kind.COUNT, "studs alike", ("studs", "off"), low=1, high=500, placeholder="one"),
    ] = None  # fmt: skip


@dataclass(frozen=True)
class StudShop:
    """Both metals."""

    metal: Metal
    stud_metal: Metal


@dataclass(frozen=True, slots=True)
class StudPart:
    """A piece of what a stud goes through, from the bottom of its hole up."""

    label: str
    mm: Figure


@dataclass(frozen=True, slots=True)
class StudAnswer:
    """A stud. ``weakest`` says what gives first: it should be the stud, not its thread.

    ``parts`` are what it goes through, from the bottom of its hole up: they add up to its length.
    """

    length_mm: Figure
    engaged_mm: Figure
    plain_mm: Figure
    nut_end_mm: Figure
    breaks_n: Figure
    strips_inside_n: Figure
    strips_outside_n: Figure
    weakest: str
    enough_mm: Figure
    count: int
    stock_mm: Figure
    major_mm: Figure
    nut_flats_mm: Figure
    parts: tuple[StudPart, ...]
    set_says: str
    hold_says: str
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


@law("Nut", "{share} × {major_mm}", PRACTICE)
def usual_nut_mm(share: Num, major_mm: Num) -> Num:
    """Height of an ordinary nut.

    >>> usual_nut_mm(0.8, 4.0)
    3.2
    """
    return share * major_mm


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
        w.of(usual_nut_mm, "nut_mm", share=NUT_SHARE, major_mm=major)
        if question.nut is None
        else Figure(float(question.nut), unit_of("nut_mm"))
    )
    held = sum(float(x) for x in (question.cover, question.gasket, question.washer) if x)
    length = w.of(stud_mm, "length_mm", engaged_mm=engaged.value, held_mm=held,
                  nut_mm=nut.value, pitch_mm=pitch)  # fmt: skip
    area = w(laws.stress_area_mm2, major_mm=major, times=thread.form.stress, pitch_mm=pitch)
    breaks = w.of(laws.breaks_n, area_mm2=area, tensile_n_per_mm2=shop.stud_metal["rm_n_per_mm2"])
    inside = w.of(
        laws.strips_inside_n, major_mm=major, engaged_mm=engaged.value,
        shear_n_per_mm2=SHEAR_SHARE * shop.metal["rm_n_per_mm2"],
    )  # fmt: skip
    outside = w.of(
        laws.strips_outside_n, minor_mm=thread.minor_mm, engaged_mm=engaged.value,
        shear_n_per_mm2=SHEAR_SHARE * shop.stud_metal["rm_n_per_mm2"],
    )  # fmt: skip
    strips = min(inside.value, outside.value)
    enough = w.of(enough_mm, breaks_n=breaks.value, strips_n=strips, engaged_mm=engaged.value)
    weakest = "the stud breaks first"
    if strips < breaks.value:
        weakest = "the metal strips first" if inside.value < outside.value else "the stud strips"
    count = question.count or 1
    stock = w.of(stock_mm, count=float(count), length_mm=length.value, facing_mm=FACING_MM,
                 cuts=float(count), kerf_mm=KERF_MM)  # fmt: skip
    nut_end = nut.value + SHOWING_THREADS * pitch + float(question.washer or 0)
    plain = max(0.0, length.value - engaged.value - nut_end)
    return StudAnswer(
        length, engaged, Figure(plain, unit_of("plain_mm")),
        Figure(nut_end, unit_of("nut_end_mm")), breaks, inside, outside, weakest, enough, count,
        stock, Figure(major, unit_of("major_mm"), (), 3),
        w.of(laws.nut_flats_mm, share=laws.ACROSS_FLATS, major_mm=major),
        _parts(question, engaged, nut, pitch),
        "Run two nuts together on its end and screw it in by the upper one.",
        _hold_says(), _cautions(weakest, enough.value, engaged.value), _links(question, engaged),
    )  # fmt: skip


def _parts(
    question: StudQuestion, engaged: Figure, nut: Figure, pitch: float
) -> tuple[StudPart, ...]:
    def thick(label: str, mm: Fraction | None) -> tuple[StudPart, ...]:
        return (StudPart(label, Figure(float(mm), unit_of("mm"))),) if mm else ()

    return (
        StudPart("in the metal", engaged), *thick("gasket", question.gasket),
        *thick("cover", question.cover), *thick("washer", question.washer),
        StudPart("nut", nut), StudPart("showing", Figure(SHOWING_THREADS * pitch, unit_of("mm"))),
    )  # fmt: skip


def _engaged(w: Working, question: StudQuestion, metal: Metal) -> Figure:
    if question.engaged is not None:
        return Figure(float(question.engaged), unit_of("engaged_mm"))
    times, source = holds().get(metal.family, (1.5, PRACTICE))
    return w.of(usual_engaged_mm, "engaged_mm", times=times, major_mm=question.thread.major_mm,
                source=source)  # fmt: skip


def _hold_says() -> str:
    return (
        "Threadlocker where it may have to come out again, retaining compound where it never will."
    )


def _cautions(weakest: str, enough: float, engaged: float) -> tuple[Caution, ...]:
    if weakest == "the stud breaks first":
        return ()
    return (
        Caution("Mind", "the thread", f"{weakest[0].upper()}{weakest[1:]}: {enough:.1f} mm of "
                f"thread would hold what the stud does, there are {engaged:.1f}.", "engaged_mm",
                MECHANICS),
    )  # fmt: skip


def _links(question: StudQuestion, engaged: Figure) -> tuple[Link, ...]:
    name = question.thread.name
    return (
        Link("tap", (("thread", name), ("metal", question.metal),
                     ("deep", f"{engaged.value:.2f} mm"), ("ends", "blind")), "Tap its hole"),
        Link("die", (("thread", name), ("metal", question.stud_metal)), "Cut its threads"),
    )  # fmt: skip


STUD = register(
    Calculator(
        name="stud",
        title="A stud, and a set of them",
        question=StudQuestion,
        answer=StudAnswer,
        compute=stud,
        needs=needs,
        sentences={
            "": "[{count} ]{thread} studs of {stud_metal} in {metal}, holding a cover of {cover}"
            "[ on a {gasket} gasket][ with a {washer} washer][, nuts {nut} high][, {engaged} of "
            "thread in the metal]"
        },
        triggers=("stud", "studs", "stud length"),
        headline=lambda a, page: (
            f"{a.length_mm.words(page)} long · {a.engaged_mm.words(page)} in the metal"
        ),
    )
)
