"""Judgement round the figures: when a warning begins, which words stand, what is offered and what not.

Each is asked on both sides of what decides it, or over a range with the rule beside it.
"""

from __future__ import annotations

from math import sqrt, tan
from typing import Any

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import LATHE, WORKSHOP


def asked(name: str, **typed: str) -> Any:
    """What one calculator answers to fields as typed, on a millimetre page."""
    read = read_question(CATALOGUE[name], typed, PageUnit.MM, WORKSHOP)
    return CATALOGUE[name].ask(read.question, WORKSHOP)


def minds(answer: Any) -> set[str]:
    return {caution.about for caution in answer.cautions}


@pytest.mark.parametrize("length", range(12, 22, 2))
def test_a_push_over_what_a_small_vice_gives_is_minded(length: int) -> None:
    """The push grows with the length; a small vice gives about 8 kN: common practice."""
    found = asked("press", size="11", hub="24", length=f"{length}", tight="0.01")
    assert ("the push" in minds(found)) == (found.force_n.value > 8000)


def test_that_push_is_reached_in_that_range() -> None:
    few, many = (
        asked("press", size="11", hub="24", length=n, tight="0.01").force_n.value
        for n in ("12", "20")
    )
    assert few < 8000 < many


@pytest.mark.parametrize("backlash", [0.02, 0.1, 0.2, 0.28, 0.3, 0.32, 0.34, 0.36])
def test_hardly_more_than_one_pair_of_teeth_is_minded(backlash: float) -> None:
    found = asked("gear", teeth="22", module="0.7", mate="44", backlash=f"{backlash}")
    assert ("the mesh" in minds(found)) == (found.contact_ratio.value < 1.1)


@pytest.mark.parametrize(("main", "pin"), [(8, 7), (10, 8), (6, 6)])
def test_two_bores_of_a_web_may_not_run_into_each_other(main: int, pin: int) -> None:
    """Their middles are a throw apart: half of both must be less."""
    least = (main + pin) / 2
    for throw in (least * 0.98, least):
        with pytest.raises(Refused, match="run into each other"):
            asked("crank", way="built", throw=f"{throw:g}", main=f"{main}", pin=f"{pin}")
    found = asked("crank", way="built", throw=f"{least * 1.6:g}", main=f"{main}", pin=f"{pin}")
    assert found.throw_mm.value == pytest.approx(least * 1.6)


@pytest.mark.parametrize("diameter", [8, 12, 18, 24, 30, 45, 60])
@pytest.mark.parametrize("metal", ["mild-steel", "brass", "stainless-304"])
def test_a_dead_centre_burns_over_five_hundred(diameter: int, metal: str) -> None:
    """At 500 it does not yet, at the next belt it does: common practice."""
    found = asked(
        "speed", operation="turn", metal=metal, diameter=f"{diameter}", held="chuck and centre"
    )
    assert ("the centre" in minds(found)) == (found.set_rpm.value > 500)


@pytest.mark.parametrize("diameter", [8, 14, 18, 24, 30, 45, 60])
def test_four_jaws_are_felt_over_six_hundred(diameter: int) -> None:
    found = asked(
        "speed", operation="turn", metal="mild-steel", diameter=f"{diameter}", held="four-jaw"
    )
    balance = {"the balance", "the four jaws", "the jaws"} & minds(found)
    assert bool(balance) == (found.set_rpm.value > 600)


@pytest.mark.parametrize(("bar", "across"), [(16, 12), (25, 20), (10, 8)])
@pytest.mark.parametrize("count", [4, 6])
def test_a_flat_is_as_wide_as_its_polygons_side_or_the_chord(
    bar: int, across: int, count: int
) -> None:
    """The side of a square or a hexagon, unless the round is met before its corner."""
    side = across * tan(3.141592653589793 / count)
    chord = sqrt(bar * bar - across * across)
    found = asked("flats", bar=f"{bar}", across=f"{across}", shape=f"{count}")
    assert found.wide_mm.value == pytest.approx(min(side, chord))


@pytest.mark.parametrize("rpm", [860, 1480])
@pytest.mark.parametrize("diameter", [22, 35, 60])
def test_what_is_too_fast_is_set_to_a_slower_belt_of_that_lathe(rpm: int, diameter: int) -> None:
    found = asked("faults", sign="whine", diameter=f"{diameter}", metal="mild-steel", rpm=f"{rpm}")
    own = {step.rpm for step in LATHE.ladder}
    for cause in found.causes:
        setting = getattr(cause, "set_rpm", None)
        if setting is not None:
            assert setting.value in own
            assert setting.value < rpm


@pytest.mark.parametrize("thread", ["M3", "M4", "M6"])
def test_a_hole_over_two_diameters_deep_is_tapped_easier(thread: str) -> None:
    """Deep in that metal, less thread holds as much: five in a hundred less, common practice."""
    major = float(thread[1:])
    short = asked("tap", thread=thread, metal="brass", deep=f"{1.9 * major:g}")
    long = asked("tap", thread=thread, metal="brass", deep=f"{2.1 * major:g}")
    assert short.target_percent.value - long.target_percent.value == pytest.approx(5)


@pytest.mark.parametrize("size", [2.0, 4.37, 6.0, 9.9])
def test_what_is_offered_lies_on_either_side_and_the_nearest_leads(size: float) -> None:
    found = asked("nearest-drill", size=f"{size}", tool="drill")
    below = [one.mm.value for one in found.below]
    above = [one.mm.value for one in found.above]
    assert all(mm <= size + 1e-9 for mm in below)
    assert all(mm >= size - 1e-9 for mm in above)
    # Nothing offered beside it is nearer.
    assert all(abs(found.off_mm.value) <= abs(mm - size) + 1e-9 for mm in (*below, *above))
    assert abs(found.off_mm.value) <= 0.3
    assert found.off_mm.value == pytest.approx(found.mm.value - size)


@pytest.mark.parametrize("teeth", [12, 14, 16, 17, 18, 24])
def test_few_teeth_are_minded_at_their_root(teeth: int) -> None:
    """Under 17 at 20 degrees a rack cuts into the root: 2 over the squared sine is 17.1."""
    found = asked("gear", teeth=f"{teeth}", module="1")
    assert ("the root" in minds(found)) == (teeth < 17)
