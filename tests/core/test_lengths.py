"""Lengths as they are spoken: every way of writing one, and every way of getting it wrong."""

from __future__ import annotations

from fractions import Fraction as F

import pytest
from hypothesis import given
from hypothesis import strategies as st

from runk.core.catalogue import CATALOGUE
from runk.core.lengths import nearest_64th, read_length
from runk.core.questions import read_question
from runk.core.refusals import Refused
from runk.core.said import worded
from runk.core.units import PageUnit
from runk.demo.back_shed import WORKSHOP

INCH = F(254, 10)

READS = [
    ("12", F(12)),
    ("12mm", F(12)),
    ("12 MM", F(12)),
    ("12,5", F("12.5")),
    (".5", F("0.5")),
    ("5.", F(5)),
    ("2cm", F(20)),
    ("3 m", F(3000)),
    ("50 µm", F("0.05")),
    ('0.5"', F("12.7")),
    ("0.5 in", F("12.7")),
    ("2 inches", 2 * INCH),
    ("1'", 12 * INCH),
    ("1/2", INCH / 2),
    ("47/2", F(47, 2) * INCH),
    ("½", INCH / 2),
    ("1½”", F(3, 2) * INCH),
    ('1 3/16"', F(19, 16) * INCH),
    ("1-3/16", F(19, 16) * INCH),
    ("1 3/16", F(19, 16) * INCH),
    ("1/4 mm", F(1, 4)),
    ("2 1/2 mm", F(5, 2)),
    ("24 thou", F("0.6096")),
    ("3 tenths", F("0.00762")),
    ("3 tenths of a thou", F("0.00762")),
    (".024in", F("0.6096")),
    ("#43", F("0.089") * INCH),
    ("no 43", F("0.089") * INCH),
    ("No. 43", F("0.089") * INCH),
    ("number 43 drill", F("0.089") * INCH),
    ("letter F", F("0.257") * INCH),
    ("2BA", F("4.7")),
    ("2 ba", F("4.7")),
    ("M4x0.7", F(4)),
    ("M4 x 0.5", F(4)),
    ("m2.5", F("2.5")),
    ("1/4x40 ME", INCH / 4),
    ("3/8 x 32", F(3, 8) * INCH),
    ("1/4-20 UNC", INCH / 4),
    ("1/4-20", INCH / 4),
    ("3/16 BSF", F(3, 16) * INCH),
    ("4-40", F("0.112") * INCH),
    ("#4-40", F("0.112") * INCH),
    ("10-32", F("0.190") * INCH),
    ("0-80", F("0.060") * INCH),
    ("G1/8", F("9.728")),
    ("1/8 BSP", F("9.728")),
    ("Ø12", F(12)),
    ("12 dia", F(12)),
    # A fraction of an inch is inches wherever it stands, and so is what stands beside it.
    ("1 1/4 + 7/64", (F(5, 4) + F(7, 64)) * INCH),
    ("47/2 - 4", F("19.5")),
    ("7/64 + 20 thou", (F(7, 64) + F(1, 50)) * INCH),
    ("1/2 + 1/4", F(3, 4) * INCH),
    ("1/2 + 3", F(7, 2) * INCH),
    ("12 mm + 1/4", 12 + INCH / 4),
    ("1 - 3/16", F(13, 16) * INCH),
    ("5/64 + .035", (F(5, 64) + F("0.035")) * INCH),
    ("(3/16 - 1 mm)/2", (3 * INCH / 16 - 1) / 2),
    ("3*7/16 + 1/4", F(25, 16) * INCH),
    ("2 x 11/32", F(11, 16) * INCH),
    ("0.218/2 + 3/32", (F("0.109") + F(3, 32)) * INCH),
    ("14.6/2 + 2.7/2", F("8.65")),
    ("half", INCH / 2),
    ("half a thou", INCH / 2000),
    ("half mm", F(1, 2)),
    ("quarter by 40", INCH / 4),
    ("five thirty-seconds", F(5, 32) * INCH),
    ("5/32nds", F(5, 32) * INCH),
    ("2 and 3/16", F(35, 16) * INCH),
    ("3/8 minus 5/64", F(19, 64) * INCH),
    ("half of 33", F("16.5")),
    ("halfway between 28 and 47", F("37.5")),
    ("twice 3/16", F(3, 8) * INCH),
    ("one and a half thou", F("0.0381")),
    ("25.4/2", F("12.7")),
    ("(65 + 3)/2", F(34)),
    ("1 1/2 / 2", F(3, 4) * INCH),
    ("2 * 6,5", F(13)),
    ('1/2" - 1mm', F("11.7")),
    ("#43 + 1/64", (F("0.089") + F(1, 64)) * INCH),
    ("1/4x40 + 10 thou", (F(1, 4) + F(1, 100)) * INCH),
    ("12 – 3", F(9)),
]


@pytest.mark.parametrize(("typed", "mm"), READS)
def test_read_exactly(typed: str, mm: F) -> None:
    assert read_length(typed).mm == mm


@pytest.mark.parametrize(
    ("typed", "mm"),
    [
        ("0.5", F("12.7")),
        ("1/2", F("12.7")),
        ("1/2 + 3", F(7, 2) * INCH),
        ("12 mm", F(12)),
        ("1 - 3/16", F(13, 16) * INCH),
    ],
)
def test_bare_numbers_on_an_inch_page(typed: str, mm: F) -> None:
    assert read_length(typed, PageUnit.INCH).mm == mm


REFUSES = [
    ("1 3/", "unfinished fraction", "1 3/16"),
    ("3/", "unfinished fraction", "3/2"),
    ("-4", "less than nothing", "4"),
    ("12 m m", "stray `m`", "12 mm"),
    ("#0", "no number drill 0", "#43"),
    ("#97", "#1 (5.79 mm)", "#43"),
    ("17BA", "0 BA to 16 BA", "2BA"),
    ("M0.5", "M1 to M100", "M4"),
    ("#8-33", "#8-32 or #8-36", "4-40"),
    ("G7/8", "no pipe thread", "G1/8"),
    ("12-3", "space", "12 - 3"),
    ("12 -3", "space", "12 - 3"),
    ("1/0", "divides by 0", None),
    ("12 / 0", "divides by 0", None),
    ("3 - 5", "comes to -2 mm", None),
    ("5 +", "middle of a sum", "5"),
    ("(5", "never closes", None),
    ("5)", "never opened", None),
    ("", "no size", None),
    ("   ", "no size", None),
    ("abc", "cannot read `abc`", None),
    ("nan", "cannot read", None),
    ("inf", "cannot read", None),
    ("1e5", "not `e`", None),
    ("1 2", "nothing between", None),
    ("1.2.3", "decimal point", None),
    ("1,234.5", "decimal point", None),
    ("12 mm / 4 mm", "divides by a size", None),
    ("(1/2) mm", "not `mm` after it", None),
    ("3 mm * 4 mm", "multiplies two sizes", None),
    ("+ 4", "where a size should be", None),
    ("mm", "cannot read", None),
    ("٣", "cannot read", None),
    ("x" * 1_000_000, "1000000 characters", None),
    ("9" * 101, "101 characters", None),
]


@pytest.mark.parametrize(("typed", "says", "suggest"), REFUSES)
def test_refused_in_words(typed: str, says: str, suggest: str | None) -> None:
    with pytest.raises(Refused) as caught:
        read_length(typed)
    found = caught.value
    assert says in found.says or says in str(found.suggest)
    if suggest:
        assert found.suggest == suggest
    assert len(found.says) < 250


@pytest.mark.parametrize("typed", [t for t, _, s in REFUSES for t in [s] if t])
def test_what_is_suggested_can_be_read(typed: str) -> None:
    assert read_length(typed).mm > 0


@pytest.mark.parametrize(
    ("typed", "plain", "echo"),
    [
        ("12", True, "12 mm"),
        ("12,5", True, "12.5 mm"),
        ("1/2", False, "1/2 in = 12.7 mm"),
        ("4-40", False, '#4-40 UNC thread, outside diameter: 0.112" = 2.845 mm'),
        ("#43", False, '#43 drill: 0.089" = 2.261 mm'),
        ("47/2 - 4", False, "47 ÷ 2 - 4 = 19.5 mm"),
        ("1 - 3/16", False, "1 in - 3/16 in = 20.638 mm"),
        ("7/64 + 20 thou", False, "7/64 in + 20 thou = 3.286 mm"),
    ],
)
def test_the_reading_is_said_back(typed: str, plain: bool, echo: str) -> None:
    reading = read_length(typed)
    assert (reading.plain, reading.echo) == (plain, echo)


@given(st.integers(1, 40), st.integers(0, 127))
def test_mixed_numbers_any_way_round(whole: int, part: int) -> None:
    exact = (whole + F(part, 128)) * INCH
    assert read_length(f"{whole} {part}/128").mm == exact
    assert read_length(f"{whole}-{part}/128").mm == exact
    assert read_length(f"{whole} + {part}/128", PageUnit.INCH).mm == exact


@given(st.decimals(0, 500, places=4), st.decimals(0, 500, places=4))
def test_sums_are_exact_and_order_free(a: object, b: object) -> None:
    one, other = read_length(f"{a} + {b}"), read_length(f"{b} mm + {a}mm")
    assert one.mm == other.mm == F(str(a)) + F(str(b))


@given(st.fractions(0, 50))
def test_nearest_64th_is_nearest(inch: F) -> None:
    text, error = nearest_64th(inch * INCH)
    spoken = read_length(f'{text}"').mm if text != "0" else F(0)
    assert spoken + error == inch * INCH
    assert abs(error) <= INCH / 128


@given(st.text(max_size=30))
def test_anything_typed_is_read_or_refused(text: str) -> None:
    try:
        assert read_length(text).mm >= 0
    except Refused as refused:
        assert refused.says


@pytest.mark.parametrize(
    ("one", "other", "says"),
    [
        ("10 mm", "10 mm", "They are one size."),
        ("1 in", "25.4 mm", "They are one size."),
        ("1/2 in", "12 mm", "12.7"),
    ],
)
def test_of_two_sizes_the_larger_is_named_or_that_they_are_one(
    one: str, other: str, says: str
) -> None:
    calculator = CATALOGUE["length"]
    read = read_question(calculator, {"text": one, "other": other}, PageUnit.MM, WORKSHOP)
    answer = calculator.ask(read.question, WORKSHOP)
    assert worded(answer.larger, PageUnit.MM).startswith(says)
