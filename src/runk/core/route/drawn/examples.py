"""Each kind of feature as it may be typed, on either page."""

from __future__ import annotations

from runk.core.units import PageUnit

_BOTH = PageUnit.MM, PageUnit.INCH


def _two(mm: str, inch: str) -> dict[PageUnit, str]:
    return dict(zip(_BOTH, (mm, inch), strict=True))


EXAMPLES: dict[str, dict[PageUnit, str]] = {
    "outside": _two("outside 30 h6, from 0 to 18", "outside 1 1/8, from 0 to 3/4"),
    "journal": _two("journal 12 g6, from 0 to 22", "journal 1/2, from 0 to 7/8"),
    "crankpin": _two(
        "crankpin 10, throw 11, from 26 to 36", "crankpin 3/8, throw 7/16, from 1 to 1 3/8"
    ),
    "eccentric": _two(
        "eccentric 30, throw 4, from 0 to 8", "eccentric 1 1/8, throw 5/32, from 0 to 5/16"
    ),
    "taper": _two("taper 20 down to 14, from 0 to 24", "taper 3/4 down to 9/16, from 0 to 1"),
    "thread": _two("thread M10, from 0 to 14", "thread 3/8 BSF, from 0 to 9/16"),
    "groove": _two("groove 16, 2 wide, at 14", "groove 5/8, 1/16 wide, at 9/16"),
    "chamfer": _two("chamfer 1 at 0", "chamfer 1/32 at 0"),
    "knurl": _two("knurl 24, from 0 to 12", "knurl 15/16, from 0 to 1/2"),
    "face": _two("face at 0", "face at 0"),
    "bore": _two("bore 16 H7, from 0 to 40", "bore 5/8, from 0 to 1 1/2"),
    "counterbore": _two("counterbore 20, from 0 to 6", "counterbore 3/4, from 0 to 1/4"),
    "drilled": _two(
        "drilled hole 8.5, 20 deep, from the right end",
        "drilled hole 11/32, 3/4 deep, from the right end",
    ),
    "reamed": _two("reamed hole 8 H7", "reamed hole 5/16"),
    "tapped": _two(
        "tapped hole M6, 12 deep, from the right end",
        "tapped hole 2BA, 1/2 deep, from the right end",
    ),
    "holes": _two(
        "6 holes 3.2 on 31 circle, from the right end",
        "6 holes 1/8 on 1 1/4 circle, from the right end",
    ),
    "bore-keyway": _two(
        "keyway in the bore 4 wide, 1.8 deep, from 0 to 20",
        "keyway in the bore 1/8 wide, 1/16 deep, from 0 to 3/4",
    ),
    "keyway": _two(
        "keyway 4 wide, 2.5 deep, from 2 to 18", "keyway 1/8 wide, 1/16 deep, from 1/16 to 11/16"
    ),
    "flats": _two("2 flats 17 across, from 0 to 8", "2 flats 5/8 across, from 0 to 5/16"),
    "slot": _two(
        "slot 3 wide, 5 deep, from 8 to 18, from the top",
        "slot 1/8 wide, 3/16 deep, from 1/4 to 3/4, from the top",
    ),
    "plane": _two("plane 18, from the top", "plane 3/4, from the top"),
    "profile": _two("profile, from the top", "profile, from the top"),
    "split": _two("split in halves, 0.8 wide", "split in halves, 1/32 wide"),
    "passage": _two(
        "passage 4, 45 degrees, from the right end", "passage 5/32, 45 degrees, from the right end"
    ),
}
