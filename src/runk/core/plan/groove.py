"""A groove cut with a narrower tool: plunges, offsets, and which edge stands at nought."""

from __future__ import annotations

from fractions import Fraction
from math import ceil

from runk.core.cutting import bend
from runk.core.cutting.answer import SpeedAnswer
from runk.core.cutting.operations import Operation
from runk.core.cutting.outcome import RADIAL_SHARE, STEEL_GPA
from runk.core.cutting.question import SpeedQuestion
from runk.core.cutting.speed import speed
from runk.core.cutting.target import SpeedShop
from runk.core.figures import Caution, Figure, Num, Working, law
from runk.core.machines.dials import back_say, judged_divisions, turns_say
from runk.core.machines.machine import Dial, Holding, Machine
from runk.core.metals.metal import Metal
from runk.core.plan.answer import PlanAnswer, PlannedPass
from runk.core.plan.passes import MOST_PASSES
from runk.core.plan.question import Edge, PlanQuestion, Wall
from runk.core.plan.say import nought_of_groove
from runk.core.plan.settle import limits, setting_says
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.sources import PRACTICE
from runk.core.units import unit_of

SIDE_MM = 0.1
"""Left on each wall of a groove for the finishing plunges: common practice."""
OVERLAP = 0.8
MOST_SPRUNG_MM = 0.05
"""A plunge that bends the work more than this digs in: common practice."""
_NARROWEST_MM = 0.5
LOCKED = Caution(
    "Mind",
    "the carriage",
    "Lock it for every plunge, the tool square and at centre height.",
    None,
    PRACTICE,
)


BURR = Caution(
    "Mind",
    "the burr",
    "Both corners throw one into the bore, where a ring or a seal catches: ease them, and try it.",
    None,
    PRACTICE,
)


@law("Tool's edge stands at", "{from_left_mm} + {tool_mm}")
def right_edge_mm(from_left_mm: Num, tool_mm: Num) -> Num:
    """Where a tool's right edge is when its left one stands so far in.

    >>> right_edge_mm(1.0, 2.0)
    3.0
    """
    return from_left_mm + tool_mm


def offsets(width_mm: float, tool_mm: float) -> tuple[tuple[str, float], ...]:
    """Where the tool's left edge goes, from the groove's left wall: rough, then each wall.

    Args:
        width_mm: Of the groove.
        tool_mm: Of the tool, at most the groove's width.

    >>> offsets(3.0, 2.0)
    (('rough', 0.1), ('rough', 0.9), ('left', 0.0), ('right', 1.0))
    >>> offsets(2.0, 2.0)
    (('only', 0.0),)
    """
    room = width_mm - tool_mm
    if room < 1e-6:
        return (("only", 0.0),)
    if room <= 2 * SIDE_MM:
        return (("left", 0.0), ("right", room))
    inner = room - 2 * SIDE_MM
    if inner <= SIDE_MM:
        rough: list[float] = [room / 2]
    else:
        # Each wall is left the same little: half a blade cutting on one side only leans away.
        steps = ceil(inner / (tool_mm * OVERLAP) - 1e-9)
        rough = [SIDE_MM + inner * n / steps for n in range(steps + 1)]
    return (*(("rough", x) for x in rough), ("left", 0.0), ("right", room))


def checked_groove(
    question: PlanQuestion, machine: Machine, metal: Metal
) -> tuple[SpeedAnswer, float | None, Working]:
    """The cut of a groove that can be made, and how far the work bends under the tool.

    Raises:
        Refused: A groove, tool or work that do not go together, saying which and why.
    """
    assert question.now is not None
    assert question.wanted is not None
    assert question.deep is not None
    assert question.width is not None
    width, tool, deep = float(question.wanted), float(question.width), float(question.deep)
    if tool > width + 1e-9:
        raise Refused(
            f"A tool {mm_said(tool)} wide cannot cut a groove {mm_said(width)} wide.",
            field="width",
            suggest=mm_said(width / 2),
        )
    if width > MOST_PASSES * tool * OVERLAP:
        raise Refused(
            f"That takes more than {MOST_PASSES} plunges: take a wider tool, or turn it.",
            field="width",
        )
    if question.reach is not None and question.reach < question.deep:
        raise Refused(
            f"A tool that reaches {mm_said(question.reach)} cannot cut {mm_said(deep)} deep.",
            field="reach",
        )
    inside = question.wall is Wall.BORE
    if inside:
        _enters(question)
    if not inside and 2 * deep >= float(question.now):
        raise Refused(
            "That groove goes through the middle of the work: part it off instead.", field="deep"
        )
    asked = SpeedQuestion(
        question.metal,
        Fraction(str(floor_mm(question))) if inside else question.now,
        Operation.GROOVE,
        question.tool,
        held=question.held,
        machine=machine.name,
        width=question.width,
    )
    cut = speed(asked, SpeedShop(machine, metal))
    assert cut.force_n is not None
    w = Working()
    spring = _bends(w, question, metal, cut.force_n.value)
    if spring is not None and spring > MOST_SPRUNG_MM:
        narrow = tool * MOST_SPRUNG_MM / spring
        cure = (
            f"Rough it with a tool of {mm_said(narrow, 1)} at most, and finish each wall with that."
            if narrow >= _NARROWEST_MM
            else "No tool is narrow enough: shorten the overhang, or take a thicker bar."
            if inside
            else "No tool is narrow enough: bring up a centre, or shorten the overhang."
        )
        raise Refused(
            f"A tool {mm_said(tool)} wide would bend {'its bar' if inside else 'this work'} by "
            f"{mm_said(spring, 2)} and dig in. {cure}",
            field="width",
            suggest=mm_said(narrow, 1) if narrow >= _NARROWEST_MM else None,
        )
    return cut, spring, w


def floor_mm(question: PlanQuestion) -> float:
    """What the floor of the groove measures across.

    >>> from fractions import Fraction
    >>> from runk.core.plan.spec import Job
    >>> asked = PlanQuestion(Job.GROOVE, now=Fraction(20), deep=Fraction(2), wall=Wall.BORE)
    >>> floor_mm(asked)
    24.0
    """
    sense = 1 if question.wall is Wall.BORE else -1
    return float((question.now or 0) + sense * 2 * (question.deep or 0))


_ROOM_MM = 0.5
"""Between a bar and the far side of its bore, for the chips: common practice."""


def _enters(question: PlanQuestion) -> None:
    """Refuse a tool that does not go into the bore it is to groove."""
    assert question.now is not None
    assert question.deep is not None
    thick = float(question.bar or 0)
    takes, bore = thick + float(question.deep) + _ROOM_MM, float(question.now)
    if thick and takes > bore:
        raise Refused(
            f"A bar of {mm_said(thick)} with its tool {mm_said(question.deep)} clear of it and "
            f"room for chips wants a bore of {mm_said(takes, 2)}; this one is {mm_said(bore)}.",
            field="bar",
            suggest=mm_said(max(bore - float(question.deep) - _ROOM_MM, 1.0), 1),
        )
    if not thick and float(question.deep) + _ROOM_MM >= bore:
        raise Refused("That tool cannot get into so small a bore.", field="deep")


def cautions_of(question: PlanQuestion, cut: SpeedAnswer) -> tuple[Caution, ...]:
    """What to mind about a groove: outside, or where the edge cannot be seen."""
    return (LOCKED, BURR, *cut.cautions) if question.wall is Wall.BORE else (LOCKED, *cut.cautions)


def groove(question: PlanQuestion, machine: Machine, metal: Metal) -> PlanAnswer:
    """Plunges for a groove.

    Raises:
        Refused: A tool wider than the groove or too short for it, a groove deeper than the
            work, or work so slender that the tool has to be narrower.
    """
    assert question.now is not None
    assert question.wanted is not None
    assert question.deep is not None
    assert question.width is not None
    width, tool, deep = limits(question)[1], float(question.width), float(question.deep)
    cut, spring, w = checked_groove(question, machine, metal)
    across, inward = machine.dial("top-slide", "saddle"), machine.dial("cross-slide")
    passes = _plunges(question, across, offsets(width, tool))
    first = passes[0]
    cautions = cautions_of(question, cut)
    depth_said = depth_says(inward, deep, question.wall)
    edge = "right" if question.edge is Edge.RIGHT else "left"
    setting = setting_says(cut)
    bottom = floor_mm(question)
    low, _, high = limits(question)
    return PlanAnswer(
        state="cut",
        passes=passes,
        left_mm=Figure(width, unit_of("left_mm"), places=3),
        now_mm=Figure(float(question.now), unit_of("now_mm"), places=3),
        aim_mm=Figure(width, unit_of("aim_mm"), places=3),
        low_mm=Figure(low, unit_of("low_mm"), places=3),
        high_mm=Figure(high, unit_of("high_mm"), places=3),
        next_says=first.dial[0].upper() + first.dial[1:],
        next_detail=f"{depth_said} The floor of the groove then measures {mm_said(bottom, 2)}.",
        start_says=nought_of_groove(edge, across.backlash / across.division if across else 0.0),
        dial_says=depth_said,
        rough_set=setting,
        finish_set=setting,
        rough_feed_mm_per_rev=cut.feed_mm_per_rev,
        finish_feed_mm_per_rev=cut.feed_mm_per_rev,
        spring_mm=None if spring is None else w.figure(spring, "spring_mm", places=3),
        spring_ratio=Figure(0.0, unit_of("spring_ratio")),
        over_mm=None,
        ways_out=(),
        parts=1,
        cautions=cautions,
        links=(),
    )


def _bends(w: Working, question: PlanQuestion, metal: Metal, force: float) -> float | None:
    if question.overhang is None or question.now is None:
        return None
    if question.wall is Wall.BORE:
        if question.bar is None:
            return None
        # The bar bends, not the work; it carries its tool across, held at one end.
        return w(
            bend.cantilever_mm,
            force_n=force * 2 * RADIAL_SHARE,
            length_mm=float(question.overhang),
            e_gpa=STEEL_GPA,
            section_mm4=w(bend.second_moment_mm4, diameter_mm=float(question.bar)),
        )
    shape = {
        Holding.CENTRES: bend.between_centres_mm,
        Holding.MANDREL: bend.between_centres_mm,
        Holding.CHUCK_AND_CENTRE: bend.chuck_and_centre_mm,
    }.get(question.held or Holding.THREE_JAW, bend.cantilever_mm)
    section = w(bend.second_moment_mm4, diameter_mm=float(question.now))
    # A plunging tool pushes with all of its force, not with the share of one that feeds along.
    return w(
        shape,
        force_n=force * 2 * RADIAL_SHARE,
        length_mm=float(question.overhang),
        e_gpa=metal["e_gpa"],
        section_mm4=section,
    )


def _plunges(
    question: PlanQuestion, dial: Dial | None, places: tuple[tuple[str, float], ...]
) -> tuple[PlannedPass, ...]:
    """Each plunge, and how wide a strip it takes beside what is cut already."""
    assert question.width is not None
    tool = float(question.width)
    cut: list[float] = []
    made: list[PlannedPass] = []
    for kind, place in places:
        beside = min((abs(place - other) for other in cut), default=tool)
        made.append(_plunge(question, dial, kind, place, min(beside, tool)))
        cut.append(place)
    return tuple(made)


def _plunge(
    question: PlanQuestion, dial: Dial | None, kind: str, left_edge: float, takes: float
) -> PlannedPass:
    assert question.width is not None
    w = Working()
    tool = float(question.width)
    at = left_edge
    if question.edge is Edge.RIGHT:
        at = w(right_edge_mm, from_left_mm=left_edge, tool_mm=tool)
    if dial is None:
        line, divisions = f"tool's edge at {mm_said(at, 2)}", None
    else:
        count = judged_divisions(dial, at)
        divisions = Figure(count, unit_of("divisions"), tuple(w.steps), 2)
        line = f"{dial.slide} to {back_say(count, dial.per_turn)}"
    names = {"rough": "plunge", "only": "plunge"}
    return PlannedPass(
        kind=names.get(kind, "finish"),
        to_mm=Figure(at, unit_of("to_mm"), tuple(w.steps), 3),
        take_mm=Figure(takes, unit_of("take_mm"), (), 3),
        dial=line,
        divisions=divisions,
        stands_at="",
        measure=kind == "right",
        end=1,
    )


def depth_says(dial: Dial | None, deep: float, wall: Wall = Wall.OUTSIDE) -> str:
    """How deep each plunge goes, on the dial that feeds it; ``deep`` in millimetres.

    Inside a bore the slide is wound outwards, and its dial counts down.
    """
    if dial is None:
        return f"Plunge {mm_said(deep, 2)} deep from the touch."
    if wall is Wall.BORE:
        back = back_say(judged_divisions(dial, deep), dial.per_turn)
        return f"Each plunge is wound outwards until the {dial.slide} stands at {back}."
    said = turns_say(judged_divisions(dial, deep), dial.per_turn)
    return f"Each plunge goes {said} of the {dial.slide} deep."
