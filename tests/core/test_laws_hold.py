"""A law says where it holds, and no answer goes on outside it: another law, a Stop or a refusal.

Every calculator is driven over its fields, a fiftieth to fifty times what is usual, each of its
choices and every metal, and each step of every answer is looked at.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import fields, is_dataclass
from inspect import signature
from typing import Any

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.cutting.laws import roughness_um, specific_n_per_mm2
from runk.core.figures import Figure, Step, Working, laws
from runk.core.fits.heat import heat_c
from runk.core.metals import shipped_metals
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from runk.drive import a_step_away
from tests.cases import SWEEP
from tests.golden.answers import FINE, bases

WIDE = FINE if SWEEP else (0.02, 0.1, 0.5, 2.0, 10.0, 50.0)
BOUNDED = {key: one for key, one in laws().items() if one.holds is not None}


def steps(value: Any) -> Iterator[Step]:
    """Every step of every figure in an answer."""
    if isinstance(value, Figure):
        yield from value.steps
    elif is_dataclass(value) and not isinstance(value, type):
        for field in fields(value):
            yield from steps(getattr(value, field.name))
    elif isinstance(value, (list, tuple)):
        for one in value:
            yield from steps(one)


def answered(name: str, asked: dict[str, Any]) -> Any:
    """An answer, or None where it is refused."""
    try:
        read = read_question(CATALOGUE[name], asked, PageUnit.MM, WORKSHOP)
        return CATALOGUE[name].ask(read.question, WORKSHOP)
    except Refused:
        return None


@pytest.mark.parametrize("name", CATALOGUE)
def test_no_answer_goes_on_where_a_law_does_not_hold(name: str) -> None:
    left = []
    for base in bases(name):
        for asked in a_step_away(CATALOGUE[name], base, WIDE):
            answer = answered(name, asked)
            outside = [step.words() for step in steps(answer) if not step.holds]
            if outside and all(c.word != "Stop" for c in answer.cautions):
                left.append((asked, outside[0]))
    assert left == []


def test_what_a_law_asks_of_its_inputs_is_one_of_them() -> None:
    assert len(BOUNDED) > 40
    for key, one in BOUNDED.items():
        assert one.holds is not None
        named = set(signature(one.holds.when).parameters)
        assert named, key
        assert all(f"{{{name}}}" in one.formula for name in named), key
        assert one.holds.says[0].islower(), key
        assert not one.holds.says.endswith("."), key


@pytest.mark.parametrize(
    ("law", "inputs", "field", "edge"),
    [
        (roughness_um, {"tip_radius_mm": 0.4}, "feed_mm_per_rev", 0.4),
        (specific_n_per_mm2, {"kc11_n_per_mm2": 1820.0, "mc": 0.22, "edge": 1.0}, "chip_mm", 2.0),
        # 380 K over the room's 20 °C, 10 mm of 12 µm/m K: 0.0456 mm.
        (
            heat_c,
            {"room_c": 20.0, "free_mm": 0.0, "size_mm": 10.0, "expansion_um_per_m_k": 12.0},
            "tight_mm",
            0.0456,
        ),
    ],
)
def test_a_step_says_where_its_law_holds_and_when_it_was_left(
    law: Any, inputs: dict[str, float], field: str, edge: float
) -> None:
    w = Working()
    w(law, **inputs, **{field: edge * 0.999})
    w(law, **inputs, **{field: edge * 1.001})
    inside, outside = w.steps
    assert inside.holds
    assert inside.while_says.startswith("holds while ")
    assert not outside.holds
    assert outside.while_says.startswith("outside its range here: it holds only while ")


def test_a_tip_sharper_than_its_feed_leaves_a_thread_and_no_finish_is_told() -> None:
    asked = {"metal": "mild-steel", "diameter": "20", "stage": "finish"}
    round_tip = answered("speed", {**asked, "tip_radius": "0.4"})
    sharp = answered("speed", {**asked, "tip_radius": "0.02"})
    assert round_tip.roughness_um is not None
    assert sharp.roughness_um is None
    assert any(c.about == "the tip" for c in sharp.cautions)
    assert all(c.about != "the tip" for c in round_tip.cautions)


@pytest.mark.parametrize(("diameter", "word"), [("25", "Mind"), ("40", "Stop")])
def test_a_drill_the_belt_cannot_drive_is_no_drill(diameter: str, word: str) -> None:
    """The lathe of 370 W feeds a drill of 25 mm in mild steel 0.0115 a turn, one of 40 mm 0.0086."""
    answer = answered("speed", {"operation": "drill", "metal": "mild-steel", "diameter": diameter})
    assert [c.word for c in answer.cautions if c.about == "stalling"] == [word]


@pytest.mark.parametrize("field", ["hole_hot", "shaft_hot"])
def test_hotter_than_growth_is_known_is_refused(field: str) -> None:
    base = {**CATALOGUE["warm"].opening, "job": "fit"}
    assert answered("warm", {**base, field: "400 C"}) is not None
    assert answered("warm", {**base, field: "401 C"}) is None


def test_metal_as_it_is_sold_yields_before_four_thousandths_of_a_joint() -> None:
    """A solid shaft in a boss of its metal yields where tight / size is its yield over its modulus.

    At the bore p (C + 1) is the yield, and tight / size is p ((C + v) + (1 - v)) / E: Lamé.
    """
    for metal in shipped_metals().values():
        assert metal["rp02_n_per_mm2"] / (1000 * metal["e_gpa"]) < 0.004, metal.name
