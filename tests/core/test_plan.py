"""The cut plan: takes add up, nothing goes past a limit, dials round-trip, slips are caught."""

from __future__ import annotations

from dataclasses import asdict, replace
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from runk.ask import ask
from runk.core.machines.dials import JUDGED
from runk.core.machines.machine import Dial
from runk.core.plan.answer import PlanAnswer
from runk.core.plan.events import Event, EventKind
from runk.core.plan.follow import begin, follow
from runk.core.plan.groove import offsets
from runk.core.plan.made import PassKind, after
from runk.core.plan.passes import at_start, every_pass, next_pass
from runk.core.plan.plan import needs, plan
from runk.core.plan.question import PlanQuestion
from runk.core.plan.say import divisions_say, stands_say, wind_say
from runk.core.plan.settle import limits, settled
from runk.core.plan.slips import slip
from runk.core.plan.spec import CutSpec, Job
from runk.core.refusals import Refused
from runk.core.tools import ShopTool, ToolKind
from runk.core.tools.measures import reads
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import LATHE, MILL, WORKSHOP
from tests.cases import cases

PLAIN = CutSpec(
    job=Job.OUTSIDE,
    metal="brass",
    now_mm=16.0,
    aim_mm=14.5,
    low_mm=14.49,
    high_mm=14.51,
    rough_mm=0.8,
    finish_mm=0.125,
    least_mm=0.02,
    spring_ratio=0.0,
    finish_share=0.4,
    slide="cross-slide",
    division_mm=0.0254,
    per_turn=100,
    dial_unit="inch",
    dial_reads="radius",
    backlash=4.0,
    read_out=False,
    expansion_um_per_m_k=20.9,
)


@st.composite
def specs(draw: st.DrawFn) -> CutSpec:
    """Any cut that could be: all jobs, dials, springs and limits."""
    job = draw(st.sampled_from([Job.OUTSIDE, Job.BORE, Job.FACE, Job.SLOT]))
    aim = draw(st.floats(5, 80))
    surplus = draw(st.floats(0.05, 6))
    growing = job in (Job.BORE, Job.SLOT)
    now = max(0.0, aim - surplus) if growing else aim + surplus
    apart = draw(st.floats(0.02, 0.2))
    share = draw(st.floats(0.3, 0.7))
    return replace(
        PLAIN,
        job=job,
        now_mm=now,
        aim_mm=aim,
        low_mm=aim - apart * share,
        high_mm=aim + apart * (1 - share),
        rough_mm=draw(st.floats(0.2, 2.0)),
        finish_mm=draw(st.floats(0.03, 0.4)),
        spring_ratio=draw(st.floats(0, 0.6)),
        finish_share=draw(st.floats(0.2, 1.0)),
        division_mm=draw(st.sampled_from([0.0, 0.0025, 0.0127, 0.0254, 0.01, 0.02])),
        ends=draw(st.sampled_from([1, 2])) if job is Job.FACE else 1,
    )


@cases(300)
@given(specs())
def test_takes_add_up_to_the_metal_there_was(spec: CutSpec) -> None:
    made = every_pass(spec, at_start(spec))
    taken = sum(one.takes_mm for one in made)
    left = made[-1].leaves_mm if made else spec.left(spec.now_mm)
    assert taken + left == pytest.approx(spec.left(spec.now_mm), abs=1e-9)


@cases(300)
@given(specs())
def test_never_past_a_limit_if_cuts_come_out_as_predicted(spec: CutSpec) -> None:
    # A dial that cannot be set finely enough is cautioned about, and is not this property.
    assume(spec.division * JUDGED <= (spec.high_mm - spec.low_mm) / 4)
    made = every_pass(spec, at_start(spec))
    assert len(made) < 200
    for one in made:
        assert one.leaves_mm >= spec.least_left - 1e-9
    if made:
        assert made[-1].leaves_mm <= spec.most_left + 1e-9


@given(specs())
def test_rough_passes_come_first_and_keep_to_their_depth(spec: CutSpec) -> None:
    kinds = [one.kind for one in every_pass(replace(spec, ends=1), at_start(spec))]
    rough = [k is PassKind.ROUGH for k in kinds]
    assert rough == sorted(rough, reverse=True)
    for one in every_pass(spec, at_start(spec)):
        if one.kind is PassKind.ROUGH:
            assert one.takes_mm <= spec.rough_mm * (1 + spec.spring_ratio) + 2 * spec.division


@given(specs(), st.integers(0, 4))
def test_the_rest_of_a_plan_is_the_plan_of_the_rest(spec: CutSpec, done: int) -> None:
    whole, at = every_pass(spec, at_start(spec)), at_start(spec)
    for one in whole[:done]:
        told = next_pass(spec, at)
        assert told == one
        at = after(at, told)
    assert every_pass(spec, at) == whole[done:]


@pytest.mark.parametrize("unit", ["mm", "inch"])
@pytest.mark.parametrize("reads", ["radius", "diameter"])
def test_dial_numbers_come_back_as_the_same_size(unit: str, reads: str) -> None:
    """Wind what is told on a real dial, in all four unit and sense combinations."""
    division = 0.02 if unit == "mm" else 0.001
    dial = Dial("cross-slide", unit, division, 100, reads)
    lathe = replace(LATHE, dials=(dial,))
    asked = PlanQuestion(now=Fraction(20), wanted=Fraction(18), largest=Fraction("18.05"))
    answer = plan(asked, needs(asked, Workshop((lathe,))))
    size = 20.0
    for one in answer.passes:
        assert one.divisions is not None
        marked = one.divisions.value * division * (25.4 if unit == "inch" else 1)
        size -= marked if reads == "diameter" else 2 * marked
        assert size == pytest.approx(one.to_mm.value, abs=1e-9)
        assert f"reads {reads}" in one.dial
    assert 18.0 <= size <= 18.05


def test_the_dial_is_told_in_turns_and_quarters() -> None:
    assert [divisions_say(d) for d in (0.25, 1, 16.5, 99.75)] == ["1/4", "1", "16 1/2", "99 3/4"]
    assert wind_say(PLAIN, 216.5) == "2 turns and 16 1/2"
    assert wind_say(PLAIN, 300) == "3 turns"
    assert wind_say(PLAIN, 99.75) == "99 3/4"


def _plan(line: str, workshop: Workshop = WORKSHOP) -> PlanAnswer:
    answer = ask(line, workshop, PageUnit.MM).answer
    assert isinstance(answer, PlanAnswer)
    return answer


def test_a_feeler_under_the_tool_is_wound_through_first() -> None:
    plain, felt = _plan("from 16 to 14.5 brass"), _plan("from 16 to 14.5 brass feeler 0.0508")
    assert plain.passes[0].divisions is not None
    # Two divisions of 0.0254 of travel, whatever they count for on the diameter.
    assert f"Wind on {plain.passes[0].divisions.value + 2:g}" == felt.next_says
    assert plain.passes[1].dial == felt.passes[1].dial


def test_a_dial_that_reads_diameter_shows_the_feeler_twice() -> None:
    dial = Dial("cross-slide", "mm", 0.02, 100, "diameter")
    shop = Workshop((replace(LATHE, dials=(dial,)),))
    line = "from 16 to 14.5 brass pass 0.4"
    plain, felt = _plan(line, shop), _plan(f"{line} feeler 0.05", shop)
    assert plain.passes[0].divisions is not None
    # 0.05 mm of travel is 0.1 mm on the diameter: five divisions of 0.02.
    assert felt.next_says == f"Wind on {plain.passes[0].divisions.value + 5:g}"


def test_a_length_is_shared_so_that_both_ends_clean_up() -> None:
    answer = _plan("to length from 32 to 30 brass both ends")
    ends = [one.end for one in answer.passes]
    assert ends == sorted(ends)
    assert set(ends) == {1, 2}
    first = [one for one in answer.passes if one.end == 1]
    assert first[-1].to_mm.value == pytest.approx(31, abs=0.02)


def test_a_read_out_is_told_as_a_size() -> None:
    answer = _plan("plan slot to 4 cutter 6 brass")
    assert answer.passes[0].divisions is None
    assert "on the read-out" in answer.next_says
    assert answer.passes[-1].to_mm.value == pytest.approx(4.0, abs=0.05)


def test_slender_work_is_roughed_lighter_and_its_spring_is_said() -> None:
    stiff, slender = _plan("from 10 to 5 mild steel"), _plan("from 10 to 5 mild steel 49 out")
    assert slender.spring_mm is not None
    rough = [one.take_mm.value for one in slender.passes if one.kind is PassKind.ROUGH]
    # As thick as it is begun with it takes all, as thin as it gets far less.
    assert rough[-1] < 0.7 * stiff.passes[0].take_mm.value
    assert any(c.about == "the bend" for c in slender.cautions)
    assert PassKind.SPRING in {one.kind for one in slender.passes}


@pytest.mark.parametrize(
    ("asked", "field", "says"),
    [
        ("from 14 to 15", "wanted", "is it a bore"),
        ("bore from 15 to 14", "wanted", "only makes a hole larger"),
        ("to length from 20 to 21", "wanted", "shorter"),
        ("from 15 to 15", "wanted", "nothing to cut"),
        ("from 16 to 14.5 smallest 14.6 largest 14.4", "smallest", "wrong way round"),
        ("from 16 to 14.5 smallest 14.6 largest 14.7", "wanted", "outside its own limits"),
        ("from 16 to 14.5 smallest 14.5 largest 14.5", "largest", "same size"),
        ("from 16 to 14.5 allowance 2", "allowance", "more than the 1.5"),
        ("plan groove 2 wide 1 deep from 20 tool 3", "width", "cannot cut a groove"),
        ("plan groove 3 wide 5 deep from 20 tool 2 reach 4", "reach", "reaches 4"),
        ("plan groove 3 wide 10 deep from 20 tool 2", "deep", "middle of the work"),
        ("plan groove 3 wide 1 deep from 6 tool 3 90 out", "width", "dig in"),
        ("plan slot to 10 cutter 6 reach 8", "reach", "cannot cut 10 mm deep"),
        ("bore from 15 to 16 bar 10 out 20 40 long", "overhang", "cannot bore 40 mm deep"),
        ("bore from 15 to 16 bar 15", "bar", "thinner"),
        ("from 16", "wanted", "What size is wanted"),
        ("from 200 to 190", "diameter", "swing"),
    ],
)
def test_cuts_that_cannot_be_are_refused(asked: str, field: str, says: str) -> None:
    line = asked if asked.startswith(("from", "plan", "to")) else f"plan {asked}"
    with pytest.raises(Refused) as caught:
        ask(line, WORKSHOP, PageUnit.MM)
    assert caught.value.field == field
    assert says in caught.value.says


def test_the_narrower_tool_named_in_a_refusal_is_accepted() -> None:
    line = "plan groove 3 wide 1 deep from 10 tool 3 60 out"
    with pytest.raises(Refused) as caught:
        ask(line, WORKSHOP, PageUnit.MM)
    assert caught.value.suggest is not None
    narrow = float(caught.value.suggest.removesuffix(" mm")) - 0.05
    answer = _plan(line.replace("tool 3", f"tool {narrow:.2f}"))
    assert len(answer.passes) > 3


@given(st.floats(0.5, 20), st.floats(0.3, 1.0))
def test_plunges_cover_the_groove_and_stay_inside_it(width: float, share: float) -> None:
    tool = width * share
    plunges = offsets(width, tool)
    lefts = sorted(x for _, x in plunges)
    assert lefts[0] == pytest.approx(0, abs=1e-6) or len(plunges) == 1
    assert lefts[-1] + tool <= width + 1e-6
    reached = 0.0
    for left in lefts:
        assert left <= reached + 1e-9
        reached = max(reached, left + tool)
    assert reached == pytest.approx(width, abs=1e-5)


def test_which_edge_was_zeroed_adds_the_width_or_not() -> None:
    line = "plan groove 5 wide 1 deep from 20 tool 2 brass"
    left, right = _plan(line), _plan(f"{line} right edge")
    for one, other in zip(left.passes, right.passes, strict=True):
        assert other.to_mm.value - one.to_mm.value == pytest.approx(2.0)


@pytest.mark.parametrize(
    ("given", "aim"),
    [
        ({"wanted": 14.5}, 14.5),
        ({"wanted": 14.5, "smallest": 14.47}, 14.49),
        ({"wanted": 14.5, "largest": 14.53}, 14.52),
        ({"wanted": 14.5, "smallest": 14.4, "largest": 14.6}, 14.5),
    ],
)
def test_the_aim_lies_inside_on_the_side_where_metal_is_left(
    given: dict[str, Any], aim: float
) -> None:
    sizes = {name: Fraction(str(value)) for name, value in given.items()}
    low, aimed, high = limits(PlanQuestion(now=Fraction(16), **sizes))
    assert aimed == pytest.approx(aim)
    assert low < aimed < high


def test_equal_parts_are_cut_at_each_setting() -> None:
    answer = _plan("from 16 to 14.5 brass 4 parts")
    assert answer.parts == 4
    assert "all 4 parts" in answer.next_detail


def test_everything_settled_can_be_written_down_and_read_again() -> None:
    asked = PlanQuestion(now=Fraction(16), wanted=Fraction("14.5"), overhang=Fraction(60))
    shop = needs(asked, WORKSHOP)
    spec = settled(asked, shop.machine, shop.metal).spec
    assert CutSpec(**asdict(spec)) == spec
    assert MILL not in (shop.machine,)


@given(st.integers(0, 4000), st.sampled_from([40, 50, 60, 100, 125]))
def test_a_dial_counts_up_going_in_and_down_coming_out(quarters: int, per_turn: int) -> None:
    """Wind out what was wound in and the dial is where it was: the two marks make whole turns."""
    marks = []
    for job in (Job.OUTSIDE, Job.BORE):
        said = stands_say(replace(PLAIN, job=job, per_turn=per_turn), quarters / 4)
        whole, _, part = said.removeprefix("the dial at ").partition(" ")
        whole, part = ("0", whole) if "/" in whole else (whole, part)
        marks.append(Fraction(whole) + Fraction(part or "0"))
    assert all(0 <= mark < per_turn for mark in marks)
    assert sum(marks) % per_turn == 0
    assert marks[0] == Fraction(quarters, 4) % per_turn


@pytest.mark.parametrize(
    ("name", "outside", "inside", "depth"),
    [
        ("micrometer 0 to 25", True, False, False),
        ("inside micrometer", False, True, False),
        ("depth micrometer", False, False, True),
        ("dial indicator 10", False, False, False),
        ("caliper", True, True, True),
        ("telescopic gauge", False, True, False),
        ("plug gauge", False, True, False),
    ],
)
def test_what_a_measuring_tool_reaches(name: str, outside: bool, inside: bool, depth: bool) -> None:
    tool = ShopTool(ToolKind.MEASURE, name, Fraction(150), resolution_mm=0.01)
    assert [reads(tool, what) for what in ("outside", "inside", "depth")] == [
        outside,
        inside,
        depth,
    ]


def test_a_bore_is_read_by_what_reads_bores() -> None:
    """Nothing in Back Shed's drawer reads a bore but the caliper, to 0.02."""
    for job, now, wanted, reads_to in ((Job.BORE, 14, 16, 0.02), (Job.OUTSIDE, 16, 14, 0.01)):
        asked = PlanQuestion(job, now=Fraction(now), wanted=Fraction(wanted))
        assert needs(asked, WORKSHOP).reads_to_mm == reads_to


def test_a_reading_after_done_may_be_of_the_pass_just_told() -> None:
    """Done, then cut what is told and typed: not a slip, and not the pass before."""
    spec = replace(PLAIN, spring_ratio=0.2)
    first = next_pass(spec, begin(spec).at)
    assert first is not None
    done = follow(spec, [Event(1, EventKind.DONE)])
    second = next_pass(spec, done.at)
    assert second is not None
    size = spec.size(second.leaves_mm)
    assert slip(spec, done, size) is None
    read = follow(spec, [Event(1, EventKind.DONE), Event(2, EventKind.READING, (size,))])
    assert read.outcomes[-1].passes == 2
    assert read.outcomes[-1].wound == first.divisions + second.divisions
    # One that fits the pass before is of that one.
    before = spec.size(done.at.left_mm)
    one = follow(spec, [Event(1, EventKind.DONE), Event(2, EventKind.READING, (before,))])
    assert one.outcomes[-1].passes == 1


def test_a_last_cut_that_is_not_known_well_enough_is_taken_in_two() -> None:
    """Springing as much as it cuts, limits a hundredth apart: half, a reading, then the rest."""
    spec = replace(
        PLAIN, spring_ratio=1.0, low_mm=PLAIN.aim_mm - 0.005, high_mm=PLAIN.aim_mm + 0.005
    )
    at = replace(at_start(spec), left_mm=spec.finish_mm, load_mm=0.0)
    told = next_pass(spec, at)
    assert told is not None
    assert told.kind is PassKind.MEASURE
    assert told.leaves_mm > 0


def test_under_a_skin_the_first_pass_has_its_own_speed_and_goes_deep_enough() -> None:
    cut = _plan("turn 54 to 40 cast iron skin")
    sound = _plan("turn 54 to 40 cast iron")
    assert cut.passes[0].take_mm.value >= 2 * 0.8 - 0.03
    assert cut.rough_set.startswith("under the skin")
    assert cut.rough_set.endswith(sound.rough_set)
    assert "the skin" in {c.about for c in cut.cautions}
    thin = _plan("turn 60 to 59 cast iron skin")
    assert any("Only" in c.says for c in thin.cautions if c.about == "the skin")


def test_an_austenitic_keeps_enough_for_its_last_cut() -> None:
    """0.2 to 0.25 on the diameter, not a tenth that rubs. Common practice."""
    cut = _plan("turn 20 to 18 stainless 304")
    last = [one.take_mm.value for one in cut.passes if one.kind is PassKind.LAST]
    assert 0.17 <= last[-1] <= 0.28


def test_limits_nobody_typed_are_not_nagged_about() -> None:
    assert not {"the dial", "the gauge"} & {
        c.about for c in _plan("turn 16 to 14.5 brass").cautions
    }
    typed = _plan("turn 16 to 14.5 brass limits +0.01 -0.01")
    assert "the dial" in {c.about for c in typed.cautions}


@pytest.mark.parametrize(
    ("line", "about"),
    [
        ("bore cored 18 to 25 cast iron", {"the hole there", "the skin"}),
        ("bore cored 18 to 19 cast iron", {"the hole there", "cleaning up"}),
        ("bore 15.5 drilled to 16.5 mild steel", {"the hole there"}),
        ("bore 15.8 drilled to 16 mild steel", {"the hole there", "cleaning up"}),
        ("bore 15.8 to 16 mild steel", set()),
    ],
)
def test_a_hole_that_is_there_is_taken_as_it_came_to_be(line: str, about: set[str]) -> None:
    said = {c.about for c in _plan(line).cautions}
    assert about <= said
    assert ("the hole there" in said) == bool(about)


def test_a_cored_hole_is_gone_under_in_one_bite_like_any_skin() -> None:
    first = _plan("bore cored 18 to 25 cast iron").passes[0]
    assert first.take_mm.value >= 1.55
    assert _plan("bore 18 to 25 cast iron").passes[0].take_mm.value < 1.2
