"""Orders of making: every size in them is the one its own calculator gives; what cannot be stops."""

from __future__ import annotations

from math import pi
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask import ask as typed_line
from runk.core.catalogue import CATALOGUE
from runk.core.figures import instead_of
from runk.core.metals.metal import shipped_metals
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

THOU = 0.0254


def ask(name: str, **typed: str) -> Any:
    one = CATALOGUE[name]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def does(answer: Any, words: str) -> Any:
    return next(one for one in answer.steps if words in one.does)


@cases(25)
@given(st.integers(16, 80), st.integers(0, 2), st.sampled_from(["grey-iron", "gunmetal", "dural"]))
def test_a_pistons_sizes_are_those_its_own_calculators_give(
    bore: int, rings: int, metal: str
) -> None:
    rod = bore / 5
    got = ask("piston", bore=str(bore), rod=f"{rod}", rings=str(rings), metal=metal)
    light = shipped_metals()[metal].family == "aluminium"
    duty = "crown" if light else "ringed" if rings else "ringless"
    fit = ask("fit", size=str(bore), duty=duty)
    assert got.high_mm.value == pytest.approx(bore - fit.clearance_low_mm.value, abs=1e-6)
    assert got.low_mm.value == pytest.approx(bore - fit.clearance_high_mm.value, abs=1e-6)
    assert does(got, "finish the outside").size_mm.value == got.high_mm.value
    gland = ask("fit", size=f"{rod}", duty="rod")
    assert got.gland_low_mm.value == pytest.approx(rod + gland.clearance_low_mm.value, abs=1e-6)
    if rings:
        ring = ask("ring", bore=str(bore))
        assert got.groove_depth_mm.value == pytest.approx(ring.groove_depth_mm.value)
        assert ring.groove_width_mm.value <= got.groove_width_mm.value <= ring.groove_most_mm.value
    else:
        assert got.groove_width_mm is None
        assert not [one for one in got.steps if "groove" in one.does]


def test_its_drill_is_the_taps_and_its_rod_is_tried_before_it_is_on_it() -> None:
    got = ask("piston", bore="22", rod="4")
    tapped = ask("tap", thread="M3", metal="grey-iron", deep="13.2")
    assert got.drill_name == tapped.drill_name
    assert f"Drill {tapped.drill_name} and tap M3" in [one.does for one in got.steps]
    for school in ("rod", "bush"):
        order = [one.does for one in ask("piston", bore="22", rod="4", school=school).steps]
        tried = next(n for n, one in enumerate(order) if "cover and gland" in one)
        fixed = next(n for n, one in enumerate(order) if one.startswith("Screw"))
        assert tried < fixed
    own = [one.does for one in got.steps]
    assert own.index("Screw the piston on against the shoulder") < own.index("Cut the grooves")


def test_the_bend_of_the_rod_is_a_beams() -> None:
    """Iron at 1160, 0.26; a last cut of 0.05 by 0.05 with HSS, half of it pushing aside."""
    got = ask("piston", bore="22", rod="4", out="30")
    force = 0.5 * 1160 * 0.05**-0.26 * 1.3 * 0.05 * 0.05
    spring = force * 30**3 / (3 * 205000 * pi * 4**4 / 64)
    assert got.bend_mm.value == pytest.approx(2 * spring)
    far = ask("piston", bore="22", rod="4", out="80")
    assert worded(instead_of(far.cautions), PageUnit.MM) == "a centre in its end, or a split bush"
    assert not instead_of(ask("piston", bore="22", rod="4", out="80", school="bush").cautions)


def test_the_spigot_stands_its_cut_to_a_third_of_the_yield() -> None:
    got = ask("piston", bore="22", rod="4", metal="brass")
    brass = shipped_metals()["brass"]
    force = 780 * 0.08**-0.18 * 1.3 * 0.5 * 0.08
    bent = 32 * force * (13.2 + 3) / (pi * got.spigot_mm.value**3)
    assert bent == pytest.approx(brass["rp02_n_per_mm2"] / 3)


def test_joints_of_a_crank_hold_as_bond_says() -> None:
    """Bores a gap over ground bar; 15 N/mm² over pi d L at d/2, and a pin twice sheared."""
    got = ask("crank", stroke="24", main="8", pin="7", thick="5")
    assert (got.main_low_mm.value, got.main_high_mm.value) == pytest.approx(
        (8 + THOU, 8 + 2 * THOU)
    )
    assert got.holds_nm.value == pytest.approx(15 * pi * 7 * 5 * 3.5 / 1000)
    bond = ask("bond", size="7", length="5", boss_metal="mild-steel", shaft_metal="mild-steel")
    assert got.holds_nm.value == pytest.approx(bond.holds_nm.value)
    pinned = ask(
        "bond", size="7", length="5", pin="1.75", boss_metal="mild-steel", shaft_metal="mild-steel"
    )
    assert got.crossed_nm.value == pytest.approx(pinned.pin_nm.value)


def test_a_cylinder_that_asks_more_than_its_joints_hold_is_stopped() -> None:
    weak = ask(
        "crank", stroke="24", main="8", pin="7", bore="22", pressure="80 psi", metal="stainless-303"
    )
    asked = 80 * 0.00689476 * pi / 4 * 22**2 * 12 / 1000
    assert weak.asked_nm.value == pytest.approx(asked, rel=1e-4)
    assert instead_of(weak.cautions)
    strong = ask(
        "crank", stroke="24", main="11.2", pin="10.2", thick="9", bore="22", pressure="80 psi"
    )
    assert not instead_of(strong.cautions)
    assert strong.says.startswith("It holds")


def test_a_solid_crank_comes_out_of_the_bar_its_throw_says() -> None:
    got = ask("crank", way="solid", stroke="30", main="10", pin="9", long="120")
    throw = ask("throw", stroke="30", main="10", pin="9")
    assert got.bar_mm.value == throw.bar_mm.value == 39
    assert got.swing_mm.value == 39 + 30
    assert got.rough_mm.value == pytest.approx(10 + 5 * THOU)
    order = [one.does for one in got.steps]
    assert order[-1].startswith("Ends, threads and keyways")
    assert does(got, "Pack between").size_mm.value == 10


@pytest.mark.parametrize(
    ("name", "typed", "field"),
    [
        ("piston", {"bore": "22"}, "rod"),
        ("piston", {"bore": "22", "rod": "12"}, "rod"),
        ("piston", {"bore": "22", "rod": "4", "thread": "M5"}, "thread"),
        ("piston", {"bore": "22", "rod": "4", "rings": "6"}, "rings"),
        ("piston", {"bore": "22", "rod": "4", "out": "10"}, "out"),
        ("piston", {"bore": "22", "rod": "4", "tool": "3"}, "tool"),
        ("crank", {"main": "8", "pin": "7"}, "stroke"),
        ("crank", {"stroke": "24", "throw": "12", "main": "8", "pin": "7"}, "throw"),
        ("crank", {"stroke": "10", "main": "8", "pin": "7"}, "pin"),
        ("crank", {"stroke": "24", "main": "8", "pin": "7", "pressure": "5 bar"}, "bore"),
        ("crank", {"stroke": "24", "main": "8", "pin": "7", "across": "5"}, "across"),
        ("crank", {"stroke": "24", "main": "8", "pin": "7", "long": "20"}, "long"),
        ("crank", {"way": "solid", "stroke": "200", "main": "10", "pin": "10"}, "stroke"),
        (
            "crank",
            {"way": "solid", "stroke": "20", "main": "10", "pin": "10", "long": "900"},
            "long",
        ),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(
    name: str, typed: dict[str, str], field: str
) -> None:
    with pytest.raises(Refused) as refused:
        ask(name, **typed)
    assert refused.value.field == field


@pytest.mark.parametrize("page", list(PageUnit))
@pytest.mark.parametrize(
    ("line", "name", "key", "value"),
    [
        ("make a piston 22 mm bore 4 mm rod", "piston", "high_mm", 22 - 22 / 25.4 * THOU),
        (
            "make a piston 11/16 in bore 5/32 in rod no rings",
            "piston",
            "low_mm",
            17.4625 - 0.5 * 0.6875 * THOU,
        ),
        ("built up crank stroke 24 mm main 8 mm pin 7 mm", "crank", "throw_mm", 12),
        (
            "crankshaft from the solid stroke 1 1/2 in main 3/8 in pin 3/8 in 120 mm long",
            "crank",
            "bar_mm",
            47.625,
        ),
    ],
)
def test_lines_of_orders(line: str, name: str, key: str, value: float, page: PageUnit) -> None:
    asked = typed_line(line, WORKSHOP, page)
    assert asked.calculator.name == name
    assert getattr(asked.answer, key).value == pytest.approx(value)
