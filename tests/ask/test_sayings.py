"""Jobs told by their nouns: each number beside its noun on either side, no verb, any order.

The figures are sums of a pencil, each said beside its line; the lines are in nobody's order.
"""

from __future__ import annotations

from itertools import permutations
from math import atan, cos, degrees, pi, radians, sin, sqrt, tan
from pathlib import Path

import pytest

from runk.ask import Asked, ask
from runk.core.catalogue import CATALOGUE
from runk.core.kinds import Told
from runk.core.refusals import Refused
from runk.core.saying import saying
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.ask.test_properties import said_back

TABLES = Path(__file__).parents[2] / "src" / "runk" / "core" / "tables" / "sayings"
HERE = Told(PageUnit.MM, WORKSHOP)


def said(line: str, page: PageUnit = PageUnit.MM) -> Asked:
    return ask(line, WORKSHOP, page)


def figure(asked: Asked, key: str) -> float:
    found = getattr(asked.answer, key)
    return float(getattr(found, "value", found))


def test_every_table_is_a_calculators_and_speaks_of_its_fields() -> None:
    assert {path.stem for path in TABLES.glob("*.toml")} <= set(CATALOGUE)
    for calculator in CATALOGUE.values():
        for one in calculator.told:
            assert all(one.about), calculator.name
            # A phrase that makes it another job can never say that it is this one.
            assert not {p for lot in one.about for p in lot} & set(one.unless), calculator.name
            for name, text in one.says.items():
                # What a saying says is what the field can read.
                calculator.fields[name].read(text, HERE)


def test_a_saying_with_a_word_that_is_no_key_is_refused_when_it_is_read() -> None:
    with pytest.raises(ValueError, match="abuot"):
        saying({"abuot": ["flat"]})


LINES = [
    # Flats: (d - √(d² - w²)) / 2 and 2 √(h (d - h)).
    ("a 14 wide flat on a 25 bar, what depth", "flats", "depth_mm", (25 - sqrt(25**2 - 14**2)) / 2),
    ("flat 1.5 deep on 12 mm shaft, how wide", "flats", "wide_mm", 2 * sqrt(1.5 * 10.5)),
    ("depth of two flats 9 apart on a 12 rod", "flats", "depth_mm", 1.5),
    ("what round bar for a 12 mm square", "stock", "largest_mm", 12 * sqrt(2)),
    ("hexagon 17 af what bar do I need", "stock", "largest_mm", 17 / cos(pi / 6)),
    # Wheels.
    ("wheels of 24 and 60 teeth, 0.8 module, distance", "gear", "centres_mm", 0.8 * 84 / 2),
    ("pinion 15, gear 45, 1 mod: how far apart are the shafts", "gear", "centres_mm", 30.0),
    ("outside diameter of a 28 tooth gear 1.25 module", "gear", "outside_mm", 37.5),
    ("how many teeth has a wheel 52 outside diameter, module 1", "gear", "teeth", 50),
    ("full depth of tooth for 0.6 module", "gear", "depth_mm", 1.35),
    ("22 dp what module", "gear", "module_mm", 25.4 / 22),
    # Holes on a circle: d sin(180°/n).
    ("spacing of 5 bolts round a 48 circle", "circle", "chord_mm", 48 * sin(pi / 5)),
    ("8 holes equally spaced on a 72 pcd, chord", "circle", "chord_mm", 72 * sin(pi / 8)),
    ("angle between 9 studs", "divide", "step_deg", 40.0),
    # Tapers.
    ("cone 22 at the big end, 14 small end, 30 long", "taper", "angle_deg", degrees(atan(4 / 30))),
    ("taper 1 in 16, big end 20, 48 long, small end?", "taper", "small_mm", 17.0),
    ("included angle 30, from 18 down to 10", "taper", "long_mm", 4 / tan(radians(15))),
    ("set over for 1 in 40 taper, job 120 long", "taper", "set_over_mm", 1.5),
    ("taper 1/4 in per foot from 20 mm, 60 mm long", "taper", "small_mm", 20 - 60 * 6.35 / 304.8),
    # Keys: ISO 773 has 5 × 5, 3.0 deep, for 12 to 17 mm; 2.8 in the boss of a 20 mm shaft.
    ("key for a 16 mm shaft", "keyway", "depth_top_mm", 3.0),
    ("how deep is the keyway in the hub, 20 shaft", "keyway", "hub_mm", 2.8),
    # Cuts.
    ("from 32 to 28.4 in passes of 0.6, how many cuts", "plan", "left_mm", 3.6),
    ("micrometer reads 19.34 and it should be 19.20, how much", "plan", "left_mm", 0.14),
    ("the shaft has 14.06 and must have 14.00, how much yet", "plan", "left_mm", 0.06),
    ("bore is 21.8, must come to 22.00, what remains", "plan", "left_mm", 0.2),
    ("how much must I take off a 20.3 pin to make it 20.00", "plan", "left_mm", 0.3),
    ("clock moves 0.3 in four jaw, how much to move", "true", "move_mm", 0.15),
    ("four jaw offset 5 mm, what does the clock show", "throw", "swing_mm", 10.0),
    ("taper of 30 to 25 in 60 length, the angle", "taper", "angle_deg", degrees(atan(2.5 / 60))),
    ("does a 9.97 pin go in a 10.02 hole", "mate", "clearance_low_mm", 0.05),
    # Studs and fits.
    ("M8 stud into aluminium how deep should it go", "stud", "engaged_mm", 16.0),
    ("shaft must turn freely in a 12 H7 hole, what size", "fit", "shaft_high_mm", 12 - 0.016),
    # Sums of the machine.
    ("30 m/min on a 16 drill, revs", "sums", "speed_rpm", 30000 / (pi * 16)),
    ("500 rpm on 40 mm, surface speed", "sums", "surface_speed_m_min", pi * 40 * 0.5),
    ("0.04 a tooth, 3 flutes, 1200 rpm, feed per minute", "sums", "feed_mm_per_min", 144.0),
    ("how many turns of a 10 tpi screw to move 1 inch", "sums", "turns", 10.0),
    ("leadscrew 2 mm pitch, dial of 40 divisions, one division", "sums", "division_mm", 0.05),
    ("take 0.4 off the diameter, dial division 0.025", "sums", "divisions", 8.0),
    ("driver 30 driven 60, 3 mm leadscrew, what pitch", "sums", "thread_mm", 1.5),
    ("how long for a pass 120 long at 400 rpm, feed 0.1", "sums", "pass_s", 180.0),
    ("40 m/min on a 25 dia", "sums", "speed_rpm", 40000 / (pi * 25)),
    ("what does a 30 round bar of brass 90 long weigh", "sums", "volume_cm3", pi * 9 / 4 * 9),
    ("weight of mild steel plate 80 wide 5 thick 120 long", "sums", "volume_cm3", 48.0),
    ("push on a 32 mm piston at 5 bar", "sums", "force_n", 0.5 * pi * 256),
    # Heat: iron 10.8, aluminium 23.5, steel 12 millionths a degree, over a shop at 20.
    ("cast iron ring 90 mm at 120 degrees, how much bigger", "warm", "off_mm", 90 * 10.8e-4),
    ("aluminium bar 50 mm heated to 70 degrees, how much does it grow", "warm", "off_mm", 0.0588),
    # Two diameters in aluminium.
    ("how much engagement does M6 want in aluminium", "stud", "engaged_mm", 12.0),
    ("slip gauges for 30 degrees on a 200 sine bar", "sine", "height_mm", 100.0),
    ("shim for 0.06 in 90 out of square", "square", "per_100_mm", 0.06 / 0.9),
    ("chamfer 2 x 45 on 24 brass bar", "speed", "dial_divisions", 79),
    # A flat joint may let it out to the studs' holes: 50 bar on 26 across.
    ("will M4 studs hold 50 bar on a 20 mm bore", "cover", "load_n", 5 * pi * 13**2),
    ("tailstock offset for 14 to 12 over 80 on a 160 bar", "taper", "set_over_mm", 2.0),
    ("18 swg in mm", "length", "mm", 1.2192),
    ("which is larger, 9/32 or 7 mm", "length", "apart_mm", 9 / 32 * 25.4 - 7),
]


@pytest.mark.parametrize(("line", "calculator", "key", "value"), LINES)
def test_it_comes_to_what_a_pencil_says(line: str, calculator: str, key: str, value: float) -> None:
    asked = said(line)
    assert asked.calculator.name == calculator
    assert figure(asked, key) == pytest.approx(value, rel=2e-3, abs=6e-4)


@pytest.mark.parametrize("page", PageUnit)
@pytest.mark.parametrize("line", [line for line, *_ in LINES])
def test_what_is_said_back_of_it_reads_the_same(line: str, page: PageUnit) -> None:
    try:
        asked = said(line, page)
    except Refused:
        # Millimetres on a page of inches: a bar of twenty-five.
        assert page is PageUnit.INCH
        return
    said_back(asked.calculator.name, asked.read, page)


@pytest.mark.parametrize(
    "line",
    [
        "big end 20, 48 long, taper 1 in 16",
        "how wide, flat 1.5 deep, 12 mm shaft",
        "25 m/min, on 19 mm, how many rpm",
        "wheel 24 teeth, module 0.8, pinion 12 teeth, centre distance",
        "leadscrew 3 mm, pitch 1.25, which wheels",
        "5 holes, 48 circle, chord",
    ],
)
def test_clauses_in_any_order_are_one_question(line: str) -> None:
    clauses = line.split(", ")
    answers = [said(", ".join(order)) for order in permutations(clauses)]
    assert len({a.calculator.name for a in answers}) == 1
    figures = [{k: getattr(v, "value", v) for k, v in _shown(a).items()} for a in answers]
    assert all(one == figures[0] for one in figures)


def _shown(asked: Asked) -> dict[str, object]:
    """The figures that do not depend on which wheel of two was told first."""
    both = {"centres_mm", "opened_mm", "module_mm", "contact_ratio"}
    names = both if asked.calculator.name == "gear" else asked.answer.__dataclass_fields__
    skip = {"cautions", "links", "says"}
    return {name: getattr(asked.answer, name) for name in names if name not in skip}


@pytest.mark.parametrize(
    ("line", "field"),
    [
        ("two flats on a 16 rod, how deep", "across"),
        ("distance of centres, 60 and 12 teeth", "module"),
        ("gear blank, 64 teeth", "module"),
        ("what drill before I tap", "thread"),
        ("how fast should it run", "metal"),
        ("how hot should it be", "use"),
        ("counterbore", "screw"),
        ("hole for a press fit", "size"),
        ("which shaft for a 5 mm wide key", "shaft"),
        ("tailstock offset for a 1 in 30 taper", "between"),
        ("space the holes evenly round it", "count"),
        ("end float for a 9 mm spindle", "room"),
    ],
)
def test_the_one_thing_that_is_wanting_is_asked(line: str, field: str) -> None:
    with pytest.raises(Refused) as refused:
        said(line)
    assert refused.value.field == field


@pytest.mark.parametrize(
    "line",
    [
        "a 14 wide flat on a 25 bar, what depth, 77",
        "key for a 16 mm shaft 90 91",
        "30 m/min on a 16 drill, revs, 3 4",
        "angle between 9 studs, 4, 5",
    ],
)
def test_a_number_too_many_is_never_passed_over(line: str) -> None:
    with pytest.raises(Refused):
        said(line)


def test_half_a_circle_is_doubled() -> None:
    """A radius of 35: h = r - √(r² - (c/2)²) for a chord of 40."""
    asked = said("radius 35, chord 40, height of the segment")
    assert figure(asked, "rise_mm") == pytest.approx(35 - sqrt(35**2 - 20**2), abs=1e-3)


def test_a_second_step_stands_beside_the_first() -> None:
    asked = said("tap M5 brass, then the clearance hole in the cover")
    assert asked.calculator.name == "tap"
    assert "Then: clearance hole M5" in asked.read_as
    second = said(asked.others[0].line)
    assert second.calculator.name == "clearance"
    parted = said("turn 20 mm brass then part it off 2 wide, both speeds")
    assert said(parted.others[0].line).read.question.operation == "part"


@pytest.mark.parametrize(
    ("line", "says"),
    [
        ("brass or bronze for a bush", "Bronze or gunmetal"),
        ("my tap has snapped inside the job", "A broken tap"),
        ("the parting tool chatters", "Close to the chuck"),
        ("boring bar howls", "Shorter and thicker"),
        ("reamer squeals", "Slow, in line"),
        ("what metal for a crankshaft", "Mild steel or"),
        ("can I wear gloves at the lathe", "No gloves"),
        ("holding the work by hand while drilling", "Never hold work by hand"),
        ("how far may a 6 mm bar stick out of the chuck", "Three to four"),
        ("silver steel did not get hard", "It was not hot enough"),
    ],
)
def test_what_the_trade_says_is_said_of_the_thing_that_was_named(line: str, says: str) -> None:
    asked = said(line)
    assert asked.calculator.name == "why"
    assert asked.answer.says.startswith(says)


@pytest.mark.parametrize(
    "line", ["red or blue paint for the frame", "can I harden mild steel", "bronze 12 13 14"]
)
def test_what_it_does_not_speak_of_is_not_asserted(line: str) -> None:
    try:
        asked = said(line)
    except Refused:
        return
    assert asked.calculator.name != "why"


@pytest.mark.parametrize(
    ("typed", "plain"),
    [
        ("tap M10 1.5 brass", "tap M10x1.5 brass"),
        ("M6 fine 0.75 tapping drill", "M6x0.75 tapping drill"),
        ("blank diameter 32 teeth module 0,8", "blank diameter 32 teeth module 0.8"),
        (
            "6 holes 45 pcd not starting at 0 but at 15 degrees",
            "6 holes 45 pcd starting at 15 degrees",
        ),
        ("6 holes 31 pcd first at three o'clock", "6 holes 31 pcd first at 0 degrees"),
        (
            "taper 1 in 10 not 1 in 20, big end 20, length 40",
            "taper 1 in 10, big end 20, length 40",
        ),
    ],
)
def test_other_ways_of_writing_it_read_the_same(typed: str, plain: str) -> None:
    one, other = said(typed), said(plain)
    assert one.read.question == other.read.question


def test_places_keep_their_comma() -> None:
    asked = said("passage from 0,0 to 9,16 1 mm drill")
    assert figure(asked, "length_mm") > sqrt(9**2 + 16**2) - 0.01
