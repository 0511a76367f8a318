"""Torque of tapping, as a range, against what breaks the tap."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.cutting import tapping
from runk.core.cutting.laws import specific_n_per_mm2
from runk.core.figures import Figure, Num, Working, law
from runk.core.metals.metal import Metal
from runk.core.threads.series import Thread

CORE_SHARE = 0.5
SHEAR_N_PER_MM2 = 1500.0
"""Of hard high-speed steel: about what tapping chucks are set by, M3 1.0, M6 8, M10 37 N·m."""


@dataclass(frozen=True, slots=True)
class TapTorque:
    """Torque as usual, its range, where it breaks, and how near that is as usual."""

    usual: Figure
    low: Figure
    high: Figure
    breaks: Figure
    near: Figure
    back_off: str


@law("How near to breaking", "{torque_nm} ÷ {break_nm} × 100")
def near_percent(torque_nm: Num, break_nm: Num) -> Num:
    """Torque as a share of what breaks the tap.

    >>> near_percent(0.5, 1.0)
    50.0
    """
    return 100.0 * torque_nm / break_nm


def torque_of(
    w: Working, thread: Thread, metal: Metal, drill_mm: float, lead_threads: float
) -> TapTorque:
    """What a tap wants in that hole, and what breaks it.

    Args:
        lead_threads: Of the tap that cuts most, the taper.
    """
    form, pitch = thread.form, thread.pitch_mm
    start = len(w.steps)
    deep = (thread.major_mm - drill_mm) / 2
    area = w(
        tapping.groove_mm2, crest_mm=form.crest * pitch, deep_mm=deep, angle_deg=form.angle_deg
    )
    flutes = tapping.flutes_of(thread.major_mm)
    chip = w(tapping.tooth_chip_mm, deep_mm=deep, lead_threads=lead_threads, flutes=flutes)
    specific = w(
        specific_n_per_mm2,
        kc11_n_per_mm2=metal["kc11_n_per_mm2"],
        mc=metal["mc"],
        chip_mm=chip,
        edge=1.0,
        source=metal.source("kc11_n_per_mm2"),
        why="at the chip of one tooth",
    )

    def torque(friction: float, key: str) -> Figure:
        return w.of(
            tapping.tap_nm,
            key,
            since=start if key == "torque_nm" else None,
            area_mm2=area,
            specific_n_per_mm2=specific,
            major_mm=thread.major_mm,
            friction=friction,
        )

    usual = torque(tapping.FRICTION_USUAL, "torque_nm")
    low = torque(tapping.FRICTION_LOW, "torque_low_nm")
    high = torque(tapping.FRICTION_HIGH, "torque_high_nm")
    breaks = w.of(
        tapping.break_nm,
        "break_torque_nm",
        major_mm=thread.major_mm,
        core_share=CORE_SHARE,
        shear_n_per_mm2=SHEAR_N_PER_MM2,
    )
    near = w.of(near_percent, torque_nm=usual.value, break_nm=breaks.value)
    gummy = metal.family == "stainless" or metal.kind == "copper"
    back_off = (
        "Back off every half turn, and come right out to clear every two or three."
        if gummy
        else "Half to one turn on, half a turn back, all the way."
    )
    return TapTorque(usual, low, high, breaks, near, back_off)
