"""Usual parts: their sizes become lines that are read, can be made, and are what was asked."""

from __future__ import annotations

from itertools import product

import pytest

from runk.core.refusals import Refused
from runk.core.route.drawn.sentence import features_of
from runk.core.route.families.every import FAMILIES
from runk.core.route.families.family import begun
from runk.core.route.propose import propose
from runk.core.route.reading import part_of
from runk.core.route.route import Job
from runk.core.route.rule import Severity
from runk.core.route.rules import BY_KEY, check
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

MM, INCH = PageUnit.MM, PageUnit.INCH
EVERY = list(product(FAMILIES, (MM, INCH), (False, True)))


def usual(key: str, page: PageUnit = MM, spare: bool = False, **sizes: str) -> dict[str, str]:
    asked = {z.key: z.example(page) for z in FAMILIES[key].sizes if spare or not z.spare}
    return asked | sizes


@pytest.mark.parametrize(("key", "page", "spare"), EVERY)
def test_a_usual_part_is_drawn_and_routed_without_a_stop(
    key: str, page: PageUnit, spare: bool
) -> None:
    made = begun(FAMILIES[key], usual(key, page, spare), page)
    part = part_of(key, "mild-steel", made.blank, made.lines, page)
    job = Job(part, WORKSHOP)
    found = check(job, propose(job).route)
    stops = [one.says for one in found.broken if BY_KEY[one.rule].severity is Severity.STOP]
    assert stops == []


@pytest.mark.parametrize("key", FAMILIES)
def test_every_size_asked_for_stands_in_a_line(key: str) -> None:
    """A size changed by a little changes what is drawn: none is asked for nothing."""
    before = begun(FAMILIES[key], usual(key, spare=True), MM)
    for size in FAMILIES[key].sizes:
        if size.kind != "length":
            continue
        other = f"{float(size.mm) * 1.01:.3f}"
        after = begun(FAMILIES[key], usual(key, spare=True, **{size.key: other}), MM)
        assert after != before, size.label


def test_a_crank_by_hand() -> None:
    made = begun(
        FAMILIES["crank"],
        {
            "journal": "12",
            "ends": "30",
            "pin": "10",
            "wide": "12",
            "throw": "11",
            "web": "34",
            "thick": "7",
        },
        MM,
    )
    # 30 + 7 + 12 + 7 + 30, 8 for the dog, a facing cut at either end and the next whole size.
    assert made.blank == "bar 35, 100 long"
    assert made.lines == (
        "face at 0",
        "face at 86",
        "journal 12, from 0 to 30, called right end",
        "outside 34, from 30 to 37, called web",
        "crankpin 10, throw 11, from 37 to 49",
        "outside 34, from 49 to 56, called far web",
        "journal 12, from 56 to 86, called left end",
    )


def test_a_stud_in_inches_keeps_its_fractions() -> None:
    made = begun(
        FAMILIES["stud"], {"thread": "2 BA", "long": "1 1/4", "nut": "1/2", "other": "3/8"}, INCH
    )
    assert "outside 0.185, from 1/2 to 7/8, called shank" in made.lines
    assert [features_of(line, INCH)[0].kind for line in made.lines].count("thread") == 2


@pytest.mark.parametrize(
    ("key", "sizes", "field"),
    [
        ("stud", {"long": ""}, "long"),
        ("stud", {"thread": "M4.7"}, "thread"),
        ("stud", {"nut": "20", "other": "6.1"}, "long"),
        ("bush", {"bore": "16"}, "bore"),
        ("bush", {"flange": "22"}, "thick"),
        ("bush", {"flange": "16", "thick": "3"}, "flange"),
        ("bush", {"long": "-3"}, "long"),
        ("bush", {"long": "plenty"}, "long"),
        ("gland", {"nose": "24"}, "nose"),
        ("gland", {"rod": "11"}, "rod"),
        ("gland", {"holes": "2"}, "hole"),
        ("gland", {"holes": "2", "hole": "3", "circle": "21"}, "circle"),
        ("gland", {"holes": "2", "hole": "3", "circle": "14"}, "circle"),
        ("gland", {"holes": "two", "hole": "3", "circle": "17"}, "holes"),
        ("cover", {"register": "42"}, "register"),
        ("piston", {"rings": "3", "ring": "1.5"}, "bottom"),
        ("piston", {"rings": "6", "ring": "1.5", "bottom": "21"}, "rings"),
        ("piston", {"hollow": "17", "deep": "26"}, "deep"),
        ("piston", {"pin": "5", "at": "23.5"}, "at"),
        ("crank", {"web": "23.9"}, "web"),
        ("crank", {"journal": "27"}, "journal"),
        ("eccentric", {"boss": "8"}, "boss"),
        ("eccentric", {"boss": "19.1"}, "boss"),
        ("flywheel", {"bore": "110"}, "bore"),
    ],
)
def test_sizes_that_cannot_be_are_refused_at_their_own_box(
    key: str, sizes: dict[str, str], field: str
) -> None:
    with pytest.raises(Refused) as caught:
        begun(FAMILIES[key], usual(key, **sizes), MM)
    assert caught.value.field == field


@pytest.mark.parametrize(
    ("key", "sizes"),
    [
        ("stud", {"nut": "20", "other": "6"}),
        ("gland", {"holes": "2", "hole": "3", "circle": "20.9"}),
        ("gland", {"holes": "2", "hole": "3", "circle": "14.1"}),
        ("crank", {"web": "24"}),
        ("eccentric", {"boss": "19"}),
        ("piston", {"pin": "5", "at": "23.4"}),
    ],
)
def test_what_is_just_possible_is_taken(key: str, sizes: dict[str, str]) -> None:
    assert begun(FAMILIES[key], usual(key, **sizes), MM).lines
