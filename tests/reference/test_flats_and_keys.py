"""One flat, standard keys, and sums of the machine: each against something outside the core.

A flat is a chord cut out of a circle: shapely makes it and measures it. ISO 773 (BS 4235-1 has the
same rows) is from memory: its sizes hold together as a key must stand, which no slip of a digit
would leave alone. The sums of the machine are turned round and must come back.
"""

from __future__ import annotations

import itertools
from fractions import Fraction
from math import cos, pi, sin
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import LineString, Point, Polygon, box

from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.shafts.keyway import standard_key
from runk.core.sources import read_table
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases


def answer(name: str, **typed: str) -> Any:
    calculator = CATALOGUE[name]
    read = read_question(calculator, typed, PageUnit.MM, WORKSHOP)
    return calculator.ask(read.question, WORKSHOP)


@cases(60)
@given(st.integers(40, 2000), st.floats(0.2, 0.95))
def test_one_flat_is_a_chord_of_its_bar(tenths: int, share: float) -> None:
    bar = tenths / 10
    wide = round(bar * share, 3)
    found = answer("flats", bar=f"{bar}", shape="1", wide=f"{wide}")
    disc = Point(0, 0).buffer(bar / 2, quad_segs=4096)
    left = disc.intersection(box(-bar, -bar, bar, bar / 2 - found.depth_mm.value))
    at = bar / 2 - found.depth_mm.value
    chord = disc.intersection(LineString([(-bar, at), (bar, at)]))
    assert chord.length == pytest.approx(wide, rel=2e-3)
    assert left.bounds[3] - left.bounds[1] == pytest.approx(found.across_mm.value, abs=1e-4 * bar)
    back = answer("flats", bar=f"{bar}", shape="1", deep=f"{found.depth_mm.value:.6f}")
    assert back.wide_mm.value == pytest.approx(wide, rel=1e-3)
    across = answer("flats", bar=f"{bar}", shape="1", across=f"{found.across_mm.value:.6f}")
    assert across.depth_mm.value == pytest.approx(found.depth_mm.value, abs=1e-5)


@pytest.mark.parametrize(
    ("typed", "field"),
    [
        ({}, "wide"),
        ({"wide": "20"}, "wide"),
        ({"deep": "10"}, "deep"),
        ({"across": "20"}, "across"),
        ({"across": "9"}, "across"),
    ],
)
def test_a_flat_the_bar_has_no_room_for_is_refused(typed: dict[str, str], field: str) -> None:
    with pytest.raises(Refused) as refused:
        answer("flats", bar="20", shape="1", **typed)
    assert refused.value.field == field


def test_the_rows_of_keys_join_and_every_key_stands_in_both() -> None:
    rows = [{k: float(v) for k, v in r.items() if k.endswith("_mm")} for r in read_table("keys")]
    for row, following in itertools.pairwise(rows):
        assert row["to_mm"] == following["over_mm"]
        assert row["width_mm"] < following["width_mm"]
    for row in rows:
        # Both ways together are the key's height and a tenth or four of room over it.
        assert 0.1 < row["shaft_mm"] + row["hub_mm"] - row["height_mm"] <= 0.45
        assert row["shaft_mm"] > row["hub_mm"]
        # A quarter of its shaft, more or less: what the trade takes where it has no table.
        assert 0.18 < row["width_mm"] / row["to_mm"] < row["width_mm"] / row["over_mm"] < 0.45


@pytest.mark.parametrize(
    ("shaft", "width"),
    [("12", 4.0), ("12.1", 5.0), ("17", 5.0), ("17.1", 6.0), ("22", 6.0), ("22.1", 8.0)],
)
def test_a_shaft_at_the_edge_of_a_row_has_the_key_below(shaft: str, width: float) -> None:
    assert answer("keyway", shaft=shaft).width_mm.value == width


def test_a_key_that_is_told_is_cut_as_it_is_told() -> None:
    """3.5 of ISO 773 for the standard's key; half its width at the side for another's."""
    assert answer("keyway", shaft="20").depth_top_mm.value == pytest.approx(3.5)
    other = answer("keyway", shaft="20", width="4")
    assert other.hub_mm is None
    assert other.side_mm.value == pytest.approx(2.0)


def test_an_inch_shaft_has_a_quarter_of_itself_and_a_small_one_is_asked_about() -> None:
    assert answer("keyway", shaft="3/8 in").width_mm.value == pytest.approx(25.4 * 3 / 32)
    assert standard_key(6.0) is None
    with pytest.raises(Refused, match="quarter"):
        answer("keyway", shaft="5")


@cases(60)
@given(st.integers(1, 400), st.integers(2, 3000))
def test_revs_turned_round_are_the_surface_speed(metres: int, tenths: int) -> None:
    dia = Fraction(tenths, 10)
    revs = answer("sums", way="surface", metres=str(metres), dia=f"{float(dia)}").speed_rpm
    if not 0.2 < revs.value < 90_000:
        return
    back = answer("sums", way="surface", rpm=f"{revs.value:.6f}", dia=f"{float(dia)}")
    assert back.surface_speed_m_min.value == pytest.approx(metres, rel=1e-5)
    # A point on the edge goes round once a turn: its path is the circle's.
    edge = Point(0, 0).buffer(float(dia) / 2, quad_segs=512).exterior.length
    assert edge * revs.value / 1000 == pytest.approx(metres, rel=1e-4)


@pytest.mark.parametrize(
    ("typed", "figure", "value"),
    [
        ({"way": "surface", "feet": "100", "dia": "1 in"}, "speed_rpm", 1200 / pi),
        ({"way": "feed", "flutes": "4", "each": "0.05", "rpm": "800"}, "feed_mm_per_min", 160.0),
        ({"way": "feed", "flutes": "4", "minute": "160", "rpm": "800"}, "feed_mm_per_tooth", 0.05),
        ({"way": "time", "long": "100", "turn": "0.1", "rpm": "500"}, "pass_s", 120.0),
        ({"way": "turns", "far": "47.5", "screw": "3 mm"}, "turns", 47.5 / 3),
        ({"way": "turns", "screw": "8 tpi", "marks": "125"}, "division_mm", 0.0254),
        ({"way": "dial", "off": "0.3", "division": "0.02"}, "divisions", 7.5),
        ({"way": "dial", "wound": "4 thou"}, "off_mm", 0.2032),
        ({"way": "dial", "wound": "4 thou", "reads": "diameter"}, "off_mm", 0.1016),
        ({"way": "train", "driver": "20", "driven": "60", "screw": "8 tpi"}, "per_inch", 24.0),
    ],
)
def test_a_sum_of_the_machine_is_the_pencils(
    typed: dict[str, str], figure: str, value: float
) -> None:
    assert getattr(answer("sums", **typed), figure).value == pytest.approx(value, rel=1e-6)


@pytest.mark.parametrize(
    ("way", "field"),
    [
        ("surface", "dia"),
        ("feed", "flutes"),
        ("time", "long"),
        ("turns", "screw"),
        ("dial", "off"),
        ("train", "screw"),
        ("weight", "dia"),
        ("force", "dia"),
    ],
)
def test_a_sum_that_wants_something_asks_for_it(way: str, field: str) -> None:
    with pytest.raises(Refused) as refused:
        answer("sums", way=way)
    assert refused.value.field == field


# Densities of handbooks, g/cm³, common practice to a hundredth or two.
@pytest.mark.parametrize(
    ("metal", "density"),
    [("mild-steel", 7.85), ("brass", 8.5), ("grey-iron", 7.2), ("aluminium-6082", 2.7)],
)
def test_a_bar_weighs_what_its_solid_does(metal: str, density: float) -> None:
    """Each section as a polygon of its own, drawn out."""
    disc = Point(0, 0).buffer(10, quad_segs=2048)
    hexagon = Polygon(
        [(cos(i * pi / 3) * 10 / cos(pi / 6), sin(i * pi / 3) * 10 / cos(pi / 6)) for i in range(6)]
    )
    areas = {
        "round": disc.area,
        "square": box(0, 0, 20, 20).area,
        "hexagon": hexagon.area,
        "tube": disc.difference(Point(0, 0).buffer(8, quad_segs=2048)).area,
        "plate": box(0, 0, 20, 6).area,
    }
    for section, area in areas.items():
        typed = {"metal": metal, "section": section, "dia": "20", "long": "150"}
        more = {"tube": {"bore": "16"}, "plate": {"thick": "6"}}.get(section, {})
        found = answer("sums", way="weight", **typed, **more)
        assert found.weight_g.value == pytest.approx(area * 150 / 1000 * density, rel=0.015)
        assert found.volume_cm3.value == pytest.approx(area * 150 / 1000, rel=1e-4)


def test_a_bore_as_large_as_its_tube_is_refused() -> None:
    with pytest.raises(Refused, match="no wall"):
        answer("sums", way="weight", metal="brass", dia="20", long="50", bore="20")


def test_a_pressure_pushes_on_the_bores_area() -> None:
    """80 psi on a square inch is 80 pounds: on an inch of bore π/4 of that."""
    found = answer("sums", way="force", dia="1 in", pressure="80 psi")
    assert found.force_n.value == pytest.approx(80 * pi / 4 * 4.44822, rel=1e-4)
    assert found.says.startswith("62.8 pounds")


def test_what_was_kept_of_a_sum_opens_in_the_room_of_today() -> None:
    assert CATALOGUE["reckon"] is CATALOGUE["sums"]
    assert "reckon" not in list(CATALOGUE)


def test_teeth_pitch_and_outside_tell_one_another() -> None:
    """Outside is module × (teeth + 2): any two of the three give the third."""
    assert answer("gear", outside="52", module="2").teeth == 24
    assert answer("gear", outside="52", teeth="24").module_mm.value == pytest.approx(2.0)
    with pytest.raises(Refused, match="count them"):
        answer("gear", outside="50.9", module="2")


def test_a_drill_of_the_old_series_is_the_nearest_by_table() -> None:
    """#20 is 0.161 in and letter N 0.302 in: every drill chart."""
    assert answer("length", text="4.1").number_drill.startswith("#20")
    assert answer("length", text="0.302 in").letter_drill.startswith("N")
    assert answer("length", text="60").number_drill == ""
