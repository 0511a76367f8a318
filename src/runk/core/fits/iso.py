"""Limits of ISO 286: the tables are the truth, and a hole's classes follow from the shaft's."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import cache

from runk.core.refusals import Refused
from runk.core.sources import read_table

LARGEST_MM = 250.0
GRADES = range(5, 12)
CLEAR, TIGHT = "cdefgh", "kmnprstu"
LETTERS = ("c", "d", "e", "f", "g", "h", "js", "k", "m", "n", "p", "r", "s", "t", "u")
_CLASS = re.compile(r"([a-z]{1,2}) ?([0-9]{1,2})", re.IGNORECASE | re.ASCII)
_LEFT_OUT = frozenset({"j", "cd", "ef", "fg"})
_FINE_TO = {"k": 8, "m": 8, "n": 8}
"""Holes of these letters are put right by delta up to this grade, P to U up to 7."""


@dataclass(frozen=True, slots=True)
class ToleranceClass:
    """A letter and a grade: ``g6`` of a shaft, ``H7`` of a hole."""

    letter: str
    grade: int
    hole: bool

    def plainly(self) -> str:
        """As it is typed: g6."""
        return str(self)

    def __str__(self) -> str:
        letter = self.letter.upper() if self.hole else self.letter
        return f"{letter}{self.grade}"


def read_class(text: str, hole: bool) -> ToleranceClass:
    """A class as it is typed, in capitals or not.

    Args:
        text: Such as ``H7``.
        hole: Whether it is a hole's.

    Raises:
        Refused: No class, one that is left out here, or a grade beyond 5 to 11.

    >>> str(read_class("h7", hole=True)), str(read_class("G6", hole=False))
    ('H7', 'g6')
    """
    found = _CLASS.fullmatch(text.strip())
    usual = "H7" if hole else "g6"
    if found is None:
        raise Refused(
            f"`{text[:20]}` is no tolerance class: a letter and a grade, such as {usual}.",
            suggest=usual,
        )
    letter, grade = found[1].lower(), int(found[2])
    if letter in _LEFT_OUT:
        raise Refused(
            f"{found[1]} is left out here: take its neighbours, such as "
            f"{'JS' if hole else 'js'} or {'H' if hole else 'h'}.",
            suggest=usual,
        )
    if letter not in LETTERS:
        first, last = ("C", "U") if hole else ("c", "u")
        raise Refused(
            f"There is no class {found[1]} here: {first} to {last}, without i, j, l, o and q.",
            suggest=usual,
        )
    if grade not in GRADES:
        raise Refused(f"Grade {grade} is not told here: 5 to 11 are.", suggest=usual)
    return ToleranceClass(letter, grade, hole)


@cache
def _grades() -> tuple[tuple[float, dict[int, float]], ...]:
    return tuple(
        (float(row["up_to_mm"]), {n: float(row[f"it{n}_um"]) for n in range(3, 12)})
        for row in read_table("iso_286_grades")
    )


@cache
def _shafts() -> tuple[tuple[float, dict[str, float]], ...]:
    letters = (*CLEAR, *TIGHT)
    return tuple(
        (float(row["up_to_mm"]), {k: float(row[k]) for k in letters if row[k]})
        for row in read_table("iso_286_shafts")
    )


@cache
def edges_mm() -> tuple[float, ...]:
    """Upper edge of every range of either table: between two of them no limit changes.

    >>> edges_mm()[:3], edges_mm()[-1]
    ((3.0, 6.0, 10.0), 250.0)
    """
    both = {up_to for up_to, _ in _grades()} | {up_to for up_to, _ in _shafts()}
    return tuple(sorted(edge for edge in both if edge <= LARGEST_MM))


def _sized(size_mm: float) -> float:
    if not 0 < size_mm <= LARGEST_MM:
        raise Refused(
            "The tables used here go over nought to 250 mm.", field="size", suggest="22 mm"
        )
    return size_mm


def grade_um(grade: int, size_mm: float) -> float:
    """Width of a tolerance, micrometres.

    Args:
        grade: 3 to 11.
        size_mm: Nominal, over 0 to 250.

    Raises:
        Refused: A size beyond the tables.

    >>> grade_um(7, 22.0)
    21.0
    """
    size = _sized(size_mm)
    return next(widths for up_to, widths in _grades() if size <= up_to + 1e-9)[grade]


def _shaft_um(letter: str, size_mm: float) -> float:
    found = next(row for up_to, row in _shafts() if size_mm <= up_to + 1e-9).get(letter)
    if found is None:
        raise Refused(
            f"There is no {letter} up to 24 mm in the standard: take u.",
            field="shaft",
            suggest="u6",
        )
    return found


def delta_um(grade: int, size_mm: float) -> float:
    """By how much a tight hole is put right so that its fit is the shaft's turned round.

    >>> delta_um(7, 22.0)
    8.0
    """
    if size_mm <= 3:
        return 0.0
    return grade_um(grade, size_mm) - grade_um(grade - 1, size_mm)


def limits_um(one: ToleranceClass, size_mm: float) -> tuple[float, float]:
    """Lower and upper deviation of a class, micrometres from the nominal.

    Args:
        one: The class.
        size_mm: Nominal, over 0 to 250.

    Raises:
        Refused: A size beyond the tables, or a letter the standard does not have there.

    Source: ISO 286-1, tables 1 to 5, recalled.

    >>> limits_um(read_class("H7", hole=True), 22.0), limits_um(read_class("g6", hole=False), 22.0)
    ((0.0, 21.0), (-20.0, -7.0))
    """
    width = grade_um(one.grade, size_mm)
    if one.letter == "js":
        return -width / 2, width / 2
    if one.hole:
        low, high = _hole(one, size_mm, width)
    else:
        low, high = _shaft(one, size_mm, width)
    return low + 0.0, high + 0.0


def _shaft(one: ToleranceClass, size_mm: float, width: float) -> tuple[float, float]:
    from_nought = _shaft_um(one.letter, size_mm)
    if one.letter in CLEAR:
        return from_nought - width, from_nought
    if one.letter == "k" and one.grade > 7:
        from_nought = 0.0
    return from_nought, from_nought + width


def _hole(one: ToleranceClass, size_mm: float, width: float) -> tuple[float, float]:
    try:
        from_nought = -_shaft_um(one.letter, size_mm)
    except Refused:
        raise Refused(
            f"There is no {one.letter.upper()} up to 24 mm in the standard: take U.",
            field="hole",
            suggest="U7",
        ) from None
    if one.letter in CLEAR:
        return from_nought, from_nought + width
    fine = one.grade <= _FINE_TO.get(one.letter, 7)
    if one.letter == "k" and not fine:
        raise Refused(
            f"The standard has no K{one.grade}: K goes to grade 8.", field="hole", suggest="K7"
        )
    if one.letter == "n" and not fine:
        high = from_nought if size_mm <= 3 else 0.0
    else:
        high = from_nought + (delta_um(one.grade, size_mm) if fine else 0.0)
    return high - width, high
