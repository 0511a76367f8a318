"""Threads against the tables workshop handbooks print, row by row.

Every figure in this file is from memory of those tables; where a standard states the formula, the
row is checked by it in ``test_threads.py`` as well.
"""

from __future__ import annotations

from fractions import Fraction

import pytest

from runk.core.figures import Working
from runk.core.holes.pick import nearest
from runk.core.threads import find_thread
from runk.core.threads import laws as law
from runk.core.threads.clearance import hole_for
from runk.core.threads.nuts import flats_of, height_of
from runk.core.threads.stud import StudQuestion, stud
from runk.core.threads.stud import needs as stud_needs
from runk.core.threads.thread import alike
from runk.core.tools.sets import tool_set
from runk.demo.back_shed import WORKSHOP
from tests.reference.packages import rows

# BS 93: number, major, pitch, core (mm). From memory of the standard's table.
BA = [
    (0, 6.0, 1.00, 4.80),
    (1, 5.3, 0.90, 4.22),
    (2, 4.7, 0.81, 3.73),
    (3, 4.1, 0.73, 3.22),
    (4, 3.6, 0.66, 2.81),
    (5, 3.2, 0.59, 2.49),
    (6, 2.8, 0.53, 2.16),
    (7, 2.5, 0.48, 1.92),
    (8, 2.2, 0.43, 1.68),
    (9, 1.9, 0.39, 1.43),
    (10, 1.7, 0.35, 1.28),
    (11, 1.5, 0.31, 1.13),
    (12, 1.3, 0.28, 0.96),
    (13, 1.2, 0.25, 0.90),
    (14, 1.0, 0.23, 0.72),
    (15, 0.9, 0.21, 0.65),
    (16, 0.79, 0.19, 0.56),
]

# BS 84: size, threads an inch, core diameter (in). From memory of the standard's table.
BSW = [
    ("1/8", 40, 0.0930),
    ("3/16", 24, 0.1341),
    ("1/4", 20, 0.1860),
    ("5/16", 18, 0.2414),
    ("3/8", 16, 0.2950),
    ("7/16", 14, 0.3460),
    ("1/2", 12, 0.3933),
    ("9/16", 12, 0.4558),
    ("5/8", 11, 0.5086),
    ("3/4", 10, 0.6219),
]
BSF = [
    ("3/16", 32, 0.1475),
    ("7/32", 28, 0.1731),
    ("1/4", 26, 0.2008),
    ("5/16", 22, 0.2543),
    ("3/8", 20, 0.3110),
    ("7/16", 18, 0.3664),
    ("1/2", 16, 0.4200),
    ("9/16", 16, 0.4825),
    ("5/8", 14, 0.5335),
    ("3/4", 12, 0.6433),
]

# ASME B1.1: size, threads an inch, basic minor diameter of the nut (in). From memory.
UNIFIED = [
    ("0-80", 0.0465),
    ("1-64", 0.0561),
    ("2-56", 0.0667),
    ("3-48", 0.0764),
    ("4-40", 0.0849),
    ("5-40", 0.0979),
    ("6-32", 0.1042),
    ("8-32", 0.1302),
    ("10-24", 0.1449),
    ("10-32", 0.1562),
    ("12-24", 0.1709),
    ("1/4-20", 0.1959),
    ("1/4-28", 0.2113),
    ("5/16-18", 0.2524),
    ("5/16-24", 0.2674),
    ("3/8-16", 0.3073),
    ("3/8-24", 0.3299),
    ("7/16-14", 0.3602),
    ("1/2-13", 0.4167),
    ("1/2-20", 0.4459),
    ("9/16-12", 0.4723),
    ("5/8-11", 0.5266),
    ("3/4-10", 0.6417),
]

# Metric: effective (pitch) diameter of ISO 724 tables (mm). From memory.
EFFECTIVE = [
    ("M1", 0.838),
    ("M1.2", 1.038),
    ("M1.6", 1.373),
    ("M2", 1.740),
    ("M2.5", 2.208),
    ("M3", 2.675),
    ("M3.5", 3.110),
    ("M4", 3.545),
    ("M5", 4.480),
    ("M6", 5.350),
    ("M8", 7.188),
    ("M8x1", 7.350),
    ("M10", 9.026),
    ("M10x1.25", 9.188),
    ("M12", 10.863),
    ("M12x1.25", 11.188),
    ("M14", 12.701),
    ("M16", 14.701),
    ("M16x1.5", 15.026),
]

# Tapping drills handbooks print for about three quarters of the thread: from memory.
BOOK = [
    ("M2", "1.6 mm"),
    ("M2.5", "2.05 mm"),
    ("M3", "2.5 mm"),
    ("M4", "3.3 mm"),
    ("M5", "4.2 mm"),
    ("M6", "5 mm"),
    ("M8", "6.8 mm"),
    ("M10", "8.5 mm"),
    ("M12", "10.2 mm"),
    ("4-40", "#43"),
    ("6-32", "#36"),
    ("8-32", "#29"),
    ("10-24", "#25"),
    ("10-32", "#21"),
    ("1/4-20", "#7"),
    ("1/4-28", "#3"),
    ("5/16-18", "letter F"),
    ("3/8-16", '5/16"'),
    ("0BA", "5.1 mm"),
    ("2BA", "4 mm"),
    ("4BA", "3 mm"),
    ("6BA", "2.3 mm"),
]


@pytest.mark.parametrize(("number", "major", "pitch", "core"), BA)
def test_ba(number: int, major: float, pitch: float, core: float) -> None:
    thread = find_thread(f"{number}BA")
    assert thread.major_mm == pytest.approx(major, abs=1e-9)
    assert thread.pitch_mm == pytest.approx(pitch, abs=1e-9)
    assert thread.minor_mm == pytest.approx(core, abs=0.011)


@pytest.mark.parametrize(("size", "tpi", "core"), BSW)
def test_whitworth(size: str, tpi: int, core: float) -> None:
    thread = find_thread(f"{size} BSW")
    assert 25.4 / thread.pitch_mm == pytest.approx(tpi)
    assert thread.minor_mm == pytest.approx(core * 25.4, abs=0.005)


@pytest.mark.parametrize(("size", "tpi", "core"), BSF)
def test_british_standard_fine(size: str, tpi: int, core: float) -> None:
    thread = find_thread(f"{size} BSF")
    assert 25.4 / thread.pitch_mm == pytest.approx(tpi)
    assert thread.minor_mm == pytest.approx(core * 25.4, abs=0.005)


@pytest.mark.parametrize(("name", "minor"), UNIFIED)
def test_unified(name: str, minor: float) -> None:
    assert find_thread(name).minor_mm == pytest.approx(minor * 25.4, abs=0.006)


@pytest.mark.parametrize(("name", "effective"), EFFECTIVE)
def test_metric_effective_diameters(name: str, effective: float) -> None:
    thread = find_thread(name)
    ours = law.smaller_mm(thread.major_mm, thread.form.effective, thread.pitch_mm)
    assert ours == pytest.approx(effective, abs=0.001)


def _mm(drill: str) -> float:
    every = [t for key in ("number", "letter", "fractional") for t in tool_set(key)]
    found = next((t.mm for t in every if t.name == drill), None)
    return float(drill.removesuffix(" mm")) if found is None else found


@pytest.mark.parametrize(("name", "drill"), BOOK)
def test_book_drills_leave_about_three_quarters(name: str, drill: str) -> None:
    thread = find_thread(name)
    working = thread.form.working * thread.pitch_mm
    percent = law.engagement_percent(thread.major_mm, _mm(drill), working)
    assert 68 <= percent <= 86, f"{name} with {drill}: {percent:.0f} %"


@pytest.mark.parametrize(("name", "drill"), BOOK)
def test_what_we_call_the_book_lands_near_the_books(name: str, drill: str) -> None:
    thread = find_thread(name)
    working = thread.form.working * thread.pitch_mm
    ideal = law.tapping_mm(thread.major_mm, working, 77.0)
    assert ideal == pytest.approx(_mm(drill), abs=max(0.12, 0.035 * thread.major_mm))
    tenths = tool_set("metric")
    if ideal <= 10:
        found = nearest(tenths, ideal)
        assert found is not None
        assert abs(found.mm - ideal) <= 0.05 + 1e-9 or ideal < 1


def test_full_nuts_are_the_standards() -> None:
    """ISO 4032 style 1, across flats and height, by way of bd-warehouse's hex_nut_parameters."""
    published = {
        float(row["Size"][1:].split("-")[0]): row
        for row in rows("bd-warehouse", "hex_nut_parameters.csv")
        if row["iso4032:m"]
    }
    for size in (2, 2.5, 3, 4, 5, 6, 8, 10, 12):
        thread, w = find_thread(f"M{size:g}"), Working()
        assert flats_of(w, thread).value == float(published[size]["iso4032:s"])
        assert height_of(w, thread).value == pytest.approx(float(published[size]["iso4032:m"]))


def test_a_ba_nut_is_the_trades() -> None:
    """Common practice: 1.75 D across, 0.9 D high. 2 BA: 8.2 by 4.2."""
    thread, w = find_thread("2 BA"), Working()
    assert flats_of(w, thread).value == pytest.approx(8.225, abs=0.05)
    assert height_of(w, thread).value == pytest.approx(4.23, abs=0.05)


@pytest.mark.parametrize("name", ["M3", "M4", "2 BA", "1/4 BSF"])
def test_a_nut_meets_the_cover_before_its_thread_ends(name: str) -> None:
    """Two to three pitches of it lie below the cover's face. Common practice."""
    thread = find_thread(name)
    asked = StudQuestion(thread, cover=Fraction(10))
    answer = stud(asked, stud_needs(asked, WORKSHOP))
    above = next(part.mm.value for part in answer.parts if part.label == "nut")
    showing = next(part.mm.value for part in answer.parts if part.label == "showing")
    below = answer.nut_end_mm.value - above - showing
    assert 2 * thread.pitch_mm <= below <= 3 * thread.pitch_mm
    assert answer.plain_mm.value == pytest.approx(10 - below)


@pytest.mark.parametrize(
    ("name", "medium"),
    # Between ISO 273's rows, never under the hole of the size below.
    [("M2.2", 2.58), ("M9", 10.0), ("M11", 12.25)],
)
def test_a_size_between_the_standards_rows_lies_between_their_holes(
    name: str, medium: float
) -> None:
    assert hole_for(Working(), find_thread(name), "medium").value == pytest.approx(medium, abs=0.1)


@pytest.mark.parametrize(
    ("one", "other"), [("M5", "#10-32 UNF"), ("1/4 BSF", "1/4-28 UNF"), ("2 BA", "3/16x32 ME")]
)
def test_what_starts_and_binds_is_named(one: str, other: str) -> None:
    names = {t.name for t in alike(find_thread(one))}
    assert find_thread(other).name in names
