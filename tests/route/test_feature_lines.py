"""Features as they are typed at the end of a day, beside what they mean, read by eye.

Every line is said back in full and read again: no word of it is lost, none is added.
"""

from __future__ import annotations

import pytest

from runk.core.refusals import Refused
from runk.core.route.feature import FEATURE
from runk.core.route.reading import feature_said
from runk.core.units import PageUnit
from runk.formats.part_json import said

# as typed on a page in mm; as said back
TYPED = (
    ("bore 22 H7 from 0 to 40", "Bore 22 mm H7, from 0 mm to 40 mm"),
    ("Bore 22mm H7, from 0 to 40mm", "Bore 22 mm H7, from 0 mm to 40 mm"),
    ("22 bore from 0 to 40", "Bore 22 mm, from 0 mm to 40 mm"),
    ("bore 7/8 H7 from 0 to 1 1/2", "Bore 22.225 mm H7, from 0 mm to 38.1 mm"),
    ("bore .875 from 0 to 1.5", "Bore 0.875 mm, from 0 mm to 1.5 mm"),
    (
        "outside 12 h6, from 0 to 20, called spigot",
        "Outside 12 mm h6, from 0 mm to 20 mm, called spigot",
    ),
    ("od 12 from 0 to 20", "Outside 12 mm, from 0 mm to 20 mm"),
    ("outside 12 -0.01 -0.03, from 0 to 20", "Outside 12 mm -0.01 mm -0.03 mm, from 0 mm to 20 mm"),
    ("outside 12 +0.02 +0.01 from 0 to 20", "Outside 12 mm +0.02 mm +0.01 mm, from 0 mm to 20 mm"),
    ("spigot 12 from 0 to 20", "Outside 12 mm, from 0 mm to 20 mm"),
    ("rim 100 from 0 to 20", "Outside 100 mm, from 0 mm to 20 mm"),
    ("journal 10 h6, from 0 to 30", "Journal 10 mm h6, from 0 mm to 30 mm"),
    ("crankpin 8 h6, throw 9, from 36 to 44", "Crankpin 8 mm h6, throw 9 mm, from 36 mm to 44 mm"),
    ("crank pin 8 throw 9 from 36 to 44", "Crankpin 8 mm, throw 9 mm, from 36 mm to 44 mm"),
    ("eccentric 36, throw 5, from 0 to 8", "Eccentric 36 mm, throw 5 mm, from 0 mm to 8 mm"),
    ("taper 20 down to 12, from 0 to 40", "Taper 20 mm down to 12 mm, from 0 mm to 40 mm"),
    ("taper 16 down to 12 from 60 to 80", "Taper 16 mm down to 12 mm, from 60 mm to 80 mm"),
    ("thread M8, from 0 to 12", "Thread M8, from 0 mm to 12 mm"),
    ("M8 thread from 0 to 12", "Thread M8, from 0 mm to 12 mm"),
    ("thread 2BA from 0 to 10", "Thread 2 BA, from 0 mm to 10 mm"),
    ("thread 1/4x40 from 0 to 10", "Thread 1/4x40 ME, from 0 mm to 10 mm"),
    ("screwed 5 BA, from 0 to 15", "Thread 5 BA, from 0 mm to 15 mm"),
    ("groove 18.5, 2 wide, at 4", "Groove 18.5 mm, 2 mm wide, at 4 mm"),
    ("groove 2 wide, 18.5 dia, at 4", "Groove 18.5 mm, 2 mm wide, at 4 mm"),
    ("undercut 6, 1.5 wide, at 12", "Groove 6 mm, 1.5 mm wide, at 12 mm"),
    ("chamfer 1 at 0", "Chamfer 1 mm at 0 mm"),
    ("chamfer .5 at 0", "Chamfer 0.5 mm at 0 mm"),
    ("knurl 18, from 50 to 60", "Knurl 18 mm, from 50 mm to 60 mm"),
    ("face at 0", "Face at 0 mm"),
    ("face 0", "Face at 0 mm"),
    ("shoulder at 20", "Face at 20 mm"),
    ("face at 60 +0 -0.05", "Face at 60 mm +0 mm -0.05 mm"),
    ("counterbore 16, from 20 to 24", "Counterbore 16 mm, from 20 mm to 24 mm"),
    ("drilled 3", "Drilled hole 3 mm"),
    ("drilled #30", "Drilled hole 3.264 mm"),
    ("drill 3 right through", "Drilled hole 3 mm"),
    ("drilled 3, 12 deep", "Drilled hole 3 mm, 12 mm deep"),
    ("drilled 3, 12 deep, from the left end", "Drilled hole 3 mm, 12 mm deep, from the left end"),
    ("drilled 3, across, at 10", "Drilled hole 3 mm, across it, at 10 mm"),
    ("reamed 6 H7", "Reamed hole 6 mm H7"),
    ("reamed 6", "Reamed hole 6 mm"),
    ("reamed 1/4", "Reamed hole 6.35 mm"),
    ("reamed 6 H7, across, at 15", "Reamed hole 6 mm H7, across it, at 15 mm"),
    ("reamed 6 H7, 12 off centre", "Reamed hole 6 mm H7, throw 12 mm"),
    ("tapped M4", "Tapped hole M4"),
    ("tapped M4, 10 deep", "Tapped hole M4, 10 mm deep"),
    ("tap 4BA, 6 deep, from the left end", "Tapped hole 4 BA, 6 mm deep, from the left end"),
    ("tapped M4, 10 deep, from the front", "Tapped hole M4, 10 mm deep, from the front"),
    ("tapped M3, across, at 6", "Tapped hole M3, across it, at 6 mm"),
    ("6 holes 3.2 on 31 circle", "6 holes 3.2 mm on 31 mm circle"),
    ("6 holes 3.2 on 31 pcd", "6 holes 3.2 mm on 31 mm circle"),
    ("6 tapped holes M3 on 31 circle, 8 deep", "6 holes M3 on 31 mm circle, 8 mm deep"),
    (
        "4 holes 5, 100 by 40 apart, from the top, at 10 by 12",
        "4 holes 5 mm, spaced 100 mm by 40 mm, from the top, at 10 mm by 12 mm",
    ),
    ("2 reamed holes 4, 40 apart, at 5 by 20", "2 holes 4 mm H7, spaced 40 mm, at 5 mm by 20 mm"),
    ("keyway 3 wide, 1.8 deep, from 4 to 14", "Keyway 3 mm wide, 1.8 mm deep, from 4 mm to 14 mm"),
    (
        "keyway in the bore 5 wide, 2 deep, from 0 to 30",
        "Keyway in the bore 5 mm wide, 2 mm deep, from 0 mm to 30 mm",
    ),
    ("2 flats 8 across, from 20 to 30", "2 flats 8 mm across, from 20 mm to 30 mm"),
    ("hexagon 10 af, from 0 to 5", "6 flats 10 mm across, from 0 mm to 5 mm"),
    ("square 5 across, from 0 to 5", "4 flats 5 mm across, from 0 mm to 5 mm"),
    (
        "slot 3 wide, 4 deep, from 10 to 20, from the top",
        "Slot 3 mm wide, 4 mm deep, from 10 mm to 20 mm, from the top",
    ),
    (
        "port 3 wide, 4 deep, from 10 to 20, from the top",
        "Slot 3 mm wide, 4 mm deep, from 10 mm to 20 mm, from the top",
    ),
    ("plane, from the top", "Plane, from the top"),
    ("plane 12, from the bottom", "Plane 12 mm, from below"),
    ("profile, from the top", "Profile, from the top"),
    ("outline, from the top", "Profile, from the top"),
    ("passage 2, 45 degrees, at 4", "Passage 2 mm, 45 degrees, at 4 mm"),
    ("passage 2, at 8", "Passage 2 mm, at 8 mm"),
    ("split in halves", "Split in halves"),
    ("split, 1 wide", "Split in halves, 1 mm wide"),
    ("bore 22 from 40 to 0", "Bore 22 mm, from 40 mm to 0 mm"),
    ('outside 12, from 0 to 20, called "nose"', 'Outside 12 mm, from 0 mm to 20 mm, called "nose"'),
    ("6 holes 3.2, on a 31 mm circle", "6 holes 3.2 mm on 31 mm circle"),
    ("ring groove 18.5, 2 wide, at 4", "Groove 18.5 mm, 2 mm wide, at 4 mm"),
    ("drilled 3 at 10 across", "Drilled hole 3 mm, across it, at 10 mm"),
    ("hole 5, at 10 by 12", "Drilled hole 5 mm, at 10 mm by 12 mm"),
    ("hole 5 at 10 by 12 from the top", "Drilled hole 5 mm, from the top, at 10 mm by 12 mm"),
    ("tapped hole M4, at 10 by 12, 8 deep", "Tapped hole M4, 8 mm deep, at 10 mm by 12 mm"),
    ("reamed hole 6 H7 at 25 by 6", "Reamed hole 6 mm H7, at 25 mm by 6 mm"),
    ("12 spigot h6 from 0 to 20", "Outside 12 mm h6, from 0 mm to 20 mm"),
    ("7/8 bore H7, from 0 to 1", "Bore 22.225 mm H7, from 0 mm to 1 mm"),
    ("reamed 4 H7 at 45 across", "Reamed hole 4 mm H7, across it, at 45 mm"),
    ("tapped M3 at 6 across", "Tapped hole M3, across it, at 6 mm"),
    (
        "2 dowel holes 5, on a 24 circle, turned 90 degrees",
        "2 holes 5 mm H7 on 24 mm circle, turned 90 degrees",
    ),
    (
        "drilled 3 mm, 12 mm deep, from the right end",
        "Drilled hole 3 mm, 12 mm deep, from the right end",
    ),
    ("reamed 6 mm H7, 12 mm off centre", "Reamed hole 6 mm H7, throw 12 mm"),
    ("drilled 3, throw 12", "Drilled hole 3 mm, throw 12 mm"),
    ("tapped M4 right through", "Tapped hole M4"),
    ("tapped 1/4 x 32, right through", "Tapped hole 1/4x32 ME"),
)


@pytest.mark.parametrize(("typed", "says"), TYPED)
def test_it_is_read_as_it_is_meant(typed: str, says: str) -> None:
    asked = feature_said(typed, PageUnit.MM)
    assert said(FEATURE, asked, PageUnit.MM) == says


@pytest.mark.parametrize(("typed", "says"), TYPED)
def test_what_is_said_back_is_the_same_feature(typed: str, says: str) -> None:
    again = said(FEATURE, feature_said(says, PageUnit.MM), PageUnit.MM)
    assert again == says


@pytest.mark.parametrize(("typed", "says"), TYPED)
def test_it_is_the_same_in_small_letters_and_large(typed: str, says: str) -> None:
    # A class of limits is a hole's in capitals and a shaft's in small letters; a name is a name.
    if not any(word in says for word in (" H", " h", " g", " p", "called", "limits")):
        for other in (typed.upper(), typed.lower()):
            assert said(FEATURE, feature_said(other, PageUnit.MM), PageUnit.MM) == says


# as typed on a page in inches; size, from and to in millimetres, worked out by hand
INCHES = (
    ("bore 7/8, from 0 to 1 1/2", 22.225, 0.0, 38.1),
    ("bore .875 from 0 to 1.5", 22.225, 0.0, 38.1),
    ("outside 1 3/16, from 1 1/8 to 1 3/8", 30.1625, 28.575, 34.925),
    ("journal 3/8 h6, from 0 to 1 1/8", 9.525, 0.0, 28.575),
    ("outside 0.142, from 5/16 to 9/16", 3.6068, 7.9375, 14.2875),
    ("outside 12 mm, from 0 to 1", 12.0, 0.0, 25.4),
    ("face at 1 3/8", None, 34.925, None),
    ("groove 9/16, 1/16 wide, at 7/32", 14.2875, 5.55625, None),
    ("reamed 1/4 H7, across, at 3/4", 6.35, 19.05, None),
    ("outside 11/16 -0.001 -0.002, from 0 to 3/8", 17.4625, 0.0, 9.525),
)


@pytest.mark.parametrize(("typed", "size", "start", "end"), INCHES)
def test_in_inches_by_hand(
    typed: str, size: float | None, start: float | None, end: float | None
) -> None:
    asked = feature_said(typed, PageUnit.INCH)
    for found, want in ((asked.size, size), (asked.start, start), (asked.end, end)):
        assert (None if found is None else float(found)) == pytest.approx(want)


# as typed; a word of what is said
CANNOT = (
    ("ouside 12 from 0 to 20", "`ouside`: did you mean outside?"),
    ("bore 22 H7", "Where along the axis does the bore begin?"),
    ("bore from 0 to 40", "What size is it?"),
    ("thread M8", "Where along the axis does the thread begin?"),
    ("holes 3.2 on 31 circle", "How many?"),
    ("plane", "From which side is it cut?"),
    ("22", "Which feature is it?"),
    ("reamed 6, throw 12, across", "Where along the axis"),
    ("bore 22, from 10 to 10", "begins where it ends"),
    ("taper 12 down to 12, from 0 to 10", "two ends that differ"),
    ("4 holes, from the top", "What size are the holes?"),
    ("bore -3, from 0 to 10", ""),
    ("bore 22, from 0 to 40, polished", "A finish"),
    ("outside 22, from 0 to 40, 3 wide", "which is it?"),
)


@pytest.mark.parametrize(("typed", "says"), CANNOT)
def test_what_cannot_be_read_is_asked_or_refused(typed: str, says: str) -> None:
    with pytest.raises(Refused) as refused:
        feature_said(typed, PageUnit.MM)
    assert says in refused.value.said(PageUnit.MM)
