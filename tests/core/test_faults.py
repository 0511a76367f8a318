"""The fault finder: the first change, the new setting, and run-out traced to its place."""

from __future__ import annotations

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask import ask as ask_line
from runk.core.catalogue import CATALOGUE
from runk.core.faults.finder import FaultAnswer
from runk.core.faults.question import CUTTING, SIGNS, FaultQuestion, Sign
from runk.core.faults.taper import read_taper
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import LATHE, WORKSHOP

FAULTS = CATALOGUE["faults"]
CUT = {"metal": "silver-steel", "diameter": "22", "rpm": "500"}


def find(**typed: str) -> FaultAnswer:
    """An answer from fields as typed."""
    read = read_question(FAULTS, typed, PageUnit.MM, WORKSHOP)
    answer = FAULTS.ask(read.question, WORKSHOP)
    assert isinstance(answer, FaultAnswer)
    return answer


def refused(**typed: str) -> Refused:
    """The refusal a question gets."""
    with pytest.raises(Refused) as caught:
        find(**typed)
    return caught.value


@pytest.mark.parametrize("sign", list(Sign))
def test_every_sign_has_causes_in_order(sign: Sign) -> None:
    answer = find(
        sign=sign,
        **(CUT if sign in CUTTING else {}),
        **({"at_work": "4 thou"} if sign == "run-out" else {}),
    )
    assert len(answer.causes) >= 2
    assert [c.order for c in answer.causes] == list(range(1, len(answer.causes) + 1))
    assert answer.first
    assert answer.first_check
    assert all(c.source == "Common practice in small workshops" for c in answer.causes)


def test_a_whine_too_fast_is_slowed_to_a_belt_the_lathe_has() -> None:
    answer = find(sign="whine", **CUT)
    # Silver steel at 22 mm wants 203; the next within 15 % of it is 142.
    assert answer.target_rpm is not None
    assert answer.target_rpm.value == pytest.approx(202.6, abs=0.1)
    assert answer.new_rpm is not None
    assert (answer.new_rpm.value, answer.new_position) == (142, "belt 3, back gear")
    assert answer.causes[0].change == "speed"


def test_a_whine_that_is_slow_already_is_not_slowed() -> None:
    answer = find(sign="whine", **(CUT | {"rpm": "48"}))
    assert answer.new_rpm is None
    assert answer.first.startswith("the tool stands out")
    assert answer.causes[-1].change == "speed"


def test_a_built_up_edge_is_run_faster() -> None:
    answer = find(sign="built-up", metal="mild-steel", diameter="30", tool="carbide", rpm="290")
    assert answer.new_rpm is not None
    assert 290 < answer.new_rpm.value <= 1061 * 1.15
    fast = find(sign="built-up", metal="mild-steel", diameter="30", tool="carbide", rpm="1480")
    assert fast.new_rpm is None
    # The next belt is faster though it is only a little so.
    near = find(sign="built-up", metal="mild-steel", diameter="50", tool="carbide", rpm="470")
    assert near.new_rpm is not None
    assert near.new_rpm.value == 500


@given(
    st.sampled_from(["whine", "glazed", "torn", "built-up"]), st.floats(2, 80), st.floats(40, 2000)
)
def test_a_new_setting_is_always_one_of_the_machines_and_the_right_way(
    sign: str, diameter: float, rpm: float
) -> None:
    answer = find(sign=sign, metal="mild-steel", diameter=f"{diameter:.2f}", rpm=f"{rpm:.1f}")
    if answer.new_rpm is None:
        return
    assert answer.new_rpm.value in {s.rpm for s in LATHE.steps}
    assert answer.target_rpm is not None
    faster = answer.new_rpm.value > float(f"{rpm:.1f}")
    # Only a torn surface may want either.
    wants = sign == "built-up" or (sign == "torn" and rpm < answer.target_rpm.value)
    assert faster == wants


def test_a_setting_far_off_is_looked_at_first() -> None:
    tool_steel = find(sign="torn", metal="silver-steel", diameter="16", rpm="860")
    assert tool_steel.causes[0].change == "speed"
    assert tool_steel.new_rpm is not None
    assert tool_steel.new_rpm.value <= 279 * 1.15
    near = find(sign="torn", metal="silver-steel", diameter="16", rpm="290")
    assert near.causes[0].change == "tool"
    slow = find(sign="torn", metal="mild-steel", diameter="16", rpm="142")
    assert slow.new_rpm is not None
    assert slow.new_rpm.value > 142


def test_an_edge_that_rubbed_gets_the_usual_feed_and_a_steel_drill_is_not_dulled() -> None:
    rubbed = find(sign="glazed", metal="stainless-304", diameter="12", rpm="290", feed="0.01")
    assert rubbed.new_feed_mm_per_rev is not None
    assert 0.03 <= rubbed.new_feed_mm_per_rev.value <= 0.2
    steady = find(sign="glazed", metal="stainless-304", diameter="12", rpm="290", feed="0.2")
    assert steady.new_feed_mm_per_rev is None
    cut = {"sign": "snatching", "operation": "drill", "diameter": "6", "rpm": "860"}
    assert find(**cut, metal="brass").causes[0].cause.startswith("rake on the lips")
    assert find(**cut, metal="mild-steel").causes[-1].cause.startswith("rake on the lips")


def test_a_sign_of_a_cut_wants_its_setting() -> None:
    assert refused(sign="whine", metal="ms", diameter="22").field == "rpm"
    assert refused(sign="whine", metal="ms", rpm="300").field == "diameter"
    assert refused(sign="whine", **(CUT | {"rpm": "0"})).field == "rpm"
    assert refused(metal="ms").field == "sign"
    assert refused(sign="humming").field == "sign"
    assert refused(sign="run-out").field == "at_work"


@pytest.mark.parametrize(
    ("readings", "worst", "adds"),
    [
        (
            {"at_work": "6 thou", "at_collet": "5 thou", "at_chuck": "1 thou"},
            "the collet",
            [1, 4, 1],
        ),
        ({"at_work": "6 thou", "at_collet": "1 thou"}, "the work", [5, 1]),
        (
            {"at_work": "9 thou", "at_chuck": "8 thou", "at_taper": "7 thou"},
            "the taper behind it",
            [1, 1, 7],
        ),
        ({"at_work": "2 thou"}, "the work", [2]),
    ],
)
def test_run_out_is_traced_to_where_it_comes_in(
    readings: dict[str, str], worst: str, adds: list[float]
) -> None:
    answer = find(sign="run-out", **readings)
    assert worst in answer.first
    assert [j.adds_mm.value / 0.0254 for j in answer.trace] == pytest.approx(adds)
    # What each part adds comes to what is read at the work.
    assert sum(j.adds_mm.value for j in answer.trace) == pytest.approx(
        answer.trace[0].reading_mm.value
    )
    assert [j.worst for j in answer.trace].count(True) == 1


def test_a_place_left_out_and_a_chuck_not_true_to_itself_are_named() -> None:
    skipped = find(sign="run-out", at_work="9 thou", at_chuck="2 thou")
    assert "the collet" in skipped.first_check
    untrue = find(sign="run-out", at_work="4 thou", at_chuck="1 thou", at_taper="3 thou")
    assert "not true to its jaws" in untrue.first_check
    assert "one step back" in find(sign="run-out", at_work="4 thou").first


@pytest.mark.parametrize("sign", [s.key for s in SIGNS if s.key not in (*CUTTING, "run-out")])
def test_every_other_sign_answers_without_a_speed(sign: str) -> None:
    answer = find(sign=sign)
    assert [cause.order for cause in answer.causes] == list(range(1, len(answer.causes) + 1))
    assert answer.first == answer.causes[0].cause
    assert len(answer.causes) >= 2


def test_two_thou_may_do_and_ten_will_not() -> None:
    assert "may well do" in find(sign="run-out", at_work="2 thou").first_check
    assert find(sign="run-out", at_work="5 thou").cautions == ()
    assert "will not do" in find(sign="run-out", at_work="11 thou").cautions[0].says


@pytest.mark.parametrize(
    ("line", "sign", "first"),
    [
        ("chatter boring 22mm cast iron carbide at 1480 rpm", "whine", "too fast"),
        ("drill snatches 6 mm brass 860 rpm", "snatching", "rake"),
        ("runs out 6 thou at work 5 thou collet 1 thou chuck", "run-out", "the collet"),
        ("bell mouth", "bell-mouth", "springs least"),
        ("the part comes out tapered", "taper", "springs away"),
        ("it will not enter", "cone", "burr"),
    ],
)
def test_said_in_a_line(line: str, sign: str, first: str, workshop: Workshop) -> None:
    asked = ask_line(line, workshop)
    assert asked.calculator.name == "faults"
    assert asked.read.question.sign == sign
    assert first in asked.answer.first


@pytest.mark.parametrize(
    ("line", "first", "says"),
    [
        (
            "comes out tapered 20.04 free 20 chuck 100 apart between 200",
            "tailstock out of line",
            "0.040 mm (1.6 thou) towards the tool",
        ),
        (
            "comes out tapered 20 free 20.04 chuck 100 apart between 200",
            "tailstock out of line",
            "away from the tool",
        ),
        ("comes out tapered 20.04 free 20 chuck 100 apart", "the work springs away", "a centre"),
        (
            # In the chuck alone there is no tailstock to be out of line.
            "comes out tapered 20 free 20.04 chuck 100 apart",
            "headstock or top-slide",
            "which spring cannot do",
        ),
        ("bell mouth 22.05 mouth 22 inside 40 apart", "the bar springs", "0.025 mm"),
        ("bell mouth 22 mouth 22.05 inside 40 apart", "chucked work springs", "not a bell mouth"),
        ("bore tapers 20 mouth 20.02 inside 30 apart", "chucked work springs", "no tailstock has"),
        ("tapered", "the work springs away", "light passes"),
    ],
)
def test_the_way_a_taper_goes_says_what_to_move(line: str, first: str, says: str) -> None:
    answer = ask_line(line, WORKSHOP, PageUnit.MM).answer
    assert answer.first.startswith(first)
    assert says in worded(answer.first_check, PageUnit.MM)


@pytest.mark.parametrize(
    ("changed", "says"),
    [
        ({"near": 20, "far": 20}, "no taper"),
        ({"near": 10, "far": 20.5}, "radius"),
        ({"near": 20, "far": 20.5, "between": 50}, "whole length"),
    ],
)
def test_measurements_that_contradict_are_refused(changed: dict[str, float], says: str) -> None:
    given = {name: Fraction(str(value)) for name, value in changed.items()}
    with pytest.raises(Refused, match=says):
        read_taper(FaultQuestion(Sign.TAPER, apart=Fraction(100), **given))


@given(
    st.floats(-0.5, 0.5),
    st.floats(50, 400),
    st.floats(0.05, 0.4),
    st.floats(0.5, 0.9),
    st.floats(3, 40),
)
def test_a_tailstock_put_over_by_the_answer_turns_parallel(
    off: float, between: float, one: float, other: float, radius: float
) -> None:
    """Turn with the tailstock off by a known amount, measure, ask: the answer is that amount."""
    # The work turns about the line of the centres; the tool runs along the bed at one setting.
    turned = [2 * (radius - off * at) for at in (one, other)]
    if abs(turned[1] - turned[0]) < 0.003 or max(turned) - min(turned) >= min(turned):
        return
    exact = [Fraction(d) for d in turned]
    says = read_taper(
        FaultQuestion(
            Sign.TAPER,
            near=exact[0],
            far=exact[1],
            apart=Fraction(other * between) - Fraction(one * between),
            between=Fraction(between),
        )
    )
    assert says is not None
    assert says.move_mm.value == pytest.approx(abs(off), rel=1e-9)
    # Too near the tool turns small there: it has to go away from it.
    assert ("away from" in says.says) == (off > 0)
