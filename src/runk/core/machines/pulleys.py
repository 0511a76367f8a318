"""A machine's own pulleys: what the belt picture is drawn from, and whether it is true."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.figures import Num, law
from runk.core.machines.machine import Machine, SpeedStep


@law("Speed through the pulleys", "{driver_rpm} × {driver_mm} ÷ {driven_mm} ÷ {reduction}")
def pulley_rpm(driver_rpm: Num, driver_mm: Num, driven_mm: Num, reduction: Num) -> Num:
    """Spindle speed through a belt and a reduction.

    Args:
        driver_rpm: Speed of the driving pulley's shaft, rev/min.
        driver_mm: Its pulley's diameter.
        driven_mm: The other pulley's diameter.
        reduction: Of the back gear; 1 in direct drive.

    Returns:
        Revolutions a minute, belt slip left out.

    Source: mechanics, equal belt speed on both pulleys.

    >>> round(pulley_rpm(655.0, 43.0, 97.0, 1.0), 1)
    290.4
    """
    return driver_rpm * driver_mm / driven_mm / reduction


@dataclass(frozen=True, slots=True)
class PulleyPair:
    """One step of the two cones, for the picture."""

    position: str
    driver_mm: float
    driven_mm: float


def in_back_gear(step: SpeedStep) -> bool:
    """Whether this position goes through the back gear."""
    return "back" in step.gear.lower()


def pulley_pairs(machine: Machine) -> tuple[PulleyPair, ...]:
    """The steps of the cones in order of position, each once; empty if none are given."""
    pairs: dict[str, PulleyPair] = {}
    for step in machine.steps:
        if step.driver_mm is not None and step.driven_mm is not None:
            pair = PulleyPair(step.position, step.driver_mm, step.driven_mm)
            pairs.setdefault(step.position, pair)
    return tuple(pairs[p] for p in sorted(pairs, key=lambda p: pairs[p].driver_mm))


def plate_disagrees(machine: Machine, tolerance: float = 0.05) -> tuple[str, ...]:
    """Positions whose pulleys do not give the speed on the plate.

    Args:
        machine: With ``driver_rpm`` and pulleys; positions without them are passed over.
        tolerance: Largest share by which they may differ.

    Returns:
        A sentence for each.
    """
    if machine.driver_rpm is None:
        return ()
    found = []
    for step in machine.steps:
        if step.driver_mm is None or step.driven_mm is None:
            continue
        back = in_back_gear(step)
        if back and machine.back_gear_ratio is None:
            continue
        reduction = (machine.back_gear_ratio or 1.0) if back else 1.0
        rpm = pulley_rpm(machine.driver_rpm, step.driver_mm, step.driven_mm, reduction)
        if abs(rpm / step.rpm - 1) > tolerance:
            found.append(
                f"Position {step.position} {step.gear}: the pulleys give {rpm:.0f} rev/min, "
                f"the plate says {step.rpm:g}."
            )
    return tuple(found)
