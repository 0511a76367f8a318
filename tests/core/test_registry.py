"""Every calculator keeps the house's rules, checked from its one registration."""

from __future__ import annotations

import re
import typing
from dataclasses import fields, is_dataclass

import pytest

from runk.core.calculator import AnyCalculator, Catalogue
from runk.core.catalogue import CATALOGUE
from runk.core.figures import Figure, laws
from runk.core.kinds import Count, Length, Lengths, OfThread
from runk.core.shown import described
from runk.core.sources import authorities
from runk.core.units import PageUnit, show, unit_of

ALL = list(CATALOGUE.values())


@pytest.mark.parametrize("calculator", ALL, ids=lambda c: c.name)
def test_sentences_name_real_fields(calculator: AnyCalculator) -> None:
    for key, template in calculator.sentences.items():
        words = re.findall(r"\{(\w+)\}", template)
        assert set(words) <= set(calculator.fields)
        if key:
            assert set(words) <= set(calculator.asked(key)), key
        assert template.count("[") == template.count("]")


@pytest.mark.parametrize("calculator", ALL, ids=lambda c: c.name)
def test_every_ruling_choice_has_a_sentence(calculator: AnyCalculator) -> None:
    if calculator.ruling:
        keys = {c.key for c in calculator.fields[calculator.ruling].choices}
        assert keys == set(calculator.sentences)


@pytest.mark.parametrize("calculator", ALL, ids=lambda c: c.name)
def test_choices_match_their_enumerations(calculator: AnyCalculator) -> None:
    for name, kind in calculator.kinds_of_choice.items():
        keys = {c.key for c in calculator.fields[name].choices}
        assert keys <= {member.value for member in kind}


@pytest.mark.parametrize("calculator", ALL, ids=lambda c: c.name)
def test_figures_are_keyed_by_their_unit_and_described(calculator: AnyCalculator) -> None:
    for answer in calculator.answers:
        assert is_dataclass(answer)
        hints = typing.get_type_hints(answer)
        keyed = [f.name for f in fields(answer) if hints[f.name] in (Figure, Figure | None)]
        told = {column.name: column for column in described(answer)}
        assert set(keyed) <= set(told)
        for name in keyed:
            assert unit_of(name)
            assert told[name].show.label
        assert dict not in {typing.get_origin(h) for h in hints.values()}


@pytest.mark.parametrize("calculator", ALL, ids=lambda c: c.name)
def test_loose_numbers_have_an_order_to_fall_in(calculator: AnyCalculator) -> None:
    principal = [n for n, f in calculator.fields.items() if f.principal]
    lists = [n for n in principal if isinstance(calculator.fields[n], Lengths)]
    # A list takes all there is, so nothing may come after it.
    assert lists in ([], principal[-1:])
    assert all(isinstance(calculator.fields[n], (Count, Length, OfThread)) for n in principal)


def test_a_name_is_registered_once() -> None:
    with pytest.raises(ValueError, match="twice"):
        Catalogue([ALL[0], ALL[0]])


def test_every_law_names_an_authority_and_only_its_own_inputs() -> None:
    assert len(laws()) > 25
    for law in laws().values():
        assert law.source.authority in authorities(), law.key
        assert law.label
        assert law.formula


@pytest.mark.parametrize(
    ("value", "key", "page", "shown"),
    [
        (0.0254, "depth_mm", PageUnit.MM, "0.03"),
        (0.4064, "depth_mm", PageUnit.INCH, "0.016"),
        (1480.4, "set_rpm", PageUnit.MM, "1480"),
        (0.003, "depth_mm", PageUnit.MM, "0.003"),
        (-0.0, "off_percent", PageUnit.MM, "0"),
        (-0.2, "off_percent", PageUnit.MM, "-0.2"),
        (30.0, "surface_speed_m_min", PageUnit.INCH, "98"),
    ],
)
def test_numbers_as_people_read_them(value: float, key: str, page: PageUnit, shown: str) -> None:
    assert show(value, unit_of(key), page) == shown


def test_a_key_without_a_unit_is_an_error() -> None:
    with pytest.raises(KeyError):
        unit_of("colour")


@pytest.mark.parametrize("key", ["rate_n_per_mm_per_mm", "wear_g_per_deg", "pull_n_per_thou"])
def test_a_rate_nobody_declared_is_no_unit_of_its_last_word(key: str) -> None:
    """Newtons a degree are no degrees: they would stand there as such, and on an inch page too."""
    with pytest.raises(KeyError, match="does not end with a unit"):
        unit_of(key)


@pytest.mark.parametrize(
    ("key", "shown"),
    [
        ("feed_mm_per_rev", "mm/rev"),
        ("stress_n_per_mm2", "N/mm²"),
        ("density_g_per_cm3", "g/cm³"),
        ("per_inch", "threads an inch"),
        ("surface_speed_m_min", "m/min"),
    ],
)
def test_a_rate_that_is_declared_is_its_own_unit(key: str, shown: str) -> None:
    assert unit_of(key).shown == shown


def test_every_law_and_every_figure_ends_with_a_unit() -> None:
    for key in laws():
        assert unit_of(key.rsplit(".", 1)[1])


def test_what_is_asked_is_a_question_somebody_would_ask() -> None:
    """No clause put into *What ... is it?*, and none that asks with its verb at the end."""
    for calculator in CATALOGUE.values():
        for name, kind in calculator.fields.items():
            asked, at = kind.missing(), (calculator.name, name)
            assert asked[0].isupper(), at
            assert asked.rstrip(".").endswith("?") or kind.asks, (at, asked)
            inner = re.fullmatch(r"What (.+) is it\?", asked)
            assert inner is None or " " not in inner[1], (at, asked)
            assert not re.search(r"\b(is|does|do|goes|was|counts) *\?$", asked.lower()) or (
                asked in ("What does it do?", "What do they do?")
            ), (at, asked)
