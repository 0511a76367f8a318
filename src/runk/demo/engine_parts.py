"""The invented engines' parts as drawn: what each is made from, and its features."""

from __future__ import annotations

from dataclasses import dataclass, field

_INCH = "inch"


@dataclass(frozen=True)
class Drawn:
    """A part as drawn.

    Args:
        name: Of it, unlike every other's.
        metal: Key of its metal.
        blank: What it is made from.
        features: In the order of the drawing.
        done: How many set-ups are done; ``lines`` more of the next.
        tries: What is tried on which feature.
        notes: Corrections, with their reason.
        alike: How many are made.
        unit: What a bare number means.
        harden: Whether it is hardened.
        overruled: Rules that do not count, each with its reason.
    """

    name: str
    metal: str
    blank: str
    features: tuple[str, ...]
    done: int = 0
    lines: int = 0
    tries: dict[str, str] = field(default_factory=dict)
    notes: tuple[str, ...] = ()
    alike: int = 1
    unit: str = "mm"
    harden: bool = False
    overruled: dict[str, str] = field(default_factory=dict)


DUNNOCK = (
    Drawn(
        "Cylinder, 22 mm bore",
        "grey-iron",
        "casting 44, 2 to come off, cored 18",
        (
            "face at 0",
            "face at 60 +0 -0.05",
            "bore 22 H7, from 0 to 60, called bore",
            "outside 40, from 0 to 6, called front flange",
            "outside 32, from 6 to 54, called barrel",
            "outside 40, from 54 to 60, called back flange",
            "6 tapped holes M3 on 31 circle, 8 deep, from the right end, called cover holes",
            "slot 3 wide, 5 deep, from 8 to 18, from the top, called transfer port",
        ),
        done=1,
        lines=3,
        tries={"bore": "the power piston"},
        notes=("Port drawn at 12 from the face: moved to 8, it met a cover hole.",),
    ),
    Drawn(
        "Power piston",
        "grey-iron",
        "bar 25",
        (
            "face at 0",
            "face at 24",
            "outside 22 -0.004 -0.011, from 0 to 24, called skirt",
            "groove 21.4, 0.8 wide, at 5, called oil groove",
            "bore 16, from 10 to 24, called hollow",
            "reamed 4 H7, across, at 14, called gudgeon hole",
        ),
        tries={"skirt": "the cylinder's bore"},
    ),
    Drawn(
        "Crankshaft",
        "silver-steel",
        "bar 30, 90 long",
        (
            "face at 0",
            "face at 80",
            "journal 10 h6, from 0 to 30, called wheel end",
            "outside 28, from 30 to 36, called web",
            "crankpin 8 h6, throw 9, from 36 to 44",
            "outside 28, from 44 to 50, called far web",
            "journal 10 h6, from 50 to 80, called far end",
            "keyway 3 wide, 1.8 deep, from 4 to 14",
        ),
        done=2,
        notes=("Bearing centres overruled from 42 to 44: the castings came wider.",),
    ),
    Drawn(
        "Displacer rod",
        "stainless-303",
        "bar 5, 130 long",
        (
            "face at 0",
            "face at 120",
            "outside 4 h6, from 0 to 112, called rod",
            "thread M4, from 112 to 120",
        ),
    ),
    Drawn(
        "Cover studs",
        "stainless-303",
        "bar 4",
        (
            "face at 0",
            "face at 22",
            "thread M3, from 0 to 8, called nut end",
            "outside 3, from 8 to 14, called shank",
            "thread M3, from 14 to 22, called stud end",
        ),
        alike=6,
    ),
    Drawn(
        "Gland",
        "brass",
        "bar 25",
        (
            "face at 0",
            "face at 14",
            "outside 12 h7, from 0 to 8, called nose",
            "outside 22, from 8 to 14, called flange",
            "chamfer 0.5 at 0",
            "reamed 4 H7, called rod hole",
            "2 holes 3.2 on 17 circle, from the left end",
        ),
        done=3,
        tries={"rod hole": "the displacer rod"},
    ),
    Drawn(
        "Cylinder cover",
        "aluminium-6082",
        "bar 45",
        (
            "face at 0",
            "face at 11",
            "outside 40, from 0 to 8, called rim",
            "outside 22 -0.02 -0.05, from 8 to 11, called register",
            "6 holes 3.2 on 31 circle, from the right end",
        ),
        tries={"register": "the cylinder's bore"},
    ),
    Drawn(
        "Flywheel",
        "grey-iron",
        "casting 122, 3 to come off",
        (
            "face at 0",
            "face at 20",
            "outside 116, from 0 to 20, called rim",
            "bore 10 H7, from 0 to 20, called hub bore",
        ),
        done=1,
        tries={"hub bore": "the crankshaft"},
    ),
    Drawn(
        "Displacer cap",
        "mild-steel",
        "bar 20",
        ("face at 0", "face at 10", "outside 18, from 0 to 10", "tapped M4, 8 deep"),
    ),
    Drawn(
        "Connecting rod",
        "aluminium-6082",
        "plate 70 by 16 by 6",
        (
            "plane, from the top",
            "plane, from the bottom",
            "reamed 8 H7, from the top, at 8 by 8, called big end",
            "reamed 4 H7, from the top, at 62 by 8, called little end",
            "profile, from the top",
        ),
    ),
    Drawn(
        "Gudgeon pin",
        "silver-steel",
        "bar 4",
        ("face at 0", "face at 18", "outside 4, from 0 to 18, called pin", "drilled 2"),
        harden=True,
    ),
    Drawn(
        "Main bearing",
        "bearing-bronze",
        "bar 20",
        (
            "face at 0",
            "face at 16",
            "outside 16 h7, from 0 to 16, called body",
            "bore 10 H7, from 0 to 16, called bearing",
            "passage 2, at 8, called oil hole",
        ),
        alike=2,
        tries={"bearing": "the crankshaft"},
    ),
    Drawn(
        "Base plate",
        "brass",
        "plate 120 by 60 by 8",
        (
            "plane, from the top",
            "plane, from the bottom",
            "4 holes 5, 104 by 44 apart, from the top, at 8 by 8, called feet",
            "4 tapped holes M4, 44 by 24 apart, from the top, at 38 by 18, called bearing holes",
        ),
    ),
)

HARROW_LANE = (
    Drawn(
        'Cylinder, 11/16" bore, left',
        "gunmetal",
        "casting 1 1/4, 3/32 to come off, cored 9/16",
        (
            "face at 0",
            "face at 1 3/8",
            "bore 11/16 H7, from 0 to 1 3/8, called bore",
            "outside 1 1/8, from 0 to 3/16, called front flange",
            "outside 1, from 3/16 to 1 3/16, called barrel",
            "outside 1 1/8, from 1 3/16 to 1 3/8, called back flange",
            "plane, from the top, called port face",
            "slot 3/32 wide, 1/8 deep, from 1/2 to 7/8, from the top, called exhaust port",
        ),
        done=1,
        unit=_INCH,
        tries={"bore": "the left piston"},
    ),
    Drawn(
        'Cylinder, 11/16" bore, right',
        "gunmetal",
        "casting 1 1/4, 3/32 to come off, cored 9/16",
        (
            "face at 0",
            "face at 1 3/8",
            "bore 11/16 H7, from 0 to 1 3/8, called bore",
            "outside 1 1/8, from 0 to 3/16, called front flange",
            "outside 1, from 3/16 to 1 3/16, called barrel",
            "outside 1 1/8, from 1 3/16 to 1 3/8, called back flange",
            "plane, from the top, called port face",
            "slot 3/32 wide, 1/8 deep, from 1/2 to 7/8, from the top, called exhaust port",
        ),
        unit=_INCH,
        tries={"bore": "the right piston"},
        notes=("Bored 0.004 in over after a blow-hole: accepted, its piston made to it.",),
    ),
    Drawn(
        "Piston and rings",
        "grey-iron",
        "bar 3/4",
        (
            "face at 0",
            "face at 3/8",
            "outside 11/16 -0.001 -0.002, from 0 to 3/8, called skirt",
            "groove 9/16, 1/16 wide, at 1/16, called top groove",
            "groove 9/16, 1/16 wide, at 7/32, called lower groove",
            "tapped 4 BA",
        ),
        alike=2,
        unit=_INCH,
        tries={"skirt": "its cylinder"},
    ),
    Drawn(
        "Crankshaft from the solid",
        "mild-steel",
        "bar 1 1/4, 4 3/4 long",
        (
            "face at 0",
            "face at 4 1/4",
            "journal 3/8 h6, from 0 to 1 1/8, called left end",
            "outside 1 3/16, from 1 1/8 to 1 3/8, called left web",
            "crankpin 3/8 h6, throw 3/8, from 1 3/8 to 1 3/4, called left pin",
            "outside 1 3/16, from 1 3/4 to 2, called middle web",
            "journal 3/8 h6, from 2 to 4 1/4, called right end",
        ),
        done=1,
        unit=_INCH,
    ),
    Drawn(
        "Steam chest studs, 4 BA",
        "mild-steel",
        "bar 3/16",
        (
            "face at 0",
            "face at 7/8",
            "thread 4 BA, from 0 to 5/16, called nut end",
            "outside 0.142, from 5/16 to 9/16, called shank",
            "thread 4 BA, from 9/16 to 7/8, called stud end",
        ),
        alike=8,
        unit=_INCH,
    ),
    Drawn(
        "Piston rod",
        "stainless-303",
        "bar 5/32, 2 3/4 long",
        (
            "face at 0",
            "face at 2 1/4",
            "outside 5/32, from 0 to 2, called rod",
            "thread 4 BA, from 2 to 2 1/4",
        ),
        alike=2,
        unit=_INCH,
    ),
    Drawn(
        "Valve spindle",
        "stainless-303",
        "bar 1/8, 2 1/2 long",
        (
            "face at 0",
            "face at 2",
            "outside 0.11, from 0 to 1 3/4, called spindle",
            "thread 6 BA, from 1 3/4 to 2",
        ),
        alike=2,
        unit=_INCH,
    ),
    Drawn(
        "Eccentric sheave",
        "mild-steel",
        "bar 1",
        (
            "face at 0",
            "face at 3/8",
            "outside 7/8, from 0 to 1/4, called sheave",
            "outside 1/2, from 1/4 to 3/8, called boss",
            "reamed 3/8 H7, called shaft hole",
        ),
        alike=2,
        unit=_INCH,
        tries={"shaft hole": "the crankshaft"},
    ),
    Drawn(
        "Slide valve",
        "gunmetal",
        "plate 3/4 by 1/2 by 3/8",
        (
            "plane, from the top",
            "plane, from the bottom, called face",
            "slot 1/4 wide, 1/8 deep, from 1/8 to 5/8, from the bottom, called cavity",
            "profile, from the bottom",
        ),
        alike=2,
        unit=_INCH,
    ),
    Drawn(
        "Steam chest cover",
        "gunmetal",
        "plate 1 1/2 by 1 1/4 by 1/4",
        (
            "plane, from the top",
            "plane, from the bottom",
            "8 holes 4.1 mm, 7/16 by 7/8 apart, from the top, at 3/32 by 3/16",
            "profile, from the top",
        ),
        alike=2,
        unit=_INCH,
    ),
    Drawn(
        "Gland nut",
        "bearing-bronze",
        "bar 1/2",
        (
            "face at 0",
            "face at 3/8",
            "groove 0.2, 1/32 wide, at 5/32, called undercut",
            "thread 1/4x40 ME, from 0 to 3/16, called nose",
            "outside 0.45, from 3/16 to 3/8, called head",
            "drilled 5/32, called rod hole",
            "hexagon 0.375 across, from 3/16 to 3/8",
        ),
        alike=4,
        unit=_INCH,
    ),
    Drawn(
        "Flywheel, organ blower",
        "grey-iron",
        "casting 5, 1/8 to come off",
        (
            "face at 0",
            "face at 3/4",
            "outside 4 3/4, from 0 to 3/4, called rim",
            "bore 3/8 H7, from 0 to 3/4, called hub bore",
        ),
        unit=_INCH,
        tries={"hub bore": "the crankshaft"},
    ),
)

GOES_WITH = (
    ("Cylinder, 22 mm bore", "bore", "Power piston", "skirt", "ringless"),
    ("Cylinder, 22 mm bore", "bore", "Cylinder cover", "register", "register"),
    ("Main bearing", "bearing", "Crankshaft", "wheel end", "journal"),
    ("Flywheel", "hub bore", "Crankshaft", "far end", "flywheel"),
    ("Gland", "rod hole", "Displacer rod", "rod", "rod"),
    ("Power piston", "gudgeon hole", "Gudgeon pin", "pin", "running"),
    ('Cylinder, 11/16" bore, left', "bore", "Piston and rings", "skirt", "ringed"),
    ('Cylinder, 11/16" bore, right', "bore", "Piston and rings", "skirt", "ringed"),
    ("Eccentric sheave", "shaft hole", "Crankshaft from the solid", "right end", "push"),
    ("Flywheel, organ blower", "hub bore", "Crankshaft from the solid", "left end", "flywheel"),
)
"""Hole and shaft that go together, and what they do."""
READ = (("Gland", "rod hole", "4.018 mm"), ('Cylinder, 11/16" bore, right', "bore", "0.6915 in"))
"""What has been measured."""
