"""Grip, castings and hardening against other ways of working them out.

Rings under three loads: the deflection of an inextensible ring as a Fourier series (mechanics; a
table of strength-of-materials formulas gives the same two constants, from memory). Grips, friction
and heats: common practice, as the trade's own notes give them.
"""

from __future__ import annotations

from math import pi
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.cases import cases


def answer(name: str, **typed: str) -> Any:
    one = CATALOGUE[name]
    return one.ask(read_question(one, typed, PageUnit.MM, WORKSHOP).question, WORKSHOP)


def ring_mm(load: float, mean: float, e_gpa: float, section: float, at: float) -> float:
    """Inwards at an angle from a load: three of them spread round, harmonic by harmonic."""
    n = 3 * np.arange(1, 400)
    return float(
        3
        * load
        * mean**3
        / (pi * e_gpa * 1000 * section)
        * np.sum(np.cos(n * at) / (n**2 - 1) ** 2)
    )


@pytest.mark.parametrize(("dia", "bore", "wide"), [(60, 46, 20), (30, 22, 10), (120, 100, 25)])
def test_a_ring_in_three_jaws(dia: float, bore: float, wide: float) -> None:
    found = answer("grip", dia=f"{dia}", bore=f"{bore}", wide=f"{wide}", metal="brass")
    e = WORKSHOP.metals["brass"]["e_gpa"]
    section, mean = wide * ((dia - bore) / 2) ** 3 / 12, (dia + bore) / 4
    under = ring_mm(5000 / 3, mean, e, section, 0.0)
    between = -ring_mm(5000 / 3, mean, e, section, pi / 3)
    assert found.in_mm.value == pytest.approx(under, rel=0.005)
    assert found.lobes_mm.value == pytest.approx(under + between, rel=0.005)
    left = found.lobes_mm.value * found.jaw_n.value / (5000 / 3)
    assert left == pytest.approx(0.005, rel=1e-6)


@pytest.mark.parametrize(
    ("way", "shear", "dia", "bore"),
    [("adhesive", 8.0, 20, 0), ("tape", 0.1, 60, 0), ("wax", 0.5, 30, 12)],
)
def test_what_a_face_that_is_stuck_bears(way: str, shear: float, dia: int, bore: int) -> None:
    """By adding up rings of the face: each its area, its radius and the shear (mechanics)."""
    radii = np.linspace(bore / 2, dia / 2, 200_001)
    torque = np.trapezoid(2 * pi * radii * radii * shear, radii) / 1000 / 3
    found = answer("grip", way=way, dia=f"{dia}", **({"bore": f"{bore}"} if bore else {}))
    assert found.bears_nm.value == pytest.approx(torque, rel=1e-6)
    assert found.lobes_mm is None
    assert any(one.about == "the bond" for one in found.cautions)


@pytest.mark.parametrize(
    ("typed", "bears"),
    [
        ({"way": "three-jaw", "dia": "25"}, 0.15 * 5000 * 0.0125 / 2),
        ({"way": "collet", "dia": "8", "faces": "soft"}, 0.2 * 4000 * 0.004 / 2),
        ({"way": "vice", "dia": "40"}, 0.15 * 8000 * 0.02 / 2),
        ({"way": "clamps", "dia": "60", "clamps": "4"}, 0.15 * 16000 * 0.03 / 2),
    ],
)
def test_what_a_grip_bears(typed: dict[str, str], bears: float) -> None:
    found = answer("grip", **typed, force="100")
    assert found.bears_nm.value == pytest.approx(bears)
    holds = 100 * float(typed["dia"]) / 2000 <= bears
    assert (found.holds == "holds") is holds
    # At the force it names it is just at its limit.
    edge = answer("grip", **typed, force=f"{found.most_n.value * 1.001:.3f}")
    assert edge.holds == "slips"
    assert any(caution.word == "Stop" for caution in edge.cautions)


_SPARE = st.lists(st.floats(0.01, 5.0).map(lambda x: round(x, 2)), min_size=1, max_size=4)


@cases(80)
@given(_SPARE, _SPARE, st.floats(0.05, 1.5).map(lambda x: round(x, 2)))
def test_every_face_cleans_up_where_any_shift_does_it(
    these: list[float], those: list[float], least: float
) -> None:
    """Beside every shift of a hundredth there is."""
    these, those = [max(x, 0.01) for x in these], [max(x, 0.01) for x in those]
    found = answer(
        "surplus",
        these="; ".join(map(str, these)),
        those="; ".join(map(str, those)),
        least=str(least),
    )
    shift = np.round(np.arange(-6, 6.005, 0.005), 4)
    then = np.minimum(min(these) - shift, min(those) + shift)
    can = bool((then >= least - 1e-6).any())
    assert any(caution.word == "Stop" for caution in found.cautions) is not can
    best = min(row.off_mm.value for row in found.faces)
    if can:
        assert best >= least - 1e-6
        assert found.shift_mm.value <= np.abs(shift[then >= least - 1e-6]).min() + 0.006
    else:
        assert best == pytest.approx(then.max(), abs=0.006)


@pytest.mark.parametrize(
    ("metal", "heat", "into"), [("silver steel", 780, "water"), ("gauge plate", 800, "oil")]
)
def test_steels_that_harden(metal: str, heat: float, into: str) -> None:
    found = answer("harden", metal=metal, thick="8")
    assert (found.heat_c.value, found.quench) == (heat, into)
    assert 220 <= found.temper_c.value <= 230
    assert answer("harden", metal=metal, thick="8", use="spring").temper_c.value == 290
    assert any("fire" in caution.about for caution in found.cautions)


@pytest.mark.parametrize("metal", ["brass", "stainless 303", "mild steel", "grey iron", "dural"])
def test_metals_that_do_not_harden_are_refused(metal: str) -> None:
    with pytest.raises(Refused, match="does not harden"):
        answer("harden", metal=metal, thick="8")
