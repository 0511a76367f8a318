"""``identify``: which metal is this offcut, from its weight, shape, magnet and colour."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Working
from runk.core.metals.metal import Metal
from runk.core.metals.offcut import SENTENCES, Colour, IdentifyQuestion, Magnet, Shape, Spark
from runk.core.metals.offcut_laws import (
    density_g_per_cm3,
    error_percent,
    hexagon_cm3,
    off_percent,
    plate_cm3,
    round_cm3,
    square_cm3,
    tube_cm3,
)
from runk.core.refusals import Refused
from runk.core.shown import Rank, Show, Table
from runk.core.sources import PRACTICE
from runk.core.units import unit_of
from runk.core.workshop import Workshop

USUAL_SCALE_G = 1.0
SURE_PERCENT = 2.0
"""Grades and batches of one metal differ by this much; no weighing tells nearer: handbooks."""
CALIPER_MM = 0.05
LIGHTEST, HEAVIEST = 1.6, 9.6
"""Densities between which every metal of the table lies, with room to spare, g/cm³."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Candidate:
    """A metal it may be. ``against`` says what speaks against it."""

    metal: str
    name: Annotated[str, Show("Metal")]
    density_g_per_cm3: Annotated[Figure, Show("Its density")]
    off_percent: Annotated[Figure, Show("Off by")]
    fits: Annotated[bool, Show("Fits")]
    against: Annotated[tuple[str, ...], Show("Against it")]


@dataclass(frozen=True, slots=True, kw_only=True)
class IdentifyAnswer:
    """Density, how well it is known, and the metals in order of how well they fit.

    ``alike`` names those that fit and cannot be told apart by what was tried.
    """

    density_g_per_cm3: Annotated[Figure, Show("Density", Rank.BIG)]
    volume_cm3: Annotated[Figure, Show("Volume")]
    error_percent: Annotated[Figure, Show("Known to within")]
    verdict: Annotated[str, Show("It is", Rank.BIG)]
    alike: Annotated[tuple[str, ...], Show("All of these fit", Rank.SAYS)]
    next_test: Annotated[str, Show("To tell them apart", Rank.SAYS)]
    candidates: Annotated[tuple[Candidate, ...], Table("How far each is off", drawn=True)]
    cautions: tuple[Caution, ...]


SPARKS = {"steel": "bright", "stainless": "few", "iron": "few"}
_COLOUR_OF = {"dark grey": "grey", "white grey": "white"}


def _volume(w: Working, q: IdentifyQuestion) -> Figure:
    size, length = float(q.size), float(q.length)
    plain: dict[Shape, Callable[..., float]] = {
        Shape.ROUND: round_cm3,
        Shape.SQUARE: square_cm3,
        Shape.HEXAGON: hexagon_cm3,
    }
    if q.shape in plain:
        return w.of(plain[q.shape], "volume_cm3", size_mm=size, length_mm=length)
    if q.shape is Shape.TUBE:
        if q.bore is None:
            raise Refused("What bore has the tube?", field="bore", suggest="12 mm")
        if q.bore >= q.size:
            raise Refused("The bore of a tube is smaller than its outside.", field="bore")
        return w.of(tube_cm3, "volume_cm3", size_mm=size, bore_mm=float(q.bore), length_mm=length)
    if q.thick is None:
        raise Refused("How thick is the plate?", field="thick", suggest="3 mm")
    return w.of(plate_cm3, "volume_cm3", size_mm=size, thick_mm=float(q.thick), length_mm=length)


_SLIPS = (
    (4.0, "size", "a radius was typed for the diameter"),
    (0.25, "size", "twice the diameter was typed"),
    (25.4**3, "size", "the sizes are inches typed as millimetres"),
    (1 / 25.4**3, "size", "the sizes are millimetres typed as inches"),
    (10.0, "weight", "the weight's decimal point is one place too far right"),
    # A circumference typed for the diameter gives 1/π², which no scale tells from a tenth.
    (
        0.1,
        "weight",
        "the weight's decimal point is one place too far left, or the size is a circumference",
    ),
    (0.001, "weight", "the weight is in kilograms, not grams"),
    (0.0353, "weight", "the weight is in ounces, not grams"),
)


def _shown(density: float) -> str:
    return f"{density:.0f}" if density >= 100 else f"{density:.3g}"


def _no_metal(density: float, metals: list[Metal]) -> Refused:
    for factor, field, slip in _SLIPS:
        meant = density / factor
        if any(abs(off_percent(meant, m["density_g_cm3"])) < 3 for m in metals):
            return Refused(
                f"{_shown(density)} g/cm³ is no metal here. It would fit if {slip}: look at the "
                f"{field} again.",
                field=field,
            )
    heavy = density > HEAVIEST
    return Refused(
        f"{_shown(density)} g/cm³ is {'heavier' if heavy else 'lighter'} than any metal here: the "
        f"weight looks too {'large' if heavy else 'small'}, or the sizes too "
        f"{'small' if heavy else 'large'}.",
        field="weight",
    )


def _against(q: IdentifyQuestion, metal: Metal) -> tuple[str, ...]:
    found = []
    pull = "faint" if "faintly" in metal.magnet else metal.magnet
    if q.magnet is Magnet.YES and pull != "yes":
        found.append("a magnet would not bite")
    if q.magnet is Magnet.NO and pull == "yes":
        found.append("a magnet would bite")
    if q.magnet is Magnet.FAINT and pull != "faint":
        found.append("a magnet would bite" if pull == "yes" else "a magnet would do nothing")
    colour = _COLOUR_OF.get(metal.colour, metal.colour)
    shades = {colour, str(q.colour)}
    if q.colour is not Colour.UNSAID and len(shades) > 1 and shades != {"grey", "white"}:
        found.append(f"its colour is {metal.colour}")
    struck = SPARKS.get(metal.family, "none")
    if q.spark is not Spark.UNTRIED and struck != q.spark:
        found.append(
            {
                "none": "it strikes no sparks",
                "few": "it strikes few, dull sparks",
                "bright": "it strikes bright sparks",
            }[struck]
        )
    return tuple(found)


def identify(question: IdentifyQuestion, metals: list[Metal]) -> IdentifyAnswer:
    """Rank the metals an offcut may be.

    Args:
        question: Its weight, shape, and what magnet, colour and grinder said.
        metals: Candidates.

    Returns:
        Every metal in order: fewest contradictions first, then nearest in density.

    Raises:
        Refused: Weights and sizes no metal has, saying which of the two looks wrong.

    >>> from fractions import Fraction
    >>> from runk.core.workshop import Workshop
    >>> asked = IdentifyQuestion(133.0, Fraction(20), Fraction(50), colour=Colour.YELLOW)
    >>> identify(asked, _needs(asked, Workshop(()))).verdict
    'free-cutting brass'
    """
    w = Working()
    volume = _volume(w, question)
    density = w.of(density_g_per_cm3, since=0, weight_g=question.weight, volume_cm3=volume.value)
    if not LIGHTEST <= density.value <= HEAVIEST:
        raise _no_metal(density.value, metals)
    smallest = float(min(x for x in (question.size, question.thick, question.length) if x))
    error = w.of(
        error_percent,
        scale_g=question.scale or USUAL_SCALE_G,
        weight_g=question.weight,
        caliper_mm=CALIPER_MM,
        size_mm=smallest,
    )
    within = max(SURE_PERCENT, error.value)
    candidates = []
    for metal in metals:
        off = w.of(
            off_percent,
            density=density.value,
            table=metal["density_g_cm3"],
            source=metal.source("density_g_cm3"),
        )
        against = _against(question, metal)
        own = Figure(metal["density_g_cm3"], unit_of("density_g_per_cm3"))
        fits = abs(off.value) <= within and not against
        candidates.append(
            Candidate(
                metal=metal.key,
                name=metal.name,
                density_g_per_cm3=own,
                off_percent=off,
                fits=fits,
                against=against,
            )
        )
    candidates.sort(key=lambda c: (not c.fits, len(c.against), abs(c.off_percent.value)))
    by_key = {metal.key: metal for metal in metals}
    fitting = [by_key[c.metal] for c in candidates if c.fits]
    alike = tuple(c.name for c in candidates if c.fits)
    return IdentifyAnswer(
        density_g_per_cm3=density,
        volume_cm3=volume,
        error_percent=error,
        verdict=_verdict(alike),
        alike=alike,
        next_test=_next_test(question, fitting),
        candidates=tuple(candidates),
        cautions=_cautions(question),
    )


def _verdict(alike: tuple[str, ...]) -> str:
    if not alike:
        return "none of these for certain"
    return alike[0] if len(alike) == 1 else f"one of {len(alike)}"


def _next_test(q: IdentifyQuestion, alike: list[Metal]) -> str:
    """A test whose answers differ among those left; none that could not part them."""
    if len(alike) < 2:
        return "" if alike else "Weigh a larger piece, and measure it again."
    untried = []
    if q.magnet is Magnet.UNTRIED and len({m.magnet for m in alike}) > 1:
        untried.append("try a magnet")
    if q.colour is Colour.UNSAID and len({m.colour for m in alike}) > 1:
        untried.append("file a spot and look at its colour")
    # Soft metals load a bench wheel and may burst it: never unless all that is left is ferrous.
    if q.spark is Spark.UNTRIED and all(_ferrous(m) for m in alike):
        untried.append("touch it to the grinder")
    if untried:
        tests = ", or ".join(untried)
        return f"{tests[0].upper()}{tests[1:]}."
    return (
        "Weight, magnet, colour and spark do not tell these apart: go by where it came from, "
        "or how it files and hardens."
    )


def _ferrous(metal: Metal) -> bool:
    return metal.family in ("steel", "stainless", "iron")


def _cautions(q: IdentifyQuestion) -> tuple[Caution, ...]:
    if q.magnet is Magnet.NO:
        words = "A magnet that does nothing says austenitic, not that it is no stainless."
    elif q.magnet is Magnet.YES:
        words = "A magnet that bites does not rule stainless out: 416 is magnetic."
    else:
        return ()
    return (Caution("Mind", "the magnet", words, None, PRACTICE),)


def _needs(_question: IdentifyQuestion, workshop: Workshop) -> list[Metal]:
    return [m for m in workshop.metals.values() if not m.key.endswith("-skin")]


IDENTIFY = Calculator(
    name="identify",
    title="Which metal is this",
    door=Door("/metals", "Metals", "Which metal is this", "Shop"),
    opening={"size": "20 mm", "length": "50 mm", "weight": "123", "magnet": "yes"},
    question=IdentifyQuestion,
    answers=(IdentifyAnswer,),
    compute=identify,
    needs=_needs,
    sentences=SENTENCES,
    calls=("which metal", "what metal", "identify", "what is this metal", "offcut", "weighs"),
    headline=lambda a, page: f"{a.verdict} · {a.density_g_per_cm3.words(page)}",
)
