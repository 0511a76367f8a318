"""Compounds: what each holds, in what gap, up to what heat."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from runk.core.figures import Num, law
from runk.core.sources import PRACTICE, Held, Source, read_table


@dataclass(frozen=True, slots=True)
class Compound:
    """A compound: what it holds, in what gap, up to what heat."""

    key: str
    label: str
    shear_mpa: float
    gap_low_mm: float
    gap_high_mm: float
    half_at_mm: float
    half_at_c: float
    lets_go_c: float
    handle: str
    full: str
    source: Source


@cache
def compounds() -> dict[str, Compound]:
    """Every compound by key, weakest figure of its range taken."""
    numbers = ("shear_mpa", "gap_low_mm", "gap_high_mm", "half_at_mm", "half_at_c", "lets_go_c")
    return {
        row["key"]: Compound(
            key=row["key"],
            label=row["label"],
            handle=row["handle"],
            full=row["full"],
            source=Source(row["authority"], Held(row["held"])),
            **{name: float(row[name]) for name in numbers},
        )
        for row in read_table("compounds")
    }


@law("Strength counted on", "{shear_mpa} × {metals_share} × {gap_share} × {heat_share}", PRACTICE)
def strength_mpa(shear_mpa: Num, metals_share: Num, gap_share: Num, heat_share: Num) -> Num:
    """Shear strength of a bond with everything that weakens it.

    Args:
        shear_mpa: Of the compound at its best, the low end of what is printed.
        metals_share: Half on stainless and plated metal.
        gap_share: By the gap; ``heat_share`` by the heat it works at.

    >>> strength_mpa(15.0, 0.5, 1.0, 1.0)
    7.5
    """
    return shear_mpa * metals_share * gap_share * heat_share


def gap_share(compound: Compound, gap_mm: float) -> float:
    """Share of its strength counted on in a gap.

    Under the least gap it is wiped off as the parts go together, so it falls in a line to nothing
    size to size; over the most it falls in a line to half and on to nothing.

    >>> one = compounds()["retaining"]
    >>> [round(gap_share(one, gap), 2) for gap in (0.01, 0.05, 0.1, 0.15, 0.2, 0.3)]
    [0.5, 1.0, 1.0, 0.5, 0.0, 0.0]
    """
    if gap_mm < compound.gap_low_mm:
        return max(gap_mm, 0.0) / compound.gap_low_mm
    if gap_mm <= compound.gap_high_mm:
        return 1.0
    over = (gap_mm - compound.gap_high_mm) / (compound.half_at_mm - compound.gap_high_mm)
    return max(1.0 - over / 2, 0.0)


def heat_share(compound: Compound, hot_c: float | None) -> float:
    """Share of its strength left where it works hot: half at one heat, none where it lets go.

    >>> one = compounds()["retaining"]
    >>> [round(heat_share(one, hot), 2) for hot in (20, 120, 250)]
    [1.0, 0.5, 0.0]
    """
    if hot_c is None or hot_c <= 20:
        return 1.0
    if hot_c <= compound.half_at_c:
        return 1.0 - 0.5 * (hot_c - 20) / (compound.half_at_c - 20)
    over = (hot_c - compound.half_at_c) / (compound.lets_go_c - compound.half_at_c)
    return max(0.5 * (1 - over), 0.0)
