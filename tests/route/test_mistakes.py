"""Dear mistakes as somebody would write them down, each beside the route that does not make it.

What is a mistake is the trade's, common practice; parts and routes are invented.
"""

from __future__ import annotations

from dataclasses import dataclass, field

import pytest

from runk.core.route.reading import part_of
from runk.core.route.route import Job, Route, SetUp
from runk.core.route.rules import check
from runk.demo.back_shed import WORKSHOP

BAR = "on its bar in the chuck, right end out"


@dataclass(frozen=True)
class Mistake:
    """A part, a route somebody might write, the rule that stops it, and the route mended."""

    blank: str
    features: list[str]
    wrong: list[tuple[str, list[str]]]
    rule: str
    right: list[tuple[str, list[str]]]
    packing: dict[int, str] = field(default_factory=dict)
    tries: dict[str, str] = field(default_factory=dict)
    alike: int = 1
    metal: str = "mild-steel"


BUSH = ["face at 0", "face at 12", "outside 14, from 0 to 12", "bore 8 H7, from 0 to 12"]
BORED = [
    "bore 8: centre",
    "bore 8: drill",
    "bore 8: rough",
    "bore 8: finish",
    "cool",
    "measure bore 8",
]
OFF = ["lock the carriage", "part off"]
SHAFT = [
    "face at 0",
    "face at 40",
    "journal 10 h6, from 0 to 40",
    "keyway 3 wide, 1.8 deep, from 10 to 30",
]
JOURNAL = ["journal 10: rough", "journal 10: finish", "cool", "measure journal 10"]
LEFT = "in a collet on journal 10, left end out"
PIN = [
    "face at 0",
    "face at 40",
    "outside 10 h6, from 0 to 20",
    "face at 20, called shoulder",
    "outside 22, from 20 to 40",
]
TO_TEN = ["outside 10: rough", "outside 10: finish", "cool", "measure outside 10"]
STUD = [
    "face at 0",
    "face at 30",
    "groove 4.5, 1.5 wide, at 10",
    "thread M6, from 0 to 10",
    "outside 8, from 11.5 to 30",
]
COVER = ["face at 0", "face at 8", "outside 40, from 0 to 8", "tapped M10, called gland thread"]
BLOCK = ["plane, from the top", "reamed 6 H7, at 20 by 10", "profile, from the top"]
REAMED = [
    "reamed 6: centre",
    "reamed 6: drill",
    "reamed 6: ream",
    "deburr",
    "cool",
    "measure reamed 6",
]
DISC = [
    "face at 0",
    "face at 10",
    "outside 38, from 0 to 10",
    "reamed 10 H7",
    "reamed 6 H7, 12 off centre, called pin hole",
]
SHAFT_HOLE = [
    "reamed 10: centre",
    "reamed 10: drill",
    "reamed 10: ream",
    "cool",
    "measure reamed 10",
]
PIN_HOLE = ["pin hole: centre", "pin hole: drill", "pin hole: ream", "cool", "measure pin hole"]
UP = "upright on the mill by outside 38, right end up"
TURNED = (BAR, ["face 0: face", "outside 38: turn", *SHAFT_HOLE, *OFF])
FACED = ("jaws on outside 38, left end out", ["set true", "face 10: face"])
JET = ["face at 0", "face at 20", "outside 6, from 0 to 20", "drilled 1", "drilled 3, 12 deep"]
CUP = ["face at 0", "face at 40", "outside 28, from 0 to 40", "bore 26, from 0 to 38"]
HOLLOWED = ["bore 26: centre", "bore 26: drill", "bore 26: rough", "bore 26: finish"]

MISTAKES = {
    "cut off before it is bored": Mistake(
        "bar 16",
        BUSH,
        [
            (BAR, ["face 0: face", "outside 14: turn", *OFF]),
            ("jaws on outside 14, left end out", ["set true", "face 12: face", *BORED]),
        ],
        "through-before-parting",
        [
            (BAR, ["face 0: face", "outside 14: turn", *BORED, *OFF]),
            ("on a mandrel in bore 8", ["face 12: face"]),
        ],
    ),
    "a bore let go before it is measured": Mistake(
        "bar 16",
        BUSH,
        [
            (BAR, ["face 0: face", "outside 14: turn", *BORED[:4], *OFF]),
            ("on a mandrel in bore 8", ["face 12: face"]),
        ],
        "measure-first",
        [
            (BAR, ["face 0: face", "outside 14: turn", *BORED, *OFF]),
            ("on a mandrel in bore 8", ["face 12: face"]),
        ],
    ),
    "a bore measured warm": Mistake(
        "bar 16",
        BUSH,
        [
            (BAR, ["face 0: face", "outside 14: turn", *BORED[:4], "measure bore 8", *OFF]),
            ("on a mandrel in bore 8", ["face 12: face"]),
        ],
        "cool-first",
        [
            (BAR, ["face 0: face", "outside 14: turn", *BORED, *OFF]),
            ("on a mandrel in bore 8", ["face 12: face"]),
        ],
    ),
    "a bore that is not tried in its shaft while it can be cut": Mistake(
        "bar 16",
        BUSH,
        [
            (BAR, ["face 0: face", "outside 14: turn", *BORED, *OFF]),
            ("on a mandrel in bore 8", ["face 12: face"]),
        ],
        "try-first",
        [
            (
                BAR,
                [
                    "face 0: face",
                    "outside 14: turn",
                    *BORED[:4],
                    "deburr",
                    *BORED[4:],
                    "try bore 8: the shaft",
                    *OFF,
                ],
            ),
            ("on a mandrel in bore 8", ["face 12: face"]),
        ],
        tries={"bore 8": "the shaft"},
    ),
    "a keyway where the bearing is to be turned": Mistake(
        "bar 12",
        SHAFT,
        [
            (BAR, ["face 0: face", "journal 10: rough"]),
            ("in the dividing head by its bar", ["keyway 3: mill"]),
            (BAR, ["set true", *JOURNAL[1:], *OFF]),
            (LEFT, ["face 40: face"]),
        ],
        "keyways-last",
        [
            (BAR, ["face 0: face", *JOURNAL, *OFF]),
            (LEFT, ["face 40: face"]),
            ("in the dividing head by the left of journal 10", ["keyway 3: mill"]),
        ],
        packing={3: "soft packing"},
    ),
    "hard jaws on a finished journal": Mistake(
        "bar 12",
        SHAFT[:3],
        [
            (BAR, ["face 0: face", *JOURNAL, *OFF]),
            ("jaws on journal 10, left end out", ["set true", "face 40: face"]),
        ],
        "packing",
        [(BAR, ["face 0: face", *JOURNAL, *OFF]), (LEFT, ["face 40: face"])],
    ),
    "a shoulder finished before its journal": Mistake(
        "bar 25",
        PIN,
        [
            (BAR, ["face 0: face", "shoulder: face", *TO_TEN, "outside 22: turn", *OFF]),
            ("in a collet on outside 10, left end out", ["face 40: face"]),
        ],
        "shoulder-after-journal",
        [
            (BAR, ["face 0: face", *TO_TEN, "outside 22: turn", "shoulder: face", *OFF]),
            ("in a collet on outside 10, left end out", ["face 40: face"]),
        ],
    ),
    "a die run on before the undercut": Mistake(
        "bar 10",
        STUD,
        [
            (
                BAR,
                [
                    "face 0: face",
                    "outside 8: turn",
                    "thread M6: turn",
                    "isolate the drive",
                    "thread M6: cut thread",
                    "groove 10: groove",
                    *OFF,
                ],
            ),
            ("in a collet on outside 8, left end out", ["face 30: face"]),
        ],
        "undercut-before-thread",
        [
            (
                BAR,
                [
                    "face 0: face",
                    "outside 8: turn",
                    "thread M6: turn",
                    "groove 10: groove",
                    "isolate the drive",
                    "thread M6: cut thread",
                    *OFF,
                ],
            ),
            ("in a collet on outside 8, left end out", ["face 30: face"]),
        ],
    ),
    "a die turned under power": Mistake(
        "bar 10",
        STUD,
        [
            (
                BAR,
                [
                    "face 0: face",
                    "outside 8: turn",
                    "thread M6: turn",
                    "groove 10: groove",
                    "thread M6: cut thread",
                    *OFF,
                ],
            ),
            ("in a collet on outside 8, left end out", ["face 30: face"]),
        ],
        "isolate-the-drive",
        [
            (
                BAR,
                [
                    "face 0: face",
                    "outside 8: turn",
                    "thread M6: turn",
                    "groove 10: groove",
                    "isolate the drive",
                    "thread M6: cut thread",
                    *OFF,
                ],
            ),
            ("in a collet on outside 8, left end out", ["face 30: face"]),
        ],
    ),
    "a tap taken back to a hole that was let go": Mistake(
        "bar 45",
        COVER,
        [
            (
                BAR,
                [
                    "face 0: face",
                    "outside 40: turn",
                    "gland thread: centre",
                    "gland thread: drill",
                    *OFF,
                ],
            ),
            (
                "jaws on outside 40, left end out",
                ["set true", "face 8: face", "isolate the drive", "gland thread: tap"],
            ),
        ],
        "tap-in-its-setting",
        [
            (
                BAR,
                [
                    "face 0: face",
                    "outside 40: turn",
                    "gland thread: centre",
                    "gland thread: drill",
                    "isolate the drive",
                    "gland thread: tap",
                    *OFF,
                ],
            ),
            ("jaws on outside 40, left end out", ["set true", "face 8: face"]),
        ],
    ),
    "an outline cut before its holes": Mistake(
        "plate 60 by 20 by 8",
        BLOCK,
        [
            ("in the vice, top up", ["plane top: mill"]),
            ("clamped to the table, top up", ["profile top: mill", *REAMED]),
        ],
        "holes-before-profile",
        [
            ("in the vice, top up", ["plane top: mill"]),
            ("clamped to the table, top up", [*REAMED, "profile top: mill"]),
        ],
    ),
    "a hole drilled into a rough face": Mistake(
        "plate 60 by 20 by 8",
        BLOCK,
        [
            ("in the vice, top up", [*REAMED, "plane top: mill"]),
            ("clamped to the table, top up", ["profile top: mill"]),
        ],
        "plane-before-holes",
        [
            ("in the vice, top up", ["plane top: mill", *REAMED]),
            ("clamped to the table, top up", ["profile top: mill"]),
        ],
    ),
    "a reamer brought back to its hole": Mistake(
        "plate 60 by 20 by 8",
        BLOCK,
        [
            ("in the vice, top up", ["plane top: mill", *REAMED[:2]]),
            ("clamped to the table, top up", [*REAMED[2:], "profile top: mill"]),
        ],
        "ream-in-its-setting",
        [
            ("in the vice, top up", ["plane top: mill", *REAMED]),
            ("clamped to the table, top up", ["profile top: mill"]),
        ],
    ),
    "a pin hole in a face nobody faced": Mistake(
        "bar 40",
        DISC,
        [
            ("upright on the mill by its bar, right end up", PIN_HOLE),
            (TURNED[0], ["set true", *TURNED[1]]),
            FACED,
        ],
        "face-before-centre",
        [TURNED, FACED, (UP, PIN_HOLE)],
    ),
    "a small drill sent the whole way first": Mistake(
        "bar 8",
        JET,
        [
            (
                BAR,
                [
                    "face 0: face",
                    "outside 6: turn",
                    "drilled 1: centre",
                    "drilled 1: drill",
                    "drilled 3: centre",
                    "drilled 3: drill",
                    *OFF,
                ],
            ),
            ("in a collet on outside 6, left end out", ["face 20: face"]),
        ],
        "large-before-deep",
        [
            (
                BAR,
                [
                    "face 0: face",
                    "outside 6: turn",
                    "drilled 3: centre",
                    "drilled 3: drill",
                    "drilled 1: centre",
                    "drilled 1: drill",
                    *OFF,
                ],
            ),
            ("in a collet on outside 6, left end out", ["face 20: face"]),
        ],
    ),
    "jaws on a cup with nothing in it": Mistake(
        "bar 30",
        CUP,
        [
            (BAR, ["face 0: face", "outside 28: turn", *HOLLOWED, *OFF]),
            ("jaws on outside 28, left end out", ["set true", "face 40: face"]),
        ],
        "plug-it",
        [
            (BAR, ["face 0: face", "outside 28: turn", *HOLLOWED, *OFF]),
            ("jaws on outside 28, left end out", ["set true", "face 40: face"]),
        ],
        packing={2: "a plug in bore 26"},
    ),
    "a set-up for nothing": Mistake(
        "bar 12",
        SHAFT[:3],
        [
            (BAR, ["face 0: face", *JOURNAL, *OFF]),
            (LEFT, ["face 40: face"]),
            ("in a collet on journal 10, right end out", ["deburr"]),
        ],
        "idle-set-up",
        [(BAR, ["face 0: face", *JOURNAL, *OFF]), (LEFT, ["face 40: face"])],
    ),
    "parts alike, and nothing says which is which": Mistake(
        "bar 12",
        SHAFT[:3],
        [(BAR, ["face 0: face", *JOURNAL, *OFF]), (LEFT, ["face 40: face"])],
        "mark-alike",
        [
            (BAR, ["face 0: face", *JOURNAL, *OFF]),
            (LEFT, ["face 40: face", "mark each of those alike"]),
        ],
        alike=4,
    ),
}


def broken(one: Mistake, set_ups: list[tuple[str, list[str]]], *, packed: bool) -> set[str]:
    part = part_of("it", one.metal, one.blank, one.features, tries=one.tries, alike=one.alike)
    packing = one.packing if packed else {}
    route = Route(
        tuple(
            SetUp(hold, tuple(does), packing.get(n, ""))
            for n, (hold, does) in enumerate(set_ups, 1)
        )
    )
    return {found.rule for found in check(Job(part, WORKSHOP), route).broken}


@pytest.mark.parametrize("name", MISTAKES)
def test_it_is_stopped_and_the_mend_is_not(name: str) -> None:
    one = MISTAKES[name]
    assert one.rule in broken(one, one.wrong, packed=False)
    assert broken(one, one.right, packed=True) <= {"long-overhang"}
