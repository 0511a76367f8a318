"""O-ring grooves against the published table a package ships; glands and lapping by geometry.

``bd-warehouse`` ships gland tables of its own; the table in core is recalled from handbooks. The
two differ by a few hundredths, as handbooks do among each other.
"""

from __future__ import annotations

from math import pi
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask import ask as typed_line
from runk.core.catalogue import CATALOGUE
from runk.core.figures import instead_of
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.rings.oring import gland_for, sections
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases
from tests.reference.packages import rows

_DYNAMIC = {
    float(row["w"]): row for row in rows("bd-warehouse", "o-ring_dynamic_gland_parameters.csv")
}
_STATIC = {
    float(row["w"]): row for row in rows("bd-warehouse", "o-ring_static_gland_parameters.csv")
}


def ask(**typed: str) -> Any:
    one = CATALOGUE["seal"]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def test_the_sections_are_those_published() -> None:
    assert set(sections()) == set(_DYNAMIC) == set(_STATIC)


@pytest.mark.parametrize("section", sorted(_DYNAMIC))
def test_grooves_are_those_published(section: float) -> None:
    gland, moving, still = gland_for(section), _DYNAMIC[section], _STATIC[section]
    near = max(0.03 * section, 0.04)
    assert gland.moving == pytest.approx((float(moving["d_min"]), float(moving["d_max"])), abs=near)
    assert gland.still == pytest.approx(
        (float(still["d_r_min"]), float(still["d_r_max"])), abs=1.6 * near
    )
    width = float(moving["g_w_0"])
    assert gland.wide[0] - near <= width <= gland.wide[1] + near
    assert gland.clear_mm == pytest.approx(float(moving["clr_max"]), abs=0.035)
    assert float(moving["g_r_min"]) - 0.01 <= gland.corner_mm <= float(moving["g_r_max"])


@pytest.mark.parametrize("section", sorted(_DYNAMIC))
def test_squeeze_lies_in_the_published_range(section: float) -> None:
    size = f"{section * 12:.2f}"
    for moves, table, key in (("moving", _DYNAMIC, "sq_p"), ("still", _STATIC, "sq_r_p")):
        got = ask(kind="piston", bore=size, section=f"{section}", moves=moves)
        low, high = float(table[section][f"{key}_min"]), float(table[section][f"{key}_max"])
        assert low - 1 <= got.squeeze_percent.value <= high + 1


@cases(50)
@given(st.integers(9, 80), st.sampled_from(["moving", "still"]))
def test_between_the_tables_sections_no_groove_is_full_nor_slack(tenths: int, moves: str) -> None:
    """A ring squeezed keeps its area: it never fills its groove, and never lies loose in it."""
    section = tenths / 10
    got = ask(kind="rod", rod=f"{section * 8}", section=f"{section}", moves=moves)
    deep, wide = got.groove_depth_mm.value, got.wide_low_mm.value
    assert got.fill_percent.value == pytest.approx(pi / 4 * section**2 / (deep * wide) * 100)
    assert 55 < got.fill_percent.value < 90
    assert 8 < got.squeeze_percent.value < 32
    assert not instead_of(got.cautions)
    assert got.floor_low_mm.value < got.floor_high_mm.value
    assert got.floor_low_mm.value == pytest.approx(section * 8 + 2 * deep, abs=0.3)


def test_on_a_piston_and_round_a_rod_the_groove_lies_the_other_way() -> None:
    piston, rod = (
        ask(kind="piston", bore="22", section="1.78"),
        ask(kind="rod", rod="22", section="1.78"),
    )
    assert piston.floor_high_mm.value == pytest.approx(22 - 2 * 1.40)
    assert rod.floor_low_mm.value == pytest.approx(22 + 2 * 1.40)
    assert piston.ring_id_mm.value == pytest.approx(19.15 / 1.02)
    assert rod.ring_id_mm.value == 22


@pytest.mark.parametrize(("rod", "space"), [(3.175, 1.5875), (6.35, 2.38125), (4.7625, 1.984)])
def test_packing_space_is_the_trades(rod: float, space: float) -> None:
    """1/16 to 3/32 in round a 1/8 to 1/4 in rod, common practice."""
    got = ask(kind="packing", rod=f"{rod}", turns="3")
    assert got.space_mm.value == pytest.approx(space, abs=1e-3)
    assert got.box_mm.value == pytest.approx(rod + 2 * space, abs=2e-3)
    assert got.box_deep_mm.value == pytest.approx(4 * space, abs=4e-3)
    assert got.turn_mm.value == pytest.approx(pi * (rod + space), abs=4e-3)
    # Over to one side in its box, at their loosest and tightest, it still clears the rod.
    in_box = (got.box_mm.value - got.follower_low_mm.value) / 2
    on_rod = (got.follower_bore_low_mm.value - rod) / 2
    assert 0 < in_box < on_rod


def test_a_lapped_piston_is_the_fits_duty() -> None:
    """0.2 to 0.5 thou an inch, common practice; turned over its last size, never under."""
    got = ask(kind="lapped", bore="25.4")
    assert got.high_mm.value == pytest.approx(25.4 - 0.2 * 0.0254)
    assert got.low_mm.value == pytest.approx(25.4 - 0.5 * 0.0254)
    assert got.before_mm.value > got.high_mm.value


@pytest.mark.parametrize(
    ("typed", "field"),
    [
        ({"kind": "piston"}, "bore"),
        ({"kind": "rod"}, "rod"),
        ({"kind": "piston", "bore": "5", "section": "3"}, "section"),
        ({"kind": "piston", "bore": "90", "section": "12"}, "section"),
        ({"kind": "rod", "rod": "4", "section": "0.5"}, "section"),
        ({"kind": "packing", "rod": "4", "space": "8"}, "space"),
        ({"kind": "packing", "rod": "4", "turns": "1"}, "turns"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(typed: dict[str, str], field: str) -> None:
    with pytest.raises(Refused) as refused:
        ask(**typed)
    assert refused.value.field == field


@pytest.mark.parametrize(
    ("line", "key", "value"),
    [
        ("o-ring on a piston 22 bore", "floor_high_mm", 19.2),
        ("o-ring round a 4 mm rod", "floor_low_mm", 4 + 2 * 0.79),
        ("o ring groove for 1/4 rod section 1.78 static", "floor_low_mm", 6.35 + 2 * 1.27),
        ("packed gland 5/32 rod", "space_mm", 1.5875 + (3.96875 - 3.175) / 4),
        ("stuffing box 1/4 rod 3 turns", "box_deep_mm", 4 * 2.38125),
        ("lap a ringless piston 22 bore", "high_mm", 22 - 0.2 * 22 / 1000),
    ],
)
def test_lines_of_seals(line: str, key: str, value: float) -> None:
    asked = typed_line(line, WORKSHOP, PageUnit.MM)
    assert asked.calculator.name == "seal"
    assert getattr(asked.answer, key).value == pytest.approx(value, abs=1e-3)
