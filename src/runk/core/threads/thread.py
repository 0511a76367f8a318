"""``thread``: everything about one thread, and what looks like it and does not mate."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.fields import Field, Kind
from runk.core.figures import Caution, Figure, Link, Working
from runk.core.registry import Calculator, register
from runk.core.sources import MECHANICS
from runk.core.threads import laws
from runk.core.threads.series import Thread, threads
from runk.core.units import unit_of
from runk.core.workshop import Workshop

ALIKE_SIZE, ALIKE_PITCH = 0.035, 0.045
THREAD_FIELD = Field(Kind.THREAD, "thread", principal=True, placeholder="M4, 2BA or 1/4x40")


@dataclass(frozen=True, slots=True)
class ThreadQuestion:
    """A thread by its name, or a special by diameter and pitch."""

    thread: Annotated[Thread, THREAD_FIELD]


@dataclass(frozen=True, slots=True)
class ThreadAnswer:
    """A thread's own sizes.

    ``minor_mm`` is the basic minor diameter of the hole, ``core_mm`` that of the screw's root;
    ``depth_mm`` the depth of the screw's thread; ``working_mm`` what 100 % of engagement is
    counted from; ``truncation_mm`` what is missing of the sharp triangle at the crest, rounded
    off in Whitworth and BA. ``alike`` are threads that look the same and do not mate.
    """

    name: str
    series: str
    form: str
    major_mm: Figure
    pitch_mm: Figure
    per_inch: Figure
    minor_mm: Figure
    effective_mm: Figure
    core_mm: Figure
    depth_mm: Figure
    working_mm: Figure
    truncation_mm: Figure
    radius_mm: Figure
    angle_deg: Figure
    stress_area_mm2: Figure
    alike: tuple[str, ...]
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
            laws.smaller_mm, major_mm=one.major_mm, times=times, pitch_mm=one.pitch_mm,
            source=source,
        )  # fmt: skip
        return w.figure(value, key, since=len(w.steps) - 1, places=3)

    def deep(times: float, key: str) -> Figure:
        value = w(laws.thread_depth_mm, times=times, pitch_mm=one.pitch_mm, source=source)
        return w.figure(value, key, since=len(w.steps) - 1, places=3)

    value = w(laws.truncation_mm, crest_mm=form.crest * one.pitch_mm, angle_deg=form.angle_deg)
    truncation = w.figure(value, "truncation_mm", since=len(w.steps) - 1, places=3)
    others = alike(one)
    cautions = []
    if others:
        names = ", ".join(t.name for t in others)
        cautions.append(
            Caution("Mind", "what looks like it", f"{names}: nearly the same diameter and pitch. "
                    "They start on one another and then bind; do not force them.", None, MECHANICS)
        )  # fmt: skip
    return ThreadAnswer(
        one.name, one.series, form.name, Figure(one.major_mm, unit_of("major_mm"), (), 3),
        Figure(one.pitch_mm, unit_of("pitch_mm"), (), 4),
        Figure(25.4 / one.pitch_mm, unit_of("per_inch"), (), 2), smaller(form.minor, "minor_mm"),
        smaller(form.effective, "effective_mm"), smaller(2 * form.depth, "core_mm"),
        deep(form.depth, "depth_mm"), deep(form.working, "working_mm"),
        truncation, deep(form.radius, "radius_mm"),
        Figure(form.angle_deg, unit_of("angle_deg"), (), 1),
        w.of(laws.stress_area_mm2, major_mm=one.major_mm, times=form.stress,
             pitch_mm=one.pitch_mm, source=source),
        tuple(t.name for t in others), tuple(cautions),
        (Link("tap", (("thread", one.name),), "Tap it"),
         Link("die", (("thread", one.name),), "Cut it with a die")),
    )  # fmt: skip


THREAD = register(
    Calculator(
        name="thread",
        title="A thread's own sizes",
        question=ThreadQuestion,
        answer=ThreadAnswer,
        compute=thread,
        needs=no_needs,
        sentences={"": "The thread {thread}"},
        triggers=("thread data", "thread sizes", "what is thread"),
        late=("thread",),
        headline=lambda a, page: f"{a.major_mm.words(page)} by {a.pitch_mm.words(page)} · {a.form}",
    )
)
