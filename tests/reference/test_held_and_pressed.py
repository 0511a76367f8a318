"""Where a bar is held, a boss bears and a float closes, by statics and Tresca reckoned here."""

from __future__ import annotations

from math import asin, cos, pi, radians, sin
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.holding.grip import jaw_mpa
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases


def answer(name: str, **typed: str) -> Any:
    read = read_question(CATALOGUE[name], dict(typed), PageUnit.MM, WORKSHOP)
    return CATALOGUE[name].ask(read.question, WORKSHOP)


def stops(found: Any) -> list[str]:
    return [c.about for c in found.cautions if c.word == "Stop"]


def side_push(e: float, bar: float, jaw: float) -> float:
    """What a side jaw's push has along the packed jaw's line, of a whole: under nought it helps it.

    The jaw stands at 120 degrees, its flat's far edge touches the bar where the way from the bar's
    middle leans by so much; the push goes through that middle.
    """
    out = np.array([cos(radians(120)), sin(radians(120))])
    flat = np.array([-out[1], out[0]])
    middle = np.array([e, 0.0])
    # Of the flat's points the one nearest to the bar's middle touches first.
    along = float(np.clip(middle @ flat, -jaw / 2, jaw / 2))
    over = middle @ flat - along
    lean = asin(max(-1.0, min(1.0, abs(over) / (bar / 2))))
    return cos(radians(60) + lean)


@cases(60)
@given(st.integers(10, 40), st.floats(0.05, 0.45), st.integers(0, 4))
def test_a_packed_bar_is_held_only_where_the_side_jaws_push_back(
    bar: int, share: float, jaw: int
) -> None:
    e = round(share * bar, 3)
    typed = (
        {"throw": f"{e}", "bar": f"{bar}", "jaw": f"{jaw}"}
        if jaw
        else {"throw": f"{e}", "bar": f"{bar}"}
    )
    push = side_push(e, bar, jaw or 3.0)
    if abs(push) < 1e-3:
        return
    if push > 0:
        assert answer("throw", **typed).packing_mm is not None
    else:
        with pytest.raises(Refused, match="no longer hold"):
            answer("throw", **typed)


def test_a_bar_that_hangs_on_friction_is_minded() -> None:
    assert [c.about for c in answer("throw", throw="8", bar="25").cautions if c.about == "the jaws"]
    assert not [c for c in answer("throw", throw="6", bar="25").cautions if c.about == "the jaws"]


@pytest.mark.parametrize(
    ("boss", "shaft", "size", "hub"),
    [
        ("mild-steel", "silver-steel", 11, 24),
        ("mild-steel", "gunmetal", 5, 15),
        ("brass", "mild-steel", 8, 18),
        ("42crmo4", "copper", 20, 60),
        ("grey-iron", "silver-steel", 22, 44),
    ],
)
def test_by_its_class_a_joint_is_strained_past_no_yield(
    boss: str, shaft: str, size: int, hub: int
) -> None:
    found = answer("press", size=str(size), hub=str(hub), boss_metal=boss, shaft_metal=shaft)
    p = found.pressure_mpa.value
    k = (hub / size) ** 2
    hoop = p * (k + 1) / (k - 1)
    metals = WORKSHOP.metals
    bears = (
        metals[boss]["rm_n_per_mm2"] / 2 if boss == "grey-iron" else metals[boss]["rp02_n_per_mm2"]
    )
    # Iron cracks by the hoop; what gives does so at hoop and pressure together (Tresca).
    assert (hoop if boss == "grey-iron" else hoop + p) <= bears * (1 + 1e-6)
    # A solid shaft stands under p from every side: at p it yields.
    assert p <= metals[shaft]["rp02_n_per_mm2"] * (1 + 1e-6)
    assert not stops(found)


def test_more_than_a_boss_or_a_soft_shaft_bears_is_a_stop() -> None:
    steel = {"size": "22", "hub": "44", "boss_metal": "mild-steel", "shaft_metal": "silver-steel"}
    assert stops(answer("press", **steel, tight="0.035")) == ["the boss"]
    copper = {"size": "20", "hub": "60", "boss_metal": "42crmo4", "shaft_metal": "copper"}
    assert stops(answer("press", **copper, tight="0.1")) == ["the shaft"]


@cases(60)
@given(st.integers(1, 60), st.integers(1, 60), st.lists(st.integers(2, 80), min_size=1, max_size=3))
def test_a_pile_of_shims_leaves_what_is_wanted_and_nips_nothing(
    least: int, room: int, shims: list[int]
) -> None:
    """Hundredths: everything that is put in leaves a float between what is wanted."""
    typed = {
        "room": "25",
        "stack": "boss 24.2",
        "least": f"{least / 100}",
        "most": f"{(least + room) / 100}",
    }
    typed["shims"] = "; ".join(f"{one / 100}" for one in shims)
    found = answer("endfloat", **typed)
    put = None if found.shim_mm is None else found.shim_mm.value
    if "Of those to hand" not in found.says:
        return
    assert put is not None
    assert least / 100 - 1e-6 <= 0.8 - put <= (least + room) / 100 + 1e-6


@pytest.mark.parametrize(
    ("room", "stack", "says", "stop"),
    [
        ("25 +0.1 -0.1", "boss 24.9 +0.1 -0.1", "nothing faced off, does for all", True),
        ("25 +0.2032 -0", "boss 25", "nothing goes in", False),
        ("25.2 +0.2 -0", "boss 25.2", "nothing goes in", False),
        ("25", "boss 25.1", "face", True),
    ],
)
def test_nothing_is_faced_off_that_cures_nothing(
    room: str, stack: str, says: str, stop: bool
) -> None:
    found = answer("endfloat", room=room, stack=stack)
    assert says in found.says
    assert bool(stops(found)) is stop


def bent(force: float, mean: float, wide: float, wall: float) -> float:
    """Largest stress in a ring under three pushes, by the least energy of its half span (Castigliano).

    Between two pushes the moment is M0 + N r (1 - cos a); M0 follows from the ring staying whole.
    """
    half, pull = pi / 3, force / (2 * sin(pi / 3))
    angles = np.linspace(0.0, half, 20001)
    free = pull * mean * (1 - np.cos(angles))
    start = (
        -np.trapezoid(free, angles) / half
        if hasattr(np, "trapezoid")
        else -np.trapz(free, angles) / half
    )
    return float(np.abs(start + free).max()) / (wide * wall**2 / 6)


@pytest.mark.parametrize(("dia", "bore"), [(30, 26), (40, 36), (50, 49)])
def test_a_ring_that_is_dented_is_not_said_to_spring(dia: int, bore: int) -> None:
    mean, wall, wide = (dia + bore) / 4, (dia - bore) / 2, min(dia / 2, 15.0)
    told = jaw_mpa(5000 / 3, mean, wide, wall)
    assert told == pytest.approx(bent(5000 / 3, mean, wide, wall), rel=2e-3)
    found = answer("grip", way="three-jaw", dia=str(dia), bore=str(bore))
    assert stops(found) == ["the ring"]
    assert found.lobes_mm is None


def test_a_thick_ring_is_not_reckoned_as_a_thin_one() -> None:
    assert answer("grip", way="three-jaw", dia="25", bore="5").lobes_mm is None
    thin = answer("grip", way="three-jaw", dia="40", bore="30")
    assert thin.lobes_mm is not None
    assert not stops(thin)
