"""ISO 286: the tables against the standard's own formulas, and against fits it prints."""

from __future__ import annotations

import math

import pytest

from runk.core.fits.iso import GRADES, LETTERS, delta_um, grade_um, limits_um, read_class

# ISO 286-1 works its figures out at the geometric mean of a range, then rounds by its own rules;
# up to 3 mm, and for t up to 50, its tables depart from the formulas: the tables are the truth.
RANGES = [
    (3, 6),
    (6, 10),
    (10, 18),
    (18, 30),
    (30, 50),
    (50, 80),
    (80, 120),
    (120, 180),
    (180, 250),
]
FINE = [
    (24, 30),
    (30, 40),
    (40, 50),
    (50, 65),
    (65, 80),
    (80, 100),
    (100, 120),
    (120, 140),
    (140, 160),
    (160, 180),
    (180, 200),
    (200, 225),
    (225, 250),
]
TIMES = {5: 7, 6: 10, 7: 16, 8: 25, 9: 40, 10: 64, 11: 100}
"""Tolerance units of a grade: ISO 286-1, clause on standard tolerances, from memory."""


def unit_um(low: float, high: float) -> float:
    """The tolerance unit i = 0.45 D^(1/3) + 0.001 D at the middle of a range."""
    middle = math.sqrt(low * high)
    return 0.45 * middle ** (1 / 3) + 0.001 * middle


@pytest.mark.parametrize(("low", "high"), RANGES)
@pytest.mark.parametrize("grade", TIMES)
def test_a_tolerance_is_so_many_units(low: float, high: float, grade: int) -> None:
    """Within the rounding the standard allows itself: a micrometre, or one in twenty."""
    by_formula = TIMES[grade] * unit_um(low, high)
    assert grade_um(grade, high) == pytest.approx(by_formula, rel=0.08, abs=1.0)


FORMULAS = {
    "d": lambda d: -16 * d**0.44,
    "e": lambda d: -11 * d**0.41,
    "f": lambda d: -5.5 * d**0.41,
    "g": lambda d: -2.5 * d**0.34,
    "n": lambda d: 5 * d**0.34,
}
"""Fundamental deviations of shafts, ISO 286-1 annex, from memory."""


@pytest.mark.parametrize(("low", "high"), RANGES)
@pytest.mark.parametrize("letter", FORMULAS)
def test_a_deviation_follows_its_letters_formula(low: float, high: float, letter: str) -> None:
    middle = math.sqrt(low * high)
    deviation = _from_nought(letter, high)
    assert deviation == pytest.approx(FORMULAS[letter](middle), rel=0.04, abs=1.5)


@pytest.mark.parametrize(("low", "high"), FINE)
def test_the_tight_letters_follow_theirs(low: float, high: float) -> None:
    """s, t, u and r over 50 mm: IT7 + 0.4 D, IT7 + 0.63 D, IT7 + D, and the mean of p and s."""
    middle, it7 = math.sqrt(low * high), grade_um(7, high)
    assert _from_nought("u", high) == pytest.approx(it7 + middle, rel=0.03, abs=1.5)
    if low >= 50:
        assert _from_nought("t", high) == pytest.approx(it7 + 0.63 * middle, rel=0.03, abs=1.5)
        assert _from_nought("s", high) == pytest.approx(it7 + 0.4 * middle, rel=0.03, abs=1.5)
        mean = math.sqrt(_from_nought("p", high) * _from_nought("s", high))
        assert _from_nought("r", high) == pytest.approx(mean, rel=0.05, abs=1.5)
    assert _from_nought("m", high) == pytest.approx(it7 - grade_um(6, high), abs=1.0)


def _from_nought(letter: str, size: float) -> float:
    low, high = limits_um(read_class(f"{letter}6", hole=False), size)
    return high if letter in "cdefgh" else low


# ISO 286-2, limits as its tables print them, micrometres; from memory.
PRINTED = [
    ("H7", 2, 0, 10),
    ("H7", 8, 0, 15),
    ("H7", 22, 0, 21),
    ("H7", 40, 0, 25),
    ("H7", 100, 0, 35),
    ("H8", 16, 0, 27),
    ("H9", 50, 0, 62),
    ("H11", 25, 0, 130),
    ("H6", 12, 0, 11),
    ("H7", 250, 0, 46),
    ("g6", 22, -20, -7),
    ("g6", 8, -14, -5),
    ("f7", 22, -41, -20),
    ("f7", 60, -60, -30),
    ("e8", 16, -59, -32),
    ("d9", 30, -117, -65),
    ("c11", 22, -240, -110),
    ("h6", 40, -16, 0),
    ("h9", 10, -36, 0),
    ("js6", 22, -6.5, 6.5),
    ("k6", 22, 2, 15),
    ("k6", 5, 1, 9),
    ("m6", 22, 8, 21),
    ("n6", 22, 15, 28),
    ("n6", 12, 12, 23),
    ("p6", 22, 22, 35),
    ("r6", 22, 28, 41),
    ("s6", 22, 35, 48),
    ("s6", 60, 53, 72),
    ("u6", 28, 48, 61),
    ("K7", 22, -15, 6),
    ("M7", 22, -21, 0),
    ("N7", 22, -28, -7),
    ("P7", 22, -35, -14),
    ("R7", 22, -41, -20),
    ("S7", 22, -48, -27),
    ("K7", 8, -10, 5),
    ("N7", 12, -23, -5),
    ("P7", 40, -42, -17),
    ("N9", 22, -52, 0),
    ("JS7", 40, -12.5, 12.5),
    ("F8", 22, 20, 53),
    ("G7", 22, 7, 28),
    ("E9", 22, 40, 92),
    ("D10", 22, 65, 149),
    ("F7", 8, 13, 28),
    ("K6", 22, -11, 2),
    ("M6", 40, -20, -4),
    ("P6", 22, -31, -18),
    ("h5", 22, -9, 0),
]


@pytest.mark.parametrize(("one", "size", "low", "high"), PRINTED)
def test_limits_are_those_the_standard_prints(
    one: str, size: float, low: float, high: float
) -> None:
    assert limits_um(read_class(one, hole=one[0].isupper()), size) == (low, high)


# ISO 286-2, preferred classes in every range to 250 mm: lower and upper limit; from memory.
BANDS = (3, 6, 10, 18, 30, 50, 80, 120, 180, 250)
PREFERRED = {
    "H7": "0 10, 0 12, 0 15, 0 18, 0 21, 0 25, 0 30, 0 35, 0 40, 0 46",
    "g6": "-8 -2, -12 -4, -14 -5, -17 -6, -20 -7, -25 -9, -29 -10, -34 -12, -39 -14, -44 -15",
    "f7": "-16 -6, -22 -10, -28 -13, -34 -16, -41 -20, -50 -25, -60 -30, -71 -36, -83 -43, -96 -50",
    "k6": "0 6, 1 9, 1 10, 1 12, 2 15, 2 18, 2 21, 3 25, 3 28, 4 33",
    "n6": "4 10, 8 16, 10 19, 12 23, 15 28, 17 33, 20 39, 23 45, 27 52, 31 60",
    "p6": "6 12, 12 20, 15 24, 18 29, 22 35, 26 42, 32 51, 37 59, 43 68, 50 79",
    "s6": "14 20, 19 27, 23 32, 28 39, 35 48, 43 59, 59 78, 79 101, 108 133, 140 169",
    "K7": "-10 0, -9 3, -10 5, -12 6, -15 6, -18 7, -21 9, -25 10, -28 12, -33 13",
    "N7": "-14 -4, -16 -4, -19 -4, -23 -5, -28 -7, -33 -8, -39 -9, -45 -10, -52 -12, -60 -14",
    "P7": "-16 -6, -20 -8, -24 -9, -29 -11, -35 -14, -42 -17, -51 -21, -59 -24, -68 -28, -79 -33",
    "S7": "-24 -14, -27 -15, -32 -17, -39 -21, -48 -27, -59 -34, -78 -48, -101 -66, -133 -93, -169 -123",
}


@pytest.mark.parametrize("name", PREFERRED)
def test_the_preferred_classes_are_those_printed_in_every_range(name: str) -> None:
    one = read_class(name, hole=name[0].isupper())
    printed = [tuple(map(float, pair.split())) for pair in PREFERRED[name].split(",")]
    assert [limits_um(one, size) for size in BANDS] == printed


def test_a_fit_turned_round_is_the_same_fit() -> None:
    """What the delta rule is for: H7/p6 and P7/h6 leave the same least and most."""
    for size in (5, 8, 14, 22, 40, 70, 110, 150, 220):
        for letter in "kmnprsu":
            there = _between(f"H7/{letter}6", size)
            back = _between(f"{letter.upper()}7/h6", size)
            assert there == pytest.approx(back)


def _between(fit: str, size: float) -> tuple[float, float]:
    hole, shaft = fit.split("/")
    inside = limits_um(read_class(hole, hole=True), size)
    outside = limits_um(read_class(shaft, hole=False), size)
    return inside[0] - outside[1], inside[1] - outside[0]


@pytest.mark.parametrize("size", [0.5, 3, 6, 24, 50, 80, 120, 180, 250])
@pytest.mark.parametrize("hole", [True, False])
def test_every_class_is_as_wide_as_its_grade(size: float, hole: bool) -> None:
    for letter in LETTERS:
        for grade in GRADES:
            if letter == "t" and size <= 24:
                continue
            if hole and letter == "k" and grade > 8:
                continue
            low, high = limits_um(read_class(f"{letter}{grade}", hole), size)
            assert high - low == pytest.approx(grade_um(grade, size))


def test_delta_is_nought_for_the_smallest() -> None:
    assert delta_um(7, 3) == 0
    assert delta_um(7, 3.001) == 4
