"""From an operation into its room: every number arrives as what it was, and is answered there."""

from __future__ import annotations

import pytest

from runk.core.catalogue import CATALOGUE
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.route.opened import opened
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP
from tests.route.shelf import PARTS, job

WHOLE = {"part-off": "length", "throw": "throw", "harden": "thick"}
HELD = {
    "plan": "wanted",
    "taper": "large",
    "eccentric": "sheave",
    "hole": "size",
    "circle": "hole",
    "flats": "across",
}


@pytest.mark.parametrize("name", PARTS)
@pytest.mark.parametrize("page", list(PageUnit))
def test_every_room_opened_takes_what_it_is_given(name: str, page: PageUnit) -> None:
    part, rooms = job(name).part, 0
    for one in job(name).operations:
        found = opened(part, one)
        if found is None:
            continue
        calculator, asked = CATALOGUE[found[0]], dict(found[1])
        assert set(asked) <= set(calculator.fields)
        if not one.feature:
            question = read_question(calculator, asked, page, WORKSHOP).question
            whole = {
                "length": part.long - part.begin,
                "thick": part.across,
                "throw": max(f.throw for f in part.features),
            }
            found_mm = float(getattr(question, WHOLE[calculator.name]))
            assert found_mm == pytest.approx(whole[WHOLE[calculator.name]]) or one.verb == "harden"
            assert calculator.ask(question, WORKSHOP)
            continue
        feature, rooms = part.by_key[one.feature], rooms + 1
        if calculator.name == "plan" and "now" not in asked:
            # Only the micrometre knows what it is now: the room asks for that and nothing else.
            with pytest.raises(Refused) as refused:
                read_question(calculator, asked, page, WORKSHOP)
            assert refused.value.field == "now"
            more = -1.0 if asked["job"] == "bore" else 1.0
            asked["now"] = f"{feature.size + more} mm"
        question = read_question(calculator, asked, page, WORKSHOP).question
        if field := HELD.get(calculator.name):
            assert float(getattr(question, field)) == pytest.approx(feature.size, abs=1e-4)
        if calculator.name == "plan" and feature.limits is not None:
            assert float(question.smallest) == pytest.approx(feature.limits[0], abs=1e-4)
            assert float(question.largest) == pytest.approx(feature.limits[1], abs=1e-4)
        if calculator.name in ("tap", "die"):
            assert question.thread == feature.asked.screw
        assert calculator.ask(question, WORKSHOP)
    assert rooms or name == "wheel" or not part.turned
