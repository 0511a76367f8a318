"""The question ``balance`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Count, Length, Number, OfMetal
from runk.core.shown import Rank, Show

_GRAMS = ("grams", "gram", "g")


@dataclass(frozen=True, slots=True)
class BalanceQuestion:
    """A crank and its counterweights.

    Args:
        throw: From the shaft's middle to the crankpin's.
        pin: Diameter of the crankpin; ``long`` between its webs or as far as it stands out.
        web: Width of a web, ``thick`` its thickness; square ended, as far beyond the pin's middle
            as beyond the shaft's: half its width where ``beyond`` is left out.
        webs: One, overhung, or two; each has its counterweight.
        big_end: Weight that goes round with the pin; ``reciprocating`` that goes to and fro, of
            which ``share`` per cent are balanced.
        metal: Of pin and webs; ``weight_metal`` of the counterweights.
        reach: Room there is, from the shaft's middle out; ``inner`` where the weight begins.
        weight_thick: Thickness of a counterweight.
    """

    throw: Annotated[
        Fraction,
        Length(
            "throw",
            ("throw",),
            principal=True,
            usual=(2.0, 50.0),
            low=0.5,
            high=300.0,
            asks="How far is the crankpin off its centre?",
            placeholder="12 mm",
        ),
    ]
    pin: Annotated[
        Fraction,
        Length(
            "crankpin",
            ("pin", "crankpin"),
            usual=(2.0, 30.0),
            low=0.5,
            high=200.0,
            asks="How thick is the crankpin?",
            placeholder="6 mm",
        ),
    ]
    long: Annotated[
        Fraction,
        Length(
            "long",
            ("long",),
            low=0.5,
            high=300.0,
            asks="How long is the crankpin?",
            placeholder="10 mm",
        ),
    ]
    web: Annotated[
        Fraction,
        Length(
            "width of a web",
            ("web", "webs"),
            usual=(3.0, 60.0),
            low=1.0,
            high=300.0,
            asks="How wide is a web?",
            placeholder="12 mm",
        ),
    ]
    thick: Annotated[
        Fraction,
        Length(
            "thick", ("thick",), low=0.5, high=100.0, asks="How thick is a web?", placeholder="5 mm"
        ),
    ]
    reach: Annotated[
        Fraction,
        Length(
            "room to swing",
            ("reach", "room", "swing"),
            low=1.0,
            high=500.0,
            asks="How far from the shaft may a weight reach?",
            placeholder="22 mm",
        ),
    ]
    weight_thick: Annotated[
        Fraction | None,
        Length(
            "thickness of a counterweight",
            ("counterweight", "weights"),
            low=0.5,
            high=100.0,
            placeholder="as the web",
        ),
    ] = None
    inner: Annotated[
        Fraction | None,
        Length(
            "beginning",
            ("inner", "beginning"),
            low=0.1,
            high=400.0,
            placeholder="half the web's width",
        ),
    ] = None
    beyond: Annotated[
        Fraction | None,
        Length(
            "web beyond the middles", ("beyond",), low=0.1, high=200.0, placeholder="half its width"
        ),
    ] = None
    webs: Annotated[int, Count("webs", ("webs",), low=1, high=2, placeholder="2")] = 2
    big_end: Annotated[
        float,
        Number(
            "weight of the big end", ("big end",), units=_GRAMS, high=20000.0, placeholder="0 g"
        ),
    ] = 0.0
    reciprocating: Annotated[
        float,
        Number(
            "weight that goes to and fro",
            ("reciprocating", "piston"),
            units=_GRAMS,
            high=20000.0,
            placeholder="0 g",
        ),
    ] = 0.0
    share: Annotated[
        float,
        Number(
            "of it balanced",
            ("percent", "%"),
            units=("%", "percent"),
            high=100.0,
            placeholder="50 %",
            asks="How much of it is balanced?",
        ),
    ] = 50.0
    metal: Annotated[str, OfMetal("metal of the crank", placeholder="mild steel")] = "mild-steel"
    weight_metal: Annotated[str, OfMetal("metal of the weights", placeholder="mild steel")] = (
        "mild-steel"
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class BalanceAnswer:
    """How much each counterweight is, and how far round it goes."""

    angle_deg: Annotated[Figure, Show("Each weight reaches round", Rank.BIG)]
    weight_g: Annotated[Figure, Show("And weighs", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    moment_g_mm: Annotated[Figure, Show("To be balanced in all")]
    webs_g_mm: Annotated[Figure, Show("Of which the webs")]
    pin_g_mm: Annotated[Figure, Show("Of which the crankpin")]
    rod_g_mm: Annotated[Figure, Show("Of which big end and piston")]
    arm_mm: Annotated[Figure, Show("Its middle of weight, from the shaft's")]
    thinnest_mm: Annotated[Figure, Show("Thinnest that would do, half a turn round")]
    throw_mm: Annotated[Figure, Show("Throw", Rank.FOLDED)]
    pin_mm: Annotated[Figure, Show("Crankpin", Rank.FOLDED)]
    web_mm: Annotated[Figure, Show("Web, wide", Rank.FOLDED)]
    beyond_mm: Annotated[Figure, Show("Web, beyond the middles", Rank.FOLDED)]
    reach_mm: Annotated[Figure, Show("Weight, out to", Rank.FOLDED)]
    inner_mm: Annotated[Figure, Show("Weight, from", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
