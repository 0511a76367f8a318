"""Threads and drills by the names people type, against published data and stated formulas."""

from __future__ import annotations

from fractions import Fraction

import pytest

from runk.core.lengths import read_length
from runk.core.lengths.names import ba_diameter_mm, ba_pitch_mm
from runk.core.sources import read_table
from tests.reference.packages import rows

# Unified majors in inches as ASME B1.1 tables print them: recalled, checked by its own step.
UNIFIED_MAJORS = {
    "#0-80": "0.0600",
    "#1-64": "0.0730",
    "#1-72": "0.0730",
    "#2-56": "0.0860",
    "#2-64": "0.0860",
    "#3-48": "0.0990",
    "#4-40": "0.1120",
    "#4-48": "0.1120",
    "#5-40": "0.1250",
    "#6-32": "0.1380",
    "#8-32": "0.1640",
    "#10-24": "0.1900",
    "#10-32": "0.1900",
    "#12-24": "0.2160",
    "1/4-20": "0.2500",
    "1/4-28": "0.2500",
    "5/16-18": "0.3125",
    "3/8-16": "0.3750",
    "7/16-14": "0.4375",
    "1/2-13": "0.5000",
    "9/16-12": "0.5625",
    "5/8-11": "0.6250",
    "3/4-10": "0.7500",
}


@pytest.mark.parametrize(("name", "inch"), UNIFIED_MAJORS.items())
def test_unified_majors_and_pitches(name: str, inch: str) -> None:
    reading = read_length(name)
    assert reading.mm == Fraction(inch) * Fraction(254, 10)
    assert reading.pitch_mm == Fraction(254, 10) / int(name.rsplit("-", 1)[1])
    assert not reading.plain


# BA pitches in millimetres as workshop handbooks print them: from memory.
BA_PITCHES = [
    "1.00",
    "0.90",
    "0.81",
    "0.73",
    "0.66",
    "0.59",
    "0.53",
    "0.48",
    "0.43",
    "0.39",
    "0.35",
    "0.31",
    "0.28",
    "0.25",
    "0.23",
    "0.21",
    "0.19",
]


@pytest.mark.parametrize(("number", "pitch"), enumerate(BA_PITCHES))
def test_ba_pitches_by_the_formula_of_bs_93(number: int, pitch: str) -> None:
    assert ba_pitch_mm(number) == Fraction(pitch)
    assert read_length(f"{number}BA").pitch_mm == Fraction(pitch)


def test_ba_sizes_only_shrink() -> None:
    diameters = [ba_diameter_mm(n) for n in range(17)]
    assert diameters == sorted(diameters, reverse=True)
    assert len(set(diameters)) == 17


def _published_metric() -> list[str]:
    return [
        row["Size"] for row in rows("bd-warehouse", "tap_hole_sizes.csv") if row["Size"][0] == "M"
    ]


@pytest.mark.parametrize("name", _published_metric())
def test_every_metric_thread_of_the_package_can_be_typed(name: str) -> None:
    size, pitch = name[1:].split("-")
    reading = read_length(f"M{size}x{pitch}")
    assert float(reading.mm) == float(size)
    assert reading.pitch_mm is not None
    assert float(reading.pitch_mm) == float(pitch)


def test_coarse_pitches_are_ones_the_package_lists() -> None:
    published = set(_published_metric())
    sizes = {name.split("-")[0] for name in published}
    # Third-choice sizes: the package has them in a fine pitch only.
    sizes -= {"M7", "M9", "M11"}
    compared = [row for row in read_table("metric_coarse") if row["size"] in sizes]
    assert len(compared) >= 12
    for row in compared:
        assert f"{row['size']}-{row['pitch_mm']}" in published, row["size"]


def test_coarse_pitches_never_shrink_with_size() -> None:
    """A second property: ISO 261 coarse pitches grow with the diameter, or stay."""
    pitches = [float(row["pitch_mm"]) for row in read_table("metric_coarse")]
    assert pitches == sorted(pitches)


def test_clearance_is_always_over_the_thread_that_is_read() -> None:
    """ISO 273 by way of bd-warehouse: a clearance hole is larger than the size we read."""
    for row in rows("bd-warehouse", "clearance_hole_sizes.csv"):
        if row["Size"].startswith("M") and float(row["Size"][1:]) <= 100:
            major = float(read_length(row["Size"]).mm)
            assert major < float(row["Close"]) < float(row["Normal"]) < float(row["Loose"])


@pytest.mark.parametrize(
    ("typed", "spoken"),
    [
        ("12", "12 mm"),
        ("5/8", "5/8 in"),
        ("1-3/16", "1 3/16 in"),
        ("#43", "#43"),
        ("2ba", "2 BA"),
        ("m4 x .5", "M4x.5"),
        ("1/4x40 me", "1/4x40 ME"),
        ("1/4-20", "1/4-20 UNC"),
        ("1/4-28", "1/4-28 UNF"),
        ("3/16 bsf", "3/16 BSF"),
        ("letter f", "letter F"),
        ("24 thou", "24 thou"),
        ("7/64 + 20 thou", "3.286 mm"),
        ('0.5"', "0.5 in"),
    ],
)
def test_a_size_is_said_as_people_say_it(typed: str, spoken: str) -> None:
    assert read_length(typed).spoken == spoken
