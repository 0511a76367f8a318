"""Jobs at the lathe and the drill as a tired person types them, each beside its own arithmetic.

Speeds by ``1000 vc / (pi D)`` with the surface speeds of common practice; forms of threads by
their triangles; stress areas by ISO 898-1 and ASME B1.1, recalled.
"""

from __future__ import annotations

from math import cos, pi, radians, sin, sqrt, tan

import pytest

from runk.ask import ask
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.core.test_jobs import wrong_among

INCH, ROOT3 = 25.4, sqrt(3)


def rpm(surface: float, across: float, times: float = 1.0) -> float:
    """Speed for so many metres a minute, with the factor of the operation."""
    return 1000 * surface * times / (pi * across)


# Every size with its unit, so that either page means the same.
JOBS: list[tuple[str, str, float]] = [
    ("turn 20 mm mild steel hss", "target_rpm", rpm(28, 20)),
    ("turn 20 mm brass", "target_rpm", rpm(75, 20)),
    ("turn 1 in cast iron carbide", "target_rpm", rpm(70, INCH)),
    ("bore 5/8 in cast iron carbide", "target_rpm", rpm(70, 15.875, 0.8)),
    ("face 40 mm gunmetal", "target_rpm", rpm(40, 40)),
    ("part off 12 mm silver steel", "target_rpm", rpm(14, 12, 0.5)),
    ("drill 6 mm mild steel", "target_rpm", rpm(28, 6, 0.75)),
    ("drill 1/4 in brass", "target_rpm", rpm(75, 6.35, 0.75)),
    ("mill cast iron 12 mm cutter", "target_rpm", rpm(18, 12, 0.9)),
    ("slot drill 6 mm silver steel", "target_rpm", rpm(14, 6, 0.8)),
    ("knurl 20 mm mild steel", "target_rpm", rpm(28, 20, 0.3)),
    ("form tool 20 mm mild steel", "target_rpm", rpm(28, 20, 0.4)),
    ("slitting saw 50 mm brass", "target_rpm", rpm(75, 50, 0.5)),
    ("countersink 10 mm mild steel", "target_rpm", rpm(28, 10, 0.35)),
    ("turn 60 mm cast iron skin", "target_rpm", rpm(10, 60)),
    ("turn 20 mm mild steel interrupted", "target_rpm", rpm(28, 20, 0.7)),
    ("turn 20 mm mild steel cobalt", "target_rpm", rpm(28, 20, 1.2)),
    ("turn 22 mm stainless 303", "target_rpm", rpm(22, 22)),
    ("turn 22 mm 316", "target_rpm", rpm(14, 22)),
    ("turn 30 mm aluminium", "target_rpm", rpm(90, 30)),
    ("turn 30 mm dural", "target_rpm", rpm(75, 30)),
    ("turn 30 mm copper", "target_rpm", rpm(35, 30)),
    ("turn 10 mm gauge plate", "target_rpm", rpm(13, 10)),
    ("turn 2 in phosphor bronze", "target_rpm", rpm(22, 2 * INCH)),
    ("turn 20 mm mild steel", "set_rpm", 500),
    ("turn 20 mm silver steel", "set_rpm", 245),
    ("turn 22 mm silver steel hss", "set_rpm", 142),
    ("turn 60 mm cast iron skin", "set_rpm", 48),
    ("tap M4 mild steel 8 mm deep blind", "lead_mm", 2 * 0.7),
    ("tap M4 brass 8 mm deep blind", "deep_mm", 8),
    ("stud M4 in cast iron cover 5 mm", "engaged_mm", 6.0),
    ("stud M4 in cast iron cover 5 mm", "breaks_n", 0.7854 * (4 - 0.9382 * 0.7) ** 2 * 430),
    ("stud 2BA in aluminium cover 1/4 in", "engaged_mm", 9.4),
    ("cover 6 studs M3 bore 22 mm 5 bar circle 30 mm", "load_n", 0.5 * pi / 4 * 27**2),
    (
        "cover 6 studs M3 bore 22 mm 5 bar circle 30 mm",
        "stress_n_per_mm2",
        0.5 * pi / 4 * 27**2 / 6 / (0.7854 * (3 - 0.9382 * 0.5) ** 2),
    ),
    ("cover 6 studs M3 bore 22 mm 5 bar circle 30 mm", "chord_mm", 15),
    ("cover 8 studs M3 bore 22 mm 5 bar circle 40 mm", "chord_mm", 40 * sin(pi / 8)),
    ("tighten M6 mild steel", "stress_area_mm2", 0.7854 * (6 - 0.9382) ** 2),
    ("thread M10", "nut_flats_mm", 16),
    ("thread 2BA", "nut_flats_mm", 1.75 * 4.7),
    ("thread 2BA", "nut_mm", 0.9 * 4.7),
    ("thread M10", "stress_area_mm2", 0.7854 * (10 - 0.9382 * 1.5) ** 2),
    ("thread 1/4-20 UNC", "stress_area_mm2", 0.7854 * (6.35 - 0.9743 * 1.27) ** 2),
    ("thread 1/2 BSW", "depth_mm", 0.640327 * INCH / 12),
    ("thread M3", "nut_mm", 2.4),
    ("nearest drill 4.37 mm", "drill_mm", 11 / 64 * INCH),
    ("nearest drill 4.37 mm", "off_mm", 11 / 64 * INCH - 4.37),
    ("drill #30 brass", "target_rpm", rpm(75, 0.1285 * INCH, 0.75)),
    ("hole 6 mm reamed in brass 12 mm deep", "point_mm", 5.9 / 2 / tan(radians(59))),
    ("hole 6 mm reamed in brass 12 mm deep", "drill_mm", 5.9),
    ("hole 6 mm reamed in brass 12 mm deep", "left_mm", 0.1),
    ("angled hole 30 degrees 2 mm drill through 10 mm", "length_mm", 10 / cos(pi / 6)),
    ("angled hole 30 degrees 2 mm drill through 10 mm", "along_mm", 10 * tan(pi / 6)),
    ("angled hole 30 degrees 2 mm drill through 10 mm", "mouth_mm", 2 / cos(pi / 6)),
    (
        "angled hole 30 degrees 2 mm drill through 10 mm",
        "flat_mm",
        sin(pi / 6) * 2 / 2 / cos(pi / 6),
    ),
    ("from 16 mm to 14.5 mm mild steel", "left_mm", 1.5),
    ("bore 20 mm to 22 mm cast iron", "left_mm", 2.0),
    (
        "which metal weighs 124 g round 20 mm 50 mm long",
        "density_g_per_cm3",
        124 / (pi / 4 * 4 * 5),
    ),
    ("die M3 stainless 16 mm long", "blank_mm", 3 - 0.05 * 1.5),
    ("die M3 stainless 16 mm long", "turns", 32.0),
    ("die 2BA brass", "blank_mm", 4.7 - 0.081),
    ("die 1/4x40 ME brass", "blank_mm", 6.35 - 0.0635),
    # screw-cutting
    ("screwcut M6 mild steel", "depth_mm", 0.75 * ROOT3 / 2 * 1.0),
    ("screwcut M12", "depth_mm", 0.75 * ROOT3 / 2 * 1.75),
    ("screwcut M10 flat 0.1 mm", "depth_mm", 1.5 * ROOT3 / 2 * 7 / 8 - 0.1 * ROOT3 / 2),
    ("screwcut M10 radius 0.2 mm", "depth_mm", 1.5 * ROOT3 / 2 * 7 / 8 - 0.2),
    ("screwcut M10 inside", "depth_mm", 1.5 * ROOT3 / 2 * 5 / 8),
    ("screwcut 1/2 BSW", "depth_mm", 0.640327 * INCH / 12),
    ("screwcut 1/4x40 ME brass", "depth_mm", 0.640327 * INCH / 40),
    ("screwcut 4BA", "depth_mm", 0.6 * 0.66),
    (
        "screwcut 1/2-13 UNC along the top slide",
        "travel_mm",
        0.75 * ROOT3 / 2 * INCH / 13 / cos(radians(29.5)),
    ),
    ("screwcut 2BA along the top slide", "angle_deg", 23.25),
    ("screwcut M8", "relief_mm", 3.75),
    ("screwcut M8", "lead_mm", 1.25),
    ("screwcut M8 2 starts", "lead_mm", 2.5),
    ("screwcut M8 3 start", "lead_mm", 3.75),
    ("screwcut M8", "blank_mm", 8.0),
    ("screwcut M8 inside", "blank_mm", 8 - 2 * 1.25 * ROOT3 / 2 * 5 / 8),
    ("screw cut M10 relief 4.5 mm tool 1.5 mm wide", "target_rpm", 60 * 3 / 1.5),
    ("screw cut M10 relief 4.5 mm tool 1.5 mm wide", "set_rpm", 83),
    ("screw cut left hand M10", "set_rpm", 142),
    # wires
    ("wires M10", "best_wire_mm", 1.5 / ROOT3),
    ("wires M6", "best_wire_mm", 1 / ROOT3),
    ("wires 2BA", "best_wire_mm", 0.81 / 2 / cos(radians(23.75))),
    ("wires 1/2 BSW", "best_wire_mm", INCH / 12 / 2 / cos(radians(27.5))),
    ("wires 1/2-13 UNC", "best_wire_mm", INCH / 13 / ROOT3),
    (
        "wires 1/2-13 UNC wire 0.0444 in",
        "over_wires_mm",
        0.5 * INCH - 0.75 * ROOT3 / 2 * INCH / 13 + 3 * 0.0444 * INCH - INCH / 13 * ROOT3 / 2,
    ),
    ("wires M6 wire 0.6 mm", "over_wires_mm", 6 - 0.75 * ROOT3 / 2 + 1.8 - ROOT3 / 2),
    ("wires M6 wire 0.6 mm reads 6.2 mm", "effective_mm", 6.2 - 1.8 + ROOT3 / 2),
    ("wires M10 wire 0.9 mm over 10.6 mm", "effective_mm", 10.6 - 2.7 + 1.5 * ROOT3 / 2),
    (
        "wires 2BA wire 0.45 mm",
        "over_wires_mm",
        4.7 - 0.6 * 0.81 + 0.45 * (1 + 1 / sin(radians(23.75))) - 0.81 / 2 / tan(radians(23.75)),
    ),
    # wheels
    ("change wheels for 26 tpi", "cuts_mm", INCH / 26),
    ("change wheels for 1.5 mm", "wanted_mm", 1.5),
    ("change wheels for 40 tpi", "cuts_mm", INCH / 40),
    ("change wheels for 32 tpi", "error_ppm", 0),
    ("wheels for module 0.7", "wanted_mm", 0.7 * pi),
    ("wheels for 1 mm on 3 mm leadscrew", "cuts_mm", 1.0),
    ("wheels for 20 tpi on 8 tpi", "cuts_mm", INCH / 20),
    ("change wheels for 2BA", "wanted_mm", 0.81),
    ("change wheels for M6", "wanted_mm", 1.0),
    # A groove as wide as the belt was chosen for; a pass along so many millimetres.
    ("screwcut M8 mild steel 20 mm long", "pass_s", 60 * 20 / (1.25 * 142)),
    ("wheels 20 30 40 50 60 65 for 26 tpi", "cuts_mm", INCH / 26),
    ("wheels to cut 11 tpi", "cuts_mm", INCH / 11),
]


@pytest.mark.parametrize("page", list(PageUnit))
def test_each_comes_to_what_a_pencil_says(page: PageUnit) -> None:
    assert wrong_among(JOBS, page) == []


# Other ways to say the same: who answers, and what stands in what is said back.
SAID = [
    ("cut a thread m6 on the lathe in stainless", "screwcut", "M6 in stainless 303"),
    ("single point M5 brass", "screwcut", "M5 in free-cutting brass"),
    ("screw cutting 1/4 bsf", "screwcut", "1/4x26 BSF in mild steel"),
    ("thread m8 in the lathe", "screwcut", "M8 in mild steel"),
    ("cut a 2BA thread in silver steel", "screwcut", "2 BA in silver steel"),
    ("screwcut M10 at 300 rpm", "screwcut", "against 300 rev/min"),
    ("screwcut 1/8 bsp inside", "screwcut", "G1/8 in mild steel, a nut"),
    ("3 wires 1/4 bsf", "wires", "1/4x26 BSF"),
    ("three wire 2ba .018 wire", "wires", "wire .018 in"),
    ("what wheels for 2 ba", "wheels", "for 2 BA"),
    ("change wheels 0.5mm pitch", "wheels", "for 0.5 mm"),
    ("wheels for 19 tpi on a 6 mm leadscrew", "wheels", "leadscrew 6 mm"),
    ("wheels 1.25 pitch lh", "wheels", "1.25 mm, leadscrew 8 tpi"),
    ("thread M10", "thread", "The thread M10"),
]


@pytest.mark.parametrize(("line", "calculator", "said"), SAID)
def test_what_is_said_is_heard(line: str, calculator: str, said: str) -> None:
    asked = ask(line, WORKSHOP)
    assert asked.calculator.name == calculator
    assert said in asked.read_as


NO_JOBS = [
    ("screwcut M10 relief 1 mm", "nobody stops"),
    ("screwcut M10 flat 0.1 mm radius 0.1 mm", "flat or round"),
    ("screwcut M10 flat 2 mm", "too wide for the nut"),
    ("screwcut m10 10x", "what 10x is for"),
    ("wires M10 wire 5 mm", "ride on the crests"),
    ("wires m6 with 0.5 mm wire reads 6.02 mm", "sink below"),
    ("wires M10 wire 0.866 mm reads 15 mm", "another thread"),
    ("over wires m10 10.2 mm", "Say which"),
    ("wheels for 0 tpi", "more than 0"),
    ("wheels for 10000 mm", "at most"),
    ("change wheels for 1 mm, wheels 20 10000", "no change wheel"),
    ("change wheels", "Which pitch"),
]


@pytest.mark.parametrize(("line", "says"), NO_JOBS)
def test_what_cannot_be_answered_says_why(line: str, says: str) -> None:
    with pytest.raises(Refused) as refused:
        ask(line, WORKSHOP)
    assert says in refused.value.said(PageUnit.MM)


def test_a_speed_of_ones_own_is_judged_and_never_set() -> None:
    answer = ask("screwcut M10 at 300 rpm", WORKSHOP).answer
    assert answer.set_rpm.value == 142
    (row,) = answer.own
    assert row.yours.value == 300
    assert row.does.startswith("Never: your hand can stop it in the groove from 180")
    assert any(caution.about == "your speed" for caution in answer.cautions)
