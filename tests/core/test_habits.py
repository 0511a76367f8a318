"""Habits held over every calculator: what a Stop does, where a link leads, how much is said."""

from __future__ import annotations

import contextlib
import itertools
import json
import statistics
from pathlib import Path
from typing import Any

import pytest

from runk.ask import ask
from runk.core.calculator import AnyCalculator
from runk.core.catalogue import CATALOGUE
from runk.core.figures import Caution, instead_of
from runk.core.kinds import Length, Told
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

ALL = list(CATALOGUE.values())
LINES = [
    json.loads(line)["line"]
    for line in (Path(__file__).parents[1] / "ask" / "lines.jsonl").read_text().splitlines()
]
METALS = ("mild-steel", "brass", "grey-iron", "stainless-303", "gunmetal", "aluminium-6082")
# What is done on an ordinary evening, none of it odd in size or holding.
ORDINARY: list[tuple[str, dict[str, str]]] = [
    *(
        ("speed", {"operation": op, "diameter": d, "metal": m})
        for op in ("turn", "face", "drill")
        for d in ("8", "20")
        for m in METALS
    ),
    *(
        ("speed", {"operation": "bore", "diameter": d, "metal": m})
        for d in ("16", "25")
        for m in METALS
    ),
    *(
        ("speed", {"operation": "end-mill", "diameter": d, "metal": m, "machine": "mill"})
        for d in ("6", "10")
        for m in METALS
    ),
    *(("hole", {"size": s, "metal": m, "deep": "12"}) for s in ("4", "6", "10") for m in METALS),
    *(
        ("tap", {"thread": t, "metal": m, "deep": "8"})
        for t in ("M4", "M6", "2BA", "4BA")
        for m in METALS
    ),
    *(("die", {"thread": t, "metal": m}) for t in ("M4", "2BA") for m in METALS),
    *(("clearance", {"thread": t}) for t in ("M4", "2BA", "M6")),
    *(("stud", {"thread": t, "metal": m, "cover": "4"}) for t in ("M4", "2BA") for m in METALS),
    *(
        ("plan", {"job": "outside", "metal": m, "now": a, "wanted": b})
        for a, b in (("16", "14.5"), ("25", "22"), ("12", "10"))
        for m in METALS
    ),
    *(
        ("plan", {"job": "bore", "metal": m, "now": a, "wanted": b})
        for a, b in (("14", "16"), ("20", "22"))
        for m in METALS
    ),
    *(("plan", {"job": "face", "metal": m, "now": "21", "wanted": "20"}) for m in METALS),
    *(("thread", {"thread": t}) for t in ("M4", "2BA", "1/4x40")),
    *(("nearest-drill", {"size": s}) for s in ("3.3", "5", "7/64")),
    *(
        ("speed", {"operation": "part", "diameter": d, "metal": m})
        for d in ("12", "20")
        for m in METALS
    ),
    *(
        ("speed", {"operation": "ream", "diameter": d, "metal": m})
        for d in ("6", "10")
        for m in METALS
    ),
    *(
        ("speed", {"operation": "turn", "diameter": d, "metal": m, "stage": "finish", "tool": t})
        for d in ("10", "30")
        for m in METALS
        for t in ("hss", "carbide")
    ),
]


def answer(calculator: AnyCalculator, typed: dict[str, Any]) -> Any:
    read = read_question(calculator, typed, PageUnit.MM, WORKSHOP)
    return calculator.ask(read.question, WORKSHOP)


def cautions(one: Any) -> tuple[Caution, ...]:
    return tuple(getattr(one, "cautions", ()))


def test_an_ordinary_job_is_told_at_most_two_things_to_mind() -> None:
    """A caution shown on every job is wallpaper, and nobody reads the one that bites."""
    told = [len(cautions(answer(CATALOGUE[name], typed))) for name, typed in ORDINARY]
    assert len(told) >= 200
    assert statistics.median(told) <= 2


def test_an_ordinary_job_is_hardly_ever_stopped() -> None:
    stopped = [n for n, typed in ORDINARY if instead_of(cautions(answer(CATALOGUE[n], typed)))]
    assert len(stopped) <= len(ORDINARY) / 50, stopped


@pytest.mark.parametrize("line", LINES[::3])
def test_where_there_is_a_stop_it_heads_the_answer_with_what_to_do(line: str) -> None:
    try:
        asked = ask(line, WORKSHOP, PageUnit.MM)
    except Refused:
        return
    found = cautions(asked.answer)
    for caution in found:
        assert caution.word in ("Stop", "Mind")
        assert bool(caution.instead) == (caution.word == "Stop"), caution.about
    heads = asked.calculator.heads(asked.answer, PageUnit.MM)
    assert heads.startswith("Stop: ") == any(c.word == "Stop" for c in found)


def _asked() -> list[tuple[str, Any]]:
    """Every answer there is to hand: of each opening, and of each line of the corpus."""
    found = []
    for calculator in ALL:
        with contextlib.suppress(Refused):
            found.append((calculator.name, answer(calculator, dict(calculator.opening))))
    for line in LINES:
        with contextlib.suppress(Refused):
            found.append((line, ask(line, WORKSHOP, PageUnit.MM).answer))
    return found


def test_every_link_can_be_followed_and_says_what_it_was_handed() -> None:
    """Every field a link fills is one of that calculator, and is read as the size it was."""
    followed = 0
    for name, one in _asked():
        for link in getattr(one, "links", ()):
            to, handed = CATALOGUE[link.calculator], dict(link.question)
            if not handed:
                continue
            followed += 1
            assert set(handed) <= set(to.fields), name
            try:
                read = read_question(to, handed, PageUnit.INCH, WORKSHOP)
                for field, text in handed.items():
                    if text.endswith(" mm") and not to.fields[field].several:
                        arrived = getattr(read.question, field)
                        arrived = float(getattr(arrived, "mm", arrived))
                        assert arrived == pytest.approx(float(text[:-3])), name
                to.ask(read.question, WORKSHOP)
            except Refused as refused:
                # The rest may be asked for; what was handed on is never what is wrong.
                assert refused.field not in handed, f"{name}: {refused.says}"
    assert followed > 150


def _sized(calculator: AnyCalculator) -> list[str]:
    """Fields of an opening that are lengths, as somebody would type them."""
    return [
        name
        for name in calculator.opening
        if isinstance(calculator.fields[name], Length)
        and not calculator.fields[name].several
        and name != "text"
    ]


@pytest.mark.parametrize("calculator", ALL, ids=lambda c: c.name)
def test_ten_times_and_a_tenth_is_answered_or_refused_with_its_reason(
    calculator: AnyCalculator,
) -> None:
    """Each size of the opening made larger and smaller: a number, or a sentence and a field."""
    tries = itertools.product(_sized(calculator), (0.1, 0.5, 2.0, 10.0), PageUnit)
    for name, times, page in tries:
        told = calculator.fields[name].read(calculator.opening[name], Told(page, WORKSHOP))
        typed = dict(calculator.opening) | {name: f"{float(told.value) * times:.4f} mm"}
        try:
            read = read_question(calculator, typed, page, WORKSHOP)
            one = calculator.ask(read.question, WORKSHOP)
        except Refused as refused:
            assert refused.field in calculator.fields, refused.says
            assert refused.said(page).endswith((".", "?")), refused.says
            continue
        assert calculator.heads(one, page)
        for caution in cautions(one):
            assert caution.says[0].isupper() or caution.says[0].isdigit(), caution.says
            assert bool(caution.instead) == (caution.word == "Stop")
