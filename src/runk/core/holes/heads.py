"""Seats for the heads of screws: how wide, how deep, at which angle."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from functools import cache
from math import radians, tan

from runk.core.figures import Figure, Num, Working, law
from runk.core.kinds import Choice
from runk.core.sources import PRACTICE, Held, Source, read_table
from runk.core.threads.series import Thread


class Head(StrEnum):
    """The shape of a screw's head."""

    CAP = "cap"
    COUNTERSUNK = "countersunk"
    CHEESE = "cheese"


HEADS = (
    Choice("cap", "a cap head", ("cap head", "cap screw", "socket head", "socket cap", "cap")),
    Choice(
        "countersunk",
        "a countersunk head",
        (
            "countersunk head",
            "countersunk screw",
            "flat head",
            "csk screw",
            "csk head",
            "countersink",
        ),
    ),
    Choice("cheese", "a cheese head", ("cheese head", "cheese")),
)
_TIMES = {Head.CAP: (1.5, 1.0), Head.COUNTERSUNK: (1.75, 0.0), Head.CHEESE: (1.75, 0.6)}
"""Across and high in diameters, where no standard of ours has the head: common practice."""
_UNIFIED_DEG, _USUAL_DEG = 82.0, 90.0
BELOW_TIMES = 0.1
"""A head sits so many diameters under the face: common practice."""
_SAME_MM = 0.01


@dataclass(frozen=True, slots=True)
class Seat:
    """A seat for a head: across and deep; ``angle_deg`` of a countersink, else 0."""

    across_mm: Figure
    deep_mm: Figure
    angle_deg: float


@law("Seat for the head", "{head_mm} + 2 × ({hole_mm} - {major_mm})", PRACTICE)
def seat_mm(head_mm: Num, hole_mm: Num, major_mm: Num) -> Num:
    """Diameter of a counterbore: the head, and the play of its hole on either side.

    >>> seat_mm(7.0, 4.5, 4.0)
    8.0
    """
    return head_mm + 2 * (hole_mm - major_mm)


@law("Deep enough to sit under", "{high_mm} + {times} × {major_mm}", PRACTICE)
def sunk_mm(high_mm: Num, times: Num, major_mm: Num) -> Num:
    """Depth of a counterbore whose head sits a little under the face.

    >>> sunk_mm(4.0, 0.1, 4.0)
    4.4
    """
    return high_mm + times * major_mm


@law("Countersink deep", "({across_mm} - {hole_mm}) ÷ 2 ÷ tan({angle_deg}° ÷ 2)")
def countersunk_mm(across_mm: float, hole_mm: float, angle_deg: float) -> float:
    """How deep a countersink goes from the face, to be as wide as the head there.

    >>> round(countersunk_mm(8.96, 4.5, 90.0), 2)
    2.23
    """
    return (across_mm - hole_mm) / 2 / tan(radians(angle_deg) / 2)


@law("Head", "{across_mm}")
def head_mm(across_mm: Num) -> Num:
    """Across a head, by its standard or by practice.

    >>> head_mm(8.96)
    8.96
    """
    return across_mm


@cache
def _rows() -> dict[tuple[str, bool], list[tuple[float, float, float, Source]]]:
    found: dict[tuple[str, bool], list[tuple[float, float, float, Source]]] = {}
    for row in read_table("screw_heads"):
        source = Source(row["authority"], Held(row["held"]))
        figures = (float(row["size"]), float(row["across_mm"]), float(row["high_mm"]), source)
        found.setdefault((row["head"], row["series"] == "metric"), []).append(figures)
    return found


def head_of(thread: Thread, head: Head) -> tuple[float, float, Source]:
    """Across a head, its height, and who says so.

    >>> from runk.core.threads.series import find_thread
    >>> head_of(find_thread("M4"), Head.CAP)[:2]
    (7.0, 4.0)
    """
    unified = thread.series.startswith("UN")
    if thread.metric or unified:
        for size, across, high, source in _rows().get((head, thread.metric), []):
            if abs(size - thread.major_mm) < _SAME_MM:
                return across, high, source
    across, high = _TIMES[head]
    return across * thread.major_mm, high * thread.major_mm, PRACTICE


def seat_for(w: Working, thread: Thread, head: Head, hole_mm: float) -> Seat:
    """The seat of a screw's head over a hole it passes through.

    Source: ISO 4762, ISO 10642, ASME B18.3 for the heads they have, else common practice.
    """
    across, high, source = head_of(thread, head)
    if head is Head.COUNTERSUNK:
        angle = _UNIFIED_DEG if thread.series.startswith("UN") else _USUAL_DEG
        wide = w.of(head_mm, "counterbore_mm", across_mm=across, source=source)
        deep = w.of(
            countersunk_mm,
            "seat_mm",
            across_mm=across,
            hole_mm=hole_mm,
            angle_deg=angle,
            source=source,
        )
        return Seat(wide, deep, angle)
    wide = w.of(
        seat_mm,
        "counterbore_mm",
        head_mm=across,
        hole_mm=hole_mm,
        major_mm=thread.major_mm,
        source=source,
    )
    deep = w.of(
        sunk_mm, "seat_mm", high_mm=high, times=BELOW_TIMES, major_mm=thread.major_mm, source=source
    )
    return Seat(wide, deep, 0.0)
