"""Past its size: by how much, and the ways out with their sizes."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.plan.spec import CutSpec, Job
from runk.core.said import mm_said
from runk.core.shown import Show

COMPOUND_FILLS_MM = 0.15
"""Gap on the diameter a retaining compound fills: common practice."""
LEAST_WALL_MM = 1.0


@dataclass(frozen=True, slots=True, kw_only=True)
class WayOut:
    """A way out of too much metal gone, with the size it makes."""

    way: Annotated[str, Show("Way out")]
    says: Annotated[str, Show("What to do")]
    size_mm: float | None


def ways_out(spec: CutSpec, size_mm: float) -> tuple[WayOut, ...]:
    """Ways out for a size past its limits, the least work first.

    Args:
        spec: The cut.
        size_mm: What it measures, past the limit.

    Returns:
        Sizes are of whatever the way makes: the mate, the sleeve's seat, the shim.
    """
    over = abs(spec.left(size_mm))
    if spec.threaded:
        return _of_thread(spec)
    if spec.job is Job.OUTSIDE:
        wall = max(LEAST_WALL_MM, spec.aim_mm / 10)
        found = [
            WayOut(
                way="the mate",
                says=f"Bush or make its mate {mm_said(over, 3)} smaller than drawn: the fit "
                "stays as it was.",
                size_mm=None,
            ),
            WayOut(
                way="a sleeve",
                says=f"Turn it to {mm_said(spec.aim_mm - 2 * wall, 2)} and bond or press a "
                f"sleeve on, turned to size afterwards: {mm_said(wall, 1)} of wall.",
                size_mm=spec.aim_mm - 2 * wall,
            ),
        ]
    elif spec.job is Job.BORE:
        wall = max(LEAST_WALL_MM, spec.aim_mm / 10)
        found = [
            WayOut(
                way="an oversize mate",
                says=f"Make what runs in it {mm_said(over, 3)} larger than drawn: "
                "the fit stays as it was.",
                size_mm=None,
            ),
            WayOut(
                way="a sleeve",
                says=f"Bore it to {mm_said(spec.aim_mm + 2 * wall, 2)} and fit a sleeve, "
                f"bored to size in place: {mm_said(wall, 1)} of wall.",
                size_mm=spec.aim_mm + 2 * wall,
            ),
        ]
    elif spec.job is Job.GROOVE:
        return (
            WayOut(
                way="a wider ring",
                says=f"Make what sits in it {mm_said(over, 3)} wider than drawn: the "
                "clearance at its sides stays as it was.",
                size_mm=None,
            ),
            WayOut(
                way="the next width",
                says="Open this groove and its neighbours to the next width of "
                "ring there is, so that all are alike.",
                size_mm=None,
            ),
        )
    else:
        short = spec.job is Job.FACE
        return (
            WayOut(
                way="a shim",
                says=f"A shim or washer of {mm_said(over, 3)} makes up for it.",
                size_mm=over,
            ),
            WayOut(
                way="a new register",
                says=f"Take {mm_said(over, 3)} off its neighbour instead"
                f"{', and carry the change to what measures from this face' if short else ''}.",
                size_mm=over,
            ),
        )
    if over <= COMPOUND_FILLS_MM:
        found.insert(
            1,
            WayOut(
                way="retaining compound",
                says=f"Where it never has to come apart: the compound fills "
                f"{mm_said(over, 3)}. Clean both, and let it set before any cut.",
                size_mm=None,
            ),
        )
    return tuple(found)


def _of_thread(spec: CutSpec) -> tuple[WayOut, ...]:
    mate = "screw" if spec.job is Job.NUT else "nut"
    return (
        WayOut(
            way="its mate",
            says=f"Cut the {mate} to it, tried as it is cut; mark the two as a pair.",
            size_mm=None,
        ),
        WayOut(
            way="the next thread",
            says="Turn the crests away and cut the next size down, and its mate to that."
            if spec.job is Job.THREAD
            else "Bore it to the core of the next size up, and cut that.",
            size_mm=None,
        ),
    )
