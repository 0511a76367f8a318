"""Threads: every name finds its own, drills within bounds, depths that add up, refusals in words."""

from __future__ import annotations

import math
from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask import ask
from runk.core.catalogue import CATALOGUE
from runk.core.holes.question import Ends
from runk.core.pressures import read_pressure
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.threads import find_thread, threads
from runk.core.threads.clearance import ClearanceQuestion, Fit, clearance
from runk.core.threads.clearance import needs as clear_needs
from runk.core.threads.cover import cover
from runk.core.threads.cover_question import CoverQuestion
from runk.core.threads.die import DieQuestion, die
from runk.core.threads.die import needs as die_needs
from runk.core.threads.engage import School
from runk.core.threads.series import Thread
from runk.core.threads.stud import StudQuestion, stud
from runk.core.threads.stud import needs as stud_needs
from runk.core.threads.tap import needs, settle, tap
from runk.core.threads.tap_question import LastTap, TapQuestion
from runk.core.threads.thread import alike
from runk.core.threads.tighten import TightenQuestion, tighten
from runk.core.threads.tighten import needs as tighten_needs
from runk.core.threads.which import WhichQuestion, which
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import WORKSHOP

METALS = ["brass", "mild-steel", "stainless-304", "grey-iron", "copper", "aluminium-6082"]
ALL = threads()


def test_every_thread_is_found_by_its_own_name() -> None:
    assert len({t.name for t in ALL}) == len(ALL)
    assert [find_thread(t.name) for t in ALL] == list(ALL)
    assert [find_thread(t.name.lower().replace(" ", "")) for t in ALL] == list(ALL)


@pytest.mark.parametrize(
    ("typed", "name"),
    [
        ("M4", "M4"),
        ("m4x0.7", "M4"),
        ("M4x0,5", "M4x0.5"),
        ("M4 x .5", "M4x0.5"),
        ("M10 x 1", "M10x1"),
        ("2BA", "2 BA"),
        ("BA 2", "2 BA"),
        ("1/4x40", "1/4x40 ME"),
        ("1/4 x 40 tpi", "1/4x40 ME"),
        ("1/4-20", "1/4-20 UNC"),
        ('1/4" BSW', "1/4x20 BSW"),
        ("1/4 Whitworth", "1/4x20 BSW"),
        ("10-32", "#10-32 UNF"),
        ("#4-40", "#4-40 UNC"),
        ("No 4-40", "#4-40 UNC"),
        ("4-40 UNC", "#4-40 UNC"),
        ("3/16 BSF", "3/16x32 BSF"),
        ("G1/8", "G1/8"),
        ("1/8 BSP", "G1/8"),
        ("5/16 ME 32", "5/16x32 ME"),
        ("5/16-32", "5/16-32 UNEF"),
        ("M3 fine", "M3x0.35"),
        ("4.3x0.7", "special 4.3 x 0.7"),
    ],
)
def test_names_as_people_type_them(typed: str, name: str) -> None:
    assert find_thread(typed).name == name


@pytest.mark.parametrize(
    ("typed", "says", "suggest"),
    [
        ("1/4", "several 1/4 threads", "1/4-20 UNC"),
        ("M4.3", "No series here", "M4"),
        ("17BA", "no 17 BA", "2BA"),
        ("M10 fine", "Which fine M10", "M10x1.25"),
        ("M4x3", "almost nothing", "4x"),
        ("", "Which thread", "M4"),
        ("x" * 60, "too long", "M4"),
        ("0x1", "more than 0", "4.3"),
        ("1/4-21", "No series here", "1/4"),
    ],
)
def test_what_no_series_has(typed: str, says: str, suggest: str) -> None:
    with pytest.raises(Refused) as caught:
        find_thread(typed)
    assert says in caught.value.says
    assert suggest in (caught.value.suggest or "")


def test_four_forty_is_a_thread_and_four_minus_forty_a_sum(workshop: Workshop) -> None:
    assert ask("tap 4-40 brass", workshop).read.question.thread.name == "#4-40 UNC"
    with pytest.raises(Refused):
        ask("4 - 40", workshop)


@st.composite
def asked(draw: st.DrawFn) -> TapQuestion:
    deep = draw(st.none() | st.integers(5, 300).map(lambda n: Fraction(n, 10)))
    ends = draw(st.sampled_from(Ends)) if deep else Ends.THROUGH
    return TapQuestion(
        draw(st.sampled_from(ALL)),
        draw(st.sampled_from(METALS)),
        deep,
        ends,
        school=draw(st.sampled_from(School)),
        last=draw(st.sampled_from([None, *LastTap])),
    )


@given(asked())
def test_a_tapped_hole_keeps_its_bounds(question: TapQuestion) -> None:
    question = settle(question, WORKSHOP, {})
    try:
        answer = tap(question, needs(question, WORKSHOP))
    except Refused as refused:
        assert "No drill" in refused.says
        return
    thread = question.thread
    owned = {d.name: d for d in WORKSHOP.drills}
    for choice in answer.drills:
        assert owned[choice.name].sound
        assert 45 - 1e-6 <= choice.engagement_percent.value <= thread.form.tightest_percent + 1e-6
        assert 0 < choice.strength_percent.value <= 100
    sizes = [c.mm.value for c in answer.drills]
    engaged = [c.engagement_percent.value for c in answer.drills]
    assert sizes == sorted(sizes)
    assert engaged == sorted(engaged, reverse=True)
    assert sum(c.chosen for c in answer.drills) == 1
    off = [abs(e - answer.target_percent.value) for e in engaged]
    assert abs(answer.engagement_percent.value - answer.target_percent.value) == pytest.approx(
        min(off)
    )
    assert answer.torque_low_nm.value < answer.torque_nm.value < answer.torque_high_nm.value
    if question.deep is not None and question.ends is Ends.BLIND:
        assert answer.hole_depth_mm is not None
        assert answer.hole_depth_mm.value > float(question.deep) + answer.lead_mm.value
    assert {s.school for s in answer.schools} == {"easy", "book"}


def test_targets_by_metal_depth_and_size() -> None:
    def target(name: str, metal: str, deep: int | None = None) -> float:
        question = TapQuestion(find_thread(name), metal, None if deep is None else Fraction(deep))
        return tap(question, needs(question, WORKSHOP)).target_percent.value

    # Common practice: brass and iron 70, mild steel 65, stainless 60, aluminium 72; 5 less deep
    # and for taps under 2 mm.
    assert [
        target("M5", m) for m in ("brass", "mild-steel", "stainless-303", "aluminium-6082")
    ] == [70, 65, 60, 72]
    assert target("M5", "brass", 11) == 65
    assert target("M1.6", "brass") == 65


@pytest.mark.parametrize(
    ("question", "field", "says"),
    [
        (TapQuestion(find_thread("M4"), ends=Ends.BLIND), "deep", "How deep"),
        (
            TapQuestion(find_thread("M4"), deep=Fraction(9), ends=Ends.BLIND, thick=Fraction(8)),
            "deep",
            "goes through",
        ),
        (TapQuestion(find_thread("50x2")), "thread", "No drill in the trays"),
    ],
)
def test_a_tapped_hole_that_cannot_be(question: TapQuestion, field: str, says: str) -> None:
    with pytest.raises(Refused) as caught:
        tap(question, needs(question, WORKSHOP))
    assert caught.value.field == field
    assert says in caught.value.says


def test_a_blind_hole_that_breaks_through_stops() -> None:
    question = TapQuestion(find_thread("M4"), "mild-steel", Fraction(8), Ends.BLIND, Fraction(10))
    answer = tap(settle(question, WORKSHOP, {}), needs(question, WORKSHOP))
    assert ("Stop", "breaking through") in {(c.word, c.about) for c in answer.cautions}


def test_the_last_tap_is_one_that_is_owned() -> None:
    question = TapQuestion(find_thread("1/4x40"), "brass", Fraction(6), Ends.BLIND)
    settled = settle(question, WORKSHOP, {})
    # Only taper and second are in the drawer.
    assert settled.last is LastTap.SECOND
    assert not [
        c for c in tap(settled, needs(settled, WORKSHOP)).cautions if c.about == "the drawer"
    ]
    forced = replace(question, last=LastTap.BOTTOMING)
    assert [c for c in tap(forced, needs(forced, WORKSHOP)).cautions if c.about == "the drawer"]


@given(st.sampled_from(ALL), st.sampled_from(Fit))
def test_a_clearance_hole_clears(thread: object, fit: Fit) -> None:
    question = ClearanceQuestion(thread, fit)  # type: ignore[arg-type]
    try:
        answer = clearance(question, clear_needs(question, WORKSHOP))
    except Refused:
        return
    if fit is Fit.REAMED:
        assert 0 <= answer.drill_mm.value - question.thread.major_mm < 0.02 * answer.drill_mm.value
    elif answer.drill_mm is None:
        # The size is known whether or not its drill is owned.
        assert answer.drill_name == "none owned"
        assert answer.hole_mm.value > question.thread.major_mm
    else:
        assert answer.drill_mm.value > question.thread.major_mm
    assert answer.fine_mm.value <= answer.medium_mm.value <= answer.coarse_mm.value


def test_a_die_is_cleaned_before_it_packs() -> None:
    coarse = DieQuestion(find_thread("2BA"), "stainless-303", Fraction(20))
    answer = die(coarse, die_needs(coarse, WORKSHOP))
    # A quarter inch at 2 BA in stainless: common practice.
    assert answer.clean_every_mm.value == pytest.approx(6.35, abs=0.3)
    assert answer.withdrawals == 3
    fine = DieQuestion(find_thread("M3"), "stainless-303", Fraction(16))
    assert die(fine, die_needs(fine, WORKSHOP)).withdrawals == 2
    for thread in ALL:
        question = DieQuestion(thread, "brass")
        answer = die(question, die_needs(question, WORKSHOP))
        assert answer.pilot_mm.value < answer.blank_mm.value < thread.major_mm
    with pytest.raises(Refused, match="less than one turn"):
        die(replace(fine, long=Fraction("0.3")), die_needs(fine, WORKSHOP))


def test_a_stud_adds_up_and_says_what_gives_first() -> None:
    question = StudQuestion(
        find_thread("M4"),
        "aluminium-6082",
        "stainless-303",
        Fraction(5),
        Fraction(1, 2),
        Fraction(1),
        engaged=Fraction(2),
        count=6,
    )
    answer = stud(question, stud_needs(question, WORKSHOP))
    total = answer.engaged_mm.value + answer.plain_mm.value + answer.nut_end_mm.value
    assert total == pytest.approx(answer.length_mm.value)
    assert answer.weakest == "the metal strips first"
    assert answer.cautions[0].about == "the thread"
    assert answer.stock_mm.value > 6 * answer.length_mm.value
    with pytest.raises(Refused, match="How thick"):
        stud(replace(question, cover=None), stud_needs(question, WORKSHOP))


@pytest.mark.parametrize("thread", [find_thread(n) for n in ("M3", "M4", "2BA", "4BA", "6BA")])
@pytest.mark.parametrize("bar", [1.0, 5.5, 10.0])
def test_a_cover_is_never_over_its_stress_unless_told(thread: object, bar: float) -> None:
    question = CoverQuestion(thread, bar / 10, Fraction(22))  # type: ignore[arg-type]
    answer = cover(question)
    assert answer.stress_n_per_mm2.value <= answer.allowed_n_per_mm2.value
    assert answer.count >= answer.least
    assert answer.cautions[0].about == "stored energy"
    assert answer.share_n.value * answer.count == pytest.approx(answer.load_n.value)


@pytest.mark.parametrize(
    ("change", "field", "says"),
    [
        ({"pressure": 4.0, "seal": Fraction(60)}, "thread", "overlap"),
        ({"count": 40}, "count", "overlap"),
        ({"circle": Fraction(23)}, "circle", "cuts into"),
        ({"circle": Fraction(40), "rim": Fraction(40)}, "circle", "runs off"),
    ],
)
def test_studs_that_do_not_fit(change: dict[str, object], field: str, says: str) -> None:
    question = replace(CoverQuestion(find_thread("M3"), 0.5, Fraction(22)), **change)  # type: ignore[arg-type]
    with pytest.raises(Refused) as caught:
        cover(question)
    assert caught.value.field == field
    assert says in caught.value.says


def test_a_pressure_in_any_unit_and_nonsense_refused() -> None:
    assert read_pressure("80 psi", PageUnit.MM) == pytest.approx(0.5516, abs=1e-4)
    assert read_pressure("0.55 MPa", PageUnit.INCH) == pytest.approx(0.55)
    assert read_pressure("80", PageUnit.INCH) == read_pressure("80 psi", PageUnit.MM)
    for wrong in ("-5 bar", "lots", "5 fathoms", "1e9"):
        with pytest.raises(Refused):
            read_pressure(wrong, PageUnit.MM)


def test_a_nut_is_not_stretched_past_its_proof() -> None:
    question = TightenQuestion(find_thread("M4"), share=95.0)
    with pytest.raises(Refused, match="leaves nothing"):
        tighten(question, tighten_needs(question, WORKSHOP))
    with_grip = TightenQuestion(find_thread("M4"), grip=Fraction(10))
    answer = tighten(with_grip, tighten_needs(with_grip, WORKSHOP))
    assert answer.past_snug_deg is not None
    assert answer.cautions[0].about == "the figure"


@given(st.sampled_from(ALL), st.floats(0, 0.015))
def test_a_worn_thread_is_among_its_candidates(thread: object, worn: float) -> None:
    size = Fraction(round(thread.major_mm * (1 - worn), 3)).limit_denominator(1000)  # type: ignore[attr-defined]
    answer = which(WhichQuestion(size, thread.pitch))  # type: ignore[attr-defined]
    ours = [c for c in answer.candidates if c.major_mm.value == pytest.approx(thread.major_mm)]  # type: ignore[attr-defined]
    assert ours


@given(st.sampled_from(ALL), st.integers(0, 40))
def test_a_plated_thread_is_among_its_candidates(thread: Thread, microns: int) -> None:
    """Plating and a hand on the caliper together: up to 0.04 mm over."""
    size = thread.major + Fraction(microns, 1000)
    answer = which(WhichQuestion(size, thread.pitch))
    assert thread.major_mm in [pytest.approx(c.major_mm.value) for c in answer.candidates]


def test_a_pitch_that_fits_outweighs_a_size_that_nearly_does() -> None:
    answer = which(WhichQuestion(Fraction("4.73"), Fraction("0.81")))
    assert answer.candidates[0].name == "2 BA"


def test_a_drill_far_from_the_fit_is_said_so() -> None:
    tiny = ClearanceQuestion(find_thread("16BA"))
    assert "over what this fit wants" in clearance(tiny, WORKSHOP.drills).cautions[0].says
    usual = ClearanceQuestion(find_thread("M3"))
    assert [c.about for c in clearance(usual, WORKSHOP.drills).cautions] == ["where it sits"]


def test_what_looks_alike_does_not_mate() -> None:
    for thread in ALL:
        for other in alike(thread):
            assert (other.major, other.pitch, other.form.angle_deg) != (
                thread.major,
                thread.pitch,
                thread.form.angle_deg,
            )
            assert (
                thread.name in {t.name for t in alike(other)} or other.major_mm != thread.major_mm
            )


@pytest.mark.parametrize(
    ("drill", "percent", "word"),
    # 2 BA: 4.7 mm, working depth 0.6 × 0.81 each side. By hand.
    [("5/32 in", 75.2, ""), ("3.73", 99.4, "Mind"), ("4.1", 61.7, ""), ("4.4", 30.9, "Stop")],
)
def test_a_drill_of_ones_own_is_judged(drill: str, percent: float, word: str) -> None:
    asks = CATALOGUE["tap"]
    typed = {"thread": "2BA", "metal": "brass", "drill": drill}
    answer = asks.ask(read_question(asks, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)
    assert answer.engagement_percent.value == pytest.approx(percent, abs=0.3)
    assert {c.about: c.word for c in answer.cautions}.get("the drill", "") == word


@pytest.mark.parametrize("drill", ["4.7", "2"])
def test_a_drill_that_leaves_no_thread_or_no_way_in_is_refused(drill: str) -> None:
    asks = CATALOGUE["tap"]
    typed = {"thread": "2BA", "metal": "brass", "drill": drill}
    with pytest.raises(Refused) as caught:
        asks.ask(read_question(asks, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)
    assert caught.value.field == "drill"


@pytest.mark.parametrize("engaged", ["2", "4", "8", "20"])
@pytest.mark.parametrize("into", ["aluminium-6082", "cast-aluminium", "brass", "mild-steel"])
def test_a_nut_is_tightened_by_the_weaker_of_the_two(engaged: str, into: str) -> None:
    """Yield in shear over 0.875 π D Le by hand, against half the stud's proof load."""
    calculator = CATALOGUE["tighten"]
    typed = {"thread": "M6", "metal": "42crmo4", "into": into, "engaged": engaged}
    question = read_question(calculator, typed, PageUnit.MM, WORKSHOP).question
    answer = calculator.ask(question, WORKSHOP)
    shear = 0.6 * WORKSHOP.metals[into]["rp02_n_per_mm2"]
    strips = 0.875 * math.pi * 6 * float(engaged) * shear
    proof = 20.123 * WORKSHOP.metals["42crmo4"]["rp02_n_per_mm2"]
    assert answer.pull_n.value == pytest.approx(0.5 * min(strips, proof), rel=0.01)
    assert ("the thread" in {c.about for c in answer.cautions}) == (strips < proof)


@pytest.mark.parametrize("drill", ["9.9999999", "10", "10.0000001"])
def test_a_drill_of_the_threads_own_size_leaves_no_thread_however_it_is_typed(drill: str) -> None:
    read = read_question(
        CATALOGUE["tap"], {"thread": "M10", "metal": "brass", "drill": drill}, PageUnit.MM, WORKSHOP
    )
    with pytest.raises(Refused, match="no thread left"):
        CATALOGUE["tap"].ask(read.question, WORKSHOP)


def test_a_cover_no_larger_than_its_bore_covers_nothing() -> None:
    question = CoverQuestion(find_thread("M3"), 0.55, Fraction(22), rim=Fraction(22))
    with pytest.raises(Refused, match="does not cover a bore"):
        cover(question)
