"""Before the first drill, and after the last: the flat, the spot, the counterbore."""

from __future__ import annotations

from collections.abc import Sequence
from fractions import Fraction

from runk.core.cutting.operations import Operation
from runk.core.figures import Figure, Working
from runk.core.holes.answer import HoleStep
from runk.core.holes.heads import Head, seat_for
from runk.core.holes.laws import flat_depth_mm
from runk.core.holes.pick import exact, nearest
from runk.core.holes.steps import Maker
from runk.core.machines.machine import MachineKind
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.tools import ShopTool
from runk.core.units import unit_of

_SLOPE_MATTERS_DEG = 5.0
_SPOT_SHARE = 0.6


def flat_on(
    maker: Maker, cutters: Sequence[ShopTool], drills: Sequence[ShopTool]
) -> HoleStep | None:
    """The flat milled on a slope before anything is drilled; None where none is wanted.

    Raises:
        Refused: A slope, and no cutter to make a flat on it; a flat deeper than the hole.
    """
    first, last = drills[0], drills[-1]
    slope = maker.question.slope
    if slope is not None and slope > _SLOPE_MATTERS_DEG and maker.question.there is None:
        # A flat for the whole hole where there is such a cutter, else for its first drill.
        wide = [c for c in cutters if c.mm >= last.mm]
        cutter = next(iter(wide or [c for c in cutters if c.mm >= first.mm]), None)
        if cutter is None:
            raise Refused(
                "A hole on a slope wants a flat milled for it first, and no end mill that can be "
                f"used is as large as {first.name}.",
                field="slope",
            )
        depth = maker.w.of(
            flat_depth_mm,
            "depth_mm",
            cutter_mm=cutter.mm,
            slope_deg=slope,
            why="from where its centre touches",
        )
        if maker.question.deep is not None and depth.value >= maker.question.deep:
            raise Refused(
                f"The flat a {cutter.name} cutter makes on that slope is {mm_said(depth.value, 2)} "
                "deep on the axis, as deep as the hole itself.",
                field="slope",
            )
        return maker.step(
            "flat",
            f"{cutter.name} {cutter.kind}",
            cutter.size_mm,
            _milling(maker),
            depth,
            "A flat square to the hole, or the drill runs down the slope.",
        )
    return None


def spot_for(maker: Maker, centres: Sequence[ShopTool], first: ShopTool) -> HoleStep:
    """The spot its first drill starts in."""
    spot = first.mm * _SPOT_SHARE
    centre = nearest(centres, spot)
    if centre is not None and centre.mm <= first.mm * 2:
        name, size = f"{centre.name} centre drill", centre.size_mm
        says = "Until its cone is nearly as wide as the first drill."
    else:
        name, size = f"{first.name} drill, held short", first.size_mm
        says = "No centre drill fits: a short start with the drill itself."
    return maker.step("spot", name, size, Operation.CENTRE, None, says)


def _milling(maker: Maker) -> Operation:
    on_mill = maker.machine.kind is MachineKind.MILL
    return Operation.END_MILL if on_mill else Operation.SPOT_FACE


def seat_step(maker: Maker, cutters: Sequence[ShopTool]) -> HoleStep:
    """The counterbore, with the end mill that is owned for it."""
    question = maker.question
    assert question.counterbore is not None
    wanted = float(question.counterbore)
    depth = None if question.seat is None else Figure(float(question.seat), unit_of("depth_mm"))
    if question.head is Head.COUNTERSUNK and question.screw is not None:
        angle = seat_for(Working(), question.screw, question.head, float(question.size)).angle_deg
        return maker.step(
            "countersink",
            f"{angle:g}° countersink",
            Fraction(question.counterbore),
            Operation.COUNTERSINK,
            depth,
            f"Until the mouth measures {mm_said(wanted, 2)}: try it with the screw.",
        )
    cutter = exact(cutters, wanted)
    if cutter is not None:
        name, says = f"{cutter.name} {cutter.kind}", "Stop at the depth of the seat."
    else:
        near = next((c for c in cutters if c.mm > wanted), None)
        other = f" The next larger is {near.name}." if near else ""
        name = f"{mm_said(wanted)} counterbore"
        says = f"No end mill of that size: a piloted counterbore, or bore it.{other}"
    size = Fraction(question.counterbore)
    return maker.step("counterbore", name, size, Operation.SPOT_FACE, depth, says)
