"""Sentences of a part as a workshop says them: two hundred, each read as somebody read it by hand."""

from __future__ import annotations

from fractions import Fraction

import pytest

from runk.core.route.drawn.sentence import features_of
from runk.core.route.feature import FEATURE
from runk.core.route.feature_question import FeatureQuestion
from runk.core.units import PageUnit
from runk.formats.part_json import said

# As typed on a page in millimetres; kind and fields, sizes in millimetres by hand.
MM = (
    ("9 mm through hole", "drilled size=9"),
    ("drill through 4.2", "drilled size=4.2"),
    ("12 H8 reamed hole right through", "reamed size=12 limits=H8"),
    ("ream right through 8 H7", "reamed size=8 limits=H7"),
    ("hole dia 5 depth 20 from the right hand end", "drilled size=5 deep=20 side=right"),
    ("blind hole, 5 diameter, 20 deep, right end", "drilled size=5 deep=20 side=right"),
    (
        "centre hole 3 mm 10 deep both ends",
        "drilled size=3 deep=10 side=right; drilled size=3 deep=10 side=left",
    ),
    ("tapped hole M6 x 15 deep left hand end", "tapped screw=M6 deep=15 side=left"),
    ("M6 tapping, 15 mm deep, in the right end", "tapped screw=M6 deep=15 side=right"),
    ("M8x1 tapped 20 deep", "tapped screw=M8x1 deep=20"),
    ("internal thread M16x1.5, 20 long, right end", "tapped screw=M16x1.5 deep=20 side=right"),
    ("external thread M16 x 1.5, 20 long, right end", "thread screw=M16x1.5 start=0 end=20"),
    ("thread M8 from 0 to 20", "thread screw=M8 start=0 end=20"),
    ("M8 thread from 0 to 20", "thread screw=M8 start=0 end=20"),
    ("M8 male thread 20 long on the right", "thread screw=M8 start=0 end=20"),
    ("screwcut M20 x 1 for 12 at the right", "thread screw=special 20 x 1 start=0 end=12"),
    ("threaded M10 for 25 from the right", "thread screw=M10 start=0 end=25"),
    ("cut a thread M5, 10 long, right end", "thread screw=M5 start=0 end=10"),
    ("12 mm spigot 8 long right hand end", "outside size=12 start=0 end=8"),
    ("spigot 12 x 8 right end", "outside size=12 start=0 end=8"),
    ("turn to 22 dia for 30 from the right", "outside size=22 start=0 end=30"),
    ("turn 22 diameter 30 long at right", "outside size=22 start=0 end=30"),
    ("reduce to 16 for 25 at the right end", "outside size=16 start=0 end=25"),
    ("shoulder 20 diameter by 15 long right", "outside size=20 start=0 end=15"),
    ("diameter 25 h7 from 10 to 40", "outside size=25 limits=h7 start=10 end=40"),
    ("25 h7 dia, 10 to 40", "outside size=25 limits=h7 start=10 end=40"),
    ("Ø25 h7 10-40", "outside size=25 limits=h7 start=10 end=40"),
    ("bearing journal 12 k6 from 5 to 20", "journal size=12 limits=k6 start=5 end=20"),
    ("journal 15 -0.01 -0.02 from 30 to 45", "journal size=15 limits=-0.02..-0.01 start=30 end=45"),
    (
        "main journal dia 15, limits 14.98 to 14.99, from 30 to 45",
        "journal size=15 limits=14.98..14.99 start=30 end=45",
    ),
    ("outside 30 +0 -0.05 from 0 to 10", "outside size=30 limits=-0.05..0 start=0 end=10"),
    ("crankpin 12 dia, throw 18, from 20 to 34", "crankpin size=12 start=20 end=34 throw=18"),
    ("crankpin 12, 18 off centre, 20 to 34", "crankpin size=12 start=20 end=34 throw=18"),
    ("eccentric 40 dia, eccentricity 4, from 0 to 12", "eccentric size=40 start=0 end=12 throw=4"),
    ("eccentric 40 with 4 mm throw from 0 to 12", "eccentric size=40 start=0 end=12 throw=4"),
    ("taper 20 to 14 from 0 to 30", "taper size=20 start=0 end=30 small=14"),
    ("taper from 20 at 0 to 14 at 30", "taper size=20 start=0 end=30 small=14"),
    (
        "taper 20 dia down to 14 dia over 30 at the right end",
        "taper size=20 start=0 end=30 small=14",
    ),
    ("groove 3 wide, 15 dia, at 20", "groove size=15 start=20 wide=3"),
    ("groove 3 x 15 dia at 20", "groove size=15 start=20 wide=3"),
    (
        "groove 3 mm wide down to 15 mm diameter, 20 from the right",
        "groove size=15 start=20 wide=3",
    ),
    ("undercut 2 wide 9 diameter at 18", "groove size=9 start=18 wide=2"),
    ("o ring groove 3 wide 14 dia at 10", "groove size=14 start=10 wide=3"),
    ("chamfer 1 mm right end", "chamfer size=1 start=0"),
    ("1 mm chamfer at the right hand end", "chamfer size=1 start=0"),
    ("45 degree chamfer 1 mm, right end", "chamfer size=1 start=0"),
    ("knurl 20 dia from 0 to 12", "knurl size=20 start=0 end=12"),
    ("diamond knurl 20 dia 12 long at the right", "knurl size=20 start=0 end=12"),
    ("knurled head 20 dia 12 long right end", "knurl size=20 start=0 end=12"),
    ("face the right end", "face start=0"),
    ("face to 40 long", "face start=40"),
    ("face at 40", "face start=40"),
    ("hexagon 17 af 8 long right end", "flats size=17 start=0 end=8 count=6"),
    ("hex 17 across flats from 0 to 8", "flats size=17 start=0 end=8 count=6"),
    ("two flats 14 across, 10 long, right end", "flats size=14 start=0 end=10 count=2"),
    ("flats 14 af from 0 to 10", "flats size=14 start=0 end=10"),
    ("square 8 mm, 12 long on the right end", "flats size=8 start=0 end=12 count=4"),
    ("keyway 4 wide, 2.5 deep, 20 long, from 10", "keyway start=10 end=30 wide=4 deep=2.5"),
    ("4 mm keyway 2.5 deep from 10 to 30", "keyway start=10 end=30 wide=4 deep=2.5"),
    ("keyway 4 x 2.5 from 10 to 30", "keyway start=10 end=30 wide=4 deep=2.5"),
    ("slot 6 wide 4 deep from 10 to 40, top", "slot start=10 end=40 wide=6 deep=4 side=top"),
    ("slot 6 wide right through from 10 to 40", "slot start=10 end=40 wide=6"),
    ("6 holes 4 mm dia on 40 pcd", "holes size=4 count=6 circle=40"),
    ("6 x 4 mm holes on 40 pcd", "holes size=4 count=6 circle=40"),
    ("6 off 4 mm holes PCD 40", "holes size=4 count=6 circle=40"),
    ("six 4 mm holes equally spaced on a 40 mm circle", "holes size=4 count=6 circle=40"),
    ("4 off M4 on 30 PCD", "holes screw=M4 count=4 circle=30"),
    ("4 M4 tapped holes 10 deep on 30 mm pcd", "holes screw=M4 count=4 circle=30 deep=10"),
    ("3 M3 tapped equispaced on 24 pcd, 6 deep", "holes screw=M3 count=3 circle=24 deep=6"),
    (
        "6 holes drilled 3.2 on a 31 circle from the left end",
        "holes size=3.2 count=6 circle=31 side=left",
    ),
    ("counterbore 12 by 6 deep, right hand end", "counterbore size=12 start=0 end=6"),
    ("register 30 dia 2 long at the right", "outside size=30 start=0 end=2"),
    ("cross drill 3 mm at 15", "drilled size=3 start=15 side=across"),
    ("cross hole 3 mm at 15 from the right end", "drilled size=3 start=15 side=across"),
    ("3 mm hole across at 15", "drilled size=3 start=15 side=across"),
    ("3 mm cross drilled hole 15 from the right", "drilled size=3 start=15 side=across"),
    ("drill 3 radially at 15", "drilled size=3 start=15 side=across"),
    ("cross tapped M4 at 12", "tapped screw=M4 start=12 side=across"),
    ("oil hole 2 mm at 30", "passage size=2 start=30"),
    ("mill a slot 5 wide 3 deep from 0 to 20 on top", "slot start=0 end=20 wide=5 deep=3 side=top"),
    ("hole 8 at 25 by 30", "drilled size=8 start=25 up=30"),
    ("8 dia hole at x=25 y=30", "drilled size=8 start=25 up=30"),
    ("hole at 25,30 8 dia through", "drilled size=8 start=25 up=30"),
    ("ream 8 H7 at 25, 30", "reamed size=8 limits=H7 start=25 up=30"),
    ("2 holes 5 mm, 40 apart, at 10 by 20", "holes size=5 start=10 count=2 apart=40 up=20"),
    (
        "4 holes 5, 80 x 40 apart, at 10 by 10",
        "holes size=5 start=10 count=4 apart=80 rise=40 up=10",
    ),
    ("row of 4 holes 3 mm 15 apart at 10 by 10", "holes size=3 start=10 count=4 apart=15 up=10"),
    ("mill the top to 12 thick", "plane size=12 side=top"),
    ("plane bottom", "plane side=bottom"),
    ("split in halves", "split"),
    (
        "outside 30 from 0 to 10 and outside 20 from 10 to 40",
        "outside size=30 start=0 end=10; outside size=20 start=10 end=40",
    ),
    ("hole 6 deep 20", "drilled size=6 deep=20"),
    ("6 mm hole 20 mm deep off centre 8", "drilled size=6 throw=8 deep=20"),
    ("hole 5, 12 off centre", "drilled size=5 throw=12"),
    ("rim 120 dia, 20 wide, from 5", "outside size=120 start=5 end=25"),
    ("hub 25 dia 10 long right", "outside size=25 start=0 end=10"),
    ("recess 24 dia 3 deep in the right end", "counterbore size=24 start=0 end=3"),
    ("flange 50 diameter 6 thick at the right end", "outside size=50 start=0 end=6"),
    ("make a step 18 mm diameter and 12 mm long at the right", "outside size=18 start=0 end=12"),
    ("please drill a 5 mm hole 15 mm deep in the right end", "drilled size=5 deep=15 side=right"),
    ("I'd like four 3 mm holes on a 30 mm circle", "holes size=3 count=4 circle=30"),
    ("there should be an M6 thread on the right end for 12 mm", "thread screw=M6 start=0 end=12"),
    (
        "a groove for a ring, 1.5 mm wide, bottom diameter 17 mm, 3 mm from the right end",
        "groove size=17 start=3 wide=1.5",
    ),
    ("the right hand 20 mm is to be 12 mm diameter", "outside size=12 start=0 end=20"),
    ("the first 20 mm from the right is 12 diameter", "outside size=12 start=0 end=20"),
    (
        "outside diameter 30 mm over a length of 15 mm starting at the right end",
        "outside size=30 start=0 end=15",
    ),
    ("thread M6 length 12 right", "thread screw=M6 start=0 end=12"),
    ("bore diameter 16 depth 20 tolerance H7 right side", "bore size=16 limits=H7 start=0 end=20"),
    ("drilling Ø5 depth 10 right side", "drilled size=5 deep=10 side=right"),
    ("borehole 5 mm, 10 deep", "drilled size=5 deep=10"),
    ("internal diameter 16, 20 deep, right", "bore size=16 start=0 end=20"),
    ("inner diameter 16 from 0 to 20", "bore size=16 start=0 end=20"),
    ("ID 16 from 0 to 20", "bore size=16 start=0 end=20"),
    ("OD 30 from 0 to 20", "outside size=30 start=0 end=20"),
    ("cylinder Ø30 from 0 to 20", "outside size=30 start=0 end=20"),
    ("pivot 6 h6 x 10 right end", "outside size=6 limits=h6 start=0 end=10"),
    ("journal Ø12 f7 length 15 at right", "journal size=12 limits=f7 start=0 end=15"),
    ("seat 20 k6 from 10 to 25", "outside size=20 limits=k6 start=10 end=25"),
    ("groove Ø16 width 2 at 10", "groove size=16 start=10 wide=2"),
    ("recess 3 wide 20 dia at 10", "groove size=20 start=10 wide=3"),
    ("keyway width 4 depth 2 from 5 to 20", "keyway start=5 end=20 wide=4 deep=2"),
    ("slot width 6 depth 4 length 20 from 5, top", "slot start=5 end=25 wide=6 deep=4 side=top"),
    (
        "hexagonal head 13 mm across flats, 8 mm high, at the right end",
        "flats size=13 start=0 end=8 count=6",
    ),
    ("M8 hole", "tapped screw=M8"),
    ("M8 hole 15 deep", "tapped screw=M8 deep=15"),
    ("hole for M8 bolt", "drilled size=9"),
    ("M6 clear through", "drilled size=6.6"),
    ("4xM5 on PCD40", "holes screw=M5 count=4 circle=40"),
    ("4-M5 PCD40", "holes screw=M5 count=4 circle=40"),
    ("3x Ø4 holes equispaced 30 PCD", "holes size=4 count=3 circle=30"),
    ("8 holes dia 3 pcd 24 deep 6", "holes size=3 count=8 circle=24 deep=6"),
    ("holes: 6 off, 3.2 dia, pcd 28, through", "holes size=3.2 count=6 circle=28"),
    ("tapped holes M3 x 6, 4 off on 22 pcd", "holes screw=M3 count=4 circle=22 deep=6"),
    ("tap four M3 holes 6 deep on a 22 mm circle", "holes screw=M3 count=4 circle=22 deep=6"),
    ("ring of six 3 mm holes on 30 circle", "holes size=3 count=6 circle=30"),
    ("bolt holes 4 off 5.5 mm on 48 pcd", "holes size=5.5 count=4 circle=48"),
    ("turn between 10 and 30 to 18 mm", "outside size=18 start=10 end=30"),
    ("from 10 to 30: 18 h7", "outside size=18 limits=h7 start=10 end=30"),
    ("0-15 dia 20", "outside size=20 start=0 end=15"),
    ("0 to 15: M8", "thread screw=M8 start=0 end=15"),
    ("20h6 0-25", "outside size=20 limits=h6 start=0 end=25"),
    ("turned 20 mm, 25 long, from right end", "outside size=20 start=0 end=25"),
    ("neck 8 wide 10 dia at 12", "groove size=10 start=12 wide=8"),
    ("waist 10 dia from 12 to 20", "outside size=10 start=12 end=20"),
    ("knurled 0 to 12, 20 dia", "knurl size=20 start=0 end=12"),
    ("straight knurl 20 x 12 right end", "knurl size=20 start=0 end=12"),
    ("face 0", "face start=0"),
    ("face both ends to 40 long", "face start=0; face start=40"),
    ("overall length 40", "face start=40"),
    ("total length 60 mm", "face start=60"),
    ("parted off at 40", "face start=40"),
    (
        "saw cut 1 mm wide 10 deep at top from 0 to 10",
        "slot start=0 end=10 wide=1 deep=10 side=top",
    ),
    ("flat on one side, 8 mm across from it, 0 to 10", "flats size=8 start=0 end=10"),
    ("cone from 10 to 20 over 15 right", "taper size=10 start=0 end=15 small=20"),
    (
        "drill a 6 mm hole 10 mm from the left edge and 15 mm from the bottom edge",
        "drilled size=6 start=10 up=15",
    ),
    ("hole 6 mm diameter, 10 from left, 15 up", "drilled size=6 start=10 up=15"),
    (
        "three holes dia 4 in a line, 12 mm pitch, starting at 8,20",
        "holes size=4 start=8 count=3 apart=12 up=20",
    ),
    ("M5 tapped hole in the middle of the plate", "tapped screw=M5"),
    ("central hole 12 mm", "drilled size=12"),
    ("12 mm hole central", "drilled size=12"),
    ("12 mm hole in the centre", "drilled size=12"),
    ("plane the top to leave 8 mm", "plane size=8 side=top"),
    ("ream the two dowel holes 4 mm", "holes size=4 limits=H7 count=2"),
    ("drill through from the front 5 mm at 20 by 6", "drilled size=5 start=20 up=6 side=front"),
    ("hole from the top 5 mm at 20 by 6, 10 deep", "drilled size=5 start=20 deep=10 up=6 side=top"),
    (
        "tapped M4 from the left side at 10 by 8, 12 deep",
        "tapped screw=M4 start=10 deep=12 up=8 side=left",
    ),
    ("M4 in the end, 12 deep", "tapped screw=M4 deep=12"),
    (
        "hole in the front face 5 mm dia 12 deep at 20,6",
        "drilled size=5 start=20 deep=12 up=6 side=front",
    ),
    ("4 x M4 x 8 deep at 50 x 30 centres", "holes screw=M4 count=4 deep=8 apart=50 rise=30"),
    ("6 M3 holes on 30 x 40 centres", "holes screw=M3 count=6 apart=30 rise=40"),
    ("flat bottomed hole 6 x 10 deep", "drilled size=6 deep=10"),
    ("hole 6 mm, 10 deep, flat bottom", "drilled size=6 deep=10"),
    ("bore and ream 12 H7", "reamed size=12 limits=H7"),
    ("finish bore 20 H7 from 0 to 30", "bore size=20 limits=H7 start=0 end=30"),
    ("collar 20 mm dia 5 mm thick at the right hand end", "outside size=20 start=0 end=5"),
    ("stub 8 mm dia x 6 lg at right", "outside size=8 start=0 end=6"),
    ("nose 10 dia 5 long right end", "outside size=10 start=0 end=5"),
    ("shank 12 dia 40 long from 10", "outside size=12 start=10 end=50"),
    ("head 20 dia 6 thick right", "outside size=20 start=0 end=6"),
    ("barrel 32 dia between 6 and 54", "outside size=32 start=6 end=54"),
    (
        "M5 tapped both ends 10 deep",
        "tapped screw=M5 deep=10 side=right; tapped screw=M5 deep=10 side=left",
    ),
    ("drill and tap M4 12 deep", "tapped screw=M4 deep=12"),
    ("drill and ream 6 mm through", "reamed size=6"),
    ("drill 5.8 and ream 6", "drilled size=5.8; reamed size=6"),
    ("drilled 4.2 and tapped M5 15 deep", "drilled size=4.2; tapped screw=M5 deep=15"),
    ("14 mm hex for a spanner, 6 long, right", "flats size=14 start=0 end=6 count=6"),
    ("4 flats 8 across, 10 long right end", "flats size=8 start=0 end=10 count=4"),
    ("dog point 4 dia 3 long right end", "outside size=4 start=0 end=3"),
    ("pilot 4 dia 5 long on right end", "outside size=4 start=0 end=5"),
    ("bored 20 to depth 10 from the right hand face", "bore size=20 start=0 end=10"),
    ("bore 20 blind 30 deep right", "bore size=20 start=0 end=30"),
    ("open out to 20 for 15 from right", "bore size=20 start=0 end=15"),
    ("open the hole out to 12 for 6 deep at the right end", "bore size=12 start=0 end=6"),
    ("offset hole 8 dia, 12 from the centre", "drilled size=8 throw=12"),
    ("hole 8 mm 12 mm off the axis", "drilled size=8 throw=12"),
    ("centre journal 12 dia from 30 to 50", "journal size=12 start=30 end=50"),
)

# As typed on a page in inches; kind and fields, sizes in millimetres by hand.
INCH = (
    ("drill 1/4 through", "drilled size=6.35"),
    ("1/4 drill right through", "drilled size=6.35"),
    ('1/4" hole 1" deep right hand end', "drilled size=6.35 deep=25.4 side=right"),
    ("ream 3/8 thro'", "reamed size=9.525"),
    ("tap 2BA 1/2 deep right end", "tapped screw=2 BA deep=12.7 side=right"),
    ("2 BA tapped 1/2 deep", "tapped screw=2 BA deep=12.7"),
    ("4BA thread 3/8 long right hand end", "thread screw=4 BA start=0 end=9.525"),
    ("1/4 BSF thread 1/2 long RH end", "thread screw=1/4x26 BSF start=0 end=12.7"),
    ("3/8 x 32 ME thread 1/4 long at right hand end", "thread screw=3/8x32 ME start=0 end=6.35"),
    ("thread 1/4 - 40 for 3/8 from right", "thread screw=1/4x40 ME start=0 end=9.525"),
    ("7/16 dia x 5/8 lg RH end", "outside size=11.113 start=0 end=15.875"),
    (".500 dia .750 long right", "outside size=12.7 start=0 end=19.05"),
    ("outside .500/.499 from 0 to 1", "outside size=12.7 limits=12.6746..12.7 start=0 end=25.4"),
    (
        "0.375 +.000 -.001 dia from 0 to 0.75",
        "outside size=9.525 limits=-0.0254..0 start=0 end=19.05",
    ),
    (
        "bore 3/4 +.001 -0 by 1 1/4 deep from right",
        "bore size=19.05 limits=0..0.0254 start=0 end=31.75",
    ),
    ("6 holes no. 30 on 1 1/4 pcd", "holes size=3.2639 count=6 circle=31.75"),
    ("5BA tapped, 4 off, on 7/8 PCD", "holes screw=5 BA count=4 circle=22.225"),
    ("4 holes tapped 5BA on 7/8 PCD", "holes screw=5 BA count=4 circle=22.225"),
    ("four 4BA clearance holes on 1 1/2 pcd", "holes size=3.726 count=4 circle=38.1"),
    ("1/16 chamfer RH end", "chamfer size=1.5875 start=0"),
    ("1/32 x 45 chamfer right end", "chamfer size=0.79375 start=0"),
    ("turn down to 1/2 for 3/4 RH", "outside size=12.7 start=0 end=19.05"),
    ("flats 5/16 af 1/4 long right", "flats size=7.9375 start=0 end=6.35"),
    ("keyway 1/8 x 1/16 x 1/2 long from 1/4", "keyway start=6.35 end=19.05 wide=3.175 deep=1.5875"),
    ("undercut 1/16 wide 3/8 dia at 1/2", "groove size=9.525 start=12.7 wide=1.5875"),
    ("3/16 cross hole at 1/2", "drilled size=4.7625 start=12.7 side=across"),
    ("taper 1 to 3/4 over 2 from right", "taper size=25.4 start=0 end=50.8 small=19.05"),
)


def _told(asked: FeatureQuestion) -> str:
    """A feature's kind and fields in a line."""
    words = [asked.kind]
    for name in asked.__slots__:
        value = getattr(asked, name)
        if name in ("kind", "called") or value is None:
            continue
        if isinstance(value, Fraction):
            value = f"{float(value):.5g}"
        elif name == "screw":
            value = value.name
        elif name == "limits":
            value = value.grade or f"{float(value.low):g}..{float(value.high):g}"
        words.append(f"{name}={value}")
    return " ".join(words)


ALL = [(line, PageUnit.MM, told) for line, told in MM]
ALL += [(line, PageUnit.INCH, told) for line, told in INCH]


@pytest.mark.parametrize(("line", "page", "told"), ALL)
def test_a_line_is_read_as_it_is_meant(line: str, page: PageUnit, told: str) -> None:
    found = features_of(line, page)
    assert "; ".join(map(_told, found)) == told
    # In capitals it says the same, but for a class, whose letter tells hole from shaft.
    if "limits" not in told:
        assert "; ".join(map(_told, features_of(line.upper(), page))) == told
    # And said back on its page it is the same feature, as near as it is printed.
    for one in found:
        (again,) = features_of(said(FEATURE, one, page), page)
        assert (again.kind, again.count, again.side) == (one.kind, one.count, one.side)
