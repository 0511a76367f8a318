"""A pass in the words of the machine's own dial."""

from __future__ import annotations

from math import asin, degrees

from runk.core.machines.dials import JUDGED, divisions_say, turns_say
from runk.core.plan.spec import CutSpec, Job
from runk.core.said import mm_said, size_said, thou_said

TOP_SLIDE_DEG = degrees(asin(0.1))
"""So far from the line of the bed a top slide goes in by a tenth of what it is fed."""


def fine_line(spec: CutSpec, wound_mm: float, size_mm: float) -> str:
    """What is finer than the dial can be judged to, in one line."""
    goes_in = wound_mm / spec.across
    if spec.read_out:
        return f"to {shown_size(spec, size_mm)} on the read-out"
    if spec.job in (Job.OUTSIDE, Job.BORE):
        return (
            f"{mm_said(10 * goes_in, 2)} along the top slide set over {TOP_SLIDE_DEG:.2f}°, which "
            f"goes in {mm_said(goes_in, 3)}"
        )
    return f"{mm_said(goes_in, 3)} by an indicator against the slide"


def wind_say(spec: CutSpec, divisions: float) -> str:
    """What to wind on, whole turns first: ``2 turns and 16``."""
    return turns_say(divisions, spec.per_turn)


def feeler_divisions(spec: CutSpec) -> float:
    """Divisions from the feeler to the work, for a dial set to nought on one."""
    return spec.feeler_mm / spec.division_mm if spec.division_mm else 0.0


def dial_reads(spec: CutSpec, wound: float) -> float:
    """What the dial reads with so many divisions wound on since nought.

    A dial counts up as its slide goes in. A bore is cut winding out, and a groove opened away from
    the chuck, so there it counts down.
    """
    wound += feeler_divisions(spec) + spec.from_divisions
    if spec.job in (Job.BORE, Job.GROOVE):
        wound = -round(wound / JUDGED) * JUDGED
    return wound % spec.per_turn


def stands_say(spec: CutSpec, wound: float) -> str:
    """Where the dial stands with so many divisions wound on since nought."""
    return f"the dial at {divisions_say(dial_reads(spec, wound))}" if spec.division_mm else ""


def both(spec: CutSpec, mm: float, places: int = 2) -> str:
    """A length in millimetres, and in thou as well where the dial is an inch one."""
    return thou_said(mm, places) if spec.dial_unit == "inch" else mm_said(mm, places)


def shown_size(spec: CutSpec, size_mm: float) -> str:
    """A size as the drawing of that dial would have it."""
    return size_said(size_mm) if spec.dial_unit == "inch" else mm_said(size_mm, 3)


def dial_line(spec: CutSpec, divisions: float, size_mm: float, first: bool) -> str:
    """What to wind on for one pass, in one line."""
    if divisions == 0:
        return "nothing wound on: the same setting again"
    if spec.read_out:
        return f"to {shown_size(spec, size_mm)} on the read-out"
    if not spec.division_mm:
        return f"{mm_said(divisions * spec.division / spec.across, 2)} of travel"
    told = divisions + (feeler_divisions(spec) if first else 0.0)
    unit = "in" if spec.dial_unit == "inch" else "mm"
    value = spec.division_mm / (25.4 if unit == "in" else 1)
    value *= 2 if spec.dial_reads == "diameter" else 1
    return f"{wind_say(spec, told)} of {value:g} {unit}, which reads {spec.dial_reads}"


def what(spec: CutSpec) -> str:
    """What the size is of."""
    return {
        Job.OUTSIDE: "the diameter",
        Job.BORE: "the bore",
        Job.FACE: "the length",
        Job.SLOT: "the depth",
        Job.GROOVE: "the groove",
        Job.THREAD: "the reading over the wires",
        Job.NUT: "its effective diameter",
    }[spec.job]


def dial_says(spec: CutSpec) -> str:
    """How the dial counts in the size, in one sentence."""
    if not spec.division_mm:
        return "No dial is given for this slide: travel is shown."
    one = spec.division
    if spec.threaded:
        deeper = f"{thou_said(one / 2, 4)} deeper on the radius"
        return f"One division of the {spec.slide} goes {deeper}, from nought."
    return f"One division of the {spec.slide} makes {thou_said(one, 4)} of {what(spec)}."


def nought_of_groove(edge: str, backlash: float = 0.0) -> str:
    """Where a grooving tool's edge is set to nought, and from which side each place is come to.

    Args:
        backlash: Of the slide that carries it along, in divisions.
    """
    back = divisions_say(max(2 * backlash, 5))
    sides = (
        f" The tool goes right, left and right again: come to every place winding out, from {back} "
        "divisions short of it."
        if backlash
        else ""
    )
    return (
        f"Set the {edge} edge of the tool to nought at the left wall of the groove; ink the work, "
        "touch it, and set the cross-slide to nought. Away from the chuck the dial counts down."
        f"{sides}"
    )


def start_says(spec: CutSpec) -> str:
    """How the dial is set to nought, and from which side it is always approached."""
    if spec.job is Job.GROOVE:
        return nought_of_groove(spec.edge, spec.backlash)
    inside = spec.job in (Job.BORE, Job.NUT)
    touch = "the bore" if inside else "the work"
    nought = (
        f"Touch on a feeler of {mm_said(spec.feeler_mm)} and set the dial to nought."
        if spec.feeler_mm
        else f"Ink {touch}, touch it with the tool turning slowly, and set the dial to nought."
    )
    if spec.turned_deg:
        nought = (
            f"Ink {touch}, touch it with the tool turning slowly, and set both dials to nought: "
            "the cross-slide only draws the tool out and comes back to it."
        )
    elif spec.read_out and spec.threaded:
        nought = f"Touch {touch} and set the read-out to nought."
    elif spec.read_out and not spec.feeler_mm:
        nought = f"Touch {touch} and set the read-out to {shown_size(spec, spec.now_mm)}."
    way = "outwards" if inside else "inwards"
    if spec.backlash and not spec.read_out:
        back = divisions_say(max(2 * spec.backlash, 5))
        nought += (
            f" Always come to a mark winding {way}: past it, go back {back} divisions and come up "
            "again."
        )
    if inside and spec.division_mm and not spec.read_out and not spec.turned_deg:
        nought += " Wound outwards, the dial counts down."
    return nought
