"""How a line is cut before anybody reads it: what is turned into something else, and what is not."""

from __future__ import annotations

import pytest

from runk.ask.words import words_of


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
