"""Parts of every day as they are drawn, against how a bench would hold them: common practice."""

from __future__ import annotations

from dataclasses import replace
from fractions import Fraction

import pytest

from runk.core.refusals import Refused
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job
from runk.core.tools import ToolKind
from runk.core.tools.tool import ShopTool
from runk.demo.back_shed import WORKSHOP
from tests.route.shelf import job

# blank, features, how many set-ups a bench would take, words of the last one
USUAL = {
    "a washer is bonded for its second side": (
        "bar 25", ["face at 0", "face at 3", "outside 20, from 0 to 3", "drilled 10"],
        2, "bonded by face 0"),
    "a bush turns on a mandrel": (
        "bar 20", ["face at 0", "face at 20", "outside 18, from 0 to 4", "outside 12 p6, from 4 to 20",
                   "reamed 8 H7"], 2, "on a mandrel in reamed 8"),
    "a pulley's grub screw in the dividing head": (
        "bar 60", ["face at 0", "face at 20", "outside 55, from 0 to 20", "bore 10 H7, from 0 to 20",
                   "groove 45, 6 wide, at 7", "tapped M4, across, at 3"], 3, "in the dividing head"),
    "a ring under its grip is bonded": (
        "bar 25", ["face at 0", "face at 1.5", "outside 22, from 0 to 1.5", "bore 19, from 0 to 1.5"],
        2, "bonded by face 0"),
    "a screw's second end in a split bush": (
        "bar 8, 200 long", ["face at 0", "face at 190", "thread M8, from 0 to 190"],
        2, "in a split bush round thread M8"),
    "a cone is not gripped by its taper": (
        "bar 20", ["face at 0", "face at 30", "taper 18 down to 6, from 30 to 0"], 2, "bonded by face 0"),
    "a nut of round bar takes the mill": (
        "bar 20", ["face at 0", "face at 8", "tapped M10", "hexagon 17 across, from 0 to 8"],
        3, "screwed stub in tapped M10"),
    "a nut of hexagon bar does not": (
        "hexagon bar 17", ["face at 0", "face at 8", "tapped M10", "hexagon 17 across, from 0 to 8"],
        2, "tapped M10"),
    "a key is slotted where the wheel was bored": (
        "casting 150, 3 to come off", ["face at 0", "face at 30", "outside 144, from 0 to 30",
                                       "bore 20 H7, from 0 to 30",
                                       "keyway in the bore 5 wide, 2 deep, from 0 to 30"],
        2, "on the faceplate"),
    "an outline is not cut in the vice": (
        "plate 40 by 16 by 8", ["plane, from the top", "plane, from the bottom",
                                "reamed 8, from the top", "profile, from the top"], 3, "clamped"),
    "a plate that would bend lies on tape": (
        "plate 40 by 16 by 2", ["3 holes 3, from the top"], 1, "on tape, top up"),
    "ground bar keeps its surface": (
        "bar 8, 100 long", ["face at 0", "face at 80", "journal 8 h6, from 0 to 80",
                            "keyway 2 wide, 1 deep, from 10 to 30"], 3, "dividing head"),
    "a small hole leads the larger, and one centre does for both": (
        "bar 20", ["face at 0", "face at 20", "outside 18, from 0 to 20", "bore 8, from 0 to 12",
                   "reamed 5 H7"], 2, "jaws on outside 18"),
    "a block is bored in four jaws, not in three": (
        "plate 30 by 20 by 20", ["bore 12 H7, from 0 to 30", "plane, from the top"], 2, "in the four-jaw"),
    "a short part is drilled across between its ends": (
        "casting 16, 2 to come off", ["face at 0", "face at 12", "journal 12 -0.02 -0.04, from 0 to 12",
                                      "tapped M4, across, at 6"], 3, "in the vice by its ends"),
    "nothing is measured from an end that is cut off": (
        "bar 17, 127 long", ["face at 97", "journal 8 -0.02 -0.04, from 0 to 39",
                             "outside 13, from 39 to 97"], 2, "jaws on outside 13"),
    "a long thin stem has a centre in its end": (
        "bar 12", ["face at 0", "face at 60", "outside 4 h6, from 0 to 50, called stem",
                   "outside 11, from 50 to 60, called head"], 2, "jaws on head"),
    "a rod's far end is screwed from its own end": (
        "bar 6", ["face at 0", "face at 250", "thread M6, from 0 to 12", "thread M6, from 238 to 250"],
        2, "in a collet on the plain bar from 12 to 238"),
    "no collet closes behind a collar": (
        "bar 12", ["face at 0", "face at 80", "journal 8 h6, from 0 to 20", "outside 12, from 20 to 60",
                   "journal 8 h6, from 60 to 80, called far"], 2, "jaws on outside 12"),
    "a pin hole is set out from the finished disc": (
        "bar 40", ["face at 0", "face at 10", "outside 38, from 0 to 10", "reamed 10 H7",
                   "reamed 6 H7, 12 off centre"], 3, "upright on the mill by outside 38"),
    "a chest is bored through its thin way": (
        "plate 50 by 40 by 20", ["plane, from the top", "bore 30, from 0 to 20",
                                 "8 holes 3, 42 by 32 apart, from the top, at 4 by 4"],
        2, "in the four-jaw on its outside"),
}  # fmt: skip


@pytest.mark.parametrize("name", USUAL)
def test_it_is_held_as_a_bench_would_hold_it(name: str) -> None:
    blank, features, most, last = USUAL[name]
    found = propose(Job(part_of("it", "brass", blank, features), WORKSHOP))
    assert len(found.route.set_ups) == most
    assert any(last in one.hold for one in found.route.set_ups)
    assert found.proved
    assert not [one for one in found.broken if one.rule != "long-overhang"]


@pytest.mark.parametrize(
    ("blank", "features", "says"),
    [
        ("bar 200", ["face at 0", "outside 190, from 0 to 40"], "does not swing in 180 mm"),
        ("bar 3", ["face at 0", "taper 3 down to 0.5, from 40 to 0"], "takes no centre"),
        ("bar 60", ["outside 55, from 0 to 20", "bore 10, from 0 to 20", "keyway 3 wide, 2 deep, from 0 to 20"], "is it in the bore"),
        ("bar 20", ["outside 12, from 0 to 20", "keyway in the bore 3 wide, 2 deep, from 0 to 20"], "no bore there"),
        ("bar 20", ["outside 12, from 0 to 20", "keyway 12 wide, 2 deep, from 0 to 20"], "wider than its shaft"),
        ("bar 20", ["outside 12, from 0 to 20", "hexagon 14 across, from 0 to 8"], "only 12 mm across"),
    ],
)  # fmt: skip
def test_what_cannot_be_done_is_said(blank: str, features: list[str], says: str) -> None:
    with pytest.raises(Refused, match=says):
        propose(Job(part_of("it", "brass", blank, features), WORKSHOP))


def test_without_a_dividing_head_a_hole_across_is_drilled_in_v_blocks_and_no_hexagon_is_cut() -> (
    None
):
    bare = replace(WORKSHOP, tools=tuple(t for t in WORKSHOP.tools if "divid" not in t.kind.value
                                         and "rotary" not in t.kind.value))  # fmt: skip
    lines = ["face at 0", "face at 100", "outside 55, from 0 to 100", "tapped M4, across, at 50"]
    pulley = part_of("roller", "brass", "bar 60", lines)
    holds = [one.hold for one in propose(Job(pulley, bare)).route.set_ups]
    assert any("in V-blocks" in one for one in holds)
    assert not any("dividing head" in one for one in holds)
    nut = part_of("nut", "brass", "bar 22", ["face at 0", "face at 8", "tapped M8",
                                             "outside 20, from 0 to 8", "hexagon 17 across, from 0 to 8"])  # fmt: skip
    with pytest.raises(Refused, match="no way of holding"):
        propose(Job(nut, bare))


def test_an_owned_rotary_table_holds_what_has_an_outline() -> None:
    table = ShopTool(ToolKind.ROTARY_TABLE, "table", Fraction(100))
    shop = replace(WORKSHOP, tools=(*WORKSHOP.tools, table))
    rod = part_of(
        "rod", "brass", "plate 40 by 16 by 8", ["reamed 8, from the top", "profile, from the top"]
    )
    assert any("on the rotary table about reamed 8" in one.key for one in Job(rod, shop).holds)


def test_a_bracket_is_set_up_from_its_foot_and_may_stand_on_an_angle_plate() -> None:
    lines = [
        "plane, from the bottom, called foot",
        "bore 20 H7, from 0 to 40",
        "face at 0",
        "face at 40",
    ]
    bracket = Job(part_of("bracket", "grey-iron", "casting 60, 2 to come off", lines), WORKSHOP)
    first = propose(bracket).route.set_ups[0]
    assert "foot: mill" in first.does
    assert any("on an angle plate by foot" in one.key for one in bracket.holds)


def test_bores_in_line_are_finished_without_letting_go() -> None:
    found = propose(job("line of bores")).route
    held = [one for one in found.set_ups if any(x.endswith(": finish") for x in one.does)]
    assert {"bore 30: finish", "small: finish"} <= set(held[0].does)
    lines = [line for one in found.set_ups for line in one.does]
    assert lines.index("small: drill") < lines.index("bore 30: drill")
    assert "bore 30: centre" not in lines


def test_a_casting_is_roughed_all_over_before_any_of_it_is_finished() -> None:
    lines = [
        "outside 22 h6, from 0 to 35",
        "outside 29 h6, from 35 to 46",
        "outside 6 h6, from 46 to 57",
    ]
    spindle = Job(part_of("it", "gunmetal", "casting 33, 2 to come off", lines), WORKSHOP)
    found = propose(spindle)
    assert any("as roughed" in one.hold for one in found.route.set_ups)
    done = [line for one in found.route.set_ups for line in one.does if line in spindle.by_key]
    roughed = max(n for n, line in enumerate(done) if line.endswith("rough"))
    assert roughed < min(n for n, line in enumerate(done) if line.endswith("finish"))
