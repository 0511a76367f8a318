"""Laws of threads and holes turned round, and which way each of them grows."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.cutting import laws as cut_laws
from runk.core.cutting import tapping
from runk.core.holes import laws as hole_laws
from runk.core.holes.pick import above, below, exact, nearest, ream_allowance
from runk.core.threads import laws, threads
from runk.core.threads.series import normal
from runk.core.tools.sets import tool_set
from runk.core.workshop import Workshop

ALL = threads()
TENTHS = tool_set("metric")


@given(st.sampled_from(ALL), st.floats(45, 83))
def test_the_drill_for_an_engagement_leaves_that_engagement(thread: object, percent: float) -> None:
    working = thread.form.working * thread.pitch_mm  # type: ignore[attr-defined]
    drill = laws.tapping_mm(thread.major_mm, working, percent)  # type: ignore[attr-defined]
    back = laws.engagement_percent(thread.major_mm, drill, working)  # type: ignore[attr-defined]
    assert back == pytest.approx(percent)


@given(st.sampled_from(ALL), st.floats(0.05, 0.9), st.floats(0.05, 0.9))
def test_more_thread_is_more_groove_and_more_torque(
    thread: object, one: float, other: float
) -> None:
    low, high = sorted((one, other))
    form, p = thread.form, thread.pitch_mm  # type: ignore[attr-defined]
    areas = [tapping.groove_mm2(form.crest * p, share * p, form.angle_deg) for share in (low, high)]
    assert areas[0] <= areas[1]
    torques = [tapping.tap_nm(area, 2000.0, 4.0, 1.3) for area in areas]
    assert torques[0] <= torques[1]


@given(st.sampled_from(ALL), st.floats(0.0, 1.0))
def test_a_larger_hole_never_holds_more(thread: object, share: float) -> None:
    form, p = thread.form, thread.pitch_mm  # type: ignore[attr-defined]
    effective = thread.major_mm - form.effective * p  # type: ignore[attr-defined]
    hole = thread.minor_mm + share * (thread.major_mm - thread.minor_mm)  # type: ignore[attr-defined]
    full = laws.screw_shear_mm(thread.minor_mm, effective, p, form.angle_deg)  # type: ignore[attr-defined]
    assert laws.screw_shear_mm(hole, effective, p, form.angle_deg) <= full + 1e-9


@given(st.floats(0.5, 60), st.floats(60, 150))
def test_a_blunter_point_is_shorter(diameter: float, angle: float) -> None:
    assert cut_laws.point_mm(diameter, angle) >= cut_laws.point_mm(diameter, angle + 10)


@given(st.floats(1, 40), st.floats(0, 79))
def test_a_passage_is_the_long_side_of_its_triangle(across: float, angle: float) -> None:
    along = hole_laws.along_mm(across, angle)
    long = hole_laws.passage_mm(across, angle)
    assert long**2 == pytest.approx(along**2 + across**2)


@given(st.floats(1.0, 10.0))
def test_tools_around_a_size(size: float) -> None:
    under, over, near = below(TENTHS, size), above(TENTHS, size), nearest(TENTHS, size)
    assert under is not None
    assert near is not None
    assert under.mm <= size + 1e-9
    assert over is None or over.mm > size
    assert abs(near.mm - size) <= 0.05 + 1e-9
    assert exact(TENTHS, near.mm) == near


def test_allowances_never_shrink_with_the_hole() -> None:
    usual = [ream_allowance(n / 2, by_hand=False).usual_mm for n in range(2, 120)]
    assert usual == sorted(usual)
    for n in range(2, 120):
        leave, by_hand = (ream_allowance(n / 2, by_hand=h) for h in (False, True))
        assert leave.low_mm < leave.usual_mm < leave.high_mm
        assert by_hand.usual_mm == pytest.approx(leave.usual_mm / 2)


@given(st.text(max_size=30))
def test_any_text_is_a_thread_or_a_sentence(text: str) -> None:
    from runk.core.refusals import Refused
    from runk.core.threads import find_thread

    try:
        thread = find_thread(text)
    except Refused as refused:
        assert refused.says
        assert len(refused.says) < 200
        return
    assert thread.major_mm > 0
    assert normal(thread.name)


def test_the_workshop_sorts_its_tools_once(workshop: Workshop) -> None:
    for tray in (workshop.drills, workshop.reamers, workshop.cutters, workshop.centres):
        sizes = [t.mm for t in tray]
        assert sizes == sorted(sizes)
        assert all(t.sound for t in tray)
    assert workshop.drills is workshop.drills
    assert {t.name for t in workshop.struck_out} >= {"#43", "4.2 mm"}
