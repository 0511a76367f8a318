"""Drawings brought in, held to where ezdxf itself puts them in the world: units, mirrors, blocks.

ezdxf's own transformation (`Matrix44`, `OCS`) is the outside; the places are drawn by chance.
"""

from __future__ import annotations

import io
from fractions import Fraction
from math import sin

import pytest
from ezdxf.filemanagement import new
from ezdxf.math import OCS, Vec3
from hypothesis import given
from hypothesis import strategies as st

from runk.core.layout.segments import bulged
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.formats.set_out_csv import places_and_size, places_csv, read_places_csv
from runk.formats.set_out_dxf import Drawn, read_dxf
from tests.cases import cases

UNITS = {1: 25.4, 2: 304.8, 4: 1.0, 5: 10.0, 6: 1000.0, 9: 0.0254, 13: 0.001, 14: 100.0}
PLACES = st.lists(
    st.tuples(st.integers(-40, 40), st.integers(-40, 40)), min_size=1, max_size=6, unique=True
)


def back(drawing: object) -> Drawn:
    out = io.StringIO()
    drawing.write(out)  # type: ignore[attr-defined]
    return read_dxf(out.getvalue().encode())


@cases(40)
@given(PLACES, st.sampled_from(sorted(UNITS)), st.booleans())
def test_holes_come_where_the_world_has_them(
    places: list[tuple[int, int]], unit: int, mirrored: bool
) -> None:
    drawing = new("R2010", units=unit)
    z = (0, 0, -1 if mirrored else 1)
    for at in places:
        drawing.modelspace().add_circle(at, 1, dxfattribs={"extrusion": z})
    found = back(drawing)
    world = [OCS(z).to_wcs(Vec3(*at, 0)) for at in places]
    told = sorted((float(s.x), float(s.y)) for s in found.spots)
    for mine, theirs in zip(told, sorted((p.x, p.y) for p in world), strict=True):
        assert mine == pytest.approx([xy * UNITS[unit] for xy in theirs])
    assert found.dia == pytest.approx(2 * UNITS[unit], rel=1e-3, abs=1e-4)


def test_a_unit_no_face_is_drawn_in_is_refused_and_none_is_said() -> None:
    drawing = new("R2010", units=18)
    drawing.modelspace().add_circle((1, 2), 1)
    with pytest.raises(Refused, match="unit no face"):
        back(drawing)
    bare = new("R2010", units=0)
    bare.modelspace().add_circle((1, 2), 1)
    assert "as it does not say" in back(bare).says
    told = new("R2010", units=5)
    told.modelspace().add_circle((1, 2), 1)
    assert "centimetres" in back(told).says


@cases(30)
@given(st.integers(-30, 30), st.integers(-30, 30), st.sampled_from([-2.0, -1.0, 0.5, 1.0, 3.0]))
def test_a_hole_in_a_block_comes_where_the_block_is_put(x: int, y: int, times: float) -> None:
    drawing = new("R2010", units=4)
    block = drawing.blocks.new("HOLE")
    block.add_circle((2, 1), 1.5)
    block.add_lwpolyline([(0, 0), (6, 0), (6, 4, 0, 0, 0.4), (0, 4)], close=True)
    sized = {"xscale": times, "yscale": abs(times)}
    drawing.modelspace().add_blockref("HOLE", (x, y), dxfattribs=sized)
    found = back(drawing)
    (spot,) = found.spots
    assert (float(spot.x), float(spot.y)) == pytest.approx((x + 2 * times, y + abs(times)))
    assert found.dia == pytest.approx(3 * abs(times))
    # The rounded side bulges outward, mirrored or not: its loop keeps its area.
    assert len(found.corners) == 4
    assert _area(found) == pytest.approx(_area_of_block() * times * times, rel=1e-6)


def _area_of_block() -> float:
    return _loop_area([(0.0, 0.0, 0.0), (6.0, 0.0, 0.0), (6.0, 4.0, 0.4), (0.0, 4.0, 0.0)])


def _area(found: Drawn) -> float:
    return _loop_area([(float(c.x), float(c.y), c.bulge) for c in found.corners])


def _loop_area(points: list[tuple[float, float, float]]) -> float:
    """Of a loop with arcs, by the chords and what each arc adds: r squared (angle - sin) / 2."""
    total = 0.0
    for (x, y, b), (u, v, _) in zip(points, [*points[1:], points[0]], strict=True):
        one = bulged((x, y), (u, v), b)
        total += (x * v - u * y) / 2
        if one.centre is not None:
            angle = one.turn
            total += one.radius**2 * (abs(angle) - sin(abs(angle))) / 2 * (1 if angle > 0 else -1)
    return abs(total)


@pytest.mark.parametrize("z", [1, -1])
def test_a_half_round_stays_half_a_round_in_a_mirror(z: int) -> None:
    drawing = new("R2010", units=4)
    space, mirrored = drawing.modelspace(), {"extrusion": (0, 0, z)}
    space.add_arc((5 * z, 0), 5, 0, 180, dxfattribs=mirrored)
    space.add_line((10, 0), (0, 0))
    found = back(drawing)
    assert len(found.corners) == 2
    assert max(abs(c.bulge) for c in found.corners) == pytest.approx(1.0)
    assert _area(found) == pytest.approx(25 * 3.14159265 / 2, rel=1e-6)


@pytest.mark.parametrize("version", ["R12", "R2010"])
def test_an_old_polyline_is_an_outline(version: str) -> None:
    drawing = new(version, units=4)
    drawing.modelspace().add_polyline2d([(0, 0), (30, 0), (30, 20), (0, 20)], close=True)
    drawing.modelspace().add_circle((10, 10), 2)
    found = back(drawing)
    assert (len(found.corners), len(found.spots), found.dia) == (4, 1, 4.0)


def test_what_is_not_read_is_said() -> None:
    drawing = new("R2010", units=4)
    space = drawing.modelspace()
    space.add_circle((10, 10), 2)
    space.add_circle((20, 10), 3)
    space.add_circle((20, 10), 5)
    space.add_ellipse((0, 0), (5, 0), 0.5)
    space.add_lwpolyline([(0, 0), (9, 0), (9, 5)])
    space.add_text("A note")
    says = back(drawing).says
    assert "2 holes" in says
    assert "2 sizes, 4, 6 mm" in says
    assert "1 larger circles about the same middles" in says
    assert "1 ellipse" in says
    assert "1 open polyline" in says
    assert "text" not in says.lower()


@pytest.mark.parametrize(
    ("text", "page", "x"),
    [
        ("x (in),y (in)\n1,2", PageUnit.MM, 25.4),
        ("x [inch];y [inch]\n1;2", PageUnit.MM, 25.4),
        ("x_mm,y_mm\n1,2", PageUnit.INCH, 1.0),
        ("x,y\n1,2", PageUnit.INCH, 25.4),
        ("name,x in,y in\na,1,2", PageUnit.MM, 25.4),
        ("1,10,20\n2,30,40", PageUnit.MM, 10.0),
        ("hole A,10,20", PageUnit.MM, 10.0),
        ("12,5;7,3", PageUnit.MM, 12.5),
    ],
)
def test_a_table_is_read_in_the_unit_and_the_columns_it_has(
    text: str, page: PageUnit, x: float
) -> None:
    assert float(read_places_csv(text, page)[0].x) == pytest.approx(x)


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("10,20,5\n30,40,5", "which of them"),
        ("x (in),y (mm)\n1,2", "both alike"),
        ("x (furlong),y (furlong)\n1,2", "mm or inch"),
    ],
)
def test_a_table_that_can_be_read_two_ways_is_asked_about(text: str, says: str) -> None:
    with pytest.raises(Refused, match=says):
        read_places_csv(text)


def test_its_own_table_comes_back_with_its_size() -> None:
    from runk.core.layout.set_out import Hole, SetOut

    table = places_csv(SetOut("two", (Hole("a", 1.5, 2.0, 4.0), Hole("b", 5.0, -3.0, 4.0))))
    spots, dia = places_and_size(table, PageUnit.INCH)
    assert [(float(s.x), float(s.y)) for s in spots] == [(1.5, 2.0), (5.0, -3.0)]
    assert dia == Fraction(4)


def test_blocks_within_blocks_without_end_are_given_up() -> None:
    drawing = new("R2010", units=4)
    names = [f"B{n}" for n in range(6)]
    for name, inner in zip(names, [*names[1:], None], strict=True):
        block = drawing.blocks.new(name)
        for k in range(40):
            if inner is None:
                block.add_circle((k, 0), 0.5)
            else:
                block.add_blockref(inner, (k, 0))
    drawing.modelspace().add_blockref("B0", (0, 0))
    with pytest.raises(Refused, match="too many pieces"):
        back(drawing)
