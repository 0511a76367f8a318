"""Named sizes against published data of a package, and against what a standard states."""

from __future__ import annotations

import pytest

from runk.core.lengths import read_length
from runk.core.lengths.names import ba_diameter_mm, drill_sizes
from runk.core.sources import read_table
from tests.reference.packages import rows

# bd-warehouse rounds five drills of ASME B94.11M to three places; the fourth is the standard's.
ROUNDED_BY_PACKAGE = {
    "#5": 0.0005,
    "#10": 0.0005,
    "#18": 0.0005,
    "#25": 0.0005,
    "#28": 0.0005,
    "#69": 0.0002,
}


def test_every_number_and_letter_drill_is_the_packages() -> None:
    """ASME B94.11M by way of bd-warehouse's drill_sizes.csv."""
    published = {
        row["Size"]: float(row["Diameter"]) for row in rows("bd-warehouse", "drill_sizes.csv")
    }
    ours = {name: float(inch) for name, inch in drill_sizes().items()}
    assert ours.keys() == published.keys()
    for name, inch in published.items():
        assert ours[name] == pytest.approx(inch, abs=ROUNDED_BY_PACKAGE.get(name, 1e-9) + 1e-9), (
            name
        )


def test_drills_only_grow() -> None:
    """A second property: #80 to #1, then A to Z, each larger than the one before."""
    sizes = [float(row["inch"]) for row in read_table("drills")]
    numbers, letters = sizes[:80], sizes[80:]
    assert numbers == sorted(numbers, reverse=True)
    assert letters == sorted(letters)
    assert letters[0] > numbers[0]


def test_pipe_threads_are_the_packages() -> None:
    """ISO 228-1 by way of bd-warehouse's iso_228_1.csv."""
    published = {row["size"]: row for row in rows("bd-warehouse", "iso_228_1.csv")}
    for row in read_table("pipe"):
        assert float(row["major_mm"]) == float(published[row["size"]]["major_diameter"])
        assert int(row["tpi"]) == int(published[row["size"]]["tpi"])


# British Association majors in millimetres, as workshop handbooks print them: from memory.
BA = [6.0, 5.3, 4.7, 4.1, 3.6, 3.2, 2.8, 2.5, 2.2, 1.9, 1.7, 1.5, 1.3, 1.2, 1.0, 0.90, 0.79]


@pytest.mark.parametrize(("number", "mm"), enumerate(BA))
def test_ba_by_the_formula_of_bs_93(number: int, mm: float) -> None:
    assert float(ba_diameter_mm(number)) == mm


def test_unified_numbers_step_by_thirteen_thou() -> None:
    """ASME B1.1: numbered sizes are 0.060 in plus 0.013 in a number."""
    step = read_length("#2-56").mm - read_length("#1-64").mm
    assert step / read_length("1 in").mm * 1000 == 13
    assert float(read_length("#0-80").mm) == pytest.approx(1.524)
    assert float(read_length("10-24").mm) == float(read_length("10-32").mm)


def test_coarse_is_coarser_than_fine_and_fine_than_extra_fine() -> None:
    tpi = {(r["series"], r["size"]): int(r["tpi"]) for r in read_table("unified")}
    for (series, size), count in tpi.items():
        if series == "UNF" and ("UNC", size) in tpi:
            assert count > tpi["UNC", size]
        if series == "UNEF" and ("UNF", size) in tpi:
            assert count > tpi["UNF", size]
