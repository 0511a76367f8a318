"""Every operation: its family, its machines, what its diameter is of."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from runk.core.kinds import Choice
from runk.core.machines.machine import MachineKind
from runk.core.sources import read_table


class Operation(StrEnum):
    """What is being done to the metal."""

    TURN = "turn"
    FACE = "face"
    BORE = "bore"
    PART = "part"
    GROOVE = "groove"
    FORM = "form"
    KNURL = "knurl"
    DRILL = "drill"
    CENTRE = "centre"
    REAM = "ream"
    COUNTERSINK = "countersink"
    SPOT_FACE = "spot-face"
    END_MILL = "end-mill"
    SLOT = "slot"
    KEYWAY = "keyway"
    FLY_CUT = "fly-cut"
    SAW = "saw"
    GEAR_CUT = "gear-cut"
    POWER_TAP = "power-tap"
    SCREW_CUT = "screw-cut"
    CHAMFER = "chamfer"
    DEBURR = "deburr"
    FILE = "file"
    EMERY = "emery"


class Family(StrEnum):
    """Operations that are worked out alike."""

    TURNED = "turned"
    PLUNGED = "plunged"
    KNURLED = "knurled"
    DRILLED = "drilled"
    MILLED = "milled"
    TAPPED = "tapped"
    THREADED = "threaded"
    FILED = "filed"


@dataclass(frozen=True, slots=True)
class Facts:
    """What is known of an operation.

    ``of_work`` says the diameter is the work's (or the bore's), not the tool's; ``usual_mm`` is
    between which diameters it mostly lies in a small workshop (common practice).
    """

    family: Family
    doing: str
    machines: tuple[MachineKind, ...]
    of_work: bool
    usual_mm: tuple[float, float]


def _read() -> tuple[dict[Operation, Facts], tuple[Choice, ...]]:
    facts, choices = {}, []
    for row in read_table("operations"):
        machines = tuple(MachineKind(m) for m in row["machines"].split(";"))
        facts[Operation(row["key"])] = Facts(
            Family(row["family"]),
            row["doing"],
            machines,
            row["runs_on"] == "work",
            (float(row["usual_low_mm"]), float(row["usual_high_mm"])),
        )
        words, yields = tuple(row["words"].split(";")), tuple(row["yields_to"].split())
        choices.append(Choice(row["key"], row["label"], words, yields_to=yields))
    return facts, tuple(choices)


FACTS, CHOICES = _read()


def of_family(*families: Family) -> tuple[str, ...]:
    """Keys of the operations of these families.

    >>> of_family(Family.KNURLED)
    ('knurl',)
    """
    return tuple(key.value for key, facts in FACTS.items() if facts.family in families)


def by_machine(kind: MachineKind) -> tuple[str, ...]:
    """Keys of the operations a kind of machine can do."""
    return tuple(key.value for key, facts in FACTS.items() if kind in facts.machines)
