"""What follows from a cut: how far it springs, how long it takes."""

from __future__ import annotations

from runk.core.cutting import bend, laws
from runk.core.cutting.drilled import POINT_DEG
from runk.core.cutting.operations import FACTS, Family, Operation
from runk.core.cutting.question import SpeedQuestion, Stage, Surface
from runk.core.cutting.reach import reach_mm
from runk.core.cutting.spindle import Cut
from runk.core.figures import Figure, Num, Working, law
from runk.core.machines.machine import Holding
from runk.core.metals import Metal

RADIAL_SHARE = 0.5
"""Share of the cutting force that bends the work: 0.3 to 0.6 by practice."""
STEEL_GPA = 205.0


@law("Drill and point", "{length_mm} + {point_mm}")
def with_point_mm(length_mm: Num, point_mm: Num) -> Num:
    """How far a drill travels for a hole of that full depth.

    >>> with_point_mm(10.0, 3.0)
    13.0
    """
    return length_mm + point_mm


def coolant_for(metal: Metal, question: SpeedQuestion) -> str:
    """What goes on the cut: by the metal, and for grey iron by the stage.

    >>> from fractions import Fraction
    >>> from runk.core.metals import shipped_metals
    >>> iron = shipped_metals()["grey-iron"]
    >>> coolant_for(iron, SpeedQuestion("grey-iron", Fraction(20), stage=Stage.FINISH))
    'dry, or a little oil for the finishing pass'
    """
    family = FACTS[question.operation].family
    if family is Family.FILED:
        return "dry"
    if family in (Family.DRILLED, Family.TAPPED):
        return metal.coolant_drill
    finishing = question.stage is Stage.FINISH and family is Family.TURNED
    if metal.family == "iron" and finishing and question.surface is Surface.SOUND:
        return "dry, or a little oil for the finishing pass"
    return metal.coolant


def springs(
    w: Working, question: SpeedQuestion, held: Holding, metal: Metal, cut: Cut
) -> Figure | None:
    """How far work or boring bar springs away; None where nothing stands out, or nobody can say."""
    out = reach_mm(question)
    # Facing pushes along the work; on a mandrel it is the mandrel that bends, of unknown size.
    bends = question.operation in (Operation.TURN, Operation.BORE, Operation.FORM)
    if out is None or cut.force is None or not bends or held is Holding.MANDREL:
        return None
    if question.operation is Operation.BORE:
        if question.bar is None:
            return None
        thick, modulus = float(question.bar), STEEL_GPA
    else:
        thick, modulus = float(question.diameter), metal["e_gpa"]
    shape = {
        Holding.CENTRES: bend.between_centres_mm,
        Holding.CHUCK_AND_CENTRE: bend.chuck_and_centre_mm,
    }.get(held, bend.cantilever_mm)
    if question.operation is Operation.BORE:
        shape = bend.cantilever_mm
    start = len(w.steps)
    force = w(laws.radial_n, force_n=cut.force.value, share=RADIAL_SHARE, why="0.3 to 0.6 of it")
    section = w(bend.second_moment_mm4, diameter_mm=thick)
    spring = w(shape, force_n=force, length_mm=out, e_gpa=modulus, section_mm4=section)
    return w.figure(spring, "spring_mm", since=start, places=3)


def takes_s(w: Working, question: SpeedQuestion, cut: Cut, diameter: float) -> Figure | None:
    """Seconds for one pass, a drill with its point; None where no length was said."""
    inward = question.operation in (Operation.FACE, Operation.PART)
    if question.length is None and not inward:
        return None
    if cut.per_min is None or question.operation is Operation.FORM:
        # A form tool goes in by its depth, not along the work.
        return None
    start = len(w.steps)
    along = diameter / 2 if question.length is None else float(question.length)
    if question.operation is Operation.DRILL:
        point = w(laws.point_mm, diameter_mm=diameter, angle_deg=POINT_DEG)
        along = w(with_point_mm, length_mm=along, point_mm=point)
    return w.of(
        laws.cut_s, "time_s", since=start, length_mm=along, feed_mm_per_min=cut.per_min.value
    )
