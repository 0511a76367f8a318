"""Readings that look like a slip of the eye or the finger: which one, and what was meant."""

from __future__ import annotations

from dataclasses import dataclass

from runk.core.plan.follow import Followed, fits_the_next
from runk.core.plan.made import PassKind, after, made_pass
from runk.core.plan.passes import next_pass
from runk.core.plan.spec import CutSpec
from runk.core.said import mm_said

_SAME = 1e-6
_MM_TURN, _INCH_TURN = 0.5, 0.635
"""What one turn of a micrometer's drum is worth: 0.5 mm, or 0.025 inch."""


@dataclass(frozen=True, slots=True)
class Slip:
    """What a reading may have been meant to be. ``meant_mm`` is None where nobody can tell."""

    meant_mm: float | None
    says: str


def expected_mm(spec: CutSpec, where: Followed, wound: float | None, size_mm: float) -> float:
    """The size a reading is expected to show now."""
    at = where.at
    told = next_pass(spec, at)
    next_one = wound is None and (where.made == 0 or fits_the_next(spec, where, size_mm))
    if next_one and told is not None:
        at = after(at, told)
    elif where.made == 0 and wound:
        at = after(at, made_pass(spec, at, where.last_kind or PassKind.ROUGH, wound))
    return spec.size(at.left_mm)


def slip(spec: CutSpec, where: Followed, size_mm: float, wound: float | None = None) -> Slip | None:
    """Whether a reading looks like a slip.

    Args:
        spec: The cut.
        where: Where it stands before the reading.
        size_mm: As read.
        wound: Divisions wound on; None for as told, 0 for measured again.

    Returns:
        The slip it looks like, or None where the reading is believable.
    """
    expected = expected_mm(spec, where, wound, size_mm)
    before = spec.size(where.read.left_mm)
    take = abs(expected - before)
    believable = max(0.08, 0.5 * take)
    if where.outcomes and take > 4 * spec.resolution_mm and abs(size_mm - before) < _SAME:
        return Slip(
            None,
            "That is the last reading over again, though you wound on: did the "
            "tool cut, or was it sent twice?",
        )
    if abs(size_mm - expected) <= believable:
        return None
    near = max(0.04, 0.2 * take)
    for meant, says in meant_sizes(size_mm):
        if abs(meant - expected) <= near:
            return Slip(meant, says)
    grew = spec.left(size_mm) > where.read.left_mm + 2 * spec.resolution_mm
    if grew:
        way = "smaller" if spec.growing else "larger"
        return Slip(
            None,
            f"That is {way} than before: metal does not grow back. Was the other "
            "one wrong, or this one?",
        )
    return Slip(
        None,
        f"About {mm_said(expected, 2)} was to be expected here, and that is "
        f"{mm_said(abs(size_mm - expected), 2)} off it. Measure once more.",
    )


def meant_sizes(size: float) -> tuple[tuple[float, str], ...]:
    """What a reading may have been meant to be, with what that slip is called."""
    return (
        (size * 25.4, "It looks like inches taken for millimetres."),
        (size / 25.4, "It looks like millimetres taken for inches."),
        (size * 2, "It looks like the radius."),
        (size / 2, "It looks like twice the size."),
        (size * 10, "The decimal point looks one place off."),
        (size / 10, "The decimal point looks one place off."),
        (size - _MM_TURN, "It looks like one turn of the drum too many, 0.5 mm."),
        (size + _MM_TURN, "It looks like one turn of the drum too few, 0.5 mm."),
        (size - _INCH_TURN, "It looks like one turn of the drum too many, 0.025 in."),
        (size + _INCH_TURN, "It looks like one turn of the drum too few, 0.025 in."),
    )
