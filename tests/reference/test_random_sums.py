"""Questions at random of fits, shafts, threads and setting out, against sums of the tests' own.

Twenty kinds, each by another way than the core's where there is one: equilibrium and contact for
what is pressed, a wire let down into a groove, points on a circle, a bar cut piece by piece.
``make sweep`` puts ten thousand of them. Sources: mechanics, geometry, ISO 68-1, BS 93, BS 84.
"""

from __future__ import annotations

from math import acos, asin, atan, cos, degrees, hypot, inf, pi, radians, sin, sqrt, tan
from typing import Any

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy.optimize import brentq

from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.threads.series import find_thread
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

SEVERAL = cases(20)
METALS = ("mild-steel", "brass", "grey-iron", "aluminium-6082", "gunmetal", "silver-steel")
THREADS = ("M3", "M6", "M10", "M12", "2 BA", "4 BA", "1/4 BSW", "3/8 BSF", "1/4-20 UNC")
size = st.integers(30, 600).map(lambda n: n / 10)


def answer(name: str, **typed: Any) -> Any:
    plain = {key: f"{value}" for key, value in typed.items()}
    try:
        read = read_question(CATALOGUE[name], plain, PageUnit.MM, WORKSHOP)
        return CATALOGUE[name].ask(read.question, WORKSHOP)
    except Refused:
        assume(False)


def near(value: float, **more: float) -> Any:
    return pytest.approx(value, **({"rel": 1e-5, "abs": 2e-6} | more))


@SEVERAL
@given(size, st.integers(115, 400), st.integers(2, 60), st.sampled_from(METALS))
def test_a_boss_on_a_shaft_meets_where_both_give(dia: float, hub: int, um: int, boss: str) -> None:
    """Both radii meet under one pressure: displacements of a ring and of a solid bar, solved."""
    out = round(dia * hub / 100, 3)
    found = answer("press", size=dia, hub=out, tight=um / 1000, boss_metal=boss)
    ring, bar = WORKSHOP.metals[boss], WORKSHOP.metals["silver-steel"]
    k = (out**2 + dia**2) / (out**2 - dia**2)

    def apart(p: float) -> float:
        opens = p * dia / (ring["e_gpa"] * 1e3) * (k + ring["poisson"])
        shrinks = p * dia / (bar["e_gpa"] * 1e3) * (1 - bar["poisson"])
        return opens + shrinks - um / 1000

    pressure = brentq(apart, 0, 1e6)
    assert found.pressure_mpa.value == near(pressure, rel=1e-4)
    assert found.force_n.value == near(0.2 * pressure * pi * dia * dia, rel=1e-4)


@SEVERAL
@given(size, st.integers(5, 60), st.integers(5, 60), st.sampled_from(METALS))
def test_a_boss_heated_opens_by_its_growth(dia: float, um: int, spare: int, boss: str) -> None:
    found = answer("shrink", size=dia, tight=um / 1000, free=spare / 1000, boss_metal=boss)
    grown = dia * WORKSHOP.metals[boss]["expansion_um_per_m_k"] * 1e-6 * (found.heat_c.value - 20)
    assert grown == near((um + spare) / 1000, rel=1e-4)


@SEVERAL
@given(size, st.integers(-10, 60), st.integers(20, 200), st.integers(20, 200), st.data())
def test_two_parts_hot_are_each_as_large_as_they_grow(
    dia: float, um: int, hole_c: int, shaft_c: int, data: st.DataObject
) -> None:
    hole, shaft = (data.draw(st.sampled_from(METALS)) for _ in range(2))
    found = answer(
        "warm",
        size=dia,
        clear=um / 1000,
        hole_metal=hole,
        shaft_metal=shaft,
        hole_hot=f"{hole_c} C",
        shaft_hot=f"{shaft_c} C",
    )
    a, b = (WORKSHOP.metals[m]["expansion_um_per_m_k"] * 1e-6 for m in (hole, shaft))
    made = dia - um / 1000
    hot = dia * (1 + a * (hole_c - 20)) - made * (1 + b * (shaft_c - 20))
    assert found.clearance_hot_mm.value == near(hot, abs=1e-5)


@SEVERAL
@given(size, size, st.integers(20, 150))
def test_a_bond_is_an_area_at_a_radius(dia: float, long: float, um: int) -> None:
    found = answer("bond", size=dia, length=long, gap=um / 1000)
    share = 1.0 if um <= 100 else 1 - (um - 100) / 50 / 2
    strips = [15 * share * long * dia / 2 * radians(1) * dia / 2 / 1000 for _ in range(360)]
    assert found.holds_nm.value == near(sum(strips), rel=1e-4)


@SEVERAL
@given(st.integers(50, 400), st.integers(1, 300), st.integers(0, 40))
def test_packing_puts_the_middle_where_it_is_wanted(bar: int, throw: int, jaw: int) -> None:
    """A flat jaw with packing under it, two others on the bar: the bar's middle by contact."""
    d, e, b = bar / 10, throw / 100, max(jaw / 10, 0.01)
    assume(e < 0.3 * d)
    found = answer("throw", bar=d, throw=e, jaw=b)
    assume(found.packing_mm is not None)

    def jaw_at(angle: float, middle: float) -> float:
        """How far out a jaw's flat stands that touches a bar whose middle is off along x."""
        x, y = middle * cos(angle), -middle * sin(angle)
        side = abs(y) - b / 2
        return x + (d / 2 if side <= 0 else sqrt((d / 2) ** 2 - side**2))

    # Pushed away from the packing; the chuck closes all its jaws to one distance.
    others, packed = jaw_at(radians(120), -e), jaw_at(0.0, -e)
    assert found.packing_mm.value == near(others - packed, abs=2e-4)


@SEVERAL
@given(size, st.integers(10, 60), st.integers(5, 40))
def test_a_key_is_cut_to_its_depth_below_the_chord(dia: float, share: int, deep: int) -> None:
    wide, side = round(dia * share / 100, 2), round(dia * deep / 200, 2)
    found = answer("keyway", shaft=dia, width=wide, deep=side)
    # Off the round's top down to where the key's edges stand on it, by the circle's equation.
    top = dia / 2 - sqrt((dia / 2) ** 2 - (wide / 2) ** 2)
    assert found.chord_mm.value == near(top, abs=1e-4)


@SEVERAL
@given(size, st.sampled_from([2, 4, 6]), st.integers(50, 99))
def test_flats_leave_what_stands_between_them(dia: float, count: int, share: int) -> None:
    across = round(dia * share / 100, 3)
    found = answer("flats", bar=dia, shape=count, across=across)
    assert dia - 2 * found.depth_mm.value == near(across, abs=1e-4)
    half = sqrt((dia / 2) ** 2 - (across / 2) ** 2)
    corner = inf if count == 2 else across / 2 * tan(pi / count)
    assert found.wide_mm.value == near(2 * min(half, corner), abs=1e-3)


@SEVERAL
@given(size, size, st.integers(10, 900), st.sampled_from(["bare", "soft"]))
def test_a_grip_bears_friction_at_its_radius(dia: float, at: float, force: int, faces: str) -> None:
    found = answer("grip", dia=dia, at=at, force=force, faces=faces)
    holds = {"bare": 0.15, "soft": 0.2}[faces] * 5000 * dia / 2 / 1000 / 2
    asks = force * at / 2 / 1000
    assert (found.bears_nm.value, found.asks_nm.value) == (near(holds), near(asks))
    assert found.holds == ("slips" if asks > holds else "holds")


@SEVERAL
@given(st.integers(20, 200), st.integers(20, 300))
def test_an_eccentric_reaches_round_its_shaft(throw: int, shaft: int) -> None:
    e, s = throw / 20, shaft / 10
    found = answer("eccentric", throw=e, shaft=s)
    size_mm = found.sheave_mm.value
    # On the thin side the sheave's edge stands so far from the shaft's.
    assert found.thin_mm.value == near((size_mm / 2 - e) - s / 2, abs=1e-4)
    assert found.thin_mm.value >= max(s / 5, 1.0) - 1e-6 or size_mm / 2 - e - s / 2 > 0
    assert size_mm >= 4 * e - 1e-6


@SEVERAL
@given(st.sampled_from(THREADS), st.sampled_from(["outside", "inside"]), st.integers(2, 24))
def test_a_thread_is_as_deep_as_its_tip_goes(name: str, side: str, flat: int) -> None:
    """A sharp triangle of its angle, its crest cut off and its tip so wide: what lies between."""
    thread = find_thread(name)
    assume(thread.form.angle_deg == 60)
    p, wide = thread.pitch_mm, round(thread.pitch_mm * flat / 100, 4)
    found = answer("screwcut", thread=name, side=side, flat=wide)
    h = p / 2 / tan(radians(30))
    missing = wide / 2 / tan(radians(30))
    crest = h / 8 if side == "outside" else h / 4
    assert found.depth_mm.value == near(h - crest - missing, abs=2e-4)


@SEVERAL
@given(st.sampled_from(THREADS), st.integers(90, 115))
def test_a_wire_let_down_into_a_thread_stops_where_it_touches_both_flanks(
    name: str, share: int
) -> None:
    thread = find_thread(name)
    half = radians(thread.form.angle_deg / 2)
    wire = round(thread.pitch_mm / 2 / cos(half) * share / 100, 4)
    found = answer("wires", thread=name, wire=wire)
    effective = found.basic_mm.value
    # The groove is half a pitch wide at the effective diameter; lowered till it touches the wire.
    apex = effective / 2 - thread.pitch_mm / 4 / tan(half)
    middle = apex + wire / 2 / sin(half)
    top = 2 * (middle + wire / 2)
    between = (found.over_low_mm.value - top, found.over_high_mm.value - top)
    allowed = (found.low_mm.value - effective, found.high_mm.value - effective)
    assert between == (near(allowed[0], abs=6e-3), near(allowed[1], abs=6e-3))


@SEVERAL
@given(st.integers(2, 400))
def test_a_dividing_head_comes_round_to_its_first_mark(count: int) -> None:
    found = answer("divide", count=count)
    step = (found.turns + found.holes / found.circle) / 40 * 360
    assert step - 360 / count == near(found.error_deg.value, abs=1e-6)
    assert count * step - 360 == near(found.closes_deg.value, abs=1e-4)


@SEVERAL
@given(st.integers(12, 90), st.integers(4, 30))
def test_a_span_over_teeth_is_a_tangent_to_the_base_circle(teeth: int, tenths: int) -> None:
    """From flank to flank along the base tangent: base pitches and one base tooth."""
    m = tenths / 10
    found = answer("gear", teeth=teeth, module=m, pressure=20)
    alpha = radians(20)
    base = m * teeth * cos(alpha)
    tooth = base * (pi / 2 / teeth + tan(alpha) - alpha)
    k = found.over_teeth
    assert found.span_mm.value == near((k - 1) * pi * base / teeth + tooth, abs=2e-4)
    # It touches within half a pitch of the pitch circle's own radius.
    touch = hypot(base / 2, found.span_mm.value / 2)
    assert abs(touch - m * teeth / 2) < 1.25 * m


@SEVERAL
@given(st.integers(300, 2500), st.integers(10, 4500))
def test_a_sine_bar_stands_on_its_triangle(bar: int, hundredths: int) -> None:
    long, angle = bar / 10, hundredths / 100
    found = answer("sine", bar=long, angle=angle)
    assert degrees(asin(found.height_mm.value / long)) == near(angle, abs=1e-4)


@SEVERAL
@given(size, st.integers(10, 95), st.integers(50, 2000))
def test_a_taper_falls_by_its_length(large: float, share: int, tenths: int) -> None:
    small, long = round(large * share / 100, 3), tenths / 10
    found = answer("taper", large=large, small=small, long=long)
    assert found.angle_deg.value == near(degrees(atan((large - small) / 2 / long)), abs=1e-4)


@SEVERAL
@given(st.integers(2, 40), size, st.integers(-180, 180))
def test_holes_lie_on_their_circle_a_chord_apart(count: int, dia: float, start: int) -> None:
    found = answer("circle", count=count, circle=dia, start=start)
    at = np.array([(h.x_mm.value, h.y_mm.value) for h in found.holes])
    assert np.hypot(*at.T) == near(dia / 2, abs=2e-3)
    gaps = np.hypot(*(np.roll(at, -1, axis=0) - at).T)
    assert gaps == near(found.chord_mm.value, abs=3e-3)
    assert degrees(np.arctan2(at[0][1], at[0][0])) % 360 == near(start % 360, abs=0.1)


@SEVERAL
@given(size, st.integers(10, 50), st.integers(1, 12), st.integers(0, 20))
def test_parts_come_off_a_bar_one_behind_the_other(
    long: float, blade: int, count: int, facing: int
) -> None:
    b, more = blade / 10, {"facing": facing / 10} if facing else {}
    found = answer("part-off", length=long, blade=b, count=count, **more)
    at = 0.0
    for stop in found.stops:
        at += long + facing / 10
        # Its left edge touched: the whole blade lies beyond the part's end.
        assert stop.stop_mm.value == near(at + b, abs=1e-3)
        at += b


@SEVERAL
@given(st.integers(1, 300), size, size)
def test_a_lean_is_a_lean_over_any_base(um: int, over: float, base: float) -> None:
    found = answer("square", error=um / 1000, over=over, base=base)
    lean = atan(um / 1000 / over)
    assert found.shim_mm.value == near(base * tan(lean), abs=1e-5)
    assert found.angle_deg.value == near(degrees(lean), abs=1e-4)


@SEVERAL
@given(size, st.integers(5, 40), st.integers(1, 6))
def test_cuts_and_pieces_are_the_whole_block(total: float, kerf: int, cuts: int) -> None:
    k = kerf / 10
    assume(total > (cuts + 1) * (k + 1))
    found = answer("slit", total=total, kerf=k, cuts=cuts)
    assert (cuts + 1) * found.piece_mm.value + cuts * k == near(total, abs=1e-3)


@SEVERAL
@given(size, st.integers(100, 900), st.integers(1, 89))
def test_two_places_are_as_far_apart_as_their_chord(radius: float, circle: int, angle: int) -> None:
    found = answer("place", way="polar", radius=radius, angle=angle)
    z = complex(found.x_mm.value, found.y_mm.value)
    assert abs(z) == near(radius, abs=1e-4)
    assert degrees(acos(z.real / abs(z))) == near(angle, abs=1e-3)
    chord = answer("place", way="chord", circle=circle, angle=angle)
    assert chord.chord_mm.value == near(2 * circle / 2 * sin(radians(angle / 2)), abs=1e-3)
