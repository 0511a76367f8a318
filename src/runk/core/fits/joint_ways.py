"""Every way of joining a boss and a shaft, side by side, with what each costs."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from runk.core.figures import Figure, Working
from runk.core.fits import heat
from runk.core.fits.classes import bounds_of
from runk.core.fits.compounds import compounds
from runk.core.fits.joint import (
    Joint,
    bonded,
    bonds_share,
    by_class,
    goes_in_by,
    press,
    sheared,
    shrink_class,
    usual_free_mm,
)
from runk.core.fits.question import duties
from runk.core.said import mm_said, thou_said
from runk.core.shown import Show

_PIN_SHARE, _PIN_MOST = 0.25, 1 / 3
"""A pin is usually a quarter of its shaft, and a third at most: common practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Way:
    """A way of joining the two, with what it costs."""

    way: Annotated[str, Show("Way")]
    sizes: Annotated[str, Show("Made")]
    holds_nm: Annotated[Figure, Show("Holds, at least")]
    wants: Annotated[str, Show("Takes")]
    costs: Annotated[str, Show("Costs")]


def ways(joint: Joint) -> tuple[Way, ...]:
    """Every way of joining these two side by side, at its own usual sizes."""
    return (*_squeezed(joint), *_stuck(joint))


def _squeezed(joint: Joint) -> list[Way]:
    found = []
    for key, costs in (
        ("press", "Apart again only by force. It scores where it is dirty or has no lead."),
        ("shrink", "Seconds to seat it and no second try. Heat may move a web that is finished."),
    ):
        w, free = Working(), usual_free_mm(joint.size)
        tight = by_class(joint, key) if key == "press" else shrink_class(joint, heat.ROOM_C, free)
        one = press(w, joint, tight.low, tight.high)
        if key == "press":
            wants = f"{one.force.value / 1000:.1f} kN: {goes_in_by(one.force.value)}"
        else:
            metal = joint.shop.boss
            hot = heat.heat_c(
                heat.ROOM_C, tight.high, free, joint.size, metal["expansion_um_per_m_k"]
            )
            limit = heat.bears(metal).bears_c
            over = f": over the {limit:.0f} °C it bears" if hot > limit + 0.5 else ""
            wants = f"the boss at {hot:.0f} °C{over}"
        found.append(
            Way(
                way=duties()[key].label.removeprefix("a "),
                sizes=f"{thou_said(tight.low)} to {thou_said(tight.high)} tight",
                holds_nm=one.torque,
                wants=wants,
                costs=costs,
            )
        )
    return found


def _stuck(joint: Joint) -> list[Way]:
    low, high = bounds_of(duties()["web"], joint.size)
    sizes = f"{thou_said(low)} to {thou_said(high)} free"
    w = Working()
    strength = compounds()["retaining"].shear_mpa * bonds_share(joint.shop.boss, joint.shop.shaft)
    _, bond = bonded(w, joint, strength)
    pin = round(joint.size * _PIN_SHARE * 2) / 2 or 0.5
    clean = "Both clean and dry; half an hour to handle, a day to full strength."
    found = [
        Way(
            way="retaining compound",
            sizes=sizes,
            holds_nm=bond,
            wants="a clean joint and a day",
            costs="Lets go hot: half at 120 °C, undone near 250 °C with fumes.",
        )
    ]
    if pin > joint.size * _PIN_MOST:
        # The smallest pin there is takes too much of so thin a joint.
        return found
    return [
        *found,
        Way(
            way=f"compound, then a {mm_said(pin)} pin right across",
            sizes=sizes,
            holds_nm=sheared(w, joint, pin, across=True),
            wants="a hole drilled and reamed through both once it has set",
            costs=f"{clean} The shaft is weaker by the hole. Counted by the pin alone.",
        ),
        Way(
            way=f"compound, then a {mm_said(pin)} scotch key endways",
            sizes=sizes,
            holds_nm=sheared(w, joint, pin, across=False),
            wants="a hole half in each, drilled once it has set",
            costs="A drill wanders into the softer metal: like metals. Counted by the key alone.",
        ),
    ]
