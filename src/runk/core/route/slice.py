"""A length of a half-section: what radii it has, and what was cut there."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Slice:
    """A length of it that is the same all along.

    Args:
        start: Along the axis; ``end`` where it stops.
        top: Radius above the axis, ``bottom`` below it: they differ where it is thrown.
        inner: Radius of what is hollow.
        right: Top radius at its right end, where it tapers; else as ``top``.
        thread: Radius to which it is screwed, from outside or inside; 0 where it is not.
        feature: Name of what was cut there; empty where nothing was yet.
        now: Whether it was cut in the set-up that is shown.
    """

    start: float
    end: float
    top: float
    bottom: float
    inner: float
    right: float
    feature: str
    now: bool
    thread: float = 0.0
