"""The question ``speed`` asks and the answer it gives."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.fields import Choice, Field, Kind
from runk.core.figures import Caution, Figure, Link
from runk.core.machines.choose import School
from runk.core.machines.machine import Holding

TURNED = ("turn", "face", "bore")
LATHE_HELD = ("turn", "face", "bore", "drill")


class Operation(StrEnum):
    """What is being done to the metal."""

    TURN = "turn"
    FACE = "face"
    BORE = "bore"
    DRILL = "drill"
    END_MILL = "end-mill"


class Tool(StrEnum):
    """What the cutting edge is made of."""

    HSS = "hss"
    COBALT = "cobalt"
    CARBIDE = "carbide"


class Stage(StrEnum):
    """Roughing or finishing."""

    ROUGH = "rough"
    FINISH = "finish"


class Surface(StrEnum):
    """Whether the cut meets a casting's skin."""

    SOUND = "sound"
    SKIN = "skin"


class SetUp(StrEnum):
    """How stiff the whole set-up is."""

    ORDINARY = "ordinary"
    STIFF = "stiff"
    LONG = "long"


class Meets(StrEnum):
    """Whether the edge stays in the metal all the way round."""

    ALL_ROUND = "all round"
    INTERRUPTED = "interrupted"


_OPERATIONS = (
    Choice("turn", "Turn", ("turn", "turning", "turned", "od")),
    Choice("face", "Face", ("face", "facing", "faced")),
    Choice("bore", "Bore", ("bore", "boring", "bored", "bore out")),
    Choice("drill", "Drill", ("drill", "drilling", "drilled")),
    Choice("end-mill", "End mill", ("end mill", "mill", "milling", "endmill", "end milling")),
)
_TOOLS = (
    Choice("hss", "high-speed steel", ("hss", "high speed steel", "high speed")),
    Choice("cobalt", "cobalt steel", ("cobalt", "hss-co", "m35", "m42", "cobalt hss")),
    Choice(
        "carbide",
        "carbide",
        ("carbide", "tip", "tipped", "insert", "tungsten carbide", "carbide tip", "solid carbide"),
    ),
)
_STAGES = (
    Choice("rough", "roughing", ("rough", "roughing", "roughed")),
    Choice("finish", "finishing", ("finish", "finishing", "fine", "last cut", "finish cut")),
)
_SURFACES = (
    Choice("sound", "sound metal", ("sound", "below the skin", "under the skin"), silent=True),
    Choice(
        "skin",
        "its as-cast skin",
        ("skin", "as-cast", "as cast", "as-cast skin", "casting skin", "scale", "with skin"),
    ),
)
_SET_UPS = (
    Choice("ordinary", "an ordinary set-up", ("ordinary", "ordinary set-up"), silent=True),
    Choice("stiff", "a stiff set-up", ("stiff", "rigid", "solid")),
    Choice(
        "long",
        "a long or thin set-up",
        ("long overhang", "slender", "whippy", "thin work", "long work"),
    ),
)
_MEETS = (
    Choice("all round", "all round", ("continuous",), silent=True),
    Choice(
        "interrupted", "with gaps", ("interrupted", "interrupted cut", "intermittent", "with gaps")
    ),
)
_HELD = (
    Choice(
        "three-jaw",
        "three-jaw",
        ("3 jaw", "3-jaw", "three jaw", "chuck", "self-centring chuck"),
        LATHE_HELD,
    ),
    Choice("four-jaw", "four-jaw", ("4 jaw", "4-jaw", "four jaw", "independent chuck"), LATHE_HELD),
    Choice("collet", "collet", ("collet",), LATHE_HELD),
    Choice(
        "between centres",
        "centres",
        ("between centres", "between centers", "centres", "centers"),
        ("turn", "face"),
    ),
    Choice(
        "chuck and centre",
        "chuck and centre",
        ("chuck and centre", "with centre", "tailstock centre", "revolving centre"),
        ("turn",),
    ),
    Choice("faceplate", "faceplate", ("faceplate", "face plate"), LATHE_HELD),
    Choice("mandrel", "mandrel", ("mandrel", "on a mandrel", "arbor"), ("turn", "face")),
    Choice("vice", "vice", ("vice", "vise", "machine vice"), ("drill", "bore", "end-mill")),
    Choice(
        "clamped to the table",
        "clamps on the table",
        ("clamped", "clamps", "clamped down"),
        ("drill", "bore", "end-mill"),
    ),
    Choice("vertical slide", "vertical slide", ("vertical slide",), ("end-mill",)),
)
_SCHOOLS = (
    Choice("a little over", "a little over at most", ()),
    Choice("never over", "never over", ()),
    Choice("nearest", "nearest either way", ()),
)


@dataclass(frozen=True, slots=True)
class SpeedQuestion:
    """What speed, feed and depth for this cut, on this machine.

    Args:
        diameter: Of work (turning), the largest being faced, the bore, or the tool.
        length: Of the cut along the work, or the depth of a hole.
        overhang: How far work or boring bar stands out.
        bar: Diameter of the boring bar.
        depth: Depth of cut wanted; worked out where not given.
        width: How wide an end mill cuts.
        tip_radius: Of the tool's tip, for the finish.
    """

    metal: Annotated[str, Field(Kind.METAL, "metal", placeholder="mild steel")]
    diameter: Annotated[
        Fraction,
        Field(Kind.LENGTH, "diameter", ("dia", "diameter", "cutter", "ø"), principal=True,
              low=0.1, high=5000.0, placeholder="12"),
    ]  # fmt: skip
    operation: Annotated[
        Operation, Field(Kind.CHOICE, "operation", choices=_OPERATIONS, rules=True)
    ] = Operation.TURN
    tool: Annotated[Tool, Field(Kind.CHOICE, "tool", choices=_TOOLS)] = Tool.HSS
    stage: Annotated[
        Stage, Field(Kind.CHOICE, "stage", choices=_STAGES, only=(*TURNED, "end-mill"))
    ] = Stage.ROUGH
    surface: Annotated[Surface, Field(Kind.CHOICE, "surface", choices=_SURFACES)] = Surface.SOUND
    held: Annotated[Holding | None, Field(Kind.CHOICE, "holding", choices=_HELD)] = None
    set_up: Annotated[SetUp, Field(Kind.CHOICE, "set-up", choices=_SET_UPS)] = SetUp.ORDINARY
    meets: Annotated[Meets, Field(Kind.CHOICE, "contact", choices=_MEETS, only=TURNED)] = (
        Meets.ALL_ROUND
    )
    machine: Annotated[str, Field(Kind.MACHINE, "machine", placeholder="lathe")] = ""
    length: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "length of cut", ("long", "length", "deep"),
              high=5000.0, placeholder="say how long"),
    ] = None  # fmt: skip
    overhang: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "overhang", ("out", "overhang", "sticking", "stickout"), only=TURNED,
              high=5000.0, placeholder="say how far"),
    ] = None  # fmt: skip
    bar: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "boring bar", ("bar",), only=("bore",), low=0.5, high=200.0,
              placeholder="say how thick"),
    ] = None  # fmt: skip
    depth: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "depth of cut", ("deep", "cut", "doc", "taking"),
              only=(*TURNED, "end-mill"), low=0.001, high=50.0, placeholder="work it out"),
    ] = None  # fmt: skip
    width: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "width of cut", ("wide", "width"), only=("end-mill",), high=200.0,
              placeholder="half the cutter"),
    ] = None  # fmt: skip
    teeth: Annotated[
        int | None,
        Field(Kind.COUNT, "teeth", ("flute", "flutes", "tooth", "teeth", "lips"),
              only=("end-mill",), low=1, high=40, placeholder="4"),
    ] = None  # fmt: skip
    tip_radius: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "tip radius", ("radius", "nose"), only=TURNED, low=0.01, high=10.0,
              placeholder="0.4 mm"),
    ] = None  # fmt: skip
    school: Annotated[School, Field(Kind.CHOICE, "school", choices=_SCHOOLS)] = School.A_LITTLE_OVER


SENTENCES = {
    "turn": "{operation} {diameter} {metal}[, {surface}], held in the {held}[, {overhang} out], "
    "with {tool}, {stage}[ in {set_up}][, {meets}][, taking {depth} deep][, {length} long]"
    "[, tip {tip_radius}], on the {machine}",
    "face": "{operation} {diameter} across in {metal}[, {surface}], held in the {held}"
    "[, {overhang} out], with {tool}, {stage}[ in {set_up}][, {meets}][, taking {depth} deep]"
    "[, tip {tip_radius}], on the {machine}",
    "bore": "{operation} a {diameter} hole in {metal}[, {surface}], held in the {held}, with {tool}"
    "[ on a {bar} bar][ {overhang} out], {stage}[ in {set_up}][, {meets}][, taking {depth} deep]"
    "[, {length} long][, tip {tip_radius}], on the {machine}",
    "drill": "{operation} {diameter} in {metal}[, {surface}], held in the {held}, with {tool}"
    "[, in {set_up}][, {length} deep], on the {machine}",
    "end-mill": "{operation} {metal}[, {surface}], with a {diameter} cutter, {tool}"
    "[, {teeth} teeth][, {width} wide][, taking {depth} deep], {stage}[ in {set_up}], "
    "held in the {held}[, {length} long], on the {machine}",
}


@dataclass(frozen=True, slots=True)
class SchoolChoice:
    """What one school of choosing a step would set."""

    school: str
    title: str
    position: str
    rpm: Figure
    off_percent: Figure
    chosen: bool


@dataclass(frozen=True, slots=True)
class SpeedAnswer:
    """What to set, what it takes off, what it asks of the machine.

    ``depth_mm`` is the depth of cut as the dial will make it: on the radius in turning
    and boring, along the axis in facing and milling, half the diameter in drilling.
    """

    set_rpm: Figure
    position: str
    mark: str
    gear: str
    target_rpm: Figure
    off_percent: Figure
    explains: str
    surface_speed_m_min: Figure
    feed_mm_per_rev: Figure
    feed_mm_per_min: Figure
    feed_mm_per_tooth: Figure | None
    depth_mm: Figure
    takes_off_mm: Figure | None
    dial_slide: str
    dial_divisions: Figure | None
    dial_says: str
    roughness_um: Figure | None
    force_n: Figure
    power_w: Figure
    power_available_w: Figure
    torque_nm: Figure
    torque_available_nm: Figure
    spring_mm: Figure | None
    diameter_error_mm: Figure | None
    time_s: Figure | None
    coolant: str
    machine: str
    schools: tuple[SchoolChoice, ...]
    cautions: tuple[Caution, ...]
    links: tuple[Link, ...]
    then: SpeedAnswer | None
