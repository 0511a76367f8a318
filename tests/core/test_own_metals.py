"""Metals of one's own: a copy with figures changed, used wherever a metal is."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask import ask
from runk.core.metals import shipped_metals
from runk.core.metals.own import FIGURES, MINE, OwnMetal, check_own, metal_of, with_own
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import WORKSHOP
from runk.store.database import Store
from runk.store.kept import Stale
from runk.store.metals import add_metal, bring_metal_back, delete_metal, list_metals, save_metal
from runk.store.workshop import WorkshopReader

SCRAP = OwnMetal("scrapbox-brass-mine", "scrapbox brass", "brass", figures={"hss_m_min": 60.0})
HARD = OwnMetal("hard-iron-mine", "hard iron", "grey-iron", figures={"hss_m_min": 12.0})
COPIED = [m for m in shipped_metals().values() if not m.key.endswith("-skin")]


def _with(*owned: OwnMetal) -> Workshop:
    return replace(WORKSHOP, metals=with_own(owned))


@pytest.mark.parametrize("name", FIGURES)
def test_every_shipped_figure_is_within_its_own_bounds(name: str) -> None:
    for like in COPIED:
        assert FIGURES[name].low <= like[name] <= FIGURES[name].high, like.key


@given(st.sampled_from(COPIED), st.sampled_from(sorted(FIGURES)), st.floats(0.01, 1))
def test_only_the_changed_figure_is_mine(like: object, name: str, share: float) -> None:
    bounds, key = FIGURES[name], like.key  # type: ignore[attr-defined]
    value = bounds.low + share * (bounds.high - bounds.low)
    made = metal_of(OwnMetal("x-mine", "X metal", key, figures={name: value}))
    for figure, shipped in shipped_metals()[key].properties.items():
        if figure == name:
            assert (made[figure], made.source(figure)) == (value, MINE)
        else:
            assert made.properties[figure] == shipped


def test_ask_answers_for_it_and_its_working_says_mine() -> None:
    workshop = _with(SCRAP)
    mine = ask("turn 20mm scrapbox brass hss", workshop, PageUnit.MM)
    shipped = ask("turn 20mm brass hss", workshop, PageUnit.MM)
    assert "scrapbox brass" in mine.read_as
    assert mine.answer.target_rpm.value == pytest.approx(
        shipped.answer.target_rpm.value * 60 / shipped_metals()["brass"]["hss_m_min"]
    )
    assert {s.source.tag for s in mine.answer.target_rpm.steps} >= {"yours"}
    assert "yours" not in {s.source.tag for s in shipped.answer.target_rpm.steps}


def test_a_casting_of_ones_own_has_a_skin_that_is_harder_still() -> None:
    line = "turn 20mm hard iron hss skin"
    answer = ask(line, _with(HARD), PageUnit.MM).answer
    shipped = ask("turn 20mm grey cast iron hss skin", WORKSHOP, PageUnit.MM).answer
    ratio = 12 / shipped_metals()["grey-iron"]["hss_m_min"]
    assert answer.target_rpm.value == pytest.approx(shipped.target_rpm.value * ratio)
    assert answer.then is not None
    assert answer.then.target_rpm.value > answer.target_rpm.value


def test_an_offcut_may_turn_out_to_be_it() -> None:
    light = replace(SCRAP, figures={"density_g_cm3": 5.0})
    asked = ask("which metal 20 mm round 50 long 78.5 g", _with(light), PageUnit.MM)
    assert asked.answer.verdict == "scrapbox brass"


@pytest.mark.parametrize(
    ("changed", "field", "says"),
    [
        ({"name": "brass"}, "name", "already"),
        ({"name": "cz121"}, "name", "already"),
        ({"name": "  "}, "name", "Give the metal a name"),
        ({"name": "=cmd|x"}, "name", "Give the metal a name"),
        ({"name": "42"}, "name", "Give the metal a name"),
        ({"name": "x" * 41}, "name", "40 characters"),
        ({"designation": "x" * 41}, "designation", "40 characters"),
        ({"like": "unobtainium"}, "like", "copied from"),
        ({"like": "grey-iron-skin"}, "like", "copied from"),
        ({"magnet": "maybe"}, "magnet", "magnet"),
        ({"figures": {"hss_m_min": 0.0}}, "figures.hss_m_min", "cannot be"),
        ({"figures": {"hss_m_min": float("nan")}}, "figures.hss_m_min", "cannot be"),
        ({"figures": {"density_g_cm3": 8470.0}}, "figures.density_g_cm3", "cannot be"),
        ({"figures": {"tastes": 1.0}}, "figures", "no figure called"),
        ({"figures": {"rp02_n_per_mm2": 900.0}}, "figures.rp02_n_per_mm2", "yield"),
    ],
)
def test_what_could_not_be_a_metal_is_refused(
    changed: dict[str, object], field: str, says: str
) -> None:
    with pytest.raises(Refused) as caught:
        check_own(replace(SCRAP, **changed), shipped_metals())  # type: ignore[arg-type]
    assert caught.value.field == field
    assert says in caught.value.says


def test_kept_whole_with_a_version_and_undo(store: Store) -> None:
    with store.writing() as session:
        kept = add_metal(session, replace(SCRAP, name=" Scrapbox   brass "))
        assert kept.metal == replace(SCRAP, name="Scrapbox brass")
    changed = replace(SCRAP, figures={"e_gpa": 90.0})
    with store.writing() as session:
        assert save_metal(session, kept.metal.key, 1, changed).version == 2
    with store.writing() as session, pytest.raises(Stale) as caught:
        save_metal(session, kept.metal.key, 1, SCRAP)
    assert caught.value.theirs.metal == changed
    with store.writing() as session:
        delete_metal(session, kept.metal.key)
        assert list_metals(session) == []
        again = add_metal(session, SCRAP)
        assert again.metal.key == "scrapbox-brass-2-mine"
        with pytest.raises(Refused, match="already"):
            bring_metal_back(session, kept.metal.key)
        delete_metal(session, again.metal.key)
        assert bring_metal_back(session, kept.metal.key).metal == changed


def test_the_snapshot_follows_what_is_kept(store: Store) -> None:
    reader = WorkshopReader(store, WORKSHOP)
    assert reader.workshop().metals == shipped_metals()
    with store.writing() as session:
        key = add_metal(session, HARD).metal.key
    assert reader.workshop().metals[key]["hss_m_min"] == 12.0
    assert f"{key}-skin" in reader.workshop().metals
    # A metal of one's own does not bring machines: those still stand in.
    assert reader.workshop().machines == WORKSHOP.machines
    assert reader.standing_in
