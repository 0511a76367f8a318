"""Steel harder than it is sold: how much slower it is cut, and when it is not cut at all."""

from __future__ import annotations

from functools import cache

from runk.core.cutting.question import SpeedQuestion, Tool
from runk.core.figures import Caution, Working, law, stop
from runk.core.metals import Metal
from runk.core.refusals import Refused
from runk.core.sources import PRACTICE, Held, Source, read_table

CONVERSION = Source("iso-18265", Held.RECALLED)
_SLOWS = 1.6
"""Power of the strength by which speed falls: fitted to handbook speeds of alloy steel, which
halve from about 300 to 400 Brinell. Common practice."""
HARDEST_HRC = {Tool.HSS: 45.0, Tool.COBALT: 48.0, Tool.CARBIDE: 58.0}
"""Harder than this an edge of that sort does not cut steel: common practice."""


@cache
def _table() -> tuple[tuple[float, float], ...]:
    return tuple(
        (float(row["hrc"]), float(row["rm_n_per_mm2"])) for row in read_table("steel_strength")
    )


@law("Strength at that hardness", "by the table at {hrc} HRC", CONVERSION)
def strength_n_per_mm2(hrc: float) -> float:
    """Tensile strength of steel of a hardness, between the rows in proportion.

    Args:
        hrc: Rockwell C; under the first row the first row's strength, over the last the last's.

    Source: ISO 18265 table A.1, recalled.

    >>> round(strength_n_per_mm2(38.0))
    1197
    """
    table = _table()
    below = [row for row in table if row[0] <= hrc]
    above = [row for row in table if row[0] > hrc]
    if not below or not above:
        return (below or above[:1])[-1][1]
    (low, weak), (high, strong) = below[-1], above[0]
    return weak + (strong - weak) * (hrc - low) / (high - low)


@law("Slower for its hardness", "({as_sold_n_per_mm2} ÷ {hard_n_per_mm2})^{power}", PRACTICE)
def slower_ratio(as_sold_n_per_mm2: float, hard_n_per_mm2: float, power: float) -> float:
    """Share of the speed of steel as sold at which harder steel is cut; never over 1.

    >>> round(slower_ratio(1000.0, 1197.0, 1.6), 2)
    0.75
    """
    return min(1.0, float((as_sold_n_per_mm2 / hard_n_per_mm2) ** power))


def harder_share(w: Working, question: SpeedQuestion, metal: Metal) -> float:
    """Share of its speed that a typed hardness leaves; 1 where none was typed, or it is softer.

    Raises:
        Refused: HRC said of a metal that is never measured by it.
    """
    if question.hardness is None:
        return 1.0
    if metal.family not in ("steel", "stainless"):
        raise Refused(
            f"HRC is a hardness of steel; {metal.name} is not measured by it.", field="hardness"
        )
    hard = w(strength_n_per_mm2, hrc=question.hardness)
    return w(
        slower_ratio, as_sold_n_per_mm2=metal["rm_n_per_mm2"], hard_n_per_mm2=hard, power=_SLOWS
    )


def of_hardness(question: SpeedQuestion) -> list[Caution]:
    """The Stop where the edge is softer than what it is to cut."""
    hrc, tool = question.hardness, question.tool
    if hrc is None or hrc <= HARDEST_HRC[tool]:
        return []
    carbide = tool is not Tool.CARBIDE and hrc <= HARDEST_HRC[Tool.CARBIDE]
    instead = "use carbide, or soften it first" if carbide else "grind it, or soften it first"
    edge = "Carbide" if tool is Tool.CARBIDE else "High-speed steel"
    says = f"{edge} does not cut steel of {hrc:g} HRC: its limit is about {HARDEST_HRC[tool]:g}."
    return [stop("the hardness", instead, says, "set_rpm", PRACTICE)]
