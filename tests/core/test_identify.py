"""Which metal is this, and which may run on which."""

from __future__ import annotations

import itertools
from fractions import Fraction
from math import pi, sqrt

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.ask import ask as ask_line
from runk.core.catalogue import CATALOGUE
from runk.core.metals import shipped_metals
from runk.core.metals.identify import IdentifyAnswer
from runk.core.metals.offcut import Colour, IdentifyQuestion, Magnet, Spark
from runk.core.metals.pair import PairAnswer
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.core.workshop import Workshop
from runk.demo.back_shed import WORKSHOP

IDENTIFY, PAIR = CATALOGUE["identify"], CATALOGUE["pair"]
METALS = {k: m for k, m in shipped_metals().items() if not k.endswith("-skin")}


def identify(**typed: str) -> IdentifyAnswer:
    """An answer from fields as typed."""
    read = read_question(IDENTIFY, typed, PageUnit.MM, WORKSHOP)
    answer = IDENTIFY.ask(read.question, WORKSHOP)
    assert isinstance(answer, IdentifyAnswer)
    return answer


def refused(**typed: str) -> Refused:
    """The refusal a question gets."""
    with pytest.raises(Refused) as caught:
        identify(**typed)
    return caught.value


# Volumes by hand for pieces 50 mm long.
SHAPES: list[tuple[dict[str, str], float]] = [
    ({"shape": "round", "size": "20"}, pi * 100 * 50 / 1000),
    ({"shape": "square", "size": "10"}, 5.0),
    ({"shape": "hexagon", "size": "10"}, 6 * (10 / sqrt(3)) ** 2 * sqrt(3) / 4 * 50 / 1000),
    ({"shape": "tube", "size": "20", "bore": "10"}, pi * 75 * 50 / 1000),
    ({"shape": "plate", "size": "20", "thick": "3"}, 3.0),
]


@pytest.mark.parametrize(("typed", "volume"), SHAPES)
def test_volume_of_each_shape(typed: dict[str, str], volume: float) -> None:
    answer = identify(**typed, length="50", weight=f"{volume * 7.85:.3f}")
    assert answer.volume_cm3.value == pytest.approx(volume)
    assert answer.density_g_per_cm3.value == pytest.approx(7.85, rel=1e-3)


@pytest.mark.parametrize("key", METALS)
def test_a_metals_own_weight_finds_it(key: str) -> None:
    """A generous piece weighed exactly, with what magnet, colour and grinder would say."""
    metal = METALS[key]
    volume = pi * 100 * 100 / 1000
    magnet = "faint" if "faintly" in metal.magnet else metal.magnet
    colour = metal.colour.replace("dark ", "").replace("white grey", "white")
    spark = {"steel": "bright", "stainless": "few", "iron": "few"}.get(metal.family, "none")
    answer = identify(
        size="20",
        length="100",
        weight=f"{volume * metal['density_g_cm3']:.3f}",
        magnet=magnet,
        colour=colour,
        spark=spark,
        scale="0.1",
    )
    assert metal.name in answer.alike
    best = answer.candidates[0]
    assert best.fits
    assert best.against == ()
    assert abs(best.off_percent.value) < 1


def test_steels_come_out_as_one_group_and_it_says_so() -> None:
    answer = identify(
        size="20", length="50", weight="123.3", magnet="yes", colour="grey", spark="bright"
    )
    assert {"mild steel", "silver steel", "gauge plate"} <= set(answer.alike)
    assert answer.verdict == f"one of {len(answer.alike)}"
    assert "do not tell these apart" in answer.next_test
    fewer = identify(size="20", length="50", weight="123.3")
    assert "Try a magnet" in fewer.next_test


def test_the_magnet_is_not_believed_too_far() -> None:
    nothing = identify(size="20", length="50", weight="125", magnet="no")
    assert {"stainless 303", "stainless 304", "stainless 316"} <= set(nothing.alike)
    assert "austenitic" in nothing.cautions[0].says
    bites = identify(size="20", length="50", weight="121.7", magnet="yes", spark="few")
    assert "stainless 416" in bites.alike
    assert "does not rule stainless out" in bites.cautions[0].says
    assert "stainless 304" not in bites.alike


def test_a_coarse_scale_widens_the_field() -> None:
    fine = identify(size="6", length="20", weight="4.43", scale="0.01")
    coarse = identify(size="6", length="20", weight="4.43", scale="1")
    assert coarse.error_percent.value > fine.error_percent.value
    assert set(fine.alike) <= set(coarse.alike)
    assert len(coarse.alike) > len(fine.alike)


@pytest.mark.parametrize(
    ("typed", "field", "says"),
    [
        ({"size": "20", "length": "50", "weight": "0"}, "weight", "at least"),
        ({"size": "20", "length": "50", "weight": "heavy"}, "weight", "not a number"),
        ({"size": "20", "length": "50"}, "weight", "What does it weigh"),
        ({"size": "10", "length": "50", "weight": "123.3"}, "size", "a radius was typed"),
        ({"size": "20", "length": "50", "weight": "1233"}, "weight", "decimal point"),
        ({"size": "20", "length": "50", "weight": "12.33"}, "weight", "decimal point"),
        ({"size": "62.83", "length": "50", "weight": "123.3"}, "weight", "is a circumference"),
        ({"size": "20", "length": "50", "weight": "0.133"}, "weight", "kilograms"),
        ({"size": "20", "length": "50", "weight": "99000"}, "weight", "too large"),
        ({"size": "20", "length": "50", "weight": "0.02"}, "weight", "too small"),
        ({"shape": "tube", "size": "20", "length": "50", "weight": "90"}, "bore", "What bore"),
        (
            {"shape": "tube", "size": "20", "bore": "20", "length": "50", "weight": "90"},
            "bore",
            "smaller",
        ),
        ({"shape": "plate", "size": "20", "length": "50", "weight": "90"}, "thick", "How thick"),
        ({"size": "0", "length": "50", "weight": "90"}, "size", "more than 0"),
    ],
)
def test_what_no_metal_has(typed: dict[str, str], field: str, says: str) -> None:
    no = refused(**typed)
    assert no.field == field
    assert says in no.says


@given(
    st.floats(3, 60),
    st.floats(5, 200),
    st.sampled_from(list(METALS)),
    st.sampled_from(list(Magnet)),
    st.sampled_from(list(Colour)),
    st.sampled_from(list(Spark)),
)
def test_ranking_is_sound(
    size: float, length: float, key: str, magnet: Magnet, colour: Colour, spark: Spark
) -> None:
    weight = pi * size**2 / 4 * length / 1000 * METALS[key]["density_g_cm3"]
    asked = IdentifyQuestion(
        max(weight, 0.01),
        Fraction(str(size)),
        Fraction(str(length)),
        magnet=magnet,
        colour=colour,
        spark=spark,
    )
    answer = IDENTIFY.ask(asked, WORKSHOP)
    assert len(answer.candidates) == len(METALS)
    fits = [c.fits for c in answer.candidates]
    assert fits == sorted(fits, reverse=True)
    assert all(not c.against for c in answer.candidates if c.fits)
    rest = [len(c.against) for c in answer.candidates if not c.fits]
    assert rest == sorted(rest)


def pair(one: str, other: str) -> PairAnswer:
    """A verdict on two metals."""
    read = read_question(PAIR, {"metal": one, "other": other}, PageUnit.MM, WORKSHOP)
    answer = PAIR.ask(read.question, WORKSHOP)
    assert isinstance(answer, PairAnswer)
    return answer


@pytest.mark.parametrize(
    ("one", "other", "verdict"),
    [
        # Common practice, as workshops have it.
        ("brass", "brass", "no"),
        ("stainless-303", "stainless-304", "no"),
        ("stainless-303", "stainless-303", "no"),
        ("grey-iron", "grey-iron", "run"),
        ("copper", "mild-steel", "no"),
        ("copper", "copper", "no"),
        ("silver-steel", "phosphor-bronze", "run"),
        ("silver-steel", "gunmetal", "run"),
        ("grey-iron", "aluminium-6082", "run"),
        ("aluminium-6082", "cast-aluminium", "no"),
        ("mild-steel", "mild-steel", "mind"),
        ("brass", "phosphor-bronze", "mind"),
    ],
)
def test_running_pairs(one: str, other: str, verdict: str) -> None:
    assert pair(one, other).verdict == verdict
    assert pair(other, one).verdict == verdict


def test_every_pair_has_a_verdict_and_a_way_out() -> None:
    for one, other in itertools.combinations_with_replacement(METALS, 2):
        answer = pair(one, other)
        assert answer.says, (one, other)
        assert bool(answer.cautions) == (answer.verdict == "no"), (one, other)
        assert answer.verdict == "run" or answer.between, (one, other)


@pytest.mark.parametrize(
    ("line", "calculator", "headline"),
    [
        ("which metal 20 mm round 50 long 133 g yellow", "identify", "free-cutting brass"),
        ("identify tube 20 mm 10 bore 50 long 97g", "identify", "8.23"),
        ("what metal plate 20 wide 3 thick 50 long 8.1 g", "identify", "2.70"),
        ("may brass run on brass", "pair", "Keep them apart"),
        ("can stainless run on gunmetal", "pair", "They may run"),
    ],
)
def test_asked_in_a_line(line: str, calculator: str, headline: str, workshop: Workshop) -> None:
    asked = ask_line(line, workshop)
    assert asked.calculator.name == calculator
    assert headline in asked.calculator.headline(asked.answer, PageUnit.MM)
