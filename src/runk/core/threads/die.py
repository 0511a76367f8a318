"""``die``: the blank, the pilot, and when to withdraw and clean."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from functools import cache
from math import ceil, floor
from typing import Annotated

from runk.core.fields import Choice, Field, Kind
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.registry import Calculator, register
from runk.core.sources import PRACTICE, Held, Source, read_table
from runk.core.threads import laws
from runk.core.threads.series import Thread
from runk.core.threads.thread import THREAD_FIELD
from runk.core.tools import ShopTool, ToolKind
from runk.core.units import unit_of
from runk.core.workshop import Workshop

COARSE_FROM_MM = 0.8
"""Pitches finer than this clear themselves better: common practice."""
BLANK_SHARE, STAINLESS_SHARE = 0.1, 0.15
PILOT_PITCHES = 1.5
_SLENDER = 8.0


class Ending(StrEnum):
    """How the thread ends."""

    PLAIN = "plain"
    SHOULDER = "shoulder"


ENDINGS = (
    Choice("plain", "running out", ("plain", "running out"), silent=True),
    Choice("shoulder", "up to a shoulder", ("to a shoulder", "up to a shoulder", "shoulder")),
)


@dataclass(frozen=True, slots=True)
class DieQuestion:
    """A thread cut with a die.

    Args:
        long: Length of the thread.
        ending: Whether it must be full up to a shoulder.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    metal: Annotated[str, Field(Kind.METAL, "metal", placeholder="mild steel")] = "mild-steel"
    long: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "length of thread", ("long", "length"), principal=True, low=0.2,
              high=500.0, placeholder="say how long"),
    ] = None  # fmt: skip
    ending: Annotated[Ending, Field(Kind.CHOICE, "ending", choices=ENDINGS)] = Ending.PLAIN


@dataclass(frozen=True)
class DieShop:
    """The metal, and whether this die is owned."""

    metal: Metal
    dies: tuple[ShopTool, ...]


@dataclass(frozen=True, slots=True)
class DiePass:
    """One pass of the die."""

    says: str


@dataclass(frozen=True, slots=True)
class DieAnswer:
    """A thread by die. ``withdrawals`` is how often it comes right off to be cleaned."""

    blank_mm: Figure
    pilot_mm: Figure
    pilot_long_mm: Figure
    chamfer_says: str
    clean_every_mm: Figure
    clean_every_turns: Figure
    withdrawals: int | None
    turns: Figure | None
    back_off_says: str
    passes: tuple[DiePass, ...]
    lubricant: str
    major_mm: Figure
    pitch_mm: Figure
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Turns between cleanings", "{clean_mm} ÷ {pitch_mm}, whole turns")
def clean_turns(clean_mm: float, pitch_mm: float) -> float:
    """The same, counted in whole turns of the die holder: sooner rather than later.

    >>> clean_turns(6.11, 0.81)
    7.0
    """
    return max(1.0, float(floor(clean_mm / pitch_mm + 1e-9)))


@law("Turns of the die", "{long_mm} ÷ {pitch_mm}")
def die_turns(long_mm: Num, pitch_mm: Num) -> Num:
    """Turns for the whole thread.

    >>> die_turns(16.0, 0.5)
    32.0
    """
    return long_mm / pitch_mm


@cache
def _clearing() -> dict[str, tuple[float, float, Source]]:
    return {
        row["chip"]: (float(row["coarse_times"]), float(row["fine_times"]),
                      Source(row["authority"], Held(row["held"])))
        for row in read_table("die_clearing")
    }  # fmt: skip


def needs(question: DieQuestion, workshop: Workshop) -> DieShop:
    """The metal, and the die of this thread."""
    name = question.thread.name.lower()
    dies = tuple(
        t for t in workshop.tools if t.kind is ToolKind.DIE and t.sound and t.name.lower() == name
    )
    return DieShop(workshop.metals[question.metal], dies)


def die(question: DieQuestion, shop: DieShop) -> DieAnswer:
    """A thread cut with a die.

    Raises:
        Refused: A thread shorter than a turn.

    >>> from runk.core.threads.series import find_thread
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = DieQuestion(find_thread("M3"), "stainless-303", Fraction(16))
    >>> answer = die(asked, needs(asked, WORKSHOP))
    >>> answer.blank_mm.value, answer.withdrawals
    (2.925, 2)
    """
    thread, metal, w = question.thread, shop.metal, Working()
    long = None if question.long is None else float(question.long)
    if long is not None and long < thread.pitch_mm:
        raise Refused(f"{long:g} mm is less than one turn of {thread.name}.", field="long")
    stainless = metal.family == "stainless"
    blank = w.of(
        laws.blank_mm, major_mm=thread.major_mm, pitch_mm=thread.pitch_mm,
        share=STAINLESS_SHARE if stainless else BLANK_SHARE,
        why="stainless swells more" if stainless else "the thread swells",
    )  # fmt: skip
    coarse = thread.pitch_mm >= COARSE_FROM_MM
    coarse_times, fine_times, source = _clearing()[metal.chip]
    clean = w.of(
        laws.clean_every_mm, times=coarse_times if coarse else fine_times,
        major_mm=thread.major_mm, source=source,
        why="a coarse thread fills the die" if coarse else "a fine one clears itself better",
    )  # fmt: skip
    pilot = w.of(laws.smaller_mm, "pilot_mm", major_mm=thread.major_mm,
                 times=2 * thread.form.depth, pitch_mm=thread.pitch_mm)  # fmt: skip
    pilot_long = w.of(laws.thread_depth_mm, "pilot_long_mm", times=PILOT_PITCHES,
                      pitch_mm=thread.pitch_mm, why="a pitch or two")  # fmt: skip
    every = w.of(clean_turns, "clean_every_turns", clean_mm=clean.value, pitch_mm=thread.pitch_mm)
    turns = withdrawals = None
    if long is not None:
        turns = w.of(die_turns, "turns", long_mm=long, pitch_mm=thread.pitch_mm)
        withdrawals = max(0, ceil(long / clean.value - 1e-9) - 1)
    return DieAnswer(
        blank, pilot, pilot_long,
        "Chamfer 45° down to the core, so that the die starts on a cone.", clean, every,
        withdrawals, turns, "One or two turns on, half a turn back."
        if not stainless else "One turn on, half back; never stop half way through a turn.",
        _passes(question), metal.coolant_drill,
        Figure(thread.major_mm, unit_of("major_mm"), (), 3),
        Figure(thread.pitch_mm, unit_of("pitch_mm"), (), 4),
        _cautions(question, shop, long), _links(question, blank),
    )  # fmt: skip


def _passes(question: DieQuestion) -> tuple[DiePass, ...]:
    found = [
        "First with the die fully open, its marked side to the work, square by the tailstock.",
        "Then close it a little and go over again, oil on the thread already cut.",
        "Try a good nut: it runs on by hand and does not rock.",
    ]
    if question.ending is Ending.SHOULDER:
        found.insert(2, "Turn the die holder round to finish up to the shoulder.")
    return tuple(DiePass(says) for says in found)


def _cautions(question: DieQuestion, shop: DieShop, long: float | None) -> tuple[Caution, ...]:
    found = []
    if not shop.dies:
        found.append(
            Caution("Mind", "the drawer", f"No {question.thread.name} die is in the trays.", None,
                    PRACTICE)
        )  # fmt: skip
    if shop.metal.family == "stainless":
        found.append(
            Caution("Mind", "the swarf", "Withdraw and clean before it packs: packed swarf tears "
                    "the thread off a stainless stud.", "clean_every_mm", PRACTICE)
        )  # fmt: skip
    if long is not None and long > _SLENDER * question.thread.major_mm:
        found.append(
            Caution("Mind", "the twist", "So long and thin a stud twists under a die: cut half "
                    "from each end, or screw-cut it first.", None, PRACTICE)
        )  # fmt: skip
    found.append(
        Caution("Mind", "the drive", "By hand, with the drive isolated; the back gear is no "
                "spindle lock.", None, PRACTICE)
    )  # fmt: skip
    return tuple(found)


def _links(question: DieQuestion, blank: Figure) -> tuple[Link, ...]:
    asked = (("job", "outside"), ("metal", question.metal), ("wanted", f"{blank.value:.3f} mm"))
    return (
        Link("plan", asked, "Turn the blank to size"),
        Link("stud", (("thread", question.thread.name), ("stud_metal", question.metal)),
             "A stud with this thread"),
    )  # fmt: skip


DIE = register(
    Calculator(
        name="die",
        title="A thread by die",
        question=DieQuestion,
        answer=DieAnswer,
        compute=die,
        needs=needs,
        sentences={"": "Cut {thread} with a die on {metal}[, {long} long][, {ending}]"},
        triggers=("die", "dies", "with a die", "die cut", "thread with a die"),
        headline=lambda a, page: f"blank {a.blank_mm.words(page)}",
    )
)
