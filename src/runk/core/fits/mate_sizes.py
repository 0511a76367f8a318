"""The sizes of a mate: limits of the other part, what is left on it, the shape of what is there."""

from __future__ import annotations

from dataclasses import dataclass, replace

from runk.core.figures import Figure, Working
from runk.core.fits import heat
from runk.core.fits.classes import between_limit_mm, bounds_of
from runk.core.fits.iso import limits_um, read_class
from runk.core.fits.mate_question import Make, MateQuestion
from runk.core.fits.measured import Measured, oval_limit_mm, taper_limit_mm
from runk.core.fits.question import band_of, duties
from runk.core.machines.dials import JUDGED, judged_divisions, turns_say
from runk.core.machines.machine import Machine
from runk.core.metals.metal import Metal
from runk.core.plan.say import TOP_SLIDE_DEG
from runk.core.plan.settle import SAFE_SHARE
from runk.core.units import unit_of


@dataclass(frozen=True, slots=True)
class MateShop:
    """The lathe, both metals, and what the other can be measured to."""

    machine: Machine
    hole: Metal
    shaft: Metal
    reads_mm: float | None


def clearances(question: MateQuestion, size: float) -> tuple[float, float] | None:
    """Least and most clearance wanted; None where nobody says what it is for."""
    if question.duty is not None:
        return bounds_of(duties()[question.duty], size)
    if question.hole is not None or question.shaft is not None:
        # One class alone goes with the usual one of the other side, as a fit takes it.
        hole = limits_um(question.hole or read_class("H7", hole=True), size)
        shaft = limits_um(question.shaft or read_class("h6", hole=False), size)
        return (hole[0] - shaft[1]) / 1000, (hole[1] - shaft[0]) / 1000
    band = band_of(question.free, question.most)
    return (float(band[0]), float(band[1])) if band else None


def limits_of(
    w: Working, there: Measured, shaft_made: bool, wanted: tuple[float, float]
) -> tuple[Figure, Figure]:
    """Smallest and largest of the other: every place of what is there keeps to the clearance.

    Where its own taper eats all of that, the place that governs alone is kept to.
    """
    least, most = wanted
    small, large = there.smallest[1], there.largest[1]
    if shaft_made:
        tightest, loosest = small, large if large - most < small - least else small
        low = w.of(heat.shaft_free_limit_mm, "low_mm", hole_mm=loosest, free_mm=most)
        high = w.of(heat.shaft_free_limit_mm, "high_mm", hole_mm=tightest, free_mm=least)
    else:
        tightest, loosest = large, small if small + most > large + least else large
        low = w.of(heat.hole_free_limit_mm, "low_mm", shaft_mm=tightest, free_mm=least)
        high = w.of(heat.hole_free_limit_mm, "high_mm", shaft_mm=loosest, free_mm=most)
    return replace(low, places=3), replace(high, places=3)


def aim_of(low: Figure, high: Figure, shaft_made: bool) -> Figure:
    """A third of the way in from the side where metal is left: as a plan aims."""
    safe, other = (high.value, low.value) if shaft_made else (low.value, high.value)
    steps = (*low.steps, *high.steps)
    return Figure(safe + (other - safe) * SAFE_SHARE, unit_of("aim_mm"), steps, 3)


def wound(
    machine: Machine, left: float, spare: float, forced: bool = False
) -> tuple[Figure | None, str]:
    """Divisions for what is left; over it only where what that takes too much is to spare.

    Args:
        machine: The lathe.
        left: To come off, on the diameter.
        spare: What more may come off.
        forced: Whether the two go together tight, so that nothing is lapped in.
    """
    dial = machine.dial("cross-slide")
    if dial is None or left <= 0:
        return None, ""
    divisions = judged_divisions(dial, left / 2)
    if 2 * divisions * dial.travel_mm - left > spare:
        divisions -= JUDGED
    if divisions < JUDGED:
        how = f"the top slide set over {TOP_SLIDE_DEG:.2f}°" if forced else "lap it in"
        return Figure(0.0, unit_of("divisions")), f"under a quarter of a division: {how}"
    wound = turns_say(divisions, dial.per_turn)
    if divisions < 1:
        unit = " of a division"
    elif wound.endswith(("turn", "turns")):
        unit = ""
    else:
        unit = " division" if divisions == 1 else " divisions"
    return Figure(divisions, unit_of("divisions"), (), 2), f"{wound}{unit} in all, by passes"


def shape(w: Working, there: Measured) -> tuple[Figure | None, Figure | None]:
    """Taper and ovality of what is there, where enough was read to tell."""
    taper = oval = None
    if len(there.stations) > 1:
        means = there.means
        taper = w.of(taper_limit_mm, "taper_mm", largest_mm=max(means), smallest_mm=min(means))
        taper = replace(taper, places=3)
    several = [sizes for _, sizes in there.stations if len(sizes) > 1]
    if several:
        worst = max(several, key=lambda sizes: max(sizes) - min(sizes))
        oval = w.of(oval_limit_mm, "oval_mm", largest_mm=max(worst), smallest_mm=min(worst))
        oval = replace(oval, places=3)
    return taper, oval


def now(
    w: Working, question: MateQuestion, shop: MateShop, there: Measured, made: Measured
) -> tuple[Figure | None, Figure | None, Figure | None]:
    """Clearance at the tightest and at the loosest pair of places, and the tightest hot."""
    if not made.stations:
        return None, None, None
    hole, shaft = (there, made) if question.make is Make.SHAFT else (made, there)
    tight = w.of(
        between_limit_mm, "clearance_low_mm", hole_mm=hole.smallest[1], shaft_mm=shaft.largest[1]
    )
    loose = w.of(
        between_limit_mm, "clearance_high_mm", hole_mm=hole.largest[1], shaft_mm=shaft.smallest[1]
    )
    hot = None
    if question.hole_hot is not None or question.shaft_hot is not None:
        since = len(w.steps)
        sizes = []
        for size, metal, hot_c, field in (
            (hole.smallest[1], shop.hole, question.hole_hot, "hole_hot"),
            (shaft.largest[1], shop.shaft, question.shaft_hot, "shaft_hot"),
        ):
            at = heat.ROOM_C if hot_c is None else hot_c
            heat.below_melting(metal, at, field)
            heat.growth_known(at, field)
            expands = metal["expansion_um_per_m_k"]
            sizes.append(
                w(
                    heat.hot_limit_mm,
                    size_mm=size,
                    expansion_um_per_m_k=expands,
                    hot_c=at,
                    source=metal.source("expansion_um_per_m_k"),
                    why=metal.name,
                )
            )
        hot = w.of(
            between_limit_mm, "clearance_hot_mm", since=since, hole_mm=sizes[0], shaft_mm=sizes[1]
        )
        hot = replace(hot, places=3)
    return replace(tight, places=3), replace(loose, places=3), hot
