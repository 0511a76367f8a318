"""Boring from a hole that is there: drilled ones wander, cored ones are out of place."""

from __future__ import annotations

from dataclasses import replace

from runk.core.cutting.question import Surface
from runk.core.figures import Caution
from runk.core.metals.metal import Metal
from runk.core.plan.question import Hole, PlanQuestion
from runk.core.said import mm_said
from runk.core.sources import PRACTICE

TRUES_MM = {Hole.DRILLED: 0.5, Hole.CORED: 3.0}
"""On the diameter, less than this may leave a low side of such a hole: common practice."""


def as_cored(question: PlanQuestion, metal: Metal) -> PlanQuestion:
    """A cored hole has the casting's skin all the way through.

    >>> from runk.core.metals import shipped_metals
    >>> asked = PlanQuestion(hole=Hole.CORED)
    >>> as_cored(asked, shipped_metals()["grey-iron"]).surface.value
    'skin'
    """
    if question.hole is Hole.CORED and metal.cast:
        return replace(question, surface=Surface.SKIN)
    return question


def of_hole(question: PlanQuestion, surplus_mm: float) -> list[Caution]:
    """What a drilled or cored hole asks of the first cuts.

    Args:
        question: The bore.
        surplus_mm: What is to come off the diameter altogether.
    """
    if question.hole is Hole.BORED:
        return []
    cored = question.hole is Hole.CORED
    least = TRUES_MM[question.hole]
    if cored:
        says = (
            "The core may have moved: set the casting true by its outside and by the core both, "
            "read the wall all round, and take the first cut on the high side."
        )
    else:
        says = (
            "It runs out and is wider at its mouth: read it crosswise and deep inside, take the "
            "smallest as the size now, and cut until it is bright all round before measuring."
        )
    found = [Caution("Mind", "the hole there", says, None, PRACTICE)]
    if surplus_mm < least:
        found.append(
            Caution(
                "Mind",
                "cleaning up",
                f"Only {mm_said(surplus_mm, 2)} is to come off; a {question.hole} hole wants about "
                f"{mm_said(least)} to come bright all round. Look whether this one does first.",
                "left_mm",
                PRACTICE,
            )
        )
    return found
