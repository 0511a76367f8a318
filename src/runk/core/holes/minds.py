"""What to mind about a hole, and where to go from it."""

from __future__ import annotations

from collections.abc import Sequence

from runk.core.figures import Caution, Link, stop
from runk.core.holes.answer import HoleStep
from runk.core.holes.finish import LEAST_BORE_MM, Finishing
from runk.core.holes.laws import cleans_up_mm
from runk.core.holes.question import Ends, Finish
from runk.core.holes.question import HoleQuestion as Question
from runk.core.holes.steps import Maker
from runk.core.machines.machine import Machine
from runk.core.said import mm_said, number_said
from runk.core.sources import MECHANICS, PRACTICE

_DEEP_TIMES, _DEEP_PILOT_TIMES = 3.0, 6.0
_THIN_MM = 0.5
_SAID_ALREADY = {"stalling", "the top speed"}
"""What the plan itself has seen to."""
CLOSES = ("gunmetal", "phosphor-bronze", "cast-phosphor-bronze", "bearing-bronze")


def minds(maker: Maker, plan: Finishing, drills: Sequence[HoleStep]) -> tuple[Caution, ...]:
    """Cautions of this very hole, the pressing ones first."""
    found = [*_of_depth(maker.question, drills, maker.flat_mm), *_of_reamer(maker, plan)]
    found += _of_line(maker.question)
    found += _of_there(maker.question, plan)
    known = {c.about for c in found} | _SAID_ALREADY
    for caution in maker.cautions:
        if caution.about not in known:
            known.add(caution.about)
            found.append(caution)
    return tuple(sorted(found, key=lambda c: c.word != "Stop"))


def _of_depth(question: Question, drills: Sequence[HoleStep], flat_mm: float) -> list[Caution]:
    found = []
    if question.ends is Ends.THROUGH:
        found.append(
            Caution(
                "Mind",
                "breaking through",
                "Ease off as the point comes out: there the drill snatches. Clamp the work.",
                "depth_mm",
                PRACTICE,
            )
        )
    elif question.thick is not None and question.deep is not None:
        tip = drills[-1].depth_mm
        lowest = max(float(question.deep), tip.value + flat_mm if tip else 0.0)
        over = lowest - float(question.thick)
        if over >= 0:
            found.append(
                stop(
                    "the point",
                    "end it with a flat-ended tool",
                    f"The drill's point comes out by {mm_said(over, 2)}: only "
                    f"{mm_said(question.thick - float(question.deep), 2)} is left under the "
                    f"hole, and the tip goes {mm_said(lowest - float(question.deep), 2)} deeper. "
                    "End it with a flat-ended tool.",
                    "bottom_mm",
                    MECHANICS,
                )
            )
        elif over > -_THIN_MM:
            found.append(
                Caution(
                    "Mind",
                    "the bottom",
                    f"Only {mm_said(-over, 2)} is left under it: it may break through.",
                    "bottom_mm",
                    MECHANICS,
                )
            )
    found += _of_swarf(question, drills)
    if question.slope:
        found.append(
            Caution(
                "Mind",
                "the slope",
                "Hold the work so that the hole is upright, and feed "
                "gently until the whole drill is in.",
                None,
                PRACTICE,
            )
        )
    return found


def _of_moved(question: Question) -> list[Caution]:
    """A hole beside its place is moved by a bar alone, and only where there is metal to take."""
    assert question.there is not None
    assert question.moved is not None
    least = cleans_up_mm(float(question.there), float(question.moved))
    if float(question.size) < least - 1e-9:
        says = (
            f"Bored to {mm_said(question.size)} about its right place, one side of the old hole is "
            f"still there: it cleans up at {mm_said(least, 2)}."
        )
        instead = f"bore it to {mm_said(least, 2)} or more, or plug it and begin again"
        return [stop("its place", instead, says, "cleans_mm", MECHANICS)]
    if question.finish in (Finish.BORED, Finish.HONED):
        says = "Light cuts: at first it cuts on one side only, and the bar leans away from that."
        return [Caution("Mind", "its place", says, "cleans_mm", PRACTICE)]
    says = "Drills and reamers follow the hole that is there, wherever they are set."
    return [stop("its place", "bore it", says, "cleans_mm", PRACTICE)]


def _of_there(question: Question, plan: Finishing) -> list[Caution]:
    """A hole that is there leads everything after it, and may leave too little."""
    if question.there is None:
        return []
    if question.moved is not None:
        return _of_moved(question)
    left = float(question.size - question.there)
    if plan.wanted is not None and left < plan.wanted.low_mm - 1e-9:
        return [
            stop(
                "what is left",
                "a larger reamer, or bore it out",
                f"The hole there leaves {mm_said(left, 2)}, and a reamer wants "
                f"{mm_said(plan.wanted.low_mm, 2)} at least: it rubs and leaves the old surface.",
                "left_mm",
                PRACTICE,
            )
        ]
    if question.finish in (Finish.BORED, Finish.HONED):
        return []
    says = "Everything follows the hole that is there: where it has to be moved, bore it."
    return [Caution("Mind", "its place", says, None, PRACTICE)]


def _of_swarf(question: Question, drills: Sequence[HoleStep]) -> list[Caution]:
    """It is the thinnest drill that packs and breaks, and stays in the casting."""
    if question.deep is None:
        return []
    if float(question.deep) > _DEEP_TIMES * drills[-1].mm.value:
        says = f"Deeper than {_DEEP_TIMES:g} diameters: come right out and clear the flutes every "
        says += "diameter from there."
    else:
        deep = [(s.depth_mm.value / s.mm.value, s) for s in drills if s.depth_mm is not None]
        times, thin = max(deep, key=lambda one: one[0], default=(0.0, drills[-1]))
        if times <= _DEEP_PILOT_TIMES:
            return []
        says = f"The {thin.name} goes {times:.0f} of its own diameters deep: it is the one that "
        says += "packs and breaks. Come right out and clear it every diameter."
    return [Caution("Mind", "the swarf", says, None, PRACTICE)]


def _of_reamer(maker: Maker, plan: Finishing) -> list[Caution]:
    question, found = maker.question, []
    leave, left = plan.wanted, plan.left
    if leave is not None and left is not None and left.value > leave.high_mm + 1e-9:
        far = left.value > 2 * leave.high_mm
        closer = (
            "Bore it closer first."
            if question.size >= LEAST_BORE_MM
            else "Go in many times, clearing it each time, or make a D-bit."
        )
        says = (
            f"{mm_said(left.value, 2)} is {'far ' if far else ''}more than such a tool takes "
            f"({number_said(leave.low_mm, 2)} to {mm_said(leave.high_mm, 2)}): no drill between "
            f"can be used. {closer}"
        )
        instead = closer[0].lower() + closer[1:].rstrip(".")
        found.append(
            stop("what is left", instead, says, "left_mm", PRACTICE)
            if far
            else Caution("Mind", "what is left", says, "left_mm", PRACTICE)
        )
    if plan.tapered and question.ends is Ends.BLIND:
        found.append(
            stop(
                "the lead",
                "drill it deeper, or ream it with a machine reamer",
                f"A hand reamer is tapered for its first "
                f"{mm_said(plan.pass_mm.value if plan.pass_mm else 0, 0)} and cannot ream a blind "
                "hole to the bottom: drill deeper, or use a machine reamer or a D-bit.",
                "pass_mm",
                PRACTICE,
            )
        )
    reamed = question.finish in (Finish.MACHINE_REAMED, Finish.HAND_REAMED)
    if reamed and maker.metal.kind in CLOSES:
        found.append(
            Caution(
                "Mind",
                "closing in",
                "Bronze closes on a reamer: a fresh one, and expect the hole a shade under.",
                None,
                PRACTICE,
            )
        )
    if reamed:
        found.append(
            Caution(
                "Mind",
                "the axis",
                "A reamer follows the hole it is given: it makes it round "
                "and to size, not straight.",
                None,
                PRACTICE,
            )
        )
    return found


def _of_line(question: Question) -> list[Caution]:
    if question.bearings is None or question.span is None:
        return []
    return [
        Caution(
            "Mind",
            "the line",
            f"Pilot each of the {question.bearings}, then follow through "
            f"all with one long drill of {mm_said(question.span)} and more, then ream or bore them "
            "in line in one go.",
            None,
            PRACTICE,
        )
    ]


def links_of(question: Question, plan: Finishing, machine: Machine) -> tuple[Link, ...]:
    """Where the numbers go on: the bore to its plan, the last drill to its speed."""
    if question.finish not in (Finish.BORED, Finish.HONED):
        return ()
    asked = [
        ("job", "bore"),
        ("metal", question.metal),
        ("now", f"{float(plan.last.size_mm):g} mm"),
        ("wanted", f"{plan.then[0].mm.value:g} mm"),
        ("machine", machine.name),
    ]
    if question.deep is not None:
        asked.append(("length", f"{float(question.deep):g} mm"))
    return (Link("plan", tuple(asked), "Plan the bore, pass by pass"),)
