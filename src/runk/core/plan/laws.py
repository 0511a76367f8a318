"""How metal answers the dial: the part of a cut that springs away, and what is learned of it.

Everything here is in the size's own sense: on a diameter all lengths count twice.
"""

from __future__ import annotations

from runk.core.figures import Num, law
from runk.core.sources import PRACTICE


@law("Comes off", "({wound_mm} + {lag_mm}) ÷ (1 + {spring_ratio})")
def comes_off_mm(wound_mm: Num, lag_mm: Num, spring_ratio: Num) -> Num:
    """What a pass takes off when so much is wound on.

    Tool and work lean apart by a share of the cut; what the pass before left behind is still
    in the way and comes off too. With equal cuts the two cancel.

    Args:
        wound_mm: Wound on for this pass; nought for a spring pass.
        lag_mm: What the pass before left, sprung away from.
        spring_ratio: Spring for each millimetre of this cut, 0 for a stiff set-up.

    >>> comes_off_mm(0.5, 0.0, 0.25)
    0.4
    >>> comes_off_mm(0.4, 0.1, 0.25)
    0.4
    """
    return (wound_mm + lag_mm) / (1 + spring_ratio)


@law("Wind on", "{take_mm} × (1 + {spring_ratio}) - {lag_mm}")
def wind_on_mm(take_mm: Num, lag_mm: Num, spring_ratio: Num) -> Num:
    """What has to be wound on for a pass to take so much; :func:`comes_off_mm` turned round.

    >>> wind_on_mm(0.4, 0.0, 0.25)
    0.5
    """
    return take_mm * (1 + spring_ratio) - lag_mm


@law("Wind on, spring passes to follow", "{take_mm} - {lag_mm}")
def wind_on_sprung_out_mm(take_mm: Num, lag_mm: Num) -> Num:
    """What has to be wound on where spring passes then take the rest of it.

    >>> wind_on_sprung_out_mm(0.5, 0.125)
    0.375
    """
    return take_mm - lag_mm


@law("Spring for each mm of cut", "{spring_mm} ÷ {depth_mm}")
def spring_ratio(spring_mm: Num, depth_mm: Num) -> Num:
    """How much of a cut leans away, as a share of the cut.

    >>> spring_ratio(0.1, 0.4)
    0.25
    """
    return spring_mm / depth_mm


@law(
    "The same, learned from readings",
    "({before_ratio} × {weight_mm2} + {lag_mm2}) ÷ ({weight_mm2} + {change_mm2})",
)
def learned_ratio(
    before_ratio: float, weight_mm2: float, lag_mm2: float, change_mm2: float
) -> float:
    """Spring ratio after readings: least squares, begun from the bending sum.

    Args:
        before_ratio: From the bending sum; 0 where no overhang was given.
        weight_mm2: How much that is trusted, as so much change of cut squared.
        lag_mm2: Sum over readings of change of cut times what stayed behind the dial.
        change_mm2: Sum over readings of change of cut squared.

    >>> learned_ratio(0.1, 0.02, 0.0, 0.0)
    0.1
    """
    return (before_ratio * weight_mm2 + lag_mm2) / (weight_mm2 + change_mm2)


@law("Cold it measures", "{warm_mm} ÷ (1 + {expansion_um_per_m_k} × ({warm_deg} - 20) ÷ 1 000 000)")
def cold_mm(warm_mm: float, expansion_um_per_m_k: float, warm_deg: float) -> float:
    """A size measured warm, at 20 °C.

    Args:
        warm_mm: As read.
        expansion_um_per_m_k: Of the metal.
        warm_deg: Temperature of the work, Celsius.

    >>> round(cold_mm(101.6, 20.9, 32.0), 3)
    101.575
    """
    return warm_mm / (1 + expansion_um_per_m_k * (warm_deg - 20) * 1e-6)


@law("Share of the surplus", "{surplus_mm} ÷ {passes}", PRACTICE)
def share_mm(surplus_mm: Num, passes: Num) -> Num:
    """Rough passes take equal shares of what is to come off before finishing.

    >>> share_mm(1.2, 3.0)
    0.39999999999999997
    """
    return surplus_mm / passes
