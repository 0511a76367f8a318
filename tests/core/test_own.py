"""Figures of one's own, words of a speed, hardness, and what the trays and other machines say."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.cutting.answer import OwnFigure, SpeedAnswer
from runk.core.cutting.hardness import strength_n_per_mm2
from runk.core.cutting.operations import FACTS, Family, Operation
from runk.core.figures import instead_of
from runk.core.holes.nearest_question import NearestAnswer
from runk.core.machines.machine import Drive, Range
from runk.core.metals import shipped_metals
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.tools import State
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import LATHE, WORKSHOP
from tests.cases import cases

SPEED = CATALOGUE["speed"]
METALS = sorted(k for k in shipped_metals() if not k.endswith("-skin"))
FED = [
    op
    for op, facts in FACTS.items()
    if facts.family in (Family.TURNED, Family.PLUNGED, Family.DRILLED, Family.MILLED)
]


def ask(workshop: Workshop = WORKSHOP, **typed: str) -> SpeedAnswer:
    answer = SPEED.ask(read_question(SPEED, typed, PageUnit.MM, workshop).question, workshop)
    assert isinstance(answer, SpeedAnswer)
    return answer


def own(answer: SpeedAnswer, what: str) -> OwnFigure:
    return next(row for row in answer.own if row.what.startswith(what))


@cases(60)
@given(st.sampled_from(FED), st.sampled_from(METALS), st.floats(0.2, 5.0), st.floats(0.2, 5.0))
def test_a_figure_of_ones_own_is_as_far_off_as_it_was_typed(
    operation: Operation, metal: str, faster: float, coarser: float
) -> None:
    typed = {"operation": operation.value, "metal": metal, "diameter": "8"}
    plain = ask(**typed)
    feed = plain.feed_mm_per_tooth or plain.fed
    answer = ask(
        **typed,
        own_rpm=f"{plain.target_rpm.value * faster:.6f}",
        own_feed=f"{feed.value * coarser:.9f}",
    )
    assert own(answer, "speed").off_percent.value == pytest.approx((faster - 1) * 100, abs=0.01)
    assert own(answer, "feed").off_percent.value == pytest.approx((coarser - 1) * 100, abs=0.1)
    # Judged, not obeyed: what is to be set stays what it was.
    assert answer.set_rpm.value == plain.set_rpm.value
    assert answer.fed.value == plain.fed.value


def test_as_it_is_worked_out_it_is_right() -> None:
    plain = ask(operation="turn", metal="brass", diameter="20")
    depth = plain.depth_mm
    assert depth is not None
    answer = ask(
        operation="turn",
        metal="brass",
        diameter="20",
        own_rpm=f"{plain.target_rpm.value:.3f}",
        own_feed=f"{plain.fed.value:.5f}",
        depth=f"{depth.value:.5f}",
    )
    assert [row.does.split(".")[0] for row in answer.own] == ["Right for this cut"] * 3


@pytest.mark.parametrize(
    ("typed", "says"),
    [
        ({"held": "faceplate", "own_rpm": "1200"}, "Never: the faceplate may turn at 600"),
        ({"diameter": "6", "overhang": "400", "own_rpm": "1480"}, "a third of where it whirls"),
        ({"own_rpm": "900"}, "Too fast"),
        ({"own_rpm": "40"}, "times as long"),
    ],
)
def test_what_must_not_be_set_is_said_to_be_so(typed: dict[str, str], says: str) -> None:
    answer = ask(operation="turn", metal="mild-steel", **{"diameter": "20"} | typed)
    assert says in own(answer, "speed").does


def test_an_edge_lasts_by_the_eighth_power_of_its_speed() -> None:
    """Taylor's relation, n = 0.125 for high-speed steel: twice as fast, 1/256 of the life."""
    plain = ask(operation="turn", metal="mild-steel", diameter="20")
    wanted = plain.target_rpm.value
    assert "hardly" in own(_at(wanted * 2), "speed").does
    # (1.25)^-8 = 0.168
    assert "about 17 %" in own(_at(wanted * 1.25), "speed").does


def _at(rpm: float) -> SpeedAnswer:
    return ask(operation="turn", metal="mild-steel", diameter="20", own_rpm=f"{rpm:.4f}")


def test_together_they_are_set_against_the_belt_as_the_cut_itself_would_be() -> None:
    """A drive without steps set to one's own speed gives the same power by the other way."""
    drive = replace(
        LATHE, steps=(), ranges=(Range("", 20.0, 3000.0),), drive=Drive.VARIABLE, power_w=100.0
    )
    shop = Workshop((drive,))
    typed = {"operation": "turn", "metal": "mild-steel", "diameter": "30", "depth": "1.2"}
    plain = ask(shop, **typed)
    said = next(
        c.says
        for c in ask(shop, **typed, own_feed=f"{plain.fed.value * 3:.6f}").cautions
        if c.about == "your figures"
    )
    assert plain.power_w is not None
    assert plain.depth_mm is not None
    mild = shipped_metals()["mild-steel"]
    asked = plain.power_w.value * 3 ** (1 - mild["mc"]) * 1.2 / plain.depth_mm.value
    assert f"ask {asked:.0f} W" in said


@cases(60)
@given(st.sampled_from(list(Operation)), st.sampled_from(METALS), st.floats(2, 60))
def test_words_of_a_speed_are_kept(operation: Operation, metal: str, diameter: float) -> None:
    typed = {
        "operation": operation.value,
        "metal": metal,
        "diameter": f"{diameter:.2f}",
        "machine": "Lathe",
        "pitch": "1",
    }
    try:
        direct, back = ask(**typed, gears="direct"), ask(**typed, gears="back gear")
        slowest = ask(**typed, school="slowest", gears="direct")
    except Refused as refused:
        assume("the lathe" not in str(refused))
        raise
    assert (direct.gear, back.gear) == ("direct", "back gear")
    direct_rpm = {s.rpm for s in LATHE.steps if s.gear == "direct"}
    assert slowest.set_rpm.value == min(direct_rpm)


def test_a_gear_that_is_not_there_is_refused_by_name() -> None:
    with pytest.raises(Refused, match="has no back gear"):
        ask(operation="drill", metal="brass", diameter="6", machine="Mill", gears="back gear")


@cases(40)
@given(st.integers(20, 57), st.integers(1, 10))
def test_harder_is_slower_and_past_the_edge_it_stops(hrc: int, more: int) -> None:
    def at(hard: int, tool: str) -> SpeedAnswer:
        return ask(operation="turn", metal="42crmo4", diameter="20", tool=tool, hardness=f"{hard}")

    assert at(hrc + more, "hss").target_rpm.value <= at(hrc, "hss").target_rpm.value
    assert bool(instead_of(at(hrc, "hss").cautions)) == (hrc > 45)
    assert not instead_of(at(hrc, "carbide").cautions)


@pytest.mark.parametrize(("hrc", "rm"), [(30.0, 971), (40.0, 1260), (50.0, 1680)])
def test_strength_by_hardness_lies_on_the_table(hrc: float, rm: int) -> None:
    """ISO 18265 table A.1, read between its rows by hand; from memory."""
    assert strength_n_per_mm2(hrc) == pytest.approx(rm, rel=0.02)


def test_the_trays_are_looked_into() -> None:
    def about(**typed: str) -> dict[str, str]:
        return {c.about: f"{c.word}: {c.says}" for c in ask(metal="brass", **typed).cautions}

    assert "lies blunt" in about(operation="drill", diameter="4.2")["the drill"]
    assert "nearest that is sound" in about(operation="drill", diameter="6.8")["the drill"]
    assert "sound: 2.1 mm" in about(operation="drill", diameter="2.123")["the drill"]
    assert "the drill" not in about(operation="drill", diameter="5")
    assert about(operation="ream", diameter="4")["the reamer"].startswith("Stop")
    # A hand has neither revolutions nor a feed.
    by_hand = ask(metal="brass", operation="ream", diameter="4")
    assert (by_hand.position, by_hand.set_rpm.value) == ("by hand", 0)
    assert by_hand.feed_mm_per_rev is by_hand.torque_nm is None
    assert "Mind" in about(operation="ream", diameter="6")["the reamer"]
    assert "no cutter of" in about(operation="slot", diameter="7")["the cutter"]


def test_a_tray_nobody_filled_says_nothing() -> None:
    bare = replace(WORKSHOP, tools=())
    answer = ask(bare, operation="drill", metal="brass", diameter="4.2")
    assert "the drill" not in {c.about for c in answer.cautions}


def test_every_drill_struck_out_is_said_and_named() -> None:
    for tool in WORKSHOP.struck_out:
        answer = ask(operation="drill", metal="mild-steel", diameter=f"{tool.mm:.4f}")
        said = next((c.says for c in answer.cautions if c.about == "the drill"), "")
        if any(abs(twin.mm - tool.mm) < 0.006 for twin in WORKSHOP.drills):
            assert not said
            continue
        words = {State.MISSING: "missing", State.BENT: "bent", State.BLUNT: "blunt"}
        assert said.startswith(tool.name)
        assert words[tool.state] in said


def test_another_machine_is_named_only_where_it_comes_nearer() -> None:
    answer = ask(operation="saw", metal="brass", diameter="50", machine="Mill")
    assert "Lathe has 245 on belt 4, back gear" in answer.elsewhere
    fast = ask(operation="drill", metal="brass", diameter="3", machine="Lathe")
    assert "Mill has 2400 on belt 6" in fast.elsewhere
    assert not ask(operation="turn", metal="mild-steel", diameter="30").elsewhere


def test_grey_iron_gets_its_oil_only_in_the_finishing_pass() -> None:
    iron = {"metal": "grey-iron", "diameter": "30"}
    assert ask(operation="bore", stage="finish", **iron).coolant.startswith("dry, or a little oil")
    assert ask(operation="bore", **iron).coolant == "dry"
    assert ask(operation="part", **iron).coolant == "dry"


def nearest(**typed: str) -> NearestAnswer:
    calculator = CATALOGUE["nearest-drill"]
    question = read_question(calculator, typed, PageUnit.MM, WORKSHOP).question
    answer = calculator.ask(question, WORKSHOP)
    assert isinstance(answer, NearestAnswer)
    return answer


@cases(80)
@given(st.sampled_from(["collet", "reamer", "cutter", "bar"]), st.integers(200, 30000))
def test_what_is_taken_is_owned_and_no_neighbour_serves_better(what: str, thousandths: int) -> None:
    size = thousandths / 1000
    answer = nearest(tool=what, size=f"{size}")
    kinds = {"cutter": ("end mill", "slot drill")}.get(what, (what,))
    owned = [t.mm for t in WORKSHOP.tools if t.kind in kinds and t.sound]
    taken = answer.mm.value
    assert taken in owned
    if what == "bar":
        thick = [mm for mm in owned if mm >= size - 0.006001]
        assert taken == (min(thick) if thick else max(owned))
        assert bool(answer.cautions) == (not thick)
    if what == "collet":
        # A plain collet closes a tenth and never opens.
        holds = [mm for mm in owned if size - 0.006001 <= mm <= size + 0.100001]
        assert bool(answer.cautions) == (not holds)
        assert (answer.does in ("holds it", "that very size")) == bool(holds)
    assert all(near.mm.value < size for near in answer.below)
    assert all(near.mm.value >= size for near in answer.above)


def test_a_tray_without_that_tool_says_where_to_put_it() -> None:
    calculator = CATALOGUE["nearest-drill"]
    bare = replace(WORKSHOP, tools=tuple(t for t in WORKSHOP.tools if t.kind != "collet"))
    question = read_question(calculator, {"tool": "collet", "size": "6"}, PageUnit.MM, bare)
    with pytest.raises(Refused, match="no collet in the trays yet"):
        calculator.ask(question.question, bare)


def test_what_is_cut_off_or_held_beyond_its_tools_is_said() -> None:
    def about(**typed: str) -> set[str]:
        return {c.about for c in ask(metal="brass", **typed).cautions}

    assert "the parting tool" in {
        c.about for c in ask(metal="brass", operation="part", diameter="40").cautions
    }
    assert "the saw" in about(operation="saw", diameter="50", depth="14")
    assert "the collet" in about(operation="turn", diameter="11", held="collet")
    assert "the collet" not in about(operation="turn", diameter="9.95", held="collet")


def test_the_boring_head_owned_has_its_own_limit() -> None:
    typed = {"operation": "bore", "metal": "aluminium-6082", "diameter": "20", "machine": "Mill"}
    assert ask(**typed).target_rpm.value == 350.0
    without = replace(WORKSHOP, tools=())
    assert ask(without, **typed).target_rpm.value == 400.0


@pytest.mark.parametrize(
    ("drilled", "says"),
    [
        ("4", "does not clear"),
        ("4.1", "closer than a fine fit"),
        ("4.3", "as good as a fine fit"),
        ("4.5", "as good as a medium fit"),
        ("4.6", "as good as a medium fit"),
        ("4.8", "as good as a coarse fit"),
        ("5.2", "looser than a coarse fit"),
    ],
)
def test_a_hole_somebody_has_is_judged_by_the_standards_three(drilled: str, says: str) -> None:
    """ISO 273 for M4: 4.3, 4.5, 4.8."""
    calculator = CATALOGUE["clearance"]
    typed = {"thread": "M4", "drilled": drilled}
    question = read_question(calculator, typed, PageUnit.MM, WORKSHOP).question
    assert says in calculator.ask(question, WORKSHOP).drilled_says


@pytest.mark.parametrize(
    ("step", "says"), [("0.1", "times as many passes"), ("3", "times as much force"), ("1", "")]
)
def test_a_pass_of_ones_own_is_said_to_be_coarse_or_fine(step: str, says: str) -> None:
    calculator = CATALOGUE["plan"]
    typed = {"metal": "brass", "now": "30", "wanted": "25", "step": step}
    question = read_question(calculator, typed, PageUnit.MM, WORKSHOP).question
    found = [c.says for c in calculator.ask(question, WORKSHOP).cautions if "passes" in c.about]
    assert says in "".join(found)
    assert bool(found) == bool(says)


@cases(40)
@given(st.floats(1.5, 15), st.floats(5, 60), st.sampled_from(["brass", "mild-steel", "grey-iron"]))
def test_a_spigot_is_kept_under_a_third_of_its_yield(thick: float, arm: float, metal: str) -> None:
    """By the beam's own formulas, and the depth named in the Stop is one that stands."""
    typed = {"operation": "turn", "metal": metal, "diameter": "20"}
    spigot = {"spigot": f"{thick:.3f}", "overhang": f"{arm:.3f}"}
    answer = ask(**typed, **spigot)
    force, torque = answer.force_n, answer.torque_nm
    assert force is not None
    assert torque is not None
    facts = shipped_metals()[metal]
    stress = force.value * arm / (math.pi * thick**3 / 32)
    shear = torque.value * 1000 / (math.pi * thick**3 / 16)
    sprung = force.value / 2 * arm**3 * 64 / (3 * facts["e_gpa"] * 1000 * math.pi * thick**4)
    fails = max(stress, 2 * shear) > facts["rp02_n_per_mm2"] / 3 or sprung > 0.02
    found = [c for c in answer.cautions if c.about == "the spigot"]
    assert bool(found) == fails
    if found and "at most" in found[0].instead:
        depth = answer.depth_mm
        assert depth is not None
        over = max(max(stress, 2 * shear) * 3 / facts["rp02_n_per_mm2"], sprung / 0.02)
        lighter = ask(**typed, **spigot, depth=f"{depth.value / over * 0.9:.4f}")
        # The dial moves by whole divisions: where one is more than may be taken, it stays a Stop.
        if lighter.depth_mm is not None and lighter.depth_mm.value <= depth.value / over:
            assert "the spigot" not in {c.about for c in lighter.cautions}


def test_a_spigot_as_thick_as_the_work_or_at_no_distance_is_asked_about() -> None:
    typed = {"operation": "turn", "metal": "brass", "diameter": "20"}
    with pytest.raises(Refused, match="thinner than the work"):
        ask(**typed, spigot="20", overhang="10")
    with pytest.raises(Refused, match="How far is the cut"):
        ask(**typed, spigot="6")


def test_black_bar_is_gone_under_like_a_skin_and_only_steel_is_sold_black() -> None:
    black = ask(operation="turn", metal="mild-steel", diameter="12", surface="scale")
    bright = ask(operation="turn", metal="mild-steel", diameter="12")
    assert black.target_rpm.value == pytest.approx(0.57 * bright.target_rpm.value)
    assert black.depth_mm is not None
    assert black.depth_mm.value >= 0.78
    assert black.then is not None
    assert black.then.target_rpm.value == bright.target_rpm.value
    brass = ask(operation="turn", metal="brass", diameter="12", surface="scale")
    assert (
        brass.target_rpm.value
        == ask(operation="turn", metal="brass", diameter="12").target_rpm.value
    )
    assert "not sold black" in next(c.says for c in brass.cautions if c.about == "the scale")


@pytest.mark.parametrize("size", ["3", "6", "9.5", "13"])
def test_small_steps_leave_the_last_drill_next_to_nothing(size: str) -> None:
    calculator = CATALOGUE["hole"]
    typed = {"size": size, "metal": "gunmetal", "finish": "stepped"}
    answer = calculator.ask(
        read_question(calculator, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP
    )
    sizes = [step.mm.value for step in answer.drills]
    assert sizes == sorted(set(sizes))
    assert sizes[-1] == pytest.approx(float(size))
    assert 0 < sizes[-1] - sizes[-2] <= 0.55
    assert "new drill" in answer.drills[-1].says.lower()


@pytest.mark.parametrize(
    ("typed", "thou"), [("1.7 tenths", "0.17"), ("3 tenths", "0.30"), ("24 thou", "24.0")]
)
def test_a_fine_size_keeps_a_hundredth_of_a_thou(typed: str, thou: str) -> None:
    calculator = CATALOGUE["length"]
    read = read_question(calculator, {"text": typed}, PageUnit.MM, WORKSHOP)
    assert calculator.ask(read.question, WORKSHOP).thou.shown() == thou


def test_a_saw_wants_an_arbor_of_its_bore() -> None:
    speed = CATALOGUE["speed"]
    typed = {"operation": "saw", "metal": "brass", "diameter": "50", "depth": "2"}
    for bore, minded in ((16.0, False), (25.4, True)):
        tools = tuple(
            replace(t, bore_mm=bore) if t.mm == 50 and t.width_mm else t for t in WORKSHOP.tools
        )
        shop = replace(WORKSHOP, tools=tools)
        answer = speed.ask(read_question(speed, typed, PageUnit.MM, shop).question, shop)
        assert any(c.about == "the arbor" for c in answer.cautions) == minded


def test_a_feed_a_minute_is_as_coarse_as_its_speed_makes_it() -> None:
    """The same fifty a minute is twice as coarse at half the speed: by hand."""
    speed = CATALOGUE["speed"]
    base = {"operation": "turn", "metal": "silver-steel", "diameter": "22", "own_feed_min": "50"}
    fast, slow = (
        speed.ask(read_question(speed, base | more, PageUnit.MM, WORKSHOP).question, WORKSHOP)
        for more in ({"own_rpm": "400"}, {"own_rpm": "100"})
    )
    by = [{row.what: row for row in answer.own}["feed a minute"] for answer in (fast, slow)]
    assert by[0].yours.value == by[1].yours.value == 50
    times = [float(row.does.split()[0]) if row.does[0].isdigit() else 1.0 for row in by]
    assert times[1] > times[0]


def test_a_feed_a_minute_loads_the_belt_as_the_same_feed_a_turn() -> None:
    """0.3 a turn at 400 rev/min is 120 a minute: one cut, however it is said, and one power."""
    typed = {"operation": "turn", "metal": "mild-steel", "diameter": "20", "own_rpm": "400"}
    turn, minute = (
        [c.says for c in ask(**typed, depth="3", **fed).cautions if c.about == "your figures"]
        for fed in ({"own_feed": "0.3"}, {"own_feed_min": "120"})
    )
    assert turn == minute
    assert turn


@pytest.mark.parametrize(("share", "says"), [(0.39, "Light:"), (0.41, "A little light")])
def test_a_light_depth_is_one_of_under_four_tenths(share: float, says: str) -> None:
    typed = {"operation": "turn", "metal": "mild-steel", "diameter": "20"}
    usual = own(ask(**typed, depth="0.3"), "depth").ours.value
    assert own(ask(**typed, depth=f"{usual * share:.6f}"), "depth").does.startswith(says)
