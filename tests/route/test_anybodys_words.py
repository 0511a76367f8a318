"""Sentences of a part as anybody would put them: each number where it belongs, in any order."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from runk.core.metals.metal import shipped_metals
from runk.core.refusals import Refused
from runk.core.route.drawn.blank import blank_of_line
from runk.core.route.drawn.sentence import features_of
from runk.core.route.drawn.together import heard_together, length_of, one_each
from runk.core.route.feature import FEATURE
from runk.core.route.feature_question import FeatureQuestion
from runk.core.units import PageUnit
from runk.formats.part_json import said
from tests.cases import cases

MM, INCH = PageUnit.MM, PageUnit.INCH

# As typed on a page in millimetres; kind; then what its fields are in millimetres, by hand.
READ: tuple[tuple[str, str, dict[str, Any]], ...] = (
    ("7mm hole right through", "drilled", {"size": 7, "deep": None}),
    ("through hole 9", "drilled", {"size": 9, "deep": None}),
    ("hole dia 5 depth 22 from the right hand end", "drilled", {"size": 5, "deep": 22}),
    ("3 mm hole across at 17", "drilled", {"size": 3, "start": 17, "side": "across"}),
    ("cross drilled 3 mm, 17 from the right", "drilled", {"start": 17, "side": "across"}),
    ("hole 8.4 at 14,22 thru", "drilled", {"size": 8.4, "start": 14, "up": 22}),
    ("9 dia hole at x=14 y=-22", "drilled", {"size": 9, "start": 14, "up": -22}),
    ("hole 7, 13 off centre", "drilled", {"size": 7, "throw": 13}),
    ("clearance hole for M6", "drilled", {"size": 6.6}),
    ("3/8 reamed thru", "reamed", {"size": 9.525, "limits": None}),
    ("ream right through 7 H8", "reamed", {"size": 7, "limits": "H8"}),
    ("M5 tapping, 14 deep, in the left end", "tapped", {"deep": 14, "side": "left"}),
    ("internal thread M14x1.5, 18 long, right end", "tapped", {"deep": 18}),
    ("grub screw M3 radial, 7 from the right face", "tapped", {"start": 7, "side": "across"}),
    ("M12x1 thread 13 long right hand end", "thread", {"start": 0, "end": 13}),
    ("screwcut M12 x 1 for 13 at the right", "thread", {"start": 0, "end": 13}),
    ("bore 17 H7 24 deep from the right end", "bore", {"size": 17, "start": 0, "end": 24}),
    ("ID 17 from 2 to 24", "bore", {"size": 17, "start": 2, "end": 24}),
    ("open the hole out to 13 for 6 deep at the right end", "bore", {"size": 13, "end": 6}),
    ("counterbored 13 by 6 deep RH end", "counterbore", {"size": 13, "start": 0, "end": 6}),
    ("recess Ø26 x 3 in the right front face", "counterbore", {"size": 26, "end": 3}),
    ("19 dia 17 long at the right end", "outside", {"size": 19, "start": 0, "end": 17}),
    ("turn down to 19 for 17 RH", "outside", {"size": 19, "start": 0, "end": 17}),
    ("the right hand 17 mm is to be 19 mm diameter", "outside", {"size": 19, "end": 17}),
    ("shoulder, Ø31 x 7 at right", "outside", {"size": 31, "start": 0, "end": 7}),
    ("outside 17.98/17.96 from 0 to 23", "outside", {"limits": (17.96, 17.98), "end": 23}),
    ("outside 11.98 to 12.00, from 3 to 23", "outside", {"limits": (11.98, 12), "start": 3}),
    ("dia 9 g6, 18-31", "outside", {"size": 9, "limits": "g6", "start": 18, "end": 31}),
    ("20 +0/-0,02 dia 0 to 23", "outside", {"size": 20, "limits": (-0.02, 0), "end": 23}),
    ("bore 13 H7, from -3 to 23", "bore", {"size": 13, "start": -3, "end": 23}),
    ("face at -3", "face", {"start": -3}),
    ("shoulder at 21", "face", {"start": 21}),
    ("overall length 43", "face", {"start": 43}),
    ("chamfer 1 x 45 at 0", "chamfer", {"size": 1, "start": 0}),
    ("45 degree chamfer 1.5 mm, right end", "chamfer", {"size": 1.5, "start": 0}),
    ("o-ring groove 2.7 wide 17.3 bottom dia from 9", "groove", {"size": 17.3, "wide": 2.7}),
    ("groove 3 mm wide down to 15 mm diameter, 21 from the right", "groove", {"start": 21}),
    ("neck 7 wide 11 dia at 13", "groove", {"size": 11, "wide": 7, "start": 13}),
    ("stroke 28, pin 9 f7, 41 to 53", "crankpin", {"throw": 14, "start": 41, "end": 53}),
    ("eccentric 37 with 4.5 mm throw from 0 to 11", "eccentric", {"throw": 4.5, "size": 37}),
    ("taper from 21 at 0 to 14 at 33", "taper", {"size": 21, "small": 14, "end": 33}),
    ("hexagon SW 13 height 8 right", "flats", {"count": 6, "size": 13, "end": 8}),
    ("square end 9x9 x 12 lg right", "flats", {"count": 4, "size": 9, "end": 12}),
    ("3 wide keyway 1.9 deep 16 long from 4", "keyway", {"wide": 3, "deep": 1.9, "end": 20}),
    ("keyway 4 x 2 x 12 long from 5", "keyway", {"wide": 4, "deep": 2, "start": 5, "end": 17}),
    ("keyway 5 wide 2.3 deep in the bore, 0 to 31", "bore-keyway", {"wide": 5, "deep": 2.3}),
    ("slit 1.5 wide 11 deep from 0 to 13, top", "slot", {"wide": 1.5, "deep": 11}),
    ("6 x 4 mm holes on 41 pcd", "holes", {"count": 6, "size": 4, "circle": 41}),
    ("stud holes 6 x M3 on 31 pcd 8 deep", "holes", {"count": 6, "circle": 31, "deep": 8}),
    ("pcd 42, 6 off, tapped M3 x 7 deep", "holes", {"count": 6, "circle": 42, "deep": 7}),
    ("3 holes Ø5 displaced by 120°, circle 29", "holes", {"count": 3, "size": 5, "circle": 29}),
    ("four M4 clearance holes on a 31 mm bolt circle", "holes", {"size": 4.5, "circle": 31}),
    ("2 holes 5 mm, 44 apart, at 11 by 19", "holes", {"apart": 44, "start": 11, "up": 19}),
    ("4 holes Ø6,6 at rectangle 100 x 60", "holes", {"size": 6.6, "apart": 100, "rise": 60}),
    ("mill the top to 13 thick", "plane", {"size": 13, "side": "top"}),
)


def _matches(asked: FeatureQuestion, wanted: dict[str, Any]) -> None:
    for name, value in wanted.items():
        got = getattr(asked, name)
        if name == "limits" and got is not None:
            got = got.grade or tuple(float(x) for x in (got.low, got.high))
            assert got == (value if isinstance(value, str) else pytest.approx(value)), name
        elif isinstance(value, int | float):
            assert float(got) == pytest.approx(value), name
        else:
            assert got == value, name


@pytest.mark.parametrize(("line", "kind", "wanted"), READ)
def test_a_sentence_is_read_as_it_is_meant(line: str, kind: str, wanted: dict[str, Any]) -> None:
    (asked,) = features_of(line, MM)
    assert asked.kind == kind
    _matches(asked, wanted)
    # What is said back is the same feature.
    for page in PageUnit:
        (again,) = features_of(said(FEATURE, asked, page), page)
        assert again.kind == kind


INCHES: tuple[tuple[str, str, dict[str, Any]], ...] = (
    ("drill 5/16 thro on centre", "drilled", {"size": 7.9375}),
    ("No. 41 drill 5/8 deep from left", "drilled", {"size": 2.4384, "deep": 15.875}),
    ("drill letter H thro at 2 1/4 x 5/8", "drilled", {"start": 57.15, "up": 15.875}),
    ("tap 1/4 x 32 thro", "tapped", {"deep": None}),
    ("bore 5/8 +.001 -0 x 1 in deep from right", "bore", {"limits": (0, 0.0254), "end": 25.4}),
    ("turn down 3/4 dia x 1/2 long RH end", "outside", {"size": 19.05, "end": 12.7}),
    (".500/.499 dia from .25 to 1", "outside", {"limits": (12.6746, 12.7), "start": 6.35}),
    ("11 mm dia x 1 in long at right", "outside", {"size": 11, "end": 25.4}),
    ("six no. 34 holes on 3/4 PCD, 3/8 deep", "holes", {"size": 2.8194, "circle": 19.05}),
    ("hexagon 5/8 A/F x 3/16 thick at the right end", "flats", {"size": 15.875, "end": 4.7625}),
)


@pytest.mark.parametrize(("line", "kind", "wanted"), INCHES)
def test_in_inches_too(line: str, kind: str, wanted: dict[str, Any]) -> None:
    (asked,) = features_of(line, INCH)
    assert asked.kind == kind
    _matches(asked, wanted)


# As typed; the field that is asked, a word of what is said.
ASKED = (
    ("bore 20 through", "start", "begin"),
    ("21 dia 18 long at the left end", "start", "how long is the part"),
    ("M6 thread 14 long", "start", "begin"),
    ("groove 2 wide 1 deep, 15 from the right end", "size", "1 mm deep"),
    ("tapped hole 12 deep", "screw", "Which thread"),
    ("4 holes 5.5 in the corners, 8 from the edges", "apart", "corners"),
    ("countersink 90 deg to 10 dia", None, "countersink"),
    ("fillet 2 at the shoulder", None, "radius"),
    ("chamfer the bore 0.5 x 45", None, "bore"),
    ("internal groove 2 wide 26 dia at 10", None, "groove inside"),
    ("tapered bore 20 to 18 from 0 to 20", None, "tapered bore"),
    ("taper 1 in 20 from 0 to 30", "small", "angle"),
    ("flat 3 deep from 0 to 10", "size", "across"),
    ("hole 4.2 tapped M5", "deep", "4.2"),
    ("bore 22 from 0 to 40 without a chamfer", None, "without a chamfer"),
    ("6 threads M5 on circle 50, but not the one at the top", None, "but not"),
    ("outside 20 from 0 to 40, 3 long", "end", "which is it"),
    ("reemed 8 through", "kind", "did you mean"),
    ("bore 22 from 0 to 40 gubbins", "called", "gubbins"),
    ("stepped bore 20 x 10 and 16", None, "line of its own"),
    ("hole 5 at 12", "side", "across"),
    ("m6 tapping size 18 deep", "size", "tapping"),
)


@pytest.mark.parametrize(("line", "field", "word"), ASKED)
def test_one_thing_that_cannot_be_known_is_asked(line: str, field: str | None, word: str) -> None:
    with pytest.raises(Refused) as refused:
        features_of(line, MM)
    assert word in refused.value.said(MM)
    assert field is None or refused.value.field == field


def test_two_in_a_line_are_two() -> None:
    rim, bore = features_of("rim 118 by 22 wide at the right, bore 13 H7 from 0 to 22", MM)
    assert (rim.kind, float(rim.size or 0), float(rim.end or 0)) == ("outside", 118, 22)
    assert (bore.kind, float(bore.size or 0)) == ("bore", 13)
    one, other = features_of("hole 5 thru at 11,31 and another at 52,9", MM)
    assert [(float(h.start or 0), float(h.up or 0)) for h in (one, other)] == [(11, 31), (52, 9)]
    (row,) = features_of("two dowel holes 3 reamed at 9,7 and 51,7", MM)
    assert (row.kind, row.count, float(row.apart or 0)) == ("holes", 2, 42)
    right, left = features_of("M5 tapped both ends 9 deep", MM)
    assert (right.side, left.side) == ("right", "left")
    with pytest.raises(Refused, match="Two features"):
        features_of("bore 20 through and counterbore 26 6 deep from left", MM)


def test_the_left_end_is_known_beside_the_other_lines() -> None:
    lines = [
        "face at 0",
        "face at 64",
        "19 dia 12 long at the left end",
        "1 chamfer both ends",
        "bore 8 H7 through",
        "3 mm cross hole 10 from the left end",
        "groove 2 wide, 15 dia, 7 from the left end",
    ]
    heard = heard_together(lines, None, MM)
    assert not any(isinstance(one, Refused) for one in heard)
    seat, chamfers, bore, cross, groove = (one for one in heard[2:] if isinstance(one, tuple))
    assert (float(seat[0].start or 0), float(seat[0].end or 0)) == (52, 64)
    assert [float(c.start or 0) for c in chamfers] == [0, 64]
    assert (float(bore[0].start or 0), float(bore[0].end or 0)) == (0, 64)
    assert float(cross[0].start or 0) == 54
    # A groove's place is its edge nearer to the right end: 64 - 7 - 2.
    assert float(groove[0].start or 0) == 55
    # With no face and no length there is no left end.
    assert isinstance(heard_together(lines[2:3], None, MM)[0], Refused)


def test_a_depth_of_groove_is_cut_in_what_is_turned_there_else_in_the_bar() -> None:
    bar = blank_of_line("bar 25, 60 long", MM, shipped_metals()).asked
    lines = [
        "outside 21, from 0 to 31",
        "groove 2 wide 1.5 deep, 7 from the right end",
        "groove 3 wide, 2 deep, at 44",
        "groove 2 wide, 1 deep, at 30",
    ]
    heard = heard_together(lines, bar, MM)
    first, second = (one[0] for one in heard[1:3] if not isinstance(one, Refused))
    assert (float(first.size or 0), float(first.start or 0)) == (18, 7)
    assert (float(second.size or 0), float(second.start or 0)) == (21, 44)
    # Half on a shoulder it is asked, and so it is where nothing is known.
    assert isinstance(heard[3], Refused)
    assert isinstance(heard_together(lines[1:2], None, MM)[0], Refused)
    deep = heard_together(["outside 8, from 0 to 20", "groove 2 wide 4 deep at 7"], None, MM)[1]
    assert isinstance(deep, Refused)


def test_a_piece_as_cut_has_ends_and_a_plate_has_none_along_the_axis() -> None:
    bar = blank_of_line("bar 25, 80 long", MM, shipped_metals()).asked
    plate = blank_of_line("plate 100 x 60 x 10", MM, shipped_metals()).asked
    assert length_of((), bar) == 80
    assert length_of((), plate) is None


def test_lines_are_kept_one_feature_each_and_what_reads_alone_as_typed() -> None:
    kept = one_each(["Ø20 0-30", "chamfer 1 both ends", "gubbins", "face at 30"], None, MM)
    assert kept == [
        "Ø20 0-30",
        "Chamfer 1 mm at 0 mm",
        "Chamfer 1 mm at 30 mm",
        "gubbins",
        "face at 30",
    ]
    assert one_each(kept, None, MM) == kept


# Clauses by kind, each with a word of its own: they may stand in any order.
NOUNS = {
    "outside": ("outside", "spigot", "boss"),
    "bore": ("bore", "bored"),
    "journal": ("journal", "bearing seat"),
    "counterbore": ("counterbore", "c'bore"),
    "knurl": ("knurl", "knurled"),
    "groove": ("groove", "undercut"),
    "keyway": ("keyway", "keyseat"),
    "slot": ("slot",),
    "drilled": ("hole", "drilled hole", "drill"),
    "reamed": ("reamed hole", "ream"),
    "crankpin": ("crank pin",),
    "holes": ("holes",),
}
WITH = {
    **dict.fromkeys(("outside", "bore", "journal", "counterbore", "knurl"), ("size", "span")),
    "groove": ("size", "wide", "at"),
    "keyway": ("wide", "deep", "span"),
    "slot": ("wide", "deep", "span"),
    "drilled": ("size", "deep", "end"),
    "reamed": ("size", "deep", "end"),
    "crankpin": ("size", "throw", "span"),
    "holes": ("count", "size", "circle", "deep"),
}
SAID = {
    "size": ("{size} dia", "dia {size}", "Ø{size}", "{size} diameter"),
    "wide": ("{wide} wide", "width {wide}"),
    "deep": ("{deep} deep", "depth {deep}"),
    "throw": ("throw {throw}", "{throw} off centre", "offset {throw}"),
    "circle": ("on a {circle} pcd", "on {circle} circle"),
    "span": ("from {start} to {end}", "{start} to {end}"),
    "at": ("at {start}", "from {start}"),
    "end": ("from the right end", "right hand end", "RH end"),
    "count": ("6 off",),
}


@st.composite
def in_any_order(draw: st.DrawFn) -> tuple[list[str], PageUnit, str, dict[str, Fraction]]:
    """Two orders of the same clauses, their page, the kind, and every size in millimetres."""
    page = draw(st.sampled_from(list(PageUnit)))
    kind = draw(st.sampled_from(sorted(NOUNS)))
    unit = Fraction(1) if page is MM else Fraction(254, 10)
    sizes: dict[str, Fraction] = {}
    words: dict[str, str] = {}
    names = [
        n
        for clause in WITH[kind]
        for n in ("size", "wide", "deep", "throw", "circle", "start", "end")
        if any(f"{{{n}}}" in text for text in SAID[clause])
    ]
    for name in names:
        tenths = draw(st.integers(5, 190))
        words[name], sizes[name] = f"{tenths / 10:g}", Fraction(tenths, 10) * unit
    clauses = [draw(st.sampled_from(SAID[clause])).format(**words) for clause in WITH[kind]]
    noun = draw(st.sampled_from(NOUNS[kind]))
    pieces = [noun, *clauses]
    return [", ".join(draw(st.permutations(pieces))) for _ in range(2)], page, kind, sizes


@cases(200)
@given(in_any_order())
def test_clauses_in_another_order_read_the_same(
    typed: tuple[list[str], PageUnit, str, dict[str, Fraction]],
) -> None:
    lines, page, kind, sizes = typed
    assume(sizes.get("start") != sizes.get("end") or "start" not in sizes)
    for line in lines:
        (asked,) = features_of(line, page)
        assert asked.kind == kind, line
        for name, value in sizes.items():
            assert getattr(asked, name) == value, (line, name)


@cases(100)
@given(st.text(alphabet="0123456789/.,-+x ", max_size=300))
def test_numbers_without_sense_are_refused_at_once(line: str) -> None:
    for page in PageUnit:
        try:
            features_of(line, page)
        except Refused as refused:
            assert refused.said(page)


# As typed; page; form; sizes in millimetres; the metal's key, by hand.
BLANKS = (
    ("27 dia bright mild steel bar 83 long", MM, "bar", {"dia": 27, "long": 83}, "bms"),
    ("bar 25 x 80", MM, "bar", {"dia": 25, "long": 80}, ""),
    ("brass 12x30 rnd", MM, "bar", {"dia": 12, "long": 30}, "brass"),
    ("3/4 AF hex bar x 1 1/4 brass", INCH, "bar", {"dia": 19.05, "long": 31.75}, "brass"),
    ("316 hexagon 13 across flats by 31", MM, "bar", {"dia": 13, "long": 31}, "316"),
    ("sq 16 brass x 35", MM, "bar", {"dia": 16, "long": 35}, "brass"),
    ("83mm of 27 round silver steel", MM, "bar", {"dia": 27, "long": 83}, "silver-steel"),
    ("disc of cast iron 92 mm diameter, 17 thick", MM, "bar", {"dia": 92, "long": 17}, "iron"),
    ("plate 98 x 62 x 9 mild steel", MM, "plate", {"long": 98, "wide": 62, "high": 9}, "ms"),
    ("flat bar 9 by 26, 105 long", MM, "plate", {"long": 105, "wide": 26, "high": 9}, ""),
    ("3mm brass sheet 44x41", MM, "plate", {"long": 44, "wide": 41, "high": 3}, "brass"),
    ("18 gauge copper sheet 5 x 4", INCH, "plate", {"long": 127, "high": 1.2192}, "copper"),
    ("a block of aluminium 53 mm cubed", MM, "plate", {"long": 53, "wide": 53, "high": 53}, "al"),
    ("brass tube 1 inch od 18 swg 3 long", INCH, "bar", {"dia": 25.4, "cored": 22.9616}, "brass"),
    ("pipe of copper Ø15 x 1, length 81", MM, "bar", {"dia": 15, "cored": 13, "long": 81}, "cu"),
    ("bronze tube, 31 outside, 19 inside, 45 long", MM, "bar", {"dia": 31, "cored": 19}, "bronze"),
    ("iron casting, 2.5 to come off", MM, "casting", {"surplus": 2.5}, "iron"),
)


@pytest.mark.parametrize(("line", "page", "kind", "wanted", "metal"), BLANKS)
def test_a_blank_names_its_metal_form_and_size_in_any_order(
    line: str, page: PageUnit, kind: str, wanted: dict[str, float], metal: str
) -> None:
    found = blank_of_line(line, page, shipped_metals())
    assert found.asked.kind == kind
    for name, value in wanted.items():
        assert float(getattr(found.asked, name)) == pytest.approx(value), name
    assert bool(found.metal) is bool(metal)
    if metal:
        assert found.metal in shipped_metals()


@pytest.mark.parametrize(
    ("line", "word"),
    [
        ("unobtanium 20 x 40", "metal called"),
        ("wooden stick 20 thick 100 long", "metal called"),
        ("brass bar 20 dia bore 25 long 40", "no wall"),
        ("brass tube 20 dia 30 long", "How thick is the wall"),
        ("copper pipe 22 outside", "wall"),
        ("casting, 4 on the faces, 3 in the bores", "one surplus"),
        ("brass", "how thick"),
        ("bar 20, 30, 40", "What is 40 for?"),
        ("", "What is it made from"),
    ],
)
def test_a_blank_that_cannot_be_says_why(line: str, word: str) -> None:
    with pytest.raises(Refused) as refused:
        blank_of_line(line, MM, shipped_metals())
    assert word in refused.value.said(MM)
