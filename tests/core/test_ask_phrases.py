"""Lines as people really type them, and the cut each of them means."""

from __future__ import annotations

import pytest

from runk.ask import ask
from runk.core.workshop import Workshop

# line, operation, diameter in mm, metal, tool
SAID = [
    ('face 3 1/2" aluminium carbide', "face", 88.9, "aluminium-6082", "carbide"),
    ("bore 22mm gunmetal hss finish", "bore", 22, "gunmetal", "hss"),
    ('turn down 1" EN1A', "turn", 25.4, "free-cutting-steel", "hss"),
    ("drilling 1/8 copper", "drill", 3.175, "copper", "hss"),
    ("how fast should I turn 50mm cast iron with carbide?", "turn", 50, "grey-iron", "carbide"),
    ("speed for 6mm endmill in brass", "end-mill", 6, "brass", "hss"),
    ("12mm hss drill in 304", "drill", 12, "stainless-304", "hss"),
    ("turn phosphor bronze 1 inch", "turn", 25.4, "phosphor-bronze", "hss"),
    ("turn 25.4mm dia 60mm long aluminium", "turn", 25.4, "aluminium-6082", "hss"),
    ("Turn Ø20 mild steel, 4-jaw", "turn", 20, "mild-steel", "hss"),
    ("turn 20 mm stainless steel 316 carbide", "turn", 20, "stainless-316", "carbide"),
    ("face 2in brass faceplate", "face", 50.8, "brass", "hss"),
    ("end mill 8mm hss 303 stainless, 2 flutes", "end-mill", 8, "stainless-303", "hss"),
    ("drill 5.5 PB", "drill", 5.5, "phosphor-bronze", "hss"),
    ("turn 1-1/4 BMS", "turn", 31.75, "mild-steel", "hss"),
    ("turn 10mm in brass finishing cut", "turn", 10, "brass", "hss"),
    ('drill 3/8" hole in cast aluminium 1" deep', "drill", 9.525, "cast-aluminium", "hss"),
    ("turn 22mm silversteel", "turn", 22, "silver-steel", "hss"),
    ("turn a 22 mm piece of drill rod with hss please", "turn", 22, "silver-steel", "hss"),
    ("mill brass with 3/8 cutter 4 teeth at 1mm deep", "end-mill", 9.525, "brass", "hss"),
    ("bore out 5/8 grey cast iron tipped", "bore", 15.875, "grey-iron", "carbide"),
    ("ream 5mm bronze", "ream", 5, "phosphor-bronze", "hss"),
    ("reamer 1/4 gunmetal", "ream", 6.35, "gunmetal", "hss"),
    ("parting off 3/4 brass", "part", 19.05, "brass", "hss"),
    ("part 16 silver steel", "part", 16, "silver-steel", "hss"),
    ("csk 8mm ali", "countersink", 8, "aluminium-6082", "hss"),
    ("slot drill 4mm gauge plate", "slot", 4, "gauge-plate", "hss"),
    ("3mm slot mill cast iron", "slot", 3, "grey-iron", "hss"),
    ("turn 12mm EN3B", "turn", 12, "mild-steel", "hss"),
    ("turn 12mm 4140", "turn", 12, "42crmo4", "hss"),
    ("turn 12mm gfs", "turn", 12, "gauge-plate", "hss"),
    ("turn 40 SG iron carbide", "turn", 40, "sg-iron", "carbide"),
    ("turn 40 ductile iron", "turn", 40, "sg-iron", "hss"),
    ("turn 12 mm CZ121", "turn", 12, "brass", "hss"),
    ("turn 12 mm lg2", "turn", 12, "gunmetal", "hss"),
    ("turn 12 mm SAE 660", "turn", 12, "bearing-bronze", "hss"),
    ("turn 12 mm LM25", "turn", 12, "cast-aluminium", "hss"),
    ("turn 12 mm he30", "turn", 12, "aluminium-6082", "hss"),
    ("turn 12 mm c101", "turn", 12, "copper", "hss"),
    ("drill #60 stainless 416", "drill", 1.016, "stainless-416", "hss"),
    ("drill letter A ss", "drill", 5.9436, "stainless-303", "hss"),
    ("drill 3 tenths + 3mm brass", "drill", 3.00762, "brass", "hss"),
    ("cobalt drill 4 mm 304", "drill", 4, "stainless-304", "cobalt"),
    ("knurl 20 brass", "knurl", 20, "brass", "hss"),
    ("spot face 14 ci", "spot-face", 14, "grey-iron", "hss"),
    ("fly cut 50 ali", "fly-cut", 50, "aluminium-6082", "hss"),
    ("slitting saw 50 brass 0.8 wide", "saw", 50, "brass", "hss"),
    ("power tap M3 brass", "power-tap", 3, "brass", "hss"),
    ("screwcut 1/2-20 ms", "screw-cut", 12.7, "mild-steel", "hss"),
]


@pytest.mark.parametrize(("line", "operation", "mm", "metal", "tool"), SAID)
def test_meant(
    line: str, operation: str, mm: float, metal: str, tool: str, workshop: Workshop
) -> None:
    question = ask(line, workshop).read.question
    assert question.operation == operation
    assert float(question.diameter) == pytest.approx(mm)
    assert question.metal == metal
    assert question.tool == tool


@pytest.mark.parametrize(
    ("line", "field", "value"),
    [
        ("turn 20 ms held in a collet", "held", "collet"),
        ("turn 20 ms 3-jaw", "held", "three-jaw"),
        ("turn 20 ms between centers", "held", "between centres"),
        ("turn 20 ms on a mandrel", "held", "mandrel"),
        ("turn 20 ms with centre", "held", "chuck and centre"),
        ("face 20 ms on the face plate", "held", "faceplate"),
        ("mill 6 brass clamped", "held", "clamped to the table"),
        ("mill 6 brass in the vise", "held", "vice"),
        ("turn 20 ms rigid", "set_up", "stiff"),
        ("turn 20 ms long overhang", "set_up", "long"),
        ("turn 20 ms slender", "set_up", "long"),
        ("turn 20 ci as-cast", "surface", "skin"),
        ("turn 20 ci casting skin", "surface", "skin"),
        ("turn 20 ms interrupted cut", "meets", "interrupted"),
        ("turn 20 ms finish", "stage", "finish"),
        ("rough turn 20 ms", "stage", "rough"),
        ("turn 20 ms unknown alloy", "alloy", "unknown"),
        ("drill 5 brass in the mill", "machine", "Mill"),
        ("turn 20 ms using the lathe", "machine", "Lathe"),
    ],
)
def test_words_around_the_cut(line: str, field: str, value: str, workshop: Workshop) -> None:
    assert getattr(ask(line, workshop).read.question, field) == value


@pytest.mark.parametrize(
    ("line", "field", "mm"),
    [
        ("turn 20 ms 60 long", "length", 60),
        ('drill 6 brass 1/2" deep', "length", 12.7),
        ("turn 20 ms 1 deep", "depth", 1),
        ("turn 20 ms 20 thou deep", "depth", 0.508),
        ("turn 12 ms 80 out", "overhang", 80),
        ('turn 12 ms overhang 3"', "overhang", 76.2),
        ("bore 22 ci 10mm bar 60 out", "bar", 10),
        ("mill 10 brass 4 wide", "width", 4),
        ("part 20 brass 2 wide", "width", 2),
        ("turn 20 ms 0.4 radius", "tip_radius", 0.4),
        ("screw-cut 12 ms 1.5 pitch", "pitch", 1.5),
        ("screw-cut 12 ms pitch 1.25", "pitch", 1.25),
        ("screw-cut M12 ms relief 4", "relief", 4),
        ("turn 20 ms 0.3 off high", "off_centre", 0.3),
    ],
)
def test_numbers_go_where_their_word_says(
    line: str, field: str, mm: float, workshop: Workshop
) -> None:
    value = getattr(ask(line, workshop).read.question, field)
    assert float(value) == pytest.approx(mm)


# line, job, size now and size wanted in mm, metal
BROUGHT = [
    ("from 16 to 14.5", "outside", 16, 14.5, "mild-steel"),
    ("turn 16 mm to 14.5 silver steel", "outside", 16, 14.5, "silver-steel"),
    ("bring 16 to 14.5 brass", "outside", 16, 14.5, "brass"),
    ('turn 5/8 to 1/2" stainless', "outside", 15.875, 12.7, "stainless-303"),
    ("bore 22 from 20.8 grey iron", "bore", 20.8, 22, "grey-iron"),
    ("bore 20.8 to 22 iron 40 deep bar 10 out 45 carbide", "bore", 20.8, 22, "grey-iron"),
    ("face 40 to 38.5 both ends", "face", 40, 38.5, "mild-steel"),
    ("slot 3 deep 6mm cutter brass to size", "slot", None, 3, "brass"),
    ("groove 3 wide 1.5 deep in 22 mm iron 2 mm tool plan", "groove", 22, 3, "grey-iron"),
]


@pytest.mark.parametrize(("line", "job", "now", "wanted", "metal"), BROUGHT)
def test_two_sizes_are_a_cut_to_size(
    line: str, job: str, now: float | None, wanted: float, metal: str, workshop: Workshop
) -> None:
    asked = ask(line, workshop)
    question = asked.read.question
    assert asked.calculator.name == "plan"
    assert (question.job, question.metal) == (job, metal)
    assert question.now == (None if now is None else pytest.approx(now))
    assert float(question.wanted) == pytest.approx(wanted)


def test_other_work_is_not_a_cut_to_size(workshop: Workshop) -> None:
    assert ask("drill 6 brass 10 deep", workshop).calculator.name == "speed"
    assert ask("7/64 + 20 thou to mm", workshop).calculator.name == "length"
