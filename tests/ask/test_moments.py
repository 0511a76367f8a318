"""Lines that once led somebody to a wrong cut, size or belief: each reads as it is meant now.

``gives`` is one figure of the answer, reckoned by hand; ``refuses`` a word of the refusal, where no
answer is right. What is refused may not be answered by anything.
"""

from __future__ import annotations

from typing import Any

import pytest

from runk.cli import document_for
from runk.core.units import PageUnit
from runk.core.workshop import Workshop

# A line, who answers, and a figure that must be so.
GIVES: list[tuple[str, str, str, Any]] = [
    # A run-out or a swing on a millimetre page is millimetres: half of it is moved.
    # Half of 47.6, and half a finder from the touch.
    ("edge finder 6 mm middle between 47.6", "place", "stop_mm", 26.8),
    ("indicator swings 0.2", "true", "move_mm", 0.1),
    ("indicator swings 0.06", "true", "move_mm", 0.03),
    ("indicator swings 0.04", "true", "move_mm", 0.02),
    ("indicator swings 0.3", "true", "move_mm", 0.15),
    # pi 28 0.9 of 15 N/mm2 at 14 mm, two thirds of it.
    ("will the compound hold 28 dia 0.9 long", "bond", "holds_nm", 16.63),
    ("bond 28 mm 0.9 long", "bond", "holds_nm", 16.63),
    # A pin's fraction says nothing of the depth: 4.7625 + 7.
    ("gauge pin 3/16, 7 deep", "depth", "stop_mm", 11.7625),
    # Half the finder and the distance, whichever stands first.
    ("6 mm edge finder 5 away", "depth", "stop_mm", 8.0),
    ("6 mm edge finder 17 away", "depth", "stop_mm", 20.0),
    ("8 mm edge finder 3 from the edge", "depth", "stop_mm", 7.0),
    ("1/4 edge finder 12 away", "depth", "stop_mm", 15.175),
    ("10 mm edge finder 4 away", "depth", "stop_mm", 9.0),
    ("edge finder 6 mm, 5 away", "depth", "stop_mm", 8.0),
    # A bar's size is not the centre drill's.
    ("centre drill for 24 mm bar en8", "speed", "set_rpm", 1480.0),
    ("centre drill 1 1/4 inch bar mild steel", "speed", "set_rpm", 1480.0),
    # Flats of a square: half of what is between 7.9375 and 6.35.
    ("square on 5/16 0.25 across flats", "flats", "depth_mm", 0.79375),
    ("a square on a 5/16 bar, 0.25 across flats", "flats", "depth_mm", 0.79375),
    # Drilled and reamed is one hole.
    ("drill 4.5 mm cast iron and ream 5 mm", "hole", "size_mm", 5.0),
    ("5 mm reamed hole cast iron, drilled 4.5", "hole", "size_mm", 5.0),
    ("4.5 mm drill then 5 mm reamer cast iron", "hole", "size_mm", 5.0),
    ("ream 5 mm hole there 4.5", "hole", "size_mm", 5.0),
    # Never the reamer's own size: nothing would be left to ream.
    ("which drill before 5 mm reamer", "nearest-drill", "drill_mm", 4.8514),
    ("nearest drill before 5 mm reamer", "nearest-drill", "drill_mm", 4.8514),
    ("what drill before a 5mm reamer", "nearest-drill", "drill_mm", 4.8514),
    # Drilled and tapped is the tapped hole.
    ("drill and tap M5 in cast iron 12 deep", "tap", "major_mm", 5.0),
    ("drill and tap M3 in brass", "tap", "major_mm", 3.0),
    ("drill through and tap M4 in brass", "tap", "major_mm", 4.0),
    # The number behind a whole thread is another.
    ("tap M4x0.5 8 deep", "tap", "pitch_mm", 0.5),
    # A bolt circle by its radius, as a read-out asks: 44 sin(180/8).
    ("bolt circle radius 22, 8 holes, start 0", "circle", "chord_mm", 16.838),
    # Is it right: (5.0 - 3.571875 is left of the 3BA's 4.1, 0.6 x 0.73 deep).
    ("is 9/64 right for 3BA", "tap", "engagement_percent", 60.3),
    ("engagement 9/64 3BA", "tap", "engagement_percent", 60.3),
    ("blank size 4BA", "die", "blank_mm", 3.534),
    # Both measured: 25.4 x (1.375 - 1.373) is 0.0508 free.
    ("piston measures 1.373 in, bore measures 1.375 in", "mate", "clearance_low_mm", 0.0508),
    ("piston measures 24.96 bore measures 25.02", "mate", "clearance_low_mm", 0.06),
    # Wheels, tapers, gears and limits in anybody's order.
    ("leadscrew 3 mm, want 1.25 pitch", "wheels", "wanted_mm", 1.25),
    ("40 tpi off an 8 tpi screw", "wheels", "wanted_mm", 0.635),
    ("taper 1 in 12, 45 long, big end 32", "taper", "small_mm", 28.25),
    ("how many degrees is a 1:20 taper", "taper", "included_deg", 2.864),
    ("pinion 12 wheel 48 module 0.5", "gear", "outside_mm", 7.0),
    ("lowest size, shaft 25 h7", "fit", "shaft_low_mm", 24.979),
    ("8g6 limits", "fit", "shaft_high_mm", 7.995),
    ("10 H7", "fit", "hole_high_mm", 10.015),
    ("how big a square out of 20 mm round", "stock", "largest_mm", 14.142),
]

# A line, who answers, and a choice it must be read as: what is excluded may not come back.
READS: list[tuple[str, str, str, str]] = [
    # Said without a verb, revs are asked of a cut; one slip in a long word is put right.
    ("1 inch brass bar what revs", "speed", "operation", "turn"),
    ("half inch drill in cast iron, revs", "speed", "operation", "drill"),
    ("drlling 5mm silver steel", "speed", "operation", "drill"),
    ("turn 18 mm brass not carbide", "speed", "tool", "hss"),
    ("turn 18 mm brass not in the collet", "speed", "held", "three-jaw"),
    ("turn 18 mm brass, no collet", "speed", "held", "three-jaw"),
    ("turn 30 mm stainless, hss never carbide", "speed", "tool", "hss"),
    ("turn 25 mm bronze without coolant", "speed", "metal", "phosphor-bronze"),
    ("7 mm hole without a reamer cast aluminium", "hole", "finish", "drilled"),
    ("no reamer for 7 mm hole", "hole", "finish", "drilled"),
    ("5/16 reamed hole in brass 12 deep not through", "hole", "ends", "blind"),
    ("make piston 22 bore 4 rod split bush no rings", "piston", "school", "bush"),
]

REFUSES: list[tuple[str, str]] = [
    # A cut the wrong way round is refused in its own unit, not made in the other.
    ("bore 1.128 in to 1.125 in cast iron", "only makes a hole larger"),
    ("bore 2 in to 1 in cast iron", "only makes a hole larger"),
    ("turn .748 in to .750 in brass", "only makes it smaller"),
    ("turn 1 3/4 in to 2 in mild steel", "only makes it smaller"),
    ("turn 3/4 in to 7/8 in mild steel", "only makes it smaller"),
    ("face 1.250 in to 1.272 in brass", "only makes it shorter"),
    # A word of the trade left over is asked back, not passed over.
    ("drill for clearance then tap 3/16 by 40", "`tap`"),
    ("wall between a 4 mm passage and a bolt hole", "`passage`"),
    ("6 holes 36 pcd passage 4", "`passage`"),
    ("turn 24 mm crank mild steel off centre 6 mm", "`off centre`"),
    ("diamond of 4 holes", "lie along"),
    ("grid of holes 12 pitch", "How many holes"),
    # A negation that cannot be kept is named.
    ("part off 20 mm mild steel not too fast", "`too fast`"),
    ("screw cut M10 without half nuts", "`half nuts`"),
    ("mill 6 mm slot in brass not climb", "`climb`"),
    # 32 thou off a face is no diameter.
    ("face gunmetal cover 32 thou to come off", "diameter"),
    # What is missing is asked; no practice is quoted in its place.
    ("clearance drill", "thread"),
    ("gap of the piston ring", "bore"),
]


@pytest.mark.parametrize(("line", "calculator", "figure", "value"), GIVES)
def test_it_gives(
    line: str, calculator: str, figure: str, value: float, workshop: Workshop
) -> None:
    document = document_for(line, workshop, PageUnit.MM)
    assert "error" not in document, document["error"]
    assert document["calculator"] == calculator
    assert document["answer"][figure] == pytest.approx(value, rel=2e-3)


@pytest.mark.parametrize(("line", "calculator", "field", "value"), READS)
def test_it_is_read_as(
    line: str, calculator: str, field: str, value: str, workshop: Workshop
) -> None:
    document = document_for(line, workshop, PageUnit.MM)
    assert "error" not in document, document["error"]
    assert (document["calculator"], document["question"][field]) == (calculator, value)


@pytest.mark.parametrize(("line", "says"), REFUSES)
def test_it_is_not_answered(line: str, says: str, workshop: Workshop) -> None:
    document = document_for(line, workshop, PageUnit.MM)
    assert "error" in document, document
    assert says in f"{document['error']} {document['field']}"
    assert len(document["error"]) < 400


def test_no_pattern_of_a_call_reaches_anybody(workshop: Workshop) -> None:
    """``eccentric throw #`` is how a line is known, and nothing to type."""
    for line in (
        "eccentric shaft 8 throw 3",
        "tighten M4 or clearance M4",
        "die 3BA after screwcutting",
    ):
        document = document_for(line, workshop, PageUnit.MM)
        assert not set("#@%") & set(str(document.get("suggest") or "")), document
