"""``plan``: from the size now to the size wanted, pass by pass."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from fractions import Fraction

from runk.core.calculator import Calculator, Door
from runk.core.cutting.operations import FACTS, Operation
from runk.core.cutting.tray import of_collet
from runk.core.lengths import Reading
from runk.core.machines.machine import Holding, Machine
from runk.core.metals.metal import Metal
from runk.core.plan.answer import PlanAnswer
from runk.core.plan.follow import begin
from runk.core.plan.groove import groove
from runk.core.plan.groove_cut import settled_groove
from runk.core.plan.passes import MOST_PASSES
from runk.core.plan.question import JOBS, SENTENCES, PlanQuestion
from runk.core.plan.settle import OPERATION, USUAL_READS_TO_MM, Settled, settled
from runk.core.plan.spec import Job
from runk.core.plan.view import view
from runk.core.refusals import Refused
from runk.core.threads.die import BLANK_SHARE, STAINLESS_SHARE
from runk.core.tools import ShopTool, ToolKind, usable
from runk.core.tools.measures import finest
from runk.core.units import PageUnit
from runk.core.workshop import Workshop


@dataclass(frozen=True, slots=True)
class PlanShop:
    """The machine, the metal, and what the finest measuring tool that reaches reads to."""

    machine: Machine
    metal: Metal
    reads_to_mm: float = USUAL_READS_TO_MM
    collets: tuple[ShopTool, ...] = ()


def needs(question: PlanQuestion, workshop: Workshop) -> PlanShop:
    """Pick the machine and the metal.

    Raises:
        Refused: A machine that is not there, or cannot do this.
    """
    facts = FACTS[OPERATION[question.job]]
    machine = workshop.machine(question.machine, facts.machines)
    if machine.kind not in facts.machines:
        raise Refused(
            f"{facts.doing} wants a {' or a '.join(facts.machines)}; {machine.name} is a "
            f"{machine.kind}.",
            field="machine",
        )
    collets = usable(workshop.tools, ToolKind.COLLET)
    metal = workshop.metals[question.metal]
    return PlanShop(machine, metal, _reads_to(question, workshop), collets)


def _reads_to(question: PlanQuestion, workshop: Workshop) -> float:
    """What the finest owned tool that measures so much reads to; a micrometer's, with none."""
    if question.reads_to is not None:
        return float(question.reads_to)
    size = max((s for s in (question.now, question.wanted) if s is not None), default=Fraction(0))
    what = {Job.BORE: "inside", Job.GROOVE: "inside", Job.SLOT: "depth"}
    found = finest(workshop.measures, what.get(question.job, "outside"), float(size))
    return found or USUAL_READS_TO_MM


def settle(
    question: PlanQuestion, workshop: Workshop, readings: Mapping[str, Reading]
) -> PlanQuestion:
    """Name the usual machine where it was left open, and work limits out into two sizes.

    A thread's blank is turned to what its die wants in that metal.

    Raises:
        Refused: Limits said twice, or a tolerance class.
    """
    if question.limits is not None and question.wanted is not None:
        if question.smallest is not None or question.largest is not None:
            raise Refused("The limits are said twice.", field="limits", suggest="leave one out")
        try:
            low, high = question.limits.of(question.wanted)
        except Refused as refused:
            raise refused.on("limits") from None
        if high <= 0:
            raise Refused("No size lies within those limits.", field="limits")
        question = replace(question, smallest=low, largest=high, limits=None)
    blank = readings.get("wanted")
    stainless = workshop.metals[question.metal].family == "stainless"
    if stainless and question.wanted and blank is not None and blank.spoken.endswith(" blank"):
        less = float(blank.pitch_mm or 0) * (STAINLESS_SHARE - BLANK_SHARE)
        question = replace(question, wanted=question.wanted - Fraction(str(round(less, 4))))
    return replace(question, machine=needs(question, workshop).machine.name)


def to_follow(question: PlanQuestion, shop: PlanShop) -> Settled:
    """A cut settled, so that its readings can be followed.

    Raises:
        Refused: A cut that cannot be, saying why.
    """
    how = settled_groove if question.job is Job.GROOVE else settled
    cut = how(question, shop.machine, shop.metal, shop.reads_to_mm)
    if abs(cut.spec.now_mm - cut.spec.aim_mm) > MOST_PASSES * cut.spec.rough_mm:
        raise _too_many(question)
    return cut


def plan(question: PlanQuestion, shop: PlanShop) -> PlanAnswer:
    """The whole cut before anything has been measured.

    Args:
        question: From where to where, with what.
        shop: The machine and the metal.

    Returns:
        Every pass, what to wind on for it, and what it should leave.

    Raises:
        Refused: A cut that cannot be, saying why.

    >>> from fractions import Fraction
    >>> from runk.demo.back_shed import WORKSHOP
    >>> asked = PlanQuestion(now=Fraction(16), wanted=Fraction("14.5"))
    >>> answer = plan(asked, needs(asked, WORKSHOP))
    >>> answer.state, [str(one.kind) for one in answer.passes]
    ('cut', ['rough', 'rough', 'measure', 'last'])
    """
    if question.job is Job.GROOVE:
        return groove(question, shop.machine, shop.metal)
    cut = to_follow(question, shop)
    answer = view(cut.spec, cut.said, begin(cut.spec), cut.working.steps)
    if len(answer.passes) >= MOST_PASSES:
        raise _too_many(question)
    if question.held is not Holding.COLLET or question.job is not Job.OUTSIDE:
        return answer
    none = of_collet(Operation.TURN, question.held, float(question.now or 0), shop.collets)
    return replace(answer, cautions=(*none, *answer.cautions))


def _too_many(question: PlanQuestion) -> Refused:
    field = "step" if question.step is not None else "wanted"
    return Refused(
        f"That takes more than {MOST_PASSES} passes: saw or part the most of it off first, or "
        "take more at a pass.",
        field=field,
    )


def headline(answer: PlanAnswer, page: PageUnit) -> str:
    """The next thing, and how many passes there are."""
    if not answer.passes:
        return answer.next_says
    count = len(answer.passes)
    passes = f"{count} pass{'es' if count > 1 else ''}"
    return f"{answer.next_says} · {passes} to {answer.aim_mm.words(page)}"


PLAN = Calculator(
    name="plan",
    title="To size: what to wind on, pass by pass",
    door=Door("/to-size", "To size", "Plan a cut"),
    opening={
        "job": "outside",
        "metal": "silver-steel",
        "now": "8 mm",
        "wanted": "7 mm",
        "smallest": "6.98 mm",
        "largest": "7 mm",
        "overhang": "30 mm",
        "held": "three-jaw",
    },
    question=PlanQuestion,
    answers=(PlanAnswer,),
    compute=plan,
    needs=needs,
    settle=settle,
    sentences={choice.key: SENTENCES[choice.key] for choice in JOBS},
    calls=(
        "plan",
        "mill a slot or pocket",
        "cut a groove",
        "# wide # deep",
        "# wide and # deep",
        "# deep # wide",
        "face to length",
        "cut plan",
        "from #",
        "to #",
        "# to #",
        "# down to #",
        "# from #",
        "to size",
        "down to #",
        "bring to",
        "bring to size",
        "turn to size",
        "bore to size",
        "take # to #",
        "open # to #",
    ),
    headline=headline,
    follow=to_follow,
)
