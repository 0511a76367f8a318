"""Setting out held against what the tools would leave: bars cut in thought, triangles built, files walked."""

from __future__ import annotations

import io
from fractions import Fraction
from math import atan2, cos, degrees, hypot, pi, radians, sin
from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.figures import Later, Working, reckoned
from runk.core.kinds import OfBearings, OfCorners, OfDivider, OfSpots, Spot, Told
from runk.core.layout import laws
from runk.core.layout.laps import Lap
from runk.core.layout.machining import Machining
from runk.core.layout.offset import crosses_itself
from runk.core.layout.segments import Loop, area, bulged
from runk.core.layout.set_out import Hole, SetOut, ring
from runk.core.questions import read_question, sentence
from runk.core.refusals import Refused
from runk.core.tools.details import divider_of, gear_cutter_of, stock_of
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.formats.rs274 import pattern_code, profile_code
from runk.formats.rs274_trace import compare, trace
from runk.formats.set_out_csv import places_csv, read_places_csv
from runk.formats.set_out_dxf import read_dxf, set_out_dxf
from runk.formats.sheet_pdf import Paper
from runk.formats.template import place, template_pdf
from tests.cases import cases
from tests.reference.interpreter import Controller

SIZE = st.integers(10, 800).map(lambda n: n / 10)
MM, INCH = Told(PageUnit.MM, WORKSHOP), Told(PageUnit.INCH, WORKSHOP)


def answer(name: str, **typed: str) -> Any:
    one = CATALOGUE[name]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def left_standing(long: float, cuts: list[tuple[float, float]]) -> list[tuple[float, float]]:
    """What is left of a bar from 0 to ``long`` when these stretches are cut out of it."""
    pieces = [(0.0, long)]
    for low, high in cuts:
        kept = []
        for a, b in pieces:
            kept += [(a, min(b, low))] if a < low - 1e-9 else []
            kept += [(max(a, high), b)] if b > high + 1e-9 else []
        pieces = kept
    return pieces


@cases(80)
@given(
    SIZE,
    st.sampled_from(["1", "1.6", "2", "3.2"]),
    st.integers(1, 9),
    st.booleans(),
    st.sampled_from(["", "0.5"]),
)
def test_a_bar_parted_so_falls_into_the_parts_that_were_wanted(
    long: float, blade: str, count: int, left: bool, facing: str
) -> None:
    """The blade put where it says, by whichever edge was touched, and the bar looked at."""
    edge = {"edge": "left" if left else "right"}
    found = answer(
        "part-off", length=f"{long}", blade=blade, count=str(count), facing=facing, **edge
    )
    width = float(blade)
    # The left edge of a blade stands its width further along than the right one.
    cuts = [
        (at, at + width) for at in (s.stop_mm.value - (width if left else 0.0) for s in found.stops)
    ]
    pieces = left_standing(found.bar_used_mm.value, cuts)
    assert len(pieces) == count
    for low, high in pieces:
        assert high - low == pytest.approx(long + float(facing or 0), abs=1e-6)
    assert [s.right_mm.value for s in found.stops] == pytest.approx([low for low, _ in cuts])


@cases(60)
@given(st.lists(st.integers(20, 120).map(lambda n: n / 10), min_size=3, max_size=9), st.booleans())
def test_lands_and_grooves_come_out_as_they_were_told(widths: list[float], left: bool) -> None:
    widths = widths if len(widths) % 2 else widths[:-1]
    typed = "; ".join(f"{w} mm" for w in widths)
    edge = {"edge": "left" if left else "right"}
    found = answer("part-off", steps=typed, blade="2", **edge)
    off = 2.0 if left else 0.0
    walls = [(s.stop_mm.value - off, s.stop_mm.value - off + 2.0) for s in found.stops]
    assert len(walls) == len(widths) // 2 * 2
    # From wall to wall a groove is cleared between its two plunges.
    grooves = [(a[0], b[1]) for a, b in zip(walls[::2], walls[1::2], strict=True)]
    pieces = left_standing(sum(widths), grooves)
    assert [b - a for a, b in pieces] == pytest.approx(widths[::2])


@cases(60)
@given(SIZE, st.integers(1, 8), st.sampled_from([0.3, 0.8, 1.2]))
def test_slit_so_a_piece_falls_into_equal_ones(total: float, cuts: int, kerf: float) -> None:
    assume(total > (cuts + 1) * kerf + 1)
    found = answer("slit", total=f"{total}", kerf=f"{kerf}", cuts=str(cuts))
    pieces = left_standing(total, [(s.stop_mm.value, s.ends_mm.value) for s in found.slits])
    assert len(pieces) == cuts + 1
    assert [b - a for a, b in pieces] == pytest.approx([found.piece_mm.value] * (cuts + 1))


def test_what_is_joined_again_is_smaller_by_the_saw_and_larger_by_the_solder() -> None:
    """30 less 1 and a tenth more: 29.1; bored through afterwards."""
    found = answer("slit", total="30", kerf="1", layer="0.1", bore="10")
    assert (found.joined_mm.value, found.shift_mm.value) == pytest.approx((29.1, 0.9))
    assert "through the joint" in found.says
    warned = {c.about for c in answer("slit", total="30", kerf="1", bore="10").cautions}
    assert "the bore" in warned
    with pytest.raises(Refused, match="of one cut"):
        answer("slit", total="30", kerf="1", cuts="2", layer="0.1")


@cases(60)
@given(st.integers(20, 400), st.integers(1, 19), st.integers(2, 200))
def test_a_taper_told_by_any_three_of_its_sizes_is_one_taper(
    large: int, share: int, long: int
) -> None:
    """Built as a triangle: half the difference over the length."""
    big, small = large / 10, large / 10 * share / 20
    angle = degrees(atan2((big - small) / 2, long))
    assume(0.01 < angle < 80)
    sizes = {"large": f"{big}", "small": f"{small:.6f}", "long": f"{long}"}
    whole = answer("taper", **sizes)
    assert whole.angle_deg.value == pytest.approx(angle, rel=1e-4)
    assert whole.included_deg.value == pytest.approx(2 * angle, rel=1e-4)
    for missing, key in (("large", "large_mm"), ("small", "small_mm"), ("long", "long_mm")):
        rest = {n: v for n, v in sizes.items() if n != missing}
        found = answer("taper", **rest, angle=f"{angle:.6f}")
        assert getattr(found, key).value == pytest.approx(float(sizes[missing]), rel=2e-3, abs=2e-3)
    halved = answer("taper", large=sizes["large"], long=sizes["long"], included=f"{2 * angle:.6f}")
    assert halved.small_mm.value == pytest.approx(small, rel=2e-3, abs=2e-3)


def test_a_taper_that_tells_too_much_or_nothing_is_asked_about() -> None:
    for typed, field in (
        ({"large": "16", "small": "12", "long": "40", "angle": "3"}, "long"),
        ({"large": "16", "angle": "3", "one_in": "10"}, "one_in"),
        ({"large": "16", "angle": "3", "included": "6"}, "included"),
        ({"long": "40"}, "large"),
    ):
        with pytest.raises(Refused) as refused:
            answer("taper", **typed)
        assert refused.value.field == field
    steep = answer("taper", large="60", small="20", long="60", between="100")
    assert {"the centres", "the tailstock"} <= {c.about for c in steep.cautions}


@cases(40)
@given(st.integers(1, 59), st.integers(40, 300))
def test_a_sine_bar_on_its_packing_stands_at_its_angle(angle: int, bar: int) -> None:
    found = answer("sine", bar=f"{bar}", angle=f"{angle}")
    built = degrees(atan2(found.height_mm.value, found.along_mm.value))
    assert built == pytest.approx(angle)
    assert hypot(found.height_mm.value, found.along_mm.value) == pytest.approx(bar)
    back = answer("sine", bar=f"{bar}", height=f"{found.height_mm.value:.9f}")
    assert back.angle_deg.value == pytest.approx(angle, abs=1e-6)
    more = answer("sine", bar=f"{bar}", height=f"{found.height_mm.value + 0.01:.9f}")
    gained = more.angle_deg.value - back.angle_deg.value
    assert gained == pytest.approx(back.a_hundredth_deg.value, rel=2e-3)


def test_out_of_square_each_way_of_putting_it_right_has_the_same_triangle() -> None:
    for way in ("shim", "metal", "vice", "head"):
        found = answer("square", error="0.08", over="60", base="30", way=way)
        assert found.shim_mm.value == pytest.approx(0.04)
        assert found.angle_deg.value == pytest.approx(degrees(atan2(0.08, 60)))
    assert "the base" in {c.about for c in answer("square", error="0.08", over="60").cautions}
    assert "the cause" in {c.about for c in answer("square", error="2", over="60").cautions}


@cases(60)
@given(SIZE, st.integers(1, 19))
def test_corners_of_what_comes_out_of_a_round_lie_on_it(bar: float, share: int) -> None:
    for way, sides in (("square", 4), ("hexagon", 6)):
        found = answer("stock", way=way, bar=f"{bar}")
        corner = found.largest_mm.value / 2 / cos(pi / sides)
        assert corner == pytest.approx(bar / 2)
        assert found.off_mm.value == pytest.approx((bar - found.largest_mm.value) / 2)
    side = bar * share / 20
    assume(side > 0.3)
    flat = answer("stock", way="rectangle", bar=f"{bar}", side=f"{side:.9f}")
    assert hypot(flat.largest_mm.value, flat.other_mm.value) == pytest.approx(bar, rel=1e-6)
    again = answer(
        "stock",
        way="bar",
        shape="rectangle",
        side=f"{side:.9f}",
        other=f"{flat.other_mm.value:.9f}",
    )
    assert again.largest_mm.value == pytest.approx(bar, rel=1e-6)


def test_a_cutting_list_never_mixes_metals_and_says_what_stays() -> None:
    found = answer("stock", way="cut", parts="3 x pin 45; 60", bars="150; 150; 90")
    taken = sum(c.parts.count("pin") for c in found.cuts)
    assert taken == 3
    assert found.wanted_mm.value == pytest.approx(3 * 46 + 61)
    begun = found.wanted_mm.value + found.lost_mm.value + found.left_mm.value
    assert begun in (pytest.approx(240), pytest.approx(300))
    held = answer("stock", way="cut", parts="3 x pin 45; 60", bars="150; 150; 90", grip="20")
    assert held.lost_mm.value >= found.lost_mm.value
    # Of which bar nobody says: what one for all of them has to be, each with its facing and cut.
    untold = answer("stock", way="cut", parts="3 x 45", kerf="1.2", grip="18")
    assert untold.whole_mm.value == pytest.approx(3 * (45 + 1 + 1.2) + 18)
    with pytest.raises(Refused, match="Which bars"):
        answer("stock", way="cut", parts="45", metal="mild")
    with pytest.raises(Refused, match="too many at once"):
        answer("stock", way="cut", parts="99 x 5; 99 x 6; 99 x 7", bars="900")


def test_a_holder_fouls_where_its_cutter_does_not_stand_out_far_enough() -> None:
    typed = {"line": "9", "cutter": "10", "holder": "30", "high": "12"}
    assert answer("reach", **typed, low="20").fouls == "nothing"
    low = answer("reach", **typed, low="10")
    assert (low.fouls, low.left_mm.value) == ("its holder", -6.0)
    with pytest.raises(Refused, match="stand out of its holder"):
        answer("reach", **typed)
    tight = answer("reach", line="5.5", cutter="10")
    assert [c.word for c in tight.cautions] == ["Mind"]
    stacked = answer("reach", way="stack", room="100", parts="2 x 30; vice 45")
    assert (stacked.fouls, stacked.left_mm.value) == ("vice", -5.0)


@cases(150)
@given(st.text(alphabet='0123456789.,;:-+/ xyrabinmt°"#()\n', max_size=60))
def test_what_is_typed_for_a_list_is_read_or_refused_in_a_sentence(typed: str) -> None:
    for kind in (
        OfSpots("places"),
        OfBearings("kept clear"),
        OfCorners("corners"),
        OfDivider("head"),
    ):
        for told in (MM, INCH):
            try:
                value = kind.read(typed, told).value
            except Refused as refused:
                assert refused.said(told.page).strip().endswith((".", "?"))
                continue
            # What it says back is read as the same.
            again = kind.read(kind.say(value, None, told), told).value
            if isinstance(kind, OfDivider):
                assert again == value
                continue
            for one, other in zip(value, again, strict=True):
                for name in ("x", "y", "wide", "radius", "deg", "bulge"):
                    if hasattr(one, name):
                        near = pytest.approx(float(getattr(one, name)), rel=1e-3, abs=6e-3)
                        assert float(getattr(other, name)) == near


@pytest.mark.parametrize(
    ("detail", "circles", "dial", "direct"),
    [
        ("40:1; 15-20; 21 23", (15, 16, 17, 18, 19, 20, 21, 23), 0, 0),
        ("60 to 1; plate 24 28", (24, 28), 0, 0),
        ("90:1; dial 240", (), 240, 0),
        ("40:1; 15, 16, 17; 24 direct", (15, 16, 17), 0, 24),
    ],
)
def test_a_head_is_read_as_its_owner_says_it(
    detail: str, circles: tuple[int, ...], dial: int, direct: int
) -> None:
    found = divider_of(detail)
    assert (found.circles, found.dial, found.direct) == (circles, dial, direct)


def test_a_cutter_and_a_bar_are_read_as_their_owner_says_them() -> None:
    assert gear_cutter_of("mod 1, 12-13, no 1").cuts(13)
    assert not gear_cutter_of("mod 1, 12-13, no 1").cuts(14)
    rack = gear_cutter_of("32 DP, 135 to rack, 14.5 deg")
    assert rack.cuts(500)
    assert (rack.module_mm, rack.angle_deg) == (Fraction(254, 320), 14.5)
    assert stock_of("mild steel hex").section == "hexagon"
    assert stock_of("gauge plate, flat").metal == "gauge"


def test_working_of_a_long_row_is_taken_only_when_it_is_looked_at() -> None:
    first = reckoned("angle_deg", laws.angle_deg, 0.0, 3, 60.0)
    figure = reckoned("x_mm", laws.along_mm, 0.0, 15.5, first.value, after=first)
    assert isinstance(figure.steps, Later)
    assert [s.law.label for s in figure.steps] == ["Direction", "Along"]
    plain = Working()
    plain(laws.angle_deg, start_deg=0.0, number=3, step_deg=60.0)
    plain(laws.along_mm, centre_mm=0.0, radius_mm=15.5, angle_deg=180.0)
    assert figure.steps == tuple(plain.steps)
    assert hash(figure.steps) == hash(tuple(plain.steps))
    assert figure.steps[1].words() == "0 + 15.5 × cos(180°) = -15.50 mm"
    assert len(figure.steps) == 2


def told_so(depths: tuple[float, ...], peck: float = 0.0) -> Machining:
    return Machining(1450.0, 120.0, 60.0, depths, 20.0, peck, "Mill", "brass")


@st.composite
def profiles(draw: Any) -> Loop:
    """Stars whose sides may bend, none crossing itself."""
    many = draw(st.integers(3, 9))
    points = []
    for n in range(many):
        r = draw(st.integers(15, 40))
        points.append((r * cos(2 * pi * n / many), r * sin(2 * pi * n / many)))
    bends = draw(st.lists(st.sampled_from([0.0, 0.0, 0.2, -0.15]), min_size=many, max_size=many))
    loop = tuple(
        bulged(a, b, bend)
        for a, b, bend in zip(points, [*points[1:], points[0]], bends, strict=True)
    )
    assume(area(loop) > 0 and crosses_itself(loop) is None)
    return loop


@cases(40)
@given(profiles())
def test_code_round_any_profile_is_walked_as_it_is_drawn(loop: Loop) -> None:
    """By the product's own dry run and by the tests' controller, apart from each other."""
    face = SetOut("any", (), (loop,), loop)
    gone = (Lap(loop, 0, 1.5, "down"), Lap(loop, 1.5, 3, "down"), Lap(loop, 3, 3, "flat"))
    code = profile_code(face, told_so((1.5, 3.0)), gone)
    moves = trace(code)
    assert compare(moves, face, 3.0, gone).agrees
    assert not compare(moves, face, 2.0, gone).agrees
    assert not compare(moves, face, 3.0, gone[1:]).agrees
    assert not compare(moves, face, 3.0, gone[:2]).agrees
    track = [p for g, p in Controller().run(code).track if g in ("G1", "G2", "G3") and p[2] < -2.9]
    ends = [s.end for s in loop]
    for x, y in ends:
        assert min(hypot(x - p[0], y - p[1]) for p in track) < 1e-3


@cases(40)
@given(
    profiles(),
    st.lists(st.tuples(st.integers(-400, 400), st.integers(-400, 400)), max_size=20, unique=True),
)
def test_any_face_comes_back_from_its_drawing(loop: Loop, places: list[tuple[int, int]]) -> None:
    holes = tuple(Hole(str(n), x / 7, y / 7, 3.0) for n, (x, y) in enumerate(places, 1))
    back = read_dxf(set_out_dxf(SetOut("any", holes, (loop,))).encode())
    assert [s.mm for s in back.spots] == [pytest.approx((h.x, h.y), abs=2e-6) for h in holes]
    corners = [(float(c.x), float(c.y), c.bulge) for c in back.corners]
    again = tuple(
        bulged(a[:2], b[:2], a[2]) for a, b in zip(corners, [*corners[1:], corners[0]], strict=True)
    )
    assert area(again) == pytest.approx(area(loop), rel=1e-5)


@cases(60)
@given(
    st.lists(
        st.tuples(st.integers(-9000, 9000), st.integers(-9000, 9000)), min_size=1, max_size=30
    ),
    st.sampled_from([",", ";", "\t"]),
)
def test_any_places_come_back_from_their_table(places: list[tuple[int, int]], mark: str) -> None:
    holes = tuple(Hole(f"h{n}", x / 100, y / 100) for n, (x, y) in enumerate(places))
    text = places_csv(SetOut("any", holes)).replace(",", mark)
    for page in PageUnit:
        back = read_places_csv(text, page)
        assert back == tuple(
            Spot(Fraction(x, 100), Fraction(y, 100), f"h{n}") for n, (x, y) in enumerate(places)
        )


def test_a_code_that_does_something_else_is_found_out() -> None:
    face = SetOut("two", (Hole("1", 0, 0, 3), Hole("2", 20, 0, 3)))
    code = pattern_code(face, told_so((5.0,)))
    assert compare(trace(code), face, 5.0, ()).agrees
    for before, after in (("X20.", "X21."), ("Z-5.", "Z-6."), ("X20. Y0. (hole 2)\n", "")):
        assert before in code
        assert not compare(trace(code.replace(before, after)), face, 5.0, ()).agrees
    dragged = code.replace("G0 X0.", "G0 Z-1.\nG0 X0.", 1)
    assert compare(trace(dragged), face, 5.0, ()).says == "It travels fast inside the work."
    for wrong, says in (
        ("G21\nG5 X1", "G5 is not known"),
        ("G21\nHELLO", "is no code"),
        ("G21 G0 X0 Y0\nG2 X10 Y0 I3 J0", "does not end on its circle"),
    ):
        with pytest.raises(Refused, match=says):
            trace(wrong)


def test_a_face_is_laid_upright_or_on_its_side_and_never_over_the_edge() -> None:
    for wide, high in ((150, 200), (250, 140), (20, 20)):
        face = SetOut("face", (), (ring(wide / 2, high / 2, min(wide, high)),))
        at = place(face, Paper.A4)
        left, right, low, top = face.reach
        assert left + at.x >= 10 - 1e-6
        assert right + at.x <= at.wide - 10 + 1e-6
        assert low + at.y >= 40 - 1e-6
        assert top + at.y <= at.high - 10 + 1e-6
    assert template_pdf(SetOut("one", (Hole("1", 0, 0, 3),))).startswith(b"%PDF")


@pytest.mark.parametrize(
    "name",
    [
        "circle",
        "divide",
        "gear",
        "place",
        "taper",
        "sine",
        "square",
        "stock",
        "part-off",
        "slit",
        "reach",
        "path",
    ],
)
@pytest.mark.parametrize("page", list(PageUnit))
def test_the_opening_of_each_is_said_and_answered_on_both_pages(name: str, page: PageUnit) -> None:
    one = CATALOGUE[name]
    read = read_question(one, dict(one.opening), page, WORKSHOP)
    said = one.headline(one.ask(read.question, WORKSHOP), page)
    assert said
    assert sentence(one, read, page, WORKSHOP)
    if page is PageUnit.INCH:
        assert " mm" not in said


def test_turned_patterns_keep_their_distances() -> None:
    """A grid turned through any angle is the same grid."""
    flat = answer("circle", pattern="grid", count="4", rows="3", pitch="9", up="7").holes
    for turn in (17, 90, -133):
        turned = answer(
            "circle", pattern="grid", count="4", rows="3", pitch="9", up="7", start=str(turn)
        ).holes
        for a, b in zip(flat, turned, strict=True):
            far = hypot(a.x_mm.value, a.y_mm.value)
            assert hypot(b.x_mm.value, b.y_mm.value) == pytest.approx(far)
        along = turned[1].x_mm.value, turned[1].y_mm.value
        assert along == pytest.approx((9 * cos(radians(turn)), 9 * sin(radians(turn))))


def test_a_drawing_may_be_any_bytes() -> None:
    for body in (b"", b"0", b"\xff" * 50, b"0\nSECTION\n2\nHEADER\n", io.BytesIO(b"x").read()):
        with pytest.raises(Refused):
            read_dxf(body)


def test_what_is_set_out_reaches_to_the_far_side_of_every_hole() -> None:
    face = SetOut("", (Hole("1", -20.0, 3.0, 4.0), Hole("2", 5.0, -30.0, 6.0)))
    assert face.reach == (-22.0, 8.0, -33.0, 5.0)
