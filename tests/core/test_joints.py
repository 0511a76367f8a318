"""Pressed, shrunk and bonded: what is advised is borne, what is impossible refused."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.figures import instead_of
from runk.core.fits.compounds import compounds, gap_share, heat_share
from runk.core.fits.heat import bears
from runk.core.fits.joint import bears_mpa
from runk.core.metals.metal import shipped_metals
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases

METALS = sorted(k for k in shipped_metals() if not k.endswith("skin"))
SIZES = st.integers(2, 400).map(lambda n: n / 4)


def ask(name: str, **typed: str) -> Any:
    calculator = CATALOGUE[name]
    return calculator.ask(
        read_question(calculator, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP
    )


@cases(80)
@given(
    SIZES, st.floats(1.1, 4), st.sampled_from(METALS), st.sampled_from(["press", "drive", "shrink"])
)
def test_what_a_class_is_made_to_is_borne(size: float, times: float, metal: str, by: str) -> None:
    """Nobody who types no interference is told one that yields the boss."""
    answer = ask("press", size=f"{size}", hub=f"{size * times:.4f}", boss_metal=metal, by=by)
    assert not instead_of(answer.cautions)
    assert answer.hoop_mpa.value <= bears_mpa(shipped_metals()[metal]) * (1 + 1e-9)
    assert 0 <= answer.tight_low_mm.value <= answer.tight_high_mm.value
    assert answer.pressure_low_mpa.value <= answer.pressure_mpa.value


@cases(60)
@given(SIZES, st.sampled_from(METALS))
def test_no_boss_is_told_a_heat_it_does_not_bear(size: float, metal: str) -> None:
    answer = ask("shrink", size=f"{size}", boss_metal=metal)
    limit = bears(shipped_metals()[metal]).bears_c
    if not instead_of(answer.cautions):
        assert answer.heat_c.value <= limit + 0.5
    assert answer.both_c.value < answer.heat_c.value
    if answer.cool_c is not None:
        assert answer.cool_c.value >= -196


def test_an_interference_that_yields_the_boss_is_stopped_with_one_that_does_not() -> None:
    answer = ask("press", size="11", hub="16", tight="0.08")
    instead = worded(instead_of(answer.cautions), PageUnit.MM)
    most = float(instead.split()[0])
    assert instead.endswith("of interference at most")
    again = ask("press", size="11", hub="16", tight=f"{most - 0.0005:.4f}")
    assert not instead_of(again.cautions)


def test_iron_is_stopped_at_half_its_strength() -> None:
    assert (
        "may crack"
        in ask("press", size="20", hub="40", boss_metal="grey-iron", tight="0.1").cautions[0].says
    )


def test_a_hollow_shaft_gives_way_before_a_thick_boss() -> None:
    solid = ask("press", size="20", hub="60", tight="0.02")
    hollow = ask("press", size="20", hub="60", hollow="16", tight="0.02")
    assert hollow.pressure_mpa.value < solid.pressure_mpa.value
    thin = ask("press", size="20", hub="60", hollow="19", tight="0.2")
    assert "hollow shaft" in thin.cautions[0].about


@pytest.mark.parametrize(
    ("name", "typed", "field", "says"),
    [
        ("press", {"size": "20", "hub": "20"}, "hub", "no metal round"),
        ("press", {"size": "20", "hub": "12"}, "hub", "no metal round"),
        ("press", {"size": "20", "hollow": "20"}, "hollow", "no shaft"),
        ("press", {"size": "0"}, "size", "more than 0"),
        ("press", {"size": "251"}, "size", "250 mm"),
        (
            "press",
            {"size": "20", "tight": "0.01", "least": "0.02"},
            "least",
            "over the interference",
        ),
        ("shrink", {"size": "20", "room": "-300 C"}, "room", "at least"),
        ("shrink", {"size": "20", "tight": "3"}, "tight", "at most"),
        ("bond", {"size": "20", "hot": "-274 C"}, "hot", "at least"),
        ("bond", {"size": "20", "compound": "jam"}, "compound", "I do not know `"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(
    name: str, typed: dict[str, str], field: str, says: str
) -> None:
    with pytest.raises(Refused) as refused:
        ask(name, **typed)
    assert refused.value.field == field
    assert says in refused.value.said(PageUnit.MM)


@given(st.floats(0, 0.4), st.floats(0, 0.4))
def test_a_wider_gap_and_more_heat_never_hold_more(gap: float, more: float) -> None:
    for one in compounds().values():
        wide = one.gap_low_mm + gap
        assert 1 >= gap_share(one, wide) >= gap_share(one, wide + more) >= 0
        assert gap_share(one, min(gap, one.gap_low_mm)) <= gap_share(one, one.gap_low_mm) == 1
        assert 1 >= heat_share(one, gap * 500) >= heat_share(one, (gap + more) * 500) >= 0


def test_a_bond_holds_its_area_times_its_strength() -> None:
    """Ten millimetres round and ten long at 15 N/mm²: 4712 N, and 23.6 Nm by hand."""
    answer = ask("bond", size="10", length="10")
    assert answer.holds_n.value == pytest.approx(4712, abs=1)
    assert answer.holds_nm.value == pytest.approx(23.56, abs=0.01)
    half = ask("bond", size="10", length="10", gap="0.15")
    assert half.holds_nm.value == pytest.approx(answer.holds_nm.value / 2)
    steel = ask("bond", size="10", length="10", shaft_metal="stainless 303")
    assert steel.holds_nm.value == pytest.approx(answer.holds_nm.value / 2)
    assert (answer.gap_low_mm.value, answer.gap_high_mm.value) == (0.02, 0.1)


def test_a_cut_the_bond_does_not_stand_is_stopped_with_one_it_does() -> None:
    light = ask("bond", size="12", length="10", turned="60", cut="0.25", feed="0.05")
    assert light.stands.startswith("It stands")
    heavy = ask("bond", size="4", length="3", turned="60", cut="2", feed="0.2")
    instead = worded(instead_of(heavy.cautions), PageUnit.MM)
    if instead[0].isdigit():
        less = instead.split()[0]
        again = ask("bond", size="4", length="3", turned="60", cut=less, feed="0.2")
        assert again.cut_nm.value <= again.stands_nm.value * 1.3
    assert heavy.cut_nm.value > heavy.stands_nm.value


def test_the_ways_are_weighed_side_by_side_and_alike_wherever_they_are_asked() -> None:
    """One joint is one joint: press, shrink and bond show the same table."""
    typed = {"size": "11", "hub": "24", "length": "8"}
    tables = [ask(name, **typed).ways for name in ("press", "shrink", "bond")]
    assert tables[0] == tables[1] == tables[2]
    by = {way.way: way.holds_nm.value for way in tables[0]}
    assert by["retaining compound"] == pytest.approx(ask("bond", **typed).holds_nm.value)
    assert by["press fit"] == pytest.approx(ask("press", **typed).torque_nm.value)
    assert by["shrink fit"] == pytest.approx(ask("shrink", **typed).torque_nm.value)


def test_a_joint_is_handed_on_whole() -> None:
    """From press to shrink and back every size and metal is the same."""
    first = ask("press", size="3/8 in", hub="20", length="9", boss_metal="brass", tight="0.01")
    for link in first.links:
        if link.calculator not in ("shrink", "bond"):
            continue
        question = read_question(
            CATALOGUE[link.calculator], dict(link.question), PageUnit.INCH, WORKSHOP
        ).question
        assert float(question.size) == pytest.approx(9.525)
        assert (float(question.hub), float(question.length)) == pytest.approx((20, 9))
        assert question.boss_metal == "brass"
        if link.calculator == "shrink":
            assert float(question.tight) == pytest.approx(0.01)


@cases(40)
@given(SIZES, st.sampled_from(METALS), st.floats(0.01, 1.5))
def test_what_a_stop_says_instead_is_itself_not_stopped(
    size: float, metal: str, share: float
) -> None:
    """Too tight for the boss and too hot for its metal: the number told keeps to both."""
    tight = size * share / 100
    answer = ask("shrink", size=f"{size}", boss_metal=metal, tight=f"{max(tight, 0.001):.4f}")
    instead = worded(instead_of(answer.cautions), PageUnit.MM)
    if "interference at most" not in instead:
        return
    less = float(instead.split()[0]) - 0.0006
    if less > 0.0005:
        again = ask("shrink", size=f"{size}", boss_metal=metal, tight=f"{less:.4f}")
        assert not instead_of(again.cautions)
