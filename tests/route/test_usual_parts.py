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

# A drawing with no undercut, and a length that springs, are said and not refused.
MILD = ("long-overhang", "room-to-run-out")
# blank, features, how many set-ups a bench would take, words of the last one
USUAL = {
    "a washer is bonded for its second side": (
        "bar 25",
        ["face at 0", "face at 3", "outside 20, from 0 to 3", "drilled 10"],
        2,
        "bonded by face 0",
    ),
    "a bush turns on a mandrel": (
        "bar 20",
        [
            "face at 0",
            "face at 20",
            "outside 18, from 0 to 4",
            "outside 12 p6, from 4 to 20",
            "reamed 8 H7",
        ],
        2,
        "on a mandrel in reamed 8",
    ),
    "a pulley's grub screw in the dividing head": (
        "bar 60",
        [
            "face at 0",
            "face at 20",
            "outside 55, from 0 to 20",
            "bore 10 H7, from 0 to 20",
            "groove 45, 6 wide, at 7",
            "tapped M4, across, at 3",
        ],
        3,
        "in the dividing head",
    ),
    "a ring under its grip is bonded": (
        "bar 25",
        ["face at 0", "face at 1.5", "outside 22, from 0 to 1.5", "bore 19, from 0 to 1.5"],
        2,
        "bonded by face 0",
    ),
    "a screw's second end in a split bush": (
        "bar 8, 200 long",
        ["face at 0", "face at 190", "thread M8, from 0 to 190"],
        2,
        "in a split bush round thread M8",
    ),
    "a cone is not gripped by its taper": (
        "bar 20",
        ["face at 0", "face at 30", "taper 18 down to 6, from 30 to 0"],
        2,
        "bonded by face 0",
    ),
    "a nut of round bar takes the mill": (
        "bar 20",
        ["face at 0", "face at 8", "tapped M10", "hexagon 17 across, from 0 to 8"],
        3,
        "screwed stub in tapped M10",
    ),
    "a nut of hexagon bar does not": (
        "hexagon bar 17",
        ["face at 0", "face at 8", "tapped M10", "hexagon 17 across, from 0 to 8"],
        2,
        "tapped M10",
    ),
    "a key is slotted where the wheel was bored": (
        "casting 150, 3 to come off",
        [
            "face at 0",
            "face at 30",
            "outside 144, from 0 to 30",
            "bore 20 H7, from 0 to 30",
            "keyway in the bore 5 wide, 2 deep, from 0 to 30",
        ],
        2,
        "on the faceplate",
    ),
    "an outline is not cut in the vice": (
        "plate 40 by 16 by 8",
        [
            "plane, from the top",
            "plane, from the bottom",
            "reamed 8, from the top",
            "profile, from the top",
        ],
        3,
        "clamped",
    ),
    "a plate that would bend lies on tape": (
        "plate 40 by 16 by 2",
        ["3 holes 3, from the top"],
        1,
        "on tape, top up",
    ),
    "ground bar keeps its surface": (
        "bar 8, 100 long",
        [
            "face at 0",
            "face at 80",
            "journal 8 h6, from 0 to 80",
            "keyway 2 wide, 1 deep, from 10 to 30",
        ],
        3,
        "dividing head",
    ),
    "a small hole leads the larger, and one centre does for both": (
        "bar 20",
        [
            "face at 0",
            "face at 20",
            "outside 18, from 0 to 20",
            "bore 8, from 0 to 12",
            "reamed 5 H7",
        ],
        2,
        "jaws on outside 18",
    ),
    "a block is bored in four jaws, not in three": (
        "plate 30 by 20 by 20",
        ["bore 12 H7, from 0 to 30", "plane, from the top"],
        2,
        "in the four-jaw",
    ),
    "a short part is drilled across between its ends": (
        "casting 16, 2 to come off",
        [
            "face at 0",
            "face at 12",
            "journal 12 -0.02 -0.04, from 0 to 12",
            "tapped M4, across, at 6",
        ],
        3,
        "in the vice by its ends",
    ),
    "nothing is measured from an end that is cut off": (
        "bar 17, 127 long",
        ["face at 97", "journal 8 -0.02 -0.04, from 0 to 39", "outside 13, from 39 to 97"],
        2,
        "jaws on outside 13",
    ),
    "a long thin stem has a centre in its end": (
        "bar 12",
        [
            "face at 0",
            "face at 60",
            "outside 4 h6, from 0 to 50, called stem",
            "outside 11, from 50 to 60, called head",
        ],
        2,
        "jaws on head",
    ),
    "a rod's far end is screwed from its own end": (
        "bar 6",
        ["face at 0", "face at 250", "thread M6, from 0 to 12", "thread M6, from 238 to 250"],
        2,
        "in a collet on the plain bar from 12 to 238",
    ),
    "no collet closes behind a collar": (
        "bar 12",
        [
            "face at 0",
            "face at 80",
            "journal 8 h6, from 0 to 20",
            "outside 12, from 20 to 60",
            "journal 8 h6, from 60 to 80, called far",
        ],
        2,
        "jaws on outside 12",
    ),
    "a pin hole is set out from the finished disc": (
        "bar 40",
        [
            "face at 0",
            "face at 10",
            "outside 38, from 0 to 10",
            "reamed 10 H7",
            "reamed 6 H7, 12 off centre",
        ],
        3,
        "upright on the mill by outside 38",
    ),
    "a chest is bored through its thin way": (
        "plate 50 by 40 by 20",
        [
            "plane, from the top",
            "bore 30, from 0 to 20",
            "8 holes 3, 42 by 32 apart, from the top, at 4 by 4",
        ],
        2,
        "in the four-jaw on its outside",
    ),
    "a hole drilled on from the bottom of a larger": (
        "bar 8",
        ["face at 0", "face at 15", "outside 5, from 0 to 10", "drilled 0.6", "drilled 3, 12 deep"],
        2,
        "in a collet on the plain bar",
    ),
    "or from the other end, once it is there": (
        "bar 8",
        [
            "face at 0",
            "face at 15",
            "outside 5, from 0 to 10",
            "drilled 0.6",
            "drilled 3, 12 deep, from the left end",
        ],
        2,
        "in a collet on the plain bar",
    ),
    "a cup is plugged before its end is faced": (
        "bar 30",
        ["face at 0", "face at 70", "outside 28, from 0 to 70", "bore 26, from 0 to 68"],
        2,
        "jaws on outside 28",
    ),
    "a dog's slot is milled in a faced end": (
        "bar 25",
        [
            "face at 0",
            "face at 15",
            "outside 24, from 0 to 15",
            "reamed 10 H7",
            "slot 4 wide, 4 deep, from 0 to 24, from the right end",
        ],
        3,
        "upright on the mill",
    ),
    "a round ram lies in V-blocks for its slot": (
        "bar 10",
        [
            "face at 0",
            "face at 50",
            "outside 8 g6, from 0 to 40",
            "slot 3 wide, 10 deep, from 40 to 50, from the top",
            "reamed 4, across, at 45",
        ],
        4,
        "in V-blocks, top up",
    ),
    "a cock's square is milled last": (
        "bar 10",
        [
            "face at 0",
            "face at 30",
            "taper 8 down to 6, from 5 to 20",
            "thread M4, from 25 to 30",
            "outside 4, from 20 to 25",
            "square 5 across, from 0 to 5",
        ],
        3,
        "dividing head",
    ),
    "a thread at each end and a collet between": (
        "bar 6",
        [
            "face at 0",
            "face at 40",
            "thread M4, from 0 to 10",
            "outside 5 h7, from 10 to 30",
            "thread M4, from 30 to 40",
        ],
        2,
        "outside 5",
    ),
    "a union nut is bonded for a light cut": (
        "hexagon bar 12",
        ["face at 0", "face at 12", "tapped M8, 8 deep", "drilled 5"],
        2,
        "bonded",
    ),
    "a liner turns on its bore": (
        "bar 40",
        [
            "face at 0",
            "face at 60",
            "outside 36, from 0 to 4, called flange",
            "outside 32 h6, from 4 to 60",
            "bore 26 H7, from 0 to 60",
        ],
        2,
        "mandrel in bore 26",
    ),
    "a flywheel is bored on the faceplate with its rim": (
        "casting 180, 3 to come off",
        ["face at 0", "face at 25", "outside 174, from 0 to 25", "bore 16 H7, from 0 to 25"],
        2,
        "on the faceplate",
    ),
    "a strap is drilled on its mandrel": (
        "casting 50, 2 to come off, cored 30",
        ["face at 0", "face at 10", "bore 36 H8, from 0 to 10", "drilled 3, across, at 5"],
        3,
        "on a mandrel in bore 36",
    ),
    "a rod is reamed flat, and its outline follows": (
        "plate 100 by 20 by 10",
        [
            "plane, from the top",
            "plane, from the bottom",
            "reamed 8 H7, at 10 by 10",
            "reamed 6 H7, at 90 by 10",
            "profile, from the top",
        ],
        3,
        "clamped to the table",
    ),
    "two dowels are reamed where they are drilled": (
        "plate 50 by 40 by 10",
        [
            "plane, from the top",
            "2 reamed holes 4, 40 apart, at 5 by 20",
            "4 tapped holes M4, 40 by 30 apart, at 5 by 5",
        ],
        1,
        "in the vice",
    ),
    "a boiler bush turns on its own thread": (
        "bar 20",
        [
            "face at 0",
            "face at 12",
            "outside 19, from 0 to 3",
            "outside 14, from 3 to 12",
            "tapped 1/4 x 32, right through",
        ],
        2,
        "on a screwed stub",
    ),
    "a thread in a mouth that is wide enough": (
        "hexagon bar 16",
        [
            "face at 0",
            "face at 35",
            "thread 1/4 x 32, from 0 to 8",
            "outside 12, from 20 to 35",
            "drilled 5",
            "bore 9, from 15 to 35",
            "tapped 3/8 x 32, 6 deep, from the left end",
        ],
        2,
        "jaws on outside 12",
    ),
    "a jack's thread is not gripped": (
        "bar 20",
        [
            "face at 0",
            "face at 70",
            "thread M12, from 0 to 50",
            "outside 19, from 50 to 70",
            "drilled 6, across, at 60",
        ],
        3,
        "jaws on outside 19",
    ),
    "a long spindle is not faced on its whip": (
        "bar 4",
        ["face at 0", "face at 60", "outside 3 h7, from 15 to 60", "thread M3, from 0 to 15"],
        2,
        "in a collet on outside 3",
    ),
}


@pytest.mark.parametrize("name", USUAL)
def test_it_is_held_as_a_bench_would_hold_it(name: str) -> None:
    blank, features, most, last = USUAL[name]
    found = propose(Job(part_of("it", "brass", blank, features), WORKSHOP))
    assert len(found.route.set_ups) == most
    assert any(last in one.hold for one in found.route.set_ups)
    assert found.proved
    assert not [one for one in found.broken if one.rule not in MILD]


# what comes first, what later, in which part of those above
ORDERED = (
    ("a hole drilled on from the bottom of a larger", "drilled 3: drill", "drilled 0.6: centre"),
    ("or from the other end, once it is there", "part off", "drilled 3: drill"),
    ("or from the other end, once it is there", "drilled 3: drill", "drilled 0.6: drill"),
    (
        "a small hole leads the larger, and one centre does for both",
        "reamed 5: drill",
        "bore 8: drill",
    ),
    ("a dog's slot is milled in a faced end", "face 0: face", "slot 4: mill"),
    ("a round ram lies in V-blocks for its slot", "reamed 4: ream", "slot 3: mill"),
    ("a cock's square is milled last", "taper 8: turn", "flats 5: mill"),
    ("a thread at each end and a collet between", "outside 5: finish", "thread M4 (2): cut thread"),
    ("a key is slotted where the wheel was bored", "bore 20: finish", "keyway in the bore 5: slot"),
    ("a liner turns on its bore", "bore 26: finish", "face 60: face"),
    ("a rod is reamed flat, and its outline follows", "reamed 6: ream", "profile top: mill"),
    ("two dowels are reamed where they are drilled", "holes 4: drill", "holes 4: ream"),
    ("a pin hole is set out from the finished disc", "outside 38: turn", "reamed 6: centre"),
    ("a rod's far end is screwed from its own end", "part off", "thread M6 (2): turn"),
    ("a boiler bush turns on its own thread", "tapped 1/4x32 ME: tap", "face 12: face"),
)


@pytest.mark.parametrize(("name", "first", "later"), ORDERED)
def test_it_goes_in_the_order_of_the_bench(name: str, first: str, later: str) -> None:
    blank, features, _, _ = USUAL[name]
    found = propose(Job(part_of("it", "brass", blank, features), WORKSHOP))
    lines = [line for one in found.route.set_ups for line in one.does]
    assert lines.index(first) < lines.index(later)


def test_jaws_on_a_cup_have_a_plug_in_it() -> None:
    blank, features, _, _ = USUAL["a cup is plugged before its end is faced"]
    found = propose(Job(part_of("cup", "stainless", blank, features), WORKSHOP))
    assert found.route.set_ups[1].packing == "a plug in bore 26"


# blank, features, what is said
CANNOT = {
    "a pin hole over the edge": (
        "bar 40",
        ["outside 38, from 0 to 10", "reamed 6 H7, 18 off centre"],
        "leave the face",
    ),
    "a pin hole into the bore": (
        "bar 40",
        ["outside 38, from 0 to 10", "bore 20, from 0 to 10", "reamed 6, 12 off centre"],
        "break into the bore",
    ),
    "a pin hole into the studs": (
        "bar 60",
        ["outside 58, from 0 to 10", "reamed 6, 20 off centre", "4 holes 5 on 40 circle"],
        "run into",
    ),
    "a block has no centre": ("plate 50 by 12 by 6", ["reamed 6 H7, 10 off centre"], "no axis"),
    "holes of a block in each other": (
        "plate 50 by 12 by 6",
        ["reamed 6, at 25 by 6", "tapped M3, at 29 by 6"],
        "run into",
    ),
    "studs of a bored block from nowhere": (
        "plate 50 by 40 by 20",
        ["bore 30, from 0 to 20", "8 holes 3, 42 by 32 apart"],
        "from which side",
    ),
    "a hole wider than the far end": (
        "bar 12",
        ["outside 10, from 0 to 10", "outside 4, from 10 to 20", "drilled 5"],
        "larger than its outside",
    ),
    "a mouth wider than its end": (
        "bar 12",
        [
            "outside 10, from 0 to 10",
            "outside 6, from 10 to 20",
            "tapped M8, 6 deep, from the left end",
        ],
        "larger than its outside",
    ),
    "a bore deeper than the plate": (
        "plate 30 by 20 by 10",
        ["bore 8, from 0 to 40"],
        "along a blank",
    ),
}


@pytest.mark.parametrize("name", CANNOT)
def test_what_cannot_be_is_said(name: str) -> None:
    blank, features, says = CANNOT[name]
    with pytest.raises(Refused) as refused:
        part_of("it", "brass", blank, ["face at 0", *features] if "bar" in blank else features)
    assert says in str(refused.value)


@pytest.mark.parametrize(
    ("blank", "features", "says"),
    [
        ("bar 200", ["face at 0", "outside 190, from 0 to 40"], "does not swing in 180 mm"),
        ("bar 3", ["face at 0", "taper 3 down to 0.5, from 40 to 0"], "takes no centre"),
        (
            "bar 60",
            [
                "outside 55, from 0 to 20",
                "bore 10, from 0 to 20",
                "keyway 3 wide, 2 deep, from 0 to 20",
            ],
            "is it in the bore",
        ),
        (
            "bar 20",
            ["outside 12, from 0 to 20", "keyway in the bore 3 wide, 2 deep, from 0 to 20"],
            "no bore there",
        ),
        (
            "bar 20",
            ["outside 12, from 0 to 20", "keyway 12 wide, 2 deep, from 0 to 20"],
            "wider than its shaft",
        ),
        (
            "bar 20",
            ["outside 12, from 0 to 20", "hexagon 14 across, from 0 to 8"],
            "only 12 mm across",
        ),
    ],
)
def test_what_cannot_be_done_is_said(blank: str, features: list[str], says: str) -> None:
    with pytest.raises(Refused, match=says):
        propose(Job(part_of("it", "brass", blank, features), WORKSHOP))


def test_without_a_dividing_head_a_hole_across_is_drilled_in_v_blocks_and_no_hexagon_is_cut() -> (
    None
):
    bare = replace(
        WORKSHOP,
        tools=tuple(
            t
            for t in WORKSHOP.tools
            if "divid" not in t.kind.value and "rotary" not in t.kind.value
        ),
    )
    lines = ["face at 0", "face at 100", "outside 55, from 0 to 100", "tapped M4, across, at 50"]
    pulley = part_of("roller", "brass", "bar 60", lines)
    holds = [one.hold for one in propose(Job(pulley, bare)).route.set_ups]
    assert any("in V-blocks" in one for one in holds)
    assert not any("dividing head" in one for one in holds)
    nut = part_of(
        "nut",
        "brass",
        "bar 22",
        [
            "face at 0",
            "face at 8",
            "tapped M8",
            "outside 20, from 0 to 8",
            "hexagon 17 across, from 0 to 8",
        ],
    )
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


def keys_held(blank: str, features: list[str], words: str) -> list[set[str]]:
    """What is reached in each way of holding of these words."""
    held = Job(part_of("it", "brass", blank, features), WORKSHOP)
    return [
        {one.key for one in held.operations if hold.reaches(one)}
        for hold in held.holds
        if hold.key == words
    ]


def test_a_thin_mandrel_faces_and_turns_nothing_wide() -> None:
    gland = ["face at 0", "face at 14", "outside 12 h7, from 0 to 8", "outside 22, from 8 to 14"]
    (thin,) = keys_held("bar 25", [*gland, "reamed 4 H7"], "on a mandrel in reamed 4")
    assert thin == {"face 0: face", "face 14: face", "outside 12: rough", "outside 12: finish"}
    (stout,) = keys_held("bar 25", [*gland, "reamed 6 H7"], "on a mandrel in reamed 6")
    assert stout == thin | {"outside 22: turn"}


def test_a_crank_from_bar_keeps_what_its_dog_sits_on() -> None:
    crank = [
        "face at 0",
        "face at 80",
        "journal 10 h6, from 0 to 30",
        "outside 28, from 30 to 36",
        "crankpin 8 h6, throw 9, from 36 to 44",
        "outside 28, from 44 to 50",
        "journal 10 h6, from 50 to 80",
    ]
    for long in (90, 93, 120):
        part = part_of("crank", "mild-steel", f"bar 30, {long} long", crank)
        lines = [x for up in propose(Job(part, WORKSHOP)).route.set_ups for x in up.does]
        assert "part off" not in lines
        # The end the dog was on is faced last of all on the lathe.
        assert lines[-1] == "face 80: face"


@pytest.mark.parametrize(("surplus", "enough"), [("2", True), ("1", False)])
def test_a_flange_as_cast_is_longer_by_what_comes_off_its_face(surplus: str, enough: bool) -> None:
    lines = [
        "face at 0",
        "face at 60",
        "outside 40, from 0 to 6",
        "outside 32, from 6 to 54",
        "outside 40, from 54 to 60",
        "bore 22 H7, from 0 to 60",
    ]
    blank = f"casting 44, {surplus} to come off, cored 18"
    found = propose(Job(part_of("cylinder", "grey-iron", blank, lines), WORKSHOP))
    assert found.proved is enough
    assert ("short-grip" in {one.rule for one in found.broken}) is not enough
