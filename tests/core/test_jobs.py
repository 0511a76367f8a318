"""Jobs as a tired person types them, each beside its own arithmetic, on both pages."""

from __future__ import annotations

from math import asin, cos, degrees, hypot, pi, radians, sin, sqrt
from typing import Any

import pytest

from runk.ask import ask
from runk.core.figures import Figure
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

THOU = 0.0254
PRESSED = 205000 * 0.02 * (1 - (20 / 40) ** 2) / (2 * 20)
"""Steel on steel, 20 in 40 mm, two hundredths tight: handbooks' short form."""
RING = 22 / 26
PULLED = 0.14 * 22 - 3 * THOU * 22 / 25.4

# Every size with its unit, so that either page means the same.
JOBS: list[tuple[str, str, float]] = [
    # ISO 286, by the tables: H7 0 to 21, g6 -20 to -7, p6 22 to 35 at 22 mm.
    ("22 mm H7/g6", "clearance_low_mm", 0.007),
    ("22 mm H7/g6", "clearance_high_mm", 0.041),
    ("fit 22 mm p6", "clearance_low_mm", -0.035),
    ("22 mm H7/p6 ground bar", "hole_high_mm", 21.986),
    ("limits for 22 mm H7", "hole_high_mm", 22.021),
    # So many thou an inch, common practice.
    ("fit 7/16 in running", "clearance_low_mm", (0.4375 + 0.25) * THOU),
    ("fit 7/16 in running", "clearance_high_mm", (0.4375 + 0.75) * THOU),
    ("close running fit 1 in", "clearance_low_mm", 0.6 * THOU),
    ("piston in 22 mm bore", "clearance_low_mm", 22 / 25.4 * THOU),
    ("piston in 22 mm bore", "clearance_high_mm", 2 * 22 / 25.4 * THOU),
    ("aluminium piston 1 in in iron bore", "clearance_high_mm", 5 * THOU),
    ("ringless piston 1 in", "clearance_low_mm", 0.2 * THOU),
    ("rod 4 mm in gland", "clearance_low_mm", 0.5 * THOU),
    ("journal 1/2 in", "clearance_low_mm", (0.4 + 0.4) * THOU),
    ("push fit 10 mm flywheel", "clearance_low_mm", -0.1 * THOU),
    ("drive fit 1 in", "clearance_low_mm", -0.8 * THOU),
    ("shrink fit 1 in", "clearance_low_mm", -1.65 * THOU),
    ("ring in groove 2 mm", "clearance_high_mm", 1.5 * THOU),
    ("dowel 5 mm", "clearance_low_mm", 0.4 * THOU),
    # Sizes as measured.
    ("33.02 mm in 33.04 mm", "clearance_low_mm", 0.02),
    ("does 12.01 mm fit in 12.00 mm", "clearance_high_mm", -0.01),
    ("bore measures 22.00 mm 22.02 mm ringed piston now 22.4 mm", "high_mm", 22 - 22 / 25.4 * THOU),
    (
        "bore measures 22.00 mm 22.02 mm ringed piston now 22.4 mm",
        "low_mm",
        22.02 - 44 / 25.4 * THOU,
    ),
    ("bore to fit a 1/2 in shaft running fit", "low_mm", 12.7 + 0.75 * THOU),
    # Lamé, steel on steel.
    (
        "press 20 mm in 40 mm boss 20 mm long 0.02 mm tight, mild steel on mild steel",
        "pressure_mpa",
        PRESSED,
    ),
    (
        "press 20 mm in 40 mm boss 20 mm long 0.02 mm tight, mild steel on mild steel",
        "hoop_mpa",
        PRESSED * 2000 / 1200,
    ),
    (
        "press 20 mm in 40 mm boss 20 mm long 0.02 mm tight, mild steel on mild steel",
        "force_n",
        0.2 * PRESSED * pi * 400,
    ),
    (
        "press 20 mm in 40 mm boss 20 mm long 0.02 mm tight, mild steel on mild steel",
        "torque_nm",
        # Of 20 micrometres the surfaces flatten by 5.
        0.08 * PRESSED * 15 / 20 * pi * 4,
    ),
    # Expansion: mild steel 11.7, silver steel 11.0, brass 20.9.
    (
        "shrink mild steel on 20 mm silver steel 0.03 mm tight 0.02 mm to spare",
        "heat_c",
        20 + 0.05 / 20 / 11.7e-6,
    ),
    (
        "shrink mild steel on 40 mm silver steel 0.02 mm tight 0.02 mm to spare",
        "cool_c",
        20 - 0.04 / 40 / 11.0e-6,
    ),
    ("brass reads 4 in at 32 C", "corrected_mm", 101.6 / (1 + 20.9e-6 * 12)),
    ("brass reads 101.6 mm at 89.6 F", "corrected_mm", 101.6 / (1 + 20.9e-6 * 12)),
    # Compound at 15 N/mm².
    ("bond 10 mm shaft 10 mm long", "holds_nm", 15 * pi * 100 * 5 / 1000),
    ("bond 10 mm shaft 10 mm long gap 0.15 mm", "holds_nm", 7.5 * pi * 100 * 5 / 1000),
    ("bond 10 mm brass on stainless 10 mm long", "holds_nm", 7.5 * pi * 100 * 5 / 1000),
    # Rings and shafts.
    ("piston ring 22 mm bore", "radial_mm", RING),
    ("piston ring 22 mm bore", "wall_pressure_mpa", PULLED * 108000 / (7.07 * 22 * 25**3)),
    ("piston ring 22 mm bore", "stress_closed_mpa", 424 * 108 * PULLED * RING / (22 - RING) ** 2),
    ("throw 11/16 in", "swing_mm", 34.925),
    ("crank throw stroke 25 mm", "throw_mm", 12.5),
    (
        "100 thou offset in the three-jaw 1 inch bar",
        "packing_mm",
        1.5 * 2.54 - 12.7 + sqrt(12.7**2 - (cos(radians(30)) * 2.54 - 1.5) ** 2),
    ),
    ("crank throw 10 mm pin 6 mm main 8 mm", "bar_mm", 26.0),
    (
        "keyway 1/16 in in 1/4 in shaft",
        "depth_top_mm",
        0.79375 + 3.175 - sqrt(3.175**2 - 0.79375**2),
    ),
    ("square on 3/8 in bar", "across_mm", 9.525 / sqrt(2)),
    ("hexagon 8.5 mm across on 10 mm bar", "depth_mm", 0.75),
    ("indicator shows 12 thou total", "move_mm", 6 * THOU),
    ("indicator shows 12 thou chuck itself 5 thou", "chuck_off_mm", 2.5 * THOU),
    # Cranks and eccentrics: triangles on the end of the shaft.
    ("two cranks 90 degrees apart throw 10 mm pin 6 mm", "over_pins_mm", 10 * sqrt(2) + 6),
    ("two cranks 120 degrees apart throw 10 mm", "rises_mm", 10 * sin(radians(120))),
    ("eccentric travel 5 mm shaft 8 mm", "thin_mm", 16.5 / 2 - 2.5 - 4),
    (
        "eccentric throw 1/8 in shaft 5/16 in sheave 3/4 in",
        "strap_low_mm",
        19.05 + (0.8 * 0.75 + 0.4) * THOU,
    ),
    ("eccentric 6 mm travel 8 mm shaft 0.3 mm lost motion", "lost_deg", degrees(asin(0.1))),
    (
        "dog clutch 20 mm outside 8 mm bore 3 dogs play 0.1 mm",
        "gap_deg",
        60 + degrees(asin(0.2 / 28)),
    ),
    ("dog clutch 1 in outside 3/8 in bore play 0.1 mm", "past_mm", 0.05),
    (
        "counterweight throw 12 mm, pin 6 mm x 10 mm, web 12 mm x 5 mm, room 22 mm",
        "pin_g_mm",
        pi * 9 * 10 * 7.85e-3 * 12,
    ),
    (
        "counterweight throw 12 mm, pin 6 mm x 10 mm, web 12 mm x 5 mm, room 22 mm",
        "webs_g_mm",
        2 * 12 * 5 * 24 * 7.85e-3 * 6,
    ),
    ("built up crank stroke 24 mm main 8 mm pin 7 mm", "main_low_mm", 8 + THOU),
    ("built up crank stroke 24 mm main 8 mm pin 7 mm", "holds_nm", 15 * pi * 7 * 5 * 3.5 / 1000),
    ("crankshaft from the solid stroke 30 mm main 10 mm pin 9 mm", "bar_mm", 39.0),
    ("crankshaft from the solid stroke 30 mm main 10 mm pin 9 mm", "rough_mm", 10 + 5 * THOU),
    (
        "passage from 0 mm, 0 mm to 9 mm, 16 mm, 2 mm drill, past 3 mm, 8 mm",
        "wall_mm",
        24 / hypot(9, 16) - 1,
    ),
    ("oil way 2 mm from 0 mm, 0 mm to 0 mm, 20 mm", "angle_deg", 0.0),
    # Along a shaft: sums.
    (
        "end float 25 mm +0.05 -0 less 2 x bearing 8 mm +0 -0.02; boss 8.8 mm +0 -0.05",
        "float_low_mm",
        0.2,
    ),
    (
        "end float 25 mm +0.05 -0 less 2 x bearing 8 mm +0 -0.02; boss 8.8 mm +0 -0.05",
        "float_high_mm",
        0.34,
    ),
    ("end play 1 in - 0.996 in", "float_mm", 4 * THOU),
    ("end float 25 mm - 24.55 mm, shims 0.05 mm, 0.1 mm, 0.25 mm", "shim_mm", 0.35),
    (
        "shaft budget 2 1/2 in: bearing 3/8 in, eccentric 1/2 in, crank 1 in",
        "left_mm",
        0.625 * 25.4,
    ),
    (
        "along the shaft between frames 60 mm: bearing 8 mm; web 5 mm, with the web at 11 mm",
        "shift_mm",
        0.5,
    ),
    (
        "pair bores 22.00 mm; 22.03 mm, pistons 21.97 mm; 21.99 mm, free 0.02 mm, at most 0.05 mm",
        "tightest_mm",
        0.03,
    ),
    (
        "how many will fit: bore 22 mm +0.02 -0, piston 21.97 mm +0 -0.02, 6 of each, free 0.03 mm, at most 0.07 mm",
        "as_they_come_percent",
        100.0,
    ),
    # Pistons, seals.
    ("make a piston 22 mm bore 4 mm rod", "high_mm", 22 - 22 / 25.4 * THOU),
    ("make a piston 22 mm bore 4 mm rod", "groove_width_mm", 1.8 + THOU),
    ("make a piston 1 in bore 3/16 in rod no rings", "low_mm", 25.4 - 0.5 * THOU),
    ("o-ring on a piston 22 mm bore", "floor_high_mm", 22 - 2.8),
    ("o-ring round a 4 mm rod", "floor_low_mm", 4 + 1.58),
    ("packed gland 1/4 in rod", "box_mm", 6.35 + 2 * 25.4 * 3 / 32),
    ("lap a ringless piston 1 in bore", "high_mm", 25.4 - 0.2 * THOU),
    # Threads in the lathe.
    ("screwcut M10 brass", "depth_mm", 1.5 * (7 / 8 - 1 / 8) * sqrt(3) / 2),
    ("screw cut 2BA silver steel relief 3 mm", "depth_mm", 0.6 * 0.81),
    (
        "screw cut M10 along the top slide",
        "travel_mm",
        1.5 * 0.75 * sqrt(3) / 2 / cos(radians(29.5)),
    ),
    (
        "wires M10 wire 0.866 mm",
        "over_wires_mm",
        10 - 1.5 * 0.75 * sqrt(3) / 2 + 3 * 0.866 - 1.5 * sqrt(3) / 2,
    ),
    ("change wheels for 0.81 mm on 8 tpi", "cuts_mm", 3.175 * 25 * 45 / (63 * 70)),
    ("change wheels for 26 tpi", "error_ppm", 0.0),
]


def wrong_among(jobs: list[tuple[str, str, float]], page: PageUnit) -> list[str]:
    """Lines whose figure is another than the one worked out beside them."""
    wrong = []
    for line, key, by_hand in jobs:
        try:
            answer: Any = ask(line, WORKSHOP, page).answer
        except Refused as refused:
            wrong.append(f"{line}: {refused.said(page)}")
            continue
        figure = getattr(answer, key, None)
        if not isinstance(figure, Figure) or figure.value != pytest.approx(
            by_hand, rel=2e-4, abs=2e-5
        ):
            wrong.append(f"{line}: {key} {figure and figure.value} and not {by_hand}")
    return wrong


@pytest.mark.parametrize("page", list(PageUnit))
def test_each_comes_to_what_a_pencil_says(page: PageUnit) -> None:
    assert wrong_among(JOBS, page) == []


# Said in a way nobody can answer: a sentence, and what to type instead, never a number.
NO_JOBS = [
    ("fit 22 mm", "Which fit"),
    ("fit 300 mm H7/g6", "250 mm"),
    ("fit 22 mm I7/g6", "no class I"),
    ("fit 22 mm H7/z9", "no class z"),
    ("press 20 mm in 15 mm boss 0.02 mm", "mm is for"),
    ("throw 20 mm bar 25 mm", "no longer hold"),
    ("piston ring 22 mm bore 6 mm thick", "quarter of the bore"),
    ("keyway 8 mm in 10 mm shaft", "leaves nothing"),
    ("warm 22 mm aluminium in iron at 700 C", "melts"),
    ("end float 25 mm", "What stands between"),
    ("end float - -", ""),
    ("end float 25 mm - 24.8 mm, at least 1 mm, at most 0.5 mm", "more than"),
    ("shaft budget 60 mm: web 5 mm, with the pin at 9 mm", "called `pin`"),
    (
        "pair bores 22.00 mm, 22.01 mm, pistons 21.98 mm, free 0.05 mm, at most 0.02 mm",
        "under the least",
    ),
    ("passage from 0, 0 to 0, 0, 1 mm drill", "ends where it starts"),
    ("passage from 0 mm, 0 mm to 50 mm, 1 mm, 1 mm drill", "lies in the face"),
    ("dog clutch 20 mm outside 18 mm bore", "leaves no face"),
    ("eccentric throw 4 mm shaft 10 mm sheave 14 mm", "does not reach round"),
    (
        "counterweight throw 12 mm, pin 6 mm x 10 mm, web 12 mm x 5 mm, room 9 mm",
        "does not balance it",
    ),
    ("built up crank stroke 10 mm main 8 mm pin 7 mm", "run into each other"),
    ("crankshaft from the solid stroke 200 mm main 10 mm pin 10 mm", "swings"),
    ("make a piston 22 mm bore 12 mm rod", "leaves no piston"),
    ("o-ring piston 5 mm bore section 3 mm", "too thick"),
    ("screw cut M10 relief 1 mm", "nobody stops"),
    ("wires M10 wire 0.1 mm", "sink below"),
    ("change wheels for 1 mm, wheels 20", "no train"),
    ("change wheels for 1 mm, wheels 0 20", "no change wheel"),
]


@pytest.mark.parametrize("page", list(PageUnit))
@pytest.mark.parametrize(("line", "says"), NO_JOBS)
def test_what_cannot_be_answered_says_why(line: str, says: str, page: PageUnit) -> None:
    with pytest.raises(Refused) as refused:
        ask(line, WORKSHOP, page)
    said = refused.value.said(page)
    assert said.endswith((".", "?"))
    if page is PageUnit.MM:
        assert says in said
