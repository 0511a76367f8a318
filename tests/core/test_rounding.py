"""One size has one rounding in an answer, on both pages."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import fields, is_dataclass
from typing import Any

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.figures import Figure
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.api.test_contract import ASKED


def figures(thing: Any) -> Iterator[Figure]:
    if isinstance(thing, Figure):
        yield thing
    elif isinstance(thing, (tuple, list)):
        for one in thing:
            yield from figures(one)
    elif is_dataclass(thing) and not isinstance(thing, type):
        for field in fields(thing):
            yield from figures(getattr(thing, field.name))


@pytest.mark.parametrize("name", CATALOGUE)
@pytest.mark.parametrize("page", PageUnit)
def test_a_size_said_twice_is_said_alike(name: str, page: PageUnit) -> None:
    calculator = CATALOGUE[name]
    for typed in (calculator.opening, ASKED[name]):
        try:
            read = read_question(calculator, dict(typed), page, WORKSHOP)
            answer = calculator.ask(read.question, WORKSHOP)
        except Refused:
            # Sizes in millimetres, read as inches.
            continue
        said: dict[tuple[str, float], set[str]] = {}
        for one in figures(answer):
            if one.value and not one.fixed:
                key = one.unit.suffix, round(one.value, 7)
                said.setdefault(key, set()).add(one.shown(page))
        assert {key: words for key, words in said.items() if len(words) > 1} == {}
