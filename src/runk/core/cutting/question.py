"""The question ``speed`` asks."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.cutting.operations import CHOICES as OPERATIONS
from runk.core.cutting.operations import FACTS, Operation
from runk.core.cutting.words import (
    ALLOYS,
    FACED,
    FILED,
    GEARS,
    HELD,
    MEETS,
    MILLED,
    PITCHED,
    PLUNGED,
    SCHOOLS,
    SET_UPS,
    SIDES,
    SINGLE_POINT,
    STAGES,
    SURFACES,
    TOOLS,
    TURNED,
)
from runk.core.kinds import Count, Length, Number, OfMachine, OfMetal, OneOf
from runk.core.machines.choose import Gears, School
from runk.core.machines.machine import Holding


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
    """Whether the cut meets a casting's skin, or the scale of black bar."""

    SOUND = "sound"
    SKIN = "skin"
    SCALE = "scale"


class SetUp(StrEnum):
    """How stiff the whole set-up is."""

    ORDINARY = "ordinary"
    STIFF = "stiff"
    LONG = "long"


class Meets(StrEnum):
    """Whether the edge stays in the metal all the way round."""

    ALL_ROUND = "all round"
    INTERRUPTED = "interrupted"


class Alloy(StrEnum):
    """Whether anybody knows what it is."""

    KNOWN = "known"
    UNKNOWN = "unknown"


class Side(StrEnum):
    """Which side of centre height the tool stands."""

    ABOVE = "above"
    BELOW = "below"


OWN_RPM_FIELD = Number(
    "speed of your own",
    ("rpm", "rev/min", "revs", "r/min"),
    ("rpm", "rev/min", "revs", "r/min"),
    before=("at",),
    low=1.0,
    high=60000.0,
    placeholder="not said",
)
BAR_FIELD = Length(
    "boring bar",
    ("bar", "boring bar"),
    usual=(3.0, 30.0),
    only=("bore",),
    low=0.5,
    high=200.0,
    placeholder="say how thick",
)
"""The bar that bores: the same question wherever a bore is turned."""
RA_FIELD = Number(
    "finish wanted, Ra in µm",
    ("ra",),
    ("µm", "um", "micron", "microns"),
    only=TURNED,
    low=0.05,
    high=50.0,
    placeholder="1.6",
)
"""The finish a drawing asks for: the feed follows from it."""


@dataclass(frozen=True, slots=True)
class SpeedQuestion:
    """What speed, feed and depth for this cut, on this machine.

    Args:
        diameter: Of work (turning), the largest being faced, the bore, or the tool.
        faced: Whether an end mill faces: a flange, a boss.
        length: Of the cut along the work, or the depth of a hole.
        overhang: How far work or boring bar stands out.
        bar: Diameter of the boring bar.
        spigot: Thinner part that carries the work, ``overhang`` from its root to the cut.
        shaft: What a centre is drilled in: without a diameter, the centre drill for it.
        depth: Depth of cut wanted; worked out where not given.
        width: How wide a cutter cuts, or a parting, grooving or threading tool is.
        tip_radius: Of the tool's tip, for the finish.
        finish: Roughness wanted, Ra in micrometres; the feed follows from it.
        off_centre: How far the tool stands off centre height, on which ``side``.
        pitch: Of the thread, for tapping and screw-cutting.
        relief: Width of the groove a screw-cutting tool must stop in.
        gears: Direct speeds only, or those of the back gear.
        hardness: In HRC, of steel that is harder than it is sold: slower by it.
        own_rpm: A speed somebody has in mind, judged beside Runk's.
        own_feed: A feed likewise: a turn, or a tooth of a milling cutter.
        own_feed_min: The same as it is wound or set, a minute.
    """

    metal: Annotated[str, OfMetal("metal", placeholder="mild steel")]
    diameter: Annotated[
        Fraction,
        Length(
            "diameter",
            ("dia", "diameter", "cutter", "ø", "across", "bore", "hole", "bar", "rod", "drill"),
            principal=True,
            usual={key.value: facts.usual_mm for key, facts in FACTS.items()},
            needed=("*",),
            or_else="shaft",
            low=0.1,
            high=5000.0,
            placeholder="12",
        ),
    ] = Fraction(0)
    operation: Annotated[Operation, OneOf("operation", choices=OPERATIONS, rules=True)] = (
        Operation.TURN
    )
    tool: Annotated[Tool, OneOf("tool", choices=TOOLS)] = Tool.HSS
    stage: Annotated[Stage, OneOf("stage", choices=STAGES, only=(*TURNED, *MILLED))] = Stage.ROUGH
    surface: Annotated[Surface, OneOf("surface", choices=SURFACES)] = Surface.SOUND
    held: Annotated[Holding | None, OneOf("holding", choices=HELD)] = None
    set_up: Annotated[SetUp, OneOf("set-up", choices=SET_UPS)] = SetUp.ORDINARY
    faced: Annotated[str, OneOf("what is milled", choices=FACED, only=("end-mill",))] = "side"
    meets: Annotated[Meets, OneOf("contact", choices=MEETS, only=SINGLE_POINT)] = Meets.ALL_ROUND
    machine: Annotated[str, OfMachine("machine", placeholder="lathe")] = ""
    length: Annotated[
        Fraction | None,
        Length(
            "length of cut",
            ("long", "length", "deep", "through", "plate", "sheet", "thick"),
            usual=(3.0, 500.0),
            deaf=("fly-cut",),
            high=5000.0,
            placeholder="say how long",
        ),
    ] = None
    overhang: Annotated[
        Fraction | None,
        Length(
            "overhang",
            ("out", "overhang", "sticking", "stickout"),
            usual=(5.0, 400.0),
            only=(*TURNED, *FILED),
            high=5000.0,
            placeholder="say how far",
        ),
    ] = None
    bar: Annotated[Fraction | None, BAR_FIELD] = None
    spigot: Annotated[
        Fraction | None,
        Length(
            "spigot it turns on",
            ("spigot", "neck", "stub", "pip"),
            before=("on a spigot of",),
            only=("turn", "face", *PLUNGED),
            usual=(1.0, 60.0),
            low=0.3,
            high=1000.0,
            placeholder="as thick as itself",
        ),
    ] = None
    shaft: Annotated[
        Fraction | None,
        Length(
            "bar it is drilled in",
            ("shaft end", "shaft", "bar end", "end of"),
            only=("centre",),
            usual=(3.0, 80.0),
            low=1.0,
            high=500.0,
            placeholder="not said",
        ),
    ] = None
    depth: Annotated[
        Fraction | None,
        Length(
            "depth of cut",
            ("deep", "cut", "doc", "taking", "off", "depth of cut", "deep cut", "depth"),
            usual=(0.02, 5.0),
            only=(*SINGLE_POINT, *MILLED),
            low=0.001,
            high=50.0,
            placeholder="work it out",
        ),
    ] = None
    width: Annotated[
        Fraction | None,
        Length(
            "width of the tool or cut",
            ("wide", "width", "blade", "tool"),
            before=("boss", "flange"),
            usual=(0.3, 40.0),
            spare=True,
            only=(*MILLED, *PLUNGED, "screw-cut"),
            high=200.0,
            placeholder="as usual",
        ),
    ] = None
    teeth: Annotated[
        int | None,
        Count(
            "teeth",
            ("flute", "flutes", "tooth", "teeth", "lips"),
            deaf=("gear-cut",),
            only=MILLED,
            low=1,
            high=400,
            placeholder="as usual",
        ),
    ] = None
    tip_radius: Annotated[
        Fraction | None,
        Length(
            "tip radius",
            ("radius", "nose", "tip"),
            usual=(0.05, 3.0),
            only=TURNED,
            low=0.01,
            high=10.0,
            placeholder="0.4 mm",
        ),
    ] = None
    alloy: Annotated[Alloy, OneOf("alloy", choices=ALLOYS)] = Alloy.KNOWN
    finish: Annotated[float | None, RA_FIELD] = None
    off_centre: Annotated[
        Fraction | None,
        Length(
            "tool height error",
            (
                "off high",
                "off low",
                "off centre",
                "off center",
                "high",
                "low",
                "too high",
                "too low",
                "above",
                "below",
                "above centre",
                "below centre",
                "off above",
                "off below",
            ),
            usual=(0.01, 2.0),
            only=TURNED,
            high=20.0,
            placeholder="how far",
        ),
    ] = None
    side: Annotated[Side, OneOf("side of centre", choices=SIDES, only=TURNED)] = Side.BELOW
    pitch: Annotated[
        Fraction | None,
        Length(
            "pitch",
            ("pitch",),
            usual=(0.2, 4.0),
            only=PITCHED,
            low=0.1,
            high=12.0,
            placeholder="0.7 mm",
        ),
    ] = None
    relief: Annotated[
        Fraction | None,
        Length(
            "relief groove",
            ("relief", "runout", "undercut"),
            usual=(0.5, 12.0),
            before=("groove",),
            only=("screw-cut",),
            high=50.0,
            placeholder="how wide",
        ),
    ] = None
    school: Annotated[School, OneOf("school", choices=SCHOOLS)] = School.A_LITTLE_OVER
    gears: Annotated[Gears, OneOf("gear", choices=GEARS)] = Gears.ANY
    hardness: Annotated[
        float | None,
        Number(
            "hardness in HRC",
            ("hrc", "rockwell", "rc"),
            ("hrc", "rc"),
            low=5.0,
            high=68.0,
            placeholder="as it is sold",
        ),
    ] = None
    own_rpm: Annotated[float | None, OWN_RPM_FIELD] = None
    own_feed: Annotated[
        Fraction | None,
        Length(
            "feed of your own",
            ("feed", "feed of", "feeding", "a rev", "per rev", "a turn", "a tooth", "per tooth"),
            usual=(0.003, 1.0),
            deaf=("knurl", "power-tap", "screw-cut"),
            low=0.0005,
            high=10.0,
            placeholder="not said",
        ),
    ] = None
    own_feed_min: Annotated[
        Fraction | None,
        Length(
            "feed a minute of your own",
            ("a minute", "per minute"),
            usual=(1.0, 500.0),
            deaf=("knurl", "power-tap", "screw-cut"),
            low=0.05,
            high=10000.0,
            placeholder="not said",
        ),
    ] = None
