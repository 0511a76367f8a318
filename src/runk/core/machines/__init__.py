"""Machines as their owner knows them: positions, limits, dials."""

from runk.core.machines.choose import School, choose
from runk.core.machines.machine import (
    Dial,
    Drive,
    Holding,
    Limit,
    Machine,
    MachineKind,
    Range,
    Setting,
    SpeedStep,
)

__all__ = [
    "Dial",
    "Drive",
    "Holding",
    "Limit",
    "Machine",
    "MachineKind",
    "Range",
    "School",
    "Setting",
    "SpeedStep",
    "choose",
]
