"""``thread``: everything about one thread, and what looks like it and does not mate."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working
from runk.core.kinds import OfMetal, OfThread
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS
from runk.core.threads import laws
from runk.core.threads.nuts import flats_of, height_of
from runk.core.threads.series import Thread, threads
from runk.core.units import unit_of
from runk.core.workshop import Workshop

ALIKE_SIZE, ALIKE_PITCH, SAME_SIZE, SAME_PITCH = 0.04, 0.045, 0.005, 0.08
"""Nearly alike in both, or of one diameter and not far apart in pitch: common practice."""
THREAD_FIELD = OfThread("thread", principal=True, shared="thread", placeholder="M4, 2BA or 1/4x40")


@dataclass(frozen=True, slots=True)
class ThreadQuestion:
    """A thread by its name, or a special by diameter and pitch.

    Args:
        metal: Of what it is made: it goes along to the room that cuts it.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    metal: Annotated[
        str | None, OfMetal("made of", placeholder="any metal", asks="What is it made of?")
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class ThreadAnswer:
    """A thread's own sizes.

    ``minor_mm`` is the basic minor diameter of the hole, ``core_mm`` that of the screw's root;
    ``depth_mm`` the depth of the screw's thread; ``working_mm`` what 100 % of engagement is
    counted from; ``truncation_mm`` what is missing of the sharp triangle at the crest, rounded
    off in Whitworth and BA. ``alike`` are threads that look the same and do not mate.
    """

    name: Annotated[str, Show("Thread", Rank.SAYS)]
    series: Annotated[str, Show("Series", Rank.FOLDED)]
    form: Annotated[str, Show("Form")]
    major_mm: Annotated[Figure, Show("Across", Rank.BIG, under="form")]
    pitch_mm: Annotated[Figure, Show("Pitch", Rank.BIG, under="per_inch")]
    per_inch: Annotated[Figure, Show("To the inch")]
    minor_mm: Annotated[Figure, Show("Tightest hole", Rank.BIG)]
    effective_mm: Annotated[Figure, Show("Effective diameter")]
    core_mm: Annotated[Figure, Show("Core of the screw")]
    depth_mm: Annotated[Figure, Show("Depth", Rank.BIG)]
    working_mm: Annotated[Figure, Show("Working depth, 100 %")]
    truncation_mm: Annotated[Figure, Show("Cut off the sharp crest")]
    radius_mm: Annotated[Figure, Show("Radius at the root")]
    angle_deg: Annotated[Figure, Show("Angle")]
    stress_area_mm2: Annotated[Figure, Show("Tensile stress area")]
    nut_flats_mm: Annotated[Figure, Show("Full nut across flats", Rank.BIG, under="nut_mm")]
    nut_mm: Annotated[Figure, Show("Full nut’s height")]
    alike: Annotated[tuple[str, ...], Show("Looks alike and does not mate", Rank.SAYS)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


def no_needs(_: object, __: Workshop) -> None:
    """Nothing of the workshop."""
    return


def alike(thread: Thread) -> tuple[Thread, ...]:
    """Threads that start on one another and then bind: nearly one diameter and pitch.

    >>> from runk.core.threads.series import find_thread
    >>> [t.name for t in alike(find_thread("2BA"))]
    ['3/16x32 BSF', '3/16x32 ME', '#10-32 UNF']
    """
    found = []
    for other in threads():
        size = _apart(other.major_mm, thread.major_mm)
        pitch = _apart(other.pitch_mm, thread.pitch_mm)
        near = size <= ALIKE_SIZE and pitch <= ALIKE_PITCH
        near = near or (size <= SAME_SIZE and pitch <= SAME_PITCH)
        same = size < 1e-3 and pitch < 1e-3 and other.form.angle_deg == thread.form.angle_deg
        if near and not same:
            found.append(other)
    return tuple(found)


def _apart(one: float, other: float) -> float:
    """How far two lengths are apart, the same either way round."""
    return max(one / other, other / one) - 1


def thread(question: ThreadQuestion, _: None = None) -> ThreadAnswer:
    """A thread's sizes.

    >>> from runk.core.threads.series import find_thread
    >>> answer = thread(ThreadQuestion(find_thread("M4")))
    >>> round(answer.minor_mm.value, 3), round(answer.depth_mm.value, 3)
    (3.242, 0.429)
    """
    one = question.thread
    form, w = one.form, Working()
    source = form.source

    def smaller(times: float, key: str) -> Figure:
        value = w(
            laws.smaller_mm,
            major_mm=one.major_mm,
            times=times,
            pitch_mm=one.pitch_mm,
            source=source,
        )
        return w.figure(value, key, since=len(w.steps) - 1, places=3)

    def deep(times: float, key: str) -> Figure:
        value = w(laws.thread_depth_mm, times=times, pitch_mm=one.pitch_mm, source=source)
        return w.figure(value, key, since=len(w.steps) - 1, places=3)

    value = w(laws.truncation_mm, crest_mm=form.crest * one.pitch_mm, angle_deg=form.angle_deg)
    truncation = w.figure(value, "truncation_mm", since=len(w.steps) - 1, places=3)
    others = alike(one)
    metal = question.metal
    asked = (("thread", one.name), *((("metal", metal),) if metal else ()))
    cautions = []
    if others:
        names = ", ".join(t.name for t in others)
        cautions.append(
            Caution(
                "Mind",
                "what looks like it",
                f"{names}: nearly the same diameter and pitch. "
                "They start on one another and then bind; do not force them.",
                None,
                MECHANICS,
            )
        )
    return ThreadAnswer(
        name=one.name,
        series=one.series,
        form=form.name,
        major_mm=Figure(one.major_mm, unit_of("major_mm"), (), 3),
        pitch_mm=Figure(one.pitch_mm, unit_of("pitch_mm"), (), 4),
        per_inch=Figure(25.4 / one.pitch_mm, unit_of("per_inch"), (), 2),
        minor_mm=smaller(form.minor, "minor_mm"),
        effective_mm=smaller(form.effective, "effective_mm"),
        core_mm=smaller(2 * form.depth, "core_mm"),
        depth_mm=deep(form.depth, "depth_mm"),
        working_mm=deep(form.working, "working_mm"),
        truncation_mm=truncation,
        radius_mm=deep(form.radius, "radius_mm"),
        angle_deg=Figure(form.angle_deg, unit_of("angle_deg"), (), 1),
        stress_area_mm2=w.of(
            laws.stress_area_mm2,
            major_mm=one.major_mm,
            times=form.stress,
            pitch_mm=one.pitch_mm,
            source=source,
        ),
        nut_flats_mm=flats_of(w, one),
        nut_mm=height_of(w, one),
        alike=tuple(t.name for t in others),
        cautions=tuple(cautions),
        links=(Link("tap", asked, "Tap it"), Link("die", asked, "Cut it with a die")),
    )


THREAD = Calculator(
    name="thread",
    title="A thread's own sizes",
    door=Door("/threads/sizes", "Threads", "Sizes", family="Measured"),
    opening={"thread": "4 BA"},
    question=ThreadQuestion,
    answers=(ThreadAnswer,),
    compute=thread,
    needs=no_needs,
    sentences={"": "The thread {thread}[, in {metal}]"},
    calls=(
        "thread data",
        "thread sizes",
        "what is thread",
        "thread @",
        "sizes of @",
        "@ pitch",
        "pitch of @",
        "@ thread",
        "@ sizes",
        "@ depth",
        "core diameter",
        "core dia",
        "core size",
        "core of @",
        "@ core",
        "minor diameter",
        "minor dia",
        "root diameter",
        "effective diameter",
        "effective dia",
        "flank diameter",
        "pitch diameter",
        "pitch dia",
        "depth of thread",
        "thread depth",
        "depth of thread @",
        "single depth",
        "across flats @",
        "@ across flats",
        "spanner @",
        "@ spanner",
        "spanner size",
        "spanner for @",
        "outside diameter of @",
        "nut @",
        "@ nut",
        "nut for @",
        "@ nut across flats",
        "hexagon @ nut",
        "% @ nut",
        "hexagon % @ nut",
        "tpi of @",
        "@ tpi",
        "how many threads",
        "threads per inch",
        "pitch is @",
    ),
    nouns=("thread",),
    headline=lambda a, page: f"{a.major_mm.words(page)} by {a.pitch_mm.words(page)} · {a.form}",
)
