"""Jobs as a tired person types them, each beside its own arithmetic, on both pages."""

from __future__ import annotations

from math import cos, pi, radians, sqrt
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
    ("bore measures 22.00 mm 22.02 mm ringed piston now 22.4 mm", "low_mm", 22.02 - 44 / 25.4 * THOU),
    ("bore to fit a 1/2 in shaft running fit", "low_mm", 12.7 + 0.75 * THOU),
    # Lamé, steel on steel.
    ("press 20 mm in 40 mm boss 20 mm long 0.02 mm tight, mild steel on mild steel", "pressure_mpa", PRESSED),
    ("press 20 mm in 40 mm boss 20 mm long 0.02 mm tight, mild steel on mild steel", "hoop_mpa", PRESSED * 2000 / 1200),
    ("press 20 mm in 40 mm boss 20 mm long 0.02 mm tight, mild steel on mild steel", "force_n", 0.12 * PRESSED * pi * 400),
    ("press 20 mm in 40 mm boss 20 mm long 0.02 mm tight, mild steel on mild steel", "torque_nm", 0.12 * PRESSED * pi * 4),
    # Expansion: mild steel 11.7, silver steel 11.0, brass 20.9.
    ("shrink mild steel on 20 mm silver steel 0.03 mm tight 0.02 mm to spare", "heat_c", 20 + 0.05 / 20 / 11.7e-6),
    ("shrink mild steel on 40 mm silver steel 0.02 mm tight 0.02 mm to spare", "cool_c", 20 - 0.04 / 40 / 11.0e-6),
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
    ("throw 13/16 in", "swing_mm", 41.275),
    ("crank throw stroke 25 mm", "throw_mm", 12.5),
    ("100 thou offset in the three-jaw 1 inch bar", "packing_mm",
     1.5 * 2.54 - 12.7 + sqrt(12.7**2 - (cos(radians(30)) * 2.54 - 1.5) ** 2)),
    ("crank throw 10 mm pin 6 mm main 8 mm", "bar_mm", 26.0),
    ("keyway 1/16 in in 1/4 in shaft", "depth_top_mm", 0.79375 + 3.175 - sqrt(3.175**2 - 0.79375**2)),
    ("square on 3/8 in bar", "across_mm", 9.525 / sqrt(2)),
    ("hexagon 8.5 mm across on 10 mm bar", "depth_mm", 0.75),
    ("indicator shows 12 thou total", "move_mm", 6 * THOU),
]  # fmt: skip


@pytest.mark.parametrize("page", list(PageUnit))
def test_each_comes_to_what_a_pencil_says(page: PageUnit) -> None:
    wrong = []
    for line, key, by_hand in JOBS:
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
    assert wrong == []


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
