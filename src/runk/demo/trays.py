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
_OTHERS = (
    (ToolKind.COUNTERSINK, "12 mm countersink", "12"),
    (ToolKind.ARBOR, "16 mm saw arbor", "16"),
    (ToolKind.MANDREL, "10 mm mandrel", "10"),
    (ToolKind.MANDREL, '1/2" mandrel', "12.7"),
)
_BARS = (
    ("silver steel 4 mm", "4 mm", 330.0, "silver steel"),
    ("silver steel 6 mm", "6 mm", 330.0, "silver steel"),
    ('silver steel 1/4"', '1/4"', 280.0, "silver steel"),
    ("mild steel 12 mm", "12 mm", 600.0, "mild steel"),
    ("mild steel 20 mm", "20 mm", 450.0, "mild steel"),
    ('brass 1/2"', '1/2"', 300.0, "brass"),
    ("gunmetal 25 mm", "25 mm", 160.0, "gunmetal"),
)
_DIVIDERS = (
    (
        ToolKind.DIVIDING_HEAD,
        "dividing head",
        "65",
        "40:1; 15 to 20; 21 23 27 29 31 33; 37 39 41 43 47 49; direct 24",
    ),
    (ToolKind.ROTARY_TABLE, "100 mm rotary table", "100", "90:1; dial 240"),
)
_GEAR_CUTTERS = (
    ("0.7 module no 3", "50", "0.7 module, no 3, 17 to 20"),
    ("0.7 module no 4", "50", "0.7 module, no 4, 21 to 25"),
    ("0.7 module no 6", "50", "0.7 module, no 6, 35 to 54"),
    ("1.25 module no 4", "50", "1.25 module, no 4, 21 to 25"),
    ("1.25 module no 5", "50", "1.25 module, no 5, 26 to 34"),
    ("28 DP no 4", "50", "28 DP, no 4, 26 to 34"),
)
_FINDERS = (("10 mm finder", "10"), ("6 mm finder", "6"), ("4 mm finder", "4"))
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
    for name in ("3 mm", "4 mm", "6 mm", "8 mm", "10 mm", '1/4"', '3/8"'):
        yield ShopTool(ToolKind.COLLET, name, read_length(name).mm)
    for kind, name, across in _OTHERS:
        yield ShopTool(kind, name, Fraction(across))
    yield ShopTool(ToolKind.BORING_HEAD, "small boring head", Fraction(50), most_rpm=350.0)
    for name, across, long, metal in _BARS:
        yield ShopTool(ToolKind.BAR, name, read_length(across).mm, reach_mm=long, detail=metal)
    for kind, name, across, detail in _DIVIDERS:
        yield ShopTool(kind, name, Fraction(across), detail=detail)
    for name, across, detail in _GEAR_CUTTERS:
        yield ShopTool(ToolKind.GEAR_CUTTER, name, Fraction(across), bore_mm=16.0, detail=detail)
    for name, across in _FINDERS:
        yield ShopTool(ToolKind.FINDER, name, Fraction(across))
    yield ShopTool(
        ToolKind.SAW, "50 mm saw", Fraction(50), width_mm=0.8, reach_mm=12.0, bore_mm=16.0
    )
    for name, width, reach in (("1 mm blade", "1", 6.0), ("1.6 mm blade", "1.6", 10.0)):
        yield ShopTool(ToolKind.GROOVING, name, Fraction(width), reach_mm=reach)
    yield ShopTool(ToolKind.PARTING, "2 mm blade", Fraction(2), reach_mm=18.0)
    for name, most, reads in _MEASURES:
        yield ShopTool(ToolKind.MEASURE, name, Fraction(most), resolution_mm=reads)


TOOLS = tuple(_all())
