"""What is said beside a thread, a train, a vice and a blade is what the figure means."""

from __future__ import annotations

from typing import Any

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP


def answer(name: str, **typed: str) -> Any:
    read = read_question(CATALOGUE[name], dict(typed), PageUnit.MM, WORKSHOP)
    return CATALOGUE[name].ask(read.question, WORKSHOP)


def about(found: Any) -> dict[str, str]:
    return {c.about: c.word for c in found.cautions}


def test_a_blade_comes_from_the_tailstock_and_its_left_edge_touches() -> None:
    """The faced end lies to the left of it: a part of 12 is cut off a blade's width further on."""
    assert answer("part-off", length="12", blade="2").stop_mm.value == 14
    assert answer("part-off", length="12", blade="2", edge="right").stop_mm.value == 12


def test_a_vice_with_its_pivot_at_one_end_loses_all_of_its_error() -> None:
    """0.1 over 100 is 0.15 over a base of 150, by like triangles: that is what is tapped away."""
    vice = answer("square", error="0.1", over="100", base="150", way="vice")
    assert vice.shim_mm.value == pytest.approx(0.15)
    assert "half" not in vice.says
    assert "until half" in answer("square", error="0.1", over="100", way="head").says


@pytest.mark.parametrize(
    ("side", "hand", "other", "outwards"),
    [
        ("outside", "right", False, False),
        ("outside", "left", True, False),
        ("inside", "right", True, True),
        ("inside", "left", False, True),
    ],
)
def test_a_top_slide_goes_to_the_flank_that_cuts(
    side: str, hand: str, other: bool, outwards: bool
) -> None:
    """Mirrored once it is the other side, mirrored twice the same; a nut is cut winding out."""
    says = answer("screwcut", thread="M10", feed="slide", side=side, hand=hand).says
    assert ("swung to the other side" in says) is other
    assert ("wound outwards" in says) is outwards
    assert ("crests come off last" in says) is (side == "outside")


def test_a_crest_comes_off_by_a_tenth_of_m10() -> None:
    """Common practice: a tenth of a millimetre under on M10, by the pitch on others."""
    assert "by 0.10 mm" in worded(answer("screwcut", thread="M10").says, PageUnit.MM)
    assert "by 0.03 mm" in worded(answer("screwcut", thread="M3").says, PageUnit.MM)


def test_a_train_that_is_not_known_to_reach_is_minded() -> None:
    """Four wheels in one line span half their teeth; here nobody told the banjo."""
    two = answer("wheels", pitch="0.81", wheels="20 25 30 35 40 45 50 60 65")
    assert about(two).get("the reach") == ("Mind" if "," in two.set_up else None)
    up = answer("wheels", pitch="2 tpi", screw="8 tpi", wheels="20 20 40 40 80")
    assert about(up)["the step up"] == "Mind"
    assert "4 times" in next(c.says for c in up.cautions if c.about == "the step up")
    even = answer("wheels", pitch="16 tpi", screw="8 tpi", wheels="20 30 40 40")
    assert "the step up" not in about(even)


def test_every_mark_is_in_the_table_to_the_last() -> None:
    thousand = answer("divide", count="1000")
    assert len(thousand.marks) == 1000
    assert thousand.marks[-1].at_deg.value == pytest.approx(360 * 999 / 1000)


def test_a_cutter_that_is_not_in_the_trays_makes_no_stop() -> None:
    near = answer("gear", teeth="20", module="1", wide="8", room="5")
    assert about(near)["the cutter"] == "Mind"
    assert about(near)["the shoulder"] == "Mind"
    told = answer("gear", teeth="20", module="1", wide="8", room="5", cutter="50")
    assert "the cutter" not in about(told)
    assert about(told)["the shoulder"] == "Stop"


def test_a_template_has_room_for_the_cutters_way() -> None:
    from runk.core.layout.set_out import profile_set_out

    read = read_question(
        CATALOGUE["path"],
        {"profile": "plate", "long": "185", "wide": "240", "cutter": "40"},
        PageUnit.MM,
        WORKSHOP,
    )
    left, right, low, high = profile_set_out(read.question, "plate").reach
    # A cutter's radius beside the profile on every side.
    assert (right - left, high - low) == pytest.approx((225, 280))
