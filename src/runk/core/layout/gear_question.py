"""The question ``gear`` asks, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated, ClassVar

from runk.core.figures import Caution, Figure, Link
from runk.core.kinds import Angle, Choice, Count, Length, Number, OneOf
from runk.core.shown import Rank, Show, Table

FEWEST, MOST = 6, 400
USUAL_DEG = 20.0
PARTS = (
    Choice("wheel", "a wheel", ("spur gear", "gear wheel", "wheel", "pinion"), yields_to=("rack",)),
    Choice("rack", "a rack", ("rack",)),
)
DEPTHS = (
    Choice("2.25", "2.25 modules deep", ("full depth", "2.25"), silent=True),
    Choice(
        "2.157", "2.157 modules deep, by older cutters", ("older cutters", "2.157", "old cutter")
    ),
)
TOUCHED = (
    Choice(
        "near",
        "its near side touched on the blank",
        ("near side", "underside", "touched near"),
        silent=True,
    ),
    Choice(
        "far",
        "its far side level with the blank",
        ("far side", "top side", "upper side", "touched far"),
    ),
)


@dataclass(frozen=True, slots=True)
class GearQuestion:
    """A spur gear to be cut.

    Args:
        part: A wheel, or a rack.
        teeth: Of it; of a rack how many it has.
        outside: Its outside diameter, where the teeth are not counted.
        module: Its module in millimetres; ``dp`` teeth to an inch of pitch circle instead.
        mate: Teeth of the wheel it runs with.
        pressure: Pressure angle.
        depth: How deep the teeth are, in modules.
        backlash: Play along the pitch circle; what is usual where left out.
        cutter: Diameter of the cutter, for its run-out.
        thick: Of the cutter, for the touch-off; ``touched`` says which side.
        wide: Of the wheel, along its teeth.
        room: From the end of the teeth to the next shoulder, dog or chuck.
    """

    part: Annotated[str, OneOf("part", choices=PARTS, rules=True)] = "wheel"
    teeth: Annotated[
        int,
        Count(
            "teeth",
            ("teeth", "tooth", "t", "z"),
            principal=True,
            needed=("wheel",),
            or_else="outside",
            low=1,
            high=MOST,
            asks="How many teeth?",
            placeholder="22",
        ),
    ] = 0
    module: Annotated[
        float | None,
        Number(
            "module",
            ("module", "mod", "m"),
            units=("module", "mod", "mm"),
            low=0.1,
            high=10.0,
            or_else="dp outside",
            needed=("*",),
            asks="Which module, or how many DP?",
            placeholder="0.7",
        ),
    ] = None
    dp: Annotated[
        float | None,
        Number(
            "diametral pitch",
            ("dp", "diametral pitch", "d.p."),
            units=("dp",),
            low=2.0,
            high=200.0,
            placeholder="by module",
        ),
    ] = None
    mate: Annotated[
        int | None,
        Count(
            "with teeth",
            ("with", "into", "meshing with", "mate"),
            only=("wheel",),
            low=FEWEST,
            high=MOST,
            placeholder="none",
            asks="How many teeth has its mate?",
        ),
    ] = None
    outside: Annotated[
        Fraction | None,
        Length(
            "outside diameter",
            ("outside", "outside diameter", "od"),
            only=("wheel",),
            usual=(5.0, 200.0),
            low=1.0,
            high=2000.0,
            placeholder="by the teeth",
            asks="How large is it outside?",
        ),
    ] = None
    pressure: Annotated[
        float | None,
        Angle(
            "pressure angle",
            ("pressure angle", "pa", "degrees", "deg"),
            low=12.0,
            high=30.0,
            placeholder="20°",
        ),
    ] = None
    depth: Annotated[str, OneOf("depth", choices=DEPTHS)] = "2.25"
    backlash: Annotated[
        Fraction | None,
        Length(
            "play",
            ("backlash", "play"),
            only=("wheel",),
            low=0.001,
            high=2.0,
            placeholder="as usual",
        ),
    ] = None
    cutter: Annotated[
        Fraction | None,
        Length("cutter", ("cutter",), low=5.0, high=300.0, placeholder="the one owned"),
    ] = None
    thick: Annotated[
        Fraction | None,
        Length("cutter, thick", ("thick",), low=0.2, high=50.0, placeholder="not told"),
    ] = None
    touched: Annotated[str, OneOf("touched", choices=TOUCHED)] = "near"
    wide: Annotated[
        Fraction | None,
        Length("wheel, wide", ("wide", "face"), low=0.2, high=500.0, placeholder="not told"),
    ] = None
    room: Annotated[
        Fraction | None,
        Length(
            "to the next shoulder",
            ("shoulder", "room", "to the dog", "to the chuck"),
            low=0.1,
            high=500.0,
            placeholder="not told",
            asks="How far is it to the next shoulder?",
        ),
    ] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class CutterOwned:
    """A cutter in the trays that is for these teeth."""

    name: Annotated[str, Show("Cutter")]
    says: Annotated[str, Show("For")]


@dataclass(frozen=True, slots=True, kw_only=True)
class WheelAnswer:
    """A wheel: its blank, its depth, its cutter, what to measure."""

    tag: ClassVar[str] = "wheel"
    outside_mm: Annotated[Figure, Show("Turn the blank to", Rank.BIG)]
    depth_mm: Annotated[Figure, Show("Cut the teeth deep", Rank.BIG)]
    cutter: Annotated[str, Show("Cutter", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    feed: Annotated[str, Show("Feed")]
    centre_height_mm: Annotated[Figure | None, Show("From the touch to the middle")]
    span_mm: Annotated[Figure, Show("Measure: over the teeth below")]
    over_teeth: Annotated[int, Show("taken over so many")]
    chordal_mm: Annotated[Figure, Show("Or one tooth, straight across")]
    below_tip_mm: Annotated[Figure, Show("that far below the tip")]
    pitch_circle_mm: Annotated[Figure, Show("Pitch circle")]
    root_mm: Annotated[Figure, Show("Bottom of the gaps")]
    base_circle_mm: Annotated[Figure, Show("Base circle", Rank.FOLDED)]
    pressure_deg: Annotated[Figure, Show("Pressure angle", Rank.FOLDED)]
    module_mm: Annotated[Figure, Show("Module")]
    per_inch: Annotated[str, Show("As diametral pitch")]
    run_out_mm: Annotated[Figure | None, Show("The cutter runs out past the teeth by")]
    travel_mm: Annotated[Figure | None, Show("Table travels for a tooth")]
    left_mm: Annotated[Figure | None, Show("Left to the shoulder")]
    centres_mm: Annotated[Figure | None, Show("Centres, teeth close")]
    backlash_mm: Annotated[Figure | None, Show("Play along the pitch circle")]
    opened_mm: Annotated[Figure | None, Show("Centres, with that play")]
    contact_ratio: Annotated[Figure | None, Show("Pairs of teeth that carry")]
    mate_teeth: Annotated[int | None, Show("Teeth of the other", Rank.FOLDED)]
    teeth: Annotated[int, Show("Teeth", Rank.FOLDED)]
    owned: Annotated[tuple[CutterOwned, ...], Table("Cutters in the trays for this module")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class ToothAt:
    """A gap of a rack."""

    gap: Annotated[int, Show("Gap")]
    at_mm: Annotated[Figure, Show("Table at")]


@dataclass(frozen=True, slots=True, kw_only=True)
class RackAnswer:
    """A rack: from gap to gap, how deep, by which cutter."""

    tag: ClassVar[str] = "rack"
    rack_pitch_mm: Annotated[Figure, Show("From gap to gap", Rank.BIG)]
    depth_mm: Annotated[Figure, Show("Cut the teeth deep", Rank.BIG)]
    cutter: Annotated[str, Show("Cutter", Rank.BIG)]
    says: Annotated[str, Show("How", Rank.SAYS)]
    long_mm: Annotated[Figure | None, Show("Long, over the teeth")]
    rack_tooth_mm: Annotated[Figure, Show("Each tooth, at its pitch line")]
    module_mm: Annotated[Figure, Show("Module")]
    per_inch: Annotated[str, Show("As diametral pitch")]
    run_out_mm: Annotated[Figure | None, Show("The cutter runs out past the teeth by")]
    travel_mm: Annotated[Figure | None, Show("Table travels for a tooth")]
    left_mm: Annotated[Figure | None, Show("Left to the shoulder")]
    gaps: Annotated[tuple[ToothAt, ...], Table("Where the table stands for each gap")]
    owned: Annotated[tuple[CutterOwned, ...], Table("Cutters in the trays for this module")]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]


GearAnswer = WheelAnswer | RackAnswer
