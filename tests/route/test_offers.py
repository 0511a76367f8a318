"""A line of a part as it is typed: what is offered can be typed on, and says what it said."""

from __future__ import annotations

from fractions import Fraction

import pytest

from runk.core.refusals import Refused
from runk.core.route.drawn.examples import EXAMPLES
from runk.core.route.drawn.offers import GAP, MOST, offers
from runk.core.route.drawn.sentence import features_of
from runk.core.route.drawn.sketched import sketch
from runk.core.route.feature_question import KINDS
from runk.core.units import PageUnit

MM, INCH = PageUnit.MM, PageUnit.INCH
FLANGE = features_of("outside 30, from 0 to 20, called flange", MM)


def shown(line: str, page: PageUnit = MM, long: str | None = "60") -> list[str]:
    return [
        one.shows for one in offers(line, page, FLANGE, None if long is None else Fraction(long))
    ]


@pytest.mark.parametrize("page", [MM, INCH])
@pytest.mark.parametrize("kind", [one.key for one in KINDS])
def test_every_kind_has_an_example_that_is_read_as_it_and_a_drawing(
    kind: str, page: PageUnit
) -> None:
    (read,) = features_of(EXAMPLES[kind][page], page, Fraction(60))
    assert read.kind == kind
    stage = sketch(kind)
    assert stage.section is not None or stage.faces


@pytest.mark.parametrize("page", [MM, INCH])
@pytest.mark.parametrize("kind", [one.key for one in KINDS])
def test_an_example_typed_letter_by_letter_is_never_offered_what_cannot_be_read(
    kind: str, page: PageUnit
) -> None:
    """What is offered without a gap can be kept, or wants one thing that is offered next."""
    line = EXAMPLES[kind][page]
    for end in range(1, len(line) + 1, 3):
        for one in offers(line[:end], page, FLANGE, Fraction(60)):
            if GAP in one.line or one.kind:
                continue
            try:
                assert features_of(one.line, page, Fraction(60))
            except Refused as refused:
                assert refused.field not in (None, "called"), (line[:end], one.line)


def test_an_empty_line_offers_every_kind_with_its_example() -> None:
    assert [one.kind for one in offers("", MM)] == [one.key for one in KINDS]
    assert all(one.says for one in offers("", INCH))


@pytest.mark.parametrize(
    ("line", "first"),
    [
        ("kn", "knurl"),
        ("Cha", "chamfer"),
        ("22 jo", "journal"),
        ("bore", "?"),
        ("bore 22", "from 0 to 60"),
        ("crankpin 10", "throw ?"),
        ("taper 20", "down to ?"),
        ("groove 16", "? wide"),
        ("groove 16, 2 wide", "at 0"),
        ("thread", "?"),
        ("keyway 4 wide", "? deep"),
        ("plane 10", "from the right end"),
        ("bore 22, from 0 to 60", "H7"),
        ("outside 22, from 0 to 60", "g6"),
        ("bore 22 H7, from 0 to 60", "called ?"),
    ],
)
def test_what_is_wanted_stands_first(line: str, first: str) -> None:
    found = [one for one in shown(line) if one != "keyway in the bore"]
    assert found[0] == first


def test_a_neighbour_is_found_by_its_name_and_offered_by_its_place() -> None:
    (one,) = offers("chamfer 1 fl", MM, FLANGE, Fraction(60))
    assert (one.line, one.says) == ("chamfer 1 at 20", "where the flange ends")
    # Nothing of it is offered as an end where it ends the part.
    assert "from 20 to ?" not in shown("bore 22", long="20")
    assert "from 20 to ?" in shown("bore 22", long="21")


def test_a_place_is_offered_in_the_unit_of_the_page() -> None:
    inch = offers("bore 7/8", INCH, FLANGE, Fraction("60.325"))
    assert inch[0].line == "bore 7/8, from 0 to 2 3/8"
    # No length, no left end.
    assert shown("bore 22", long=None)[0] == "from 0 to ?"


def test_nothing_is_offered_where_nothing_is_known_and_never_more_than_a_handful() -> None:
    assert shown("nonsense 12") == []
    assert max(len(shown(line)) for line in ("slot 3 wide", "6 holes 3", "drilled hole 8")) <= MOST


def test_a_gap_is_never_kept() -> None:
    with pytest.raises(Refused, match=r"in place of the `\?`") as caught:
        features_of("bore ?, from 0 to 60", MM)
    assert caught.value.field == "called"
