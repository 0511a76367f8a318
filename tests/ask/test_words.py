"""How a line is cut before anybody reads it: what is turned into something else, and what is not."""

from __future__ import annotations

import pytest

from runk.ask.lexicon import names_of
from runk.ask.spelling import spelt
from runk.ask.without import without
from runk.ask.words import words_of
from runk.core.catalogue import CATALOGUE
from runk.demo.back_shed import WORKSHOP


@pytest.mark.parametrize(
    ("line", "words"),
    [
        ("22 H7/g6", "22 fit hole:H7 shaft:g6"),
        ("22 g6/H7", "22 fit hole:H7 shaft:g6"),
        ("22 h7/g6", "22 fit hole:h7 shaft:g6"),
        ("22 H7 g6", "22 fit hole:H7 shaft:g6"),
        ("fit 22 k6", "fit 22 shaft:k6"),
        ("limits for 22 H7", "limits for 22 hole:H7"),
        ("33.02 in 33.04", "mate other 33.02 there 33.04"),
        ("will a 10.02 shaft fit in a 10.00 hole?", "mate other 10.02 there 10.00 hole"),
        ("1/2 in 0.501", "mate other 1/2 there 0.501"),
        ("drill 3.5 and ream 4", "reamed 4 hole from 3.5 there already"),
        ("turn 22 at 0.1mm/rev", "turn 22 at 0.1 mm a rev"),
        ("feed 40 mm/min", "40 mm a minute"),
        ("works at 130C", "works at 130 C"),
        ("at 120 °C (248 °F)", "at 120 °C"),
        ("top 22.01, 22.02; bottom 22.00", "top 22.01 , 22.02 ; bottom 22.00"),
    ],
)
def test_said_another_way_it_is_the_same(line: str, words: str) -> None:
    assert words_of(line) == words.split()


@pytest.mark.parametrize(
    "line",
    [
        "M6 bolt hole medium fit",
        "turn 12 in brass",
        "0.5 in 12 mm",
        "12 in 40",
        "tap M4 H7",
        "bore 20 to 22 H7 iron",
        "plan 16 to 14.5 h6",
        "4 in 4140",
        "drill 3.3 in 4140",
        "3 holes in 40 mm",
    ],
)
def test_what_only_looks_like_it_is_left_as_it_stands(line: str) -> None:
    assert words_of(line) == line.split()


@pytest.mark.parametrize(
    ("line", "plain"),
    [
        ("three jaw, 2.5 throw, 19 mm bar", ", 2.5 throw, 19 mm bar"),
        ("no 41 drill mm", "#41 in mm"),
        ("dividing head 40 to 1, 23 divisions", "40 to 1, 23 divisions"),
        ("gear modul 2, 31 teeth", "gear module 2, 31 teeth"),
        ("turn 19 mm in the 3 jaw", "turn 19 mm in the 3 jaw"),
    ],
)
def test_a_word_of_the_chuck_or_the_drawer_is_no_size(line: str, plain: str) -> None:
    assert spelt(line) == plain


@pytest.mark.parametrize(
    ("line", "left"),
    [
        ("tapping drill 7/16 BSF not BSW", "tapping drill 7/16 BSF"),
        ("do not want a press fit, sliding, 15 shaft", "do sliding, 15 shaft"),
        ("19/64, no letter drills", "19/64"),
    ],
)
def test_a_series_that_is_not_meant_goes_out(line: str, left: str) -> None:
    found = without(line, CATALOGUE, names_of(WORKSHOP))
    assert found.excluded
    assert not found.unknown
    assert found.line.replace(",", "").split() == left.replace(",", "").split()
