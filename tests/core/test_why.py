"""Questions of judgement: every entry is found by its own words, and nothing is made up."""

from __future__ import annotations

import pytest

from runk.ask import ask
from runk.core.judgement.entries import entries, found, stems
from runk.core.refusals import Refused
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP


def test_every_school_pair_caution_and_sign_is_found_by_its_own_words() -> None:
    for entry in entries():
        near = found(entry.says if entry.about else f"{entry.says} {entry.reason}")
        assert entry in near[:4], entry.says


def test_every_entry_says_why_and_who_says_so() -> None:
    for entry in entries():
        assert entry.reason
        assert entry.source.title
        assert len(entry.words) >= 2


@pytest.mark.parametrize(
    ("line", "says"),
    [
        ("bronze or brass for steam", "Bronze or gunmetal"),
        ("bore or ream 27 mm", "Bore what is large"),
        ("scriber or indicator for a rough casting", "A scriber for a rough casting"),
        ("back gear as spindle lock", "Never lock the spindle"),
        ("should I climb mill or conventional", "Mill against the feed"),
        ("why is grey iron cut dry", "Grey iron dry"),
        ("copper or bronze as a bearing on steel", "Copper on steel"),
        ("aluminium on the grinder", "Soft metals are never ground"),
        ("why not lock the spindle with back gear", "Never lock the spindle"),
    ],
)
def test_a_question_of_judgement_is_answered_with_its_reason(line: str, says: str) -> None:
    asked = ask(line, WORKSHOP, PageUnit.MM)
    assert asked.calculator.name == "why"
    assert asked.answer.says.startswith(says)
    # What is said back can be typed in again.
    assert ask(asked.read_as, WORKSHOP, PageUnit.MM).answer == asked.answer


def test_bare_copper_is_never_called_a_bearing() -> None:
    """It picks up on steel; only its alloys run. A family's name may not answer for it."""
    assert "no bearing" in found("copper as a bearing on steel")[0].reason


@pytest.mark.parametrize("line", ["is the moon made of cheese", "why", "red or blue paint"])
def test_what_no_entry_speaks_of_is_refused(line: str) -> None:
    with pytest.raises(Refused):
        ask(line, WORKSHOP, PageUnit.MM)


@pytest.mark.parametrize(
    ("line", "calculator"),
    [
        ("turn 22mm silver steel hss", "speed"),
        ("tap M4 brass 8 deep blind", "tap"),
        ("from 16 to 14.5", "plan"),
        ("brass on brass", "pair"),
    ],
)
def test_a_line_of_numbers_is_never_taken_for_judgement(line: str, calculator: str) -> None:
    assert ask(line, WORKSHOP, PageUnit.MM).calculator.name == calculator


def test_endings_do_not_hide_a_word() -> None:
    assert stems("boring bores bored") == stems("bore")
    assert stems("reaming") == stems("ream")
