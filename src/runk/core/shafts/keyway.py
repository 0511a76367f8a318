"""``keyway``: how deep from the top of the shaft, the chord allowed for."""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from math import ceil, sqrt
from typing import Annotated

from runk.core.calculator import Calculator, Door
from runk.core.figures import Caution, Figure, Holds, Link, Num, Working, law, told
from runk.core.kinds import Length, OfMetal
from runk.core.metals.metal import Metal
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.shown import Rank, Show
from runk.core.sources import PRACTICE, Held, Source, read_table
from runk.core.units import PageUnit, unit_of
from runk.core.workshop import Workshop

PASS_SHARE = 0.08
"""Depth of a pass as a share of the cutter: 5 thou with a 1/16 in end mill, practice."""


@dataclass(frozen=True, slots=True)
class KeywayQuestion:
    """A keyway milled along a shaft.

    Args:
        width: Of the key; the standard's for the shaft where left out, a quarter of an inch shaft.
        shaft: Diameter it is cut into.
        deep: At its side; half the key's width where left out, the standard's where that is.
        cutter: Where a narrower one cuts it.
    """

    width: Annotated[
        Fraction | None,
        Length(
            "width of the key",
            ("key", "keyway", "wide", "width"),
            principal=True,
            usual=(0.8, 12.0),
            low=0.2,
            high=100.0,
            asks="How wide is the key?",
            placeholder="as the standard has it",
        ),
    ] = None
    shaft: Annotated[
        Fraction,
        Length(
            "shaft",
            ("shaft", "bar", "dia", "diameter", "ø"),
            before=("in", "on"),
            usual=(3.0, 60.0),
            over="width",
            low=1.0,
            high=500.0,
            asks="How thick is the shaft?",
            placeholder="1/4 in",
            needed=("*",),
        ),
    ] = Fraction(0)
    deep: Annotated[
        Fraction | None,
        Length(
            "depth at the side",
            ("deep", "depth"),
            usual=(0.2, 8.0),
            low=0.02,
            high=100.0,
            placeholder="half its width",
        ),
    ] = None
    cutter: Annotated[
        Fraction | None,
        Length(
            "cutter", ("cutter",), usual=(0.8, 12.0), low=0.2, high=100.0, placeholder="the key's"
        ),
    ] = None
    metal: Annotated[str, OfMetal("metal", placeholder="silver steel")] = "silver-steel"


@dataclass(frozen=True, slots=True, kw_only=True)
class KeywayAnswer:
    """Down from the top of the shaft, in passes."""

    depth_top_mm: Annotated[Figure, Show("Down from the top of the shaft", Rank.BIG)]
    passes: Annotated[int, Show("In passes", Rank.BIG)]
    hub_mm: Annotated[Figure | None, Show("In the boss, out from its bore")]
    key_says: Annotated[str, Show("The key", Rank.SAYS)]
    take_mm: Annotated[Figure, Show("Each")]
    chord_mm: Annotated[Figure, Show("Of which the round of the shaft is")]
    side_mm: Annotated[Figure, Show("Deep at its side")]
    left_mm: Annotated[Figure, Show("Metal left under it, to the middle")]
    says: Annotated[str, Show("How", Rank.SAYS)]
    width_mm: Annotated[Figure, Show("Key", Rank.FOLDED)]
    shaft_mm: Annotated[Figure, Show("Shaft", Rank.FOLDED)]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@law(
    "The round of the shaft there",
    "{shaft_mm} ÷ 2 - √(({shaft_mm} ÷ 2)² - ({width_mm} ÷ 2)²)",
    holds=Holds(
        "the key is narrower than the shaft", lambda shaft_mm, width_mm: width_mm < shaft_mm
    ),
)
def chord_limit_mm(shaft_mm: float, width_mm: float) -> float:
    """Height of the arc over a keyway: the cutter touches the top long before the sides.

    >>> round(chord_limit_mm(10.0, 6.0), 3)
    1.0
    """
    radius = shaft_mm / 2.0
    return radius - sqrt(radius**2 - (width_mm / 2.0) ** 2)


@law("Down from the top", "{side_mm} + {chord_mm}")
def depth_top_limit_mm(side_mm: Num, chord_mm: Num) -> Num:
    """Depth at the side with the round of the shaft on it.

    >>> depth_top_limit_mm(1.5, 0.25)
    1.75
    """
    return side_mm + chord_mm


@law("Left to the middle", "{shaft_mm} ÷ 2 - {deep_mm}")
def under_limit_mm(shaft_mm: Num, deep_mm: Num) -> Num:
    """Metal from a keyway's floor to the middle of its shaft.

    >>> under_limit_mm(10.0, 2.0)
    3.0
    """
    return shaft_mm / 2.0 - deep_mm


@dataclass(frozen=True, slots=True)
class StandardKey:
    """A parallel key as the standard has it for a shaft.

    Args:
        width: mm; ``height`` of the key.
        shaft: Depth of its way in the shaft, down from the top, mm; ``hub`` out from the bore.
    """

    width: Fraction
    height: float
    shaft: float
    hub: float


def standard_key(shaft_mm: float) -> StandardKey | None:
    """The parallel key of a shaft; None where the standard has none.

    >>> key = standard_key(20.0)
    >>> float(key.width), key.shaft, key.hub
    (6.0, 3.5, 2.8)
    >>> standard_key(5.0) is None
    True
    """
    for row in read_table("keys"):
        if float(row["over_mm"]) < shaft_mm <= float(row["to_mm"]):
            return StandardKey(
                Fraction(row["width_mm"]),
                float(row["height_mm"]),
                float(row["shaft_mm"]),
                float(row["hub_mm"]),
            )
    return None


@law("By the standard", "{table_mm}", Source("iso-773", Held.RECALLED))
def of_the_table_mm(table_mm: float) -> float:
    """A depth as the standard has it.

    >>> of_the_table_mm(3.5)
    3.5
    """
    return table_mm


def _of_inches(mm: Fraction) -> bool:
    """Whether a size is one of inches: whole sixty-fourths, and no whole millimetres."""
    return (mm * 64 / Fraction("25.4")).denominator == 1 and mm.denominator != 1


def _key_of(question: KeywayQuestion) -> tuple[float, StandardKey | None]:
    """The key's width, and the standard's key where it is that one.

    Raises:
        Refused: The standard has none for the shaft, and none was told.
    """
    shaft = float(question.shaft)
    standard = standard_key(shaft)
    if question.width is not None:
        same = standard is not None and standard.width == question.width
        return float(question.width), standard if same else None
    if _of_inches(question.shaft):
        # The standard is metric: an inch shaft has a key of a quarter of it, practice.
        return shaft / 4.0, None
    if standard is None:
        raise Refused(
            f"The standard has no key for a {mm_said(shaft)} shaft: a quarter of it is usual.",
            field="width",
            suggest=f"{shaft / 4:.2g} mm",
        )
    return float(standard.width), standard


def needs(question: KeywayQuestion, workshop: Workshop) -> Metal:
    """The metal."""
    return workshop.metals[question.metal]


def compute(question: KeywayQuestion, _: Metal | None = None) -> KeywayAnswer:
    """How deep from the top, and in how many passes.

    Raises:
        Refused: A key as wide as its shaft, or a way through its middle.

    >>> answer = compute(KeywayQuestion(Fraction("1.5875"), Fraction("6.35")))
    >>> round(answer.chord_mm.value, 3), round(answer.depth_top_mm.value, 3)
    (0.101, 0.895)
    """
    w, shaft = Working(), float(question.shaft)
    width, standard = _key_of(question)
    if width >= shaft * 0.6:
        raise Refused(
            f"A key {mm_said(width)} wide leaves nothing of a {mm_said(shaft)} shaft beside it.",
            field="width",
            suggest=f"{shaft / 4:.2f} mm",
        )
    cutter = width if question.cutter is None else float(question.cutter)
    if cutter > width + 1e-9:
        raise Refused("The cutter is wider than the key.", field="cutter")
    chord = w.of(chord_limit_mm, "chord_mm", shaft_mm=shaft, width_mm=width)
    if question.deep is None and question.width is None and standard is not None:
        top = w.of(of_the_table_mm, "depth_top_mm", table_mm=standard.shaft)
        side = top.value - chord.value
    else:
        side = width / 2 if question.deep is None else float(question.deep)
        top = w.of(depth_top_limit_mm, "depth_top_mm", since=0, side_mm=side, chord_mm=chord.value)
    left = w.of(under_limit_mm, "left_mm", shaft_mm=shaft, deep_mm=top.value)
    if left.value <= 0:
        raise Refused("That goes past the middle of the shaft.", field="deep")
    passes = max(ceil(top.value / (PASS_SHARE * cutter) - 1e-9), 1)
    return KeywayAnswer(
        depth_top_mm=replace(top, places=3),
        passes=passes,
        take_mm=Figure(top.value / passes, unit_of("take_mm"), (), 3),
        chord_mm=replace(chord, places=3),
        side_mm=told(side, "side_mm"),
        left_mm=replace(left, places=3),
        says=_says(width, cutter),
        hub_mm=None if standard is None else w.of(of_the_table_mm, "hub_mm", table_mm=standard.hub),
        key_says=_key_says(standard),
        width_mm=told(width, "width_mm"),
        shaft_mm=told(shaft, "shaft_mm"),
        cautions=_cautions(left.value, shaft),
        links=(
            Link(
                "speed",
                (
                    ("operation", "keyway"),
                    ("metal", question.metal),
                    ("diameter", f"{cutter:.4f} mm"),
                ),
                "The belt for it",
            ),
        ),
    )


def _says(width: float, cutter: float) -> str:
    if cutter < width - 1e-9:
        each = (width - cutter) / 2
        return (
            f"Down the middle first, then {mm_said(each, 3)} to each side at full depth, climbing "
            "neither: the cutter leans away."
        )
    return "Touch the top of the shaft with the cutter over its middle, then down in passes."


def _key_says(standard: StandardKey | None) -> str:
    if standard is None:
        return ""
    return (
        f"The standard's key for it is {float(standard.width):g} by {standard.height:g} mm: "
        f"{mm_said(standard.shaft)} deep in the shaft, {mm_said(standard.hub)} in the boss."
    )


def _cautions(left: float, shaft: float) -> tuple[Caution, ...]:
    found = []
    if left < shaft / 4:
        says = f"Only {mm_said(left, 2)} is left to the middle: the shaft is weak there."
        found.append(Caution("Mind", "what is left", says, "left_mm", PRACTICE))
    says = "A key that stands out catches sleeves: file it flush with the boss, or guard it."
    return (*found, Caution("Mind", "the key", says, None, PRACTICE))


def headline(answer: KeywayAnswer, page: PageUnit) -> str:
    """Depth from the top, and passes."""
    return f"{answer.depth_top_mm.words(page)} from the top · {answer.passes} passes"


KEYWAY = Calculator(
    name="keyway",
    title="A keyway: how deep from the top",
    door=Door("/shafts/keyway", "Shafts", "Keyway", family="On the shaft"),
    opening={"width": "1/16 in", "shaft": "1/4 in"},
    question=KeywayQuestion,
    answers=(KeywayAnswer,),
    compute=compute,
    needs=needs,
    sentences={
        "": "A [{width} ]keyway in {shaft} shaft of {metal}[, {deep} deep at its side]"
        "[, {cutter} cutter]"
    },
    calls=(
        "keyway # in",
        "keyway # # shaft",
        "keyway # in # shaft",
        "key # in",
        "depth of keyway",
        "# keyway in",
        "keyway for",
        "keyway # shaft",
        "keyway #",
        "key for # shaft",
        "# keyway",
        "depth of a keyway",
    ),
    headline=headline,
)
