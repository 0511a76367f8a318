"""What a tool in the workshop is, and what state it is in."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass, field
from enum import StrEnum
from fractions import Fraction

from runk.core.naming import plain_name
from runk.core.refusals import Refused
from runk.core.said import mm_said
from runk.core.tools.details import LONGEST_DETAIL, divider_of, gear_cutter_of

LARGEST_MM = 2000.0
LONGEST_NAME = 60
FASTEST_RPM = 60000.0


class ToolKind(StrEnum):
    """What sort of tool it is."""

    DRILL = "drill"
    CENTRE_DRILL = "centre drill"
    REAMER = "reamer"
    END_MILL = "end mill"
    SLOT_DRILL = "slot drill"
    SAW = "slitting saw"
    GROOVING = "grooving tool"
    PARTING = "parting tool"
    MEASURE = "measuring tool"
    TAP = "tap"
    DIE = "die"
    COUNTERSINK = "countersink"
    GEAR_CUTTER = "gear cutter"
    COLLET = "collet"
    ARBOR = "arbor"
    MANDREL = "mandrel"
    BORING_HEAD = "boring head"
    BAR = "bar"
    DIVIDING_HEAD = "dividing head"
    ROTARY_TABLE = "rotary table"
    FINDER = "edge finder"


FIGURES = ("reach_mm", "lead_mm", "width_mm", "resolution_mm", "most_rpm", "bore_mm")
"""What may be said of a tool besides its size."""
LENGTHS = tuple(name for name in FIGURES if name.endswith("_mm"))


_DETAILED: dict[ToolKind, Callable[[str], object]] = {
    ToolKind.DIVIDING_HEAD: divider_of,
    ToolKind.ROTARY_TABLE: divider_of,
    ToolKind.GEAR_CUTTER: lambda detail: gear_cutter_of(detail) if detail else None,
}
"""Kinds whose detail must be readable."""


class State(StrEnum):
    """Whether it can be used."""

    SOUND = "sound"
    MISSING = "missing"
    BENT = "bent"
    BLUNT = "blunt"


@dataclass(frozen=True, slots=True)
class ShopTool:
    """A tool that is owned, or was.

    Args:
        kind: What it is.
        name: As spoken: ``#43``, ``letter F``, ``7/64"``, ``4.1 mm``.
        size_mm: Diameter, of a tap or die the thread's; of a grooving or parting tool its width;
            of a measuring tool the most it measures; of a boring head the largest it opens; of a
            dividing head its height of centres; of an edge finder its tip.
        series: ``number``, ``letter``, ``fractional`` or ``metric`` for a drill; ``hand`` or
            ``machine`` for a reamer; ``taper``, ``second`` or ``bottoming`` for a tap.
        reach_mm: How deep it can go: flutes of a drill, blade of a parting tool.
        lead_mm: Length of a reamer's tapered lead.
        width_mm: Thickness of a saw.
        resolution_mm: What a measuring tool reads to.
        most_rpm: The fastest it may be turned, such as a boring head.
        detail: What else is said of it, as :mod:`runk.core.tools.details` reads it.
        bore_mm: Hole in the middle of a saw or a gear cutter: its arbor's size.
    """

    kind: ToolKind
    name: str
    size_mm: Fraction
    series: str = ""
    state: State = State.SOUND
    reach_mm: float | None = None
    lead_mm: float | None = None
    width_mm: float | None = None
    resolution_mm: float | None = None
    most_rpm: float | None = None
    bore_mm: float | None = None
    detail: str = ""
    mm: float = field(init=False, repr=False, compare=False)

    def __post_init__(self) -> None:
        # Trays are searched by size at every key pressed: as a plain number, kept once.
        object.__setattr__(self, "mm", float(self.size_mm))

    @property
    def sound(self) -> bool:
        """Whether it is there, straight and sharp."""
        return self.state is State.SOUND

    @property
    def key(self) -> tuple[str, str, str]:
        """What makes it another tool: two of the same kind, series and name are one."""
        return (self.kind.value, self.series, self.name.lower())


SERIES: dict[ToolKind, tuple[str, ...]] = {
    ToolKind.DRILL: ("number", "letter", "fractional", "metric"),
    ToolKind.REAMER: ("hand", "machine"),
    ToolKind.TAP: ("taper", "second", "bottoming"),
}


def check_tool(tool: ShopTool) -> None:
    """Refuse a tool that could not be one.

    Raises:
        Refused: Naming the field.
    """
    plain_name(tool.name, LONGEST_NAME, "tool", suggest="4.1 mm")
    if not 0 < tool.size_mm <= LARGEST_MM:
        raise Refused(f"{mm_said(tool.size_mm)} is no size of a {tool.kind}.", field="size")
    series = SERIES.get(tool.kind, ("",))
    if tool.series not in series:
        raise Refused(
            f"`{tool.series[:20]}` is no sort of {tool.kind}.",
            field="series",
            suggest=" or ".join(s or "leave it blank" for s in series),
        )
    if tool.most_rpm is not None and not 0 < tool.most_rpm <= FASTEST_RPM:
        raise Refused(f"{tool.most_rpm:g} is no speed of a {tool.kind}.", field="fastest")
    for name in LENGTHS:
        value = getattr(tool, name)
        if value is not None and not 0 < value <= LARGEST_MM:
            field = name.removesuffix("_mm")
            raise Refused(f"{mm_said(value)} is no {field} of a tool.", field=field)
    if len(tool.detail) > LONGEST_DETAIL:
        raise Refused(f"More than {LONGEST_DETAIL} characters is too much.", field="detail")
    if reads := _DETAILED.get(tool.kind):
        reads(tool.detail)
    if tool.kind is ToolKind.MEASURE and tool.resolution_mm is None:
        raise Refused("Say what it reads to.", field="resolution", suggest="0.01")


def usable(tools: Iterable[ShopTool], *kinds: ToolKind) -> tuple[ShopTool, ...]:
    """Sound tools of these kinds, smallest first."""
    found = [t for t in tools if t.kind in kinds and t.sound]
    return tuple(sorted(found, key=lambda t: t.mm))
