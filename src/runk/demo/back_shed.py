"""Back Shed: an invented workshop, used wherever an example is needed."""

from __future__ import annotations

from runk.core.machines.machine import Dial, Holding, Limit, Machine, MachineKind, SpeedStep
from runk.core.workshop import Workshop
from runk.demo.trays import TOOLS

_PULLEYS = ((43.0, 97.0), (60.5, 79.5), (79.5, 60.5), (97.0, 43.0))
_DIRECT = (290.0, 500.0, 860.0, 1480.0)
_BACK_GEAR = (48.0, 83.0, 142.0, 245.0)
_MILL = (
    (180.0, 30.1, 109.9),
    (310.0, 44.9, 95.1),
    (520.0, 61.8, 78.2),
    (880.0, 80.1, 59.9),
    (1450.0, 96.3, 43.7),
    (2400.0, 109.9, 30.1),
)

LATHE = Machine(
    key="lathe",
    name="Lathe",
    kind=MachineKind.LATHE,
    power_w=370.0,
    steps=tuple(
        SpeedStep(str(n), gear, rpm, *pulleys)
        for gear, speeds in (("direct", _DIRECT), ("back gear", _BACK_GEAR))
        for n, (rpm, pulleys) in enumerate(zip(speeds, _PULLEYS, strict=True), 1)
    ),
    driver_rpm=655.0,
    back_gear_ratio=6.04,
    swing_mm=180.0,
    between_mm=500.0,
    spindle_bore_mm=16.0,
    leadscrew_mm=3.175,
    wheels="20 20 25 30 35 38 40 45 50 55 60 63 65 70 75",
    wheel_module=1.0,
    limits=(
        Limit(Holding.FACEPLATE, 600.0),
        Limit(Holding.FOUR_JAW, 1000.0),
        Limit(Holding.THREE_JAW, 2000.0),
    ),
    dials=(
        Dial("cross-slide", "inch", 0.001, 100, "radius", 0.004),
        Dial("top-slide", "inch", 0.001, 100, "radius", 0.003),
        Dial("tailstock", "inch", 0.001, 100, "radius", 0.005),
    ),
)

MILL = Machine(
    key="mill",
    name="Mill",
    kind=MachineKind.MILL,
    power_w=550.0,
    steps=tuple(SpeedStep(str(n), "", *row) for n, row in enumerate(_MILL, 1)),
    driver_rpm=657.0,
    between_mm=400.0,
    travel_mm=280.0,
    across_mm=140.0,
    dials=(
        Dial("table", "mm", 0.02, 125, "radius", 0.06),
        Dial("saddle", "mm", 0.02, 125, "radius", 0.06),
        Dial("head", "mm", 0.02, 100, "radius", 0.08),
    ),
    read_out=True,
)

MACHINES = (LATHE, MILL)

WORKSHOP = Workshop(MACHINES, tools=TOOLS)
