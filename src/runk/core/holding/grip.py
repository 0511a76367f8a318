"""``grip``: whether a way of holding bears the cut, and what jaws do to a ring."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from math import floor, pi
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.cutting.question import SpeedQuestion, Stage
from runk.core.cutting.speed import speed
from runk.core.cutting.target import SpeedShop
from runk.core.figures import Caution, Figure, Holds, Link, Working, fine, law, stop, told
from runk.core.fits.joint import bears_mpa
from runk.core.kinds import Choice, Count, Length, Number, OfMetal, OneOf
from runk.core.lengths import Reading
from runk.core.machines import MachineKind
from runk.core.machines.machine import Holding
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show
from runk.core.sources import MECHANICS, PRACTICE
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

WAYS = (
    Choice("three-jaw", "a three-jaw chuck", ("three jaw", "3 jaw", "chuck", "jaws")),
    Choice("four-jaw", "a four-jaw chuck", ("four jaw", "4 jaw")),
    Choice("collet", "a collet", ("collet",)),
    Choice("vice", "a vice", ("vice", "vise", "machine vice")),
    Choice("clamps", "M6 clamps", ("clamps", "clamp", "faceplate", "bolted down")),
    Choice("adhesive", "adhesive on a stub", ("adhesive", "glue", "glued", "bonded", "superglue")),
    Choice("wax", "wax", ("wax", "shellac")),
    Choice("tape", "double-sided tape", ("tape", "double sided tape", "double-sided tape")),
)
FACES = (
    Choice("bare", "bare jaws", ("bare", "hard jaws"), silent=True),
    Choice(
        "soft", "soft packing", ("soft packing", "packing", "soft jaws", "aluminium strip", "card")
    ),
)
FORCE_N = {
    "three-jaw": 5000.0,
    "four-jaw": 5000.0,
    "collet": 4000.0,
    "vice": 8000.0,
    "clamps": 4000.0,
}
"""In all, tightened with its own key; of one clamp: common practice, from memory."""
FRICTION = {"bare": 0.15, "soft": 0.2}
SAFETY = 2.0
SHEAR_MPA = {"adhesive": 8.0, "wax": 0.5, "tape": 0.1}
"""What holds by area, cool and clean, in shear: common practice, from memory."""
BOND_SAFETY = 3.0
_LIGHT_N = 50.0
"""A light cut, such as a bond is given: common practice."""
_USUAL_N = 200.0
"""A roughing cut in a small lathe, where none is told: common practice."""
_N_PER_MM = 200.0
"""Force of a light cut for each millimetre of its depth, where no lathe says: common practice."""
_SPOILS_MM = 0.005
HELD_AS = {
    "three-jaw": "three-jaw",
    "four-jaw": "four-jaw",
    "collet": "collet",
    "clamps": "faceplate",
    "adhesive": "bonded",
    "wax": "bonded",
    "tape": "bonded",
}
"""How a cut in the lathe is said to be held; a vice stands on the mill's table."""


@dataclass(frozen=True, slots=True)
class GripQuestion:
    """A way of holding, and a cut.

    Args:
        way: What holds it; ``count`` of clamps.
        dia: Where it is gripped: its diameter, or of clamps twice their distance from the axis.
        at: Diameter being cut.
        force: Of the cut, newtons.
        faces: What lies between.
        bore: Of a ring; ``wide`` how wide it is, ``metal`` of it.
    """

    way: Annotated[str, OneOf("held by", choices=WAYS)] = "three-jaw"
    dia: Annotated[
        Fraction,
        Length(
            "gripped on",
            ("gripped on", "grip", "on", "dia", "diameter"),
            principal=True,
            over="bore",
            low=0.5,
            high=1000.0,
            asks="On what diameter is it gripped?",
            placeholder="25 mm",
        ),
    ] = Fraction(25)
    at: Annotated[
        Fraction | None,
        Length(
            "cut at",
            ("cut at", "cutting", "at"),
            low=0.5,
            high=1000.0,
            placeholder="where it is gripped",
            asks="At what diameter is it cut?",
        ),
    ] = None
    force: Annotated[
        float | None,
        Number(
            "force",
            ("force", "newtons", "n", "load"),
            units=("newtons", "newton", "n"),
            low=1.0,
            high=20000.0,
            placeholder="a usual cut",
        ),
    ] = None
    faces: Annotated[str, OneOf("between", choices=FACES, asks="Between what is it gripped?")] = (
        "bare"
    )
    clamps: Annotated[int | None, Count("clamps", ("clamps",), low=1, high=20, placeholder="3")] = (
        None
    )
    bore: Annotated[
        Fraction | None,
        Length("bored", ("bore", "bored"), low=0.5, high=1000.0, placeholder="solid"),
    ] = None
    wide: Annotated[
        Fraction | None,
        Length("wide", ("wide", "long", "width"), low=0.2, high=500.0, placeholder="as its jaws"),
    ] = None
    metal: Annotated[str, OfMetal("metal", placeholder="mild steel")] = "mild-steel"


@dataclass(frozen=True, slots=True)
class GripShop:
    """What is looked up of the metal.

    Args:
        e_gpa: Its modulus.
        yield_mpa: Where it gives for good; of iron where it cracks.
        n_per_mm: Force of a light cut in it for each millimetre of its depth.
    """

    e_gpa: float
    yield_mpa: float = 1e9
    n_per_mm: float = _N_PER_MM


@dataclass(frozen=True, slots=True, kw_only=True)
class GripAnswer:
    """What it bears, what the cut asks, what it does to a ring."""

    bears_nm: Annotated[Figure, Show("It bears, safely", Rank.BIG)]
    asks_nm: Annotated[Figure, Show("The cut asks", Rank.BIG)]
    holds: Annotated[str, Show("The grip", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    most_n: Annotated[Figure, Show("Most force at that diameter")]
    in_mm: Annotated[Figure | None, Show("A jaw presses the ring in by")]
    lobes_mm: Annotated[Figure | None, Show("Let go, its bore is out of round by")]
    jaw_n: Annotated[Figure | None, Show("Each jaw at most, for a bore left round")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law("Grip bears", "{friction} × {force_n} × {dia_mm} ÷ 2000 ÷ {safety}", PRACTICE)
def bears_nm(friction: float, force_n: float, dia_mm: float, safety: float) -> float:
    """Torque friction holds at a diameter, divided by a safety.

    >>> bears_nm(0.15, 5000.0, 25.0, 2.0)
    4.6875
    """
    return friction * force_n * dia_mm / 2000.0 / safety


@law(
    "A bond bears",
    "π × {shear_mpa} × ({dia_mm}³ - {bore_mm}³) ÷ 12000 ÷ {safety}",
    MECHANICS,
    holds=Holds(
        "what is cut out of the face is smaller than the face",
        lambda dia_mm, bore_mm: bore_mm < dia_mm,
    ),
)
def bonded_nm(shear_mpa: float, dia_mm: float, bore_mm: float, safety: float) -> float:
    """Torque a face stuck all over bears, its shear the same everywhere, divided by a safety.

    >>> round(bonded_nm(8.0, 20.0, 0.0, 3.0), 2)
    5.59
    """
    return pi * shear_mpa * (dia_mm**3 - bore_mm**3) / 12000.0 / safety


@law("The cut asks", "{cut_n} × {at_mm} ÷ 2000")
def asks_nm(cut_n: float, at_mm: float) -> float:
    """Torque of a cut about the axis.

    >>> asks_nm(200.0, 30.0)
    3.0
    """
    return cut_n * at_mm / 2000.0


@law("Most force", "{bears_nm} × 2000 ÷ {at_mm}")
def most_n(bears_nm: float, at_mm: float) -> float:
    """Force of a cut that the grip bears."""
    return bears_nm * 2000.0 / at_mm


@law("Section of the ring", "{wide_mm} × {wall_mm}³ ÷ 12")
def section_mm4(wide_mm: float, wall_mm: float) -> float:
    """Second moment of a ring's wall."""
    return wide_mm * wall_mm**3 / 12.0


@law("Pressed in under a jaw", "0.0159 × {jaw_n} × {mean_mm}³ ÷ ({e_gpa} × 1000 × {section_mm4})")
def in_mm(jaw_n: float, mean_mm: float, e_gpa: float, section_mm4: float) -> float:
    """Of a thin ring under three jaws; ``mean_mm`` is the radius to the middle of its wall."""
    return 0.0159 * jaw_n * mean_mm**3 / (e_gpa * 1000.0 * section_mm4)


@law("Out between them", "0.0143 × {jaw_n} × {mean_mm}³ ÷ ({e_gpa} × 1000 × {section_mm4})")
def out_mm(jaw_n: float, mean_mm: float, e_gpa: float, section_mm4: float) -> float:
    """Of the same ring, half way between two jaws."""
    return 0.0143 * jaw_n * mean_mm**3 / (e_gpa * 1000.0 * section_mm4)


def needs(question: GripQuestion, workshop: Workshop) -> GripShop:
    """The metal's modulus."""
    metal = workshop.metals[question.metal]
    return GripShop(metal["e_gpa"], bears_mpa(metal), _n_per_mm(question, workshop))


def _n_per_mm(question: GripQuestion, workshop: Workshop) -> float:
    """Force of a finishing cut there for each millimetre of its depth, as the cut's room has it."""
    held = HELD_AS.get(question.way)
    asked = SpeedQuestion(
        question.metal,
        question.at or question.dia,
        stage=Stage.FINISH,
        held=Holding(held) if held else None,
        depth=Fraction(1, 10),
    )
    try:
        lathe = workshop.machine("", (MachineKind.LATHE,))
        cut = speed(asked, SpeedShop(lathe, workshop.metals[question.metal]))
    except Refused:
        return _N_PER_MM
    return 10.0 * cut.force_n.value if cut.force_n is not None else _N_PER_MM


def settle(question: GripQuestion, _: Workshop, __: Mapping[str, Reading]) -> GripQuestion:
    """A ring has a wall.

    Raises:
        Refused: Its bore is no smaller than what is gripped.
    """
    if question.bore is not None and question.bore >= question.dia:
        raise Refused(
            f"A ring of {mm_said(question.dia)} has no wall at {mm_said(question.bore)}.",
            field="bore",
        )
    return question


def compute(question: GripQuestion, shop: GripShop) -> GripAnswer:
    """What a grip bears against a cut.

    >>> compute(GripQuestion(dia=Fraction(25)), GripShop(210.0)).bears_nm.shown()
    '4.69'
    """
    w = Working()
    dia, at = float(question.dia), float(question.at or question.dia)
    bond = question.way in SHEAR_MPA
    if bond:
        bears = w.of(
            bonded_nm,
            "bears_nm",
            shear_mpa=SHEAR_MPA[question.way],
            dia_mm=dia,
            bore_mm=float(question.bore or 0),
            safety=BOND_SAFETY,
        )
    else:
        force = FORCE_N[question.way] * ((question.clamps or 3) if question.way == "clamps" else 1)
        bears = w.of(
            bears_nm, friction=FRICTION[question.faces], force_n=force, dia_mm=dia, safety=SAFETY
        )
    asks = w.of(asks_nm, cut_n=question.force or (_LIGHT_N if bond else _USUAL_N), at_mm=at)
    most = w.of(most_n, bears_nm=bears.value, at_mm=at)
    crushed = _crushed(question, shop)
    # What is dented for good springs back by no elastic law.
    ring = (None, None, None) if crushed else _ring(question, shop, w)
    slips = asks.value > bears.value
    return GripAnswer(
        bears_nm=Figure(bears.value, bears.unit, bears.steps, 2),
        asks_nm=Figure(asks.value, asks.unit, asks.steps, 2),
        holds="slips" if slips else "holds",
        says=_SAYS[question.way],
        most_n=Figure(most.value, most.unit, most.steps, 0),
        in_mm=ring[0],
        lobes_mm=ring[1],
        jaw_n=ring[2],
        cautions=(*crushed, *_cautions(question, bears, asks, ring[1])),
        links=_links(question, shop, at, min(question.force or _LIGHT_N, most.value)),
    )


def _links(question: GripQuestion, shop: GripShop, at_mm: float, cut_n: float) -> tuple[Link, ...]:
    """On to the cut, held as it is held, and no deeper than its force or the bond has it."""
    held = HELD_AS.get(question.way)
    if held is None:
        return ()
    typed: tuple[tuple[str, str], ...] = (
        ("diameter", f"{at_mm:.4f} mm"),
        ("metal", question.metal),
        ("held", held),
    )
    if question.force is not None or question.way in SHEAR_MPA:
        deep = floor(cut_n / shop.n_per_mm * 1000) / 1000
        typed += (("stage", "finish"), ("depth", f"{max(deep, 0.001):.3f} mm"))
    return (Link("speed", typed, "Force and belt of a cut there"),)


def _ring(
    question: GripQuestion, shop: GripShop, w: Working
) -> tuple[Figure | None, Figure | None, Figure | None]:
    if question.bore is None or question.way != "three-jaw":
        return None, None, None
    dia, bore = float(question.dia), float(question.bore)
    wall, mean = (dia - bore) / 2, (dia + bore) / 4
    if wall > mean * _THICK:
        # A wall like that springs next to nothing, and no thin ring's law says how much.
        return None, None, None
    wide = float(question.wide) if question.wide is not None else min(dia / 2, 15.0)
    jaw = FORCE_N["three-jaw"] / 3
    since = len(w.steps)
    section = w(section_mm4, wide_mm=wide, wall_mm=wall)
    e = shop.e_gpa
    pressed = w.of(in_mm, jaw_n=jaw, mean_mm=mean, e_gpa=e, section_mm4=section)
    between = w(out_mm, jaw_n=jaw, mean_mm=mean, e_gpa=e, section_mm4=section)
    lobes = w.figure(pressed.value + between, "lobes_mm", since=since, places=4)
    allowed = told(jaw * _SPOILS_MM / lobes.value, "jaw_n", 0)
    return fine(pressed), lobes, allowed


_THICK = 1 / 3
"""Walls over this share of the ring's mean radius are no thin ring."""
_SOME_GRIP = 0.3
_SAYS = {
    "three-jaw": "All of the jaw's length on it, and against a face where there is one.",
    "four-jaw": "Opposite jaws alike, set true by indicator, each nipped twice.",
    "collet": "Its own size: a collet closed far grips at its mouth only.",
    "vice": "On parallels, tapped down, with a round bar against the moving jaw.",
    "adhesive": "Both faces degreased, let set; afterwards warmed until it lets go, air moving.",
    "wax": "Warmed on, cooled under a weight; light cuts, and never warm.",
    "tape": "Clean and dry, pressed hard all over; light cuts, wound gently, no coolant.",
    "clamps": "Packing a little higher than the work, the bolt near the work.",
}


@law(
    "Stress under a jaw",
    "6 × 0.189 × {jaw_n} × {mean_mm} ÷ ({wide_mm} × {wall_mm}²)",
    holds=Holds(
        "the wall is under a third of the ring's radius",
        lambda mean_mm, wall_mm: wall_mm <= (mean_mm + wall_mm / 2) / 3,
    ),
)
def jaw_mpa(jaw_n: float, mean_mm: float, wide_mm: float, wall_mm: float) -> float:
    """In a thin ring under three jaws: its moment there is half of 1/a - cot a, of sixty degrees.

    >>> round(jaw_mpa(1667.0, 14.0, 15.0, 2.0))
    441
    """
    return 6 * 0.18880 * jaw_n * mean_mm / (wide_mm * wall_mm**2)


def _crushed(question: GripQuestion, shop: GripShop) -> list[Caution]:
    """A Stop for a ring that gives for good under its jaws."""
    if question.bore is None or question.way != "three-jaw":
        return []
    dia, bore = float(question.dia), float(question.bore)
    wide = float(question.wide) if question.wide is not None else min(dia / 2, 15.0)
    stress = jaw_mpa(FORCE_N["three-jaw"] / 3, (dia + bore) / 4, wide, (dia - bore) / 2)
    if stress <= shop.yield_mpa:
        return []
    share = shop.yield_mpa / stress
    says = (
        f"Tightened as usual a jaw loads so thin a ring to {stress:.0f} N/mm², and it gives for "
        f"good past {shop.yield_mpa:.0f}: it is dented, whatever the grip holds."
    )
    instead = "a full ring or soft jaws round it, a mandrel in it, or held endways"
    if share > _SOME_GRIP:
        instead = f"no more than {share:.0%} of the usual grip, or {instead}"
    return [stop("the ring", instead, says, "holds", MECHANICS)]


def _cautions(
    question: GripQuestion, bears: Figure, asks: Figure, lobes: Figure | None
) -> list[Caution]:
    found = []
    if question.way in SHEAR_MPA:
        says = "It holds cool: a dull tool warms it off, and the work comes out of the lathe."
        found.append(Caution("Mind", "the bond", says, "bears_nm", PRACTICE))
    if asks.value > bears.value:
        says = f"The cut asks {asks.value / bears.value:.1f} times what the grip bears safely."
        instead = "a lighter cut, a larger diameter to grip, or a stop for it to drive against"
        found.append(stop("the grip", instead, says, "bears_nm", PRACTICE))
    elif asks.value > 0.7 * bears.value:
        says = "Little is left for a dull edge: sharpen, and look at the jaws after the first cut."
        found.append(Caution("Mind", "the grip", says, "bears_nm", PRACTICE))
    if lobes is not None and lobes.value > _SPOILS_MM:
        says = (
            f"Bored round in these jaws it springs {mm_said(lobes.value, 3)} three-cornered when "
            "let go: less grip for the last cut, a full ring round it, or held endways."
        )
        found.append(Caution("Mind", "the ring", says, "lobes_mm", MECHANICS))
    return found


def headline(answer: GripAnswer, page: PageUnit) -> str:
    """Whether it holds."""
    return (
        f"{answer.holds} · bears {answer.bears_nm.words(page)}, {answer.asks_nm.words(page)} asked"
    )


GRIP = Calculator(
    name="grip",
    title="Does the grip hold?",
    door=Door("/holding/grip", "Holding", "Grip"),
    opening={"way": "three-jaw", "dia": "25 mm", "at": "30 mm"},
    question=GripQuestion,
    answers=(GripAnswer,),
    compute=compute,
    needs=needs,
    settle=settle,
    sentences={
        "": "Does the grip hold: {way} on {dia}[, cut at {at}][, force {force} newtons][, {faces}]"
        "[, {clamps} clamps][, bored {bore}][, {wide} wide][, {metal}]"
    },
    calls=(
        "will the grip hold",
        "does the grip hold",
        "will it slip",
        "grip torque",
        "will the chuck hold",
        "will the jaws hold",
        "does the chuck hold",
        "three-cornered",
        "three cornered",
    ),
    headline=headline,
)
