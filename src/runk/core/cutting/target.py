"""The surface speed a cut wants, before any machine is asked for it."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.cutting import laws
from runk.core.cutting.hardness import harder_share
from runk.core.cutting.question import Alloy, Meets, SetUp, SpeedQuestion, Stage, Surface, Tool
from runk.core.cutting.skin import skinned
from runk.core.cutting.tables import factors
from runk.core.figures import Working
from runk.core.machines.machine import Machine
from runk.core.metals import Metal
from runk.core.tools import ShopTool


@dataclass(frozen=True, slots=True)
class SpeedShop:
    """What ``speed`` needs of the workshop: one machine, one metal."""

    machine: Machine
    metal: Metal
    others: tuple[Machine, ...] = ()
    """The rest of the workshop's machines that do this work."""
    tray: tuple[ShopTool, ...] = ()
    """What the trays hold of the tool it is done with."""


def target_speed(
    w: Working, question: SpeedQuestion, metal: Metal, base: str = ""
) -> tuple[float, Metal]:
    """Surface speed this cut wants, each factor a step of its own.

    Returns:
        Metres a minute, and the metal as met (its skin, where it has one).
    """
    table = factors()
    skin = question.surface is Surface.SKIN
    met = metal.skin if skin and metal.skin is not None else metal
    row = "carbide_m_min" if question.tool is Tool.CARBIDE else "hss_m_min"
    speed = met[row]
    chosen: list[str] = [question.operation]
    finishing = question.stage is Stage.FINISH and question.surface is Surface.SOUND
    for applies, key in (
        (skin and metal.skin is None and metal.cast, "skin"),
        (question.surface is Surface.SCALE and skinned(question.surface, metal), "scale"),
        (question.tool is Tool.COBALT, "cobalt"),
        (finishing and question.set_up is SetUp.STIFF, "stiff-finish"),
        (question.set_up is SetUp.LONG, "long"),
        (question.meets is Meets.INTERRUPTED, "interrupted"),
        (question.alloy is Alloy.UNKNOWN, "unknown"),
    ):
        if applies:
            chosen.append(key)
    for key in chosen:
        factor = table[key]
        first = key == question.operation
        speed = w(
            laws.wanted_m_min,
            base_m_min=speed,
            factor=factor.value,
            why=factor.why,
            source=met.source(row) if first else factor.source,
        )
    harder = harder_share(w, question, met)
    if harder < 1:
        speed = w(laws.wanted_m_min, base_m_min=speed, factor=harder, why="harder than it is sold")
    return speed, met
