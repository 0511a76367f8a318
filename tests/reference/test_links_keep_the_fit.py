"""What one room works out arrives in the next: clearance, interference, metals, what is made first.

Sums are reckoned here from Lame's rings, linear expansion (20 degrees cold) and plain differences;
the duties' figures are common practice and stand in docs/sources.md.
"""

from __future__ import annotations

from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask.ask import ask
from runk.core.catalogue import CATALOGUE
from runk.core.figures import Link
from runk.core.fits.mate_question import Make
from runk.core.fits.mate_ways import ways_out
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases


def asked(name: str, typed: dict[str, str]) -> tuple[Any, Any]:
    read = read_question(CATALOGUE[name], typed, PageUnit.MM, WORKSHOP)
    return read.question, CATALOGUE[name].ask(read.question, WORKSHOP)


def answer(name: str, **typed: str) -> Any:
    return asked(name, typed)[1]


def link_to(found: Any, name: str, has: str = "") -> Link:
    return next(k for k in found.links if k.calculator == name and has in k.reason)


def followed(found: Any, name: str, has: str = "") -> tuple[Any, Any]:
    return asked(name, dict(link_to(found, name, has).question))


def stops(found: Any) -> list[str]:
    return [c.about for c in found.cautions if c.word == "Stop"]


@cases(40)
@given(
    st.sampled_from(("grey-iron", "mild-steel", "brass")),
    st.sampled_from(("aluminium-6082", "phosphor-bronze", "mild-steel", "grey-iron")),
    st.integers(6, 60),
    st.integers(30, 250),
    st.integers(30, 250),
    st.sampled_from(("running", "crown", "slide", "")),
)
def test_limits_out_of_hot_and_cold_do_not_seize(
    hole: str, shaft: str, size: int, hot: int, shaft_hot: int, duty: str
) -> None:
    typed = {
        "size": f"{size}",
        "hole_metal": hole,
        "hole_hot": f"{hot} C",
        "shaft_metal": shaft,
        "shaft_hot": f"{shaft_hot} C",
    }
    found = answer("warm", **typed, **({"duty": duty} if duty else {}))
    question, fit = followed(found, "fit")
    assert (question.hole_metal, question.shaft_metal) == (hole, shaft)
    # Each at its heat, by linear expansion; the tightest pair the limits allow.
    grown = [
        1 + WORKSHOP.metals[m]["expansion_um_per_m_k"] * (c - 20) * 1e-6
        for m, c in ((hole, hot), (shaft, shaft_hot))
    ]
    tightest = fit.hole_low_mm.value * grown[0] - fit.shaft_high_mm.value * grown[1]
    assert tightest > -3e-4
    if not stops(found):
        # And no tighter cold than what was just worked out, or what its duty asks.
        least = min(found.clearance_cold_mm.value, fit.clearance_low_mm.value + 1e-4)
        assert fit.clearance_low_mm.value >= least - 2e-4


@cases(60)
@given(
    st.sampled_from(("press", "shrink")),
    st.sampled_from(("mild-steel", "grey-iron", "brass", "gunmetal", "aluminium-6082")),
    st.sampled_from(("silver-steel", "mild-steel", "phosphor-bronze")),
    st.integers(3, 40),
    st.integers(115, 300),
    st.sampled_from(("", "0.006", "0.01")),
)
def test_limits_out_of_a_joint_are_never_tighter_than_it(
    name: str, boss: str, shaft: str, size: int, hub: int, tight: str
) -> None:
    typed = {
        "size": f"{size}",
        "hub": f"{size * hub / 100:.2f}",
        "boss_metal": boss,
        "shaft_metal": shaft,
    }
    found = answer(name, **typed, **({"tight": tight} if tight else {}))
    question, fit = followed(found, "fit")
    assert (question.hole_metal, question.shaft_metal) == (boss, shaft)
    most = float(tight) if tight else found.tight_high_mm.value
    assert fit.shaft_high_mm.value - fit.hole_low_mm.value <= most + 1e-6
    assert fit.clearance_high_mm.value <= 1e-6
    # And the other way of joining makes no Stop that this one had not.
    other = "shrink" if name == "press" else "press"
    _, same = followed(found, other)
    if "the boss" not in stops(found) and "the shaft" not in stops(found):
        assert not {"the boss", "the shaft"} & set(stops(same))
    assert same.tight_high_mm.value <= most + 1e-9
    # Back from its limits to the joint: the same metals, no more interference.
    _, back = followed(fit, "press")
    assert back.tight_high_mm.value <= most + 1e-4


@cases(60)
@given(
    st.sampled_from(("press", "shrink")),
    st.sampled_from(("aluminium-6082", "brass", "mild-steel", "grey-iron")),
    st.sampled_from(("silver-steel", "brass", "aluminium-6082")),
    st.integers(5, 40),
    st.integers(4, 40),
    st.integers(-20, 200),
)
def test_what_holds_at_work_is_what_heat_leaves(
    name: str, boss: str, shaft: str, size: int, um: int, hot: int
) -> None:
    """Both parts grow by themselves, cold at 20; Lame makes the rest in step with the tightness."""
    typed = {"size": f"{size}", "boss_metal": boss, "shaft_metal": shaft, "hub": f"{3 * size}"}
    cold = answer(name, **typed, tight=f"{um / 1000}")
    warm = answer(name, **typed, tight=f"{um / 1000}", hot=f"{hot} C")
    grow = [
        size * WORKSHOP.metals[m]["expansion_um_per_m_k"] * (hot - 20) * 1e-6 for m in (shaft, boss)
    ]
    at_work = um / 1000 + grow[0] - grow[1]
    least, most = min(um / 1000, at_work), max(um / 1000, at_work)
    for found, mm in ((cold, um / 1000), (warm, least)):
        left = max(mm - 0.005, 0)
        reference = cold.pressure_mpa.value / (um / 1000)
        push = 0.08 * reference * left * 3.14159265 * size * size
        assert found.holds_n.value == pytest.approx(push, rel=1e-4, abs=1e-6)
    assert warm.pressure_mpa.value == pytest.approx(
        cold.pressure_mpa.value * most / (um / 1000), rel=1e-6
    )
    loose = [c for c in warm.cautions if c.about in ("at work", "the loosest")]
    assert bool(loose) is (least <= 0.005 + 1e-9)


def test_a_fit_hands_its_metals_and_its_own_least_to_the_joint() -> None:
    fit = answer("fit", size="22", hole="H7", shaft="p6", hole_metal="grey-iron")
    question, joint = followed(fit, "press")
    assert question.boss_metal == "grey-iron"
    # Lame, iron ring twice its bore on steel: 13.6 kN at 0.035 and a friction of 0.12.
    assert joint.force_n.value == pytest.approx(13_626 / 0.12 * 0.2, rel=0.02)
    # H7/p6 of 3/8 in may come size to size by the standard: it then holds nothing.
    nothing = answer("fit", size="3/8 in", hole="H7", shaft="p6")
    _, loose = followed(nothing, "press")
    assert loose.holds_n.value == 0
    assert [c.about for c in loose.cautions if c.about == "the loosest"]


@pytest.mark.parametrize(
    ("name", "typed", "has", "shaft"),
    [
        ("eccentric", {"travel": "5", "shaft": "8", "sheave": "16.5"}, "strap", 16.5),
        ("eccentric", {"travel": "5", "shaft": "8", "sheave": "16.5"}, "on its shaft", 8.0),
        ("piston", {"bore": "22", "rod": "4"}, "gland", 4.0),
        ("seal", {"kind": "packing", "rod": "4"}, "cover", 4.0),
        ("seal", {"kind": "rod", "rod": "6"}, "cover", 6.0),
        ("bond", {"size": "8"}, "gap", 8.0),
        ("crank", {"way": "solid", "stroke": "24", "main": "8", "pin": "7"}, "journals", 8.0),
    ],
)
def test_a_shaft_that_keeps_its_size_keeps_it_in_the_next_room(
    name: str, typed: dict[str, str], has: str, shaft: float
) -> None:
    _, fit = followed(answer(name, **typed), "fit", has)
    assert (fit.shaft_low_mm.value, fit.shaft_high_mm.value) == (shaft, shaft)
    assert fit.hole_low_mm.value >= shaft + (-0.003 if has == "on its shaft" else 0)


def test_both_rooms_say_one_strap_one_gland_one_web() -> None:
    eccentric = answer("eccentric", travel="5", shaft="8", sheave="16.5")
    _, fit = followed(eccentric, "fit", "strap")
    assert fit.hole_low_mm.value == pytest.approx(eccentric.strap_low_mm.value, abs=1e-4)
    assert fit.hole_high_mm.value == pytest.approx(eccentric.strap_high_mm.value, abs=1e-4)
    # A crank's web: 1 to 2 thou over ground bar.
    built = answer("crank", stroke="24", main="8", pin="7")
    _, bond = followed(built, "bond", "shaft")
    _, web = followed(bond, "fit")
    assert web.hole_low_mm.value == pytest.approx(built.main_low_mm.value, abs=1e-4)
    assert web.hole_high_mm.value == pytest.approx(built.main_high_mm.value, abs=1e-4)


def test_a_gap_somebody_typed_goes_along_and_epoxy_keeps_its_own() -> None:
    _, fit = followed(answer("bond", size="8", gap="0.08"), "fit")
    assert fit.hole_high_mm.value - 8 == pytest.approx(0.08)
    _, wide = followed(answer("bond", size="8", compound="epoxy"), "fit")
    assert (wide.hole_low_mm.value - 8, wide.hole_high_mm.value - 8) == pytest.approx((0.05, 0.25))


def test_pairs_keep_the_clearance_typed_and_hand_no_scrap() -> None:
    found = answer(
        "pairs", holes="22.00; 22.01; 22.03", shafts="21.99; 21.90", least="0.01", most="0.03"
    )
    question, mate = followed(found, "mate")
    assert (question.free, question.most) == (Fraction("0.01"), Fraction("0.03"))
    assert question.made == ()
    assert mate.low_mm is not None


def test_a_grip_hands_on_how_it_is_held_and_no_deeper_cut_than_it_bears() -> None:
    taped = answer("grip", way="tape", dia="50", force="30")
    question, cut = followed(taped, "speed")
    assert question.held == "bonded"
    assert question.depth is not None
    assert cut.force_n.value <= 31
    assert followed(answer("grip", way="collet", dia="10"), "speed")[0].held == "collet"


def test_a_cranks_counterweights_are_of_its_metal() -> None:
    built = answer("crank", stroke="24", main="8", pin="7", metal="phosphor-bronze")
    assert dict(link_to(built, "balance").question)["metal"] == "phosphor-bronze"


LIGHT = ("dural", "aluminium-6082", "cast-aluminium")


@pytest.mark.parametrize("metal", LIGHT)
def test_a_light_piston_has_a_crowns_clearance_in_every_room(metal: str) -> None:
    """3 to 5 thou an inch, common practice, by whatever way the metal and the piston are said."""
    free = 22 / 25.4 * 0.0254
    fit = answer("fit", size="22", duty="ringed", shaft_metal=metal)
    mate = answer("mate", there="22.00", duty="ringed", shaft_metal=metal)
    warm, hot = asked("warm", {"size": "22", "duty": "ringed", "shaft_metal": metal})
    assert fit.clearance_low_mm.value == pytest.approx(3 * free, abs=1e-4)
    assert fit.clearance_high_mm.value == pytest.approx(5 * free, abs=1e-4)
    assert 22 - mate.high_mm.value == pytest.approx(3 * free, abs=1e-4)
    assert 22 - mate.low_mm.value == pytest.approx(5 * free, abs=1e-4)
    assert warm.duty == "crown"
    assert hot.clearance_cold_mm.value == pytest.approx(4 * free, abs=1e-4)


@pytest.mark.parametrize(
    "line",
    [
        "fit dural piston in 22 bore",
        "dural piston in 22 bore",
        "dural piston 22 bore",
        "piston dural 22 mm bore",
        "bore measures 22.00 dural piston now 22.4",
        "bore measures 22.00 ringed piston dural now 22.4",
    ],
)
def test_the_metal_before_or_behind_the_piston_is_the_pistons(line: str) -> None:
    found = ask(line, WORKSHOP, PageUnit.MM)
    assert found.typed["shaft_metal"] == "dural"
    assert found.read.question.duty == "crown"
    shaft = getattr(found.answer, "shaft_high_mm", None) or found.answer.high_mm
    assert shaft.value == pytest.approx(22 - 3 * 22 / 25.4 * 0.0254, abs=1e-4)


def test_an_aluminium_piston_says_its_metal_and_its_bores() -> None:
    question, fit = asked("fit", {"size": "22", "duty": "crown"})
    assert (question.shaft_metal, question.hole_metal) == ("aluminium-6082", "grey-iron")
    hot = followed(fit, "warm")[0]
    assert (hot.shaft_metal, hot.hole_metal, hot.duty) == ("aluminium-6082", "grey-iron", "crown")


@pytest.mark.parametrize(
    ("typed", "stop"),
    [
        # Alike in metal and heat: nothing changes, and a lapped fit is as fine as it is meant.
        ({"size": "8", "hole_metal": "mild-steel", "shaft_metal": "mild-steel"}, False),
        ({"size": "8", "hole_metal": "grey-iron", "shaft_metal": "mild-steel"}, False),
        # Bronze in iron at 100: (17.8 - 10.8) x 22 x 80 is 12 micrometres.
        ({"size": "22", "shaft_metal": "phosphor-bronze", "clear": "0"}, True),
        ({"size": "22", "shaft_metal": "phosphor-bronze", "clear": "0.02"}, False),
        ({"size": "22", "shaft_metal": "phosphor-bronze", "clear": "0.01"}, True),
    ],
)
def test_heat_stops_where_it_takes_what_there_is(typed: dict[str, str], stop: bool) -> None:
    duty = {} if "clear" in typed else {"duty": "ringless"}
    found = answer("warm", hole_hot="80 C" if duty else "100 C", **duty, **typed)
    assert bool(stops(found)) is stop


def test_tight_is_typed_as_tight() -> None:
    question, found = asked("warm", {"size": "22", "tight": "0.01", "shaft_metal": "dural"})
    assert question.clear == Fraction("-0.01")
    assert found.clearance_cold_mm.value == pytest.approx(-0.01)
    assert any(c.about == "tight hot" for c in found.cautions)
    with pytest.raises(Refused, match="one or the other"):
        asked("warm", {"size": "22", "tight": "0.01", "clear": "0.02"})


@pytest.mark.parametrize("duty", ["push", "flywheel", "mandrel"])
def test_size_to_size_comes_apart_and_is_one_clearance_on_both_pages(duty: str) -> None:
    """0 to 0.1 thou tight, common practice: finer than anything in the workshop reads."""
    found = answer("fit", size="22", duty=duty)
    assert not [c for c in found.cautions if c.about == "going together"]
    assert not {link.calculator for link in found.links} & {"press", "shrink"}
    assert "made to its mate" in CATALOGUE["fit"].headline(found, PageUnit.MM)
    low, high = found.shaft_low_mm, found.shaft_high_mm
    for page in PageUnit:
        assert low.shown(page) != high.shown(page)
    drive = answer("fit", size="22", duty="drive")
    assert [c for c in drive.cautions if c.about == "going together"]


@cases(80)
@given(st.sampled_from("cdefghkmnprsu"), st.integers(5, 9), st.integers(6, 10), st.integers(1, 120))
def test_the_same_on_the_bar_is_the_same(letter: str, grade: int, hole: int, size: int) -> None:
    """ISO 286-1 by the other way round; said to be the same only where both ends are."""
    try:
        fit = answer("fit", size=f"{size}", hole=f"H{hole}", shaft=f"{letter}{grade}")
    except Refused:
        return
    ends = fit.clearance_low_mm.value, fit.clearance_high_mm.value
    for way in fit.others:
        other = way.clearance_low_mm.value, way.clearance_high_mm.value
        if way.says.startswith("the same"):
            assert other == pytest.approx(ends, abs=6e-4)
        elif way.says.startswith("near it"):
            assert other != pytest.approx(ends, abs=4e-4)
    try:
        bar = answer(
            "fit", size=f"{size}", hole=f"H{hole}", shaft=f"{letter}{grade}", basis="shaft"
        )
    except Refused:
        return
    turned = [c for c in bar.cautions if c.about == "turned round"]
    ends_bar = bar.clearance_low_mm.value, bar.clearance_high_mm.value
    assert bool(turned) == (ends_bar != pytest.approx(ends, abs=5e-4))


@pytest.mark.parametrize("duty", ["press", "drive", "shrink", "push"])
def test_what_is_forced_in_is_measured_not_tried(duty: str) -> None:
    left = answer("mate", there="6.000", duty=duty, made="6.040")
    assert left.stands == "left"
    assert "not by trying" in left.says
    assert "lap it in" not in left.wind
    assert not any("tried often" in c.says for c in left.cautions)
    moves = answer("mate", there="6.000", duty="running", made="6.020")
    assert "tried in its mate" in moves.says


@pytest.mark.parametrize("duty", ["mandrel", "core", "fitted", "dowel", "running", "register"])
def test_what_comes_out_again_is_not_bonded(duty: str) -> None:
    ways = ways_out(Make.SHAFT, 11.95, 12.0, 0.03, duty)
    assert not [way for way in ways if "compound" in way.way]


@pytest.mark.parametrize(
    ("size", "bonds"), [(12.0, False), (11.985, False), (11.97, True), (11.91, True), (11.8, False)]
)
def test_compound_is_for_the_gap_there_is(size: float, bonds: bool) -> None:
    """0.02 to 0.1 mm on diameter, common practice; not for what it is past its limit."""
    ways = ways_out(Make.SHAFT, size, 12.0, 0.01, "press")
    assert bool([way for way in ways if "compound" in way.way]) is bonds


def test_one_class_alone_is_the_same_fit_in_both_rooms() -> None:
    fit = answer("fit", size="22", shaft="g6")
    mate = answer("mate", there="22.000", shaft="g6")
    most = fit.clearance_high_mm.value
    assert 22 - mate.high_mm.value == pytest.approx(fit.clearance_low_mm.value, abs=1e-4)
    assert 22 - mate.low_mm.value == pytest.approx(most, abs=1e-4)


@pytest.mark.parametrize(
    ("gap", "share"), [("0.005", 0.25), ("0.01", 0.5), ("0.02", 1.0), ("0.1", 1.0), ("0.15", 0.5)]
)
def test_a_bond_wiped_off_holds_less(gap: str, share: float) -> None:
    """15 N/mm² over pi d l, torque at the radius; in a line to nothing under the least gap."""
    whole = 15 * 3.14159265 * 8 * 8 * 4 / 1000
    assert answer("bond", size="8", gap=gap).holds_nm.value == pytest.approx(
        share * whole, rel=1e-3
    )


@pytest.mark.parametrize(
    ("typed", "about"),
    [
        # Half in each, a 3 mm key round 8 reaches 11 across: not in a boss of 10.
        ({"pin": "3", "pin_as": "endways", "hub": "10"}, "Stop the key"),
        ({"pin": "2", "pin_as": "endways", "hub": "14"}, ""),
        ({"pin": "3", "pin_as": "endways", "hub": "16"}, "Mind the key"),
        ({"pin": "8", "hub": "16"}, "Stop the pin"),
        ({"pin": "3", "hub": "16"}, "Mind the pin"),
        ({"pin": "2", "hub": "16"}, ""),
    ],
)
def test_keys_and_pins_stand_inside_what_they_hold(typed: dict[str, str], about: str) -> None:
    found = answer("bond", size="8", **typed)
    said = [f"{c.word} {c.about}" for c in found.cautions if c.about in ("the key", "the pin")]
    assert said == ([about] if about else [])


def test_rings_of_bronze_are_not_set_by_heat_and_stand_their_own_size() -> None:
    bronze, iron = answer("ring", bore="22", metal="phosphor-bronze"), answer("ring", bore="22")
    assert not stops(bronze)
    assert len(bronze.makings) == 1
    assert len(iron.makings) == 2
    assert bronze.stress_opening_mpa.value <= bronze.bears_mpa.value
    thick = answer("ring", bore="22", radial="1.2", metal="phosphor-bronze")
    assert any("gives for good" in c.says for c in thick.cautions)
    # So wide a gap passes over its piston as it is.
    assert answer("ring", bore="22", gap="8").stress_opening_mpa.value == 0
    # A bore told hot has a ring as hot in it.
    hot = answer("ring", bore="22", bore_hot="200 C")
    assert hot.closed_hot_mm is not None


@pytest.mark.parametrize(
    ("typed", "section"),
    [
        ({"kind": "rod", "rod": "1/8 in", "section": "1.78"}, 1.78),
        ({"kind": "rod", "rod": "3/16 in", "section": "1.78"}, 1.78),
        ({"kind": "rod", "rod": "2"}, 1.02),
        ({"kind": "piston", "bore": "5", "section": "1.78"}, 1.78),
    ],
)
def test_sections_that_are_made_go_on(typed: dict[str, str], section: float) -> None:
    """ISO 3601-1 has 1.78 round 2.90 and round 4.47, from memory."""
    found = answer("seal", **typed)
    assert found.section_mm.value == pytest.approx(section)


def test_what_no_ring_fits_is_told_what_does() -> None:
    with pytest.raises(Refused, match="packed gland") as none:
        answer("seal", kind="rod", rod="1")
    assert none.value.suggest is None
    with pytest.raises(Refused) as thick:
        answer("seal", kind="rod", rod="4", section="3.53")
    assert answer("seal", kind="rod", rod="4", section=str(thick.value.suggest)).section_mm


def test_what_cannot_be_thinned_is_not_told_to_be() -> None:
    along = "bearing 8; web 5; crankpin 9"
    far = answer("shaft-budget", room="60", along=along, on="crankpin", line="5 mm")
    assert "take that off" not in far.says
    near = answer("shaft-budget", room="60", along=along, on="crankpin", line="16.5 mm")
    assert "take that off the bearing" in near.says


@pytest.mark.parametrize(
    ("metal", "says"),
    [
        ("medium-carbon-steel", "hardens through"),
        ("42crmo4", "hardens through"),
        ("stainless-416", "hardens through"),
        ("mild-steel", "case-hardened"),
        ("brass", "does not harden"),
    ],
)
def test_what_hardens_is_not_said_not_to(metal: str, says: str) -> None:
    with pytest.raises(Refused, match=says):
        answer("harden", metal=metal, thick="10")


@pytest.mark.parametrize("line", ["harden mild steel", "temper mild steel"])
def test_a_refusal_is_not_answered_by_a_word_it_shares(line: str) -> None:
    with pytest.raises(Refused, match="case-hardened"):
        ask(line, WORKSHOP, PageUnit.MM)


@pytest.mark.parametrize(
    ("line", "across"),
    [
        ("hexagon on 10 mm bar", 8.660),
        ("hex on 10 bar", 8.660),
        ("mill a hexagon on 10 mm", 8.660),
        ("six flats on 10 bar", 8.660),
        ("square on 10 bar", 7.071),
        ("4 flats on 10 bar", 7.071),
        ("flats 7 across square on 10", 7.0),
        ("flats 8 across hexagon on 10", 8.0),
    ],
)
def test_a_shape_is_the_shape_that_was_said(line: str, across: float) -> None:
    """d cos(180/n) comes sharp: 0.866 d of a hexagon, d/√2 of a square."""
    found = ask(line, WORKSHOP, PageUnit.MM)
    assert found.answer.across_mm.value == pytest.approx(across, abs=1e-3)
    shape = "6" if "hex" in line or "six" in line else "4"
    assert found.read.question.shape == shape
    assert found.answer.depth_mm.value == pytest.approx((10 - across) / 2, abs=1e-3)
