"""What Back Shed owns: its trays, with the usual gaps."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from fractions import Fraction

from runk.core.lengths import read_length
from runk.core.threads import find_thread
from runk.core.tools import ShopTool, State, ToolKind
from runk.core.tools.sets import tool_set

_GAPS = {
    "#43": State.MISSING,
    "#51": State.BENT,
    "#58": State.MISSING,
    "letter Q": State.MISSING,
    "4.2 mm": State.BLUNT,
    "1.3 mm": State.MISSING,
    "2.5 mm": State.BENT,
    '3/32"': State.MISSING,
    "6.8 mm": State.MISSING,
}
_REAMERS = (
    ('1/8"', "hand", 12.0),
    ('3/16"', "hand", 16.0),
    ('1/4"', "hand", 20.0),
    ('5/16"', "hand", 24.0),
    ("4 mm", "hand", 14.0),
    ("5 mm", "machine", 1.0),
    ("6 mm", "machine", 1.0),
    ("8 mm", "machine", 1.5),
    ("10 mm", "machine", 1.5),
    ('1/2"', "machine", 2.0),
)
_CUTTERS = (
    (ToolKind.SLOT_DRILL, ("2 mm", "3 mm", "4 mm", "6 mm", "10 mm")),
    (ToolKind.END_MILL, ("3 mm", "5 mm", "6 mm", "8 mm", "12 mm", '1/4"', '5/8"')),
    (ToolKind.CENTRE_DRILL, ("1 mm", "2 mm", "3.15 mm")),
)
_TAPS: tuple[tuple[tuple[str, ...], tuple[str, ...]], ...] = (
    (("M2", "M2.5", "M3", "M4", "M5", "M6"), ("taper", "second", "bottoming")),
    (("2 BA", "4 BA", "6 BA", "8 BA"), ("taper", "bottoming")),
    (("1/4x40 ME", "3/16x40 ME", "5/16x32 ME"), ("taper", "second")),
)
_DIES = ("M3", "M4", "M5", "2 BA", "4 BA", "6 BA", "1/4x40 ME")
_MEASURES = (
    ("micrometer 0 to 25", "25", 0.01),
    ("micrometer 0 to 1 in", "25.4", 0.0254),
    ("caliper", "150", 0.02),
    ("depth gauge", "150", 0.02),
    ("dial indicator", "10", 0.01),
    ("steel rule", "300", 0.5),
)


def _all() -> Iterator[ShopTool]:
    for key in ("number", "letter", "fractional", "metric", "metric-large"):
        for tool in tool_set(key):
            yield replace(tool, state=_GAPS.get(tool.name, State.SOUND))
    for name, series, lead in _REAMERS:
        size = read_length(name).mm
        yield ShopTool(ToolKind.REAMER, name, size, series, reach_mm=float(8 * size), lead_mm=lead)
    for kind, names in _CUTTERS:
        for name in names:
            size = read_length(name).mm
            yield ShopTool(kind, name, size, reach_mm=float(3 * size))
    for called, leads in _TAPS:
        for name in called:
            for which in leads:
                yield ShopTool(ToolKind.TAP, name, find_thread(name).major, which)
    for name in _DIES:
        yield ShopTool(ToolKind.DIE, name, find_thread(name).major)
    yield ShopTool(ToolKind.SAW, "50 mm saw", Fraction(50), width_mm=0.8, reach_mm=12.0)
    for name, width, reach in (("1 mm blade", "1", 6.0), ("1.6 mm blade", "1.6", 10.0)):
        yield ShopTool(ToolKind.GROOVING, name, Fraction(width), reach_mm=reach)
    yield ShopTool(ToolKind.PARTING, "2 mm blade", Fraction(2), reach_mm=18.0)
    for name, most, reads in _MEASURES:
        yield ShopTool(ToolKind.MEASURE, name, Fraction(most), resolution_mm=reads)


TOOLS = tuple(_all())
