"""From a question to a cut as settled: limits, allowances, depths, spring, dial."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction

from runk.core.cutting.answer import SpeedAnswer
from runk.core.cutting.operations import Operation
from runk.core.cutting.question import SpeedQuestion, Stage, Surface, Tool
from runk.core.cutting.speed import speed
from runk.core.cutting.tables import by_diameter, chip_groups
from runk.core.cutting.target import SpeedShop
from runk.core.cutting.turned import SKIN_DEPTH_MM
from runk.core.figures import Caution, Working
from runk.core.machines.machine import Machine
from runk.core.metals.metal import Metal
from runk.core.plan.hole_there import as_cored, of_hole
from runk.core.plan.laws import spring_ratio
from runk.core.plan.question import Ends, PlanQuestion
from runk.core.plan.spec import GROWING, CutSpec, Job
from runk.core.refusals import Refused
from runk.core.said import mm_said, number_said
from runk.core.sources import PRACTICE

ALLOWANCE_MM = {Tool.HSS: 0.125, Tool.COBALT: 0.125, Tool.CARBIDE: 0.4}
"""Left on a diameter for the last cut: 0.1 to 0.15, a carbide tip 0.3 to 0.5 (practice)."""
AUSTENITIC_ALLOWANCE_MM = 0.22
"""In metals that harden under an edge that rubs, 0.2 to 0.25 (practice)."""
LEAST_MM = {Tool.HSS: 0.02, Tool.COBALT: 0.02, Tool.CARBIDE: 0.2}
"""Less than this on a diameter and the edge rubs: practice."""
HALF_MM = {Job.OUTSIDE: 0.01, Job.BORE: 0.01, Job.FACE: 0.05, Job.SLOT: 0.05, Job.GROOVE: 0.02}
"""Limits either side where none were said: practice."""
USUAL_READS_TO_MM = 0.01
MOST_SPRUNG_MM = 0.2
"""A roughing pass may spring so much on the size, and no more: practice."""
SAFE_SHARE = 1 / 3
OPERATION = {
    Job.OUTSIDE: Operation.TURN,
    Job.BORE: Operation.BORE,
    Job.FACE: Operation.FACE,
    Job.SLOT: Operation.SLOT,
    Job.GROOVE: Operation.GROOVE,
}
_SLIDES = {
    Job.OUTSIDE: ("cross-slide",),
    Job.BORE: ("cross-slide",),
    Job.FACE: ("top-slide", "saddle"),
    Job.SLOT: ("head", "vertical slide"),
    Job.GROOVE: ("top-slide", "saddle"),
}


@dataclass(frozen=True, slots=True)
class Said:
    """What goes with a cut in words: the settings, and what to mind."""

    rough_set: str
    finish_set: str
    rough_feed_mm: float | None
    finish_feed_mm: float | None
    machine: str
    cautions: tuple[tuple[str, str, str, str], ...]
    """Each its word, what it is about, what it says, and what to do instead."""


@dataclass(frozen=True, slots=True)
class Settled:
    """A cut with all that is needed to follow it, and the working it came from."""

    spec: CutSpec
    said: Said
    working: Working
    rough: SpeedAnswer | None


def limits(question: PlanQuestion) -> tuple[float, float, float]:
    """Lower limit, size aimed at, upper limit.

    Where the size wanted is itself a limit, the aim lies inside, on the side where metal is
    left: too much can be put right, too little cannot.

    Raises:
        Refused: Limits the wrong way round, or a size outside them.
    """
    assert question.wanted is not None
    wanted, small, large = question.wanted, question.smallest, question.largest
    half = Fraction(str(HALF_MM[question.job]))
    if small is None and large is None:
        small, large = max(wanted - half, Fraction(1, 1000)), wanted + half
    small = wanted if small is None else small
    large = wanted if large is None else large
    if small > large:
        raise Refused(
            f"The limits are the wrong way round: the smallest, {mm_said(small)}, is over the "
            f"largest, {mm_said(large)}.",
            field="smallest",
        )
    if small == large:
        raise Refused(
            "Both limits are the same size: nothing can be cut exactly to it.", field="largest"
        )
    # Both limits on one side of the size are how a running fit is drawn; far from it, a slip.
    off = max(small - wanted, wanted - large, Fraction(0))
    if off > max(wanted / 200, Fraction(1, 20)):
        raise Refused(
            f"{number_said(wanted)} is outside its own limits, {number_said(small)} to "
            f"{mm_said(large)}.",
            field="wanted",
        )
    low, high, aim = float(small), float(large), float(wanted)
    growing = question.job in GROWING
    if not small < wanted < large:
        safe, other = (low, high) if growing else (high, low)
        aim = safe + (other - safe) * SAFE_SHARE
    return low, aim, high


def _check(question: PlanQuestion, now: float, aim: float) -> None:
    if question.job is Job.SLOT:
        if question.reach is not None and question.wanted and question.wanted > question.reach:
            raise Refused(
                f"A cutter that reaches {mm_said(question.reach)} cannot cut "
                f"{mm_said(question.wanted)} deep.",
                field="reach",
            )
        return
    if question.wanted == question.now:
        raise Refused("It is that size already: there is nothing to cut.", field="wanted")
    wrong = now < aim if question.job is not Job.BORE else now > aim
    if wrong:
        says = {
            Job.BORE: "Boring only makes a hole larger: is it the outside?",
            Job.FACE: "Facing only makes it shorter.",
            Job.OUTSIDE: "Turning only makes it smaller: is it a bore?",
        }[question.job]
        raise Refused(
            f"From {number_said(now)} to {mm_said(question.wanted or 0)}? {says}", field="wanted"
        )
    if (
        question.job is Job.BORE
        and question.overhang is not None
        and question.length is not None
        and question.length > question.overhang
    ):
        raise Refused(
            f"A bar standing {mm_said(question.overhang)} out cannot bore "
            f"{mm_said(question.length)} deep.",
            field="overhang",
        )


def settled(
    question: PlanQuestion, machine: Machine, metal: Metal, reads_to_mm: float = USUAL_READS_TO_MM
) -> Settled:
    """Settle a cut: how deep, how much for the last cut, how far it springs, which dial.

    Args:
        reads_to_mm: What it is measured with reads to.

    Raises:
        Refused: A cut that cannot be, saying why.
    """
    low, aim, high = limits(question)
    now = 0.0 if question.job is Job.SLOT else float(question.now or 0)
    _check(question, now, float(question.wanted or 0))
    question = as_cored(question, metal)
    w = Working()
    across = 2 if question.job in (Job.OUTSIDE, Job.BORE) else 1
    skin = _speed(question, machine, metal, Stage.ROUGH)
    rough = (skin.then if skin else None) or skin
    finish = _speed(question, machine, metal, Stage.FINISH)
    depth = _depth(question, metal, rough)
    ratio = 0.0
    if rough is not None and rough.spring_mm is not None and rough.depth_mm is not None:
        w.steps += rough.spring_mm.steps
        ratio = w(spring_ratio, spring_mm=rough.spring_mm.value, depth_mm=rough.depth_mm.value)
    cautions = list(skin.cautions) if skin else []
    if skin is None and question.surface is not Surface.SOUND and question.job is Job.FACE:
        cautions.append(_skin_untold())
    most = depth * across
    if question.step is not None:
        cautions += _of_step(float(question.step), most)
        most = float(question.step)
    elif ratio * most > MOST_SPRUNG_MM:
        cautions.append(
            Caution(
                "Mind",
                "the bend",
                f"The depth is turned down so that it springs no more than "
                f"{mm_said(MOST_SPRUNG_MM)}.",
                "spring_mm",
                PRACTICE,
            )
        )
    share = _finish_share(metal, rough, finish)
    allowance = ALLOWANCE_MM[question.tool] * across / 2
    if metal.austenitic:
        allowance = max(allowance, AUSTENITIC_ALLOWANCE_MM * across / 2)
    surplus = abs(now - aim)
    cautions += of_hole(question, surplus)
    if skin is not rough and surplus < SKIN_DEPTH_MM * across:
        cautions.insert(0, _too_little(surplus, across))
    if question.allowance is not None:
        allowance = float(question.allowance)
        if allowance > surplus:
            raise Refused(
                f"An allowance of {number_said(allowance)} is more than the "
                f"{mm_said(surplus)} there is to "
                "come off.",
                field="allowance",
            )
    dial = machine.dial(*_SLIDES[question.job])
    spec = CutSpec(
        question.job,
        question.metal,
        now,
        aim,
        low,
        high,
        most,
        allowance,
        LEAST_MM[question.tool] * across / 2,
        ratio,
        share,
        dial.slide if dial else "",
        dial.travel_mm if dial else 0.0,
        dial.per_turn if dial else 1,
        dial.unit if dial else "mm",
        dial.reads if dial else "radius",
        dial.backlash / dial.division if dial else 0.0,
        machine.read_out,
        metal["expansion_um_per_m_k"],
        reads_to_mm,
        float(question.feeler or 0),
        2 if question.ends is Ends.BOTH else 1,
        question.parts or 1,
        bends=question.job is Job.OUTSIDE,
        limits_said=question.smallest is not None or question.largest is not None,
        skin_mm=0.0 if skin is rough else SKIN_DEPTH_MM * across,
        most_sprung_mm=0.0 if question.step is not None else MOST_SPRUNG_MM,
    )
    said = Said(
        _rough_says(skin, rough),
        setting_says(finish),
        rough.fed.value if rough else None,
        finish.fed.value if finish else None,
        machine.name,
        tuple((c.word, c.about, c.says, c.instead) for c in cautions),
    )
    return Settled(spec, said, w, rough)


def _speed(
    question: PlanQuestion, machine: Machine, metal: Metal, stage: Stage
) -> SpeedAnswer | None:
    size = {
        Job.OUTSIDE: question.now,
        Job.BORE: question.wanted,
        Job.FACE: question.across,
        Job.SLOT: question.across,
        Job.GROOVE: question.now,
    }[question.job]
    if size is None:
        return None
    asked = SpeedQuestion(
        question.metal,
        size,
        OPERATION[question.job],
        question.tool,
        stage,
        held=question.held,
        machine=machine.name,
    )
    if question.job is Job.BORE and question.bar is not None and question.now is not None:
        if question.bar >= question.now:
            raise Refused("The boring bar must be thinner than the hole it starts in.", field="bar")
        asked = replace(asked, bar=question.bar)
    if question.job in (Job.OUTSIDE, Job.BORE, Job.FACE):
        asked = replace(
            asked,
            surface=question.surface if stage is Stage.ROUGH else Surface.SOUND,
            meets=question.meets,
            set_up=question.set_up,
            alloy=question.alloy,
            finish=question.finish if stage is Stage.FINISH else None,
        )
    if question.job in (Job.OUTSIDE, Job.BORE):
        asked = replace(asked, overhang=question.overhang, length=question.length)
    # The work bends and whirls as thin as it will be, not as thick as it is begun with.
    thin = question.wanted if question.job is Job.OUTSIDE else None
    return speed(asked, SpeedShop(machine, metal), thin)


def _depth(question: PlanQuestion, metal: Metal, rough: SpeedAnswer | None) -> float:
    if rough is not None and rough.depth_mm is not None:
        return rough.depth_mm.value
    return by_diameter("depth", float(question.now or 20)) * chip_groups()[metal.chip].depth


def _finish_share(metal: Metal, rough: SpeedAnswer | None, finish: SpeedAnswer | None) -> float:
    """How much less a finishing feed springs: the force goes with feed to the power 1 - mc."""
    if rough is None or finish is None:
        return 1.0
    feeds = finish.fed.value / rough.fed.value
    return float(min(feeds ** (1 - metal["mc"]), 1.0))


_STEP_FAR, _STEP_FINE = 1.15, 0.4
"""A pass of one's own past these shares of Runk's is worth a word: common practice."""


def _of_step(yours_mm: float, ours_mm: float) -> list[Caution]:
    """A pass of one's own beside the one worked out: what it does, never a refusal."""
    ratio = yours_mm / ours_mm
    if ratio > _STEP_FAR:
        does = f"{ratio:.1f} times as much force, as much more spring and on the belt"
    elif ratio < _STEP_FINE:
        does = f"{ours_mm / yours_mm:.0f} times as many passes; under a skin it rubs"
    else:
        return []
    says = f"Yours take {mm_said(yours_mm, 2)}, where {mm_said(ours_mm, 2)} suits: {does}."
    return [Caution("Mind", "your passes", says, "take_mm", PRACTICE)]


def _skin_untold() -> Caution:
    says = (
        f"Get under it in the first cut of each end, {mm_said(SKIN_DEPTH_MM)} at the least, at a "
        "third of the speed below it: say how far across it is, and its belt is told."
    )
    return Caution("Mind", "the skin", says, "next", PRACTICE)


def _too_little(surplus_mm: float, across: int) -> Caution:
    return Caution(
        "Mind",
        "the skin",
        f"Only {mm_said(surplus_mm, 2)} is to come off, and the first cut wants "
        f"{mm_said(SKIN_DEPTH_MM * across)} to get under the skin: the edge rubs in it.",
        "next",
        PRACTICE,
    )


def _rough_says(skin: SpeedAnswer | None, rough: SpeedAnswer | None) -> str:
    """The roughing settings: under a skin the first pass has its own."""
    if skin is rough:
        return setting_says(rough)
    return f"under the skin {setting_says(skin)}; after it {setting_says(rough)}"


def setting_says(answer: SpeedAnswer | None) -> str:
    """The position and its speed in words; empty where no speed was worked out."""
    if answer is None:
        return ""
    if answer.position:
        return f"{answer.position}, {answer.set_rpm.words()}"
    return answer.set_rpm.words()
