"""A metal of one's own: a shipped one copied, with figures of one's own put in."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from runk.core.metals.metal import Metal, Property, metal_names, shipped_metals
from runk.core.naming import plain_name
from runk.core.refusals import Refused
from runk.core.sources import Held, Source

MINE = Source("yours", Held.GIVEN)
LONGEST_NAME = 40
MAGNETS = ("yes", "faintly", "no")
_SKIN_FOLLOWS = ("hss_m_min", "carbide_m_min", "kc11_n_per_mm2")


@dataclass(frozen=True, slots=True)
class MetalFigure:
    """A figure every metal has: its words, and bounds outside which it is a slip."""

    label: str
    unit: str
    low: float
    high: float


FIGURES: Mapping[str, MetalFigure] = {
    "hss_m_min": MetalFigure("Turning speed, high-speed steel", "m/min", 1, 1000),
    "carbide_m_min": MetalFigure("Turning speed, carbide", "m/min", 1, 3000),
    "kc11_n_per_mm2": MetalFigure("Cutting force kc1.1", "N/mm²", 50, 10000),
    "mc": MetalFigure("Its exponent mc", "", 0, 0.5),
    "e_gpa": MetalFigure("Stiffness E", "GPa", 1, 700),
    "poisson": MetalFigure("Poisson's ratio", "", 0, 0.5),
    "rp02_n_per_mm2": MetalFigure("Yield Rp0.2", "N/mm²", 1, 4000),
    "rm_n_per_mm2": MetalFigure("Strength Rm", "N/mm²", 1, 4000),
    "expansion_um_per_m_k": MetalFigure("Expansion", "µm/m·K", 0.1, 60),
    "density_g_cm3": MetalFigure("Density", "g/cm³", 1.6, 23),
}
"""Figures of a metal, in the order they are shown."""


@dataclass(frozen=True, slots=True)
class OwnMetal:
    """What is kept of a metal of one's own: the shipped one it is like, and what differs.

    Args:
        key: Made from the name when first kept.
        name: Two letters at least, and none that a metal has already.
        like: Key of the shipped metal it is copied from.
        designation: As sold; may be empty.
        magnet: ``yes``, ``faintly`` or ``no``; that of ``like`` where empty.
        figures: The changed ones by name; the rest are those of ``like``.
    """

    key: str
    name: str
    like: str
    designation: str = ""
    magnet: str = ""
    figures: dict[str, float] = field(default_factory=dict)


def check_own(own: OwnMetal, others: Mapping[str, Metal]) -> None:
    """Refuse a metal that could not be one.

    Args:
        others: Every other metal of the workshop, for their names.

    Raises:
        Refused: Naming the field.

    >>> check_own(OwnMetal("", "brass", "brass"), shipped_metals())
    Traceback (most recent call last):
    ...
    runk.core.refusals.Refused: There is a metal called brass already...
    """
    name = plain_name(own.name, LONGEST_NAME, "metal", suggest="scrapbox brass")
    if sum(c.isalpha() for c in name) < 2 or not name[0].isalnum():
        raise Refused(
            "Give the metal a name that starts with a letter or digit.",
            field="name",
            suggest="scrapbox brass",
        )
    if own.designation:
        plain_name(own.designation, LONGEST_NAME, "designation", "designation")
    taken = metal_names({k: m for k, m in others.items() if k != own.key})
    if (key := taken.get(" ".join(name.lower().split()))) is not None:
        said = others[key].name
        also = "" if said.lower() == name.lower() else f" It is another name of {said}."
        raise Refused(f"There is a metal called {name} already.{also}", field="name")
    if own.like not in shipped_metals() or own.like.endswith("-skin"):
        raise Refused("Say which metal it is copied from.", field="like", suggest="brass")
    if own.magnet not in ("", *MAGNETS):
        raise Refused("A magnet bites, faintly, or does not.", field="magnet", suggest="no")
    for figure, value in own.figures.items():
        known = FIGURES.get(figure)
        if known is None:
            raise Refused(f"A metal has no figure called {figure[:40]}.", field="figures")
        if not (math.isfinite(value) and known.low <= value <= known.high):
            raise Refused(
                f"{known.label}: {value:g} cannot be; {known.low:g} to {known.high:g} "
                f"{known.unit}".rstrip()
                + ".",
                field=f"figures.{figure}",
                suggest=f"{shipped_metals()[own.like][figure]:g}",
            )
    made = metal_of(own)
    if made["rp02_n_per_mm2"] > made["rm_n_per_mm2"]:
        raise Refused(
            f"It cannot yield at {made['rp02_n_per_mm2']:g} and break at "
            f"{made['rm_n_per_mm2']:g} N/mm².",
            field="figures.rp02_n_per_mm2",
        )


def metal_of(own: OwnMetal) -> Metal:
    """The whole metal: its own figures marked as yours, the rest as they were.

    A casting's skin follows in proportion, so that it never turns out easier to cut than
    the metal beneath it.

    >>> mine = metal_of(OwnMetal("hard", "hard brass", "brass", figures={"hss_m_min": 60.0}))
    >>> mine["hss_m_min"], mine.source("hss_m_min").tag, mine["e_gpa"]
    (60.0, 'yours', 97.0)
    """
    like = shipped_metals()[own.like]
    figures = {name: Property(value, MINE) for name, value in own.figures.items()}
    skin = like.skin
    if skin is not None:
        followed = {
            name: Property(skin[name] * own.figures[name] / like[name], MINE)
            for name in _SKIN_FOLLOWS
            if name in own.figures
        }
        plain = {n: p for n, p in figures.items() if n not in _SKIN_FOLLOWS and n != "mc"}
        skin = replace(
            skin,
            key=f"{own.key}-skin",
            name=f"{own.name}, as-cast skin",
            aliases=(),
            properties=skin.properties | plain | followed,
        )
    return replace(
        like,
        key=own.key,
        name=own.name,
        designation=own.designation,
        aliases=(),
        magnet=own.magnet or like.magnet,
        properties=like.properties | figures,
        skin=skin,
        like=own.like,
    )


def with_own(owned: tuple[OwnMetal, ...]) -> dict[str, Metal]:
    """Every metal of a workshop by key: the shipped ones, then one's own."""
    metals = dict(shipped_metals())
    for own in owned:
        made = metal_of(own)
        if made.skin is not None:
            metals[made.skin.key] = made.skin
        metals[made.key] = made
    return metals
