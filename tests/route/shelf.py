"""Invented parts the tests of routes are made on; between them every rule has something to say."""

from __future__ import annotations

from functools import cache
from typing import Any

from runk.core.route.propose import Proposed, propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job
from runk.demo.back_shed import WORKSHOP

PARTS: dict[str, tuple[str, str, list[str], dict[str, Any]]] = {
    "cylinder": (
        "grey-iron",
        "casting 44, 2 to come off, cored 18",
        [
            "face at 0",
            "face at 60 +0 -0.05",
            "bore 22 H7, from 0 to 60",
            "outside 40, from 0 to 5, called front flange",
            "outside 32, from 5 to 55, called barrel",
            "outside 40, from 55 to 60, called back flange",
            "6 tapped holes M3 on 31 circle, 8 deep, from the right end",
            "plane, from the top, called port face",
            "slot 3 wide, 4 deep, from 10 to 20, from the top, called steam port",
            "passage 2, 45 degrees, at 4",
        ],
        {"tries": {"bore 22": "the piston"}, "alike": 2},
    ),
    "crankshaft": (
        "silver-steel",
        "bar 30, 90 long",
        [
            "face at 0",
            "face at 80",
            "journal 10 h6, from 0 to 30",
            "outside 28, from 30 to 36, called web 1",
            "crankpin 8 h6, throw 9, from 36 to 44",
            "outside 28, from 44 to 50, called web 2",
            "journal 10 h6, from 50 to 80, called journal far",
            "keyway 3 wide, 1.8 deep, from 4 to 14",
        ],
        {},
    ),
    "twin crank": (
        "mild-steel",
        "bar 30, 100 long",
        [
            "face at 0",
            "face at 90",
            "journal 10 h6, from 0 to 30",
            "outside 28, from 30 to 36, called web 1",
            "crankpin 8 h6, throw 9, from 36 to 44",
            "crankpin 8 h6, throw 9, from 50 to 58, called second pin",
            "outside 28, from 44 to 50, called web 2",
            "outside 10, from 58 to 90, called tail",
        ],
        {},
    ),
    "piston": (
        "grey-iron",
        "bar 25",
        [
            "face at 0",
            "face at 24",
            "outside 22 -0.02 -0.04, from 0 to 24",
            "groove 18.5, 2 wide, at 4",
            "bore 14 H7, from 10 to 24",
            "counterbore 16 +0.05 -0, from 20 to 24",
            "reamed 6 H7, across, at 15",
        ],
        {},
    ),
    "gland": (
        "brass",
        "bar 25",
        [
            "face at 0",
            "face at 14",
            "chamfer 0.5 at 0",
            "outside 12 h7, from 0 to 8",
            "outside 22, from 8 to 14, called flange",
            "reamed 5 H7",
            "2 holes 3.2 on 17 circle, from the left end",
        ],
        {},
    ),
    "spindle": (
        "silver-steel",
        "bar 20",
        [
            "face at 0",
            "face at 90",
            "chamfer 1 at 0",
            "thread M8, from 0 to 12",
            "groove 6, 2 wide, at 12",
            "outside 10 h6, from 14 to 40, called seat",
            "knurl 18, from 50 to 60",
            "taper 16 down to 12, from 60 to 80",
            "outside 12, from 80 to 90, called end",
            "2 flats 8 across, from 20 to 30",
            "drilled 3, across, at 25",
        ],
        {"harden": True},
    ),
    "lever": (
        "brass",
        "plate 60 by 40 by 10",
        [
            "plane, from the top",
            "plane, from the bottom",
            "4 holes 4.2, from the top",
            "reamed 8 H7, from the top",
            "profile, from the top",
            "tapped M4, 10 deep, from the front",
        ],
        {},
    ),
    "link": (
        "mild-steel",
        "bar 12",
        [
            "face at 0",
            "face at 30",
            "outside 10, from 0 to 30",
            "slot 3 wide, 8 deep, from 0 to 12",
            "drilled 3, across, at 6",
            "keyway 2 wide, 1 deep, from 20 to 28",
        ],
        {},
    ),
    "wheel": (
        "grey-iron",
        "casting 120, 3 to come off",
        [
            "face at 0",
            "face at 20",
            "outside 114, from 0 to 20, called rim",
            "bore 12 H7, from 0 to 20",
        ],
        {},
    ),
    "tapped boss": (
        "brass",
        "bar 16",
        ["face at 0", "face at 20", "outside 14, from 0 to 20", "tapped M6, 12 deep"],
        {},
    ),
    "shouldered pin": (
        "mild-steel",
        "bar 25",
        [
            "face at 0",
            "face at 40",
            "outside 10 h6, from 0 to 20",
            "face at 20, called shoulder",
            "outside 22, from 20 to 40",
        ],
        {},
    ),
    "split rod": (
        "brass",
        "plate 90 by 20 by 12",
        [
            "plane, from the top",
            "plane, from the bottom",
            "reamed 10 H7, at 12 by 10, called big end",
            "reamed 6 H7, at 78 by 10, called little end",
            "2 holes 4, 12 apart, at 6 by 6, from the back, called bolts",
            "split in halves, 1 wide",
            "profile, from the top",
        ],
        {},
    ),
    "jet": (
        "brass",
        "bar 8",
        ["face at 0", "face at 20", "outside 6, from 0 to 20", "drilled 1", "drilled 3, 12 deep"],
        {},
    ),
    "crank disc": (
        "mild-steel",
        "bar 40",
        [
            "face at 0",
            "face at 10",
            "outside 38, from 0 to 10",
            "reamed 10 H7",
            "reamed 6 H7, 12 off centre, called pin hole",
            "2 dowel holes 5 on 24 circle, turned 90 degrees",
        ],
        {},
    ),
    "line of bores": (
        "grey-iron",
        "casting 60, 3 to come off",
        [
            "face at 0",
            "face at 50",
            "bore 30 H7, from 0 to 30",
            "bore 25 H7, from 30 to 50, called small",
            "outside 50, from 0 to 50",
        ],
        {},
    ),
}


@cache
def job(name: str) -> Job:
    metal, blank, features, more = PARTS[name]
    return Job(part_of(name, metal, blank, features, **more), WORKSHOP)


@cache
def proposed(name: str) -> Proposed:
    return propose(job(name))
