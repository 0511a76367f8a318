"""The question ``speed`` asks."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Annotated

from runk.core.cutting.operations import CHOICES as OPERATIONS
from runk.core.cutting.operations import Operation
from runk.core.cutting.words import (
    ALLOYS,
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
from runk.core.fields import Field, Kind
from runk.core.machines.choose import School
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


class Alloy(StrEnum):
    """Whether anybody knows what it is."""

    KNOWN = "known"
    UNKNOWN = "unknown"


class Side(StrEnum):
    """Which side of centre height the tool stands."""

    ABOVE = "above"
    BELOW = "below"


@dataclass(frozen=True, slots=True)
class SpeedQuestion:
    """What speed, feed and depth for this cut, on this machine.

    Args:
        diameter: Of work (turning), the largest being faced, the bore, or the tool.
        length: Of the cut along the work, or the depth of a hole.
        overhang: How far work or boring bar stands out.
        bar: Diameter of the boring bar.
        depth: Depth of cut wanted; worked out where not given.
        width: How wide a cutter cuts, or a parting, grooving or threading tool is.
        tip_radius: Of the tool's tip, for the finish.
        finish: Roughness wanted, Ra in micrometres; the feed follows from it.
        off_centre: How far the tool stands off centre height, on which ``side``.
        pitch: Of the thread, for tapping and screw-cutting.
        relief: Width of the groove a screw-cutting tool must stop in.
    """

    metal: Annotated[str, Field(Kind.METAL, "metal", placeholder="mild steel")]
    diameter: Annotated[
        Fraction,
        Field(Kind.LENGTH, "diameter", ("dia", "diameter", "cutter", "ø"), principal=True,
              low=0.1, high=5000.0, placeholder="12"),
    ]  # fmt: skip
    operation: Annotated[
        Operation, Field(Kind.CHOICE, "operation", choices=OPERATIONS, rules=True)
    ] = Operation.TURN
    tool: Annotated[Tool, Field(Kind.CHOICE, "tool", choices=TOOLS)] = Tool.HSS
    stage: Annotated[
        Stage, Field(Kind.CHOICE, "stage", choices=STAGES, only=(*TURNED, *MILLED))
    ] = Stage.ROUGH
    surface: Annotated[Surface, Field(Kind.CHOICE, "surface", choices=SURFACES)] = Surface.SOUND
    held: Annotated[Holding | None, Field(Kind.CHOICE, "holding", choices=HELD)] = None
    set_up: Annotated[SetUp, Field(Kind.CHOICE, "set-up", choices=SET_UPS)] = SetUp.ORDINARY
    meets: Annotated[Meets, Field(Kind.CHOICE, "contact", choices=MEETS, only=SINGLE_POINT)] = (
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
              only=(*SINGLE_POINT, *MILLED), low=0.001, high=50.0, placeholder="work it out"),
    ] = None  # fmt: skip
    width: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "width of the tool or cut", ("wide", "width", "blade"),
              only=(*MILLED, *PLUNGED, "screw-cut"), high=200.0, placeholder="as usual"),
    ] = None  # fmt: skip
    teeth: Annotated[
        int | None,
        Field(Kind.COUNT, "teeth", ("flute", "flutes", "tooth", "teeth", "lips"),
              only=MILLED, low=1, high=400, placeholder="as usual"),
    ] = None  # fmt: skip
    tip_radius: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "tip radius", ("radius", "nose", "tip"), only=TURNED,
              low=0.01, high=10.0, placeholder="0.4 mm"),
    ] = None  # fmt: skip
    alloy: Annotated[Alloy, Field(Kind.CHOICE, "alloy", choices=ALLOYS)] = Alloy.KNOWN
    finish: Annotated[
        float | None,
        Field(Kind.NUMBER, "finish wanted, Ra in µm", ("ra",), only=TURNED, low=0.05, high=50.0,
              placeholder="1.6"),
    ] = None  # fmt: skip
    off_centre: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "tool height error", ("off",), only=TURNED, high=20.0,
              placeholder="how far"),
    ] = None  # fmt: skip
    side: Annotated[Side, Field(Kind.CHOICE, "side of centre", choices=SIDES, only=TURNED)] = (
        Side.BELOW
    )
    pitch: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "pitch", ("pitch",), only=PITCHED, low=0.1, high=12.0,
              placeholder="0.7 mm"),
    ] = None  # fmt: skip
    relief: Annotated[
        Fraction | None,
        Field(Kind.LENGTH, "relief groove", ("relief", "runout", "undercut"), before=("groove",),
              only=("screw-cut",), high=50.0, placeholder="how wide"),
    ] = None  # fmt: skip
    school: Annotated[School, Field(Kind.CHOICE, "school", choices=SCHOOLS)] = School.A_LITTLE_OVER
