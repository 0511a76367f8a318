"""A corner off a half-section: a chamfer lies on the larger of the two radii that meet there."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import replace

from runk.core.route.part import EPS
from runk.core.route.slice import Slice


def chamfered(
    slices: tuple[Slice, ...], at_mm: float, size_mm: float, feature: str, now: bool
) -> tuple[Slice, ...]:
    """A half-section with one corner off.

    Args:
        slices: From its right end to its left.
        at_mm: Where along the axis the corner is.
        size_mm: How far it goes along and in.
        feature: Name of the chamfer; ``now`` whether it is cut in the set-up that is shown.

    Returns:
        As it was where there is no corner of one radius to take it off.
    """
    before = _at(slices, at_mm, lambda one: one.end)
    behind = _at(slices, at_mm, lambda one: one.start)
    right = before.top if before else 0.0
    left = behind.right if behind else 0.0
    if behind is not None and left > right + EPS and _plain(behind, size_mm):
        cut = replace(behind, end=at_mm + size_mm, right=left - size_mm, feature=feature, now=now)
        rest = replace(behind, start=at_mm + size_mm)
        pieces, of = (cut, rest), behind
    elif before is not None and right > left + EPS and _plain(before, size_mm):
        cut = replace(before, start=at_mm - size_mm, top=right - size_mm, feature=feature, now=now)
        cut = replace(cut, bottom=cut.top)
        pieces, of = (replace(before, end=at_mm - size_mm), cut), before
    else:
        return slices
    out: list[Slice] = []
    for one in slices:
        out += [x for x in pieces if x.end - x.start > EPS] if one is of else [one]
    return tuple(out)


def _at(slices: Iterable[Slice], at_mm: float, end: Callable[[Slice], float]) -> Slice | None:
    return next((one for one in slices if abs(end(one) - at_mm) < EPS), None)


def _plain(one: Slice, size_mm: float) -> bool:
    """Whether a stretch is of one radius, on the axis, and has room for the corner."""
    straight = abs(one.top - one.right) < EPS and abs(one.top - one.bottom) < EPS
    return straight and one.end - one.start >= size_mm - EPS and one.top - one.inner > size_mm
