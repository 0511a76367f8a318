"""What an answer itself says, of lines people typed at the lathe: each figure by a sum of the tests'.

A row is a line, where its figure stands in the answer, and what a pencil makes of it; words where
the answer is words. Common practice where no sum is.
"""

from __future__ import annotations

import math
from math import pi
from typing import Any

import pytest

from runk.ask.ask import ask
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

IN = 25.4


def found_in(answer: Any, path: str) -> Any:
    for part in path.split("."):
        answer = answer[int(part)] if part.lstrip("-").isdigit() else getattr(answer, part)
    return getattr(answer, "value", answer)


def said(line: str) -> Any:
    return ask(line, WORKSHOP, PageUnit.MM)


FIGURES = [
    # The dial of an end begins at nought: half of what there is to take, in thou of its slide.
    ("face both sides equal 1.290 in to 1.250 in cast iron", "passes.-1.to_mm", 1.250 * IN),
    ("face both sides equal 1.290 in to 1.250 in cast iron", "passes.3.end", 2),
    # Blank of a die in stainless: 0.15 of a pitch under; the die's own room says the same.
    ("turn 3/16 to 4BA blank stainless", "aim_mm", 3.6 - 0.15 * 0.66),
    ("die 4BA stainless", "blank_mm", 3.6 - 0.15 * 0.66),
    # A beam on two ends: F l^3 / 48 E I, with half of the cut's force across.
    (
        "form tool 11/16 silver steel 18 wide between centres 140 long",
        "spring_mm",
        lambda a: 0.5 * a.force_n.value * 140**3 / (48 * 205e3 * pi * (11 / 16 * IN) ** 4 / 64),
    ),
    ("nearest drill before reaming 5/16", "drill_mm", 7.8),
    ("which drill before reaming 3/16", "drill_mm", 4.7),
    ("which drill to ream 3/16 gunmetal", "drill_mm", 4.7),
    ("5/16 hand reamed hole in cast iron 20 deep", "drill_mm", 7.8),
    ("ream 3/16 brass", "set_rpm", 0),
    ("hand ream 5/16 in brass", "drill_mm", 7.8),
    # Through five bearings the bar goes the whole way and out: 180 and a millimetre.
    ("7/16 bored hole, 5 bearings, 180 over all, 10 deep", "then.0.depth_mm", 181),
    (
        "7/16 hole 12 deep, 5 bearings, 180 overall",
        "drills.-1.depth_mm",
        181 + 11.1125 / 2 * 0.6009,
    ),
    # A mouth a shade over the thread; a guide a hair over it.
    ("counterdrill 3BA hole", "mouth_mm", 4.1 + 0.073),
    ("chamfer 3BA hole brass", "mouth_mm", 4.1 + 0.073),
    ("clearance 3BA", "guide_mm", 4.15),
    # BA nuts: 1.75 D across flats, 0.9 D high.
    ("4BA nut across flats", "nut_flats_mm", 1.75 * 3.6),
    ("nut 4BA", "nut_mm", 0.9 * 3.6),
    # Two diameters of it in aluminium, one and a half in iron.
    ("8 studs 5BA aluminium cover 1/4", "engaged_mm", 2 * 3.2),
    ("stud 6BA cast iron cover 5/32 in", "engaged_mm", 1.5 * 2.8),
    ("stud 4BA stainless in bronze, cover 12, nut end 5/8", "nut_end_mm", 5 / 8 * IN),
    ("80 mm cast iron 6 degrees warmer", "off_mm", 80 * 10.8e-6 * 6),
    ("heat of hand 80 mm cast iron 6 degrees expansion", "off_mm", 80 * 10.8e-6 * 6),
    ("heat to release 28 mm threadlock", "lets_go_c", 250),
    ("bond 12 mm epoxy", "lets_go_c", 150),
    ("rings 22 bore 18% open", "free_gap_mm", 0.18 * 22),
    ("piston 1 bore 3/16 rod rings 3/32 wide tool 0.098", "groove_width_mm", 0.098 * IN),
    # A diameter at each end of the work: a dog on one, room for the tool at the other.
    (
        "how long a mandrel for a 15/16 bore, casting 2 in long",
        "mandrel_long_mm",
        (2 + 15 / 8) * IN,
    ),
    ("mandrel through a 24 cored hole, casting 60 long", "mandrel_long_mm", 60 + 2 * 24),
    ("how long a mandrel through a 24 cored hole, casting 60 long", "mandrel_long_mm", 108),
    ("mandrel for an 8 bore, 30 long", "mandrel_long_mm", 30 + 2 * 12),
    # The demonstration's lathe swings 180: 80 and two jaws leave 20, 5 out less a millimetre 4.
    ("will the tool foul the chuck facing 80, jaw 40, 5 out", "left_mm", 4),
    ("does an 80 disc in the jaws clear the bed, jaw 48, 12 out", "left_mm", 180 - 176),
    # Revolutions go with one over the diameter.
    ("250 rpm with 18 mm what for 12 mm", "speed_rpm", 250 * 18 / 12),
    ("18% of 22", "share_mm", 3.96),
    ("18 % of 22", "share_mm", 3.96),
    ("350 F in C", "heat_c", (350 - 32) / 1.8),
    # A face with an end mill: 1 mm at most; a bond's cut at the rim of what is on it.
    ("end mill flange 12 mm cutter mild steel", "depth_mm", 1.0),
    ("end mill face of boss 6 mm cutter brass", "depth_mm", 0.6),
    ("between frames 50: 5 x 8; 2 x 3", "left_mm", 50 - 40 - 6),
    ("5 x 8; 2 x 3 between frames 50", "left_mm", 50 - 40 - 6),
    # A groove's floor round a rod is never inside it.
    ("o-ring for 5/16 rod in gland", "size_mm", 5 / 16 * IN),
    ("seal 5/16 rod", "size_mm", 5 / 16 * IN),
    # 6 less a radius of 2 and half a millimetre of swing.
    ("finder beside a flange 6 mm away, finder 4 mm", "left_mm", 6 - 2 - 0.5),
    # Four pieces, a saw between, 1 mm to face each end's worth: 300 - 4 (55 + 1 + 1.2).
    ("4 pieces 55 mm long from 300 mm bar 7/16 saw 1.2 mm", "left_mm", 300 - 4 * 57.2),
    # Parts, a cut behind each, facing where a saw cuts, and what is held.
    ("2 parts 30 long from bar, kerf 1.2", "whole_mm", 2 * (30 + 1 + 1.2)),
    ("bar for 3 parts of 14 mm, blade 1.5, grip 18", "whole_mm", 3 * 14 + 3 * 1.5 + 18),
    ("cutting list 1 x 2 1/2 in", "whole_mm", 2.5 * IN + 1 + 2),
    # A usual chuck opens to 13.
    ("will a 5/8 drill go in the tailstock chuck", "left_mm", 13 - 5 / 8 * IN),
    ("overhung crank throw 11/16 journals 7/16 pin 1/4", "throw_mm", 11 / 16 * IN),
    ("bond 28 mm 1 long cut at 38", "stands_nm", 15 * pi * 28 * 1 * 14 / 1000 / 3),
]


@pytest.mark.parametrize(("line", "path", "by_hand"), FIGURES)
def test_each_comes_to_what_a_pencil_says(line: str, path: str, by_hand: Any) -> None:
    answer = said(line).answer
    wanted = by_hand(answer) if callable(by_hand) else by_hand
    assert found_in(answer, path) == pytest.approx(wanted, rel=3e-3, abs=6e-3)


@pytest.mark.parametrize(
    ("line", "word", "about"),
    [
        ("face from 1 5/16 to 1 1/4 cast iron both ends skin", "Mind", "the skin"),
        ("face 1 1/4 inch mild steel 5 inches out", "Mind", "the work"),
        ("form tool 11/16 silver steel 18 wide between centres 140 long", "Mind", "the work"),
        ("turn 13/16 to 5/8 phosphor bronze in a collet", "Mind", "the collet"),
        ("turn 13/16 phosphor bronze in a collet", "Mind", "the collet"),
        ("screwcut 3BA in silver steel relief 1.8 mm", "Mind", "the tool"),
        ("bond 28 mm 1 long cut at 38", "Stop", "the cut"),
        ("ream 3/16 brass", "Stop", "the reamer"),
    ],
)
def test_what_bites_is_said(line: str, word: str, about: str) -> None:
    assert (word, about) in [(c.word, c.about) for c in said(line).answer.cautions]


@pytest.mark.parametrize(
    ("line", "field", "value"),
    [
        ("mandrel for 22 mm bore", "duty", "mandrel"),
        ("expanding mandrel 22 mm", "duty", "mandrel"),
        ("15/16 mandrel running", "duty", "running"),
        ("slip fit 15/16 mandrel", "duty", "slide"),
        ("mandrel for cored hole 15/16", "duty", "core"),
        ("fit mandrel in cored hole 15/16", "duty", "core"),
        ("make studs for 5 mm reamed holes", "duty", "fitted"),
        ("8 studs 5BA aluminium cover 1/4", "stud_metal", "mild-steel"),
        ("8 5BA studs of brass in aluminium cover 1/4", "stud_metal", "brass"),
        ("M5 drill en8", "thread.name", "M5"),
        ("fly cut mild steel plate 60 mm", "diameter", 60),
        ("7/16 bored hole, 5 bearings, 180 over all, 10 deep", "span", 180),
        ("80 mm cast iron 6 degrees warmer", "at", 26.0),
        ("4 pieces 55 mm long from 300 mm bar 7/16 saw 1.2 mm", "metal", "7/16"),
    ],
)
def test_each_word_says_what_it_says(line: str, field: str, value: Any) -> None:
    found: Any = said(line).read.question
    for part in field.split("."):
        found = getattr(found, part)
    assert found == value


@pytest.mark.parametrize(
    ("line", "says"),
    [
        ("finish piston on its rod", "own rod"),
        ("spigot first to hold a piston casting", "spigot on the casting first"),
        ("piston rod seats on shoulder not thread", "never on its thread"),
        ("lumps in the core", "Lumps out of the core"),
        ("heat to release threadlock", "250 °C, with fumes"),
        ("temperature to release epoxy", "150 °C"),
        ("split bush for 5/16 rod", "sawn through along one side"),
        ("how long a mandrel for a casting 2 in long", "a dog at one end"),
    ],
)
def test_what_the_trade_says_is_said(line: str, says: str) -> None:
    assert says in said(line).answer.says


@pytest.mark.parametrize(
    ("line", "usual"),
    [
        ("slot 4 mm silver steel", "0.5 mm"),
        ("slot 4 mm cast iron", "1 mm"),
        ("slot 4 mm brass", ""),
    ],
)
def test_what_is_common_stands_beside_the_rule(line: str, usual: str) -> None:
    found = [c.says for c in said(line).answer.cautions if c.about == "the passes"]
    assert bool(found) is bool(usual)
    assert not usual or usual in worded(found[0], PageUnit.MM)


def test_a_bond_that_is_to_stand_facing_is_cut_at_its_rim() -> None:
    line = "will the glue hold 1 11/16 brass disc on 5/16 shaft while facing"
    question = said(line).read.question
    assert float(question.turned) == pytest.approx(27 / 16 * IN)
    assert float(question.size) == pytest.approx(5 / 16 * IN)


def test_a_bond_with_nothing_to_spare_says_so() -> None:
    found = said("will the glue hold 1 11/16 brass disc on 5/16 shaft while facing").answer
    assert 0.75 * found.stands_nm.value < found.cut_nm.value < found.stands_nm.value
    assert [c.about for c in found.cautions] == ["no margin"]
    # Half the depth is half the torque: something is left.
    light = said(
        "will the glue hold 1 11/16 brass disc on 5/16 shaft while facing 0.56 deep"
    ).answer
    assert light.cut_nm.value < 0.75 * light.stands_nm.value
    assert light.cautions == ()


def test_the_speed_of_work_on_a_spigot_hands_its_cut_on_to_the_bond() -> None:
    speed = said("face 1 11/16 brass held on a 5/16 spigot 5/16 out").answer
    (link,) = speed.links
    assert link.calculator == "bond"
    asked = dict(link.question)
    assert asked["boss_metal"] == "brass"
    assert asked["cut"] == f"{speed.depth_mm.value:.6g} mm"
    assert asked["turned"] == asked["hub"] == f"{27 / 16 * IN:.6g} mm"


def test_what_swings_too_far_is_refused_and_jaws_are_asked_for() -> None:
    stop = said("does a 130 disc clear the bed in the chuck, jaws 40, standing out 12").answer
    assert ("Stop", "the room") in [(c.word, c.about) for c in stop.cautions]
    assert stop.fouls == "the bed"
    with pytest.raises(Refused) as wanting:
        said("will the tool foul the chuck facing 80")
    assert wanting.value.field == "jaw"


def test_a_collet_that_is_not_owned_is_said() -> None:
    for line in ("collet for 7/16", "will 7/16 bar go in collet"):
        found = said(line)
        assert found.read.question.tool == "collet"
        assert ("Stop", "the collet") in [(c.word, c.about) for c in found.answer.cautions]


def test_an_overhung_crank_has_one_web_and_nothing_to_saw_out() -> None:
    steps = {
        webs: " ".join(s.does for s in said(f"{webs} crank throw 12 main 8 pin 6").answer.steps)
        for webs in ("overhung", "built up")
    }
    assert "between the webs" not in steps["overhung"]
    assert "between the webs" in steps["built up"]


def test_only_the_bar_that_bores_is_carbide() -> None:
    line = "7/8 inch bored hole in cast iron 1 1/2 deep"
    plain, tipped = said(line).answer, said(f"{line} carbide").answer
    assert [d.rpm.value for d in plain.drills] == [d.rpm.value for d in tipped.drills]
    assert tipped.then[0].rpm.value > plain.then[0].rpm.value
    assert "tailstock" not in tipped.then[0].stop
    assert "tailstock" in tipped.drills[-1].stop


def test_a_large_reamer_takes_a_thin_ring() -> None:
    """A ring of 0.3 in 22: a few hundred newtons and two to three newton metres."""
    reamed = said("ream 22mm cast iron").answer
    assert 200 < reamed.force_n.value < 600
    assert 2 < reamed.torque_nm.value < 3


def test_between_two_readings_it_is_neither() -> None:
    found = said("run-out 8 thou at the work, 1 thou at the chuck").answer
    assert found.first == "between the work and the chuck: read the collet next"
    # Where all were read it is where the most comes in.
    every = said("run-out 8 thou at the work, 7 thou at the collet, 1 thou at the chuck").answer
    assert every.first.startswith("most of it comes in at")


def test_each_end_of_a_length_has_its_own_nought() -> None:
    found = said("face both sides equal 1.290 in to 1.250 in cast iron").answer
    first, second = ([p for p in found.passes if p.end == end] for end in (1, 2))
    for passes in (first, second):
        wound = 0.0
        for one in passes:
            wound += one.divisions.value
            assert one.stands_at == f"the dial at {_mark(wound)}"
    assert "turned round and touched again" in second[0].dial
    assert not any("turned round" in p.dial for p in (*first, *second[1:]))


def _mark(divisions: float) -> str:
    whole, part = divmod(divisions % 100, 1)
    return f"{whole:.0f}" + {0.0: "", 0.25: " 1/4", 0.5: " 1/2", 0.75: " 3/4"}[round(part, 2)]


def test_what_no_word_of_it_says_is_asked() -> None:
    with pytest.raises(Refused, match="holds down"):
        said("stud 4BA long end 5/8")
    with pytest.raises(Refused, match="stand out of the metal") as long:
        said("stud 4BA stainless in bronze, cover 3/16, nut end 5/8")
    assert "8.99 mm" in worded(str(long.value), PageUnit.MM) or long.value.field == "nut_end"


def test_a_screw_that_is_to_place_its_part_sits_in_a_reamed_hole() -> None:
    """ISO 273 has no such hole: the reamer of the screw's own name makes it, or nothing does."""
    for line in ("clearance M5 reamed", "reamed holes for M5"):
        found = said(line).answer
        assert found.drill_name == "5 mm reamer"
        assert (found.hole_mm.value, found.drill_mm.value) == (5.0, 5.0)
        (link,) = found.links
        assert dict(link.question)["finish"] == "machine-reamed"
    with pytest.raises(Refused, match=r"No reamer in the trays makes a hole of 3\.60 mm"):
        said("clearance 4BA reamed")
    assert said("clearance M5").answer.hole_mm.value == 5.5  # ISO 273, medium.


def test_a_nut_of_some_metal_is_tapped_in_it() -> None:
    found = said("hexagon brass 4BA nut").answer
    assert round(found.nut_flats_mm.value, 2) == 6.3
    assert round(found.nut_mm.value, 2) == 3.24
    assert all(dict(link.question)["metal"] == "brass" for link in found.links)


@pytest.mark.parametrize(
    ("line", "mm"),
    [
        # Its length, a cut of 2, and half a millimetre off each end: 63.5 + 2 + 1.
        ("cut bar to length 2 1/2 inch 7/16 stainless facing both ends", 66.5),
        ("cut the bar to length 60 mm, 12 mm brass, blade 1.5", 61.5),
        ("cut bar to length 40 mm 16 mm brass facing both ends 2 mm", 44.0),
    ],
)
def test_a_bar_that_is_not_on_the_shelf_is_as_long_as_this(line: str, mm: float) -> None:
    found = said(line).answer
    assert found.whole_mm.value == pytest.approx(mm)
    assert "No bar of the shelf is called" in found.cautions[0].says
    # Brass of half an inch there is: that bar is cut, whichever of its words comes first.
    there = said("cutting list 2 x 20, of 1/2 brass").answer
    assert there.cuts[0].bar.startswith('brass 1/2"')
    assert not there.cautions


@pytest.mark.parametrize(
    ("wide", "passes"), [("12", 0), ("12.1", 2), ("20", 2), ("21", 2), ("21.1", 3), ("200", 22)]
)
def test_a_boss_wider_than_the_mill_is_gone_over(wide: str, passes: int) -> None:
    """Tracks of a 12 mm cutter lie 9 mm apart: 12 + 9 n covers it."""
    found = said(f"face boss {wide} mm with 12 mm end mill cast iron").answer
    says = [c.says for c in found.cautions if c.about == "the width"]
    assert [f"{passes} passes side by side" in one for one in says] == [True] * bool(passes)
    whole = said("face a boss with a 12 mm end mill cast iron").answer
    assert found.power_w.value == pytest.approx(whole.power_w.value)
    with pytest.raises(Refused, match="wider than itself"):
        said("end mill 12 mm cast iron 20 wide")


def test_a_cap_heads_reamed_hole_is_the_screws_size() -> None:
    """The screw places by its shank alone: its head has the room it has over a drilled hole."""
    for line in (
        "counterbore for M5 cap head reamed brass",
        "cap screw M5 in a reamed hole, brass",
    ):
        found = said(line).answer
        assert (found.size_mm.value, found.then[0].name) == (5.0, "5 mm machine reamer")
    drilled = said("counterbore for M5 cap head brass").answer
    assert found.counterbore_mm.value == drilled.counterbore_mm.value > 8.5  # ISO 4762.


@pytest.mark.parametrize(("hour", "degrees"), [(12, 90), (3, 0), (1, 60), (6, 270), (9, 180)])
def test_an_hour_of_the_clock_is_where_its_hand_stands(hour: int, degrees: int) -> None:
    asked = said(f"6 holes 31 pcd first at {hour} o'clock")
    assert asked.read.question.start == degrees
    first = asked.answer.holes[0]
    # Up is y, right is x: worked from the hand, not from the angle.
    hand = math.radians(hour * 30)
    assert first.x_mm.value == pytest.approx(15.5 * math.sin(hand), abs=1e-6)
    assert first.y_mm.value == pytest.approx(15.5 * math.cos(hand), abs=1e-6)


@pytest.mark.parametrize(
    "line",
    [
        "tap M10 pitch 1.25 mild steel",
        "tap M10 with a pitch of 1.25 mm, 25 deep, mild steel",
        "tap M10, 1.25 pitch 25 deep mild steel",
        "screw cut M10 pitch 1.25",
        "die M10 1.25 mm pitch 20 long",
    ],
)
def test_a_pitch_beside_a_threads_name_is_that_threads(line: str) -> None:
    """Read as a depth it left M10 at its usual 1.5: another drill, and a part scrapped."""
    assert said(line).read.question.thread.pitch_mm == 1.25
    assert said("tap M10 25 deep").read.question.thread.pitch_mm == 1.5


def test_holes_counted_clockwise_lie_where_the_hand_goes() -> None:
    """D29: the other way round swaps all but the first; on its mate it is the other way again."""
    one, other = (
        said(f"5 holes 40 pcd start 20 degrees {way}").answer for way in ("", "clockwise")
    )
    for n in range(5):
        turned = math.radians(20 - 72 * n)
        assert other.holes[n].x_mm.value == pytest.approx(20 * math.cos(turned), abs=1e-6)
        assert other.holes[n].y_mm.value == pytest.approx(20 * math.sin(turned), abs=1e-6)
        assert other.holes[n].x_mm.value == pytest.approx(one.holes[-n % 5].x_mm.value)
    mate = said("5 holes 40 pcd start 20 degrees clockwise from the other side").answer
    for face, behind in zip(other.holes, mate.holes, strict=True):
        assert behind.x_mm.value == pytest.approx(-face.x_mm.value)
        assert behind.y_mm.value == pytest.approx(face.y_mm.value)


@pytest.mark.parametrize(
    "line", ["4 holes over 90 degrees on 40 circle", "4 holes on 40 circle over 90 degrees"]
)
def test_degrees_are_no_size(line: str) -> None:
    """Ninety degrees were ninety millimetres each."""
    holes = said(line).answer.holes
    assert [h.angle_deg.value for h in holes] == pytest.approx([0, 30, 60, 90])
    with pytest.raises(Refused, match="what 30 is for"):
        said("turn 20 mm brass 30 degrees")
