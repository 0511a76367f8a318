"""``harden``: the colour, the soak, the quench, the temper, and what it does to size."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Link, Working, law, told
from runk.core.kinds import Choice, Length, OfMetal, OneOf
from runk.core.lengths import Reading
from runk.core.refusals import Refused
from runk.core.shown import Rank, Show
from runk.core.sources import PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

USES = (
    Choice("cutting", "a cutting edge", ("cutter", "cutting tool", "d-bit", "form tool", "reamer")),
    Choice("wear", "something that wears", ("pin", "bush", "wear", "roller", "cam")),
    Choice("struck", "something struck", ("punch", "struck", "chisel", "centre punch")),
    Choice("spring", "a spring", ("spring", "springy")),
)


@dataclass(frozen=True, slots=True)
class Steel:
    """How a steel is hardened: common practice.

    Args:
        heat_c: Just over its change.
        colour: In a shaded corner.
        quench: Into what.
        grows: Share of its size, about.
    """

    heat_c: float
    colour: str
    quench: str
    grows: float


STEELS = {
    "silver-steel": Steel(780.0, "cherry red, as a boiled carrot in the shade", "water", 0.001),
    "gauge-plate": Steel(800.0, "a bright cherry red", "oil", 0.0005),
}
TEMPERS = {
    "cutting": (225.0, "straw"),
    "wear": (200.0, "the palest straw, hardly seen"),
    "struck": (260.0, "brown going to purple"),
    "spring": (290.0, "blue"),
}
_SOAK_MIN_PER_MM = 1.0
_THIN_MM = 3.0
"""Under this silver steel cracks in water, and cools fast enough in oil: common practice."""
THROUGH = {
    "medium-carbon-steel": "in water, or in oil where it is thin",
    "42crmo4": "in oil, and comes so from the mill",
    "stainless-416": "in oil",
}
"""Steels that harden by a quench, and whose heats are not told here."""


@dataclass(frozen=True, slots=True)
class HardenQuestion:
    """Something to be hardened.

    Args:
        metal: Of it.
        thick: Where it is thickest.
        use: What it is for: how far it is tempered.
        size: One that counts; what hardening does to it is told.
    """

    metal: Annotated[str, OfMetal("steel", asks="Which steel?", placeholder="silver steel")] = (
        "silver-steel"
    )
    thick: Annotated[
        Fraction,
        Length(
            "thick",
            ("thick", "dia", "diameter"),
            principal=True,
            low=0.2,
            high=100.0,
            asks="How thick is it?",
            placeholder="6 mm",
        ),
    ] = Fraction(6)
    use: Annotated[str, OneOf("use", choices=USES)] = "cutting"
    size: Annotated[
        Fraction | None,
        Length(
            "size that counts",
            ("size", "counts"),
            low=0.2,
            high=1000.0,
            placeholder="its thickness",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class HardenAnswer:
    """Heat, soak, quench, temper."""

    heat_c: Annotated[Figure, Show("Heat to", Rank.BIG)]
    quench: Annotated[str, Show("Into", Rank.BIG)]
    temper_c: Annotated[Figure, Show("Temper at", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    colour: Annotated[str, Show("Colour at that heat")]
    soak_min: Annotated[Figure, Show("Held there")]
    temper_colour: Annotated[str, Show("Colour on a clean face")]
    grows_mm: Annotated[Figure, Show("It grows, about")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Soak", "larger of {thick_mm} × {each_min} and 1", PRACTICE)
def soak_min(thick_mm: float, each_min: float) -> float:
    """Time at heat, from when the middle glows as the outside does: a minute at the least.

    >>> soak_min(6.0, 1.0)
    6.0
    """
    return max(thick_mm * each_min, 1.0)


@law("Grows", "{size_mm} × {share}", PRACTICE)
def grows_mm(size_mm: float, share: float) -> float:
    """What hardening adds to a size, about."""
    return size_mm * share


@dataclass(frozen=True, slots=True)
class HardenShop:
    """What is looked up.

    Args:
        kind: Key of the metal it really is, where somebody keeps it under a name of their own.
    """

    kind: str


def needs(question: HardenQuestion, workshop: Workshop) -> HardenShop:
    """Which steel it really is."""
    return HardenShop(workshop.metals[question.metal].kind)


def settle(
    question: HardenQuestion, workshop: Workshop, _: Mapping[str, Reading]
) -> HardenQuestion:
    """A steel that hardens.

    Raises:
        Refused: It does not, or not so.
    """
    metal = workshop.metals[question.metal]
    if metal.kind in STEELS:
        return question
    name = metal.name[0].upper() + metal.name[1:]
    if metal.kind in THROUGH:
        says = (
            f"{name} hardens through, {THROUGH[metal.kind]}; to what, and what it is let down to, "
            "is its maker's to say: not told here."
        )
    elif metal.family in ("steel", "free-cutting steel") or "steel" in metal.name.lower():
        says = f"{name} does not harden by quenching: it is case-hardened, or left soft."
    else:
        says = f"{name} does not harden by heat and quench."
    raise Refused(says, field="metal", suggest="silver steel")


def compute(question: HardenQuestion, shop: HardenShop) -> HardenAnswer:
    """How it is hardened and let down.

    >>> answer = compute(HardenQuestion(), HardenShop("silver-steel"))
    >>> answer.heat_c.value, answer.quench, answer.soak_min.shown()
    (780.0, 'water', '6')
    """
    w, steel = Working(), STEELS[shop.kind]
    temper, colour = TEMPERS[question.use]
    soak = w.of(soak_min, thick_mm=float(question.thick), each_min=_SOAK_MIN_PER_MM)
    quench = quench_of(question, steel)
    size = float(question.size or question.thick)
    grows = w.of(grows_mm, size_mm=size, share=steel.grows)
    return HardenAnswer(
        heat_c=told(steel.heat_c, "heat_c", 0),
        quench=quench,
        temper_c=told(temper, "temper_c", 0),
        says="Only when it works soft, its corners rounded: then hardened, tempered at once, "
        "polished and tried. Long things go in end on, straight down, and are stirred.",
        colour=steel.colour,
        soak_min=Figure(soak.value, soak.unit, soak.steps, 0),
        temper_colour=colour,
        grows_mm=Figure(grows.value, grows.unit, grows.steps, 3),
        cautions=_cautions(question, steel, quench),
        links=(),
    )


def quench_of(question: HardenQuestion, steel: Steel) -> str:
    """Into what: thin silver steel and springs of it into oil, for water cracks them."""
    if question.thick < _THIN_MM or question.use == "spring":
        return "oil"
    return steel.quench


def _cautions(question: HardenQuestion, steel: Steel, quench: str) -> tuple[Caution, ...]:
    found = [
        Caution(
            "Mind",
            "the fire",
            "Eyes and hands covered, nothing that burns within reach, the work never over bare "
            "concrete, and the rules of the house and the club.",
            None,
            PRACTICE,
        )
    ]
    if quench != steel.quench:
        says = (
            f"Into oil: in {steel.quench} this steel cracks where it is thin or has to give. Try a "
            "file on it: what is not hard enough goes again, hotter by a shade."
        )
        found.append(Caution("Mind", "cracking", says, "quench", PRACTICE))
    elif quench == "water":
        says = "Water cracks it at sharp corners, cross holes and steps: round them, or take oil."
        found.append(Caution("Mind", "cracking", says, "quench", PRACTICE))
    if quench == "oil":
        says = "Oil flares: a metal lid at hand, a deep tin half full, out of doors, no water near."
        found.append(Caution("Mind", "the oil", says, "quench", PRACTICE))
    if question.thick > 20:
        says = (
            "So thick it may stay soft inside or crack: a steel for oil, or a hardener's furnace."
        )
        found.append(Caution("Mind", "the thickness", says, "soak_min", PRACTICE))
    return tuple(found)


def headline(answer: HardenAnswer, page: PageUnit) -> str:
    """Heat, quench, temper."""
    return (
        f"{answer.heat_c.words(page)} into {answer.quench} · temper {answer.temper_c.words(page)}, "
        f"{answer.temper_colour}"
    )


HARDEN = Calculator(
    name="harden",
    title="Hardening and tempering",
    door=Door("/holding/harden", "Holding", "Hardening"),
    opening={"metal": "silver-steel", "thick": "6 mm", "use": "cutting"},
    question=HardenQuestion,
    answers=(HardenAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={"": "Harden {metal}, {thick} thick, for {use}[, size {size}]"},
    calls=(
        "harden",
        "hardening",
        "temper",
        "quench",
        "quenching",
        "soak",
        "hardening heat",
        "straw",
        "tempering",
    ),
    headline=headline,
)
