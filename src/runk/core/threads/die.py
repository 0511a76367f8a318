"""``die``: the blank, the pilot, and when to withdraw and clean."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from functools import cache
from math import ceil, floor
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.kinds import Choice, Length, OfMetal, OneOf
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show, Table
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
    metal: Annotated[
        str, OfMetal("metal", shared="metal of the screw", placeholder="mild steel")
    ] = "mild-steel"
    long: Annotated[
        Fraction | None,
        Length(
            "length of thread",
            ("long", "length"),
            usual=(2.0, 80.0),
            principal=True,
            low=0.2,
            high=500.0,
            placeholder="say how long",
        ),
    ] = None
    ending: Annotated[Ending, OneOf("ending", choices=ENDINGS)] = Ending.PLAIN


@dataclass(frozen=True)
class DieShop:
    """The metal, and whether this die is owned."""

    metal: Metal
    dies: tuple[ShopTool, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class DiePass:
    """One pass of the die."""

    says: Annotated[str, Show("Pass")]


@dataclass(frozen=True, slots=True, kw_only=True)
class DieAnswer:
    """A thread by die. ``withdrawals`` is how often it comes right off to be cleaned."""

    blank_mm: Annotated[Figure, Show("Turn the blank to", Rank.BIG)]
    pilot_mm: Annotated[Figure, Show("Pilot that guides the die, across")]
    pilot_long_mm: Annotated[Figure, Show("and long")]
    chamfer_says: Annotated[str, Show("Chamfer", Rank.SAYS)]
    clean_every_mm: Annotated[Figure, Show("Thread between cleanings")]
    clean_every_turns: Annotated[Figure, Show("Clean every", Rank.BIG, under="clean_every_mm")]
    withdrawals: Annotated[int | None, Show("Take it off to clean, times", Rank.BIG)]
    turns: Annotated[Figure | None, Show("Turns in all", Rank.BIG)]
    back_off_says: Annotated[str, Show("Back off", Rank.SAYS)]
    passes: Annotated[tuple[DiePass, ...], Table("Passes")]
    lubricant: Annotated[str, Show("With", Rank.SAYS)]
    major_mm: Annotated[Figure, Show("Thread across", Rank.FOLDED)]
    pitch_mm: Annotated[Figure, Show("Pitch", Rank.FOLDED)]
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
        row["chip"]: (
            float(row["coarse_times"]),
            float(row["fine_times"]),
            Source(row["authority"], Held(row["held"])),
        )
        for row in read_table("die_clearing")
    }


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
        raise Refused(f"{mm_said(long)} is less than one turn of {thread.name}.", field="long")
    stainless = metal.family == "stainless"
    blank = w.of(
        laws.blank_mm,
        major_mm=thread.major_mm,
        pitch_mm=thread.pitch_mm,
        share=STAINLESS_SHARE if stainless else BLANK_SHARE,
        why="stainless swells more" if stainless else "the thread swells",
    )
    coarse = thread.pitch_mm >= COARSE_FROM_MM
    coarse_times, fine_times, source = _clearing()[metal.chip]
    clean = w.of(
        laws.clean_every_mm,
        times=coarse_times if coarse else fine_times,
        major_mm=thread.major_mm,
        source=source,
        why="a coarse thread fills the die" if coarse else "a fine one clears itself better",
    )
    pilot = w.of(
        laws.smaller_mm,
        "pilot_mm",
        major_mm=thread.major_mm,
        times=2 * thread.form.depth,
        pitch_mm=thread.pitch_mm,
    )
    pilot_long = w.of(
        laws.thread_depth_mm,
        "pilot_long_mm",
        times=PILOT_PITCHES,
        pitch_mm=thread.pitch_mm,
        why="a pitch or two",
    )
    every = w.of(clean_turns, "clean_every_turns", clean_mm=clean.value, pitch_mm=thread.pitch_mm)
    turns = withdrawals = None
    if long is not None:
        turns = w.of(die_turns, "turns", long_mm=long, pitch_mm=thread.pitch_mm)
        withdrawals = max(0, ceil(long / clean.value - 1e-9) - 1)
    return DieAnswer(
        blank_mm=blank,
        pilot_mm=pilot,
        pilot_long_mm=pilot_long,
        chamfer_says="Chamfer 45° down to the core, so that the die starts on a cone.",
        clean_every_mm=clean,
        clean_every_turns=every,
        withdrawals=withdrawals,
        turns=turns,
        back_off_says="One or two turns on, half a turn back."
        if not stainless
        else "One turn on, half back; never stop half way through a turn.",
        passes=_passes(question),
        lubricant=metal.coolant_drill,
        major_mm=Figure(thread.major_mm, unit_of("major_mm"), (), 3),
        pitch_mm=Figure(thread.pitch_mm, unit_of("pitch_mm"), (), 4),
        cautions=_cautions(question, shop, long),
        links=_links(question, blank),
    )


def _passes(question: DieQuestion) -> tuple[DiePass, ...]:
    found = [
        "First with the die fully open, its marked side to the work, square by the tailstock.",
        "Then close it a little and go over again, oil on the thread already cut.",
        "Try a good nut: it runs on by hand and does not rock.",
    ]
    if question.ending is Ending.SHOULDER:
        found.insert(2, "Turn the die holder round to finish up to the shoulder.")
    return tuple(DiePass(says=says) for says in found)


def _cautions(question: DieQuestion, shop: DieShop, long: float | None) -> tuple[Caution, ...]:
    found = []
    if not shop.dies:
        found.append(
            Caution(
                "Mind",
                "the drawer",
                f"No {question.thread.name} die is in the trays.",
                None,
                PRACTICE,
            )
        )
    if shop.metal.family == "stainless":
        found.append(
            Caution(
                "Mind",
                "the swarf",
                "Withdraw and clean before it packs: packed swarf tears "
                "the thread off a stainless stud.",
                "clean_every_mm",
                PRACTICE,
            )
        )
    if long is not None and long > _SLENDER * question.thread.major_mm:
        found.append(
            Caution(
                "Mind",
                "the twist",
                "So long and thin a stud twists under a die: cut half "
                "from each end, or screw-cut it first.",
                None,
                PRACTICE,
            )
        )
    found.append(
        Caution(
            "Mind",
            "the drive",
            "By hand, with the drive isolated; the back gear is no spindle lock.",
            None,
            PRACTICE,
        )
    )
    return tuple(found)


def _links(question: DieQuestion, blank: Figure) -> tuple[Link, ...]:
    asked = (("job", "outside"), ("metal", question.metal), ("wanted", f"{blank.value:.3f} mm"))
    return (
        Link("plan", asked, "Turn the blank to size"),
        Link(
            "stud",
            (("thread", question.thread.name), ("stud_metal", question.metal)),
            "A stud with this thread",
        ),
    )


DIE = Calculator(
    name="die",
    title="A thread by die",
    door=Door("/threads/die", "Threads", "Die", family="Tap and die"),
    opening={"thread": "4 BA", "metal": "stainless-303", "long": "20 mm"},
    question=DieQuestion,
    answers=(DieAnswer,),
    compute=die,
    needs=needs,
    sentences={"": "Cut {thread} with a die on {metal}[, {long} long][, {ending}]"},
    calls=(
        "die",
        "dies",
        "with a die",
        "die cut",
        "thread with a die",
        "clear swarf",
        "clean the die",
    ),
    headline=lambda a, page: f"blank {a.blank_mm.words(page)}",
)
