"""Whether the machines there are have room for a part: swing, length, travel of the table."""

from __future__ import annotations

from runk.core.machines.machine import Holding as Way
from runk.core.machines.machine import MachineKind
from runk.core.route.hold import Hold
from runk.core.route.operations import Operation
from runk.core.route.part import Feature, Part
from runk.core.route.placed import face_mm, points
from runk.core.route.route import Job
from runk.core.said import mm_said
from runk.core.workshop import Workshop


def most_mm(workshop: Workshop, kind: MachineKind, *sizes: str) -> float | None:
    """The most any machine of a kind has of a size; None where one of them does not say.

    Args:
        workshop: Its machines.
        kind: Of machine.
        sizes: Names of its fields: the larger of them counts.

    >>> from runk.demo.back_shed import WORKSHOP
    >>> most_mm(WORKSHOP, MachineKind.MILL, "travel_mm", "across_mm")
    280.0
    """
    here = [
        max(getattr(m, size) or 0.0 for size in sizes) for m in workshop.machines if m.kind is kind
    ]
    return max(here) if here and all(here) else None


def no_room(job: Job, hold: Hold) -> str:
    """Why a part so held does not go into any machine there is; empty where it does."""
    if hold.machine != "lathe":
        return ""
    swing = most_mm(job.workshop, MachineKind.LATHE, "swing_mm")
    turns = turns_mm(job, hold)
    if swing is not None and turns > swing:
        return f"{mm_said(turns)} does not swing in {mm_said(swing)}"
    between = most_mm(job.workshop, MachineKind.LATHE, "between_mm")
    long = job.part.stock_long or job.part.long - job.part.begin
    if hold.way is Way.CENTRES and between is not None and long > between:
        return f"{mm_said(long)} does not go between centres {mm_said(between)} apart"
    return ""


def turns_mm(job: Job, hold: Hold) -> float:
    """How far across it turns, so held."""
    return job.part.across + 2 * hold.throw


def milled_mm(part: Part, feature: Feature) -> tuple[float, float]:
    """How far along and across a cutter goes over a feature: over the whole side for a plane."""
    side = feature.side or ("right" if part.turned else "top")
    size = face_mm(part, side)
    if feature.kind in ("plane", "profile"):
        return size or (0.0, 0.0)
    spots = points(part, feature)
    if spots:
        along, across = ([one[n] for one in spots] for n in (0, 1))
        return max(along) - min(along), max(across) - min(across)
    if feature.kind in ("slot", "keyway", "flats"):
        return feature.span[1] - feature.span[0], 0.0
    return 0.0, 0.0


def too_far(job: Job, one: Operation) -> str:
    """Why no table there is goes over a feature; empty where one does, or nobody told how far."""
    if one.machine != "mill" or not one.feature:
        return ""
    # Turned on the table a long piece may lie either way.
    long = max(milled_mm(job.part, job.part.by_key[one.feature]))
    goes = most_mm(job.workshop, MachineKind.MILL, "travel_mm", "across_mm")
    if goes is not None and long > goes:
        return f"{one.feature} is {mm_said(long)} long, and the table goes {mm_said(goes)}"
    return ""
