"""``clearance``: the hole a screw passes through, fine, medium and coarse."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from functools import cache
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Num, Working, law
from runk.core.holes.pick import nearest
from runk.core.kinds import Choice, Length, OneOf
from runk.core.refusals import Refused
from runk.core.said import mm_said, worded
from runk.core.shown import Rank, Show
from runk.core.sources import PRACTICE, Held, Source, read_table
from runk.core.threads.series import Thread
from runk.core.threads.thread import THREAD_FIELD
from runk.core.tools import ShopTool, ToolKind
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

SHARES = {"fine": 1.02, "medium": 1.035, "coarse": 1.05}
"""Over the major diameter, for threads ISO 273 does not have: 2 to 5 %, common practice."""


_GUIDE_MM = 0.05
"""Over the tap that a jig guides: common practice."""
FAR_SHARE = 0.04
"""Farther than this share of the screw from the hole wanted, the drill is another fit: practice."""


class Fit(StrEnum):
    """How freely."""

    FINE = "fine"
    MEDIUM = "medium"
    COARSE = "coarse"
    REAMED = "reamed"


FITS = (
    Choice("fine", "a fine fit", ("fine fit", "close fit", "close", "fine")),
    Choice("medium", "a medium fit", ("medium fit", "medium")),
    Choice("coarse", "a coarse fit", ("coarse fit", "loose", "free fit", "coarse")),
    Choice(
        "reamed",
        "in a reamed hole of its own size",
        (
            "in a reamed hole of its own size",
            "in a reamed hole of its size",
            "in a reamed hole",
            "reamed to its size",
            "reamed hole",
            "reamed",
        ),
    ),
)


@dataclass(frozen=True, slots=True)
class ClearanceQuestion:
    """A screw, and how freely it should pass.

    Args:
        drilled: A hole somebody has or means to drill, judged beside the three fits.
    """

    thread: Annotated[Thread, THREAD_FIELD]
    fit: Annotated[Fit, OneOf("fit", choices=FITS)] = Fit.MEDIUM
    drilled: Annotated[
        Fraction | None,
        Length(
            "hole as it is drilled",
            ("hole",),
            before=("drilled", "with", "in a"),
            usual=(0.5, 40.0),
            low=0.2,
            high=200.0,
            placeholder="not yet",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class ClearanceAnswer:
    """The hole for the fit asked, the drill owned for it, and all three fits."""

    drill_name: Annotated[str, Show("Drill", Rank.BIG, under="hole_mm")]
    drill_mm: Annotated[Figure | None, Show("The drill makes")]
    hole_mm: Annotated[Figure, Show("The hole wants")]
    fine_mm: Annotated[Figure, Show("Fine", Rank.BIG, under="fine_drill")]
    medium_mm: Annotated[Figure, Show("Medium", Rank.BIG, under="medium_drill")]
    coarse_mm: Annotated[Figure, Show("Coarse", Rank.BIG, under="coarse_drill")]
    drilled_says: Annotated[str, Show("Yours", Rank.SAYS)]
    guide_mm: Annotated[Figure, Show("In a jig, as a guide, a hair over")]
    fine_drill: Annotated[str, Show("Drill for fine", Rank.FOLDED)]
    medium_drill: Annotated[str, Show("Drill for medium", Rank.FOLDED)]
    coarse_drill: Annotated[str, Show("Drill for coarse", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Over the screw", "{major_mm} × {share}", PRACTICE)
def over_screw_mm(major_mm: Num, share: Num) -> Num:
    """A clearance hole of so much over.

    >>> round(over_screw_mm(4.7, 1.035), 2)
    4.86
    """
    return major_mm * share


@law("A hair over it", "{major_mm} + {over_mm}", PRACTICE)
def guide_hole_mm(major_mm: Num, over_mm: Num) -> Num:
    """A hole in a jig that guides the tap or its drill: closer than any screw's.

    >>> guide_hole_mm(4.0, 0.0625)
    4.0625
    """
    return major_mm + over_mm


@law("Standard hole", "{hole_mm}", Source("iso-273", Held.RECALLED))
def standard_hole_mm(hole_mm: Num) -> Num:
    """A hole as the standard has it.

    >>> standard_hole_mm(4.5)
    4.5
    """
    return hole_mm


@law(
    "Between the standard's rows",
    "{low_mm} + ({high_mm} - {low_mm}) × ({major_mm} - {below_mm}) ÷ ({above_mm} - {below_mm})",
    Source("iso-273", Held.RECALLED),
)
def between_rows_mm(major_mm: Num, below_mm: Num, low_mm: Num, above_mm: Num, high_mm: Num) -> Num:
    """A hole for a size between two of the standard's, in a straight line between theirs.

    >>> between_rows_mm(9.0, 8.0, 9.0, 10.0, 11.0)
    10.0
    """
    return low_mm + (high_mm - low_mm) * (major_mm - below_mm) / (above_mm - below_mm)


@cache
def iso_273() -> dict[float, dict[str, float]]:
    """Clearance holes of ISO 273 by thread diameter.

    >>> iso_273()[4.0]["medium"]
    4.5
    """
    return {
        float(r["size_mm"]): {fit: float(r[f"{fit}_mm"]) for fit in SHARES}
        for r in read_table("clearance_holes")
    }


@law("The screw's own size", "{major_mm}")
def own_size_mm(major_mm: Num) -> Num:
    """The reamed hole a screw sits in, and is held in its place by.

    >>> own_size_mm(5.0)
    5.0
    """
    return major_mm


def needs(question: ClearanceQuestion, workshop: Workshop) -> tuple[ShopTool, ...]:
    """The drills that can be used, and the reamers where the hole is reamed."""
    reamed = question.fit is Fit.REAMED
    return (*workshop.drills, *(workshop.reamers if reamed else ()))


def hole_for(w: Working, thread: Thread, fit: str) -> Figure:
    """The clearance hole of a thread."""
    if fit == Fit.REAMED:
        return w.of(own_size_mm, "hole_mm", major_mm=thread.major_mm)
    row = iso_273().get(thread.major_mm) if thread.metric else None
    key = f"{fit}_mm"
    if row is not None:
        return w.of(standard_hole_mm, key, hole_mm=row[fit])
    around = _rows_around(thread.major_mm) if thread.metric else None
    if around is not None:
        (below, low), (above_it, high) = around
        return w.of(
            between_rows_mm,
            key,
            major_mm=thread.major_mm,
            below_mm=below,
            low_mm=low[fit],
            above_mm=above_it,
            high_mm=high[fit],
        )
    return w.of(over_screw_mm, key, major_mm=thread.major_mm, share=SHARES[fit])


def _rows_around(
    major_mm: float,
) -> tuple[tuple[float, dict[str, float]], tuple[float, dict[str, float]]] | None:
    """The standard's rows under and over a size it does not have; None outside its table."""
    table = sorted(iso_273().items())
    under = [row for row in table if row[0] < major_mm]
    over = [row for row in table if row[0] > major_mm]
    return (under[-1], over[0]) if under and over else None


def owned_for(drills: Sequence[ShopTool], hole_mm: float, major_mm: float) -> ShopTool | None:
    """The owned drill nearest to a hole that still clears the screw."""
    fitting = [d for d in drills if d.mm > major_mm * 1.005]
    found = nearest(fitting, hole_mm)
    return found if found and found.mm <= major_mm * 1.15 + 0.3 else None


def _reamer_for(tools: Sequence[ShopTool], major_mm: float, fine_mm: float) -> ShopTool | None:
    """The reamer nearest over the screw's own size, closer than a fine drilled hole."""
    fitting = [t for t in tools if t.kind is ToolKind.REAMER and t.mm >= major_mm - 5e-4]
    found = nearest(fitting, major_mm)
    return found if found and found.mm < (major_mm + fine_mm) / 2 else None


def clearance(question: ClearanceQuestion, tools: tuple[ShopTool, ...]) -> ClearanceAnswer:
    """The hole a screw passes through.

    Args:
        tools: Drills and, for a reamed hole, reamers that can be used.

    Raises:
        Refused: No reamer makes its own size.

    >>> from runk.core.threads.series import find_thread
    >>> from runk.demo.back_shed import WORKSHOP
    >>> clearance(ClearanceQuestion(find_thread("M3")), WORKSHOP.drills).drill_name
    '3.4 mm'
    """
    w, thread = Working(), question.thread
    drills = [tool for tool in tools if tool.kind is ToolKind.DRILL]
    holes = {fit: hole_for(w, thread, fit) for fit in SHARES}
    owned = {fit: owned_for(drills, hole.value, thread.major_mm) for fit, hole in holes.items()}
    reamed = question.fit is Fit.REAMED
    if reamed:
        hole = hole_for(w, thread, question.fit)
        chosen = _reamer_for(tools, thread.major_mm, holes["fine"].value)
    else:
        hole, chosen = holes[question.fit], owned[question.fit]
    if chosen is None and reamed:
        raise Refused(
            f"No reamer in the trays makes a hole of {mm_said(thread.major_mm, 2)} for "
            f"{thread.name}.",
            field="fit",
            suggest="a fine fit",
        )

    def named(fit: str) -> str:
        tool = owned[fit]
        return tool.name if tool else "none owned"

    return ClearanceAnswer(
        drill_name=_name_of(chosen, reamed=reamed),
        drill_mm=None if chosen is None else Figure(chosen.mm, unit_of("drill_mm"), (), 3),
        hole_mm=hole,
        fine_mm=holes["fine"],
        medium_mm=holes["medium"],
        coarse_mm=holes["coarse"],
        guide_mm=w.of(
            guide_hole_mm, "guide_mm", major_mm=question.thread.major_mm, over_mm=_GUIDE_MM
        ),
        drilled_says=_judged(question, holes),
        fine_drill=named("fine"),
        medium_drill=named("medium"),
        coarse_drill=named("coarse"),
        cautions=_cautions(chosen, hole.value, thread, reamed=reamed),
        links=() if chosen is None else (_made(chosen, f"{chosen.mm:.6g} mm"),),
    )


def _name_of(tool: ShopTool | None, *, reamed: bool) -> str:
    """What makes the hole; a size is no worse for want of its drill."""
    if tool is None:
        return "none owned"
    return f"{tool.name} reamer" if reamed else tool.name


def _made(tool: ShopTool, size: str) -> Link:
    """How the hole is made."""
    if tool.kind is ToolKind.REAMER:
        by = "hand-reamed" if tool.series == "hand" else "machine-reamed"
        reason = f"Drill for the {tool.name} reamer, and ream: stops and revs"
        return Link("hole", (("size", size), ("finish", by)), reason)
    return Link("hole", (("size", size),), f"Drill {tool.name} with its pilot and stops")


def _judged(question: ClearanceQuestion, holes: dict[str, Figure]) -> str:
    """What a hole somebody has does for the screw; empty where none was said."""
    if question.drilled is None:
        return ""
    hole, major = float(question.drilled), question.thread.major_mm
    said, play = mm_said(hole, 2), mm_said(hole - major, 2)
    if hole <= major * 1.002:
        return f"A hole of {said} does not clear it: open it out."
    if hole < holes["fine"].value - (holes["medium"].value - holes["fine"].value) / 2:
        return f"{said} leaves {play}: closer than a fine fit; it binds where holes are not true."
    if hole > holes["coarse"].value * 1.02:
        return f"{said} leaves {play}: looser than a coarse fit. Put a washer under its head."
    near = min(holes, key=lambda fit: abs(holes[fit].value - hole))
    return f"{said} leaves {play}: as good as a {near} fit."


def _cautions(
    chosen: ShopTool | None, hole_mm: float, thread: Thread, *, reamed: bool
) -> tuple[Caution, ...]:
    if reamed:
        says = (
            f"The thread of {thread.name} is rolled or cut a little under its name: measure the "
            "screws. Both parts are drilled and reamed together, or the holes do not meet."
        )
        return (Caution("Mind", "where it sits", says, None, PRACTICE),)
    found = [
        Caution(
            "Mind",
            "where it sits",
            "Clearance bolts clamp and do not locate: close pins or fitted studs do that.",
            None,
            PRACTICE,
        )
    ]
    off = 0.0 if chosen is None else chosen.mm - hole_mm
    if abs(off) > FAR_SHARE * thread.major_mm:
        way = "over" if off > 0 else "under"
        found.insert(
            0,
            Caution(
                "Mind",
                "the drill",
                f"The nearest there is stands {mm_said(abs(off), 2)} {way} what this fit wants.",
                "drill_mm",
                PRACTICE,
            ),
        )
    return tuple(found)


def headline(answer: ClearanceAnswer, page: PageUnit) -> str:
    """The drill to take; of a hole that is there, what it is good for."""
    if answer.drilled_says:
        return worded(answer.drilled_says, page)
    return f"{answer.drill_name} · hole {answer.hole_mm.words(page)}"


CLEARANCE = Calculator(
    name="clearance",
    title="The hole a screw passes through",
    door=Door("/threads/clearance", "Threads", "Clearance", family="Tap and die"),
    opening={"thread": "4 BA"},
    question=ClearanceQuestion,
    answers=(ClearanceAnswer,),
    compute=clearance,
    needs=needs,
    sentences={"": "A hole to clear {thread}, {fit}[, drilled {drilled}]"},
    calls=(
        "clearance",
        "clearance hole",
        "clearance drill",
        "clear a screw",
        "to clear @",
        "hole to clear @",
        "drill to clear @",
        "holes to clear @",
        "clear @",
        "hole for @",
        "holes for @",
        "@ hole",
        "hole for @ screw",
        "hole for @ bolt",
        "holes for @ studs",
        "holes for @ screws",
        "holes for @ bolts",
        "hole for @ stud",
        "drill for @ screw",
        "drill for @ bolt",
        "drill for @ stud",
        "@ screw hole",
        "@ bolt hole",
        "@ clearance",
        "drill for @ clearance",
        "drill out",
        "@ clear",
        "clear hole",
        "clearance drill for @",
        "clearance size",
        "@ clearance hole",
        "bolt hole for @",
        "cap screw @ in a reamed hole",
        "cap screw @ reamed",
        "cap screws @ reamed",
        "@ cap screw reamed",
        "@ cap screw in a reamed hole",
        "reamed hole for @",
        "reamed holes for @",
    ),
    headline=headline,
)
