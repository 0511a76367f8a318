"""The sweep of ``warm``: both parts from cold to their working temperatures."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from runk.core.fits import heat
from runk.core.fits.classes import between_limit_mm
from runk.core.fits.warm_answer import WarmFit
from runk.core.fits.warm_question import WarmQuestion
from runk.core.fits.warmed import WarmShop, compute
from runk.core.refusals import Refused


@dataclass(frozen=True, slots=True)
class WarmingShape:
    """Sizes from cold to their working temperatures, in equal steps."""

    hole_c: list[float]
    shaft_c: list[float]
    hole_mm: list[float]
    shaft_mm: list[float]
    clearance_mm: list[float]


STEPS = 101


def warming(question: WarmQuestion, shop: WarmShop) -> WarmingShape:
    """Both parts from 20 °C to what they work at.

    Raises:
        Refused: As the answer is.
    """
    import numpy as np

    answer = compute(question, shop)
    if not isinstance(answer, WarmFit):
        raise Refused("One part has no clearance.", field="job")
    share = np.linspace(0.0, 1.0, STEPS)
    hole_c = heat.ROOM_C + share * (answer.hole_c.value - heat.ROOM_C)
    shaft_c = heat.ROOM_C + share * (answer.shaft_c.value - heat.ROOM_C)
    size, made = answer.hole_cold_mm.value, answer.shaft_cold_mm.value
    sized: Any = heat.hot_limit_mm
    hole = sized(size, shop.hole["expansion_um_per_m_k"], hole_c)
    shaft = sized(made, shop.shaft["expansion_um_per_m_k"], shaft_c)
    return WarmingShape(
        hole_c.tolist(),
        shaft_c.tolist(),
        hole.tolist(),
        shaft.tolist(),
        between_limit_mm(hole, shaft).tolist(),
    )
