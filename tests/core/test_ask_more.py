"""Lines about holes, threads and stops as people type them, and the one thing each means."""

from __future__ import annotations

from typing import Any

import pytest

from runk.ask import ask
from runk.core.plain import plain
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

# line, calculator, what the question must say
ASKED: list[tuple[str, str, dict[str, Any]]] = [
    (
        "tap 4BA stainless 7 deep blind",
        "tap",
        {"metal": "stainless-303", "ends": "blind", "deep": 7},
    ),
    ("tap M4 brass", "tap", {"metal": "brass", "ends": "through"}),
    ("M4 tapping size brass", "tap", {"metal": "brass"}),
    ("tapping drill for 2BA in gunmetal", "tap", {"metal": "gunmetal"}),
    ("tap 1/4x40 gunmetal 5/16 deep blind", "tap", {"deep": 7.9375, "ends": "blind"}),
    ("tap 10-32 aluminium by the book", "tap", {"school": "book"}),
    ("tap M3 steel 5 deep blind 7 thick", "tap", {"deep": 5, "thick": 7}),
    ("tapped hole M6 cast iron 12 deep", "tap", {"metal": "grey-iron", "deep": 12}),
    ("tap M2 brass bottoming tap", "tap", {"last": "bottoming"}),
    ("tap G1/8 bronze", "tap", {"metal": "phosphor-bronze"}),
    ("tap 3/16 BSF mild steel", "tap", {"metal": "mild-steel"}),
    ("die M3 stainless 16 long", "die", {"metal": "stainless-303", "long": 16}),
    ("die 2BA silver steel", "die", {"metal": "silver-steel"}),
    ("die 1/4x40 brass 3/8 long up to a shoulder", "die", {"ending": "shoulder", "long": 9.525}),
    ("clearance M3", "clearance", {"fit": "medium"}),
    ("clearance hole 2BA close fit", "clearance", {"fit": "fine"}),
    ("clearance 1/4-20 loose", "clearance", {"fit": "coarse"}),
    ("which thread 4.65 mm 0.81 pitch", "which-thread", {"size": 4.65, "pitch": 0.81}),
    ("which thread 1/4 40 tpi", "which-thread", {"size": 6.35, "turns": 40}),
    ("what thread 6.3 20 threads", "which-thread", {"turns": 20}),
    ("thread 2BA", "thread", {}),
    ("thread data M10x1.25", "thread", {}),
    ("stud M4 cover 5 gasket 0.5 6 studs", "stud", {"cover": 5, "gasket": 0.5, "count": 6}),
    ("studs 4BA cover 1/8 washer 0.5", "stud", {"cover": 3.175, "washer": 0.5}),
    ("cover M3 80 psi 22 bore", "cover", {"seal": 22, "pressure": pytest.approx(0.5516, abs=1e-3)}),
    ("cover 4BA 5.5 bar 22 bore 8 studs", "cover", {"count": 8, "pressure": pytest.approx(0.55)}),
    ("tighten M4 oiled", "tighten", {"surface": "oiled"}),
    ("tighten 2BA stainless dry", "tighten", {"metal": "stainless-303", "surface": "dry"}),
    ("6 mm reamed hole in gunmetal 20 deep", "hole", {"finish": "machine-reamed", "deep": 20}),
    ("hole 12 mm mild steel 30 deep", "hole", {"finish": "drilled", "size": 12}),
    ("hole 4 mm hand reamed brass", "hole", {"finish": "hand-reamed"}),
    ("22 bored hole grey iron 40 deep", "hole", {"finish": "bored", "metal": "grey-iron"}),
    ("22 honed hole grey iron", "hole", {"finish": "honed"}),
    ("5/16 d-bit hole gunmetal", "hole", {"finish": "d-bit", "size": 7.9375}),
    ("blind hole 3 mm stainless 12 deep 15 thick", "hole", {"ends": "blind", "thick": 15}),
    ("8 mm hole slope 30 iron 10 deep", "hole", {"slope": 30, "deep": 10}),
    ("line of bearings 8 mm gunmetal 3 bearings span 70", "hole", {"bearings": 3, "span": 70}),
    ("hole 6 mm brass on the mill", "hole", {"machine": "Mill"}),
    ("nearest drill 4.37", "nearest-drill", {"size": 4.37, "purpose": "hole"}),
    ("nearest drill to clear 4 mm", "nearest-drill", {"purpose": "clear"}),
    ("which drill before reaming 6", "nearest-drill", {"purpose": "ream"}),
    ("stop depth 12 with a 3 mm drill", "depth", {"way": "touch", "deep": 12, "drill": 3}),
    ("edge finder 10 mm tip 25 away", "depth", {"way": "edge", "finder": 10, "deep": 25}),
    ("gauge pin 6 mm 5 deep", "depth", {"way": "pin", "pin": 6, "deep": 5}),
    ("height gauge 30 high on a 50 block", "depth", {"way": "block", "block": 50, "deep": 30}),
    ("angled hole 3 mm 30 degrees 12 across 20 room", "angled-hole", {"angle": 30, "room": 20}),
    ("what drill for 1/4x40 ME in gunmetal", "tap", {"metal": "gunmetal"}),
    ("drill size for M5 brass", "tap", {"metal": "brass"}),
    ("hole for M4 screw", "clearance", {"fit": "medium"}),
    ("holes for 2BA studs", "clearance", {}),
    ("clearance 4BA fine", "clearance", {"fit": "fine"}),
    ("hole 12 bored aluminium through 30", "hole", {"deep": 30, "thick": None}),
    ("hole 5 brass 8 thick", "hole", {"deep": 8}),
    ("tap M2 stainless 304 through 3", "tap", {"deep": 3}),
    ("tap M4 in 5 mm plate", "tap", {"deep": 5, "ends": "through"}),
    (
        "6 studs 4ba stainless 303 in gunmetal cover 4",
        "stud",
        {"metal": "gunmetal", "stud_metal": "stainless-303"},
    ),
    ("studs 2ba in gunmetal cover 3", "stud", {"metal": "gunmetal", "stud_metal": "mild-steel"}),
    (
        "M4 stud stainless cover 3 into aluminium",
        "stud",
        {"metal": "aluminium-6082", "stud_metal": "stainless-303"},
    ),
    ("my reamed hole is oversize 6 mm bronze", "faults", {"sign": "oversize"}),
    ("drill wanders 3 mm brass", "faults", {"sign": "wander"}),
    ("whine boring 22 grey iron at 1480", "faults", {"rpm": 1480, "diameter": 22}),
    (
        "screwcut 20 mm mild steel pitch 1.5 groove 4",
        "speed",
        {"operation": "screw-cut", "relief": 4},
    ),
    ("groove 3 wide 2 deep in 20 mm brass", "speed", {"operation": "groove", "width": 3}),
    (
        "offcut 1/2 hex brass colour 30 long 35.5 g",
        "identify",
        {"shape": "hexagon", "colour": "yellow"},
    ),
    ("turn 16 to 14.5 +0 -0.02 brass", "plan", {"smallest": 14.48, "largest": 14.5}),
    ("turn 16 to 14.5 +0.034 +0.016 brass", "plan", {"smallest": 14.516, "largest": 14.534}),
    ("bore 21.5 to 22 +.02 cast iron", "plan", {"smallest": 22, "largest": 22.02}),
    ("turn 20 to 18 ±0.01 brass", "plan", {"smallest": 17.99, "largest": 18.01}),
    ("turn 20 to 18 +/-0.01mm brass", "plan", {"smallest": 17.99, "largest": 18.01}),
    ("turn 1 1/8 to 7/8 +0 -.001 brass", "plan", {"smallest": 22.1996, "largest": 22.225}),
    (
        "turn from 16.2 to 16 limits 15.98 to 16.00 steel",
        "plan",
        {"smallest": 15.98, "largest": 16},
    ),
    ("from 1 1/8 to 1 in mild steel 5 thou passes", "plan", {"wanted": 25.4, "step": 0.127}),
    ("bring to size 20.3 to 20 cast iron", "plan", {"now": 20.3, "wanted": 20}),
    ("torque M6 stainless", "tighten", {"metal": "stainless-303"}),
    ("cover 6 studs M4 5 bar bore 30", "cover", {"seal": 30, "count": 6}),
    ("which metal tube 20 bore 12 50 long 79 g", "identify", {"size": 20, "bore": 12}),
    (
        "turn 16.2 to 16 limits 15.98 16.00 in mild steel",
        "plan",
        {"smallest": 15.98, "largest": 16},
    ),
    ("turn 16.2 to 16 +0 -.02 in brass", "plan", {"smallest": 15.98, "largest": 16}),
    ("turn 1 1/8 to 7/8 limits .873 .875 brass", "plan", {"smallest": 22.1742, "largest": 22.225}),
    ("turn 16 to 14.5 +0 -1 thou", "plan", {"smallest": 14.4746}),
    ("brass on brass", "pair", {"metal": "brass", "other": "brass"}),
    ("tap 5/16 26 tpi brass", "tap", {"metal": "brass"}),
    ("tap M4 brass 8", "tap", {"deep": 8}),
    ("die M10 silver steel 25", "die", {"long": 25}),
    ("clearance M4 fine", "clearance", {"fit": "fine"}),
    ("part off 20 mm mild steel 2 mm blade", "speed", {"width": 2}),
    ("oil way 2 mm 45 deg 10 thick", "angled-hole", {"drill": 2, "across": 10}),
]


@pytest.mark.parametrize(("line", "calculator", "says"), ASKED, ids=[a[0] for a in ASKED])
def test_the_line_means(
    line: str, calculator: str, says: dict[str, Any], workshop: Workshop
) -> None:
    asked = ask(line, workshop)
    assert asked.calculator.name == calculator
    for name, value in says.items():
        found = plain(getattr(asked.read.question, name))
        assert found == (pytest.approx(value) if isinstance(value, (int, float)) else value), name
    assert asked.calculator.headline(asked.answer, PageUnit.MM)
    assert "{" not in asked.read_as
    assert "  " not in asked.read_as


@pytest.mark.parametrize(
    ("line", "says"),
    [
        ("studs 2BA in gunmetal cover 3/16", "0.615 in long"),
        ("from 1.125 to 1.000 limits 0.998 1.002 brass", "to 1.0000 in"),
        ("die 2BA stainless .75 long", "blank 0.18"),
        ("angled hole 1/8 30 degrees across .5", "in along"),
        ("clearance 2BA", "hole 0.19"),
    ],
)
def test_on_an_inch_page_the_headline_speaks_inches(
    line: str, says: str, workshop: Workshop
) -> None:
    asked = ask(line, workshop, PageUnit.INCH)
    assert says in asked.calculator.headline(asked.answer, PageUnit.INCH)


# line, field, words
REFUSED = [
    ("tap brass", "thread", "What thread is it?"),
    ("tap 1/4 brass", "thread", "several 1/4 threads"),
    ("tap 17BA brass", "thread", "no 17 BA"),
    ("tap M4 brass blind", "deep", "How deep is the thread?"),
    ("tap M4 brass 9 deep blind 8 thick", "deep", "goes through"),
    ("die M4 brass 0.3 long", "long", "less than one turn"),
    ("clearance", "thread", "What thread is it?"),
    ("stud M4", "cover", "How thick is what it holds down?"),
    ("cover M3 22 bore", "pressure", "What pressure is it?"),
    ("cover M2 500 psi 50 bore", "thread", "overlap"),
    ("which thread 45 mm", "size", "No thread here measures"),
    ("7 mm reamed hole brass", "size", "no 7 mm machine reamer"),
    ("hole 3 mm bored brass", "finish", "too small"),
    ("2 mm hole brass 40 deep", "deep", "24 mm deep at most"),
    ("blind hole 6 mm brass", "deep", "How deep is the blind hole?"),
    ("gauge pin 5 deep", "pin", "What size is the gauge pin?"),
    ("angled hole 3 mm 12 across", "angle", "What angle is it?"),
    ("angled hole 3 mm 60 degrees 12 across 15 room", "angle", "never meets"),
    ("tighten M4 95 percent", "share", "leaves nothing"),
    ("M6 hole in aluminium", "operation", "a tapped hole or the hole a screw passes through"),
    ("hole for M4", "operation", "a tapped hole or the hole a screw passes through"),
    ("bore from 20.5 to 22 H7 cast iron", "limits", "tolerance class"),
    ("tap M6 fine brass", "thread", "Which fine M6"),
    ("turn 16 to 14.5 +1.034 +1.016 brass", "wanted", "outside its own limits"),
    ("turn 22 -0.5 brass", None, "I do not know what -0.5 is for"),
    ("drill 5 mm undersize brass", None, "type the size itself"),
]


@pytest.mark.parametrize(("line", "field", "says"), REFUSED, ids=[r[0] for r in REFUSED])
def test_the_line_is_refused_in_words(
    line: str, field: str | None, says: str, workshop: Workshop
) -> None:
    with pytest.raises(Refused) as caught:
        ask(line, workshop)
    assert says in caught.value.says
    assert caught.value.field == field
